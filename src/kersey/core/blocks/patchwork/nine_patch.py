"""Nine-patch: three rows of three squares, five of one side and four of the other.

patch = finished / 3 + 2s
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, crosscut, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import (
    OF_SETS,
    OF_SQUARES,
    SQUARES_OR_SETS,
    Options,
    OtherWay,
    Recipe,
    rectangle,
    square_of,
)

# Which of the light or dark squares each is, row by row: those of the outer rows come first.
_PIECES = ((0, 0, 1), (2, 4, 3), (2, 1, 3))


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    side, join = finished[0] / 3, crosscut if options["method"] == OF_SETS else sewn

    def square(row: int, column: int) -> Make:
        which = ("A", "dark") if (row + column) % 2 == 0 else ("B", "light")
        patch = rectangle(*which, column * side, row * side, side, side)
        return piece(replace(patch, piece=_PIECES[row][column]), seam)

    rows = [
        join("middle row" if row == 1 else "outer row", seam, *(square(row, n) for n in range(3)))
        for row in range(3)
    ]
    return Assembly(sewn("block", seam, *rows), finished)


RECIPE = Recipe(
    id="nine-patch",
    title="Nine-patch",
    finished=square_of(6),
    assemble=_assemble,
    tried=2,
    options={"method": OF_SQUARES},
    choices={"method": SQUARES_OR_SETS},
    other_way=OtherWay("method", OF_SQUARES, OF_SETS),
    facts=Facts(
        made_from="Five squares of one value and four of the other.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Mini squares, strips, small prints.",
        pressing=(
            "Toward the dark: outer rows outward, middle row inward.",
            "Open, for small squares.",
        ),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Rows of different lengths",
                "Press before you measure, and don't trim until all rows match.",
            ),
        ),
    ),
    about=(
        "Five dark squares and four light. From strips, sew two kinds "
        "of strip sets and cut them into rows."
    ),
)
