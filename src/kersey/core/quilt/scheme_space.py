"""All schemes that are looked at: rows and columns x sashing x borders, for one block.

Kept as numbers side by side, for there may be a hundred thousand: everything an opinion of them
rests on is reckoned for all at once, in floats, and only ever orders them. A scheme that is told of
is made anew from its place, in exact lengths.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from itertools import combinations_with_replacement

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Size
from kersey.core.frame.backing import HOME_MARGIN
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import USUAL_EDGE, Edge
from kersey.core.frame.purposes import LARGEST_SIDE
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import Setting, suiting
from kersey.core.frame.size_search import LONGEST_RATIO, MOST_ROWS, WIDEST_BORDER_SHARE
from kersey.core.quilt.scheme import Scheme

Floats = NDArray[np.float64]
# So many schemes of one block are looked at; of more, those with the most blocks.
MOST_SCHEMES = 60_000
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
    """The schemes of one block of a size, of which there are `blocks` at most, side by side."""

    space: Space
    block: Size
    blocks: int

    @cached_property
    def bodies(self) -> tuple[Scheme, ...]:
        """Every scheme without its borders."""
        space = self.space
        if suiting(space.setting, self.block) is not space.setting:
            return ()
        found = [
            Scheme(self.block, rows, columns, space.setting, sashing, (), space.corners,
                   space.sides_first, space.edge, space.margin, space.seam)
            for rows, columns in self._grids()
            for sashing in self._sashings()
        ]  # fmt: skip
        fitting = [s for s in found if s.blocks <= self.blocks and max(s.body) <= LARGEST_SIDE]
        most = max(1, MOST_SCHEMES // len(space.borders))
        fitting.sort(key=lambda scheme: -scheme.blocks)
        return tuple(fitting[:most])

    @cached_property
    def body(self) -> tuple[Floats, Floats]:
        """Width and length of each body, as a column."""
        sides = np.array([scheme.body for scheme in self.bodies], float).reshape(-1, 2)
        return sides[:, :1], sides[:, 1:]

    @cached_property
    def border(self) -> Floats:
        """All borders of each choice together, in one row."""
        return np.array([float(sum(widths, Fraction(0))) for widths in self.space.borders])

    @cached_property
    def inside(self) -> tuple[Floats, Floats]:
        """Width and length within the edge: a row for each body, a column for its borders."""
        width, length = self.body
        return width + 2 * self.border, length + 2 * self.border

    @cached_property
    def allowed(self) -> NDArray[np.bool_]:
        """Which are no longer and narrower than wished, and no frame with a picture in it."""
        width, length = self.inside
        ratio = np.maximum(width, length) / np.minimum(width, length)
        widest = np.minimum(*self.body) * float(WIDEST_BORDER_SHARE)
        fits = np.maximum(width, length) <= float(LARGEST_SIDE)
        good: NDArray[np.bool_] = (
            (ratio <= float(self.space.max_ratio) + _ROUND) & (self.border <= widest) & fits
        )
        return good

    @cached_property
    def blocks_in(self) -> Floats:
        """Pieced blocks of each body, as a column."""
        return np.array([scheme.blocks for scheme in self.bodies], float).reshape(-1, 1)

    def at(self, body: int, borders: int) -> Scheme:
        """One of them, exactly."""
        bare = self.bodies[body]
        return Scheme(
            bare.block, bare.rows, bare.columns, bare.setting, bare.sashing,
            self.space.borders[borders], bare.corners, bare.sides_first, bare.edge, bare.margin,
            bare.seam,
        )  # fmt: skip

    def _sashings(self) -> Sequence[Sashing]:
        """On point and between plain squares the blocks are parted already."""
        return self.space.sashings if self.space.setting is Setting.STRAIGHT else (NO_SASHING,)

    def _grids(self) -> Iterator[tuple[int, int]]:
        """Rows and columns; the longer side lies down the quilt, unless it is to lie wide."""
        space = self.space
        columns_wanted = [space.columns] if space.columns else range(1, MOST_ROWS + 1)
        for columns in columns_wanted:
            for rows in [space.rows] if space.rows else range(1, MOST_ROWS + 1):
                bare = Scheme(self.block, rows, columns, space.setting)
                if bare.blocks > self.blocks:
                    break
                settled = space.rows is not None or space.columns is not None
                across, down = self.block[0] * columns, self.block[1] * rows
                lies = across >= down if space.lies_wide else across <= down
                lies = lies or self.blocks == 1
                even = not space.even or (rows % 2 == 0 and columns % 2 == 0)
                if even and (lies or settled):
                    yield rows, columns
