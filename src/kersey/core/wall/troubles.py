"""What troubles the eye on a wall of blocks: each trouble counted, and where it is.

Most are pairs of places: what two blocks make of each other where they touch, or lie near. They
stand in tables, one for each way that two blocks lie to each other (turns and direction), by the
kinds of the two blocks; counting and searching both read them there. The rest is seen of whole
rows, halves and quarters, or of the turns alone.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from kersey.core.project.minding import Trouble, Weights
from kersey.core.wall.beside import Way, meetings
from kersey.core.wall.seen import NEUTRAL, Wall

Ints = NDArray[np.int64]
Flags = NDArray[np.bool_]
Places = tuple[int | None, ...]

# One block more on a side cannot always be helped; to say where, two are too few.
MOST_LOPSIDED = 2
# Four blocks meet in four seams; eight and more make a lump.
MANY_SEAMS = 8


@dataclass(frozen=True)
class Spot:
    """Where a trouble is: between the places it names, or in all of them."""

    trouble: Trouble
    places: tuple[int, ...]


@dataclass(frozen=True)
class Arrangement:
    """Which block lies at each place, and by how many quarters each place turns its block."""

    places: Places
    turns: tuple[int, ...]


@dataclass(frozen=True)
class Seams:
    """How the tables are asked for: two places, and where the second lies from the first."""

    turns: tuple[int, int]
    way: Way


@dataclass
class Tables:
    """All tables of a wall, made as they are asked for; a number is how often two kinds of block
    make a trouble where they lie so to each other: 0 or 1."""

    wall: Wall
    _made: dict[tuple[Trouble, Seams], Ints] = field(default_factory=dict)

    def __post_init__(self) -> None:
        first = {kind: n for n, kind in reversed(list(enumerate(self.wall.kinds)))}
        self.kinds = np.array([self.wall.blocks[first[k]] for k in range(len(first))], np.int64)
        self.kinds = self.kinds.reshape(len(first), -1)
        prints = self.wall.prints
        self._is_ground = np.array([n in self.wall.ground for n in range(len(prints))] or [False])
        families = {name: n for n, name in enumerate(dict.fromkeys(p.family for p in prints))}
        self._family = np.array([families[p.family] for p in prints] or [0])
        self._neutral = np.array([p.family == NEUTRAL for p in prints] or [False])

    def of(self, trouble: Trouble, seams: Seams) -> Ints:
        """The table of a trouble for two blocks that lie so."""
        if (trouble, seams) not in self._made:
            self._made[trouble, seams] = self._make(trouble, seams).astype(np.int64)
        return self._made[trouble, seams]

    def _make(self, trouble: Trouble, seams: Seams) -> Flags:
        none = np.zeros((len(self.kinds), len(self.kinds)), bool)
        if trouble is Trouble.DIAGONALS:
            return none if seams.way.at_corner else self._vees(seams, none)
        corner = trouble is Trouble.CORNER
        if seams.way.at_corner is not corner:
            return none
        met = meetings(
            self.wall.turned(seams.turns[0]), self.wall.turned(seams.turns[1]), seams.way
        )
        for a, b in met:
            one, other = self.kinds[:, a], self.kinds[:, b]
            alike = one[:, None] == other[None, :]
            if trouble is Trouble.FAMILY:
                of_one = self._family[one][:, None] == self._family[other][None, :]
                shown = ~self._neutral[one] & ~self._is_ground[one]
                none |= of_one & ~alike & shown[:, None] & ~self._is_ground[other][None, :]
            else:
                none |= alike & ~self._is_ground[one][:, None]
        return none

    def _vees(self, seams: Seams, none: Flags) -> Flags:
        """Two diagonals of one print that lean to each other and meet at an end of the seam."""
        ways = [self.wall.turned(turn).across() for turn in seams.turns]
        for one, other in ((ways[0][0], ways[1][1]), (ways[0][1], ways[1][0])):
            if one is not None and other is not None:
                a, b = self.kinds[:, one], self.kinds[:, other]
                none |= (a[:, None] == b[None, :]) & ~self._is_ground[a][:, None]
        return none

    @property
    def strong(self) -> Ints:
        """Which kinds share a strong print."""
        shared = np.zeros((len(self.kinds), len(self.kinds)), np.int64)
        for number in self.wall.strong:
            has = (self.kinds == number).any(axis=1)
            shared |= has[:, None] & has[None, :]
        return shared

    @property
    def alike_in_value(self) -> Ints:
        """Which kinds are both of the lighter half of all blocks, or both of the darker."""
        side = np.array(self.wall.two_kinds)
        first = {kind: n for n, kind in reversed(list(enumerate(self.wall.kinds)))}
        kinds = side[[first[k] for k in range(len(self.kinds))]] if len(side) else side
        return np.asarray(kinds[:, None] == kinds[None, :], np.int64)

    @property
    def must_not_turn(self) -> Ints:
        """Which kinds have a print that must not be turned."""
        has = [n for n, cloth in enumerate(self.wall.prints) if cloth.directional]
        return np.asarray(np.isin(self.kinds, has).any(axis=1), np.int64)


def pair_troubles(
    wall: Wall, tables: Tables, turns: Sequence[int]
) -> Iterator[tuple[Trouble, int, int, Ints]]:
    """Every trouble that two places can have, with its table: the first place's kind first."""
    for one, other, way in wall.pairs:
        seams = Seams((turns[one], turns[other]), way)
        if way.at_corner:
            yield Trouble.CORNER, one, other, tables.of(Trouble.CORNER, seams)
            continue
        for trouble in (Trouble.SAME, Trouble.FAMILY, Trouble.DIAGONALS):
            yield trouble, one, other, tables.of(trouble, seams)
    if wall.strong:
        strong = tables.strong
        for one, other in wall.near:
            yield Trouble.STRONG, one, other, strong
    alike = tables.alike_in_value
    for one, other, _ in wall.at_ways(Way.RIGHT, Way.BELOW):
        yield Trouble.ALTERNATE, one, other, alike


