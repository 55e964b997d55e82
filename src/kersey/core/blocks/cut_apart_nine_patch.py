"""Cut-apart nine-patch: nine squares are joined, cut in four through the middle, turned, rejoined.

u = (3c - 4s) - 2s with squares cut c: c = 5 gives 13 1/2. So c = (finished + 8s) / 3.
The middle square is dark, the four at the sides are light, those at the corners any.
Source: docs/trade.md section 3.
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
)
from kersey.core.cutting.problem import ANY, Need

CORNER, SIDE, MIDDLE = ("corner", ANY), ("side", "light"), ("middle", "dark")


def _cut(finished: Size, _: Options, seam: Fraction) -> CutList:
    square = (finished[0] + 8 * seam) / 3
    needs = tuple(
        Need(*which, square, square, count)
        for which, count in ((CORNER, 4), (SIDE, 4), (MIDDLE, 1))
    )
    return CutList(needs, patches=tuple(_patches(finished[0] / 2, square - 2 * seam, seam)))


def _patches(quarter: Fraction, square: Fraction, seam: Fraction) -> list[Patch]:
    """Each quarter is turned half round: its corner square comes to the middle of the block."""
    small = square / 2 - seam
    large = quarter - small
    patches = []
    for right in (False, True):
        for below in (False, True):
            # Towards the middle of the block lies the corner square, outermost a bit of the middle.
            near_x, far_x = (quarter, quarter + large) if right else (small, Fraction(0))
            near_y, far_y = (quarter, quarter + large) if below else (small, Fraction(0))
            patches.append(rectangle(*CORNER, near_x, near_y, large, large))
            patches.append(rectangle(*SIDE, far_x, near_y, small, large))
            patches.append(rectangle(*SIDE, near_x, far_y, large, small))
            patches.append(rectangle(*MIDDLE, far_x, far_y, small, small))
    return patches


RECIPE = Recipe(
    id="cut-apart-nine-patch",
    title="Cut-apart nine-patch",
    finished=square_of(13),
    cut=_cut,
    about="Nine squares joined, cut in four through the middle, each quarter turned half round.",
)
