"""What is left when everything has been cut: it goes back on the shelf, never lost."""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.rail_yield import RailYield
from kersey.core.frame.binding import StashPiece
from kersey.core.quilt.strip_plan import StripPlan

# docs/trade.md section 1: a string is about an inch at the least; shorter ends are crumbs.
SHORTEST_KEPT = Fraction(1)


@dataclass(frozen=True)
class Leftovers:
    """What remains of the strips. Lengths in inches; `pieces` longest first."""

    pieces: tuple[StashPiece, ...]
    spare_segments: int
    spare_blocks: int

    @property
    def whole_strips(self) -> int:
        """Strips that were not cut at all."""
        return sum(piece.whole_strip for piece in self.pieces)

    @property
    def ends(self) -> int:
        """Ends of cut strips worth keeping."""
        return len(self.pieces) - self.whole_strips


def leftovers(answer: RailYield, plan: StripPlan) -> Leftovers:
    """What a plan leaves of the lot it was made for."""
    pieces = sorted(_pieces(answer, plan), key=lambda piece: -piece.length)
    return Leftovers(tuple(pieces), sum(plan.spare_segments), plan.spare_blocks)


def _pieces(answer: RailYield, plan: StripPlan) -> Iterator[StashPiece]:
    """Whole strips, and the ends of single strips; the end of a set is sewn together."""
    for index, whole in enumerate(plan.whole_strips):
        for _ in range(whole):
            yield StashPiece(index, answer.lot.usable_length, whole_strip=True)
    if plan.sets or answer.division.margin < SHORTEST_KEPT:
        return
    for index, cut in enumerate(plan.cut_strips):
        for _ in range(cut):
            yield StashPiece(index, answer.division.margin, whole_strip=False)
