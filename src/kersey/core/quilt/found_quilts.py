"""Whole quilts for a project: rows, columns, sashing and borders searched for together.

The blocks are those of the plan that is kept, and what is settled stays: the block, the edge, how
corners are made, the first border where a person chose it. Sashing is tried plain, with
cornerstones and framed, a quarter to a third of a block wide.
"""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.cutting.problem import Fabric
from kersey.core.cutting.watch import Clock
from kersey.core.frame.borders import MOST_BORDERS, widths_to_propose
from kersey.core.frame.sashing import NO_SASHING, Sashing, proposed_widths
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.measure.workshop import Workshop
from kersey.core.project.design import Design
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.quilt.candidate import Candidate
from kersey.core.quilt.joint_search import QuiltQuestion, WholeQuilt, answers
from kersey.core.quilt.scheme import BACKGROUND, BORDER, CORNERSTONE
from kersey.core.quilt.scheme_score import Aim, Judge
from kersey.core.quilt.scheme_space import Space
from kersey.core.stash.pulled import Pulled, Role

# Parts beside the blocks that pulled cloth may be for.
_PARTS = (Role.SETTING, Role.SASHING, Role.BORDER, Role.BINDING, Role.BACKING)
_EVERYTHING = frozenset({"border", "sashing", "binding", "backing", "background"})


@dataclass(frozen=True)
class FoundQuilt:
    """A whole quilt that the fabric can become, and how good it is from 0 to 1. Finished widths.

    `from_stash` are the parts beside the blocks that what is pulled gives too.
    """

    columns: int
    rows: int
    setting: Setting
    sashing: Sashing
    borders: tuple[Fraction, ...]
    score: float
    from_stash: frozenset[str] = frozenset()

    def of(self, design: Design) -> Design:
        """The design with this quilt chosen."""
        first, *outer = self.borders or (Fraction(0),)
        return replace(
            design,
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
    """Which whole quilts are best? Known by its `key`: everything an answer depends on."""

    key: str
    question: QuiltQuestion = field(compare=False)

    def run(self, clock: Clock) -> Iterator[FoundQuilts]:
        """The quilts found so far; work is counted, not time."""
        for answer in answers(self.question):
            quilts = tuple(_found(quilt) for quilt in answer.quilts)
            yield FoundQuilts(quilts, answer.considered, answer.complete)


def found_question(project: Project, units: Units, aim: Aim = Aim.BALANCED) -> FoundQuestion | None:
    """What is asked; None without a plan, or where nothing can be parted or framed."""
    kept, design = project.plan, project.design
    if kept is None or kept.finished is None or not kept.possible:
        return None
    one_piece = kept.block.makes_one_piece
    candidate = Candidate(kept.block, kept.finished, kept.most, one_piece=one_piece)
    question = QuiltQuestion(
        fabrics=(*_of_blocks(kept, design), *_beside(project)),
        candidates=(candidate,),
        spaces=tuple(_spaces(design, kept, units)),
        judge=Judge(aim, design.wish.purposes(units)),
        may_buy=_EVERYTHING,
        shop=Workshop(design.seam, design.usable_width, units),
        backing_way=design.backing_way,
        # Cornerstones are of the binding's print; a binding that is to be bought is not cut.
        any_cloth=frozenset({Role.BINDING.value} if design.binding_from_left else ()),
    )
    facts = (
        aim, kept.question, kept.most.blocks, question.spaces, design.wish, design.usable_width,
        design.backing_way, design.binding_from_left, units,
        [str(fabric) for fabric in question.fabrics],
    )  # fmt: skip
    return FoundQuestion(repr(facts), question)


def _found(quilt: WholeQuilt) -> FoundQuilt:
    scheme = quilt.scheme
    return FoundQuilt(
        columns=scheme.columns,
        rows=scheme.rows,
        setting=scheme.setting,
        sashing=scheme.sashing,
        borders=scheme.borders,
        score=quilt.score,
        from_stash=frozenset(_called(part.part.name) for part in quilt.parts if not part.bought),
    )


def _called(part: str) -> str:
    """A part in a person's words: of several borders the first is simply the border."""
    usual = {CORNERSTONE: "cornerstones", f"{BORDER}-1": BORDER, BACKGROUND: Role.SETTING.value}
    return usual.get(part, part.replace("-", " "))


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
    kinds = ((False, False), (True, False), (True, True))
    sashings = (NO_SASHING, *(Sashing(width, *kind) for width in widths for kind in kinds))
    first = design.border_width
    proposed = tuple(width for width in widths_to_propose(units) if width)
    return Space(
        sashings=sashings,
        border_widths=(first,) if first else () if first == 0 else proposed,
        most_borders=1 if first else 0 if first == 0 else 2,
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
    names = {BACKGROUND if role is Role.SETTING else role.value for role in roles}
    if Role.BORDER in roles:
        names |= {f"{Role.BORDER}-{number}" for number in range(1, MOST_BORDERS + 1)}
    return Fabric(
        name=f"beside {pulled.key}",
        print=pulled.print.name,
        width=pulled.width,
        length=pulled.length,
        count=pulled.count,
        roles=frozenset(names),
        form=pulled.kept.lot.form,
    )
