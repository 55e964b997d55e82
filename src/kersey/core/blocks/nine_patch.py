"""Nine-patch: three rows of three squares, five of one side and four of the other.

patch = finished / 3 + 2s
"""

from fractions import Fraction

from kersey.core.blocks.recipe import CutList, Options, Recipe
from kersey.core.cutting.problem import Need


def _cut(finished: Fraction, _: Options, seam: Fraction) -> CutList:
    side = finished / 3 + 2 * seam
    return CutList((Need("A", "dark", side, side, 5), Need("B", "light", side, side, 4)))


RECIPE = Recipe(
    id="nine-patch",
    title="Nine-patch",
    finished=Fraction(6),
    cut=_cut,
    about="Five dark squares and four light ones.",
)
