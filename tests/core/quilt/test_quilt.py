"""Frame, finish and the whole quilt, recomputed from the handbook's formulas."""

import math
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import SETS, of_strips, part_of, plan, project, quilt

from kersey.core.frame.backing import BackingWay, plan_backing
from kersey.core.frame.batting import plan_batting
from kersey.core.frame.binding import SpareStrip, binding_length, taken_strips, usable_pieces
from kersey.core.frame.joining import StripTooShort, strips_to_join
from kersey.core.frame.part import PartKind
from kersey.core.frame.strips import fewest_strips
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import regridded
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import NoQuilt, make_quilt
from kersey.core.stash.pulled import Role
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, steps_done, work_order

U = Fraction(42)
HALF = Fraction(1, 2)


def test_backing_both_ways() -> None:
    backing = plan_backing(50 + HALF, 66 + HALF, Fraction(2), U)
    assert (backing.width, backing.length) == (54 + HALF, 70 + HALF)
    assert backing.plan(BackingWay.ACROSS).yards == Fraction(25, 8)
    assert backing.plan(BackingWay.UPRIGHT).yards == 4
    assert backing.plans[0].way is BackingWay.ACROSS


def test_binding_by_the_formula() -> None:
    length = binding_length(54 + HALF, 60 + HALF)
    assert length == 240
    assert strips_to_join(length, U, Fraction(5, 2)) == 7


def test_eighty_blocks_as_eight_by_ten() -> None:
    made = quilt(rows=10, columns=8, border_width=Fraction(0))
    assert (made.size.width, made.size.length) == (48, 60)
    assert (made.top_width, made.top_length) == (48 + HALF, 60 + HALF)
    assert made.borders == ()


def test_spare_strips_become_the_binding_only_when_they_reach() -> None:
    enough = quilt(block=SETS, rows=7, columns=7)
    binding = part_of(enough, PartKind.BINDING)
    pieces = binding.cloth.strips
    joined = sum(p.length for p in pieces) - (len(pieces) - 1) * Fraction(5, 2)
    assert joined >= binding.length
    short = part_of(quilt(block=SETS, rows=9, columns=8), PartKind.BINDING)
    assert short.cloth.source is Source.BOUGHT
    assert short.leftovers == 4 * 42 - 3 * Fraction(5, 2)
    too_wide = quilt(block=SETS, rows=7, columns=7, binding_width=Fraction(3))
    source = part_of(too_wide, PartKind.BINDING).cloth.source
    assert source is Source.BOUGHT, "a strip of 2½ cannot be cut to 3"


def test_border_and_binding_come_from_what_is_left_where_that_is_enough() -> None:
    """Twenty ten-inch squares and six quarters: what no block needs makes the frame."""
    line = "6 fat quarters, 1 print + 40 strips, 20 prints"
    made = quilt(line, rows=5, columns=4, border_width=Fraction(2), border_from_left=True)
    border = part_of(made, PartKind.BORDER)
    assert border.cloth.source is Source.LEFT
    taken = sum(strip.length for strip in border.cloth.strips)
    joins = (len(border.cloth.strips) - 1) * HALF
    assert taken - joins >= 2 * (made.borders[0].sides + made.borders[0].ends)
    assert part_of(made, PartKind.BINDING).cloth.source is Source.LEFT
    pulled = made.project.fabrics[0]
    bound = replace(pulled, roles=(Role.BINDING,))
    fabrics = (bound, *made.project.fabrics[1:])
    from_pulled = make_quilt(plan(replace(made.project, fabrics=fabrics)))
    assert part_of(from_pulled, PartKind.BINDING).cloth.source is Source.PULLED


def test_ends_of_eight_and_longer_serve_a_scrappy_binding() -> None:
    pieces = [SpareStrip("a", Fraction(8)), SpareStrip("b", Fraction(7))]
    usable = usable_pieces(pieces, Fraction(5, 2))
    assert taken_strips(usable, Fraction(8), Fraction(5, 2)) == (pieces[0],)


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
    assert fewest_strips(tuple((Fraction(length), 1) for length in lengths), U) == strips


def test_batting_out_of_the_smallest_packet() -> None:
    assert plan_batting(Fraction(84), Fraction(64)).packet == (72, 90)
    assert plan_batting(Fraction(122), Fraction(134)).packet is None


choices = st.fixed_dictionaries(
    {
        "block": st.builds(of_strips, st.integers(2, 6), st.booleans()),
        "border_width": st.sampled_from([None, Fraction(0), Fraction(5, 2), Fraction(6)]),
        "margin": st.sampled_from([Fraction(2), Fraction(4)]),
        "seam": st.sampled_from([Fraction(1, 4), Fraction(3, 8)]),
    }
)
lines = st.sampled_from(
    [
        "roll of 40 strips, 20 prints",
        "42 strips 2 1/2 x 38.5, light",
        "roll 40 x 6.5 cm x 107 cm",
        "7 strips, 7 prints",
        "90 strips 1 1/2 x 44, 9 prints",
    ]
)


