"""The best way to cut one piece of fabric when every piece cut from it has a price.

Two knapsacks, one in the other. *Crosscuts*: how much pieces of at most a breadth b are worth in a
strip of that breadth and of every possible run. *Strips*: which breadths side by side fill the
fabric best. Both are worked out for all fabrics at once, over the lengths that can be reached by
adding pieces, which are few.

    c(b, x) = max( c(b, x - 1), max over pieces i no wider than b of  p_i + c(b, x - run_i) )
    s(y)    = max( s(y - 1),    max over breadths b of  c(b, run of the fabric) + s(y - b) )

x and y go through the reachable lengths only: x - 1 is the one before. What gave each maximum is
kept, and the pattern is read back from the end (`pattern`, `_strip_to`).

    fabric   width x length; strips run along its length, or across it
    lane     fabric that may be cut into like pieces and whose strips have as long a run: only the
             side across which they lie differs
    breadth  of a strip, and of a piece lying in it; run: along the strip
"""

from collections.abc import Iterator, Sequence

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.generation.filling import fill, fill_near, last_before, reachable
from kersey.core.cutting.patterns import (
    Kind,
    Pattern,
    Strip,
    StripClass,
    class_of,
    classes_of,
    ways_along,
)
from kersey.core.cutting.scale import TooFine
from kersey.core.cutting.watch import Watch

Floats = NDArray[np.float64]
_SMALL = 1e-12
# What pricing takes of an ordinary machine, in seconds (fitted over bench/requests).
_A_PLACE, _A_CROSSCUT, _A_STRIP, _A_STEP = 2e-5, 3e-8, 1.5e-7, 4e-6
_A_PAIR = 3e-7
# So many fabrics are priced at once: more would need memory, fewer time.
_AT_ONCE = 1024
# So many places where cuts may lie are kept altogether.
_MOST_CELLS = 40_000_000

# A piece as it may lie in a strip: breadth, run, and (need, on its side).
Item = tuple[int, int, tuple[int, bool]]


