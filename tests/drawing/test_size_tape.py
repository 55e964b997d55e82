"""The tape of sizes: every quilt is a pin at its width, and no two heads touch."""

import re
from fractions import Fraction
from itertools import combinations
from xml.etree import ElementTree

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.measure.length import Units
from kersey.drawing.size_tape import Pin, draw_size_tape

SIDES = st.integers(40, 960).map(lambda eighths: Fraction(eighths, 8))


@given(st.lists(st.tuples(SIDES, SIDES), min_size=1, max_size=8), st.sampled_from(list(Units)))
def test_pins_stand_at_their_widths_and_apart(
    sizes: list[tuple[Fraction, Fraction]], units: Units
) -> None:
    pins = [Pin(width, length, str(n)) for n, (width, length) in enumerate(sizes, 1)]
    drawn = draw_size_tape(pins, units)
    picture = ElementTree.fromstring(drawn)
    heads = [e for e in picture.iter() if e.get("class") == "pin-head"]
    at = [(float(e.get("cx", "")), float(e.get("cy", "")), float(e.get("r", ""))) for e in heads]
    assert [round(x, 1) for x, _, _ in at] == [round(float(pin.width), 1) for pin in pins]
    for (x, y, r), (other_x, other_y, _) in combinations(at, 2):
        assert (x - other_x) ** 2 + (y - other_y) ** 2 >= (2 * r) ** 2
    label = re.search(r'aria-label="([^"]*)"|<title>([^<]*)</title>', drawn)
    assert label
    assert all(f"{pin.name}: " in label[0] for pin in pins)
