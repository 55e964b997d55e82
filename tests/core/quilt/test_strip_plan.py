"""Which strips are cut: every plan is judged by a checker that knows nothing of the planner."""

from collections import Counter
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.rail_yield import Method, RailYield, YieldQuestion, rail_yield
from kersey.core.cloth.fabric import Lot, Stack
from kersey.core.cloth.print_names import made_up_prints
from kersey.core.quilt.leftovers import leftovers
from kersey.core.quilt.strip_plan import StripPlan, TooFewStrips, plan_strips

QUARTER = Fraction(1, 4)


def faults(answer: RailYield, plan: StripPlan, blocks: int) -> list[str]:
    """What is wrong with a plan, by counting pieces."""
    n, k = answer.division.pieces, answer.block.strips
    used = Counter(index for block in plan.blocks for index in block)
    found = []
    if len(plan.blocks) != blocks:
        found.append("not the blocks asked for")
    if any(len(block) != k for block in plan.blocks):
        found.append("a block of the wrong number of rails")
    if answer.different_prints and any(len(set(block)) < k for block in plan.blocks):
        found.append("a print twice in a block")
    for index, have in enumerate(answer.lot.counts):
        if plan.cut_strips[index] + plan.whole_strips[index] != have:
            found.append("strips that are not there")
        if used[index] > plan.cut_strips[index] * n:
            found.append("more segments than the strips give")
    if answer.method is Method.SETS:
        in_sets = Counter(index for strip_set in plan.sets for index in strip_set)
        if tuple(in_sets[i] for i in range(len(plan.cut_strips))) != plan.cut_strips:
            found.append("sets and strips disagree")
        if len(plan.blocks) + plan.spare_blocks != len(plan.sets) * n:
            found.append("blocks and sets disagree")
    return found


@st.composite
def questions(draw: st.DrawFn) -> tuple[RailYield, int]:
    counts = draw(st.lists(st.integers(0, 6), min_size=1, max_size=12).filter(any))
    stacks = tuple(map(Stack, made_up_prints(len(counts)), counts))
    lot = Lot(Fraction(5, 2), Fraction(draw(st.integers(20, 44))), stacks)
    rule = draw(st.sampled_from([None, True, False]))
    question = YieldQuestion(draw(st.integers(2, 6)), QUARTER, rule)
    answer = rail_yield(lot, question, draw(st.sampled_from(list(Method))))
    return answer, draw(st.integers(0, answer.blocks))


@given(questions())
def test_every_plan_passes_the_checker(asked: tuple[RailYield, int]) -> None:
    answer, blocks = asked
    plan = plan_strips(answer, blocks)
    assert faults(answer, plan, blocks) == []
    fewest = -(-blocks * answer.block.strips // answer.division.pieces) if blocks else 0
    assert sum(plan.cut_strips) >= fewest
    left = leftovers(answer, plan)
    assert left.whole_strips == sum(plan.whole_strips)
    assert all(piece.length >= 1 for piece in left.pieces)


def test_the_checker_finds_wrong_plans() -> None:
    stacks = tuple(Stack(cloth, 2) for cloth in made_up_prints(3))
    lot = Lot(Fraction(5, 2), Fraction(42), stacks)
    answer = rail_yield(lot, YieldQuestion(3, QUARTER, True), Method.SEGMENTS)
    right = plan_strips(answer, 12)
    assert faults(answer, right, 12) == []
    twice = StripPlan(((0, 0, 1),) * 12, (), (2, 2, 2), (0, 0, 0), (0, 0, 0), 0)
    assert "a print twice in a block" in faults(answer, twice, 12)
    assert "more segments than the strips give" in faults(answer, twice, 12)
    invented = StripPlan(right.blocks, (), (3, 2, 2), (0, 0, 0), (0, 0, 0), 0)
    assert "strips that are not there" in faults(answer, invented, 12)


def test_strips_that_are_not_needed_stay_whole() -> None:
    stacks = tuple(Stack(cloth, 2) for cloth in made_up_prints(20))
    lot = Lot(Fraction(5, 2), Fraction(42), stacks)
    for method in Method:
        answer = rail_yield(lot, YieldQuestion(3, QUARTER), method)
        assert sum(plan_strips(answer, 72).whole_strips) == 4
        assert plan_strips(answer, 72) == plan_strips(answer, 72)


def test_more_blocks_than_there_are_is_refused() -> None:
    lot = Lot(Fraction(5, 2), Fraction(42), (Stack(made_up_prints(1)[0], 3),))
    answer = rail_yield(lot, YieldQuestion(3, QUARTER), Method.SETS)
    with pytest.raises(TooFewStrips, match="choose at most 6"):
        plan_strips(answer, 7)
