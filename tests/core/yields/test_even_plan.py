"""The even plan: every fabric of a role cut alike, judged by the checker, within the bound."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import read_lots
from kersey.core.yields.even_plan import EvenPlan, even_plan

QUARTER = (Fraction(35, 2), Fraction(21))


def even(problem: CuttingProblem) -> EvenPlan:
    found = even_plan(solve(problem, Watch()), Watch(4.0))
    assert found is not None
    return found


def quarters(role: str, count: int, prints: int = 1) -> tuple[Fabric, ...]:
    return tuple(
        Fabric(f"{role} {n}", f"{role} {n}", *QUARTER, count, frozenset({role}))
        for n in range(prints)
    )


# By hand: six light kits or five dark ones a quarter, and one dark quarter for the centres.
def test_log_cabins_of_fat_quarters_are_cut_in_stacks() -> None:
    cut = BlockChoice("log-cabin").assembly(Fraction(1, 4))
    fabrics = (*quarters("light", 1, prints=9), *quarters("dark", 1, prints=12))
    found = even(CuttingProblem(cut.needs, fabrics))
    assert faults(found.plan) == []
    assert 54 <= found.plan.blocks <= found.plan.bound == 56
    # Every fabric of a role lies in one of two stacks.
    for role, pieces in (("light", 9), ("dark", 12)):
        stacks = [way.pieces for way in found.alike if way.fabric.roles == {role}]
        assert len(stacks) <= 2
        assert sum(stacks) <= pieces


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
    pooled = solve(CuttingProblem((need,), fabrics), Watch())
    assert even_plan(pooled, Watch(0.5)) is None


sides = st.integers(2, 9).map(lambda n: Fraction(n, 2))


@given(
    st.lists(
        st.tuples(st.sampled_from("ab"), sides, sides, st.integers(1, 3)), min_size=1, max_size=3
    ),
    st.lists(
        st.tuples(st.sampled_from(["a", "b", "ab"]), st.integers(1, 4)), min_size=1, max_size=3
    ),
)
def test_it_is_always_right_and_never_beats_the_pooled_plan(
    pieces: list[tuple[str, Fraction, Fraction, int]], fabrics: list[tuple[str, int]]
) -> None:
    needs = tuple(Need(str(n), *piece) for n, piece in enumerate(pieces))
    lots = tuple(
        Fabric(str(n), str(n), Fraction(9), Fraction(10), count, frozenset(roles))
        for n, (roles, count) in enumerate(fabrics)
    )
    pooled = solve(CuttingProblem(needs, lots), Watch())
    found = even_plan(pooled, Watch(0.5))
    if found is not None:
        assert faults(found.plan) == []
        assert found.plan.blocks <= pooled.bound


def asked(line: str, recipe: str) -> CuttingProblem:
    """The question of a quilt begun with a line, its wish for different prints left out."""
    lots = from_readings(read_lots(line))
    fabrics = tuple(pulled for kept in lots for pulled in all_of(kept))
    return yield_asked(Project("even", line, fabrics, Design(block=BlockChoice(recipe)))).problem


# By hand: five rails a strip of 36, five a ten-inch square or a piece of 9 x 12, three a block;
# 56 patches a quarter, nine a block.
@pytest.mark.parametrize(
    ("line", "recipe", "rules", "blocks"),
    [
        ("40 strips 2 1/2 x 36, 20 prints", "rails", True, 66),
        ("40 ten-inch squares", "rails", True, 66),
        ("5 pieces 9 x 12", "rails", False, 8),
        ("20 fat quarters", "nine-patch", True, 124),
        ("12 light and 15 dark charm squares", "nine-patch", True, 12),
    ],
)
def test_what_everybody_can_work_out(line: str, recipe: str, rules: bool, blocks: int) -> None:
    problem = asked(line, recipe)
    found = even(problem if rules else replace(problem, rules=()))
    assert (found.plan.blocks, found.plan.bound) == (blocks, blocks)
    assert faults(found.plan) == []


def test_a_frame_may_come_from_several_pieces_of_one_print() -> None:
    """No piece holds a whole frame: 2 sides of 2 1/2 x 9 1/2 fill one, its ends come of another."""
    cut = BlockChoice("window-brick").assembly(Fraction(1, 4))
    piece = (Fraction(5), Fraction(19, 2))
    fabrics = (
        Fabric("frames", "frames", *piece, 24, frozenset({"frame"})),
        Fabric("windows", "windows", *piece, 8, frozenset({"window"})),
    )
    problem = CuttingProblem(cut.needs, fabrics, cut.rules)
    pooled = solve(problem, Watch())
    found = even(problem)
    assert pooled.blocks >= found.plan.blocks >= 12
    assert faults(found.plan) == []


@given(
    st.integers(4, 20),
    st.integers(1, 6),
    st.tuples(st.integers(1, 6), st.integers(1, 6)),
    st.tuples(st.integers(1, 4), st.integers(1, 4)),
)
def test_of_strips_it_is_the_best_of_all_pairs_of_layouts(
    length: int, count: int, runs: tuple[int, int], needed: tuple[int, int]
) -> None:
    if runs[0] == runs[1]:
        return
    needs = tuple(
        Need(str(n), "any", Fraction(1), Fraction(run + 1), times)
        for n, (run, times) in enumerate(zip(runs, needed, strict=True))
    )
    strips = Fabric("s", "s", Fraction(1), Fraction(length), count, form=Form.STRIP)
    pooled = solve(CuttingProblem(needs, (strips,)), Watch())
    layouts = [
        (a, b)
        for a in range(length // (runs[0] + 1) + 1)
        for b in range((length - a * (runs[0] + 1)) // (runs[1] + 1) + 1)
    ]
    best = max(
        min((one[k] * (count - n) + other[k] * n) // needed[k] for k in (0, 1))
        for n in range(count // 2 + 1)
        for one in layouts
        for other in layouts
    )
    if pooled.blocks:
        found = even(pooled.problem).plan
        assert found.blocks <= best <= found.bound
        assert found.blocks == best
