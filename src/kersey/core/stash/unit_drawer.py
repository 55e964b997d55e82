"""The unit drawer: finished units and orphan blocks, by the size that shows.

fits      both finished sides are whole squares of the grid: 4, 8 x 12, 12 x 12 on a grid of 4
filled    one strip more makes a side reach the next line of the grid: cut so much and two seams

Source: docs/trade.md sections 5 and 7.
"""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from kersey.core.cloth.fabric import Print
from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue
from kersey.core.stash.cupboard import CupboardLot

LEAST_GRID, MOST_GRID = Fraction(1), Fraction(24)
# A strip wider than this is no strip any more.
_WIDEST_STRIP = Fraction(3)


class BadGrid(InvalidValue):
    """A grid that no units lie on."""


@dataclass(frozen=True)
class UnitsOfASize:
    """Units of one finished size, the shorter side first: which prints they show, and of each how
    many; `lots` are the names of those they lie in."""

    width: Fraction
    length: Fraction
    prints: tuple[tuple[Print, int], ...]
    lots: tuple[str, ...]

    @property
    def count(self) -> int:
        """All of them."""
        return sum(count for _, count in self.prints)


@dataclass(frozen=True)
class OnGrid:
    """Units of a size on a grid: squares across and down, and what strips they take to reach them,
    as they are cut; a strip of 0 is none."""

    units: UnitsOfASize
    columns: int
    rows: int
    strip_across: Fraction
    strip_down: Fraction

    @property
    def fits(self) -> bool:
        """Whether they fit as they are."""
        return not self.strip_across and not self.strip_down


def units_by_size(lots: Iterable[CupboardLot], seam: Fraction) -> tuple[UnitsOfASize, ...]:
    """What lies in the drawer, the largest first; sizes of blocks at home are unfinished."""
    found: dict[tuple[Fraction, Fraction], list[CupboardLot]] = {}
    for kept in lots:
        if kept.lot.form is Form.BLOCK:
            sides = (side - 2 * seam for side in (kept.lot.usable_width, kept.lot.usable_length))
            width, length = sorted(sides)
            if width > 0:
                found.setdefault((width, length), []).append(kept)
    return tuple(
        UnitsOfASize(width, length, _prints(alike), tuple(kept.name for kept in alike))
        for (width, length), alike in sorted(found.items(), reverse=True)
    )


def _prints(lots: Iterable[CupboardLot]) -> tuple[tuple[Print, int], ...]:
    return tuple(
        (stack.print, stack.count) for kept in lots for stack in kept.lot.stacks if stack.count
    )


def on_grid(units: UnitsOfASize, grid: Fraction, seam: Fraction) -> OnGrid | None:
    """Units on a grid, with a strip where they need one; None where it would be no strip any more.

    Raises `BadGrid`.
    """
    if not LEAST_GRID <= grid <= MOST_GRID:
        raise BadGrid("A grid square can be 1 to 24″ (60 cm), like 3.", "grid")
    squares = [ceil(side / grid) for side in (units.width, units.length)]
    lacks = [
        many * grid - side for many, side in zip(squares, (units.width, units.length), strict=True)
    ]
    if max(lacks) > _WIDEST_STRIP:
        return None
    strips = [lack + 2 * seam if lack else Fraction(0) for lack in lacks]
    return OnGrid(units, squares[0], squares[1], strips[0], strips[1])


def strips_to_cut(
    laid: Iterable[OnGrid], grid: Fraction, seam: Fraction
) -> dict[tuple[Fraction, Fraction], int]:
    """The strips that units need to reach the grid, as they are cut, width x length: first the one
    along the longer side, then the one at the end over both; how many of each, the widest first."""
    found = Counter[tuple[Fraction, Fraction]]()
    for on in laid:
        if on.strip_across:
            found[on.strip_across, on.units.length + 2 * seam] += on.units.count
        if on.strip_down:
            found[on.strip_down, on.columns * grid + 2 * seam] += on.units.count
    return {size: found[size] for size in sorted(found, reverse=True)}
