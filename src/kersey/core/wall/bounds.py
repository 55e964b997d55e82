"""How few of a trouble there can be at all, whatever block lies where.

Of places no two of which touch there are only so many (`BlockGrid.most_apart`, by pairing every
place off with a neighbour). So of n blocks that trouble each other wherever they touch, at least
n - most_apart pairs touch: of 13 on 4 x 6 one pair or more, of 12 none need. On small walls an
integer programme says the very least.
"""

from collections import Counter
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass

from kersey.core.cutting.watch import Watch
from kersey.core.project.minding import Trouble
from kersey.core.wall.beside import Way
from kersey.core.wall.exact import MOST_PLACES, Least, least_cost, only
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import Arrangement, Seams, Tables

# The troubles of pairs, for which the least can be proved on a small wall.
OF_PAIRS = (
    Trouble.SAME,
    Trouble.CORNER,
    Trouble.FAMILY,
    Trouble.STRONG,
    Trouble.DIAGONALS,
    Trouble.ALTERNATE,
)
_SECONDS = 6.0


@dataclass(frozen=True)
class LeastQuestion:
    """How few of each of these troubles there can be on a small wall, its pinned blocks staying."""

    wall: Wall
    turns: tuple[int, ...]
    held: tuple[tuple[int, int], ...]
    troubles: tuple[Trouble, ...]

    @property
    def key(self) -> tuple[object, ...]:
        """By what it is known."""
        return self.wall.key, self.turns, self.held, self.troubles

    def __hash__(self) -> int:
        return hash(self.key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, LeastQuestion) and self.key == other.key

    def run(self) -> Iterator[dict[Trouble, Least]]:
        """The least of each, as far as it is known."""
        found: dict[Trouble, Least] = {}
        for trouble in self.troubles:
            watch = Watch(_SECONDS)
            found[trouble] = least_cost(self.wall, self.turns, only(trouble), watch, self.held)
            yield dict(found)


def may_be_proved(wall: Wall, arrangement: Arrangement) -> bool:
    """Whether the integer programme can say the least: on a small wall that is full, with no
    blocks beside it."""
    full = None not in arrangement.places
    return full and len(arrangement.places) == len(wall.blocks) <= MOST_PLACES


def least(wall: Wall, arrangement: Arrangement, trouble: Trouble) -> int:
    """How few there must be at the least, by counting alone; 0 where counting says nothing."""
    if trouble is Trouble.SAME:
        return _least_same(wall, arrangement)
    if trouble is Trouble.ALTERNATE:
        laid = [b for b in arrangement.places if b is not None]
        kinds = Counter(wall.two_kinds[block] for block in laid)
        return max(0, *(count - wall.grid.most_apart for count in kinds.values()), 0)
    if trouble is Trouble.DIRECTION:
        must_not = Tables(wall).must_not_turn
        blocks = [wall.kinds[b] for b in arrangement.places if b is not None]
        upright = sum(turn == 0 for turn in arrangement.turns)
        return max(0, sum(int(must_not[kind]) for kind in blocks) - upright)
    return 0


def _least_same(wall: Wall, arrangement: Arrangement) -> int:
    """Of prints that lie along every side of their blocks: those blocks cannot all be apart."""
    if len(wall.touch) < len(Way) or wall.grid.setting.value == "alternate":
        return 0
    filled = len(arrangement.places) - arrangement.places.count(None)
    over, holding, tables = [], Counter[int](), Tables(wall)
    turns = arrangement.turns
    seams = {
        Seams((turns[one], turns[other]), way)
        for one, other, way in wall.pairs
        if not way.at_corner
    }
    for number in range(len(wall.prints)):
        kinds = {wall.kinds[n] for n, block in enumerate(wall.blocks) if number in block}
        if number in wall.ground or not _always_touch(tables, seams, sorted(kinds)):
            continue
        others = sum(kind not in kinds for kind in wall.kinds)
        over.append(max(0, filled - others - wall.grid.most_apart))
        holding.update(kinds)
    # A pair may be of two prints at once, unless every block has only one of them.
    alone = all(count == 1 for count in holding.values())
    return sum(over) if alone else max(over, default=0)


def _always_touch(tables: Tables, seams: Collection[Seams], kinds: Sequence[int]) -> bool:
    """Whether blocks of these kinds make the trouble wherever two of them lie side by side."""
    return bool(kinds) and all(
        tables.of(Trouble.SAME, each)[kinds][:, kinds].all() for each in seams
    )
