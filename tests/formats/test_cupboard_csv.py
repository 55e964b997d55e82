"""The cupboard as a spreadsheet: nothing lost on the way, nothing runs, wrong rows are told."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.fabric import Lot, Motif, Print, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.measure.workshop import Workshop
from kersey.core.stash.cupboard import Aside, CupboardLot, from_readings
from kersey.core.stash.quick_entry import EXAMPLES, read_line
from kersey.formats.cupboard_csv import MOST_ROWS, NotASpreadsheet, read_cupboard, write_cupboard

SHOP = Workshop()
LOTS = tuple(
    replace(kept, name=f"{place} {kept.name}")
    for place, kept in enumerate(from_readings([read_line(line) for line in EXAMPLES]))
)
colours = st.integers(0, 0xFFFFFF).map(lambda n: f"#{n:06x}")
names = st.text(min_size=1, max_size=30).filter(lambda t: t.split() and "\0" not in t)


@st.composite
def stacks(draw: st.DrawFn) -> Stack:
    swatch = Swatch(draw(st.sampled_from(list(Motif))), draw(colours), draw(colours))
    cloth = Print(draw(names), draw(st.sampled_from(list(Value))), swatch)
    return Stack(cloth, draw(st.integers(1, 9)))


@st.composite
def lots(draw: st.DrawFn) -> CupboardLot:
    lot = Lot(
        width=draw(st.fractions(1, 4, max_denominator=127)),
        length=draw(st.fractions(20, 60, max_denominator=127)),
        stacks=tuple(draw(st.lists(stacks(), min_size=1, max_size=4))),
        form=draw(st.sampled_from([Form.STRIP, Form.STRING])),
        estimated=draw(st.booleans()),
        directional=draw(st.booleans()),
        shrinkage=Fraction(draw(st.integers(0, 30)), 2),
        wrong_side=draw(st.sampled_from([None, *Value])),
    )
    return CupboardLot(draw(names), lot, draw(st.sampled_from([None, *Aside])))


def test_all_examples_come_back() -> None:
    table = read_cupboard(write_cupboard(LOTS).encode(), SHOP)
    assert table.lots == LOTS
    assert table.wrong == ()
    assert {kept.lot.form for kept in LOTS} == set(Form)


@given(lots())
def test_any_lot_comes_back(kept: CupboardLot) -> None:
    (back,) = read_cupboard(write_cupboard([kept]).encode(), SHOP).lots
    assert back.name == kept.name.strip()
    assert back.lot == kept.lot
    assert back.aside == kept.aside


@pytest.mark.parametrize("name", ["=HYPERLINK(1)", "+1", "-2", "@SUM(A1)", "=1+1|cmd"])
def test_no_cell_is_a_formula_and_the_name_survives(name: str) -> None:
    kept = CupboardLot(name, LOTS[0].lot)
    written = write_cupboard([kept])
    for row in written.splitlines()[1:]:
        assert not row.lstrip('"').startswith(("=", "+", "-", "@"))
    assert read_cupboard(written.encode(), SHOP).lots[0].name == name


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "cp1252"])
@pytest.mark.parametrize("delimiter", [",", ";", "\t"])
def test_encodings_and_separators_of_real_spreadsheets(encoding: str, delimiter: str) -> None:
    text = "Lot,Form,Pieces,Width,Length,Print\r\nÉtoffe,strips,12,2½,42,blé\r\n".replace(
        ",", delimiter
    )
    table = read_cupboard(text.encode(encoding), SHOP)
    assert [(k.name, k.lot.count, k.lot.width) for k in table.lots] == [
        ("Étoffe", 12, Fraction(5, 2))
    ]


def test_wrong_rows_are_told_and_good_ones_taken() -> None:
    text = """lot,form,pieces,width,length,value
tens,square,40,10,10,dark
hats,hat,3,,,
wide,strip,4,99,200,
none,strip,0,2.5,42,
many,strip,ten,2.5,42,
odd,strip,4,2 1/0,42,
loud,strip,4,2.5,42,purple

strips,strips,12,6.5 cm,107 cm,light
"""
    table = read_cupboard(text.encode(), SHOP)
    assert [kept.name for kept in table.lots] == ["tens", "strips"]
    told = {row.number: row.why for row in table.wrong}
    assert sorted(told) == [3, 4, 5, 6, 7, 8]
    assert "hat" in told[3]
    assert "A strip can be" in told[4]
    assert "whole number" in told[6]
    assert "isn't a length" in told[7]
    assert "purple" in told[8]


@pytest.mark.parametrize(
    ("content", "why"),
    [
        (b"", "Missing: form and pieces"),
        (b"a,b\n1,2\n", "Missing: form and pieces"),
        (b"\x89PNG\r\n\x1a\n\0\0\0", "isn't a CSV file"),
        (b"form,pieces\n" + b'"' + b"x" * 200_000, "no table|field larger"),
        (b"form,pieces\n" + b"strip,1\n" * (MOST_ROWS + 5), "can have 20000 rows"),
        (b"x" * (9 * 1024 * 1024), "larger than 8 MB"),
    ],
)
def test_files_that_are_no_table_of_fabric(content: bytes, why: str) -> None:
    with pytest.raises(NotASpreadsheet, match=why):
        read_cupboard(content, SHOP)


@given(st.binary(max_size=300) | st.text(max_size=300).map(str.encode))
def test_any_bytes_are_read_or_refused(content: bytes) -> None:
    try:
        table = read_cupboard(b"form,pieces,lot,width\n" + content, SHOP)
    except NotASpreadsheet as refused:
        assert str(refused)
    else:
        assert all(row.why for row in table.wrong)
