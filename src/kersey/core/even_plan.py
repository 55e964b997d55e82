"""The even plan: every fabric of a role is cut alike, so that layers stack and prints spread.

kit   what one block needs of one role (of several that must come from one print, together)
kind  pieces of fabric alike in size, roles and turn, whatever their prints

Every piece of a kind that serves a role is cut into whole kits. One size of a kit may instead be
cut from pieces of its own: six light quarters give eight kits without their centre each, a seventh
gives the centres. How many pieces of a kind serve what is a small integer programme. Print rules
are judged at the end: the plan claims only the blocks that the checker lets it claim.
Source: handbook section 4.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from math import inf

from kersey.core.cutting.checker import faults
from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch

# Where nearly every piece is of another size, nothing can be stacked.
_MOST_KINDS = 12
_MOST_SIZES_APART = 8


@dataclass(frozen=True)
class AlikeCut:
    """`pieces` of a kind are cut alike: each gives `kits` of these needs."""

    fabric: Fabric
    pieces: int
    kits: int
    needs: tuple[Need, ...]


@dataclass(frozen=True)
class EvenPlan:
    """The plan, and what each stack of fabric gives."""

    plan: CuttingPlan
    alike: tuple[AlikeCut, ...]


@dataclass(frozen=True)
class _Way:
    """One way to cut a piece of a kind: whole kits of some needs. `apart`: which need is left out,
    or is all there is; None for the whole kit."""

    kind: int
    group: int
    needs: tuple[int, ...]
    apart: int | None
    kits: int
    layout: Layout


def even_plan(pooled: CuttingPlan, watch: Watch) -> EvenPlan | None:
    """The even plan beside a pooled one; None where nearly all pieces are of different sizes.

    `watch` says how long a single piece may be thought about.
    """
    problem = pooled.problem
    kinds = _kinds(problem)
    if len(kinds) > _MOST_KINDS or not pooled.blocks or problem.in_sets:
        return None
    groups = _groups(problem)
    ways = [
        way
        for kind, fabrics in enumerate(kinds)
        for group, needs in enumerate(groups)
        for way in _ways(problem, (kind, fabrics[0]), (group, needs), watch)
    ]
    counts = [sum(fabric.count for fabric in fabrics) for fabrics in kinds]
    pieces = _share_out(problem, ways, counts, pooled.bound, Watch(watch.clock))
    layouts = tuple(_layouts(kinds, ways, pieces))
    plan = _claimed(replace(pooled, blocks=_made(problem, layouts), layouts=layouts))
    alike = (
        AlikeCut(kinds[w.kind][0], n, w.kits, tuple(problem.needs[need] for need in w.needs))
        for w, n in zip(ways, pieces, strict=True)
        if n
    )
    return EvenPlan(plan, tuple(alike))


def _kinds(problem: CuttingProblem) -> list[list[Fabric]]:
    found: dict[tuple[object, ...], list[Fabric]] = {}
    for fabric in problem.fabrics:
        if any(fabric.serves(need) for need in problem.needs):
            served = tuple(fabric.serves(need) for need in problem.needs)
            key = (fabric.width, fabric.length, fabric.directional, fabric.is_strip, served)
            found.setdefault(key, []).append(fabric)
    return list(found.values())


def _groups(problem: CuttingProblem) -> list[list[int]]:
    """The needs of each kit: of one role, or of roles that must come from one print."""
    together = [{*rule.roles} for rule in problem.rules if rule.same]
    apart = {rule.roles[0] for rule in problem.rules if not rule.same and len(rule.roles) == 1}
    found: dict[object, list[int]] = {}
    for number, need in enumerate(problem.needs):
        key: object = next((n for n, roles in enumerate(together) if need.role in roles), need.role)
        found.setdefault(number if need.role in apart else key, []).append(number)
    return list(found.values())


def _ways(
    problem: CuttingProblem,
    kind: tuple[int, Fabric],
    group: tuple[int, Sequence[int]],
    watch: Watch,
) -> Iterator[_Way]:
    place, fabric = kind
    number, needs = group
    if not all(fabric.serves(problem.needs[need]) for need in needs):
        needs = [need for need in needs if fabric.serves(problem.needs[need])]
    choices: list[tuple[int | None, list[int]]] = [(None, list(needs))]
    if 1 < len(needs) <= _MOST_SIZES_APART:
        for need in needs:
            choices.append((need, [other for other in needs if other != need]))
            choices.append((need, [need]))
    for apart, some in choices:
        found = _one_piece(problem, fabric, some, watch)
        if found is not None:
            yield _Way(place, number, tuple(some), apart, found.blocks, found.layouts[0])


def _one_piece(
    problem: CuttingProblem, fabric: Fabric, needs: Sequence[int], watch: Watch
) -> CuttingPlan | None:
    if not needs:
        return None
    wanted = tuple(problem.needs[need] for need in needs)
    one = CuttingProblem(wanted, (replace(fabric, count=1),))
    found = solve(one, watch.anew())
    return found if found.blocks else None


def _share_out(
    problem: CuttingProblem, ways: Sequence[_Way], counts: Sequence[int], bound: int, watch: Watch
) -> list[int]:
    """How many pieces are cut in each way: the most blocks, then the fewest pieces.

    Columns: blocks, pieces of each way, and for each kind, kit and size whether that size is cut
    apart (else all kits are whole).
    """
    numbers = WholeNumbers()
    blocks = numbers.number(most=bound, gain=sum(counts) + 1)
    pieces = [numbers.number(most=counts[way.kind], gain=-1) for way in ways]
    for number, need in enumerate(problem.needs):
        made = [
            (piece, way.kits * need.count)
            for piece, way in zip(pieces, ways, strict=True)
            if number in way.needs
        ]
        numbers.between(0, inf, [(blocks, -need.count), *made])
    for kind, count in enumerate(counts):
        of_kind = [(p, 1) for p, way in zip(pieces, ways, strict=True) if way.kind == kind]
        numbers.between(0, count, of_kind)
    _one_split_each(numbers, ways, pieces, counts)
    found, _ = numbers.solve(watch)
    return [found[piece] for piece in pieces]


def _one_split_each(
    numbers: WholeNumbers, ways: Sequence[_Way], pieces: Sequence[int], counts: Sequence[int]
) -> None:
    """Of a kind and a kit at most one size is cut apart, or none."""
    splits: dict[tuple[int, int], dict[int | None, list[int]]] = {}
    for piece, way in zip(pieces, ways, strict=True):
        of_kit = splits.setdefault((way.kind, way.group), {})
        of_kit.setdefault(way.apart, []).append(piece)
    for (kind, _), of_kit in splits.items():
        chosen = []
        for used in of_kit.values():
            yes = numbers.number(most=1)
            chosen.append((yes, 1))
            numbers.between(-inf, 0, [*((piece, 1) for piece in used), (yes, -counts[kind])])
        numbers.between(0, 1, chosen)


def _layouts(
    kinds: Sequence[Sequence[Fabric]], ways: Sequence[_Way], pieces: Sequence[int]
) -> Iterator[Layout]:
    """The pieces of each kind dealt out to its ways, print by print so that each way gets many."""
    for kind, fabrics in enumerate(kinds):
        left = {n: pieces[n] for n, way in enumerate(ways) if way.kind == kind and pieces[n]}
        dealt: Counter[tuple[int, int]] = Counter()
        for place in _one_of_each(fabrics):
            if not any(left.values()):
                break
            number = max(left, key=left.__getitem__)
            dealt[(place, number)] += 1
            left[number] -= 1
        for (place, number), copies in dealt.items():
            layout = ways[number].layout
            yield replace(layout, fabric=fabrics[place], copies=copies)


def _one_of_each(fabrics: Sequence[Fabric]) -> Iterator[int]:
    """Places of fabrics, one piece of each in turn, until all pieces were named."""
    left = [fabric.count for fabric in fabrics]
    while any(left):
        for place, count in enumerate(left):
            if count:
                left[place] -= 1
                yield place


def _made(problem: CuttingProblem, layouts: Iterable[Layout]) -> int:
    """Blocks for which there are pieces enough, whatever their prints."""
    made = dict.fromkeys(problem.needs, 0)
    for layout in layouts:
        for cut in layout.cuts:
            made[cut.need] += layout.copies
    return min(count // need.count for need, count in made.items())


def _claimed(plan: CuttingPlan) -> CuttingPlan:
    """The plan with as many blocks as the checker lets it claim."""
    low, high = 0, min(plan.blocks, plan.bound)
    while low < high:
        middle = (low + high + 1) // 2
        if faults(replace(plan, blocks=middle)):
            high = middle - 1
        else:
            low = middle
    return replace(plan, blocks=low)
