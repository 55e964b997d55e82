"""A missing piece sewn of two, where no piece that is free is large enough.

    first + second = length + 2s        both as broad as the piece

The seam runs straight across. The longer part is taken as long as it can be, so that the seam lies
near an end, where it shows least; of either part at least half an inch shows.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import Cut, Need
from kersey.core.measure.length import EIGHTH
from kersey.core.mending.mishap import OnTable, Rectangle, Thing, spoiled, things
from kersey.core.mending.what_lies import Piece
from kersey.core.project.table import Joined

# So much of either part shows at least.
LEAST_SHOWN = Fraction(1, 2)


@dataclass(frozen=True)
class _Side:
    """A free piece as a part could be cut from it: so broad, so long, lying `turned` or not."""

    thing: Thing
    broad: Fraction
    long: Fraction
    turned: bool


def joined_piece(
    lies: OnTable, of: str, need: Need, seam: Fraction, directional: bool
) -> tuple[OnTable, Joined] | None:
    """What lies there once a piece for a need is sewn of two of the fabric; None where no two do.

    `seam` in inches.
    """
    ways = [(need.width, need.height, False)]
    if not directional:
        ways.append((need.height, need.width, True))
    for broad, long, turned in ways:
        sides = [each for each in _sides(lies, of, directional) if each.broad >= broad]
        found = _two(sides, long + 2 * seam, 2 * seam + LEAST_SHOWN)
        if found is not None:
            return _sewn(lies, of, need, broad, found, turned)
    return None


_Parts = tuple[tuple[_Side, Fraction], tuple[_Side, Fraction]]


def _two(sides: list[_Side], together: Fraction, least: Fraction) -> _Parts | None:
    """Two parts that make so much together: the first as long as can be, the second off the
    shortest piece that will do."""
    for one in sorted(sides, key=lambda side: -side.long):
        first = min(one.long // EIGHTH * EIGHTH, together - least)
        for other in sorted(sides, key=lambda side: side.long):
            same = other.thing.key == one.thing.key
            if same and one.thing.count < 2:
                continue
            if first >= least and other.long >= together - first:
                return (one, first), (other, together - first)
    return None


def _sewn(
    lies: OnTable, of: str, need: Need, broad: Fraction, parts: _Parts, turned: bool
) -> tuple[OnTable, Joined]:
    for side, long in parts:
        lies = spoiled(lies, side.thing.key, 1, tuple(_rests(side, broad, long)))
    width, length = need.width, need.height
    table = lies.table.laying(of, width, length, 1)
    key = next(
        each.key
        for each in table.lying
        if (each.of, each.width, each.length) == (of, width, length)
    )
    sizes = tuple((long, broad) if turned else (broad, long) for _, long in parts)
    joined = Joined(key, width, length, sizes)
    whole = Cut(need, Fraction(0), Fraction(0), width, length)
    piece = Piece(of, width, length, 1, (((width, length, whole),),), along=True)
    table = replace(table, joined=(*table.joined, joined))
    return replace(lies, table=table, pieces=(*lies.pieces, piece)), joined


def _rests(side: _Side, broad: Fraction, long: Fraction) -> Iterator[Rectangle]:
    """What is left of a piece once a part is cut from it."""
    for across, along in ((side.broad, side.long - long), (side.broad - broad, long)):
        if min(across, along) >= SHORTEST_KEPT:
            yield (along, across) if side.turned else (across, along)


def _sides(lies: OnTable, of: str, directional: bool) -> Iterator[_Side]:
    """The pieces on the table of which nothing is planned, as they lie and turned."""
    free = {(p.width, p.length) for p in lies.pieces if p.of == of and not p.strips}
    for thing in things(lies):
        if thing.whole or thing.gives or thing.key.partition(".")[0] != of:
            continue
        if (thing.width, thing.length) in free:
            yield _Side(thing, thing.width, thing.length, turned=False)
            if not directional:
                yield _Side(thing, thing.length, thing.width, turned=True)