@given(lines, choices, st.sampled_from(list(Units)))
def test_every_number_of_a_quilt_can_be_recomputed(
    line: str, chosen: dict[str, object], units: Units
) -> None:
    """The trade's formulas for a whole quilt, written once more."""
    try:
        made = quilt(line, units, **chosen)
    except NoQuilt:
        return
    s, design = made.project.design.seam, made.project.design
    width_of_strips = made.project.strip_width
    assert width_of_strips is not None
    f = int(str(design.block.all_options["strips"])) * (width_of_strips - 2 * s)
    border = made.size.border_width
    width, length = made.size.columns * f + 2 * border, made.size.rows * f + 2 * border
    assert (made.size.width, made.size.length) == (width, length)
    top_w, top_l = width + 2 * s, length + 2 * s
    assert part_of(made, PartKind.BINDING).length == 2 * (top_w + top_l) + 10
    back_w, back_l = top_w + 2 * design.margin, top_l + 2 * design.margin
    upright = math.ceil((back_w - 1) / 41) * back_l
    across = math.ceil((back_l - 1) / 41) * back_w
    assert made.backing.plans[0].cloth == min(upright, across)
    assert made.blocks_short == 0
    assert len(made.placed) == made.size.blocks
    for around, part in made.framing:
        assert around.sides == made.size.rows * f + 2 * s
        assert around.ends == width + 2 * s
        total = 2 * (around.sides + around.ends)
        if part.joined and part.cloth.source is Source.BOUGHT:
            n = part.strips
            assert n * 42 - (n - 1) * 2 * s >= total > (n - 1) * 42 - (n - 2) * 2 * s


def test_a_size_that_is_too_large_is_said_to_be_short_and_what_would_mend_it() -> None:
    """66 blocks of 80: seven strips of five segments more make the 42 that are missing."""
    made = quilt("40 strips 2 1/2 x 38 1/2, 20 prints", rows=10, columns=8)
    assert made.blocks_short == 14
    assert len(made.empty_places) == 14
    assert made.sizes.current.spare == -14
    assert [missing.pieces for missing in made.kept.missing] == [8]
    assert 40 * 5 + 8 * 5 >= 80 * 3 > 40 * 5 + 7 * 5


def test_another_size_serves_at_once_from_the_plan_that_is_kept() -> None:
    begun = plan(project(rows=5, columns=4))
    larger = replace(begun, design=replace(begun.design, rows=9, columns=8))
    made = make_quilt(regridded(larger, Units.INCHES))
    assert (len(made.placed), made.kept.thrifty) == (72, False)
    assert sum(layout.copies for layout in make_quilt(plan(larger)).kept.cutting.layouts) == 36
    smaller = replace(begun, design=replace(begun.design, rows=3, columns=3))
    assert len(make_quilt(regridded(smaller, Units.INCHES)).placed) == 9


def test_no_block_no_quilt() -> None:
    with pytest.raises(NoQuilt, match="isn't enough for one block"):
        quilt("2 strips", block=of_strips(6, sets=True))
    # What was only not found yet is not told as none.
    begun = plan(project())
    assert begun.plan is not None
    nothing = replace(begun.plan.most, blocks=0, bound=38, layouts=())
    with pytest.raises(NoQuilt, match="No block found yet; up to 38 may be possible"):
        make_quilt(replace(begun, plan=replace(begun.plan, most=nothing)))


def test_the_work_order_sews_sets_before_it_cuts_them() -> None:
    steps = work_order(quilt(block=SETS, rows=9, columns=8))
    order = [step.kind for step in steps]
    assert order.index(StepKind.KEEP) < order.index(StepKind.CUT) < order.index(StepKind.SEW)
    assert [step.name for step in steps if step.kind is StepKind.SEW] == ["strip set", "block"]
    made = quilt(rows=10, columns=8)
    titles = [step_words(step, made).title for step in work_order(made)]
    assert titles[1:3] == ["Cut 40 strips", "Sort the pieces into 80 kits"]
    assert "Cut 6 strips 3½″ wide for the border" in titles


def test_a_step_that_changes_loses_its_tick() -> None:
    begun = plan(project(rows=10, columns=8))
    steps = work_order(make_quilt(begun))
    finished = replace(begun, done=frozenset(step.key for step in steps))
    assert steps_done(finished, steps) == len(steps)
    in_centimetres = work_order(make_quilt(finished, Units.CENTIMETRES))
    assert steps_done(finished, in_centimetres) == len(in_centimetres)
    wider = replace(finished, design=replace(begun.design, border_width=Fraction(4)))
    wider = regridded(wider, Units.INCHES)
    steps = work_order(make_quilt(wider))
    assert 0 < steps_done(wider, steps) < len(steps)
