"""What is cut round the blocks of many schemes at once, and what it takes off the bolt at least.

The sums are those of `frame`, in floats: only the order in which schemes are worked out rests on
them. Of pieces that all fit a strip nobody says how they lie: no fewer strips than their length.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from functools import reduce

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Size
from kersey.core.frame.backing import JOIN_COST, WIDE_BACKING, BackingWay
from kersey.core.frame.binding import CORNERS_AND_CLOSING
from kersey.core.frame.borders import MITRE_NEEDS, Corners
from kersey.core.frame.part import PartKind
from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.measure.length import YARD
from kersey.core.whole.scheme_space import Counts, Floats, Schemes

# Lengths in floats are off by less than this, in inches.
A_HAIR = 1e-6

_EIGHTH = float(YARD) / 8
# Sums in floats may come out this much too large.
_ROUND = 1e-9


@dataclass(frozen=True)
class Strip:
    """Strips of a width for every scheme: how long together, and the longest of them."""

    length: Floats
    longest: Floats
    cut_width: Floats

    @property
    def area(self) -> Floats:
        """Square inches."""
        return self.length * self.cut_width

    def off_the_bolt(self, usable_width: Fraction, join: Floats) -> Floats:
        """Inches of cloth that they take at least, as shops cut it."""
        usable = float(usable_width)
        joined = up((self.length - join) / (usable - join), 1.0)
        strips = np.where(self.longest > usable, joined, up(self.length / usable, 1.0))
        return np.where(self.length > 0, up(strips * self.cut_width, _EIGHTH), 0.0)


def border_strips(schemes: Schemes) -> list[Strip]:
    """The borders from the innermost on; nothing of those that a scheme does not have."""
    (width, length), seams = schemes.body, 2 * float(schemes.space.seam)
    found, before = [], np.zeros(len(schemes.space.borders))
    for number in range(schemes.space.most_borders):
        chosen = schemes.space.borders
        own = np.array([float(w[number]) if len(w) > number else 0.0 for w in chosen])
        sides, ends = length + 2 * before + seams, width + 2 * before + seams
        if schemes.space.corners is Corners.MITRED:
            # Borders are mitred together; one of keys is sewn on round them.
            together = schemes.within_keys if schemes.space.key else schemes.border
            more = 2 * (together - before) + float(MITRE_NEEDS)
            sides, ends = sides + more, ends + more
        elif schemes.space.corners is Corners.BUTTED:
            sides, ends = (
                (sides, ends + 2 * own) if schemes.space.sides_first else (sides + 2 * own, ends)
            )
        there = own > 0
        run, longest = 2 * (sides + ends), np.maximum(sides, ends)
        if schemes.space.key:
            outermost = np.array([len(w) == number + 1 for w in chosen])
            run = np.where(outermost, _keys(schemes, own + seams), run)
            longest = np.where(outermost, float(schemes.space.key) + seams, longest)
        found.append(Strip(run * there, longest * there, own + seams))
        before = before + own
    return found


def _keys(schemes: Schemes, cut_width: Floats) -> Floats:
    """How long the keys and the squares at their corners are, side by side in a strip."""
    key, seams = float(schemes.space.key), 2 * float(schemes.space.seam)
    deep = 2 * (cut_width - seams)
    width, length = (side - deep for side in schemes.inside)
    count = 2 * np.round(width / key) + 2 * np.round(length / key)
    return count * (key + seams) + 4 * cut_width


def between_strips(schemes: Schemes) -> list[tuple[PartKind, Strip]]:
    """What lies between the blocks, by its kind: a row for each body.

    Of a body that has none of it the length is 0.
    """
    rows, columns = schemes.rows.reshape(-1, 1), schemes.columns.reshape(-1, 1)
    if schemes.space.setting is Setting.STRAIGHT:
        return _sashing(schemes, rows, columns)
    seams = 2 * float(schemes.space.seam)
    wide, long = (float(side) + seams for side in schemes.block)
    if schemes.space.setting is Setting.ALTERNATE:
        return [(PartKind.SETTING, _squares(rows * columns // 2, wide, long))]
    side, corner = (
        float(piece.cut_width)
        for piece in BlockGrid(2, 2, Setting.ON_POINT).plain_pieces(
            schemes.block, schemes.space.seam
        )
    )
    triangles = 2 * (rows - 1) + 2 * (columns - 1)
    return [
        (PartKind.SETTING, _squares(-(-triangles // 4), side, side)),
        (PartKind.SETTING, _squares(0 * rows + 2, corner, corner)),
    ]


def _squares(count: Counts, wide: float, long: float) -> Strip:
    lengths: Floats = np.asarray(count, float) * long
    return Strip(lengths, np.full(count.shape, long), np.full(count.shape, wide))


def _sashing(schemes: Schemes, rows: Counts, columns: Counts) -> list[tuple[PartKind, Strip]]:
    """Strips and cornerstones, as `frame.sashing` counts them."""
    kinds, of = schemes.sashings, schemes.sashing.reshape(-1, 1)
    width = np.array([float(kind.width) for kind in kinds])[of]
    framed = np.array([kind.framed for kind in kinds])[of]
    stones = np.array([kind.cornerstones for kind in kinds])[of]
    across = ~np.array([kind.rows_only for kind in kinds])[of]
    more = np.where(framed, 1, -1)
    seams = 2 * float(schemes.space.seam)
    wide, long = (float(side) + seams for side in schemes.block)
    with_stones = rows * (columns + more) * long + columns * (rows + more) * wide
    row = columns * (wide - seams) + (columns - 1) * across * width + seams
    side = rows * (long - seams) + (rows + 1) * width + seams
    plain = rows * (columns - 1) * across * long + (rows + more) * row + 2 * framed * side
    pieces = [
        (rows * (columns + more) * stones, long),
        (columns * (rows + more) * stones, wide),
        (rows * (columns - 1) * across * ~stones, long),
        ((rows + more) * ~stones, row),
        (framed * ~stones, side),
    ]
    longest = reduce(np.maximum, (np.where(count > 0, length, 0.0) for count, length in pieces))
    there = width > 0
    strips = Strip(np.where(stones, with_stones, plain) * there, longest, width + seams)
    squares = (rows + more) * (columns + more) * stones * there
    corners = Strip(squares * (width + seams), width + seams, width + seams)
    return [(PartKind.SASHING, strips), (PartKind.CORNERSTONES, corners)]


def binding_strip(schemes: Schemes) -> Strip:
    """The binding all round; as long as it is, it is always joined."""
    (width, length), seams = schemes.inside, 2 * float(schemes.space.seam)
    run = 2 * (width + length + 2 * seams) + float(CORNERS_AND_CLOSING)
    return Strip(run, np.full_like(run, np.inf), np.full_like(run, float(schemes.space.edge.width)))


def backing_cloth(schemes: Schemes, usable_width: Fraction, way: BackingWay | None) -> Floats:
    """Cloth for the backing, in inches of the usual width."""
    usable, (width, length) = float(usable_width), _backing_sides(schemes)
    join = float(JOIN_COST)
    upright = np.maximum(1.0, up((width - join) / (usable - join), 1.0)) * length
    across = np.maximum(1.0, up((length - join) / (usable - join), 1.0)) * width
    panels = {BackingWay.UPRIGHT: up(upright, _EIGHTH), BackingWay.ACROSS: up(across, _EIGHTH)}
    thrifty = np.minimum(*panels.values())
    if way is not BackingWay.WIDE:
        return panels.get(way, thrifty) if way else thrifty
    wide = float(WIDE_BACKING)
    short, long = np.minimum(width, length), np.maximum(width, length)
    one = up(np.where(long <= wide, short, long), _EIGHTH) * wide / usable
    return np.where(short <= wide, one, thrifty)


def backing_fits(schemes: Schemes, pieces: Iterable[Size]) -> NDArray[np.bool_]:
    """Of which schemes the backing fits one of these pieces of cloth, either way round."""
    width, length = _backing_sides(schemes)
    low, high = np.minimum(width, length), np.maximum(width, length)
    fits = np.zeros(low.shape, dtype=bool)
    for sides in pieces:
        short, long = (float(side) + A_HAIR for side in sorted(sides))
        fits |= (low <= short) & (high <= long)
    return fits


def _backing_sides(schemes: Schemes) -> tuple[Floats, Floats]:
    space = schemes.space
    more = float(space.edge.backing(Fraction(0), space.margin)) + 2 * float(space.seam)
    width, length = np.broadcast_arrays(*schemes.inside)
    return width + more, length + more


def up(values: Floats, step: float) -> Floats:
    """Rounded up to whole steps, but not for what the last digit of a float says."""
    steps: Floats = np.ceil(values / step - _ROUND)
    return steps * step
