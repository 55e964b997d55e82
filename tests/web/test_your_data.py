"""Your data: a backup gives every page as it was; restoring, the daily backup and the check."""

import re
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from tests.sample import take_sample_data
from tests.web.conftest import ADDRESS, PatientClient, app_over, client_for, without_tokens
from tests.web.test_every_page import opened_at, pages

from kersey.store.backup import FOLDER, backups, restore_backup
from kersey.store.database import FILE_NAME

WHERE = re.compile(r'<span class="path">[^<]*</span>')

# What may still be searched for while it is looked at, takes long to draw, or is the backup itself.
SEARCHED = re.compile(
    r"news|/yield|questions|/quilts|tryouts|shopping|units|order.json|kept.png|backup.zip"
)


def seen(client: TestClient, number: int) -> dict[str, str]:
    """Every page, as it is read."""
    shown = [page for page in pages(client, number) if not SEARCHED.search(page)]
    assert len(shown) > 40
    return {page: WHERE.sub("", without_tokens(client.get(page).text)) for page in shown}


def test_from_a_backup_every_page_is_as_it_was(tmp_path: Path) -> None:
    here, there = tmp_path / "here", tmp_path / "there"
    for folder in (here, there):
        folder.mkdir()
    take_sample_data(here)
    (first,) = opened_at(here)
    (here / "kersey.zip").write_bytes(first.get("/backup.zip").content)
    restore_backup(there, here / "kersey.zip")
    (second,) = opened_at(there)
    before, after = (seen(client, 2) for client in (first, second))
    assert {page for page in before if before[page] != after[page]} == set()


def test_a_running_site_shows_what_was_restored(client: TestClient, tmp_path: Path) -> None:
    client.post("/projects", data={"line": "40 strips"})
    saved = client.get("/backup.zip").content
    client.post("/projects/1/name", data={"revision": "1", "name": "Later"})
    assert "Later" in client.get("/").text
    page = client.post("/settings/data/restore", files={"file": ("kersey.zip", saved)}).text
    assert "Later" not in page
    (before,) = backups(tmp_path)
    assert before.name in client.get("/settings/data").text
    assert "Later" in client.post(f"/settings/data/restore/{before.name}").text
    bad = client.post("/settings/data/restore", files={"file": ("kersey.zip", saved[:-300])})
    assert bad.status_code == 422
    assert "damaged. Nothing was changed." in bad.text
    assert client.post("/settings/data/restore/..%2Fkersey.db").status_code == 404


@pytest.mark.parametrize("wanted", [True, False])
def test_once_a_day_by_itself(tmp_path: Path, wanted: bool) -> None:
    # This one is never opened, so that nothing is done unasked before the switch is set.
    client = client_for(tmp_path)
    client.post("/cupboard", data={"lines": "2 yd rust"})
    chosen = {"revision": "0"} | ({"daily_backup": "true"} if wanted else {})
    assert client.post("/settings/data/daily", data=chosen).status_code == 200
    client.app.state.workroom.engine.dispose()  # type: ignore[attr-defined]
    with PatientClient(app_over(tmp_path), base_url=ADDRESS):
        """It opens and closes."""
    assert len(list((tmp_path / FOLDER).glob("kersey-*.zip"))) == int(wanted)


def test_what_does_not_add_up_is_said_with_what_to_do(tmp_path: Path) -> None:
    with client_for(tmp_path) as client:
        client.post("/cupboard", data={"lines": "2 yd rust"})
        assert "All is well" in client.get("/settings/data/check").text
    with closing(sqlite3.connect(tmp_path / FILE_NAME)) as opened, opened:
        opened.execute("UPDATE ledger SET area = '12'")
    with client_for(tmp_path) as client:
        found = client.get("/settings/data/check").text
        assert "doesn't add up" in found
        assert "“rust”" in found
        assert "doesn't add up" in client.get("/").text
