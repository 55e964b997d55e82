"""Prints, swatches, strips: what can be and what cannot."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.colour import NotAColour, checked_colour, lightness
from kersey.core.cloth.fabric import (
    BadFabric,
    Lot,
    Motif,
    Print,
    Stack,
    Swatch,
    Value,
    spread,
    value_of,
)
from kersey.core.cloth.forms import BadPiece
from kersey.core.cloth.print_names import made_up_prints

WIDTH, LENGTH = Fraction(5, 2), Fraction(42)


@pytest.mark.parametrize(
    ("colour", "reads"),
    [
        ("#ffffff", Value.LIGHT),
        ("#efe7d3", Value.LIGHT),
        ("#cdc8bc", Value.LIGHT),
        ("#808080", Value.MEDIUM),
        ("#c1892f", Value.MEDIUM),
        ("#84976a", Value.MEDIUM),
        ("#27385c", Value.DARK),
        ("#59303f", Value.DARK),
        ("#000000", Value.DARK),
    ],
)
def test_how_light_a_colour_reads(colour: str, reads: Value) -> None:
    assert value_of(colour) is reads


@given(st.integers(0, 254))
def test_a_lighter_grey_is_lighter(level: int) -> None:
    darker, lighter = (f"#{v:02x}{v:02x}{v:02x}" for v in (level, level + 1))
    assert 0 <= lightness(darker) < lightness(lighter) <= 100.01


@pytest.mark.parametrize("text", ["", "red", "#12345", "#1234567", "123456", "#gggggg", "url(#x)"])
def test_what_is_no_colour_is_refused(text: str) -> None:
    with pytest.raises(NotAColour, match="Type it like #a3342d"):
        checked_colour(text)


def test_a_swatch_checks_itself() -> None:
    assert Swatch(Motif.DOT, " #A3342D ", "#ffffff").ground == "#a3342d"
    with pytest.raises(NotAColour):
        Swatch(Motif.DOT, '"/><script>', "#ffffff")


@pytest.mark.parametrize("name", ["", "   ", "\t\n", "x" * 81])
def test_names_that_cannot_be(name: str) -> None:
    with pytest.raises(BadFabric):
        Print(name, Value.DARK, Swatch(Motif.DOT, "#000000", "#ffffff"))


@given(st.integers(1, 400), st.sampled_from([None, *Value]))
def test_made_up_prints_are_all_different_and_of_the_value_asked_for(
    count: int, value: Value | None
) -> None:
    prints = made_up_prints(count, value)
    assert len({cloth.name for cloth in prints}) == len(prints) == count
    assert value is None or {cloth.value for cloth in prints} == {value}
    assert prints[: count // 2] == made_up_prints(count // 2, value)


@given(st.integers(1, 600), st.integers(1, 60))
def test_strips_are_spread_evenly(count: int, kinds: int) -> None:
    counts = [stack.count for stack in spread(count, made_up_prints(min(count, kinds)))]
    assert sum(counts) == count
    assert max(counts) - min(counts) <= 1


@pytest.mark.parametrize(
    ("width", "length"), [("1/2", "42"), ("13", "42"), ("5/2", "2"), ("5/2", "121"), ("0", "0")]
)
def test_strips_that_cannot_be(width: str, length: str) -> None:
    with pytest.raises(BadPiece):
        Lot(Fraction(width), Fraction(length), spread(4, made_up_prints(2)))


def test_a_lot_has_a_strip_at_least_and_not_too_many() -> None:
    cloth = made_up_prints(1)[0]
    for stacks in ((Stack(cloth, 0),), (Stack(cloth, 400), Stack(cloth, 400))):
        with pytest.raises(BadFabric, match="can have 1 to 600"):
            Lot(WIDTH, LENGTH, stacks)
    with pytest.raises(BadFabric):
        Stack(cloth, -1)


def test_a_measured_strip_is_believed_over_its_label() -> None:
    lot = Lot(WIDTH, LENGTH, spread(4, made_up_prints(2)))
    assert lot.usable_length == 42
    assert lot.measured(Fraction(165, 4)).usable_length == Fraction(165, 4)
    assert lot.measured(Fraction(165, 4)).measured(None) == lot
