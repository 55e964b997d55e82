"""Double-fold binding on the straight grain, strips joined on the diagonal.

    length = 2 x (top width + top length) + 10      corners and the closing join
    n strips of L give  n L - (n - 1) x cut width   each diagonal join costs the strip's width

Bought, the strips come off the bolt; *from the stash* they are strips that are left of a roll,
and ends of at least 8 inches (a scrappy binding). Source: docs/trade.md section 6.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction

CORNERS_AND_CLOSING = Fraction(10)
USUAL_BINDING_WIDTH = Fraction(5, 2)
SHORTEST_SCRAP = Fraction(8)


@dataclass(frozen=True)
class SpareStrip:
    """A strip that can be had of what is there: of which fabric, how long, and from which piece.

    `piece` names the piece it is cut from, so that several strips of one piece are known to be.
    `whole`: it is a strip as it came, not cut at all.
    """

    fabric: str
    length: Fraction
    piece: int = 0
    whole: bool = False


def binding_length(top_width: Fraction, top_length: Fraction) -> Fraction:
    """All round an unfinished top, with 10 for the corners and the closing join.

    >>> binding_length(Fraction(109, 2), Fraction(121, 2))
    Fraction(240, 1)
    """
    return 2 * (top_width + top_length) + CORNERS_AND_CLOSING


def usable_pieces(spare: Iterable[SpareStrip], cut_width: Fraction) -> tuple[SpareStrip, ...]:
    """Pieces worth joining, longest first."""
    least = max(SHORTEST_SCRAP, cut_width + 1)
    return tuple(sorted((p for p in spare if p.length >= least), key=lambda p: -p.length))


def joined_length(pieces: Sequence[SpareStrip], cut_width: Fraction) -> Fraction:
    """How long the pieces are when joined on the diagonal, in inches."""
    if not pieces:
        return Fraction(0)
    return sum((p.length for p in pieces), Fraction(0)) - (len(pieces) - 1) * cut_width


def taken_strips(
    strips: Iterable[SpareStrip], wanted: Fraction, join: Fraction
) -> tuple[SpareStrip, ...]:
    """The fewest strips, longest first, that are so long once joined; none if they are too few.

    >>> F = Fraction
    >>> spare = [SpareStrip("smoke", F(length)) for length in (12, 42, 30)]
    >>> [int(strip.length) for strip in taken_strips(spare, F(60), F("2.5"))]
    [42, 30]
    """
    taken: list[SpareStrip] = []
    for strip in sorted(strips, key=lambda s: -s.length):
        taken.append(strip)
        if joined_length(taken, join) >= wanted:
            return tuple(taken)
    return ()
