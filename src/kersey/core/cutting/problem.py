"""The question: which pieces a block needs, which fabric there is, which prints go together.

need     pieces of one cut size that a block has of one role
fabric   like physical pieces of one print; `count` of them
rule     "same": in a block all pieces of these roles come from one print;
         "different": no print serves two of these roles, or, of one role, two of its pieces
batch    blocks that come of one set of pieces: two half-square units of two squares. What is
         needed, and every rule, is of a batch; blocks are counted singly
total    pieces wanted once, however many blocks there are: of sashing, or of a long strip that is
         joined of several, to which each piece adds so much

Cutting is guillotine (docs/trade.md section 4): strips straight across, either way unless the
print is directional, then crosscuts, then at most one trim. A strip is only crosscut, or split
lengthwise first. Lengths in inches.
"""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.cutting.tally import Mirrored, Tally, Waves
from kersey.core.errors import InvalidValue

ANY = "any"
# Roles outside the block: fabric that has only such roles is not cut into blocks.
_OUTSIDE = frozenset({"sashing", "cornerstone", "binding", "backing", "batting"})
_BORDER = "border"
MOST_PIECES = 200_000
MOST_CUT = 2_000_000
LARGEST = Fraction(3600)
# Cloth is nowhere narrower between its selvedges: a piece that is shorter was cut off a length.
_NARROWEST_CLOTH = Fraction(35)


class BadCutting(InvalidValue):
    """A question about cutting that makes no sense."""


