"""Borders, one round the other, and how their corners are made.

    cut = finished + 2s

    butted           sides first (or top and bottom): two as long as the unfinished quilt before
                     them; then the other two as long as the quilt is once the first are on
    corner squares   all four as long as the unfinished side they lie on; four squares of the cut
                     width
    mitred           all four as long as the unfinished side and two border widths and 4; several
                     borders are sewn to one another first and mitred as one

*Fitted* to an exact size: cut = (wanted - measured) / 2 + 2s, both unfinished, each way by itself.
Source: docs/trade.md section 6.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.strips import StripPieces, strips_for
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.measure.spoken import Spoken
from kersey.core.measure.workshop import Workshop

WIDEST_BORDER = Fraction(20)
# Widths people really choose; 0 is no border.
INCH_WIDTHS = tuple(Fraction(w) for w in ("0", "1", "3/2", "2", "5/2", "3", "4", "5", "6"))
METRIC_WIDTHS = tuple(
    Fraction(w) * CENTIMETRE for w in ("0", "2.5", "4", "5", "6", "7.5", "10", "12", "15")
)


# docs/trade.md section 6: a mitred border is cut so much longer than two border widths more.
MITRE_NEEDS = Fraction(4)
MOST_BORDERS = 4


class Corners(Spoken):
    """How the corners of borders are made."""

    BUTTED = "butted"
    SQUARES = "corner-squares", "corner squares"
    MITRED = "mitred", "mitered"


# What a piece of a border of keys is called.
KEY = "key"


class BadBorder(InvalidValue):
    """A border that cannot be."""


@dataclass(frozen=True)
class Border:
    """One border: what is cut for it. Lengths in inches; `sides` and `ends` are two of each.

    `corner` is the side of its four corner squares, where it has any. One pieced of `keys` has so
    many, cut so wide as `key`; its sides and ends are as long as they are once they are sewn.
    """

    finished_width: Fraction
    cut_width: Fraction
    sides: Fraction
    ends: Fraction
    strips: int
    joined: bool
    corner: Fraction | None = None
    key: Fraction | None = None
    keys: int = 0

    @property
    def cloth(self) -> Fraction:
        """Length of cloth that the strips take off the bolt, in inches, not rounded."""
        return self.strips * self.cut_width

    @property
    def pieces(self) -> tuple[StripPieces, ...]:
        """The four strips as they are cut; of pieced keys every key, and the squares at the
        corners."""
        if self.key is not None:
            return (
                StripPieces(KEY, self.keys, self.cut_width, self.key),
                StripPieces("corner", 4, self.cut_width, self.cut_width),
            )
        return _pieces(self.cut_width, self.sides, self.ends)


def widths_to_propose(units: Units) -> tuple[Fraction, ...]:
    """Finished border widths worth trying, none first."""
    return INCH_WIDTHS if units is Units.INCHES else METRIC_WIDTHS


def check_border_width(finished_width: Fraction) -> None:
    """Raise `BadBorder` for a border nobody could sew."""
    if not 0 <= finished_width <= WIDEST_BORDER:
        raise BadBorder("A border can be 0 (none) to 20″ (50 cm) wide, like 3.")


def plan_borders(
    body: tuple[Fraction, Fraction],
    widths: Sequence[Fraction],
    shop: Workshop,
    corners: Corners = Corners.BUTTED,
    sides_first: bool = True,
) -> tuple[Border, ...]:
    """Borders of these finished widths round a body of this finished size, the innermost first.

    >>> inner, outer = plan_borders((Fraction(48), Fraction(60)), [Fraction(1), Fraction(4)],
    ...                             Workshop(), Corners.SQUARES)
    >>> outer.sides, outer.ends, outer.corner
    (Fraction(125, 2), Fraction(101, 2), Fraction(9, 2))
    """
    width, length = (side + 2 * shop.seam for side in body)
    total, found = sum(widths, Fraction(0)), []
    for finished in widths:
        check_border_width(finished)
        if corners is Corners.MITRED:
            sides, ends = (side + 2 * total + 2 * shop.seam + MITRE_NEEDS for side in body[::-1])
        else:
            later = 2 * finished if corners is Corners.BUTTED else Fraction(0)
            sides, ends = length, width
            sides, ends = (sides, ends + later) if sides_first else (sides + later, ends)
        cut = finished + 2 * shop.seam
        strips = strips_for(_pieces(cut, sides, ends), shop)
        corner = cut if corners is Corners.SQUARES else None
        found.append(Border(finished, cut, sides, ends, strips.count, strips.joined, corner))
        width, length = width + 2 * finished, length + 2 * finished
    return tuple(found)


def fitted_cut(wanted: Fraction, measured: Fraction, seam: Fraction) -> Fraction:
    """How wide two borders are cut so that a quilt comes out as wanted; both unfinished.

    >>> fitted_cut(Fraction(85, 2), Fraction(145, 4), Fraction(1, 4))
    Fraction(29, 8)

    Raises `BadBorder` where the quilt measures more than is wanted already.
    """
    if wanted < measured:
        raise BadBorder(
            "The center is already larger than the size you want, so a border can't fix it."
        )
    return (wanted - measured) / 2 + 2 * seam


def _pieces(cut: Fraction, sides: Fraction, ends: Fraction) -> tuple[StripPieces, ...]:
    return StripPieces("side", 2, cut, sides), StripPieces("end", 2, cut, ends)
