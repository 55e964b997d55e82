"""Four-patch: two light squares and two dark ones, crosswise.

A square is cut f / 2 + 2s: charm squares of 5 make blocks of 9, mini squares of 2 1/2 blocks of 4.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, piece, sewn
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    half = finished[0] / 2

    def square(row: int, column: int) -> Make:
        role = "light" if row == column else "dark"
        return piece(rectangle("square", role, column * half, row * half, half, half), seam)

    # Both pairs are sewn alike; the second is turned.
    rows = [sewn("pair", seam, square(row, row), square(row, 1 - row)) for row in (0, 1)]
    return Assembly(sewn("block", seam, *rows), finished)


RECIPE = Recipe(
    id="four-patch",
    title="Four-patch",
    finished=square_of(9),
    assemble=_assemble,
    tried=5,
    about="Two light and two dark squares crosswise; charm squares are used as they come.",
)
