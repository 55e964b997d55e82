"""Several kinds of strip sets, and sets whose first piece takes more, against trying them all."""

from collections.abc import Sequence
from dataclasses import replace
from fractions import Fraction
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import (
    BadCutting,
    CuttingProblem,
    Fabric,
    Need,
    PrintRule,
    StripSet,
)
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.kits.dealing import deal
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.kits.sewn_sets import strip_sets

SEAM = Fraction(1, 4)
LENGTHS = ("7", "9", "11", "41/2", "42")


def strips(role: str, lengths: Sequence[str], width: str = "5/2") -> tuple[Fabric, ...]:
    return tuple(
        Fabric(
            f"{role} {n}",
            f"{role} {n % 3}",
            Fraction(width),
            Fraction(length),
            1,
            frozenset({role}),
            form=Form.STRIP,
        )
        for n, length in enumerate(lengths)
    )


def patches(name: str, light: Sequence[str], dark: Sequence[str]) -> CuttingProblem:
    """A nine-patch of 6, or a four-patch of 4, of strip sets 2 1/2 wide."""
    side = Fraction(6 if name == "nine-patch" else 4)
    block = BlockChoice(name, (side, side)).made(faster=True).assembly(SEAM)
    fabrics = (*strips("light", light), *strips("dark", dark))
    return CuttingProblem(block.needs, fabrics, (), block.batch, block.sets)


@pytest.mark.parametrize(
    ("name", "light", "dark", "blocks"),
    [
        # Two outer sets of two dark and a light take four dark; a middle one takes the fifth.
        ("nine-patch", ["42"] * 4, ["42"] * 5, 16),
        ("nine-patch", ["42"] * 8, ["42"] * 10, 32),
        ("nine-patch", ["42"] * 3, ["42"] * 5, 0 + 8),
        ("four-patch", ["42"] * 3, ["42"] * 2, 16),
        ("four-patch", ["42", "7"], ["42", "7"], (16 + 2) // 2),
        ("four-patch", ["42"], ["7"], 1),
        ("four-patch", ["42"], [], 0),
    ],
)
def test_sets_reckoned_by_hand(name: str, light: list[str], dark: list[str], blocks: int) -> None:
    problem = patches(name, light, dark)
    plan = solve(problem, Watch())
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (blocks, blocks)


@cache
def _most(light: tuple[int, ...], dark: tuple[int, ...], outer: int, middle: int) -> int:
    """The most blocks of nine-patches: every next set is tried, of the first strips left."""
    best = min(outer // 2, middle)
    for two, one, is_outer in ((dark, light, True), (light, dark, False)):
        # Longest first: a set is as short as its shortest strip.
        for skip_two in range(len(two) - 1):
            for skip_one in range(len(one)):
                pieces = min(two[skip_two + 1], one[skip_one])
                left_two = two[:skip_two] + two[skip_two + 2 :]
                left_one = one[:skip_one] + one[skip_one + 1 :]
                if is_outer:
                    best = max(best, _most(left_one, left_two, outer + pieces, middle))
                else:
                    best = max(best, _most(left_two, left_one, outer, middle + pieces))
    return best


@given(
    st.lists(st.sampled_from(LENGTHS), max_size=3), st.lists(st.sampled_from(LENGTHS), max_size=4)
)
def test_as_many_nine_patches_as_trying_every_set(light: list[str], dark: list[str]) -> None:
    problem = patches("nine-patch", light or ["3"], dark or ["3"])
    plan = solve(problem, Watch())
    assert faults(plan) == []
    counts = [
        tuple(sorted((int(Fraction(each) // Fraction(5, 2)) for each in side), reverse=True))
        for side in (light or ["3"], dark or ["3"])
    ]
    assert plan.blocks == plan.bound == _most(counts[0], counts[1], 0, 0)


@given(
    st.lists(st.sampled_from(LENGTHS), min_size=1, max_size=9),
    st.lists(st.sampled_from(LENGTHS), min_size=1, max_size=9),
    st.sampled_from(["nine-patch", "four-patch"]),
)
def test_kits_come_off_the_sets_and_no_wrong_plan_passes(
    light: list[str], dark: list[str], name: str
) -> None:
    problem = patches(name, light, dark)
    plan = solve(problem, Watch())
    kits = deal(plan).kits
    assert kit_faults(plan, kits) == []
    sewn = strip_sets(plan)
    for number, kind in enumerate(problem.kinds_of_sets):
        given_ = sum(each.segments for each in sewn if each.kind == number)
        assert given_ >= plan.blocks * kind.pieces
    if plan.blocks:
        more = replace(plan, blocks=plan.blocks + 1, bound=plan.blocks + 1)
        fewer = replace(plan, layouts=plan.layouts[:-1])
        assert faults(more)
        assert faults(fewer)
    longer = tuple(replace(f, length=f.length + 1) for f in problem.fabrics)
    assert solve(replace(problem, fabrics=longer), Watch()).blocks >= plan.blocks


def tubes(usable: str, accents: int, prints: int = 1) -> CuttingProblem:
    block = BlockChoice("tube-triangles").assembly(SEAM)
    roll = tuple(
        Fabric(
            f"p{n}",
            f"p{n}",
            Fraction(5, 2),
            Fraction(usable),
            10,
            frozenset({"strip"}),
            form=Form.STRIP,
        )
        for n in range(prints)
    )
    accent = Fabric(
        "accent",
        "accent",
        Fraction(usable),
        Fraction(21, 2) * accents,
        1,
        frozenset({"accent"}),
        form=Form.YARDAGE,
    )
    return CuttingProblem(block.needs, (*roll, accent), (), 1, block.sets)


@pytest.mark.parametrize(
    ("usable", "accents", "squares"),
    [("42", 2, 6), ("42", 1, 3), ("165/4", 2, 4), ("31", 2, 4), ("123/4", 2, 2), ("20", 2, 0)],
)
def test_a_tube_is_as_long_as_its_shortest_strip(usable: str, accents: int, squares: int) -> None:
    plan = solve(tubes(usable, accents), Watch())
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (squares, squares)
    sewn = strip_sets(plan)
    assert sum(each.segments for each in sewn) == squares
    assert all(len(each.strips) == 6 for each in sewn)


def test_every_other_square_of_a_tube_shows_the_strips_the_other_way_round() -> None:
    problem = replace(tubes("42", 1, prints=5), rules=(PrintRule(("strip",), same=False),))
    kits = deal(solve(problem, Watch())).kits
    assert len(kits) == 3
    assert kits[1][:5] == kits[0][:5][::-1] != kits[0][:5]
    assert kits[2] == kits[0]
    assert all(kit[5] == "accent" for kit in kits)


def test_what_no_sets_can_be_is_refused() -> None:
    strip = Need("A", "any", Fraction(5, 2), Fraction(5, 2), 3, crosscut=True)
    cloth = strips("any", ["42"])
    with pytest.raises(BadCutting, match="every piece"):
        CuttingProblem((strip,), cloth, sets=(StripSet(((0, 2),), 1),))
    with pytest.raises(BadCutting, match="cut into segments"):
        CuttingProblem((replace(strip, crosscut=False),), cloth, sets=(StripSet(((0, 3),), 1),))
    two = (strip, replace(strip, label="B", role="dark"))
    with pytest.raises(BadCutting, match="one role"):
        CuttingProblem(two, cloth, (PrintRule(("any", "dark"), same=False),))
    assert CuttingProblem(two, cloth).kinds_of_sets == (StripSet(((0, 3), (1, 3)), 1),)
