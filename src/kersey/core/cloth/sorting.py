"""Prints put in order, as people lay them out before they plan (docs/trade.md section 2).

*By value*: light to dark. *By family*: colours together, light to dark within. *Gradient*: each
print beside the ones it looks most like, a short path through CIELAB. *Rainbow*: by hue, the
neutrals last. *Bag*: drawn blind, but no two of the same print come together.

A swatch is judged by the colour it blends to from afar.
"""

import math
from bisect import insort
from collections.abc import Callable, Mapping, Sequence
from enum import StrEnum
from itertools import pairwise
from random import Random

from kersey.core.cloth.colour import FAMILIES, Lab, colour_family, difference, hue, lab, lightness
from kersey.core.cloth.fabric import Print, Value
from kersey.core.errors import Infeasible


class Order(StrEnum):
    """Ways to lay prints out."""

    VALUE = "value"
    FAMILY = "family"
    GRADIENT = "gradient"
    RAINBOW = "rainbow"


class CannotDraw(Infeasible):
    """More than half of the pieces are of one print: two of it must come together."""


def place_by_value(cloth: Print) -> int:
    """Where a print lies when they are sorted by value: those nobody has judged come last."""
    values = [*Value, None]
    return values.index(cloth.known_value)


def sort_colours(colours: Sequence[str], order: Order) -> tuple[int, ...]:
    """The places of the colours in their new order; equal ones keep theirs.

    >>> sort_colours(["#000000", "#ffffff", "#777777"], Order.VALUE)
    (1, 2, 0)
    """
    return _ORDERS[order](colours)


def bag_draw(counts: Sequence[int], seed: int) -> tuple[int, ...]:
    """Draw all pieces blind, by print, so that no two of the same print come together.

    Each draw is by lot among the pieces in the bag that may follow, unless one print has become
    so common that it must be drawn now. The same seed draws the same order. Raises `CannotDraw`.

    >>> bag_draw([2, 1], seed=1)
    (0, 1, 0)
    """
    left = list(counts)
    if left and max(left) * 2 > sum(left) + 1:
        raise CannotDraw("More than half are one print, so two of it would have to touch.")
    lots, drawn = Random(seed), list[int]()
    for _ in range(sum(counts)):
        pick = _draw(left, drawn[-1] if drawn else None, lots)
        left[pick] -= 1
        drawn.append(pick)
    return tuple(drawn)


def _draw(left: Sequence[int], last: int | None, lots: Random) -> int:
    remaining = sum(left)
    pressing = [i for i, count in enumerate(left) if count * 2 > remaining and i != last]
    if pressing:
        return pressing[0]
    free = [i for i, count in enumerate(left) if count and i != last]
    return lots.choices(free, weights=[left[i] for i in free])[0]


def _by_value(colours: Sequence[str]) -> tuple[int, ...]:
    return tuple(sorted(range(len(colours)), key=lambda i: -lightness(colours[i])))


def _by_family(colours: Sequence[str]) -> tuple[int, ...]:
    def place(index: int) -> tuple[int, float]:
        colour = colours[index]
        return FAMILIES.index(colour_family(colour)), -lightness(colour)

    return tuple(sorted(range(len(colours)), key=place))


def _rainbow(colours: Sequence[str]) -> tuple[int, ...]:
    def place(index: int) -> tuple[bool, float, float]:
        colour = colours[index]
        neutral = colour_family(colour) == "neutral"
        return neutral, 0.0 if neutral else hue(colour), -lightness(colour)

    return tuple(sorted(range(len(colours)), key=place))


def _gradient(colours: Sequence[str]) -> tuple[int, ...]:
    """From the lightest on, always to the nearest colour left; then the path is shortened."""
    if not colours:
        return ()
    points = [lab(colour) for colour in colours]
    return tuple(_smoothed(_nearest_first(points), points))


def _nearest_first(points: Sequence[Lab]) -> list[int]:
    """A path through all points, each time to the nearest one left.

    The points stand in a row by lightness; from the present one the row is searched both ways only
    as far as lightness alone does not already differ more than the best found.
    """
    row = sorted(range(len(points)), key=lambda i: (-points[i][0], i))
    before = {b: a for a, b in pairwise(row)}
    after = dict(pairwise(row))
    path = [row[0]]
    while len(path) < len(row):
        here = path[-1]
        nearest = min(
            (_nearest_along(points, here, step) for step in (before, after)),
            key=lambda found: found or (math.inf, -1),
        )
        assert nearest is not None
        left, right = before.pop(here, None), after.pop(here, None)
        if left is not None:
            after.pop(left) if right is None else after.update({left: right})
        if right is not None:
            before.pop(right) if left is None else before.update({right: left})
        path.append(nearest[1])
    return path


