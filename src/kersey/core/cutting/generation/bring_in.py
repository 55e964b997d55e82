"""Ways to cut brought into the programme: to begin with, for whole numbers, for a proof."""

import highspy
import numpy as np

from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.generation.programme import Floats, Frame, Known, Programme, Runs, StripKey
from kersey.core.cutting.highs import FEASIBLE, ROUND, quiet_highs
from kersey.core.cutting.watch import Watch

ENOUGH = 1e-7
_MOST_ROUNDS = 400
# Of the time, this much is kept for finding whole numbers.
_WHOLE_NUMBERS_TAKE = 0.4
_MOST_SETTLED = 60
_MOST_FILLINGS = 4000
# What a proof may bring in, and of how many kinds of fabric it is tried.
_FOR_A_PROOF, KINDS_FOR_A_PROOF = (3000, 20_000), 20
# Of more kinds than this it is dear to price even once for each need.
_VERY_MANY_KINDS = 300


def generate(programme: Programme, pricer: Pricer, watch: Watch) -> int:
    """Price patterns until none helps; the bound is the whole part of the programme's optimum."""
    known = programme.known
    counts = np.array([kind.count for kind in known.kinds], dtype=float)
    _first_patterns(known, pricer)
    bound = np.inf
    for _ in range(_MOST_ROUNDS):
        blocks, wanted, fabric = programme.linear()
        found = pricer.best(known.parts.prices(wanted))
        worth = np.zeros(len(known.kinds))
        for price, kind, _ in found:
            worth[kind] = max(worth[kind], price)
        gain = np.maximum(worth - fabric, 0)
        # What the programme could still gain is at most this much: a bound at every step.
        bound = min(bound, blocks + float(gain @ counts))
        if gain.max() < ENOUGH or np.floor(bound + ROUND) <= np.floor(blocks + ROUND):
            break
        # Only a pattern that is worth more than the fabric it takes can raise the optimum.
        fresh = [
            known.add(kind, pricer.pattern(pair), pricer)
            for pair, (price, kind, _) in enumerate(found)
            if price > fabric[kind] + ENOUGH
        ]
        if not any(fresh) or watch.left < watch.seconds * _WHOLE_NUMBERS_TAKE:
            break
    # Where what is wanted once cannot be had, no block is.
    return max(0, min(int(np.floor(bound + ROUND)), known.parts.problem.blocks_by_area))


