"""The best size of a block: how much of the fabric shows in the quilt, size by size.

    shows = blocks x what shows of one / the cloth that is pulled

Larger blocks have fewer seams and lose less in them, until they no longer fit: the curve rises in
teeth. Whole inches are tried first, then the halves between them.
"""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.measure.length import CENTIMETRE, EIGHTH, MILLIMETRE, Units
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.yields.count import Count, count_of
from kersey.core.yields.report import checked_plan

# Seconds of search for one size.
_A_SIZE = 0.2
# Sizes for a block of which nobody has said which make sense, in inches.
_USUAL_SIDES = (3, 12)


@dataclass(frozen=True)
class AtSize:
    """What a finished size gives; `on_ruler`: every cut is on eighths, or on whole millimetres."""

    finished: Size
    count: Count
    shows: Fraction
    on_ruler: bool


@dataclass(frozen=True)
class SizesQuestion:
    """The curve of a project's block. Known by its `key`: everything an answer depends on."""

    key: str
    project: Project = field(compare=False)
    units: Units = Units.INCHES

    def run(self) -> Iterator[tuple[AtSize, ...]]:
        """The sizes tried so far, the smallest first."""
        found: list[AtSize] = []
        for side in _sides(self.project, self.units):
            at = _at_size(self.project, side, self.units)
            if at is not None:
                found.append(at)
                yield tuple(sorted(found, key=lambda each: each.finished))
        yield tuple(sorted(found, key=lambda each: each.finished))


def sizes_question(project: Project, units: Units) -> SizesQuestion | None:
    """What is asked; None for a block whose size nobody is free to choose.

    Raises `NothingToCut` or `BadRecipe` when nothing can be asked at all.
    """
    known = project.design.block.known
    follows = known is not None and known.from_strips and project.strip_width is not None
    if known is None or follows or known.size_follows:
        return None
    return SizesQuestion(yield_asked(project).fingerprint, project, units)


def best_sizes(found: tuple[AtSize, ...], most: int = 3) -> list[AtSize]:
    """The sizes of which most shows, the best first; of equal ones that which cuts on the ruler."""
    ranked = sorted(found, key=lambda at: (-at.shows, not at.on_ruler, -at.finished[0]))
    return [at for at in ranked if at.count.blocks][:most]


def _sides(project: Project, units: Units) -> list[Fraction]:
    """Whole inches, or whole centimetres, then the halves between them."""
    known = project.design.block.known
    smallest, largest = known.facts.sides if known and known.facts else _USUAL_SIDES
    if units is Units.INCHES:
        whole = [Fraction(side) for side in range(smallest, largest + 1)]
        return [*whole, *(side + Fraction(1, 2) for side in whole[:-1])]
    steps = range(int(smallest * 5 / 2), int(largest * 5 / 2) + 1)
    return [side * CENTIMETRE for side in steps]


def _at_size(project: Project, side: Fraction, units: Units) -> AtSize | None:
    block = project.design.block
    finished = block.known.of_side(side) if block.known else (side, side)
    design = replace(project.design, block=replace(block, finished=finished))
    try:
        asked = yield_asked(replace(project, design=design))
        plan = checked_plan(replace(asked.problem, rules=asked.assembly.rules), Watch(_A_SIZE))
    except KerseyError:
        return None
    there = sum((f.width * f.length * f.count for f in asked.problem.fabrics), Fraction(0))
    mark = EIGHTH if units is Units.INCHES else MILLIMETRE
    on_ruler = all(s % mark == 0 for need in asked.problem.needs for s in (need.width, need.height))
    shows = plan.blocks * finished[0] * finished[1] / there
    return AtSize(finished, count_of(plan), shows, on_ruler)
