"""What is bought for a quilt: every part that no cloth that is pulled, or left, gives."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.cloth.fabric import Print
from kersey.core.frame.backing import BackingWay
from kersey.core.quilt.quilt import Quilt, Source
from kersey.core.quilt.supply import Supply, supplies
from kersey.core.stash.pulled import Role


@dataclass(frozen=True)
class ToBuy:
    """A part: `cloth` inches off the bolt, not rounded, of a print; `wide` cloth is extra-wide.

    Batting has a `size` instead; it has a `packet` where one is large enough.
    """

    part: str
    cloth: Fraction = Fraction(0)
    print: Print | None = None
    wide: bool = False
    size: Size | None = None
    packet: Size | None = None


def to_buy(quilt: Quilt) -> tuple[ToBuy, ...]:
    """All parts to buy, from the middle of the quilt outwards; blocks that are short are not told.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.quilt.planning import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll)), lambda: 0.0))
    >>> [part.part for part in to_buy(quilt)]
    ['border', 'binding', 'backing', 'batting']
    """
    supplied = supplies(quilt)
    lacking = (_lacking(part, supplied.get(role) if role else None) for role, part in _parts(quilt))
    return tuple(part for part in lacking if part is not None)


def _lacking(part: ToBuy, supplied: Supply | None) -> ToBuy | None:
    """What of a part is bought beside what is pulled for it; None where that is enough.

    Borders share the cloth pulled for them: what they lack together is told of each.
    """
    if supplied is None:
        return part
    if supplied.enough:
        return None
    return replace(part, cloth=min(part.cloth, supplied.lacks)) if part.cloth else part


def _parts(quilt: Quilt) -> Iterator[tuple[Role | None, ToBuy]]:
    """Each part with the role of cloth that would give it."""
    if quilt.plain_strips:
        cloth = sum((s.count * s.cut_width for _, s in quilt.plain_strips), Fraction(0))
        yield Role.SETTING, ToBuy("setting", cloth, quilt.plain_cloth.prints[0])
    if quilt.sashing_strips:
        yield (
            Role.SASHING,
            ToBuy("sashing", quilt.sashing_strips.cloth, quilt.sashing_cloth.prints[0]),
        )
    if quilt.cornerstone_strips:
        print_of = quilt.binding_cloth.prints[0]
        yield None, ToBuy("cornerstones", quilt.cornerstone_strips.cloth, print_of)
    yield from _borders(quilt)
    corners = quilt.corner_strips
    if corners:
        yield None, ToBuy("corner squares", corners, quilt.binding_cloth.prints[0])
    if quilt.binding.cloth and quilt.binding_cloth.source is not Source.LEFT:
        print_of = quilt.binding_cloth.prints[0]
        yield Role.BINDING, ToBuy("binding", quilt.binding.cloth, print_of)
    plan = quilt.backing_plan
    yield Role.BACKING, ToBuy("backing", plan.cloth, wide=plan.way is BackingWay.WIDE)
    size = quilt.batting.width, quilt.batting.length
    yield Role.BATTING, ToBuy("batting", size=size, packet=quilt.batting.packet)


def _borders(quilt: Quilt) -> Iterator[tuple[Role | None, ToBuy]]:
    """Plain ones as they are; of keys what is not left, and the spacer that makes them fit."""
    prints = [quilt.border_cloth.prints[0]] if quilt.border else []
    prints += quilt.outer_cloths
    for number, (border, print_of) in enumerate(zip(quilt.borders, prints, strict=True), 1):
        name = "border" if number == 1 and quilt.border else f"border {number}"
        cloth = quilt.border_cloth if number == 1 and quilt.border else None
        if border.key is not None:
            spacer = sum((strips.cloth for _, strips in quilt.spacer_strips), Fraction(0))
            if spacer:
                yield None, ToBuy("spacer", spacer, quilt.project.bought_setting)
            if quilt.key_cloth.source is Source.BOUGHT:
                yield None, ToBuy("keys", border.cloth, quilt.key_cloth.prints[0])
        elif cloth is None or cloth.source is not Source.LEFT:
            yield Role.BORDER, ToBuy(name, border.cloth, print_of)
