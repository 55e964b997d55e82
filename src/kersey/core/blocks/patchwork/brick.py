"""Brick: a solid rectangle, or one with windows; the two kinds alternate.

Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.patchwork.window_brick import FRAME, with_windows
from kersey.core.blocks.recipe import Options, Recipe, rectangle, whole


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
        made_from="One rectangle, plain or with windows.",
        difficulty=Difficulty.FIRST,
        sides=(4, 14),
        suits="Large prints, next to window bricks.",
        pressing=("Each row the opposite way from the last.",),
        cautions=(CUTTER,),
        mistakes=(("Bricks of different heights", "Cut them all at one ruler setting."),),
    ),
    about="A one-piece rectangle. With window bricks, the two kinds alternate.",
)
