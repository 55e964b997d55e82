"""Snowball: a square with its four corners cut off by small triangles.

Finished F: a square of F with four squares flipped over its corners, leg F/3; beside a nine-patch
the triangles carry on its corners. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Patch, Size
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.flipped import flipped_corners
from kersey.core.blocks.half_squares import DARK, LIGHT
from kersey.core.blocks.recipe import Options, Recipe, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    side, leg, start = finished[0], finished[0] / 3, Fraction(0)
    far = side - leg
    ball = Patch(
        "ball",
        LIGHT,
        (
            (leg, start),
            (far, start),
            (side, leg),
            (side, far),
            (far, side),
            (leg, side),
            (start, far),
            (start, leg),
        ),
    )
    return Assembly(flipped_corners("block", ball, finished, leg, seam, DARK), finished)


RECIPE = Recipe(
    id="snowball",
    title="Snowball",
    finished=square_of(6),
    assemble=_assemble,
    facts=Facts(
        made_from="One square with four small flipped corners.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Large prints; corners from leftovers. Good beside nine-patches.",
        pressing=("Toward the corners.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "Corners of uneven size",
                "Draw the diagonal on each small square, and sew on the line.",
            ),
        ),
    ),
    about="A square with its corners cut off, so that it reads as a ball.",
)
