"""A print tried as border, sashing, setting or binding: what it looks like, and what it fades into.

What a part lies against:

    border    the edge of the body: the blocks' outer patches, or plain cloth, or sashing round them
    sashing, setting    the edges of every block
    binding   the outermost border; without any, what a border would lie against

Two prints are alike in value where their lightness (CIE L*) differs by less than 12: from two
metres the line between them is lost. `fades` is the share of the line along which that is so. A
narrow stopping border of another value is then sewn on first. Source: docs/trade.md section 6.
"""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import turned
from kersey.core.cloth.colour import lightness
from kersey.core.cloth.fabric import Fact, Print
from kersey.core.cloth.print_names import STOPPING_PRINTS
from kersey.core.frame.part import PartKind
from kersey.core.frame.setting import Seat, Setting
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.project.bought import BoughtFor
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Placed, Quilt

# From here on two prints are told apart across a room.
ALIKE_BELOW = 12.0
# More than this of a line must be lost before a border of its own is worth sewing.
_FADES, _FADES_IN_PLACES = 0.5, 0.2
# A stopping border is narrow: it is seen as a line.
_STOPPING = {Units.INCHES: Fraction(1), Units.CENTIMETRES: 5 * CENTIMETRE / 2}
# A line along a side of a block, one inch of a print.
_Line = tuple[float, Print]


class Reads(StrEnum):
    """How a print reads against what it lies against."""

    APART = "stands out"
    IN_PLACES = "blends in places"
    FADES = "blends"
    UNKNOWN = "not known"


@dataclass(frozen=True)
class Contrast:
    """How a print reads, and the share of the line along which it fades."""

    reads: Reads
    fades: float
    lighter: bool


# The parts that a print can be tried for, as somebody would pull it for them.
_TRIED = (PartKind.BORDER, PartKind.SASHING, PartKind.SETTING, PartKind.BINDING)


def tried(quilt: Quilt, kind: PartKind, cloth: Print) -> Quilt:
    """The quilt with a part in another print, as if it were bought; nothing is reckoned anew."""
    return replace(quilt, frame=quilt.frame.showing(kind, cloth))


def parts_to_try(quilt: Quilt) -> list[PartKind]:
    """The parts of this quilt that a print can be tried for."""
    return [kind for kind in _TRIED if quilt.part(kind) is not None]


@dataclass(frozen=True)
class Beside:
    """What a part lies against: how long, and how light that is (CIE L*), of each color seen."""

    lines: tuple[tuple[float, float], ...]

    def contrast(self, cloth: Print) -> Contrast:
        """How a print reads there. What nobody has seen says nothing."""
        whole = sum(length for length, _ in self.lines)
        if _unseen(cloth) or not whole:
            return Contrast(Reads.UNKNOWN, 0.0, lighter=False)
        own = lightness(cloth.swatch.blend)
        fades = sum(n for n, light in self.lines if abs(light - own) < ALIKE_BELOW) / whole
        mean = sum(length * light for length, light in self.lines) / whole
        reads = Reads.APART
        if fades > _FADES:
            reads = Reads.FADES
        elif fades > _FADES_IN_PLACES:
            reads = Reads.IN_PLACES
        return Contrast(reads, fades, own > mean)


def beside(quilt: Quilt, part: PartKind) -> Beside:
    """What a part of this quilt lies against, worked out once for all prints to be tried."""
    of_light: defaultdict[float, float] = defaultdict(float)
    for length, cloth in _lines(quilt, part):
        if not _unseen(cloth):
            of_light[lightness(cloth.swatch.blend)] += length
    return Beside(tuple((length, light) for light, length in sorted(of_light.items())))


def contrast(quilt: Quilt, part: PartKind, cloth: Print) -> Contrast:
    """How one print reads as a part of this quilt."""
    return beside(quilt, part).contrast(cloth)


