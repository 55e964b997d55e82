"""Pinwheel: four half-square triangle units, each half light and half dark, turning round a point.

Two at a time: two squares of f + 7/8 give two units, f what shows of one unit; exact, whatever the
seam, when 7/8 is read as 2s + 3/8. Four at a time: two squares S sewn all round give four units of
(S - 2s) / sqrt 2, so S is the next eighth that is enough; their outer edges are on the bias.
Source: docs/trade.md section 3.
"""

from fractions import Fraction
from math import isqrt

from kersey.core.blocks.recipe import (
    BadRecipe,
    CutList,
    Options,
    Patch,
    Recipe,
    Size,
    square_of,
    triangle,
)
from kersey.core.cutting.problem import Need
from kersey.core.measure.length import EIGHTH

LIGHT, DARK = "light", "dark"
TWO, FOUR = "two at a time", "four at a time"
# A seam of s, sewn each side of the diagonal, takes 2s and the points of two more seams.
_POINTS = Fraction(3, 8)


def _cut(finished: Size, options: Options, seam: Fraction) -> CutList:
    unit = finished[0] / 2
    if options["method"] not in (TWO, FOUR):
        raise BadRecipe("block.options.method", f"one of {TWO}, {FOUR}.")
    two = options["method"] == TWO
    side = unit + 2 * seam + _POINTS if two else _all_round(unit + 2 * seam, seam)
    count = 2 if two else 1
    needs = tuple(Need("square", role, side, side, count) for role in (LIGHT, DARK))
    return CutList(needs, patches=tuple(_patches(unit)))


def _all_round(unfinished: Fraction, seam: Fraction) -> Fraction:
    """The least square, in whole eighths, that gives units so large: S >= sqrt 2 u + 2s."""
    exact = 2 * unfinished * unfinished
    least = isqrt(int(exact / (EIGHTH * EIGHTH))) * EIGHTH
    while least * least < exact:
        least += EIGHTH
    return least + 2 * seam


def _patches(unit: Fraction) -> list[Patch]:
    middle, end, start = unit, 2 * unit, Fraction(0)
    centre = (middle, middle)
    corners = ((start, start), (end, start), (end, end), (start, end))
    mids = ((middle, start), (end, middle), (middle, end), (start, middle))
    patches = []
    for place in range(4):
        corner, after, before = corners[place], mids[place], mids[place - 1]
        patches.append(triangle("square", LIGHT, corner, after, centre))
        patches.append(triangle("square", DARK, corner, centre, before))
    return patches


RECIPE = Recipe(
    id="pinwheel",
    title="Pinwheel",
    finished=square_of(8),
    cut=_cut,
    options={"method": TWO},
    choices={"method": (TWO, FOUR)},
    about="Four half-square triangle units; squares are cut, sewn in pairs, then cut apart.",
)
