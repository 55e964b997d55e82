"""Sewing in batches: pass after pass at the machine, and the iron between them.

batch   so many blocks side by side; the first is one block alone, the model that is measured
pass    one join of one make, for every block of the batch: fed one behind the other, then pressed

Strip sets and what is one piece are no blocks yet: they are a batch of their own. A pass is known
by its facts, so a tick stays as long as what it stands for. Source: docs/trade.md section 9.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property
from hashlib import blake2s

from kersey.core.blocks.assembly import How, Make
from kersey.core.frame.setting import Seat
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.sewn_sets import strip_sets
from kersey.core.wall.numbers import number_of
from kersey.core.work.work_order import Step, StepKind, ticked, work_order

# A seam shorter than this is begun on a scrap.
_SHORT = Fraction(2)
_JOINED = frozenset({How.JOINED, How.AROUND, How.FLIPPED, How.STRIP_SET, How.ON_THE_SLANT})
# What leaves the outer edges of a unit on the bias.
_ON_THE_BIAS = frozenset({How.ALL_ROUND, How.SWUNG})


class Hint(StrEnum):
    """What to mind at a pass."""

    PIECED_ON_TOP = "pieced on top"
    BIAS = "bias edges"
    SHORT = "short seam"
    NEST = "nest"


@dataclass(frozen=True)
class Pass:
    """The `join`-th join of a make (1 is the first), for the blocks with these numbers; `seams` in
    all. `first` and `second` are what is joined."""

    batch: int
    blocks: tuple[str, ...]
    make: Make
    join: int
    joins: int
    seams: int
    first: str
    second: str
    hints: tuple[Hint, ...]

    @cached_property
    def key(self) -> str:
        """Names this pass by its facts."""
        facts = (self.make.name, [str(side) for side in self.make.size], self.join, self.blocks)
        return f"pass-{blake2s(repr(facts).encode(), digest_size=8).hexdigest()}"


def passes(quilt: Quilt, batch: int) -> tuple[Pass, ...]:
    """Every pass in the order of sewing; `batch` blocks at a time, or all of them for 0."""
    makes = [make for make in quilt.assembly.makes if make.how is not How.CUT]
    found = list(_sets(quilt, [make for make in makes if make.long]))
    of_blocks = [make for make in makes if not make.long]
    for number, blocks in enumerate(_batches(quilt, batch), 1):
        for make in of_blocks:
            found += _passes_of(quilt, number, blocks, make)
    return tuple(found)


def blocks_sewn(quilt: Quilt, all_passes: Sequence[Pass], done: frozenset[str]) -> list[str]:
    """The blocks of which every pass is done, by the numbers of their places."""
    waiting = {block for each in all_passes for block in each.blocks if each.key not in done}
    names = _numbers(quilt)
    return [name for name in names if name not in waiting]


def after_pass(project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass) -> Project:
    """The project once a pass is done; when all of a make are, its step on the sheet is too."""
    done = project.done | {one.key}
    whole = all(each.key in done for each in all_passes if each.make == one.make)
    project = replace(project, done=done)
    step = _step(quilt, one)
    return ticked(project, step, True) if whole and step is not None else project


def before_pass(project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass) -> Project:
    """The project with a pass taken back."""
    step = _step(quilt, one)
    done = project.done
    if step is not None and step.key in done:
        done = done | {each.key for each in all_passes if each.make == one.make}
        done = done - {step.key}
    return replace(project, done=done - {one.key})


def passes_done(project: Project, quilt: Quilt, all_passes: Sequence[Pass]) -> frozenset[str]:
    """The keys of the passes that are done: ticked alone, or with the step of the sheet."""
    steps = {step.make: step.key for step in work_order(quilt) if step.kind is StepKind.SEW}
    return frozenset(
        each.key for each in all_passes
        if each.key in project.done or steps.get(each.make, "") in project.done
    )  # fmt: skip


def trips_one_by_one(all_passes: Sequence[Pass]) -> int:
    """How often one would walk to the iron with each block sewn by itself."""
    return sum(max(1, len(each.blocks)) for each in all_passes)


def _step(quilt: Quilt, one: Pass) -> Step | None:
    return next(
        (s for s in work_order(quilt) if s.kind is StepKind.SEW and s.make == one.make), None
    )


def _numbers(quilt: Quilt) -> list[str]:
    placed = sorted(quilt.placed, key=lambda each: each.kit)
    return [number_of(Seat(each.row, each.column)) for each in placed]


def _batches(quilt: Quilt, batch: int) -> Iterator[tuple[str, ...]]:
    """The blocks by their kits: the model first, then so many at a time. Those that come of one set
    of pieces stay together."""
    names, each = _numbers(quilt), quilt.plan.plan.problem.batch
    if quilt.plan.block.makes_one_piece:
        yield tuple(names)
        return
    yield tuple(names[:each])
    size = len(names) if batch == 0 else max(each, batch // each * each)
    for begin in range(each, len(names), size):
        yield tuple(names[begin : begin + size])


def _sets(quilt: Quilt, makes: Sequence[Make]) -> Iterator[Pass]:
    """Strip sets, all of a kind at once."""
    sets = strip_sets(quilt.plan.plan) if quilt.plan.plan.problem.strip_sets else []
    for make in makes:
        kind = quilt.assembly.set_of(make)
        count = sum(each.kind == kind for each in sets) or 1
        yield from _joins(0, (), make, count)


def _passes_of(quilt: Quilt, number: int, blocks: tuple[str, ...], make: Make) -> Iterator[Pass]:
    count = -(-len(blocks) * quilt.assembly.counts[make] // 1)
    # Of one set of pieces several come: it is sewn as often as it is taken.
    times = -(-count // make.gives)
    yield from _joins(number, blocks, make, int(times))


def _joins(batch: int, blocks: tuple[str, ...], make: Make, times: int) -> Iterator[Pass]:
    parts = [part.make for part in make.of for _ in range(part.count)]
    many = len(parts) - 1 if make.how in _JOINED and len(parts) > 1 else 1
    for join in range(1, many + 1):
        first = _called(parts[:join]) if parts else make.name
        second = parts[join].name if make.how in _JOINED and len(parts) > join else ""
        hints = tuple(_hints(make, parts, join))
        yield Pass(batch, blocks, make, join, many, times, first, second, hints)


def _called(parts: Sequence[Make]) -> str:
    return " + ".join(part.name for part in parts) if len(parts) < 4 else f"the {len(parts)} before"


def _hints(make: Make, parts: Sequence[Make], join: int) -> Iterator[Hint]:
    if make.how not in _JOINED or len(parts) <= join:
        if make.how in _ON_THE_BIAS:
            yield Hint.BIAS
        return
    one, other = parts[join - 1], parts[join]
    pieced = [bool(each.of) for each in (one, other)]
    if join > 1 and make.how is not How.JOINED:
        pieced[0] = True
    if pieced[0] != pieced[1]:
        yield Hint.PIECED_ON_TOP
    elif all(pieced):
        yield Hint.NEST
    if any(each.how in _ON_THE_BIAS for each in (one, other)):
        yield Hint.BIAS
    if max(other.size) < _SHORT:
        yield Hint.SHORT
