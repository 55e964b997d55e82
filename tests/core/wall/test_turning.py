"""Ways of turning, as a picture of them would be looked at."""

from collections import Counter

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.wall.walls import halved, plain

from kersey.core.frame.setting import BlockGrid
from kersey.core.wall.turning import Lean, TurningWay, light_to, ways_of_turning

FOUR = (0, 1, 2, 3)
# The corner at which a half-light block is light, clockwise from the upper left; it is so upright.
UPPER_LEFT, UPPER_RIGHT, LOWER_RIGHT, LOWER_LEFT = range(4)


def ways(rows: int, columns: int) -> dict[str, TurningWay]:
    return {way.key: way for way in ways_of_turning(halved(rows, columns), FOUR)}


def test_rings_on_6_by_8_turn_twelve_blocks_each_way() -> None:
    rings = ways(6, 8)["rings"]
    assert Counter(rings.turns) == dict.fromkeys(FOUR, 12)
    assert rings.even == (True, True)


@given(st.integers(1, 5), st.integers(1, 5))
def test_rings_are_the_same_in_a_mirror_at_both_middles(half_rows: int, half_columns: int) -> None:
    rows, columns = 2 * half_rows, 2 * half_columns
    turns = ways(rows, columns)["rings"].turns
    across = {
        UPPER_LEFT: UPPER_RIGHT,
        UPPER_RIGHT: UPPER_LEFT,
        LOWER_LEFT: LOWER_RIGHT,
        LOWER_RIGHT: LOWER_LEFT,
    }
    for row in range(rows):
        line = turns[row * columns : (row + 1) * columns]
        assert [across[turn] for turn in reversed(line)] == list(line)
    # The four in the middle are light toward each other.
    middle = half_rows * columns + half_columns
    assert turns[middle] == UPPER_LEFT
    assert turns[middle - columns - 1] == LOWER_RIGHT


def light_across(turns: tuple[int, ...], columns: int, one: int, other: int) -> bool:
    """Whether two halved blocks side by side show the same value along their seam."""
    beside = other == one + 1
    sides = (
        ((UPPER_RIGHT, LOWER_RIGHT), (UPPER_LEFT, LOWER_LEFT))
        if beside
        else ((LOWER_LEFT, LOWER_RIGHT), (UPPER_LEFT, UPPER_RIGHT))
    )
    return (turns[one] in sides[0]) == (turns[other] in sides[1])


@pytest.mark.parametrize(
    "key", ["furrows", "rings", "rings-dark", "diamonds", "diamonds-dark", "chevrons"]
)
def test_light_meets_light_along_every_seam(key: str) -> None:
    """What makes stripes, rings and diamonds: no seam between blocks is seen in them."""
    rows, columns = 6, 8
    turns = ways(rows, columns)[key].turns
    pairs = [(n, n + 1) for n in range(rows * columns) if n % columns < columns - 1]
    pairs += [(n, n + columns) for n in range((rows - 1) * columns)]
    assert all(light_across(turns, columns, *pair) for pair in pairs)


def test_what_needs_even_rows_says_what_that_costs() -> None:
    rings = ways(5, 7)["rings"]
    assert not rings.suits(BlockGrid(5, 7))
    assert rings.better_grids(BlockGrid(5, 7)) == ((6, 8, 13), (4, 6, -11))
    assert ways(5, 8)["chevrons"].better_grids(BlockGrid(5, 8)) == ()
    assert ways(5, 7)["chevrons"].better_grids(BlockGrid(5, 7)) == ((5, 8, 5), (5, 6, -5))


def test_a_block_is_offered_what_its_symmetry_allows() -> None:
    assert light_to(halved(2, 2)) == Lean(UPPER_LEFT, corner=True)
    one_look = ways_of_turning(plain(4, 4, [8, 8]), (0,))
    assert [way.key for way in one_look] == ["upright"]
    bars = {way.key for way in ways_of_turning(plain(4, 4, [8, 8]), (0, 1))}
    assert bars == {"upright", "alternate", "rows", "columns", "rings"}
    for way in ways_of_turning(plain(4, 4, [8, 8]), (0, 2)):
        assert set(way.turns) <= {0, 2}
    assert len(ways(6, 8)) == 13
    assert len({way.turns for way in ways(6, 8).values()}) == 13
