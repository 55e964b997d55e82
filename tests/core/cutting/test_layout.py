"""Layouts and leftovers: no cloth appears or is lost, and nothing is cut that nobody wants."""

from collections import Counter
from fractions import Fraction

from hypothesis import given
from tests.core.cutting.made_up import checked, problems, ruled

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Need
from kersey.core.yields.report import leftovers


def area_cut(plan: CuttingPlan) -> Fraction:
    pieces = ((cut, each.copies) for each in plan.layouts for cut in each.cuts)
    return sum((cut.width * cut.length * copies for cut, copies in pieces), Fraction(0))


@given(problems())
def test_what_is_cut_and_what_is_left_is_all_there_was(problem: CuttingProblem) -> None:
    """Of whole sizes no leftover is thinner than an inch, so none is passed over."""
    plan = checked(problem)
    for layout in plan.layouts:
        cut = sum(c.width * c.length for c in layout.cuts)
        left = sum(width * length for width, length in layout.left)
        assert cut + left == layout.fabric.width * layout.fabric.length
        assert all(width >= 1 and length >= 1 for width, length in layout.left)
    found = leftovers(plan)
    sizes = [left.width * left.length for left in found]
    there = sum(f.width * f.length * f.count for f in problem.fabrics)
    assert sizes == sorted(sizes, reverse=True)
    assert area_cut(plan) + sum(
        size * left.count for size, left in zip(sizes, found, strict=True)
    ) == (there)


@given(problems())
def test_nothing_is_cut_beyond_the_blocks(problem: CuttingProblem) -> None:
    plan = checked(problem)
    made: Counter[Need] = Counter()
    for layout in plan.layouts:
        for cut in layout.cuts:
            made[cut.need] += layout.copies
    assert made == Counter(
        {need: need.count * plan.blocks for need in problem.needs if plan.blocks}
    )


@given(ruled())
def test_with_print_rules_as_much_is_cut_as_the_blocks_take(problem: CuttingProblem) -> None:
    plan = checked(problem)
    wanted = sum((n.width * n.height * n.count for n in problem.needs), Fraction(0)) * plan.blocks
    assert area_cut(plan) >= wanted


@given(problems())
def test_strips_are_cut_in_order_and_the_longest_crosscut_first(problem: CuttingProblem) -> None:
    for layout in checked(problem).layouts:
        begun = Fraction(0)
        assert sum(len(strip) for strip in layout.strips) == len(layout.cuts)
        for strip in layout.strips:
            starts = [cut.x if layout.along else cut.y for cut in strip]
            runs = [cut.length if layout.along else cut.width for cut in strip]
            breadth = max(cut.width if layout.along else cut.length for cut in strip)
            assert set(starts) == {begun}
            assert runs == sorted(runs, reverse=True)
            begun += breadth
