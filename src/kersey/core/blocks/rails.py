"""The rail block: k strips side by side, cut square.

    finished = k (c - 2s)        k  strips a block, 2 to 6
    unfinished = finished + 2s   c  cut width of a strip, s seam

Two ways to make it. *Segments*: each rail is cut from its strip, then sewn. *Strip sets*: k whole
strips are sewn side by side and the set is crosscut into blocks.
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, How, Make, Part, Size, piece, sewn
from kersey.core.blocks.recipe import (
    BadRecipe,
    Options,
    OtherWay,
    Recipe,
    rectangle,
    square_of,
    whole,
)
from kersey.core.cutting.problem import ANY, PrintRule

FEWEST_RAILS = 2
MOST_RAILS = 6
SEGMENTS, SETS = "segments", "sets"


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    strips = whole(options, "strips", FEWEST_RAILS, MOST_RAILS)
    if options["method"] not in (SEGMENTS, SETS):
        raise BadRecipe("block.options.method", f"one of {SEGMENTS}, {SETS}.")
    side, rail = finished[0], finished[0] / strips
    cut = [
        piece(rectangle("A", ANY, place * rail, Fraction(0), rail, side), seam)
        for place in range(strips)
    ]
    if options["method"] == SEGMENTS:
        block = sewn("block", seam, *cut)
    else:
        whole_strips = [replace(each, long=True) for each in cut]
        set_ = replace(sewn("strip set", seam, *whole_strips, how=How.STRIP_SET), long=True)
        block = Make("block", How.CROSSCUT, set_.size, (Part(set_, 1),), patches=set_.patches)
    return Assembly(block, finished, wishes=(PrintRule((ANY,), same=False),))


def _from_strips(options: Options, strip_width: Fraction, seam: Fraction) -> Size:
    if strip_width <= 2 * seam:
        why = "wide enough for the seams: they take up the whole strip."
        advice = "The seams take up the whole strip: use wider strips or less seam."
        raise BadRecipe("seam", why, advice)
    strips = whole(options, "strips", FEWEST_RAILS, MOST_RAILS)
    return square_of(strips * (strip_width - 2 * seam))


RECIPE = Recipe(
    id="rails",
    title="Rails",
    finished=square_of(6),
    assemble=_assemble,
    tried=1,
    options={"strips": 3, "method": SEGMENTS},
    choices={
        "strips": tuple(map(str, range(FEWEST_RAILS, MOST_RAILS + 1))),
        "method": (SEGMENTS, SETS),
    },
    from_strips=_from_strips,
    other_way=OtherWay("method", SEGMENTS, SETS),
    about=(
        "Strips side by side. Segments: every rail is cut on its own. Sets: whole strips are cut "
        "and sewn side by side; a set becomes as many blocks as its shortest strip has segments."
    ),
)
