"""The sum by hand: worked figures, words, and the search beside it."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import Units
from kersey.core.yields.by_hand import StripSum, cliff, groups, proof, strip_sum

INCHES = Units.INCHES
DIFFERENT = (PrintRule(("any",), same=False),)


def strips(
    count: int,
    in_a_block: int = 3,
    length: str = "42",
    prints: int = 20,
    rules: bool = True,
    sets: bool = False,
) -> CuttingProblem:
    segment = in_a_block * Fraction(2) + Fraction(1, 2)
    need = Need("A", "any", Fraction(5, 2), segment, in_a_block, crosscut=sets)
    prints = min(prints, count)
    fabrics = tuple(
        Fabric(
            f"p{n}",
            f"p{n}",
            Fraction(5, 2),
            Fraction(length),
            count // prints + (n < count % prints),
            form=Form.STRIP,
        )
        for n in range(prints)
    )
    return CuttingProblem((need,), fabrics, DIFFERENT if rules else ())


def by_hand(problem: CuttingProblem) -> StripSum:
    answer = strip_sum(problem)
    assert answer is not None
    return answer


@pytest.mark.parametrize(
    ("count", "length", "in_a_block", "by_segments", "by_sets"),
    [
        (40, "42", 3, 80, 78),
        (42, "42", 3, 84, 84),
        (40, "77/2", 3, 66, 65),
        (40, "42", 4, 40, 40),
        (40, "42", 2, 180, 180),
        (40, "42", 6, 20, 18),
        (2, "42", 3, 4, 0),
        (40, "6", 3, 0, 0),
    ],
)
def test_worked_figures(
    count: int, length: str, in_a_block: int, by_segments: int, by_sets: int
) -> None:
    """Sources: docs/trade.md sections 3 and 4, reckoned by hand."""
    for sets, blocks in ((False, by_segments), (True, by_sets)):
        problem = strips(count, in_a_block, length, rules=False, sets=sets)
        assert by_hand(problem).blocks == blocks


def test_the_proof_can_be_followed() -> None:
    singly, in_sets = by_hand(strips(40, rules=False)), by_hand(strips(40, rules=False, sets=True))
    assert proof(singly, INCHES) == ("40 strips × 6 segments of 6½″ = 240, three per block.",)
    assert proof(in_sets, INCHES) == (
        "40 strips make 13 strip sets of three.",
        "13 sets × 6 blocks of 6½″ = 78.",
    )
    below = (
        "6 segments per strip need 39″ of usable length. Any shorter makes 5 per strip, and 65 "
        "blocks from strip sets."
    )
    assert cliff(in_sets, INCHES) == below
    none = by_hand(strips(40, length="6"))
    assert proof(none, INCHES) == ("A 6″ strip is too short for one 6½″ segment.",)
    assert "Use longer strips" in cliff(none, INCHES)
    assert "no print twice in a block" in proof(by_hand(strips(40)), INCHES)[0]


def test_there_is_no_sum_for_anything_else() -> None:
    problem = strips(6)
    longer = Fabric("long", "long", Fraction(5, 2), Fraction(43), form=Form.STRIP)
    mixed = CuttingProblem(problem.needs, (*problem.fabrics, longer))
    assert strip_sum(mixed) is None
    alike = CuttingProblem(problem.needs, problem.fabrics, (PrintRule(("any",), same=True),))
    assert strip_sum(alike) is None


@given(
    st.integers(1, 14),
    st.integers(2, 5),
    st.sampled_from(["42", "77/2", "20"]),
    st.integers(1, 6),
    st.booleans(),
    st.booleans(),
)
def test_the_search_comes_to_the_same(
    count: int, in_a_block: int, length: str, prints: int, rules: bool, sets: bool
) -> None:
    problem = strips(count, in_a_block, length, prints, rules, sets)
    plan = solve(problem, Watch())
    assert plan.proved
    assert plan.blocks == by_hand(problem).blocks


@given(st.lists(st.integers(0, 5), max_size=4), st.integers(1, 3))
def test_groups_of_different_prints_are_counted_right(counts: list[int], size: int) -> None:
    """Beside trying every draw of the tallest stacks."""
    left, drawn = sorted(counts, reverse=True), 0
    while len([n for n in left if n]) >= size:
        left = sorted((n - (i < size) for i, n in enumerate(left)), reverse=True)
        drawn += 1
    assert groups(counts, size, different=True) == drawn
