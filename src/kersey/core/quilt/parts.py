"""The parts of a quilt beside its blocks: what is cut for each, of which cloth, and what is short.

    pulled      cloth that was pulled for the part; what it does not give is bought
    left        strips of what the blocks leave, where that is wished for and is all of the part
    bought      off the bolt, in strips as wide as was reckoned with

This is the only place where that is worked out. Sums, shopping list, cutting sheet, work order,
finish and what is put away go over the parts and know nothing of any of them.

Keys share the prints that are pulled for borders; of plain borders each has the next one. Squares
where strips or borders meet are of the binding's print.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.cloth.fabric import Print
from kersey.core.frame.backing import BackingPlan, BackingWay
from kersey.core.frame.binding import SpareStrip, joined_length, taken_strips, usable_pieces
from kersey.core.frame.edge import EdgeStyle, cut_bias
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.strips import StripPieces
from kersey.core.measure.workshop import Workshop
from kersey.core.project.bought import BoughtFor
from kersey.core.project.project import Project
from kersey.core.quilt.left_over import LeftPiece, strips_from, without_strips
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.core.quilt.pulled_cloth import (
    CutOff,
    Piece,
    Wanted,
    cut_bias_off,
    cut_off,
    pieces_of,
    wanted,
)
from kersey.core.stash.pulled import Pulled, Role

# Cloth pulled for this gives a part; a spacer, which only makes keys fit, is always bought.
_GIVEN_BY = {
    PartKind.SETTING: Role.SETTING,
    PartKind.SASHING: Role.SASHING,
    PartKind.CORNERSTONES: Role.BINDING,
    PartKind.BORDER: Role.BORDER,
    PartKind.KEYS: Role.BORDER,
    PartKind.CORNERS: Role.BINDING,
    PartKind.BINDING: Role.BINDING,
    PartKind.BACKING: Role.BACKING,
    PartKind.BATTING: Role.BATTING,
}
_BOUGHT_FOR = {
    PartKind.SETTING: BoughtFor.SETTING,
    PartKind.SPACER: BoughtFor.SETTING,
    PartKind.SASHING: BoughtFor.SASHING,
    PartKind.BORDER: BoughtFor.BORDER,
}
# Of several borders the inner ones come first; their corner squares are cut together at the end.
_STAGES = (
    {PartKind.SETTING},
    {PartKind.SASHING},
    {PartKind.CORNERSTONES},
    {PartKind.SPACER, PartKind.BORDER, PartKind.KEYS},
    {PartKind.CORNERS},
    {PartKind.BINDING},
)
# What is cut first has the first choice of what is there: the long pieces, the squares last.
_FIRST_CHOICE = (
    PartKind.KEYS,
    PartKind.BORDER,
    PartKind.BINDING,
    PartKind.SETTING,
    PartKind.SASHING,
    PartKind.SPACER,
    PartKind.CORNERSTONES,
    PartKind.CORNERS,
)
# What is cut of cloth that is pulled for it; squares at corners are of what is left of that.
_LONG = frozenset(
    {PartKind.SETTING, PartKind.SASHING, PartKind.BORDER, PartKind.KEYS, PartKind.BINDING}
)
_OF_BORDERS = frozenset({PartKind.SPACER, PartKind.BORDER, PartKind.KEYS})


class Source(StrEnum):
    """Where the cloth of a part comes from."""

    PULLED = "pulled"
    LEFT = "what is left"
    BOUGHT = "bought"


@dataclass(frozen=True)
class Cloth:
    """The cloth of a part: where it is from, and what it shows.

    From what is left, `strips` are those taken.
    """

    source: Source
    prints: tuple[Print, ...]
    strips: tuple[SpareStrip, ...] = ()

    @property
    def names(self) -> tuple[str, ...]:
        """What its prints are called, each once."""
        return tuple(dict.fromkeys(shown.name for shown in self.prints))


@dataclass(frozen=True)
class CutStrips:
    """A cut with the strips it comes out of, each by its length; `cloth` is what they take off a
    length, `lacks` what of it is bought. Inches, not rounded."""

    cut: PartCut
    runs: tuple[Fraction, ...]
    joined: bool
    cloth: Fraction
    lacks: Fraction

    @property
    def strips(self) -> int:
        """How many strips."""
        return len(self.runs)

    @property
    def cut_width(self) -> Fraction:
        """How wide they are cut."""
        return self.cut.cut_width

    @property
    def pieces(self) -> tuple[StripPieces, ...]:
        """What they become."""
        return self.cut.pieces


@dataclass(frozen=True)
class Layer:
    """Backing or batting as it is made, so large: in rows of what is there where there is a
    `sheet`, else of cloth off the bolt by its `plan`, or of a `packet`."""

    size: Size
    plan: BackingPlan | None = None
    sheet: PiecedSheet | None = None
    packet: Size | None = None


@dataclass(frozen=True)
class Part:
    """One part: its kind, of borders which from the inside, and the `layer` it is or its cuts.

    `lacks` is what is bought of it, in inches off the bolt, not rounded; of batting none is told.
    `leftovers` is how long what the blocks leave would be as a binding.
    """

    kind: PartKind
    number: int
    cloth: Cloth
    enough: bool
    lacks: Fraction
    cuts: tuple[CutStrips, ...] = ()
    layer: Layer | None = None
    leftovers: Fraction = Fraction(0)

    @property
    def key(self) -> tuple[PartKind, int]:
        """What it is known by in its quilt."""
        return self.kind, self.number

    @property
    def name(self) -> str:
        """A part in a person's words: of several borders the first is simply the border."""
        numbered = self.kind is PartKind.BORDER and self.number > 1
        return f"{self.kind} {self.number}" if numbered else self.kind.value

    @property
    def pieces(self) -> tuple[StripPieces, ...]:
        """Everything that is cut for it, as it is cut."""
        return tuple(piece for cut in self.cuts for piece in cut.pieces)

    @property
    def strips(self) -> int:
        """How many strips it is cut from."""
        return sum(cut.strips for cut in self.cuts)

    @property
    def joins(self) -> int:
        """Joins of one long strip; the closing one comes on top."""
        return max(0, self.strips - 1)

    @property
    def cut_width(self) -> Fraction:
        """How wide it is cut, where it is of one width."""
        return self.cuts[0].cut_width

    @property
    def joined(self) -> bool:
        """Whether a piece of it is joined of several strips."""
        return any(cut.joined for cut in self.cuts)

    @property
    def length(self) -> Fraction:
        """Of all its pieces, end to end."""
        return sum((cut.cut.length for cut in self.cuts), Fraction(0))

    @property
    def takes(self) -> Fraction:
        """What it takes off lengths of cloth, wherever they are from; nothing of pieces."""
        if self.layer is not None:
            return self.layer.plan.cloth if self.layer.plan else Fraction(0)
        return sum((cut.cloth for cut in self.cuts), Fraction(0))

    @property
    def wide(self) -> bool:
        """Whether it is made of extra-wide cloth."""
        plan = self.layer.plan if self.layer else None
        return plan is not None and plan.way is BackingWay.WIDE

    @property
    def lengths(self) -> dict[Fraction, int]:
        """How many pieces of each length."""
        found: dict[Fraction, int] = {}
        for piece in self.pieces:
            found[piece.cut_length] = found.get(piece.cut_length, 0) + piece.count
        return found

    @property
    def count(self) -> int:
        """How many pieces."""
        return sum(piece.count for piece in self.pieces)


