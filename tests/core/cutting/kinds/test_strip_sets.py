"""Strip sets: as many blocks as trying every set gives, and every plan passes the checker."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction
from functools import cache
from itertools import combinations_with_replacement, product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.yields.tight import tight_divisions

Strip = tuple[str, int]
ANY_PRINT, DIFFERENT, ONE_PRINT = (), (PrintRule(("any",), False),), (PrintRule(("any",), True),)


def rails(
    fabrics: Sequence[Fabric], rules: tuple[PrintRule, ...] = (), strips: int = 3
) -> CuttingProblem:
    """Rails 2 1/2 wide; a segment is as long as the block is high."""
    segment = strips * Fraction(2) + Fraction(1, 2)
    need = Need("A", "any", Fraction(5, 2), segment, strips, crosscut=True)
    return CuttingProblem((need,), tuple(fabrics), rules)


def strip(name: str, length: str, count: int = 1) -> Fabric:
    return Fabric(name, name, Fraction(5, 2), Fraction(length), count, form=Form.STRIP)


@pytest.mark.parametrize(
    ("fabrics", "rules", "blocks"),
    [
        # 13 sets of three, six blocks each.
        ([strip("a", "42", 40)], ANY_PRINT, 78),
        # The two shorter strips lose a segment; they go into one set.
        ([strip("a", "42", 4), strip("b", "77/2", 2)], ANY_PRINT, 6 + 5),
        # Three prints, and the most of one: four sets need four strips of every other print.
        ([strip("a", "42", 9), strip("b", "42", 3), strip("c", "42", 4)], DIFFERENT, 18),
        ([strip("a", "42", 9), strip("b", "42", 2), strip("c", "42", 4)], ONE_PRINT, 24),
        # A fat quarter: seven strips of three segments, or eight of two.
        ([Fabric("q", "q", Fraction(35, 2), Fraction(21), 3)], ANY_PRINT, 21),
        ([strip("a", "6", 40)], ANY_PRINT, 0),
    ],
)
def test_sets_reckoned_by_hand(
    fabrics: list[Fabric], rules: tuple[PrintRule, ...], blocks: int
) -> None:
    plan = solve(rails(fabrics, rules), Watch())
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (blocks, blocks)


@st.composite
def piles(draw: st.DrawFn) -> CuttingProblem:
    fabrics = []
    for n in range(draw(st.integers(1, 3))):
        form = draw(st.sampled_from([Form.STRIP, Form.PIECE]))
        breadth = draw(st.sampled_from(["5/2", "5", "6"] if form is Form.PIECE else ["5/2", "3"]))
        fabrics.append(
            Fabric(
                name=f"f{n}",
                print=draw(st.sampled_from("ab")),
                width=Fraction(breadth),
                length=Fraction(draw(st.sampled_from(["5", "9", "23/2", "14"]))),
                count=draw(st.integers(1, 3)),
                directional=draw(st.booleans()),
                form=form,
            )
        )
    rule = draw(st.sampled_from([ANY_PRINT, DIFFERENT, ONE_PRINT]))
    return rails(fabrics, rule, strips=2)


def _strips_of(fabric: Fabric, along: bool) -> Counter[Strip]:
    across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
    return Counter({(fabric.print, int(run // Fraction(9, 2))): int(across // Fraction(5, 2))})


def _piles_of_strips(problem: CuttingProblem) -> Iterator[Counter[Strip]]:
    """Every way in which the strips of all pieces may run."""
    pieces = [
        [(True,) if f.is_strip or f.directional else (True, False)] * f.count
        for f in problem.fabrics
    ]
    flat = [f for f in problem.fabrics for _ in range(f.count)]
    for turns in product(*(ways for each in pieces for ways in each)):
        total: Counter[Strip] = Counter()
        for fabric, along in zip(flat, turns, strict=True):
            total.update(_strips_of(fabric, along))
        yield total


@cache
def _most(strips: frozenset[tuple[Strip, int]], rules: tuple[PrintRule, ...]) -> int:
    """Every pair of strips sewn together in turn, or none."""
    there = dict(strips)
    best = 0
    for one, other in combinations_with_replacement(sorted(there), 2):
        if rules == DIFFERENT and one[0] == other[0]:
            continue
        if rules == ONE_PRINT and one[0] != other[0]:
            continue
        left = Counter(there)
        left.subtract([one, other])
        if min(left.values()) >= 0:
            here = min(one[1], other[1])
            best = max(best, here + _most(frozenset(left.items()), rules))
    return best


@given(piles())
def test_it_agrees_with_trying_every_set(problem: CuttingProblem) -> None:
    plan = solve(problem, Watch())
    assert faults(plan) == []
    most = max(
        _most(frozenset((k, n) for k, n in pile.items() if n), problem.rules)
        for pile in _piles_of_strips(problem)
    )
    assert (plan.blocks, plan.bound) == (most, most)


def test_the_checker_counts_sets_by_itself() -> None:
    plan = solve(rails([strip("a", "42", 6)]), Watch())
    assert faults(replace(plan, blocks=13, bound=13))
    (layout,) = plan.layouts
    shorter = replace(layout.cuts[0], length=Fraction(41))
    assert faults(replace(plan, layouts=(replace(layout, cuts=(shorter,)),)))
    mixed = replace(plan, problem=replace(plan.problem, rules=DIFFERENT))
    assert faults(mixed)


def test_segments_that_fill_a_strip_are_named() -> None:
    """Six segments of 6 1/2 are 39: with not a thread to spare the sixth is lost first."""
    (tight,) = tight_divisions(solve(rails([strip("a", "39", 3)]), Watch()))
    assert tight.parts == (Fraction(13, 2),) * 6
    assert tight_divisions(solve(rails([strip("a", "42", 3)]), Watch())) == []
