"""What is wanted, as rows: pieces of each need, and how prints may be shared out over the blocks.

The first column is the number of blocks. A need without a rule has one row: what is made of it is
at least what the blocks take. A need under a rule has a row for each print, and columns say how
many blocks take their part from that print.

Parts, free roles and clashes are those of a reading of the rules (`print_rules`).
"""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.patterns import Kind
from kersey.core.cutting.print_rules import FreeRole, Part, Reading
from kersey.core.cutting.problem import CuttingProblem

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Row:
    """At least this much of something."""

    least: float = 0.0


@dataclass
class Column:
    """A number to be chosen: what it gains, and its entries by row."""

    gain: float
    entries: dict[int, float] = field(default_factory=dict)


@dataclass
class Parts:
    """Rows and columns of the programme beside fabric and patterns."""

    problem: CuttingProblem
    prints: tuple[str, ...]
    rows: list[Row]
    columns: list[Column]
    _row_of: dict[tuple[int, int], int]

    def print_class(self, name: str) -> int:
        """The number of a print; all are alike when no rule asks for them."""
        return self.prints.index(name) if self.prints else 0

    def row_of(self, need: int, print_class: int) -> int:
        """The row that pieces of this need and print count for."""
        return self._row_of.get((need, print_class), self._row_of.get((need, -1), -1))

    def prices(self, wanted: Floats) -> Floats:
        """The price of each need by print class, from the prices of the rows."""
        classes = max(1, len(self.prints))
        needs = len(self.problem.needs)
        return np.array([[wanted[self.row_of(n, p)] for n in range(needs)] for p in range(classes)])

    def possible(self, kinds: Sequence[Kind]) -> bool:
        """Whether every need may be cut from something."""
        served = {need for kind in kinds for need in kind.serves}
        return len(served) == len(self.problem.needs)


def parts_of(problem: CuttingProblem, rules: Reading) -> Parts:
    """The rows and columns of a problem whose rules are read so."""
    ruled = {number for part in rules.parts for number, _ in part.needs}
    ruled |= {number for role in rules.free for number, _ in role.needs}
    prints = tuple(dict.fromkeys(fabric.print for fabric in problem.fabrics)) if ruled else ()
    parts = Parts(problem, prints, [], [Column(1.0)], {})
    for number, need in enumerate(problem.needs):
        if number not in ruled:
            parts._row_of[(number, -1)] = _row(parts)
            parts.columns[0].entries[parts._row_of[(number, -1)]] = -float(need.count)
    drawn = [_draw(parts, part) for part in rules.parts]
    served = [_serve(parts, role) for role in rules.free]
    for clash in rules.clashes:
        columns = [*(drawn[n] for n in clash.parts), *(served[n] for n in clash.free)]
        for print_class in range(len(prints)):
            row = _row(parts)
            parts.columns[0].entries[row] = 1.0
            for by_print in columns:
                parts.columns[by_print[print_class]].entries[row] = -1.0
    return parts


def _row(parts: Parts) -> int:
    parts.rows.append(Row())
    return len(parts.rows) - 1


def _column(parts: Parts, entries: dict[int, float]) -> int:
    parts.columns.append(Column(0.0, entries))
    return len(parts.columns) - 1


def _draw(parts: Parts, part: Part) -> list[int]:
    """By print, the column of how many parts are drawn from it."""
    enough = _row(parts)
    parts.columns[0].entries[enough] = -float(part.times)
    columns = []
    for print_class in range(len(parts.prints)):
        entries = {enough: 1.0}
        for number, count in part.needs:
            parts._row_of[(number, print_class)] = _row(parts)
            entries[parts._row_of[(number, print_class)]] = -float(count)
        columns.append(_column(parts, entries))
    return columns


def _serve(parts: Parts, role: FreeRole) -> list[int]:
    """By print, the column of in how many blocks it may serve the role."""
    columns = [_column(parts, {}) for _ in parts.prints]
    for number, count in role.needs:
        enough = _row(parts)
        parts.columns[0].entries[enough] = -float(count)
        for print_class, blocks in enumerate(columns):
            parts._row_of[(number, print_class)] = _row(parts)
            room = _row(parts)
            _column(parts, {parts._row_of[(number, print_class)]: -1.0, enough: 1.0, room: -1.0})
            parts.columns[blocks].entries[room] = float(count)
    return columns
