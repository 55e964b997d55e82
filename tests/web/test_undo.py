"""Undo on every page of a quilt: it names what it takes back, and stays on the page it is on."""

import re

import pytest
from fastapi.testclient import TestClient
from tests.core.quilts import plan, project
from tests.web.test_wrong import revision

from kersey.store.projects import add_project
from kersey.web.workroom import Workroom

PAGES = ("pull", "yield", "size", "arrange", "cut", "cut/table", "sew", "away")
UNDO = re.compile(r'data-key="z" data-does="undo"\s*>Undo')
SAID = re.compile(r'class="steps-back".*?<span class="soft">([^<]*)</span>', re.DOTALL)


@pytest.fixture
def quilt(client: TestClient) -> TestClient:
    room: Workroom = client.app.state.workroom  # type: ignore[attr-defined]
    with room.transaction() as session:
        add_project(session, plan(project(rows=10, columns=8)), room.clock())
    return client


def test_every_page_takes_back_what_was_done_last_and_stays(quilt: TestClient) -> None:
    for page in PAGES:
        assert not UNDO.search(quilt.get(f"/projects/1/{page}").text)
    shown = quilt.get("/projects/1/size").text
    name = {"revision": revision(shown), "name": "Berth for two"}
    quilt.post("/projects/1/name", data=name)
    for page in PAGES:
        address = f"http://127.0.0.1:8000/projects/1/{page}"
        shown = quilt.get(address).text
        assert UNDO.search(shown), page
        assert SAID.findall(shown) == ["renamed it “Berth for two”"], page
        for way, there in (("back", False), ("on", True)):
            said = {"revision": revision(quilt.get(address).text), "way": way}
            answer = quilt.post("/projects/1/step-over", data=said, headers={"referer": address})
            assert answer.url.path == f"/projects/1/{page}"
            assert ('value="Berth for two"' in answer.text) is there


def test_undo_in_a_window_that_is_behind_takes_back_nothing(quilt: TestClient) -> None:
    behind = revision(quilt.get("/projects/1/size").text)
    for name in ("Berth", "Buffet"):
        now = revision(quilt.get("/projects/1/size").text)
        quilt.post("/projects/1/name", data={"revision": now, "name": name})
    refused = quilt.post("/projects/1/step-over", data={"revision": behind, "way": "back"})
    assert refused.status_code == 409
    assert 'value="Buffet"' in quilt.get("/projects/1/size").text
