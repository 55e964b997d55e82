"""What fabric pulled for parts of the quilt beside its blocks gives of what they need.

Sashing, border and binding are strips across the cloth; backing and batting are one piece, or for a
backing as much length as its panels take.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.backing import JOIN_COST, WIDE_BACKING, BackingWay
from kersey.core.frame.strips import Strips
from kersey.core.quilt.pieced_sheet import piece_sheet
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.sheets import sheet_piece
from kersey.core.stash.pulled import Pulled, Role, strips_in


@dataclass(frozen=True)
class Supply:
    """Fabric pulled for a part of the quilt, and whether it is enough for it.

    `lacks` is what more it takes, in inches off the bolt; of batting nothing can be told.
    """

    names: str
    enough: bool
    lacks: Fraction = Fraction(0)


def supplies(quilt: Quilt) -> dict[Role, Supply]:
    """For each part that fabric is pulled for, whether it will do."""
    found: dict[Role, Supply] = {}
    for role in (Role.SETTING, Role.SASHING, Role.BORDER, Role.BINDING, Role.BACKING, Role.BATTING):
        pulled = [p for p in quilt.project.fabrics if p.serves(role)]
        if pulled:
            names = ", ".join(dict.fromkeys(p.print.name for p in pulled))
            found[role] = supply(quilt, role, names, pulled)
    return found


def supply(quilt: Quilt, role: Role, names: str, pulled: Sequence[Pulled]) -> Supply:
    """What fabric gives of a part, were it pulled for it."""
    if role is Role.BATTING:
        size = quilt.batting.width, quilt.batting.length
        whole = any(_covers(p, *size) for p in pulled)
        # Batting is butted: a join costs nothing.
        joined = piece_sheet(*size, tuple(map(sheet_piece, pulled)), Fraction(0))
        return Supply(names, whole or joined is not None)
    lacks = _lacks(quilt, role, pulled)
    return Supply(names, not lacks, lacks)


def _lacks(quilt: Quilt, role: Role, pulled: Sequence[Pulled]) -> Fraction:
    """Inches of cloth off the bolt that are missing."""
    cloth = quilt.project.design.usable_width
    if role is Role.SETTING:
        length = sum((s.count * s.cut_width for _, s in quilt.plain_strips), Fraction(0))
        return Fraction(0) if _gives_plain(quilt, pulled) else length
    if role is Role.SASHING:
        sashing = quilt.sashing_strips or Strips(0, Fraction(1), joined=False)
        return _strips_lacking(pulled, sashing.count, sashing.cut_width, cloth)
    if role is Role.BORDER:
        borders = quilt.borders
        widest = max((border.cut_width for border in borders), default=Fraction(1))
        return _strips_lacking(pulled, sum(border.strips for border in borders), widest, cloth)
    if role is Role.BINDING:
        return _strips_lacking(pulled, quilt.binding.strips, quilt.binding.cut_width, cloth)
    return _backing_lacks(quilt, pulled)


def _backing_lacks(quilt: Quilt, pulled: Sequence[Pulled]) -> Fraction:
    """Panels that are missing, unless one piece covers it, or rows of pieces do."""
    if any(_covers(p, quilt.backing.width, quilt.backing.length) for p in pulled):
        return Fraction(0)
    plan = quilt.backing_plan
    wide = WIDE_BACKING if plan.way is BackingWay.WIDE else quilt.project.design.usable_width
    had = sum(p.count * int(p.length // plan.panel_length) for p in pulled if p.width >= wide)
    lacks = max(0, plan.panels - had) * plan.panel_length
    return Fraction(0) if lacks and _pieced(quilt, pulled) else lacks


def _pieced(quilt: Quilt, pulled: Sequence[Pulled]) -> bool:
    """Whether the backing can be put together in rows of these pieces."""
    pieces = tuple(map(sheet_piece, pulled))
    size = quilt.backing.width, quilt.backing.length
    return piece_sheet(*size, pieces, JOIN_COST) is not None


def _strips_lacking(
    pulled: Sequence[Pulled], strips: int, width: Fraction, usable_width: Fraction
) -> Fraction:
    """How much cloth the strips take that the fabric does not give."""
    missing = strips * usable_width - _run(pulled, width)
    return max(0, -(-missing // usable_width)) * width


def _gives_plain(quilt: Quilt, pulled: Sequence[Pulled]) -> bool:
    """Whether one length gives the strips of all plain squares; or pieces of any size so many
    squares, were all as large as the largest."""
    length = sum((s.count * s.cut_width for _, s in quilt.plain_strips), Fraction(0))
    usable = quilt.project.design.usable_width
    if any(p.width >= usable and p.length >= length for p in pulled):
        return True
    sides = [
        side for piece, _ in quilt.plain_strips for side in (piece.cut_width, piece.cut_length)
    ]
    largest = max(sides, default=Fraction(1))
    wanted = sum(piece.count for piece, _ in quilt.plain_strips)
    there = sum(p.count * int(p.width // largest) * int(p.length // largest) for p in pulled)
    return there >= wanted


def _run(pulled: Sequence[Pulled], width: Fraction) -> Fraction:
    """How long all strips of this width are that the fabric gives."""
    return sum((strips_in(p, width)[1] for p in pulled), Fraction(0))


def _covers(pulled: Pulled, width: Fraction, length: Fraction) -> bool:
    """Whether one piece is large enough, either way round."""
    sides = sorted((pulled.width, pulled.length))
    return sides[0] >= min(width, length) and sides[1] >= max(width, length)
