"""Four-patch: two light squares and two dark ones, crosswise.

A square is cut f / 2 + 2s: charm squares of 5 make blocks of 9, mini squares of 2 1/2 blocks of 4.
Source: docs/trade.md section 3.
"""

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


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    half, join = finished[0] / 2, crosscut if options["method"] == OF_SETS else sewn

    def square(row: int, column: int) -> Make:
        role = "light" if row == column else "dark"
        return piece(rectangle("square", role, column * half, row * half, half, half), seam)

    # Both pairs are sewn alike; the second is turned.
    rows = [join("pair", seam, square(row, row), square(row, 1 - row)) for row in (0, 1)]
    return Assembly(sewn("block", seam, *rows), finished)


RECIPE = Recipe(
    id="four-patch",
    title="Four-patch",
    finished=square_of(9),
    assemble=_assemble,
    tried=5,
    options={"method": OF_SQUARES},
    choices={"method": SQUARES_OR_SETS},
    other_way=OtherWay("method", OF_SQUARES, OF_SETS),
    facts=Facts(
        made_from="Two light and two dark squares, or strips of them sewn into sets.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Charm and mini squares; strips that contrast.",
        pressing=(
            "To the dark: then the middle nests.",
            "Twirl the middle seam, and it lies flat.",
        ),
        cautions=(CUTTER,),
        mistakes=(
            (
                "The points in the middle do not meet",
                (
                    "Press both pairs to the dark and push the seams against each other "
                    "before you sew."
                ),
            ),
        ),
    ),
    about=(
        "Two light and two dark squares crosswise; charm squares are used as they come. From "
        "strips, a light and a dark one are sewn into a set and crosscut into pairs."
    ),
)
