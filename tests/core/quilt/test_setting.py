"""Where the blocks lie."""

from collections import Counter
from itertools import permutations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.quilt.setting import Setting, arrange
from kersey.core.quilt.strip_plan import Block

KINDS: list[Block] = [(0, 1, 2), (3, 4, 5), (0, 3, 5), (1, 2, 4)]


def fewest_alike(blocks: list[Block], rows: int, columns: int) -> int:
    """By laying the blocks in every order."""
    settings = (
        Setting(tuple(tuple(order[r * columns : (r + 1) * columns]) for r in range(rows)))
        for order in set(permutations(blocks))
    )
    return min(setting.alike_pairs for setting in settings)


@pytest.mark.parametrize(
    "picks", [(0, 0, 0, 1, 1, 2), (0, 0, 1, 1, 2, 2), (0, 0, 0, 0, 1, 2), (0, 0, 0, 0, 0, 0)]
)
@pytest.mark.parametrize(("rows", "columns"), [(2, 3), (3, 2), (1, 6)])
def test_small_settings_are_as_good_as_any(picks: tuple[int, ...], rows: int, columns: int) -> None:
    blocks = [KINDS[i] for i in picks]
    setting = arrange(blocks, rows, columns)
    best = fewest_alike(blocks, rows, columns)
    assert setting.alike_pairs == best
    if setting.alike_unavoidable:
        assert best > 0


@given(
    st.lists(st.sampled_from(KINDS), min_size=1, max_size=40), st.integers(1, 8), st.integers(1, 8)
)
def test_each_block_lies_somewhere_once(blocks: list[Block], rows: int, columns: int) -> None:
    setting = arrange(blocks, rows, columns)
    laid = [block for row in setting.places for block in row]
    assert (len(setting.places), {len(row) for row in setting.places}) == (rows, {columns})
    expected = Counter(blocks[: rows * columns])
    assert Counter(block for block in laid if block is not None) == expected
    assert setting == arrange(blocks, rows, columns)


@pytest.mark.parametrize("kinds", [3, 5, 13])
def test_strip_sets_of_a_whole_roll_never_lie_side_by_side(kinds: int) -> None:
    sets = [(3 * i, 3 * i + 1, 3 * i + 2) for i in range(kinds)]
    blocks = [strip_set for strip_set in sets for _ in range(90 // kinds)]
    assert arrange(blocks[:80], 10, 8).alike_pairs == 0


def test_rails_turn_alternately() -> None:
    turned = [[Setting.is_upright(r, c) for c in range(3)] for r in range(2)]
    assert turned == [[True, False, True], [False, True, False]]


@given(st.lists(st.integers(1, 9), min_size=3, max_size=7), st.integers(2, 6))
def test_no_two_alike_touch_whenever_there_is_some_room(counts: list[int], columns: int) -> None:
    """Up to two fifths of one kind, of three kinds and more: always laid without a touch."""
    places = sum(counts)
    if max(counts) * 5 > places * 2:
        return
    blocks: list[Block] = [
        (10 * kind, 10 * kind + 1) for kind, n in enumerate(counts) for _ in range(n)
    ]
    setting = arrange(blocks, -(-places // columns), columns)
    assert setting.alike_pairs == 0


def test_two_kinds_of_equal_number_make_a_checkerboard() -> None:
    blocks: list[Block] = [(0, 1)] * 12 + [(2, 3)] * 12
    setting = arrange(blocks, 6, 4)
    assert setting.alike_pairs == 0
    assert not setting.alike_unavoidable


def test_places_without_a_block_touch_nobody() -> None:
    setting = arrange([(0, 1)] * 3, 3, 3)
    assert sum(block is None for row in setting.places for block in row) == 6
    assert not setting.alike_unavoidable
    assert setting.alike_pairs == 2
