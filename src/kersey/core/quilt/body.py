"""Where the blocks lie in the body of a quilt: parted by sashing, between plain squares, on point.

From the upper left corner of the body, in inches.
"""

from fractions import Fraction
from math import sqrt

from kersey.core.frame.setting import Seat, Setting
from kersey.core.quilt.quilt import Quilt


def corner_in_body(quilt: Quilt, seat: Seat) -> tuple[Fraction, Fraction]:
    """Where a block begins that lies straight."""
    sashing, (width, height) = quilt.sashing, quilt.block
    edge = sashing.width if sashing.framed else Fraction(0)
    across = Fraction(0) if sashing.rows_only else sashing.width
    return edge + seat.column * (width + across), edge + seat.row * (height + sashing.width)


def anchor_in_body(quilt: Quilt, seat: Seat) -> tuple[float, float]:
    """Where a block is anchored: at its upper left corner, or on point at its middle."""
    if quilt.grid.setting is not Setting.ON_POINT:
        x, y = corner_in_body(quilt, seat)
        return float(x), float(y)
    across, down = (float(side) * sqrt(2) for side in quilt.block)
    # Of the shorter rows every block lies half a width further in.
    return across * (seat.column + (1 + seat.row % 2) / 2), down * (seat.row + 1) / 2


def outline_in_body(quilt: Quilt, seat: Seat) -> list[tuple[float, float]]:
    """The four corners of a block as it lies, clockwise."""
    x, y = anchor_in_body(quilt, seat)
    wide, high = map(float, quilt.block)
    if quilt.grid.setting is Setting.ON_POINT:
        reach = wide / sqrt(2)
        return [(x, y - reach), (x + reach, y), (x, y + reach), (x - reach, y)]
    return [(x, y), (x + wide, y), (x + wide, y + high), (x, y + high)]
