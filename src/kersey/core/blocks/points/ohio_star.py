"""Ohio star: a square, four corners, and four hourglass units with their dark points outward.

Hourglass units come two at a time; four take two light squares and two dark ones.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Patch, Size, in_three_rows, piece
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT, hourglass_unit
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    unit = finished[0] / 3
    corners = [
        piece(rectangle("corner", LIGHT, x * unit, y * unit, unit, unit), seam)
        for y in (0, 2)
        for x in (0, 2)
    ]
    hourglass = [_hourglass(number, unit, seam) for number in range(4)]
    middle = piece(rectangle("middle", DARK, unit, unit, unit, unit), seam)
    return Assembly(in_three_rows(seam, corners, hourglass, middle), finished)


def _hourglass(number: int, unit: Fraction, seam: Fraction) -> Make:
    """The unit above, left, right or below of the middle: its light triangles lie outward."""
    column, row = ((1, 0), (0, 1), (2, 1), (1, 2))[number]
    x, y = column * unit, row * unit
    corners = [(x, y), (x + unit, y), (x + unit, y + unit), (x, y + unit)]
    middle = (x + unit / 2, y + unit / 2)
    roles = (LIGHT, DARK) if column == 1 else (DARK, LIGHT)
    # Two units come from a light square and a dark one.
    patches = [
        Patch(
            "hourglass",
            roles[side % 2],
            (corners[side], corners[(side + 1) % 4], middle),
            number // 2,
        )
        for side in range(4)
    ]
    return hourglass_unit(
        "hourglass unit", unit, seam, (patches[0], patches[1], patches[2], patches[3])
    )


RECIPE = Recipe(
    id="ohio-star",
    title="Ohio star",
    finished=square_of(12),
    assemble=_assemble,
    facts=Facts(
        made_from="A center, four corners and four hourglass units.",
        difficulty=Difficulty.CARE,
        sides=(6, 15),
        suits="A feature print, with a background that sets it off.",
        pressing=("Away from the hourglasses.", "Open, around the center."),
        cautions=(STARCH,),
        mistakes=(("Points cut off", "Pin where the seams cross and sew just past that point."),),
    ),
    about="A dark star on light: hourglass units around a square.",
)
