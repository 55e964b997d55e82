"""Fabric pulled for a quilt: which pieces, and the roles they may serve.

pull    take pieces of a lot for a quilt; until they are returned no other quilt can count them
role    what a fabric may become in the quilt; it may have several

A block's own pieces come from the first five roles, the rest of the quilt from the others.
"""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property
from heapq import heappop, heappush

from kersey.core.cloth.fabric import BadFabric, Lot, Print, Stack, Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.said.facts import OF_THE_BOLT


class Role(StrEnum):
    """What a fabric may become."""

    ANY = "any"
    LIGHT = "light"
    DARK = "dark"
    BACKGROUND = "background"
    FEATURE = "feature"
    FRAME = "frame"
    WINDOW = "window"
    ACCENT = "accent"
    STRING = "string"
    MIDDLE = "middle"
    FOUNDATION = "foundation"
    CRUMB = "crumb"
    SETTING = "setting"
    SASHING = "sashing"
    BORDER = "border"
    BINDING = "binding"
    BACKING = "backing"
    BATTING = "batting"


# Roles that only some blocks have: they are offered where the block has them.
SELDOM_ROLES = frozenset(
    {Role.FRAME, Role.WINDOW, Role.ACCENT, Role.STRING, Role.MIDDLE, Role.FOUNDATION, Role.CRUMB}
)
BLOCK_ROLES = SELDOM_ROLES | {Role.ANY, Role.LIGHT, Role.DARK, Role.BACKGROUND, Role.FEATURE}
# What the name of a lot says that it is kept for: "navy for binding", "Binding fabric".
_KEPT_FOR = re.compile(
    r"(?:.* for )?(foundation|sashing|border|binding|backing)s?(?: fabric)?", re.IGNORECASE
)
# "night train panel", but not what a quilt so called has left: "Panel: strip ends".
_PANEL = re.compile(r"(?:[^:]*\b)?panels?(?: \d+)?", re.IGNORECASE)
_NO_CRUMBS = OF_THE_BOLT | {Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.BLOCK}
# What a form is usually bought for.
_BOUGHT_FOR = {Form.BACKING: Role.BACKING, Form.BATTING: Role.BATTING}


@dataclass(frozen=True)
class Pulled:
    """So many pieces of one print of a lot.

    `place` is the print's place in the lot; `value` how it reads among the others of this quilt,
    None as it reads at home; `cut` of the pieces are cut already. Set `aside` for a reason it
    serves nothing for now. `lot_number` is the lot's number in the cupboard, None before it is
    kept. By its `key` a fabric is known in its project, whatever it is called; the project gives
    it.
    """

    kept: CupboardLot
    place: int
    count: int
    roles: tuple[Role, ...] = (Role.ANY,)
    value: Value | None = None
    cut: int = 0
    aside: Aside | None = None
    lot_number: int | None = field(default=None, compare=False)
    key: int | None = field(default=None, compare=False)

    def __post_init__(self) -> None:
        if self.count < 1 or not 0 <= self.cut <= self.count:
            raise BadFabric("Pull at least one piece. Pieces already cut stay pulled.")
        if not self.roles:
            raise BadFabric("Give the fabric at least one role; “any” works.")
        ordered = tuple(role for role in Role if role in self.roles)
        object.__setattr__(self, "roles", ordered)

    def serves(self, role: Role) -> bool:
        """Whether it may become this; what was set aside for the binding becomes that alone."""
        if self.aside is Aside.BINDING:
            return role is Role.BINDING
        return self.aside is None and role in self.roles

    @property
    def for_blocks(self) -> bool:
        """Whether blocks may be cut from it."""
        return self.aside is None and not BLOCK_ROLES.isdisjoint(self.roles)

    @property
    def is_estimated(self) -> bool:
        """Whether nobody knows its count or sizes for certain: it was "about", by weight, or it
        varies."""
        lot = self.kept.lot
        varies = lot.most_width is not None or lot.most_length is not None
        return lot.estimated or varies or lot.grams is not None

    @property
    def is_panel(self) -> bool:
        """Whether it is a panel, which nobody cuts up: it is called one."""
        return bool(_PANEL.fullmatch(self.kept.name) or _PANEL.fullmatch(self.print.name))

    @property
    def is_crumb(self) -> bool:
        """Whether it is sewn in as it is where crumbs are: no length and no fat quarter, unless it
        is told so."""
        return Role.CRUMB in self.roles or self.kept.lot.form not in _NO_CRUMBS

    @property
    def stack(self) -> Stack:
        """The print as it lies at home, all pieces of it."""
        return self.kept.lot.stacks[self.place]

    @cached_property
    def print(self) -> Print:
        """The print as it reads in this quilt."""
        cloth = self.stack.print
        return cloth if self.value is None else cloth.with_value(self.value)

    @cached_property
    def lot(self) -> Lot:
        """The pieces pulled, as a lot of their own."""
        lot = self.kept.lot.only(self.place, self.count)
        return lot.with_stack(0, replace(lot.stacks[0], print=self.print))

    @property
    def length(self) -> Fraction:
        """Usable length of one piece, in inches."""
        return self.kept.lot.length_of(self.stack)

    @property
    def width(self) -> Fraction:
        """Usable width of one piece, in inches."""
        return self.kept.lot.usable_width

    @property
    def area(self) -> Fraction:
        """Square inches of all its pieces."""
        return self.count * self.kept.lot.piece_area(self.stack)

    def same_lot(self, other: "Pulled") -> bool:
        """Whether both come from one lot."""
        return (self.lot_number, self.kept) == (other.lot_number, other.kept)

    def same_print(self, other: "Pulled") -> bool:
        """Whether both are pieces of one print of one lot."""
        return self.place == other.place and self.same_lot(other)

    def with_kept(self, kept: CupboardLot) -> "Pulled":
        """The same pieces after their lot was changed at home."""
        return replace(self, kept=kept)


