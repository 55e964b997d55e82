"""Scraps by a sample: what is said of a made-up box is true about as often as it is said to be."""

from fractions import Fraction
from random import Random

import pytest

from kersey.core.cloth.fabric import area_of_scraps
from kersey.core.measure.length import Units
from kersey.core.stash.sampling import BadSample, Size, estimate, read_sample

F = Fraction
TWO = (F(2), F(2))


def box_of(pick: Random, pieces: int) -> list[Size]:
    """Scraps of all sorts of sizes, to an eighth."""
    return [(F(pick.randint(8, 40), 8), F(pick.randint(24, 120), 8)) for _ in range(pieces)]


def test_spreads_hold_nineteen_times_in_twenty() -> None:
    pick = Random(5)
    held = {"pieces": 0, "usable": 0}
    for _ in range(200):
        box = box_of(pick, 400)
        whole = float(sum(w * h for w, h in box))
        # A gram covers as much of this cloth as the trade reckons with.
        grams = round(whole / float(area_of_scraps(1)))
        found = estimate(pick.sample(box, 12), grams, wanted=TWO)
        usable = sum(min(size) >= 2 and max(size) >= 2 for size in box)
        assert found.area.low <= whole <= found.area.high
        held["pieces"] += found.pieces.low <= len(box) <= found.pieces.high
        assert found.usable is not None
        held["usable"] += found.usable.low <= usable <= found.usable.high
    assert min(held.values()) >= 180, held


def test_a_larger_sample_says_more_and_one_of_alike_pieces_is_sure() -> None:
    pick = Random(2)
    box = box_of(pick, 300)
    wide = [estimate(box[:n], 900).pieces for n in (10, 40, 160)]
    spans = [(each.high - each.low) / each.likely for each in wide]
    assert spans == sorted(spans, reverse=True)
    alike = estimate([(F(5), F(5))] * 4, 900)
    assert alike.pieces.low == alike.pieces.likely == alike.pieces.high
    weighed = estimate([(F(10), F(10))] * 10, 1000, sample_grams=100)
    assert weighed.area.likely == pytest.approx(10_000)
    # What no piece of the sample was, a few of the box may be all the same.
    none = estimate([(F(1), F(9))] * 10, 900, wanted=TWO).usable
    assert none is not None
    assert (none.likely, none.low) == (0, 0)
    assert none.high > 0


@pytest.mark.parametrize(
    "wrong", ["", "2 x 3", "2, 3, 4", "2 x soft, 1 x 1, 3 x 3", "0 x 2, 1 x 1, 2 x 2"]
)
def test_a_sample_that_says_nothing_is_refused(wrong: str) -> None:
    with pytest.raises(BadSample):
        read_sample(wrong)
    with pytest.raises(BadSample):
        estimate(read_sample("1 x 2, 2 x 3, 3 x 4"), 100, sample_grams=101)
    with pytest.raises(BadSample):
        estimate(read_sample("5 x 5, 6 x 6, 7 x 7", Units.CENTIMETRES), 0)
