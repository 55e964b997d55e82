"""The choice of one of two sides for many things that gains most, exactly.

A gain is of one thing alone, or of two together. Things are settled one after the other, the one
with the fewest neighbours first: for every choice of its neighbours its own best is noted, and what
that gains is a gain of the neighbours from then on. That is exact, and takes no longer than the
largest group of neighbours asks for; seams of a block have few.
"""

from collections.abc import Hashable, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray


@dataclass(frozen=True, eq=False)
class Gain:
    """What these things gain together: a table with one axis for each, 0 for its first side."""

    of: tuple[Hashable, ...]
    table: NDArray[np.int64]


def most(gains: Sequence[Gain]) -> dict[Hashable, int]:
    """The side of every thing, 0 or 1, that together gain most.

    >>> differ = np.array([[0, 1], [1, 0]])
    >>> found = most([Gain(("a", "b"), differ), Gain(("b",), np.array([0, 5]))])
    >>> found["a"], found["b"]
    (0, 1)
    """
    waiting, settled = list(gains), list[Gain]()
    things = dict.fromkeys(thing for gain in gains for thing in gain.of)
    while things:
        thing = min(things, key=lambda each: len(_neighbours(each, waiting)))
        del things[thing]
        mine = [gain for gain in waiting if thing in gain.of]
        others = tuple(_neighbours(thing, waiting))
        table = _together(mine, (thing, *others))
        waiting = [gain for gain in waiting if thing not in gain.of]
        waiting.append(Gain(others, table.max(axis=0)))
        settled.append(Gain((thing, *others), table.argmax(axis=0)))
    found: dict[Hashable, int] = {}
    for each in reversed(settled):
        thing, *others_of = each.of
        found[thing] = int(each.table[tuple(found[other] for other in others_of)])
    return found


def _neighbours(thing: Hashable, gains: Sequence[Gain]) -> list[Hashable]:
    """The things that gain something together with one, in a steady order."""
    together = dict.fromkeys(each for gain in gains if thing in gain.of for each in gain.of)
    return [each for each in together if each != thing]


def _together(gains: Sequence[Gain], of: tuple[Hashable, ...]) -> NDArray[np.int64]:
    """All these gains in one table with these axes."""
    total = np.zeros((2,) * len(of), np.int64)
    for gain in gains:
        order = sorted(range(len(gain.of)), key=lambda axis: of.index(gain.of[axis]))
        shape = [2 if thing in gain.of else 1 for thing in of]
        total += np.transpose(gain.table, order).reshape(shape)
    return total
