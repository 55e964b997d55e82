"""Double-fold binding on the straight grain, strips joined on the diagonal.

    length = 2 x (top width + top length) + 10      corners and the closing join
    n strips of L give  n L - (n - 1) x cut width   each diagonal join costs the strip's width

Bought, the strips come off the bolt; *from the stash* they are strips that are left of a roll,
and ends of at least 8 inches (a scrappy binding). Source: docs/trade.md section 6.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.joining import strips_to_join

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


@dataclass(frozen=True)
class Binding:
    """The binding's length and what it is cut from; lengths in inches.

    `strips` and `joins` are of the source in use; `from_stash` the pieces used, empty when bought.
    `stash_length` is what all the pieces that are left would give when joined; on the bias the
    strips come off `bias_cloth`.
    """

    cut_width: Fraction
    length: Fraction
    strips: int
    from_stash: tuple[SpareStrip, ...]
    stash_length: Fraction
    bias_cloth: Fraction | None = None

    @property
    def bought(self) -> bool:
        """Whether the strips are cut from bought cloth."""
        return not self.from_stash

    @property
    def joins(self) -> int:
        """Diagonal joins; the closing join comes on top."""
        return self.strips - 1

    @property
    def cloth(self) -> Fraction:
        """Length of cloth that the strips take off the bolt, in inches; 0 from the stash."""
        if self.bias_cloth is not None:
            return self.bias_cloth
        return self.strips * self.cut_width if self.bought else Fraction(0)


def binding_length(top_width: Fraction, top_length: Fraction) -> Fraction:
    """All round an unfinished top, with 10 for the corners and the closing join.

    >>> binding_length(Fraction(109, 2), Fraction(121, 2))
    Fraction(240, 1)
    """
    return 2 * (top_width + top_length) + CORNERS_AND_CLOSING


def plan_binding(
    length: Fraction,
    cut_width: Fraction,
    usable_width: Fraction,
    spare: Sequence[SpareStrip],
    prefer_stash: bool,
) -> Binding:
    """Binding of this length, from the spare pieces if preferred and enough, else bought.

    `spare` must be pieces at least `cut_width` wide.

    >>> plan_binding(Fraction(240), Fraction(5, 2), Fraction(42), (), False).strips
    7
    """
    usable = usable_pieces(spare, cut_width)
    in_stash = joined_length(usable, cut_width)
    if prefer_stash and in_stash >= length:
        chosen = _enough(usable, length, cut_width)
        return Binding(cut_width, length, len(chosen), chosen, in_stash)
    return Binding(cut_width, length, strips_to_join(length, usable_width, cut_width), (), in_stash)


def usable_pieces(spare: Iterable[SpareStrip], cut_width: Fraction) -> tuple[SpareStrip, ...]:
    """Pieces worth joining, longest first."""
    least = max(SHORTEST_SCRAP, cut_width + 1)
    return tuple(sorted((p for p in spare if p.length >= least), key=lambda p: -p.length))


def joined_length(pieces: Sequence[SpareStrip], cut_width: Fraction) -> Fraction:
    """How long the pieces are when joined on the diagonal, in inches."""
    if not pieces:
        return Fraction(0)
    return sum((p.length for p in pieces), Fraction(0)) - (len(pieces) - 1) * cut_width


def _enough(
    pieces: Sequence[SpareStrip], length: Fraction, cut_width: Fraction
) -> tuple[SpareStrip, ...]:
    """The fewest pieces, longest first, that reach `length`."""
    reached = Fraction(0)
    for used, piece in enumerate(pieces, start=1):
        reached += piece.length - (cut_width if used > 1 else 0)
        if reached >= length:
            return tuple(pieces[:used])
    return tuple(pieces)
