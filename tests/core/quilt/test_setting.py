"""Where the blocks lie."""

from collections import Counter
from itertools import permutations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.quilt.setting import Prints, alike_pairs, alike_unavoidable, arrange, turn_at

KINDS: list[Prints] = [tuple("abc"), tuple("def"), tuple("adf"), tuple("bce")]


def fewest_alike(blocks: list[Prints], columns: int) -> int:
    """By laying the blocks in every order."""
    places = tuple(range(len(blocks)))
    return min(alike_pairs(order, places, columns) for order in set(permutations(blocks)))


@pytest.mark.parametrize(
    "picks", [(0, 0, 0, 1, 1, 2), (0, 0, 1, 1, 2, 2), (0, 0, 0, 0, 1, 2), (0, 0, 0, 0, 0, 0)]
)
@pytest.mark.parametrize(("rows", "columns"), [(2, 3), (3, 2), (1, 6)])
def test_small_settings_are_as_good_as_any(picks: tuple[int, ...], rows: int, columns: int) -> None:
    blocks = [KINDS[i] for i in picks]
    places = arrange(blocks, rows, columns)
    best = fewest_alike(blocks, columns)
    assert alike_pairs(blocks, places, columns) == best
    if alike_unavoidable(blocks, places):
        assert best > 0


@given(
    st.lists(st.sampled_from(KINDS), min_size=1, max_size=40), st.integers(1, 8), st.integers(1, 8)
)
def test_each_block_lies_somewhere_once(blocks: list[Prints], rows: int, columns: int) -> None:
    places = arrange(blocks, rows, columns)
    assert len(places) == rows * columns
    laid = Counter(number for number in places if number is not None)
    assert laid == Counter(range(min(len(blocks), rows * columns)))
    assert places == arrange(blocks, rows, columns)


@pytest.mark.parametrize("kinds", [3, 5, 13])
def test_strip_sets_of_a_whole_roll_never_lie_side_by_side(kinds: int) -> None:
    sets: list[Prints] = [(f"a{i}", f"b{i}", f"c{i}") for i in range(kinds)]
    blocks = [strip_set for strip_set in sets for _ in range(90 // kinds)][:80]
    assert alike_pairs(blocks, arrange(blocks, 10, 8), 8) == 0


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
    assert alike_pairs(blocks, arrange(blocks, -(-places // columns), columns), columns) == 0


def test_two_kinds_of_equal_number_make_a_checkerboard() -> None:
    blocks: list[Prints] = [*[("a", "b")] * 12, *[("c", "d")] * 12]
    places = arrange(blocks, 6, 4)
    assert alike_pairs(blocks, places, 4) == 0
    assert not alike_unavoidable(blocks, places)


def test_places_without_a_block_touch_nobody() -> None:
    blocks: list[Prints] = [("a", "b") for _ in range(3)]
    places = arrange(blocks, 3, 3)
    assert places.count(None) == 6
    assert not alike_unavoidable(blocks, places)
    assert alike_pairs(blocks, places, 3) == 2