def wants_stopping_border(quilt: Quilt) -> Contrast | None:
    """How the only border fades into the quilt, where a narrow one should go between them.

    Where cloth is pulled for the border, another is better tried than a stopping border bought.
    """
    border = quilt.part(PartKind.BORDER)
    if border is None or len(quilt.borders) > 1 or border.cloth.source is Source.PULLED:
        return None
    found = contrast(quilt, border.kind, border.cloth.prints[0])
    return found if found.reads is Reads.FADES else None


def with_stopping_border(quilt: Quilt) -> Project:
    """The project with a narrow border sewn on before its border, in the print that fades least."""
    project, design = quilt.project, quilt.project.design
    narrow = _STOPPING[quilt.units]
    against = beside(quilt, PartKind.BORDER)
    stopping = min(STOPPING_PRINTS, key=lambda cloth: against.contrast(cloth).fades)
    border = quilt.part(PartKind.BORDER)
    assert border is not None
    framed = replace(
        design,
        border_width=narrow,
        outer_borders=(quilt.size.border_width,),
        border_from_left=False,
    )
    shown = {BoughtFor.BORDER: stopping, BoughtFor.OUTER: border.cloth.prints[0]}
    return replace(project, design=framed).with_bought(shown)


def _unseen(cloth: Print) -> bool:
    return Fact.COLOUR in cloth.filled_in


def _lines(quilt: Quilt, part: PartKind) -> Iterator[_Line]:
    if part in (PartKind.SASHING, PartKind.SETTING):
        yield from _of_blocks(quilt, quilt.placed, _SIDES)
        return
    if part is PartKind.BINDING and quilt.framing:
        _, outermost = quilt.framing[-1]
        yield 1.0, outermost.cloth.prints[0]
    else:
        yield from _along_the_body(quilt)


_SIDES = ("left", "right", "top", "bottom")


def _along_the_body(quilt: Quilt) -> Iterator[_Line]:
    """What lies along the edge of the body."""
    grid, sashing, plain = quilt.grid, quilt.part(PartKind.SASHING), quilt.part(PartKind.SETTING)
    if sashing and quilt.sashing.framed:
        yield 1.0, sashing.cloth.prints[0]
        return
    if plain and grid.setting is Setting.ON_POINT:
        yield 1.0, plain.cloth.prints[0]
        return
    for placed in quilt.placed:
        yield from _of_blocks(quilt, [placed], _outer_sides(placed, grid.rows, grid.columns))
    ends = 2 * (0 if quilt.sashing.rows_only else grid.columns - 1) + 2 * (grid.rows - 1)
    if sashing:
        yield ends * float(quilt.sashing.width), sashing.cloth.prints[0]
    for seat in grid.plain_seats if plain else ():
        sides = len(_outer_sides(seat, grid.rows, grid.columns))
        assert plain is not None
        yield sides * float(quilt.block[0]), plain.cloth.prints[0]


def _outer_sides(place: Placed | Seat, rows: int, columns: int) -> list[str]:
    there = {
        "left": place.column == 0,
        "right": place.column == columns - 1,
        "top": place.row == 0,
        "bottom": place.row == rows - 1,
    }
    return [side for side, outer in there.items() if outer]


def _of_blocks(quilt: Quilt, blocks: Sequence[Placed], sides: Sequence[str]) -> Iterator[_Line]:
    """The patches along these sides of blocks, with how long they lie there."""
    wide, high = quilt.block
    at = {"left": (0, 0), "right": (0, wide), "top": (1, 0), "bottom": (1, high)}
    for placed in blocks:
        prints = quilt.patch_prints(quilt.kept.kits[placed.kit])
        patches = turned(quilt.assembly.patches, quilt.block, placed.turn)
        for patch, cloth in zip(patches, prints, strict=True):
            round_it = pairwise([*patch.corners, patch.corners[0]])
            for one, other in round_it:
                for side in sides:
                    axis, where = at[side]
                    if one[axis] == other[axis] == where:
                        yield float(abs(one[1 - axis] - other[1 - axis])), cloth
