"""What a person has settled and measured while sewing: all that is not in the plan.

school    to which side seams are pressed
batch     how many blocks are sewn side by side, seam by seam
reading   what something measured, beside what it should
spell     a time spent on some work, from when to when
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from enum import StrEnum
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.spoken import Spoken

Size = tuple[Fraction, Fraction]
# docs/trade.md section 9: chain-piecing in batches of ten to twelve.
USUAL_BATCH, MOST_IN_A_BATCH = 12, 1000
LONGEST_NOTE = 2000
# After so many minutes at the machine one stands up; 0 is never.
USUAL_STRETCH, LONGEST_STRETCH = 45, 240


class BadSewing(InvalidValue):
    """Something that cannot be so while sewing."""


class School(Spoken):
    """To which side seams are pressed."""

    DARK = "to the dark", "toward the dark"
    ONE_SIDE = "to one side, so that they nest", "to one side, so seams nest"
    OPEN = "open"
    PLAIN = "toward the plain piece or sashing"
    ALTERNATE = "rows in turn", "alternating by row"


class Measured(StrEnum):
    """What is measured."""

    SET = "strip set"
    BLOCK = "block"
    ROW = "row"
    STRIP = "strip by strip"
    BORDER = "border"
    QUILTED = "quilted"
    WASHED = "washed"


class Follow(Spoken):
    """What becomes of blocks or rows that are not as reckoned."""

    RECKONED = "as reckoned", "as planned"
    MEASURED = "as measured"
    SMALLEST = "trimmed to the smallest", "trimmed to the smallest block"


@dataclass(frozen=True)
class Reading:
    """What was measured, in inches: the `number` of the block, row or strip, `place` within it."""

    what: Measured
    number: int
    place: str
    target: Fraction
    read: Fraction
    at: datetime
    by_tape: bool = False

    def __post_init__(self) -> None:
        if self.read <= 0 or self.target <= 0:
            raise BadSewing("Type a length larger than 0.")


class Work(StrEnum):
    """What time is spent on."""

    CUT = "cutting"
    SEW = "sewing blocks"
    ROWS = "joining rows"
    FINISH = "border, backing and binding"


@dataclass(frozen=True)
class Spell:
    """Time spent on some work; it goes on as long as there is no `end`. `before` and `after` count
    what was done of it by then: cuts, seams, rows."""

    work: Work
    begin: datetime
    before: int
    end: datetime | None = None
    after: int = 0

    def __post_init__(self) -> None:
        if self.end is not None and self.end < self.begin:
            raise BadSewing("The end can't be before the start.")

    @property
    def done(self) -> int:
        """How much was done in it."""
        return max(0, self.after - self.before)

    @property
    def minutes(self) -> float:
        """How long it took."""
        return 0.0 if self.end is None else (self.end - self.begin).total_seconds() / 60


@dataclass(frozen=True)
class Evening:
    """Minutes one has on a day of the week, Monday being 0."""

    day: int
    minutes: int

    def __post_init__(self) -> None:
        if not 0 <= self.day <= 6 or not 0 <= self.minutes <= 24 * 60:
            raise BadSewing("Use up to 24 hours per day.")


@dataclass(frozen=True)
class Sewing:
    """The choices and the log. `follow` says whether blocks and rows count as they were measured;
    `last` says what was done last."""

    school: School = School.DARK
    batch: int = USUAL_BATCH
    follow: Follow = Follow.RECKONED
    readings: tuple[Reading, ...] = ()
    spells: tuple[Spell, ...] = ()
    evenings: tuple[Evening, ...] = ()
    ready_by: date | None = None
    note: str = ""
    last: str = ""
    last_at: datetime | None = None
    stretch: int = USUAL_STRETCH

    def __post_init__(self) -> None:
        if not 0 <= self.batch <= MOST_IN_A_BATCH:
            raise BadSewing(f"Sew 1 to {MOST_IN_A_BATCH} blocks per batch, or 0 for all.")
        if len(self.note) > LONGEST_NOTE:
            raise BadSewing(f"A note can have {LONGEST_NOTE} characters.")
        if not 0 <= self.stretch <= LONGEST_STRETCH:
            raise BadSewing(f"Type 1 to {LONGEST_STRETCH} minutes, or 0 for never.")

    @property
    def running(self) -> Spell | None:
        """The spell that goes on just now."""
        return self.spells[-1] if self.spells and self.spells[-1].end is None else None

    def of(self, what: Measured) -> tuple[Reading, ...]:
        """The readings of one kind that stand: of each place the last one."""
        last = {(r.number, r.place): r for r in self.readings if r.what is what}
        return tuple(last.values())


AT_REST = Sewing()
WIDTH, HEIGHT = "width", "height"


def block_as_measured(
    sewing: Sewing, finished: Size, seam: Fraction, across: int, sashing: Fraction
) -> Size:
    """What shows of a block: as reckoned, or where that was settled as it was measured.

    Of all blocks measured the mean, or the smallest they are trimmed to; once rows were measured
    the width that they come to, `across` blocks with `sashing` between them.
    """
    if sewing.follow is Follow.RECKONED:
        return finished
    together = min if sewing.follow is Follow.SMALLEST else _mean
    blocks = sewing.of(Measured.BLOCK)
    sides = []
    for place, reckoned in zip((WIDTH, HEIGHT), finished, strict=True):
        read = [each.read for each in blocks if each.place in ("", place)]
        sides.append(together(read) - 2 * seam if read else reckoned)
    rows = [each.read for each in sewing.of(Measured.ROW)]
    if rows:
        sides[0] = (_mean(rows) - 2 * seam - (across - 1) * sashing) / across
    return (sides[0], sides[1]) if min(sides) > 0 else finished


def _mean(lengths: Sequence[Fraction]) -> Fraction:
    return sum(lengths, Fraction(0)) / len(lengths)
