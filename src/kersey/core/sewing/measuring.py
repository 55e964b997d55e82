"""What a measure says, beside what it should be: go on, move the needle, follow, or mend one.

    off a seam = (target - read) / seams        what each seam takes too much, or too little

A quarter of an inch at seven seams is 1/28 at each: about 1/32, the nearest mark of a ruler.
Source: docs/trade.md section 9.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import Patch, Size
from kersey.core.measure.counting import counted
from kersey.core.measure.length import SIXTEENTH, Units, format_length
from kersey.core.project.sewing import Reading

# Under this a block is as it should be; within this a row is eased in.
GO_ON, EASE = SIXTEENTH, Fraction(1, 8)
_MARK = Fraction(1, 32)
# docs/trade.md section 9: drift is taken back over several strips.
SPREAD_OVER = 6
# A seam is moved by no more than this to take drift back.
MOST_TAKEN = SIXTEENTH
# Rows that differ by no more than this are all off alike.
_ALIKE = Fraction(1, 8)


class Verdict(StrEnum):
    """What is to be done."""

    GO_ON = "go on"
    EASE = "ease it in"
    SEAMS = "every seam is off alike"
    FOLLOW = "all are off alike"
    ONE = "one is off"
    UNEVEN = "they are uneven"


@dataclass(frozen=True)
class PerSeam:
    """So much too large (above 0) or too small at each of `seams` seams; exactly, and to the
    nearest mark of a ruler."""

    off: Fraction
    seams: int

    @property
    def each(self) -> Fraction:
        """Exactly."""
        return self.off / self.seams if self.seams else Fraction(0)

    @property
    def marked(self) -> Fraction:
        """To the nearest 1/32, the smallest that can be told on a ruler."""
        return round(self.each / _MARK) * _MARK

    @property
    def exact(self) -> bool:
        """Whether the mark is just it."""
        return self.marked == self.each


def judged(target: Fraction, read: Fraction, seams: int) -> tuple[Verdict, PerSeam]:
    """What a strip set or a block says that measures so.

    >>> verdict, per = judged(Fraction(33, 2), Fraction(65, 4), 7)
    >>> str(verdict), str(per.each), str(per.marked), per.exact
    ('every seam is off alike', '-1/28', '-1/32', False)
    """
    off = read - target
    return (Verdict.GO_ON if abs(off) < GO_ON else Verdict.SEAMS), PerSeam(off, seams)


@dataclass(frozen=True)
class RowsSay:
    """What measured rows say: of each row its verdict; `follow` is the length they all have then,
    `one` the row that is off, by so much at each seam."""

    verdict: Verdict
    follow: Fraction | None = None
    one: int | None = None
    per_seam: PerSeam | None = None


def rows_say(reckoned: Fraction, read: Sequence[tuple[int, Fraction]], seams: int) -> RowsSay:
    """What rows say, by their numbers, each with so many seams across.

    >>> rows_say(Fraction(109, 2), [(1, Fraction(435, 8))], 8).verdict.value
    'ease it in'
    """
    off = {row: length - reckoned for row, length in read}
    wrong = [row for row, by in off.items() if abs(by) > EASE]
    if not wrong:
        exact = all(by == 0 for by in off.values())
        return RowsSay(Verdict.GO_ON if exact else Verdict.EASE)
    lengths = [length for _, length in read]
    if max(lengths) - min(lengths) <= _ALIKE and (len(read) > 1 or len(wrong) == len(read)):
        mean = sum(lengths, Fraction(0)) / len(lengths)
        return RowsSay(Verdict.FOLLOW, follow=mean, per_seam=PerSeam(mean - reckoned, seams))
    if len(wrong) == 1:
        return RowsSay(Verdict.ONE, one=wrong[0], per_seam=PerSeam(off[wrong[0]], seams))
    return RowsSay(Verdict.UNEVEN)


def seams_across(patches: Sequence[Patch], finished: Size) -> tuple[int, int]:
    """How many seams a measure across a block crosses at most, and one down it.

    >>> from kersey.core.blocks.catalogue import recipes
    >>> from kersey.core.measure.workshop import QUARTER_INCH
    >>> nine = recipes()["nine-patch"]
    >>> block = nine.assemble(nine.finished, nine.options, QUARTER_INCH)
    >>> seams_across(block.patches, block.finished)
    (2, 2)
    """
    return _crossed(patches, 0, finished), _crossed(patches, 1, finished)


def _crossed(patches: Sequence[Patch], axis: int, finished: Size) -> int:
    """The most patches on any line along an axis, less one."""
    other = 1 - axis
    stops = sorted({corner[other] for patch in patches for corner in patch.corners})
    lines = [(low + high) / 2 for low, high in pairwise(stops)]
    crossed = (
        sum(
            min(c[other] for c in p.corners) < line < max(c[other] for c in p.corners)
            for p in patches
        )
        for line in lines
    )
    return max(crossed, default=1) - 1


@dataclass(frozen=True)
class Drift:
    """Of strips sewn one after the other: how much they are off at a place after so many, and so
    at each seam."""

    place: str
    strips: int
    per_seam: PerSeam


def drifts(readings: Sequence[Reading]) -> list[Drift]:
    """The drift at the middle and either edge, after as many strips as were counted last; `number`
    of a reading is how many strips were on."""
    last = {r.place: r for r in readings if r.number == readings[-1].number}
    return [
        Drift(place, r.number, PerSeam(r.read - r.target, max(1, r.number - 1)))
        for place, r in last.items()
    ]


def correction(drift: Drift, over: int) -> PerSeam:
    """What each of the next seams takes more (above 0) or less so that the drift is gone after
    `over` of them."""
    return PerSeam(drift.per_seam.off, over)


def said(per: PerSeam, units: Units) -> str:
    """How much at each seam, and together: exact, or said to be near.

    >>> said(PerSeam(Fraction(-1, 4), 7), Units.INCHES)
    'about 1/32″ at each of 7 seams adds up to ¼″'
    >>> said(PerSeam(Fraction(1, 8), 4), Units.INCHES)
    '1/32″ at each of 4 seams adds up to ⅛″'
    """
    if units is Units.CENTIMETRES:
        each = f"about {abs(float(per.each)) * 25.4:.1f} mm"
    elif per.marked:
        each = f"{'' if per.exact else 'about '}{_on_a_ruler(abs(per.marked))}"
    else:
        each = "less than 1/64″"
    noun = "one seam" if per.seams == 1 else f"each of {counted(per.seams, 'seam')}"
    return f"{each} at {noun} adds up to {format_length(abs(per.off), units)}"


def _on_a_ruler(length: Fraction) -> str:
    """A length by the marks of a ruler, which has thirty-seconds where others end at sixteenths."""
    if length.denominator < _MARK.denominator:
        return format_length(length)
    return f"{length.numerator}/{length.denominator}″"
