"""The whole quilt that a project comes to by its plan: size, frame, finish, and what is left.

body      columns x block, rows x block, finished
finished  body + 2 x border
top       finished + 2s, unfinished, as it is quilted
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.assembly import Assembly, Size
from kersey.core.cloth.fabric import Motif, Print, Swatch, Value
from kersey.core.errors import Infeasible
from kersey.core.frame.backing import (
    Backing,
    BackingPlan,
    BackingWay,
    fewer_panels,
)
from kersey.core.frame.batting import Batting
from kersey.core.frame.binding import Binding, SpareStrip, binding_length, plan_binding
from kersey.core.frame.borders import Border
from kersey.core.frame.edge import EdgeStyle, cut_bias
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import BlockGrid, Seat
from kersey.core.frame.size_search import SizeOption, SizeQuestion, size_option, size_options
from kersey.core.frame.strips import StripPieces, Strips, strips_for
from kersey.core.measure.length import Units, bought_length
from kersey.core.measure.workshop import Workshop
from kersey.core.project.kept_plan import KeptPlan, Kit
from kersey.core.project.project import Project, fabric_key
from kersey.core.project.question import yield_asked
from kersey.core.project.sewing import block_as_measured
from kersey.core.project.table import parent_key
from kersey.core.quilt.arrangement import alike_pairs, alike_unavoidable, turn_at
from kersey.core.quilt.left_over import LeftPiece, left_over, strips_from, without_strips
from kersey.core.quilt.let_in import LetIn, let_in
from kersey.core.quilt.pieces import pieces_of, slots_of
from kersey.core.quilt.planning import prints_of
from kersey.core.quilt.scheme import BACKGROUND, CORNERSTONE, SASHING, SPACER, Part, Scheme
from kersey.core.stash.pulled import Role

# Cloth that a plan was made with and that is not pulled any more: no print of anybody's.
GONE = Print("no longer pulled", Value.MEDIUM, Swatch(Motif.PLAIN, "#b9bfc1", "#b9bfc1"))


class NotPlanned(Infeasible):
    """The plan is still to be worked out."""

    def __init__(self) -> None:
        super().__init__("Still working out how to cut this fabric.")


class NoQuilt(Infeasible):
    """The fabric does not give a single block."""

    def __init__(self) -> None:
        super().__init__(
            "The fabric you pulled isn't enough for one block. Pull "
            "more, or choose a smaller block."
        )


class NoBlockSize(Infeasible):
    """Nobody has said how large a block of one's own pieces is once it is sewn."""

    def __init__(self) -> None:
        super().__init__("On Yield, type your block's finished size, like 6.")


class Source(StrEnum):
    """Where the cloth of a border or binding comes from."""

    PULLED = "pulled"
    LEFT = "what is left"
    BOUGHT = "bought"


@dataclass(frozen=True)
class Sizes:
    """What sizes a project may have, and the one in use."""

    question: SizeQuestion
    current: SizeOption

    @cached_property
    def options(self) -> tuple[SizeOption, ...]:
        """Every sensible size, best first."""
        return size_options(self.question)


@dataclass(frozen=True)
class Cloth:
    """The cloth of a border or binding: where it is from, and what it shows.

    From what is left, `strips` are those taken.
    """

    source: Source
    prints: tuple[Print, ...]
    strips: tuple[SpareStrip, ...] = ()


@dataclass(frozen=True)
class Placed:
    """A block in the quilt: the number of its kit, its place, and how it is turned."""

    kit: int
    row: int
    column: int
    turn: int


