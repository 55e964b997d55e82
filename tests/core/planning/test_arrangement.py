"""Where the blocks lie."""

from collections import Counter
from itertools import permutations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.planning.arrangement import (
    Prints,
    alike_pairs,
    alike_unavoidable,
    arrange,
    turn_at,
)

KINDS: list[Prints] = [tuple("abc"), tuple("def"), tuple("adf"), tuple("bce")]


def fewest_alike(blocks: list[Prints], grid: BlockGrid) -> int:
    """By laying the blocks in every order."""
    places = tuple(range(len(blocks)))
    return min(alike_pairs(order, places, grid) for order in set(permutations(blocks)))


@pytest.mark.parametrize(
    "picks", [(0, 0, 0, 1, 1, 2), (0, 0, 1, 1, 2, 2), (0, 0, 0, 0, 1, 2), (0, 0, 0, 0, 0, 0)]
)
@pytest.mark.parametrize(
    "grid", [BlockGrid(2, 3), BlockGrid(3, 2), BlockGrid(1, 6), BlockGrid(4, 3, Setting.ALTERNATE)]
)
def test_small_quilts_are_as_good_as_any(picks: tuple[int, ...], grid: BlockGrid) -> None:
    blocks = [KINDS[i] for i in picks]
    places = arrange(blocks, grid)
    best = fewest_alike(blocks, grid)
    assert alike_pairs(blocks, places, grid) == best
    if alike_unavoidable(blocks, places, grid):
        assert best > 0


@pytest.mark.parametrize("picks", [(0, 0, 0, 0, 1, 1, 2, 2), (0, 0, 0, 0, 0, 0, 1, 2)])
def test_on_point_blocks_of_the_short_rows_touch_four(picks: tuple[int, ...]) -> None:
    """Rows of 3 and 2 and 3: a kind of six fills the long rows and touches nowhere."""
    grid, blocks = BlockGrid(2, 3, Setting.ON_POINT), [KINDS[i] for i in picks]
    places = arrange(blocks, grid)
    assert alike_pairs(blocks, places, grid) == fewest_alike(blocks, grid) == 0
    assert not alike_unavoidable(blocks, places, grid)
    assert alike_unavoidable([KINDS[0]] * 8, places, grid)


@given(st.sampled_from(Setting), st.integers(1, 5), st.integers(1, 5))
def test_no_more_places_are_apart_than_is_said(setting: Setting, rows: int, columns: int) -> None:
    """Held against a matching: of two matched places at most one can be chosen."""
    grid = BlockGrid(rows, columns, setting)
    assert len(grid.seats) == grid.blocks
    assert all(place in grid.near[other] for place, near in enumerate(grid.near) for other in near)
    assert grid.most_apart == grid.blocks - most_pairs(grid.near)


def most_pairs(near: tuple[tuple[int, ...], ...]) -> int:
    """As many neighbours as can be paired off, by paths that go from one colour to the other."""
    colour: dict[int, bool] = {}
    for start in range(len(near)):
        waiting = [start] if start not in colour else []
        colour.setdefault(start, True)
        while waiting:
            here = waiting.pop()
            fresh = [other for other in near[here] if other not in colour]
            colour |= dict.fromkeys(fresh, not colour[here])
            waiting += fresh
    paired: dict[int, int] = {}

    def pairs(place: int, tried: set[int]) -> bool:
        for other in set(near[place]) - tried:
            tried.add(other)
            if other not in paired or pairs(paired[other], tried):
                paired[other] = place
                return True
        return False

    return sum(pairs(place, set()) for place, first in colour.items() if first)


@given(
    st.lists(st.sampled_from(KINDS), min_size=1, max_size=40), st.integers(1, 8), st.integers(1, 8)
)
def test_each_block_lies_somewhere_once(blocks: list[Prints], rows: int, columns: int) -> None:
    grid = BlockGrid(rows, columns)
    places = arrange(blocks, grid)
    assert len(places) == rows * columns
    laid = Counter(number for number in places if number is not None)
    assert laid == Counter(range(min(len(blocks), rows * columns)))
    assert places == arrange(blocks, grid)


@pytest.mark.parametrize("kinds", [3, 5, 13])
def test_strip_sets_of_a_whole_roll_never_lie_side_by_side(kinds: int) -> None:
    sets: list[Prints] = [(f"a{i}", f"b{i}", f"c{i}") for i in range(kinds)]
    blocks = [strip_set for strip_set in sets for _ in range(90 // kinds)][:80]
    grid = BlockGrid(10, 8)
    assert alike_pairs(blocks, arrange(blocks, grid), grid) == 0


@pytest.mark.parametrize(
    ("turns", "laid"),
    [
        ((0,), [[0, 0, 0], [0, 0, 0]]),
        ((0, 1), [[0, 1, 0], [1, 0, 1]]),
        ((0, 1, 2, 3), [[3, 0, 3], [2, 1, 2]]),
        ((0, 2), [[0, 0, 0], [0, 0, 0]]),
    ],
)
def test_blocks_turn_as_suits_them(turns: tuple[int, ...], laid: list[list[int]]) -> None:
    assert [[turn_at(turns, r, c) for c in range(3)] for r in range(2)] == laid


@given(st.lists(st.integers(1, 9), min_size=3, max_size=7), st.integers(2, 6))
def test_no_two_alike_touch_whenever_there_is_some_room(counts: list[int], columns: int) -> None:
    """Up to two fifths of one kind, of three kinds and more: always laid without a touch."""
    places = sum(counts)
    if max(counts) * 5 > places * 2:
        return
    blocks: list[Prints] = [
        (f"a{kind}", f"b{kind}") for kind, n in enumerate(counts) for _ in range(n)
    ]
    grid = BlockGrid(-(-places // columns), columns)
    assert alike_pairs(blocks, arrange(blocks, grid), grid) == 0


def test_two_kinds_of_equal_number_make_a_checkerboard() -> None:
    blocks: list[Prints] = [*[("a", "b")] * 12, *[("c", "d")] * 12]
    grid = BlockGrid(6, 4)
    places = arrange(blocks, grid)
    assert alike_pairs(blocks, places, grid) == 0
    assert not alike_unavoidable(blocks, places, grid)


def test_places_without_a_block_touch_nobody() -> None:
    blocks: list[Prints] = [("a", "b") for _ in range(3)]
    grid = BlockGrid(3, 3)
    places = arrange(blocks, grid)
    assert places.count(None) == 6
    assert not alike_unavoidable(blocks, places, grid)
    assert alike_pairs(blocks, places, grid) == 2
