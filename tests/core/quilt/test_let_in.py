"""A strip of blocks let into the backing: it covers, and a width fewer would not."""

from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.backing import plan_backing
from kersey.core.measure.workshop import Workshop
from kersey.core.quilt.let_in import let_in

F = Fraction
EIGHTHS = st.integers(160, 880).map(lambda n: F(n, 8))


@given(EIGHTHS, EIGHTHS, st.integers(24, 120).map(lambda n: F(n, 8)))
def test_it_covers_and_saves_a_width(width: Fraction, length: Fraction, block: Fraction) -> None:
    shop = Workshop()
    found = let_in((width, length), (block, block), shop)
    usual = {p.way.value: p for p in plan_backing(width, length, F(0), shop.usable_width).plans}
    if found is None:
        # Not even the widest strip makes up for a width, whichever way the seams run.
        for covered, way in ((width, "upright"), (length, "across")):
            fewer = usual[way].panels - 1
            assert fewer == 0 or fewer * 42 - (fewer - 1) + block + F(1, 2) - 2 < covered
        return
    covered, panel = (width, length) if found.upright else (length, width)
    assert found.plan.panels == usual["upright" if found.upright else "across"].panels - 1
    # Every seam takes half an inch of either side: of the panels', and of those of the strip.
    seams = found.plan.panels - 1 + 2
    assert found.plan.panels * 42 + block + F(1, 2) - seams >= covered
    assert found.blocks * block + F(1, 2) >= panel > (found.blocks - 1) * block
    assert found.plan.cloth == found.plan.panels * panel
