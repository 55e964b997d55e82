"""Units and blocks that a quilt leaves: sewn already, so they go into the unit drawer.

over        crosscut from strip sets, more than the blocks take
of a set    of the blocks that one set of pieces gives, those that have no place
sewn        blocks that have no place in the quilt any more, once all their seams are ticked

Of what a unit keeps each fabric has the share that its pieces have of all pieces; the rest of them
is in the seams. Source: docs/trade.md section 7: spare blocks go into the unit drawer.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.assembly import Patch, Size
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.cloth.look import write_look
from kersey.core.kits.pieces import slots_of
from kersey.core.kits.sewn_sets import Segment, segments_over
from kersey.core.quilt.left_over import LeftPiece
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.passes import passes

# What such things are called.
UNIT, BLOCK = "spare units", "spare blocks"


@dataclass(frozen=True)
class SpareUnits:
    """So many units alike of an unfinished `size`; `cut` are the square inches that were cut of
    each fabric for one of them, `look` is how it looks. Of those that `was_loose` the plan knows as
    spare pieces."""

    word: str
    size: Size
    count: int
    cut: tuple[tuple[str, Fraction], ...]
    was_loose: bool = False
    look: str | None = None

    @cached_property
    def main(self) -> str:
        """The fabric of which there is most in it."""
        return max(self.cut, key=lambda each: each[1])[0]

    def kept(self, fabric: str) -> Fraction:
        """Square inches of a fabric in all of them, without what lies in their seams."""
        all_cut = sum((area for _, area in self.cut), Fraction(0))
        of_it = dict(self.cut).get(fabric, Fraction(0))
        return self.count * self.size[0] * self.size[1] * of_it / all_cut

    def taken(self, fabric: str) -> Fraction:
        """Square inches of a fabric that were cut for all of them."""
        return self.count * dict(self.cut).get(fabric, Fraction(0))


def spare_units(quilt: Quilt) -> tuple[SpareUnits, ...]:
    """The units and blocks that are sewn and have no place in the quilt."""
    if quilt.kept.block.makes_one_piece:
        return ()
    found = Counter[SpareUnits](_from_sets(quilt))
    if not quilt.kept.cutting.problem.strip_sets:
        found.update(_blocks(quilt))
    least = FACTS[Form.BLOCK].narrowest
    return tuple(
        replace(each, count=count) for each, count in found.items() if min(each.size) >= least
    )


def without_sewn(quilt: Quilt, left: Iterable[LeftPiece]) -> tuple[LeftPiece, ...]:
    """What is left, without the spare pieces that were sewn into blocks since."""
    problem = quilt.kept.cutting.problem
    sewn = Counter[tuple[str, Size]]()
    for number in _sewn_sets(quilt):
        for name, slot in zip(
            quilt.kept.kits[number * problem.batch], slots_of(problem), strict=True
        ):
            need = problem.needs[slot]
            sewn[name, (need.width, need.height)] += 1
    found = list[LeftPiece]()
    for piece in left:
        known_by = piece.fabric, (piece.width, piece.length)
        gone = min(piece.count, sewn[known_by]) if piece.spare else 0
        sewn[known_by] -= gone
        found.append(replace(piece, count=piece.count - gone))
    return tuple(piece for piece in found if piece.count)


def _from_sets(quilt: Quilt) -> Iterator[SpareUnits]:
    problem = quilt.kept.cutting.problem
    if not problem.strip_sets:
        return
    makes = {
        quilt.assembly.set_of(make): make for make in quilt.assembly.makes if make.how.cut_from
    }
    kits = [quilt.kept.kits[placed.kit] for placed in quilt.placed]
    block = quilt.assembly.block
    for kind, segment in segments_over(quilt.kept.cutting, quilt.project.design.deal, kits):
        make = makes.get(kind)
        if make is not None:
            pieces = ((name, place) for place, names in segment for name in names)
            cut = tuple(sorted(_areas(quilt, pieces).items()))
            look = _look(quilt, make.patches, make.size, _in_turn(quilt, make.patches, segment))
            yield SpareUnits(BLOCK if make == block else UNIT, make.size, 1, cut, look=look)


def _blocks(quilt: Quilt) -> Iterator[SpareUnits]:
    """Blocks of sets of pieces that are sewn, and lie nowhere."""
    batch, placed = quilt.kept.cutting.problem.batch, {each.kit for each in quilt.placed}
    begun = {kit // batch for kit in placed}
    sewn, slots = _sewn_sets(quilt), slots_of(quilt.kept.cutting.problem)
    size = quilt.assembly.block.size
    for number in range(-(-len(quilt.kept.kits) // batch) * batch):
        of = number // batch
        if number not in placed and (of in begun or of in sewn):
            pieces = zip(quilt.kept.kits[of * batch], slots, strict=True)
            areas = sorted(_areas(quilt, pieces).items())
            cut = tuple((name, area / batch) for name, area in areas)
            names = [quilt.kept.kits[of * batch][slot] for slot in quilt.patch_slots]
            look = _look(quilt, quilt.assembly.patches, size, names)
            yield SpareUnits(BLOCK, size, 1, cut, of in sewn, look)


def _areas(quilt: Quilt, pieces: Iterable[tuple[str, int]]) -> dict[str, Fraction]:
    """Square inches of each fabric in pieces, each for the need at a place."""
    needs, areas = quilt.kept.cutting.problem.needs, dict[str, Fraction]()
    for name, place in pieces:
        area = needs[place].width * needs[place].height
        areas[name] = areas.get(name, Fraction(0)) + area
    return areas


def _in_turn(quilt: Quilt, patches: Sequence[Patch], segment: Segment) -> list[str]:
    """The fabric of every patch of what is crosscut: the strips of a need, one after the other."""
    needs = quilt.kept.cutting.problem.needs
    waiting = {(needs[place].label, needs[place].role): list(names) for place, names in segment}
    found = []
    for patch in patches:
        names = waiting.get((patch.label, patch.role), [])
        found.append(names[0] if len(names) == 1 else names.pop(0) if names else "")
    return found


def _look(quilt: Quilt, patches: Sequence[Patch], size: Size, names: Sequence[str]) -> str | None:
    """How a unit looks; None where its patches are not known."""
    if not patches or not all(name in quilt.prints for name in names):
        return None
    seams = 2 * quilt.kept.seam
    coloured = (
        (quilt.prints[name].swatch.blend, patch.corners)
        for patch, name in zip(patches, names, strict=True)
    )
    return write_look(coloured, (size[0] - seams, size[1] - seams))


def _sewn_sets(quilt: Quilt) -> frozenset[int]:
    """The sets of pieces of which no block lies in the quilt and every seam is ticked."""
    batch = quilt.kept.cutting.problem.batch
    placed = {each.kit // batch for each in quilt.placed}
    waiting = set(range(len(quilt.kept.kits) // batch)) - placed
    if not waiting or quilt.kept.cutting.problem.strip_sets:
        return frozenset()
    stems = {
        tick.rsplit("-", 1)[0] for each in passes(quilt, 1) if each.kits for tick in each.ticks[:1]
    }
    return frozenset(
        of
        for of in waiting
        if stems
        and all(
            f"{stem}-{kit}" in quilt.project.done
            for stem in stems
            for kit in range(of * batch, (of + 1) * batch)
        )
    )
