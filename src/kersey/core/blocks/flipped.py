"""Corners flipped over: a small square is sewn on its diagonal over the corner of a larger piece.

    square side = finished triangle leg + 2s

The larger piece is cut as large as it lies with its corners. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import How, Make, Patch, Size, sewn
from kersey.core.blocks.recipe import triangle

Box = tuple[Fraction, Fraction, Fraction, Fraction]


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


def goose(box: Box, point: str, seam: Fraction, roles: tuple[str, str]) -> Make:
    """A goose in a box (x, y, width, height), its point up, down, left or right: a bar, and a
    square flipped over either end of its far side."""
    x, y, wide, high = box
    ends = {
        "up": ((x, y + high), (x + wide, y + high), (x + wide / 2, y)),
        "down": ((x, y), (x + wide, y), (x + wide / 2, y + high)),
        "right": ((x, y), (x, y + high), (x + wide, y + high / 2)),
        "left": ((x + wide, y), (x + wide, y + high), (x, y + high / 2)),
    }[point]
    first, second, tip = ends
    leg = min(wide, high)
    shows = Patch("goose", roles[0], (first, second, tip))
    outer = [(tip[0], end[1]) if point in ("left", "right") else (end[0], tip[1])
             for end in (first, second)]  # fmt: skip
    flips = [
        triangle("flip", roles[1], end, tip, corner)
        for end, corner in zip((first, second), outer, strict=True)
    ]
    return _flipped("goose", shows, (wide, high), flips, leg, seam)


def _flipped(
    name: str, shows: Patch, size: Size, flips: list[Patch], leg: Fraction, seam: Fraction
) -> Make:
    wide, high = (side + 2 * seam for side in size)
    whole = Make(shows.label, How.CUT, (wide, high), role=shows.role, patches=(shows,))
    squares = [
        Make(flip.label, How.CUT, (leg + 2 * seam,) * 2, role=flip.role, patches=(flip,))
        for flip in flips
    ]
    return sewn(name, seam, whole, *squares, how=How.FLIPPED)
