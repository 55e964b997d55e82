"""What comes in at once: as whole as one by one, all or nothing, and no number used twice."""

import sqlite3
from collections.abc import Iterator
from dataclasses import replace
from datetime import UTC, datetime
from fractions import Fraction
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import Engine, select, text
from sqlalchemy.orm import Session
from tests.formats.test_cupboard_csv import lots

from kersey.core.project.project import Project
from kersey.core.stash.cupboard import CupboardLot, from_readings
from kersey.core.stash.ledger import EntryKind, balance
from kersey.core.stash.pulled import Pulled, all_of
from kersey.core.stash.quick_entry import read_lines
from kersey.store.cupboard import add_lots, all_lots, get_lot, take_out
from kersey.store.database import FILE_NAME, open_database
from kersey.store.holdings import LotHeld, free_pieces
from kersey.store.ledger import all_sums, entries_of_lot, entries_of_project
from kersey.store.projects import add_everything, add_project, all_projects
from kersey.store.tables import CupboardStackRow

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
LOTS = from_readings(read_lines("roll of 8 strips, 4 prints\n2 yd navy\n900 g crumbs"))


@pytest.fixture(scope="module")
def engine(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Engine]:
    engine = open_database(tmp_path_factory.mktemp("arrival"))
    yield engine
    engine.dispose()


@pytest.fixture
def session(engine: Engine) -> Iterator[Session]:
    """A session of which nothing is kept."""
    with Session(engine) as session:
        yield session


@given(st.lists(lots(), min_size=1, max_size=4))
def test_lots_come_back_whole_with_all_of_them_in_the_ledger(
    engine: Engine, came: list[CupboardLot]
) -> None:
    with Session(engine) as session:
        numbers = add_lots(session, came, None, NOW)
        assert [get_lot(session, number).kept for number in numbers] == came
        for number, kept in zip(numbers, came, strict=True):
            entries = entries_of_lot(session, number)
            assert sum(entry.pieces for entry in entries) == kept.lot.count
            assert sum(entry.area for entry in entries) == kept.lot.area
            assert {entry.kind for entry in entries} == {EntryKind.BOUGHT}


def test_the_number_of_a_print_is_never_given_again(session: Session) -> None:
    first = add_lots(session, LOTS, "in", NOW)
    ever = set(session.scalars(select(CupboardStackRow.id)))
    take_out(session, {first[-1]: 1}, "out", NOW)
    session.execute(text("DELETE FROM cupboard_stack WHERE lot_id = :lot"), {"lot": first[-1]})
    add_lots(session, LOTS, "in again", NOW)
    session.flush()
    again = set(session.scalars(select(CupboardStackRow.id).order_by(CupboardStackRow.id)))
    fresh = again - ever
    assert len(fresh) == sum(len(kept.lot.stacks) for kept in LOTS)
    assert min(fresh) > max(ever)


def pulling(place: int, count: int, name: str, cut: int = 0) -> Project:
    """A quilt that holds so many pieces of the first print of one of the lots."""
    pulled = Pulled(LOTS[place], 0, count, cut=cut, lot_number=place)
    return Project(name, "as told", (pulled,))


def test_quilts_come_with_their_lots_and_the_ledger_adds_up(session: Session) -> None:
    quilts = [pulling(0, 1, "first", cut=1), pulling(0, 1, "second"), pulling(1, 1, "third")]
    add_everything(session, quilts, LOTS, NOW)
    back = all_projects(session)
    assert [project.name for project in back] == ["first", "second", "third"]
    assert [p.count for project in back for p in project.fabrics] == [1, 1, 1]
    numbers = [stored.id for stored in all_lots(session)]
    assert free_pieces(session, numbers[0])[0] == 0
    sums = balance(all_sums(session))
    assert sums.came_in == sum((kept.lot.area for kept in LOTS), Fraction(0))
    kinds = [entry.kind for entry in entries_of_project(session, 1)]
    assert kinds == [EntryKind.PULLED, EntryKind.CUT]


def test_more_than_there_is_comes_not_at_all(session: Session) -> None:
    quilts = [pulling(0, 2, "first"), pulling(0, 1, "second")]
    with pytest.raises(LotHeld, match="first” and “second"):
        add_everything(session, quilts, LOTS, NOW)
    assert all_lots(session) == []
    add_everything(session, [quilts[0], replace(quilts[1], sketch=True)], LOTS, NOW)
    assert len(all_projects(session)) == 2


def test_a_quilt_begun_brings_its_own_lots_and_may_pull_from_others(session: Session) -> None:
    (number, *_) = add_lots(session, LOTS, None, NOW)
    at_home = get_lot(session, number).kept
    fabrics = (Pulled(at_home, 1, 2, lot_number=number), *all_of(LOTS[1]))
    add_project(session, Project("both", "as told", fabrics), NOW)
    (project,) = all_projects(session)
    assert [p.kept.name for p in project.fabrics] == [at_home.name, LOTS[1].name]
    assert free_pieces(session, number)[1] == 0
    with pytest.raises(LotHeld):
        add_project(session, Project("again", "", fabrics[:1]), NOW)


def test_a_folder_of_an_older_version_opens_with_nothing_filled_in(tmp_path: Path) -> None:
    """What was there before anybody asked is taken as known."""
    old = sqlite3.connect(tmp_path / FILE_NAME)
    old.executescript((Path(__file__).parent / "kept" / "before-one-road.sql").read_text())
    for table in ("cupboard_stack", "bought"):
        old.execute(f"ALTER TABLE {table} DROP COLUMN filled_in")
    old.execute("ALTER TABLE cupboard_lot DROP COLUMN shrinkage_across")
    old.execute("UPDATE alembic_version SET version_num = '0004'")
    old.commit()
    old.close()
    engine = open_database(tmp_path)
    with Session(engine) as session:
        prints = [cloth for stored in all_lots(session) for cloth in stored.kept.lot.prints]
        assert len(prints) > 100
        assert all(cloth.filled_in == frozenset() for cloth in prints)
    engine.dispose()
    assert (tmp_path / "kersey-before-upgrade-from-0004.db").exists()
