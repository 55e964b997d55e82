"""A block of one's own, drawn on a grid: cells that are plain, pieced or joined to rectangles.

cell    a rectangle of whole grid squares; of one square unless some were joined
kind    plain; half-square; hourglass; one, two or four corners flipped over
turn    how often it is turned by a quarter, clockwise

How it is sewn is found by itself: a part is parted by every straight seam that cuts no cell, across
or down, and so on with what is left. Cells that lock into one another have no such seam.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum
from fractions import Fraction
from string import ascii_uppercase

from kersey.core.blocks.assembly import Assembly, Make, Patch, Size, piece, sewn
from kersey.core.blocks.flipped import FLIPPED
from kersey.core.blocks.half_squares import TWO, half_square_unit, hourglass_unit
from kersey.core.blocks.recipe import BadRecipe, rectangle, triangle
from kersey.core.blocks.technique import CUT
from kersey.core.errors import InvalidValue

FEWEST, MOST = 2, 9
LONGEST_NAME = 60
USUAL_SIDE = Fraction(12)
_SIDES = (("light", "dark"), ("dark", "light"))


class BadOwnBlock(InvalidValue):
    """A block of one's own that cannot be."""


class Kind(StrEnum):
    """What a cell shows."""

    PLAIN = "plain"
    HALF = "half-square"
    HOURGLASS = "hourglass"
    CORNER = "one corner"
    CORNERS = "two corners"
    ALL_CORNERS = "four corners"


# Which corners are flipped over, clockwise from the top left.
_FLIPPED = {Kind.CORNER: (0,), Kind.CORNERS: (0, 1), Kind.ALL_CORNERS: (0, 1, 2, 3)}
# So many turns look different.
_TURNS = {Kind.HALF: 4, Kind.HOURGLASS: 2, Kind.CORNER: 4, Kind.CORNERS: 4}


@dataclass(frozen=True)
class Cell:
    """A cell, by its first row and column from 0 and how many it reaches over.

    `roles`: what it is mainly of, and what its second half, or its corners, are of.
    """

    row: int
    column: int
    rows: int = 1
    columns: int = 1
    kind: Kind = Kind.PLAIN
    roles: tuple[str, str] = ("light", "dark")
    turn: int = 0

    def __post_init__(self) -> None:
        if min(self.rows, self.columns) < 1 or min(self.row, self.column) < 0:
            raise BadOwnBlock("A shape must cover at least one grid square.")
        if self.kind in (Kind.HALF, Kind.HOURGLASS) and self.rows != self.columns:
            raise BadOwnBlock(f"A {self.kind} shape must be square. Use as many rows as columns.")
        if not all(role and len(role) <= LONGEST_NAME for role in self.roles):
            raise BadOwnBlock("Choose a fabric for the shape, like light or dark.")

    @property
    def squares(self) -> Iterator[tuple[int, int]]:
        """The squares of the grid that it covers."""
        for row in range(self.row, self.row + self.rows):
            for column in range(self.column, self.column + self.columns):
                yield row, column

    def turned(self) -> "Cell":
        """The cell turned by a quarter, as far as that looks different."""
        return replace(self, turn=(self.turn + 1) % _TURNS.get(self.kind, 1))