def proposed_roles(kept: CupboardLot) -> tuple[Role, ...]:
    """What a lot is pulled for, if nobody says."""
    if kept.aside is Aside.BINDING:
        return (Role.BINDING,)
    named = _KEPT_FOR.fullmatch(kept.name)
    if named is not None and kept.lot.form not in _BOUGHT_FOR:
        return (Role(named[1].lower()),)
    return (_BOUGHT_FOR.get(kept.lot.form, Role.ANY),)


def all_of(kept: CupboardLot) -> tuple[Pulled, ...]:
    """Every piece of a lot pulled.

    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> sum(pulled.count for pulled in all_of(roll))
    40
    """
    return pull_pieces(kept, kept.lot.counts)


def pull_pieces(
    kept: CupboardLot, counts: Sequence[int], lot_number: int | None = None
) -> tuple[Pulled, ...]:
    """So many pieces of each print of a lot pulled, in its order."""
    roles = proposed_roles(kept)
    return tuple(
        Pulled(kept, place, count, roles, lot_number=lot_number)
        for place, count in enumerate(counts)
        if count
    )


def share_out(free: Sequence[int], wanted: int) -> tuple[int, ...]:
    """`wanted` pieces taken from prints with so many free, as evenly over the prints as can be.

    >>> share_out([2, 2, 2], 4), share_out([1, 9], 4)
    ((2, 1, 1), (1, 3))
    """
    taken = [0] * len(free)
    next_up = [(0, place) for place, count in enumerate(free) if count]
    for _ in range(min(wanted, sum(free))):
        _, place = heappop(next_up)
        taken[place] += 1
        if taken[place] < free[place]:
            heappush(next_up, (taken[place], place))
    return tuple(taken)


def strips_in(pulled: Pulled, width: Fraction) -> tuple[int, Fraction]:
    """How many strips of this width the pieces give, and how long they are together, in inches.

    Each piece is cut straight across, the way that gives the longer run; a directional one only
    along its length. Triangles and scraps give none.
    """
    lot = pulled.kept.lot
    if lot.form in {Form.TRIANGLE, Form.SCRAPS, Form.BATTING}:
        return 0, Fraction(0)
    along = int(pulled.width // width)
    ways = [(along * pulled.length, along)]
    if not lot.directional and lot.form not in {Form.STRIP, Form.STRING}:
        across = int(pulled.length // width)
        ways.append((across * pulled.width, across))
    run, strips = max(ways, key=lambda way: (way[0], -way[1]))
    return pulled.count * strips, pulled.count * run


@dataclass(frozen=True)
class RoleTotal:
    """What serves a role: prints, pieces, and square inches."""

    role: Role
    prints: int
    pieces: int
    area: Fraction
    strips: int
    strips_run: Fraction


def total_of(role: Role, fabrics: Iterable[Pulled], strip_width: Fraction) -> RoleTotal:
    """The totals of one role; a fabric of several roles counts in each."""
    serving = [pulled for pulled in fabrics if pulled.serves(role)]
    cut = [strips_in(pulled, strip_width) for pulled in serving]
    return RoleTotal(
        role=role,
        prints=len(serving),
        pieces=sum(pulled.count for pulled in serving),
        area=sum((pulled.area for pulled in serving), Fraction(0)),
        strips=sum(strips for strips, _ in cut),
        strips_run=sum((run for _, run in cut), Fraction(0)),
    )


def working_strips(fabrics: Sequence[Pulled]) -> tuple[tuple[Pulled, ...], ...]:
    """The strips for the blocks: of one width, the one most strips have, by print.

    Pieces of the same print in several lots stand together.
    """
    strips = [p for p in fabrics if p.kept.lot.form is Form.STRIP and p.for_blocks]
    widths: dict[Fraction, int] = {}
    for pulled in strips:
        widths[pulled.width] = widths.get(pulled.width, 0) + pulled.count
    if not widths:
        return ()
    width = max(widths, key=lambda w: (widths[w], w))
    by_print: dict[tuple[object, ...], list[Pulled]] = {}
    for pulled in strips:
        if pulled.width == width:
            cloth = pulled.stack.print
            by_print.setdefault((cloth.name, cloth.swatch), []).append(pulled)
    return tuple(map(tuple, by_print.values()))
