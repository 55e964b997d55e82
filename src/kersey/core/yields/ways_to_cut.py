"""The ways in which the same blocks can be cut, side by side, each with what it costs and means.

Most blocks, any fabric needs the least; every fabric cut alike lets layers stack; whole strips
sewn first are the fastest. Source: docs/trade.md section 4.
"""

from dataclasses import dataclass, replace
from enum import StrEnum

from kersey.core.cutting.problem import ANY, CuttingPlan
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units
from kersey.core.measure.spoken import shown
from kersey.core.yields.by_hand import proof, strip_sum
from kersey.core.yields.even_plan import AlikeCut
from kersey.core.yields.steps import YieldSoFar

_GIVES_NAMED, _ALIKE_NAMED = 3, 4


class Way(StrEnum):
    """How the fabric is cut."""

    POOLED = "pooled"
    EVEN = "even"
    SETS = "sets"


_TITLES = {
    Way.POOLED: "Most blocks, any fabric",
    Way.EVEN: "Same cuts from every fabric",
    Way.SETS: "Strip sets",
}


@dataclass(frozen=True)
class WayToCut:
    """A way with its blocks, None while they are not known; `gives`: how some fabrics are cut."""

    way: Way
    blocks: int | None
    says: str
    gives: tuple[str, ...] = ()
    chosen: bool = False

    @property
    def title(self) -> str:
        """What it is called."""
        return _TITLES[self.way]


def ways_to_cut(known: YieldSoFar, even: bool, units: Units) -> list[WayToCut]:
    """The plans side by side, as far as they are known; `even`: whether that one is chosen."""
    in_sets = known.plan.problem.strip_sets
    singly = known.other_way if in_sets else known.plan
    sets = known.plan if in_sets else known.other_way
    chosen = Way.SETS if in_sets else Way.EVEN if even else Way.POOLED
    found = [_pooled(singly, units), _even(singly, known)]
    if sets is not None:
        by_hand = " ".join(_by_hand(sets, units)[:1])
        gap = "" if sets.proved else f" {sets.bound} is the most that could be possible."
        says = f"Faster: sew whole strips first, then cut segments. {by_hand}{gap}"
        found.append(WayToCut(Way.SETS, sets.blocks, says))
    return [replace(each, chosen=each.way is chosen) for each in found]


def _pooled(plan: CuttingPlan | None, units: Units) -> WayToCut:
    says = "Working …"
    if plan is not None:
        gap = "" if plan.proved else f" {plan.bound} is the most that could be possible."
        says = " ".join(_by_hand(plan, units)) or f"Cuts into the least fabric.{gap}"
    return WayToCut(Way.POOLED, plan.blocks if plan else None, says)


def _even(singly: CuttingPlan | None, known: YieldSoFar) -> WayToCut:
    says, even = "Working …", known.even
    if even and singly:
        cost = singly.blocks - even.plan.blocks
        price = f"it costs {counted(cost, 'block')}" if cost else "it costs no blocks"
        sure = (
            ""
            if even.plan.proved or not cost
            else (f" The most that could be possible this way is {even.plan.bound}.")
        )
        says = f"Cut in stacked layers and use every print evenly; {price}.{sure}"
    elif known.even_tried and singly and not singly.blocks:
        says = "There isn't enough for one block, so there is nothing to stack."
        if singly.bound:
            says = "No block was found yet, so there is nothing to stack."
    elif known.even_tried:
        says = "Nearly every piece is a different size, so nothing can be stacked."
    gives = tuple(_alike(cut) for cut in even.alike[:_ALIKE_NAMED]) if even else ()
    return WayToCut(Way.EVEN, even.plan.blocks if even else None, says, gives)


def _by_hand(plan: CuttingPlan, units: Units) -> tuple[str, ...]:
    """The sum for strips of one size, which anybody can do again, if it comes to as many."""
    answer = strip_sum(plan.problem)
    return proof(answer, units) if answer is not None and answer.blocks == plan.blocks else ()


def _alike(cut: AlikeCut) -> str:
    roles = ", ".join(dict.fromkeys(need.role for need, _ in cut.gives if need.role != ANY))
    if cut.kits is not None and len(cut.gives) > 1:
        what = counted(cut.kits, f"{roles} kit".strip())
    elif len(cut.gives) <= _GIVES_NAMED:
        what = ", ".join(f"{count} × {shown(need.label)}" for need, count in cut.gives)
    else:
        what = counted(sum(count for _, count in cut.gives), f"{roles} piece".strip())
    return f"{cut.pieces} make {what} each" if cut.pieces > 1 else f"1 makes {what}"
