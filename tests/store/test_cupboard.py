"""The cupboard: found, changed many at once, undone, and never overwritten unseen."""

from collections.abc import Iterator
from datetime import UTC, datetime
from fractions import Fraction
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session
from tests.undo_last import undo_last

from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import Aside, CupboardLot, from_readings
from kersey.core.stash.quick_entry import read_lines
from kersey.records.lots import lot_document, lot_from
from kersey.store.cupboard import (
    Find,
    LotsChanged,
    NoSuchLot,
    add_lots,
    all_lots,
    change_lots,
    count_lots,
    get_lot,
    last_change,
    list_lots,
    take_out,
)
from kersey.store.database import open_database
from kersey.store.tables import Table

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
LINES = """roll of 40 strips, 20 prints
12 light fat quarters
2 1/4 yd charcoal
strings 1 1/4 to 2 1/2, about 60, 9 to 30 long
a shoe box, 900 g of crumbs
42 charm squares, dark
40 strips 1 1/2 x 42, "100%_cotton"
"""
LOTS = from_readings(read_lines(LINES))


@pytest.fixture
def session(tmp_path: Path) -> Iterator[Session]:
    engine: Engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        add_lots(session, LOTS, "seven lots in", NOW)
        yield session
    engine.dispose()


def names(session: Session, **looked_for: object) -> set[str]:
    find = Find(**looked_for)  # type: ignore[arg-type]
    found = {line.name for line in list_lots(session, find, 0, 50)}
    assert count_lots(session, find) == len(found)
    return found


def test_every_form_comes_back_as_it_was(session: Session) -> None:
    session.flush()
    session.expire_all()
    assert tuple(kept(session)) == LOTS
    assert len(LOTS) == 7


@pytest.mark.parametrize("kept", LOTS)
def test_records_hold_everything(kept: CupboardLot) -> None:
    measured = CupboardLot(kept.name, kept.lot, Aside.BINDING)
    assert lot_from(lot_document(measured)) == measured


def test_finding(session: Session) -> None:
    assert names(session, words="charcoal") == {"charcoal"}
    assert names(session, words="PRINT 19") == {"Roll of 40 strips", "42 dark squares"}
    assert names(session, words="%_c") == {"100%_cotton"}
    assert names(session, words="zebra") == set()
    assert names(session, form=Form.FAT_QUARTER) == {"12 light fat quarters"}
    assert names(session, value=Value.DARK) == {"42 dark squares", "charcoal"}
    assert "42 dark squares" not in names(session, value=Value.LIGHT)
    narrow = names(session, least_width=Fraction(1), most_width=Fraction(2))
    assert narrow == {"100%_cotton"}
    assert names(session, aside=True) == set()


def test_many_are_changed_at_once_and_the_change_is_undone(session: Session) -> None:
    shown = {stored.id: stored.revision for stored in list_lots(session, Find(), 0, 50)}
    change_lots(session, shown, lambda k: k.judged(Value.LIGHT), "all light", NOW)
    assert len(names(session, value=Value.LIGHT)) == 7
    newer = dict.fromkeys(shown, 2)
    change_lots(session, newer, lambda k: k.set_aside(Aside.BINDING), "all aside", NOW)
    assert len(names(session, aside=True)) == 7
    assert (last_change(session) or (0, ""))[1] == "all aside"
    assert undo_last(session, NOW) == "all aside"
    assert undo_last(session, NOW) == "all light"
    assert tuple(kept(session)) == LOTS
    assert undo_last(session, NOW) == "seven lots in"
    assert kept(session) == []
    assert undo_last(session, NOW) is None


def test_what_was_taken_out_comes_back(session: Session) -> None:
    (charcoal,) = list_lots(session, Find(words="charcoal"), 0, 1)
    take_out(session, {charcoal.id: charcoal.revision}, "charcoal out", NOW)
    assert names(session, words="charcoal") == set()
    with pytest.raises(NoSuchLot):
        get_lot(session, charcoal.id)
    undo_last(session, NOW)
    assert get_lot(session, charcoal.id).kept == LOTS[2]


def test_lots_changed_elsewhere_are_not_overwritten(session: Session) -> None:
    first, other = list_lots(session, Find(), 0, 2)
    change_lots(session, {first.id: 1}, lambda k: k.judged(Value.DARK), "one", NOW)
    with pytest.raises(LotsChanged, match="Nothing was overwritten"):
        change_lots(
            session, {first.id: 1, other.id: 1}, lambda k: k.judged(Value.LIGHT), "two", NOW
        )
    assert get_lot(session, other.id).revision == other.revision
    with pytest.raises(NoSuchLot):
        take_out(session, {999: 1}, "none", NOW)


def test_fifty_steps_and_more_can_be_undone_after_a_restart(tmp_path: Path) -> None:
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        for number in range(70):
            add_lots(session, LOTS[:1], f"step {number}", NOW)
    engine.dispose()
    again = open_database(tmp_path)
    with Session(again) as session, session.begin():
        undone = [undo_last(session, NOW) for _ in range(60)]
        assert undone == [f"step {number}" for number in reversed(range(10, 70))]
        assert count_lots(session, Find()) == 10
    again.dispose()


@given(st.lists(st.sampled_from(["add", "judge", "aside", "out", "undo"]), max_size=12))
def test_undo_always_returns_to_where_one_was(acts: list[str]) -> None:
    """Whatever was done, as many undos lead back through the very same states."""
    engine = open_database_in_memory()
    with Session(engine) as session, session.begin():
        states = [kept(session)]
        for number, act in enumerate(acts):
            shown = {s.id: s.revision for s in list_lots(session, Find(), 0, 3)}
            if act == "undo":
                undo_last(session, NOW)
                states.pop() if len(states) > 1 else None
            elif act == "add" or not shown:
                add_lots(session, LOTS[number % 7 :], "in", NOW)
                states.append(kept(session))
            elif act == "out":
                take_out(session, shown, "out", NOW)
                states.append(kept(session))
            else:
                change = (
                    (lambda k: k.judged(Value.DARK))
                    if act == "judge"
                    else (lambda k: k.set_aside(Aside.LATER))
                )
                change_lots(session, shown, change, act, NOW)
                states.append(kept(session))
            assert kept(session) == states[-1]
    engine.dispose()


def kept(session: Session) -> list[CupboardLot]:
    return [stored.kept for stored in all_lots(session)]


def open_database_in_memory() -> Engine:
    engine = create_engine("sqlite://")
    Table.metadata.create_all(engine)
    return engine
