"""Lots and prints as documents: word for word there and back; damaged ones are refused."""

import json
from dataclasses import replace
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.fabric import Fact, Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.records.choices import BadDocument
from kersey.records.lots import (
    lot_document,
    lot_from,
    numbered_document,
    print_document,
    print_from,
)

colours = st.integers(0, 0xFFFFFF).map(lambda n: f"#{n:06x}")
names = st.text("abc “é”🧵", min_size=1, max_size=12).filter(str.strip)
lengths = st.fractions(6, 40, max_denominator=16)
swatches = st.builds(
    Swatch, st.sampled_from(Motif), colours, colours, st.sampled_from(Scale), st.none()
)
prints = st.builds(
    Print,
    names,
    st.sampled_from(Value),
    swatches,
    st.sampled_from([None, "red", "blue", "neutral"]),
    st.frozensets(st.sampled_from(Fact)),
)
stacks = st.builds(Stack, prints, st.integers(1, 9), st.none() | lengths, st.integers(1, 99))
lots = st.builds(
    lambda width, length, held, directional, shrinkage, wrong: Lot(
        width,
        length,
        tuple(held),
        form=Form.PIECE,
        directional=directional,
        shrinkage=shrinkage,
        wrong_side=wrong,
    ),
    lengths,
    lengths,
    st.lists(stacks, min_size=1, max_size=3),
    st.booleans(),
    st.fractions(0, 10, max_denominator=10),
    st.none() | st.sampled_from(Value),
)
kept_lots = st.builds(CupboardLot, names, lots, st.none() | st.sampled_from(Aside))


def through_json(document: Any) -> Any:
    return json.loads(json.dumps(document))


@given(kept_lots)
def test_a_lot_comes_back_word_for_word(kept: CupboardLot) -> None:
    assert lot_from(through_json(lot_document(kept))) == kept
    numbered = lot_from(through_json(numbered_document(kept)))
    assert numbered == kept
    assert [s.number for s in numbered.lot.stacks] == [s.number for s in kept.lot.stacks]
    assert json.dumps(lot_document(kept)) == json.dumps(lot_document(replace(kept)))


@given(prints)
def test_a_print_comes_back_word_for_word(cloth: Print) -> None:
    assert print_from(through_json(print_document(cloth))) == cloth


def flat(kept: CupboardLot) -> dict[str, Any]:
    """A lot as it was written in the first version: everything of a print in its stack."""
    document = through_json(numbered_document(kept))
    lot = document["lot"]
    old_prints = []
    for stack in lot.pop("stacks"):
        cloth = stack.pop("print")
        old_prints.append({**stack, **cloth.pop("swatch"), **cloth})
    return {"name": document["name"], "aside": document["aside"], **lot, "prints": old_prints}


@given(kept_lots)
def test_lots_of_the_first_version_are_read(kept: CupboardLot) -> None:
    old = flat(kept)
    assert lot_from(old) == kept
    # What was not yet written in the oldest of them.
    for part in old["prints"]:
        del part["number"]
    del old["shrinkage_across"]
    assert lot_from(old) == kept


@pytest.mark.parametrize(
    ("change", "where"),
    [
        (lambda d: d.update(version=7), "version 7"),
        (lambda d: d.update(version="2"), "version '2'"),
        (lambda d: d["lot"].update(width="1/0"), "lot.width"),
        (lambda d: d["lot"].update(width="wide"), "lot.width"),
        (lambda d: d["lot"].update(form="hat"), "lot.form"),
        (lambda d: d["lot"].pop("length"), "lot.length"),
        (lambda d: d["lot"]["stacks"][0].update(count="many"), "lot.stacks.0.count"),
        (lambda d: d["lot"]["stacks"][0].update(count=0), "can have 1 to"),
        (lambda d: d["lot"]["stacks"][0]["print"].update(name=" "), "Type a name"),
        (lambda d: d["lot"]["stacks"][0]["print"]["swatch"].update(ground="red"), "“red”"),
        (lambda d: d.update(lot=[]), "lot"),
        (lambda d: d.update(aside="gone"), "aside"),
    ],
)
def test_a_damaged_lot_is_refused_with_its_place(change: Any, where: str) -> None:
    cloth = Print("lamp red", Value.DARK, Swatch(Motif.PLAIN, "#a02020", "#fefefe"))
    lot = Lot(Fraction(5), Fraction(5), (Stack(cloth, 3),), form=Form.SQUARE)
    document = through_json(lot_document(CupboardLot("charms", lot)))
    change(document)
    with pytest.raises(BadDocument, match=where):
        lot_from(document)
