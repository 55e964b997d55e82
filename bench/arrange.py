"""The search for an arrangement, beside random restarts and a plain greedy fill in the same run.

Each wall is laid anew with the usual weights. Random restarts are given as long as the search took,
the greedy fill lays each place in turn with the block that costs least there. On small walls the
integer programme says what no arrangement costs less than (of pairs of places alone).
"""

from collections.abc import Callable
from random import Random
from time import perf_counter

import numpy as np
from numpy.typing import NDArray
from tests.core.wall.walls import plain

from kersey.core.cutting.watch import Watch
from kersey.core.project.minding import USUAL, Trouble, Weights
from kersey.core.wall.exact import MOST_PLACES, least_cost, only
from kersey.core.wall.search import ArrangeQuestion, search
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import (
    Arrangement,
    Places,
    Tables,
    cost,
    find_troubles,
    pair_troubles,
)

_CASES = {
    "400 blocks, 40 prints": (20, 20, [10] * 40, USUAL),
    "400, touching alone": (20, 20, [10] * 40, only(Trouble.SAME)),
    "100 blocks, 12 prints": (10, 10, [9] * 4 + [8] * 8, USUAL),
    "48 blocks, 8 prints": (6, 8, [6] * 8, USUAL),
    "24 blocks, 13 of one print": (4, 6, [13] + [1] * 11, only(Trouble.SAME)),
    "25 blocks, 3 prints": (5, 5, [9, 8, 8], Weights((5, 3, 0, 0, 0, 0, 0, 0, 0, 0))),
    "25 blocks, 14 of one print": (5, 5, [14, 6, 5], only(Trouble.SAME)),
}


def main() -> None:
    print(f"{'':30}{'free after':>11}{'all':>8}{'cost':>7}{'random':>8}{'greedy':>8}{'least':>7}")
    for name, (rows, columns, counts, weights) in _CASES.items():
        wall = plain(rows, columns, counts)
        places = tuple(range(rows * columns))
        turns = (0,) * len(places)
        price = priced(wall, turns, weights)
        free, whole, found = searched(wall, turns, weights, price)
        others = best_of_many(places, price, whole), price(filled(wall, turns, weights))
        assert found <= min(others), (name, found, others)
        least = ""
        if len(places) <= MOST_PLACES:
            least = str(least_cost(wall, turns, weights, Watch(30.0)).least)
        print(
            f"{name:<30}{f'{free:.2f} s' if free is not None else '-':>11}{whole:>6.2f} s"
            f"{found:>7}{others[0]:>8}{others[1]:>8}{least:>7}"
        )


def priced(wall: Wall, turns: tuple[int, ...], weights: Weights) -> Callable[[Places], int]:
    """What an arrangement costs."""
    return lambda places: cost(find_troubles(wall, Arrangement(places, turns)), weights)


def searched(
    wall: Wall, turns: tuple[int, ...], weights: Weights, price: Callable[[Places], int]
) -> tuple[float | None, float, int]:
    """Seconds until no print touches itself, until the end, and what the answer costs."""
    lies = Arrangement(tuple(range(len(turns))), turns)
    begun, free, looking = perf_counter(), None, 0.0
    found = lies
    for found in search(ArrangeQuestion(wall, lies, weights, keep=False)):
        before = perf_counter()
        if free is None and not find_troubles(wall, found)[Trouble.SAME]:
            free = before - begun - looking
        looking += perf_counter() - before
    return free, perf_counter() - begun - looking, price(found.places)


def best_of_many(places: Places, price: Callable[[Places], int], seconds: float) -> int:
    """The best of as many arrangements by lot as can be looked at in that time."""
    lots, begun, lies = Random(1), perf_counter(), list(places)
    best = price(places)
    while perf_counter() - begun < seconds:
        lots.shuffle(lies)
        best = min(best, price(tuple(lies)))
    return best


def filled(wall: Wall, turns: tuple[int, ...], weights: Weights) -> Places:
    """Place after place the block that costs least beside those that lie there already."""
    earlier: list[list[tuple[int, NDArray[np.int64]]]] = [[] for _ in turns]
    for trouble, one, other, table in pair_troubles(wall, Tables(wall), turns):
        priced = weights.cost(trouble) * table
        late, soon = max(one, other), min(one, other)
        earlier[late].append((soon, priced if late == other else priced.T))
    waiting = list(range(len(turns)))
    laid: list[int] = []
    for near in earlier:
        costs = [
            sum(int(t[wall.kinds[laid[n]], wall.kinds[block]]) for n, t in near)
            for block in waiting
        ]
        laid.append(waiting.pop(costs.index(min(costs))))
    return tuple(laid)


if __name__ == "__main__":
    main()
