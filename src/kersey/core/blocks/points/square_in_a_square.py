"""Square in a square: a square on point, with a triangle over each of its corners.

Finished F: a square of F with four squares flipped over its corners, leg F/2, so that they meet in
the middle of each side. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Patch, Size
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.flipped import flipped_corners
from kersey.core.blocks.half_squares import DARK, LIGHT
from kersey.core.blocks.recipe import Options, Recipe, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    side, half, start = finished[0], finished[0] / 2, Fraction(0)
    middle = Patch("square", DARK, ((half, start), (side, half), (half, side), (start, half)))
    return Assembly(flipped_corners("block", middle, finished, half, seam, LIGHT), finished)


RECIPE = Recipe(
    id="square-in-a-square",
    title="Square in a square",
    finished=square_of(6),
    assemble=_assemble,
    facts=Facts(
        made_from="One square with four flipped corners.",
        difficulty=Difficulty.FIRST,
        sides=(2, 10),
        suits="Charm squares of a feature print in a plain background.",
        pressing=("Toward the corners.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "The square's points are cut off",
                "Sew a hair toward the corner side of the diagonal, and check one before the rest.",
            ),
        ),
    ),
    about="A square on point, framed by four triangles.",
)
