"""The programme in HiGHS: what is known of how fabric can be cut, and numbers for each of it.

frame   how strips lie side by side in a piece of fabric
strip   how one strip is crosscut
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field

import highspy
import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.generation.parts import Parts
from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.generation.slots import Slots, fill_strips
from kersey.core.cutting.highs import FEASIBLE, ROUND, quiet_highs, run_in_whole_numbers
from kersey.core.cutting.patterns import Kind, Pattern, Strip, StripClass, class_of
from kersey.core.cutting.watch import Watch

Floats = NDArray[np.float64]
StripKey = tuple[StripClass, int, int]
# A kind of fabric, whether strips run along its length, and their breadths.
Frame = tuple[int, bool, tuple[int, ...]]
# How a strip is crosscut: the runs of its slots, the longest first.
Runs = tuple[int, ...]
Cuts = list[tuple[int, Pattern]]

ALL_TRIES, BUT_THE_LAST, THE_LAST = slice(None), slice(-1), slice(-1, None)
# Of a programme with more columns than this, first those are tried whose use costs little: blocks
# each, where nothing is known; to beat a plan, such shares of what the optimum exceeds the target.
_SMALL, _LARGE = 450, 2000
_COSTS, _COSTS_IF_LARGE = (0.01,), (1e-9, 0.002, 0.02)
_SHARES = (0.05, 0.2)
# A try is worth making if it leaves out this share of all, and has so many times what the one
# before it had.
_WORTH_LEAVING, _WORTH_ADDING = 0.3, 1.05
_NOTHING_PROVED = 1 << 60
# Probing, a bit for each kind, takes long and finds little where few numbers are 0 or 1.
_PROBING = 1 << 15 | 1 << 20
# What a programme takes of an ordinary machine, in seconds (measured over bench/requests).
_LINEAR_ITERATION, _LINEAR_ENTRY = 1e-4, 2e-6


@dataclass
class Known:
    """What is known so far: frames (how strips lie in a fabric) and strips (how each is crosscut).

    Kept apart, so that any strip of a breadth and run can lie in any frame that has one: whole
    numbers are then found far sooner than with whole patterns.
    """

    parts: Parts
    kinds: Sequence[Kind]
    slots: Slots
    keys: dict[StripKey, int] = field(default_factory=dict)
    frames: dict[Frame, None] = field(default_factory=dict)
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

    def take(self, frames: Sequence[Frame], strips: Sequence[tuple[StripKey, Runs]]) -> None:
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


class Programme:
    """The linear programme in HiGHS, columns added as they are found."""

    def __init__(self, known: Known, watch: Watch) -> None:
        self.known = known
        self.watch = watch
        self.highs = quiet_highs()
        parts, kinds = known.parts, known.kinds
        self.rows = parts.rows
        infinity = highspy.kHighsInf
        # Rows: what is wanted, piece by piece, at least as much as blocks take; how many pieces
        # there are of each kind of fabric, at most; slots (runs that strips give, and pieces fill);
        # keys (strips of a breadth that frames have room for, and that are crosscut somehow).
        for row in parts.rows:
            self.highs.addRow(row.least, infinity, 0, np.array([], np.int32), np.array([]))
        for kind in kinds:
            self.highs.addRow(-infinity, kind.count, 0, np.array([], np.int32), np.array([]))
        self._first_slot = len(parts.rows) + len(kinds)
        for _ in range(known.slots.rows):
            self.highs.addRow(0.0, infinity, 0, np.array([], np.int32), np.array([]))
        self._first_key = self._first_slot + known.slots.rows
        for column in parts.columns:
            self._column(column.gain, column.entries, column.most)
        # A longer slot may be used as a shorter one: what is over is trimmed.
        for higher, lower in known.slots.lower:
            self._column(0.0, {self._first_slot + higher: -1.0, self._first_slot + lower: 1.0})
        for fill in known.slots.fills:
            wanted = parts.row_of(fill.piece[0], fill.print_class)
            worth = parts.worth(fill.piece[0], fill.print_class)
            self._column(0.0, {wanted: worth, self._first_slot + fill.row: -1.0})
        self._loaded = (0, 0, 0)
        # The prices of the rows when the linear programme was last solved.
        self.wanted: Floats = np.zeros(len(self.rows))
        # What the integer programme last proved for the columns it had.
        self.whole_bound = _NOTHING_PROVED
        self._column_of: list[tuple[str, int]] = [
            *(("part", n) for n in range(len(parts.columns))),
            *(("lower", n) for n in range(len(known.slots.lower))),
            *(("fill", n) for n in range(len(known.slots.fills))),
        ]

    def load(self) -> None:
        """Bring what is new into the programme."""
        known = self.known
        keys, frames, strips = self._loaded
        # A frame takes one piece of its kind and makes room for strips of its breadths; a strip
        # takes that room and gives slots. So any strip may lie in any frame that has its breadth.
        for _ in range(keys, len(known.keys)):
            self.highs.addRow(0.0, highspy.kHighsInf, 0, np.array([], np.int32), np.array([]))
        for number, (kind, along, breadths) in list(enumerate(known.frames))[frames:]:
            entries = Counter[int]({len(self.rows) + kind: 1})
            for breadth in breadths:
                entries[self._first_key + known.keys[known.key(kind, along, breadth)]] += 1
            self._column(0.0, {row: float(n) for row, n in entries.items()})
            self._column_of.append(("frame", number))
        for number, (key, runs) in list(enumerate(known.strips))[strips:]:
            made = Counter(self._first_slot + known.slots.row(key[0], r, key[1]) for r in runs)
            entries = Counter({self._first_key + known.keys[key]: -1, **made})
            self._column(0.0, {row: float(n) for row, n in entries.items()})
            self._column_of.append(("strip", number))
        self._loaded = (len(known.keys), len(known.frames), len(known.strips))

    def _column(
        self, gain: float, entries: dict[int, float], most: float = highspy.kHighsInf
    ) -> None:
        index = np.array(sorted(entries), np.int32)
        value = np.array([entries[int(row)] for row in index])
        self.highs.addCol(gain, 0.0, most, len(index), index, value)

    def linear(self) -> tuple[float, Floats, Floats]:
        """Blocks, the price of each row wanted, and of one more piece of each kind."""
        self.load()
        self.highs.run()
        entries = self.highs.getNumNz()
        iterations = self.highs.getInfo().simplex_iteration_count
        self.watch.spend(_LINEAR_ENTRY * entries + _LINEAR_ITERATION * iterations)
        duals = np.array(self.highs.getSolution().row_dual)
        blocks = self.highs.getInfo().objective_function_value
        self.wanted, fabric = self.prices(duals)
        return blocks, self.wanted, fabric

    def prices(self, duals: Floats) -> tuple[Floats, Floats]:
        """Of each row wanted, and of one more piece of each kind."""
        # Of more than is wanted one more is worth nothing; of fabric one more is never worth less.
        split = len(self.rows)
        return np.maximum(-duals[:split], 0), np.maximum(duals[split : self._first_slot], 0)

    def whole(
        self,
        bound: int,
        share: float = 1.0,
        beaten: int = 0,
        tries: slice = ALL_TRIES,
        late: bool = False,
    ) -> tuple[int, Cuts]:
        """Whole blocks, at most `bound` and more than were `beaten`, and every piece of fabric cut.

        Most numbers that the linear programme is far from using are used by no good answer: of a
        large programme those nearest to being used are tried first, then more, then all; `tries`
        says which of these. Nothing is tried when there is no time left, unless `late`.
        """
        # The reduced cost of a column: by how much the optimum falls if it must be used once.
        optimum, *_ = self.linear()
        unlike = -np.array(self.highs.getSolution().col_dual)
        costs: Sequence[float] = _COSTS_IF_LARGE if len(unlike) > _LARGE else _COSTS
        if beaten:
            costs = [part * (optimum - bound) for part in _SHARES]
        chosen = _worth_trying(unlike, costs)
        best: tuple[int, Cuts] = (0, [])
        for number, within in enumerate(chosen[tries] or chosen, 1):
            if self.watch.left <= 0 and not late:
                break
            seconds = self.watch.left * share * number / len(chosen[tries] or chosen)
            most = max(beaten, best[0])
            found = self._whole((most, bound), seconds, unlike > within)
            best = better(*best, *found)
            if best[0] >= bound:
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
        out = np.flatnonzero(left_out).astype(np.int32)
        nothing = np.zeros(len(out))
        model.changeColsBounds(len(out), out, nothing, nothing)
        model.changeColBounds(0, float(beaten + 1 if beaten else 0), float(bound))
        # Blocks are whole: less than one more is none.
        model.setOptionValue("mip_abs_gap", 0.99)
        model.setOptionValue("presolve_rule_off", _PROBING)
        run_in_whole_numbers(model, self.watch, seconds)
        limit = model.getInfo().mip_dual_bound
        if model.getModelStatus() == highspy.HighsModelStatus.kInfeasible:
            limit = beaten
        # With columns left out it proves nothing of those that have them.
        self.whole_bound = bound if len(out) else int(np.floor(min(limit, bound) + ROUND))
        if model.getInfo().primal_solution_status != FEASIBLE:
            return 0, []
        times = np.rint(np.array(model.getSolution().col_value)).astype(int)
        if times[self.known.parts.missed].any():
            return 0, []
        return int(times[0]), self._cuts(times, laid)

    def _lay_freely(self, model: highspy.Highs) -> list[tuple[int, bool, list[tuple[int, int]]]]:
        """Of large pieces, of which frames are many, strips may be laid in any number that fits.

        For each piece and way: (kind, along, columns with the breadth of their strips).
        """
        known, infinity = self.known, highspy.kHighsInf
        laid = []
        for kind, along in known.large_ways:
            fabric = known.kinds[kind]
            side = fabric.width if along else fabric.length
            # Instead of frames: a row for the room across the piece, of which strips take parts.
            for _ in range(fabric.count):
                room = model.getNumRow()
                model.addRow(-infinity, 0.0, 0, np.array([], np.int32), np.array([]))
                rows = np.array([len(self.rows) + kind, room], np.int32)
                model.addCol(0.0, 0.0, 1.0, 2, rows, np.array([1.0, -float(side)]))
                columns = []
                for breadth in known.breadths:
                    key = known.keys.get(known.key(kind, along, breadth))
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
        frames, strips = list(self.known.frames), list(self.known.strips)
        cut: list[tuple[StripKey, Runs]] = []
        filled: dict[int, int] = {}
        for (what, number), count in zip(self._column_of, times, strict=False):
            if what == "strip":
                cut.extend([strips[number]] * int(count))
            elif what == "fill":
                filled[number] = int(count)
        ready = fill_strips(self.known.slots, cut, filled)
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
        self, kind: int, along: bool, breadths: tuple[int, ...], ready: dict[StripKey, list[Strip]]
    ) -> tuple[int, Pattern]:
        waiting = [ready.get(self.known.key(kind, along, breadth), []) for breadth in breadths]
        strips = (alike.pop() for alike in waiting if alike)
        return kind, Pattern(along, tuple(strip for strip in strips if strip.pieces))


def _worth_trying(unlike: Floats, most: Sequence[float]) -> list[float]:
    """How much a column's use may cost, in one try after the other; in the last whatever it is."""
    tries: list[float] = []
    before = 0
    for within in most if len(unlike) > _SMALL else ():
        kept = int((unlike <= within + ROUND).sum())
        if kept <= (1 - _WORTH_LEAVING) * len(unlike) and kept >= _WORTH_ADDING * before:
            tries.append(within + ROUND)
            before = kept
    return [*tries, np.inf]


def better(blocks: int, cuts: Cuts, found: int, cut: Cuts) -> tuple[int, Cuts]:
    """The one with more blocks; the first where they are equal."""
    return (found, cut) if found > blocks else (blocks, cuts)
