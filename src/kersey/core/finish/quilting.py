"""How a quilt is quilted: the lines of stitching over it, how long they are, how far apart.

lines      parallel, so far apart, from the middle outward; crossed, both ways
diagonals  the same at 45 degrees
seams      along the seams of blocks and borders
waves      lines that swing a third of their distance
outline    each block so far inside its seams
loops      one line of loops, row beside row
ties       points, no line

Stitches take more thread than the line is long: the top and the bobbin thread about a quarter more
each. No part of the quilt may lie further from a stitch than the batting's packet allows: what is
widest between two lines is `gap`. Lengths along curves are estimates.
Source: docs/trade.md sections 6 and 9. The quarter more is a usual figure, not measured here.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise
from math import ceil, cos, hypot, pi, sin, sqrt

from kersey.core.finish.holding import points_over
from kersey.core.measure.length import METRE
from kersey.core.project.finishing import Pattern, Quilting
from kersey.core.quilt.body import outline_in_body
from kersey.core.quilt.quilt import Quilt

Point = tuple[float, float]
Line = tuple[Point, ...]
# Of either thread, beside the length of the line.
_THREAD = Fraction(5, 4)
# What a usual bobbin holds; it is said where the number is shown.
BOBBIN_METRES = 50
# Curves are drawn and measured in so many straight parts to a swing or a loop.
_PARTS = 16
_TINY = 1e-6


@dataclass(frozen=True)
class Stitching:
    """Lines over a quilt from its upper left corner, in inches; `ties` are points instead.

    `gap` is the widest strip without a stitch; `turns` how often the quilt is turned under the arm
    of the machine.
    """

    lines: tuple[Line, ...]
    gap: float
    turns: int
    ties: tuple[Point, ...] = ()

    @property
    def length(self) -> float:
        """Inches of stitching."""
        return sum(hypot(u - x, v - y) for line in self.lines for (x, y), (u, v) in pairwise(line))

    @property
    def metres_of_thread(self) -> float:
        """Top and bobbin thread together, about."""
        return 2 * float(_THREAD) * self.length / float(METRE)

    @property
    def bobbins(self) -> int:
        """How many full bobbins it takes, about."""
        return ceil(self.metres_of_thread / 2 / BOBBIN_METRES)


def stitching(quilt: Quilt, plan: Quilting) -> Stitching:
    """The stitching of a plan over a quilt."""
    size = float(quilt.size.width), float(quilt.size.length)
    if plan.pattern is Pattern.SEAMS:
        return _in_the_seams(quilt, size)
    if plan.pattern is Pattern.OUTLINE:
        return _outlined(quilt, float(plan.distance))
    return over(size, plan)


def over(size: Point, plan: Quilting) -> Stitching:
    """A pattern that asks nothing of the quilt but its size.

    >>> from fractions import Fraction as F
    >>> lines = over((12.0, 12.0), Quilting(Pattern.LINES, F(4)))
    >>> len(lines.lines), lines.length, lines.gap
    (3, 36.0, 4.0)
    """
    distance = float(plan.distance)
    if plan.pattern is Pattern.TIES:
        return _ties(size, plan.distance)
    if plan.pattern is Pattern.LOOPS:
        return Stitching((tuple(_loops(size, distance)),), distance, 0)
    one_way = {Pattern.LINES: _lines, Pattern.DIAGONALS: _diagonals, Pattern.WAVES: _waves}[
        plan.pattern
    ]
    lines = list(one_way(size, distance, plan.across))
    if plan.crossed:
        lines += one_way(size, distance, not plan.across)
    # From the middle to one side, then turned about, to the other: and so both ways.
    return Stitching(tuple(lines), distance, 3 if plan.crossed else 1)


def _lines(size: Point, distance: float, across: bool) -> Iterator[Line]:
    """Lines from the middle outward, alternating sides; none lies on the edge."""
    along, over_it = (size[0], size[1]) if across else (size[1], size[0])
    for at in _places(over_it, distance):
        yield ((0.0, at), (along, at)) if across else ((at, 0.0), (at, along))


def _places(side: float, distance: float) -> Iterator[float]:
    """The middle, then so far from it on either side in turn."""
    yield side / 2
    step = 1
    while step * distance < side / 2 - _TINY:
        yield side / 2 - step * distance
        yield side / 2 + step * distance
        step += 1


def _diagonals(size: Point, distance: float, rising: bool) -> Iterator[Line]:
    """Lines at 45 degrees through the middle and so far apart: x - y = c falls, x + y = c rises."""
    wide, high = size
    sign = 1 if rising else -1
    low, top = (0.0, wide + high) if rising else (-high, wide)
    for place in _places(top - low, distance * sqrt(2)):
        c = low + place
        ends = sorted(_crossing_edges(wide, high, sign, c))
        if len(ends) >= 2 and hypot(ends[-1][0] - ends[0][0], ends[-1][1] - ends[0][1]) > _TINY:
            yield ends[0], ends[-1]


def _crossing_edges(wide: float, high: float, sign: int, c: float) -> Iterator[Point]:
    """Where x + sign * y = c meets the edges."""
    for x in (0.0, wide):
        y = (c - x) * sign
        if -_TINY <= y <= high + _TINY:
            yield x, min(max(y, 0.0), high)
    for y in (0.0, high):
        x = c - sign * y
        if -_TINY <= x <= wide + _TINY:
            yield min(max(x, 0.0), wide), y


def _waves(size: Point, distance: float, across: bool) -> Iterator[Line]:
    along = size[0] if across else size[1]
    swings = max(1, round(along / (4 * distance)))
    parts = swings * _PARTS
    for (x, y), _ in _lines(size, distance, across):
        swung = [
            (n * along / parts, distance / 3 * sin(2 * pi * swings * n / parts))
            for n in range(parts + 1)
        ]
        if across:
            yield tuple((a, _within(y + off, size[1])) for a, off in swung)
        else:
            yield tuple((_within(x + off, size[0]), a) for a, off in swung)


def _within(at: float, side: float) -> float:
    """Stitching ends at the edge."""
    return min(max(at, 0.0), side)


def _loops(size: Point, distance: float) -> Iterator[Point]:
    """One line to and fro: a loop for every distance, its height as much."""
    rows, radius = ceil(size[1] / distance), distance * 0.45
    for row in range(rows):
        loops = max(1, round(size[0] / distance))
        y, parts = size[1] * (row + 0.5) / rows, loops * _PARTS
        points = []
        for n in range(parts + 1):
            turn = 2 * pi * n / _PARTS
            x = size[0] * n / parts - radius * sin(turn)
            points.append((_within(x, size[0]), _within(y - radius * cos(turn), size[1])))
        yield from points if row % 2 == 0 else points[::-1]


def _ties(size: Point, distance: Fraction) -> Stitching:
    count = points_over((Fraction(size[0]), Fraction(size[1])), distance)
    ties = tuple(
        (size[0] * (column + 0.5) / count.across, size[1] * (row + 0.5) / count.down)
        for row in range(count.down)
        for column in range(count.across)
    )
    return Stitching((), max(size[0] / count.across, size[1] / count.down), 0, ties)


def _outlines(quilt: Quilt) -> list[list[Point]]:
    """The blocks from the quilt's upper left corner."""
    around = float(quilt.size.bordered + quilt.size.edge)
    left, top = (around + float(side) for side in quilt.size.spacer)
    return [
        [(x + left, y + top) for x, y in outline_in_body(quilt, seat)] for seat in quilt.grid.seats
    ]


