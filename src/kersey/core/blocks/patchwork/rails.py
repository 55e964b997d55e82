"""The rail block: k strips side by side, cut square.

    finished = k (c - 2s)        k  strips a block, 2 to 6
    unfinished = finished + 2s   c  cut width of a strip, s seam

Strips of mixed widths add up in the same way: finished = sum(c - 2s).

Two ways to make it. *Segments*: each rail is cut from its strip, then sewn. *Strip sets*: k whole
strips are sewn side by side and the set is crosscut into blocks.
"""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import (
    BadRecipe,
    Options,
    OtherWay,
    Recipe,
    rectangle,
    square_of,
    whole,
)
from kersey.core.blocks.technique import CROSSCUT, STRIP_SET
from kersey.core.cutting.problem import ANY, PrintRule
from kersey.core.measure.length import format_length

FEWEST_RAILS = 2
MOST_RAILS = 6
SEGMENTS, SETS = "segments", "sets"


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if options["method"] not in (SEGMENTS, SETS):
        raise BadRecipe("block.options.method", f"one of {SEGMENTS}, {SETS}.")
    side, start, cut = finished[0], Fraction(0), list[Make]()
    for label, rail in _rails(side, options, seam):
        cut.append(piece(rectangle(label, ANY, start, Fraction(0), rail, side), seam))
        start += rail
    if options["method"] == SEGMENTS:
        block = sewn("block", seam, *cut)
    else:
        whole_strips = [replace(each, long=True) for each in cut]
        set_ = replace(sewn("strip set", seam, *whole_strips, how=STRIP_SET), long=True)
        block = Make("block", CROSSCUT, set_.size, (Part(set_, 1),), patches=set_.patches)
    # Of several widths the sets draw each on prints of its own.
    alike = len({each.name for each in cut}) == 1 or options["method"] == SEGMENTS
    return Assembly(block, finished, wishes=(PrintRule((ANY,), same=False),) if alike else ())


def _rails(side: Fraction, options: Options, seam: Fraction) -> Iterator[tuple[str, Fraction]]:
    """What each rail is called and how much of it shows."""
    widths = _widths(options, seam)
    if not widths:
        strips = whole(options, "strips", FEWEST_RAILS, MOST_RAILS)
        yield from [("A", side / strips)] * strips
        return
    shows = [width - 2 * seam for width in widths]
    if sum(shows) != side:
        high = format_length(sum(shows, Fraction(0)))
        why = f"{high}, the sum of the widths without their seams, or left out."
        raise BadRecipe("block.finished", why)
    different = sorted(set(shows), reverse=True)
    for rail in shows:
        yield "ABCDEF"[different.index(rail)], rail


def _widths(options: Options, seam: Fraction) -> tuple[Fraction, ...]:
    """The cut widths of mixed strips; none where all are alike."""
    widths = options["widths"]
    assert isinstance(widths, tuple)
    if widths and not FEWEST_RAILS <= len(widths) <= MOST_RAILS:
        raise BadRecipe("block.options.widths", f"{FEWEST_RAILS} to {MOST_RAILS} widths.")
    if any(width <= 2 * seam for width in widths):
        raise BadRecipe("block.options.widths", "each wider than its seams.")
    return widths


def _size(options: Options, seam: Fraction) -> Size | None:
    widths = _widths(options, seam)
    return square_of(sum((w - 2 * seam for w in widths), Fraction(0))) if widths else None


def _from_strips(options: Options, strip_width: Fraction, seam: Fraction) -> Size:
    if strip_width <= 2 * seam:
        why = "wider than its seam allowances."
        advice = "The strip is all seam allowance. Use wider strips or a smaller seam."
        raise BadRecipe("seam", why, advice)
    strips = whole(options, "strips", FEWEST_RAILS, MOST_RAILS)
    return _size(options, seam) or square_of(strips * (strip_width - 2 * seam))


RECIPE = Recipe(
    id="rails",
    title="Rail fence",
    finished=square_of(6),
    assemble=_assemble,
    tried=1,
    options={"strips": 3, "method": SEGMENTS, "widths": ()},
    size_of=_size,
    choices={
        "strips": tuple(map(str, range(FEWEST_RAILS, MOST_RAILS + 1))),
        "method": (SEGMENTS, SETS),
    },
    from_strips=_from_strips,
    other_way=OtherWay("method", SEGMENTS, SETS),
    facts=Facts(
        made_from="Strips of one width, or several widths that add up.",
        difficulty=Difficulty.FIRST,
        sides=(3, 12),
        suits="Strip rolls; prints that contrast with their neighbors.",
        pressing=(
            ("All to one side. Turn every other block so the seams nest."),
            "Open, if the fabric is thick.",
        ),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Blocks come out too narrow",
                (
                    "Your seams are too wide; each one takes twice the error off the block. "
                    "Measure the first block."
                ),
            ),
            ("Strip sets curve", "Sew every other strip from the opposite end."),
        ),
    ),
    about=(
        "Strips side by side. Segments: cut each piece by itself. Strip sets: sew whole strips "
        "together, then cut segments; the shortest strip sets how many. Mixed widths must add "
        "up to the block, like 2 1/2 + 1 1/2 + 2."
    ),
)
