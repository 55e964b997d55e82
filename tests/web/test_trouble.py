"""A full disk, a read-only folder, a damaged file: the right words, and pages that still work."""

from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, Engine, event
from tests.core.quilts import project
from tests.web.conftest import ADDRESS, PatientClient, app_over

from kersey.store.data_check import check_data
from kersey.store.projects import add_project
from kersey.store.trouble import Trouble
from kersey.web.workroom import Workroom


def fill_disk(engine: Engine) -> None:
    """The file may not grow by a page any more: SQLite answers as on a full disk."""
    engine.dispose()

    def stop_growing(connection: Any, _record: Any) -> None:
        (pages,) = connection.execute("PRAGMA page_count").fetchone()
        connection.execute(f"PRAGMA max_page_count = {pages}")

    event.listen(engine, "connect", stop_growing)


def forbid_writing(engine: Engine) -> None:
    def forbid(connection: Connection) -> None:
        connection.exec_driver_sql("PRAGMA query_only = ON")

    event.listen(engine, "begin", forbid)


@pytest.mark.parametrize(
    ("trouble", "status", "says"),
    [
        (fill_disk, 507, "The disk is full. Free some space, then try again."),
        (forbid_writing, 503, "Kersey may not write to its data folder. Make the folder writable"),
    ],
)
def test_what_cannot_be_saved_is_said_so_and_the_rest_goes_on(
    client: TestClient, trouble: Any, status: int, says: str
) -> None:
    room: Workroom = client.app.state.workroom  # type: ignore[attr-defined]
    with room.transaction() as session:
        add_project(session, project(), room.clock())
    client.post("/cupboard", data={"lines": "2 yd navy"})
    trouble(room.engine)
    lines = "\n".join(f"{number} yd rust" for number in range(1, 90))
    refused = client.post("/cupboard", data={"lines": lines})
    assert refused.status_code == status
    assert says in refused.text
    assert "Everything you saved before is safe." in refused.text
    assert "89 yd rust" in refused.text
    for page in ("/", "/cupboard", "/projects/1/pull", "/projects/1/yield", "/settings/data"):
        assert client.get(page).status_code == 200, page
    with room.reading() as session:
        assert list(check_data(session)) == []


def test_a_full_disk_keeps_no_plan_but_says_so(client: TestClient) -> None:
    room: Workroom = client.app.state.workroom  # type: ignore[attr-defined]
    with room.transaction() as session:
        add_project(session, project(), room.clock())
    fill_disk(room.engine)
    assert "The disk is full." in client.get("/projects/1/size").text


def test_a_site_over_a_damaged_file_still_opens_closes_and_tells(tmp_path: Path) -> None:
    app = app_over(tmp_path)
    (tmp_path / "kersey.db").write_bytes(b"no database " * 1000)
    with PatientClient(app, ADDRESS, raise_server_exceptions=False):
        """Its house is kept, and nothing of that ends it."""
    room: Workroom = app.state.workroom
    assert room.amiss == (Trouble.DAMAGED.words,)
    assert Trouble.DAMAGED.words in room.no_backup
    room.engine.dispose()


def test_a_file_damaged_while_it_is_open_says_how_to_go_back(
    client: TestClient, tmp_path: Path
) -> None:
    room: Workroom = client.app.state.workroom  # type: ignore[attr-defined]
    client.post("/cupboard", data={"lines": "2 yd navy"})
    room.engine.dispose()
    (tmp_path / "kersey.db").write_bytes(b"no database " * 1000)
    page = client.get("/cupboard")
    assert page.status_code == 503
    assert "damaged. Stop Kersey and put your newest backup in place" in page.text
