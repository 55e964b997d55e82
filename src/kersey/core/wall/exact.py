"""The least that the pairs of a small wall can cost, by an integer programme.

    x[p, k]  1 where a block of kind k lies at place p: one kind a place, as many as there are
    z[p, q]  what p and q cost together:  z >= sum over l of cost[k, l] x[q, l] - M (1 - x[p, k])

for every pair that has a price and every kind k, M being the most that k can cost there. Rows,
halves and quarters are no pairs and are left out. It shares the tables of troubles with the search,
and nothing else.
"""

from collections import Counter
from dataclasses import dataclass
from math import inf

import numpy as np

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.watch import Watch
from kersey.core.project.minding import Trouble, Weights
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import Ints, Tables, pair_troubles

# Walls up to this size are settled in seconds.
MOST_PLACES = 25


@dataclass(frozen=True)
class Least:
    """What no arrangement costs less than, and what the best that was met on the way costs: the
    same, where the watch allows; None if none was met."""

    least: int
    reached: int | None


def least_cost(
    wall: Wall,
    turns: tuple[int, ...],
    weights: Weights,
    watch: Watch,
    held: tuple[tuple[int, int], ...] = (),
) -> Least:
    """What no arrangement of a wall can cost less than; blocks `held` at a place stay there.

    It speaks of troubles between pairs of places alone, with all blocks on the wall.
    """
    tables = Tables(wall)
    prices: dict[tuple[int, int], Ints] = {}
    for trouble, one, other, table in pair_troubles(wall, tables, turns):
        if weights.cost(trouble):
            added = weights.cost(trouble) * table
            prices[one, other] = prices.get((one, other), np.zeros_like(table)) + added
    programme = WholeNumbers()
    kinds = Counter(wall.kinds)
    lies = [[programme.number(1) for _ in kinds] for _ in turns]
    for place in lies:
        programme.between(1, 1, [(x, 1) for x in place])
    for kind, count in kinds.items():
        programme.between(0, count, [(place[kind], 1) for place in lies])
    for at, block in held:
        programme.between(1, 1, [(lies[at][wall.kinds[block]], 1)])
    costs = [
        _price(programme, lies[one], lies[other], table)
        for (one, other), table in prices.items()
        if table.any()
    ]
    found, most = programme.solve(watch)
    met = any(found[kind] for kind in lies[0])
    return Least(max(0, -most), sum(found[cost] for cost in costs) if met else None)


def _price(programme: WholeNumbers, one: list[int], other: list[int], table: Ints) -> int:
    """The number of what two places cost: at least what their kinds cost."""
    cost = programme.number(float(table.max()), gain=-1)
    for kind, row in enumerate(table):
        most = float(row.max())
        if most:
            there = [(other[n], -float(much)) for n, much in enumerate(row) if much]
            programme.between(-most, inf, [(cost, 1), *there, (one[kind], -most)])
    return cost


def only(trouble: Trouble) -> Weights:
    """Weights by which one trouble costs 1, and no other is minded."""
    return Weights(tuple(int(each is trouble) for each in Trouble))
