"""Lengths: what people write, what a ruler reads."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.measure.length import (
    EIGHTH,
    HALF_MILLIMETRE,
    MILLIMETRE,
    SIXTEENTH,
    YARD,
    NotALength,
    Units,
    bought_length,
    format_area,
    format_areas,
    format_bought,
    format_length,
    format_number,
    on_ruler,
    parse_length,
    round_up_to,
    safe_cut,
    write_length,
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
    assert "Type it like 2 1/2" in str(refused.value)
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


typed = st.sampled_from(
    ["{}", "{}.{}", "{} {}/16", "{} {}/7", "{}.{} cm", "{} mm", "{} {}/3 cm", "{}.{} yd", ".{} m"]
)


@given(typed, st.integers(0, 400), st.integers(1, 9999), st.sampled_from(Units))
def test_what_is_written_to_be_typed_again_is_read_back_to_the_last_bit(
    how: str, whole: int, part: int, units: Units
) -> None:
    length = parse_length(how.format(whole, part), units)
    for shown_in in Units:
        assert parse_length(write_length(length, shown_in), shown_in) == length


@given(st.fractions(min_value=0, max_value=200, max_denominator=5000))
def test_a_reading_without_a_sign_is_what_anybody_sees_on_the_ruler(length: Fraction) -> None:
    written = format_number(length)
    near = abs(parse_length(written.removeprefix("≈ ")) - length)
    assert near <= (SIXTEENTH / 2 if written.startswith("≈") else MILLIMETRE / 4)
    assert on_ruler(length) == (near == 0 and parse_length(written).denominator in {1, 2, 4, 8, 16})


@given(st.fractions(min_value=0, max_value=200, max_denominator=5000))
def test_the_safe_cut_is_never_short_and_always_on_the_ruler(length: Fraction) -> None:
    for units in Units:
        assert length <= safe_cut(length, units) < length + EIGHTH
        assert on_ruler(safe_cut(length, units), units)


@given(st.lists(st.fractions(0, 400_000, max_denominator=64), min_size=2, max_size=5))
def test_areas_shown_beside_each_other_add_up(parts: list[Fraction]) -> None:
    whole = sum(parts, Fraction(0))
    for units in Units:
        shown = format_areas(whole, parts, units)
        numbers = [Fraction(words.split(" ")[0]) for words in (*shown, format_area(whole, units))]
        assert sum(numbers[:-1]) == numbers[-1]
        # Nothing is off by more than a step: one of the last digit shown.
        step = Fraction(1, 10) if "." in shown[0] else Fraction(1)
        unit = {"sq yd": 36**2, "sq in": 1}.get(shown[0].split(" ", 1)[1])
        if unit:
            assert all(abs(n - part / unit) < step for n, part in zip(numbers, parts, strict=False))
