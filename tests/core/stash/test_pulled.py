"""Pieces pulled: shared out evenly, counted as strips, grouped by role, put to work."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.fabric import BadFabric, Value
from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue
from kersey.core.project.project import Project
from kersey.core.project.pulling import look_over, share_in_words, short_side
from kersey.core.project.question import NothingToCut, yield_asked
from kersey.core.stash.cupboard import Aside, CupboardLot, from_readings
from kersey.core.stash.pulled import (
    Pulled,
    Role,
    all_of,
    proposed_roles,
    share_out,
    strips_in,
    total_of,
)
from kersey.core.stash.quick_entry import read_lots, take_line


def lot(line: str) -> CupboardLot:
    reading = take_line(line)
    assert reading.lot is not None
    return CupboardLot(reading.name, reading.lot)


def project(*lines: str) -> Project:
    return Project("Throw", "", tuple(p for line in lines for p in all_of(lot(line))))


@given(st.lists(st.integers(0, 9), min_size=1, max_size=12), st.integers(0, 60))
def test_pieces_are_shared_out_as_evenly_as_can_be(free: list[int], wanted: int) -> None:
    taken = share_out(free, wanted)
    assert sum(taken) == min(wanted, sum(free))
    assert all(0 <= t <= f for t, f in zip(taken, free, strict=True))
    most = max(taken)
    for count, there in zip(taken, free, strict=True):
        assert count in {there, most, most - 1}
        assert count == there or count >= most - 1


# By hand: whole strips of the width times their run.
@pytest.mark.parametrize(
    ("line", "width", "strips", "run"),
    [
        ("10 strips 2 1/2 x 42", "5/2", 10, 420),
        ("10 strips 2 1/2 x 42", "5/4", 20, 840),
        ("10 strips 2 1/2 x 42", "3", 0, 0),
        ("1 fat quarter", "5/2", 7, 147),
        ("1 fat quarter", "7/4", 10, 210),
        ("2 squares 10 x 10", "5/2", 8, 80),
        ("1 1/2 yd charcoal", "5/2", 21, 882),
        ("1 1/2 yd directional charcoal", "5/2", 16, 864),
        ("900 g crumbs", "5/2", 0, 0),
        ("60 triangles 2 1/2 x 2 1/2", "1", 0, 0),
    ],
)
def test_strips_of_a_width(line: str, width: str, strips: int, run: int) -> None:
    found = [strips_in(p, Fraction(width)) for p in all_of(lot(line))]
    assert (sum(s for s, _ in found), sum(r for _, r in found)) == (strips, run)


@pytest.mark.parametrize(
    ("kept", "roles"),
    [
        (lot("12 fat quarters"), (Role.ANY,)),
        (lot("5 yd backing 108 wide"), (Role.BACKING,)),
        (lot("batting 72 x 90"), (Role.BATTING,)),
        (lot("3 yd rust").set_aside(Aside.BINDING), (Role.BINDING,)),
    ],
)
def test_what_fabric_is_pulled_for_if_nobody_says(
    kept: CupboardLot, roles: tuple[Role, ...]
) -> None:
    assert proposed_roles(kept) == roles


def test_a_block_of_strips_takes_the_width_most_strips_have() -> None:
    both = project("20 strips 2 1/2 x 42, 10 prints", "6 strips 1 1/2 x 42, light")
    assert both.strip_width == Fraction(5, 2)
    asked = yield_asked(both)
    assert asked.finished == (6, 6)
    assert sum(fabric.count for fabric in asked.problem.fabrics) == 26
    (said,) = [sentence for sentence in look_over(both) if "other widths" in sentence]
    assert "6 strips of other widths" in said


def test_the_same_print_of_two_lots_is_one_print() -> None:
    both = project("20 strips 2 1/2 x 42, 10 prints", "20 strips 2 1/2 x 41, 10 prints")
    problem = yield_asked(both).problem
    assert len(problem.fabrics) == 20
    assert len({fabric.print for fabric in problem.fabrics}) == 10


def test_only_fabric_for_blocks_is_cut_into_blocks() -> None:
    roll = project("20 strips 2 1/2 x 42, 10 prints")
    away = replace(roll.fabrics[0], roles=(Role.BINDING,))
    both = roll.with_pulled(0, replace(away, roles=(Role.BINDING, Role.DARK)))
    assert len(yield_asked(roll.with_pulled(0, away)).problem.fabrics) == 9
    assert len(yield_asked(both).problem.fabrics) == 10
    with pytest.raises(NothingToCut):
        yield_asked(project("9 strings 1 1/2 x 30"))


def test_a_fabric_is_known_by_its_key_whatever_becomes_of_it() -> None:
    roll = project("6 strips, 3 prints")
    assert [pulled.key for pulled in roll.fabrics] == [0, 1, 2]
    turned = replace(roll, fabrics=roll.fabrics[::-1])
    more = turned.pulling(all_of(lot("3 charm squares, 1 print")))
    assert [pulled.key for pulled in more.fabrics] == [2, 1, 0, 3]
    assert yield_asked(roll).fingerprint == yield_asked(turned).fingerprint
    assert yield_asked(roll).fingerprint != yield_asked(more).fingerprint


def test_a_print_reads_in_the_quilt_as_it_is_judged_there() -> None:
    roll = project("20 strips 2 1/2 x 42, 10 prints")
    dark = roll.with_pulled(0, replace(roll.fabrics[0], value=Value.DARK))
    assert dark.fabrics[0].print.known_value is Value.DARK
    assert dark.fabrics[0].stack.print.known_value is None


def test_pulling_again_adds_and_returning_leaves_what_is_cut() -> None:
    roll = lot("20 strips 2 1/2 x 42, 10 prints")
    twice = Project("Throw", "", (Pulled(roll, 0, 1),)).pulling([Pulled(roll, 0, 1)])
    assert [p.count for p in twice.fabrics] == [2]
    cut = twice.with_pulled(0, replace(twice.fabrics[0], cut=1))
    assert [p.count for p in cut.returning({0}).fabrics] == [1]
    assert twice.returning({0}).fabrics == ()


def test_a_role_is_totalled() -> None:
    wall = project("12 light fat quarters", "2 1/4 yd charcoal")
    fabrics = [replace(p, roles=(Role.ANY, Role.BORDER)) for p in wall.fabrics]
    total = total_of(Role.BORDER, fabrics, Fraction(5, 2))
    assert total.pieces == 13
    assert total.area == 12 * Fraction(35, 2) * 21 + 42 * 81
    assert total.strips == 12 * 7 + 32
    assert total_of(Role.LIGHT, fabrics, Fraction(5, 2)).prints == 0


@pytest.mark.parametrize(
    ("light", "dark", "said"),
    [
        (100, 100, None),
        (109, 100, None),
        (120, 100, "You need a fifth more dark fabric to match the light."),
        (100, 150, "You need half again as much light fabric to match the dark."),
        (400, 100, "You need 4 times as much dark fabric to match the light."),
        (100, 0, None),
    ],
)
def test_lights_and_darks_in_balance(light: int, dark: int, said: str | None) -> None:
    needs = {Role.LIGHT: Fraction(1), Role.DARK: Fraction(1)}
    areas = {Role.LIGHT: Fraction(light), Role.DARK: Fraction(dark)}
    assert short_side(areas, needs) == ((said,) if said else ())


def test_balance_follows_what_the_block_needs() -> None:
    needs = {Role.LIGHT: Fraction(2), Role.DARK: Fraction(3)}
    assert short_side({Role.LIGHT: Fraction(20), Role.DARK: Fraction(30)}, needs) == ()
    (said,) = short_side({Role.LIGHT: Fraction(20), Role.DARK: Fraction(20)}, needs)
    assert said == "You need half again as much dark fabric to match the light."
    assert share_in_words(Fraction(1)) == "twice as much"


@pytest.mark.parametrize(
    ("line", "amount", "stays", "taken"),
    [("2 1/4 yd charcoal", 36, 45, 36), ("900 g crumbs", 400, 500, 400)],
)
def test_a_part_is_split_off(line: str, amount: int, stays: int, taken: int) -> None:
    whole = lot(line)
    rest, part = whole.split_off(Fraction(amount))
    measure = [kept.lot.grams or kept.lot.usable_length for kept in (rest, part)]
    assert measure == [stays, taken]
    assert rest.lot.area + part.lot.area == whole.lot.area


@pytest.mark.parametrize(
    ("line", "amount"),
    [
        ("2 1/4 yd charcoal", 81),
        ("2 1/4 yd charcoal", 0),
        ("900 g crumbs", 900),
        ("12 fat quarters", 3),
        ("3 lengths 1 yd rust", 3),
    ],
)
def test_what_cannot_be_split_off(line: str, amount: int) -> None:
    with pytest.raises(InvalidValue):
        lot(line).split_off(Fraction(amount))


def test_pieces_measured_each_for_itself() -> None:
    roll = lot("20 strips 2 1/2 x 42, 10 prints").lot
    short = roll.with_stack(3, replace(roll.stacks[3], measured_length=Fraction(165, 4)))
    assert short.length_of(short.stacks[3]) == Fraction(165, 4)
    assert short.area == roll.area - 2 * Fraction(5, 2) * Fraction(3, 4)
    with pytest.raises(InvalidValue):
        roll.with_stack(0, replace(roll.stacks[0], measured_length=Fraction(1)))
    assert short.form is Form.STRIP


def test_some_pieces_of_a_print_measured() -> None:
    roll = lot("20 strips 2 1/2 x 42, 10 prints")
    some = roll.measured(0, 1, Fraction(41))
    assert some.lot.counts == (1, 1, *(2,) * 9)
    assert [some.lot.length_of(s) for s in some.lot.stacks[:3]] == [42, 41, 42]
    assert roll.measured(0, 2, Fraction(41)).lot.counts == roll.lot.counts
    with pytest.raises(BadFabric):
        roll.measured(0, 3, Fraction(41))


def test_what_is_set_aside_serves_nothing_until_it_is_brought_back() -> None:
    roll = project("20 strips 2 1/2 x 42, 10 prints")
    aside = roll.with_pulled(0, replace(roll.fabrics[0], aside=Aside.STRANGER))
    assert len(yield_asked(aside).problem.fabrics) == 9
    assert total_of(Role.ANY, aside.fabrics, Fraction(5, 2)).pieces == 18
    back = aside.with_pulled(0, replace(aside.fabrics[0], aside=None))
    assert back == roll


@pytest.mark.parametrize(("count", "cut"), [(0, 0), (2, 3), (2, -1)])
def test_what_cannot_be_pulled(count: int, cut: int) -> None:
    with pytest.raises(BadFabric):
        Pulled(lot("12 fat quarters"), 0, count, cut=cut)
    with pytest.raises(BadFabric):
        Pulled(lot("12 fat quarters"), 0, 1, roles=())


@pytest.mark.parametrize(
    ("line", "role", "named"),
    [
        ("1/2 yd navy for binding", Role.BINDING, "navy"),
        ("2 yd red for the inner border", Role.BORDER, "red"),
        ("1 yd white for sashing", Role.SASHING, "white"),
        ("3 yd grey for backing", Role.BACKING, "grey"),
        # What is only called so keeps nothing for it.
        ('12 fat quarters "border guards"', Role.ANY, ""),
    ],
)
def test_a_line_that_says_what_cloth_is_for_gives_it_that_role(
    line: str, role: Role, named: str
) -> None:
    (kept,) = from_readings(read_lots(line))
    assert {pulled.roles for pulled in all_of(kept)} == {(role,)}
    assert named in {cloth.name for cloth in kept.lot.prints} | {""}


def test_strips_saved_for_the_binding_serve_it_alone() -> None:
    (roll,) = from_readings(read_lots("roll of 40 strips, 20 prints"))
    saved = [replace(pulled, aside=Aside.BINDING) for pulled in all_of(roll)]
    assert all(pulled.serves(Role.BINDING) and not pulled.for_blocks for pulled in saved)
    assert not any(pulled.serves(Role.ANY) for pulled in saved)


def test_background_is_cut_into_no_block_that_has_none() -> None:
    strips = all_of(lot("20 strips, 20 prints"))
    (white,) = all_of(lot("2 yd white"))
    kept = replace(white, roles=(Role.BACKGROUND,))
    asked = yield_asked(Project("Throw", "", (*strips, kept)))
    assert kept not in asked.fabrics
    assert len(asked.fabrics) == 20
