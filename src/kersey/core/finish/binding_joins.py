"""Where the joins of a binding fall round the quilt, and how to keep them off the corners.

    round the quilt   from the start, on the lower side, clockwise: left, up, right and back
    a join            at the end of each strip, less what the diagonal join costs
    on a corner       closer to it than a fold of the mitre reaches: bulky, and it will not fold

The start is moved along the lower side by the least that brings every join clear of the corners.
Source: docs/trade.md section 6.

        .---------.
        |         |
        |         |      the strip starts in the middle of the lower side and leaves a tail of 5
        '----<----'
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import accumulate

from kersey.core.frame.binding import SHORTEST_SCRAP, SpareStrip
from kersey.core.measure.length import EIGHTH

Size = tuple[Fraction, Fraction]
# A mitred corner takes up about this much of the strip on either side of it.
CORNER = Fraction(3)
# The first stretch is left loose for the closing join: half of the ten inches.
TAIL = Fraction(5)


@dataclass(frozen=True)
class Joins:
    """Joins of a binding, by how far from the start along the edge each lies, for a start so far to
    the left of the middle of the lower side; `on_corners` are those too near one, by their places
    among all."""

    start: Fraction
    places: tuple[Fraction, ...]
    on_corners: tuple[int, ...]


def joins_round(
    size: Size, strips: Sequence[Fraction], cut_width: Fraction, start: Fraction = Fraction(0)
) -> Joins:
    """Where joins fall; `strips` as they are cut, in the order they are joined.

    >>> F = Fraction
    >>> joins_round((F(48), F(60)), [F(42)] * 6, F("2.5")).places[:2]
    (Fraction(69, 2), Fraction(74, 1))
    """
    ends = accumulate(length - cut_width for length in strips[:-1])
    whole = 2 * (size[0] + size[1])
    # The tail at the beginning comes before the first stitch.
    places = tuple(at for at in (end - TAIL for end in ends) if 0 < at < whole)
    corners = list(corners_at(size, start))
    near = tuple(
        n
        for n, at in enumerate(places)
        if any(_apart(at, corner, whole) < CORNER for corner in corners)
    )
    return Joins(start, places, near)


def corners_at(size: Size, start: Fraction) -> Iterator[Fraction]:
    """How far from the start each corner lies, going left along the lower side first."""
    at = size[0] / 2 - start
    for side in (size[1], size[0], size[1], size[0]):
        yield at
        at += side


def point_at(size: Size, start: Fraction, distance: Fraction) -> tuple[Fraction, Fraction]:
    """Where one is, so far round from the start: from the quilt's upper left corner.

    >>> F = Fraction
    >>> [str(side) for side in point_at((F(48), F(60)), F(0), F(34))]
    ['0', '50']
    """
    width, length = size
    x, rest = width / 2 - start, distance % (2 * (width + length))
    if rest <= x:
        return x - rest, length
    rest -= x
    if rest <= length:
        return Fraction(0), length - rest
    rest -= length
    if rest <= width:
        return rest, Fraction(0)
    rest -= width
    return (width, rest) if rest <= length else (width - (rest - length), length)


def clear_start(size: Size, strips: Sequence[Fraction], cut_width: Fraction) -> Joins | None:
    """The start nearest to the middle of the lower side with no join on a corner, in eighths; None
    where there is none on that side."""
    reach = size[0] / 2 - CORNER
    step = Fraction(0)
    while step <= reach:
        for start in (step, -step):
            found = joins_round(size, strips, cut_width, start)
            if not found.on_corners:
                return found
        step += EIGHTH
    return None


def scrappy_order(pieces: Sequence[SpareStrip]) -> tuple[SpareStrip, ...]:
    """Pieces of at least 8 in an order that spreads the joins: long and short in turn, and no two
    of one fabric side by side as long as others are left."""
    waiting = sorted((p for p in pieces if p.length >= SHORTEST_SCRAP), key=lambda p: -p.length)
    found = list[SpareStrip]()
    while waiting:
        from_long = len(found) % 2 == 0
        order = waiting if from_long else waiting[::-1]
        other = (p for p in order if not found or p.fabric != found[-1].fabric)
        chosen = _most_waiting(waiting, found) or next(other, order[0])
        waiting.remove(chosen)
        found.append(chosen)
    return tuple(found)


def _most_waiting(waiting: Sequence[SpareStrip], found: Sequence[SpareStrip]) -> SpareStrip | None:
    """A piece of the fabric that has to come now, or two of it would meet at the end."""
    counts: dict[str, int] = {}
    for piece in waiting:
        counts[piece.fabric] = counts.get(piece.fabric, 0) + 1
    fullest = max(counts, key=lambda fabric: counts[fabric])
    if 2 * counts[fullest] <= len(waiting) or (found and found[-1].fabric == fullest):
        return None
    return next(piece for piece in waiting if piece.fabric == fullest)


def _apart(one: Fraction, other: Fraction, whole: Fraction) -> Fraction:
    apart = abs(one - other) % whole
    return min(apart, whole - apart)
