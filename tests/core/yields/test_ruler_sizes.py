"""Cut sizes that are on no ruler: told, cut safely, and avoided."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import BadRecipe
from kersey.core.cutting.problem import BadCutting, CuttingProblem, Fabric
from kersey.core.measure.length import CENTIMETRE, EIGHTH, Units, on_ruler
from kersey.core.yields.ruler_sizes import cut_safely, friendly_sizes, off_ruler

SEAM = Fraction(1, 4)
WHOLE_CLOTH = (Fabric("cloth", "cloth", Fraction(42), Fraction(360)),)


def test_a_log_cabin_of_ten_has_logs_of_no_ruler() -> None:
    needs = BlockChoice("log-cabin", (Fraction(10), Fraction(10))).assembly(SEAM).needs
    found = off_ruler(needs, Units.INCHES)
    assert Fraction(11, 6) in {side for piece in found for side in piece.sides}
    assert all(cut % EIGHTH == 0 for piece in found for cut in piece.cut)


@pytest.mark.parametrize("name", sorted(recipes()))
@given(half=st.integers(9, 30), seam=st.sampled_from(["1/4", "3/8", "3/16"]))
def test_what_is_friendlier_comes_out_and_what_is_safe_is_never_short(
    name: str, half: int, seam: str
) -> None:
    block = BlockChoice(name, (Fraction(half, 2), Fraction(half, 2)))
    if not recipes()[name].square:
        block = BlockChoice(name, (Fraction(half, 2), Fraction(half, 2) + 3))
    try:
        needs = block.assembly(Fraction(seam)).needs
        problem = CuttingProblem(needs, WHOLE_CLOTH)
    except (BadRecipe, BadCutting):
        return
    for units in Units:
        safe = cut_safely(problem, units)
        assert (safe is None) == (off_ruler(needs, units) == ())
        for need, cut in zip(needs, safe.needs if safe else needs, strict=True):
            assert need.width <= cut.width
            assert need.height <= cut.height
            assert on_ruler(cut.width, units)
            assert on_ruler(cut.height, units)
    for size in friendly_sizes(block, Fraction(seam), Units.INCHES):
        friendly = BlockChoice(name, size).assembly(Fraction(seam)).needs
        assert all(side % EIGHTH == 0 for n in friendly for side in (n.width, n.height))


def test_centimetres_have_marks_of_their_own() -> None:
    assert on_ruler(Fraction(5, 2), Units.CENTIMETRES)
    assert not on_ruler(Fraction(13, 2), Units.CENTIMETRES)
    assert not on_ruler(6 * CENTIMETRE, Units.INCHES)
