"""The order of work: each stage has its page, says how it stands, and one of them is next."""

import re
from dataclasses import replace
from datetime import UTC, datetime

import pytest
from fastapi.testclient import TestClient
from tests.core.quilts import plan, project

from kersey.core.measure.length import Units
from kersey.core.project.laying import Laying
from kersey.core.project.project import Project
from kersey.store.projects import StoredProject
from kersey.web.stages import FOLDERS, STAGES, next_stage, stage_routers
from kersey.web.workroom import Reckoned

ALL = ["Pull", "Yield", "Size", "Arrange", "Cut", "Sew", "Finish", "Put away"]
NOW = datetime(2026, 11, 1, tzinfo=UTC)


def reckoned(of: Project) -> Reckoned:
    return Reckoned(StoredProject(1, 1, of, NOW, 1), Units.INCHES)


def test_every_stage_has_a_folder_and_a_page_of_its_own() -> None:
    assert len({stage.key for stage in STAGES}) == len(STAGES) == len(FOLDERS)
    routes = {getattr(route, "name", "") for router in stage_routers() for route in router.routes}
    assert {stage.page for stage in STAGES} <= routes
    assert [stage.title for stage in STAGES] == ALL


def test_what_waits_is_next_until_all_is_done() -> None:
    proposed = plan(project())
    waiting = next_stage(reckoned(proposed))
    assert waiting is not None
    assert waiting.act == "Choose a size"
    chosen = plan(project(rows=10, columns=8))
    waiting = next_stage(reckoned(chosen))
    assert waiting is not None
    assert waiting.act == "Arrange the blocks"
    assert chosen.plan is not None
    laying = Laying((0,) * len(chosen.plan.places))
    laid = replace(chosen, plan=replace(chosen.plan, laying=laying))
    waiting = next_stage(reckoned(laid))
    assert waiting is not None
    assert waiting.act == "Cut the fabric"
    steps = reckoned(chosen).steps
    some = replace(chosen, done=frozenset({steps[0].key}))
    assert next_stage(reckoned(some)) is waiting
    cut = [s.key for s in steps if s.kind.value in ("measure", "keep", "cut", "lay out")]
    sewing = next_stage(reckoned(replace(chosen, done=frozenset(cut))))
    assert sewing is not None
    assert sewing.act == "Sew the blocks"
    sewn = [s.key for s in steps if s.kind.value not in ("border", "backing", "binding")]
    finishing = next_stage(reckoned(replace(chosen, done=frozenset(sewn))))
    assert finishing is not None
    assert finishing.act == "Finish the quilt"
    done = replace(chosen, done=frozenset(step.key for step in steps))
    away = next_stage(reckoned(done))
    assert away is not None
    assert away.act == "Put leftovers away"
    assert next_stage(reckoned(replace(done, put_away=True))) is None


@pytest.mark.parametrize(
    ("stage", "says"),
    [
        ("pull", {"Pull": "40 strips, 20 prints"}),
        ("yield", {"Yield": "80 blocks, proved"}),
        ("size", {"Size": "suggested: 54 × 66″"}),
        ("arrange", {"Arrange": ""}),
        ("cut", {"Cut": ""}),
        ("sew", {"Sew": ""}),
        ("finish", {"Finish": ""}),
        ("away", {"Put away": ""}),
    ],
)
def test_a_page_says_where_one_is_and_how_all_stand(
    client: TestClient, stage: str, says: dict[str, str]
) -> None:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    client.get("/projects/1/size")
    page = client.get(f"/projects/1/{stage}").text
    lines = {
        title: re.sub(r"\s+", " ", status).strip()
        for title, status in re.findall(
            r'class="stage">([\w ]+)</span>\s*<span class="status[^"]*">([^<]*)</span>', page
        )
    }
    assert list(lines) == ALL
    assert says.items() <= lines.items()
    (here,) = re.findall(r'href="/projects/1/(\w+)" aria-current="page"', page)
    assert here == stage


def test_a_size_that_is_too_large_is_bad_news_in_the_order_of_work(client: TestClient) -> None:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    page = client.get("/projects/1/size").text
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    client.post("/projects/1/grid", data={"revision": found[1], "columns": "12", "rows": "12"})
    page = client.get("/projects/1/size").text
    assert re.search(r'class="status short">\s*64 blocks short', page)
