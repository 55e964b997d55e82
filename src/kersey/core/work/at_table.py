"""The cuts at the table, one after the other: how the ruler is set, on which stack of cloth.

stack     pieces of fabric that are cut alike, so many layers as a person cuts at once
strip     cut across the whole stack: the ruler stands at the strip's breadth
crosscut  pieces cut off the strips: all of one length together, from strip after strip
trim      pieces that are less broad than their strip

Of a stack the broadest strips come first and the longest pieces, so a shortage hits the small
pieces only (docs/trade.md section 4). Strips of one breadth lie beside each other: where in the
cloth a strip lies does not matter to the plan.

What an order leaves open is settled so that ruler and cloth are changed least often: stacks with
equally large pieces, those of one fabric, or those that one more kit waits for, may be cut in turn.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property
from hashlib import blake2s
from itertools import groupby

from kersey.core.cutting.problem import Cut, Layout, Need
from kersey.core.kits.pieces import pieces_of, slots_of
from kersey.core.measure.spoken import Spoken
from kersey.core.planning.cut_groups import FabricCut
from kersey.core.project.design import CutOrder
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt
from kersey.core.work.fewest_changes import fewest_changes
from kersey.core.work.work_order import Step, StepKind, ticked


class Motion(Spoken):
    """What is done with the ruler."""

    STRIP = "strip"
    CROSSCUT = "crosscut", "sub-cut"
    TRIM = "trim"


@dataclass(frozen=True)
class Stack:
    """Layers of cloth that are cut together: `number` of `of` with these cuts."""

    step: Step
    layers: tuple[FabricCut, ...]
    number: int
    of: int

    @property
    def layout(self) -> Layout:
        """How each of its layers is cut."""
        assert self.step.layout is not None
        return self.step.layout

    @property
    def pieces(self) -> int:
        """How many layers it has."""
        return sum(layer.pieces for layer in self.layers)


@dataclass(frozen=True)
class TableCut:
    """One act at the table: the ruler set at `ruler` inches, cut `times` without moving it.

    `strips` are those it is done to, in the order in which the strips of its stack are cut.
    """

    stack: Stack
    motion: Motion
    ruler: Fraction
    times: int
    strips: tuple[int, ...]
    needs: tuple[Need, ...]

    @cached_property
    def key(self) -> str:
        """Names this very cut by its facts: a cut that changes loses its tick."""
        layers = [(layer.key, layer.pieces) for layer in self.stack.layers]
        facts = (
            self.stack.step.key,
            layers,
            self.stack.number,
            self.motion.value,
            str(self.ruler),
            self.strips,
        )
        return f"table-cut-{blake2s(repr(facts).encode(), digest_size=8).hexdigest()}"


# The pieces that a kit takes: of which fabric, by its key, for which need.
KitPieces = Counter[tuple[str, Need]]


def cuts_at_table(
    steps: Iterable[Step],
    layers: int,
    order: CutOrder = CutOrder.LARGEST,
    kits: Sequence[KitPieces] = (),
) -> tuple[TableCut, ...]:
    """Every cut of a work order, in the order they are made; `kits` as they are to be complete."""
    cutting = [step for step in steps if step.kind is StepKind.CUT]
    if order is CutOrder.KIT:
        bands = list(_by_kit(cutting, layers, kits))
    else:
        bands = list((_by_size if order is CutOrder.LARGEST else _by_fabric)(cutting, layers))
    return tuple(_in_turn(bands, may_change_places=order is CutOrder.FABRIC))


def pieces_of_stack(stack: Stack) -> KitPieces:
    """The pieces that come off a stack."""
    found = KitPieces()
    for layer in stack.layers:
        for cut in stack.layout.cuts:
            found[layer.key, cut.need] += layer.pieces * (cut.segments if cut.need.crosscut else 1)
    return found


def strips_in_order(layout: Layout) -> tuple[tuple[Cut, ...], ...]:
    """The strips of a piece of fabric as they are cut at the table: the broadest first."""
    return tuple(sorted(layout.strips, key=lambda strip: -breadth(strip, layout)))


def breadth(strip: Sequence[Cut], layout: Layout) -> Fraction:
    """How broad a strip is cut."""
    return max(cut.width if layout.along else cut.length for cut in strip)


def run(cut: Cut, layout: Layout) -> Fraction:
    """How long a piece is along its strip."""
    return cut.length if layout.along else cut.width


def settings(cuts: Iterable[TableCut]) -> int:
    """How often the ruler is set: cuts at one setting that follow one another need it once."""
    return len(list(groupby(cuts, key=lambda cut: cut.ruler)))


def kits_of(quilt: Quilt) -> tuple[KitPieces, ...]:
    """What each kit of the quilt takes, by their numbers; a batch of blocks has one kit."""
    kept = quilt.kept
    keys = dict(zip((f.name for f in kept.cutting.problem.fabrics), kept.keys, strict=True))
    needs = [kept.cutting.problem.needs[number] for number in slots_of(kept.cutting.problem)]
    used = pieces_of(kept.kits, [placed.kit for placed in quilt.placed], kept.cutting.problem.batch)
    return tuple(
        Counter((keys[name], need) for name, need in zip(kit, needs, strict=True)) for kit in used
    )


def cloths_in_hand(cuts: Iterable[TableCut]) -> int:
    """How often a stack is taken in hand."""
    return len(list(groupby(cuts, key=lambda cut: cut.stack)))


def settings_one_by_one(steps: Iterable[Step]) -> int:
    """How often it would be set if every piece of fabric were cut alone, strip after strip with the
    pieces that come off it."""
    found: list[Fraction] = []
    for step in steps:
        if step.kind is StepKind.CUT and step.layout is not None:
            found += list(_alone(step.layout)) * step.count
    return len(list(groupby(found)))


def after(project: Project, cuts: Sequence[TableCut], cut: TableCut) -> Project:
    """The project once a cut is made: when it was the last of its step, the step is ticked off."""
    kept = project.done | {cut.key}
    step = cut.stack.step
    whole = all(each.key in kept for each in cuts if each.stack.step.key == step.key)
    project = replace(project, done=kept)
    return ticked(project, step, True) if whole else project


def before(project: Project, cuts: Sequence[TableCut], cut: TableCut) -> Project:
    """The project with a cut taken back; its step is not done any more then, its other cuts are."""
    step = cut.stack.step
    own = {each.key for each in cuts if each.stack.step.key == step.key}
    kept = project.done | own if step.key in project.done else project.done
    return replace(ticked(project, step, False), done=kept - {cut.key, step.key})


def made(project: Project, cuts: Iterable[TableCut]) -> list[bool]:
    """Of every cut whether it is made: alone, or with its whole step."""
    return [cut.key in project.done or cut.stack.step.key in project.done for cut in cuts]


# Stacks whose cuts may be made in turn, and what they are cut into.
_Band = list[tuple[TableCut, ...]]


def _in_turn(bands: list[_Band], may_change_places: bool) -> Iterator[TableCut]:
    """Band after band, each with the fewest changes; the next begins, if it may, at the setting
    that the ruler has."""
    ruler: Fraction | None = None
    waiting = [band for band in bands if band]
    while waiting:
        fits = (n for n, band in enumerate(waiting) if any(cuts[0].ruler == ruler for cuts in band))
        band = waiting.pop(next(fits, 0) if may_change_places else 0)
        queues = [iter(cuts) for cuts in band]
        for stack in fewest_changes([[cut.ruler for cut in cuts] for cuts in band], ruler):
            cut = next(queues[stack])
            ruler = cut.ruler
            yield cut


def _by_size(cutting: Sequence[Step], layers: int) -> Iterator[_Band]:
    """What gives equally large pieces goes together, the largest first."""

    def largest(step: Step) -> Fraction:
        assert step.layout is not None
        return max(cut.width * cut.length for cut in step.layout.cuts)

    for _, steps in groupby(cutting, key=largest):
        yield _cut_up(s for step in steps for s in _stacks(step, step.fabrics, layers))


def _by_fabric(cutting: Sequence[Step], layers: int) -> Iterator[_Band]:
    """Of each fabric all that is cut from it, before the next is taken in hand."""
    fabrics = dict.fromkeys(fabric.key for step in cutting for fabric in step.fabrics)
    for key in fabrics:
        own = [(step, tuple(f for f in step.fabrics if f.key == key)) for step in cutting]
        yield _cut_up(s for step, of in own if of for s in _stacks(step, of, layers))


def _by_kit(cutting: Sequence[Step], layers: int, kits: Sequence[KitPieces]) -> Iterator[_Band]:
    """Kit after kit what it still waits for; at last what no kit takes."""
    waiting = [s for step in cutting for s in _stacks(step, step.fabrics, layers)]
    there = KitPieces()
    for kit in kits:
        band = list[Stack]()
        for piece, count in kit.items():
            while there[piece] < count:
                stack = next((s for s in waiting if pieces_of_stack(s)[piece]), None)
                if stack is None:
                    break
                waiting.remove(stack)
                band.append(stack)
                there += pieces_of_stack(stack)
        there -= kit
        yield _cut_up(band)
    yield _cut_up(waiting)


def _cut_up(stacks: Iterable[Stack]) -> _Band:
    """What is used as it comes needs no cut."""
    return [cuts for stack in stacks if (cuts := tuple(_cuts(stack)))]


def _stacks(step: Step, fabrics: Sequence[FabricCut], layers: int) -> Iterator[Stack]:
    """Pieces of fabric laid on one another, so many at most."""
    pieces = [fabric for fabric in fabrics for _ in range(fabric.pieces)]
    piles = [pieces[n : n + layers] for n in range(0, len(pieces), layers)]
    for number, pile in enumerate(piles, 1):
        counts: dict[str, int] = {}
        for fabric in pile:
            counts[fabric.key] = counts.get(fabric.key, 0) + 1
        names = {fabric.key: fabric.name for fabric in pile}
        layered = tuple(FabricCut(key, names[key], count) for key, count in counts.items())
        yield Stack(step, layered, number, len(piles))


def _cuts(stack: Stack) -> Iterator[TableCut]:
    """The cuts of one stack: strips, then what is cut off them, then what is trimmed."""
    layout = stack.layout
    strips = strips_in_order(layout)
    across, long = layout.fabric.width, layout.fabric.length
    if not layout.along:
        across, long = long, across
    for number, strip in enumerate(strips):
        wide = breadth(strip, layout)
        # What is as broad as the cloth is no strip that is cut.
        if wide < across:
            needs = tuple(dict.fromkeys(cut.need for cut in strip))
            yield TableCut(stack, Motion.STRIP, wide, 1, (number,), needs)
    yield from _off_the_strips(stack, strips, long)
    yield from _trims(stack, strips)


def _off_the_strips(
    stack: Stack, strips: Sequence[Sequence[Cut]], long: Fraction
) -> Iterator[TableCut]:
    """Pieces of one length from strip after strip, the longest first. What is sewn in sets stays
    as long as it is, and so does a piece that is as long as the cloth."""
    layout = stack.layout
    runs = {
        run(cut, layout)
        for strip in strips
        for cut in strip
        if not cut.need.crosscut and run(cut, layout) < long
    }
    for length in sorted(runs, reverse=True):
        at = [
            (number, cut.need)
            for number, strip in enumerate(strips)
            for cut in strip
            if run(cut, layout) == length and not cut.need.crosscut
        ]
        numbers = tuple(dict.fromkeys(number for number, _ in at))
        needs = tuple(dict.fromkeys(need for _, need in at))
        yield TableCut(stack, Motion.CROSSCUT, length, len(at), numbers, needs)


def _trims(stack: Stack, strips: Sequence[Sequence[Cut]]) -> Iterator[TableCut]:
    layout = stack.layout
    narrow = [
        (cut.width if layout.along else cut.length, number, cut.need)
        for number, strip in enumerate(strips)
        for cut in strip
        if (cut.width if layout.along else cut.length) < breadth(strip, layout)
    ]
    for wide in sorted({each[0] for each in narrow}, reverse=True):
        alike = [each for each in narrow if each[0] == wide]
        yield TableCut(
            stack,
            Motion.TRIM,
            wide,
            len(alike),
            tuple(dict.fromkeys(n for _, n, _ in alike)),
            tuple(dict.fromkeys(need for _, _, need in alike)),
        )


def _alone(layout: Layout) -> Iterator[Fraction]:
    """How the ruler is set for one piece of fabric: each strip, and at once what comes off it."""
    across = layout.fabric.width if layout.along else layout.fabric.length
    long = layout.fabric.length if layout.along else layout.fabric.width
    for strip in layout.strips:
        wide = breadth(strip, layout)
        if wide < across:
            yield wide
        for cut in strip:
            if run(cut, layout) < long and not cut.need.crosscut:
                yield run(cut, layout)
            narrow = cut.width if layout.along else cut.length
            if narrow < wide:
                yield narrow
