"""Fabric held: no piece counted twice, nothing lost, and a ledger that adds up."""

from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from fractions import Fraction
from pathlib import Path
from random import Random

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, precondition, rule
from sqlalchemy import Engine, create_engine, select
from sqlalchemy.orm import Session
from tests.core.mending.mishaps import AtWork, something_spoiled
from tests.core.quilts import of_strips, plan
from tests.undo_last import undo_last

from kersey.core.cloth.fabric import Value
from kersey.core.errors import KerseyError
from kersey.core.leaving.put_away import Keeping, put_away
from kersey.core.mending.replanning import first_ways
from kersey.core.project.design import Design
from kersey.core.project.measuring_log import with_reading
from kersey.core.project.project import Project
from kersey.core.project.sewing import Measured, Reading
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.cut_down import read_rules
from kersey.core.stash.ledger import EntryKind, balance
from kersey.core.stash.pulled import Pulled, Role, all_of, pull_pieces, share_out
from kersey.core.stash.quick_entry import take_line
from kersey.core.stash.standing_questions import held_on
from kersey.core.work.work_order import StepKind, ticked, work_order
from kersey.store.cupboard import (
    Find,
    add_lots,
    all_lots,
    change_lots,
    count_lots,
    get_lot,
    list_lots,
    split_lot,
    take_out,
)
from kersey.store.database import open_database
from kersey.store.holdings import LotHeld, free_pieces, holdings
from kersey.store.ledger import all_moved, all_sums, entries_of_lot, entries_of_project
from kersey.store.projects import (
    add_project,
    change_project,
    delete_project,
    duplicate_project,
    get_project,
    restore_project,
)
from kersey.store.put_away import CannotTakeBack, put_project_away, take_back_put_away
from kersey.store.tables import CupboardLotRow, CupboardStackRow, ProjectRow, PullRow, Table

NOON = datetime(2026, 5, 1, 12, tzinfo=UTC)


@pytest.fixture
def session(tmp_path: Path) -> Iterator[Session]:
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        yield session
    engine.dispose()


def lot(line: str, name: str = "") -> CupboardLot:
    reading = take_line(line)
    assert reading.lot is not None
    return CupboardLot(name or reading.name, reading.lot)


def pulled(session: Session, number: int, wanted: int) -> tuple[Pulled, ...]:
    kept = get_lot(session, number).kept
    return pull_pieces(kept, share_out(free_pieces(session, number), wanted), number)


def change(session: Session, number: int, how: Callable[[Project], Project]) -> Project:
    revision = get_project(session, number).revision
    return change_project(session, number, revision, how, NOON).project


def test_a_part_of_a_lot_is_pulled_and_the_rest_stays_free(session: Session) -> None:
    (charms,) = add_lots(session, [lot("42 charm squares, 21 prints")], None, NOON)
    throw = add_project(session, Project("Throw", "", pulled(session, charms, 14)), NOON)
    assert sum(free_pieces(session, charms)) == 28
    assert {(h.project_name, h.count) for h in holdings(session, [charms])} == {("Throw", 1)}
    lap = add_project(session, Project("Lap", "", pulled(session, charms, 99)), NOON)
    assert sum(p.count for p in get_project(session, lap).project.fabrics) == 28
    assert not any(free_pieces(session, charms))
    everything = range(len(get_project(session, throw).project.fabrics))
    change(session, throw, lambda p: p.returning(everything))
    assert sum(free_pieces(session, charms)) == 14


def test_two_projects_cannot_count_the_same_piece(session: Session) -> None:
    (number,) = add_lots(session, [lot("12 fat quarters")], None, NOON)
    everything = pulled(session, number, 12)
    add_project(session, Project("One", "", everything), NOON)
    with pytest.raises(LotHeld, match="Return some there first") as refused:
        add_project(session, Project("Two", "", everything[:1]), NOON)
    assert "“One” and “Two”" in str(refused.value)


def test_a_copy_is_a_sketch_until_its_fabric_is_free(session: Session) -> None:
    first = add_project(session, Project("Throw", "", all_of(lot("40 strips, 20 prints"))), NOON)
    copy = duplicate_project(session, first, NOON)
    assert get_project(session, copy).project.sketch
    with pytest.raises(LotHeld):
        change(session, copy, lambda p: replace(p, sketch=False))
    session.expire_all()
    delete_project(session, first, NOON)
    assert not change(session, copy, lambda p: replace(p, sketch=False)).sketch
    restore_project(session, first, NOON)
    assert get_project(session, first).project.sketch, "others hold its fabric meanwhile"


