"""One whole piece: a plan for columns, rows or strips becomes the plan for a single block.

The pieces it is made of are those that the plan cuts; strips of different length that become one
tube, or lie side by side, are trimmed to the shortest of them.
"""

from collections import Counter
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Layout, Need


@dataclass(frozen=True)
class WholePiece:
    """The block that a plan for its parts becomes, and the plan for this one block."""

    block: BlockChoice
    assembly: Assembly
    plan: CuttingPlan


def whole_piece(block: BlockChoice, seam: Fraction, plan: CuttingPlan) -> WholePiece:
    """One piece of all the columns, rows or strips of a plan that has any."""
    made = block.made_whole(plan, seam)
    assembly = made.assembly(seam)
    problem = CuttingProblem(assembly.needs, plan.problem.fabrics, assembly.rules)
    taken: Counter[Need] = Counter()
    layouts = tuple(_cut_for(layout, problem, taken) for layout in _one_by_one(plan))
    alike = Counter(layout for layout in layouts if layout.cuts)
    together = tuple(replace(layout, copies=copies) for layout, copies in alike.items())
    return WholePiece(made, assembly, CuttingPlan(problem, 1, 1, together))


def _one_by_one(plan: CuttingPlan) -> list[Layout]:
    """Every piece of fabric by itself, those with the longest strips first."""
    each = [replace(layout, copies=1) for layout in plan.layouts for _ in range(layout.copies)]
    return sorted(each, key=lambda layout: -max(max(c.width, c.length) for c in layout.cuts))


def _cut_for(layout: Layout, problem: CuttingProblem, taken: Counter[Need]) -> Layout:
    """The layout with its cuts made for the needs of the whole piece.

    What none of them needs, pieces of a block that is over, stays cloth of its size.
    """
    cuts, over = list[Cut](), list[tuple[Fraction, Fraction]]()
    for before in layout.cuts:
        now = _cut(before, layout, problem, taken)
        if now is None:
            over.append((before.width, before.length))
            continue
        cuts.append(now)
        over.append((now.width, before.length - now.length))
        over.append((before.width - now.width, now.length))
    kept = tuple(size for size in over if min(size) >= SHORTEST_KEPT)
    return replace(layout, cuts=tuple(cuts), left=(*layout.left, *kept))


def _cut(cut: Cut, layout: Layout, problem: CuttingProblem, taken: Counter[Need]) -> Cut | None:
    """A cut for a need of its size of which there are not enough yet."""
    # The longest strips come first, and are taken for what is longest.
    fitting = [need for need in problem.needs if _fits(cut, need) and taken[need] < need.count]
    need = max(fitting, key=lambda each: each.height, default=None)
    if need is None:
        return None
    taken[need] += 1
    if not cut.need.crosscut:
        return replace(cut, need=need)
    along = cut.length == layout.fabric.length and cut.width == need.width
    width, length = (cut.width, need.height) if along else (need.height, cut.length)
    return replace(cut, need=need, width=width, length=length)


def _fits(cut: Cut, need: Need) -> bool:
    if not cut.need.crosscut:
        return (need.label, need.role) == (cut.need.label, cut.need.role)
    return need.width == cut.need.width and need.height <= max(cut.width, cut.length)
