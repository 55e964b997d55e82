"""Corner log cabin: logs on two sides of a corner square only, a light pair, then a dark one.

    finished = (c - 2s) + r (w - 2s)      c  corner square as cut, r rounds, w log as cut

A round's first log is as long as the block so far, its second one longer by w - 2s.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.recipe import (
    BadRecipe,
    CutList,
    Options,
    Recipe,
    Size,
    length_option,
    needs_of,
    rectangle,
    square_of,
    whole,
)

LIGHT, DARK = "light", "dark"


def _cut(finished: Size, options: Options, seam: Fraction) -> CutList:
    rounds = whole(options, "rounds", 1, 12)
    size = length_option(options, "corner", 2 * seam, Fraction(20)) - 2 * seam
    log = (finished[0] - size) / rounds
    if log <= 0:
        raise BadRecipe("block.finished", "more than the corner square alone.")
    patches = [rectangle("corner", DARK, Fraction(0), Fraction(0), size, size)]
    for turn in range(rounds):
        role = DARK if turn % 2 else LIGHT
        one, two = f"{role} {2 * turn + 1}", f"{role} {2 * turn + 2}"
        patches.append(rectangle(one, role, size, Fraction(0), log, size))
        patches.append(rectangle(two, role, Fraction(0), size, size + log, log))
        size += log
    return CutList(needs_of(patches, seam), patches=tuple(patches))


RECIPE = Recipe(
    id="corner-log-cabin",
    title="Corner log cabin",
    finished=square_of(8),
    cut=_cut,
    options={"rounds": 3, "corner": Fraction(5, 2)},
    about="Logs on two sides of a dark corner square, light and dark pairs in turn.",
)