def test_a_quilt_brought_back_after_its_lot_has_gone_is_a_sketch(session: Session) -> None:
    project = add_project(session, Project("Throw", "", all_of(lot("12 strips, 4 prints"))), NOON)
    delete_project(session, project, NOON)
    take_out(session, {1: get_lot(session, 1).revision}, "out", NOON)
    session.expire_all()
    restore_project(session, project, NOON)
    assert get_project(session, project).project.sketch
    assert holdings(session, [1]) == []


def test_lots_that_are_held_stay(session: Session) -> None:
    (number,) = add_lots(session, [lot("12 fat quarters", "ash")], "put in", NOON)
    project = add_project(session, Project("Lap", "", pulled(session, number, 5)), NOON)
    with pytest.raises(LotHeld), session.begin_nested():
        take_out(session, {number: 1}, "out", NOON)
    with pytest.raises(LotHeld, match="“Lap” has more pulled"), session.begin_nested():
        undo_last(session, NOON)
    fewer = lambda kept: replace(  # noqa: E731
        kept, lot=kept.lot.with_stack(0, replace(kept.lot.stacks[0], count=0))
    )
    with pytest.raises(LotHeld), session.begin_nested():
        change_lots(session, {number: 1}, fewer, "fewer", NOON)
    session.expire_all()
    delete_project(session, project, NOON)
    take_out(session, {number: 1}, "out", NOON)
    assert count_lots(session, Find()) == 0


def test_a_change_at_home_reaches_the_quilts_and_the_other_way(session: Session) -> None:
    number = add_project(session, Project("Throw", "", all_of(lot("40 strips, 20 prints"))), NOON)
    stored = get_project(session, number)
    lot_number = stored.project.fabrics[0].lot_number
    assert lot_number
    change_lots(session, {lot_number: 1}, lambda k: k.judged(Value.LIGHT), "light", NOON)
    after = get_project(session, number)
    assert after.revision == stored.revision + 1
    assert {p.print.value for p in after.project.fabrics} == {Value.LIGHT}
    change(session, number, measured)
    assert get_lot(session, lot_number).kept.lot.measured_length == 41
    undo_last(session, NOON)
    assert get_project(session, number).project.fabrics[0].length == 42


def test_prints_keep_their_number_when_they_are_sorted(session: Session) -> None:
    number = add_project(session, Project("Throw", "", all_of(lot("40 strips, 20 prints"))), NOON)
    before = {p.print.name: p.count for p in get_project(session, number).project.fabrics}
    lot_number = get_project(session, number).project.fabrics[0].lot_number
    assert lot_number
    change_lots(session, {lot_number: 1}, lambda k: k.moved(0, 12), "moved", NOON)
    after = get_project(session, number).project
    assert {p.print.name: p.count for p in after.fabrics} == before
    assert [p.print for p in after.fabrics] != [s.print for s in after.fabrics[0].kept.lot.stacks]


def test_roles_and_judgements_are_kept(session: Session) -> None:
    number = add_project(session, Project("Throw", "", all_of(lot("4 strips, 2 prints"))), NOON)
    changed = change(
        session,
        number,
        lambda p: p.with_pulled(
            0, replace(p.fabrics[0], roles=(Role.BORDER, Role.DARK), value=Value.DARK)
        ),
    )
    assert changed.fabrics[0].roles == (Role.DARK, Role.BORDER)
    assert get_project(session, number).project == changed


def test_a_length_cut_off_is_a_lot_of_its_own(session: Session) -> None:
    (number,) = add_lots(session, [lot("2 1/4 yd charcoal")], None, NOON)
    part = split_lot(session, number, 1, Fraction(36), NOON)
    lengths = [get_lot(session, n).kept.lot.usable_length for n in (number, part)]
    assert lengths == [45, 36]
    assert balance(all_sums(session)).there == 42 * 81
    undo_last(session, NOON)
    assert [s.kept.lot.usable_length for s in all_lots(session)] == [81]
    assert balance(all_sums(session)).there == 42 * 81


