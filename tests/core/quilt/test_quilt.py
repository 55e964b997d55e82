"""Frame, finish and the whole quilt, recomputed from the handbook's formulas."""

import math
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.rail_yield import Method
from kersey.core.frame.backing import BackingWay, plan_backing
from kersey.core.frame.batting import plan_batting
from kersey.core.frame.binding import StashPiece, binding_length, plan_binding
from kersey.core.frame.borders import fewest_strips
from kersey.core.frame.joining import StripTooShort, strips_to_join
from kersey.core.measure.length import Units
from kersey.core.project.project import Design, Project
from kersey.core.quilt.quilt import NoQuilt, make_quilt, sizes_of
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.stages import Stage, next_stage
from kersey.core.work.work_order import StepKind, work_order

U = Fraction(42)
HALF = Fraction(1, 2)


def project(line: str = "roll of 40 strips, 20 prints", **choices: object) -> Project:
    lot = take_line(line).lot
    assert lot is not None
    return Project("Throw", line, all_of(CupboardLot("roll", lot)), Design(**choices))  # type: ignore[arg-type]


def test_backing_both_ways() -> None:
    backing = plan_backing(50 + HALF, 66 + HALF, Fraction(2), U)
    assert (backing.width, backing.length) == (54 + HALF, 70 + HALF)
    assert backing.plan(BackingWay.ACROSS).yards == Fraction(25, 8)
    assert backing.plan(BackingWay.UPRIGHT).yards == 4
    assert backing.plans[0].way is BackingWay.ACROSS


def test_binding_by_the_formula() -> None:
    length = binding_length(54 + HALF, 60 + HALF)
    assert length == 240
    assert plan_binding(length, Fraction(5, 2), U, (), prefer_stash=True).strips == 7


def test_eighty_blocks_as_eight_by_ten() -> None:
    quilt = make_quilt(project(rows=10, columns=8, border_width=Fraction(0)))
    assert (quilt.size.width, quilt.size.length) == (48, 60)
    assert (quilt.top_width, quilt.top_length) == (48 + HALF, 60 + HALF)
    assert quilt.border is None


def test_spare_strips_become_the_binding_only_when_they_reach() -> None:
    enough = make_quilt(project(method=Method.SETS, rows=7, columns=7))
    assert not enough.binding.bought
    pieces = enough.binding.from_stash
    joined = sum(p.length for p in pieces) - (len(pieces) - 1) * Fraction(5, 2)
    assert joined >= enough.binding.length
    short = make_quilt(project(method=Method.SETS, rows=9, columns=8))
    assert short.binding.bought
    assert short.binding.stash_length == 4 * 42 - 3 * Fraction(5, 2)
    too_wide = make_quilt(project(method=Method.SETS, rows=7, columns=7, binding_width=Fraction(3)))
    assert too_wide.binding.bought, "a strip of 2½ cannot be cut to 3"


def test_ends_of_eight_and_longer_serve_a_scrappy_binding() -> None:
    pieces = [StashPiece(0, Fraction(8), False), StashPiece(1, Fraction(7), False)]
    binding = plan_binding(Fraction(8), Fraction(5, 2), U, pieces, prefer_stash=True)
    assert binding.from_stash == (pieces[0],)


@given(st.fractions(1, 500), st.fractions(5, 120), st.fractions(Fraction(1, 4), 4))
def test_joined_strips_reach_and_one_fewer_would_not(
    wanted: Fraction, strip: Fraction, cost: Fraction
) -> None:
    n = strips_to_join(wanted, strip, cost)
    assert n * strip - (n - 1) * cost >= wanted
    assert n == 1 or (n - 1) * strip - (n - 2) * cost < wanted


def test_joins_that_eat_the_strip_are_refused() -> None:
    with pytest.raises(StripTooShort):
        strips_to_join(Fraction(100), Fraction(2), Fraction(2))


@pytest.mark.parametrize(
    ("lengths", "strips"),
    [([20, 20, 20, 20], 2), ([30, 30, 12, 12], 2), ([21, 21, 22, 22], 3), ([42, 42, 1, 1], 3)],
)
def test_border_strips_without_joins(lengths: list[int], strips: int) -> None:
    assert fewest_strips([Fraction(length) for length in lengths], U) == strips


