"""Pinwheel: four half-square triangle units, each half light and half dark, turning round a point.

Of two squares come two units, four, or eight: of eight two blocks. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Patch, Size, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import (
    DARK,
    LIGHT,
    METHODS,
    TWO,
    half_square_unit,
    method_of,
    untrimmed_notes,
)
from kersey.core.blocks.recipe import Options, Recipe, square_of


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    method = method_of(options)
    units = [_unit(place, finished[0] / 2, seam, method) for place in range(4)]
    top, bottom = sewn("half", seam, *units[:2]), sewn("half", seam, units[3], units[2])
    return Assembly(sewn("block", seam, top, bottom), finished)


def _unit(place: int, shows: Fraction, seam: Fraction, method: str) -> Make:
    """The unit at a corner of the block, clockwise from the top left."""
    start, end = Fraction(0), 2 * shows
    centre = (shows, shows)
    corners = ((start, start), (end, start), (end, end), (start, end))
    mids = ((shows, start), (end, shows), (shows, end), (start, shows))
    corner, after, before = corners[place], mids[place], mids[place - 1]
    # Two units come from one pair of squares, or all four.
    number = place // 2 if method == TWO else 0
    light = Patch("square", LIGHT, (corner, after, centre), number)
    dark = Patch("square", DARK, (corner, centre, before), number)
    return half_square_unit("half-square unit", method, shows, seam, (light, dark))


RECIPE = Recipe(
    id="pinwheel",
    title="Pinwheel",
    finished=square_of(8),
    assemble=_assemble,
    tried=4,
    options={"method": TWO},
    choices={"method": METHODS},
    notes=untrimmed_notes,
    facts=Facts(
        made_from="Four half-square triangles spinning around the center.",
        difficulty=Difficulty.SOME,
        sides=(4, 12),
        suits="Charm and ten-inch squares.",
        pressing=("Toward the dark; spin the last seam.", "Open."),
        cautions=(STARCH,),
        mistakes=(
            ("The points are cut off", "Leave a seam allowance past every point when you trim."),
            ("One unit turned the wrong way", "Lay out all four before you sew."),
        ),
    ),
    about="Four half-square triangles, made from squares sewn in pairs and cut apart.",
)
