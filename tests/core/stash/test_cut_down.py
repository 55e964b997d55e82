"""Offcuts cut down under rules: nothing is made up, and no way of cutting is worth more."""

from fractions import Fraction
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units
from kersey.core.stash.cut_down import (
    SHORTEST_STRIP,
    BadRule,
    CutRule,
    cut_down,
    read_rules,
    rules_text,
)

F = Fraction


def most_worth(size: tuple[int, int], rules: list[CutRule], directional: bool) -> Fraction:
    """By trying a cut at every whole inch, either way."""
    weights = [F(6, 5) ** (len(rules) - 1 - n) for n in range(len(rules))]

    @cache
    def best(width: int, length: int) -> Fraction:
        found = F(0)
        for rule, weight in zip(rules, weights, strict=True):
            if rule.length is None:
                if rule.width <= width and length >= SHORTEST_STRIP:
                    found = max(found, weight * rule.width * length)
                if rule.width <= length and width >= SHORTEST_STRIP:
                    found = max(found, weight * rule.width * width)
                continue
            ways = [(rule.width, rule.length)]
            if not directional:
                ways.append((rule.length, rule.width))
            if any(w <= width and h <= length for w, h in ways):
                found = max(found, weight * rule.width * rule.length)
        for at in range(1, width):
            found = max(found, best(at, length) + best(width - at, length))
        for at in range(1, length):
            found = max(found, best(width, at) + best(width, length - at))
        return found

    return best(*size)


whole_rules = st.lists(
    st.builds(
        lambda w, more: CutRule(F(w), None if more is None else F(w + more)),
        st.integers(1, 6),
        st.none() | st.integers(0, 5),
    ),
    min_size=1,
    max_size=3,
)


@given(st.integers(1, 14), st.integers(1, 14), whole_rules, st.booleans())
def test_no_way_of_cutting_is_worth_more(
    width: int, length: int, rules: list[CutRule], directional: bool
) -> None:
    found = cut_down((F(width), F(length)), rules, directional)
    assert found.worth == most_worth((width, length), rules, directional)
    used = sum((p.width * p.length * p.count for p in found.pieces), F(0))
    assert used + found.lost == width * length
    assert found.lost >= 0
    sizes = {(r.width, r.length) for r in rules}
    for piece in found.pieces:
        as_strip = (piece.width, None) in sizes or (piece.length, None) in sizes
        assert (piece.width, piece.length) in sizes or (as_strip and piece.length >= SHORTEST_STRIP)
        assert (piece.form is Form.SQUARE) == (piece.width == piece.length)


def test_what_is_wanted_first_is_cut_first() -> None:
    size = F(5), F(20)
    squares_first = cut_down(size, read_rules("5 squares, 2 1/2 strips"))
    assert [(p.width, p.length, p.count) for p in squares_first.pieces] == [(5, 5, 4)]
    strips_first = cut_down(size, read_rules("2 1/2 strips, 5 squares"))
    assert [(p.width, p.length, p.count) for p in strips_first.pieces] == [(F(5, 2), 20, 2)]
    assert strips_first.pieces[0].form is Form.STRIP


@pytest.mark.parametrize("wrong", ["soft", "2 x 3 x 4", "0", "90 squares", "1,2,3,4,5,6,7"])
def test_rules_that_are_none_are_refused(wrong: str) -> None:
    with pytest.raises(BadRule):
        read_rules(wrong)


def test_rules_are_read_in_any_unit() -> None:
    assert read_rules("2.5 in x 4.5 in; 5 cm strips")[1].length is None
    assert read_rules("6.5 x 6.5", Units.CENTIMETRES)[0].width == F(65, 10) / F(254, 100)
    assert read_rules("") == ()


halves = st.integers(2, 60).map(lambda n: F(n, 2))


@given(
    st.lists(st.tuples(halves, st.none() | halves), min_size=1, max_size=6),
    st.sampled_from(Units),
    st.sampled_from(Units),
)
def test_rules_that_are_kept_are_the_same_in_other_units(
    sizes: list[tuple[Fraction, Fraction | None]], written: Units, read: Units
) -> None:
    one = F(1) if written is Units.INCHES else F(50, 127)
    rules = [
        CutRule(*sorted((w * one + 1, w * one + 1 if n is None else n * one + 1)))
        if n is not None
        else CutRule(w * one + 1)
        for w, n in sizes
    ]
    # As a person writes them: to the half inch, or the half centimetre.
    said = ", ".join(rule.words(written) for rule in rules)
    try:
        kept = rules_text(said, written)
    except BadRule:
        # A size in halves that is written rounded may fall out of the range of sizes.
        return
    assert read_rules(kept, read) == read_rules(kept, written) == read_rules(said, written)
