"""Two thousand unlike scraps: the bound holds and the plan comes near it."""

from fractions import Fraction
from random import Random

import pytest
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch


def scraps(roles: tuple[str, ...], seed: int, count: int = 2000) -> tuple[Fabric, ...]:
    """Of unlike sizes in eighths, 3 to 25 inches a side, each for one of the roles."""
    sizes = [(w, h) for w in range(24, 200) for h in range(w, 200)]
    served = [frozenset({role}) for role in roles]
    return tuple(
        Fabric(str(n), str(n), Fraction(w, 8), Fraction(h, 8), roles=served[n % len(served)])
        for n, (w, h) in enumerate(Random(seed).sample(sizes, count))
    )


def solved(problem: CuttingProblem) -> CuttingPlan:
    plan = solve(problem, Watch())
    assert faults(plan) == []
    return plan


@pytest.mark.parametrize("beside", [0, 3])
def test_squares_are_counted_scrap_by_scrap(beside: int) -> None:
    """Of squares a scrap gives rows times columns, whatever else lies on the table."""
    needs = (Need("A", "any", Fraction(5, 2), Fraction(5, 2), 9),)
    large = tuple(Fabric(f"l{n}", "l", Fraction(42), Fraction(360 + n)) for n in range(beside))
    fabrics = (*scraps(("any",), seed=1), *large)
    squares = sum(int(f.width // Fraction(5, 2)) * int(f.length // Fraction(5, 2)) for f in fabrics)
    plan = solved(CuttingProblem(needs, fabrics))
    assert plan.bound == squares // 9
    assert plan.blocks >= 0.99 * plan.bound


@pytest.mark.parametrize("block", ["ohio-star", *at_night(["log-cabin"])])
def test_blocks_of_several_roles_come_near_the_bound(block: str) -> None:
    needs = BlockChoice(block).assembly(Fraction(1, 4)).needs
    roles = tuple(sorted({need.role for need in needs}))
    problem = CuttingProblem(needs, scraps(roles, seed=2))
    plan = solved(problem)
    assert 0.97 * plan.bound <= plan.blocks <= plan.bound
    # The same fabric by the piece, of which each is known to give no more than its area.
    area = {
        role: sum(f.width * f.length for f in problem.fabrics if role in f.roles) for role in roles
    }
    for role in roles:
        wanted = sum(n.width * n.height * n.count for n in needs if n.role == role)
        assert plan.bound <= area[role] / wanted


def test_scraps_too_small_for_anything_change_nothing() -> None:
    needs = (Need("A", "any", Fraction(5), Fraction(5), 4),)
    crumbs = tuple(Fabric(f"c{n}", "c", Fraction(4), Fraction(n + 1, 8)) for n in range(2000))
    quarters = Fabric("q", "q", Fraction(35, 2), Fraction(21), 3)
    plan = solved(CuttingProblem(needs, (*crumbs, quarters)))
    assert (plan.blocks, plan.bound) == (9, 9)
