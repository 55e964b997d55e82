"""The whole quilt that a project comes to by its plan: size, frame, finish, and what is left.

body      columns x block, rows x block, finished
finished  body + 2 x border
top       finished + 2s, unfinished, as it is quilted
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.assembly import Assembly, Size
from kersey.core.cloth.fabric import Motif, Print, Swatch, Value
from kersey.core.errors import Infeasible
from kersey.core.frame.backing import Backing, BackingPlan, BackingWay, fewer_panels
from kersey.core.frame.batting import Batting
from kersey.core.frame.borders import Border
from kersey.core.frame.part import PartKind
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.setting import BlockGrid, Seat
from kersey.core.frame.size_search import SizeOption, SizeQuestion, size_option, size_options
from kersey.core.kits.pieces import pieces_of, slots_of
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.planning.arrangement import alike_pairs, alike_unavoidable, turn_at
from kersey.core.planning.plan_question import prints_of
from kersey.core.project.kept_plan import KeptPlan, Kit
from kersey.core.project.project import Project, fabric_key
from kersey.core.project.question import yield_asked
from kersey.core.project.sewing import block_as_measured
from kersey.core.project.table import parent_key
from kersey.core.quilt.layers import Layers, layers_of
from kersey.core.quilt.left_over import LeftPiece, left_over
from kersey.core.quilt.let_in import LetIn, let_in
from kersey.core.quilt.parts import Frame, Part, edge_print, frame_of
from kersey.core.quilt.pulled_cloth import Opened, opened
from kersey.core.stash.pulled import Role

# Cloth that a plan was made with and that is not pulled any more: no print of anybody's.
GONE = Print("no longer pulled", Value.MEDIUM, Swatch(Motif.PLAIN, "#b9bfc1", "#b9bfc1"))


class NotPlanned(Infeasible):
    """The plan is still to be worked out."""

    def __init__(self) -> None:
        super().__init__("Still working out how to cut this fabric.")


class NoQuilt(Infeasible):
    """The fabric does not give a single block, or none was found of at most so many."""

    def __init__(self, bound: int) -> None:
        none = "The fabric you pulled isn't enough for one block."
        if bound:
            none = f"No block found yet; up to {bound} may be possible. This waits for one."
        super().__init__(f"{none} Pull more, or choose a smaller block.")


class NoBlockSize(Infeasible):
    """Nobody has said how large a block of one's own pieces is once it is sewn."""

    def __init__(self) -> None:
        super().__init__("On Yield, type your block's finished size, like 6.")


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
    kept: KeptPlan
    assembly: Assembly
    sizes: Sizes
    scheme: Scheme
    backing: Backing
    batting: Batting
    frame: Frame
    borders: tuple[Border, ...]

    @property
    def grid(self) -> BlockGrid:
        """The places of the blocks."""
        return self.scheme.grid

    @property
    def sashing(self) -> Sashing:
        """What parts the blocks; of one piece nothing."""
        return self.scheme.sashing

    @property
    def left(self) -> tuple[LeftPiece, ...]:
        """What is left of the cloth of the blocks, once the parts are cut too."""
        return self.frame.left

    @cached_property
    def layers(self) -> Layers:
        """The backing and the batting, of what is pulled for them or bought."""
        return layers_of(
            self.project.fabrics,
            self.frame.pieces,
            self.backing,
            self.backing_plan,
            self.batting,
            self.project.design.usable_width,
        )

    @cached_property
    def parts(self) -> tuple[Part, ...]:
        """Every part beside the blocks, from the middle outwards."""
        return (*self.frame.parts, self.layers.backing, self.layers.batting)

    @cached_property
    def opened(self) -> tuple[Opened, ...]:
        """What of the cloth that is pulled for parts was opened, and its ends."""
        return (*opened(self.frame.pieces), *self.layers.opened)

    @property
    def to_buy(self) -> tuple[Part, ...]:
        """Every part that no cloth gives that is pulled, or left; blocks that are short are not
        told."""
        return tuple(part for part in self.parts if not part.enough)

    def part(self, kind: PartKind, number: int | None = None) -> Part | None:
        """A part of this kind: the first, or of borders the one of a number; None without any."""
        layered = kind in (PartKind.BACKING, PartKind.BATTING)
        among = self.parts if layered else self.frame.parts
        return next((p for p in among if p.kind is kind and number in (None, p.number)), None)

    @property
    def framing(self) -> tuple[tuple[Border, Part], ...]:
        """Every border with its part, the innermost first."""
        kinds = PartKind.BORDER, PartKind.KEYS
        parts = (part for part in self.frame.parts if part.kind in kinds)
        return tuple(zip(self.borders, parts, strict=True))

    @property
    def edge_print(self) -> Print:
        """What the quilt's edge shows: its binding, or of a folded or turned edge the backing."""
        binding = self.part(PartKind.BINDING)
        return edge_print(self.project) if binding is None else binding.cloth.prints[0]

    @property
    def shop(self) -> Workshop:
        """Its seam and its usable width."""
        design = self.project.design
        return Workshop(design.seam, design.usable_width, self.units)

    @property
    def size(self) -> SizeOption:
        """The size in use."""
        return self.sizes.current

    @property
    def as_measured(self) -> bool:
        """Whether its size rests on blocks or rows that were measured, not on reckoned ones."""
        return self.scheme.block != self.kept.finished

    @property
    def block(self) -> Size:
        """What shows of a block: (width, height)."""
        assert self.kept.finished is not None
        return self.kept.finished

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
        found = let_in(backing, self.block, self.shop)
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
                self.grid.seats, self.kept.places, self.place_turns, strict=True
            )
            if kit is not None
        )

    @cached_property
    def place_turns(self) -> tuple[int, ...]:
        """By how many quarters the block of each place is turned."""
        if self.kept.laying is not None:
            return self.kept.laying.turns
        return tuple(self._turn_at(*self.grid.turning(seat)) for seat in self.grid.seats)

    def _turn_at(self, row: int, column: int) -> int:
        turns = self.assembly.turns
        by_row = self.assembly.turned_by_row
        return turns[row % len(turns)] if by_row else turn_at(turns, row, column)

    @property
    def empty_places(self) -> list[Seat]:
        """The places for which there is no block."""
        there = zip(self.grid.seats, self.kept.places, strict=True)
        return [seat for seat, kit in there if kit is None]

    @cached_property
    def prints(self) -> dict[str, Print]:
        """The print of each fabric of the plan, by its name there."""
        return _print_names(self.project, self.kept)

    def patch_prints(self, kit: Kit) -> list[Print]:
        """The print of each patch of a block, in the order of the assembly's patches."""
        return [self.prints[kit[slot]] for slot in self.patch_slots]

    @cached_property
    def patch_slots(self) -> list[int]:
        """Which piece of a kit each patch is of."""
        first: dict[tuple[str, str], int] = {}
        needs = self.kept.cutting.problem.needs
        for slot, number in enumerate(slots_of(self.kept.cutting.problem)):
            first.setdefault((needs[number].label, needs[number].role), slot)
        return [first[p.label, p.role] + (p.piece or 0) for p in self.assembly.patches]

    @cached_property
    def alike_pairs(self) -> int:
        """Pairs of neighbours made of the very same prints."""
        return alike_pairs(self.block_prints, self.kept.places, self.grid)

    @cached_property
    def alike_unavoidable(self) -> bool:
        """Whether two alike must touch however the blocks are laid."""
        return alike_unavoidable(self.block_prints, self.kept.places, self.grid)

    @cached_property
    def block_prints(self) -> list[tuple[str, ...]]:
        """The prints of every kit, by the names that the plan has for them."""
        return prints_of(self.kept.cutting, self.kept.kits)