@dataclass(frozen=True)
class Frame:
    """All parts but the layers, from the middle outwards; the pieces as they lie once these are
    cut, and what of the blocks' cloth is left then."""

    parts: tuple[Part, ...]
    pieces: tuple[Piece, ...]
    left: tuple[LeftPiece, ...]

    def showing(self, kind: PartKind, cloth: Print) -> "Frame":
        """The same with the first part of a kind in another print, as if that were bought."""
        shown = Cloth(Source.BOUGHT, (cloth,))
        changed = next((part for part in self.parts if part.kind is kind), None)
        parts = (replace(p, cloth=shown) if p is changed else p for p in self.parts)
        return replace(self, parts=tuple(parts))


def frame_of(
    project: Project,
    scheme: Scheme,
    left: tuple[LeftPiece, ...],
    prints: dict[str, Print],
    shop: Workshop,
) -> Frame:
    """Every part of a quilt beside its blocks and layers; `prints` are those of what is left.

    Raises `NoBias` and `StripTooShort`.
    """
    making = _Making(project, scheme, pieces_of(project.fabrics), left, prints, shop)
    order = sorted(_grouped(scheme).items(), key=lambda item: _FIRST_CHOICE.index(item[0][0]))
    made = {key: making.part(*key, cuts) for key, cuts in order}
    parts = tuple(made[key] for key in sorted(made, key=_from_the_middle))
    return Frame(parts, making.pieces, making.left)


