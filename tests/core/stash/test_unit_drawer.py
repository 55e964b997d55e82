"""Units on a grid: what fits, and which strips fill up what does not."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.print_names import made_up_prints
from kersey.core.stash.unit_drawer import BadGrid, UnitsOfASize, on_grid, strips_to_cut

SEAM = Fraction(1, 4)
sides = st.integers(4, 60).map(lambda n: Fraction(n, 4))


def units(width: Fraction, length: Fraction, count: int = 1) -> UnitsOfASize:
    return UnitsOfASize(width, length, ((made_up_prints(1)[0], count),), ("drawer",))


# docs/trade.md section 5: 4, 8 x 12 and 12 x 12 fit a grid of 4.
@pytest.mark.parametrize(
    ("size", "squares"), [((4, 4), (1, 1)), ((8, 12), (2, 3)), ((12, 12), (3, 3))]
)
def test_multiples_fit(size: tuple[int, int], squares: tuple[int, int]) -> None:
    on = on_grid(units(Fraction(size[0]), Fraction(size[1])), Fraction(4), SEAM)
    assert on is not None
    assert on.fits
    assert (on.columns, on.rows) == squares
    assert strips_to_cut([on], Fraction(4), SEAM) == {}


# Three units of 5 x 6 on a grid of 3: a strip that shows 1, cut 1 1/2, along each side of 6 1/2.
# Two of 5 x 8 take one at the end too, over the 6 that it is wide by then.
def test_strips_by_hand() -> None:
    both = [
        on_grid(units(Fraction(5), Fraction(side), count), Fraction(3), SEAM)
        for side, count in ((6, 3), (8, 2))
    ]
    cut = strips_to_cut([on for on in both if on is not None], Fraction(3), SEAM)
    wide = Fraction(3, 2)
    assert cut == {(wide, Fraction(17, 2)): 2, (wide, Fraction(13, 2)): 3 + 2}


@given(sides, sides, st.integers(4, 96).map(lambda n: Fraction(n, 4)))
def test_a_unit_with_its_strips_covers_whole_squares(
    one: Fraction, other: Fraction, grid: Fraction
) -> None:
    width, length = sorted((one, other))
    on = on_grid(units(width, length), grid, SEAM)
    if on is None:
        lacks = [-(-side // grid) * grid - side for side in (width, length)]
        assert max(lacks) > 3
        return
    across = max(Fraction(0), on.strip_across - 2 * SEAM)
    down = max(Fraction(0), on.strip_down - 2 * SEAM)
    assert (width + across, length + down) == (on.columns * grid, on.rows * grid)
    sewn = sum(cut[0] * cut[1] * n for cut, n in strips_to_cut([on], grid, SEAM).items())
    assert (sewn > 0) is not on.fits


def test_no_grid_is_refused() -> None:
    with pytest.raises(BadGrid):
        on_grid(units(Fraction(3), Fraction(3)), Fraction(1, 2), SEAM)
