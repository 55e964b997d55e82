"""The setting: which block lies where, and how it is turned.

Rails alternate upright and across. Blocks of the same prints are kept from lying side by side:
first each place takes the block that shares least with its neighbours, then pairs of blocks are
swapped while that helps. If two alike still touch, the blocks are laid again like a checkerboard,
whole kinds on one colour, which suits a few large kinds.

With more than half of the blocks alike two must touch, since no more than half of the places
(rounded up) can be chosen without two neighbours among them.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from random import Random

from kersey.core.quilt.strip_plan import Block

# Two alike side by side weigh more than any number of shared prints.
_ALIKE = 1000
# Enough to settle a bed quilt; a bound so that a picture never waits.
_MOST_TRIALS = 24_000
_SAMPLE = 48
_SHUFFLE = 11


@dataclass(frozen=True)
class Setting:
    """Blocks in rows, top row first. A place is None where no block is left for it."""

    places: tuple[tuple[Block | None, ...], ...]

    @staticmethod
    def is_upright(row: int, column: int) -> bool:
        """Whether the rails of this place stand upright; its four neighbours' lie across."""
        return (row + column) % 2 == 0

    @cached_property
    def alike_pairs(self) -> int:
        """Pairs of neighbours made of the very same prints."""
        return sum(
            1
            for here, there in self._neighbours()
            if here is not None and there is not None and sorted(here) == sorted(there)
        )

    @cached_property
    def alike_unavoidable(self) -> bool:
        """Whether two alike must touch however the blocks are laid."""
        kinds = Counter(tuple(sorted(b)) for row in self.places for b in row if b is not None)
        places = sum(len(row) for row in self.places)
        return bool(kinds) and max(kinds.values()) > (places + 1) // 2

    def _neighbours(self) -> Iterator[tuple[Block | None, Block | None]]:
        for r, row in enumerate(self.places):
            for c, here in enumerate(row):
                if c + 1 < len(row):
                    yield here, row[c + 1]
                if r + 1 < len(self.places):
                    yield here, self.places[r + 1][c]


def arrange(blocks: Sequence[Block], rows: int, columns: int) -> Setting:
    """Lay the blocks in rows x columns; places without a block come last and stay None.

    The same blocks are always laid the same way. No neighbours are alike if the search finds
    such a setting; `Setting.alike_unavoidable` says when there is none.

    >>> arrange([(0, 1), (0, 1), (2, 3), (2, 3)], 2, 2).alike_pairs
    0
    """
    wall = _Wall(blocks, rows, columns)
    wall.fill()
    wall.mend()
    found = wall.setting()
    if not found.alike_pairs or found.alike_unavoidable:
        return found
    wall.fill_checkered()
    wall.mend()
    return min(found, wall.setting(), key=lambda setting: setting.alike_pairs)


class _Wall:
    """The flannel wall while blocks are moved about on it; a place is row x columns + column."""

    def __init__(self, blocks: Sequence[Block], rows: int, columns: int) -> None:
        self.blocks = blocks
        self.rows, self.columns = rows, columns
        self.filled = min(len(blocks), rows * columns)
        kinds: dict[Block, int] = {}
        self.kind = [kinds.setdefault(tuple(sorted(b)), len(kinds)) for b in blocks]
        self.prints = [sum(1 << i for i in set(b)) for b in blocks]
        self.at: list[int] = []
        self.near = [tuple(self._near(place)) for place in range(self.filled)]
        self.shuffle = Random(_SHUFFLE)
        self.colour = True

    def fill(self) -> None:
        """Place by place, the block that clashes least; of those, of the commonest kind."""
        waiting = list(range(self.filled))
        self.shuffle.shuffle(waiting)
        left = Counter(self.kind[block] for block in waiting)
        while waiting:
            place = len(self.at)
            laid = [self.at[n] for n in self.near[place] if n < place]
            offered = range(min(_SAMPLE, len(waiting)))
            pick = min(
                offered,
                key=lambda i: (
                    sum(self._clash(waiting[i], other) for other in laid),
                    -left[self.kind[waiting[i]]],
                ),
            )
            block = waiting.pop(pick)
            left[self.kind[block]] -= 1
            self.at.append(block)

    def fill_checkered(self) -> None:
        """Kinds, largest first, onto the colour with more room; a split one lies far apart."""
        free: dict[bool, list[int]] = {True: [], False: []}
        for place in range(self.filled):
            free[Setting.is_upright(*divmod(place, self.columns))].append(place)
        free[True].reverse()
        by_kind: dict[int, list[int]] = {}
        for block in range(self.filled):
            by_kind.setdefault(self.kind[block], []).append(block)
        for blocks in sorted(by_kind.values(), key=len, reverse=True):
            for block in blocks:
                colour = self._colour_for(blocks, block, free)
                self.at[free[colour].pop()] = block

    def mend(self) -> None:
        """Swap blocks while that lessens the clashes, the worst places first."""
        trials = 0
        while trials < _MOST_TRIALS:
            worst = sorted(range(self.filled), key=lambda place: -self._clashes(place))
            swapped = False
            for place in worst:
                if self._clashes(place) == 0 or trials >= _MOST_TRIALS:
                    break
                trials += self.filled if self.filled <= _SAMPLE * 4 else _SAMPLE * 4
                swapped = self._swap_from(place) or swapped
            if not swapped:
                break

    def setting(self) -> Setting:
        """What lies on the wall now."""
        blocks: list[Block | None] = [self.blocks[index] for index in self.at]
        blocks += [None] * (self.rows * self.columns - len(blocks))
        starts = range(0, len(blocks), self.columns)
        return Setting(tuple(tuple(blocks[s : s + self.columns]) for s in starts))

    def _colour_for(self, blocks: list[int], block: int, free: dict[bool, list[int]]) -> bool:
        """The colour on which a kind was begun, while there is room."""
        if block == blocks[0]:
            self.colour = len(free[True]) >= len(free[False])
        if not free[self.colour]:
            self.colour = not self.colour
        return self.colour

    def _near(self, place: int) -> Iterator[int]:
        row, column = divmod(place, self.columns)
        if column > 0:
            yield place - 1
        if row > 0:
            yield place - self.columns
        if column + 1 < self.columns and place + 1 < self.filled:
            yield place + 1
        if place + self.columns < self.filled:
            yield place + self.columns

    def _clash(self, one: int, other: int) -> int:
        if self.kind[one] == self.kind[other]:
            return _ALIKE
        return (self.prints[one] & self.prints[other]).bit_count()

    def _clashes(self, place: int) -> int:
        block = self.at[place]
        return sum(self._clash(block, self.at[n]) for n in self.near[place])

    def _swap_from(self, place: int) -> bool:
        """Swap this place with the one that helps most; False if none helps."""
        others: Sequence[int] = range(self.filled)
        if self.filled > _SAMPLE * 4:
            others = self.shuffle.sample(others, _SAMPLE * 4)
        best, gain = None, 0
        for other in others:
            if self.kind[self.at[other]] == self.kind[self.at[place]]:
                continue
            before = self._clashes(place) + self._clashes(other)
            self._swap(place, other)
            after = self._clashes(place) + self._clashes(other)
            self._swap(place, other)
            if before - after > gain:
                best, gain = other, before - after
        if best is not None:
            self._swap(place, best)
        return best is not None

    def _swap(self, one: int, other: int) -> None:
        self.at[one], self.at[other] = self.at[other], self.at[one]
