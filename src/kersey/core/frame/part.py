"""What is cut for one part of a quilt beside its blocks, whatever cloth it comes of.

    part     border, sashing, binding, ...: its kind, and of several borders which, from the inside
    cut      like pieces of a part, all of one width

Source: docs/trade.md sections 5 and 6.
"""

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.frame.joining import strips_to_join
from kersey.core.frame.strips import StripPieces, Strips, strips_for
from kersey.core.measure.workshop import Workshop


class PartKind(StrEnum):
    """What a quilt has beside its blocks, from the middle outwards."""

    SETTING = "setting"
    SASHING = "sashing"
    CORNERSTONES = "cornerstones"
    SPACER = "spacer"
    BORDER = "border"
    KEYS = "keys"
    CORNERS = "corner squares"
    BINDING = "binding"
    BACKING = "backing"
    BATTING = "batting"


# What cloth must serve in a whole-quilt request to be cut for a part; a border has its number.
_ROLES = {
    PartKind.SETTING: "background",
    PartKind.CORNERSTONES: "cornerstone",
    PartKind.CORNERS: "cornerstone",
    PartKind.KEYS: "border",
}
_NUMBERED = frozenset({PartKind.KEYS, PartKind.BORDER})


@dataclass(frozen=True)
class PartCut:
    """Like pieces of one part, all of one width. Lengths in inches.

    Where a piece is longer than the cloth it is joined of several; every join costs `join`. A `run`
    is one long strip that is always joined. `number` tells which border, counted from the inside.
    """

    kind: PartKind
    pieces: tuple[StripPieces, ...]
    join: Fraction
    number: int = 0
    run: bool = False

    @property
    def role(self) -> str:
        """The role that cloth must have to be cut for it, in a request for whole quilts."""
        if self.kind is PartKind.SPACER:
            return self.name
        return part_role(self.kind, self.number)

    @property
    def name(self) -> str:
        """What it is known by among all that is cut for a quilt."""
        if self.kind is PartKind.CORNERS:
            return f"corner-{self.number}"
        if self.kind is PartKind.SPACER:
            border = part_role(PartKind.BORDER, self.number)
            return f"{border}-{self.pieces[0].name.replace(' ', '-')}"
        return self.role

    @property
    def cut_width(self) -> Fraction:
        """How wide it is cut."""
        return self.pieces[0].cut_width

    @property
    def length(self) -> Fraction:
        """Of all its pieces, end to end."""
        return sum((piece.count * piece.cut_length for piece in self.pieces), Fraction(0))

    @property
    def area(self) -> Fraction:
        """Square inches, with no join and no waste."""
        return self.length * self.cut_width

    def off_the_bolt(self, shop: Workshop) -> Strips:
        """The strips that are cut for it from bought cloth."""
        if self.run:
            count = strips_to_join(self.length, shop.usable_width, self.join)
            return Strips(count, self.cut_width, joined=True)
        return strips_for(self.pieces, shop)


# What a part counts as where a request says which may be bought.
_BOUGHT_WITH = {
    PartKind.SETTING: "background",
    PartKind.CORNERSTONES: PartKind.SASHING,
    PartKind.CORNERS: PartKind.BORDER,
    PartKind.SPACER: PartKind.BORDER,
    PartKind.KEYS: PartKind.BORDER,
}


def bought_with(kind: PartKind) -> str:
    """What a part counts as where a request says which parts may be bought."""
    return _BOUGHT_WITH.get(kind, kind)


def part_role(kind: PartKind, number: int = 0) -> str:
    """The role of the cloth of a part.

    >>> part_role(PartKind.BORDER, 2), part_role(PartKind.CORNERS, 2)
    ('border-2', 'cornerstone')
    """
    role = _ROLES.get(kind, kind.value)
    return f"{role}-{number}" if kind in _NUMBERED else role
