"""Courthouse steps: a centre, and rounds of logs in opposite pairs, light ones then dark ones.

The pair above and below is as long as what it is sewn to; the pair at the sides is two logs longer.
Widths as in a log cabin. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece, sewn
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.patchwork.log_cabin import (
    DARK,
    FOLLOWS,
    LIGHT,
    cabin_notes,
    cabin_size,
    log_width,
)
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of
from kersey.core.blocks.technique import AROUND


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    rounds, centre, log = log_width(finished, options, seam)
    at = rounds * log
    block = piece(rectangle("centre", DARK, at, at, centre, centre), seam)
    for turn in range(rounds):
        near, size = at - turn * log, centre + 2 * turn * log
        far, label = near + size, f"{turn + 1}"
        logs = (
            rectangle(f"light {label}", LIGHT, near, near - log, size, log),
            rectangle(f"light {label}", LIGHT, near, far, size, log),
            rectangle(f"dark {label}", DARK, near - log, near - log, log, size + 2 * log),
            rectangle(f"dark {label}", DARK, far, near - log, log, size + 2 * log),
        )
        name = "block" if turn == rounds - 1 else f"round {turn + 1}"
        block = sewn(name, seam, block, *(piece(each, seam) for each in logs), how=AROUND)
    return Assembly(block, finished)


RECIPE = Recipe(
    id="courthouse-steps",
    title="Courthouse steps",
    finished=square_of(Fraction(19, 2)),
    assemble=_assemble,
    options={"rounds": 3, "centre": Fraction(5, 2), "log": FOLLOWS},
    size_of=cabin_size,
    notes=cabin_notes,
    facts=Facts(
        made_from="A center with logs added in opposite pairs.",
        difficulty=Difficulty.SOME,
        sides=(5, 16),
        suits="Two values, or four color families.",
        pressing=("Always away from the center.",),
        cautions=("Keep pins clear of the presser foot.",),
        mistakes=(
            (
                "Opposite sides don't match",
                "Cut logs to length before you sew; don't sew first and trim.",
            ),
        ),
    ),
    about="Logs in opposite pairs: light on top and bottom, dark on the sides.",
)
