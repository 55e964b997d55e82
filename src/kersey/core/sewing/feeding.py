"""How the two parts of a pass go under the needle: where its seam is, what lies on top, and from
which end it is sewn.

The foot slides over an allowance on top whose fold it meets first; one that it meets at its raw
edge is turned over and sewn down wrong. So the seam is begun at the end from which most allowances
on top run with the foot. What has allowances to watch lies on top; where both parts have some,
the one of which more can run so. Source: docs/trade.md section 9.

         begin here
             v
    on top   |  <- folds of the allowances are met first, raw edges point down, away from the foot
             v
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.blocks.assembly import Make, Patch
from kersey.core.sewing.passes import Pass
from kersey.core.sewing.pressing import Pressing
from kersey.core.sewing.seams import Point, Seam, middle_of, seam_between, side_of_line


class End(StrEnum):
    """Where a seam is begun, as the drawing shows it."""

    UPPER = "upper"
    LOWER = "lower"
    LEFT = "left"
    RIGHT = "right"


@dataclass(frozen=True)
class Feeding:
    """What lies on top, the second part or the first; from where the seam is sewn; and how many of
    the allowances on top run with the foot."""

    second_on_top: bool
    begin: Point
    end: Point
    with_foot: int
    on_top: int

    @property
    def at(self) -> End:
        """The end of the seam at which it is begun."""
        (x, y), (u, v) = self.begin, self.end
        if abs(v - y) >= abs(u - x):
            return End.UPPER if y < v else End.LOWER
        return End.LEFT if x < u else End.RIGHT


def seam_of(one: Pass) -> Seam | None:
    """The seam that a pass sews, where its make is drawn; none where nothing is joined there."""
    sides = _sides(one.make, one.join)
    if sides is None:
        return None
    first, second = sides
    return seam_between(one.make.patches[:first], one.make.patches[first:second])


def joined_by(one: Pass) -> int | None:
    """How many patches of its make are together once a pass is done, the first ones; None where
    that is not known."""
    sides = _sides(one.make, one.join)
    return None if sides is None else sides[1]


def feeding(one: Pass, pressing: Pressing) -> Feeding | None:
    """How a pass is fed where the seams of its block are pressed so; none where no allowance ends
    on its seam, or the make lies elsewhere in the block than it is drawn."""
    drawn = seam_of(one)
    seam = next((each for each in pressing.seams if drawn and _is_same(each, drawn)), None)
    sides = _sides(one.make, one.join)
    if seam is None or sides is None:
        return None
    ending = [
        (middle_of(other), _high_side(other, way))
        for other, way in zip(pressing.seams, pressing.ways[0], strict=True)
        if other.level > seam.level and way and _ends_on(other, seam)
    ]
    low = [high for middle, high in ending if side_of_line(middle, seam.line) < 0]
    high = [high for middle, high in ending if side_of_line(middle, seam.line) > 0]
    if not low and not high:
        return None
    first, second = sides
    second_is_high = _is_high(one.make.patches[first:second], seam)
    # Of equal ways: what has more allowances to watch, the second part, from the first end.
    ways = [
        _fed(allowances, is_second, begin, end)
        for is_second, allowances in (
            (True, high if second_is_high else low),
            (False, low if second_is_high else high),
        )
        for begin, end in ((seam.begin, seam.end), (seam.end, seam.begin))
        if allowances
    ]
    return max(ways, key=lambda way: (way.with_foot - way.on_top, way.on_top))


def _sides(make: Make, join: int) -> tuple[int, int] | None:
    """How many patches the first part of a join has, and both together: patches come in the order
    in which parts are joined."""
    if not make.how.joins or make.how.flips:
        return None
    counts = [len(part.make.patches) for part in make.of for _ in range(part.count)]
    if sum(counts) != len(make.patches) or join >= len(counts):
        return None
    return sum(counts[:join]), sum(counts[: join + 1])


def _fed(allowances: Sequence[Point], second_on_top: bool, begin: Point, end: Point) -> Feeding:
    """An allowance is pressed to where it points: that is where its raw edge lies."""
    along = end[0] - begin[0], end[1] - begin[1]
    with_foot = sum(x * along[0] + y * along[1] > 0 for x, y in allowances)
    return Feeding(second_on_top, begin, end, with_foot, len(allowances))


def _is_same(seam: Seam, other: Seam) -> bool:
    return (seam.line, seam.begin, seam.end) == (other.line, other.begin, other.end)


def _high_side(seam: Seam, pressed: int) -> Point:
    """The direction in which the raw edge of an allowance points."""
    return Fraction(pressed * seam.line[0]), Fraction(pressed * seam.line[1])


def _ends_on(other: Seam, seam: Seam) -> bool:
    return any(
        side_of_line(point, seam.line) == 0 and seam.begin <= point <= seam.end
        for point in (other.begin, other.end)
    )


def _is_high(patches: Sequence[Patch], seam: Seam) -> bool:
    return any(side_of_line(corner, seam.line) > 0 for p in patches for corner in p.corners)
