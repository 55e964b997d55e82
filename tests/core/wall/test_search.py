"""The search, held against the integer programme on small walls, and its laws on any."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.wall.walls import plain
from tests.nights import at_night, examples

from kersey.core.cutting.watch import Watch
from kersey.core.project.minding import Trouble, Weights
from kersey.core.wall.bounds import least, may_be_proved
from kersey.core.wall.exact import least_cost, only
from kersey.core.wall.search import ArrangeQuestion, mended, search
from kersey.core.wall.seen import Wall
from kersey.core.wall.troubles import Arrangement, cost, find_troubles

SAME = only(Trouble.SAME)


def as_it_comes(wall: Wall) -> Arrangement:
    places = wall.grid.blocks
    blocks = [n if n < len(wall.blocks) else None for n in range(places)]
    return Arrangement(tuple(blocks), (0,) * places)


def fewest(wall: Wall, weights: Weights) -> int:
    turns = (0,) * wall.grid.blocks
    found = least_cost(wall, turns, weights, Watch(20.0))
    assert found.reached == found.least
    return found.least


@pytest.mark.parametrize(
    ("rows", "columns", "counts", "weights"),
    [
        *at_night(
            [
                (4, 6, [13] + [1] * 11, SAME),
                (5, 5, [9, 8, 8], SAME),
                (4, 5, [7, 7, 6], replace(Weights(), each=(5, 2, 0, 0, 0, 0, 0, 0, 0, 0))),
                (4, 4, [9, 4, 3], SAME),
                (5, 5, [14, 6, 5], SAME),
                (5, 5, [18, 7], replace(Weights(), each=(5, 3, 1, 0, 0, 0, 0, 0, 0, 0))),
            ]
        ),
        (4, 6, [12] + [1] * 12, SAME),
        (3, 3, [6, 3], SAME),
        (2, 7, [8, 3, 3], SAME),
        (5, 5, [5] * 5, replace(Weights(), each=(5, 3, 1, 0, 0, 0, 0, 0, 0, 0))),
        (4, 4, [8, 8], only(Trouble.ALTERNATE)),
    ],
)
def test_small_walls_are_as_good_as_any(
    rows: int, columns: int, counts: list[int], weights: Weights
) -> None:
    wall = plain(rows, columns, counts)
    for keep in (False, True):
        found = mended(ArrangeQuestion(wall, as_it_comes(wall), weights, keep=keep))
        assert cost(find_troubles(wall, found), weights) == fewest(wall, weights)


def test_thirteen_of_twenty_four_touch_and_twelve_need_not() -> None:
    """No more than 12 places of 4 x 6 are pairwise apart."""
    for count, must in ((13, 1), (12, 0)):
        wall = plain(4, 6, [count] + [1] * (24 - count))
        lies = as_it_comes(wall)
        assert wall.grid.most_apart == 12
        assert least(wall, lies, Trouble.SAME) == must
        assert may_be_proved(wall, lies)
        assert bool(fewest(wall, SAME)) is bool(must)


@given(st.integers(1, 4), st.integers(1, 5), st.data(), st.sampled_from(["straight", "on-point"]))
def test_counting_never_says_more_must_touch_than_the_programme(
    rows: int, columns: int, data: st.DataObject, setting: str
) -> None:
    places = plain(rows, columns, [1], setting=setting).grid.blocks
    picks = data.draw(st.lists(st.integers(0, 2), min_size=places, max_size=places))
    counts = [picks.count(n) for n in range(3) if n in picks]
    wall = plain(rows, columns, counts, setting=setting)
    lies = as_it_comes(wall)
    assert least(wall, lies, Trouble.SAME) <= fewest(wall, SAME)


@given(st.integers(2, 6), st.integers(2, 6), st.data())
@examples(5)
def test_pins_and_what_is_aside_stay_and_no_block_is_lost(
    rows: int, columns: int, data: st.DataObject
) -> None:
    places = rows * columns
    more = data.draw(st.integers(0, 4))
    picks = data.draw(st.lists(st.integers(0, 5), min_size=places + more, max_size=places + more))
    wall = plain(rows, columns, [picks.count(n) for n in range(6) if n in picks])
    lies = as_it_comes(wall)
    pins = frozenset(data.draw(st.sets(st.integers(0, places - 1), max_size=5)))
    aside = frozenset(range(places, places + data.draw(st.integers(0, more))))
    keep = data.draw(st.booleans())
    question = ArrangeQuestion(wall, lies, pins=pins, aside=aside, keep=keep, seed=3)
    answers = list(search(question))
    found = answers[-1]
    assert answers == list(search(question))
    assert all(found.places[pin] == lies.places[pin] for pin in pins)
    assert len(set(found.places)) == places
    assert not aside & set(found.places)
    before, after = (cost(find_troubles(wall, a), question.weights) for a in (lies, found))
    assert after <= before or not keep


def test_four_hundred_blocks_of_forty_prints_come_free_of_touching_prints() -> None:
    wall = plain(20, 20, [10] * 40)
    found = mended(ArrangeQuestion(wall, as_it_comes(wall), SAME, keep=False))
    assert not find_troubles(wall, found)[Trouble.SAME]


def test_mending_moves_few_blocks_and_shuffling_nearly_all() -> None:
    """Two touch; one exchange mends it."""
    wall = plain(6, 8, [6] * 8)
    free = mended(ArrangeQuestion(wall, as_it_comes(wall), SAME, keep=False)).places
    one = next(p for p in range(8, 48) if wall.kinds[free[p] or 0] == wall.kinds[free[0] or 0])
    places = list(free)
    places[1], places[one] = places[one], places[1]
    spoilt = Arrangement(tuple(places), (0,) * 48)
    assert find_troubles(wall, spoilt)[Trouble.SAME]

    question = ArrangeQuestion(wall, spoilt, SAME)
    found = mended(question)
    assert not find_troubles(wall, found)[Trouble.SAME]
    assert sum(a != b for a, b in zip(found.places, spoilt.places, strict=True)) == 2

    anew = mended(replace(question, keep=False, before=(found.places,)))
    assert not find_troubles(wall, anew)[Trouble.SAME]
    alike = sum(
        wall.kinds[a or 0] == wall.kinds[b or 0]
        for a, b in zip(anew.places, found.places, strict=True)
    )
    assert alike <= 48 // 8


def test_giving_up_the_pin_that_holds_it_up_is_named() -> None:
    """Two of one print are pinned beside each other: either pin would free the wall."""
    wall = plain(3, 4, [2] * 6)
    question = ArrangeQuestion(wall, as_it_comes(wall), SAME, pins=frozenset({0, 1, 5}))
    *_, last = question.run()
    assert [pin for pin, _ in last.freed] == [0, 1]
    assert all(saved == 1 for _, saved in last.freed)
