"""Blocks, plain squares and triangles fill the body of every setting."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.setting import BlockGrid, Setting, suiting

F = Fraction
SEAM = F(1, 4)
GRIDS = st.builds(BlockGrid, st.integers(1, 9), st.integers(1, 9), st.sampled_from(Setting))


@given(GRIDS, st.integers(8, 100))
def test_all_of_the_body_is_covered(grid: BlockGrid, eighths: int) -> None:
    side = F(eighths, 8)
    width, length = grid.body((side, side))
    plain = len(grid.plain_seats) * side**2 + grid.side_triangles * side**2 / 2
    corners = side**2 if grid.setting is Setting.ON_POINT else 0
    covered = grid.blocks * side**2 + plain + corners
    # Of a body on point up to an eighth is trimmed off each way.
    assert covered - (width + length) / 8 <= width * length <= covered


@given(GRIDS, st.integers(8, 100))
def test_plain_pieces_are_large_enough(grid: BlockGrid, eighths: int) -> None:
    """A triangle of legs f needs 2s + s x 1.414 more along its legs: then its seams are in it."""
    side = F(eighths, 8)
    pieces = {piece.name: piece for piece in grid.plain_pieces((side, side), SEAM)}
    allowance = float(SEAM) * (2 + 2**0.5)
    for piece in pieces.values():
        assert piece.cut_width == piece.cut_length
    if "square for side triangles" in pieces:
        piece = pieces["square for side triangles"]
        # Cut twice, its side becomes the long side of each triangle.
        assert float(piece.cut_width) >= (float(side) + allowance) * 2**0.5
        assert 4 * piece.count >= grid.side_triangles > 4 * (piece.count - 1)
    if "square for corner triangles" in pieces:
        assert (
            float(pieces["square for corner triangles"].cut_width)
            >= float(side) / 2**0.5 + allowance
        )


def test_worked_figures() -> None:
    """docs/trade.md section 5: blocks of 12 on point take squares of 18 1/4 and 9 3/8."""
    grid = BlockGrid(5, 4, Setting.ON_POINT)
    cut = [(p.count, p.cut_width) for p in grid.plain_pieces((F(12), F(12)), SEAM)]
    assert cut == [(4, F(18) + F(1, 4)), (2, F(9) + F(3, 8))]
    assert (grid.blocks, grid.side_triangles) == (32, 14)


@pytest.mark.parametrize("setting", Setting)
def test_only_a_square_lies_on_its_corner(setting: Setting) -> None:
    assert suiting(setting, (F(6), F(6))) is setting
    oblong = suiting(setting, (F(6), F(9)))
    assert oblong is (Setting.STRAIGHT if setting is Setting.ON_POINT else setting)


@pytest.mark.parametrize(
    ("side", "rows", "columns", "finished"),
    [(F(19, 2), 8, 7, (F(133, 2), F(76))), (F(45, 4), 6, 5, (F(225, 4), F(135, 2)))],
)
def test_worked_sizes(side: F, rows: int, columns: int, finished: tuple[F, F]) -> None:
    """56 blocks of 9 1/2 as 7 x 8 are 66 1/2 x 76; 30 of 11 1/4 as 5 x 6 are 56 1/4 x 67 1/2."""
    assert BlockGrid(rows, columns).body((side, side)) == finished
