"""Two at the same moment: of what both were shown only one may change it, and all adds up."""

from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime
from fractions import Fraction
from pathlib import Path
from threading import Barrier

import httpx
import pytest
from sqlalchemy import Engine
from sqlalchemy.orm import Session
from tests.nights import by_night
from tests.web.conftest import Site

from kersey.core.project.project import Project
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.ledger import balance
from kersey.core.stash.quick_entry import read_lots
from kersey.store.cupboard import add_lots, all_lots, get_lot
from kersey.store.database import open_database
from kersey.store.holdings import free_pieces
from kersey.store.ledger import entries_of_lot
from kersey.store.preferences import load_preferences
from kersey.store.prices import load_prices
from kersey.store.projects import add_project, get_project

ROUNDS = 200 if by_night() else 6
NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
CLOTH, QUARTERS = 1, 2
Seen = Callable[[Session], int]


@pytest.fixture
def home(tmp_path: Path) -> Iterator[tuple[Site, Engine]]:
    """A length of cloth and fat quarters, and two quilts that hold nothing yet."""
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        for line in ("40 yd charcoal", "500 fat quarters, 1 print"):
            add_lots(session, from_readings(read_lots(line)), "put in", NOW)
        for name in ("Berth", "Buffet"):
            add_project(session, Project(name, "", ()), NOW)
    site = Site(tmp_path)
    yield site, engine
    site.close()
    engine.dispose()


def lot_revision(session: Session) -> int:
    return get_lot(session, CLOTH).revision


# What two send who were shown the same, and the revision of what is changed.
SAME: dict[str, tuple[str, Seen, dict[str, str]]] = {
    "split": (f"/cupboard/lots/{CLOTH}/split", lot_revision, {"amount": "1/16 yd"}),
    "lot": (
        f"/cupboard/lots/{CLOTH}",
        lot_revision,
        {"name": "charcoal {who}", "width": "42", "length": "1000"},
    ),
    "prices": (
        "/prices",
        lambda session: load_prices(session)[1],
        {"name": "wool {who} {turn}", "form": "yardage", "width": "42", "price": "9"},
    ),
    "settings": (
        "/settings",
        lambda session: load_preferences(session).revision,
        {"seam": "1/4", "usable_width": "42", "units": "in", "theme": "dark", "paper": "a4"},
    ),
    "project": (
        "/projects/1/name",
        lambda session: get_project(session, 1).revision,
        {"name": "Berth {who} {turn}"},
    ),
    "pull": (
        "/projects/1/fabrics",
        lambda session: get_project(session, 1).revision,
        {"lot": f"{QUARTERS}", "pieces": "1"},
    ),
}


@pytest.mark.parametrize("what", SAME)
def test_only_one_of_two_who_saw_the_same_changes_it(home: tuple[Site, Engine], what: str) -> None:
    site, engine = home
    path, seen, fields = SAME[what]
    for turn in range(ROUNDS):
        with Session(engine) as session:
            revision = seen(session)
        answers = at_once(
            site,
            [
                (path, {"revision": f"{revision}"} | filled(fields, who=who, turn=turn))
                for who in ("here", "there")
            ],
        )
        assert max(answers) < 500
        with Session(engine) as session:
            assert seen(session) == revision + 1, answers
    adds_up(engine)


def test_two_quilts_never_hold_more_than_there_is(home: tuple[Site, Engine]) -> None:
    site, engine = home
    for turn in range(ROUNDS):
        with Session(engine) as session:
            revisions = [get_project(session, number).revision for number in (1, 2)]
        # The rest of it, and a piece for the other.
        pieces = ("", "1") if turn == ROUNDS - 1 else ("1", "2")
        answers = at_once(
            site,
            [
                (
                    f"/projects/{number}/fabrics",
                    {"revision": f"{revision}", "lot": f"{QUARTERS}", "pieces": some},
                )
                for number, revision, some in zip((1, 2), revisions, pieces, strict=True)
            ],
        )
        assert max(answers) < 500
    with Session(engine) as session:
        held = sum(p.count for n in (1, 2) for p in get_project(session, n).project.fabrics)
        assert held + sum(free_pieces(session, QUARTERS)) == 500
    adds_up(engine)


def filled(fields: dict[str, str], **values: object) -> dict[str, str]:
    return {name: value.format(**values) for name, value in fields.items()}


def at_once(site: Site, sent: list[tuple[str, dict[str, str]]]) -> list[int]:
    """The status of each answer, all sent when all are ready."""
    ready = Barrier(len(sent))

    def send(one: tuple[str, dict[str, str]]) -> int:
        with httpx.Client(base_url=site.url, headers={"Origin": site.url}, timeout=60) as client:
            ready.wait()
            return client.post(one[0], data=one[1]).status_code

    with ThreadPoolExecutor(len(sent)) as pool:
        return list(pool.map(send, sent))


def adds_up(engine: Engine) -> None:
    """What came in is used, left or lost; no yard came from nowhere."""
    with Session(engine) as session:
        lots = all_lots(session)
        for stored in lots:
            sums = balance(entries_of_lot(session, stored.id))
            assert sums.came_in == sums.used + sums.left + sums.lost
            assert sums.whole_pieces == stored.kept.lot.count
        cloth = [lot.kept.lot for lot in lots if lot.kept.lot.form == "yardage"]
        assert sum((lot.length for lot in cloth), Fraction(0)) in {1000, 40 * 36}
