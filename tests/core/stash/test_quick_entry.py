"""A line as people say it -> strips on the table."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.stash.quick_entry import NotTaken, read_line, read_lines, take_line

TWO_AND_A_HALF = Fraction(5, 2)
CM = Fraction(50, 127)


@pytest.mark.parametrize(
    ("line", "count", "prints", "width", "length"),
    [
        ("roll of 40 strips, 20 prints", 40, 20, TWO_AND_A_HALF, 42),
        ("42 strips 2 1/2 x 41.5, light", 42, 1, TWO_AND_A_HALF, Fraction(83, 2)),
        ("roll 40 x 6.5 cm x 107cm", 40, 20, Fraction(13, 2) * CM, 107 * CM),
        ("40 strips 6.5 x 107 cm, 20 prints", 40, 20, Fraction(13, 2) * CM, 107 * CM),
        ("forty strips, twenty prints", 40, 20, TWO_AND_A_HALF, 42),
        ("2 rolls of 40 strips, 20 prints", 80, 20, TWO_AND_A_HALF, 42),
        ("a roll of 40 2½″ strips in 20 prints", 40, 20, TWO_AND_A_HALF, 42),
        ("20 prints, 2 of each", 40, 20, TWO_AND_A_HALF, 42),
        ("12 strips 41 long 1 1/2 wide", 12, 1, Fraction(3, 2), 41),
        ("ROLL OF 40 STRIPS; 20 PRINTS", 40, 20, TWO_AND_A_HALF, 42),
        ("40 x 2 1/2", 40, 1, TWO_AND_A_HALF, 42),
        ("24 dark strips", 24, 1, TWO_AND_A_HALF, 42),
        ("30 strips, 1 1/2 in x 1 yd, 15 prints", 30, 15, Fraction(3, 2), 36),
    ],
)
def test_lines_that_are_taken(
    line: str, count: int, prints: int, width: Fraction, length: Fraction
) -> None:
    reading = take_line(line)
    assert reading.lot is not None
    assert (reading.lot.count, len(reading.lot.stacks)) == (count, prints)
    assert (reading.lot.width, reading.lot.length) == (width, length)
    assert len({cloth.name for cloth in reading.lot.prints}) == prints


@pytest.mark.parametrize(
    ("line", "complaint"),
    [
        ("", "Type how many and what"),
        ("0 strips", "can have 1 to 600"),
        ("99999 strips", "can have 1 to 600"),
        ("3 strips, 5 prints", "3 strips can't be 5 prints"),
        ("20 prints 3 each 40 strips", "60, not 40"),
        ("squares", "How many squares?"),
        ("crumbs", "How much do they weigh? Type it like 900 g"),
        ("60 pieces", "What size are the 60 pieces?"),
        ("200 kg crumbs", "1 g to 100 kg"),
        ("42 squares 30 x 30", "A square can be 1″ to 24″"),
        ("9 strings 1 1/2 x 300", "up to 120″ long"),
        ("12 fat quarters, 40 strips", "Type one lot at a time"),
        ("40 strips 30 x 42", "A strip can be"),
        ("40 strips 2 1/2 x 2", None),
        ("40 strips 2 1/2 x 900", "up to 120"),
        ("40 strips 41 strips", "Are the 41 part of these"),
        ("40 strips, -2 wide", "“-2”"),
        ("x" * 300, "can have 200 characters"),
    ],
)
def test_lines_that_are_not(line: str, complaint: str | None) -> None:
    if complaint is None:
        assert take_line(line).lot is not None, "the smaller side is the width"
        return
    with pytest.raises(NotTaken, match=complaint.replace("?", r"\?")):
        take_line(line)


@pytest.mark.parametrize(
    ("line", "form", "count", "prints", "width", "length"),
    [
        ("12 light fat quarters", Form.FAT_QUARTER, 12, 12, "35/2", "21"),
        ("12 fat quarters 17 x 20 1/2", Form.FAT_QUARTER, 12, 12, "17", "41/2"),
        ("bundle of 6 fat eighths", Form.FAT_EIGHTH, 6, 6, "17/2", "21"),
        ("42 charm squares, 21 prints", Form.SQUARE, 42, 21, "5", "5"),
        ("stack of 42 ten-inch squares", Form.SQUARE, 42, 42, "10", "10"),
        ("40 mini squares, 20 prints, 2 of each", Form.SQUARE, 40, 20, "5/2", "5/2"),
        ("100 2 1/2 inch squares, 4 prints", Form.SQUARE, 100, 4, "5/2", "5/2"),
        ("2 1/4 yd charcoal", Form.YARDAGE, 1, 1, "42", "81"),
        ("0.5 m x 110 cm steam", Form.YARDAGE, 1, 1, "5500/127", "2500/127"),
        ("9 strings 1 1/2 x 30", Form.STRING, 9, 1, "3/2", "30"),
        ("3 pieces 9 x 12 rust plaid", Form.PIECE, 3, 1, "9", "12"),
        ("60 triangles 2 1/2 x 2 1/2", Form.TRIANGLE, 60, 1, "5/2", "5/2"),
        ("5 yd backing 108 wide", Form.BACKING, 1, 1, "108", "180"),
        ("batting 72 x 90", Form.BATTING, 1, 1, "72", "90"),
        ("fat quarter lamp red", Form.FAT_QUARTER, 1, 1, "35/2", "21"),
    ],
)
def test_every_form_is_understood(
    line: str, form: Form, count: int, prints: int, width: str, length: str
) -> None:
    lot = take_line(line).lot
    assert lot is not None
    assert (lot.form, lot.count, len(lot.stacks)) == (form, count, prints)
    assert (lot.width, lot.length) == (Fraction(width), Fraction(length))


def test_words_that_mean_nothing_else_name_the_cloth() -> None:
    for line, name in (
        ("2 1/4 yd charcoal", "charcoal"),
        ("a shoe box, 900 g of crumbs", "shoe box"),
    ):
        reading = take_line(line)
        assert reading.lot is not None
        assert reading.lot.prints[0].name == reading.name == name


def test_strings_vary_and_scraps_are_weighed() -> None:
    strings = take_line("strings 1 1/4 to 2 1/2, about 60, 9 to 30 long").lot
    assert strings is not None
    assert (strings.width, strings.most_width) == (Fraction(5, 4), TWO_AND_A_HALF)
    assert (strings.length, strings.most_length) == (9, 30)
    assert (strings.count, strings.estimated) == (60, True)
    assert strings.area == 60 * Fraction(15, 8) * Fraction(39, 2)
    scraps = take_line("1 kg crumbs").lot
    assert scraps is not None
    square_metres = float(scraps.area) * 0.0254**2
    assert square_metres == pytest.approx(1000 / 145)
    assert "estimated" in " ".join(read_line("1 kg crumbs").in_words)


def test_a_pasted_list_is_read_line_by_line() -> None:
    readings = read_lines("12 fat quarters\n\n42 charm squares, 21 prints\nnonsense\n")
    assert [reading.taken for reading in readings] == [True, True, False]


def test_what_was_not_said_is_assumed_aloud() -> None:
    assumed = " ".join(read_line("roll of 40 strips").assumed)
    assert "2½″ wide" in assumed
    assert "42″ usable" in assumed
    assert "20 prints" in assumed
    (filled_in,) = read_line("40 strips 2 1/2 x 42, 20 prints").assumed
    assert filled_in.startswith("the prints are numbered, with stand-in colors")
    assert read_line("1 strip 2 1/2 x 42 navy, 1 print").assumed == ()


def test_what_was_not_understood_is_marked_where_it_stands() -> None:
    reading = read_line('40 strips of plaid, 20 prints "attic roll"')
    assert [s.text for s in reading.stretches if s.not_understood] == ["plaid"]
    assert reading.name == "attic roll"
    assert not reading.taken


def test_a_value_said_is_a_value_had() -> None:
    lot = take_line("30 strips, 10 prints, light").lot
    assert lot is not None
    assert {cloth.value for cloth in lot.prints} == {Value.LIGHT}


def test_bare_numbers_are_in_the_persons_units() -> None:
    lot = take_line("roll 40 x 6.5 x 107", Workshop(units=Units.CENTIMETRES)).lot
    assert lot is not None
    assert (lot.width, lot.length) == (Fraction(13, 2) * CM, 107 * CM)


words = st.sampled_from(
    ["roll", "of", "40", "strips", "20", "prints", "2 1/2", "x", "41.5", "light", "each", "cm", "½",
     '"', "-", "1/0", "fat quarters", "0", "999999", "strip", "wide", ",", "<b>", "🧵"]
)  # fmt: skip


@given(st.lists(words, max_size=14).map(" ".join) | st.text(max_size=80))
def test_any_line_is_read_whole_and_never_fails(line: str) -> None:
    reading = read_line(line)
    assert "".join(stretch.text for stretch in reading.stretches) == line
    assert reading.taken or reading.problems
    if reading.taken:
        assert reading.lot is not None
        assert not any(stretch.not_understood for stretch in reading.stretches)


@pytest.mark.parametrize(
    ("line", "units", "said"),
    [
        ("40 strips 6.5 x 107", Units.INCHES, "107 is in inches; for centimeters, type cm"),
        ("40 strips 6.5 x 107 cm", Units.INCHES, None),
        ("40 strips 2 1/2 x 42", Units.INCHES, None),
        ("40 strips 2 1/2 x 42", Units.CENTIMETRES, "fractions without a unit are in centimeters"),
        ("40 strips 2 1/2 x 42 in", Units.CENTIMETRES, None),
        ("40 strips 6.5 x 107", Units.CENTIMETRES, None),
    ],
)
def test_a_bare_number_that_looks_like_the_other_unit_is_told(
    line: str, units: Units, said: str | None
) -> None:
    told = " ".join(read_line(line, Workshop(units=units)).assumed)
    assert (said in told) if said else ("without a unit" not in told and "is in inches" not in told)


@pytest.mark.parametrize("line", ["12 strips 0 x 42", "12 strips 2 1/2 x 0", "5 squares 0 x 5"])
def test_a_size_of_nothing_is_never_taken_for_the_usual_one(line: str) -> None:
    assert not read_line(line).taken