def find_troubles(wall: Wall, arrangement: Arrangement) -> Mapping[Trouble, tuple[Spot, ...]]:
    """Every trouble of a wall, and where it is."""
    tables = Tables(wall)
    found: dict[Trouble, list[Spot]] = {trouble: [] for trouble in Trouble}
    kinds = [None if b is None else wall.kinds[b] for b in arrangement.places]
    for trouble, one, other, table in pair_troubles(wall, tables, arrangement.turns):
        a, b = kinds[one], kinds[other]
        if a is not None and b is not None and table[a, b]:
            found[trouble].append(Spot(trouble, (one, other)))
    found[Trouble.VALUES] += _uneven(wall, arrangement.places)
    found[Trouble.LINE] += _lines(wall, arrangement.places)
    found[Trouble.SEAMS] += _lumps(wall, tables, arrangement.turns)
    turned = tables.must_not_turn
    found[Trouble.DIRECTION] += [
        Spot(Trouble.DIRECTION, (place,))
        for place, (kind, turn) in enumerate(zip(kinds, arrangement.turns, strict=True))
        if kind is not None and turn and turned[kind]
    ]
    return {trouble: tuple(spots) for trouble, spots in found.items()}


def lopsided(wall: Wall, places: Places) -> dict[tuple[int, int], int]:
    """How much lighter the right is than the left, the lower half than the upper, and the quarters
    from upper left to lower right than the others, in blocks."""
    sums: Counter[tuple[int, int]] = Counter({(1, 0): 0, (0, 1): 0, (1, 1): 0})
    for (across, down), block in zip(wall.sides, places, strict=True):
        if block is not None:
            value = wall.values[block]
            sums[1, 0] += value * across
            sums[0, 1] += value * down
            sums[1, 1] += value * across * down
    return dict(sums)


def _uneven(wall: Wall, places: Places) -> Iterator[Spot]:
    """One for every block too many on one side; one block more cannot always be helped."""
    for (across, down), much in lopsided(wall, places).items():
        heavy = tuple(
            place
            for place, (x, y) in enumerate(wall.sides)
            if (x if not down else y if not across else x * y) * much < 0
            and places[place] is not None
        )
        for _ in range(max(0, (abs(much) - 1) // 2)):
            yield Spot(Trouble.VALUES, heavy)


def _lines(wall: Wall, places: Places) -> Iterator[Spot]:
    if len(set(wall.families)) < 2:
        return
    for line in wall.lines:
        if of_one_family(wall, [places[place] for place in line]):
            yield Spot(Trouble.LINE, line)


def of_one_family(wall: Wall, blocks: Sequence[int | None]) -> bool:
    """Whether these blocks are all of one family, neutrals not being any."""
    families = {"" if block is None else wall.families[block] for block in blocks}
    return len(families) == 1 and not families & {"", NEUTRAL}


def _lumps(wall: Wall, tables: Tables, turns: Sequence[int]) -> Iterator[Spot]:
    """Points where four blocks meet with many seams: four between them, and those within."""
    if len(wall.touch) < len(Way):
        return
    corners = {tuple(seat): n for n, seat in enumerate(wall.grid.seats)}
    for (row, column), one in corners.items():
        around = [corners.get((row + d, column + a)) for d in (0, 1) for a in (0, 1)]
        met = [place for place in around if place is not None]
        if len(met) < 4 or wall.grid.setting.value != "straight":
            continue
        reach = ((True, True), (False, True), (True, False), (False, False))
        within = sum(
            len(wall.turned(turns[place]).at(*corner)) - 1
            for place, corner in zip(met, reach, strict=True)
        )
        if 4 + within >= MANY_SEAMS:
            yield Spot(Trouble.SEAMS, (one, *met[1:]))


def cost(found: Mapping[Trouble, Sequence[Spot]], weights: Weights) -> int:
    """What all that troubles the eye costs together."""
    return sum(weights.cost(trouble) * len(spots) for trouble, spots in found.items())
