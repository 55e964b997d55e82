"""What is said of a yield: cliffs, what could stay, seams; each checked by asking again."""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import EVERY_BLOCK, Sought, solve
from kersey.core.cutting.watch import Watch
from kersey.core.yields.claims import judge_count
from kersey.core.yields.cliffs import cliffs
from kersey.core.yields.count import NONE, Count
from kersey.core.yields.report import at_usable, checked_plan, counted_plan
from kersey.core.yields.steps import YieldQuestion, YieldSoFar, yield_steps
from kersey.core.yields.tight import tight_divisions

EIGHTH = Fraction(1, 8)


def blocks_of(problem: CuttingProblem) -> int:
    return checked_plan(problem, Watch(2.0)).blocks


def count_for(problem: CuttingProblem, sought: Sought = EVERY_BLOCK) -> Count:
    return counted_plan(problem, Watch(2.0), sought)


def strips(length: str, count: int = 40, prints: int = 4) -> CuttingProblem:
    need = Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3)
    fabrics = tuple(
        Fabric(str(n), str(n), Fraction(5, 2), Fraction(length), count // prints, form=Form.STRIP)
        for n in range(prints)
    )
    return CuttingProblem((need,), fabrics)


def steps(question: YieldQuestion) -> Iterator[YieldSoFar]:
    return yield_steps(question)


def last(problem: CuttingProblem, **more: object) -> YieldSoFar:
    *_, known = steps(YieldQuestion(problem, **more))  # type: ignore[arg-type]
    assert known.done
    return known


# By hand: six segments of 6 1/2 need 39; five of them, 200 in all, make 66 blocks; seven need
# 45 1/2.
@pytest.mark.parametrize(
    ("length", "change", "below", "more_at", "more"),
    [("42", -3, 66, None, 80), ("39", 0, 66, None, 80), ("44", -5, 66, "3/2", 93)],
)
def test_the_cliff_of_a_roll(
    length: str, change: int, below: int, more_at: str | None, more: int
) -> None:
    found = cliffs(solve(strips(length), Watch()), count_for)
    assert (found.change, found.below) == (change, Count(below, below))
    assert (found.more_at, found.more.blocks) == (Fraction(more_at) if more_at else None, more)


sides = st.integers(4, 24).map(lambda n: Fraction(n, 4))


@given(st.lists(st.tuples(sides, sides), min_size=1, max_size=2), st.integers(28, 60))
def test_a_cliff_is_where_it_is_said_to_be(
    pieces: list[tuple[Fraction, Fraction]], side: int
) -> None:
    needs = tuple(Need(str(n), "any", *piece) for n, piece in enumerate(pieces))
    problem = CuttingProblem(
        needs, (Fabric("a", "a", Fraction(9), Fraction(side, 4), 2, form=Form.FAT_EIGHTH),)
    )
    plan = solve(problem, Watch())
    found = cliffs(plan, count_for)
    if found.change is not None and plan.proved:
        at, under = (at_usable(problem, found.change - less) for less in (0, EIGHTH / 100))
        assert at is None or blocks_of(at) >= plan.blocks
        assert (blocks_of(under) if under else 0) == found.below.blocks < plan.blocks
        assert found.fewer_sure
    if found.change is None and plan.proved:
        # Where none is said, none is there as far down as one looks.
        deepest = at_usable(problem, Fraction(-6))
        assert (blocks_of(deepest) if deepest else 0) == plan.blocks


def test_squares_used_to_the_edge_have_their_cliff_just_there() -> None:
    charm = Need("square", "any", Fraction(5), Fraction(5))
    problem = CuttingProblem(
        (charm,), (Fabric("a", "a", Fraction(5), Fraction(5), 12, form=Form.SQUARE),)
    )
    found = cliffs(solve(problem, Watch()), count_for)
    assert (found.change, found.below, found.more_at) == (0, NONE, None)


def test_a_division_without_margin_names_what_is_lost_first() -> None:
    needs = (
        Need("long", "any", Fraction(2), Fraction(17, 2)),
        Need("short", "any", Fraction(2), Fraction(25, 4), 2),
    )
    problem = CuttingProblem(
        needs, (Fabric("ash", "ash", Fraction(2), Fraction(21), form=Form.STRIP),)
    )
    (tight,) = tight_divisions(solve(problem, Watch()))
    assert tight.parts == (Fraction(17, 2), Fraction(25, 4), Fraction(25, 4))
    assert (tight.lost.label, tight.fabrics) == ("short", ("ash",))
    longer = at_usable(problem, EIGHTH)
    assert longer is not None
    assert tight_divisions(solve(longer, Watch())) == []


def test_all_there_is_to_say_of_a_roll() -> None:
    problem = strips("42", count=41, prints=1)
    rules = (PrintRule(("any",), same=False),)
    known = last(
        replace(problem, rules=rules),
        rules_are_a_wish=True,
        at_seams=((Fraction(3, 16), None), (Fraction(5, 16), problem)),
    )
    # One print cannot give three different ones: the wish is dropped, and its cost is told.
    assert (known.plan.blocks, known.rules_cost) == (82, Count(82, 82))
    assert known.seams == ((Fraction(3, 16), NONE), (Fraction(5, 16), Count(82, 82)))
    assert [(limit.count.blocks, limit.role) for limit in known.limits or ()] == [(84, "any")]
    assert known.even is not None
    assert known.even.plan.blocks == 82


def in_sets(problem: CuttingProblem) -> CuttingProblem:
    return replace(problem, needs=(replace(problem.needs[0], crosscut=True),))


def test_sets_and_segments_beside_each_other() -> None:
    """A strip that lost an inch and a half of six segments: its set has five."""
    singly = strips("42", count=6, prints=1)
    short = replace(singly.fabrics[0], name="short", length=Fraction(75, 2), count=3)
    mixed = replace(singly, fabrics=(*singly.fabrics, short))
    known = last(mixed, other_way=in_sets(mixed))
    assert (known.plan.blocks, known.even is not None) == (17, True)
    assert known.other_way is not None
    assert (known.other_way.blocks, known.other_way.proved) == (17, True)
    uneven = replace(mixed, fabrics=(*singly.fabrics, replace(short, count=2)))
    sewn = last(in_sets(uneven), other_way=uneven)
    # Two sets of six; the two short strips make no third. Cut singly they give 46 segments.
    assert (sewn.plan.blocks, sewn.plan.bound) == (12, 12)
    assert sewn.other_way is not None
    assert sewn.other_way.blocks == 15
    assert [limit.count.blocks for limit in sewn.limits or ()] == [17]
    assert sewn.cliffs is not None
    assert sewn.cliffs.change == -3
    assert sewn.cliffs.below == Count(10, 10)


def test_what_could_stay_is_left_whole() -> None:
    needs = (
        Need("A", "light", Fraction(5), Fraction(5)),
        Need("B", "dark", Fraction(5), Fraction(5)),
    )
    fabrics = (
        Fabric("ash", "ash", Fraction(10), Fraction(10), 6, frozenset({"light"})),
        Fabric("coal", "coal", Fraction(10), Fraction(10), 2, frozenset({"dark"})),
    )
    known = last(CuttingProblem(needs, fabrics))
    assert known.plan.blocks == 8
    assert [(spare.fabric.name, spare.pieces) for spare in known.spare or ()] == [
        ("ash", 4),
        ("coal", 0),
    ]
    assert faults(known.plan) == []
    used = sum(each.copies for each in known.plan.layouts if each.fabric.name == "ash")
    assert used == 2


@pytest.mark.parametrize(
    ("claimed", "slip"),
    [
        (66, "5 pieces were counted from each"),
        (82, "one 0 too many was counted"),
        (93, "seam allowances were left out"),
        (86, "only the area was divided"),
        (81, None),
    ],
)
def test_the_usual_slips_are_known_by_what_they_give(claimed: int, slip: str | None) -> None:
    problem = replace(strips("42"), needs=(Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3),))
    plan = solve(problem, Watch())
    verdict = judge_count(claimed, plan, Fraction(1, 4), count_for)
    assert not verdict.agrees
    said = " ".join(verdict.slips)
    assert slip in said if slip else not verdict.slips


# Arrows of 12 from squares of 10: units of 6 1/2, four of two squares, need (6 1/2) x 1.414 + 1/2
# = 9.69, so 9 3/4 would do. An end of 20 was measured, and is no narrower where the cloth is.
def test_squares_as_they_come_may_be_smaller_and_ends_stay_as_they_are() -> None:
    arrows = BlockChoice("arrow").of_squares(Fraction(10)).assembly(Fraction(1, 4))
    squares = tuple(
        Fabric(role, role, Fraction(10), Fraction(10), 12, frozenset({role}), form=Form.SQUARE)
        for role in ("light", "dark")
    )
    plan = solve(CuttingProblem(arrows.needs, squares, batch=arrows.batch), Watch())
    found = cliffs(plan, count_for)
    assert (plan.blocks, found.change, found.below) == (12, Fraction(-1, 4), NONE)
    piece = Need("piece", "any", Fraction(5), Fraction(10))
    end = Fabric("end", "end", Fraction(5), Fraction(20), form=Form.PIECE)
    still = cliffs(solve(CuttingProblem((piece,), (end,)), Watch()), count_for)
    assert (still.change, still.more_at) == (None, None)
