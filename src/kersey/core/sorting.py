"""Prints put in order, as people lay them out before they plan (handbook section 2).

*By value*: light to dark. *By family*: colours together, light to dark within. *Gradient*: each
print beside the ones it looks most like, a short path through CIELAB. *Rainbow*: by hue, the
neutrals last. *Bag*: drawn blind, but no two of the same print come together.

A swatch is judged by the colour it blends to from afar.
"""

from collections.abc import Callable, Sequence
from enum import StrEnum
from random import Random

from kersey.core.colour import FAMILIES, Lab, colour_family, difference, hue, lab, lightness
from kersey.core.errors import Infeasible


class Order(StrEnum):
    """Ways to lay prints out."""

    VALUE = "value"
    FAMILY = "family"
    GRADIENT = "gradient"
    RAINBOW = "rainbow"


class CannotDraw(Infeasible):
    """More than half of the pieces are of one print: two of it must come together."""


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
        raise CannotDraw("More than half are of one print: two of it would have to touch.")
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
    """From the lightest on, always to the nearest colour left; then crossings are undone."""
    if not colours:
        return ()
    points = [lab(colour) for colour in colours]
    waiting = set(range(len(points)))
    path = [max(waiting, key=lambda i: (points[i][0], -i))]
    waiting.remove(path[0])
    while waiting:
        here = points[path[-1]]
        nearest = min(waiting, key=lambda i: (difference(here, points[i]), i))
        path.append(nearest)
        waiting.remove(nearest)
    return tuple(_uncrossed(path, points))


# Beyond this many prints a pass over all pairs would be felt; the nearest-first path stays.
_MOST_UNCROSSED = 250


def _uncrossed(path: list[int], points: Sequence[Lab]) -> list[int]:
    """Reverse stretches of the path while that shortens it (2-opt); the first print stays first."""
    improved = len(path) <= _MOST_UNCROSSED
    while improved:
        improved = False
        for start in range(1, len(path) - 1):
            for end in range(start + 1, len(path)):
                if _gain(path, points, start, end) > 1e-9:
                    path[start : end + 1] = reversed(path[start : end + 1])
                    improved = True
    return path


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