def test_the_ledger_of_a_quilt_from_the_shop_to_the_shelf(session: Session) -> None:
    roll = all_of(lot("roll of 40 strips, 20 prints", "roll"))
    project = plan(Project("Throw", "", roll, Design(rows=9, columns=8)))
    number = add_project(session, project, NOON)
    change(session, number, lambda p: cut(p, done=True))
    revision = get_project(session, number).revision
    put_project_away(
        session, number, revision, lambda p: put_away(make_quilt(p)), NOON + timedelta(days=2)
    )
    lot_number = get_project(session, number).project.fabrics[0].lot_number
    assert lot_number
    sums = balance(entries_of_lot(session, lot_number))
    assert sums.came_in == 40 * Fraction(5, 2) * 42
    assert sums.used == 72 * 3 * Fraction(5, 2) * Fraction(13, 2)
    assert sums.put_away == 36 * Fraction(5, 2) * 3
    assert (sums.lost, sums.whole_pieces) == (0, 4)
    assert sum(free_pieces(session, lot_number)) == 4
    kinds = Counter(entry.kind for entry in entries_of_project(session, number))
    assert set(kinds) == {
        EntryKind.PULLED,
        EntryKind.CUT,
        EntryKind.RETURNED,
        EntryKind.USED,
        EntryKind.PUT_AWAY,
    }
    assert "Throw: strip ends" in {line.name for line in list_lots(session, Find(), 0, 9)}


def test_what_was_put_away_comes_back_unless_it_is_used(session: Session) -> None:
    roll = all_of(lot("roll of 40 strips, 20 prints", "roll"))
    number = add_project(session, plan(Project("Throw", "", roll, Design(rows=9, columns=8))), NOON)
    before = get_project(session, number).project
    lot_number = before.fabrics[0].lot_number
    assert lot_number

    def away() -> None:
        revision = get_project(session, number).revision
        put_project_away(session, number, revision, lambda p: put_away(make_quilt(p)), NOON)

    def back() -> None:
        take_back_put_away(session, number, get_project(session, number).revision, NOON)

    sums = balance(entries_of_lot(session, lot_number))
    away()
    assert get_project(session, number).project != before
    back()
    assert get_project(session, number).project == before
    assert [line.name for line in list_lots(session, Find(), 0, 9)] == ["roll"]
    assert balance(entries_of_lot(session, lot_number)) == sums
    assert balance(all_sums(session)).there == 40 * Fraction(5, 2) * 42
    with pytest.raises(CannotTakeBack):
        back()
    # What went back is pulled for another quilt: it stays, and so does all that was put away.
    away()
    kept = get_lot(session, lot_number).kept
    counts = free_pieces(session, lot_number)
    free = next(
        replace(each, count=count, lot_number=lot_number)
        for each, count in zip(all_of(kept), counts, strict=True)
        if count
    )
    add_project(session, Project("Other", "", (free,)), NOON)
    was = get_project(session, number)
    with pytest.raises(CannotTakeBack, match="Other"), session.begin_nested():
        back()
    assert get_project(session, number) == was
    assert len(list_lots(session, Find(), 0, 9)) == 2


