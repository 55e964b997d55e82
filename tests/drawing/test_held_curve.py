"""The curve of what is there: every layer as high as its area, one on the other."""

import re
from datetime import date, timedelta
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.drawing.held_curve import draw_held

LAYER = re.compile(r'<path d="M([^"]+)z" class="held-layer"')
DAYS = [date(2026, 1, 31) + timedelta(30 * n) for n in range(5)]
areas = st.lists(st.integers(0, 5000).map(Fraction), min_size=5, max_size=5)


@given(st.lists(areas, min_size=1, max_size=4))
def test_layers_are_as_high_as_what_was_there(layers: list[list[Fraction]]) -> None:
    drawn = draw_held(DAYS, layers, ["#123456"] * len(layers), ["so much"] * len(DAYS))
    shown = [
        [tuple(map(float, corner.split())) for corner in path.split("L")]
        for path in LAYER.findall(drawn)
    ]
    assert len(shown) == len(layers)
    most = max(sum(at) for at in zip(*layers, strict=True)) or 1
    floor = max(y for corners in shown for _, y in corners)
    full = floor if most > 1 else 1.0
    below = [floor] * len(DAYS)
    for corners, layer in zip(shown, layers, strict=True):
        above, under = corners[: len(DAYS)], corners[: len(DAYS) - 1 : -1]
        # What lies under it is where the layer below ended, and nothing is drawn twice.
        assert [y for _, y in under] == pytest.approx(below, abs=0.01)
        heights = [low - high for (_, high), (_, low) in zip(above, under, strict=True)]
        wanted = [float(area) / float(most) * full for area in layer]
        if most > 1:
            assert heights == pytest.approx(wanted, abs=0.02)
        below = [y for _, y in above]


def test_every_day_is_told_in_words() -> None:
    drawn = draw_held(DAYS, [[Fraction(1)] * 5], ["#123456"], ["1 sq yd"] * 5)
    assert drawn.count("1 sq yd") == 5
    assert "Jan 31, 2026: 1 sq yd" in drawn
