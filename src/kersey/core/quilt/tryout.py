"""A print tried as border, sashing, setting or binding: what it looks like, and what it fades into.

What a part lies against:

    border    the edge of the body: the blocks' outer patches, or plain cloth, or sashing round them
    sashing, setting    the edges of every block
    binding   the outermost border; without any, what a border would lie against

Two prints are alike in value where their lightness (CIE L*) differs by less than 12: from two
metres the line between them is lost. `fades` is the share of the line along which that is so. A
narrow stopping border of another value is then sewn on first. Source: docs/trade.md section 6.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import turned
from kersey.core.cloth.colour import lightness
from kersey.core.cloth.fabric import Fact, Print
from kersey.core.cloth.print_names import STOPPING_PRINTS
from kersey.core.frame.setting import Seat, Setting
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Cloth, Placed, Quilt, Source
from kersey.core.stash.pulled import Role

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


def tried(quilt: Quilt, part: Role, cloth: Print) -> Quilt:
    """The quilt with a part in another print, as if it were bought; nothing is reckoned anew."""
    shown = Cloth(Source.BOUGHT, (cloth,))
    if part is Role.SASHING:
        return replace(quilt, sashing_cloth=shown)
    if part is Role.SETTING:
        return replace(quilt, plain_cloth=shown)
    if part is Role.BINDING:
        return replace(quilt, binding_cloth=shown, binding=replace(quilt.binding, from_stash=()))
    return replace(quilt, border_cloth=shown)


def parts_to_try(quilt: Quilt) -> list[Role]:
    """The parts of this quilt that a print can be tried for."""
    there = {
        Role.BORDER: quilt.border is not None,
        Role.SASHING: quilt.sashing_strips is not None,
        Role.SETTING: bool(quilt.plain_strips),
        Role.BINDING: quilt.project.design.edge.has_strips,
    }
    return [role for role, is_there in there.items() if is_there]


def contrast(quilt: Quilt, part: Role, cloth: Print) -> Contrast:
    """How a print reads as a part of this quilt. What nobody has seen says nothing."""
    lines = [line for line in _lines(quilt, part) if not _unseen(line[1])]
    whole = sum(length for length, _ in lines)
    if _unseen(cloth) or not whole:
        return Contrast(Reads.UNKNOWN, 0.0, lighter=False)
    own = lightness(cloth.swatch.blend)
    seen = [(length, lightness(other.swatch.blend)) for length, other in lines]
    fades = sum(length for length, light in seen if abs(light - own) < ALIKE_BELOW) / whole
    mean = sum(length * light for length, light in seen) / whole
    reads = Reads.APART
    if fades > _FADES:
        reads = Reads.FADES
    elif fades > _FADES_IN_PLACES:
        reads = Reads.IN_PLACES
    return Contrast(reads, fades, own > mean)


def wants_stopping_border(quilt: Quilt) -> Contrast | None:
    """How the only border fades into the quilt, where a narrow one should go between them.

    Where cloth is pulled for the border, another is better tried than a stopping border bought.
    """
    pulled = quilt.border_cloth.source is Source.PULLED
    if quilt.border is None or quilt.outer_borders or pulled:
        return None
    found = contrast(quilt, Role.BORDER, quilt.border_cloth.prints[0])
    return found if found.reads is Reads.FADES else None


def with_stopping_border(quilt: Quilt) -> Project:
    """The project with a narrow border sewn on before its border, in the print that fades least."""
    project, design = quilt.project, quilt.project.design
    narrow = _STOPPING[quilt.units]
    stopping = min(STOPPING_PRINTS, key=lambda p: contrast(quilt, Role.BORDER, p).fades)
    return replace(
        project,
        design=replace(
            design, border_width=narrow, outer_borders=(quilt.size.border_width,),
            border_from_left=False,
        ),
        bought_border=stopping,
        bought_outer=quilt.border_cloth.prints[0],
    )  # fmt: skip


def _unseen(cloth: Print) -> bool:
    return Fact.COLOUR in cloth.filled_in


def _lines(quilt: Quilt, part: Role) -> Iterator[_Line]:
    if part in (Role.SASHING, Role.SETTING):
        yield from _of_blocks(quilt, quilt.placed, _SIDES)
        return
    borders = [*quilt.outer_cloths]
    if quilt.border:
        borders = [quilt.border_cloth.prints[0], *borders]
    if part is Role.BINDING and borders:
        yield 1.0, borders[-1]
    else:
        yield from _along_the_body(quilt)


_SIDES = ("left", "right", "top", "bottom")


def _along_the_body(quilt: Quilt) -> Iterator[_Line]:
    """What lies along the edge of the body."""
    grid = quilt.grid
    if quilt.sashing.framed:
        yield 1.0, quilt.sashing_cloth.prints[0]
        return
    if grid.setting is Setting.ON_POINT:
        yield 1.0, quilt.plain_cloth.prints[0]
        return
    for placed in quilt.placed:
        yield from _of_blocks(quilt, [placed], _outer_sides(placed, grid.rows, grid.columns))
    ends = 2 * (0 if quilt.sashing.rows_only else grid.columns - 1) + 2 * (grid.rows - 1)
    if quilt.sashing.width:
        yield ends * float(quilt.sashing.width), quilt.sashing_cloth.prints[0]
    for seat in grid.plain_seats:
        sides = len(_outer_sides(seat, grid.rows, grid.columns))
        yield sides * float(quilt.block[0]), quilt.plain_cloth.prints[0]


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
        prints = quilt.patch_prints(quilt.plan.kits[placed.kit])
        patches = turned(quilt.assembly.patches, quilt.block, placed.turn)
        for patch, cloth in zip(patches, prints, strict=True):
            round_it = pairwise([*patch.corners, patch.corners[0]])
            for one, other in round_it:
                for side in sides:
                    axis, where = at[side]
                    if one[axis] == other[axis] == where:
                        yield float(abs(one[1 - axis] - other[1 - axis])), cloth
