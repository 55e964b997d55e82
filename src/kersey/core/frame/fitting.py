"""Borders that make a centre come out at an exact size, each axis on its own.

    border cut = (wanted u - measured u) / 2 + 2s

The width of the left and right borders answers the quilt's width, that of top and bottom its
length; so where the two differ, corner squares are rectangles. Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.borders import MITRE_NEEDS, Corners, fitted_cut
from kersey.core.frame.strips import StripPieces, Strips, strips_for
from kersey.core.measure.workshop import Workshop

Sides = tuple[Fraction, Fraction]


@dataclass(frozen=True)
class FittedBorder:
    """Two borders at the sides and two above and below, as they are cut. Lengths in inches.

    `measured` and `wanted` are unfinished; of no width a border is left out.
    """

    measured: Sides
    wanted: Sides
    side_cut: Fraction
    end_cut: Fraction
    side_length: Fraction
    end_length: Fraction
    corner: Sides | None
    seam: Fraction

    @property
    def pieces(self) -> tuple[StripPieces, ...]:
        """The four strips as they are cut, without those that add nothing."""
        each = (
            StripPieces("side", 2, self.side_cut, self.side_length),
            StripPieces("end", 2, self.end_cut, self.end_length),
        )
        return tuple(piece for piece in each if piece.cut_width > 2 * self.seam)

    def strips(self, shop: Workshop) -> tuple[Strips, ...]:
        """The strips off the bolt: those at the sides, and those above and below."""
        return tuple(strips_for((piece,), shop) for piece in self.pieces)


def fit_border(
    measured: Sides,
    wanted: Sides,
    seam: Fraction,
    corners: Corners = Corners.BUTTED,
    sides_first: bool = True,
) -> FittedBorder:
    """The border that brings a measured centre to a size; both unfinished: (width, length).

    >>> F = Fraction
    >>> fitted = fit_border((F("36.25"), F("35.75")), (F("42.5"),) * 2, F("0.25"), Corners.SQUARES)
    >>> fitted.side_cut, fitted.end_cut, fitted.corner
    (Fraction(29, 8), Fraction(31, 8), (Fraction(29, 8), Fraction(31, 8)))

    Raises `BadBorder` where the centre measures more than is wanted already.
    """
    side_cut, end_cut = (fitted_cut(w, m, seam) for w, m in zip(wanted, measured, strict=True))
    side_length, end_length = measured[1], measured[0]
    if corners is Corners.MITRED:
        side_length += 2 * (end_cut - 2 * seam) + MITRE_NEEDS
        end_length += 2 * (side_cut - 2 * seam) + MITRE_NEEDS
    elif corners is Corners.BUTTED and sides_first:
        end_length = wanted[0]
    elif corners is Corners.BUTTED:
        side_length = wanted[1]
    corner = (side_cut, end_cut) if corners is Corners.SQUARES else None
    return FittedBorder(measured, wanted, side_cut, end_cut, side_length, end_length, corner, seam)