def edge_print(project: Project) -> Print:
    """What the edge of a quilt shows that has no binding of cloth that is there."""
    backing = [p.print for p in project.fabrics if p.serves(Role.BACKING)]
    folded = not project.design.edge.has_strips
    return backing[0] if backing and folded else project.bought[BoughtFor.BINDING]


def lacking(scheme: Scheme, kind: PartKind, pulled: Pulled, shop: Workshop) -> Fraction:
    """What a part takes, in inches off the bolt, that a fabric does not give were it pulled for it;
    of several borders they all."""
    pieces, found = pieces_of([pulled]), Fraction(0)
    bias = scheme.edge.style is EdgeStyle.BIAS and kind is PartKind.BINDING
    for cut in scheme.parts:
        if _GIVEN_BY.get(cut.kind) is _GIVEN_BY[kind] and cut.kind in _LONG:
            off = (cut_bias_off if bias else cut_off)(pieces, wanted(cut))
            pieces = off.pieces
            found += _off_the_bolt(off.rest, shop, bias).lacks
    return found


def _grouped(scheme: Scheme) -> dict[tuple[PartKind, int], list[PartCut]]:
    found: dict[tuple[PartKind, int], list[PartCut]] = {}
    for cut in scheme.parts:
        number = cut.number if cut.kind in _OF_BORDERS else 0
        found.setdefault((cut.kind, number), []).append(cut)
    return found


def _from_the_middle(key: tuple[PartKind, int]) -> tuple[int, int, int]:
    kind, number = key
    stage = next(n for n, kinds in enumerate(_STAGES) if kind in kinds)
    return stage, number, list(PartKind).index(kind)


