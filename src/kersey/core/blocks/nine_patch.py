"""Nine-patch: three rows of three squares, five of one side and four of the other.

patch = finished / 3 + 2s
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
    side = finished[0] / 3
    places = [(row, column) for row in range(3) for column in range(3)]
    patches = tuple(
        rectangle(
            *(("A", "dark") if (row + column) % 2 == 0 else ("B", "light")),
            column * side,
            row * side,
            side,
            side,
        )
        for row, column in places
    )
    return CutList(needs_of(patches, seam), patches=patches)


RECIPE = Recipe(
    id="nine-patch",
    title="Nine-patch",
    finished=square_of(6),
    cut=_cut,
    about="Five dark squares and four light ones.",
)