@dataclass(frozen=True)
class Quilt:
    """One quilt, worked out. Lengths in inches."""

    project: Project
    units: Units
    plan: KeptPlan
    assembly: Assembly
    sizes: Sizes
    scheme: Scheme
    border: Border | None
    border_cloth: Cloth
    backing: Backing
    batting: Batting
    binding: Binding
    binding_cloth: Cloth
    left: tuple[LeftPiece, ...]
    sashing_cloth: Cloth
    plain_cloth: Cloth
    key_cloth: Cloth
    outer_borders: tuple[Border, ...] = ()
    outer_cloths: tuple[Print, ...] = ()

    @property
    def grid(self) -> BlockGrid:
        """The places of the blocks."""
        return self.scheme.grid

    @property
    def sashing(self) -> Sashing:
        """What parts the blocks; of one piece nothing."""
        return self.scheme.sashing

    @cached_property
    def sashing_strips(self) -> Strips | None:
        """The strips of the sashing off the bolt; None where there is none."""
        return self._off_the_bolt(SASHING)

    @property
    def sashing_pieces(self) -> tuple[StripPieces, ...]:
        """The strips of the sashing as they are cut."""
        return tuple(piece for part in self._between(SASHING) for piece in part.pieces)

    @property
    def sashing_lengths(self) -> dict[Fraction, int]:
        """How many strips of each length the sashing takes."""
        found: Counter[Fraction] = Counter()
        for piece in self.sashing_pieces:
            found[piece.cut_length] += piece.count
        return dict(found)

    @property
    def cornerstones(self) -> int:
        """How many squares lie where strips cross."""
        return sum(piece.count for part in self._between(CORNERSTONE) for piece in part.pieces)

    @cached_property
    def cornerstone_strips(self) -> Strips | None:
        """Strips off the bolt that the cornerstones are cut from; None where there are none."""
        return self._off_the_bolt(CORNERSTONE)

    @cached_property
    def plain_strips(self) -> tuple[tuple[StripPieces, Strips], ...]:
        """The plain squares between the blocks, or those that triangles at the edge are cut from,
        each with its strips off the bolt."""
        parts = self._between(BACKGROUND)
        return tuple((part.pieces[0], part.off_the_bolt(self._shop)) for part in parts)

    @property
    def plain_bought(self) -> Fraction:
        """Plain cloth, in inches off the bolt as shops cut it; 0 where none lies between blocks."""
        cloth = sum((s.count * s.cut_width for _, s in self.plain_strips), Fraction(0))
        return bought_length(cloth)

    @property
    def borders(self) -> tuple[Border, ...]:
        """All borders, the innermost first."""
        return (*([self.border] if self.border else []), *self.outer_borders)

    @property
    def spacer_strips(self) -> tuple[tuple[StripPieces, Strips], ...]:
        """The spacer that makes keys fit, each width with its strips off the bolt."""
        parts = (part for part in self.scheme.parts if SPACER in part.name)
        return tuple((part.pieces[0], part.off_the_bolt(self._shop)) for part in parts)

    @property
    def corner_strips(self) -> Fraction:
        """Cloth for the corner squares of all borders, in inches off the bolt; 0 without any."""
        found = Fraction(0)
        for border in self.borders:
            if border.corner and border.key is None:
                square = StripPieces("square", 4, border.corner, border.corner)
                found += strips_for([square], self._shop).cloth
        return found

    def _off_the_bolt(self, name: str) -> Strips | None:
        return next((part.off_the_bolt(self._shop) for part in self._between(name)), None)

    def _between(self, name: str) -> tuple[Part, ...]:
        return tuple(part for part in self.scheme.between if part.name == name)

    @property
    def _shop(self) -> Workshop:
        design = self.project.design
        return Workshop(design.seam, design.usable_width, self.units)

    @property
    def size(self) -> SizeOption:
        """The size in use."""
        return self.sizes.current

    @property
    def as_measured(self) -> bool:
        """Whether its size rests on blocks or rows that were measured, not on reckoned ones."""
        return self.scheme.block != self.plan.finished

    @property
    def block(self) -> Size:
        """What shows of a block: (width, height)."""
        assert self.plan.finished is not None
        return self.plan.finished

    @property
    def top_width(self) -> Fraction:
        """Width of the top before it is bound."""
        return self.scheme.top[0]

    @property
    def top_length(self) -> Fraction:
        """Length of the top before it is bound."""
        return self.scheme.top[1]

    @property
    def blocks_short(self) -> int:
        """Blocks that the chosen size needs and the fabric does not give."""
        return max(0, -self.size.spare)

    @property
    def narrower_margin(self) -> tuple[Fraction, BackingPlan] | None:
        """A slightly smaller margin that saves a panel of the backing, if there is one."""
        design = self.project.design
        top = self.top_width, self.top_length
        if not design.edge.has_strips:
            return None
        return fewer_panels(*top, design.margin, design.usable_width, self.units)

    @cached_property
    def let_in(self) -> LetIn | None:
        """Spare blocks let into the backing, where that saves a width and there are enough."""
        backing = self.backing.width, self.backing.length
        found = let_in(backing, self.block, self._shop)
        return found if found and found.blocks <= self.size.spare else None

    @property
    def backing_stands(self) -> bool:
        """Whether a print that is pulled for the backing has a direction."""
        pulled = (p for p in self.project.fabrics if p.serves(Role.BACKING))
        return any(p.kept.lot.directional for p in pulled)

    @property
    def backing_plans(self) -> tuple[BackingPlan, ...]:
        """Every way to make the backing of cloth off the bolt."""
        return (*self.backing.plans, *([self.let_in.plan] if self.let_in else []))

    @property
    def backing_plan(self) -> BackingPlan:
        """The backing as chosen, or the thriftiest of cloth alone; a print with a direction stands
        upright unless it is chosen otherwise."""
        way = self.project.design.backing_way or (
            BackingWay.UPRIGHT if self.backing_stands else None
        )
        if way is BackingWay.LET_IN and self.let_in:
            return self.let_in.plan
        return self.backing.plan(way)

    @cached_property
    def placed(self) -> tuple[Placed, ...]:
        """Every block that there is, row by row."""
        return tuple(
            Placed(kit, *seat, turn)
            for seat, kit, turn in zip(
                self.grid.seats, self.plan.places, self.place_turns, strict=True
            )
            if kit is not None
        )

    @cached_property
    def place_turns(self) -> tuple[int, ...]:
        """By how many quarters the block of each place is turned."""
        if self.plan.laying is not None:
            return self.plan.laying.turns
        return tuple(self._turn_at(*self.grid.turning(seat)) for seat in self.grid.seats)

    def _turn_at(self, row: int, column: int) -> int:
        turns = self.assembly.turns
        by_row = self.assembly.turned_by_row
        return turns[row % len(turns)] if by_row else turn_at(turns, row, column)

    @property
    def empty_places(self) -> list[Seat]:
        """The places for which there is no block."""
        there = zip(self.grid.seats, self.plan.places, strict=True)
        return [seat for seat, kit in there if kit is None]

    @cached_property
    def prints(self) -> dict[str, Print]:
        """The print of each fabric of the plan, by its name there."""
        return _print_names(self.project, self.plan)

    def patch_prints(self, kit: Kit) -> list[Print]:
        """The print of each patch of a block, in the order of the assembly's patches."""
        return [self.prints[kit[slot]] for slot in self.patch_slots]

    @cached_property
    def patch_slots(self) -> list[int]:
        """Which piece of a kit each patch is of."""
        first: dict[tuple[str, str], int] = {}
        needs = self.plan.plan.problem.needs
        for slot, number in enumerate(slots_of(self.plan.plan.problem)):
            first.setdefault((needs[number].label, needs[number].role), slot)
        return [first[p.label, p.role] + (p.piece or 0) for p in self.assembly.patches]

    @cached_property
    def alike_pairs(self) -> int:
        """Pairs of neighbours made of the very same prints."""
        return alike_pairs(self.block_prints, self.plan.places, self.grid)

    @cached_property
    def alike_unavoidable(self) -> bool:
        """Whether two alike must touch however the blocks are laid."""
        return alike_unavoidable(self.block_prints, self.plan.places, self.grid)

    @cached_property
    def block_prints(self) -> list[tuple[str, ...]]:
        """The prints of every kit, by the names that the plan has for them."""
        return prints_of(self.plan.plan, self.plan.kits)


