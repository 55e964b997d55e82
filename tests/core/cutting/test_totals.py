"""What is wanted once beside the blocks: the search against trying everything, and its judge."""

from dataclasses import replace
from fractions import Fraction
from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import BadCutting, CuttingProblem, Fabric, Need, Total
from kersey.core.cutting.solver import Sought, solve
from kersey.core.cutting.watch import Watch

F = Fraction
WIDTH, JOIN = F(5, 2), F(5, 2)
BLOCK = Need("A", "any", WIDTH, F(13, 2), 3)


def strips(lengths: list[int]) -> tuple[Fabric, ...]:
    return tuple(
        Fabric(f"p{n}", f"p{n}", WIDTH, F(length), form=Form.STRIP)
        for n, length in enumerate(lengths)
    )


def asked(fabrics: tuple[Fabric, ...], run: F, lengths: list[int]) -> CuttingProblem:
    """Blocks of three segments beside one joined strip."""
    pieces = tuple(Need(f"binding {n}", "binding", WIDTH, F(n)) for n in lengths)
    counts = tuple((1 + n, piece.height - JOIN) for n, piece in enumerate(pieces))
    return CuttingProblem((BLOCK, *pieces), fabrics, totals=(Total(counts, run - JOIN),))


def by_trying(lengths: list[int], run: F, pieces: list[int]) -> int | None:
    """Of every strip one piece for the run, or none, and segments of what is left; at best."""
    best = None
    for chosen in product(*[[0, *(p for p in pieces if p <= length)] for length in lengths]):
        joined = sum((F(piece) - JOIN for piece in chosen if piece), F(0))
        if joined >= run - JOIN:
            rest = zip(lengths, chosen, strict=True)
            segments = sum(int((length - piece) // F(13, 2)) for length, piece in rest)
            best = max(best or 0, segments // 3)
    return best


@given(
    st.lists(st.sampled_from([13, 20, 30, 42]), min_size=2, max_size=5), st.integers(8, 90).map(F)
)
def test_it_agrees_with_trying_everything(lengths: list[int], run: F) -> None:
    pieces = sorted(set(lengths), reverse=True)
    best = by_trying(lengths, run, pieces)
    plan = solve(asked(strips(lengths), run, pieces), Watch(2.0))
    if best:
        assert (plan.blocks, plan.bound) == (best, best)
        assert faults(plan) == []
    else:
        assert plan.blocks == 0


def test_a_part_leaves_fewer_blocks_and_the_judge_counts_it() -> None:
    """By hand: 260 of binding take seven strips of 42; 33 strips of six segments make 66."""
    fabrics = tuple(replace(strip, count=8) for strip in strips([42] * 5))
    plan = solve(asked(fabrics, F(260), [42]), Watch(2.0))
    assert (plan.blocks, plan.proved, faults(plan)) == (66, True, [])
    binding = [layout for layout in plan.layouts if layout.cuts[0].need.role == "binding"]
    assert sum(layout.copies for layout in binding) == 7
    short = replace(plan, layouts=tuple(each for each in plan.layouts if each != binding[0]))
    assert any("is cut of it" in fault for fault in faults(short))


def test_no_more_blocks_are_cut_than_are_sought() -> None:
    plan = solve(asked(strips([42] * 9), F(100), [42]), Watch(2.0), Sought(most=5))
    assert plan.blocks == 5
    cut = sum(len(layout.cuts) * layout.copies for layout in plan.layouts)
    assert cut == 5 * 3 + 3


def test_what_is_wanted_once_is_not_cut_of_strip_sets() -> None:
    sets = replace(BLOCK, crosscut=True)
    with pytest.raises(BadCutting, match="but not with strip sets"):
        CuttingProblem(
            (sets, Need("side", "border-1", F(3), F(40))),
            strips([42] * 3),
            totals=(Total(((1, F(1)),), F(2)),),
        )