@dataclass(frozen=True)
class OwnBlock:
    """The block: a grid of so many squares each way, all covered by cells, none twice."""

    name: str = "Own block"
    grid: int = 3
    cells: tuple[Cell, ...] = field(default_factory=lambda: _plain_cells(3))

    def __post_init__(self) -> None:
        if not FEWEST <= self.grid <= MOST:
            raise BadOwnBlock(
                f"A grid can have {FEWEST} to {MOST} squares per side, like 4.", "grid"
            )
        if not 1 <= len(self.name.strip()) <= LONGEST_NAME:
            raise BadOwnBlock(f"Give it a name of {LONGEST_NAME} characters or fewer.", "name")
        covered = sorted(square for cell in self.cells for square in cell.squares)
        every = [(row, column) for row in range(self.grid) for column in range(self.grid)]
        if covered != every:
            raise BadOwnBlock("The shapes must cover every grid square once.")

    def at(self, row: int, column: int) -> Cell:
        """The cell that covers a square."""
        for cell in self.cells:
            if (row, column) in cell.squares:
                return cell
        raise BadOwnBlock(f"There is no square in row {row + 1}, column {column + 1}.")

    def with_cell(self, new: Cell) -> "OwnBlock":
        """With another cell; what it covers only in part falls into plain squares."""
        gone = [cell for cell in self.cells if set(cell.squares) & set(new.squares)]
        freed = [
            replace(cell, row=row, column=column, rows=1, columns=1, kind=Kind.PLAIN, turn=0)
            for cell in gone
            for row, column in cell.squares
            if (row, column) not in set(new.squares)
        ]
        kept = [cell for cell in self.cells if cell not in gone]
        cells = sorted((*kept, *freed, new), key=lambda cell: (cell.row, cell.column))
        return replace(self, cells=tuple(cells))

    def joined(self, row: int, column: int, to_right: bool) -> "OwnBlock":
        """The cell there joined to its neighbour on the right, or below, as one plain rectangle."""
        cell = self.at(row, column)
        rows, columns = cell.rows + (not to_right), cell.columns + to_right
        if cell.row + rows > self.grid or cell.column + columns > self.grid:
            where = "to the right of" if to_right else "below"
            raise BadOwnBlock(f"There is nothing {where} it to merge with.")
        kind = cell.kind if cell.kind in (Kind.PLAIN, *_FLIPPED) else Kind.PLAIN
        return self.with_cell(replace(cell, rows=rows, columns=columns, kind=kind))

    def parted(self, row: int, column: int) -> "OwnBlock":
        """The cell there fallen into single squares."""
        cell = self.at(row, column)
        return self.with_cell(replace(cell, row=row, column=column, rows=1, columns=1))

    def with_grid(self, grid: int) -> "OwnBlock":
        """On another grid: what still fits stays where it is, the rest is plain."""
        new = replace(self, grid=grid, cells=_plain_cells(grid))
        for cell in self.cells:
            if cell.row + cell.rows <= grid and cell.column + cell.columns <= grid:
                new = new.with_cell(cell)
        return new

    def cell_makes(self, finished: Size, seam: Fraction) -> list[Make]:
        """What every cell is, however it may be sewn to the others."""
        sewing = _Sewing(self, (finished[0] / self.grid, finished[1] / self.grid), seam)
        return [sewing.part([cell]) for cell in self.cells]

    def assembly(self, finished: Size, seam: Fraction) -> Assembly:
        """The block at a finished size; raises `BadRecipe` where no straight seam parts it."""
        sewing = _Sewing(self, (finished[0] / self.grid, finished[1] / self.grid), seam)
        block = sewing.part(list(self.cells))
        return Assembly(replace(block, name="block"), finished)


def _plain_cells(grid: int) -> tuple[Cell, ...]:
    """Light and dark squares in turn."""
    return tuple(
        Cell(row, column, roles=_SIDES[(row + column) % 2])
        for row in range(grid)
        for column in range(grid)
    )


