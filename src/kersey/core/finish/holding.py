"""Holding the layers together: how many pins or ties, and how long the basting stitches run.

Points are set so far apart both ways, the first half of that from the edge: over 48 x 60 every 4
they are 12 x 15 = 180. Basting thread runs in lines so far apart, both ways, from the centre out.
Source: docs/trade.md sections 6, 9 and 11.
"""

from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from kersey.core.project.finishing import Holding, TurnedWay

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
    "Press the top and backing, and square up the top.",
    "Tape the backing to a table or floor, wrong side up, flat but not stretched.",
    "Center the batting on it and smooth from the center out.",
    "Center the top on the batting, right side up, and smooth from the center out.",
)
# Under a turned frame top and batting are held without a backing, which is sewn on later.
_LAY_TWO = (
    "Press the top and square it up.",
    "Lay the batting on a table or floor, flat but not stretched.",
    "Center the top on the batting, right side up, and smooth from the center out.",
)
_TURNED_FIRST = (
    "Sew the backing to the top first, right sides together, as the Edge page says.",
    "Before turning, lay the batting on the wrong side of the top and catch it at the edges.",
    "Turn the quilt right side out, smooth it flat, and hold the layers for quilting or tying.",
)
_TURN = "Turn it over and check that the back is flat, with no folds or puckers."
_HOLD = {
    Holding.PINS: "Pin from the center out, away from your quilting lines. Close the pins last.",
    Holding.THREAD: "Baste with long stitches from the center out: first both ways through the "
    "middle, then in between.",
    Holding.SPRAY: "Fold back half the top, spray the batting lightly and smooth the top down. "
    "Repeat for the other half, then for the back.",
    Holding.FUSED: "Press from the center out, lifting the iron each time.",
}
_CARE = {
    Holding.PINS: "Count your pins going in and coming out.",
    Holding.SPRAY: "Spray outdoors or in a well-ventilated room. Follow the maker's directions.",
    Holding.FUSED: "Follow the maker's directions.",
}


def holding_steps(
    holding: Holding, bears_heat: bool | None, turned: TurnedWay | None = None
) -> HoldingSteps:
    """How the layers are put together by one school; `bears_heat` is None where nobody knows.

    `turned` says what comes first under a turned frame, None under any other edge.
    """
    forbidden = ""
    if holding is Holding.FUSED and bears_heat is False:
        forbidden = "This batting can't take an iron. Use pins, hand basting or spray."
    elif holding is Holding.FUSED and bears_heat is None:
        forbidden = "Check the package first; only some batting can take an iron."
    lay: tuple[str, ...] = _LAY
    if turned is not None:
        lay = _LAY_TWO if turned is TurnedWay.QUILTED_FIRST else _TURNED_FIRST
    steps = (*lay, _HOLD[holding], _TURN)
    return HoldingSteps(steps, _CARE.get(holding, ""), forbidden)
