"""Which unit of a drawer lies where: as the wall's own search spreads blocks.

first      place after place takes, of the units of its size that are left, the one whose like lies
           furthest away; of equals that of which most are left
searched   units of one size change places, size after size, until nothing troubles the eye less

Units do not lie on the places of blocks: which touch, and which lie near one another, follows from
where they are laid.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.recipe import rectangle
from kersey.core.cloth.fabric import Print
from kersey.core.cutting.kinds.unit_rows import UnitLaid, UnitRows, UnitSort, best_rows
from kersey.core.cutting.problem import ANY
from kersey.core.cutting.watch import Watch
from kersey.core.frame.setting import BlockGrid
from kersey.core.wall.beside import Way
from kersey.core.wall.search import ArrangeQuestion, mended
from kersey.core.wall.seen import Wall, seen
from kersey.core.wall.troubles import Arrangement

# A print that does not lie there yet is further away than any that does.
_NOT_YET = 10_000
# Units with no more than this many squares between them are near.
_NEAR = 1
# Sizes are gone through so often; rows are searched for so many seconds.
_ROUNDS, _SEARCHED = 2, 5.0
_SIDE = Fraction(6)

# Left, top, right and bottom of a unit, in squares of the grid.
Box = tuple[int, int, int, int]


@dataclass(frozen=True)
class UnitWall(Wall):
    """Units laid where they are: the places of a wall that have no rows or columns."""

    boxes: tuple[Box, ...] = ()

    @cached_property
    def key(self) -> str:
        """A name for it: the same for what looks the same."""
        return f"{super().key} {self.boxes}"

    def at_ways(self, *ways: Way) -> Iterator[tuple[int, int, Way]]:
        """Pairs of units that touch along a side, or at a corner."""
        for n, one in enumerate(self.boxes):
            for m, other in enumerate(self.boxes):
                way = _way(one, other)
                if way is not None and way in ways:
                    yield n, m, way

    @cached_property
    def near(self) -> tuple[tuple[int, int], ...]:
        """Pairs of units with a square between them at most."""
        pairs = ((n, m) for n in range(len(self.boxes)) for m in range(n + 1, len(self.boxes)))
        return tuple((n, m) for n, m in pairs if max(_gaps(self.boxes[n], self.boxes[m])) <= _NEAR)

    @cached_property
    def sides(self) -> tuple[tuple[int, int], ...]:
        """Of every unit whether it is left (-1) or right (1) of the middle, and above or below."""
        wide, high = (max(box[n] for box in self.boxes) for n in (2, 3))
        middles = ((box[0] + box[2] - wide, box[1] + box[3] - high) for box in self.boxes)
        return tuple(((x > 0) - (x < 0), (y > 0) - (y < 0)) for x, y in middles)

    @cached_property
    def lines(self) -> tuple[tuple[int, ...], ...]:
        """None: units lie in no rows and columns."""
        return ()


def spread_prints(
    rows: UnitRows, prints: Sequence[Sequence[tuple[Print, int]]]
) -> tuple[Print, ...]:
    """The print of every unit laid, in their order; `prints` are those of each sort of unit, with
    how many there are."""
    left = [[count for _, count in of_sort] for of_sort in prints]
    found: list[tuple[UnitLaid, Print]] = []
    for unit in rows.laid:
        of_sort, counts = prints[unit.sort], left[unit.sort]
        waiting = [n for n, count in enumerate(counts) if count]
        chosen = max(waiting, key=lambda n: (_far(unit, of_sort[n][0], found), counts[n], -n))
        counts[chosen] -= 1
        found.append((unit, of_sort[chosen][0]))
    return tuple(cloth for _, cloth in found)


@dataclass(frozen=True)
class Hung:
    """Units laid in rows, and the prints they show, in their order."""

    rows: UnitRows
    prints: tuple[Print, ...]


@dataclass(frozen=True)
class DrawerQuestion:
    """How are the units of a drawer laid, and which where? `columns` squares wide, 0 for the best;
    `prints` are those of each sort of unit, with how many there are."""

    sorts: tuple[UnitSort, ...]
    prints: tuple[tuple[tuple[Print, int], ...], ...]
    columns: int = 0

    def first(self) -> Hung:
        """An answer at once; raises `BadUnits`."""
        rows = best_rows(self.sorts, Watch(0), self.columns)
        return Hung(rows, spread_prints(rows, self.prints))

    def run(self) -> Iterator[Hung]:
        """The rows with the fewest plain squares; then the same with ever fewer troubles."""
        rows = best_rows(self.sorts, Watch(_SEARCHED), self.columns)
        hung = Hung(rows, spread_prints(rows, self.prints))
        yield hung
        for prints in _spread_further(hung, self.sorts):
            yield replace(hung, prints=prints)


def _spread_further(hung: Hung, sorts: Sequence[UnitSort]) -> Iterator[tuple[Print, ...]]:
    """The prints with fewer troubles, size after size."""
    shown = hung.prints
    if len(set(shown)) < 2:
        return
    wall = unit_wall(hung.rows, sorts, shown)
    places, turns = tuple(range(len(shown))), (0,) * len(shown)
    for _ in range(_ROUNDS):
        before = places
        for number in range(len(sorts)):
            pins = frozenset(n for n, unit in enumerate(hung.rows.laid) if unit.sort != number)
            question = ArrangeQuestion(wall, Arrangement(places, turns), pins=pins)
            places = tuple(n for n in mended(question).places if n is not None)
            yield tuple(shown[unit] for unit in places)
        if places == before:
            return


def unit_wall(rows: UnitRows, sorts: Sequence[UnitSort], shown: Sequence[Print]) -> UnitWall:
    """The wall of units that are laid so and show these prints."""
    boxes = tuple(
        (
            unit.column,
            unit.row,
            unit.column + sorts[unit.sort].columns,
            unit.row + sorts[unit.sort].rows,
        )
        for unit in rows.laid
    )
    prints = list(dict.fromkeys(shown))
    square = rectangle("unit", ANY, Fraction(0), Fraction(0), _SIDE, _SIDE)
    return UnitWall(
        BlockGrid(1, len(boxes)),
        (_SIDE, _SIDE),
        (square,),
        tuple(replace(seen(cloth), name=str(n)) for n, cloth in enumerate(prints)),
        tuple((prints.index(cloth),) for cloth in shown),
        boxes=boxes,
    )


def _gaps(one: Box, other: Box) -> tuple[int, int]:
    """How many squares lie between two units across and down; negative where they reach past."""
    return (
        max(one[0], other[0]) - min(one[2], other[2]),
        max(one[1], other[1]) - min(one[3], other[3]),
    )


def _way(one: Box, other: Box) -> Way | None:
    """How the second touches the first, to the right of it or below."""
    across, down = _gaps(one, other)
    if across == 0 and down < 0 and one[0] < other[0]:
        return Way.RIGHT
    if across < 0 and down == 0 and one[1] < other[1]:
        return Way.BELOW
    if across == 0 and down == 0 and one[1] < other[1]:
        return Way.BELOW_RIGHT if one[0] < other[0] else Way.BELOW_LEFT
    return None


def _far(unit: UnitLaid, cloth: Print, found: Sequence[tuple[UnitLaid, Print]]) -> int:
    """How far the nearest unit of the same print is, in squares across and down."""
    return min(
        (
            abs(unit.column - other.column) + abs(unit.row - other.row)
            for other, shown in found
            if shown.name == cloth.name
        ),
        default=_NOT_YET,
    )
