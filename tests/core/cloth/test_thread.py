"""Thread that vanishes."""

import pytest

from kersey.core.cloth.colour import lab
from kersey.core.cloth.thread import BadThread, light_and_dark, spools_of, vanishing

SPOOLS = spools_of("white #ffffff\npewter #8a8f92\n\ncoal black #1c1c1c\nlamp red #a3342d")


def test_the_grey_between_vanishes_in_light_and_dark() -> None:
    cloth = [(lab("#efe7d3"), 3.0), (lab("#27385c"), 2.0), (lab("#e6e4dc"), 1.0)]
    light, dark = light_and_dark(cloth)
    assert light[0] > 85
    assert dark == pytest.approx(lab("#27385c"))
    found = vanishing(SPOOLS, light, dark)
    assert found is not None
    assert found.spool.name == "pewter"
    assert max(found.from_light, found.from_dark) < 60
    assert vanishing((), light, dark) is None
    # On light cloth alone it is the white one.
    pale = light_and_dark([(lab("#f4f1ea"), 1.0)])
    on_pale = vanishing(SPOOLS, *pale)
    assert on_pale is not None
    assert on_pale.spool.name == "white"


@pytest.mark.parametrize("line", ["pewter", "#8a8f92", "pewter 8a8f92", "pewter #8a8f9"])
def test_a_line_that_is_no_spool_is_refused(line: str) -> None:
    with pytest.raises(BadThread):
        spools_of(line)
