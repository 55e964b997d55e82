"""Brick: a solid rectangle, or one with windows; the two kinds alternate.

Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, rectangle, whole
from kersey.core.blocks.window_brick import FRAME, with_windows


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    windows = whole(options, "windows", 0, 6)
    if windows:
        return with_windows(finished, windows, options, seam)
    solid = rectangle("brick", FRAME, Fraction(0), Fraction(0), *finished)
    return Assembly(piece(solid, seam), finished)


RECIPE = Recipe(
    id="brick",
    title="Brick",
    finished=(Fraction(6), Fraction(9)),
    assemble=_assemble,
    tried=210,
    options={"windows": 0, "window": Fraction(2), "sill": Fraction(1)},
    facts=Facts(
        made_from="One rectangle, or one with windows.",
        difficulty=Difficulty.FIRST,
        sides=(4, 14),
        suits="Large prints; window bricks beside it.",
        pressing=("Row by row to opposite sides.",),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Bricks of unlike height",
                "Cut all from one setting of the ruler.",
            ),
        ),
    ),
    about="A rectangle in one piece; laid among window bricks the two kinds alternate.",
)
