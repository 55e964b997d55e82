"""Points of the top that an edge hides: what a backing folded to the front lies over.

A binding hides the seam, and points that were pieced with their seam allowances stay. A backing
folded over hides its own width all round; whatever comes to a point within that is cut short.

    hidden    0 <= distance of a point from the top's raw edge < width that shows
    a point   a corner of less than a right angle of a patch, where it is not the block's corner

Source: docs/trade.md section 6.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from math import acos, degrees, hypot

from kersey.core.blocks.assembly import turned
from kersey.core.frame.setting import Setting
from kersey.core.quilt.body import corner_in_body
from kersey.core.quilt.quilt import Quilt

Point = tuple[Fraction, Fraction]
# A corner is a point when it is sharper than this.
_SHARP = 89.0


@dataclass(frozen=True)
class Hidden:
    """So much of the top is hidden all round, in inches from its raw edge; the `points` in it lie
    by their place from the top's upper left corner of its seam."""

    width: Fraction
    points: tuple[Point, ...]


def hidden_points(quilt: Quilt) -> Hidden:
    """What the edge of a quilt hides. On point nothing but setting triangles reaches the edge."""
    edge, seam = quilt.project.design.edge, quilt.kept.seam
    hides = edge.hides(seam)
    if quilt.borders or hides <= seam or quilt.grid.setting is Setting.ON_POINT:
        return Hidden(hides, ())
    if not quilt.assembly.drawn_true:
        return Hidden(hides, ())
    # Points at the edge lie a seam from the raw edge: what is hidden beyond the seam takes them.
    within = hides - seam
    width, length = quilt.size.body_width, quilt.size.body_length
    found = {(x, y) for x, y in _points(quilt) if min(x, y, width - x, length - y) < within}
    return Hidden(hides, tuple(sorted(found)))


def _points(quilt: Quilt) -> Iterator[Point]:
    """Sharp corners of patches, from the body's upper left corner."""
    by_turn: dict[int, list[Point]] = {}
    for placed in quilt.placed:
        if placed.turn not in by_turn:
            by_turn[placed.turn] = list(_sharp_in_block(quilt, placed.turn))
        left, top = corner_in_body(
            quilt, quilt.grid.seats[0]._replace(row=placed.row, column=placed.column)
        )
        yield from ((left + x, top + y) for x, y in by_turn[placed.turn])


def _sharp_in_block(quilt: Quilt, turn: int) -> Iterator[Point]:
    wide, high = quilt.block
    for patch in turned(quilt.assembly.patches, quilt.block, turn):
        corners = patch.corners
        for n, corner in enumerate(corners):
            before, after = corners[n - 1], corners[(n + 1) % len(corners)]
            at_corner = corner[0] in (0, wide) and corner[1] in (0, high)
            if _angle(before, corner, after) < _SHARP and not at_corner:
                yield corner


def _angle(before: Point, corner: Point, after: Point) -> float:
    one = float(before[0] - corner[0]), float(before[1] - corner[1])
    other = float(after[0] - corner[0]), float(after[1] - corner[1])
    long = hypot(*one) * hypot(*other)
    if not long:
        return 180.0
    return degrees(acos(max(-1.0, min(1.0, (one[0] * other[0] + one[1] * other[1]) / long))))
