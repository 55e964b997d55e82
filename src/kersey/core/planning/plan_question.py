"""A plan for a quilt: the most blocks, a size, the fabric for just those blocks, kits, a setting.

The search takes seconds; what follows from it for another size, or when kits are dealt again, is
reckoned at once from the plan that is kept.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cutting.problem import CuttingPlan, Layout
from kersey.core.cutting.watch import Watch
from kersey.core.errors import Infeasible
from kersey.core.frame.sashing import NO_SASHING
from kersey.core.frame.setting import Setting, suiting
from kersey.core.frame.size_search import SizeOption, SizeQuestion, size_option, size_options
from kersey.core.kits.dealing import Wished, deal, laid_in_order
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.measure.length import Units
from kersey.core.planning.already_cut import cut_already, fixed_layouts, rest_of, together
from kersey.core.planning.arrangement import Prints, arrange
from kersey.core.project.design import Design, KitWish
from kersey.core.project.first_used import turns
from kersey.core.project.kept_plan import Grid, KeptPlan, Kit, Missing
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, block_of, yield_asked
from kersey.core.yields.even_plan import even_plan
from kersey.core.yields.just_enough import just_enough, mends
from kersey.core.yields.report import FaultyPlan
from kersey.core.yields.steps import EVEN, SECOND, YieldQuestion, better, first_answer


class NoSuchPiece(Infeasible):
    """Kits cannot be exchanged so."""


@dataclass(frozen=True)
class SizeWish:
    """What a size is chosen by; rows and columns where a person has said them."""

    question: SizeQuestion | None
    rows: int | None = None
    columns: int | None = None

    def of(self, finished: Size | None) -> "SizeWish":
        """The wish for a block of this size."""
        if self.question is None or finished is None:
            return self
        setting = suiting(self.question.setting, finished)
        return replace(self, question=replace(self.question, block=finished, setting=setting))

    def of_one_piece(self, finished: Size | None) -> "SizeWish":
        """The wish for a quilt that is one piece of this size: nothing parts it."""
        wish = replace(self, rows=1, columns=1).of(finished)
        question = wish.question and replace(
            wish.question, sashing=NO_SASHING, setting=Setting.STRAIGHT
        )
        return replace(wish, question=question)

    def grid(self, possible: int) -> Grid | None:
        """Rows and columns for so many blocks: those said, or the best; None without a block."""
        if self.question is None:
            return None
        question = replace(self.question, blocks=possible)
        option = self._option(question)
        if option is None:
            return None
        return Grid(option.rows, option.columns, option.setting, option.border_width)

    def _option(self, question: SizeQuestion) -> SizeOption | None:
        if self.rows is not None and self.columns is not None:
            return size_option(question, self.rows, self.columns)
        return size_options(question)[0] if question.blocks else None


@dataclass(frozen=True)
class PlanQuestion:
    """Everything a plan depends on. `most` is a plan for the most blocks, if one is known.

    `families` are those of the prints, for kits by families, `turns` those in which fabrics are
    opened. What is `cut` already, so many pieces
    of each fabric, stays as the `fixed` layouts say.
    """

    asked: YieldQuestion
    fingerprint: str
    keys: tuple[str, ...]
    block: BlockChoice
    seam: Fraction
    finished: Size | None
    size: SizeWish
    even: bool = False
    how: KitWish = KitWish.DIFFERENT
    deal: int = 0
    families: tuple[tuple[str, str], ...] = ()
    turns: tuple[tuple[str, int], ...] = ()
    most: CuttingPlan | None = None
    fixed: tuple[Layout, ...] = ()
    cut: tuple[tuple[str, int], ...] = ()

    def run(self) -> Iterator[KeptPlan]:
        """The plan, then the same with what would mend it where blocks are missing.

        Raises `FaultyPlan`.
        """
        kept = self.plan()
        yield kept
        if kept.grid is not None and kept.grid.blocks > kept.most.blocks:
            found = mends(kept.most, kept.grid.blocks)
            missing = tuple(Missing(mend.fabric, mend.pieces) for mend in found)
            yield replace(kept, missing=missing, missing_sought=True)

    def plan(self) -> KeptPlan:
        """The plan with its kits. Raises `FaultyPlan`."""
        found = self.most or self._most()
        most = self._with_fixed(found)
        if self.block.makes_one_piece and most.blocks:
            return self._one_piece(most)
        grid = self.size.grid(most.blocks) if most.blocks else None
        wanted = most.blocks if grid is None else min(grid.blocks, most.blocks)
        even = self.even and not self.cut
        plan = self._with_fixed(just_enough(found, wanted, even, dict(self.turns)))
        wished = Wished(self.how, dict(self.families), self.deal)
        dealt = deal(plan, wished)
        _check(plan, dealt.kits)
        return KeptPlan(
            question=self.fingerprint,
            block=self.block,
            seam=self.seam,
            finished=self.finished,
            most=most,
            cutting=plan,
            keys=self.keys,
            grid=grid,
            kits=dealt.kits,
            places=laid(plan, dealt.kits, grid),
            unmet=dealt.unmet,
        )

    def _one_piece(self, most: CuttingPlan) -> KeptPlan:
        """All columns, rows or strips of a plan sewn into one: that is the quilt."""
        piece = whole_piece(self.block, self.seam, most)
        size = self.size.of_one_piece(piece.assembly.finished)
        kits = (laid_in_order(piece),)
        _check(piece.plan, kits)
        return KeptPlan(
            question=self.fingerprint,
            block=piece.block,
            seam=self.seam,
            finished=piece.assembly.finished,
            most=piece.plan,
            cutting=piece.plan,
            keys=self.keys,
            grid=size.grid(1),
            kits=kits,
            places=(0,),
        )

    def _with_fixed(self, found: CuttingPlan) -> CuttingPlan:
        """A plan for the rest with what is cut already."""
        return together(self.asked.problem, self.fixed, found) if self.cut else found

    def _most(self) -> CuttingPlan:
        asked = self.asked
        if self.cut:
            rest = rest_of(asked.problem, self.fixed, Counter(dict(self.cut)))
            if rest is None:
                return CuttingPlan(asked.problem, 0, 0, ())
            asked = replace(asked, problem=rest)
        found = first_answer(asked).plan
        if not found.proved:
            found = better(found, Watch(SECOND))
        if self.even and not self.cut:
            even = even_plan(found, Watch(EVEN))
            found = even.plan if even else found
        return found


def plan_question(project: Project, units: Units, most: CuttingPlan | None = None) -> PlanQuestion:
    """What a plan for a project answers; raises `NothingToCut` or `BadRecipe`."""
    asked, design = yield_asked(project), project.design
    cut = cut_already(project, asked)
    return PlanQuestion(
        asked=YieldQuestion(asked.problem, rules_are_a_wish=asked.rules_are_a_wish),
        fingerprint=asked.fingerprint,
        keys=asked.keys,
        block=block_of(project, design.seam),
        seam=design.seam,
        finished=asked.finished,
        size=size_wish(asked, design, units),
        even=design.even,
        how=design.kits,
        deal=design.deal,
        families=_families(asked),
        turns=tuple(turns(asked).items()),
        most=None if cut else most,
        fixed=fixed_layouts(project, asked) if cut else (),
        cut=cut,
    )


def planned(project: Project, units: Units = Units.INCHES) -> Project:
    """The project with its plan, worked out now. Raises `NothingToCut`, `BadRecipe`, `FaultyPlan`.

    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> plan = planned(Project("Throw", "", all_of(roll))).plan
    >>> plan.most.blocks, plan.grid.columns, plan.grid.rows, len(plan.kits)
    (80, 8, 10, 80)
    """
    *_, kept = plan_question(project, units).run()
    return replace(project, plan=kept)


def regridded(project: Project, units: Units) -> Project:
    """The project after its size was chosen: its plan serves the new size as far as it reaches.

    Blocks beyond those that were cut for are dealt from the plan for the most; that opens more
    fabric than need be, until a plan for just so many is found. A plan for another question stays
    as it is.
    """
    kept = project.plan
    if kept is None or not _answers(kept, project):
        return project
    wish = size_wish(yield_asked(project), project.design, units)
    if kept.block.makes_one_piece:
        wish = wish.of_one_piece(kept.finished)
    grid = wish.grid(kept.most.blocks)
    if grid is None:
        return project
    wanted = min(grid.blocks, kept.most.blocks)
    if wanted > kept.cutting.blocks:
        kept = replace(kept, cutting=replace(kept.most, blocks=wanted), thrifty=False)
        kept = _dealt_anew(kept, project, {n: kept.kits[n] for n in kept.pinned})
    elif wanted < kept.cutting.blocks:
        # What is cut stays as it was cut: then fewer blocks only leave pieces over.
        kept = replace(kept, thrifty=any(pulled.cut for pulled in project.fabrics))
    if kept.grid is None or grid.seats != kept.grid.seats:
        places = laid(kept.cutting, kept.kits[:wanted], grid)
        kept = replace(kept, places=places, missing=(), missing_sought=False)
    return replace(project, plan=replace(kept, grid=grid))


def cut_by(project: Project, cutting: CuttingPlan) -> Project:
    """The project cut in another way for the blocks of its grid, its kits dealt from that."""
    kept = project.plan
    assert kept is not None
    kept = replace(kept, cutting=cutting, thrifty=True, pinned=frozenset())
    kept = _dealt_anew(kept, project, {})
    places = laid(cutting, kept.kits, kept.grid)
    return replace(project, plan=replace(kept, places=places, missing=(), missing_sought=False))


def dealt_again(project: Project) -> Project:
    """The project with its kits dealt as is wished now; pinned blocks keep theirs."""
    kept = project.plan
    if kept is None:
        return project
    pins = {n: kept.kits[n] for n in kept.pinned}
    kept = _dealt_anew(kept, project, pins)
    places = kept.places if pins else laid(kept.cutting, kept.kits, kept.grid)
    return replace(project, plan=replace(kept, places=places))


def exchanged(project: Project, block: int, gives: str, takes: str) -> Project:
    """The project after a block gave a fabric for another, with the block that can spare it.

    `gives` and `takes` are names of fabrics in the plan. Raises `NoSuchPiece`.
    """
    kept = project.plan
    assert kept is not None
    if not 0 <= block < len(kept.kits) or gives not in kept.kits[block]:
        raise NoSuchPiece(f"Block {block + 1} has no “{gives:.40}” to swap.")
    # Blocks of one batch are of the same pieces: they change together.
    batch = kept.cutting.problem.batch
    kits = [list(kit) for kit in kept.kits[::batch]]
    own, pinned = block // batch, {number // batch for number in kept.pinned}
    for slot in (n for n, name in enumerate(kits[own]) if name == gives):
        for other, kit in enumerate(kits):
            if other == own or other in pinned or kit[slot] != takes:
                continue
            kits[own][slot], kit[slot] = takes, gives
            found = tuple(tuple(kits[n // batch]) for n in range(len(kept.kits)))
            if not kit_faults(replace(kept.cutting, blocks=len(found)), found):
                return replace(project, plan=replace(kept, kits=found))
            kits[own][slot], kit[slot] = gives, takes
    raise NoSuchPiece(
        f"No block can trade “{takes:.40}” for “{gives:.40}” without breaking a rule or a pin."
    )


def _dealt_anew(kept: KeptPlan, project: Project, pins: Mapping[int, Kit]) -> KeptPlan:
    asked = yield_asked(project)
    wished = Wished(project.design.kits, dict(_families(asked)), project.design.deal)
    if kept.block.makes_one_piece:
        return kept
    dealt = deal(kept.cutting, wished, pins)
    _check(kept.cutting, dealt.kits)
    return replace(kept, kits=dealt.kits, unmet=dealt.unmet)


def _answers(kept: KeptPlan, project: Project) -> bool:
    try:
        return yield_asked(project).fingerprint == kept.question
    except Infeasible:
        return False


def _check(plan: CuttingPlan, kits: Sequence[Kit]) -> None:
    found = kit_faults(plan, kits)
    if found:
        raise FaultyPlan(found)


def laid(plan: CuttingPlan, kits: Sequence[Kit], grid: Grid | None) -> tuple[int | None, ...]:
    """Where the kits lie in a grid, row by row: no two alike beside each other if that can be."""
    if grid is None:
        return ()
    return arrange(prints_of(plan, kits), grid)


def size_wish(asked: YieldAsked, design: Design, units: Units) -> SizeWish:
    """What a size is chosen by, for a project's design."""
    if asked.finished is None:
        return SizeWish(None)
    question = SizeQuestion(
        asked.finished,
        0,
        design.wish,
        design.border_width,
        units,
        design.parted_by,
        sum(design.outer_borders, Fraction(0)),
        design.edge_adds,
        suiting(design.setting, asked.finished),
        design.keys,
    )
    return SizeWish(question, design.rows, design.columns)


def prints_of(plan: CuttingPlan, kits: Sequence[Kit]) -> list[Prints]:
    """The prints of kits, by the names that the plan has for them."""
    prints = {fabric.name: fabric.print for fabric in plan.problem.fabrics}
    return [tuple(prints[name] for name in kit) for kit in kits]


def _families(asked: YieldAsked) -> tuple[tuple[str, str], ...]:
    found = {
        fabric.print: pulled.print.family
        for fabric, pulled in zip(asked.problem.fabrics, asked.fabrics, strict=True)
    }
    return tuple(found.items())
