"""Log cabin: a centre, and rounds of two light logs and two dark ones.

    finished = (c - 2s) + 2 r (w - 2s)      c  centre as cut, r rounds, w log as cut

A log is as long as what it is sewn to; every log or two the block grows by w - 2s. With c = 2 1/2,
w = 1 3/4 and three rounds the light logs are 2 1/2, 3 3/4 ... 8 3/4, the dark ones 3 3/4 ... 10,
and the block is 10 unfinished. Source: docs/trade.md section 3.
"""

from collections.abc import Callable, Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Patch, Size, piece, sewn
from kersey.core.blocks.facts import Difficulty, Facts
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

LIGHT, DARK = "light", "dark"
# No log width is said: it follows from the finished size.
FOLLOWS = Fraction(0)


def log_width(finished: Size, options: Options, seam: Fraction) -> tuple[int, Fraction, Fraction]:
    """(rounds, what shows of the centre, what shows of a log); raises `BadRecipe`."""
    rounds = whole(options, "rounds", 1, 12)
    centre = length_option(options, "centre", 2 * seam, Fraction(20)) - 2 * seam
    shows = (finished[0] - centre) / (2 * rounds)
    if shows <= 0:
        raise BadRecipe("block.finished", "larger than the center by itself.")
    said = log_said(options, seam)
    if said is not None and said != shows:
        why = f"{format_length(centre + 2 * rounds * said)} for logs of that width, or left out."
        raise BadRecipe("block.finished", why)
    return rounds, centre, shows


def log_said(options: Options, seam: Fraction) -> Fraction | None:
    """What shows of a log where its cut width is said; None where it follows from the block."""
    if options["log"] == FOLLOWS:
        return None
    return length_option(options, "log", 2 * seam, Fraction(20)) - 2 * seam


def cabin_size(options: Options, seam: Fraction) -> Size | None:
    """The finished size that comes of a centre, logs and rounds; None where no log is said."""
    log = log_said(options, seam)
    if log is None:
        return None
    centre = length_option(options, "centre", 2 * seam, Fraction(20)) - 2 * seam
    return square_of(centre + 2 * whole(options, "rounds", 1, 12) * log)


def cabin_notes(assembly: Assembly, _: Options, seam: Fraction, units: Units) -> tuple[str, ...]:
    """How much strip each side takes, and how shaded cloth lies.

    With c = 2 1/2, w = 1 3/4 and three rounds 33 3/4 of light strip and 41 1/4 of dark.
    """
    run = {LIGHT: Fraction(0), DARK: Fraction(0)}
    for need in assembly.needs:
        if need.label != "centre":
            run[need.role] += max(need.width, need.height) * need.count
    sides = (format_length(run[side], units) for side in (LIGHT, DARK))
    return (
        "Each block takes {} of light strip and {} of dark. Cut the dark first.".format(*sides),
        "With ombré fabric, cut inner logs from one end of the strip and outer logs from the "
        "other, the same way in every block.",
    )


# The logs of a round by its number: the corner of what is there, its side, and what shows of a log.
LogsOf = Callable[[int, Fraction, Fraction, Fraction], Sequence[Patch]]


def cabin_of(logs_of: LogsOf) -> Callable[[Size, Options, Fraction], Assembly]:
    """A centre with one round of logs after the other."""

    def assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
        rounds, centre, log = log_width(finished, options, seam)
        at = rounds * log
        block = piece(rectangle("centre", DARK, at, at, centre, centre), seam)
        for turn in range(rounds):
            logs = logs_of(turn, at - turn * log, centre + 2 * turn * log, log)
            name = "block" if turn == rounds - 1 else f"round {turn + 1}"
            block = sewn(name, seam, block, *(piece(each, seam) for each in logs), how=AROUND)
        return Assembly(block, finished)

    return assemble


def _logs_of(turn: int, near: Fraction, size: Fraction, log: Fraction) -> Sequence[Patch]:
    far, one, two = near + size, f"{2 * turn + 1}", f"{2 * turn + 2}"
    return (
        rectangle(f"light {one}", LIGHT, near, near - log, size, log),
        rectangle(f"light {two}", LIGHT, far, near - log, log, size + log),
        rectangle(f"dark {one}", DARK, near, far, size + log, log),
        rectangle(f"dark {two}", DARK, near - log, near - log, log, size + 2 * log),
    )


RECIPE = Recipe(
    id="log-cabin",
    title="Log cabin",
    finished=square_of(Fraction(19, 2)),
    assemble=cabin_of(_logs_of),
    options={"rounds": 3, "centre": Fraction(5, 2), "log": FOLLOWS},
    size_of=cabin_size,
    notes=cabin_notes,
    facts=Facts(
        made_from="A center with rounds of logs, light on two sides and dark on the other two.",
        difficulty=Difficulty.SOME,
        sides=(5, 16),
        suits="Fat quarters or strips in two values. With ombré fabric, "
        "put the light end toward the center.",
        pressing=("Always away from the center.", "Open, for narrow logs."),
        cautions=("Keep pins clear of the presser foot.",),
        mistakes=(
            ("The block goes crooked", "Square it up after each round."),
            (
                "The dark fabric runs out",
                "The dark side takes more fabric than the light. Cut it first.",
            ),
        ),
    ),
    about="Rounds of two light and two dark logs around a dark center.",
)
