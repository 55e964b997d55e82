"""Pinwheel: four half-square triangle units, each half light and half dark, turning round a point.

Two at a time: two squares of f + 7/8 give two units, f what shows of one unit; exact, whatever the
seam, when 7/8 is read as 2s + 3/8. Four at a time: two squares S sewn all round give four units of
(S - 2s) / sqrt 2, so S is the next eighth that is enough; their outer edges are on the bias.
Source: docs/trade.md section 3.
"""

from fractions import Fraction
from math import isqrt

from kersey.core.blocks.assembly import Assembly, How, Make, Patch, Size, counted_parts, sewn
from kersey.core.blocks.recipe import BadRecipe, Options, Recipe, square_of
from kersey.core.measure.length import EIGHTH

LIGHT, DARK = "light", "dark"
TWO, FOUR = "two at a time", "four at a time"
# A seam of s, sewn each side of the diagonal, takes 2s and the points of two more seams.
_POINTS = Fraction(3, 8)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    shows = finished[0] / 2
    if options["method"] not in (TWO, FOUR):
        raise BadRecipe("block.options.method", f"one of {TWO}, {FOUR}.")
    two = options["method"] == TWO
    side = shows + 2 * seam + _POINTS if two else _all_round(shows + 2 * seam, seam)
    units = [_unit(place, shows, side, seam, two) for place in range(4)]
    top, bottom = sewn("half", seam, *units[:2]), sewn("half", seam, units[3], units[2])
    return Assembly(sewn("block", seam, top, bottom), finished)


def _unit(place: int, shows: Fraction, side: Fraction, seam: Fraction, two: bool) -> Make:
    """The unit at a corner of the block, clockwise from the top left."""
    start, end = Fraction(0), 2 * shows
    centre = (shows, shows)
    corners = ((start, start), (end, start), (end, end), (start, end))
    mids = ((shows, start), (end, shows), (shows, end), (start, shows))
    corner, after, before = corners[place], mids[place], mids[place - 1]
    # Two units come from one pair of squares, or all four.
    number = place // 2 if two else 0
    light = Patch("square", LIGHT, (corner, after, centre), number)
    dark = Patch("square", DARK, (corner, centre, before), number)
    squares = (
        Make("square", How.CUT, (side, side), role=patch.role, patches=(patch,))
        for patch in (light, dark)
    )
    return Make(
        "half-square unit",
        How.HALF_SQUARES if two else How.ALL_ROUND,
        (shows + 2 * seam, shows + 2 * seam),
        counted_parts(list(squares)),
        gives=2 if two else 4,
        patches=(light, dark),
    )


def _all_round(unfinished: Fraction, seam: Fraction) -> Fraction:
    """The least square, in whole eighths, that gives units so large: S >= sqrt 2 u + 2s."""
    exact = 2 * unfinished * unfinished
    least = isqrt(int(exact / (EIGHTH * EIGHTH))) * EIGHTH
    while least * least < exact:
        least += EIGHTH
    return least + 2 * seam


RECIPE = Recipe(
    id="pinwheel",
    title="Pinwheel",
    finished=square_of(8),
    assemble=_assemble,
    tried=4,
    options={"method": TWO},
    choices={"method": (TWO, FOUR)},
    about="Four half-square triangle units; squares are cut, sewn in pairs, then cut apart.",
)
