"""Stripe: bars side by side across a square, or across its lower half under a plain one.

k bars across f are cut f / k + 2s wide, as long as the square, or as half of it, and 2s.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of, whole
from kersey.core.cutting.problem import ANY, PrintRule

FEWEST_BARS, MOST_BARS = 2, 12


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    bars, start = whole(options, "bars", FEWEST_BARS, MOST_BARS), Fraction(0)
    side, wide = finished[0], finished[0] / bars
    top = side / 2 if options["half"] else start
    cut = [piece(rectangle("bar", ANY, n * wide, top, wide, side - top), seam) for n in range(bars)]
    wishes = (PrintRule((ANY,), same=False),)
    if not top:
        return Assembly(sewn("block", seam, *cut), finished, wishes=wishes)
    plain = piece(rectangle("plain half", "background", start, start, side, top), seam)
    striped = sewn("striped half", seam, *cut)
    return Assembly(sewn("block", seam, plain, striped), finished, wishes=wishes)


RECIPE = Recipe(
    id="stripe",
    title="Stripe",
    finished=square_of(6),
    assemble=_assemble,
    tried=150,
    options={"bars": 3, "half": False},
    facts=Facts(
        made_from="Bars across all or half of a square.",
        difficulty=Difficulty.FIRST,
        sides=(4, 12),
        suits="Leftover strips; a stock of 6″ units.",
        pressing=("To one side.",),
        cautions=(CUTTER,),
        mistakes=(("It slants", "Sew neighboring seams in opposite directions."),),
    ),
    about="Bars across a square or half of one. Good for short strips.",
)
