"""Shoo-fly: a square, four plain sides, and four half-square units with the dark inward.

On a grid of three; the units come two, four or eight at a time. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, in_three_rows, piece
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT, METHODS, TWO, corner_units, untrimmed_notes
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    unit = finished[0] / 3
    corners = corner_units(finished[0], unit, seam, options)
    sides = [
        piece(rectangle("side", LIGHT, x * unit, y * unit, unit, unit), seam)
        for x, y in ((1, 0), (0, 1), (2, 1), (1, 2))
    ]
    middle = piece(rectangle("middle", DARK, unit, unit, unit, unit), seam)
    return Assembly(in_three_rows(seam, corners, sides, middle), finished)


RECIPE = Recipe(
    id="shoo-fly",
    title="Shoo-fly",
    finished=square_of(9),
    assemble=_assemble,
    options={"method": TWO},
    choices={"method": METHODS},
    notes=untrimmed_notes,
    facts=Facts(
        made_from="A center, four sides and four half-square triangles.",
        difficulty=Difficulty.FIRST,
        sides=(4, 12),
        suits="Two prints that differ clearly; charm squares for small ones.",
        pressing=("Toward the plain squares.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "A corner turned the wrong way",
                "Lay out all nine squares before you sew: the dark points to the center.",
            ),
        ),
    ),
    about="A dark square with a dark triangle reaching for each corner.",
)
