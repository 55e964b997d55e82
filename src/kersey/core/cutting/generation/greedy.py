"""A plan without an integer programme: fabric after fabric, each cut for what is most behind.

Where fabrics are many and all different, whole numbers are hard to come by. Here the fabric is cut
in rounds. In each, every piece of a share of the fabric gets the pattern that is worth most, where
a need is worth its price in the linear programme, more if it is behind the others and less if it is
ahead; nothing once there is enough of it. Only for needs without print rules.
"""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.patterns import Kind, Pattern
from kersey.core.cutting.watch import Watch

Floats = NDArray[np.float64]
_ROUNDS = 150
# Of so many kinds of fabric each round is dear.
_MANY_KINDS, _FEWER_ROUNDS = 2000, 100
# How strongly a need that lags is preferred.
_PULL = 1.5


def cut_in_rounds(
    needs: Sequence[tuple[int, int]],
    counts: Sequence[int],
    kinds: Sequence[Kind],
    prices: Floats,
    target: int,
    watch: Watch,
) -> tuple[int, list[tuple[int, Pattern]]]:
    """(blocks, cuts): at most `target` blocks of `counts` pieces each, sides in units.

    Half a plan is none: it takes no more time for being late, but the time it takes.
    """
    areas = np.array([width * height for width, height in needs], dtype=float)
    by_area = areas / float(areas @ np.array(counts, dtype=float))
    # The prices may come from a programme that was cut short, and be nothing for some need.
    prices = (prices + by_area) / 2
    wanted = np.array(counts, dtype=float) * max(1, target)
    made = np.zeros(len(needs))
    cuts: list[tuple[int, Pattern]] = []
    rounds = _ROUNDS if len(kinds) <= _MANY_KINDS else _FEWER_ROUNDS
    for shares in _shares(kinds, rounds):
        now = list(shares)
        progress = made / wanted
        if not now or progress.min() >= 1:
            continue
        pull = np.exp(_PULL * (progress.mean() - progress))
        worth = np.where(progress >= 1, 0.0, prices * pull)
        for number, pattern in _best(needs, [kinds[n] for n in now], worth, watch):
            kind = now[number]
            cuts.extend([(kind, pattern)] * shares[kind])
            for strip in pattern.strips:
                for need, _ in strip.pieces:
                    made[need] += shares[kind]
    blocks = int(min(target, *(int(m) // c for m, c in zip(made, counts, strict=True))))
    return blocks, cuts


def _shares(kinds: Sequence[Kind], rounds: int) -> list[dict[int, int]]:
    """How many pieces of which kinds are cut in each round: spread, each kind elsewhere."""
    shares: list[dict[int, int]] = [{} for _ in range(rounds)]
    for number, kind in enumerate(kinds):
        for turn, share in enumerate(shares if kind.count >= rounds else ()):
            share[number] = kind.count * (turn + 1) // rounds - kind.count * turn // rounds
        for piece in range(kind.count if kind.count < rounds else 0):
            share = shares[(number * 37 + piece * rounds // kind.count) % rounds]
            share[number] = share.get(number, 0) + 1
    return shares


def _best(
    needs: Sequence[tuple[int, int]], kinds: Sequence[Kind], worth: Floats, watch: Watch
) -> list[tuple[int, Pattern]]:
    """The best pattern of every kind, either way, at these prices."""
    alike = [replace(kind, print_class=0) for kind in kinds]
    pricer = Pricer(needs, alike, watch)
    best: dict[int, tuple[float, int]] = {}
    for pair, (price, kind, _) in enumerate(pricer.best(worth[None, :])):
        if price > best.get(kind, (0.0, 0))[0]:
            best[kind] = (price, pair)
    return [(kind, pricer.pattern(pair)) for kind, (_, pair) in best.items()]
