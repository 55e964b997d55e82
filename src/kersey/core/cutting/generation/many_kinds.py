"""Very many kinds of fabric, all different: prices from a sample, a bound, and a plan in rounds.

The linear programme of thousands of kinds takes long, but the prices of pieces it ends with are
nearly those of a sample. Whatever the prices, no plan is worth more at them than every fabric cut
for the most (weak duality): at prices of which one block costs 1, that sum is a bound for the
blocks. Only for needs without print rules.
"""

from collections.abc import Sequence
from dataclasses import replace
from math import floor

import numpy as np

from kersey.core.cutting.generation.bring_in import generate
from kersey.core.cutting.generation.greedy import cut_in_rounds
from kersey.core.cutting.generation.parts import Parts
from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.generation.programme import Cuts, Floats, Known, Programme
from kersey.core.cutting.generation.slots import Slots
from kersey.core.cutting.highs import ROUND
from kersey.core.cutting.patterns import Kind
from kersey.core.cutting.watch import Watch

MANY_KINDS = 1500
# Pieces of fabric in the sample, and the share of the time it may take.
_SAMPLE, _SAMPLE_TAKES = 400, 0.3
# So often a piece of usual size counts in the sample, for others to count in proportion.
_FINE = 1000


class ManyKinds:
    """A bound for the blocks, and then a plan. `needs` are (width, height) in units."""

    def __init__(
        self, parts: Parts, needs: Sequence[tuple[int, int]], kinds: Sequence[Kind], watch: Watch
    ) -> None:
        self._needs, self._kinds, self._watch = needs, kinds, watch
        self._counts = [need.count for need in parts.problem.needs]
        counts = np.array(self._counts, dtype=float)
        areas = np.array([width * height for width, height in needs], dtype=float)
        # Prices by area are feasible, so they bound too: whatever the sample says, one of the two
        # holds.
        self.bound, self._prices = parts.problem.blocks_by_area, areas / float(areas @ counts)
        sampled = _sampled_prices(parts, needs, kinds, watch)
        if float(sampled @ counts) > 0:
            # Scaled so that one block costs 1: then the worth of all fabric is counted in blocks.
            sampled /= float(sampled @ counts)
            worth = floor(_worth(Pricer(needs, kinds, watch), kinds, sampled) + ROUND)
            if worth < self.bound:
                self.bound, self._prices = worth, sampled

    def plan(self, most: int) -> tuple[int, Cuts]:
        """(blocks, cuts), at most so many blocks."""
        return cut_in_rounds(
            self._needs, self._counts, self._kinds, self._prices, most, self._watch
        )


def _sampled_prices(
    parts: Parts, needs: Sequence[tuple[int, int]], kinds: Sequence[Kind], watch: Watch
) -> Floats:
    """The price of each need, from the linear programme of a sample of the fabric."""
    sample = _sample(kinds)
    brief = Watch(watch.seconds * _SAMPLE_TAKES)
    pricer = Pricer(needs, sample, brief)
    programme = Programme(Known(parts, sample, Slots(pricer)), brief)
    generate(programme, pricer, brief)
    watch.spend(brief.spent)
    prices: Floats = parts.prices(programme.wanted)[0]
    return prices


def _sample(kinds: Sequence[Kind]) -> list[Kind]:
    """A sample in which every size has its share of the area; only the ratio of counts matters."""
    by_size = sorted(kinds, key=lambda kind: (kind.serves, kind.width * kind.length))
    areas = np.array([kind.width * kind.length for kind in by_size], dtype=float)
    last = np.cumsum(areas * [kind.count for kind in by_size])
    # Evenly over the area, not over the pieces: a few large ones matter more than many crumbs.
    wanted = (np.arange(_SAMPLE) + 0.5) * (last[-1] / _SAMPLE)
    chosen, times = np.unique(np.searchsorted(last, wanted, side="right"), return_counts=True)
    counts = np.maximum(1, np.rint(_FINE * areas.mean() * times / areas[chosen]))
    return [replace(by_size[n], count=int(m)) for n, m in zip(chosen, counts, strict=True)]


def _worth(pricer: Pricer, kinds: Sequence[Kind], prices: Floats) -> float:
    """What all fabric is worth at these prices, each kind cut for the most."""
    best = np.zeros(len(kinds))
    for worth, kind, _ in pricer.best(prices[None, :]):
        best[kind] = max(best[kind], worth)
    return float(best @ np.array([kind.count for kind in kinds], dtype=float))