def make_quilt(project: Project, units: Units = Units.INCHES) -> Quilt:
    """Work the whole quilt out from the plan that is kept; searches nothing.

    Raises `NotPlanned`, `NoQuilt`, `NoBlockSize`, or `NothingToCut` when nothing was ever pulled.

    >>> from kersey.core.quilt.planning import planned
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll)), lambda: 0.0))
    >>> quilt.size.width, quilt.size.length, quilt.binding.strips
    (Fraction(54, 1), Fraction(66, 1), 7)
    """
    kept, design = project.plan, project.design
    if kept is None:
        # What cannot even be asked says why.
        yield_asked(project)
        raise NotPlanned
    if not kept.possible:
        raise NoQuilt
    if kept.grid is None or kept.finished is None:
        raise NoBlockSize
    sizes = _sizes(project, kept, units)
    scheme = _scheme(project, kept, sizes.current)
    shop = Workshop(design.seam, design.usable_width, units)
    borders = scheme.framed_by(shop)
    border = borders[0] if sizes.current.border_width else None
    left = left_over(kept.plan, _used(kept))
    names = _print_names(project, kept)
    key_cloth, left = _key_cloth(project, borders, left, names)
    plain = border if border and border.key is None else None
    border_cloth, left = _border_cloth(project, plain, left, names, shop)
    binding, binding_cloth, left = _binding(project, scheme.top, left, names)
    return Quilt(
        project=project,
        units=units,
        plan=kept,
        assembly=kept.block.assembly(kept.seam),
        sizes=sizes,
        scheme=scheme,
        border=border,
        border_cloth=border_cloth,
        backing=scheme.backed_by(shop),
        batting=scheme.batting,
        binding=binding,
        binding_cloth=binding_cloth,
        left=left,
        sashing_cloth=_cloth_for(project, Role.SASHING, project.bought_sashing),
        plain_cloth=_cloth_for(project, Role.SETTING, project.bought_setting),
        key_cloth=key_cloth,
        outer_borders=borders[1:] if border else borders,
        outer_cloths=_outer_cloths(project),
    )


