"""The work order: what to measure, cut and sew, in which order, for the quilt as planned.

Whatever the blocks need comes first, fabric by fabric; then each make is sewn after what it is made
of; then sashing, rows, border, backing and binding. A border is cut only when the quilt has been
measured.

A step is facts: what is made, of which fabric, how many, how large. It is known by these, so that a
tick stays through any change of units or words; the sentences are in `step_words`.
"""

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property
from hashlib import blake2s

from kersey.core.blocks.assembly import Make, Size
from kersey.core.blocks.technique import CUT
from kersey.core.cutting.problem import Layout
from kersey.core.frame.part import PartKind
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.planning.cut_groups import CutGroup, FabricCut, cut_groups
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt


class StepKind(StrEnum):
    """What a step is about; a page may draw each in its own way."""

    MEASURE = "measure"
    KEEP = "keep"
    CUT = "cut"
    LAY_OUT = "lay out"
    SEW = "sew"
    SETTING = "setting"
    SASHING = "sashing"
    ROWS = "rows"
    BORDER = "border"
    BACKING = "backing"
    BINDING = "binding"


# What is done before the first seam.
BEFORE_SEWING = frozenset({StepKind.MEASURE, StepKind.KEEP, StepKind.CUT, StepKind.LAY_OUT})
# What makes a top into a quilt.
FINISHING = frozenset({StepKind.BORDER, StepKind.BACKING, StepKind.BINDING})


@dataclass(frozen=True)
class Step:
    """One step: so many of something of a size, from these fabrics.

    A CUT step cuts a `group` of pieces alike; of a SEW step `make` is what comes of it; of several
    borders `number` tells which.
    """

    kind: StepKind
    name: str = ""
    count: int = 0
    size: Size | None = None
    fabrics: tuple[FabricCut, ...] = ()
    group: CutGroup | None = None
    make: Make | None = None
    number: int = 0

    @cached_property
    def key(self) -> str:
        """Names this very step by its facts: a step that changes loses its tick."""
        if self.group is not None:
            return self.group.key
        fabrics = [(fabric.key, fabric.pieces) for fabric in self.fabrics]
        size = [str(side) for side in self.size or ()]
        facts = repr((self.kind.value, self.name, self.count, size, fabrics))
        return f"{self.kind.name.lower()}-{blake2s(facts.encode(), digest_size=6).hexdigest()}"

    @property
    def layout(self) -> Layout | None:
        """One of the pieces of fabric that a CUT step cuts."""
        return self.group.layouts[0] if self.group else None


def work_order(quilt: Quilt) -> tuple[Step, ...]:
    """The steps for a quilt, in order.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.planning.plan_question import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll))))
    >>> [step.kind.value for step in work_order(quilt)]
    ['measure', 'cut', 'lay out', 'sew', 'rows', 'border', 'backing', 'binding']
    """
    return tuple(_steps(quilt))


def _steps(quilt: Quilt) -> Iterator[Step]:
    yield from _measure(quilt)
    yield from _keep(quilt)
    yield from _cuts(quilt)
    if not quilt.kept.cutting.problem.strip_sets:
        kits = quilt.kept.cutting.problem.batches(len(quilt.placed))
        yield Step(StepKind.LAY_OUT, count=kits)
    yield from _sewing(quilt)
    size, plain, sashing = quilt.size, quilt.part(PartKind.SETTING), quilt.part(PartKind.SASHING)
    if plain is not None:
        first = plain.pieces[0]
        yield Step(StepKind.SETTING, "setting", plain.count, (first.cut_width, first.cut_length))
    if sashing is not None:
        strips, longest = sashing.cuts[0].cut.off_the_bolt(quilt.shop), max(sashing.lengths)
        yield Step(StepKind.SASHING, "sashing", strips.count, (sashing.cut_width, longest))
    yield Step(StepKind.ROWS, "row", size.rows, (size.body_width, size.body_length))
    for number, border in enumerate(quilt.borders, 1):
        inner = number == 1 and quilt.size.border_width
        yield Step(
            StepKind.BORDER,
            "border" if inner else f"border {number}",
            border.strips,
            (border.cut_width, border.sides + border.ends),
            number=number,
        )
    yield Step(StepKind.BACKING, "backing", size=(quilt.backing.width, quilt.backing.length))
    binding = quilt.part(PartKind.BINDING)
    edge = (
        (binding.cut_width, binding.length)
        if binding
        else (quilt.project.design.edge.width, Fraction(0))
    )
    yield Step(StepKind.BINDING, "binding", binding.strips if binding else 0, edge)


