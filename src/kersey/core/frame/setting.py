"""The setting: how blocks are placed in rows and columns, and the plain cloth between them.

    straight    R x C blocks
    alternate   every other place a plain square, beginning with a block in the corner
    on point    each block on its corner: R rows of C, and between them R - 1 rows of C - 1; plain
                triangles fill the edge

f a block finished, s the seam. On point the body is C x 1.414 f wide and R x 1.414 f long, trimmed
to an eighth. Source: docs/trade.md section 5.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from typing import NamedTuple

from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.strips import StripPieces
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.root2 import Root2
from kersey.core.measure.spoken import Spoken


class Setting(Spoken):
    """How the blocks are placed."""

    STRAIGHT = "straight"
    ALTERNATE = "alternate", "alternating plain squares"
    ON_POINT = "on-point", "on point"


class Seat(NamedTuple):
    """A place for a block. On point the rows of fewer blocks are counted too."""

    row: int
    column: int


def blocks_in(setting: Setting, rows: int, columns: int) -> int:
    """Pieced blocks of a quilt.

    >>> [blocks_in(setting, 5, 7) for setting in Setting]
    [35, 18, 59]
    """
    if setting is Setting.ON_POINT:
        return rows * columns + (rows - 1) * (columns - 1)
    return -(-rows * columns // 2) if setting is Setting.ALTERNATE else rows * columns


def suiting(setting: Setting, block: tuple[Fraction, Fraction]) -> Setting:
    """The setting for a block of this size: only a square one lies on its corner."""
    lies_straight = setting is Setting.ON_POINT and block[0] != block[1]
    return Setting.STRAIGHT if lies_straight else setting


@dataclass(frozen=True)
class BlockGrid:
    """Rows and columns of blocks, set in one way."""

    rows: int
    columns: int
    setting: Setting = Setting.STRAIGHT

    @property
    def blocks(self) -> int:
        """Pieced blocks in it."""
        return blocks_in(self.setting, self.rows, self.columns)

    @cached_property
    def seats(self) -> tuple[Seat, ...]:
        """The places for blocks, row by row from the top left."""
        if self.setting is Setting.ON_POINT:
            rows = range(2 * self.rows - 1)
            return tuple(Seat(r, c) for r in rows for c in range(self.columns - r % 2))
        return tuple(seat for seat in self._all() if self._is_pieced(seat))

    @property
    def plain_seats(self) -> tuple[Seat, ...]:
        """The places of plain squares."""
        if self.setting is not Setting.ALTERNATE:
            return ()
        return tuple(seat for seat in self._all() if not self._is_pieced(seat))

    def turning(self, seat: Seat) -> Seat:
        """Row and column of a place as its block sees them, lying straight: by these it is turned.

        On point the grid lies on its corner, and so do the places between plain squares.
        """
        if self.setting is Setting.STRAIGHT:
            return seat
        across = 2 * seat.column + seat.row % 2 if self._on_point else seat.column
        return Seat((seat.row + across) // 2, (across - seat.row) // 2)

    @cached_property
    def near(self) -> tuple[tuple[int, ...], ...]:
        """The numbers of the places that share a seam with each."""
        if self.setting is Setting.ALTERNATE:
            return ((),) * len(self.seats)
        numbers = {self.turning(seat): number for number, seat in enumerate(self.seats)}
        return tuple(
            tuple(
                numbers[beside]
                for down, across in ((0, -1), (-1, 0), (0, 1), (1, 0))
                for beside in [Seat(row + down, column + across)]
                if beside in numbers
            )
            for row, column in map(self.turning, self.seats)
        )

    @property
    def most_apart(self) -> int:
        """The most places of which no two share a seam.

        Straight no more than half of them, rounded up: places pair off with their neighbours. On
        point every block of the shorter rows pairs off with one of the longer.
        """
        if self.setting is Setting.ON_POINT:
            return self.rows * self.columns
        return -(-self.blocks // 2) if self.setting is Setting.STRAIGHT else self.blocks

    def body(
        self, block: tuple[Fraction, Fraction], sashing: Sashing = NO_SASHING
    ) -> tuple[Fraction, Fraction]:
        """Finished width and length of the blocks with what lies between them.

        >>> BlockGrid(5, 4, Setting.ON_POINT).body((Fraction(6), Fraction(6)))
        (Fraction(271, 8), Fraction(339, 8))
        """
        if self._on_point:
            across, down = self.columns * block[0], self.rows * block[1]
            return Root2(root=across).floor_to(EIGHTH), Root2(root=down).floor_to(EIGHTH)
        return sashing.body(self.columns, self.rows, block)

    def plain_pieces(
        self, block: tuple[Fraction, Fraction], seam: Fraction
    ) -> Iterator[StripPieces]:
        """Plain squares between the blocks, or the squares that setting triangles are cut from."""
        if self.setting is Setting.ALTERNATE and self.plain_seats:
            wide, long = (side + 2 * seam for side in block)
            yield StripPieces("plain square", len(self.plain_seats), wide, long)
        if self._on_point:
            # docs/trade.md section 5: f x 1.414 + 1 1/4 cut twice, f / 1.414 + 7/8 cut once; the
            # allowances are of a seam of 1/4, and grow with it.
            side = Root2(5 * seam, block[0]).ceil_to(EIGHTH)
            corner = Root2(Fraction(7, 2) * seam, block[0] / 2).ceil_to(EIGHTH)
            if self.side_triangles:
                squares = -(-self.side_triangles // 4)
                yield StripPieces("square for side triangles", squares, side, side)
            yield StripPieces("square for corner triangles", 2, corner, corner)

    @property
    def side_triangles(self) -> int:
        """Triangles along the edge, but for the corners."""
        return 2 * (self.rows - 1) + 2 * (self.columns - 1) if self._on_point else 0

    @property
    def _on_point(self) -> bool:
        return self.setting is Setting.ON_POINT

    def _all(self) -> Iterator[Seat]:
        for row in range(self.rows):
            for column in range(self.columns):
                yield Seat(row, column)

    def _is_pieced(self, seat: Seat) -> bool:
        return self.setting is Setting.STRAIGHT or (seat.row + seat.column) % 2 == 0
