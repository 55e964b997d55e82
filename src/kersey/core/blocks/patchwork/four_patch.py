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
        made_from="Two light and two dark squares, or strip sets cut into pairs.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Charm and mini squares; strips that contrast.",
        pressing=("Toward the dark, so the center nests.", "Spin the center seam so it lies flat."),
        cautions=(CUTTER,),
        mistakes=(
            (
                "The center doesn't meet",
                ("Press both pairs toward the dark and nest the seams before you sew."),
            ),
        ),
    ),
    about=(
        "Two light and two dark squares, set diagonally. Charm squares need no cutting. From "
        "strips, sew a light and a dark into a strip set and cut it into pairs."
    ),
)
