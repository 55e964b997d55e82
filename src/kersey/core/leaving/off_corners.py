"""Triangles that are cut off when corners are flipped over: pairs that become small squares.

    square S sewn corner to corner, cut a seam outside it:  legs of  S - s sqrt 2  fall off, two of
    them, one of the corner's print and one of what it was flipped over
    sewn together along the slant they make a square of  S - 2s sqrt 2  unfinished

Lengths are rounded down to an eighth: what is written down is really there. Source: docs/trade.md
sections 3 and 7.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Make
from kersey.core.blocks.technique import CUT
from kersey.core.cutting.problem import Need
from kersey.core.kits.pieces import pieces_of, slots_of
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.root2 import Root2
from kersey.core.quilt.quilt import Quilt

# Smaller ones are lost in the seams of what they become.
_LEAST_LEG = Fraction(3, 2)


@dataclass(frozen=True)
class OffCorner:
    """So many triangles of a fabric with legs of this length; pairs make a square so large,
    unfinished."""

    fabric: str
    leg: Fraction
    count: int
    pair: Fraction

    @property
    def area(self) -> Fraction:
        """Square inches of all of them."""
        return self.leg * self.leg / 2 * self.count


def off_corners(quilt: Quilt) -> tuple[OffCorner, ...]:
    """The triangles that fall off while the blocks of a quilt are sewn."""
    falls: Counter[tuple[Need, Fraction]] = Counter()
    for make in quilt.assembly.makes:
        if make.how.flips:
            falls.update(_of_a_make(quilt, make))
    if not falls or quilt.kept.cutting.problem.strip_sets:
        return ()
    of_need = {need: (side, count) for (need, side), count in falls.items()}
    problem, seam = quilt.kept.cutting.problem, quilt.kept.seam
    slots = slots_of(problem)
    found: Counter[tuple[str, Fraction]] = Counter()
    kits = pieces_of(quilt.kept.kits, (placed.kit for placed in quilt.placed), problem.batch)
    for kit in kits:
        for name, slot in zip(kit, slots, strict=True):
            side, count = of_need.get(problem.needs[slot], (Fraction(0), 0))
            if count:
                found[name, side] += count
    return tuple(
        OffCorner(name, leg, count, Root2(side, -2 * seam).floor_to(EIGHTH))
        for (name, side), count in sorted(found.items())
        for leg in [Root2(side, -seam).floor_to(EIGHTH)]
        if leg >= _LEAST_LEG
    )


def _of_a_make(quilt: Quilt, make: Make) -> Iterator[tuple[Need, Fraction]]:
    """What one piece of each need loses: the corner squares a triangle each, what lies under them
    one for every corner."""
    base, *corners = (part.make for part in make.of for _ in range(part.count))
    needs = {(need.label, need.role): need for need in quilt.kept.cutting.problem.needs}
    squares = dict.fromkeys(corners)
    for corner in squares:
        need = needs.get((corner.name, corner.role))
        if need is not None and corner.how == CUT:
            yield need, corner.size[0]
    under = needs.get((base.name, base.role))
    sides = {corner.size[0] for corner in corners}
    if under is not None and base.how == CUT and len(sides) == 1:
        for _ in corners:
            yield under, corners[0].size[0]
