"""Every page that can be opened, on a quilt in each of its states: none of them breaks."""

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from httpx import Response
from sqlalchemy.orm import Session
from starlette.routing import Route
from tests.core.quilts import plan, project
from tests.web.conftest import client_for

from kersey.core.measure.length import Units
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.quick_entry import read_lots
from kersey.core.work.work_order import work_order
from kersey.store.cupboard import add_lots
from kersey.store.database import open_database
from kersey.store.projects import add_project, delete_project

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
NOBODY = "x" * 16
NEVER_SHOWN = re.compile(r' d="M?"|NaN|>None<|undefined')
# What stands in an address beside the project's number.
PARTS = {"lot_id": "1", "place": "0", "token": NOBODY, "file": "none.jpg", "form": "svg"}


def chosen() -> Project:
    return plan(project(rows=10, columns=8))


def done_to(*kinds: str) -> Project:
    steps = work_order(make_quilt(chosen(), Units.INCHES))
    keys = frozenset(step.key for step in steps if not kinds or step.kind.value in kinds)
    return replace(chosen(), done=keys)


STATES: dict[str, Callable[[], Project]] = {
    "empty": lambda: Project("Berth", "", ()),
    "pulled": project,
    "planned": lambda: plan(project()),
    "chosen": chosen,
    "cut": lambda: done_to("measure", "keep", "cut", "lay out"),
    "sewn": lambda: done_to("measure", "keep", "cut", "lay out", "sew", "press", "join"),
    "finished": done_to,
    "put away": lambda: replace(done_to(), put_away=True),
    "deleted": chosen,
}

NUMBERS = {state: number for number, state in enumerate(STATES, 1)}


@pytest.fixture(scope="module")
def home(tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """A quilt in every state, and fabric enough for all."""
    folder = tmp_path_factory.mktemp("states")
    engine = open_database(folder)
    with Session(engine) as session, session.begin():
        add_lots(session, from_readings(read_lots("40 yd charcoal")), "put in", NOW)
        for state, made in STATES.items():
            number = add_project(session, replace(made(), name=state), NOW)
            assert number == NUMBERS[state]
            if state == "deleted":
                delete_project(session, number, NOW)
    engine.dispose()
    yield from opened_at(folder)


@pytest.fixture
def nothing(tmp_path: Path) -> Iterator[TestClient]:
    yield from opened_at(tmp_path)


def opened_at(folder: Path) -> Iterator[TestClient]:
    with client_for(folder) as client:
        yield client
    client.app.state.workroom.engine.dispose()  # type: ignore[attr-defined]


def opened(routes: Iterable[Any]) -> Iterator[str]:
    for route in routes:
        if isinstance(route, Route) and "GET" in (route.methods or ()):
            yield route.path
        elif hasattr(route, "original_router"):
            yield from opened(route.original_router.routes)


def pages(client: TestClient, number: int) -> list[str]:
    paths = opened(client.app.routes)  # type: ignore[attr-defined]
    parts = PARTS | {"project_id": str(number), "name": "none"}
    return [re.sub(r"\{(\w+)[^}]*\}", lambda found: parts[found[1]], path) for path in paths]


def broken(answer: Response) -> bool:
    """A fault, or a page that shows what was never worked out."""
    page = answer.headers.get("content-type", "").startswith("text/html")
    return answer.status_code >= 500 or (page and bool(NEVER_SHOWN.search(answer.text)))


def all_open(client: TestClient, addresses: list[str]) -> None:
    answers = [(address, client.get(address)) for address in addresses]
    assert not [(address, answer.text[-400:]) for address, answer in answers if broken(answer)]


@pytest.mark.parametrize("state", STATES)
def test_every_page_of_a_quilt_opens_or_says_why_not(home: TestClient, state: str) -> None:
    of_quilt = [page for page in pages(home, NUMBERS[state]) if page.startswith("/projects/")]
    assert len(of_quilt) > 40
    all_open(home, of_quilt)


def test_every_other_page_opens_with_and_without_anything_in_it(
    home: TestClient, nothing: TestClient
) -> None:
    for client in (home, nothing):
        all_open(client, [page for page in pages(client, 1) if not page.startswith("/projects/")])
