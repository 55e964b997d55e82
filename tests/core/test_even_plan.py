"""The even plan: every fabric of a role cut alike, judged by the checker, within the bound."""

from fractions import Fraction
from time import perf_counter

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.even_plan import EvenPlan, even_plan

QUARTER = (Fraction(35, 2), Fraction(21))


def even(problem: CuttingProblem) -> EvenPlan:
    found = even_plan(solve(problem, Watch(perf_counter)), Watch(perf_counter, 0.5))
    assert found is not None
    return found


def quarters(role: str, count: int, prints: int = 1) -> tuple[Fabric, ...]:
    return tuple(
        Fabric(f"{role} {n}", f"{role} {n}", *QUARTER, count, frozenset({role}))
        for n in range(prints)
    )


# By hand: six light kits or five dark ones a quarter, and one dark quarter for the centres.
def test_log_cabins_of_fat_quarters_are_cut_in_stacks() -> None:
    cut = BlockChoice("log-cabin").cut_list(Fraction(1, 4))
    fabrics = (*quarters("light", 1, prints=9), *quarters("dark", 1, prints=12))
    found = even(CuttingProblem(cut.needs, fabrics))
    assert faults(found.plan) == []
    assert found.plan.blocks == 54
    # Every fabric of a role is cut alike, but for those that give one size apart.
    ways = {(way.fabric.roles, way.pieces, way.kits, len(way.needs)) for way in found.alike}
    assert (frozenset({"dark"}), 11, 5, 6) in ways
    assert (frozenset({"dark"}), 1, 56, 1) in ways


@pytest.mark.parametrize(("rule", "blocks"), [((), 2), ((PrintRule(("a", "b"), same=False),), 2)])
def test_prints_are_shared_out_as_the_rules_ask(rule: tuple[PrintRule, ...], blocks: int) -> None:
    needs = (Need("A", "a", Fraction(5), Fraction(5)), Need("B", "b", Fraction(5), Fraction(5)))
    fabrics = tuple(Fabric(n, n, Fraction(5), Fraction(10)) for n in ("red", "blue"))
    found = even(CuttingProblem(needs, fabrics, rule))
    assert found.plan.blocks == blocks
    assert faults(found.plan) == []


def test_nearly_every_piece_of_another_size_has_no_even_plan() -> None:
    need = Need("A", "any", Fraction(2), Fraction(2))
    fabrics = tuple(Fabric(str(n), str(n), Fraction(4), Fraction(4 + n)) for n in range(13))
    pooled = solve(CuttingProblem((need,), fabrics), Watch(perf_counter))
    assert even_plan(pooled, Watch(perf_counter, 0.5)) is None


sides = st.integers(2, 9).map(lambda n: Fraction(n, 2))


@settings(max_examples=25)
@given(
    st.lists(st.tuples(st.sampled_from("ab"), sides, sides, st.integers(1, 3)), min_size=1,
             max_size=3),
    st.lists(st.tuples(st.sampled_from(["a", "b", "ab"]), st.integers(1, 4)), min_size=1,
             max_size=3),
)  # fmt: skip
def test_it_is_always_right_and_never_beats_the_pooled_plan(
    pieces: list[tuple[str, Fraction, Fraction, int]], fabrics: list[tuple[str, int]]
) -> None:
    needs = tuple(Need(str(n), *piece) for n, piece in enumerate(pieces))
    lots = tuple(
        Fabric(str(n), str(n), Fraction(9), Fraction(10), count, frozenset(roles))
        for n, (roles, count) in enumerate(fabrics)
    )
    pooled = solve(CuttingProblem(needs, lots), Watch(perf_counter))
    found = even_plan(pooled, Watch(perf_counter, 0.5))
    if found is not None:
        assert faults(found.plan) == []
        assert found.plan.blocks <= pooled.bound
