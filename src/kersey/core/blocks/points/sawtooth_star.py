"""Sawtooth star: a square with eight points, made of four geese and four corners.

On a grid of four. A goose is a bar of 2 x 1 units with a square of 1 flipped over each end; that
is cut as large as the finished leg and two seams. Or the four geese are made of one large square
and four small ones. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, in_three_rows, lying, piece
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT
from kersey.core.blocks.no_waste_geese import FLIPPED_ONE_BY_ONE, METHODS, goose_made
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of

MIDDLE = "feature"


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    unit, far = finished[0] / 4, 3 * finished[0] / 4
    start = Fraction(0)
    corners = [
        piece(rectangle("corner", LIGHT, x, y, unit, unit), seam)
        for y in (start, far)
        for x in (start, far)
    ]
    places = ((unit, start, 2), (start, unit, 1), (far, unit, 3), (unit, far, 0))
    geese = [
        lying(goose_made(options, 2 * unit, seam, LIGHT, DARK, n), (x, y), quarters)
        for n, (x, y, quarters) in enumerate(places)
    ]
    middle = piece(rectangle("middle", MIDDLE, unit, unit, 2 * unit, 2 * unit), seam)
    return Assembly(in_three_rows(seam, corners, geese, middle), finished)


RECIPE = Recipe(
    id="sawtooth-star",
    title="Sawtooth star",
    finished=square_of(8),
    assemble=_assemble,
    options={"method": FLIPPED_ONE_BY_ONE},
    choices={"method": METHODS},
    facts=Facts(
        made_from="A center, four corners and four geese with flipped corners.",
        difficulty=Difficulty.CARE,
        sides=(4, 16),
        suits="A feature print for the middle, one dark print a star, a common background.",
        pressing=("Away from the geese.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "Points cut off",
                "Leave a seam allowance beyond each point of a goose when you trim it.",
            ),
        ),
    ),
    about="A square with eight points around it.",
)
