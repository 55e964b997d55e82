"""Strips joined end to end into one long strip.

A straight seam costs 2s of length at every join, a diagonal one the width of the strip:

    n strips of length L give  n L - (n - 1) x cost
"""

import math
from fractions import Fraction

from kersey.core.errors import Infeasible


class StripTooShort(Infeasible):
    """The strip is not longer than what a join costs: joining more never gets further."""

    def __init__(self, strip_length: Fraction, cost: Fraction) -> None:
        self.strip_length, self.cost = strip_length, cost
        super().__init__("The strips are too short to join. Use longer ones.")


def strips_to_join(wanted: Fraction, strip_length: Fraction, cost: Fraction) -> int:
    """The fewest strips whose joined length is at least `wanted`; all lengths in inches.

    Raises `StripTooShort` when a strip is not longer than `cost`.

    >>> strips_to_join(Fraction(240), Fraction(42), Fraction(5, 2))
    7
    """
    if strip_length <= cost:
        raise StripTooShort(strip_length, cost)
    return max(1, math.ceil((wanted - cost) / (strip_length - cost)))