def _first_patterns(known: Known, pricer: Pricer) -> None:
    """Patterns to begin with: the fullest of all pieces together, and of each kind alone."""
    areas = np.array([width * height for width, height in pricer.needs], float)
    classes = 1 + max(kind.print_class for kind in known.kinds)
    prices = [areas]
    for need in range(len(areas)):
        alone = np.zeros(len(areas))
        alone[need] = areas[need]
        prices.append(alone)
    many = len(known.kinds) > _VERY_MANY_KINDS
    for price in prices[: 1 if many else 1 + 4000 // len(known.kinds)]:
        for pair, (_, kind, _) in enumerate(pricer.best(np.tile(price, (classes, 1)))):
            known.add(kind, pricer.pattern(pair), pricer)


def add_everything(known: Known, pricer: Pricer, most: tuple[int, int]) -> bool:
    """Bring in every frame and filling there is, if they are no more than so many of each."""
    most_frames, most_fillings = most
    frames: list[Frame] = []
    for kind, along in pricer.ways:
        ways = pricer.frames(kind, along, most_frames)
        if ways is None or len(frames) + len(ways) > most_frames:
            return False
        frames.extend((kind, along, way) for way in ways)
    # Strips are shared by the frames: each is filled once, whatever frame it lies in.
    keys = {known.key(k, along, b) for k, along, way in frames for b in way}
    strips: list[tuple[StripKey, Runs]] = []
    for key in sorted(keys, key=repr):
        fillings = pricer.fillings(*key, most_fillings)
        if fillings is None or len(strips) + len(fillings) > most_fillings:
            return False
        strips.extend((key, strip) for strip in fillings)
    known.take(frames, strips)
    return True


def add_near(programme: Programme, pricer: Pricer, target: int) -> bool:
    """Bring in all that a plan of `target` blocks could use; False if that cannot be had.

    Where the programme's optimum is z, no such plan uses a frame or a strip that costs more than
    z - target against the best at its prices. Prices must be those at which pricing found nothing
    better, else nothing follows from them.
    """
    known = programme.known
    if len(known.kinds) > KINDS_FOR_A_PROOF:
        return False
    settled = _settle_prices(programme, pricer)
    if settled is None:
        return False
    blocks, prices, fabric = settled
    slack = blocks - target + ROUND
    frames: list[Frame] = []
    spent: dict[StripKey, float] = {}
    all_known: list[tuple[int, bool]] = []
    for kind, along in pricer.ways:
        ways = pricer.near_frames(kind, along, float(fabric[kind]) - slack, _FOR_A_PROOF[0])
        if ways is None or len(frames) + len(ways) > _FOR_A_PROOF[0]:
            if (kind, along) not in known.large_ways:
                return False
            # In these strips are laid freely: every frame is there already.
            for breadth, worth in pricer.best_frames(kind, along).items():
                key, cost = known.key(kind, along, breadth), float(fabric[kind]) - worth
                if cost <= slack:
                    spent[key] = min(cost, spent.get(key, slack))
            continue
        all_known.append((kind, along))
        frames.extend((kind, along, way) for way in ways)
        # What a frame costs against the best is no longer there for its strips to cost.
        for way in ways:
            keys = [known.key(kind, along, breadth) for breadth in way]
            cost = float(fabric[kind]) - sum(map(pricer.strip_worth, keys))
            spent.update((key, min(cost, spent.get(key, slack))) for key in keys)
    strips: list[tuple[StripKey, Runs]] = []
    for key, cost in spent.items():
        fillings = pricer.near_fillings(key, prices, slack - cost, _FOR_A_PROOF[1])
        if fillings is None or len(strips) + len(fillings) > _FOR_A_PROOF[1]:
            return False
        strips.extend((key, strip) for strip in fillings)
    known.take(frames, strips)
    known.large_ways = [way for way in known.large_ways if way not in all_known]
    return True


def _settle_prices(programme: Programme, pricer: Pricer) -> tuple[float, Floats, Floats] | None:
    """The optimum, and prices at which pricing finds nothing better; None if that takes long."""
    known = programme.known
    for _ in range(_MOST_SETTLED):
        blocks, wanted, fabric = programme.linear()
        prices = known.parts.prices(wanted)
        fresh = False
        for pair, (price, kind, _) in enumerate(pricer.best(prices)):
            if price > fabric[kind] + ENOUGH:
                fresh |= known.add(kind, pricer.pattern(pair), pricer)
        if not fresh:
            return blocks, prices, fabric
    return None


def add_untrimmed(known: Known, pricer: Pricer) -> None:
    """Bring in the fillings of strips met so far with pieces of just their breadth."""
    for kind, along in known.large_ways:
        for breadth in known.breadths:
            key = known.key(kind, along, breadth)
            if pricer.can_fill(*key):
                known.keys.setdefault(key, len(known.keys))
    each = max(20, _MOST_FILLINGS // max(1, len(known.keys)))
    for key in list(known.keys):
        for strip in pricer.some_fillings(*key, each):
            known.strips.setdefault((key, strip))


def dive(programme: Programme, pricer: Pricer, target: int, watch: Watch) -> bool:
    """Settle one number after the other, pricing for what is then still wanted; anything new?"""
    known, parts = programme.known, programme.known.parts
    before = len(known.frames) + len(known.strips)
    programme.load()
    lp = quiet_highs()
    lp.passModel(programme.highs.getLp())
    lp.changeColBounds(0, float(target), float(target))
    for _ in range(_MOST_SETTLED):
        if watch.left <= 0:
            break
        lp.run()
        values = np.array(lp.getSolution().col_value)
        if lp.getInfo().primal_solution_status != FEASIBLE:
            break
        wanted, fabric = programme.prices(np.array(lp.getSolution().row_dual))
        for pair, (price, kind, _) in enumerate(pricer.best(parts.prices(wanted))):
            if price > fabric[kind] + ENOUGH:
                known.add(kind, pricer.pattern(pair), pricer)
        # The number nearest to the next whole one is settled upward: it errs least.
        part = values - np.floor(values + ROUND)
        part[part < ROUND] = 0
        part[0] = 0
        if not part.any():
            break
        pick = int(part.argmax())
        lp.changeColBounds(pick, float(np.ceil(values[pick])), highspy.kHighsInf)
    return len(known.frames) + len(known.strips) > before
