"""Whole quilts for a project: rows, columns, sashing and borders searched for together.

The blocks are those of the plan that is kept, and what is settled stays: the block, the edge, how
corners are made, the first border where a person chose it. Sashing is tried plain, with
cornerstones, framed and between rows alone, a quarter to a third of a block wide; blocks are set
straight, between plain squares and on point. Where that is asked for, other sizes of the block are
tried as well: those of which most shows.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan, Fabric
from kersey.core.frame.backing import BackingWay
from kersey.core.frame.borders import MOST_BORDERS, widths_to_propose
from kersey.core.frame.part import PartKind, part_role
from kersey.core.frame.sashing import NO_SASHING, Sashing, proposed_widths
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.measure.workshop import Workshop
from kersey.core.planning.plan_question import cut_by, plan_question, regridded
from kersey.core.planning.size_curve import best_sizes, sizes_question
from kersey.core.project.design import Design
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.stash.pulled import Pulled, Role
from kersey.core.whole.candidate import Candidate
from kersey.core.whole.joint_search import Answer, QuiltQuestion, WholeQuilt, answers
from kersey.core.whole.quilt_words import better
from kersey.core.whole.scheme_score import Judge
from kersey.core.whole.scheme_space import Space

# So many sizes of the block are tried beside its own.
_OTHER_SIZES = 4
# Parts beside the blocks that pulled cloth may be for.
_PARTS = (Role.SETTING, Role.SASHING, Role.BORDER, Role.BINDING, Role.BACKING)
_EVERYTHING = frozenset({"border", "sashing", "binding", "backing", "background"})


@dataclass(frozen=True)
class FoundQuilt:
    """A whole quilt that the fabric can become, and how good it is from 0 to 1. Finished widths.

    `better` says what would make it better, `from_stash` are the parts beside the blocks that what
    is pulled gives too. `plan` is there where its block is of another size than the project's.
    `cutting` cuts its blocks so that what they leave is enough for the parts that are from the
    stash.
    """

    columns: int
    rows: int
    setting: Setting
    sashing: Sashing
    borders: tuple[Fraction, ...]
    score: float
    better: str = ""
    from_stash: frozenset[tuple[PartKind, int]] = frozenset()
    plan: KeptPlan | None = None
    cutting: CuttingPlan | None = field(default=None, compare=False)

    def chosen_in(self, project: Project, units: Units) -> Project:
        """The project with this quilt chosen, as it is drawn: how it is cut does not show."""
        design = self.of(project.design)
        chosen = replace(project, design=design, plan=self.plan or project.plan)
        return regridded(chosen, units)

    def taken_by(self, project: Project, units: Units) -> Project:
        """The project once this quilt is taken: cut as the search has cut it."""
        chosen = self.chosen_in(project, units)
        cut_already = any(pulled.cut for pulled in project.fabrics)
        if self.cutting is None or cut_already:
            return chosen
        return cut_by(chosen, self.cutting)

    def of(self, design: Design) -> Design:
        """The design with this quilt chosen."""
        first, *outer = self.borders or (Fraction(0),)
        block = design.block
        if self.plan is not None:
            block = replace(block, finished=self.plan.finished)
        return replace(
            design,
            block=block,
            columns=self.columns,
            rows=self.rows,
            setting=self.setting,
            # What parts straight blocks is remembered while they lie otherwise.
            sashing=self.sashing if self.setting is Setting.STRAIGHT else design.sashing,
            border_width=first,
            outer_borders=tuple(outer),
        )


@dataclass(frozen=True)
class FoundQuilts:
    """The best first; how many schemes were looked at. Once `complete` there is none better."""

    quilts: tuple[FoundQuilt, ...] = ()
    considered: int = 0
    complete: bool = False


@dataclass(frozen=True)
class FoundQuestion:
    """Which whole quilts are best? Known by its `key`: everything an answer depends on.

    `resized` is the project whose block may have other sizes; None where it keeps its own.
    """

    key: str
    question: QuiltQuestion = field(compare=False)
    units: Units = Units.INCHES
    resized: Project | None = field(default=None, compare=False)

    def run(self) -> Iterator[FoundQuilts]:
        """The quilts found so far; work is counted, not time.

        Other sizes of the block take longer: until they are known, what is told is not complete.
        """
        told = 0
        for answer in answers(self.question):
            found = self._all_found(answer, {})
            told = len(found.quilts)
            yield found if self.resized is None else replace(found, complete=False)
        if self.resized is None:
            return
        plans = {plan.finished: plan for plan in _other_sizes(self.resized, self.units)}
        others = tuple(Candidate(p.block, p.finished, p.most) for p in plans.values() if p.finished)
        more = replace(self.question, candidates=(*self.question.candidates, *others))
        for answer in answers(more):
            # Nothing is taken off the wall before there is as much to hang there.
            if len(answer.quilts) >= told or answer.complete:
                yield self._all_found(answer, plans)

    def _all_found(self, answer: Answer, plans: Mapping[Size | None, KeptPlan]) -> FoundQuilts:
        quilts = tuple(
            _found(quilt, plans, better(quilt, self.question.judge, self.units))
            for quilt in answer.quilts
        )
        return FoundQuilts(quilts, answer.considered, answer.complete)


def found_question(
    project: Project, units: Units, judge: Judge | None = None, any_size: bool = False
) -> FoundQuestion | None:
    """What is asked; None without a plan, or where nothing can be parted or framed.

    Of a `judge` only the aim and the weights are asked for: the wish is the project's.
    """
    kept, design = project.plan, project.design
    if kept is None or kept.finished is None or not kept.possible:
        return None
    judge = replace(judge or Judge(), purposes=design.wish.purposes(units))
    one_piece = kept.block.makes_one_piece
    candidate = Candidate(kept.block, kept.finished, kept.most, one_piece=one_piece)
    question = QuiltQuestion(
        fabrics=(*_of_blocks(kept, design), *_beside(project)),
        candidates=(candidate,),
        spaces=tuple(_spaces(design, kept, units)),
        judge=judge,
        may_buy=_EVERYTHING,
        shop=Workshop(design.seam, design.usable_width, units),
        backing_way=None if design.backing_way is BackingWay.LET_IN else design.backing_way,
        # Cornerstones are of the binding's print; a binding that is to be bought is not cut.
        any_cloth=frozenset({Role.BINDING.value} if design.binding_from_left else ()),
    )
    free = any_size and size_is_free(project)
    facts = (
        judge.aim,
        sorted(judge.own_weights.items()),
        free,
        kept.question,
        kept.most.blocks,
        question.spaces,
        design.wish,
        design.usable_width,
        design.backing_way,
        design.binding_from_left,
        units,
        [str(fabric) for fabric in question.fabrics],
    )
    return FoundQuestion(repr(facts), question, units, project if free else None)


def size_is_free(project: Project) -> bool:
    """Whether the block may have another size: nothing is cut, and no strips settle it."""
    cut = any(pulled.cut for pulled in project.fabrics)
    return not cut and sizes_question(project, Units.INCHES) is not None


def _other_sizes(project: Project, units: Units) -> Iterator[KeptPlan]:
    """Plans for the sizes of the block of which most shows, but for the one it has."""
    asked, design = sizes_question(project, units), project.design
    assert asked is not None
    assert project.plan is not None
    *_, curve = asked.run()
    for at in best_sizes(curve, _OTHER_SIZES + 1):
        if at.finished != project.plan.finished:
            block = replace(design.block, finished=at.finished)
            other = replace(design, block=block, rows=None, columns=None)
            yield plan_question(replace(project, design=other, plan=None), units).plan()


def _found(
    quilt: WholeQuilt, plans: Mapping[Size | None, KeptPlan], what_is_better: str
) -> FoundQuilt:
    scheme = quilt.scheme
    return FoundQuilt(
        columns=scheme.columns,
        rows=scheme.rows,
        setting=scheme.setting,
        sashing=scheme.sashing,
        borders=scheme.borders,
        score=quilt.score,
        better=what_is_better,
        from_stash=frozenset(
            (part.part.kind, part.part.number) for part in quilt.parts if not part.bought
        ),
        plan=plans.get(quilt.candidate.finished),
        cutting=_of_blocks_alone(quilt),
    )


def _of_blocks_alone(quilt: WholeQuilt) -> CuttingPlan | None:
    """How the search cuts the blocks; what it cuts for other parts is left. None: nothing else is.

    One piece is made of all there is, and is not cut otherwise.
    """
    if not quilt.needs or quilt.candidate.one_piece:
        return None
    most, blocks = quilt.candidate.most, quilt.plans[0]
    fabrics, needs = {f.name: f for f in most.problem.fabrics}, set(most.problem.needs)
    layouts = []
    for layout in blocks.layouts:
        cuts = tuple(cut for cut in layout.cuts if cut.need in needs)
        others = ((c.width, c.length) for c in layout.cuts if c.need not in needs)
        if cuts:
            fabric = fabrics[layout.fabric.name]
            layouts.append(replace(layout, fabric=fabric, cuts=cuts, left=(*layout.left, *others)))
    plan = CuttingPlan(most.problem, blocks.blocks, max(most.bound, blocks.blocks), tuple(layouts))
    return None if faults(plan) else plan


def _spaces(design: Design, kept: KeptPlan, units: Units) -> Iterator[Space]:
    """Straight with sashing or without, between plain squares, on point."""
    straight = _space(design, kept, units)
    yield straight
    if not kept.block.makes_one_piece:
        yield from (
            replace(straight, setting=setting, sashings=(NO_SASHING,))
            for setting in (Setting.ALTERNATE, Setting.ON_POINT)
        )


def _space(design: Design, kept: KeptPlan, units: Units) -> Space:
    assert kept.finished is not None
    step = Fraction(1, 2) if units is Units.INCHES else CENTIMETRE
    widths = proposed_widths(kept.finished, step)[:2]
    kinds = ((False, False), (True, False), (False, True), (True, True))
    sashings = (
        NO_SASHING,
        *(Sashing(width, *kind) for width in widths for kind in kinds),
        *(Sashing(width, rows_only=True) for width in widths),
    )
    first = design.border_width
    proposed = tuple(width for width in widths_to_propose(units) if width)
    return Space(
        sashings=sashings,
        border_widths=(first,) if first else () if first == 0 else proposed,
        most_borders=1 if first else 0 if first == 0 else 2,
        key=design.key,
        corners=design.corners,
        sides_first=design.sides_first,
        edge=design.edge,
        margin=design.margin,
        seam=design.seam,
    )


def _of_blocks(kept: KeptPlan, design: Design) -> Iterator[Fabric]:
    """The cloth of the blocks: what they leave may also bind, whichever side it serves."""
    for fabric in kept.most.problem.fabrics:
        binds = fabric.roles and design.binding_from_left
        yield replace(fabric, roles=fabric.roles | {Role.BINDING.value}) if binds else fabric


def _beside(project: Project) -> Iterator[Fabric]:
    """Cloth that is pulled for a part beside the blocks."""
    for pulled in project.fabrics:
        roles = [role for role in _PARTS if role in pulled.roles]
        if roles:
            yield _fabric(pulled, roles)


def _fabric(pulled: Pulled, roles: list[Role]) -> Fabric:
    names = {part_role(PartKind(role.value)) for role in roles if role is not Role.BORDER}
    if Role.BORDER in roles:
        names |= {part_role(PartKind.BORDER, n) for n in range(1, MOST_BORDERS + 1)}
    return Fabric(
        name=f"beside {pulled.key}",
        print=pulled.print.name,
        width=pulled.width,
        length=pulled.length,
        count=pulled.count,
        roles=frozenset(names),
        form=pulled.kept.lot.form,
    )
