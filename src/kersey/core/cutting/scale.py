"""Lengths as whole numbers: every size of a problem in one small unit that measures them all.

With halves and quarters of an inch the unit is a quarter; with 6.5 cm and 2 1/2 inches together it
is smaller. Nothing is rounded.
"""

from collections.abc import Iterable
from fractions import Fraction
from math import gcd, lcm

from kersey.core.errors import InvalidValue

_MOST_UNITS = 2**53


class TooFine(InvalidValue):
    """Sizes that have no common measure to speak of."""

    def __init__(self) -> None:
        super().__init__(
            "These sizes are too precise for this much fabric. Round "
            "them to 1/16″ or to millimeters."
        )


def unit_of(lengths: Iterable[Fraction]) -> Fraction:
    """The largest length that measures all of these exactly.

    >>> unit_of([Fraction(5, 2), Fraction(13, 4)])
    Fraction(1, 4)
    """
    known = list(lengths)
    denominator = lcm(*(length.denominator for length in known))
    whole = gcd(*(int(length * denominator) for length in known))
    return Fraction(whole, denominator)


def in_units(length: Fraction, unit: Fraction) -> int:
    """A length in whole units; what is left over beyond the last one is cut off.

    Raises `TooFine` when they are more than can be reckoned with.
    """
    units = int(length // unit)
    if units > _MOST_UNITS:
        raise TooFine
    return units
