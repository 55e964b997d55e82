"""The sums of a quilt: every part with its cut size and count, and where the pulled cloth goes.

    pulled  =  in the blocks + in border and binding + left + trimmings

In square inches, exactly: what is not a piece and is not kept is trimmings. Cloth that is pulled
for parts beside the blocks is not in it: of that a length is cut off.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.borders import KEY
from kersey.core.frame.part import PartKind
from kersey.core.frame.strips import StripPieces
from kersey.core.measure.spoken import shown
from kersey.core.quilt.parts import CutStrips, Part
from kersey.core.quilt.quilt import Quilt


@dataclass(frozen=True)
class PartSum:
    """So many pieces of a part, of a cut size; a `strip` is joined to its length of several.

    `names` are the prints they are of; `bought` is cloth off the bolt in inches, 0 from what is
    there. Of what is no piece of a block `kind` tells the part.
    """

    part: str
    count: int
    width: Fraction
    length: Fraction
    names: tuple[str, ...]
    bought: Fraction = Fraction(0)
    joined: bool = False
    kind: PartKind | None = None


@dataclass(frozen=True)
class PulledFabric:
    """Where the cloth goes that is pulled for the blocks, in square inches."""

    pulled: Fraction
    in_blocks: Fraction
    in_frame: Fraction
    left: Fraction

    @property
    def trimmings(self) -> Fraction:
        """What is cut off and is no piece."""
        return self.pulled - self.in_blocks - self.in_frame - self.left


def pulled_fabric(quilt: Quilt) -> PulledFabric:
    """Where the cloth goes."""
    problem = quilt.kept.cutting.problem
    pulled = sum((f.width * f.length * f.count for f in problem.fabrics), Fraction(0))
    frame = sum(used_of_left(quilt).values(), Fraction(0))
    left = sum((piece.area for piece in quilt.left), Fraction(0))
    return PulledFabric(pulled, _in_blocks(quilt), frame, left)


def part_sums(quilt: Quilt) -> tuple[PartSum, ...]:
    """Every part, from the middle of the quilt outwards.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.planning.plan_question import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll))))
    >>> [(sum.part, sum.count) for sum in part_sums(quilt)]
    [('block, any', 240), ('border', 2), ('border', 2), ('binding', 1), ('backing', 2)]
    """
    of_parts = (row for part in quilt.parts for row in _rows(part))
    return (*_blocks(quilt), *of_parts)


def used_of_left(quilt: Quilt) -> dict[str, Fraction]:
    """Square inches that parts take of what the blocks leave, by the fabric's name in the plan."""
    found: dict[str, Fraction] = {}
    for part in quilt.frame.parts:
        for strip in part.cloth.strips:
            area = strip.length * part.cut_width
            found[strip.fabric] = found.get(strip.fabric, Fraction(0)) + area
    return found


def _blocks(quilt: Quilt) -> Iterator[PartSum]:
    problem = quilt.kept.cutting.problem
    sets = problem.batches(len(quilt.placed))
    for need in problem.needs:
        names = tuple(
            dict.fromkeys(quilt.prints[f.name].name for f in problem.fabrics if f.serves(need))
        )
        label = "" if len(problem.needs) == 1 else f" {shown(need.label)}"
        part = f"block{label}, {need.role}"
        yield PartSum(part, sets * need.count, need.width, need.height, names)


def _rows(part: Part) -> Iterator[PartSum]:
    """A row for all pieces of a size; what is bought of a cut stands beside its first."""
    names = part.cloth.names
    if part.layer is not None:
        plan = part.layer.plan
        if plan is not None:
            size = part.layer.size
            yield PartSum(
                part.name, plan.panels, *size, names, part.lacks, plan.panels > 1, part.kind
            )
        return
    for cut in part.cuts:
        called = [_row_name(part, cut, piece) for piece in cut.pieces]
        for place, piece in enumerate(cut.pieces):
            bought = Fraction(0) if place else cut.lacks
            size = piece.cut_width, piece.cut_length
            yield PartSum(
                # A key is told narrow side first, as a strip is.
                called[place],
                piece.count,
                min(size),
                max(size),
                names,
                bought,
                cut.joined,
                part.kind,
            )


def _row_name(part: Part, cut: CutStrips, piece: StripPieces) -> str:
    """What like pieces are called: by their part, or by themselves where that says more."""
    if part.kind is PartKind.CORNERS:
        of = "border" if cut.cut.number < 2 else f"border {cut.cut.number}"
        return f"{of}, corner"
    if part.kind is PartKind.KEYS:
        return piece.name if piece.name == KEY else f"{KEY}, {piece.name}"
    if part.kind is PartKind.SASHING:
        return f"{part.name}, {piece.name}"
    if part.kind is PartKind.CORNERSTONES:
        return "cornerstone"
    return piece.name if part.kind in (PartKind.SETTING, PartKind.SPACER) else part.name


def _in_blocks(quilt: Quilt) -> Fraction:
    """Of every piece that lies in a block. Of strips sewn into sets, all that becomes segments."""
    kept = quilt.kept
    problem = kept.cutting.problem
    if problem.strip_sets or problem.tally:
        return sum(
            (
                cut.width * cut.length * layout.copies
                for layout in kept.cutting.layouts
                for cut in layout.cuts
            ),
            Fraction(0),
        )
    sets = problem.batches(len(quilt.placed))
    each = sum((need.width * need.height * need.count for need in problem.needs), Fraction(0))
    return sets * each
