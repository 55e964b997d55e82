"""What troubles the eye on a wall of blocks, and how much a person minds each.

A weight goes from 0, not minded, to 5; a step is about three times as much.
"""

from dataclasses import dataclass

from kersey.core.errors import InvalidValue
from kersey.core.measure.spoken import Spoken

MOST_WEIGHT = 5
# What a trouble of each weight costs.
COSTS = (0, 1, 3, 10, 30, 100)


class Trouble(Spoken):
    """What troubles the eye."""

    SAME = "the same print touching", "same print touching"
    CORNER = "the same print at corners", "same print at corners"
    FAMILY = "the same family touching", "same color family touching"
    STRONG = "a strong print near itself", "bold print near itself"
    VALUES = "light and dark lopsided", "light and dark out of balance"
    LINE = "a row all one family", "whole row one color family"
    DIAGONALS = "two diagonals in a V", "diagonals making a V"
    SEAMS = "many seams at a point", "bulky seam joins"
    ALTERNATE = "light and dark not in turn", "light and dark not alternating"
    DIRECTION = "a print not upright", "directional print not upright"


class BadWeights(InvalidValue):
    """A weight that cannot be."""


_USUAL = {
    Trouble.SAME: 5,
    Trouble.STRONG: 2,
    Trouble.VALUES: 1,
    Trouble.LINE: 2,
    Trouble.DIAGONALS: 2,
    Trouble.SEAMS: 1,
    Trouble.DIRECTION: 4,
}


@dataclass(frozen=True)
class Weights:
    """How much each trouble is minded, in the order of `Trouble`.

    >>> Weights().of(Trouble.SAME), Weights().of(Trouble.FAMILY)
    (5, 0)
    """

    each: tuple[int, ...] = tuple(_USUAL.get(trouble, 0) for trouble in Trouble)

    def __post_init__(self) -> None:
        if len(self.each) != len(Trouble):
            raise BadWeights("Give each item one weight.")
        if any(not 0 <= weight <= MOST_WEIGHT for weight in self.each):
            raise BadWeights(f"A weight must be a whole number from 0 to {MOST_WEIGHT}.")

    def of(self, trouble: Trouble) -> int:
        """The weight of a trouble."""
        return self.each[list(Trouble).index(trouble)]

    def cost(self, trouble: Trouble) -> int:
        """What one such trouble costs."""
        return COSTS[self.of(trouble)]


USUAL = Weights()
