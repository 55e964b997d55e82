"""What is put away when a quilt has been cut: ends and spare segments become lots again.

Of every strip that was cut, the cloth is either in the quilt, kept as a lot, or lost: the end of a
strip set, and ends too short to be of use.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.rail_yield import Method
from kersey.core.cloth.fabric import LONGEST_NAME, Lot, Stack
from kersey.core.cloth.forms import Form
from kersey.core.project.project import AlreadyPutAway, Project
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled


@dataclass(frozen=True)
class Fate:
    """Where the cut pieces of one fabric went, in square inches."""

    pulled: Pulled
    used: Fraction
    kept: Fraction
    lost: Fraction


@dataclass(frozen=True)
class PutAway:
    """The project put away, the lots that its leftovers make, and where all went."""

    project: Project
    lots: tuple[CupboardLot, ...]
    fates: tuple[Fate, ...]


def cut_as_planned(quilt: Quilt) -> Project:
    """The project once its strips are cut as the plan says; raises `AlreadyPutAway`."""
    if quilt.project.put_away:
        raise AlreadyPutAway
    return _with_cut(quilt.project, quilt.plan.cut_strips)


def nothing_cut(project: Project) -> Project:
    """The project if a tick was a mistake; raises `AlreadyPutAway`."""
    if project.put_away:
        raise AlreadyPutAway
    return replace(project, fabrics=tuple(replace(p, cut=0) for p in project.fabrics))


def put_away(quilt: Quilt) -> PutAway:
    """Put away what a quilt leaves; whole strips go back as they are. Raises `AlreadyPutAway`."""
    if quilt.project.put_away:
        raise AlreadyPutAway
    bound = [0] * len(quilt.plan.cut_strips)
    for piece in quilt.binding.from_stash:
        bound[piece.print_index] += piece.whole_strip
    cut = [n + more for n, more in zip(quilt.plan.cut_strips, bound, strict=True)]
    project = replace(_with_cut(quilt.project, cut), put_away=True)
    ends = _ends_kept(quilt)
    lots = (
        *_lot(quilt, f"ends of {project.name}", ends, quilt.answer.division.margin),
        *_lot(
            quilt,
            f"segments of {project.name}",
            quilt.plan.spare_segments,
            quilt.answer.block.unfinished_size,
        ),
    )
    return PutAway(project, lots, tuple(_fates(quilt, project, cut, ends)))


def _with_cut(project: Project, cut: Sequence[int]) -> Project:
    """The project with so many strips of each print cut, those of the first lot first."""
    for alike, wanted in zip(project.working, cut, strict=True):
        left = wanted
        for pulled in alike:
            here = min(left, pulled.count)
            left -= here
            project = project.with_pulled(project.fabrics.index(pulled), replace(pulled, cut=here))
    return project


def _ends_kept(quilt: Quilt) -> list[int]:
    """Ends of each print that are worth keeping and are not in the binding."""
    ends = [0] * len(quilt.plan.cut_strips)
    for piece in quilt.left.pieces:
        ends[piece.print_index] += not piece.whole_strip
    for piece in quilt.binding.from_stash:
        ends[piece.print_index] -= not piece.whole_strip
    return ends


def _lot(quilt: Quilt, name: str, counts: Sequence[int], length: Fraction) -> Iterator[CupboardLot]:
    prints = quilt.project.lot.prints
    stacks = tuple(Stack(cloth, n) for cloth, n in zip(prints, counts, strict=True) if n)
    if stacks:
        lot = Lot(quilt.project.lot.width, length, stacks, form=Form.PIECE)
        yield CupboardLot(name[:LONGEST_NAME], lot)


def _fates(
    quilt: Quilt, project: Project, cut: Sequence[int], ends: Sequence[int]
) -> Iterator[Fate]:
    width = project.lot.width
    for place, alike in enumerate(project.working):
        if not cut[place]:
            continue
        kept = width * (
            ends[place] * quilt.answer.division.margin
            + quilt.plan.spare_segments[place] * quilt.answer.block.unfinished_size
        )
        used = width * _length_used(quilt, place)
        for pulled in alike:
            share = Fraction(pulled.cut, cut[place])
            area = pulled.cut * pulled.kept.lot.piece_area(pulled.stack)
            if share:
                lost = area - share * (used + kept)
                yield Fate(pulled, share * used, share * kept, lost)


def _length_used(quilt: Quilt, place: int) -> Fraction:
    """Inches of strip of one print that are in the blocks and in the binding."""
    if quilt.answer.method is Method.SETS:
        segments = quilt.plan.cut_strips[place] * quilt.answer.division.pieces
    else:
        segments = sum(block.count(place) for block in quilt.plan.blocks)
    bound = sum((p.length for p in quilt.binding.from_stash if p.print_index == place), Fraction(0))
    return segments * quilt.answer.block.unfinished_size + bound