def _measure(quilt: Quilt) -> Iterator[Step]:
    """One piece of every size of fabric that is cut."""
    sizes = dict.fromkeys(
        (layout.fabric.form, layout.fabric.width, layout.fabric.length)
        for layout in quilt.kept.cutting.layouts
        if not layout.fabric.opened
    )
    if len(sizes) == 1:
        ((form, width, length),) = sizes
        yield Step(StepKind.MEASURE, form.value, 1, (width, length))
    elif sizes:
        yield Step(StepKind.MEASURE, "each", len(sizes))


def _keep(quilt: Quilt) -> Iterator[Step]:
    """Whole fabric that is not opened, with what of it becomes the binding."""
    opened: dict[str, int] = {}
    for layout in quilt.kept.cutting.layouts:
        opened[layout.fabric.name] = opened.get(layout.fabric.name, 0) + layout.copies
    kept = [
        FabricCut(key, fabric.name, fabric.count - opened.get(fabric.name, 0))
        for fabric, key in zip(quilt.kept.cutting.problem.fabrics, quilt.kept.keys, strict=True)
        if not fabric.opened
    ]
    whole = tuple(fabric for fabric in kept if fabric.pieces)
    if whole:
        yield Step(StepKind.KEEP, count=sum(f.pieces for f in whole), fabrics=whole)


def _cuts(quilt: Quilt) -> Iterator[Step]:
    for group in cut_groups(quilt.kept):
        fabric = group.layouts[0].fabric
        if _is_cut(group.layouts[0]):
            continue
        size = fabric.width, fabric.length
        yield Step(StepKind.CUT, fabric.form.value, group.pieces, size, group.fabrics, group)


def _is_cut(layout: Layout) -> bool:
    """Whether it is a piece that lies on the table, just as it was cut for the quilt."""
    fabric, first = layout.fabric, layout.cuts[0]
    return fabric.opened and (first.width, first.length) == (fabric.width, fabric.length)


def _sewing(quilt: Quilt) -> Iterator[Step]:
    blocks = len(quilt.placed)
    counts = quilt.assembly.counts
    for make in quilt.assembly.makes:
        if make.how == CUT:
            continue
        count = blocks * counts[make]
        if make.long:
            kind = quilt.assembly.set_of(make)
            sets = strip_sets(quilt.kept.cutting)
            count = Fraction(sum(each.kind == kind for each in sets))
        yield Step(StepKind.SEW, make.name, -int(-count // 1), make.size, make=make)


def steps_done(project: Project, steps: Iterable[Step]) -> int:
    """How many of these steps were ticked off."""
    return sum(step.key in project.done for step in steps)


def ticked(project: Project, step: Step, done: bool) -> Project:
    """The project with a step ticked off, or not any more; what is cut of its fabrics follows."""
    if (step.key in project.done) == done:
        return project
    keys = project.done | {step.key} if done else project.done - {step.key}
    project = replace(project, done=frozenset(keys))
    if step.kind is not StepKind.CUT:
        return project
    return project.cutting({f.key: f.pieces if done else -f.pieces for f in step.fabrics})


# Ticks of the time when only strips were laid out, by kinds of that time and a shorter name.
_OLD_TICK = re.compile(r"([a-z]+)-[0-9a-f]{8}")
_OLD_KINDS = {
    "check": StepKind.MEASURE,
    "keep": StepKind.KEEP,
    "segments": StepKind.CUT,
    "crosscut": StepKind.CUT,
    "sets": StepKind.SEW,
    "blocks": StepKind.SEW,
    "rows": StepKind.ROWS,
    "border": StepKind.BORDER,
    "backing": StepKind.BACKING,
    "binding": StepKind.BINDING,
}


def with_plan(project: Project, kept: KeptPlan, quilt: Quilt | None) -> Project:
    """The project with a plan, and its `quilt` by that plan; ticks of old become ticks of the steps
    that they stand for now."""
    old = {tick for tick in project.done if _OLD_TICK.fullmatch(tick)}
    done = project.done
    if old and quilt is not None:
        kinds = {_OLD_KINDS.get(tick.partition("-")[0]) for tick in old}
        if any(tick.startswith("crosscut-") for tick in old):
            kinds.add(StepKind.SEW)
        if any(tick.startswith("blocks-") for tick in old):
            kinds.add(StepKind.LAY_OUT)
        done = (done - old) | {step.key for step in work_order(quilt) if step.kind in kinds}
    return replace(project, plan=kept, done=frozenset(done))
