"""Every block through the same invariants: patches tile it, cut sizes follow from what shows."""

from collections import Counter
from fractions import Fraction
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.flipped import FLIPPED
from kersey.core.blocks.half_squares import EIGHT_AT_A_TIME, FOUR_AT_A_TIME, TWO_AT_A_TIME
from kersey.core.blocks.no_waste_geese import FOUR_GEESE
from kersey.core.blocks.recipe import BadRecipe, Recipe
from kersey.core.blocks.techniques.cut_apart_nine_patch import QUARTERED
from kersey.core.blocks.techniques.slant_bar import SLANT
from kersey.core.blocks.techniques.string_block import COVERING
from kersey.core.blocks.techniques.tube_triangles import SWUNG

SEAM = Fraction(1, 4)
# Where squares are sewn before they are cut apart, or flipped, what shows is not what was cut.
NOT_AS_CUT = {
    TWO_AT_A_TIME,
    FOUR_AT_A_TIME,
    EIGHT_AT_A_TIME,
    QUARTERED,
    FLIPPED,
    SLANT,
    SWUNG,
    COVERING,
    FOUR_GEESE,
}
# (recipe, options, finished side or sides, cut sizes): sizes of handbook section 3.
HANDBOOK = [
    (
        "log-cabin",
        {},
        "19/2",
        "5/2x7/4 7/4x15/4 5x7/4 7/4x25/4 15/2x7/4 7/4x35/4 5/2x5/2 15/4x7/4 "
        "7/4x5 25/4x7/4 7/4x15/2 35/4x7/4 7/4x10",
    ),
    ("two-bar", {}, "4", "5/2x9/2 5/2x9/2"),
    ("window-brick", {}, "6 9", "5/2x19/2 5/2x5/2 5/2x5/2 5/2x3/2"),
    ("pinwheel", {}, "8", "39/8x39/8 39/8x39/8"),
    ("pinwheel", {"method": "four at a time"}, "12", "39/4x39/4 39/4x39/4"),
    ("pinwheel", {"method": "eight at a time"}, "8", "39/4x39/4 39/4x39/4"),
    ("half-square", {}, "6", "55/8x55/8 55/8x55/8"),
    ("half-square", {"method": "four at a time"}, "5/2", "19/4x19/4 19/4x19/4"),
    ("half-square", {"method": "eight at a time"}, "4", "39/4x39/4 39/4x39/4"),
    ("hourglass", {}, "4", "21/4x21/4 21/4x21/4"),
    ("arrow", {}, "12", "39/4x39/4 39/4x39/4"),
    ("cut-apart-hourglass", {}, "45/4", "79/8x79/8 79/8x79/8"),
    ("plain-square", {}, "9/2", "5x5"),
    ("four-patch", {}, "9", "5x5 5x5"),
    ("stripe", {}, "6", "5/2x13/2"),
    ("stripe", {"half": True, "bars": 4}, "6", "7/2x13/2 2x7/2"),
    ("slant-bar", {}, "25/4 2", "5/2x15/2 5/2x15/2"),
    ("brick", {}, "6 9", "13/2x19/2"),
    ("brick", {"windows": 2}, "6 9", "5/2x19/2 5/2x5/2 5/2x5/2 5/2x3/2"),
    ("cut-apart-nine-patch", {}, "13", "5x5 5x5 5x5"),
    ("spool", {}, "12", "5/2x13/2 7/2x13/2 7/2x7/2 25/2x7/2"),
    ("rails", {}, "6", "5/2x13/2"),
    ("shoo-fly", {}, "9", "31/8x31/8 31/8x31/8 7/2x7/2 7/2x7/2"),
    ("churn-dash", {}, "9", "31/8x31/8 31/8x31/8 7/2x2 7/2x2 7/2x7/2"),
    ("sawtooth-star", {}, "8", "5/2x5/2 9/2x5/2 5/2x5/2 9/2x9/2"),
    ("flying-geese", {}, "4 8", "9/2x5/2 5/2x5/2"),
    # Four from one of f + 1 1/4 and four of half of f + 7/8.
    ("flying-geese", {"method": "four at a time"}, "4 8", "21/4x21/4 23/8x23/8"),
    ("sawtooth-star", {"method": "four at a time"}, "8", "5/2x5/2 21/4x21/4 23/8x23/8 9/2x9/2"),
    ("sawtooth-star", {"method": "four at a time"}, "12", "7/2x7/2 29/4x29/4 31/8x31/8 13/2x13/2"),
    ("square-in-a-square", {}, "6", "13/2x13/2 7/2x7/2"),
    ("snowball", {}, "6", "13/2x13/2 5/2x5/2"),
    ("ohio-star", {}, "12", "9/2x9/2 9/2x9/2 21/4x21/4 21/4x21/4"),
    ("corner-log-cabin", {"rounds": 2}, "6", "5/2x5/2 5/2x5/2 5/2x9/2 9/2x5/2 5/2x13/2"),
]


@pytest.mark.parametrize("name, options, finished, cut", HANDBOOK)
def test_cut_sizes_are_those_of_the_trade(
    name: str, options: dict[str, bool | int | str], finished: str, cut: str
) -> None:
    sides = [Fraction(side) for side in finished.split()]
    recipe = recipes()[name]
    found = recipe.assemble((sides[0], sides[-1]), {**recipe.options, **options}, SEAM)
    wanted = Counter(tuple(sorted(map(Fraction, size.split("x")))) for size in cut.split())
    assert Counter(tuple(sorted((n.width, n.height))) for n in found.needs) == wanted


@pytest.mark.parametrize("recipe", recipes().values(), ids=lambda recipe: recipe.id)
@given(
    st.fractions(Fraction(5), Fraction(20), max_denominator=8),
    st.sampled_from([SEAM, Fraction(3, 8), 2 * SEAM]),
)
def test_patches_tile_the_block_and_are_what_is_cut(
    recipe: Recipe, side: Fraction, seam: Fraction
) -> None:
    finished = (side, side * recipe.finished[1] / recipe.finished[0])
    try:
        cut = recipe.assemble(finished, recipe.options, seam)
    except BadRecipe:
        return
    assert sum(patch.area for patch in cut.patches) == finished[0] * finished[1]
    assert not any(
        _overlap(one, other)
        for place, one in enumerate(cut.patches)
        for other in cut.patches[place + 1 :]
    )
    shown = Counter((patch.label, patch.role) for patch in cut.patches)
    assert set(shown) == {(need.label, need.role) for need in cut.needs}
    if NOT_AS_CUT & {make.how for make in cut.makes}:
        return
    for need in cut.needs:
        assert shown[(need.label, need.role)] == need.count
        for patch in cut.patches:
            if (patch.label, patch.role) == (need.label, need.role):
                assert patch.area == (need.width - 2 * seam) * (need.height - 2 * seam)


def _overlap(one: Patch, other: Patch) -> bool:
    """Whether two convex patches share more than an edge: no side of either parts them."""
    for first, second in ((one, other), (other, one)):
        corners = first.corners
        for (x, y), (u, v) in pairwise((*corners, corners[0])):
            turn = [(u - x) * (q - y) - (v - y) * (p - x) for p, q in (*corners, *second.corners)]
            own, others = turn[: len(corners)], turn[len(corners) :]
            if max(own) <= 0 <= min(others) or max(others) <= 0 <= min(own):
                return False
    return True
