"""The most blocks of any fabric, explained: what stopped it, what one more would give, how close
the cliff is, and what is left.

Everything here is a real recomputation of the same question with other fabric, never an estimate.
"""

from collections import Counter
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.checker import faults
from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Layout
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError

# Handbook section 4: half an inch and an inch less and more.
CHANGES = (Fraction(-1, 2), Fraction(-1), Fraction(1, 2), Fraction(1))
# Fabrics that differ in more than this are told of by their roles, not one by one.
_MOST_LIMITS = 6


class FaultyPlan(KerseyError):
    """A plan that the checker does not pass: a fault of Kersey's, never an answer."""

    def __init__(self, found: Sequence[str]) -> None:
        self.faults = tuple(found)
        super().__init__(f"This plan would not work: {found[0]}")


@dataclass(frozen=True)
class Limit:
    """What stopped it: a role, why, and how many blocks one more piece would give.

    `one_more` names a fabric; one more piece of it gives `blocks`.
    """

    role: str
    reason: str
    one_more: Fabric
    blocks: int


@dataclass(frozen=True)
class Spare:
    """Of so many pieces like this one, `pieces` could be taken away without losing a block."""

    fabric: Fabric
    pieces: int
    of: int


@dataclass(frozen=True)
class Leftover:
    """Like rectangles that are left of a fabric, biggest first. Inches, as the fabric lies."""

    fabric: str
    width: Fraction
    length: Fraction
    count: int


@dataclass(frozen=True)
class YieldReport:
    """The plan with all that is to be said of it. `sensitivity`: (change of length, blocks)."""

    plan: CuttingPlan
    limits: tuple[Limit, ...]
    leftovers: tuple[Leftover, ...]
    sensitivity: tuple[tuple[Fraction, int], ...]


def yield_report(problem: CuttingProblem, watch: Watch) -> YieldReport:
    """Solve a problem and explain the answer; `watch` says how long each plan may take.

    Raises `FaultyPlan` when the checker finds fault with it.
    """
    plan = checked_plan(problem, watch)
    return YieldReport(
        plan=plan,
        limits=tuple(limits(plan, watch)),
        leftovers=tuple(leftovers(plan)),
        sensitivity=sensitivity(plan, lambda other: checked_plan(other, watch).blocks),
    )


def sensitivity(
    plan: CuttingPlan, blocks_of: Callable[[CuttingProblem], int]
) -> tuple[tuple[Fraction, int], ...]:
    """(change of the usable length, blocks) for cloth a little narrower and wider.

    What can be cut from narrower cloth can be cut from wider: a search that was cut short does not
    make it less.
    """
    found = {Fraction(0): plan.blocks}
    for step in CHANGES:
        changed = at_usable(plan.problem, step)
        found[step] = blocks_of(changed) if changed else 0
    best = {step: max(n for other, n in found.items() if other <= step) for step in found}
    return tuple((step, best[step]) for step in CHANGES)


