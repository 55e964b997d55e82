"""The batting, out of a packet or off the roll; how large it is depends on the edge.

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

PACKETS = tuple(
    (Fraction(width), Fraction(length))
    for width, length in ((45, 60), (72, 90), (81, 96), (90, 108), (120, 120))
)


@dataclass(frozen=True)
class Batting:
    """Batting of this size in inches; `packet` the smallest that holds it, None: off the roll."""

    width: Fraction
    length: Fraction
    packet: tuple[Fraction, Fraction] | None


def plan_batting(width: Fraction, length: Fraction) -> Batting:
    """The batting of this size, and its packet.

    >>> plan_batting(Fraction(117, 2), Fraction(141, 2)).packet
    (Fraction(72, 1), Fraction(90, 1))
    """
    return Batting(width, length, next((p for p in PACKETS if _holds(p, width, length)), None))


def _holds(packet: tuple[Fraction, Fraction], width: Fraction, length: Fraction) -> bool:
    short, long = sorted((width, length))
    return short <= packet[0] and long <= packet[1]
