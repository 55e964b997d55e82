"""The independent checker: judges a plan from its rectangles alone, with no help of a solver.

Every piece inside its fabric, none over another, each reached by strips straight across, crosscuts
and at most one trim; of an allowed role and turn; no fabric used more often than there is; enough
of everything for the blocks claimed; and prints that can be shared out as the rules ask.
"""

import itertools
from collections import Counter, defaultdict
from collections.abc import Iterator, Sequence
from fractions import Fraction

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need


def faults(plan: CuttingPlan) -> list[str]:
    """Everything that is wrong with a plan, in sentences; none for a good one."""
    found = [fault for layout in plan.layouts for fault in _layout_faults(layout)]
    found.extend(_count_faults(plan))
    if plan.blocks < 0 or plan.bound < plan.blocks:
        found.append(f"{plan.blocks} blocks cannot exceed the bound of {plan.bound}.")
    if not found and plan.blocks:
        found.extend(_rule_faults(plan))
    return found


def _layout_faults(layout: Layout) -> Iterator[str]:
    fabric, name = layout.fabric, layout.fabric.name
    if layout.copies < 1:
        yield f"{name}: a layout of {layout.copies} copies."
    for cut in layout.cuts:
        if not fabric.serves(cut.need):
            yield f"{name} may not serve {cut.need.role}."
        upright = (cut.width, cut.length) == (cut.need.width, cut.need.height)
        turned = (cut.width, cut.length) == (cut.need.height, cut.need.width)
        if not upright and (fabric.directional or not turned):
            yield f"{name}: {cut.need.label} is cut {cut.width} x {cut.length}."
        if cut.x < 0 or cut.y < 0:
            yield f"{name}: {cut.need.label} begins outside."
        if cut.x + cut.width > fabric.width or cut.y + cut.length > fabric.length:
            yield f"{name}: {cut.need.label} ends outside."
    for place, one in enumerate(layout.cuts):
        for other in layout.cuts[place + 1 :]:
            if _overlap(one, other):
                yield f"{name}: {one.need.label} and {other.need.label} overlap."
    if not any(_in_strips(layout.cuts, along) for along in _directions(fabric)):
        yield f"{name}: these cuts cannot be made by strips, crosscuts and one trim."


def _overlap(one: Cut, other: Cut) -> bool:
    apart_x = one.x + one.width <= other.x or other.x + other.width <= one.x
    apart_y = one.y + one.length <= other.y or other.y + other.length <= one.y
    return not (apart_x or apart_y)


def _directions(fabric: Fabric) -> tuple[bool, ...]:
    """Whether strips may run along the length, and across it; a strip is split lengthwise only."""
    return (True,) if fabric.is_strip else (True, False)


def _in_strips(cuts: Sequence[Cut], along: bool) -> bool:
    """Whether straight cuts part the pieces into strips in which each stands alone.

    `along`: strips run along the fabric's length, one beside the other across its width.
    """
    side = [(c.x, c.x + c.width) if along else (c.y, c.y + c.length) for c in cuts]
    run = [(c.y, c.y + c.length) if along else (c.x, c.x + c.width) for c in cuts]
    for strip in _separated(side, range(len(cuts))):
        if any(len(piece) > 1 for piece in _separated(run, strip)):
            return False
        if any(side[n][0] != min(side[m][0] for m in strip) for n in strip):
            return False
    return True


def _separated(spans: Sequence[tuple[Fraction, Fraction]], which: Sequence[int]) -> list[list[int]]:
    """The spans in groups between which a straight cut passes."""
    groups: list[list[int]] = []
    end = Fraction(-1)
    for n in sorted(which, key=lambda n: spans[n]):
        if groups and spans[n][0] < end:
            groups[-1].append(n)
        else:
            groups.append([n])
        end = max(end, spans[n][1])
    return groups


def _count_faults(plan: CuttingPlan) -> Iterator[str]:
    used: Counter[str] = Counter()
    made: Counter[Need] = Counter()
    for layout in plan.layouts:
        used[layout.fabric.name] += layout.copies
        for cut in layout.cuts:
            made[cut.need] += layout.copies
    there = {fabric.name: fabric.count for fabric in plan.problem.fabrics}
    for name, count in used.items():
        if count > there.get(name, 0):
            yield f"{name} is cut {count} times and there are {there.get(name, 0)}."
    for need in plan.problem.needs:
        if made[need] < plan.blocks * need.count:
            yield f"{made[need]} of {need.label} are too few for {plan.blocks} blocks."


