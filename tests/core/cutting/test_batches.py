"""Blocks that come several of one set of pieces: counted singly, cut by the set."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.cutting.made_up import problems

from kersey.core.cutting.checker import claimed, faults
from kersey.core.cutting.problem import BadCutting, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import Sought, solve
from kersey.core.cutting.watch import Watch


def watch() -> Watch:
    return Watch()


@given(problems(), st.integers(2, 5))
def test_a_batch_gives_so_many_times_as_many(problem: CuttingProblem, batch: int) -> None:
    if problem.strip_sets:
        return
    singly = solve(problem, watch())
    plan = solve(replace(problem, batch=batch), watch())
    assert (plan.blocks, plan.bound) == (batch * singly.blocks, batch * singly.bound)
    assert faults(plan) == []
    # A part of a batch is cut from whole pieces too, and one block more is a lie.
    assert faults(replace(plan, blocks=max(0, plan.blocks - 1))) == []
    if plan.blocks and not problem.rules:
        more = replace(plan, blocks=plan.blocks + 1, bound=plan.bound + batch)
        assert claimed(more).blocks in (plan.blocks, plan.blocks + 1)


def test_no_more_is_claimed_than_the_sets_give() -> None:
    need = Need("square", "any", Fraction(5), Fraction(5), 2)
    charms = Fabric("charms", "charms", Fraction(5), Fraction(5), 7)
    problem = CuttingProblem((need,), (charms,), batch=4)
    plan = solve(problem, watch())
    assert plan.blocks == 12
    assert claimed(replace(plan, blocks=16, bound=16)).blocks == 12
    some = solve(problem, watch(), Sought(most=5))
    assert some.blocks in (8, 12)


def test_a_batch_is_of_one_block_at_least_and_not_of_sets() -> None:
    strip = Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3, crosscut=True)
    roll = Fabric("roll", "roll", Fraction(5, 2), Fraction(42), 6)
    with pytest.raises(BadCutting, match="must come from one"):
        CuttingProblem((strip,), (roll,), batch=2)
    with pytest.raises(BadCutting, match="at least one block"):
        CuttingProblem((replace(strip, crosscut=False),), (roll,), batch=0)
