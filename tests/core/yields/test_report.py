"""What is said beside a yield, against trying every cut of every changed question."""

from dataclasses import replace
from fractions import Fraction

from hypothesis import given
from tests.core.cutting.brute_force import most_blocks
from tests.core.cutting.made_up import problems

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import EVERY_BLOCK, Sought
from kersey.core.cutting.watch import Watch
from kersey.core.yields.count import Count, count_of
from kersey.core.yields.report import (
    CHANGES,
    Explaining,
    YieldReport,
    at_usable,
    limits,
    sensitivity,
    spare_pieces,
    yield_report,
)


def reported(problem: CuttingProblem) -> YieldReport:
    return yield_report(problem, Watch())


def with_more(problem: CuttingProblem, name: str, pieces: int) -> CuttingProblem:
    """The same with so many more pieces of a fabric, of which some stay."""
    fabrics = (replace(f, count=f.count + pieces * (f.name == name)) for f in problem.fabrics)
    return replace(problem, fabrics=tuple(fabrics))


@given(problems(pieces=30))
def test_other_cloth_gives_what_is_said(problem: CuttingProblem) -> None:
    quarters = tuple(replace(fabric, form=Form.FAT_QUARTER) for fabric in problem.fabrics)
    problem = replace(problem, fabrics=quarters)
    report = reported(problem)
    assert tuple(change for change, _ in report.sensitivity) == CHANGES
    for change, count in report.sensitivity:
        fabrics = tuple(
            replace(fabric, length=fabric.length + change) for fabric in problem.fabrics
        )
        most = most_blocks(replace(problem, fabrics=fabrics))
        assert count == Count(most, most)


@given(problems(pieces=30))
def test_one_more_piece_gives_what_is_said_and_none_that_helps_is_passed_over(
    problem: CuttingProblem,
) -> None:
    report = reported(problem)
    for limit in report.limits:
        more = with_more(problem, limit.one_more.name, 1)
        assert limit.length is None
        assert limit.count == Count(most_blocks(more), most_blocks(more))
        assert any(n.role == limit.role and limit.one_more.serves(n) for n in problem.needs)
    helped = (most_blocks(with_more(problem, f.name, 1)) for f in problem.fabrics)
    if max(helped) > report.plan.blocks:
        assert max(limit.count.blocks for limit in report.limits) > report.plan.blocks


@given(problems(pieces=30))
def test_what_no_work_is_left_for_is_told_within_its_bounds(problem: CuttingProblem) -> None:
    plan, nothing = reported(problem).plan, Watch(0)
    for change, count in sensitivity(plan, Explaining(1.0, nothing)):
        other = at_usable(problem, change)
        assert count.blocks <= (most_blocks(other) if other else 0) <= count.bound
    for limit in limits(plan, Explaining(1.0, nothing)):
        most = most_blocks(with_more(problem, limit.one_more.name, 1))
        assert limit.count.blocks <= most <= limit.count.bound


@given(problems(pieces=30))
def test_what_is_spare_can_go_and_one_more_piece_cannot(problem: CuttingProblem) -> None:
    plan = reported(problem).plan

    def count_for(other: CuttingProblem, _: Sought = EVERY_BLOCK) -> Count:
        return count_of(reported(other).plan)

    for spare in spare_pieces(plan, count_for):
        alike = [f for f in problem.fabrics if size_and_roles(f) == size_and_roles(spare.fabric)]
        assert spare.of == sum(fabric.count for fabric in alike)
        if len(alike) == 1 and spare.pieces < spare.of:
            fewer = with_more(problem, alike[0].name, -spare.pieces)
            assert most_blocks(fewer) == plan.blocks
        if len(alike) == 1 and spare.pieces + 1 < spare.of:
            too_few = with_more(problem, alike[0].name, -spare.pieces - 1)
            assert most_blocks(too_few) < plan.blocks


def size_and_roles(fabric: Fabric) -> tuple[object, ...]:
    return fabric.roles, fabric.form, fabric.width, fabric.length


def test_leftover_strings_of_a_roll_by_hand() -> None:
    """Six segments of 6 1/2 out of 42 leave 3 inches of each strip."""
    need = Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3)
    strips = Fabric("p", "p", Fraction(5, 2), Fraction(42), 41, form=Form.STRIP)
    (left, *rest) = reported(CuttingProblem((need,), (strips,))).leftovers
    assert (left.width, left.length, left.count) == (Fraction(5, 2), Fraction(3), 41)
    assert rest == []


def bricks(quarters: int, length: Fraction = Fraction(21)) -> CuttingProblem:
    """Window bricks of 6 1/2 x 10 with three windows of 1 1/2 from quarters of as many prints."""
    options = (("windows", 3), ("window", "3/2"), ("sill", "3/4"))
    block = BlockChoice("window-brick", (Fraction(13, 2), Fraction(10)), options)
    cut = block.assembly(Fraction(1, 4))
    fabrics = (
        Fabric(f"print {n}", f"print {n}", Fraction(35, 2), length, form=Form.FAT_QUARTER)
        for n in range(quarters)
    )
    return CuttingProblem(cut.needs, tuple(fabrics), cut.rules)


def test_of_a_frame_of_one_print_area_proves_what_a_search_leaves_open() -> None:
    """By hand: a frame takes 78 of 367 1/2 square inches, so there are four of a print."""
    report = reported(bricks(10))
    assert (report.plan.blocks, report.plan.bound) == (40, 40)
    assert report.limits[0].count.blocks == 44
    assert [count.blocks for _, count in report.sensitivity] == [30, 30, 40, 40]


# Yardage is sold by the eighth of a yard: 4 1/2 inches across the cloth, eight squares of 4 1/2.
def test_one_more_of_yardage_is_an_eighth_of_a_yard() -> None:
    need = Need("A", "any", Fraction(9, 2), Fraction(9, 2), 8)
    cloth = Fabric("coal", "coal", Fraction(42), Fraction(36), form=Form.YARDAGE)
    report = reported(CuttingProblem((need,), (cloth,)))
    (limit,) = report.limits
    assert (report.plan.blocks, limit.count.blocks, limit.length) == (9, 10, Fraction(9, 2))


# Two piles make one: 5 squares of 5 are 20 pieces, 2 blocks of nine; two more squares are 28.
def test_where_one_more_does_nothing_it_says_how_many_do() -> None:
    needs = tuple(
        Need(role, role, Fraction(5, 2), Fraction(5, 2), n)
        for role, n in (("dark", 5), ("light", 4))
    )
    charms = Fabric("charms", "charms", Fraction(5), Fraction(5), 5, form=Form.SQUARE)
    report = reported(CuttingProblem(needs, (charms,)))
    assert report.plan.blocks == 2
    (reason,) = {limit.reason for limit in report.limits}
    assert reason == "light and dark share the same fabric; two more squares make 3"
