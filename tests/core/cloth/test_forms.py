"""The forms of fabric: usual sizes, limits, and areas that add up."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.fabric import BadFabric, Lot, Stack, Value, area_of_scraps, spread
from kersey.core.cloth.forms import FACTS, BadPiece, Form, check_piece
from kersey.core.cloth.print_names import made_up_prints, named_print
from kersey.core.cloth.sorting import Order
from kersey.core.stash.cupboard import Aside, CupboardLot

PRINTS = made_up_prints(6)
MEASURED = sorted(set(Form) - {Form.SCRAPS})


@pytest.mark.parametrize(
    ("form", "usual"),
    [
        (Form.SQUARE, ("5", "5")),
        (Form.FAT_QUARTER, ("35/2", "21")),
        (Form.FAT_EIGHTH, ("17/2", "21")),
    ],
)
def test_usual_sizes_of_the_handbook(form: Form, usual: tuple[str, str]) -> None:
    assert FACTS[form].usual == tuple(map(Fraction, usual))


@pytest.mark.parametrize("form", MEASURED)
def test_limits_are_told_with_an_example(form: Form) -> None:
    facts = FACTS[form]
    for width, length in (
        (facts.narrowest / 2, facts.longest),
        (facts.widest + 1, facts.longest),
        (facts.narrowest, facts.longest + 1),
        (facts.widest, Fraction(0)),
    ):
        with pytest.raises(BadPiece, match=f"like {facts.example}"):
            check_piece(form, width, length)


@pytest.mark.parametrize("form", MEASURED)
def test_every_usual_size_is_within_its_limits(form: Form) -> None:
    width, length = FACTS[form].usual
    if width is not None and length is not None:
        check_piece(form, width, length)


@pytest.mark.parametrize("form", list(Form))
def test_no_lot_is_empty_or_endless(form: Form) -> None:
    grams = 100 if form is Form.SCRAPS else None
    for count in (0, FACTS[form].most + 1):
        with pytest.raises(BadFabric, match="A lot can have"):
            Lot(Fraction(20), Fraction(20), (Stack(PRINTS[0], count),), form=form, grams=grams)


@given(st.integers(1, 40), st.fractions(1, 12), st.fractions(14, 100))
def test_the_area_of_a_lot_is_that_of_its_pieces(
    count: int, width: Fraction, length: Fraction
) -> None:
    lot = Lot(width, length, spread(count, PRINTS[: min(count, 6)]))
    assert lot.area == count * width * length
    washed = Lot(width, length, lot.stacks, shrinkage=Fraction(5))
    assert washed.area == lot.area * Fraction(95, 100) ** 2
    less_across = replace(washed, shrinkage_across=Fraction(2))
    assert less_across.usable_width == width * Fraction(98, 100)
    assert less_across.area == count * less_across.usable_width * less_across.usable_length
    assert washed.measured(length - 1).usable_length == length - 1


def test_triangles_are_half_squares_and_scraps_are_weighed() -> None:
    two = Fraction(2)
    corners = Lot(two, two, (Stack(PRINTS[0], 10),), form=Form.TRIANGLE)
    assert corners.area == 20
    box = Lot(two * 0, two * 0, (Stack(PRINTS[0], 1),), form=Form.SCRAPS, grams=900)
    assert box.area == area_of_scraps(900)
    with pytest.raises(BadFabric, match="by weight"):
        Lot(two, two, (Stack(PRINTS[0], 1),), form=Form.SCRAPS)
    with pytest.raises(BadFabric, match="by weight"):
        Lot(two, two, (Stack(PRINTS[0], 1),), form=Form.SQUARE, grams=5)


@pytest.mark.parametrize(
    ("name", "value", "ground"),
    [
        ("charcoal", Value.DARK, "#3b4046"),
        ("lamp red stripe", Value.MEDIUM, "#a3342d"),
        ("Signal Green", Value.DARK, "#2f5d48"),
        ("muslin", Value.LIGHT, "#eee6d3"),
    ],
)
def test_a_cloth_is_drawn_in_the_colour_of_its_name(name: str, value: Value, ground: str) -> None:
    cloth = named_print(name)
    assert (cloth.name, cloth.value, cloth.swatch.ground) == (name, value, ground)


@given(
    st.text(min_size=1, max_size=30).filter(lambda t: bool(t.split())),
    st.sampled_from([None, *Value]),
)
def test_any_name_gets_a_print_of_the_value_asked_for(name: str, value: Value | None) -> None:
    cloth = named_print(name, value)
    assert cloth.name == " ".join(name.split())
    assert value is None or cloth.value is value
    assert cloth == named_print(name, value)


def test_a_lot_at_home_is_judged_set_aside_sorted_and_moved() -> None:
    lot = Lot(Fraction(5, 2), Fraction(42), spread(12, PRINTS))
    kept = CupboardLot(" roll  of the paint shop ", lot)
    assert kept.name == "roll of the paint shop"
    assert {p.value for p in kept.judged(Value.LIGHT).lot.prints} == {Value.LIGHT}
    assert kept.set_aside(Aside.BINDING).set_aside(None) == kept
    assert kept.made_directional(True).made_directional(False) == kept
    values = [list(Value).index(p.value) for p in kept.sorted(Order.VALUE).lot.prints]
    assert values == sorted(values)
    assert kept.moved(0, 5).lot.prints == (*PRINTS[1:], PRINTS[0])
    assert kept.moved(4, 1).moved(1, 4) == kept
    with pytest.raises(BadFabric):
        kept.moved(0, 6)
