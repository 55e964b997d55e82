"""The most whole blocks: patterns priced one after the other, then whole numbers of each.

The linear programme over all patterns (found as they are needed: column generation) bounds the
answer from above; its whole part is the bound that no plan can exceed. Whole numbers of the
patterns found are then chosen by an integer programme (HiGHS). Where that misses the bound, the
remaining fabric is priced anew for what is still wanted.

Print rules become conditions on how many blocks take a part from each print. Parts that must
differ can be shared out exactly when no print is drawn for more parts than there are blocks (an
edge colouring of the graph of prints and parts, by König's theorem).
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction

import highspy
import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.greedy import cut_in_rounds
from kersey.core.cutting.highs import quiet_highs
from kersey.core.cutting.interchange import merged, named_again
from kersey.core.cutting.layout import lay_out
from kersey.core.cutting.parts import Parts, parts_of
from kersey.core.cutting.patterns import Kind, Pattern, Pricer, Strip, StripClass, class_of
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.cutting.scale import in_units, unit_of
from kersey.core.cutting.slots import Slots, fill_strips
from kersey.core.cutting.watch import Watch

Floats = NDArray[np.float64]

_ENOUGH = 1e-7
_ROUND = 1e-6
_MOST_ROUNDS = 400
# Of the time, this much is kept for finding whole numbers.
_WHOLE_NUMBERS_TAKE = 0.4
_LEAST_SECONDS = 0.1
# A programme that is not complete has this share of what is left; of many kinds of fabric, for
# which no more will be brought in, more of it.
_FIRST_SHARE, _ONLY_SHARE = 0.6, 0.9
# Less than this share of the time is no use for a proof.
_FOR_THE_REST = 0.1
_MOST_SETTLED = 60
_MOST_FILLINGS = 4000
# Of a piece that holds so many strips, and of which there are only so few, strips are laid freely;
# and where there are no more pieces of fabric at all than this, of every one.
_MANY_STRIPS, _RARE, _FEW_PIECES = 16, 4, 12
# Of a programme with more columns than so many, first those are tried whose use would cost at most
# so many blocks each, for such a part of the time left.
_NEAR = (
    (2000, ((1e-9, 0.5), (0.002, 0.75), (0.02, 0.6), (np.inf, 1.0))),
    (450, ((0.01, 0.5), (np.inf, 1.0))),
    (0, ((np.inf, 1.0),)),
)
# So many frames and fillings make a programme that is solved at once; so many, one worth trying.
_FEW, _MANY = (150, 400), (2000, 4000)
# What a proof may bring in, and of how many kinds of fabric it is tried.
_FOR_A_PROOF, _KINDS_FOR_A_PROOF = (3000, 20_000), 20
_FEASIBLE = 2
# From so many kinds of fabric on a plan is made in rounds before whole numbers are looked for.
_KINDS_FOR_ROUNDS = 60
# Of more kinds than this it is dear to price even once for each need.
_VERY_MANY_KINDS = 300


StripKey = tuple[StripClass, int, int]
# How a strip is crosscut: the runs of its slots, the longest first.
Runs = tuple[int, ...]
Cuts = list[tuple[int, Pattern]]


@dataclass
class _Master:
    """What is known so far: frames (how strips lie in a fabric) and strips (how each is crosscut).

    Kept apart, so that any strip of a breadth and run can lie in any frame that has one: whole
    numbers are then found far sooner than with whole patterns.
    """

    parts: Parts
    kinds: Sequence[Kind]
    slots: Slots
    keys: dict[StripKey, int] = field(default_factory=dict)
    frames: dict[tuple[int, bool, tuple[int, ...]], None] = field(default_factory=dict)
    strips: dict[tuple[StripKey, Runs], None] = field(default_factory=dict)
    breadths: tuple[int, ...] = ()
    large_ways: list[tuple[int, bool]] = field(default_factory=list)

    def add(self, kind: int, pattern: Pattern, pricer: Pricer) -> bool:
        """Take a pattern apart and in; whether anything of it is new."""
        before = len(self.frames) + len(self.strips)
        if pattern.strips:
            breadths = tuple(strip.breadth for strip in pattern.strips)
            self.frames.setdefault((kind, pattern.along, breadths))
            for strip in pattern.strips:
                key = self.key(kind, pattern.along, strip.breadth)
                self.keys.setdefault(key, len(self.keys))
                self.strips.setdefault((key, pricer.runs_of(strip)))
        return len(self.frames) + len(self.strips) > before

    def take(
        self,
        frames: Sequence[tuple[int, bool, tuple[int, ...]]],
        strips: Sequence[tuple[StripKey, Runs]],
    ) -> None:
        """Take frames and strips in."""
        for key, strip in strips:
            self.keys.setdefault(key, len(self.keys))
            self.strips.setdefault((key, strip))
        for frame in frames:
            for breadth in frame[2]:
                key = self.key(frame[0], frame[1], breadth)
                self.keys.setdefault(key, len(self.keys))
            self.frames.setdefault(frame)

    def key(self, kind: int, along: bool, breadth: int) -> StripKey:
        """What strips must have in common to change places."""
        fabric = self.kinds[kind]
        run = fabric.length if along else fabric.width
        return class_of(fabric, along), breadth, run


def solve(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """The most blocks found while the watch runs, with the bound.

    The same question gives the same answer as long as the time is enough.
    """
    fewer_needs, stands_for = merged(problem)
    return named_again(problem, _solve(fewer_needs, watch), stands_for)


def _solve(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    parts = parts_of(problem)
    kinds, fabrics = _kinds(problem, parts)
    if not kinds or not parts.possible(kinds):
        return CuttingPlan(problem, 0, 0, ())
    needs = _need_sizes(problem)
    pricer = Pricer(needs, kinds)
    master = _Master(parts, kinds, Slots(pricer))
    master.breadths = pricer.breadths
    few = sum(kind.count for kind in kinds) <= _FEW_PIECES
    master.large_ways = [
        way for way in pricer.ways if few or _is_large(kinds[way[0]], pricer.breadths)
    ]
    programme = _Programme(master)
    bound = _generate(programme, pricer, watch)
    bound, blocks, cuts = _whole(programme, pricer, bound, watch)
    layouts = lay_out(problem, kinds, fabrics, cuts, blocks)
    return CuttingPlan(problem, blocks, bound, layouts)


def _need_sizes(problem: CuttingProblem) -> list[tuple[int, int]]:
    unit = _unit(problem)
    return [(in_units(need.width, unit), in_units(need.height, unit)) for need in problem.needs]


def _unit(problem: CuttingProblem):  # type: ignore[no-untyped-def]
    return unit_of(side for need in problem.needs for side in (need.width, need.height))


def _kinds(problem: CuttingProblem, parts: Parts) -> tuple[list[Kind], list[list[int]]]:
    """Fabrics that are alike for the question, taken together; and which they are."""
    unit = _unit(problem)
    found: dict[Kind, list[int]] = {}
    for number, fabric in enumerate(problem.fabrics):
        serves = tuple(n for n, need in enumerate(problem.needs) if fabric.serves(need))
        kind = Kind(
            in_units(fabric.width, unit),
            in_units(fabric.length, unit),
            0,
            serves,
            parts.print_class(fabric.print),
            fabric.directional,
            fabric.is_strip,
        )
        if serves:
            found.setdefault(kind, []).append(number)
    kinds = [
        replace(kind, count=sum(problem.fabrics[n].count for n in numbers))
        for kind, numbers in found.items()
    ]
    return kinds, list(found.values())


def _is_large(kind: Kind, breadths: Sequence[int]) -> bool:
    """Whether so many strips lie in a piece that its frames cannot all be known, and it is rare."""
    return kind.count <= _RARE and max(kind.width, kind.length) // breadths[0] >= _MANY_STRIPS


class _Programme:
    """The linear programme in HiGHS, columns added as they are found."""

    def __init__(self, master: _Master) -> None:
        self.master = master
        self.highs = quiet_highs()
        parts, kinds = master.parts, master.kinds
        self.rows = parts.rows
        infinity = highspy.kHighsInf
        for row in parts.rows:
            self.highs.addRow(row.least, infinity, 0, np.array([], np.int32), np.array([]))
        for kind in kinds:
            self.highs.addRow(-infinity, kind.count, 0, np.array([], np.int32), np.array([]))
        self._first_slot = len(parts.rows) + len(kinds)
        for _ in range(master.slots.rows):
            self.highs.addRow(0.0, infinity, 0, np.array([], np.int32), np.array([]))
        self._first_key = self._first_slot + master.slots.rows
        for column in parts.columns:
            self._column(column.gain, column.entries)
        for higher, lower in master.slots.lower:
            self._column(0.0, {self._first_slot + higher: -1.0, self._first_slot + lower: 1.0})
        for fill in master.slots.fills:
            wanted = parts.row_of(fill.piece[0], fill.print_class)
            self._column(0.0, {wanted: 1.0, self._first_slot + fill.row: -1.0})
        self._loaded = (0, 0, 0)
        # What the integer programme last proved for the columns it had.
        self.whole_bound = 0
        self._column_of: list[tuple[str, int]] = [
            *(("part", n) for n in range(len(parts.columns))),
            *(("lower", n) for n in range(len(master.slots.lower))),
            *(("fill", n) for n in range(len(master.slots.fills))),
        ]

    def load(self) -> None:
        """Bring what is new into the programme."""
        master = self.master
        keys, frames, strips = self._loaded
        for _ in range(keys, len(master.keys)):
            self.highs.addRow(0.0, highspy.kHighsInf, 0, np.array([], np.int32), np.array([]))
        for number, (kind, along, breadths) in list(enumerate(master.frames))[frames:]:
            entries = Counter[int]({len(self.rows) + kind: 1})
            for breadth in breadths:
                entries[self._first_key + master.keys[master.key(kind, along, breadth)]] += 1
            self._column(0.0, {row: float(n) for row, n in entries.items()})
            self._column_of.append(("frame", number))
        for number, (key, runs) in list(enumerate(master.strips))[strips:]:
            made = Counter(self._first_slot + master.slots.row(key[0], r, key[1]) for r in runs)
            entries = Counter({self._first_key + master.keys[key]: -1, **made})
            self._column(0.0, {row: float(n) for row, n in entries.items()})
            self._column_of.append(("strip", number))
        self._loaded = (len(master.keys), len(master.frames), len(master.strips))

    def _column(self, gain: float, entries: dict[int, float]) -> None:
        index = np.array(sorted(entries), np.int32)
        value = np.array([entries[int(row)] for row in index])
        self.highs.addCol(gain, 0.0, highspy.kHighsInf, len(index), index, value)

    def linear(self) -> tuple[float, Floats, Floats]:
        """Blocks, the price of each row wanted, and of one more piece of each kind."""
        self.load()
        self.highs.run()
        duals = np.array(self.highs.getSolution().row_dual)
        blocks = self.highs.getInfo().objective_function_value
        return blocks, *self.prices(duals)

    def prices(self, duals: Floats) -> tuple[Floats, Floats]:
        """Of each row wanted, and of one more piece of each kind."""
        split = len(self.rows)
        return np.maximum(-duals[:split], 0), np.maximum(duals[split : self._first_slot], 0)

    def whole(
        self, bound: int, watch: Watch, share: float = 1.0, beaten: int = 0
    ) -> tuple[int, Cuts]:
        """Whole blocks, at most `bound` and more than were `beaten`, and every piece of fabric cut.

        Most numbers that the linear programme is far from using are used by no good answer: of a
        large programme those nearest to being used are tried first, then more, then all.
        """
        self.linear()
        columns = self.highs.getNumCol()
        unlike = -np.array(self.highs.getSolution().col_dual)
        best: tuple[int, Cuts] = (0, [])
        for within, part in next(tries for more_than, tries in _NEAR if columns > more_than):
            seconds = watch.left * share * part
            most = max(beaten, best[0])
            found = self._whole((most, bound), max(_LEAST_SECONDS, seconds), unlike > within)
            best = _better(*best, *found)
            if best[0] >= bound or watch.left < 0:
                break
        return best

    def _whole(
        self, between: tuple[int, int], seconds: float, left_out: NDArray[np.bool_]
    ) -> tuple[int, Cuts]:
        """More blocks than the first number, at most the second; (0, []) if none are found."""
        beaten, bound = between
        model = quiet_highs()
        model.passModel(self.highs.getLp())
        laid = self._lay_freely(model)
        columns = model.getNumCol()
        every = np.arange(columns, dtype=np.int32)
        model.changeColsIntegrality(
            columns, every, np.array([highspy.HighsVarType.kInteger] * columns)
        )
        out = np.flatnonzero(left_out).astype(np.int32)
        nothing = np.zeros(len(out))
        model.changeColsBounds(len(out), out, nothing, nothing)
        model.changeColBounds(0, float(beaten + 1 if beaten else 0), float(bound))
        model.setOptionValue("time_limit", seconds)
        model.setOptionValue("mip_rel_gap", 0.0)
        model.setOptionValue("mip_abs_gap", 0.99)
        model.run()
        limit = model.getInfo().mip_dual_bound
        if model.getModelStatus() == highspy.HighsModelStatus.kInfeasible:
            limit = beaten
        self.whole_bound = bound if len(out) else int(np.floor(min(limit, bound) + _ROUND))
        if model.getInfo().primal_solution_status != _FEASIBLE:
            return 0, []
        times = np.rint(np.array(model.getSolution().col_value)).astype(int)
        return int(times[0]), self._cuts(times, laid)

    def _lay_freely(self, model: highspy.Highs) -> list[tuple[int, bool, list[tuple[int, int]]]]:
        """Of large pieces, of which frames are many, strips may be laid in any number that fits.

        For each piece and way: (kind, along, columns with the breadth of their strips).
        """
        master, infinity = self.master, highspy.kHighsInf
        laid = []
        for kind, along in master.large_ways:
            fabric = master.kinds[kind]
            side = fabric.width if along else fabric.length
            for _ in range(fabric.count):
                room = model.getNumRow()
                model.addRow(-infinity, 0.0, 0, np.array([], np.int32), np.array([]))
                rows = np.array([len(self.rows) + kind, room], np.int32)
                model.addCol(0.0, 0.0, 1.0, 2, rows, np.array([1.0, -float(side)]))
                columns = []
                for breadth in master.breadths:
                    key = master.keys.get(master.key(kind, along, breadth))
                    if key is not None and breadth <= side:
                        columns.append((model.getNumCol(), breadth))
                        rows = np.array([self._first_key + key, room], np.int32)
                        most = float(side // breadth)
                        model.addCol(0.0, 0.0, most, 2, rows, np.array([1.0, float(breadth)]))
                laid.append((kind, along, columns))
        return laid

    def _cuts(
        self, times: NDArray[np.int_], laid: Sequence[tuple[int, bool, list[tuple[int, int]]]]
    ) -> Cuts:
        """Frames filled with strips, one for each piece of fabric."""
        frames, strips = list(self.master.frames), list(self.master.strips)
        cut: list[tuple[StripKey, Runs]] = []
        filled: dict[int, int] = {}
        for (what, number), count in zip(self._column_of, times, strict=False):
            if what == "strip":
                cut.extend([strips[number]] * int(count))
            elif what == "fill":
                filled[number] = int(count)
        ready = fill_strips(self.master.slots, cut, filled)
        cuts: Cuts = []
        for (what, number), count in zip(self._column_of, times, strict=False):
            if what == "frame":
                for _ in range(int(count)):
                    cuts.append(self._filled(*frames[number], ready))
        for kind, along, columns in laid:
            breadths = tuple(b for column, b in columns for _ in range(int(times[column])))
            if breadths:
                cuts.append(self._filled(kind, along, breadths, ready))
        return cuts

    def _filled(
        self,
        kind: int,
        along: bool,
        breadths: tuple[int, ...],
        ready: dict[StripKey, list[Strip]],
    ) -> tuple[int, Pattern]:
        waiting = [ready.get(self.master.key(kind, along, breadth), []) for breadth in breadths]
        strips = (alike.pop() for alike in waiting if alike)
        return kind, Pattern(along, tuple(strip for strip in strips if strip.pieces))


def _generate(programme: _Programme, pricer: Pricer, watch: Watch) -> int:
    """Price patterns until none helps; the bound is the whole part of the programme's optimum."""
    master = programme.master
    counts = np.array([kind.count for kind in master.kinds], dtype=float)
    _first_patterns(master, pricer)
    bound = np.inf
    for _ in range(_MOST_ROUNDS):
        blocks, wanted, fabric = programme.linear()
        found = pricer.best(master.parts.prices(wanted))
        worth = np.zeros(len(master.kinds))
        for price, kind, _ in found:
            worth[kind] = max(worth[kind], price)
        gain = np.maximum(worth - fabric, 0)
        # What the programme could still gain is at most this much: a bound at every step.
        bound = min(bound, blocks + float(gain @ counts))
        if gain.max() < _ENOUGH or np.floor(bound + _ROUND) <= np.floor(blocks + _ROUND):
            break
        fresh = [
            master.add(kind, pricer.pattern(pair), pricer)
            for pair, (price, kind, _) in enumerate(found)
            if price > fabric[kind] + _ENOUGH
        ]
        if not any(fresh) or watch.left < watch.seconds * _WHOLE_NUMBERS_TAKE:
            break
    return min(int(np.floor(bound + _ROUND)), _by_area(master))


