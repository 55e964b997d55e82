"""Lengths: what people write, what a ruler reads."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.length import (
    EIGHTH,
    HALF_MILLIMETRE,
    SIXTEENTH,
    YARD,
    NotALength,
    Units,
    bought_length,
    format_bought,
    format_length,
    format_number,
    parse_length,
    round_up_to,
)

CM = Units.CENTIMETRES
ways_of_writing_two_and_a_half = (
    "2 1/2", "2½", "2-1/2", "2 - 1/2", "2.5", "2,5", '2.5"', "2½″", "2.5 in", "2.5in", "2 ½ inches",
    "  2   1/2  ", "2 1⁄2", "2½”", "2.5''", "6.35 cm", "63.5mm", "0.0635 m", "5/2",
)  # fmt: skip


@pytest.mark.parametrize("text", ways_of_writing_two_and_a_half)
def test_two_and_a_half_however_it_is_written(text: str) -> None:
    assert parse_length(text) == Fraction(5, 2)


@pytest.mark.parametrize(
    ("text", "inches"),
    [
        ("6.5 cm", Fraction(325, 127)),
        ("65mm", Fraction(325, 127)),
        ("1 yd", Fraction(36)),
        ("1/2 yard", Fraction(18)),
        ("2 1/4 yards", Fraction(81)),
        ("0.5 m", Fraction(2500, 127)),
        ('18"', Fraction(18)),
        ("1 ft", Fraction(12)),
        (".5", Fraction(1, 2)),
        ("0", Fraction(0)),
        ("⅜", Fraction(3, 8)),
        ("2 11⁄16″", Fraction(43, 16)),
    ],
)
def test_units(text: str, inches: Fraction) -> None:
    assert parse_length(text) == inches


def test_a_bare_number_is_in_the_units_a_person_thinks_in() -> None:
    assert parse_length("6.5", CM) == parse_length("6.5 cm")
    assert parse_length('2 1/2"', CM) == Fraction(5, 2)


@pytest.mark.parametrize(
    "text",
    ["", "two", "2 1/0", "-2", "2 1/2 foo", "1e9", "2..5", "2 1", "½½", "2x3", "in", "9" * 50,
     "1 2/3/4", "nan", "２ｘ", "2 into", "<b>", "2;DROP"],
)  # fmt: skip
def test_what_is_no_length_gets_a_sentence_with_an_example(text: str) -> None:
    with pytest.raises(NotALength) as refused:
        parse_length(text)
    assert "Write it like 2 1/2" in str(refused.value)
    assert len(str(refused.value)) < 120


@given(st.integers(0, 16 * 500))
def test_reading_back_what_was_written_in_sixteenths(sixteenths: int) -> None:
    length = sixteenths * SIXTEENTH
    assert parse_length(format_length(length)) == length
    assert parse_length(format_number(length)) == length


@given(st.integers(0, 20 * 1000))
def test_reading_back_what_was_written_in_half_millimetres(halves: int) -> None:
    length = halves * HALF_MILLIMETRE
    assert parse_length(format_length(length, CM), CM) == length
    assert parse_length(format_number(length, CM), CM) == length


@given(st.text(max_size=60))
def test_any_text_is_read_or_refused(text: str) -> None:
    try:
        assert parse_length(text) >= 0
    except NotALength as refused:
        assert str(refused)


@given(st.fractions(0, 2000))
def test_cloth_is_bought_in_whole_steps_and_never_too_little(length: Fraction) -> None:
    bought = bought_length(length)
    assert bought >= length
    assert bought - length < YARD / 8
    assert bought % (YARD / 8) == 0
    assert parse_length(format_bought(length)) == bought
    assert parse_length(format_bought(length, CM)) == bought_length(length, CM) >= length


@given(st.fractions(0, 500))
def test_rounding_up_is_a_step_at_most(length: Fraction) -> None:
    up = round_up_to(EIGHTH, length)
    assert length <= up < length + EIGHTH
