"""How the blocks of a quilt lie in its picture: parted by sashing, between plain squares, on point.

A block's corners are given from an anchor: its upper left corner, or on point its middle, about
which it is turned by an eighth of a circle.
"""

from collections.abc import Iterable
from fractions import Fraction
from math import sqrt

from kersey.core.frame.setting import Seat, Setting
from kersey.core.quilt.body import anchor_in_body
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.svg import number

Point = tuple[float, float]


class Lie:
    """The places of a quilt whose body begins at a point of its picture, in inches."""

    def __init__(self, quilt: Quilt, left: Fraction, top: Fraction) -> None:
        self._quilt, self._left, self._top = quilt, float(left), float(top)
        self._wide, self._high = map(float, quilt.block)
        self.on_point = quilt.grid.setting is Setting.ON_POINT
        self._anchors: dict[Seat, Point] = {}

    def anchor(self, seat: Seat) -> Point:
        """Where the block of a place is anchored."""
        if seat not in self._anchors:
            x, y = anchor_in_body(self._quilt, seat)
            self._anchors[seat] = self._left + x, self._top + y
        return self._anchors[seat]

    def middle(self, seat: Seat) -> Point:
        """Where the middle of a place's block is."""
        x, y = self.anchor(seat)
        return (x, y) if self.on_point else (x + self._wide / 2, y + self._high / 2)

    def reaches(self, seat: Seat, end: tuple[Fraction, Fraction]) -> bool:
        """Whether a place's block, turned however, may reach into a picture that ends there."""
        x, y = self.middle(seat)
        reach = (self._wide + self._high) / 2
        return x - reach < end[0] and y - reach < end[1]

    def lying(self, corners: Iterable[tuple[Fraction, Fraction]]) -> list[Point]:
        """Corners within a block, as they lie, from its anchor."""
        straight = [(float(x), float(y)) for x, y in corners]
        if not self.on_point:
            return straight
        middle = self._wide / 2
        return [((x - y) / sqrt(2), (x + y - 2 * middle) / sqrt(2)) for x, y in straight]

    def outline(self, seats: Iterable[Seat], crossed: bool = False) -> str:
        """The outlines of the blocks of these places, as path data; crossed through, if so."""
        wide, high = self._quilt.block
        nothing = Fraction(0)
        corners = self.lying(((nothing, nothing), (wide, nothing), (wide, high), (nothing, high)))
        (first_x, first_y), *rest = corners
        steps = "".join(
            f"l{number(x - before[0])} {number(y - before[1])}"
            for before, (x, y) in zip(corners, rest, strict=False)
        )
        cross = f"l{number(rest[1][0] - first_x)} {number(rest[1][1] - first_y)}" if crossed else ""
        return "".join(
            f"M{number(x + first_x)} {number(y + first_y)}{steps}z{cross}"
            for x, y in map(self.anchor, seats)
        )