def _by_area(master: _Master) -> int:
    """No plan cuts more than there is: a bound where pricing was cut short."""
    problem = master.parts.problem
    serving = [f for f in problem.fabrics if any(f.serves(need) for need in problem.needs)]
    there = sum((f.width * f.length * f.count for f in serving), Fraction(0))
    block = sum((need.width * need.height * need.count for need in problem.needs), Fraction(0))
    return int(there // block)


def _first_patterns(master: _Master, pricer: Pricer) -> None:
    """Patterns to begin with: the fullest of all pieces together, and of each kind alone."""
    areas = np.array([width * height for width, height in pricer.needs], float)
    classes = 1 + max(kind.print_class for kind in master.kinds)
    prices = [areas]
    for need in range(len(areas)):
        alone = np.zeros(len(areas))
        alone[need] = areas[need]
        prices.append(alone)
    many = len(master.kinds) > _VERY_MANY_KINDS
    for price in prices[: 1 if many else 1 + 4000 // len(master.kinds)]:
        for pair, (_, kind, _) in enumerate(pricer.best(np.tile(price, (classes, 1)))):
            master.add(kind, pricer.pattern(pair), pricer)


def _whole(
    programme: _Programme, pricer: Pricer, bound: int, watch: Watch
) -> tuple[int, int, Cuts]:
    """Whole blocks: (bound, blocks, cuts); the bound falls when fewer are proved to be the most.

    With every frame and every filling, where they are few, the integer programme itself decides.
    Else it has the fillings that need no trim, and what pricing has found; where that misses the
    bound, more is tried as long as there is time.
    """
    complete = _add_everything(programme.master, pricer, _FEW)
    if not complete:
        _add_untrimmed(programme.master, pricer)
    begun = _in_rounds(programme, bound)
    many = len(programme.master.kinds) > _KINDS_FOR_A_PROOF
    share = 1.0 if complete else _ONLY_SHARE if many else _FIRST_SHARE
    blocks, cuts = _better(*begun, *programme.whole(bound, watch, share))
    while not complete and blocks < bound and watch.left > watch.seconds * _FOR_THE_REST:
        if not _add_near(programme, pricer, bound):
            if programme.whole_bound > blocks:
                # What was begun goes on.
                blocks, cuts = _better(blocks, cuts, *programme.whole(bound, watch, beaten=blocks))
            break
        blocks, cuts = _better(blocks, cuts, *programme.whole(bound, watch, beaten=blocks))
        if blocks == bound or programme.whole_bound >= bound:
            break
        bound -= 1
    if not complete and blocks < bound and watch.left > 0:
        complete = _add_everything(programme.master, pricer, _MANY)
        if complete:
            blocks, cuts = _better(blocks, cuts, *programme.whole(bound, watch, beaten=blocks))
    if complete:
        return min(bound, max(blocks, programme.whole_bound)), blocks, cuts
    for target in range(bound, blocks, -1):
        if watch.left < 0 or blocks >= target:
            break
        if _dive(programme, pricer, target, watch):
            blocks, cuts = _better(blocks, cuts, *programme.whole(target, watch, beaten=blocks))
    return bound, blocks, cuts


def _in_rounds(programme: _Programme, bound: int) -> tuple[int, Cuts]:
    """A plan to begin with, where fabrics are many and no rule binds their prints."""
    master = programme.master
    problem = master.parts.problem
    if len(master.kinds) < _KINDS_FOR_ROUNDS or problem.rules:
        return 0, []
    _, wanted, _ = programme.linear()
    prices = master.parts.prices(wanted)[0]
    counts = [need.count for need in problem.needs]
    return cut_in_rounds(_need_sizes(problem), counts, master.kinds, prices, bound)


def _better(blocks: int, cuts: Cuts, found: int, cut: Cuts) -> tuple[int, Cuts]:
    return (found, cut) if found > blocks else (blocks, cuts)


def _add_everything(master: _Master, pricer: Pricer, most: tuple[int, int]) -> bool:
    """Bring in every frame and filling there is, if they are no more than so many of each."""
    most_frames, most_fillings = most
    frames: list[tuple[int, bool, tuple[int, ...]]] = []
    for kind, along in pricer.ways:
        ways = pricer.frames(kind, along, most_frames)
        if ways is None or len(frames) + len(ways) > most_frames:
            return False
        frames.extend((kind, along, way) for way in ways)
    keys = {master.key(k, along, b) for k, along, way in frames for b in way}
    strips: list[tuple[StripKey, Runs]] = []
    for key in sorted(keys, key=repr):
        fillings = pricer.fillings(*key, most_fillings)
        if fillings is None or len(strips) + len(fillings) > most_fillings:
            return False
        strips.extend((key, strip) for strip in fillings)
    master.take(frames, strips)
    return True


def _add_near(programme: _Programme, pricer: Pricer, target: int) -> bool:
    """Bring in all that a plan of `target` blocks could use; False if that cannot be had.

    Where the programme's optimum is z, no such plan uses a frame or a strip that costs more than
    z - target against the best at its prices. Prices must be those at which pricing found nothing
    better, else nothing follows from them.
    """
    master = programme.master
    if len(master.kinds) > _KINDS_FOR_A_PROOF:
        return False
    settled = _settle_prices(programme, pricer)
    if settled is None:
        return False
    blocks, prices, fabric = settled
    slack = blocks - target + _ROUND
    frames: list[tuple[int, bool, tuple[int, ...]]] = []
    spent: dict[StripKey, float] = {}
    known: list[tuple[int, bool]] = []
    for kind, along in pricer.ways:
        ways = pricer.near_frames(kind, along, float(fabric[kind]) - slack, _FOR_A_PROOF[0])
        if ways is None or len(frames) + len(ways) > _FOR_A_PROOF[0]:
            if (kind, along) not in master.large_ways:
                return False
            # In these strips are laid freely: every frame is there already.
            for breadth, worth in pricer.best_frames(kind, along).items():
                key, cost = master.key(kind, along, breadth), float(fabric[kind]) - worth
                if cost <= slack:
                    spent[key] = min(cost, spent.get(key, slack))
            continue
        known.append((kind, along))
        frames.extend((kind, along, way) for way in ways)
        for way in ways:
            keys = [master.key(kind, along, breadth) for breadth in way]
            cost = float(fabric[kind]) - sum(map(pricer.strip_worth, keys))
            spent.update((key, min(cost, spent.get(key, slack))) for key in keys)
    strips: list[tuple[StripKey, Runs]] = []
    for key, cost in spent.items():
        fillings = pricer.near_fillings(key, prices, slack - cost, _FOR_A_PROOF[1])
        if fillings is None or len(strips) + len(fillings) > _FOR_A_PROOF[1]:
            return False
        strips.extend((key, strip) for strip in fillings)
    master.take(frames, strips)
    master.large_ways = [way for way in master.large_ways if way not in known]
    return True


def _settle_prices(programme: _Programme, pricer: Pricer) -> tuple[float, Floats, Floats] | None:
    """The optimum, and prices at which pricing finds nothing better; None if that takes long."""
    master = programme.master
    for _ in range(_MOST_SETTLED):
        blocks, wanted, fabric = programme.linear()
        prices = master.parts.prices(wanted)
        fresh = False
        for pair, (price, kind, _) in enumerate(pricer.best(prices)):
            if price > fabric[kind] + _ENOUGH:
                fresh |= master.add(kind, pricer.pattern(pair), pricer)
        if not fresh:
            return blocks, prices, fabric
    return None


def _add_untrimmed(master: _Master, pricer: Pricer) -> None:
    """Bring in the fillings of strips met so far with pieces of just their breadth."""
    for kind, along in master.large_ways:
        for breadth in master.breadths:
            key = master.key(kind, along, breadth)
            if pricer.can_fill(*key):
                master.keys.setdefault(key, len(master.keys))
    each = max(20, _MOST_FILLINGS // max(1, len(master.keys)))
    for key in list(master.keys):
        for strip in pricer.some_fillings(*key, each):
            master.strips.setdefault((key, strip))


def _dive(programme: _Programme, pricer: Pricer, target: int, watch: Watch) -> bool:
    """Settle one number after the other, pricing for what is then still wanted; anything new?"""
    master, parts = programme.master, programme.master.parts
    before = len(master.frames) + len(master.strips)
    programme.load()
    lp = quiet_highs()
    lp.passModel(programme.highs.getLp())
    lp.changeColBounds(0, float(target), float(target))
    for _ in range(_MOST_SETTLED):
        if watch.left < 0:
            break
        lp.run()
        values = np.array(lp.getSolution().col_value)
        if lp.getInfo().primal_solution_status != _FEASIBLE:
            break
        wanted, fabric = programme.prices(np.array(lp.getSolution().row_dual))
        for pair, (price, kind, _) in enumerate(pricer.best(parts.prices(wanted))):
            if price > fabric[kind] + _ENOUGH:
                master.add(kind, pricer.pattern(pair), pricer)
        part = values - np.floor(values + _ROUND)
        part[part < _ROUND] = 0
        part[0] = 0
        if not part.any():
            break
        pick = int(part.argmax())
        lp.changeColBounds(pick, float(np.ceil(values[pick])), highspy.kHighsInf)
    return len(master.frames) + len(master.strips) > before
