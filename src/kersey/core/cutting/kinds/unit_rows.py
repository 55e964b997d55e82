"""Finished units of several sizes packed in rows on a grid, with the fewest plain squares.

row       as high as its tallest unit; beside one another in it stand columns
column    units one above the other, as wide as its widest; no higher than the row
plain     what no unit covers: rows x columns - the area of the units

So all is sewn with straight seams: units to columns, columns to a row, rows to the quilt. For a
width of the quilt the fewest rows of squares are found by an integer programme: of each height so
many rows, parted into columns of such widths (`z`), and so many columns stacked so (`x`):

    columns of a width stacked  <=  columns of that width in rows of the height
    every unit is in some column; the heights of all rows together are least

Both kinds of ways are all written down, so within this form of quilt the answer is exact; where
they are too many units are laid one by one, and nothing is said to be proved. Source: docs/trade.md
section 5: blocks need not be all alike.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import islice
from math import ceil, isqrt

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.watch import Watch
from kersey.core.errors import InvalidValue

# Ways of stacking or parting that are written down at most.
_MOST_WAYS = 1500
MOST_UNITS, WIDEST = 400, 60
# Longer and narrower than this is no quilt.
_NARROWEST = 1.6
# A width is looked at for so many seconds at most.
_A_WIDTH = 0.6


class BadUnits(InvalidValue):
    """Units that are none, or too many."""


@dataclass(frozen=True)
class UnitSort:
    """So many units alike, in squares of the grid across and down."""

    columns: int
    rows: int
    count: int

    def __post_init__(self) -> None:
        if not (1 <= self.columns <= WIDEST and 1 <= self.rows <= WIDEST and self.count >= 1):
            raise BadUnits("A unit can be 1 to 60 grid squares each way.")


@dataclass(frozen=True)
class UnitLaid:
    """A unit of a sort, by its place, at a column and row of the grid."""

    sort: int
    column: int
    row: int


@dataclass(frozen=True)
class UnitRows:
    """All units laid on a grid of so many columns and rows; no fewer than `least` rows hold them at
    this width. `heights` are those of the rows of units, from the top."""

    columns: int
    rows: int
    laid: tuple[UnitLaid, ...]
    heights: tuple[int, ...]
    least: int
    covered: int

    @property
    def plain(self) -> int:
        """Squares of the grid without a unit."""
        return self.columns * self.rows - self.covered

    @property
    def proved(self) -> bool:
        """Whether no packing in rows at this width has fewer plain squares."""
        return self.rows == self.least


def best_rows(sorts: Sequence[UnitSort], watch: Watch, columns: int = 0) -> UnitRows:
    """All units with the fewest plain squares: at a width, or at the best one for a quilt.

    Raises `BadUnits`, also where a unit is wider than the quilt is to be.
    """
    _check(sorts, columns)
    if columns:
        return pack_rows(sorts, columns, watch)
    found = {wide: _simply(sorts, wide) for wide in _widths(sorts)}
    stacks = (_all_stacks(sorts) if watch.left > 0 else None) or _Stacks()
    # The widths at which fewest plain squares may be had are looked at first.
    promising = sorted(found, key=lambda wide: (wide * found[wide].least, _ratio(found[wide])))
    for wide in promising if stacks else ():
        if watch.left <= 0:
            break
        if not found[wide].proved and _may_be_best(found[wide], _best(found.values())):
            of_it = Watch(min(_A_WIDTH, watch.left))
            found[wide] = _searched(sorts, found[wide], stacks, of_it)
            watch.spend(of_it.spent)
    return _best(found.values())


def _may_be_best(rows: UnitRows, best: UnitRows) -> bool:
    """Whether a width may still have fewer plain squares than the best one known."""
    return rows.columns * rows.least - rows.covered < best.plain


def _best(found: Iterable[UnitRows]) -> UnitRows:
    """The fewest plain squares in a good shape."""
    every = list(found)
    good = [each for each in every if _ratio(each) <= _NARROWEST]
    return min(good or every, key=lambda each: (each.plain, _ratio(each), each.columns))


def pack_rows(sorts: Sequence[UnitSort], columns: int, watch: Watch) -> UnitRows:
    """All units in rows so wide, of the fewest squares down that are found in time."""
    _check(sorts, columns)
    simple = _simply(sorts, columns)
    stacks = _all_stacks(sorts) if watch.left > 0 and not simple.proved else None
    return simple if stacks is None else _searched(sorts, simple, stacks, watch)


def _simply(sorts: Sequence[UnitSort], columns: int) -> UnitRows:
    """Units laid one by one; no quilt is lower than their area, or than the tallest."""
    area = sum(s.columns * s.rows * s.count for s in sorts)
    least = max(ceil(area / columns), *(s.rows for s in sorts))
    return _as_rows(sorts, columns, _one_by_one(sorts, columns), least)


# By the height of a row, every way to stack units in it.
_Stacks = dict[int, list[tuple[int, tuple[int, ...]]]]


def _all_stacks(sorts: Sequence[UnitSort]) -> _Stacks | None:
    """Every way to stack, whatever the width of the quilt; None where there are too many."""
    found = _Stacks()
    for high in sorted({s.rows for s in sorts}):
        found[high] = list(islice(_stacks(sorts, high), _MOST_WAYS + 1))
        if len(found[high]) > _MOST_WAYS:
            return None
    return found


def _searched(
    sorts: Sequence[UnitSort], simple: UnitRows, stacks: _Stacks, watch: Watch
) -> UnitRows:
    """The same width by the programme; as before where that finds nothing better in time."""
    columns, widths = simple.columns, sorted({s.columns for s in sorts}, reverse=True)
    partings = list(islice(_partings(widths, columns), _MOST_WAYS + 1))
    if len(partings) > _MOST_WAYS:
        return simple
    rows, least = _programme(sorts, stacks, partings, watch)
    least = max(least, simple.least)
    found = _as_rows(sorts, columns, rows, least) if rows else simple
    best = min(simple, found, key=lambda each: each.rows)
    return replace(best, least=min(least, best.rows))


# A row: its height and its columns, each the sorts of its units from the top.
_Row = tuple[int, list[tuple[int, ...]]]


def _check(sorts: Sequence[UnitSort], columns: int) -> None:
    if not sorts or sum(s.count for s in sorts) > MOST_UNITS:
        raise BadUnits(f"Kersey can lay out 1 to {MOST_UNITS} units.")
    if columns and max(s.columns for s in sorts) > columns:
        raise BadUnits("One unit is wider than the quilt. Use more squares across.", "columns")


def _widths(sorts: Sequence[UnitSort]) -> list[int]:
    """Widths of a quilt that could hold them: near a square, and half as wide as long or more."""
    area, widest = sum(s.columns * s.rows * s.count for s in sorts), max(s.columns for s in sorts)
    low, high = isqrt(int(area / _NARROWEST)), isqrt(int(area * 1.2)) + 1
    return list(range(max(widest, low), max(widest, high) + 1))


def _ratio(rows: UnitRows) -> float:
    return max(rows.columns, rows.rows) / min(rows.columns, rows.rows)


def _one_by_one(sorts: Sequence[UnitSort], columns: int) -> list[_Row]:
    """The tallest units first, side by side; lower ones stacked where they fit below."""
    order = sorted(range(len(sorts)), key=lambda n: (-sorts[n].rows, -sorts[n].columns))
    left = [s.count for s in sorts]
    rows: list[_Row] = []
    while any(left):
        high = next(sorts[n].rows for n in order if left[n])
        room, stacks = columns, list[tuple[int, ...]]()
        while True:
            first = next(
                (
                    n
                    for n in order
                    if left[n] and sorts[n].columns <= room and sorts[n].rows <= high
                ),
                None,
            )
            if first is None:
                break
            stack, rest = list[int](), high
            for n in (first, *order):
                while (
                    left[n] and sorts[n].columns <= sorts[first].columns and (sorts[n].rows <= rest)
                ):
                    stack.append(n)
                    left[n] -= 1
                    rest -= sorts[n].rows
            stacks.append(tuple(stack))
            room -= sorts[first].columns
        rows.append((high, stacks))
    return rows


def _stacks(sorts: Sequence[UnitSort], high: int) -> Iterator[tuple[int, tuple[int, ...]]]:
    """Every full way to stack units no higher than a row: the width of the column, and how many of
    each sort; no stack with room for one more of what is as narrow as it."""
    counts = [0] * len(sorts)

    def stacked(place: int, rest: int) -> Iterator[tuple[int, tuple[int, ...]]]:
        if place == len(sorts):
            if any(counts):
                wide = max(sorts[n].columns for n, many in enumerate(counts) if many)
                full = all(
                    s.rows > rest or s.columns > wide or counts[n] >= s.count
                    for n, s in enumerate(sorts)
                )
                if full:
                    yield wide, tuple(counts)
            return
        most = min(sorts[place].count, rest // sorts[place].rows)
        for many in range(most, -1, -1):
            counts[place] = many
            yield from stacked(place + 1, rest - many * sorts[place].rows)
        counts[place] = 0

    yield from stacked(0, high)


def _partings(widths: Sequence[int], columns: int) -> Iterator[tuple[int, ...]]:
    """Every full way to part a row into columns of these widths: how many of each."""
    counts = [0] * len(widths)

    def parted(place: int, room: int) -> Iterator[tuple[int, ...]]:
        if place == len(widths):
            if room < widths[-1]:
                yield tuple(counts)
            return
        for many in range(room // widths[place], -1, -1):
            counts[place] = many
            yield from parted(place + 1, room - many * widths[place])
        counts[place] = 0

    yield from parted(0, columns)


def _programme(
    sorts: Sequence[UnitSort], stacks: _Stacks, partings: Sequence[tuple[int, ...]], watch: Watch
) -> tuple[list[_Row], int]:
    """The rows of the integer programme, and the least height that any have; no rows where it finds
    none in time."""
    widths = sorted({s.columns for s in sorts}, reverse=True)
    model = WholeNumbers()
    x = {(high, n): model.number() for high, ways in stacks.items() for n in range(len(ways))}
    z = {(high, n): model.number(gain=-high) for high in stacks for n in range(len(partings))}
    for high, ways in stacks.items():
        for place, wide in enumerate(widths):
            stacked = [(x[high, n], 1.0) for n, (w, _) in enumerate(ways) if w == wide]
            there = [(z[high, n], -float(p[place])) for n, p in enumerate(partings) if p[place]]
            if stacked:
                model.between(-_FAR, 0.0, [*stacked, *there])
    for sort, each in enumerate(sorts):
        of_it = [
            (x[high, n], float(counts[sort]))
            for high, ways in stacks.items()
            for n, (_, counts) in enumerate(ways)
            if counts[sort]
        ]
        model.between(each.count, _FAR, of_it)
    found, bound = model.solve(watch)
    if not any(found):
        return [], 0
    rows = list(_rows_of(sorts, widths, stacks, partings, x, z, found))
    return rows, -bound


_FAR = 1e9


def _rows_of(
    sorts: Sequence[UnitSort],
    widths: Sequence[int],
    stacks: _Stacks,
    partings: Sequence[tuple[int, ...]],
    x: dict[tuple[int, int], int],
    z: dict[tuple[int, int], int],
    found: Sequence[int],
) -> Iterator[_Row]:
    """The rows that the numbers say; what is stacked once too often stays plain."""
    left = [s.count for s in sorts]
    for high in sorted(stacks, reverse=True):
        waiting: dict[int, list[tuple[int, ...]]] = {wide: [] for wide in widths}
        for n, (wide, counts) in enumerate(stacks[high]):
            waiting[wide] += [counts] * found[x[high, n]]
        for n, parting in enumerate(partings):
            for _ in range(found[z[high, n]]):
                row = list[tuple[int, ...]]()
                for place, wide in enumerate(widths):
                    for _ in range(min(parting[place], len(waiting[wide]))):
                        stack = _taken(waiting[wide].pop(), left)
                        row += [stack] if stack else []
                if row:
                    yield high, row


def _taken(counts: Sequence[int], left: list[int]) -> tuple[int, ...]:
    """The units of a stack, as far as any are left."""
    stack = list[int]()
    for sort, many in enumerate(counts):
        there = min(many, left[sort])
        left[sort] -= there
        stack += [sort] * there
    return tuple(stack)


def _in_turn(rows: Sequence[_Row]) -> Iterator[_Row]:
    """High rows and low ones in turn, so that the small units do not all lie at one end."""
    waiting = sorted(rows, key=lambda row: -row[0])
    while waiting:
        yield waiting.pop(0)
        if waiting:
            yield waiting.pop()


def _as_rows(sorts: Sequence[UnitSort], columns: int, rows: Sequence[_Row], least: int) -> UnitRows:
    laid, top, heights = list[UnitLaid](), 0, list[int]()
    for _, stacks in _in_turn(rows):
        column = 0
        # A row whose tallest unit went into another one is only as high as what stands in it.
        high = max(sum(sorts[n].rows for n in stack) for stack in stacks)
        for stack in stacks:
            down = top
            for sort in stack:
                laid.append(UnitLaid(sort, column, down))
                down += sorts[sort].rows
            column += max(sorts[n].columns for n in stack)
        top += high
        heights.append(high)
    area = sum(s.columns * s.rows * s.count for s in sorts)
    return UnitRows(columns, top, tuple(laid), tuple(heights), min(least, top), area)
