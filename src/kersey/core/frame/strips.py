"""Strips off the bolt: how many of the usable width give these pieces.

    every piece within a strip    the fewest strips that hold all of them whole
    a longer one among them       joined straight: the fewest n with  n U - (n - 1) 2s >= their sum

Source: docs/trade.md section 6, and the contract for whole quilts.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cache

from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.workshop import Workshop

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

    Exact for any pieces that fit a strip; sums of lengths bound the search from below.

    >>> fewest_strips(((Fraction(30), 2), (Fraction(12), 2)), Fraction(42))
    2
    """
    by_length: dict[Fraction, int] = {}
    for length, count in lengths:
        by_length[length] = by_length.get(length, 0) + count
    longest_first = sorted((item for item in by_length.items() if item[1]), reverse=True)
    return _fewest(
        tuple(length for length, _ in longest_first),
        tuple(count for _, count in longest_first),
        strip_length,
    )


@cache
def _fewest(lengths: tuple[Fraction, ...], counts: tuple[int, ...], strip: Fraction) -> int:
    greedy, left = 0, counts
    while any(left):
        left = _without(left, _filled(lengths, left, strip))
        greedy += 1
    if greedy <= _at_least(lengths, counts, strip):
        return greedy
    return _by_trying(lengths, counts, strip)


def _at_least(lengths: Sequence[Fraction], counts: Sequence[int], strip: Fraction) -> int:
    """No fewer strips than this: by their sum, and by the pieces of which two do not fit."""
    wanted = sum((n * length for length, n in zip(lengths, counts, strict=True)), Fraction(0))
    alone = sum(n for length, n in zip(lengths, counts, strict=True) if 2 * length > strip)
    return max(-int(-wanted // strip), alone)


def _by_trying(lengths: tuple[Fraction, ...], counts: tuple[int, ...], strip: Fraction) -> int:
    """Strip after strip in every full way that has one of the longest pieces left."""
    layer, strips = {counts}, 0
    while not any(not any(left) for left in layer):
        layer = {_without(left, way) for left in layer for way in _full_ways(lengths, left, strip)}
        strips += 1
    return strips


def _full_ways(
    lengths: tuple[Fraction, ...], left: tuple[int, ...], strip: Fraction
) -> set[tuple[int, ...]]:
    """Ways to fill a strip so that nothing more that is left would fit."""
    longest = next(n for n, count in enumerate(left) if count)
    ways: set[tuple[int, ...]] = set()

    def fill(place: int, taken: tuple[int, ...], room: Fraction) -> None:
        if place == len(lengths):
            rest = zip(lengths, left, taken, strict=True)
            if all(length > room or count == n for length, count, n in rest):
                ways.add(taken)
            return
        least = 1 if place == longest else 0
        for n in range(min(left[place], int(room // lengths[place])), least - 1, -1):
            fill(place + 1, (*taken, n), room - n * lengths[place])

    fill(0, (), strip)
    return ways


def _filled(
    lengths: tuple[Fraction, ...], left: tuple[int, ...], strip: Fraction
) -> tuple[int, ...]:
    """A strip filled with the longest that still fits, and again."""
    room, taken = strip, []
    for length, count in zip(lengths, left, strict=True):
        taken.append(min(count, int(room // length)))
        room -= taken[-1] * length
    return tuple(taken)


def _without(left: tuple[int, ...], taken: tuple[int, ...]) -> tuple[int, ...]:
    return tuple(n - used for n, used in zip(left, taken, strict=True))
