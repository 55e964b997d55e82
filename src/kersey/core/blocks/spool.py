"""Spool: a square of three bars as the thread, two sides beside it, and two ends.

Finished F: centre F/2 of three bars, sides F/4 x F/2, ends F x F/4 whose corners towards the thread
are flipped over with squares of F/4. A flip square is cut as large as the finished triangle's leg
and two seams. The bars of a block are all of different prints. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.recipe import (
    CutList,
    Options,
    Patch,
    Recipe,
    Size,
    rectangle,
    square_of,
    triangle,
)
from kersey.core.cutting.problem import Need, PrintRule

BAR, SIDE, SPOOL = "feature", "background", "dark"


def _cut(finished: Size, _: Options, seam: Fraction) -> CutList:
    side, allowance = finished[0], 2 * seam
    quarter, half, bar = side / 4, side / 2, side / 6
    needs = (
        Need("bar", BAR, bar + allowance, half + allowance, 3),
        Need("side", SIDE, quarter + allowance, half + allowance, 2),
        Need("flip", SIDE, quarter + allowance, quarter + allowance, 4),
        Need("end", SPOOL, side + allowance, quarter + allowance, 2),
    )
    rules = (PrintRule((BAR,), same=False),)
    return CutList(needs, rules, tuple(_patches(side, quarter, half, bar)))


def _patches(side: Fraction, quarter: Fraction, half: Fraction, bar: Fraction) -> list[Patch]:
    start, far = Fraction(0), side - quarter
    patches = [rectangle("bar", BAR, quarter + n * bar, quarter, bar, half) for n in range(3)]
    patches.append(rectangle("side", SIDE, start, quarter, quarter, half))
    patches.append(rectangle("side", SIDE, far, quarter, quarter, half))
    for outer, inner in ((start, quarter), (side, far)):
        corners = ((start, outer), (side, outer), (far, inner), (quarter, inner))
        patches.append(Patch("end", SPOOL, corners))
        patches.append(triangle("flip", SIDE, (start, outer), (quarter, inner), (start, inner)))
        patches.append(triangle("flip", SIDE, (side, outer), (side, inner), (far, inner)))
    return patches


RECIPE = Recipe(
    id="spool",
    title="Spool",
    finished=square_of(6),
    cut=_cut,
    about="Thread of three different prints between two ends; the ends' corners are flipped over.",
)
