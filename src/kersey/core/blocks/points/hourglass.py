"""Hourglass: four triangles, two light and two dark; two units of a light square and a dark one.

Squares of f + 1 1/4 at a seam of 1/4; a half-square unit cut again loses 3/8.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Patch, Size
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT, hourglass_unit
from kersey.core.blocks.recipe import Options, Recipe, square_of


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    start, side = Fraction(0), finished[0]
    corners = ((start, start), (side, start), (side, side), (start, side))
    middle = (side / 2, side / 2)
    # Whichever triangle, it is of the one light square or the one dark.
    top, right, bottom, left = (
        Patch("square", (LIGHT, DARK)[n % 2], (corners[n], corners[(n + 1) % 4], middle), 0)
        for n in range(4)
    )
    unit = hourglass_unit("block", side, seam, (top, right, bottom, left), options)
    return Assembly(unit, finished)


RECIPE = Recipe(
    id="hourglass",
    title="Hourglass",
    finished=square_of(4),
    assemble=_assemble,
    tried=120,
    as_they_come=True,
    facts=Facts(
        made_from="Half-square triangles, placed light on dark and cut again.",
        difficulty=Difficulty.SOME,
        sides=(2, 10),
        suits="Two prints with clear contrast.",
        pressing=("Toward the dark, then spin the center.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "The center is off center",
                "Nest the two seams before you cut, and measure from where they cross.",
            ),
        ),
    ),
    about="Two light and two dark triangles that meet at a point. Two squares make two.",
)
