"""A border of pieced keys: equal pieces side by side, and the spacer that makes them fit.

    key        its finished width along the side
    spacer     a plain border inside; each way just as wide as needed for the sides to be whole
               numbers of keys:  side + 2 x spacer = n x key

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.borders import fitted_cut
from kersey.core.measure.length import EIGHTH, round_up_to

# A spacer narrower than this cannot be sewn straight.
NARROWEST_SPACER = Fraction(1, 2)


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


def plan_keys(body: tuple[Fraction, Fraction], key: Fraction, depth: Fraction) -> Keys:
    """Keys of this finished width round a body of this finished size, `depth` wide themselves.

    >>> keys = plan_keys((Fraction(48), Fraction(61)), Fraction(2), Fraction(3))
    >>> keys.along_width, keys.along_length, keys.spacer_sides, keys.spacer_ends
    (25, 31, Fraction(1, 1), Fraction(1, 2))
    """
    if not 0 < key <= min(body):
        raise BadKeys("A key is more than 0 and no wider than the side it lies on.")
    fits = all(side % key == 0 for side in body)
    sides, ends = (Fraction(0) if fits else _spacer(side, key) for side in body)
    along = [int((side + 2 * by) / key) for side, by in zip(body, (sides, ends), strict=True)]
    return Keys(key, along[0], along[1], sides, ends, depth)


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
