"""Two-bar unit: two bars side by side, each w x (2w - 2s) as cut, so that the unit is square.

finished = 2 (w - 2s); w = 2 1/2 gives 4 1/2 unfinished. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    side, start = finished[0], Fraction(0)
    light = piece(rectangle("bar", "light", start, start, side / 2, side), seam)
    dark = piece(rectangle("bar", "dark", side / 2, start, side / 2, side), seam)
    return Assembly(sewn("block", seam, light, dark), finished)


RECIPE = Recipe(
    id="two-bar",
    title="Two-strip square",
    finished=square_of(4),
    assemble=_assemble,
    tried=3,
    facts=Facts(
        made_from="Two bars, each about twice as long as it is wide.",
        difficulty=Difficulty.FIRST,
        sides=(2, 8),
        suits="Strip rolls, strings of one width.",
        pressing=("Toward the dark.", "Always toward the second bar."),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Vertical and horizontal units don't match",
                "The unit must be square. Measure before you turn it.",
            ),
        ),
    ),
    about="A light bar and a dark bar that make a square.",
)
