"""Orders: the laws that each is known by."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.wall.walls import plain, prints

from kersey.core.wall.orders import (
    GRADIENTS,
    Order,
    checkerboard_wants,
    kinds_there,
    laid_in,
    roughness,
)
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import Places

walls = st.builds(
    plain,
    st.integers(1, 6),
    st.integers(1, 7),
    st.lists(st.integers(1, 6), min_size=1, max_size=9),
    st.integers(0, 30),
    st.sampled_from(["straight", "on-point", "alternate"]),
)


def as_it_comes(wall: Wall) -> Places:
    return tuple(n if n < len(wall.blocks) else None for n in range(wall.grid.blocks))


def prints_at(wall: Wall, places: Places) -> list[int]:
    return [wall.blocks[block][0] for block in places if block is not None]


@given(walls, st.sampled_from(Order), st.integers(1, 5), st.data())
def test_every_order_keeps_pins_and_lays_every_block_once(
    wall: Wall, order: Order, shift: int, data: st.DataObject
) -> None:
    before = as_it_comes(wall)
    pins = frozenset(data.draw(st.sets(st.integers(0, len(before) - 1), max_size=3)))
    after = laid_in(wall, before, order, pins, frozenset(), shift)
    assert all(after[pin] == before[pin] for pin in pins)
    laid = [block for block in after if block is not None]
    assert len(laid) == len(set(laid)) == len([b for b in before if b is not None])
    assert after == laid_in(wall, before, order, pins, frozenset(), shift)


@given(walls, st.sampled_from(sorted(GRADIENTS)))
def test_a_gradient_is_never_rougher_than_the_roll_row_by_row(wall: Wall, order: Order) -> None:
    """Sum of CIELAB steps between neighbours."""
    lies = as_it_comes(wall)
    roll = laid_in(wall, lies, Order.ROLL)
    assert roughness(wall, laid_in(wall, lies, order)) <= roughness(wall, roll) + 1e-6


def test_the_roll_comes_row_by_row_and_columns_by_their_numbers() -> None:
    wall = plain(3, 4, [4, 5, 3])
    mixed = (11, 3, 7, 0, 5, 9, 2, 10, 4, 8, 1, 6)
    assert prints_at(wall, laid_in(wall, mixed, Order.ROLL)) == [0] * 4 + [1] * 5 + [2] * 3
    assert laid_in(wall, mixed, Order.COLUMNS) == (0, 3, 6, 9, 1, 4, 7, 10, 2, 5, 8, 11)


def test_a_checkerboard_of_two_kinds_on_5_by_7_wants_18_and_17() -> None:
    lighter = [cloth.colour[0] for cloth in prints(2)]
    wall = plain(5, 7, [18, 17] if lighter[0] > lighter[1] else [17, 18])
    assert checkerboard_wants(wall) == kinds_there(wall) == (18, 17)
    lies = laid_in(wall, as_it_comes(wall), Order.CHECKERBOARD)
    kinds = wall.two_kinds
    assert all(kinds[b or 0] == (n // 7 + n % 7) % 2 for n, b in enumerate(lies))


@pytest.mark.parametrize("shift", [1, 2])
def test_steps_set_each_row_on_by_their_number(shift: int) -> None:
    """Four prints in four columns: each row begins so many places further on."""
    wall = plain(4, 4, [4] * 4)
    rows = prints_at(wall, laid_in(wall, as_it_comes(wall), Order.STEPS, shift=shift))
    first = rows[:4]
    for row in range(4):
        by = -shift * row % 4
        assert rows[4 * row : 4 * row + 4] == first[by:] + first[:by]
    assert sorted(first) == [0, 1, 2, 3]


def test_light_lies_in_the_middle_and_a_mirror_in_its_halves() -> None:
    wall = plain(5, 5, [1] * 25)
    light = [float(wall.colours[b or 0][0]) for b in laid_in(wall, as_it_comes(wall), Order.CENTRE)]
    assert light[12] == max(light)
    assert min(light) in (light[0], light[4], light[20], light[24])
    twins = plain(4, 6, [2] * 12)
    rows = prints_at(twins, laid_in(twins, as_it_comes(twins), Order.MIRRORED))
    for row in range(4):
        line = rows[6 * row : 6 * row + 6]
        assert line == line[::-1]
