"""Plain square: one piece, straight from a charm square or cut from anything.

u = f + 2s: a charm square of 5 is 4 1/2 finished. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of
from kersey.core.cutting.problem import ANY


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    square = rectangle("square", ANY, Fraction(0), Fraction(0), *finished)
    return Assembly(piece(square, seam), finished)


RECIPE = Recipe(
    id="plain-square",
    title="Plain square",
    finished=square_of(Fraction(9, 2)),
    assemble=_assemble,
    tried=200,
    facts=Facts(
        made_from="One square.",
        difficulty=Difficulty.FIRST,
        sides=(2, 12),
        suits="Charm squares, ten-inch squares, large prints you don't want to cut up.",
        pressing=("Alternate rows left and right so the seams nest.",),
        cautions=(CUTTER,),
        mistakes=(("Matching prints touch", "Lay out all the squares before you sew."),),
    ),
    about="One square, so you only sew rows. Charm squares need no cutting.",
)
