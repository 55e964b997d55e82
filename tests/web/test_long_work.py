"""Work that takes long: shown how far it is, kept whole; and what waits for it is told to wait."""

import sqlite3
from pathlib import Path
from threading import Event

import pytest
from fastapi.testclient import TestClient
from tests.web.conftest import client_for

from kersey.store import database
from kersey.web import jobs


def spreadsheet(rows: int) -> dict[str, tuple[str, bytes]]:
    lines = "".join(f"lot {n},piece,3,9 in,12 in,cloth {n}\n" for n in range(rows))
    return {"file": ("lots.csv", f"lot,form,pieces,width,length,print\n{lines}".encode())}


def test_work_that_takes_long_says_how_far_it_is_and_then_answers(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The moment that a request waits is over at once, and the work is held up until it is seen."""
    seen = Event()
    tell = jobs.Job.tell

    def tell_and_wait(job: jobs.Job, done: int, of: int, what: str) -> None:
        tell(job, done, of, what)
        seen.wait()

    monkeypatch.setattr(jobs, "_A_MOMENT", 0.0)
    monkeypatch.setattr(jobs.Job, "tell", tell_and_wait)
    answer = client.post("/cupboard/spreadsheet", files=spreadsheet(400), follow_redirects=False)
    assert answer.status_code == 303
    address = answer.headers["location"]
    assert address.startswith("/work/")
    page = client.get(address)
    while "rows read" not in page.text:
        page = client.get(address)
    assert "200 of 400 rows read" in page.text
    assert 'http-equiv="refresh"' in page.text
    seen.set()
    while client.get(address, follow_redirects=False).status_code == 200:
        pass
    assert client.get(address, follow_redirects=False).headers["location"] == "/cupboard"
    assert "lot 399" in client.get("/cupboard").text
    assert client.get("/work/nothing").status_code == 404


def test_a_file_busy_with_another_change_answers_try_again(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(database, "_WAIT_SECONDS", 0.05)
    with client_for(tmp_path) as client:
        client.post("/cupboard", data={"lines": "2 yd navy"})
        with sqlite3.connect(tmp_path / database.FILE_NAME) as other:
            other.execute("BEGIN IMMEDIATE")
            busy = client.post("/cupboard", data={"lines": "3 yd red"})
        other.close()
        assert busy.status_code == 503
        assert "Another change or program is using your data." in busy.text
        assert "3 yd red" in busy.text
        assert busy.headers["retry-after"] == "2"
        assert client.post("/cupboard", data={"lines": "3 yd red"}).status_code == 200
