"""Hundreds of prints under rules: taken in handfuls, the rules hold and few blocks are lost."""

from fractions import Fraction
from random import Random

import pytest
from tests.nights import at_night

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch

# More than 240 fabrics are taken in handfuls when there is so little time.
BRIEF = 1.0
SAME_FRAME = (PrintRule(("frame",), same=True), PrintRule(("frame", "window"), same=False))
WINDOWS = (
    Need("side", "frame", Fraction(5, 2), Fraction(9, 2), 2),
    Need("end", "frame", Fraction(5, 2), Fraction(5, 2), 2),
    Need("window", "window", Fraction(5, 2), Fraction(5, 2), 2),
)


@pytest.mark.parametrize(("seed", "roles"), [(2, ("frame", "window")), *at_night([(1, ())])])
def test_three_hundred_scraps_of_as_many_prints(seed: int, roles: tuple[str, ...]) -> None:
    random = Random(seed)
    fabrics = tuple(
        Fabric(
            f"p{n}",
            f"p{n}",
            Fraction(random.randint(20, 120), 8),
            Fraction(random.randint(20, 160), 8),
            roles=frozenset(roles[n % 2 : n % 2 + 1]),
        )
        for n in range(300)
    )
    plan = solve(CuttingProblem(WINDOWS, fabrics, SAME_FRAME), Watch(BRIEF))
    assert faults(plan) == []
    # The bound is that of a plan that need not keep the rules.
    assert 0.75 * plan.bound <= plan.blocks <= plan.bound


def test_strips_of_different_prints_lose_nothing() -> None:
    """Six segments of every strip; 300 prints of two strips each are more than enough to differ."""
    need = Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3)
    strips = tuple(
        Fabric(f"p{n}", f"p{n}", Fraction(5, 2), Fraction(42), 2, form=Form.STRIP)
        for n in range(300)
    )
    rules = (PrintRule(("any",), same=False),)
    plan = solve(CuttingProblem((need,), strips, rules), Watch(BRIEF))
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (1200, 1200)


def test_few_prints_in_many_pieces_are_not_torn_apart() -> None:
    """Three prints must differ in a block; what each has alone makes none."""
    need = Need("A", "any", Fraction(5, 2), Fraction(5, 2), 3)
    sizes = [(w, h) for w in range(3, 23) for h in range(3, 18)]
    fabrics = tuple(
        Fabric(f"f{n}", "abc"[n % 3], Fraction(w), Fraction(h)) for n, (w, h) in enumerate(sizes)
    )
    rules = (PrintRule(("any",), same=False),)
    plan = solve(CuttingProblem((need,), fabrics, rules), Watch(BRIEF))
    squares = dict.fromkeys("abc", 0)
    for fabric in fabrics:
        squares[fabric.print] += int(fabric.width / need.width) * int(fabric.length / need.height)
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (min(squares.values()),) * 2