class Cupboard(RuleBasedStateMachine):
    """Whatever is done in whatever order: no piece is held twice, and the ledger adds up."""

    LINES = ("12 strips, 4 prints", "7 fat quarters", "2 yd rust", "9 strips 2 1/2 x 40, 3 prints")

    def __init__(self) -> None:
        super().__init__()
        self.engine: Engine = create_engine("sqlite://")
        Table.metadata.create_all(self.engine)
        self.moment = NOON

    def teardown(self) -> None:
        self.engine.dispose()

    def act(self, how: Callable[[Session], object]) -> None:
        """Do it; what is refused must leave everything as it was."""
        self.moment += timedelta(minutes=1)
        try:
            with Session(self.engine) as session, session.begin():
                how(session)
        except KerseyError:
            pass

    def numbers(
        self, session: Session, table: type[ProjectRow] | type[CupboardLotRow]
    ) -> list[int]:
        query = select(table.id).where(table.deleted_at.is_(None)).order_by(table.id)
        return list(session.scalars(query))

    @rule(line=st.sampled_from(LINES), named=st.booleans())
    def put_in(self, line: str, named: bool) -> None:
        self.act(lambda s: add_lots(s, [lot(line)], "in" if named else None, self.moment))

    @rule(line=st.sampled_from(LINES[:1]))
    def begin(self, line: str) -> None:
        design = Design(block=of_strips(2), rows=2, columns=2)
        project = plan(Project("Q", "", all_of(lot(line)), design))
        self.act(lambda s: add_project(s, project, self.moment))

    @precondition(lambda self: self.there(ProjectRow) and self.there(CupboardLotRow))
    @rule(data=st.data(), wanted=st.integers(1, 9))
    def pull(self, data: st.DataObject, wanted: int) -> None:
        def how(session: Session) -> None:
            project = data.draw(st.sampled_from(self.numbers(session, ProjectRow)))
            number = data.draw(st.sampled_from(self.numbers(session, CupboardLotRow)))
            change(session, project, lambda p: p.pulling(pulled(session, number, wanted)))

        self.act(how)

    @precondition(lambda self: self.there(ProjectRow))
    @rule(
        data=st.data(),
        what=st.sampled_from(
            [
                "return",
                "cut",
                "uncut",
                "away",
                "delete",
                "sketch",
                "hold",
                "copy",
                "measure",
                "spoil",
                "at the table",
                "mishap",
                "measured",
            ]
        ),
        seed=st.integers(0, 2**16),
    )
    def do_with_a_quilt(self, data: st.DataObject, what: str, seed: int) -> None:
        def how(session: Session) -> object:
            number = data.draw(st.sampled_from(self.numbers(session, ProjectRow)))
            revision = get_project(session, number).revision
            if what == "delete":
                return delete_project(session, number, self.moment)
            if what == "copy":
                return duplicate_project(session, number, self.moment)
            if what == "away":
                keeping = KEEPINGS[seed % len(KEEPINGS)]
                return put_project_away(
                    session,
                    number,
                    revision,
                    lambda p: put_away(make_quilt(p), keeping),
                    self.moment,
                )
            if what in AT_WORK:
                return change(session, number, lambda p: AT_WORK[what](p, Random(seed)))
            return change(session, number, CHANGES[what])

        self.act(how)

    @rule()
    def bring_back(self) -> None:
        def how(session: Session) -> None:
            gone = select(ProjectRow.id).where(ProjectRow.deleted_at.is_not(None))
            for number in list(session.scalars(gone)):
                restore_project(session, number, self.moment)

        self.act(how)

    @precondition(lambda self: self.there(CupboardLotRow))
    @rule(data=st.data(), what=st.sampled_from(["out", "light", "split", "more", "fewer"]))
    def do_with_a_lot(self, data: st.DataObject, what: str) -> None:
        def how(session: Session) -> object:
            number = data.draw(st.sampled_from(self.numbers(session, CupboardLotRow)))
            stored = get_lot(session, number)
            if what == "out":
                return take_out(session, {number: stored.revision}, "out", self.moment)
            if what == "split":
                return split_lot(session, number, stored.revision, Fraction(20), self.moment)
            if what == "light":
                return change_lots(
                    session,
                    {number: stored.revision},
                    lambda k: k.judged(Value.LIGHT),
                    "light",
                    self.moment,
                )
            stack = stored.kept.lot.stacks[0]
            count = max(0, stack.count + (1 if what == "more" else -1))
            counted = replace(
                stored.kept, lot=stored.kept.lot.with_stack(0, replace(stack, count=count))
            )
            return change_lots(
                session, {number: stored.revision}, lambda _: counted, "counted", self.moment
            )

        self.act(how)

    @rule()
    def take_back(self) -> None:
        self.act(lambda s: undo_last(s, self.moment))

    def there(self, table: type[ProjectRow] | type[CupboardLotRow]) -> bool:
        with Session(self.engine) as session:
            return bool(self.numbers(session, table))

    @invariant()
    def no_piece_is_held_twice(self) -> None:
        with Session(self.engine) as session:
            held: Counter[int] = Counter()
            for holding in holdings(session, session.scalars(select(CupboardLotRow.id)).all()):
                held[holding.stack_id] += holding.count
            for stack in session.scalars(select(CupboardStackRow)):
                there = stack.count if stack.lot.deleted_at is None else 0
                assert held[stack.id] <= there

    @invariant()
    def the_ledger_adds_up(self) -> None:
        """Cloth in = used + left + lost, where what is left is really there."""
        with Session(self.engine) as session:
            for row in session.scalars(select(CupboardLotRow)):
                sums = balance(entries_of_lot(session, row.id))
                assert sums.came_in == sums.used + sums.left + sums.lost
                if row.deleted_at is not None:
                    continue
                kept = get_lot(session, row.id).kept
                cut = self.cut(session, row.id)
                whole = sum(
                    (s.count - cut[s.number]) * kept.lot.piece_area(s) for s in kept.lot.stacks
                )
                assert sums.whole_pieces == kept.lot.count - sum(cut.values())
                assert row.cut == sum(cut.values())
                on_the_table = sums.there - whole
                assert on_the_table >= 0
                if not cut.total():
                    assert on_the_table == 0

    @invariant()
    def what_is_there_by_form_and_colour_is_what_the_lots_say(self) -> None:
        with Session(self.engine) as session:
            (held,) = held_on(all_moved(session), [NOON.date() + timedelta(400)])
            there: dict[str, Fraction] = {}
            for row in session.scalars(select(CupboardLotRow)):
                sums = balance(entries_of_lot(session, row.id))
                there[row.form] = there.get(row.form, Fraction(0)) + sums.there
            assert {form: area for form, area in held.of_forms.items() if area} == {
                form: area for form, area in there.items() if area
            }
            assert sum(held.of_colours.values()) == held.area

    def cut(self, session: Session, lot_id: int) -> Counter[int | None]:
        query = select(PullRow.stack_id, PullRow.cut).join(PullRow.stack)
        cut: Counter[int | None] = Counter()
        for stack_id, count in session.execute(query.where(CupboardStackRow.lot_id == lot_id)):
            cut[stack_id] += count
        return cut