class _Sewing:
    """Finds how the cells are sewn together."""

    def __init__(self, block: OwnBlock, unit: Size, seam: Fraction) -> None:
        self._block, self._unit, self._seam = block, unit, seam
        self._labels: dict[tuple[object, ...], str] = {}
        self._names: dict[tuple[object, ...], str] = {}
        self._units_of: dict[str, int] = {}

    def part(self, cells: Sequence[Cell], whole: bool = True) -> Make:
        """What these cells become: parted along every straight seam across, or down."""
        if len(cells) == 1:
            return self._cell(cells[0])
        across = _groups(cells, lambda cell: (cell.row, cell.row + cell.rows))
        down = _groups(cells, lambda cell: (cell.column, cell.column + cell.columns))
        groups = across if len(across) >= len(down) else down
        if len(groups) == 1:
            raise BadRecipe(
                "block.own",
                f"parted by straight seams: {_locked(cells)}",
                f"There is no straight seam: {_locked(cells)}",
            )
        parts = [self.part(group, whole=False) for group in groups]
        made = sewn("part", self._seam, *parts)
        if whole:
            return replace(made, name="block")
        key = made.of, made.size
        name = self._names.setdefault(key, f"part {len(self._names) + 1}")
        return replace(made, name=name)

    def _cell(self, cell: Cell) -> Make:
        left, top = cell.column * self._unit[0], cell.row * self._unit[1]
        wide, high = cell.columns * self._unit[0], cell.rows * self._unit[1]
        corners = ((left, top), (left + wide, top), (left + wide, top + high), (left, top + high))
        if cell.kind in (Kind.HALF, Kind.HOURGLASS) and wide != high:
            raise BadRecipe("block.finished", f"square: it has {cell.kind} cells.")
        if cell.kind is Kind.HALF:
            return self._half(cell, corners, wide)
        if cell.kind is Kind.HOURGLASS:
            return self._hourglass(cell, corners, wide)
        if cell.kind in _FLIPPED:
            return self._flipped(cell, corners, (wide, high))
        label = self._label("plain", cell.roles[0], wide, high)
        return piece(rectangle(label, cell.roles[0], left, top, wide, high), self._seam)

    def _half(self, cell: Cell, corners: Sequence[Size], side: Fraction) -> Make:
        """The first side lies at the corner that it is turned to."""
        turned = [corners[(n + cell.turn) % 4] for n in range(4)]
        first, second = cell.roles
        label = self._label("half", first, second, side)
        number = self._unit_number(f"{label} {first}")
        shows = (
            replace(triangle(label, first, turned[3], turned[0], turned[1]), piece=number // 2),
            replace(triangle(label, second, turned[1], turned[2], turned[3]), piece=number // 2),
        )
        return half_square_unit(f"half-square {label}", TWO, side, self._seam, shows)

    def _hourglass(self, cell: Cell, corners: Sequence[Size], side: Fraction) -> Make:
        middle = ((corners[0][0] + corners[2][0]) / 2, (corners[0][1] + corners[2][1]) / 2)
        label = self._label("hourglass", *cell.roles, side)
        number = self._unit_number(label) // 2
        top, right, bottom, left = (
            Patch(
                label,
                cell.roles[(n + cell.turn) % 2],
                (corners[n], corners[(n + 1) % 4], middle),
                number,
            )
            for n in range(4)
        )
        shows = (top, right, bottom, left)
        return hourglass_unit(f"hourglass {label}", side, self._seam, shows)

    def _flipped(self, cell: Cell, corners: Sequence[Size], size: Size) -> Make:
        """A rectangle with corners of half its shorter side, or, along a long side, all of it."""
        flipped = sorted((n + cell.turn) % 4 for n in _FLIPPED[cell.kind])
        leg = _leg(size, flipped)
        label = self._label("corners", cell.roles[0], *size)
        flip = self._label("flip", cell.roles[1], leg)
        outline: list[Size] = []
        flips = []
        for n, corner in enumerate(corners):
            if n not in flipped:
                outline.append(corner)
                continue
            before, after = (_towards(corner, corners[(n + step) % 4], leg) for step in (3, 1))
            outline += [before, after]
            patch = triangle(flip, cell.roles[1], corner, after, before)
            square = leg + 2 * self._seam
            flips.append(Make(flip, CUT, (square, square), role=cell.roles[1], patches=(patch,)))
        base_size = size[0] + 2 * self._seam, size[1] + 2 * self._seam
        shows = Patch(label, cell.roles[0], tuple(dict.fromkeys(outline)))
        base = Make(label, CUT, base_size, role=cell.roles[0], patches=(shows,))
        name = f"{label} with {len(flips)} corners" if len(flips) > 1 else f"{label} with a corner"
        return sewn(name, self._seam, base, *flips, how=FLIPPED)

    def _label(self, *facts: object) -> str:
        """A letter for each sort of piece."""
        if facts not in self._labels:
            number = len(self._labels)
            again = number // len(ascii_uppercase)
            letter = ascii_uppercase[number % len(ascii_uppercase)]
            self._labels[facts] = f"{letter}{again}" if again else letter
        return self._labels[facts]

    def _unit_number(self, name: str) -> int:
        """How many such units came before: two come of one pair of squares."""
        number = self._units_of.get(name, 0)
        self._units_of[name] = number + 1
        return number


def _leg(size: Size, flipped: Sequence[int]) -> Fraction:
    """How far a corner reaches along both sides."""
    shorter = min(size)
    if size[0] == size[1] or len(flipped) > 2:
        return shorter / 2
    # Two corners at the ends of a short side would meet beyond its middle.
    ends = {(0, 3), (1, 2)} if size[0] > size[1] else {(0, 1), (2, 3)}
    return shorter / 2 if tuple(flipped) in ends else shorter


def _towards(start: Size, end: Size, far: Fraction) -> Size:
    def step(one: Fraction, other: Fraction) -> Fraction:
        return one + (far if other > one else -far if other < one else 0)

    return step(start[0], end[0]), step(start[1], end[1])


def _groups(cells: Iterable[Cell], span: Callable[[Cell], tuple[int, int]]) -> list[list[Cell]]:
    """The cells in groups between which a straight seam passes."""
    groups: list[list[Cell]] = []
    end = -1
    for cell in sorted(cells, key=lambda cell: (*span(cell), cell.row, cell.column)):
        start, stop = span(cell)
        if groups and start < end:
            groups[-1].append(cell)
        else:
            groups.append([cell])
        end = max(end, stop)
    return groups


def _locked(cells: Sequence[Cell]) -> str:
    """Where cells lock into one another, and what to do."""
    rows = min(c.row for c in cells) + 1, max(c.row + c.rows for c in cells)
    columns = min(c.column for c in cells) + 1, max(c.column + c.columns for c in cells)
    return (
        f"in rows {rows[0]} to {rows[1]}, columns {columns[0]} to {columns[1]} the pieces "
        "interlock, so no straight seam works. Split one piece, or merge two."
    )