def _scheme(project: Project, kept: KeptPlan, size: SizeOption) -> Scheme:
    """The quilt as it is set and framed; the border is the one that was settled with the plan."""
    design = project.design
    assert kept.finished is not None
    return Scheme(
        block=_block(project, kept),
        rows=size.rows,
        columns=size.columns,
        setting=size.setting,
        sashing=_sashing(project, kept),
        borders=tuple(w for w in (size.border_width, *design.outer_borders) if w),
        corners=design.corners,
        sides_first=design.sides_first,
        edge=design.edge,
        margin=design.margin,
        seam=design.seam,
        key=design.keys.suiting(
            (size.body_width, size.body_length), size.border_width, size.around
        ),
    )


def _block(project: Project, kept: KeptPlan) -> Size:
    """What shows of a block: as reckoned, or as it was measured."""
    assert kept.finished is not None
    assert kept.grid is not None
    sashing = _sashing(project, kept).width
    return block_as_measured(project.sewing, kept.finished, kept.seam, kept.grid.columns, sashing)


def _outer_cloths(project: Project) -> tuple[Print, ...]:
    """What each border outside the first shows: prints pulled for borders one after the other."""
    pulled = list(dict.fromkeys(p.print for p in project.fabrics if p.serves(Role.BORDER)))
    return tuple(
        pulled[n] if n < len(pulled) else project.bought_outer
        for n in range(1, 1 + len(project.design.outer_borders))
    )


def _sashing(project: Project, kept: KeptPlan) -> Sashing:
    return NO_SASHING if kept.block.makes_one_piece else project.design.parted_by


def _cloth_for(project: Project, role: Role, bought: Print) -> Cloth:
    """What a part shows: the prints pulled for it, or what is bought."""
    pulled = [p.print for p in project.fabrics if p.serves(role)]
    if pulled:
        return Cloth(Source.PULLED, tuple(dict.fromkeys(pulled)))
    return Cloth(Source.BOUGHT, (bought,))


def _used(kept: KeptPlan) -> Sequence[Kit]:
    """The sets of pieces that lie in the quilt."""
    placed = (number for number in kept.places if number is not None)
    return pieces_of(kept.kits, placed, kept.plan.problem.batch)


def _sizes(project: Project, kept: KeptPlan, units: Units) -> Sizes:
    assert kept.finished is not None
    assert kept.grid is not None
    design, grid = project.design, kept.grid
    sashing = _sashing(project, kept)
    question = SizeQuestion(
        _block(project, kept), kept.possible, design.wish, design.border_width, units, sashing,
        sum(design.outer_borders, Fraction(0)), design.edge_adds, grid.setting,
        design.keys,
    )  # fmt: skip
    # The border was settled with the plan: it is not another one for whoever thinks in centimetres.
    in_use = replace(question, border_width=grid.border_width)
    return Sizes(question, size_option(in_use, grid.rows, grid.columns))


def _print_names(project: Project, kept: KeptPlan) -> dict[str, Print]:
    known = {fabric_key(pulled): pulled.print for pulled in project.fabrics}
    fabrics = kept.plan.problem.fabrics
    return {
        f.name: known.get(parent_key(key), GONE) for f, key in zip(fabrics, kept.keys, strict=True)
    }


