"""Strips off the bolt: how many of the usable width give these pieces.

    every piece within a strip    the fewest strips that hold all of them whole
    a longer one among them       joined straight: the fewest n with  n U - (n - 1) 2s >= their sum

Source: docs/trade.md section 6, and the contract for whole quilts.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cache

import numpy as np

from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.workshop import Workshop

# With so few strips it cannot be had.
_NONE = -(1 << 30)
# So many pieces of one length.
Lengths = tuple[tuple[Fraction, int], ...]


@dataclass(frozen=True)
class StripPieces:
    """Like pieces of a frame: so many, so wide and so long as they are cut. Inches."""

    name: str
    count: int
    cut_width: Fraction
    cut_length: Fraction


@dataclass(frozen=True)
class Strips:
    """So many strips of a width, across the cloth; `joined` where a piece is longer than one."""

    count: int
    cut_width: Fraction
    joined: bool

    @property
    def cloth(self) -> Fraction:
        """Length of cloth they take off the bolt, in inches, not rounded."""
        return self.count * self.cut_width


def strips_for(pieces: Sequence[StripPieces], shop: Workshop) -> Strips:
    """The strips off the bolt for pieces of one width.

    >>> sides = StripPieces("side", 2, Fraction(7, 2), Fraction(121, 2))
    >>> ends = StripPieces("end", 2, Fraction(7, 2), Fraction(109, 2))
    >>> strips_for([sides, ends], Workshop()).count
    6
    """
    (cut_width,) = {piece.cut_width for piece in pieces}
    lengths = tuple((piece.cut_length, piece.count) for piece in pieces if piece.count)
    if max((length for length, _ in lengths), default=Fraction(0)) <= shop.usable_width:
        return Strips(fewest_strips(lengths, shop.usable_width), cut_width, joined=False)
    wanted = sum((length * count for length, count in lengths), Fraction(0))
    count = strips_to_join(wanted, shop.usable_width, 2 * shop.seam)
    return Strips(count, cut_width, joined=True)


def fewest_strips(lengths: Lengths, strip_length: Fraction) -> int:
    """The fewest strips of which pieces of these lengths, so many of each, can be cut whole.

    Exact, for any pieces that fit a strip.

    >>> fewest_strips(((Fraction(30), 2), (Fraction(12), 2)), Fraction(42))
    2
    """
    by_length: dict[Fraction, int] = {}
    for length, count in lengths:
        by_length[length] = by_length.get(length, 0) + count
    wanted = sorted(item for item in by_length.items() if item[1])
    if not wanted:
        return 0
    lengths_wanted, counts = (tuple(part) for part in zip(*wanted, strict=True))
    return _fewest(lengths_wanted, counts, strip_length)


@cache
def _fewest(lengths: tuple[Fraction, ...], counts: tuple[int, ...], strip: Fraction) -> int:
    """Strip after strip: with so many, what is the most of the commonest piece, beside so many of
    each of the others? Of these there are few, so all their numbers are looked at."""
    *others, (common, wanted) = sorted(
        zip(lengths, counts, strict=True), key=lambda item: (item[1], item[0])
    )
    if not others:
        return -int(-wanted // (strip // common))
    caps = np.array([count for _, count in others], dtype=int)
    places, shape = np.array(list(np.ndindex(*(caps + 1)))), tuple(caps + 1)
    most = np.full(len(places), _NONE)
    most[0] = 0
    steps = [
        (np.ravel_multi_index(tuple(np.minimum(places + way, caps).T), shape), int(room // common))
        for way, room in _ways([length for length, _ in others], strip)
    ]
    strips = 0
    while most[-1] < wanted:
        longer = most.copy()
        for there, more in steps:
            np.maximum.at(longer, there, most + more)
        most, strips = longer, strips + 1
    return strips


def _ways(lengths: Sequence[Fraction], strip: Fraction) -> list[tuple[tuple[int, ...], Fraction]]:
    """How many of each length may lie in one strip, and the room that is left."""
    ways: list[tuple[tuple[int, ...], Fraction]] = [((), strip)]
    for length in lengths:
        ways = [
            ((*taken, n), room - n * length)
            for taken, room in ways
            for n in range(int(room // length) + 1)
        ]
    return ways