def _nearest_along(
    points: Sequence[Lab], here: int, step: Mapping[int, int]
) -> tuple[float, int] | None:
    """The nearest point on one side of the row, with its distance."""
    best: tuple[float, int] | None = None
    place = step.get(here)
    while place is not None:
        if best is not None and abs(points[place][0] - points[here][0]) > best[0]:
            break
        found = (difference(points[here], points[place]), place)
        best = found if best is None else min(best, found)
        place = step.get(place)
    return best


# Only reversals that bring near neighbours together can shorten a path much.
_NEIGHBOURS = 8
_MOST_PASSES = 12
_NOTICED = 1e-9
# Moving single prints looks each up in the path; beyond this many it would be waited for.
_MOST_MOVED = 1500


def _smoothed(path: list[int], points: Sequence[Lab]) -> list[int]:
    """Shorten the path while a change among near neighbours does; the first print stays first.

    Two kinds of change: a stretch is reversed (2-opt), a single print is laid elsewhere (or-opt).
    """
    near = _neighbours(points)
    for _ in range(_MOST_PASSES):
        reversed_any = _reverse_stretches(path, points, near)
        moved_any = len(path) <= _MOST_MOVED and _move_prints(path, points, near)
        if not reversed_any and not moved_any:
            break
    return path


def _reverse_stretches(
    path: list[int], points: Sequence[Lab], near: Sequence[Sequence[int]]
) -> bool:
    place = {index: n for n, index in enumerate(path)}
    improved = False
    for start in range(1, len(path) - 1):
        ends = [place[c] for c in near[path[start - 1]]]
        ends += [place[c] - 1 for c in near[path[start]]]
        # To the end of the path as well: there only one join is made anew.
        for end in (*ends, len(path) - 1):
            if end > start and _gain(path, points, start, end) > _NOTICED:
                path[start : end + 1] = reversed(path[start : end + 1])
                place.update((path[n], n) for n in range(start, end + 1))
                improved = True
                break
    return improved


def _move_prints(path: list[int], points: Sequence[Lab], near: Sequence[Sequence[int]]) -> bool:
    improved = False
    for one in path[1:]:
        here = path.index(one)
        left = path[here - 1]
        right = path[here + 1] if here + 1 < len(path) else None
        freed = _apart(points, left, one) + _apart(points, one, right) - _apart(points, left, right)
        for beside in near[one]:
            after = path.index(beside)
            if beside == left:
                continue
            following = path[after + 1] if after + 1 < len(path) else None
            taken = _apart(points, beside, one) + _apart(points, one, following)
            if following != one and freed - taken + _apart(points, beside, following) > _NOTICED:
                path.remove(one)
                path.insert(path.index(beside) + 1, one)
                improved = True
                break
    return improved


def _apart(points: Sequence[Lab], one: int | None, other: int | None) -> float:
    """How far two prints are apart; nothing beyond the end of the path."""
    return 0.0 if one is None or other is None else difference(points[one], points[other])


def _neighbours(points: Sequence[Lab]) -> list[list[int]]:
    """The nearest few of each point, found in the row by lightness as above."""
    row = sorted(range(len(points)), key=lambda i: (points[i][0], i))
    near: list[list[int]] = [[] for _ in points]
    for n, here in enumerate(row):
        found: list[tuple[float, int]] = []
        for side in (range(n - 1, -1, -1), range(n + 1, len(row))):
            for m in side:
                apart = abs(points[row[m]][0] - points[here][0])
                if len(found) == _NEIGHBOURS and apart > found[-1][0]:
                    break
                insort(found, (difference(points[here], points[row[m]]), row[m]))
                del found[_NEIGHBOURS:]
        near[here] = [index for _, index in found]
    return near


def _gain(path: Sequence[int], points: Sequence[Lab], start: int, end: int) -> float:
    before, first, last = points[path[start - 1]], points[path[start]], points[path[end]]
    now, then = difference(before, first), difference(before, last)
    if end + 1 < len(path):
        after = points[path[end + 1]]
        now, then = now + difference(last, after), then + difference(first, after)
    return now - then


_ORDERS: dict[Order, Callable[[Sequence[str]], tuple[int, ...]]] = {
    Order.VALUE: _by_value,
    Order.FAMILY: _by_family,
    Order.GRADIENT: _gradient,
    Order.RAINBOW: _rainbow,
}
