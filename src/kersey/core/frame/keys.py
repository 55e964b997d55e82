"""A border of pieced keys: equal pieces side by side, and the spacer that makes them fit.

    key        its finished width along the side
    spacer     a plain border inside; each way just as wide as needed for the sides to be whole
               numbers of keys:  side + 2 x spacer = n x key

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.borders import Border, fitted_cut
from kersey.core.frame.strips import StripPieces, strips_for
from kersey.core.measure.length import EIGHTH, round_up_to
from kersey.core.measure.workshop import Workshop

# A spacer narrower than this cannot be sewn straight.
NARROWEST_SPACER = Fraction(1, 2)

NARROWEST_KEY, WIDEST_KEY = Fraction(1, 2), Fraction(12)
# The strips of the spacer: at the sides, and above and below.
SPACER_SIDE, SPACER_END = "spacer side", "spacer end"


class BadKeys(InvalidValue):
    """Keys that cannot be."""


@dataclass(frozen=True)
class Keys:
    """How many keys lie along each side; the spacer at left and right, and above and below.

    Widths are finished, in inches; a spacer of 0 is none. `corner` is the square in each corner,
    finished.
    """

    key: Fraction
    along_width: int
    along_length: int
    spacer_sides: Fraction
    spacer_ends: Fraction
    corner: Fraction

    @property
    def spacer(self) -> tuple[Fraction, Fraction]:
        """The spacer, finished: at each side, and above and below."""
        return self.spacer_sides, self.spacer_ends

    @property
    def count(self) -> int:
        """Keys in all, without the corner squares."""
        return 2 * (self.along_width + self.along_length)

    def spacer_cuts(self, seam: Fraction) -> tuple[Fraction, Fraction]:
        """How wide the spacer is cut at the sides, and above and below."""
        nothing = Fraction(0)
        return tuple(  # type: ignore[return-value]
            fitted_cut(2 * width, nothing, seam) if width else nothing
            for width in (self.spacer_sides, self.spacer_ends)
        )

    def spacer_pieces(
        self, body: tuple[Fraction, Fraction], seam: Fraction
    ) -> tuple[StripPieces, ...]:
        """The spacer's strips round a body of this finished size, sides first; none of no width."""
        (width, length), (sides, ends) = body, self.spacer_cuts(seam)
        found = (
            StripPieces(SPACER_SIDE, 2, sides, length + 2 * seam),
            StripPieces(SPACER_END, 2, ends, width + 2 * self.spacer_sides + 2 * seam),
        )
        return tuple(piece for piece in found if piece.cut_width)

    def border(self, shop: Workshop) -> Border:
        """The border that the keys make, with a square in every corner."""
        seams = 2 * shop.seam
        cut, key = self.corner + seams, self.key + seams
        made = Border(
            self.corner,
            cut,
            self.along_length * self.key + seams,
            self.along_width * self.key + seams,
            0,
            False,
            cut,
            key,
            self.count,
        )
        return replace(made, strips=strips_for(made.pieces, shop).count)


def check_key(key: Fraction) -> None:
    """Raise `BadKeys` for keys nobody could sew; 0: a border is not of keys."""
    if key and not NARROWEST_KEY <= key <= WIDEST_KEY:
        raise BadKeys("Piano keys can be ½″ to 12″ (1 to 30 cm) wide, like 2; 0 for none.", "key")


def plan_keys(body: tuple[Fraction, Fraction], key: Fraction, depth: Fraction) -> Keys:
    """Keys of this finished width round a body of this finished size, `depth` wide themselves.

    >>> keys = plan_keys((Fraction(48), Fraction(61)), Fraction(2), Fraction(3))
    >>> keys.along_width, keys.along_length, keys.spacer_sides, keys.spacer_ends
    (25, 31, Fraction(1, 1), Fraction(1, 2))
    """
    if not 0 < key <= min(body):
        raise BadKeys("A piano key must be wider than 0 and no wider than its side of the quilt.")
    fits = all(side % key == 0 for side in body)
    sides, ends = (Fraction(0) if fits else _spacer(side, key) for side in body)
    along = [int((side + 2 * by) / key) for side, by in zip(body, (sides, ends), strict=True)]
    return Keys(key, along[0], along[1], sides, ends, depth)


@dataclass(frozen=True)
class KeysWish:
    """Whether the outermost border is to be of keys: how wide they are, and the border; 0: no."""

    key: Fraction = Fraction(0)
    outermost: Fraction | None = None

    def suiting(
        self, body: tuple[Fraction, Fraction], border: Fraction, around: Fraction
    ) -> Fraction:
        """The keys for a body with a `border` and others `around` it; 0 where it is smaller than
        one, or has no border."""
        if not self.key:
            return self.key
        inner = self._within(body, border, around)
        last = border if self.outermost is None else self.outermost
        return self.key if last and self.key <= min(inner) else Fraction(0)

    def spacer(
        self, body: tuple[Fraction, Fraction], border: Fraction, around: Fraction
    ) -> tuple[Fraction, Fraction]:
        """What makes them fit, at the sides, and above and below."""
        if not self.suiting(body, border, around):
            return Fraction(0), Fraction(0)
        inner = self._within(body, border, around)
        return plan_keys(inner, self.key, self.outermost or border).spacer

    def _within(
        self, body: tuple[Fraction, Fraction], border: Fraction, around: Fraction
    ) -> tuple[Fraction, Fraction]:
        last = border if self.outermost is None else self.outermost
        within = 2 * (border + around - last)
        return body[0] + within, body[1] + within


NO_KEYS = KeysWish()


def _spacer(side: Fraction, key: Fraction) -> Fraction:
    """The narrowest spacer that can be sewn, a little wider where the sides ask for it."""
    keys = -(-(side + 2 * NARROWEST_SPACER) // key)
    return (keys * key - side) / 2


def friendlier_key(body: tuple[Fraction, Fraction], near: Fraction) -> Fraction | None:
    """The key in eighths nearest to this width that divides both sides; None where none does.

    >>> friendlier_key((Fraction(48), Fraction(60)), Fraction(21, 8))
    Fraction(3, 1)
    """
    most = round_up_to(EIGHTH, 2 * near)
    keys = (EIGHTH * n for n in range(4, int(most / EIGHTH) + 1))
    dividing = [key for key in keys if all(side % key == 0 for side in body)]
    return min(dividing, key=lambda key: (abs(key - near), key), default=None)
