"""Plain cloth between units, made to measure: one piece where several plain squares would lie.

A region is parted by straight lines along the edges of its units, upright or level, as it is sewn:

    no unit in it     one plain piece
    one unit, no more it is full
    else              parted at every line that crosses no unit, and each part again

Source: docs/trade.md section 5.
"""

from collections import Counter
from collections.abc import Sequence
from itertools import pairwise

from kersey.core.cutting.kinds.unit_rows import UnitRows, UnitSort

# Left, top, right and bottom, in squares of the grid.
Box = tuple[int, int, int, int]


def plain_fillers(rows: UnitRows, sorts: Sequence[UnitSort]) -> dict[tuple[int, int], int]:
    """The plain pieces of rows of units, in squares across and down, the largest first; each with
    how many there are.

    >>> from kersey.core.cutting.kinds.unit_rows import UnitLaid
    >>> laid = (UnitLaid(0, 0, 0), UnitLaid(1, 2, 0))
    >>> plain_fillers(UnitRows(4, 2, laid, (2,), 2, 5), [UnitSort(2, 2, 1), UnitSort(1, 1, 1)])
    {(1, 2): 1, (1, 1): 1}
    """
    boxes = [
        (
            unit.column,
            unit.row,
            unit.column + sorts[unit.sort].columns,
            unit.row + sorts[unit.sort].rows,
        )
        for unit in rows.laid
    ]
    found = Counter[tuple[int, int]]()
    top = 0
    for height in rows.heights:
        band = (0, top, rows.columns, top + height)
        _part(band, [box for box in boxes if top <= box[1] < top + height], found)
        top += height
    order = sorted(found, key=lambda size: (-size[0] * size[1], size))
    return {size: found[size] for size in order}


def _part(region: Box, boxes: Sequence[Box], found: Counter[tuple[int, int]]) -> None:
    """Count the plain pieces of a region."""
    if not boxes:
        found[region[2] - region[0], region[3] - region[1]] += 1
        return
    for axis in (0, 1):
        lines = _lines(region, boxes, axis)
        if lines:
            for part in _parts(region, lines, axis):
                _part(part, [box for box in boxes if _within(box, part)], found)
            return
    # One unit that fills it; or units that no straight line parts, and nothing plain is said.


def _lines(region: Box, boxes: Sequence[Box], axis: int) -> list[int]:
    """Lines along edges of units that cross none and lie within the region."""
    edges = {edge for box in boxes for edge in (box[axis], box[axis + 2])}
    return sorted(
        edge
        for edge in edges
        if region[axis] < edge < region[axis + 2]
        and not any(box[axis] < edge < box[axis + 2] for box in boxes)
    )


def _parts(region: Box, lines: Sequence[int], axis: int) -> list[Box]:
    ends = [region[axis], *lines, region[axis + 2]]
    parts = []
    for begin, end in pairwise(ends):
        part = list(region)
        part[axis], part[axis + 2] = begin, end
        parts.append((part[0], part[1], part[2], part[3]))
    return parts


def _within(box: Box, part: Box) -> bool:
    return part[0] <= box[0] and box[2] <= part[2] and part[1] <= box[1] and box[3] <= part[3]