def _border_cloth(
    project: Project,
    border: Border | None,
    left: tuple[LeftPiece, ...],
    prints: dict[str, Print],
    shop: Workshop,
) -> tuple[Cloth, tuple[LeftPiece, ...]]:
    """What the border is cut from; from what is left it is of one print."""
    pulled = [p.print for p in project.fabrics if p.serves(Role.BORDER)]
    if pulled:
        return Cloth(Source.PULLED, tuple(dict.fromkeys(pulled))), left
    bought = Cloth(Source.BOUGHT, (project.bought_border,)), left
    if border is None or not project.design.border_from_left:
        return bought
    wanted = 2 * (border.sides + border.ends)
    for name in dict.fromkeys(piece.fabric for piece in left):
        strips = [s for s in strips_from(left, border.cut_width) if s.fabric == name]
        taken = _enough(strips, wanted, 2 * shop.seam)
        if taken:
            rest = without_strips(left, taken, border.cut_width)
            return Cloth(Source.LEFT, (prints[name],), taken), rest
    return bought


def _key_cloth(
    project: Project,
    borders: Sequence[Border],
    left: tuple[LeftPiece, ...],
    prints: dict[str, Print],
) -> tuple[Cloth, tuple[LeftPiece, ...]]:
    """What keys are cut from: of what is left, in as many prints as there are, where that is wished
    for and enough; else two prints are bought that lie in turn."""
    bought = Cloth(Source.BOUGHT, (project.border_print, project.bought_setting)), left
    keyed = borders[-1] if borders and borders[-1].key is not None else None
    if keyed is None or keyed.key is None or not project.design.border_from_left:
        return bought
    each = max(keyed.key, keyed.cut_width)
    taken, wanted = list[SpareStrip](), keyed.keys + 4
    for strip in sorted(strips_from(left, keyed.cut_width), key=lambda s: -s.length):
        taken.append(strip)
        wanted -= int(strip.length // each)
        if wanted <= 0:
            shown = tuple(dict.fromkeys(prints[strip.fabric] for strip in taken))
            rest = without_strips(left, taken, keyed.cut_width)
            return Cloth(Source.LEFT, shown, tuple(taken)), rest
    return bought


def _enough(
    strips: Sequence[SpareStrip], wanted: Fraction, join: Fraction
) -> tuple[SpareStrip, ...]:
    """The fewest strips, longest first, that are so long once joined; none if they are too few."""
    taken: list[SpareStrip] = []
    for strip in sorted(strips, key=lambda s: -s.length):
        taken.append(strip)
        if _joined(taken, join) >= wanted:
            return tuple(taken)
    return ()


def _joined(strips: Sequence[SpareStrip], join: Fraction) -> Fraction:
    return sum((s.length for s in strips), Fraction(0)) - (len(strips) - 1) * join


def _bias_binding(
    project: Project, top: tuple[Fraction, Fraction], pulled: Sequence[Print]
) -> tuple[Binding, Cloth]:
    """Bias strips come off a length of cloth; what is left of strips is on the straight grain."""
    design, length = project.design, binding_length(*top)
    cut = cut_bias(length, design.binding_width, design.usable_width)
    nothing = Fraction(0)
    binding = Binding(design.binding_width, length, len(cut.strips), (), nothing, cut.cloth)
    if pulled:
        return binding, Cloth(Source.PULLED, tuple(dict.fromkeys(pulled)))
    return binding, Cloth(Source.BOUGHT, (project.bought_binding,))


def _binding(
    project: Project,
    top: tuple[Fraction, Fraction],
    left: tuple[LeftPiece, ...],
    prints: dict[str, Print],
) -> tuple[Binding, Cloth, tuple[LeftPiece, ...]]:
    design = project.design
    if not design.edge.has_strips:
        # The backing itself is the edge.
        backing = [p.print for p in project.fabrics if p.serves(Role.BACKING)]
        print_of = backing[0] if backing else project.bought_binding
        nothing = Binding(design.edge.width, Fraction(0), 0, (), Fraction(0))
        return nothing, Cloth(Source.PULLED, (print_of,)), left
    pulled = [p.print for p in project.fabrics if p.serves(Role.BINDING)]
    if design.edge_style is EdgeStyle.BIAS:
        return *_bias_binding(project, top, pulled), left
    binding = plan_binding(
        binding_length(*top),
        design.binding_width,
        design.usable_width,
        strips_from(left, design.binding_width),
        design.binding_from_left and not pulled,
    )
    if binding.bought:
        cloth = (
            Cloth(Source.PULLED, tuple(dict.fromkeys(pulled)))
            if pulled
            else Cloth(Source.BOUGHT, (project.bought_binding,))
        )
        return binding, cloth, left
    shown = tuple(prints[strip.fabric] for strip in binding.from_stash)
    rest = without_strips(left, binding.from_stash, design.binding_width)
    return binding, Cloth(Source.LEFT, shown, binding.from_stash), rest
