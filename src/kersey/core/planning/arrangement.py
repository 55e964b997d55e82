"""The arrangement: which block lies where, and how it is turned.

A block is turned as suits it: one that looks the same in every quarter turn stands upright, one
with two looks alternates, and one with four is turned in fours that meet in the middle. Blocks of
the same prints are kept from lying side by side: first each place takes the block that shares least
with its neighbours, then pairs of blocks are swapped while that helps. If two alike still touch,
the blocks are laid again like a checkerboard, whole kinds on one colour, which suits a few large
kinds.

With more blocks alike than there are places apart from one another, two must touch.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from random import Random

from kersey.core.frame.setting import BlockGrid

# The prints of a block, one for each of its pieces.
Prints = tuple[str, ...]
# The numbers of blocks, row by row from the top left; None where no block is left for a place.
Places = tuple[int | None, ...]

# Two alike side by side weigh more than any number of shared prints.
_ALIKE = 1000
# Enough to settle a bed quilt; a bound so that a picture never waits.
_MOST_TRIALS = 24_000
_SAMPLE = 48
_SHUFFLE = 11
# Where a block has four looks: the quarter turns of four blocks that meet with the same corner.
_IN_FOURS = ((3, 0), (2, 1))
_FOUR_LOOKS = 4


def turn_at(turns: Sequence[int], row: int, column: int) -> int:
    """By how many quarters the block of a place is turned; `turns` are those it looks different in.

    >>> [turn_at((0, 1), 0, column) for column in range(3)]
    [0, 1, 0]
    """
    if len(turns) == _FOUR_LOOKS:
        return _IN_FOURS[row % 2][column % 2]
    alternates = len(turns) > 1 and turns[1] == 1
    return turns[(row + column) % 2] if alternates else 0


def neighbours(places: Places, grid: BlockGrid) -> Iterator[tuple[int, int]]:
    """Pairs of blocks that share a seam."""
    for place, (here, near) in enumerate(zip(places, grid.near, strict=True)):
        for other in near:
            there = places[other]
            if other > place and here is not None and there is not None:
                yield here, there


def alike_pairs(blocks: Sequence[Prints], places: Places, grid: BlockGrid) -> int:
    """Pairs of neighbours made of the very same prints."""
    kinds = [tuple(sorted(block)) for block in blocks]
    return sum(kinds[one] == kinds[other] for one, other in neighbours(places, grid))


def alike_unavoidable(blocks: Sequence[Prints], places: Places, grid: BlockGrid) -> bool:
    """Whether two alike must touch however the blocks are laid."""
    kinds = Counter(tuple(sorted(blocks[number])) for number in places if number is not None)
    return bool(kinds) and max(kinds.values()) > grid.most_apart


def arrange(blocks: Sequence[Prints], grid: BlockGrid) -> Places:
    """Lay the blocks in a grid; places without a block come last and stay None.

    The same blocks are always laid the same way. No neighbours are alike if the search finds
    such a setting; `alike_unavoidable` says when there is none.

    >>> blocks, grid = [("a", "b"), ("a", "b"), ("c", "d"), ("c", "d")], BlockGrid(2, 2)
    >>> alike_pairs(blocks, arrange(blocks, grid), grid)
    0
    """
    wall = _Wall(blocks, grid)
    wall.fill()
    wall.mend()
    found = wall.places()
    if not alike_pairs(blocks, found, grid) or alike_unavoidable(blocks, found, grid):
        return found
    wall.fill_checkered()
    wall.mend()
    return min(found, wall.places(), key=lambda places: alike_pairs(blocks, places, grid))


class _Wall:
    """The flannel wall while blocks are moved about on it."""

    def __init__(self, blocks: Sequence[Prints], grid: BlockGrid) -> None:
        self.blocks = blocks
        self.grid = grid
        self.filled = min(len(blocks), grid.blocks)
        kinds: dict[Prints, int] = {}
        self.kind = [kinds.setdefault(tuple(sorted(b)), len(kinds)) for b in blocks]
        bits: dict[str, int] = {}
        self.prints = [sum(1 << bits.setdefault(p, len(bits)) for p in set(b)) for b in blocks]
        self.at: list[int] = []
        self.near = [tuple(n for n in near if n < self.filled) for near in grid.near[: self.filled]]
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
                offered, key=lambda i: (self._clash(waiting[i], laid), -left[self.kind[waiting[i]]])
            )
            block = waiting.pop(pick)
            left[self.kind[block]] -= 1
            self.at.append(block)

    def fill_checkered(self) -> None:
        """Kinds, largest first, onto the colour with more room; a split one lies far apart."""
        free: dict[bool, list[int]] = {True: [], False: []}
        for place, seat in enumerate(self.grid.seats[: self.filled]):
            free[sum(self.grid.turning(seat)) % 2 == 0].append(place)
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

    def places(self) -> Places:
        """What lies on the wall now."""
        return (*self.at, *[None] * (self.grid.blocks - self.filled))

    def _colour_for(self, blocks: list[int], block: int, free: dict[bool, list[int]]) -> bool:
        """The colour on which a kind was begun, while there is room."""
        if block == blocks[0]:
            self.colour = len(free[True]) >= len(free[False])
        if not free[self.colour]:
            self.colour = not self.colour
        return self.colour

    def _clash(self, block: int, others: Iterable[int]) -> int:
        kind, prints = self.kind[block], self.prints[block]
        # Asked millions of times: no call for each of the others.
        found = 0
        for other in others:
            if self.kind[other] == kind:
                found += _ALIKE
            else:
                found += (self.prints[other] & prints).bit_count()
        return found

    def _clashes(self, place: int) -> int:
        return self._clash(self.at[place], [self.at[n] for n in self.near[place]])

    def _swap_from(self, place: int) -> bool:
        """Swap this place with the one that helps most; False if none helps."""
        others: Sequence[int] = range(self.filled)
        if self.filled > _SAMPLE * 4:
            others = self.shuffle.sample(others, _SAMPLE * 4)
        best, gain = None, 0
        here, kind = self._clashes(place), self.kind[self.at[place]]
        for other in others:
            if self.kind[self.at[other]] == kind:
                continue
            before = here + self._clashes(other)
            # No more can be gained than clashes now.
            if before <= gain:
                continue
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
