"""Two-bar unit: two bars side by side, each w x (2w - 2s) as cut, so that the unit is square.

finished = 2 (w - 2s); w = 2 1/2 gives 4 1/2 unfinished. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.recipe import (
    CutList,
    Options,
    Recipe,
    Size,
    needs_of,
    rectangle,
    square_of,
)


def _cut(finished: Size, _: Options, seam: Fraction) -> CutList:
    side, start = finished[0], Fraction(0)
    patches = (
        rectangle("bar", "light", start, start, side / 2, side),
        rectangle("bar", "dark", side / 2, start, side / 2, side),
    )
    return CutList(needs_of(patches, seam), patches=patches)


RECIPE = Recipe(
    id="two-bar",
    title="Two-bar unit",
    finished=square_of(4),
    cut=_cut,
    about="A light bar and a dark one, square together.",
)