def cut_at_the_table(project: Project, pick: Random) -> Project:
    """A few cuts ticked, one by one."""
    return AtWork(project).after_cuts(pick, pick.randint(1, 6)).project


def gone_wrong(project: Project, pick: Random) -> Project:
    """Something on the table is spoiled, and one goes on in the first way there is."""
    worse, *_ = something_spoiled(AtWork(project).lies(), pick)
    ways = [way.project for way in first_ways(worse).ways]
    return next((after for after in ways if after is not None), project)


def border_measured(project: Project, pick: Random) -> Project:
    """A reading before a border: it moves no cloth."""
    read = Fraction(pick.randint(80, 400), 8)
    return with_reading(project, Reading(Measured.BORDER, 0, "in the middle", read, read, NOON))


AT_WORK = {"at the table": cut_at_the_table, "mishap": gone_wrong, "measured": border_measured}
# What is kept when all is put away: all of it, what is large enough, or what rules make of it.
KEEPINGS = (
    Keeping(),
    Keeping(Fraction(3)),
    Keeping(Fraction(1), read_rules("2 1/2 strips, 2 squares"), place="box 3"),
)


def spoiled(project: Project) -> Project:
    """One piece of the first fabric gone from the wall and the cupboard."""
    first = project.fabrics[0]
    stack = replace(first.stack, count=first.stack.count - 1)
    kept = replace(first.kept, lot=first.kept.lot.with_stack(first.place, stack))
    smaller = project.with_lot(first, kept)
    return smaller.with_pulled(0, replace(smaller.fabrics[0], count=first.count - 1))


def measured(project: Project) -> Project:
    """The lot of the first fabric is shorter than its label says."""
    if not project.fabrics:
        return project
    first = project.fabrics[0]
    return project.with_lot(first, replace(first.kept, lot=first.kept.lot.measured(Fraction(41))))


def cut(project: Project, done: bool) -> Project:
    """Every step in which fabric is cut ticked off, or not any more."""
    for step in work_order(make_quilt(project)):
        if step.kind is StepKind.CUT:
            project = ticked(project, step, done)
    return project


CHANGES: dict[str, Callable[[Project], Project]] = {
    "return": lambda p: p.returning({0, 2}),
    "cut": lambda p: cut(p, done=True),
    "uncut": lambda p: cut(p, done=False),
    "sketch": lambda p: replace(p, sketch=True),
    "hold": lambda p: replace(p, sketch=False),
    "measure": measured,
    "spoil": lambda p: spoiled(p) if p.fabrics and p.fabrics[0].count > 1 else p,
}
TestCupboard = Cupboard.TestCase
# The long profile tries two thousand sequences.
_LONG = settings().max_examples > 1000
TestCupboard.settings = settings(max_examples=2000 if _LONG else 12, stateful_step_count=14)
