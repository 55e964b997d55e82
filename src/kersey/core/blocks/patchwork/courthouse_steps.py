"""Courthouse steps: a centre, and rounds of logs in opposite pairs, light ones then dark ones.

The pair above and below is as long as what it is sewn to; the pair at the sides is two logs longer.
Widths as in a log cabin. Source: docs/trade.md section 3.
"""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.patchwork.log_cabin import (
    DARK,
    FOLLOWS,
    LIGHT,
    cabin_notes,
    cabin_of,
    cabin_size,
)
from kersey.core.blocks.recipe import Recipe, rectangle, square_of


def _logs_of(turn: int, near: Fraction, size: Fraction, log: Fraction) -> Sequence[Patch]:
    far, label = near + size, f"{turn + 1}"
    return (
        rectangle(f"light {label}", LIGHT, near, near - log, size, log),
        rectangle(f"light {label}", LIGHT, near, far, size, log),
        rectangle(f"dark {label}", DARK, near - log, near - log, log, size + 2 * log),
        rectangle(f"dark {label}", DARK, far, near - log, log, size + 2 * log),
    )


RECIPE = Recipe(
    id="courthouse-steps",
    title="Courthouse steps",
    finished=square_of(Fraction(19, 2)),
    assemble=cabin_of(_logs_of),
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
