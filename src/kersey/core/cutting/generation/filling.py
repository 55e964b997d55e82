"""Lengths added up: the sums that can be reached, and the ways in which items fill a room."""

from collections.abc import Sequence
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.scale import TooFine

Wholes = NDArray[np.int64]
Piece = TypeVar("Piece")
_SLIGHT = 1e-7
# So many steps of a search and it is given up.
_MOST_STEPS = 60_000
# So long a side, in units, is looked at unit by unit; and so many places where cuts may lie are
# kept along it.
_DENSE, _MOST_PLACES = 200_000, 70_000


def reachable(steps: Sequence[int] | Wholes, most: int) -> Wholes:
    """Every sum of steps up to `most`, zero first; raises `TooFine`."""
    found = _every_sum(steps, most) if most <= _DENSE else _few_sums(steps, most)
    if len(found) > _MOST_PLACES:
        raise TooFine
    return found


def _few_sums(steps: Sequence[int] | Wholes, most: int) -> Wholes:
    """Every sum, where they are few among many numbers."""
    sums = np.zeros(1, dtype=np.int64)
    for step in np.unique(steps):
        # Once, then up to three times, then up to seven times the step more, and so on.
        jump = int(step)
        while jump <= most:
            sums = np.union1d(sums, sums[sums <= most - jump] + jump)
            if len(sums) > _MOST_PLACES:
                raise TooFine
            jump *= 2
    return sums


def _every_sum(steps: Sequence[int] | Wholes, most: int) -> Wholes:
    there = np.zeros(most + 1, dtype=bool)
    there[0] = True
    some = np.unique(steps)
    for place in range(most):
        if there[place]:
            there[place + some[some <= most - place]] = True
    return np.flatnonzero(there)


def last_before(places: Wholes, steps: Wholes) -> Wholes:
    """For each place and step, the last place from which the step does not pass it; -1: none."""
    target = places[:, None] - steps[None, :]
    found = np.searchsorted(places, target, side="right") - 1
    return np.where(target < 0, -1, found)


def fill(
    items: Sequence[tuple[int, Piece]], room: int, most: int
) -> tuple[list[tuple[Piece, ...]], bool]:
    """Ways to fill the room with items (length, what) until not even the shortest fits.

    At most so many, those with many of the longest first; and whether they are all there are.
    """
    found: list[tuple[Piece, ...]] = []
    longest_first = sorted((item for item in items if item[0] <= room), key=lambda i: -i[0])
    if not longest_first:
        return found, True

    def go(place: int, left: int, so_far: tuple[Piece, ...]) -> bool:
        length, what = longest_first[place]
        if place == len(longest_first) - 1:
            found.append(so_far + (what,) * (left // length))
            return len(found) <= most
        return all(
            go(place + 1, left - count * length, so_far + (what,) * count)
            for count in range(left // length, -1, -1)
        )

    complete = go(0, room, ())
    return found[:most], complete


def fill_near(
    items: Sequence[tuple[int, Piece, float]], room: int, worth: float, most: int
) -> tuple[list[tuple[Piece, ...]] | None, int]:
    """Every way to fill the room with items (length, what, price) that is worth at least so much.

    Only full ways, into which nothing more fits; None when there are more than `most`, or when
    looking for them takes too long. With it, the steps of the search.
    """
    fitting = sorted((i for i in items if i[0] <= room), key=lambda i: (-i[2] / i[0], -i[0]))
    shortest = min((i[0] for i in fitting), default=0)
    found: list[tuple[Piece, ...]] = []
    steps = [_MOST_STEPS]

    def go(place: int, left: int, so_far: tuple[Piece, ...], reached: float) -> bool:
        steps[0] -= 1
        if len(found) > most or steps[0] < 0:
            return False
        if place == len(fitting):
            if left < shortest and reached >= worth - _SLIGHT:
                found.append(so_far)
            return True
        length, what, price = fitting[place]
        if reached + left * price / length < worth - _SLIGHT:
            return True
        return all(
            go(place + 1, left - n * length, so_far + (what,) * n, reached + n * price)
            for n in range(left // length, -1, -1)
        )

    if not fitting:
        return found, 0
    complete = go(0, room, (), 0.0) and len(found) <= most
    return found if complete else None, _MOST_STEPS - steps[0]
