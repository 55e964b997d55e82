"""Some 750 lines as people say their fabric, and what each means: written down, then read."""

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.stash.said.spoken import meaning

from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.stash.quick_entry import EXAMPLES_IN_CENTIMETRES, EXAMPLES_IN_INCHES, read_lots
from kersey.core.stash.said.words import meant

IN_INCHES, IN_CENTIMETRES = Workshop(), Workshop(units=Units.CENTIMETRES)


def table(name: str) -> list[tuple[str, str]]:
    text = Path(__file__).with_name(name).read_text()
    rows = (line.split(" | ") for line in text.splitlines() if line and not line.startswith("#"))
    return [(line, meant) for line, meant in rows]


@pytest.mark.parametrize(("line", "means"), table("lines.txt"))
def test_what_is_said_in_inches(line: str, means: str) -> None:
    assert meaning(read_lots(line, IN_INCHES)) == means


@pytest.mark.parametrize(("line", "means"), table("lines_cm.txt"))
def test_what_is_said_in_centimetres(line: str, means: str) -> None:
    assert meaning(read_lots(line, IN_CENTIMETRES)) == means


def test_the_table_is_as_long_as_it_should_be_and_says_no_line_twice() -> None:
    lines = [line for line, _ in table("lines.txt") + table("lines_cm.txt")]
    assert len(lines) >= 300
    assert len(set(lines)) >= len(lines) - 12


@pytest.mark.parametrize("units", Units)
def test_examples_are_taken_in_the_units_they_are_shown_in(units: Units) -> None:
    examples = EXAMPLES_IN_INCHES if units is Units.INCHES else EXAMPLES_IN_CENTIMETRES
    for line in examples:
        for reading in read_lots(line, Workshop(units=units)):
            assert reading.taken, (line, reading.problems)
            assert reading.lot is not None
            # Nothing comes out as centimetres read for inches, or the other way round.
            assert reading.lot.grams or reading.lot.width >= 1, line


words = st.sampled_from(
    ["12", "light", "dark", "fat quarters", "strips", "and", ",", "2 yd", "navy", "x", "2 1/2",
     "each", "red", "cuts", "1/0", "-3", "“", "dozen", "half", "a", "yards", "m20", "20", "cm",
     "roll of", "pack", "charm", "queen", "batting", "backing", "wide", "to", "qaurters", "(", "g"]
)  # fmt: skip


@given(st.lists(words, max_size=12).map(" ".join) | st.text(max_size=60), st.sampled_from(Units))
def test_every_letter_of_a_line_stands_in_just_one_stretch(line: str, units: Units) -> None:
    readings = read_lots(line, Workshop(units=units))
    assert "".join(s.text for reading in readings for s in reading.stretches) == line
    for reading in readings:
        assert reading.taken != bool(reading.problems)
        assert all(not problem or problem[-1] in ".?" for problem in reading.problems)


@given(st.sampled_from(["strips", "quarters", "squares", "pieces"]), st.data())
def test_a_slip_of_two_letters_is_proposed_and_never_taken(word: str, data: st.DataObject) -> None:
    at = data.draw(st.integers(1, len(word) - 3))
    slip = word[:at] + word[at + 1] + word[at] + word[at + 2 :]
    if slip == word:
        return
    reading = read_lots(f"12 {'fat ' if word == 'quarters' else ''}{slip} 5")[0]
    assert not reading.taken
    assert meant(slip) in {word, word.removesuffix("s")}
    assert reading.proposal
