"""Lengths with a diagonal in them: p + q times the square root of two, kept exact.

Sewing on the diagonal brings in the root of two: a square S sewn all round and cut on both
diagonals gives units of (S - 2s) / sqrt 2. Such a length is compared exactly, and only rounded to a
mark of the ruler the way that is safe.
"""

from dataclasses import dataclass
from fractions import Fraction
from math import floor, sqrt


@dataclass(frozen=True)
class Root2:
    """``plain + root * sqrt(2)`` inches.

    >>> raw = Root2(root=Fraction(19, 4))
    >>> round(float(raw), 2), raw.floor_to(Fraction(1, 8)), raw.ceil_to(Fraction(1, 8))
    (6.72, Fraction(53, 8), Fraction(27, 4))
    """

    plain: Fraction = Fraction(0)
    root: Fraction = Fraction(0)

    def __float__(self) -> float:
        return float(self.plain) + float(self.root) * sqrt(2)

    def __add__(self, other: "Root2 | Fraction") -> "Root2":
        if isinstance(other, Fraction):
            return Root2(self.plain + other, self.root)
        return Root2(self.plain + other.plain, self.root + other.root)

    def __sub__(self, other: "Root2 | Fraction") -> "Root2":
        return self + (-other if isinstance(other, Fraction) else other.times(Fraction(-1)))

    def times(self, factor: Fraction) -> "Root2":
        """So many times as long."""
        return Root2(self.plain * factor, self.root * factor)

    def at_least(self, length: Fraction) -> bool:
        """Whether it is as long as a length, or longer; exact."""
        plain, root = self.plain - length, self.root
        if plain >= 0 and root >= 0:
            return True
        if plain < 0 and root < 0:
            return False
        # The two differ in sign: whichever is larger in square decides.
        return (2 * root * root >= plain * plain) == (root >= 0) or 2 * root * root == plain * plain

    def floor_to(self, step: Fraction) -> Fraction:
        """The last mark of a ruler that it reaches."""
        marks = floor(float(self) / float(step))
        while not self.at_least(marks * step):
            marks -= 1
        while self.at_least((marks + 1) * step):
            marks += 1
        return marks * step

    def ceil_to(self, step: Fraction) -> Fraction:
        """The first mark of a ruler that is enough for it."""
        under = self.floor_to(step)
        exact = self.root == 0 and under == self.plain
        return under if exact else under + step