@dataclass(frozen=True)
class Need:
    """Pieces of one size and role in a block; `width` and `height` as they are cut.

    `crosscut`: strips as wide as it are sewn side by side whole, and the pieces come off the set
    `height` long, joined already; the `first` of a strip may take another length. Squares that are
    sewn as they come, larger than need be, would do with a side of `least`.
    """

    label: str
    role: str
    width: Fraction
    height: Fraction
    count: int = 1
    crosscut: bool = False
    first: Fraction | None = None
    least: Fraction | None = field(default=None, compare=False)

    def __post_init__(self) -> None:
        if not 0 < self.width <= LARGEST or not 0 < self.height <= LARGEST:
            raise BadCutting(f"{self.label}: both sides must be more than 0.")
        if self.count < 1:
            raise BadCutting(f"{self.label}: count must be at least 1.")

    def pieces_along(self, length: Fraction) -> int:
        """Pieces that come off a strip of this length.

        >>> Need("A", "any", Fraction(5, 2), Fraction(21, 2), first=Fraction(41, 2)).pieces_along(
        ...     Fraction(83, 2)
        ... )
        3
        """
        first = self.height if self.first is None else self.first
        return int((length - first) // self.height) + 1 if length >= first else 0

    def length_for(self, pieces: int) -> Fraction:
        """The least strip that gives so many."""
        first = self.height if self.first is None else self.first
        return first + (pieces - 1) * self.height if pieces else Fraction(0)


@dataclass(frozen=True)
class StripSet:
    """Whole strips sewn side by side: how many for each need, by its place.

    A block takes so many `pieces` that are crosscut from sets of this kind.
    """

    strips: tuple[tuple[int, int], ...]
    pieces: int = 1


@dataclass(frozen=True)
class Fabric:
    """`count` like pieces of one print. `roles` empty: it may serve any.

    What was `opened` already lies on the cutting table: a piece cut, or cloth that is left of one.
    """

    name: str
    print: str
    width: Fraction
    length: Fraction
    count: int = 1
    roles: frozenset[str] = frozenset()
    directional: bool = False
    form: Form = Form.PIECE
    opened: bool = False

    def __post_init__(self) -> None:
        if not 0 < self.width <= LARGEST or not 0 < self.length <= LARGEST:
            raise BadCutting(f"{self.name}: width and length must be more than 0.")
        if self.count < 1:
            raise BadCutting(f"{self.name}: count must be at least 1.")

    @property
    def is_strip(self) -> bool:
        """Whether it is only crosscut, or split lengthwise."""
        return self.form is Form.STRIP

    @property
    def selvedge_side(self) -> str:
        """The side that depends on how wide the cloth was: of yardage its width."""
        return "width" if self.form is Form.YARDAGE else "length"

    @property
    def depends_on_width(self) -> bool:
        """Whether it is narrower where the cloth is: what was cut before, or is no more than the
        end of a length, was measured as it lies."""
        if self.opened:
            return False
        return self.form is not Form.PIECE or self.usable >= _NARROWEST_CLOTH

    @property
    def usable(self) -> Fraction:
        """How long it is between its selvedges, where it lies between them."""
        return self.width if self.selvedge_side == "width" else self.length

    def of_usable(self, usable: Fraction) -> "Fabric":
        """The same so long between its selvedges."""
        if self.selvedge_side == "width":
            return replace(self, width=usable)
        return replace(self, length=usable)

    def turns(self, need: Need) -> tuple[tuple[Fraction, Fraction], ...]:
        """(width, length) of a piece as it may lie on it: upright, and turned a quarter."""
        upright, turned = (need.width, need.height), (need.height, need.width)
        return (upright,) if self.directional else (upright, turned)

    def serves(self, need: Need) -> bool:
        """Whether pieces of this role may be cut from it."""
        if not self.roles or ANY in self.roles or need.role in self.roles:
            return True
        return need.role == ANY and not all(map(_is_outside, self.roles))


@dataclass(frozen=True)
class PrintRule:
    """A rule about the prints in a block."""

    roles: tuple[str, ...]
    same: bool


@dataclass(frozen=True)
class Total:
    """What is wanted once: needs, by their places, with what one piece of each counts; together at
    least so much.

    Two pieces of 60 1/2: each counts 1, at least 2. A strip of 240 joined of pieces that lose 2 1/2
    at every join: a piece of 42 counts 39 1/2, at least 237 1/2, for the last piece loses none.
    """

    counts: tuple[tuple[int, Fraction], ...]
    least: Fraction


@dataclass(frozen=True)
class CuttingProblem:
    """What is asked. `sets`: the kinds of strip sets; one of all strips where none is said.

    With a `tally` whole strips are counted in its way. Needs that stand in `totals` are no part of
    the blocks: they are wanted once, and first.
    """

    needs: tuple[Need, ...]
    fabrics: tuple[Fabric, ...]
    rules: tuple[PrintRule, ...] = ()
    batch: int = 1
    sets: tuple[StripSet, ...] = ()
    tally: Tally | None = None
    totals: tuple[Total, ...] = ()

    def __post_init__(self) -> None:
        if not self.block_needs:
            raise BadCutting("A block needs at least one piece.")
        if self.totals and (self.strip_sets or self.tally):
            raise BadCutting(
                "One-time pieces can be cut with single pieces, but not with strip sets."
            )
        self._check_sets()
        if self.batch < 1:
            raise BadCutting("A set of pieces must make at least one block.")
        check_needs(self.needs)
        names = [name for name, n in Counter(f.name for f in self.fabrics).items() if n > 1]
        if names:
            raise BadCutting(f"Two fabrics have the name “{names[0]}”. Rename one.")
        if sum(fabric.count for fabric in self.fabrics) > MOST_PIECES:
            raise BadCutting(
                f"Kersey can plan with up to {MOST_PIECES} pieces of fabric at once. Use fewer."
            )
        if self._pieces_by_area() > MOST_CUT:
            raise BadCutting(
                f"This fabric could make more than {MOST_CUT} pieces. "
                "Use less fabric or larger pieces."
            )

    @property
    def in_totals(self) -> frozenset[int]:
        """The places of needs that are wanted once."""
        return frozenset(place for total in self.totals for place, _ in total.counts)

    @property
    def block_needs(self) -> tuple[Need, ...]:
        """What the blocks are cut from."""
        once = self.in_totals
        return tuple(need for place, need in enumerate(self.needs) if place not in once)

    @property
    def blocks_by_area(self) -> int:
        """No plan cuts more than there is: blocks if nothing at all were lost."""
        needs = self.block_needs
        serving = [f for f in self.fabrics if any(f.serves(need) for need in needs)]
        there = sum((f.width * f.length * f.count for f in serving), Fraction(0))
        block = sum((need.width * need.height * need.count for need in needs), Fraction(0))
        return self.batch * int(there // block)

    def batches(self, blocks: int) -> int:
        """Sets of pieces for so many blocks."""
        return -(-blocks // self.batch)

    @property
    def strip_sets(self) -> bool:
        """Whether whole strips are sewn into sets first; else every piece is cut on its own."""
        return any(need.crosscut for need in self.needs)

    @property
    def kinds_of_sets(self) -> tuple[StripSet, ...]:
        """The sets that whole strips are sewn into."""
        of_all = StripSet(tuple((place, need.count) for place, need in enumerate(self.needs)))
        return self.sets or (of_all,) if self.strip_sets else ()

    def of_role(self, role: str) -> "CuttingProblem":
        """The question for the pieces of one role, as if no other role took any fabric."""
        kept = [place for place, need in enumerate(self.needs) if need.role == role]
        sets = [
            StripSet(
                tuple((kept.index(n), count) for n, count in kind.strips if n in kept), kind.pieces
            )
            for kind in self.kinds_of_sets
        ]
        return replace(
            self,
            needs=tuple(self.needs[place] for place in kept),
            rules=tuple(rule for rule in self.rules if set(rule.roles) == {role}),
            sets=tuple(kind for kind in sets if kind.strips),
        )

    def _check_sets(self) -> None:
        if not self.strip_sets:
            if self.sets or isinstance(self.tally, Waves | Mirrored):
                raise BadCutting("Strip sets must be made from strips cut into segments.")
            return
        if self.batch > 1 or not all(need.crosscut for need in self.needs):
            raise BadCutting("If you use strip sets, every piece of the block must come from one.")
        taken: Counter[int] = Counter()
        for kind in self.kinds_of_sets:
            for place, strips in kind.strips:
                taken[place] += strips * kind.pieces
        if taken != {place: need.count for place, need in enumerate(self.needs)}:
            raise BadCutting("The strip sets must make every piece of the block.")
        several = len(self.needs) > 1
        for rule in self.rules:
            if several and (rule.same or len(set(rule.roles)) > 1 or len(self.sets) > 1):
                raise BadCutting("In strip sets, only one role can require different prints.")

    def _pieces_by_area(self) -> Fraction:
        """No more pieces than this can be cut from what there is."""
        there = sum((f.width * f.length * f.count for f in self.fabrics), Fraction(0))
        needs = self.block_needs
        block = sum((need.width * need.height * need.count for need in needs), Fraction(0))
        return there / block * sum(need.count for need in needs)


@dataclass(frozen=True)
class Cut:
    """A piece cut out of a fabric: the need it is for, and where, from the fabric's corner."""

    need: Need
    x: Fraction
    y: Fraction
    width: Fraction
    length: Fraction

    @property
    def segments(self) -> int:
        """Pieces that a whole strip becomes once its set is crosscut."""
        return self.need.pieces_along(max(self.width, self.length))


@dataclass(frozen=True)
class Layout:
    """`copies` pieces of a fabric cut alike, and the rectangles that are left of each of them.

    The strips run `along` its length, or across it.
    """

    fabric: Fabric
    copies: int
    cuts: tuple[Cut, ...]
    left: tuple[tuple[Fraction, Fraction], ...]
    along: bool = True

    @property
    def strips(self) -> tuple[tuple[Cut, ...], ...]:
        """The cuts strip by strip, in the order they are cut: strips first, then crosscuts."""
        found: dict[Fraction, list[Cut]] = {}
        for cut in self.cuts:
            found.setdefault(cut.x if self.along else cut.y, []).append(cut)
        return tuple(tuple(found[at]) for at in sorted(found))


@dataclass(frozen=True)
class CuttingPlan:
    """The answer: `blocks` whole blocks, and no plan can give more than `bound`."""

    problem: CuttingProblem
    blocks: int
    bound: int
    layouts: tuple[Layout, ...]

    @property
    def proved(self) -> bool:
        """Whether no plan gives more."""
        return self.blocks == self.bound


def check_needs(needs: Iterable[Need]) -> None:
    """Raise `BadCutting` where two needs are known by the same label and role."""
    twice = [key for key, n in Counter((n.label, n.role) for n in needs).items() if n > 1]
    if twice:
        raise BadCutting(f"“{twice[0][0]}” of role “{twice[0][1]}” is listed twice.")


def _is_outside(role: str) -> bool:
    return role in _OUTSIDE or role.startswith(_BORDER)
