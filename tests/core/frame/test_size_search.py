"""The best size."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.purposes import BadPurpose, Wish
from kersey.core.frame.size_search import (
    BadRows,
    SizeOption,
    SizeQuestion,
    size_option,
    size_options,
    why,
)
from kersey.core.measure.length import Units

SIX = (Fraction(6), Fraction(6))
NO_BORDER = Fraction(0)


def grids(options: tuple[SizeOption, ...]) -> list[tuple[int, int]]:
    return [(option.columns, option.rows) for option in options]


def test_eighty_four_blocks() -> None:
    """8 x 10 and 9 x 9 before 7 x 12, with and without a border."""
    for border in (None, NO_BORDER):
        found = grids(size_options(SizeQuestion(SIX, 84, border_width=border)))
        assert found[0] == (8, 10)
        assert found.index((9, 9)) < found.index((7, 12))


def test_sizes_without_a_border() -> None:
    question = SizeQuestion(SIX, 84, border_width=NO_BORDER)
    for columns, rows, width, length in ((8, 10, 48, 60), (9, 9, 54, 54), (7, 12, 42, 72)):
        option = size_option(question, rows, columns)
        assert (option.width, option.length) == (width, length)


def test_thirty_one_blocks_make_five_by_six() -> None:
    assert grids(size_options(SizeQuestion(SIX, 31)))[0] == (5, 6)


def test_fifty_seven_blocks_are_not_a_ribbon() -> None:
    found = grids(size_options(SizeQuestion(SIX, 57)))
    assert found[0] == (7, 8)
    assert (3, 19) not in found


def test_a_wish_ranks_what_comes_nearest_first() -> None:
    berth = Wish("own", own_width=Fraction(28), own_length=Fraction(74))
    best = size_options(SizeQuestion(SIX, 68, berth))[0]
    assert (best.columns, best.rows) == (4, 12)
    assert best.purpose.distance(best.width, best.length) <= 4
    wide = Wish("own", own_width=Fraction(74), own_length=Fraction(28))
    assert grids(size_options(SizeQuestion(SIX, 68, wide)))[0] == (12, 4)


def test_reasons_are_given() -> None:
    words = " ".join(why(size_options(SizeQuestion(SIX, 80))[0], Units.INCHES))
    assert words == (
        "It uses all 80 blocks. With a border of 3″ it is the right size for a lap quilt."
    )
    short = size_option(SizeQuestion(SIX, 66), 10, 8)
    assert short.spare == -14
    assert "It needs 80 blocks; you are 14 short" in why(short, Units.INCHES)[0]


@pytest.mark.parametrize(
    "wish",
    [
        {"key": "own"},
        {"key": "nowhere"},
        {"key": "queen", "drop": Fraction(99)},
        {"key": "own", "own_width": Fraction(1), "own_length": Fraction(5)},
    ],
)
def test_wishes_that_nobody_has(wish: dict[str, object]) -> None:
    with pytest.raises(BadPurpose):
        Wish(**wish)  # type: ignore[arg-type]


def test_a_bed_takes_its_drop_and_tuck() -> None:
    (quilt,) = Wish("queen", drop=Fraction(10), tuck=Fraction(10)).purposes()
    assert (quilt.least_width, quilt.least_length) == (80, 100)


def test_grids_that_nobody_sews() -> None:
    with pytest.raises(BadRows):
        size_option(SizeQuestion(SIX, 80), 0, 8)


@given(st.integers(1, 300), st.integers(2, 48), st.sampled_from(["any", "baby", "queen", "90x200"]))
def test_no_size_uses_blocks_that_are_not_there(blocks: int, quarters: int, key: str) -> None:
    options = size_options(
        SizeQuestion((Fraction(quarters, 4), Fraction(quarters, 4)), blocks, Wish(key))
    )
    assert options
    assert all(option.spare >= 0 for option in options)
    assert [o.cost for o in options] == sorted(o.cost for o in options)
    assert len(set(grids(options))) == len(options)
    for option in options:
        assert option.width == option.columns * Fraction(quarters, 4) + 2 * option.border_width
