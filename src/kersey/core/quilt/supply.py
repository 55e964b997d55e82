"""What fabric pulled for parts of the quilt beside its blocks gives of what they need.

Sashing, border and binding are strips across the cloth; backing and batting are one piece, or for a
backing as much length as its panels take.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.pulled import Pulled, Role, strips_in


@dataclass(frozen=True)
class Supply:
    """Fabric pulled for a part of the quilt, and whether it is enough for it."""

    names: str
    enough: bool


def supplies(quilt: Quilt) -> dict[Role, Supply]:
    """For each part that fabric is pulled for, whether it will do."""
    found: dict[Role, Supply] = {}
    for role in (Role.SETTING, Role.SASHING, Role.BORDER, Role.BINDING, Role.BACKING, Role.BATTING):
        pulled = [p for p in quilt.project.fabrics if p.serves(role)]
        if pulled:
            names = ", ".join(dict.fromkeys(p.print.name for p in pulled))
            found[role] = Supply(names, _enough(quilt, role, pulled))
    return found


def _enough(quilt: Quilt, role: Role, pulled: Sequence[Pulled]) -> bool:
    cloth = quilt.project.design.usable_width
    if role is Role.SETTING:
        return _gives_plain(quilt, pulled)
    if role is Role.SASHING:
        strips = quilt.sashing_strips
        return strips is None or _run(pulled, strips.cut_width) >= strips.count * cloth
    if role is Role.BORDER:
        all_borders = (*([quilt.border] if quilt.border else []), *quilt.outer_borders)
        widest = max((border.cut_width for border in all_borders), default=Fraction(0))
        run = sum(border.strips for border in all_borders) * cloth
        return not run or _run(pulled, widest) >= run
    if role is Role.BINDING:
        binding = quilt.binding
        return _run(pulled, binding.cut_width) >= binding.strips * cloth
    if role is Role.BATTING:
        return any(_covers(p, quilt.batting.width, quilt.batting.length) for p in pulled)
    whole = any(_covers(p, quilt.backing.width, quilt.backing.length) for p in pulled)
    lengths = sum((p.count * p.length for p in pulled if p.width >= cloth), Fraction(0))
    return whole or lengths >= quilt.backing_plan.cloth


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
