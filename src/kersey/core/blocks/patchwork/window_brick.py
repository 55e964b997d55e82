"""Window brick: square windows one above the other in a frame of one print.

A brick F x G with n windows v and sills t between them: sides (F - v) / 2 x G, ends
v x (G - n v - (n - 1) t) / 2, all finished. All frame pieces of a block are of one print, the
windows of another. Source: docs/trade.md section 3.
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import BadRecipe, Options, Recipe, length_option, rectangle, whole
from kersey.core.cutting.problem import ANY, PrintRule

FRAME, WINDOW = "frame", "window"


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    windows = whole(options, "windows", 1, 6)
    if not options["alternate"]:
        return with_windows(finished, windows, options, seam)
    # Beside each lies a solid one; turned half round in every other row the kinds alternate.
    half = finished[0] / 2
    found = with_windows((half, finished[1]), windows, options, seam)
    solid = piece(rectangle("brick", ANY, half, Fraction(0), half, finished[1]), seam)
    pair = sewn("block", seam, replace(found.block, name="window brick"), solid)
    return Assembly(pair, finished, found.rules, turned_by_row=True)


def _size(options: Options, _: Fraction) -> Size | None:
    """A pair is twice as wide as a brick."""
    width, height = RECIPE.finished
    return (2 * width, height) if options["alternate"] else None


def with_windows(finished: Size, count: int, options: Options, seam: Fraction) -> Assembly:
    """A brick with so many windows, at least one; raises `BadRecipe`."""
    width, height = finished
    window = length_option(options, "window", Fraction(0), Fraction(40))
    sill = length_option(options, "sill", Fraction(0), Fraction(20))
    side = (width - window) / 2
    end = (height - count * window - (count - 1) * sill) / 2
    if side <= 0 or end <= 0:
        raise BadRecipe("block.finished", "large enough for the windows, sills and frame.")
    start = Fraction(0)
    column = [rectangle("end", FRAME, side, start, window, end)]
    for place in range(count):
        top = end + place * (window + sill)
        column.append(rectangle("window", WINDOW, side, top, window, window))
        if place < count - 1:
            column.append(rectangle("sill", FRAME, side, top + window, window, sill))
    column.append(rectangle("end", FRAME, side, height - end, window, end))
    windows = sewn("window column", seam, *(piece(each, seam) for each in column))
    left, right = (
        piece(rectangle("side", FRAME, x, start, side, height), seam) for x in (start, width - side)
    )
    rules = (PrintRule((FRAME,), same=True), PrintRule((FRAME, WINDOW), same=False))
    return Assembly(sewn("block", seam, left, windows, right), finished, rules)


RECIPE = Recipe(
    id="window-brick",
    title="Window brick",
    finished=(Fraction(6), Fraction(9)),
    assemble=_assemble,
    options={"windows": 2, "window": Fraction(2), "sill": Fraction(1), "alternate": False},
    size_of=_size,
    facts=Facts(
        made_from="Stacked windows in a frame of one print.",
        difficulty=Difficulty.SOME,
        sides=(5, 16),
        suits="Fat quarters: one for the frame, another for the windows.",
        pressing=("Away from the windows.",),
        cautions=(CUTTER,),
        mistakes=(
            ("The frame ended up in two prints", "Sort every block into a kit before you sew."),
        ),
    ),
    about=(
        "Windows in a frame: each block has one print for the frame and another for the windows. "
        "Alternate: a plain brick next to each one, switching sides every row."
    ),
)
