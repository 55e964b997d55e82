"""Units packed in rows: all of them, none over another, and no packing in rows is lower."""

from collections import Counter
from collections.abc import Iterator, Sequence
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.nights import examples

from kersey.core.cutting.kinds.plain_fillers import plain_fillers
from kersey.core.cutting.kinds.unit_rows import BadUnits, UnitRows, UnitSort, best_rows, pack_rows
from kersey.core.cutting.watch import Watch

Unit = tuple[int, int]


def check(sorts: Sequence[UnitSort], found: UnitRows) -> None:
    """By squares of the grid, each covered once at most; and by the rows, which seams can part."""
    covered = Counter[tuple[int, int]]()
    for each in found.laid:
        sort = sorts[each.sort]
        for across in range(sort.columns):
            for down in range(sort.rows):
                covered[each.column + across, each.row + down] += 1
    assert set(covered.values()) == {1}
    assert all(x < found.columns and y < found.rows for x, y in covered)
    assert Counter(each.sort for each in found.laid) == {n: s.count for n, s in enumerate(sorts)}
    assert found.plain == found.columns * found.rows - len(covered)
    ends = {sum(found.heights[:n]) for n in range(len(found.heights) + 1)}
    for each in found.laid:
        # No unit lies across the seam between two rows.
        assert not any(each.row < end < each.row + sorts[each.sort].rows for end in ends)
    assert sum(found.heights) == found.rows
    assert found.least <= found.rows


def least_rows(units: list[Unit], columns: int) -> int:
    """By trying every way to share units out to rows as high as their highest unit, and columns."""

    @cache
    def lowest(left: tuple[Unit, ...]) -> int:
        if not left:
            return 0
        best = 10**6
        first, *rest = left
        for others, remaining in shares(tuple(rest)):
            row = (first, *others)
            high = max(unit[1] for unit in row)
            if high + 0 < best and fits(row, columns, high):
                best = min(best, high + lowest(remaining))
        return best

    return lowest(tuple(sorted(units)))


def shares(units: tuple[Unit, ...]) -> Iterator[tuple[tuple[Unit, ...], tuple[Unit, ...]]]:
    for chosen in range(2 ** len(units)):
        yield (
            tuple(u for n, u in enumerate(units) if chosen >> n & 1),
            tuple(u for n, u in enumerate(units) if not chosen >> n & 1),
        )


def fits(row: tuple[Unit, ...], columns: int, high: int) -> bool:
    """Whether units of a row stand in columns beside one another."""

    def placed(left: tuple[Unit, ...], stacks: tuple[Unit, ...]) -> bool:
        if sum(wide for wide, _ in stacks) > columns:
            return False
        if not left:
            return True
        (wide, tall), rest = left[0], left[1:]
        for n, (w, h) in enumerate(stacks):
            if h + tall <= high:
                more = (*stacks[:n], (max(w, wide), h + tall), *stacks[n + 1 :])
                if placed(rest, more):
                    return True
        return placed(rest, (*stacks, (wide, tall)))

    return placed(row, ())


@given(
    st.lists(st.tuples(st.integers(1, 4), st.integers(1, 4)), min_size=1, max_size=7),
    st.integers(4, 8),
)
def test_small_walls_are_packed_as_low_as_any(units: list[Unit], columns: int) -> None:
    sorts = [UnitSort(*size, count) for size, count in sorted(Counter(units).items())]
    found = pack_rows(sorts, columns, Watch(5))
    check(sorts, found)
    # A row may also be higher than any of its units, where some stand on one another.
    assert found.rows <= least_rows(units, columns)
    assert found.proved


@given(
    st.dictionaries(
        st.tuples(st.integers(1, 5), st.integers(1, 5)), st.integers(1, 12), min_size=1, max_size=5
    )
)
@examples(12)
def test_a_drawer_becomes_a_quilt_of_a_good_shape(drawer: dict[Unit, int]) -> None:
    sorts = [UnitSort(*size, count) for size, count in drawer.items()]
    found = best_rows(sorts, Watch(0.5))
    check(sorts, found)
    # What is plain between them comes off the bolt in pieces made to measure, and no more of it.
    fillers = plain_fillers(found, sorts)
    assert sum(across * down * count for (across, down), count in fillers.items()) == found.plain
    assert sum(fillers.values()) <= found.plain
    # Out of time from the first it still lays all of them.
    check(sorts, best_rows(sorts, Watch(0)))


def test_what_cannot_be_laid_is_said() -> None:
    with pytest.raises(BadUnits):
        best_rows([], Watch(1))
    with pytest.raises(BadUnits):
        best_rows([UnitSort(6, 2, 1)], Watch(1), columns=5)
    with pytest.raises(BadUnits):
        UnitSort(0, 1, 1)