def _rule_faults(plan: CuttingPlan) -> Iterator[str]:
    """Whether the pieces can be shared out over the blocks as the rules ask."""
    by_print: dict[str, Counter[Need]] = defaultdict(Counter)
    for layout in plan.layouts:
        for cut in layout.cuts:
            by_print[layout.fabric.print][cut.need] += layout.copies
    for groups in _same_groups(plan.problem):
        whole = sum(min(made[n] // n.count for n in groups) for made in by_print.values())
        if whole < plan.blocks:
            yield f"Only {whole} blocks get {groups[0].role} of one print."
    for rule in plan.problem.rules:
        if not rule.same and not _can_differ(plan, rule.roles, by_print):
            yield f"{' and '.join(rule.roles)} cannot be of different prints in every block."


def _same_groups(problem: CuttingProblem) -> list[list[Need]]:
    groups: list[set[str]] = []
    for rule in problem.rules:
        if rule.same:
            touching = [group for group in groups if group & {*rule.roles}]
            groups = [group for group in groups if group not in touching]
            groups.append({*rule.roles}.union(*touching))
    found = [[need for need in problem.needs if need.role in group] for group in groups]
    return [group for group in found if group]


def _can_differ(
    plan: CuttingPlan, roles: tuple[str, ...], by_print: dict[str, Counter[Need]]
) -> bool:
    """Whether the roles' parts can be drawn so that no print is drawn twice for a block.

    A part is what comes from one print: all of a same-print group; where several roles must differ,
    all pieces of a role; else one piece. Parts are edges between prints and kinds of part; they can
    be dealt out to so many blocks exactly when no print is drawn more often than there are blocks:
    the most that can be drawn is then a flow.
    """
    parts: list[tuple[list[Need], int]] = []
    grouped = [need for group in _same_groups(plan.problem) for need in group]
    for group in _same_groups(plan.problem):
        if any(need.role in roles for need in group):
            parts.append((group, 1))
    for role in roles:
        rest = [n for n in plan.problem.needs if n.role == role and n not in grouped]
        if rest and len(roles) > 1:
            parts.append((rest, 1))
        elif rest:
            parts.extend(([need], need.count) for need in rest)
    supply = {
        name: [min(made[n] // (n.count if len(g) > 1 or times == 1 else 1) for n in g)
               for g, times in parts]
        for name, made in by_print.items()
    }  # fmt: skip
    wanted = [times * plan.blocks for _, times in parts]
    return _flow(supply, wanted, plan.blocks) == sum(wanted)


def _flow(supply: dict[str, list[int]], wanted: list[int], most_of_a_print: int) -> int:
    """The most parts drawn: of each print at most so many, of each kind what is wanted."""
    drawn = {name: [0] * len(wanted) for name in supply}
    total = 0
    while True:
        reached = _augmenting(supply, drawn, wanted, most_of_a_print)
        if not reached:
            return total
        total += reached


def _augmenting(
    supply: dict[str, list[int]],
    drawn: dict[str, list[int]],
    wanted: list[int],
    most: int,
) -> int:
    """Push one more bundle of parts along a path print - kind - print - ... - kind."""
    start = [name for name in supply if sum(drawn[name]) < most]
    came_from: dict[str | int, str | int | None] = dict.fromkeys(start)
    queue: list[str | int] = list(start)
    for node in queue:
        if isinstance(node, str):
            for kind, there in enumerate(supply[node]):
                if drawn[node][kind] < there and kind not in came_from:
                    came_from[kind] = node
                    queue.append(kind)
        elif sum(drawn[name][node] for name in drawn) < wanted[node]:
            return _push(node, came_from, supply, drawn, wanted, most)
        else:
            for name in supply:
                if drawn[name][node] and name not in came_from:
                    came_from[name] = node
                    queue.append(name)
    return 0


def _push(
    end: int,
    came_from: dict[str | int, str | int | None],
    supply: dict[str, list[int]],
    drawn: dict[str, list[int]],
    wanted: list[int],
    most: int,
) -> int:
    path: list[str | int] = [end]
    while (before := came_from[path[-1]]) is not None:
        path.append(before)
    path.reverse()
    first = path[0]
    assert isinstance(first, str)
    room = min(most - sum(drawn[first]), wanted[end] - sum(d[end] for d in drawn.values()))
    for a, b in itertools.pairwise(path):
        if isinstance(a, str) and isinstance(b, int):
            room = min(room, supply[a][b] - drawn[a][b])
        elif isinstance(a, int) and isinstance(b, str):
            room = min(room, drawn[b][a])
    for a, b in itertools.pairwise(path):
        if isinstance(a, str) and isinstance(b, int):
            drawn[a][b] += room
        elif isinstance(a, int) and isinstance(b, str):
            drawn[b][a] -= room
    return room
