"""Nine-patch: three rows of three squares, five of one side and four of the other.

patch = finished / 3 + 2s
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, piece, sewn
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    side = finished[0] / 3

    def square(row: int, column: int) -> Make:
        which = ("A", "dark") if (row + column) % 2 == 0 else ("B", "light")
        return piece(rectangle(*which, column * side, row * side, side, side), seam)

    rows = [
        sewn("middle row" if row == 1 else "outer row", seam, *(square(row, n) for n in range(3)))
        for row in range(3)
    ]
    return Assembly(sewn("block", seam, *rows), finished)


RECIPE = Recipe(
    id="nine-patch",
    title="Nine-patch",
    finished=square_of(6),
    assemble=_assemble,
    tried=2,
    about="Five dark squares and four light ones.",
)