def test_batting_out_of_the_smallest_packet() -> None:
    assert plan_batting(Fraction(80), Fraction(60), Fraction(2)).packet == (72, 90)
    assert plan_batting(Fraction(118), Fraction(130), Fraction(2)).packet is None


choices = st.fixed_dictionaries(
    {
        "strips_per_block": st.integers(2, 6),
        "method": st.sampled_from(list(Method)),
        "border_width": st.sampled_from([None, Fraction(0), Fraction(5, 2), Fraction(6)]),
        "margin": st.sampled_from([Fraction(2), Fraction(4)]),
        "seam": st.sampled_from([Fraction(1, 4), Fraction(3, 8)]),
    }
)
lines = st.sampled_from(
    ["roll of 40 strips, 20 prints", "42 strips 2 1/2 x 38.5, light", "roll 40 x 6.5 cm x 107 cm",
     "7 strips, 7 prints", "90 strips 1 1/2 x 44, 9 prints"]
)  # fmt: skip


@given(lines, choices, st.sampled_from(list(Units)))
def test_every_number_of_a_quilt_can_be_recomputed(
    line: str, chosen: dict[str, object], units: Units
) -> None:
    """The contract's section "Recomputing a quilt", written once more."""
    try:
        quilt = make_quilt(project(line, **chosen), units)
    except NoQuilt:
        return
    s, design, lot = quilt.project.design.seam, quilt.project.design, quilt.project.lot
    f = design.strips_per_block * (lot.width - 2 * s)
    border = quilt.size.border_width
    width, length = quilt.size.columns * f + 2 * border, quilt.size.rows * f + 2 * border
    assert (quilt.size.width, quilt.size.length) == (width, length)
    top_w, top_l = width + 2 * s, length + 2 * s
    assert quilt.binding.length == 2 * (top_w + top_l) + 10
    back_w, back_l = top_w + 2 * design.margin, top_l + 2 * design.margin
    upright = math.ceil((back_w - 1) / 41) * back_l
    across = math.ceil((back_l - 1) / 41) * back_w
    assert quilt.backing.plans[0].cloth == min(upright, across)
    assert quilt.blocks_short == 0
    assert len(quilt.plan.blocks) == quilt.size.blocks
    if quilt.border is not None:
        assert quilt.border.sides == quilt.size.rows * f + 2 * s
        assert quilt.border.ends == width + 2 * s
        total = 2 * (quilt.border.sides + quilt.border.ends)
        if quilt.border.joined:
            n = quilt.border.strips
            assert n * 42 - (n - 1) * 2 * s >= total > (n - 1) * 42 - (n - 2) * 2 * s


def test_a_size_that_has_become_too_large_is_said_to_be_short() -> None:
    shrunk = project("40 strips 2 1/2 x 38 1/2, 20 prints", rows=10, columns=8)
    quilt = make_quilt(shrunk)
    assert quilt.blocks_short == 14
    assert sum(block is None for row in quilt.setting.places for block in row) == 14
    assert sizes_of(shrunk, Units.INCHES).current.spare == -14


def test_no_block_no_quilt() -> None:
    with pytest.raises(NoQuilt, match="no whole block"):
        make_quilt(project("2 strips", strips_per_block=6, method=Method.SETS))


def test_the_work_order_sews_sets_before_it_cuts_them() -> None:
    kinds = [s.kind for s in work_order(make_quilt(project(method=Method.SETS, rows=9, columns=8)))]
    assert kinds.index(StepKind.KEEP) < kinds.index(StepKind.SETS) < kinds.index(StepKind.CROSSCUT)
    titles = [s.title for s in work_order(make_quilt(project(rows=10, columns=8)))]
    assert titles[1] == "Cut 240 segments 2½ × 6½″"
    assert "Cut 6 strips 3½″ wide for the border" in titles


def test_a_step_that_changes_loses_its_tick() -> None:
    begun = project(rows=10, columns=8)
    assert next_stage(project(), ()) is Stage.SIZE
    steps = work_order(make_quilt(begun))
    finished = replace(begun, done=frozenset(step.key for step in steps))
    assert next_stage(finished, steps) is None
    wider = replace(finished, design=replace(begun.design, border_width=Fraction(4)))
    assert next_stage(wider, work_order(make_quilt(wider))) is Stage.CUT
