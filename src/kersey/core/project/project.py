"""A project: the fabric that was pulled and every choice made so far.

All else (yield, size, cuts, what is left) is recomputed from it, never stored.
"""

from collections.abc import Collection, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.rail_yield import Method, YieldQuestion
from kersey.core.cloth.fabric import Lot, Print, checked_name
from kersey.core.cloth.print_names import BINDING_PRINT, BORDER_PRINT
from kersey.core.errors import Infeasible
from kersey.core.frame.backing import HOME_MARGIN, BackingWay, check_margin
from kersey.core.frame.binding import USUAL_BINDING_WIDTH, check_binding_width
from kersey.core.frame.borders import check_border_width
from kersey.core.frame.purposes import Wish
from kersey.core.frame.size_search import check_rows
from kersey.core.measure.workshop import QUARTER_INCH, USUAL_WIDTH, check_seam, check_usable_width
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, Role, lot_of_strips, working_strips


@dataclass(frozen=True)
class Design:
    """The choices of one quilt. Lengths in inches; None leaves the choice to Kersey.

    `even`: every fabric of a role is cut alike. `by_value`: fabric for any role serves the side of
    a block that it is light or dark enough for.
    """

    strips_per_block: int = 3
    method: Method = Method.SEGMENTS
    different_prints: bool | None = None
    block: BlockChoice = field(default_factory=lambda: BlockChoice("rails"))
    even: bool = False
    by_value: bool = True
    wish: Wish = field(default_factory=Wish)
    rows: int | None = None
    columns: int | None = None
    border_width: Fraction | None = None
    binding_width: Fraction = USUAL_BINDING_WIDTH
    binding_from_stash: bool = True
    margin: Fraction = HOME_MARGIN
    backing_way: BackingWay | None = None
    seam: Fraction = QUARTER_INCH
    usable_width: Fraction = USUAL_WIDTH

    def __post_init__(self) -> None:
        if self.rows is not None and self.columns is not None:
            check_rows(self.rows, self.columns)
        if self.border_width is not None:
            check_border_width(self.border_width)
        check_binding_width(self.binding_width)
        check_margin(self.margin)
        check_seam(self.seam)
        check_usable_width(self.usable_width)

    @property
    def size_chosen(self) -> bool:
        """Whether a person has settled on rows and columns."""
        return self.rows is not None and self.columns is not None

    @property
    def yield_question(self) -> YieldQuestion:
        """What the yield depends on, next to the fabric."""
        return YieldQuestion(self.strips_per_block, self.seam, self.different_prints)


class NoStrips(Infeasible):
    """Nothing is pulled that rails could be laid out from as strips."""

    def __init__(self) -> None:
        super().__init__(
            "So far a quilt is laid out only from strips, like a roll of 40. What else you have "
            "pulled is counted and cut on the Yield page."
        )


class AlreadyPutAway(Infeasible):
    """What was left of a quilt lies in the cupboard already."""

    def __init__(self) -> None:
        super().__init__(
            "What was left of this quilt is put away, so its fabric stays as it is. "
            "Duplicate it to try another."
        )


@dataclass(frozen=True)
class Project:
    """A quilt under way. `said` is the line that the fabric was first entered with.

    `fabrics` are pulled from the cupboard. A *sketch* only tries them: it holds nothing back from
    other quilts. Once it is `put_away`, a project holds only what it has cut. `done` holds the
    steps of the work order that were ticked off, by their keys.
    """

    name: str
    said: str
    fabrics: tuple[Pulled, ...]
    design: Design = field(default_factory=Design)
    bought_border: Print = BORDER_PRINT
    bought_binding: Print = BINDING_PRINT
    done: frozenset[str] = frozenset()
    sketch: bool = False
    put_away: bool = False

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))

    @property
    def border_print(self) -> Print:
        """What the border shows: fabric pulled for it, or what is bought."""
        return self._pulled_for(Role.BORDER) or self.bought_border

    @property
    def binding_print(self) -> Print:
        """What the binding shows: fabric pulled for it, or what is bought."""
        return self._pulled_for(Role.BINDING) or self.bought_binding

    @cached_property
    def working(self) -> tuple[tuple[Pulled, ...], ...]:
        """The strips that the blocks are cut from, by print."""
        return working_strips(self.fabrics)

    @cached_property
    def lot(self) -> Lot:
        """Those strips as one lot; raises `NoStrips` when there are none."""
        if not self.working:
            raise NoStrips
        return lot_of_strips(self.working)

    @property
    def holds_back(self) -> bool:
        """Whether other quilts must do without what it has pulled and not cut."""
        return not (self.sketch or self.put_away)

    @property
    def uneven(self) -> bool:
        """Whether the strips are of several lengths; they are reckoned with the shortest."""
        return len({pulled.length for alike in self.working for pulled in alike}) > 1

    def measured(self, length: Fraction | None) -> "Project":
        """The project once its strips were measured at home; None: as their labels say."""
        project = self
        for alike in self.working:
            for pulled in alike:
                project = project.with_lot(pulled, measured_alike(pulled.kept, length))
        return project

    def with_lot(self, of: Pulled, kept: CupboardLot) -> "Project":
        """The project after the lot that a fabric comes from was changed at home."""
        fabrics = tuple(p.with_kept(kept) if p.same_lot(of) else p for p in self.fabrics)
        return replace(self, fabrics=fabrics)

    def pulling(self, more: Sequence[Pulled]) -> "Project":
        """The project with more fabric; pieces of a print it has already are added to those.

        Raises `AlreadyPutAway`.
        """
        if self.put_away:
            raise AlreadyPutAway
        fabrics = list(self.fabrics)
        for new in more:
            place = next((n for n, old in enumerate(fabrics) if old.same_print(new)), None)
            if place is None:
                fabrics.append(new)
            else:
                old = fabrics[place]
                fabrics[place] = replace(old, count=old.count + new.count)
        return replace(self, fabrics=tuple(fabrics))

    def returning(self, places: Collection[int]) -> "Project":
        """The project after fabrics went back to the cupboard; what is cut stays."""
        kept = [
            replace(pulled, count=pulled.cut) if place in places else pulled
            for place, pulled in enumerate(self.fabrics)
            if place not in places or pulled.cut
        ]
        return replace(self, fabrics=tuple(kept))

    def with_pulled(self, place: int, pulled: Pulled) -> "Project":
        """The project with one of its fabrics exchanged."""
        fabrics = (*self.fabrics[:place], pulled, *self.fabrics[place + 1 :])
        return replace(self, fabrics=fabrics)

    def _pulled_for(self, role: Role) -> Print | None:
        return next((p.print for p in self.fabrics if p.serves(role)), None)


def measured_alike(kept: CupboardLot, length: Fraction | None) -> CupboardLot:
    """A lot all pieces of which measured this, also those that were measured on their own."""
    stacks = tuple(replace(stack, measured_length=None) for stack in kept.lot.stacks)
    return replace(kept, lot=replace(kept.lot, measured_length=length, stacks=stacks))
