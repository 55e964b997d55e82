"""Which unit of a drawer lies where: those of one print far from one another.

Place after place takes, of the units of its size that are left, the one whose like lies furthest
away; of equals that of which most are left.
"""

from collections.abc import Sequence

from kersey.core.cloth.fabric import Print
from kersey.core.cutting.unit_rows import UnitLaid, UnitRows

# A print that does not lie there yet is further away than any that does.
_NOT_YET = 10_000


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


def _far(unit: UnitLaid, cloth: Print, found: Sequence[tuple[UnitLaid, Print]]) -> int:
    """How far the nearest unit of the same print is, in squares across and down."""
    return min(
        (abs(unit.column - other.column) + abs(unit.row - other.row)
         for other, shown in found if shown.name == cloth.name),
        default=_NOT_YET,
    )  # fmt: skip
