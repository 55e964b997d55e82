"""The seams of a block, found from its patches: where each runs, and in which order they are sewn.

Whatever is pieced of straight seams can be taken apart again: some straight line crosses the whole
of it and no patch. That line was sewn last; the parts on either side are taken apart in turn. Where
lines cross both ways, as in four squares, rows are sewn first and then row to row.

A seam has two sides, by the direction in which its line is written: the low side and the high one.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import pairwise
from math import gcd, lcm

from kersey.core.blocks.assembly import Patch

Point = tuple[Fraction, Fraction]
# a x + b y = c, in whole numbers without a common factor, the first of a and b that is not 0 > 0.
Line = tuple[int, int, Fraction]


@dataclass(frozen=True)
class Seam:
    """A seam from `begin` to `end`; the patches beside it by their places in the block, those on
    the low side (a x + b y < c) and those on the high side; `level` 0 is sewn last."""

    line: Line
    begin: Point
    end: Point
    low: tuple[int, ...]
    high: tuple[int, ...]
    level: int
    low_patches: tuple[int, ...] = ()
    high_patches: tuple[int, ...] = ()


@dataclass(frozen=True)
class Crossing:
    """Two seams, by their places, that end at the same point of a later one from either side."""

    at: Point
    across: int
    low: int
    high: int


def seams_of(patches: Sequence[Patch]) -> tuple[Seam, ...]:
    """Every seam of a block, those sewn first first; none where it is not pieced of straight ones.

    >>> from kersey.core.blocks.catalogue import recipes
    >>> from kersey.core.measure.workshop import QUARTER_INCH
    >>> nine = recipes()["nine-patch"]
    >>> block = nine.assemble(nine.finished, nine.options, QUARTER_INCH)
    >>> len(seams_of(block.patches))
    8
    """
    shapes, parts = _in_whole_numbers(patches)
    found = (_in_inches(seam, parts) for seam in _parted(shapes, 0))
    return tuple(sorted(found, key=lambda seam: -seam.level))


def seam_between(one: Sequence[Patch], other: Sequence[Patch]) -> Seam | None:
    """The seam that joins two parts, where a straight line parts them and both lie along it.

    >>> from kersey.core.blocks.catalogue import recipes
    >>> from kersey.core.measure.workshop import QUARTER_INCH
    >>> nine = recipes()["nine-patch"]
    >>> patches = nine.assemble(nine.finished, nine.options, QUARTER_INCH).patches
    >>> seam = seam_between(patches[:3], patches[3:6])
    >>> [str(side) for side in (*seam.begin, *seam.end)]
    ['0', '2', '6', '2']
    """
    shapes, parts = _in_whole_numbers([*one, *other])
    low, high = shapes[: len(one)], shapes[len(one) :]
    shared = {line for _, corners in low for line in _edges(corners)} & {
        line for _, corners in high for line in _edges(corners)
    }
    for line in sorted(shared):
        sides = [{_side_of(corners, line) for _, corners in part} for part in (low, high)]
        if sides == [{1}, {-1}]:
            low, high = high, low
        if sides in ([{-1}, {1}], [{1}, {-1}]):
            return _in_inches(_seam(line, low, high, 0), parts)
    return None


def crossings(seams: Sequence[Seam]) -> tuple[Crossing, ...]:
    """Where seams meet across a later one: there they nest, or not."""
    found = []
    for across, over in enumerate(seams):
        ends: dict[tuple[Point, bool], list[int]] = {}
        for number, seam in enumerate(seams):
            if number == across or seam.level <= over.level:
                continue
            for point in (seam.begin, seam.end):
                if _on(point, over) and _is_of(seam, over):
                    is_low = side_of_line(middle_of(seam), over.line) < 0
                    ends.setdefault((point, is_low), []).append(number)
        for (point, is_low), low in ends.items():
            if is_low:
                found += [
                    Crossing(point, across, one, other)
                    for one in low
                    for other in ends.get((point, False), ())
                ]
    return tuple(found)


# The number of a patch, and its corners in whole parts.
_Shape = tuple[int, tuple[tuple[int, int], ...]]


def _in_whole_numbers(patches: Sequence[Patch]) -> tuple[list[_Shape], int]:
    """The patches in whole numbers of a common part of an inch, which is reckoned with many times
    faster, and how many of these parts an inch has."""
    sides = [side for patch in patches for corner in patch.corners for side in corner]
    parts = lcm(*(side.denominator for side in sides))
    shapes = [
        (n, tuple((int(x * parts), int(y * parts)) for x, y in patch.corners))
        for n, patch in enumerate(patches)
    ]
    return shapes, parts


def _in_inches(seam: Seam, parts: int) -> Seam:
    a, b, c = seam.line
    (x, y), (u, v) = seam.begin, seam.end
    return replace(
        seam, line=(a, b, c / parts), begin=(x / parts, y / parts), end=(u / parts, v / parts)
    )


def _parted(patches: Sequence[_Shape], level: int) -> Iterator[Seam]:
    """The seams that hold patches together, the last one at this level."""
    if len(patches) < 2:
        return
    lines = _lines_across(patches)
    if not lines:
        return
    parts = _parts(patches, lines)
    for line, (before, after) in zip(lines, pairwise(parts), strict=True):
        yield _seam(line, before, after, level)
    for part in parts:
        yield from _parted(part, level + 1)


def _lines_across(patches: Sequence[_Shape]) -> list[Line]:
    """Lines that part the patches and cross none, all in one direction: level ones if there are,
    else upright ones, else the first that is found."""
    found: dict[tuple[int, int], set[Line]] = {}
    for _, corners in patches:
        for line in _edges(corners):
            if line in found.setdefault(line[:2], set()):
                continue
            sides = [_side_of(each, line) for _, each in patches]
            if 0 not in sides and len(set(sides)) == 2:
                found[line[:2]].add(line)
    whole = {direction: lines for direction, lines in found.items() if lines}
    best = min(
        whole,
        key=lambda direction: (direction != (0, 1), direction != (1, 0), direction),
        default=None,
    )
    return sorted(whole[best], key=lambda line: line[2]) if best else []


def _parts(patches: Sequence[_Shape], lines: Sequence[Line]) -> list[list[_Shape]]:
    """The patches between the lines, in their order."""
    parts: list[list[_Shape]] = [[] for _ in range(len(lines) + 1)]
    for each in patches:
        place = sum(_side_of(each[1], line) > 0 for line in lines)
        parts[place].append(each)
    return parts


def _seam(line: Line, low: Sequence[_Shape], high: Sequence[_Shape], level: int) -> Seam:
    beside = [
        [(number, corners) for number, corners in side if line in _edges(corners)]
        for side in (low, high)
    ]
    points = [
        (Fraction(x), Fraction(y))
        for side in beside
        for _, corners in side
        for x, y in corners
        if line[0] * x + line[1] * y == line[2]
    ]
    low_beside, high_beside = (tuple(number for number, _ in side) for side in beside)
    return Seam(
        line,
        min(points),
        max(points),
        low_beside,
        high_beside,
        level,
        tuple(number for number, _ in low),
        tuple(number for number, _ in high),
    )


def _edges(corners: Sequence[tuple[int, int]]) -> Iterator[Line]:
    for one, other in pairwise((*corners, corners[0])):
        if one != other:
            yield _line(one, other)


def _line(one: tuple[int, int], other: tuple[int, int]) -> Line:
    """The line through two points."""
    (x, y), (u, v) = one, other
    a, b = y - v, u - x
    divisor = gcd(a, b) * (-1 if (a or b) < 0 else 1)
    a, b = a // divisor, b // divisor
    return a, b, Fraction(a * x + b * y)


def side_of_line(point: Point, line: Line) -> Fraction:
    """Less than 0 on the low side of a line, more on the high side."""
    return line[0] * point[0] + line[1] * point[1] - line[2]


def _side_of(corners: Sequence[tuple[int, int]], line: Line) -> int:
    """On which side a patch lies: 0 where the line goes through it."""
    a, b, c = line[0], line[1], int(line[2])
    sides = [a * x + b * y - c for x, y in corners]
    if min(sides) >= 0:
        return 1
    return -1 if max(sides) <= 0 else 0


def _on(point: Point, seam: Seam) -> bool:
    return side_of_line(point, seam.line) == 0 and min(seam.begin, seam.end) <= point <= max(
        seam.begin, seam.end
    )


def _is_of(seam: Seam, over: Seam) -> bool:
    """Whether a seam lies in one of the two parts that another joins."""
    return _within(seam.low_patches, over) and _within(seam.high_patches, over)


def _within(patches: Iterable[int], over: Seam) -> bool:
    return set(patches) <= set(over.low_patches) or set(patches) <= set(over.high_patches)


def middle_of(seam: Seam) -> Point:
    """The middle of a seam."""
    return ((seam.begin[0] + seam.end[0]) / 2, (seam.begin[1] + seam.end[1]) / 2)
