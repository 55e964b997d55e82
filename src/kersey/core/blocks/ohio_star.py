"""Ohio star: a square, four corners, and four hourglass units with their dark points outward.

Hourglass units come two at a time from two squares of f + 1 1/4, f what shows of a unit; that is
2s + 3/4 at any seam. Four units take two light squares and two dark ones.
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
    triangle,
)
from kersey.core.cutting.problem import Need

LIGHT, DARK = "light", "dark"
# The points of a unit that is cut twice on the diagonal take this beyond the seams.
_POINTS = Fraction(3, 4)


def _cut(finished: Size, _: Options, seam: Fraction) -> CutList:
    unit = finished[0] / 3
    square, hourglass = unit + 2 * seam, unit + 2 * seam + _POINTS
    needs = (
        Need("corner", LIGHT, square, square, 4),
        Need("middle", DARK, square, square),
        Need("hourglass", LIGHT, hourglass, hourglass, 2),
        Need("hourglass", DARK, hourglass, hourglass, 2),
    )
    return CutList(needs, patches=tuple(_patches(unit)))


def _patches(unit: Fraction) -> list[Patch]:
    patches = []
    for row in range(3):
        for column in range(3):
            x, y = column * unit, row * unit
            if row != 1 and column != 1:
                patches.append(rectangle("corner", LIGHT, x, y, unit, unit))
            elif row == column == 1:
                patches.append(rectangle("middle", DARK, x, y, unit, unit))
            else:
                patches.extend(_hourglass(x, y, unit, upright=column == 1))
    return patches


def _hourglass(x: Fraction, y: Fraction, unit: Fraction, upright: bool) -> list[Patch]:
    """Four triangles; `upright`: the light ones lie above and below."""
    corners = [(x, y), (x + unit, y), (x + unit, y + unit), (x, y + unit)]
    middle = (x + unit / 2, y + unit / 2)
    roles = (LIGHT, DARK) if upright else (DARK, LIGHT)
    return [
        triangle("hourglass", roles[side % 2], corners[side], corners[(side + 1) % 4], middle)
        for side in range(4)
    ]


RECIPE = Recipe(
    id="ohio-star",
    title="Ohio star",
    finished=square_of(12),
    cut=_cut,
    about="A dark star on light: hourglass units two at a time round a square.",
)
