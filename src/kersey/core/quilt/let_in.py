"""A strip of spare blocks let into the backing, so that a width of cloth fewer is wide enough.

    covered   n U + u - (n - 1) - 2        n widths of cloth U, a column of blocks u unfinished
    blocks    the fewest b with  b f + 2s >= the panel's length

One panel is cut apart along its length and the column sewn between, with seams of 1/2. Source:
docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.frame.backing import JOIN_COST, BackingPlan, BackingWay
from kersey.core.measure.length import bought_length
from kersey.core.measure.workshop import Workshop


@dataclass(frozen=True)
class LetIn:
    """So many blocks let in, and the panels beside them; with seams `upright` or across."""

    blocks: int
    upright: bool
    plan: BackingPlan


def let_in(backing: Size, block: Size, shop: Workshop) -> LetIn | None:
    """The thriftiest way to let in a column of square blocks; None where it saves no panel.

    A backing of 46 x 60 takes two widths of 42; with blocks of 6 let in one is enough:

    >>> F = Fraction
    >>> found = let_in((F(46), F(60)), (F(6), F(6)), Workshop())
    >>> found.blocks, found.plan.panels, found.plan.cloth
    (10, 1, Fraction(60, 1))
    """
    if block[0] != block[1]:
        return None
    width, length = backing
    ways = [
        found
        for upright, covered, panel in ((True, width, length), (False, length, width))
        for found in [_one_way(upright, covered, panel, block[0], shop)]
        if found is not None
    ]
    return min(ways, key=lambda way: (way.plan.cloth, way.blocks, not way.upright), default=None)


def _one_way(
    upright: bool, covered: Fraction, panel: Fraction, side: Fraction, shop: Workshop
) -> LetIn | None:
    usable, column = shop.usable_width, side + 2 * shop.seam
    panels = int(-(-(covered - JOIN_COST) // (usable - JOIN_COST)))
    fewer = panels - 1
    if fewer < 1 or fewer * usable + column - (fewer - 1) * JOIN_COST - 2 * JOIN_COST < covered:
        return None
    blocks = int(-(-(panel - 2 * shop.seam) // side))
    cloth = fewer * panel
    plan = BackingPlan(BackingWay.LET_IN, fewer, panel, cloth, bought_length(cloth, shop.units))
    return LetIn(blocks, upright, plan)
