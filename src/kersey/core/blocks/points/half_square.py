"""Half-square unit: a light triangle and a dark one; two, four or eight of two squares.

Ten-inch squares sewn all round give units of 6.72, trimmed to 6 1/2; charm squares give 3.18,
trimmed to 3. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size
from kersey.core.blocks.facts import CUTTER, STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import (
    DARK,
    LIGHT,
    METHODS,
    TWO,
    half_square_unit,
    method_of,
    untrimmed_notes,
)
from kersey.core.blocks.recipe import Options, Recipe, square_of, triangle


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    start, side = Fraction(0), finished[0]
    low, high = (start, side), (side, start)
    light = triangle("square", LIGHT, (start, start), high, low)
    dark = triangle("square", DARK, high, (side, side), low)
    unit = half_square_unit("block", method_of(options), side, seam, (light, dark), options)
    return Assembly(unit, finished)


RECIPE = Recipe(
    id="half-square",
    title="Half-square triangle",
    finished=square_of(6),
    assemble=_assemble,
    tried=120,
    as_they_come=True,
    options={"method": TWO},
    choices={"method": METHODS},
    notes=untrimmed_notes,
    facts=Facts(
        made_from="A light and a dark square, sewn along the diagonals or edges and cut apart.",
        difficulty=Difficulty.FIRST,
        sides=(2, 10),
        suits="Charm and ten-inch squares; any contrast.",
        pressing=("Toward the dark. Trim the dog-ears.", "Open, where eight points meet."),
        cautions=(STARCH, CUTTER),
        mistakes=(
            (
                "Units come out too small",
                "Sew a scant quarter inch, or cut larger and trim, matching the diagonal.",
            ),
        ),
    ),
    about="Half light, half dark. One light and one dark square make two, four or eight.",
)