class _Making:
    """Cuts one part after the other; `pieces` and `left` are what is still there."""

    def __init__(
        self,
        project: Project,
        scheme: Scheme,
        pieces: tuple[Piece, ...],
        left: tuple[LeftPiece, ...],
        prints: dict[str, Print],
        shop: Workshop,
    ) -> None:
        self.pieces, self.left = pieces, left
        self._project, self._scheme, self._prints, self._shop = project, scheme, prints, shop
        self._edge = edge_print(project)

    def part(self, kind: PartKind, number: int, cuts: Sequence[PartCut]) -> Part:
        """A part, cut from what is pulled for it, from what is left, or else off the bolt."""
        role = _GIVEN_BY.get(kind)
        there = [n for n, each in enumerate(self.pieces) if role and each.pulled.serves(role)]
        made = self._of_pulled(kind, number, cuts, there) if there else None
        made = made or self._of_left(kind, number, cuts) or self._bought(kind, number, cuts)
        if kind is PartKind.BINDING:
            made = replace(made, leftovers=joined_length(self._binding_left(), made.cut_width))
            if made.cloth.source is not Source.LEFT:
                self._edge = made.cloth.prints[0]
        return made

    def _of_pulled(
        self, kind: PartKind, number: int, cuts: Sequence[PartCut], there: Sequence[int]
    ) -> Part:
        prints = list(dict.fromkeys(self.pieces[n].pulled.print for n in there))
        if number:
            # Each border has the next of the prints that are pulled for them.
            first = (number - 1) % len(prints)
            prints = prints[first:] + prints[:first]
        cut, used = self._one_print(kind, cuts, there, prints)
        lacks = sum((each.lacks for each in cut), Fraction(0))
        cloth = Cloth(Source.PULLED, tuple(used or prints))
        return Part(kind, number, cloth, not lacks, lacks, tuple(cut))

    def _one_print(
        self, kind: PartKind, cuts: Sequence[PartCut], there: Sequence[int], prints: Sequence[Print]
    ) -> tuple[list[CutStrips], list[Print]]:
        """All of one print, where one is enough, else of one print after the other; keys are shared
        out among all."""
        ways = [[shown] for shown in prints] if kind is not PartKind.KEYS else []
        for way in [*ways, prints]:
            cut, lying = self._cut(kind, cuts, there, way)
            if way is prints or not any(each.lacks for each in cut):
                used = [lying[n].pulled.print for n in there if lying[n] != self.pieces[n]]
                self.pieces = lying
                return cut, [shown for shown in prints if shown in used]
        raise AssertionError

    def _cut(
        self, kind: PartKind, cuts: Sequence[PartCut], there: Sequence[int], prints: Sequence[Print]
    ) -> tuple[list[CutStrips], tuple[Piece, ...]]:
        """These cuts off the pieces of these prints, print by print as they stand."""
        of_them = (n for n in there if self.pieces[n].pulled.print in prints)
        order = sorted(of_them, key=lambda n: prints.index(self.pieces[n].pulled.print))
        lying, found = list(self.pieces), []
        for cut in cuts:
            runs, asked, joined, cloth = list[Fraction](), wanted(cut), False, Fraction(0)
            for off in self._shares(kind, asked, [lying[n] for n in order], prints):
                runs += off.runs
                cloth += off.cloth
                asked = off.rest
                joined = joined or asked.joined is not None
                for n, piece in zip(order, off.pieces, strict=True):
                    lying[n] = piece
            rest = _off_the_bolt(asked, self._shop, self._bias)
            joined = cut.run or joined or rest.joined
            strips = (*runs, *rest.runs)
            found.append(CutStrips(cut, strips, joined, cloth + rest.lacks, rest.lacks))
        return found, tuple(lying)

    def _shares(
        self, kind: PartKind, asked: Wanted, pieces: list[Piece], prints: Sequence[Print]
    ) -> Iterator[CutOff]:
        """What is cut: all at once, or of keys first of each print its share."""
        if kind is PartKind.KEYS:
            shares = [_share(asked, n, len(prints)) for n in range(len(prints))]
            for shown, share in zip(prints, shares, strict=True):
                of_it = [n for n, piece in enumerate(pieces) if piece.pulled.print == shown]
                off = cut_off([pieces[n] for n in of_it], share)
                for n, piece in zip(of_it, off.pieces, strict=True):
                    pieces[n] = piece
                asked = _less(asked, share, off.rest)
                yield CutOff(tuple(pieces), off.runs, asked, off.cloth)
        cut = cut_bias_off if self._bias and kind is PartKind.BINDING else cut_off
        yield cut(pieces, asked)

    def _of_left(self, kind: PartKind, number: int, cuts: Sequence[PartCut]) -> Part | None:
        """A part of what the blocks leave, where that is wished for; or of fabric that was pulled
        for the blocks and for it."""
        if kind not in _FROM_LEFT or (self._bias and kind is PartKind.BINDING):
            return None
        cut, role = cuts[0], _GIVEN_BY[kind]
        both = {p.print for p in self._project.fabrics if p.for_blocks and p.serves(role)}
        there = [
            strip
            for strip in strips_from(self.left, cut.cut_width)
            if self._wishes_left(kind, number) or self._prints[strip.fabric] in both
        ]
        taken = _FROM_LEFT[kind](cut, there)
        if not taken:
            return None
        self.left = without_strips(self.left, taken, cut.cut_width)
        shown = tuple(self._prints[strip.fabric] for strip in taken)
        if kind is not PartKind.BINDING:
            shown = tuple(dict.fromkeys(shown))
        runs, nothing = tuple(strip.length for strip in taken), Fraction(0)
        cut_strips = CutStrips(cut, runs, kind is not PartKind.KEYS, nothing, nothing)
        return Part(kind, number, Cloth(Source.LEFT, shown, taken), True, nothing, (cut_strips,))

    def _wishes_left(self, kind: PartKind, number: int) -> bool:
        design = self._project.design
        if kind is PartKind.BINDING:
            return design.binding_from_left
        return design.border_from_left and (kind is PartKind.KEYS or number == 1)

    def _bought(self, kind: PartKind, number: int, cuts: Sequence[PartCut]) -> Part:
        found = tuple(_off_the_bolt(wanted(cut), self._shop, self._bias) for cut in cuts)
        lacks = sum((each.lacks for each in found), Fraction(0))
        cloth = Cloth(Source.BOUGHT, self._to_buy(kind, number))
        return Part(kind, number, cloth, False, lacks, found)

    def _to_buy(self, kind: PartKind, number: int) -> tuple[Print, ...]:
        """The print that is bought; keys lie in two, in turn."""
        bought, design = self._project.bought, self._project.design
        if kind is PartKind.KEYS:
            return bought[BoughtFor.BORDER], bought[BoughtFor.SETTING]
        if kind in (PartKind.CORNERSTONES, PartKind.CORNERS):
            return (self._edge,)
        outer = len(self._scheme.borders) - len(design.outer_borders) < number
        if kind is PartKind.BORDER and outer:
            return (bought[BoughtFor.OUTER],)
        return (bought[_BOUGHT_FOR.get(kind, BoughtFor.BINDING)],)

    def _binding_left(self) -> tuple[SpareStrip, ...]:
        width = self._project.design.binding_width
        return usable_pieces(strips_from(self.left, width), width)

    @property
    def _bias(self) -> bool:
        return self._project.design.edge_style is EdgeStyle.BIAS


