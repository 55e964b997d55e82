"""Made fabric: crumbs sewn into a sheet, from which shapes are cut. All of it is an estimate.

    sheet   every crumb loses its seams: (w - 2s) (h - 2s)
    shapes  seven to nine tenths of the sheet; the lower figure is counted on

No two of the same print side by side, not all seams one way; cut shapes large enough to show it and
back each with a plain one. Source: docs/trade.md section 7.
"""

from fractions import Fraction
from math import isqrt

from kersey.core.blocks.assembly import Assembly, Make, Part, Size
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.recipe import (
    WHOLE,
    BadRecipe,
    Options,
    Recipe,
    pair_option,
    rectangle,
    shares_in_rows,
    square_of,
)
from kersey.core.blocks.technique import CUT, JOINED, Technique
from kersey.core.cutting.kinds.crumbs import CRUMB
from kersey.core.cutting.problem import ANY, CuttingPlan, Need
from kersey.core.cutting.tally import Crumbs

SHEET = Technique(
    "sheet",
    step="Sew crumbs into clusters, then clusters into one sheet. Keep matching prints apart and "
    "vary the seam direction. Trim edges straight as you go.",
    at_machine="Sew crumbs into a sheet",
    seams=None,
)
FROM_SHEET = Technique(
    "from-sheet",
    step="Cut from the sheet, in pieces large enough to show it off.",
    at_machine="Cut from the sheet",
    verb="Cut",
)


def _shape(options: Options, seam: Fraction) -> Size:
    return pair_option(options, "shape", 2 * seam, Fraction(60))


def _tally(_: Size, options: Options, seam: Fraction) -> Crumbs:
    width, length = _shape(options, seam)
    return Crumbs(width * length, seam)


def _whole(plan: CuttingPlan, _: Size, __: Options) -> tuple[Fraction, ...]:
    """Columns and rows of shapes, then width, length and count of each sort of crumb."""
    columns = max(1, isqrt(plan.blocks))
    facts = [Fraction(columns), Fraction(plan.blocks // columns)]
    for layout in plan.layouts:
        (cut,) = layout.cuts
        facts += [cut.width, cut.length, Fraction(layout.copies)]
    return tuple(facts)


def _size(options: Options, seam: Fraction) -> Size:
    width, length = _shape(options, seam)
    made = options.get(WHOLE)
    columns, rows = made[:2] if isinstance(made, tuple) else (Fraction(1), Fraction(1))
    return columns * (width - 2 * seam), rows * (length - 2 * seam)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if finished != _size(options, seam):
        raise BadRecipe("block.finished", "left out: it follows from the shape.")
    made, shape = options.get(WHOLE), _shape(options, seam)
    if not isinstance(made, tuple):
        patch = rectangle("shape", ANY, Fraction(0), Fraction(0), *finished)
        crumb = Make("shape", CUT, shape, role=ANY, patches=(patch,))
        return Assembly(
            Make("block", FROM_SHEET, shape, (Part(crumb, 1),), patches=(patch,)), finished
        )
    columns, rows, *facts = made
    needs = [
        Need(f"{start // 3 + 1}", CRUMB, facts[start], facts[start + 1], int(facts[start + 2]))
        for start in range(0, len(facts), 3)
    ]
    parts = tuple(Part(Make(n.label, CUT, (n.width, n.height), role=CRUMB), n.count) for n in needs)
    patches = tuple(shares_in_rows(needs, finished))
    sheet = Make("sheet", SHEET, (finished[0] + 2 * seam, finished[1] + 2 * seam), parts)
    shapes = int(columns * rows)
    cut = Make("shape", FROM_SHEET, shape, (Part(sheet, 1),), gives=shapes)
    top = Make("block", JOINED, sheet.size, (Part(cut, shapes),), patches=patches)
    return Assembly(top, finished, drawn_true=False)


RECIPE = Recipe(
    id="made-fabric",
    title="Crumb fabric",
    finished=square_of(4),
    assemble=_assemble,
    tried=340,
    size_of=_size,
    size_follows=True,
    tally=_tally,
    whole=_whole,
    crumbs=True,
    other_roles=(CRUMB,),
    options={"shape": (Fraction(9, 2), Fraction(9, 2))},
    facts=Facts(
        made_from="Crumbs sewn into a sheet.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Scraps too small for anything else.",
        pressing=("Whichever way they want to go.", "Open, where many seams meet."),
        cautions=("This takes a while. Stand up, stretch and rest your eyes.",),
        mistakes=(("It doesn't stand out", "Cut large shapes and set each on a solid."),),
    ),
    about=(
        "Crumbs sewn into a sheet, then cut into shapes. This is an estimate, by area or weight, "
        "minus seams and trimming."
    ),
)
