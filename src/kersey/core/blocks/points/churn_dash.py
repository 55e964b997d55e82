"""Churn dash: a light square in a ring of dark bars and triangles, on a grid of three.

Half-square units at the corners, the dark inward; each side a light bar outside and a dark one
inside, half a unit wide. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, in_three_rows, lying, piece, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT, METHODS, TWO, corner_units, untrimmed_notes
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    unit = finished[0] / 3
    corners = corner_units(finished[0], unit, seam, options)
    middle = piece(rectangle("middle", LIGHT, unit, unit, unit, unit), seam)
    bars = _bars(unit, seam)
    places = ((unit, Fraction(0)), (2 * unit, unit), (unit, 2 * unit), (Fraction(0), unit))
    above, right, below, left = (lying(bars, at, n) for n, at in enumerate(places))
    return Assembly(in_three_rows(seam, corners, (above, left, right, below), middle), finished)


def _bars(unit: Fraction, seam: Fraction) -> Make:
    """A light bar over a dark one, as they lie above the middle."""
    bars = (
        piece(rectangle("bar", role, Fraction(0), n * unit / 2, unit, unit / 2), seam)
        for n, role in enumerate((LIGHT, DARK))
    )
    return sewn("bars", seam, *bars)


RECIPE = Recipe(
    id="churn-dash",
    title="Churn dash",
    finished=square_of(9),
    assemble=_assemble,
    options={"method": TWO},
    choices={"method": METHODS},
    notes=untrimmed_notes,
    facts=Facts(
        made_from="A center, four pairs of bars and four half-square triangles.",
        difficulty=Difficulty.FIRST,
        sides=(6, 15),
        suits="One dark print a block on a common background.",
        pressing=("Toward the bars.",),
        cautions=(STARCH,),
        mistakes=(
            ("Bars the wrong way round", "The dark bars meet the dark triangles and make a ring."),
        ),
    ),
    about="A ring of dark bars and triangles around a light square.",
)
