"""Acts at the wall: no block is lost or doubled, pins hold, and every act can be told from the
arrangement before it."""

from collections.abc import Callable
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import quilt

from kersey.core.frame.setting import BlockGrid, Seat
from kersey.core.wall.hand import CannotLay, OnWall, on_wall
from kersey.core.wall.numbers import NoSuchPlace, number_of, pins_of, place_of


@cache
def rails() -> OnWall:
    return on_wall(quilt(rows=4, columns=5))


PLACE = st.integers(0, 19)
ACTS = st.one_of(
    st.tuples(st.just("swap"), PLACE, PLACE),
    st.tuples(
        st.just("move"),
        st.sets(PLACE, min_size=1, max_size=6),
        st.integers(-3, 3),
        st.integers(-4, 4),
    ),
    st.tuples(st.just("turn"), st.sets(PLACE, min_size=1, max_size=20)),
    st.tuples(st.just("pin"), st.sets(PLACE, max_size=3), st.booleans()),
    st.tuples(st.just("aside"), st.sets(PLACE, min_size=1, max_size=3)),
    st.tuples(st.just("bring"), st.integers(0, 19), PLACE),
)


def done(wall: OnWall, act: tuple) -> OnWall:  # type: ignore[type-arg]
    name, *rest = act
    acts: dict[str, Callable[..., OnWall]] = {
        "swap": wall.swapped,
        "move": wall.moved,
        "turn": wall.turned,
        "pin": wall.pinned,
        "aside": wall.put_aside,
        "bring": wall.brought,
    }
    return acts[name](*rest)


@given(st.lists(ACTS, max_size=12))
def test_whatever_a_hand_does_every_block_is_on_the_wall_or_beside_it(acts: list) -> None:  # type: ignore[type-arg]
    wall = rails()
    for act in acts:
        pins = {place: wall.places[place] for place in wall.laying.pins}
        try:
            after = done(wall, act)
        except CannotLay:
            continue
        assert {place: after.places[place] for place in pins} == pins
        laid = [block for block in after.places if block is not None]
        assert sorted([*laid, *after.beside]) == list(range(20))
        assert after.laying.aside <= set(after.beside)
        assert after.kept.taken
        wall = after


def test_blocks_that_move_together_push_others_into_the_places_they_leave() -> None:
    """Two of the first row a row down: the two below come up."""
    after = rails().moved([0, 1], 1, 0)
    before = rails().places
    assert after.places[5:7] == before[0:2]
    assert after.places[0:2] == before[5:7]
    assert after.places[7:] == before[7:]
    # One place to the right they overlap: the one in the way goes to the place left free.
    assert rails().moved([0, 1], 0, 1).places[:3] == (before[2], before[0], before[1])
    with pytest.raises(CannotLay, match="past the edge"):
        rails().moved([0, 1], -1, 0)


def test_four_quarters_are_none_and_a_long_block_turns_by_halves() -> None:
    assert rails().turned([3]).laying.turns[3] != rails().laying.turns[3]
    around = rails()
    for _ in range(4):
        around = around.turned([3, 7])
    assert around.laying.turns == rails().laying.turns
    long = OnWall(rails().kept, rails().laying, square=False)
    assert (long.turned([0]).laying.turns[0] - long.laying.turns[0]) % 4 == 2


def test_a_pinned_block_stays_until_it_is_let_go() -> None:
    pinned = rails().pinned([2], True)
    with pytest.raises(CannotLay, match="pinned"):
        pinned.swapped(2, 3)
    assert pinned.turned_to((3,) * 20).laying.turns[2] == rails().laying.turns[2]
    assert pinned.pinned([2], False).swapped(2, 3).places[2] == rails().places[3]


def test_a_place_is_known_by_its_row_and_its_place_in_it() -> None:
    grid = BlockGrid(3, 4)
    assert [place_of(grid, number_of(seat)) for seat in grid.seats] == list(range(12))
    assert number_of(Seat(2, 0)) == "3-1"
    assert [pins_of(row) for row in (0, 3, 4, 11)] == [(1,), (4,), (5,), (5, 5, 2)]
    for wrong in ("4-1", "0-1", "3", "", "a-b", "1-5"):
        with pytest.raises(NoSuchPlace, match="from 1-1 to 3-4"):
            place_of(grid, wrong)
