"""Labels: every piece and every block is on one, and every sheet's labels lie on the page."""

from collections import Counter
from fractions import Fraction
from itertools import combinations

import pytest
from tests.core.mending.mishaps import QUILTS

from kersey.core.work.labels import SHEETS, BadSheet, LabelSheet, kit_labels, pile_labels


@pytest.mark.parametrize("name", ["log cabin", "half-square", "window brick"])
def test_every_piece_is_in_a_pile_and_in_a_kit(name: str) -> None:
    of = QUILTS[name]
    piles, kits = pile_labels(of), kit_labels(of)
    assert len({(pile.print_name, pile.need) for pile in piles}) == len(piles)
    batches = {placed.kit // of.kept.cutting.problem.batch for placed in of.placed}
    wanted = {need: need.count * len(batches) for need in of.kept.cutting.problem.needs}
    there = Counter[object]()
    for pile in piles:
        there[pile.need] += pile.count
    assert there == wanted
    assert sum(len(codes.split()) for kit in kits for _, codes in kit.pieces) == there.total()
    assert sorted(b for kit in kits for b in kit.blocks) == sorted(
        {b for pile in piles for b in pile.blocks}
    )
    assert sum(len(kit.blocks) for kit in kits) == len(of.placed)


@pytest.mark.parametrize("name", SHEETS)
def test_no_label_lies_over_another_or_off_the_page(name: str) -> None:
    sheet = SHEETS[name]
    places = list(sheet.places())
    assert len(places) == sheet.on_a_page
    for x, y in places:
        assert 0 <= x <= sheet.paper_width - sheet.width
        assert 0 <= y <= sheet.paper_length - sheet.height
    for (x, y), (u, v) in combinations(places, 2):
        assert abs(x - u) >= sheet.width or abs(y - v) >= sheet.height


def test_a_sheet_that_is_too_small_says_so() -> None:
    with pytest.raises(BadSheet, match="too wide for the page"):
        LabelSheet(
            Fraction(8), Fraction(11), 3, 7, Fraction(3), Fraction(1), Fraction(0), Fraction(0)
        )
