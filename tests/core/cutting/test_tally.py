"""Columns, mirrored strips, crumbs: found by the search, judged by the checker, wrong ones too."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.kinds.whole_strips import with_tubes
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.tally import Mirrored, Waves
from kersey.core.cutting.watch import Watch
from kersey.core.yields.steps import YieldQuestion, yield_steps
from kersey.records.plans import answer_from_text, answer_text

SEAM = Fraction(1, 4)
ROLLS = st.lists(
    st.tuples(st.sampled_from(["40", "41", "83/2", "42", "43"]), st.integers(1, 4)),
    min_size=2,
    max_size=8,
)


def asked(recipe: str, fabrics: tuple[Fabric, ...], **options: int | str) -> CuttingProblem:
    block = BlockChoice(recipe, None, tuple(options.items()))
    needs, tally = block.assembly(SEAM).needs, block.tally(SEAM)
    return with_tubes(CuttingProblem(needs, fabrics, tally=tally))


def roll(sizes: list[tuple[str, int]], width: str = "5/2") -> tuple[Fabric, ...]:
    return tuple(
        Fabric(f"s{n}", f"s{n}", Fraction(width), Fraction(length), count, form=Form.STRIP)
        for n, (length, count) in enumerate(sizes)
    )


@given(ROLLS, st.sampled_from(["alternate", "onward"]))
def test_columns_pass_the_checker_and_one_more_does_not(
    sizes: list[tuple[str, int]], method: str
) -> None:
    problem = asked("bargello", roll(sizes), method=method)
    plan = solve(problem, Watch())
    assert faults(plan) == []
    assert plan.proved
    if not plan.blocks:
        return
    more = replace(plan, blocks=plan.blocks + 1, bound=plan.blocks + 1)
    assert any("do not make" in fault for fault in faults(more))
    choice = BlockChoice("bargello").with_option("method", method)
    whole = whole_piece(choice, SEAM, plan)
    assert faults(whole.plan) == []
    assert whole.assembly.finished is not None
    width, length = whole.assembly.finished
    assert sum(patch.area for patch in whole.assembly.patches) == width * length
    # Every ring shows each strip of its tube once.
    tally = problem.tally
    assert isinstance(tally, Waves)
    rings = Counter(Fraction(p.corners[0][0]) for p in whole.assembly.patches)
    assert set(rings.values()) == {tally.strips}
    assert len(rings) == plan.blocks


@given(ROLLS)
def test_mirrored_strips_are_pairs_and_one_single(sizes: list[tuple[str, int]]) -> None:
    problem = asked("quilt-as-you-go", roll(sizes, "3/2"))
    plan = solve(problem, Watch())
    assert faults(plan) == []
    assert plan.proved
    counts = [count for _, count in sizes]
    odd = any(count % 2 for count in counts)
    assert plan.blocks == sum(2 * (count // 2) for count in counts) + (1 if odd else -1)
    assert faults(replace(plan, blocks=plan.blocks + 2, bound=plan.blocks + 2))
    whole = whole_piece(BlockChoice("quilt-as-you-go"), SEAM, plan)
    assert faults(whole.plan) == []
    # All are cut as long as the shortest.
    used = [layout.fabric.length for layout in plan.layouts]
    assert {need.height for need in whole.assembly.needs} == {min(used)}
    known = whole.block.known
    assert known is not None
    assert known.laid is not None
    prints = [
        layout.fabric.print
        for layout in whole.plan.layouts
        for _ in range(layout.copies * len(layout.cuts))
    ]
    shown = [prints[n] for n in known.laid(prints, whole.block.all_options)]
    assert shown == shown[::-1]
    assert isinstance(problem.tally, Mirrored)


def test_half_of_all_stays_as_it_was_while_the_answer_is_explained() -> None:
    """Half of all strips is said once: taken away, they leave shorter tubes no more columns."""
    problem = asked("bargello", roll([("42", 40)]))
    assert isinstance(problem.tally, Waves)
    assert problem.tally.strips == 20
    *_, known = yield_steps(YieldQuestion(problem))
    assert known.spare is not None
    assert [spare.pieces for spare in known.spare] == [0]
    assert {step: count.blocks for step, count in known.sensitivity or ()} == {
        Fraction(-1): 37,
        Fraction(-1, 2): 38,
        Fraction(1, 2): 39,
        Fraction(1): 39,
    }
    assert asked("bargello", roll([("42", 40)]), repeats=2).tally != problem.tally
    two = solve(asked("bargello", roll([("42", 40)]), repeats=2), Watch())
    assert (two.blocks, faults(two)) == (28, [])
    assert faults(replace(two, blocks=29, bound=29))


@pytest.mark.parametrize(
    ("recipe", "fabrics"),
    [
        ("string", roll([("30", 12), ("15", 20)], "3/2")),
        ("made-fabric", roll([("9/2", 60)])),
        ("bargello", roll([("42", 12)])),
        ("tube-triangles", roll([("42", 12)])),
    ],
)
def test_what_was_found_is_kept_and_read_again(recipe: str, fabrics: tuple[Fabric, ...]) -> None:
    """Strings and crumbs are cut for places that the question does not name."""
    block = BlockChoice(recipe)
    assembly = block.assembly(SEAM)
    problem = with_tubes(
        CuttingProblem(assembly.needs, fabrics, sets=assembly.sets, tally=block.tally(SEAM))
    )
    known = next(iter(yield_steps(YieldQuestion(problem))))
    again = answer_from_text(answer_text(known))
    assert again is not None
    assert again.plan == known.plan
    assert faults(again.plan) == []


def test_crumbs_are_never_counted_on_for_more_than_they_cover() -> None:
    plan: CuttingPlan = solve(asked("made-fabric", roll([("9/2", 60)])), Watch())
    assert faults(plan) == []
    much = plan.bound + 1
    assert any(
        "are too few for" in fault for fault in faults(replace(plan, blocks=much, bound=much))
    )
