"""Prints put in order."""

from itertools import pairwise, permutations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.colour import colour_family, difference, lab, lightness
from kersey.core.cloth.print_names import made_up_prints
from kersey.core.cloth.sorting import CannotDraw, Order, bag_draw, sort_colours

colours = st.integers(0, 0xFFFFFF).map(lambda number: f"#{number:06x}")
palettes = st.lists(colours, max_size=40)


@pytest.mark.parametrize(
    ("colour", "expected"),
    [
        ("#ff0000", (53.2, 80.1, 67.2)),
        ("#00ff00", (87.7, -86.2, 83.2)),
        ("#0000ff", (32.3, 79.2, -107.9)),
        ("#ffffff", (100.0, 0.0, 0.0)),
        ("#808080", (53.6, 0.0, 0.0)),
        ("#000000", (0.0, 0.0, 0.0)),
    ],
)
def test_lab_of_known_colours(colour: str, expected: tuple[float, float, float]) -> None:
    """Published CIELAB values of the sRGB primaries under D65."""
    assert lab(colour) == pytest.approx(expected, abs=0.1)


@pytest.mark.parametrize(
    ("colour", "family"),
    [
        ("#a3342d", "red"),
        ("#efe7d3", "neutral"),
        ("#2f5d48", "green"),
        ("#dfbf74", "yellow"),
        ("#27385c", "blue"),
        ("#3d7276", "teal"),
        ("#6b5476", "purple"),
        ("#573a29", "brown"),
        ("#363b42", "neutral"),
        ("#e07b39", "orange"),
    ],
)
def test_families(colour: str, family: str) -> None:
    assert colour_family(colour) == family


@given(palettes, st.sampled_from(list(Order)))
def test_every_order_keeps_every_print(palette: list[str], order: Order) -> None:
    placed = sort_colours(palette, order)
    assert sorted(placed) == list(range(len(palette)))
    assert placed == sort_colours(palette, order)


@given(palettes)
def test_by_value_runs_light_to_dark(palette: list[str]) -> None:
    lights = [lightness(palette[i]) for i in sort_colours(palette, Order.VALUE)]
    assert lights == sorted(lights, reverse=True)


def walk(palette: list[str], order: tuple[int, ...]) -> float:
    return sum(difference(lab(palette[a]), lab(palette[b])) for a, b in pairwise(order))


@given(st.lists(colours, min_size=2, max_size=6, unique=True))
def test_a_small_gradient_is_nearly_the_smoothest_there_is(palette: list[str]) -> None:
    """Compared with every order that begins at the lightest print."""
    placed = sort_colours(palette, Order.GRADIENT)
    others = [i for i in range(len(palette)) if i != placed[0]]
    shortest = min(walk(palette, (placed[0], *rest)) for rest in permutations(others))
    assert walk(palette, placed) <= shortest * 1.25 + 1e-6


def test_a_gradient_of_real_prints_is_smoother_than_the_roll() -> None:
    palette = [cloth.swatch.ground for cloth in made_up_prints(42)]
    as_rolled = walk(palette, tuple(range(42)))
    assert walk(palette, sort_colours(palette, Order.GRADIENT)) < as_rolled / 2


@given(st.lists(st.integers(0, 8), max_size=8), st.integers(0, 1000))
def test_the_bag(counts: list[int], seed: int) -> None:
    total = sum(counts)
    if counts and max(counts) * 2 > total + 1:
        with pytest.raises(CannotDraw):
            bag_draw(counts, seed)
        return
    drawn = bag_draw(counts, seed)
    assert [drawn.count(i) for i in range(len(counts))] == counts
    assert all(one != other for one, other in pairwise(drawn))
    assert drawn == bag_draw(counts, seed)