class Pricer:
    """Finds the best pattern of every kind of fabric for given prices of the needs."""

    def __init__(
        self, needs: Sequence[tuple[int, int]], kinds: Sequence[Kind], watch: Watch
    ) -> None:
        """`needs`: (width, height) of each, in units."""
        self.needs = needs
        self._watch = watch
        self.kinds = kinds
        sides = [(n, False, w, h) for n, (w, h) in enumerate(needs)]
        turned = [(n, True, h, w) for n, (w, h) in enumerate(needs) if w != h]
        # An item lies upright or turned; in a strip along the length its breadth is its width.
        self._items = sides + turned
        self._breadth = np.array([item[2] for item in self._items])
        self._run = np.array([item[3] for item in self._items])
        self._classes = classes_of(kinds)
        self._breadths = np.unique(np.concatenate([self._breadth, self._run]))
        self._pairs = [(k, along) for k, kind in enumerate(kinds) for along in ways_along(kind)]
        self._plan_crosscuts()
        self._plan_strips()

    def best(self, prices: Floats) -> list[tuple[float, int, bool]]:
        """(worth, kind, along) of the best pattern of each kind and way; prices by print class."""
        # The inner knapsack once for all; the strips it found are only built when asked for.
        worth = self._worth = self._crosscuts(prices)
        self._strip_at: dict[tuple[int, int], Strip] = {}
        worths = np.zeros(len(self._pairs))
        self._strip_choice: list[NDArray[np.int16]] = []
        # The outer one lane by lane: kinds that differ only in how wide they are share a lane, and
        # each reads its answer off at its own side.
        for begin in range(0, len(self._lanes), self._at_once):
            end = min(begin + self._at_once, len(self._lanes))
            of_these = np.flatnonzero((self._lane_of >= begin) & (self._lane_of < end))
            total = self._strips(worth, begin, end)
            worths[of_these] = total[self._lane_of[of_these] - begin, self._side_place[of_these]]
        places = len(self._runs) + len(self._sides)
        crosscuts = self._allowed.size * len(self._runs)
        strips = len(self._lanes) * len(self._sides) * len(self._breadths)
        self._watch.spend(_A_PLACE * places + _A_CROSSCUT * crosscuts + _A_STRIP * strips)
        self._watch.spend(_A_PAIR * len(self._pairs))
        return [(w, *pair) for w, pair in zip(worths.tolist(), self._pairs, strict=True)]

    def pattern(self, pair: int) -> Pattern:
        """The pattern behind the `pair`-th answer of the last call of `best`."""
        kind_number, along = self._pairs[pair]
        kind = self.kinds[kind_number]
        run = kind.length if along else kind.width
        lane = int(self._lane_of[pair])
        choice = self._strip_choice[lane // self._at_once][lane % self._at_once]
        place = int(self._side_place[pair])
        strips = []
        # Back from the full side: where no strip ends, one reachable length less is as good.
        while place > 0:
            chosen = int(choice[place])
            if chosen < 0:
                place -= 1
                continue
            strips.append(self._strip(int(self._lanes[lane, 0]), chosen, run))
            place = int(self._side_before[place, chosen])
        return Pattern(along, tuple(sorted(strips, key=lambda s: -s.breadth)))

    def items_by_class(
        self,
    ) -> Iterator[tuple[StripClass, list[tuple[int, int, tuple[int, bool]]]]]:
        """Of each class of fabric what may be cut from it: (breadth, run, piece)."""
        last = len(self._breadths) - 1
        for number, strip_class in enumerate(self._classes):
            row = number * len(self._breadths) + last
            yield (
                strip_class,
                [
                    (
                        int(self._breadth[i]),
                        int(self._run[i]),
                        (self._items[i][0], self._items[i][1]),
                    )
                    for i in np.flatnonzero(self._allowed[row])
                ],
            )

    def runs_of(self, strip: Strip) -> tuple[int, ...]:
        """How long each piece of a strip lies along it, the longest first."""
        lengths = []
        for need, on_its_side in strip.pieces:
            width, height = self.needs[need]
            lengths.append(width if on_its_side else height)
        return tuple(sorted(lengths, reverse=True))

    def fillings(
        self, strip_class: StripClass, breadth: int, run: int, most: int
    ) -> list[tuple[int, ...]] | None:
        """Every way to fill a strip with runs so that no more fits; None if more than `most`.

        With pieces of its breadth and with narrower ones, which are then trimmed.
        """
        ways, complete = fill(self._runs_in(strip_class, breadth, trimmed=True), run, most)
        return [tuple(sorted(way, reverse=True)) for way in ways] if complete else None

    def some_fillings(
        self, strip_class: StripClass, breadth: int, run: int, most: int
    ) -> list[tuple[int, ...]]:
        """At most so many ways to fill a strip with pieces of just its breadth."""
        ways, _ = fill(self._runs_in(strip_class, breadth, trimmed=False), run, most)
        return [tuple(sorted(way, reverse=True)) for way in ways]

    def can_fill(self, strip_class: StripClass, breadth: int, run: int) -> bool:
        """Whether a piece of just this breadth fits into the strip."""
        return any(
            length <= run for length, _ in self._fitting(strip_class, breadth, trimmed=False)
        )

    def near_fillings(
        self, key: tuple[StripClass, int, int], prices: Floats, slack: float, most: int
    ) -> list[tuple[int, ...]] | None:
        """Every full strip worth at most `slack` less than the best; None when more than `most`.

        `prices` are those of the last call of `best`.
        """
        strip_class, breadth, run = key
        priced = prices[strip_class[1]]
        # Of pieces that run as long only the dearest counts: they change places.
        best: dict[int, float] = {}
        for length, piece in self._fitting(strip_class, breadth, trimmed=True):
            best[length] = max(best.get(length, 0.0), float(priced[piece[0]]))
        items = [(length, length, price) for length, price in best.items()]
        ways = self._fill_near(items, run, self.strip_worth(key) - slack, most)
        return None if ways is None else [tuple(sorted(way, reverse=True)) for way in ways]

    def near_frames(
        self, kind: int, along: bool, worth: float, most: int
    ) -> list[tuple[int, ...]] | None:
        """Every full frame of strips worth at least this; None when there are more than `most`."""
        fabric = self.kinds[kind]
        side, run = fabric.width, fabric.length
        if not along:
            side, run = run, side
        strip_class = class_of(fabric, along)
        items = [(b, b, self.strip_worth((strip_class, b, run))) for b in self.breadths]
        ways = self._fill_near(items, side, worth, most)
        return None if ways is None else [tuple(sorted(way, reverse=True)) for way in ways]

    def _fill_near(
        self, items: Sequence[tuple[int, int, float]], room: int, worth: float, most: int
    ) -> list[tuple[int, ...]] | None:
        ways, steps = fill_near(items, room, worth, most)
        self._watch.spend(_A_STEP * steps)
        return ways

    def best_frames(self, kind: int, along: bool) -> dict[int, float]:
        """What the best frame with a strip of each breadth is worth at the last prices."""
        fabric = self.kinds[kind]
        side, run = fabric.width, fabric.length
        if not along:
            side, run = run, side
        strip_class = class_of(fabric, along)
        worth = {b: self.strip_worth((strip_class, b, run)) for b in self.breadths if b <= side}
        # The outer knapsack once more, for this one side, since all places of it are wanted here.
        places = self._sides[: int(np.searchsorted(self._sides, side, side="right"))]
        before = last_before(places, np.array(list(worth), dtype=np.int64))
        best = np.zeros(len(places))
        for place in range(1, len(places)):
            ways = [
                best[b] + w for b, w in zip(before[place], worth.values(), strict=True) if b >= 0
            ]
            best[place] = max([best[place - 1], *ways])
        # A strip of each breadth, and the best that the rest of the side holds beside it.
        room = np.searchsorted(places, [side - b for b in worth], side="right") - 1
        return {b: float(best[at]) + w for at, (b, w) in zip(room, worth.items(), strict=True)}

    def strip_worth(self, key: tuple[StripClass, int, int]) -> float:
        """What the best strip of a breadth and run is worth at the last prices."""
        strip_class, breadth, run = key
        row = self._classes.index(strip_class) * len(self._breadths)
        row += int(np.searchsorted(self._breadths, breadth))
        place = int(np.searchsorted(self._runs, run, side="right")) - 1
        return float(self._worth[row, place])

    @property
    def breadths(self) -> tuple[int, ...]:
        """Every breadth that a piece may have, the narrowest first."""
        return tuple(int(breadth) for breadth in self._breadths)

    def _runs_in(
        self, strip_class: StripClass, breadth: int, trimmed: bool
    ) -> list[tuple[int, int]]:
        runs = {length for length, _ in self._fitting(strip_class, breadth, trimmed)}
        return [(length, length) for length in sorted(runs)]

    def _fitting(
        self, strip_class: StripClass, breadth: int, trimmed: bool
    ) -> list[tuple[int, tuple[int, bool]]]:
        """(run, piece) of what may lie in a strip of this breadth."""
        row = self._classes.index(strip_class) * len(self._breadths) + len(self._breadths) - 1
        return [
            (int(self._run[i]), (self._items[i][0], self._items[i][1]))
            for i in np.flatnonzero(self._allowed[row])
            if self._breadth[i] == breadth or (trimmed and self._breadth[i] < breadth)
        ]

    def frames(self, kind: int, along: bool, most: int) -> list[tuple[int, ...]] | None:
        """Every way to lay strips side by side so that no more fits; None when more than `most`."""
        fabric = self.kinds[kind]
        side = fabric.width if along else fabric.length
        ways, complete = fill([(int(b), int(b)) for b in self._breadths], side, most)
        return [tuple(sorted(way, reverse=True)) for way in ways] if complete else None

    @property
    def ways(self) -> list[tuple[int, bool]]:
        """Every kind with each way in which its strips may run."""
        return self._pairs

    def _strip(self, class_number: int, breadth: int, run: int) -> Strip:
        """The best strip of a breadth, by its place among them, and a run."""
        row = class_number * len(self._breadths) + breadth
        place = int(np.searchsorted(self._runs, run, side="right")) - 1
        if (row, place) not in self._strip_at:
            self._strip_at[row, place] = self._strip_to(row, place)
        return self._strip_at[row, place]

    def _strip_to(self, row: int, place: int) -> Strip:
        pieces, breadths = [], []
        # As in `pattern`, along the strip. The strip is cut as broad as its broadest piece.
        while place > 0:
            chosen = int(self._cut_choice[row, place])
            if chosen < 0:
                place -= 1
                continue
            need, on_its_side, *_ = self._items[chosen]
            pieces.append((need, on_its_side))
            breadths.append(int(self._breadth[chosen]))
            place = int(self._run_before[place, chosen])
        return Strip(max(breadths), tuple(sorted(pieces)))

    def _plan_crosscuts(self) -> None:
        """Rows: a class of fabric and a breadth; columns: runs that pieces add up to."""
        longest = max(max(kind.width, kind.length) for kind in self.kinds)
        self._runs = reachable(self._run, longest)
        self._run_before = last_before(self._runs, self._run)
        allowed = np.zeros((len(self._classes), len(self._items)), dtype=bool)
        for c, (serves, _, mode) in enumerate(self._classes):
            for i, (need, turned, _, _) in enumerate(self._items):
                # What must not be turned lies upright in strips along the length, turned in those
                # across; of a square there is but one way.
                square = self._breadth[i] == self._run[i]
                fits = mode == "both" or square or (mode == "across") == turned
                allowed[c, i] = need in serves and fits
        # A row for each class and breadth: what is no wider may lie in the strip, and is trimmed.
        narrow = self._breadth[None, :] <= self._breadths[:, None]
        rows = (allowed[:, None, :] & narrow[None, :, :]).reshape(-1, len(self._items))
        if len(rows) * len(self._runs) > _MOST_CELLS:
            raise TooFine
        self._allowed = rows

    def _crosscuts(self, prices: Floats) -> Floats:
        """Worth of strips: rows as planned, columns by run."""
        by_class = np.array([prices[p] for _, p, _ in self._classes])
        items = by_class[:, [item[0] for item in self._items]]
        price = np.repeat(items, len(self._breadths), axis=0)
        # What is worth nothing is left out: else strips would be filled up with it.
        price = np.where(self._allowed & (price > _SMALL), price, -np.inf)
        rows, columns = price.shape[0], len(self._runs)
        worth = np.zeros((rows, columns + 1))
        # One column more, worth less than anything: where a piece is longer than the run so far.
        worth[:, columns] = -np.inf
        self._cut_choice = np.full((rows, columns), -1, dtype=np.int16)
        every = np.arange(rows)
        # All rows at once, one reachable run after the other.
        for place in range(1, columns):
            ways = worth[:, self._run_before[place]] + price
            chosen = ways.argmax(axis=1)
            best = ways[every, chosen]
            better = best > worth[:, place - 1] + _SMALL
            worth[:, place] = np.where(better, best, worth[:, place - 1])
            self._cut_choice[better, place] = chosen[better]
        return worth[:, :columns]

    def _plan_strips(self) -> None:
        widest = max(max(kind.width, kind.length) for kind in self.kinds)
        self._sides = reachable(self._breadths, widest)
        self._side_before = last_before(self._sides, self._breadths)
        self._at_once = max(16, min(_AT_ONCE, _MOST_CELLS // (4 * len(self._sides))))
        place_of = {key: c for c, key in enumerate(self._classes)}
        classes = [place_of[class_of(self.kinds[k], along)] for k, along in self._pairs]
        runs = [self.kinds[k].length if a else self.kinds[k].width for k, a in self._pairs]
        sides = [self.kinds[k].width if a else self.kinds[k].length for k, a in self._pairs]
        run_place = np.searchsorted(self._runs, runs, side="right") - 1
        self._side_place = np.searchsorted(self._sides, sides, side="right") - 1
        # Where strips have as long a run and may hold like pieces they are worth the same.
        lanes = np.stack([np.array(classes), run_place], axis=1)
        self._lanes, self._lane_of = np.unique(lanes, axis=0, return_inverse=True)
        # No lane is filled beyond the widest of its fabrics.
        self._widest_place = np.zeros(len(self._lanes), dtype=np.int64)
        np.maximum.at(self._widest_place, self._lane_of, self._side_place)

    def _strips(self, worth: Floats, begin: int, end: int) -> Floats:
        """What strips side by side are worth: rows by lane, columns by the side they lie across."""
        count = len(self._breadths)
        # What the best strip of each breadth is worth in the run of each lane.
        rows = self._lanes[begin:end, :1] * count + np.arange(count)[None, :]
        value = worth[rows, self._lanes[begin:end, 1:]]
        value = np.where(value > _SMALL, value, -np.inf)
        columns = int(self._widest_place[begin:end].max()) + 1
        total = np.full((end - begin, len(self._sides) + 1), -np.inf)
        # The last column is worth less than anything, as in `_crosscuts`.
        total[:, 0] = 0
        choice = np.full((end - begin, columns), -1, dtype=np.int16)
        every = np.arange(end - begin)
        for place in range(1, columns):
            ways = total[:, self._side_before[place]] + value
            chosen = ways.argmax(axis=1)
            best = ways[every, chosen]
            better = best > total[:, place - 1] + _SMALL
            total[:, place] = np.where(better, best, total[:, place - 1])
            choice[better, place] = chosen[better]
        self._strip_choice.append(choice)
        return total
