"""All schemes that are looked at: rows and columns x sashing x borders, for one block.

Kept as numbers side by side, for there may be a hundred thousand: everything an opinion of them
rests on is reckoned for all at once, in floats, and only ever orders them. A scheme that is told of
is made anew from its place, in exact lengths.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property, reduce
from itertools import combinations_with_replacement
from math import sqrt

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Size
from kersey.core.frame.backing import HOME_MARGIN
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import USUAL_EDGE, Edge
from kersey.core.frame.keys import NARROWEST_SPACER
from kersey.core.frame.purposes import LARGEST_SIDE
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.setting import Setting, suiting
from kersey.core.frame.size_search import LONGEST_RATIO, MOST_ROWS, WIDEST_BORDER_SHARE

Floats = NDArray[np.float64]
Counts = NDArray[np.int_]
# So many schemes of one block are looked at; of more, those with the most blocks.
MOST_SCHEMES = 200_000
_ROUND = 1e-9


@dataclass(frozen=True)
class Space:
    """What is free in a quilt, and what is settled. Widths finished, in inches."""

    setting: Setting = Setting.STRAIGHT
    sashings: tuple[Sashing, ...] = (NO_SASHING,)
    border_widths: tuple[Fraction, ...] = ()
    most_borders: int = 0
    corners: Corners = Corners.BUTTED
    sides_first: bool = True
    edge: Edge = USUAL_EDGE
    margin: Fraction = HOME_MARGIN
    seam: Fraction = Fraction(1, 4)
    max_ratio: Fraction = LONGEST_RATIO
    even: bool = False
    rows: int | None = None
    columns: int | None = None
    lies_wide: bool = False
    key: Fraction = Fraction(0)

    @cached_property
    def borders(self) -> tuple[tuple[Fraction, ...], ...]:
        """Every choice of borders, the innermost first: none, one, or several.

        They grow outwards or stay alike: others look upside down.
        """
        widths = sorted(set(self.border_widths))
        return tuple(
            chosen
            for count in range(self.most_borders + 1)
            for chosen in combinations_with_replacement(widths, count)
        )


@dataclass(frozen=True)
class Schemes:
    """The schemes of one block of a size, of which there are `blocks` at most, side by side.

    A *body* is a scheme without its borders, known by its place: those of the most blocks first.
    """

    space: Space
    block: Size
    blocks: int

    @property
    def count(self) -> int:
        """How many bodies there are."""
        return len(self.rows)

    @property
    def rows(self) -> Counts:
        """Rows of each body."""
        return self._bodies[0]

    @property
    def columns(self) -> Counts:
        """Columns of each body."""
        return self._bodies[1]

    @property
    def sashing(self) -> Counts:
        """The place of each body's sashing among `sashings`."""
        return self._bodies[2]

    @property
    def sashings(self) -> Sequence[Sashing]:
        """On point and between plain squares the blocks are parted already."""
        return self.space.sashings if self.space.setting is Setting.STRAIGHT else (NO_SASHING,)

    @cached_property
    def body(self) -> tuple[Floats, Floats]:
        """Width and length of each body, as a column."""
        width, length = self._sides(self.rows, self.columns, self.sashing)
        return width.reshape(-1, 1), length.reshape(-1, 1)

    @cached_property
    def border(self) -> Floats:
        """All borders of each choice together, in one row."""
        return np.array([float(sum(widths, Fraction(0))) for widths in self.space.borders])

    @cached_property
    def inside(self) -> tuple[Floats, Floats]:
        """Width and length within the edge: a row for each body, a column for its borders."""
        width, length = self.body
        across, down = self._spacer
        return width + 2 * (self.border + across), length + 2 * (self.border + down)

    @cached_property
    def _spacer(self) -> tuple[Floats, Floats]:
        """What makes keys fit, at the sides and above and below: that of `plan_keys`, for all."""
        nothing = np.zeros((self.count, len(self.space.borders)))
        key = float(self.space.key)
        if not key:
            return nothing, nothing
        # Where there is no border there are no keys.
        keyed = self.border > 0
        sides = [side + 2 * self.within_keys for side in self.body]
        fits = reduce(np.logical_and, (np.abs(_off(side, key)) < _ROUND for side in sides))
        least = 2 * float(NARROWEST_SPACER)
        across, down = (
            np.where(fits | ~keyed, 0.0, (np.ceil((side + least) / key - _ROUND) * key - side) / 2)
            for side in sides
        )
        return across, down

    @property
    def within_keys(self) -> Floats:
        """Borders within the outermost one, in one row."""
        return np.array([float(sum(w[:-1], Fraction(0))) for w in self.space.borders])

    @cached_property
    def allowed(self) -> NDArray[np.bool_]:
        """Which are no longer and narrower than wished, and no frame with a picture in it."""
        width, length = self.inside
        ratio = np.maximum(width, length) / np.minimum(width, length)
        widest = np.minimum(*self.body) * float(WIDEST_BORDER_SHARE)
        fits = np.maximum(width, length) <= float(LARGEST_SIDE)
        keys_fit = np.minimum(*self.body) + 2 * self.within_keys >= float(self.space.key) - _ROUND
        good: NDArray[np.bool_] = keys_fit & (
            (ratio <= float(self.space.max_ratio) + _ROUND) & (self.border <= widest) & fits
        )
        return good

    @cached_property
    def blocks_in(self) -> Floats:
        """Pieced blocks of each body, as a column."""
        return self._pieced(self.rows, self.columns).astype(float).reshape(-1, 1)

    def at(self, body: int, borders: int) -> Scheme:
        """One of them, exactly."""
        space = self.space
        return Scheme(
            self.block,
            int(self.rows[body]),
            int(self.columns[body]),
            space.setting,
            self.sashings[self.sashing[body]],
            space.borders[borders],
            space.corners,
            space.sides_first,
            space.edge,
            space.margin,
            space.seam,
            space.key,
        )

    @cached_property
    def _bodies(self) -> tuple[Counts, Counts, Counts]:
        """Rows, columns and sashing of every body that can be; the longer side lies down the
        quilt, unless it is to lie wide."""
        space = self.space
        if suiting(space.setting, self.block) is not space.setting:
            nothing = np.array([], int)
            return nothing, nothing, nothing
        every = np.arange(1, MOST_ROWS + 1)
        columns, rows, sashing = (
            axis.ravel()
            for axis in np.meshgrid(
                every if space.columns is None else [space.columns],
                every if space.rows is None else [space.rows],
                np.arange(len(self.sashings)),
                indexing="ij",
            )
        )
        good = self._lies(rows, columns) & (self._pieced(rows, columns) <= self.blocks)
        if space.even:
            good &= (rows % 2 == 0) & (columns % 2 == 0)
        width, length = self._sides(rows, columns, sashing)
        good &= np.maximum(width, length) <= float(LARGEST_SIDE) + _ROUND
        rows, columns, sashing = rows[good], columns[good], sashing[good]
        most = max(1, MOST_SCHEMES // len(space.borders))
        first = np.argsort(-self._pieced(rows, columns), kind="stable")[:most]
        return rows[first], columns[first], sashing[first]

    def _lies(self, rows: Counts, columns: Counts) -> NDArray[np.bool_]:
        if self.space.rows or self.space.columns or self.blocks == 1:
            return np.ones(len(rows), bool)
        wide, high = _in_proportion(self.block)
        across, down = columns * wide, rows * high
        lies: NDArray[np.bool_] = across >= down if self.space.lies_wide else across <= down
        return lies

    def _pieced(self, rows: Counts, columns: Counts) -> Counts:
        """Pieced blocks: those of `BlockGrid`, for all at once."""
        if self.space.setting is Setting.ON_POINT:
            return rows * columns + (rows - 1) * (columns - 1)
        places = rows * columns
        return -(-places // 2) if self.space.setting is Setting.ALTERNATE else places

    def _sides(self, rows: Counts, columns: Counts, sashing: Counts) -> tuple[Floats, Floats]:
        """Width and length of bodies: those of `BlockGrid`, for all at once."""
        wide, high = map(float, self.block)
        if self.space.setting is Setting.ON_POINT:
            eighths = 8 * sqrt(2)
            return np.floor(columns * wide * eighths) / 8, np.floor(rows * high * eighths) / 8
        kinds = self.sashings
        more = np.array([1 if kind.framed else -1 for kind in kinds])[sashing]
        between = np.array([not kind.rows_only for kind in kinds], int)[sashing]
        strips = np.array([float(kind.width) for kind in kinds])[sashing]
        return (
            columns * wide + (columns + more) * between * strips,
            rows * high + (rows + more) * strips,
        )


def _off(side: Floats, key: float) -> Floats:
    """How far a side is from a whole number of keys."""
    return side - np.round(side / key) * key


def _in_proportion(block: Size) -> tuple[int, int]:
    """Whole numbers in the proportion of a block's sides, to be compared exactly."""
    common = block[0].denominator * block[1].denominator
    return int(block[0] * common), int(block[1] * common)
