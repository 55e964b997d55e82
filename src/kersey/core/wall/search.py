"""The search for an arrangement that troubles the eye least.

Blocks change places in pairs. What a block would cost at each place is kept in one table, so that
the gain of every exchange is read off at once:

    gain(p, q) = cost[p, own] + cost[q, own] - cost[p, block of q] - cost[q, block of p]

(mended where p and q lie beside each other). The best exchange is made even if it makes things
worse, but none is taken back at once; so the search leaves a hollow that it is caught in (tabu
search). Blocks beside the wall are exchanged too: they lie at places that touch nothing. Pinned
places, and those that lie empty, stay.

Nothing depends on the clock: the same question has the same answer.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from random import Random

import numpy as np
from numpy.typing import NDArray

from kersey.core.project.minding import USUAL, Trouble, Weights
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import (
    Arrangement,
    Places,
    Tables,
    find_troubles,
    of_one_family,
    pair_troubles,
)

Ints = NDArray[np.int64]

# Troubles weigh so much more than a block that is moved, that none is kept to spare a move.
_TROUBLE, _MOVED = 1000, 1
# An exchange is not taken back for so many others, and up to so many more by lot.
_TENURE, _BY_LOT = 6, 7
# Of the best exchanges as the table has them, so many are looked at for whole rows and columns.
_LOOKED_AT = 24
# A search ends after so many exchanges that found nothing better; every exchange looks at all
# places, so on large walls fewer are tried.
_IDLE, _LEAST_IDLE, _PLACES = 400, 60, 120
_STARTS, _LARGE = 3, 150
_NEVER = np.int64(1) << 40
# Each pin is given up in a search of its own.
_MOST_PINS = 12


@dataclass(frozen=True)
class ArrangeQuestion:
    """What a wall is searched for. `keep`: as few blocks as can be change their place; else they
    are all laid anew, the `seed` saying how, unlike all that were laid `before`."""

    wall: Wall
    arrangement: Arrangement
    weights: Weights = USUAL
    pins: frozenset[int] = frozenset()
    aside: frozenset[int] = frozenset()
    keep: bool = True
    seed: int = 0
    before: tuple[Places, ...] = ()

    @property
    def key(self) -> tuple[object, ...]:
        """By what it is known."""
        rest = (self.arrangement, self.weights, self.pins, self.aside, self.keep, self.seed)
        return self.wall.key, rest, self.before

    def __hash__(self) -> int:
        return hash(self.key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, ArrangeQuestion) and self.key == other.key

    def run(self) -> Iterator["Found"]:
        """What is found, each better than the one before; at last what giving up a pin would do."""
        found = Found(self.arrangement)
        for arrangement in search(self):
            found = Found(arrangement)
            yield found
        if self.keep and self.pins:
            yield replace(found, freed=tuple(_what_pins_cost(self, found.arrangement)))


@dataclass(frozen=True)
class Found:
    """An arrangement that was found. `freed`: pins that hold up a better one, by place, and how
    many troubles fewer there would be without each, the most first."""

    arrangement: Arrangement
    freed: tuple[tuple[int, int], ...] = ()


def mended(question: ArrangeQuestion) -> Arrangement:
    """The best arrangement that is found."""
    *_, best = search(question)
    return best


def search(question: ArrangeQuestion) -> Iterator[Arrangement]:
    """Arrangements, each better than the one before; at the least one.

    >>> from fractions import Fraction
    >>> from kersey.core.blocks.assembly import Patch
    >>> from kersey.core.frame.setting import BlockGrid
    >>> from kersey.core.wall.seen import Seen
    >>> o, f = Fraction(0), Fraction(6)
    >>> square = Patch("A", "any", ((o, o), (f, o), (f, f), (o, f)))
    >>> prints = Seen("lamp red", "red", (40.0, 50, 30)), Seen("smoke", "neutral", (60.0, 0, 0))
    >>> wall = Wall(BlockGrid(2, 2), (f, f), (square,), prints, ((0,), (0,), (1,), (1,)))
    >>> mended(ArrangeQuestion(wall, Arrangement((0, 1, 2, 3), (0, 0, 0, 0)))).places
    (2, 1, 0, 3)
    """
    # From what hangs there, and then from walls laid by lot: a search from one beginning alone may
    # end in a corner that it cannot leave.
    best: tuple[int, Places] | None = None
    for start in range(1 if len(question.wall.blocks) > _LARGE else _STARTS):
        board = _Board(question, Random(f"{question.seed} {start}"))
        if start or not question.keep:
            board.shuffle()
        for found in board.search():
            if best is None or found[0] < best[0]:
                best = found
                yield replace(question.arrangement, places=found[1])
        # What is left below one trouble are moves alone.
        if best is not None and best[0] < (_TROUBLE if question.keep else 1):
            return


class _Board:
    """The wall while blocks change places. Places beyond those of the wall lie beside it."""

    def __init__(self, question: ArrangeQuestion, lots: Random) -> None:
        self.question, self.lots = question, lots
        wall, arrangement = question.wall, question.arrangement
        laid = set(arrangement.places)
        beside = [b for b in range(len(wall.blocks)) if b not in laid and b not in question.aside]
        self.blocks: list[int | None] = [*arrangement.places, *beside]
        self.fill_empty(beside)
        self.places = len(arrangement.places)
        self.tables = Tables(wall)
        self.none = len(self.tables.kinds)
        self.at = np.array([self._kind(block) for block in self.blocks], np.int64)
        self.free = np.array(
            [
                place not in question.pins and block is not None
                for place, block in enumerate(self.blocks)
            ]
        )
        self._lay_tables()
        self._weigh_sides()
        self._lay_lines()

    def fill_empty(self, beside: Sequence[int]) -> None:
        """Empty places take the blocks that lie beside the wall, while there are any."""
        waiting = list(range(len(self.blocks) - len(beside), len(self.blocks)))
        for place in range(len(self.blocks) - len(beside)):
            if self.blocks[place] is None and waiting and place not in self.question.pins:
                taken = waiting.pop(0)
                self.blocks[place], self.blocks[taken] = self.blocks[taken], None
        wall = self.question.arrangement.places
        self.blocks = [b for n, b in enumerate(self.blocks) if n < len(wall) or b is not None]

    def shuffle(self) -> None:
        """Lay all blocks that may move anew, unlike they were laid before."""
        free = [int(place) for place in np.flatnonzero(self.free)]
        blocks = [self.blocks[place] for place in free]
        self.lots.shuffle(blocks)
        for place, block in zip(free, blocks, strict=True):
            self.blocks[place] = block
        self.at = np.array([self._kind(block) for block in self.blocks], np.int64)
        self._price()
        self.sums = self._sums()
        self._lay_lines()

    def search(self) -> Iterator[tuple[int, Places]]:
        """What is found, as cost and places, each better than the one before."""
        # Tabu search: always the best exchange there is, even one that costs, and for a while no
        # way back; it ends when long enough nothing better was found.
        best = self._found()
        yield best
        forbidden = np.zeros((len(self.at), self.none + 1), np.int64)
        idle, turn = 0, 0
        most = max(_LEAST_IDLE, _IDLE * _PLACES // max(_PLACES, len(self.at)))
        while idle < most and best[0]:
            turn += 1
            step = self._best_exchange(forbidden, turn, best[0])
            if step is None:
                return
            one, other = step
            # For how long is up to the lot, or the same exchanges would come round in a circle.
            until = turn + _TENURE + self.lots.randrange(_BY_LOT)
            forbidden[one, self.at[one]] = forbidden[other, self.at[other]] = until
            self._exchange(one, other)
            found = self._found()
            idle += 1
            if found[0] < best[0]:
                best, idle = found, 0
                yield best

    def _found(self) -> tuple[int, Places]:
        return self.cost(), tuple(self.blocks[: self.places])

    def cost(self) -> int:
        """What the arrangement costs now."""
        pairs = int(self.prices[np.arange(len(self.at)), self.at].sum())
        own = int(self.own[np.arange(len(self.at)), self.at].sum())
        return (pairs + own) // 2 + self._sides_cost(self.sums) + self.line_cost

    def _best_exchange(self, forbidden: Ints, turn: int, best: int) -> tuple[int, int] | None:
        """The exchange that costs least, not one of those forbidden unless it is the best ever."""
        troubled = self._troubled()
        gains = self._differences(troubled)
        if gains is None:
            return None
        # A block may not come back to where it lay a moment ago.
        tabu = (forbidden[troubled][:, self.at] > turn) & (turn < forbidden[:, self.at[troubled]].T)
        now = self.cost()
        gains = np.where(tabu & (now + gains >= best), _NEVER, gains)
        # What lines cost is known only by counting along them: it is looked at for the best alone.
        flat = gains.ravel()
        count = min(_LOOKED_AT, flat.size)
        some = np.argpartition(flat, count - 1)[:count]
        offered = sorted((int(flat[n]), int(n)) for n in some if flat[n] < _NEVER)
        if not offered:
            return None
        priced = [(g + self._lines_difference(*self._pair(n, troubled)), n) for g, n in offered]
        least = min(priced)[0]
        return self._pair(self.lots.choice([n for g, n in priced if g == least]), troubled)

    def _pair(self, flat: int, troubled: Ints) -> tuple[int, int]:
        row, other = divmod(flat, len(self.at))
        return int(troubled[row]), other

    def _troubled(self) -> Ints:
        """The free places to begin an exchange from: those that cost something, or all."""
        here = self.prices[np.arange(len(self.at)), self.at]
        # Sides and lines are troubles of the whole wall: then every place may be the one to move.
        whole = self._sides_cost(self.sums) or self.line_cost
        places = np.flatnonzero(self.free & (here > 0)) if not whole else np.flatnonzero(self.free)
        return np.asarray(places if len(places) else np.flatnonzero(self.free), np.int64)

    def _differences(self, troubled: Ints) -> Ints | None:
        """What each exchange adds to the cost: of the troubled places with all others."""
        if not len(troubled):
            return None
        places = np.arange(len(self.at))
        # prices[p, k]: what kind k would cost at place p, with all others as they lie. Exchanging
        # p and q adds  prices[p, k_q] + prices[q, k_p] - prices[p, k_p] - prices[q, k_q], but for
        # what the two cost each other (`_mend_neighbours`).
        here = self.prices[places, self.at]
        gains = (
            self.prices[troubled][:, self.at]
            + self.prices[:, self.at[troubled]].T
            - here[troubled][:, None]
            - here[None, :]
        )
        self._mend_neighbours(gains, troubled)
        gains = gains + self._sides_differences(troubled)
        same = self.at[troubled][:, None] == self.at[None, :]
        return np.where(same | ~self.free[None, :], _NEVER, gains)

    def _mend_neighbours(self, gains: Ints, troubled: Ints) -> None:
        """Two that lie beside each other are still beside each other after the exchange."""
        row = np.full(len(self.at), -1, np.int64)
        row[troubled] = np.arange(len(troubled))
        met = np.flatnonzero(row[self.pair_places[0]] >= 0)
        one, other = self.pair_places[:, met]
        table, a, b = self.pair_table[met], self.at[one], self.at[other]
        gains[row[one], other] += (
            self.stack[table, a, b]
            + self.stack[table, b, a]
            - self.stack[table, a, a]
            - self.stack[table, b, b]
        )

    def _lay_tables(self) -> None:
        """Which places have a price for each other, and the prices: symmetric by exchange."""
        wall, weights = self.question.wall, self.question.weights
        self.near: list[list[tuple[int, Ints]]] = [[] for _ in self.at]
        summed: dict[tuple[int, int], list[tuple[int, Ints]]] = {}
        for trouble, one, other, table in pair_troubles(
            wall, self.tables, self.question.arrangement.turns
        ):
            if weights.cost(trouble) and table.any():
                summed.setdefault((one, other), []).append((weights.cost(trouble), table))
        # Many pairs of places have the same troubles: their tables are summed once and shared.
        made: dict[tuple[tuple[int, int], ...], int] = {}
        stack: list[Ints] = []
        pairs: list[tuple[int, int, int]] = []
        for (one, other), parts in summed.items():
            key = tuple((times, id(table)) for times, table in parts)
            if key not in made:
                whole = np.asarray(sum(times * table for times, table in parts) * _TROUBLE)
                made[key] = len(stack)
                stack += [self._with_none(whole), self._with_none(whole.T)]
            pairs += [(one, other, made[key]), (other, one, made[key] + 1)]
        for one, other, number in pairs:
            self.near[one].append((other, stack[number]))
        self.stack = np.array(stack or [self._with_none(np.zeros((self.none,) * 2, np.int64))])
        self.pair_places = np.array([pair[:2] for pair in pairs], np.int64).reshape(-1, 2).T
        self.pair_table = np.array([pair[2] for pair in pairs], np.int64)
        self._own_prices()
        self._price()

    def _own_prices(self) -> None:
        """What a block costs at a place whatever lies around it."""
        question = self.question
        self.own = np.zeros((len(self.at), self.none + 1), np.int64)
        turned = np.array([turn > 0 for turn in question.arrangement.turns], np.int64)
        must_not = question.weights.cost(Trouble.DIRECTION) * self.tables.must_not_turn
        self.own[: self.places, : self.none] += _TROUBLE * turned[:, None] * must_not[None, :]
        # Less than one trouble: among walls as good, the one that moves fewest blocks.
        if question.keep:
            for place, block in enumerate(question.arrangement.places):
                if block is not None:
                    self.own[place] += _MOVED
                    self.own[place, self._kind(block)] -= _MOVED
        for laid in question.before:
            for place, block in enumerate(laid):
                if block is not None:
                    self.own[place, self._kind(block)] += _MOVED

    def _price(self) -> None:
        # Summed anew at the start; afterwards each exchange changes the prices of its neighbours.
        self.prices = self.own.copy()
        for place, near in enumerate(self.near):
            for other, table in near:
                self.prices[place] += table[:, self.at[other]]

    def _exchange(self, one: int, other: int) -> None:
        self.line_cost += self._lines_difference(one, other)
        before = int(self.at[one]), int(self.at[other])
        self.blocks[one], self.blocks[other] = self.blocks[other], self.blocks[one]
        self.at[one], self.at[other] = before[1], before[0]
        for place, old, new in ((one, *before), (other, *reversed(before))):
            for near, table in self.near[place]:
                # The table is the place's own; read from the other side its rows are columns.
                self.prices[near] += table[new, :] - table[old, :]
        self.sums = self._sums()

    def _with_none(self, table: Ints) -> Ints:
        """The table with a last row and column for a place where nothing lies."""
        grown = np.zeros((self.none + 1, self.none + 1), np.int64)
        grown[: self.none, : self.none] = table
        return grown

    def _kind(self, block: int | None) -> int:
        return self.none if block is None else self.question.wall.kinds[block]

    def _weigh_sides(self) -> None:
        """How light each kind is, and the sides of every place: across, down and both."""
        wall = self.question.wall
        value = dict(zip(wall.kinds, wall.values, strict=True))
        self.value = np.array([*(value[k] for k in range(self.none)), 0], np.int64)
        self.side = np.zeros((3, len(self.at)), np.int64)
        for place, (across, down) in enumerate(wall.sides):
            self.side[:, place] = across, down, across * down
        self.sums = self._sums()

    def _sums(self) -> Ints:
        return np.asarray(self.side @ self.value[self.at], np.int64)

    def _sides_cost(self, sums: Ints) -> int:
        return int(self._too_many(sums).sum()) * self._of_values

    @property
    def _of_values(self) -> int:
        return _TROUBLE * self.question.weights.cost(Trouble.VALUES)

    def _too_many(self, sums: Ints) -> Ints:
        """As `troubles` counts it: blocks too many on a side."""
        return np.asarray(np.maximum(0, (np.abs(sums) - 1) // 2), np.int64)

    def _sides_differences(self, troubled: Ints) -> Ints:
        if not self._of_values:
            return np.zeros((), np.int64)
        value = self.value[self.at]
        change = value[None, :] - value[troubled][:, None]
        now, found = self._too_many(self.sums), np.zeros(change.shape, np.int64)
        for side, total, much in zip(self.side, self.sums, now, strict=True):
            after = total + change * (side[troubled][:, None] - side[None, :])
            found += self._too_many(after) - much
        return found * self._of_values

    def _lay_lines(self) -> None:
        """The rows and columns of every place, where their families are looked at."""
        wall = self.question.wall
        self.of_lines = _TROUBLE * self.question.weights.cost(Trouble.LINE)
        seen = self.of_lines and len(set(wall.families)) > 1
        self.lines: list[list[tuple[int, ...]]] = [[] for _ in self.at]
        for line in wall.lines if seen else ():
            for place in line:
                self.lines[place].append(line)
        self.line_cost = self.of_lines * sum(map(self._is_one_family, wall.lines if seen else ()))

    def _is_one_family(self, line: tuple[int, ...]) -> bool:
        return of_one_family(self.question.wall, [self.blocks[place] for place in line])

    def _lines_difference(self, one: int, other: int) -> int:
        """What an exchange adds to the cost of rows and columns of one family."""
        touched = dict.fromkeys((*self.lines[one], *self.lines[other]))
        if not touched:
            return 0
        before = sum(map(self._is_one_family, touched))
        blocks = self.blocks
        blocks[one], blocks[other] = blocks[other], blocks[one]
        after = sum(map(self._is_one_family, touched))
        blocks[one], blocks[other] = blocks[other], blocks[one]
        return self.of_lines * (after - before)


def _what_pins_cost(question: ArrangeQuestion, found: Arrangement) -> list[tuple[int, int]]:
    """How many troubles giving up each of the pins would spare."""
    saved = []
    with_all = _minded(question, found)
    for pin in sorted(question.pins)[:_MOST_PINS] if with_all else ():
        freed = replace(question, arrangement=found, pins=question.pins - {pin})
        saved.append((pin, with_all - _minded(question, mended(freed))))
    return sorted((each for each in saved if each[1] > 0), key=lambda each: (-each[1], each[0]))


def _minded(question: ArrangeQuestion, arrangement: Arrangement) -> int:
    found = find_troubles(question.wall, arrangement)
    return sum(len(spots) for t, spots in found.items() if question.weights.of(t))
