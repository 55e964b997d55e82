"""Corner log cabin: logs on two sides of a corner square only, a light pair, then a dark one.

    finished = (c - 2s) + r (w - 2s)      c  corner square as cut, r rounds, w log as cut

A round's first log is as long as the block so far, its second one longer by w - 2s.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.patchwork.log_cabin import FOLLOWS, log_said
from kersey.core.blocks.recipe import (
    BadRecipe,
    Options,
    Recipe,
    length_option,
    rectangle,
    square_of,
    whole,
)
from kersey.core.blocks.technique import AROUND
from kersey.core.measure.length import Units, format_length
from kersey.core.measure.workshop import USUAL_WIDTH

LIGHT, DARK = "light", "dark"


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    rounds = whole(options, "rounds", 1, 12)
    size = length_option(options, "corner", 2 * seam, Fraction(20)) - 2 * seam
    log, said = (finished[0] - size) / rounds, log_said(options, seam)
    if log <= 0:
        raise BadRecipe("block.finished", "more than the corner square alone.")
    if said is not None and said != log:
        why = f"{format_length(size + rounds * said)} for logs of that width, or left out."
        raise BadRecipe("block.finished", why)
    block = piece(rectangle("corner", DARK, Fraction(0), Fraction(0), size, size), seam)
    for turn in range(rounds):
        role = DARK if turn % 2 else LIGHT
        one, two = f"{role} {2 * turn + 1}", f"{role} {2 * turn + 2}"
        logs = (
            rectangle(one, role, size, Fraction(0), log, size),
            rectangle(two, role, Fraction(0), size, size + log, log),
        )
        size += log
        name = "block" if turn == rounds - 1 else f"pair {turn + 1}"
        block = sewn(name, seam, block, *(piece(each, seam) for each in logs), how=AROUND)
    return Assembly(block, finished)


def _size(options: Options, seam: Fraction) -> Size | None:
    log = log_said(options, seam)
    if log is None:
        return None
    corner = length_option(options, "corner", 2 * seam, Fraction(20)) - 2 * seam
    return square_of(corner + whole(options, "rounds", 1, 12) * log)


def _notes(assembly: Assembly, _: Options, seam: Fraction, units: Units) -> tuple[str, ...]:
    """Whether one strip makes the feature logs of a whole block."""
    light = [need for need in assembly.needs if need.role == LIGHT]
    run = sum((max(need.width, need.height) * need.count for need in light), Fraction(0))
    enough = "one strip is enough" if run <= USUAL_WIDTH else "one strip is too short"
    return (f"The light logs for one block take {format_length(run, units)} of strip; {enough}.",)


RECIPE = Recipe(
    id="corner-log-cabin",
    title="Corner log cabin",
    finished=square_of(8),
    assemble=_assemble,
    options={"rounds": 3, "corner": Fraction(5, 2), "log": FOLLOWS},
    size_of=_size,
    notes=_notes,
    facts=Facts(
        made_from="A corner square with logs on just two sides.",
        difficulty=Difficulty.SOME,
        sides=(4, 12),
        suits="One 2 1/2″ strip can make all the feature logs for a block.",
        pressing=("Away from the corner.",),
        cautions=(CUTTER,),
        mistakes=(
            ("Feature and background got switched", "Lay out one block's pieces in sewing order."),
        ),
    ),
    about="Logs on two sides of a dark corner square, in alternating light and dark pairs.",
)
