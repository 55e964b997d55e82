"""Units of two squares: what is cut is enough at any seam, and hardly more."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.half_squares import (
    AT_A_TIME,
    EIGHT,
    FOUR,
    METHODS,
    TWO,
    half_square_unit,
    hourglass_unit,
    method_of,
    raw_unit,
    square_cut,
    square_for,
)
from kersey.core.blocks.recipe import SQUARE, BadRecipe
from kersey.core.measure.root2 import Root2

EIGHTH = Fraction(1, 8)
sizes = st.fractions(1, 14, max_denominator=16)
seams = st.sampled_from([EIGHTH, Fraction(1, 4), Fraction(5, 16), Fraction(3, 8), Fraction(1, 2)])
LIGHT = Patch("square", "light", ((Fraction(0),) * 2,) * 3)
DARK = Patch("square", "dark", ((Fraction(0),) * 2,) * 3)


@given(st.sampled_from(METHODS), sizes, seams)
def test_units_come_off_large_enough_and_an_eighth_less_would_not_do(
    method: str, unfinished: Fraction, seam: Fraction
) -> None:
    side = square_for(method, unfinished, seam)
    assert raw_unit(method, side, seam).at_least(unfinished)
    # Of eight at a time each half of the square is rounded up by itself.
    less = side - EIGHTH * (2 if method == EIGHT else 1)
    assert not raw_unit(method, less, seam).at_least(unfinished)


@given(st.sampled_from(METHODS), sizes, seams)
def test_a_unit_is_what_its_patches_and_squares_say(
    method: str, shows: Fraction, seam: Fraction
) -> None:
    unit = half_square_unit("unit", method, shows, seam, (LIGHT, DARK))
    assert unit.size == (shows + 2 * seam, shows + 2 * seam)
    assert unit.gives == AT_A_TIME[method]
    assert [part.make.role for part in unit.of] == ["light", "dark"]
    assert unit.raw is not None
    # The cloth of both squares covers all units that come of them.
    cut = sum(part.count * part.make.size[0] * part.make.size[1] for part in unit.of)
    assert cut > unit.gives * unit.size[0] * unit.size[1]


@given(sizes, seams)
def test_an_hourglass_loses_twice_what_a_half_square_loses(shows: Fraction, seam: Fraction) -> None:
    unit = hourglass_unit("unit", shows, seam, (LIGHT, DARK, LIGHT, DARK))
    half = unit.of[0].make
    assert unit.raw is not None
    assert half.raw is not None
    assert unit.raw.at_least(shows + 2 * seam)
    assert half.raw - unit.raw == Root2(root=seam)
    assert half.raw.at_least(half.size[0])
    assert (unit.gives, half.gives, unit.of[0].count) == (2, 2, 2)


@pytest.mark.parametrize(
    ("at_hand", "cut"), [("10", "10"), ("9", "39/4"), ("43/4", "43/4"), ("11", "39/4")]
)
def test_squares_a_little_too_large_are_used_as_they_come(at_hand: str, cut: str) -> None:
    needed = square_for(FOUR, Fraction(13, 2), Fraction(1, 4))
    assert square_cut({SQUARE: Fraction(at_hand)}, needed) == Fraction(cut)
    assert square_cut({}, needed) == needed


def test_another_way_of_making_them_is_refused() -> None:
    assert method_of({"method": TWO}) == TWO
    with pytest.raises(BadRecipe, match="two at a time, four at a time") as refused:
        method_of({"method": "six at a time"})
    assert refused.value.field == "block.options.method"
