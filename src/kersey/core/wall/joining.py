"""The order in which blocks are joined: what is sewn to what, step by step, until it is one piece.

    rows      each row, then row to row
    fours     four blocks that meet, then fours to fours in bands, then band to band
    columns   two columns at a time, block to block across; then pair of columns to pair

On point the rows run aslant. A step that is done is known by the grid and its number, so it stays
done whichever block lies where.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.project.laying import Joining

Places = tuple[int, ...]


@dataclass(frozen=True)
class Join:
    """One step: these places become one piece, and what it is called."""

    key: str
    name: str
    places: Places


def joins(grid: BlockGrid, joining: Joining) -> tuple[Join, ...]:
    """Every step, in the order of sewing; the last one holds every place.

    >>> [join.name for join in joins(BlockGrid(2, 3), Joining.ROWS)]
    ['row 1', 'row 2', 'rows 1 and 2']
    """
    found: dict[Places, str] = {}
    for name, places in _STEPS[joining](grid):
        # A single block, or what is one piece already, is no step.
        if len(places) > 1:
            found.setdefault(tuple(sorted(places)), name)
    stem = f"join-{joining.name.lower()}-{grid.rows}x{grid.columns}-{grid.setting.value}"
    return tuple(
        Join(f"{stem}-{n}", name, places) for n, (places, name) in enumerate(found.items())
    )


def pieces(steps: Iterable[Join], done: Iterable[str]) -> tuple[Places, ...]:
    """The largest pieces that are sewn, by the steps that are done."""
    sewn = set(done)
    there = [set(step.places) for step in steps if step.key in sewn]
    return tuple(
        tuple(sorted(places)) for places in there if not any(places < other for other in there)
    )


def may_be_done(steps: Sequence[Join], done: Iterable[str]) -> tuple[Join, ...]:
    """The steps that can be sewn now: what they join is sewn, as far as steps are for that."""
    sewn = set(done)
    return tuple(
        step
        for step in steps
        if step.key not in sewn
        and all(
            other.key in sewn
            for other in steps
            if other is not step and set(other.places) < set(step.places)
        )
    )


def _lines(grid: BlockGrid, axis: int) -> list[Places]:
    """The places of every row (axis 0) or column; on point these run aslant."""
    on_point = grid.setting is Setting.ON_POINT
    found: dict[int, list[int]] = {}
    for place, seat in enumerate(grid.seats):
        lies = grid.turning(seat) if on_point else seat
        found.setdefault(lies[axis], []).append(place)
    return [tuple(found[line]) for line in sorted(found)]


def _rows(grid: BlockGrid) -> Iterator[tuple[str, Places]]:
    rows = _lines(grid, 0)
    for number, row in enumerate(rows, 1):
        yield f"row {number}", row
    yield from _one_to_another("row", rows)


def _one_to_another(name: str, parts: Sequence[Places]) -> Iterator[tuple[str, Places]]:
    """Part after part sewn to those before it."""
    so_far: Places = parts[0] if parts else ()
    for number, part in enumerate(parts[1:], 2):
        so_far = (*so_far, *part)
        through = f"{name}s 1 and 2" if number == 2 else f"{name}s 1 to {number}"
        yield through, so_far


def _fours(grid: BlockGrid) -> Iterator[tuple[str, Places]]:
    rows, columns = _lines(grid, 0), _lines(grid, 1)
    bands = [(*first, *second) for first, second in _by_twos(rows)]
    pairs = [{*first, *second} for first, second in _by_twos(columns)]
    of_band = [[tuple(p for p in band if p in pair) for pair in pairs] for band in bands]
    for band, fours in enumerate(of_band, 1):
        for number, four in enumerate(fours, 1):
            yield f"four {band}-{number}", four
    for band, fours in enumerate(of_band, 1):
        yield from ((f"{name} of band {band}", p) for name, p in _one_to_another("four", fours))
    yield from _one_to_another("band", bands)


def _columns(grid: BlockGrid) -> Iterator[tuple[str, Places]]:
    columns = _lines(grid, 1)
    rows = [set(row) for row in _lines(grid, 0)]
    pairs = [(*first, *second) for first, second in _by_twos(columns)]
    for number, pair in enumerate(pairs, 1):
        for row, places in enumerate(rows, 1):
            yield f"pair {number}, row {row}", tuple(p for p in pair if p in places)
        yield f"columns {2 * number - 1} and {2 * number}", pair
    yield from _one_to_another("pair", pairs)


def _by_twos(lines: Sequence[Places]) -> list[tuple[Places, Places]]:
    """Two by two; the last may be alone."""
    return [(lines[n], lines[n + 1] if n + 1 < len(lines) else ()) for n in range(0, len(lines), 2)]


_STEPS = {Joining.ROWS: _rows, Joining.FOURS: _fours, Joining.COLUMNS: _columns}