def _in_the_seams(quilt: Quilt, size: Point) -> Stitching:
    """Every seam between blocks once, and round every border."""
    sides = {
        (min(a, b), max(a, b))
        for outline in _outlines(quilt)
        for a, b in pairwise(_rounded([*outline, outline[0]]))
    }
    rings = list(_rings(quilt, size))
    lines = [*sorted(sides), *((*ring, ring[0]) for ring in rings)]
    return Stitching(tuple(lines), _gap_in_seams(quilt), 3)


def _rounded(points: Sequence[Point]) -> list[Point]:
    """Seams of neighbours are the same one to a thousandth of an inch."""
    return [(round(x, 3), round(y, 3)) for x, y in points]


def _rings(quilt: Quilt, size: Point) -> Iterator[list[Point]]:
    """The seams round each border, the outermost border's outer edge apart."""
    at = float(quilt.size.edge)
    for border in reversed(quilt.borders):
        at += float(border.finished_width)
        yield [(at, at), (size[0] - at, at), (size[0] - at, size[1] - at), (at, size[1] - at)]


def _gap_in_seams(quilt: Quilt) -> float:
    widths = [float(border.finished_width) for border in quilt.borders]
    return max(min(map(float, quilt.block)), float(quilt.sashing.width), *widths, 0.0)


def _outlined(quilt: Quilt, distance: float) -> Stitching:
    """Every block so far inside its seams, as long as it is larger than that."""
    lines = []
    for outline in _outlines(quilt):
        inset = _inset(outline, distance)
        if inset is not None:
            lines.append((*inset, inset[0]))
    inner = max(0.0, min(map(float, quilt.block)) - 2 * distance)
    widths = [float(border.finished_width) for border in quilt.borders]
    between = 2 * distance + float(quilt.sashing.width)
    gap = max(inner, between, *(width + distance for width in widths), 0.0)
    return Stitching(tuple(lines), gap, 4 * len(lines))


def _inset(outline: Sequence[Point], distance: float) -> list[Point] | None:
    """The outline of a rectangle, straight or on its corner, moved in by a distance."""
    x, y = (sum(point[axis] for point in outline) / 4 for axis in (0, 1))
    (ax, ay), (bx, by), (cx, cy) = outline[:3]
    wide, high = hypot(bx - ax, by - ay), hypot(cx - bx, cy - by)
    if min(wide, high) <= 2 * distance + _TINY:
        return None
    across = ((bx - ax) / wide, (by - ay) / wide)
    down = ((cx - bx) / high, (cy - by) / high)
    w, h = wide / 2 - distance, high / 2 - distance
    return [
        (x + i * w * across[0] + j * h * down[0], y + i * w * across[1] + j * h * down[1])
        for i, j in ((-1, -1), (1, -1), (1, 1), (-1, 1))
    ]
