"""Parts of a quilt cut from the cloth there is, beside its blocks: asked as one cutting problem.

A part whose pieces all fit the cloth is cut whole, so many of each. Any other, and a binding, is
joined of strips as long as the cloth gives them; each loses what a join costs, but the last.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need, Total
from kersey.core.frame.binding import SHORTEST_SCRAP
from kersey.core.frame.part import PartCut

# What is asked for in place of blocks where there are none: a thread, which no cloth has to give.
_THREAD = "thread"
# A joined strip is put together of pieces of no more lengths than this: the longest that there are.
_LENGTHS = 10


@dataclass(frozen=True)
class PartNeeds:
    """A part as the search is asked for it: its needs, and for each total what they count.

    It is `joined` of strips, or all its pieces are cut whole.
    """

    part: PartCut
    needs: tuple[Need, ...]
    totals: tuple[Total, ...]
    joined: bool


def strip_lengths(role: str, width: Fraction, fabrics: Sequence[Fabric]) -> tuple[Fraction, ...]:
    """How long strips of a width are that cloth of a role gives, the longest first."""
    piece = Need(role, role, width, Fraction(1))
    serving = (fabric for fabric in fabrics if fabric.serves(piece))
    return tuple(sorted({run for f in serving for run in _runs(f, width)}, reverse=True))


def part_needs(part: PartCut, lengths: Sequence[Fraction]) -> PartNeeds | None:
    """How a part can be cut from strips that are so long, the longest first.

    None where there is none, or none that is worth joining.
    """
    role = part.role
    longest = max((piece.cut_length for piece in part.pieces), default=Fraction(0))
    if not lengths:
        return None
    if not part.run and longest <= lengths[0]:
        needs = tuple(
            Need(f"{part.name} {piece.name}", role, part.cut_width, piece.cut_length)
            for piece in part.pieces
        )
        totals = tuple(
            Total(((n, Fraction(1)),), Fraction(piece.count)) for n, piece in enumerate(part.pieces)
        )
        return PartNeeds(part, needs, totals, joined=False)
    least = max(SHORTEST_SCRAP, part.join + 1)
    joined = [length for length in lengths if length >= least][:_LENGTHS]
    if not joined:
        return None
    needs = tuple(
        Need(f"{part.name} {n}", role, part.cut_width, length) for n, length in enumerate(joined, 1)
    )
    counts = tuple((n, length - part.join) for n, length in enumerate(joined))
    return PartNeeds(part, needs, (Total(counts, part.length - part.join),), joined=True)


def parts_alone(fabrics: Iterable[Fabric]) -> CuttingProblem:
    """A problem of no blocks for this cloth, to which parts are added."""
    inch = Fraction(1)
    thread = Fabric(_THREAD, _THREAD, inch, inch, 1, frozenset({_THREAD}))
    return CuttingProblem((Need(_THREAD, _THREAD, inch, inch),), (*fabrics, thread))


def with_parts(problem: CuttingProblem, parts: Iterable[PartNeeds]) -> CuttingProblem:
    """A problem of blocks that asks for parts too."""
    needs, totals = list(problem.needs), list(problem.totals)
    for part in parts:
        first = len(needs)
        needs += part.needs
        totals += [
            Total(tuple((first + place, counts) for place, counts in total.counts), total.least)
            for total in part.totals
        ]
    return replace(problem, needs=tuple(needs), totals=tuple(totals))


def pieces_cut(plan: CuttingPlan, part: PartNeeds) -> list[tuple[str, Fraction]]:
    """The pieces that a plan cuts for a part: of which fabric, how long; the longest first."""
    found = [
        (layout.fabric.name, cut.need.height)
        for layout in plan.layouts
        for cut in layout.cuts
        for _ in range(layout.copies)
        if cut.need in part.needs
    ]
    return sorted(found, key=lambda piece: (-piece[1], piece[0]))


def _runs(fabric: Fabric, width: Fraction) -> Iterator[Fraction]:
    """How long strips of a width are that come off a piece of cloth."""
    if fabric.width >= width:
        yield fabric.length
    if fabric.length >= width and not fabric.is_strip and not fabric.directional:
        yield fabric.width
