"""What three readings of a side say: cut the borders to their average, or mend first.

    average    of what was read, exact
    cut        the average to the nearest eighth, the smallest mark people cut to
    spread     the largest less the smallest

A border is eased in while the spread is no more than 3/8 on a side under 45, 1/2 on a longer one.
Up to 3/4 the spread's share of the side decides: within a hundredth the cloth takes it, beyond it
would ripple. Past 3/4 seams are mended first. Source: docs/trade.md section 6.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.measure.length import EIGHTH, round_to

SMALL_SIDE = Fraction(45)
EASED_SMALL, EASED_LARGE, MEND = Fraction(3, 8), Fraction(1, 2), Fraction(3, 4)
# Cotton takes up about a hundredth of its length without a ripple.
_SHARE = Fraction(1, 100)


class SideVerdict(StrEnum):
    """What is done with a side."""

    EVEN = "even"
    EASE = "ease"
    EASE_WITH_CARE = "ease with care"
    MEND = "mend first"


@dataclass(frozen=True)
class SideSays:
    """Readings of one side, in inches: `share` is the spread's part of the longest of them."""

    readings: tuple[Fraction, ...]

    @property
    def average(self) -> Fraction:
        """Exact."""
        return sum(self.readings, Fraction(0)) / len(self.readings)

    @property
    def cut(self) -> Fraction:
        """The average to the nearest eighth."""
        return round_to(EIGHTH, self.average)

    @property
    def spread(self) -> Fraction:
        """The largest reading less the smallest."""
        return max(self.readings) - min(self.readings)

    @property
    def share(self) -> Fraction:
        """The spread as a part of the largest reading."""
        return self.spread / max(self.readings)

    @property
    def verdict(self) -> SideVerdict:
        """Whether borders can be eased to it.

        >>> says = side_says([Fraction(209, 4), Fraction(105, 2), Fraction(421, 8)])
        >>> str(says.cut), str(says.spread), says.verdict.value
        ('105/2', '3/8', 'ease')
        """
        if not self.spread:
            return SideVerdict.EVEN
        eased = EASED_SMALL if max(self.readings) < SMALL_SIDE else EASED_LARGE
        if self.spread <= eased:
            return SideVerdict.EASE
        if self.spread > MEND:
            return SideVerdict.MEND
        return SideVerdict.EASE_WITH_CARE if self.share <= _SHARE else SideVerdict.MEND


def side_says(readings: Sequence[Fraction]) -> SideSays:
    """What readings of a side say; there must be at least one."""
    return SideSays(tuple(readings))


def quarter_marks(strip: Fraction, side: Fraction) -> tuple[Fraction, Fraction, Fraction]:
    """Where a strip is marked, from one end, to be pinned to the middle and quarters of a side.

    >>> [str(mark) for mark in quarter_marks(Fraction(97, 2), Fraction(61, 2))]
    ['133/8', '97/4', '255/8']
    """
    return strip / 2 - side / 4, strip / 2, strip / 2 + side / 4
