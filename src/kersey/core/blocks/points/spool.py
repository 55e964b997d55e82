"""Spool: a square of three bars as the thread, two sides beside it, and two ends.

Finished F: centre F/2 of three bars, sides F/4 x F/2, ends F x F/4 whose corners towards the thread
are flipped over with squares of F/4. A flip square is cut as large as the finished triangle's leg
and two seams. The bars of a block are all of different prints. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Patch, Size, piece, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.flipped import FLIPPED
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of, triangle
from kersey.core.blocks.technique import CUT
from kersey.core.cutting.problem import PrintRule

BAR, SIDE, SPOOL = "feature", "background", "dark"


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    side = finished[0]
    quarter, half, bar = side / 4, side / 2, side / 6
    bars = (rectangle("bar", BAR, quarter + n * bar, quarter, bar, half) for n in range(3))
    thread = sewn("thread", seam, *(piece(each, seam) for each in bars))
    left, right = (
        piece(rectangle("side", SIDE, x, quarter, quarter, half), seam)
        for x in (Fraction(0), side - quarter)
    )
    middle = sewn("middle", seam, left, thread, right)
    top, bottom = (_end(outer, side, quarter, seam) for outer in (Fraction(0), side))
    rules = (PrintRule((BAR,), same=False),)
    return Assembly(sewn("block", seam, top, middle, bottom), finished, rules)


def _end(outer: Fraction, side: Fraction, quarter: Fraction, seam: Fraction) -> Make:
    """The end whose outer edge is above or below, with its two corners flipped over."""
    start, far, allowance = Fraction(0), side - quarter, 2 * seam
    inner = quarter if outer == 0 else far
    shows = Patch("end", SPOOL, ((start, outer), (side, outer), (far, inner), (quarter, inner)))
    size = side + allowance, quarter + allowance
    end = Make("end", CUT, size, role=SPOOL, patches=(shows,))
    flips = [
        Make("flip", CUT, (size[1], size[1]), role=SIDE, patches=(patch,))
        for patch in (
            triangle("flip", SIDE, (start, outer), (quarter, inner), (start, inner)),
            triangle("flip", SIDE, (side, outer), (side, inner), (far, inner)),
        )
    ]
    return sewn("end with corners", seam, end, *flips, how=FLIPPED)


RECIPE = Recipe(
    id="spool",
    title="Spool",
    finished=square_of(6),
    assemble=_assemble,
    facts=Facts(
        made_from="Center bars, sides, and ends with flipped corners.",
        difficulty=Difficulty.CARE,
        sides=(3, 12),
        suits="Charm squares for mini spools, with a solid background.",
        pressing=("Away from the bars.", "Open, for miniatures."),
        cautions=(STARCH,),
        mistakes=(
            (
                "Corners flipped the wrong way",
                "Fold one back before you sew to check that it slants toward the center.",
            ),
        ),
    ),
    about="Three different prints as the “thread”, between two ends with flipped corners.",
)
