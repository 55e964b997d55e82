"""A block as it is chosen: options as they are said and kept, the size that follows, one way to
write it."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice, written_option
from kersey.core.blocks.recipe import SQUARE, BadRecipe, Option, read_option
from kersey.core.measure.length import Units

SEAM = Fraction(1, 4)
TEN = Fraction(10)


@pytest.mark.parametrize(
    ("usual", "said", "units", "value"),
    [
        (False, True, Units.INCHES, True),
        (False, "yes", Units.INCHES, True),
        (True, "No", Units.INCHES, False),
        (True, "false", Units.INCHES, False),
        (3, "4", Units.INCHES, 4),
        (3, 5, Units.INCHES, 5),
        (Fraction(2), "1 1/2", Units.INCHES, Fraction(3, 2)),
        (Fraction(2), "5.08", Units.CENTIMETRES, Fraction(2)),
        (Fraction(2), 2.6, Units.INCHES, Fraction(13, 5)),
        ("segments", "sets", Units.INCHES, "sets"),
    ],
)
def test_an_option_is_read_as_its_usual_value_is(
    usual: Option, said: object, units: Units, value: Option
) -> None:
    found = read_option(usual, "option", said, units)
    assert found == value
    assert type(found) is type(value)


@pytest.mark.parametrize(
    ("usual", "said", "why"),
    [
        (False, "perhaps", "true or false"),
        (False, 2, "true or false"),
        (3, True, "a whole number"),
        (3, 2.5, "a whole number"),
        (3, "three", "a whole number"),
        (Fraction(2), "wide", "a length"),
        (Fraction(2), True, "a length"),
        (Fraction(2), float("inf"), "a length"),
    ],
)
def test_what_is_no_such_option_is_refused_at_its_field(
    usual: Option, said: object, why: str
) -> None:
    with pytest.raises(BadRecipe) as refused:
        read_option(usual, "it", said)
    assert refused.value.why.startswith(why)
    assert refused.value.field == "block.options.it"


@given(st.sampled_from(sorted(recipes())), st.data())
def test_what_is_as_usual_is_not_written(recipe: str, data: st.DataObject) -> None:
    usual = recipes()[recipe].options
    said = tuple((name, written_option(value)) for name, value in usual.items())
    shuffled = tuple(data.draw(st.permutations(said)))
    plain, full = BlockChoice(recipe), BlockChoice(recipe, recipes()[recipe].finished, shuffled)
    assert plain == full
    assert hash(plain) == hash(full)
    assert (full.options, full.finished) == ((), None)
    assert dict(full.all_options) == dict(usual)


def test_an_option_is_kept_as_it_is_written() -> None:
    block = BlockChoice("stripe").with_option("half", value=True).with_option("bars", 4)
    assert block.options == (("bars", 4), ("half", "yes"))
    assert block.with_option("half", value=False).options == (("bars", 4),)
    cabin = BlockChoice("log-cabin").with_option("centre", Fraction(7, 3))
    assert cabin.options == (("centre", "7/3"),)
    assert cabin.all_options["centre"] == Fraction(7, 3)
    with pytest.raises(BadRecipe, match="one of bars, half"):
        _ = block.with_option("rounds", 3).all_options


def test_squares_at_hand_are_no_part_of_what_is_chosen() -> None:
    block = BlockChoice("cut-apart-hourglass")
    of_tens = block.of_squares(TEN)
    assert repr(of_tens) == repr(block)
    assert of_tens.all_options[SQUARE] == TEN
    assert SQUARE not in block.all_options
    # What does not use them as they come stays as it is.
    assert BlockChoice("nine-patch").of_squares(TEN) == BlockChoice("nine-patch")
    assert BlockChoice("pieces").of_squares(TEN) == BlockChoice("pieces")


@pytest.mark.parametrize(
    ("block", "square", "size"),
    [
        (BlockChoice("cut-apart-hourglass"), None, ("45/4", "45/4")),
        (BlockChoice("cut-apart-hourglass"), "10", ("45/4", "45/4")),
        (BlockChoice("cut-apart-hourglass"), "8", ("17/2", "17/2")),
        (BlockChoice("cut-apart-hourglass", (Fraction(9), Fraction(9))), "10", ("9", "9")),
        (BlockChoice("cut-apart-hourglass", None, (("trim", "6"),)), "10", ("10", "10")),
        (BlockChoice("slant-bar", None, (("long_side", "6"),)), None, ("33/4", "2")),
        (BlockChoice("slant-bar", None, (("strip", "2"),)), None, ("27/4", "3/2")),
        (BlockChoice("half-square"), "10", ("6", "6")),
    ],
)
def test_the_size_follows_from_what_is_said(
    block: BlockChoice, square: str | None, size: tuple[str, str]
) -> None:
    block = block if square is None else block.of_squares(Fraction(square))
    assert block.size_at(SEAM) == tuple(map(Fraction, size))
    assert block.assembly(SEAM).finished == tuple(map(Fraction, size))


def test_a_block_is_assembled_once_and_a_wrong_one_is_refused_each_time() -> None:
    assert BlockChoice("log-cabin").assembly(SEAM) is BlockChoice("log-cabin").assembly(SEAM)
    assert BlockChoice("log-cabin").assembly(SEAM) != BlockChoice("log-cabin").assembly(2 * SEAM)
    wrong = BlockChoice("arrow", (Fraction(12), Fraction(9)))
    for _ in range(2):
        with pytest.raises(BadRecipe, match="arrow is square"):
            wrong.assembly(SEAM)
    with pytest.raises(BadRecipe, match="more than 0"):
        BlockChoice("brick", (Fraction(0), Fraction(9))).assembly(SEAM)
    with pytest.raises(BadRecipe, match="not “stars”"):
        BlockChoice("stars").assembly(SEAM)
