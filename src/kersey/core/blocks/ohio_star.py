"""Ohio star: a square, four corners, and four hourglass units with their dark points outward.

Hourglass units come two at a time from two squares of f + 1 1/4, f what shows of a unit; that is
2s + 3/4 at any seam. Four units take two light squares and two dark ones.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, How, Make, Patch, Size, counted_parts, piece, sewn
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of

LIGHT, DARK = "light", "dark"
# The points of a unit that is cut twice on the diagonal take this beyond the seams, of one cut once
# half of it.
_POINTS = Fraction(3, 4)


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    unit = finished[0] / 3

    def corner(row: int, column: int) -> Make:
        return piece(rectangle("corner", LIGHT, column * unit, row * unit, unit, unit), seam)

    hourglass = [_hourglass(number, unit, seam) for number in range(4)]
    middle = piece(rectangle("middle", DARK, unit, unit, unit, unit), seam)
    rows = (
        sewn("outer row", seam, corner(0, 0), hourglass[0], corner(0, 2)),
        sewn("middle row", seam, hourglass[1], middle, hourglass[2]),
        sewn("outer row", seam, corner(2, 0), hourglass[3], corner(2, 2)),
    )
    return Assembly(sewn("block", seam, *rows), finished)


def _hourglass(number: int, unit: Fraction, seam: Fraction) -> Make:
    """The unit above, left, right or below of the middle: its light triangles lie outward."""
    column, row = ((1, 0), (0, 1), (2, 1), (1, 2))[number]
    x, y = column * unit, row * unit
    corners = [(x, y), (x + unit, y), (x + unit, y + unit), (x, y + unit)]
    middle = (x + unit / 2, y + unit / 2)
    roles = (LIGHT, DARK) if column == 1 else (DARK, LIGHT)
    # Two units come from a light square and a dark one.
    patches = tuple(
        Patch(
            "hourglass", roles[side % 2], (corners[side], corners[(side + 1) % 4], middle),
            number // 2,
        )
        for side in range(4)
    )  # fmt: skip
    cut, half, whole = (unit + 2 * seam + points for points in (_POINTS, _POINTS / 2, Fraction(0)))
    squares = [
        Make("hourglass", How.CUT, (cut, cut), role=role, patches=patches[n : n + 1])
        for n, role in sorted(enumerate(roles), key=lambda pair: pair[1] != LIGHT)
    ]
    halves = Make(
        "half-square unit", How.HALF_SQUARES, (half, half), counted_parts(squares), gives=2,
        patches=patches[:2],
    )  # fmt: skip
    return Make(
        "hourglass unit", How.HALF_SQUARES, (whole, whole), counted_parts([halves, halves]),
        gives=2, patches=patches,
    )  # fmt: skip


RECIPE = Recipe(
    id="ohio-star",
    title="Ohio star",
    finished=square_of(12),
    assemble=_assemble,
    about="A dark star on light: hourglass units two at a time round a square.",
)
