"""Courthouse steps: a centre, and rounds of logs in opposite pairs, light ones then dark ones.

The pair above and below is as long as what it is sewn to; the pair at the sides is two logs longer.
Widths as in a log cabin. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.log_cabin import DARK, LIGHT, log_width
from kersey.core.blocks.recipe import (
    CutList,
    Options,
    Patch,
    Recipe,
    Size,
    needs_of,
    rectangle,
    square_of,
)


def _cut(finished: Size, options: Options, seam: Fraction) -> CutList:
    rounds, centre, log = log_width(finished, options, seam)
    at = rounds * log
    light: list[Patch] = []
    dark = [rectangle("centre", DARK, at, at, centre, centre)]
    for turn in range(rounds):
        near, size = at - turn * log, centre + 2 * turn * log
        far, label = near + size, f"{turn + 1}"
        light.append(rectangle(f"light {label}", LIGHT, near, near - log, size, log))
        light.append(rectangle(f"light {label}", LIGHT, near, far, size, log))
        dark.append(rectangle(f"dark {label}", DARK, near - log, near - log, log, size + 2 * log))
        dark.append(rectangle(f"dark {label}", DARK, far, near - log, log, size + 2 * log))
    patches = (*light, *dark)
    return CutList(needs_of(patches, seam), patches=patches)


RECIPE = Recipe(
    id="courthouse-steps",
    title="Courthouse steps",
    finished=square_of(Fraction(19, 2)),
    cut=_cut,
    options={"rounds": 3, "centre": Fraction(5, 2)},
    about="Rounds of logs in opposite pairs: light above and below, dark at the sides.",
)
