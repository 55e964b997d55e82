"""Sewing in batches: pass after pass at the machine, and the iron between them.

batch   so many blocks side by side; the first is one block alone, the model that is measured
pass    one join of one make, for every block of the batch: fed one behind the other, then pressed

Strip sets and what is one piece are no blocks yet: they are a batch of their own. A tick is of one
join of one kit, so it stays when blocks are laid elsewhere, or sewn in other batches.
Source: docs/trade.md section 9.
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property
from hashlib import blake2s

from kersey.core.blocks.assembly import Make
from kersey.core.blocks.technique import CUT, JOINED
from kersey.core.frame.setting import Seat
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.seams import seam_between, side_of_line
from kersey.core.wall.numbers import number_of
from kersey.core.work.work_order import Step, StepKind, ticked, work_order

# A seam shorter than this is begun on a scrap.
_SHORT = Fraction(2)


# What the ticks of passes begin with.
PASS = "pass-"


class Hint(StrEnum):
    """What to mind at a pass."""

    PIECED_ON_TOP = "pieced on top"
    BIAS = "bias edges"
    SHORT = "short seam"
    NEST = "nest"


@dataclass(frozen=True)
class Pass:
    """The `join`-th join of a make (1 is the first), for the blocks with these numbers, each of its
    kit; `seams` in all. `first` and `second` are what is joined."""

    batch: int
    blocks: tuple[str, ...]
    kits: tuple[int, ...]
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
        return self.ticks[0]

    @cached_property
    def ticks(self) -> tuple[str, ...]:
        """What is ticked when it is done: its join for each of its kits."""
        facts = (self.make.name, [str(side) for side in self.make.size], self.join)
        stem = f"{PASS}{blake2s(repr(facts).encode(), digest_size=5).hexdigest()}"
        return tuple(f"{stem}-{kit}" for kit in self.kits) or (stem,)

    def tick_of(self, block: str) -> str:
        """What is ticked when it is done for one of its blocks."""
        return self.ticks[self.blocks.index(block)]


def passes(quilt: Quilt, batch: int) -> tuple[Pass, ...]:
    """Every pass in the order of sewing; `batch` blocks at a time, or all of them for 0."""
    makes = [make for make in quilt.assembly.makes if make.how != CUT]
    found = list(_sets(quilt, [make for make in makes if make.long]))
    of_blocks = [make for make in makes if not make.long]
    names = _numbers(quilt)
    for number, kits in enumerate(_batches(quilt, list(names), batch), 1):
        blocks = {kit: names[kit] for kit in kits}
        for make in of_blocks:
            found += _passes_of(quilt, number, blocks, make)
    return tuple(found)


def blocks_sewn(project: Project, quilt: Quilt, all_passes: Sequence[Pass]) -> list[str]:
    """The blocks of which every pass is done, by the numbers of their places."""
    done = passes_done(project, quilt, all_passes)
    waiting = {
        block
        for each in all_passes
        if each.key not in done
        for block, tick in zip(each.blocks, each.ticks, strict=False)
        if tick not in project.done
    }
    return [name for name in _numbers(quilt).values() if name not in waiting]


def kits_begun(project: Project) -> frozenset[int]:
    """The kits of which anything is sewn as blocks: they are no loose pieces any more."""
    ticks = (key.split("-") for key in project.done if key.startswith(PASS))
    return frozenset(int(tick[2]) for tick in ticks if len(tick) == 3)


def with_kits_numbered(done: Iterable[str], number: Mapping[int, int]) -> frozenset[str]:
    """Ticks of passes once kits have other numbers; those of kits that are gone are gone."""
    found = set()
    for key in done:
        tick = key.split("-")
        if not key.startswith(PASS) or len(tick) < 3:
            found.add(key)
        elif int(tick[2]) in number:
            found.add(f"{tick[0]}-{tick[1]}-{number[int(tick[2])]}")
    return frozenset(found)


def after_block(
    project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass, block: str
) -> Project:
    """The project once a pass is done for one of its blocks; for all of them, the pass is done."""
    if block not in one.blocks or one.key in passes_done(project, quilt, all_passes):
        return project
    done = project.done | {one.tick_of(block)}
    if done.issuperset(one.ticks):
        return after_pass(project, quilt, all_passes, one)
    return replace(project, done=done)


def before_block(
    project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass, block: str
) -> Project:
    """The project with a pass taken back for one of its blocks; the others of it stay done."""
    if block not in one.blocks:
        return project
    tick = one.tick_of(block)
    if one.key in passes_done(project, quilt, all_passes):
        project = before_pass(project, quilt, all_passes, one)
        return replace(project, done=project.done.union(one.ticks) - {tick})
    return replace(project, done=project.done - {tick})


def after_pass(project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass) -> Project:
    """The project once a pass is done; when all of a make are, its step on the sheet is too."""
    done = project.done.union(one.ticks)
    whole = all(done.issuperset(each.ticks) for each in all_passes if each.make == one.make)
    project = replace(project, done=done)
    step = _step(quilt, one)
    return ticked(project, step, True) if whole and step is not None else project


def before_pass(project: Project, quilt: Quilt, all_passes: Sequence[Pass], one: Pass) -> Project:
    """The project with a pass taken back, for all of its blocks."""
    step = _step(quilt, one)
    done = project.done
    if step is not None and step.key in done:
        of_make = (each.ticks for each in all_passes if each.make == one.make)
        done = done.union(*of_make) - {step.key}
    return replace(project, done=done.difference(one.ticks))


def passes_done(project: Project, quilt: Quilt, all_passes: Sequence[Pass]) -> frozenset[str]:
    """The keys of the passes that are done: ticked alone, or with the step of the sheet."""
    steps = {step.make: step.key for step in work_order(quilt) if step.kind is StepKind.SEW}
    return frozenset(
        each.key
        for each in all_passes
        if project.done.issuperset(each.ticks) or steps.get(each.make, "") in project.done
    )


def trips_one_by_one(all_passes: Sequence[Pass]) -> int:
    """How often one would walk to the iron with each block sewn by itself."""
    return sum(max(1, len(each.blocks)) for each in all_passes)


def _step(quilt: Quilt, one: Pass) -> Step | None:
    return next(
        (s for s in work_order(quilt) if s.kind is StepKind.SEW and s.make == one.make), None
    )


def _numbers(quilt: Quilt) -> dict[int, str]:
    """The kits of the quilt in their order, and the numbers of the places where they lie."""
    placed = sorted(quilt.placed, key=lambda each: each.kit)
    return {each.kit: number_of(Seat(each.row, each.column)) for each in placed}


def _batches(quilt: Quilt, kits: Sequence[int], batch: int) -> Iterator[Sequence[int]]:
    """The kits: the model first, then so many at a time. Those that come of one set of pieces stay
    together."""
    each = quilt.kept.cutting.problem.batch
    if quilt.kept.block.makes_one_piece:
        yield kits
        return
    yield kits[:each]
    size = len(kits) if batch == 0 else max(each, batch // each * each)
    for begin in range(each, len(kits), size):
        yield kits[begin : begin + size]


def _sets(quilt: Quilt, makes: Sequence[Make]) -> Iterator[Pass]:
    """Strip sets, all of a kind at once."""
    sets = strip_sets(quilt.kept.cutting) if quilt.kept.cutting.problem.strip_sets else []
    for make in makes:
        kind = quilt.assembly.set_of(make)
        count = sum(each.kind == kind for each in sets) or 1
        yield from _joins(0, {}, make, count)


def _passes_of(quilt: Quilt, number: int, blocks: Mapping[int, str], make: Make) -> Iterator[Pass]:
    count = -(-len(blocks) * quilt.assembly.counts[make] // 1)
    # Of one set of pieces several come: it is sewn as often as it is taken.
    times = -(-count // make.gives)
    yield from _joins(number, blocks, make, int(times))


def _joins(batch: int, blocks: Mapping[int, str], make: Make, times: int) -> Iterator[Pass]:
    parts = [part.make for part in make.of for _ in range(part.count)]
    many = len(parts) - 1 if make.how.joins and len(parts) > 1 else 1
    for join in range(1, many + 1):
        first = _called(parts[:join]) if parts else make.words
        second = parts[join].words if make.how.joins and len(parts) > join else ""
        hints = tuple(_hints(make, parts, join))
        named = tuple(blocks.values()), tuple(blocks)
        yield Pass(batch, *named, make, join, many, times, first, second, hints)


def _called(parts: Sequence[Make]) -> str:
    return (
        " + ".join(part.words for part in parts)
        if len(parts) < 4
        else (f"the {len(parts)} sewn so far")
    )


def _hints(make: Make, parts: Sequence[Make], join: int) -> Iterator[Hint]:
    if not make.how.joins or len(parts) <= join:
        if make.how.bias:
            yield Hint.BIAS
        return
    one, other = parts[join - 1], parts[join]
    pieced = [_has_seams(each) for each in (one, other)]
    if join > 1 and make.how != JOINED:
        pieced[0] = True
    if pieced[0] != pieced[1]:
        yield Hint.PIECED_ON_TOP
    elif all(pieced) and _seams_meet(one, other):
        yield Hint.NEST
    if any(each.how.bias for each in (one, other)):
        yield Hint.BIAS
    if max(other.size) < _SHORT:
        yield Hint.SHORT


def _has_seams(make: Make) -> bool:
    """Whether it is sewn, or cut of what is: a trapezoid cut from one piece is not."""
    return make.how.seams != 0 or any(_has_seams(part.make) for part in make.of)


def _seams_meet(one: Make, other: Make) -> bool:
    """Whether seams of both end at one point of the seam that joins them. Where they lie in several
    places it is not known; there they do."""
    seam = seam_between(one.patches, other.patches)
    if seam is None:
        return True
    patches = (*one.patches, *other.patches)
    low, high = (
        {
            corner
            for number in side
            for corner in patches[number].corners
            if side_of_line(corner, seam.line) == 0
        }
        for side in (seam.low, seam.high)
    )
    return bool(low & high - {seam.begin, seam.end})
