"""What is wanted, as rows: pieces of each need, and how prints may be shared out over the blocks.

The first column is the number of blocks. A need without a rule has one row: what is made of it is
at least what the blocks take. A need under a rule has a row for each print, and columns say how
many blocks take their part from that print.

part    what must come from one print in a block: the pieces of a "same" rule together, else one
        piece
"""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from kersey.core.cutting.patterns import Kind
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


def parts_of(problem: CuttingProblem) -> Parts:
    """The rows and columns of a problem."""
    ruled = {role for rule in problem.rules for role in rule.roles}
    needs = problem.needs
    prints = tuple(dict.fromkeys(fabric.print for fabric in problem.fabrics)) if ruled else ()
    parts = Parts(problem, prints, [], [Column(1.0)], {})
    for number, need in enumerate(needs):
        if need.role not in ruled:
            parts._row_of[(number, -1)] = _row(parts)
            parts.columns[0].entries[parts._row_of[(number, -1)]] = -float(need.count)
    drawn = _draw_columns(parts, ruled)
    for group in _different(problem):
        for print_class in range(len(prints)):
            row = _row(parts)
            parts.columns[0].entries[row] = 1.0
            for roles, columns in drawn:
                if roles & group:
                    parts.columns[columns[print_class]].entries[row] = -1.0
    return parts


def _row(parts: Parts) -> int:
    parts.rows.append(Row())
    return len(parts.rows) - 1


def _draw_columns(parts: Parts, ruled: set[str]) -> list[tuple[set[str], list[int]]]:
    """For each part, by print, how many blocks draw it from there: (its roles, its columns)."""
    found = []
    for roles, numbers, times in _parts(parts.problem, ruled):
        enough = _row(parts)
        parts.columns[0].entries[enough] = -float(times)
        columns = []
        for print_class in range(len(parts.prints)):
            column = Column(0.0, {enough: 1.0})
            for number, count in numbers:
                row = parts._row_of.setdefault((number, print_class), len(parts.rows))
                if row == len(parts.rows):
                    parts.rows.append(Row())
                column.entries[row] = -float(count)
            parts.columns.append(column)
            columns.append(len(parts.columns) - 1)
        found.append((roles, columns))
    return found


def _parts(
    problem: CuttingProblem, ruled: set[str]
) -> list[tuple[set[str], list[tuple[int, int]], int]]:
    """(roles, needs with their count in a part, parts a block)."""
    found = []
    grouped: set[str] = set()
    for roles in _same(problem):
        numbers = [(n, need.count) for n, need in enumerate(problem.needs) if need.role in roles]
        if numbers:
            found.append((roles, numbers, 1))
        grouped |= roles
    for number, need in enumerate(problem.needs):
        if need.role in ruled and need.role not in grouped:
            found.append(({need.role}, [(number, 1)], need.count))
    return found


def _same(problem: CuttingProblem) -> list[set[str]]:
    """Roles that come from one print, taken together where rules share one.

    Where several roles must differ and one of them has more pieces than one, those are taken from
    one print as well: a plan is then sure to be right, though a better one might mix them.
    """
    together = [{*rule.roles} for rule in problem.rules if rule.same]
    for rule in problem.rules:
        if not rule.same and len(rule.roles) > 1:
            together.extend({role} for role in rule.roles)
    return _merged(together)


def _different(problem: CuttingProblem) -> list[set[str]]:
    """Roles whose parts must differ, taken together where rules share one."""
    return _merged([{*rule.roles} for rule in problem.rules if not rule.same])


def _merged(groups: Sequence[set[str]]) -> list[set[str]]:
    merged: list[set[str]] = []
    for group in groups:
        touching = [other for other in merged if other & group]
        merged = [other for other in merged if other not in touching]
        merged.append(group.union(*touching))
    return merged
