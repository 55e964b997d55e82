"""Holding the layers together: how many pins or ties, and how long the basting stitches run.

Points are set so far apart both ways, the first half of that from the edge: over 48 x 60 every 4
they are 12 x 15 = 180. Basting thread runs in lines so far apart, both ways, from the centre out.
Source: docs/trade.md sections 6, 9 and 11.
"""

from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from kersey.core.project.finishing import Holding

Size = tuple[Fraction, Fraction]
# A basting stitch goes up and down: the thread is longer than the line by about so much.
_THREAD_OVER_LINE = Fraction(6, 5)


@dataclass(frozen=True)
class Points:
    """So many points across and down."""

    across: int
    down: int

    @property
    def count(self) -> int:
        """All of them."""
        return self.across * self.down


def points_over(size: Size, apart: Fraction) -> Points:
    """Pins or ties over a quilt, no further apart than is said.

    >>> points_over((Fraction(48), Fraction(60)), Fraction(4)).count
    180
    """
    return Points(ceil(size[0] / apart), ceil(size[1] / apart))


def basting_thread(size: Size, apart: Fraction) -> Fraction:
    """Inches of thread for lines so far apart, both ways; an estimate.

    >>> basting_thread((Fraction(40), Fraction(40)), Fraction(4))
    Fraction(960, 1)
    """
    points = points_over(size, apart)
    return (points.across * size[1] + points.down * size[0]) * _THREAD_OVER_LINE


@dataclass(frozen=True)
class HoldingSteps:
    """What is done, in order; what to be careful of; and whether the batting forbids it."""

    steps: tuple[str, ...]
    care: str = ""
    forbidden: str = ""


_LAY = (
    "Press top and backing, and square the top up.",
    "Lay the backing face down on a table or floor and tape it, flat but not stretched.",
    "Lay the batting on it and smooth it from the centre outward.",
    "Lay the top on it face up, centre on centre, and smooth it from the centre outward.",
)
_TURN = "Turn it over: the back must lie flat, without a fold or a pucker."
_HOLD = {
    Holding.PINS: "Pin from the centre outward, away from where you will sew; close the pins last.",
    Holding.THREAD: "Baste in long stitches from the centre outward, first both ways through the "
    "middle, then in between.",
    Holding.SPRAY: "Fold half of it back, spray the batting thinly, smooth the cloth down again; "
    "then the other half, then the back.",
    Holding.FUSED: "Press from the centre outward, lifting the iron and setting it down.",
}
_CARE = {
    Holding.PINS: "Count the pins out, and count them in again.",
    Holding.SPRAY: "Only in a well aired room or outside; what the can says comes first.",
    Holding.FUSED: "What the batting's maker says of heat comes first.",
}


def holding_steps(holding: Holding, bears_heat: bool | None) -> HoldingSteps:
    """How the layers are put together by one school; `bears_heat` is None where nobody knows."""
    forbidden = ""
    if holding is Holding.FUSED and bears_heat is False:
        forbidden = "This batting does not bear the iron: hold it with pins, thread or spray."
    elif holding is Holding.FUSED and bears_heat is None:
        forbidden = "Read the packet first: only batting that bears an iron can be pressed."
    steps = (*_LAY, _HOLD[holding], _TURN)
    return HoldingSteps(steps, _CARE.get(holding, ""), forbidden)