def make_quilt(project: Project, units: Units = Units.INCHES) -> Quilt:
    """Work the whole quilt out from the plan that is kept; searches nothing.

    Raises `NotPlanned`, `NoQuilt`, `NoBlockSize`, or `NothingToCut` when nothing was ever pulled.

    >>> from kersey.core.planning.plan_question import planned
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll))))
    >>> quilt.size.width, quilt.size.length, quilt.part(PartKind.BINDING).strips
    (Fraction(54, 1), Fraction(66, 1), 7)
    """
    kept, design = project.plan, project.design
    if kept is None:
        # What cannot even be asked says why.
        yield_asked(project)
        raise NotPlanned
    if not kept.possible:
        raise NoQuilt(kept.most.bound)
    if kept.grid is None or kept.finished is None:
        raise NoBlockSize
    sizes = _sizes(project, kept, units)
    scheme = _scheme(project, kept, sizes.current)
    shop = Workshop(design.seam, design.usable_width, units)
    names = _print_names(project, kept)
    return Quilt(
        project=project,
        units=units,
        kept=kept,
        assembly=kept.block.assembly(kept.seam),
        sizes=sizes,
        scheme=scheme,
        backing=scheme.backed_by(shop),
        batting=scheme.batting,
        frame=frame_of(project, scheme, left_over(kept.cutting, _used(kept)), names, shop),
        borders=scheme.framed_by(shop),
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


def _sashing(project: Project, kept: KeptPlan) -> Sashing:
    return NO_SASHING if kept.block.makes_one_piece else project.design.parted_by


def _used(kept: KeptPlan) -> Sequence[Kit]:
    """The sets of pieces that lie in the quilt."""
    placed = (number for number in kept.places if number is not None)
    return pieces_of(kept.kits, placed, kept.cutting.problem.batch)


def _sizes(project: Project, kept: KeptPlan, units: Units) -> Sizes:
    assert kept.finished is not None
    assert kept.grid is not None
    design, grid = project.design, kept.grid
    sashing = _sashing(project, kept)
    question = SizeQuestion(
        _block(project, kept),
        kept.possible,
        design.wish,
        design.border_width,
        units,
        sashing,
        sum(design.outer_borders, Fraction(0)),
        design.edge_adds,
        grid.setting,
        design.keys,
    )
    # The border was settled with the plan: it is not another one for whoever thinks in centimetres.
    in_use = replace(question, border_width=grid.border_width)
    return Sizes(question, size_option(in_use, grid.rows, grid.columns))


def _print_names(project: Project, kept: KeptPlan) -> dict[str, Print]:
    known = {fabric_key(pulled): pulled.print for pulled in project.fabrics}
    fabrics = kept.cutting.problem.fabrics
    return {
        f.name: known.get(parent_key(key), GONE) for f, key in zip(fabrics, kept.keys, strict=True)
    }
