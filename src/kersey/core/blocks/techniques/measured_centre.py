"""Measured centre: a centre that is sewn already, to be framed.

Its finished size is what was measured less a seam all round; borders follow on Size. Measure in the
middle and near both edges and take the average. Source: docs/trade.md section 6.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Size
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, pair_option, rectangle
from kersey.core.blocks.technique import CUT, READY
from kersey.core.cutting.problem import ANY


def _size(options: Options, seam: Fraction) -> Size:
    width, length = pair_option(options, "measured", 2 * seam, Fraction(140))
    return width - 2 * seam, length - 2 * seam


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    patch = rectangle("centre", ANY, Fraction(0), Fraction(0), *finished)
    size = finished[0] + 2 * seam, finished[1] + 2 * seam
    there = Make("centre", CUT, size, role=ANY, patches=(patch,))
    return Assembly(Make("block", READY, size, (Part(there, 1),), patches=(patch,)), finished)


RECIPE = Recipe(
    id="measured-centre",
    title="Sewn center",
    finished=(Fraction(39), Fraction(51)),
    assemble=_assemble,
    tried=370,
    size_of=_size,
    size_follows=True,
    ready="centre",
    options={"measured": (Fraction(79, 2), Fraction(103, 2))},
    facts=Facts(
        made_from="A center you have already sewn.",
        difficulty=Difficulty.FIRST,
        sides=(12, 100),
        suits="A panel, a medallion, or a top that is too small.",
        pressing=("Toward the border.",),
        cautions=(CUTTER,),
        mistakes=(
            (
                "The border is wavy",
                "Cut it to the average of three measurements; don't sew on extra and trim.",
            ),
        ),
    ),
    about=(
        "A center you have already sewn. Measure its width and length in the middle and at both "
        "edges, and average them. Add borders on Size."
    ),
)