def checked_plan(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """The plan, judged by the checker before anybody sees it; raises `FaultyPlan`."""
    plan = solve(problem, watch.anew())
    found = faults(plan)
    if found:
        raise FaultyPlan(found)
    return plan


def at_usable(problem: CuttingProblem, change: Fraction) -> CuttingProblem | None:
    """The same question with cloth that is so much wider between its selvedges, or narrower.

    That is the length of a strip or a fat quarter and the width of yardage. None when nothing of
    any fabric would be left.
    """
    fabrics = tuple(
        replace(fabric, **{fabric.selvedge_side: getattr(fabric, fabric.selvedge_side) + change})
        for fabric in problem.fabrics
        if getattr(fabric, fabric.selvedge_side) + change > 0
    )
    return replace(problem, fabrics=fabrics) if fabrics else None


def leftovers(plan: CuttingPlan) -> list[Leftover]:
    """Rectangles worth keeping, of cut fabric and of what was not cut at all, biggest first."""
    found: Counter[tuple[str, Fraction, Fraction]] = Counter()
    whole = {fabric.name: fabric.count for fabric in plan.problem.fabrics}
    for layout in plan.layouts:
        whole[layout.fabric.name] -= layout.copies
        for width, length in layout.left:
            found[(layout.fabric.name, width, length)] += layout.copies
    for fabric in plan.problem.fabrics:
        if whole[fabric.name] and min(fabric.width, fabric.length) >= SHORTEST_KEPT:
            found[(fabric.name, fabric.width, fabric.length)] += whole[fabric.name]
    biggest = sorted(found.items(), key=lambda item: (-item[0][1] * item[0][2], item[0]))
    return [Leftover(*key, count) for key, count in biggest]


def limits(plan: CuttingPlan, watch: Watch) -> Iterable[Limit]:
    """One more piece of each sort of fabric, tried; those that help, and else the scarcest role."""
    problem = plan.problem
    alone = {role: _alone(problem, role, watch) for role in _roles(problem)}
    tried = [
        (fabric, checked_plan(_with_one_more(problem, fabric), watch).blocks)
        for fabric in _sorts(problem)[:_MOST_LIMITS]
    ]
    most = max((blocks for _, blocks in tried), default=plan.blocks)
    together = _one_of_each(problem, watch) if most == plan.blocks and len(tried) > 1 else 0
    for fabric, blocks in tried:
        if blocks > plan.blocks or (most == plan.blocks and _may_help(problem, fabric, alone)):
            role = _role_of(problem, fabric, alone)
            reason = _reason(plan, role, alone)
            if together > plan.blocks:
                reason += f"; one more of each sort gives {together}"
            yield Limit(role, reason, fabric, blocks)


def _one_of_each(problem: CuttingProblem, watch: Watch) -> int:
    """Blocks with one more piece of every sort of fabric."""
    sorts = _sorts(problem)
    more = tuple(replace(f, count=f.count + (f in sorts)) for f in problem.fabrics)
    return checked_plan(replace(problem, fabrics=more), watch).blocks


def _roles(problem: CuttingProblem) -> list[str]:
    return list(dict.fromkeys(need.role for need in problem.needs))


def _alone(problem: CuttingProblem, role: str, watch: Watch) -> int:
    """Blocks for which the pieces of one role could be cut if no other role took any fabric."""
    needs = tuple(need for need in problem.needs if need.role == role)
    rules = tuple(rule for rule in problem.rules if set(rule.roles) == {role})
    return solve(replace(problem, needs=needs, rules=rules), watch.anew()).blocks


def spare_pieces(plan: CuttingPlan, blocks_of: Callable[[CuttingProblem], int]) -> list[Spare]:
    """What could be taken away, of each sort of fabric by itself, without losing a block.

    Pieces are taken from the print that has most, so that prints stay as many as can be.
    """
    found = []
    for fabrics in list(_alike(plan.problem).values())[:_MOST_LIMITS]:
        least, most = 0, sum(fabric.count for fabric in fabrics)
        while least < most:
            middle = (least + most + 1) // 2
            fewer = _without(plan.problem, fabrics, middle)
            if fewer is not None and blocks_of(fewer) >= plan.blocks:
                least = middle
            else:
                most = middle - 1
        found.append(Spare(fabrics[0], least, sum(fabric.count for fabric in fabrics)))
    return found


def fewest_fabrics(plan: CuttingPlan, spare: Sequence[Spare], watch: Watch) -> CuttingPlan:
    """A plan of as many blocks that leaves whole what could be taken away, sort after sort.

    Where the search does not find as many blocks without it, the plan stays as it was.
    """
    problem = plan.problem
    for sort in spare:
        alike = [f for f in problem.fabrics if _sort_of(f) == _sort_of(sort.fabric)]
        fewer = _without(problem, alike, sort.pieces) if sort.pieces and alike else None
        if fewer is None:
            continue
        found = checked_plan(fewer, watch)
        if found.blocks >= plan.blocks:
            problem = fewer
            plan = replace(plan, layouts=_of(plan.problem, found))
    return plan


def _of(problem: CuttingProblem, found: CuttingPlan) -> tuple[Layout, ...]:
    """The layouts of a plan for less fabric, as cuts of all there is."""
    fabrics = {fabric.name: fabric for fabric in problem.fabrics}
    return tuple(replace(each, fabric=fabrics[each.fabric.name]) for each in found.layouts)


def _alike(problem: CuttingProblem) -> dict[tuple[object, ...], list[Fabric]]:
    """Fabrics of one size, form and roles, whatever their prints."""
    found: dict[tuple[object, ...], list[Fabric]] = {}
    for fabric in problem.fabrics:
        if any(fabric.serves(need) for need in problem.needs):
            found.setdefault(_sort_of(fabric), []).append(fabric)
    return found


def _sort_of(fabric: Fabric) -> tuple[object, ...]:
    return fabric.roles, fabric.form, fabric.width, fabric.length


def _without(
    problem: CuttingProblem, fabrics: Sequence[Fabric], pieces: int
) -> CuttingProblem | None:
    """The question with so many pieces fewer of these; None when nothing is left."""
    left = {fabric.name: fabric.count for fabric in fabrics}
    for _ in range(pieces):
        fullest = max(left, key=lambda name: left[name])
        left[fullest] -= 1
    kept = tuple(
        replace(fabric, count=left.get(fabric.name, fabric.count))
        for fabric in problem.fabrics
        if left.get(fabric.name, fabric.count)
    )
    return replace(problem, fabrics=kept) if kept else None


def _sorts(problem: CuttingProblem) -> list[Fabric]:
    """One fabric of each sort: of those with the same roles and form, the largest."""
    largest: dict[tuple[object, ...], Fabric] = {}
    for fabric in problem.fabrics:
        if not any(fabric.serves(need) for need in problem.needs):
            continue
        sort = (fabric.roles, fabric.form)
        held = largest.get(sort)
        if held is None or fabric.width * fabric.length > held.width * held.length:
            largest[sort] = fabric
    return list(largest.values())


def _with_one_more(problem: CuttingProblem, fabric: Fabric) -> CuttingProblem:
    fabrics = tuple(replace(f, count=f.count + (f is fabric)) for f in problem.fabrics)
    return replace(problem, fabrics=fabrics)


def _may_help(problem: CuttingProblem, fabric: Fabric, alone: dict[str, int]) -> bool:
    """Whether the fabric serves the role that is scarcest."""
    scarcest = min(alone.values())
    return any(fabric.serves(need) for need in problem.needs if alone[need.role] == scarcest)


def _role_of(problem: CuttingProblem, fabric: Fabric, alone: dict[str, int]) -> str:
    """The scarcest role that the fabric serves."""
    served = [need.role for need in problem.needs if fabric.serves(need)]
    return min(served, key=lambda role: alone[role])


def _shared(problem: CuttingProblem, role: str) -> bool:
    """Whether some fabric may serve this role and another one."""
    return any(
        len({need.role for need in problem.needs if fabric.serves(need)} | {role}) > 1
        for fabric in problem.fabrics
        if any(fabric.serves(need) for need in problem.needs if need.role == role)
    )


def _reason(plan: CuttingPlan, role: str, alone: dict[str, int]) -> str:
    others = [f"{other} for {count}" for other, count in alone.items() if other != role]
    if not others:
        return f"all of it together gives pieces for {plan.blocks} blocks"
    if alone[role] > plan.blocks and _shared(plan.problem, role):
        return f"{role} and {' and '.join(o.split(' for ')[0] for o in others)} share fabric"
    return f"{role} gives pieces for {alone[role]} blocks, {', '.join(others)}"