def _share(asked: Wanted, place: int, shares: int) -> Wanted:
    """One of so many shares of what is wanted, as even as whole pieces are."""
    lengths = ((length, (count + place) // shares) for length, count in asked.lengths)
    return replace(asked, lengths=tuple((length, count) for length, count in lengths if count))


def _less(asked: Wanted, share: Wanted, rest: Wanted) -> Wanted:
    """What is still wanted of all, once a share of it is cut but for a rest."""
    left = dict(asked.lengths)
    for sign, part in ((-1, share), (1, rest)):
        for length, count in part.lengths:
            left[length] = left.get(length, 0) + sign * count
    return replace(asked, lengths=tuple((length, count) for length, count in left.items() if count))


def _off_the_bolt(asked: Wanted, shop: Workshop, bias: bool = False) -> CutStrips:
    """What is still wanted, as strips of bought cloth."""
    cut, usable = asked.cut, shop.usable_width
    if not asked.length:
        return CutStrips(cut, (), joined=False, cloth=Fraction(0), lacks=Fraction(0))
    if bias and cut.kind is PartKind.BINDING:
        found = cut_bias(asked.length, cut.cut_width, usable)
        return CutStrips(cut, found.strips, True, found.cloth, found.cloth)
    asked = asked.in_strips_of(usable)
    strips = asked.strips(usable)
    cloth = strips * cut.cut_width
    return CutStrips(cut, (usable,) * strips, asked.joined is not None, cloth, cloth)


def _one_border_of(cut: PartCut, there: Sequence[SpareStrip]) -> tuple[SpareStrip, ...]:
    """The strips of a border of what is left: all of one print, joined end to end."""
    for name in dict.fromkeys(strip.fabric for strip in there):
        taken = taken_strips([s for s in there if s.fabric == name], cut.length, cut.join)
        if taken:
            return taken
    return ()


def _keys_of(cut: PartCut, there: Sequence[SpareStrip]) -> tuple[SpareStrip, ...]:
    """The strips of keys of what is left, in as many prints as there are; each is as long as a key,
    or a square at a corner, at the most."""
    each = max(piece.cut_length for piece in cut.pieces)
    waiting, taken = sum(piece.count for piece in cut.pieces), list[SpareStrip]()
    for strip in sorted(there, key=lambda s: -s.length):
        taken.append(strip)
        waiting -= int(strip.length // each)
        if waiting <= 0:
            return tuple(taken)
    return ()


def _binding_of(cut: PartCut, there: Sequence[SpareStrip]) -> tuple[SpareStrip, ...]:
    return taken_strips(usable_pieces(there, cut.cut_width), cut.length, cut.join)


_FROM_LEFT = {
    PartKind.BORDER: _one_border_of,
    PartKind.KEYS: _keys_of,
    PartKind.BINDING: _binding_of,
}
