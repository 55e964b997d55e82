"""Corners flipped over: a small square is sewn on its diagonal over the corner of a larger piece.

    square side = finished triangle leg + 2s

The larger piece is cut as large as it lies with its corners. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Make, Patch, Size, sewn
from kersey.core.blocks.recipe import triangle
from kersey.core.blocks.technique import CUT, Technique

FLIPPED = Technique(
    "flipped",
    step="Place each {second} on a corner of the {first}, right sides together. Sew corner to "
    "corner, trim a seam allowance past the seam, and flip it open.",
    seams=None,
    joins=True,
    flips=True,
)


def flipped_corners(
    name: str, shows: Patch, size: Size, leg: Fraction, seam: Fraction, role: str
) -> Make:
    """A piece of a finished size whose four corners are flipped; `shows` is what is left of it."""
    (wide, high), start = size, Fraction(0)
    corners = (
        ((start, start), (leg, start), (start, leg)),
        ((wide, start), (wide, leg), (wide - leg, start)),
        ((wide, high), (wide - leg, high), (wide, high - leg)),
        ((start, high), (start, high - leg), (leg, high)),
    )
    flips = [triangle("flip", role, *corner) for corner in corners]
    return _flipped(name, shows, size, flips, leg, seam)


def goose(wide: Fraction, seam: Fraction, shows: str, behind: str) -> Make:
    """A goose so wide and half as high, point up: a bar, and a square flipped over either end."""
    high, start = wide / 2, Fraction(0)
    point, left, right = (high, start), (start, high), (wide, high)
    flips = [
        triangle("flip", behind, left, point, (start, start)),
        triangle("flip", behind, right, point, (wide, start)),
    ]
    bird = Patch("goose", shows, (point, right, left))
    return _flipped("goose", bird, (wide, high), flips, high, seam)


def _flipped(
    name: str, shows: Patch, size: Size, flips: list[Patch], leg: Fraction, seam: Fraction
) -> Make:
    wide, high = (side + 2 * seam for side in size)
    whole = Make(shows.label, CUT, (wide, high), role=shows.role, patches=(shows,))
    squares = [
        Make(flip.label, CUT, (leg + 2 * seam,) * 2, role=flip.role, patches=(flip,))
        for flip in flips
    ]
    return sewn(name, seam, whole, *squares, how=FLIPPED)
