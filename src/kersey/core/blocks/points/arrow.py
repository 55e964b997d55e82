"""Arrow: four half-square triangle units, two points one above the other.

Four at a time, a light and a dark ten-inch square make one block of 12; its units must be trimmed
to 6 1/2 first, or the block comes out at 12.43. Source: docs/trade.md section 3.
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import (
    DARK,
    FOUR,
    LIGHT,
    METHODS,
    TWO,
    half_square_unit,
    method_of,
    untrimmed_notes,
)
from kersey.core.blocks.recipe import Options, Recipe, square_of, triangle


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    shows = finished[0] / 2
    points = [
        sewn("point", seam, *(_unit(row, right, shows, seam, options) for right in (False, True)))
        for row in (0, 1)
    ]
    return Assembly(sewn("block", seam, *points), finished)


def _unit(row: int, right: bool, shows: Fraction, seam: Fraction, options: Options) -> Make:
    """A half of a point: dark below its slope, light above."""
    method = method_of(options)
    # Two at a time each point is of one pair of squares.
    top, bottom, outer = row * shows, (row + 1) * shows, 2 * shows if right else Fraction(0)
    tip, foot, corner = (shows, top), (shows, bottom), (outer, bottom)
    number = row if method == TWO else 0
    above = replace(triangle("square", LIGHT, (outer, top), tip, corner), piece=number)
    below = replace(triangle("square", DARK, tip, foot, corner), piece=number)
    return half_square_unit("half-square unit", method, shows, seam, (above, below), options)


RECIPE = Recipe(
    id="arrow",
    title="Arrow",
    finished=square_of(12),
    assemble=_assemble,
    as_they_come=True,
    options={"method": FOUR},
    choices={"method": METHODS},
    notes=untrimmed_notes,
    facts=Facts(
        made_from="Four half-square triangles that point one way.",
        difficulty=Difficulty.SOME,
        sides=(6, 16),
        suits="Ten-inch squares: four units from one pair make a 12″ block.",
        pressing=("Toward the dark.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "Left untrimmed",
                "Untrimmed 6.72″ units make 12.43″ blocks. Trim all of them or none.",
            ),
        ),
    ),
    about="Two stacked points made from half-square triangles. Turn blocks to make chevrons.",
)
