"""What is wanted, as rows: pieces of each need, and how prints may be shared out over the blocks.

The first column is the number of blocks. A need without a rule has one row: what is made of it is
at least what the blocks take. A need under a rule has a row for each print, and columns say how
many blocks take their part from that print. What is wanted once has a row that asks for so much;
a column lets it be missed, at a loss that no plan takes which can do otherwise.

Parts, free roles and clashes are those of a reading of the rules (`print_rules`). With b blocks,
x[p] parts drawn from print p and m[n, p] pieces made of need n from print p:

    free need      m[n]              >= count[n] b
    part           sum of x[p]       >= times b        enough parts in all
                   m[n, p]           >= count[n] x[p]  each print gives its own parts whole
    clash          sum over clashing columns of x[p] <= b   a print serves one of them a block
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from math import inf

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.patterns import Kind
from kersey.core.cutting.print_rules import FreeRole, Part, Reading
from kersey.core.cutting.problem import CuttingProblem

Floats = NDArray[np.float64]
# What it costs, in blocks, to miss a piece or an inch of what is wanted once.
_MISSED = 1000.0


@dataclass(frozen=True)
class Row:
    """At least this much of something."""

    least: float = 0.0


@dataclass
class Column:
    """A number to be chosen: what it gains, its entries by row, and the most it can be."""

    gain: float
    entries: dict[int, float] = field(default_factory=dict)
    most: float = inf


@dataclass(frozen=True)
class Layers:
    """So many `pieces` of fabric that are cut alike, as one piece stands for all of them.

    They are of so many `prints`, `each` of them in as many pieces; layers of one `group` are of the
    same prints, so that parts of one print may come from all of them.
    """

    pieces: int
    group: int
    prints: int
    each: int


@dataclass
class Parts:
    """Rows and columns of the programme beside fabric and patterns.

    With `layers`, fabric of each class stands for pieces that are cut alike: what is made of one is
    made of all of them. A plan in which a column of those `missed` is more than nothing is none.
    """

    problem: CuttingProblem
    prints: tuple[str, ...]
    rows: list[Row]
    columns: list[Column]
    _row_of: dict[tuple[int, int], int]
    layers: tuple[Layers, ...] = ()
    _counts: dict[int, float] = field(default_factory=dict)
    missed: list[int] = field(default_factory=list)

    def print_class(self, name: str) -> int:
        """The number of a print; all are alike when no rule asks for them."""
        return self.prints.index(name) if self.prints else 0

    def row_of(self, need: int, print_class: int) -> int:
        """The row that pieces of this need and print count for."""
        return self._row_of.get((need, print_class), self._row_of.get((need, -1), -1))

    def prices(self, wanted: Floats) -> Floats:
        """The price of each need by print class, from the prices of the rows."""
        classes = max(1, len(self.prints), len(self.layers))
        needs = range(len(self.problem.needs))
        return np.array(
            [[wanted[self.row_of(n, p)] * self.worth(n, p) for n in needs] for p in range(classes)]
        )

    def worth(self, need: int, print_class: int) -> float:
        """How much one piece of a need, cut from fabric of a class, counts in its row.

        In a row of its own prints it counts as often as each print has layers: whole parts are
        multiplied by the prints, not their pieces.
        """
        if not self.layers:
            return self._counts.get(need, 1.0)
        layers = self.layers[print_class]
        return float(layers.each if (need, print_class) in self._row_of else layers.pieces)

    def possible(self, kinds: Sequence[Kind]) -> bool:
        """Whether every need may be cut from something."""
        served = {need for kind in kinds for need in kind.serves}
        return len(served) == len(self.problem.needs)


# For a part, by print: no more of them can be cut from all the pieces of that print.
Caps = Mapping[int, Mapping[str, int]]


def parts_of(
    problem: CuttingProblem,
    rules: Reading,
    caps: Caps | None = None,
    layers: tuple[Layers, ...] = (),
) -> Parts:
    """The rows and columns of a problem whose rules are read so.

    With `layers` every group of them is taken for prints of its own.
    """
    caps = caps or {}
    ruled = {number for part in rules.parts for number, _ in part.needs}
    ruled |= {number for role in rules.free for number, _ in role.needs}
    named = map(str, range(len(layers))) if layers else (f.print for f in problem.fabrics)
    prints = tuple(dict.fromkeys(named)) if ruled else ()
    parts = Parts(problem, prints, [], [Column(1.0)], {}, layers)
    for number, need in enumerate(problem.needs):
        # Where no rule looks at prints one row for all of them will do: -1 stands for any.
        if number not in ruled and number not in problem.in_totals:
            parts._row_of[(number, -1)] = _row(parts)
            parts.columns[0].entries[parts._row_of[(number, -1)]] = -float(need.count)
    _want_once(parts)
    drawn = [_draw(parts, part, caps.get(n, {})) for n, part in enumerate(rules.parts)]
    served = [_serve(parts, role) for role in rules.free]
    for clash in rules.clashes:
        columns = [*(drawn[n] for n in clash.parts), *(served[n] for n in clash.free)]
        # Of one print no more may be drawn, for all that clash together, than there are blocks:
        # then the parts can be dealt so that no block takes two of them from it.
        for print_class in range(len(prints)):
            row = _row(parts)
            parts.columns[0].entries[row] = 1.0
            for by_print in columns:
                parts.columns[by_print[print_class]].entries[row] = -1.0
    return parts


def _want_once(parts: Parts) -> None:
    """A row for each total; `missed` are the columns that must be nothing in a plan."""
    for total in parts.problem.totals:
        row = _row(parts, float(total.least))
        for place, counts in total.counts:
            parts._row_of[(place, -1)] = row
            parts._counts[place] = float(counts)
        parts.missed.append(_column(parts, {row: 1.0}))
        parts.columns[-1].gain = -_MISSED


def _row(parts: Parts, least: float = 0.0) -> int:
    parts.rows.append(Row(least))
    return len(parts.rows) - 1


def _column(parts: Parts, entries: dict[int, float]) -> int:
    parts.columns.append(Column(0.0, entries))
    return len(parts.columns) - 1


def _draw(parts: Parts, part: Part, most: Mapping[str, int]) -> list[int]:
    """By print, the column of how many parts are drawn from it."""
    enough = _row(parts)
    parts.columns[0].entries[enough] = -float(part.times)
    columns: list[int] = []
    for print_class, name in enumerate(parts.prints):
        layers = parts.layers[print_class] if parts.layers else None
        first = None if layers is None else _first_of(parts.layers, layers.group)
        # The second stack of a sort is of the same prints: its pieces count in the first one's
        # rows, and one column says how many parts both give together.
        if first is not None and first < print_class:
            for number, _ in part.needs:
                parts._row_of[(number, print_class)] = parts._row_of[(number, first)]
            columns.append(columns[first])
            continue
        entries = {enough: 1.0 if layers is None else float(layers.prints)}
        for number, count in part.needs:
            parts._row_of[(number, print_class)] = _row(parts)
            entries[parts._row_of[(number, print_class)]] = -float(count)
        columns.append(_column(parts, entries))
        # What was found out before about this print alone keeps the relaxation from dreaming.
        parts.columns[-1].most = most.get(name, inf)
    return columns


def _first_of(layers: Sequence[Layers], group: int) -> int:
    return next(place for place, known in enumerate(layers) if known.group == group)


def _serve(parts: Parts, role: FreeRole) -> list[int]:
    """By print, the column of in how many blocks it may serve the role."""
    columns = [_column(parts, {}) for _ in parts.prints]
    for number, count in role.needs:
        enough = _row(parts)
        parts.columns[0].entries[enough] = -float(count)
        for print_class, blocks in enumerate(columns):
            parts._row_of[(number, print_class)] = _row(parts)
            # A piece that is used leaves its print's row, fills the need, and takes of the room
            # that the print has: as much as the blocks which it may serve ask for.
            room = _row(parts)
            _column(parts, {parts._row_of[(number, print_class)]: -1.0, enough: 1.0, room: -1.0})
            parts.columns[blocks].entries[room] = float(count)
    return columns
