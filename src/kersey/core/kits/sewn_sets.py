"""The strip sets that the strips of a plan are sewn into, and the kits of what is cut from them."""

from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from fractions import Fraction
from random import Random

from kersey.core.cloth.forms import Form
from kersey.core.cutting.kinds.strip_sets import sets_of_strips
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need, StripSet
from kersey.core.kits.pieces import slots_of
from kersey.core.project.kept_plan import Kit
from kersey.core.yields.by_hand import groups

# Equal stacks are taken in an order that varies, so that the same companions do not keep meeting;
# the order must be the same each time, or the sets would change whenever they are drawn.
_SHUFFLE = 7

# For each need of a problem its strips that wait to be sewn, by their prints: names of fabrics.
_Stacks = list[dict[str, list[str]]]
# What is crosscut from a set: of each of its needs, by its place, the fabrics of the strips.
Segment = tuple[tuple[int, Kit], ...]


@dataclass(frozen=True)
class SewnSet:
    """A strip set of a plan: its kind, the fabrics of its strips in the order of the kind's needs,
    and how many pieces it is crosscut into, `to_and_fro` where that is on the slant."""

    kind: int
    strips: Kit
    segments: int
    to_and_fro: bool = False


def strip_sets(plan: CuttingPlan, deal: int = 0) -> list[SewnSet]:
    """The sets that the strips of a plan are sewn into.

    Sets are drawn from the longest strips first, as many as can be; what is left of those goes into
    the sets of the next length. Where there are several kinds, or that gives too few, the search
    that found the plan says how many of each.
    """
    kinds = plan.problem.kinds_of_sets
    if len(kinds) > 1:
        return _drawn_sets(plan, deal, _sets_by_length(plan))
    found = _drawn_sets(plan, deal, None)
    if sum(each.segments for each in found) >= plan.blocks * kinds[0].pieces:
        return found
    return _drawn_sets(plan, deal, _sets_by_length(plan))


def _drawn_sets(
    plan: CuttingPlan, deal: int, how_many: dict[tuple[int, int], int] | None
) -> list[SewnSet]:
    """Sets as many of each kind and number of segments as is said, or as can be."""
    problem, shuffle = plan.problem, Random(_SHUFFLE + deal)
    prints = {fabric.name: fabric.print for fabric in problem.fabrics}
    waiting = _strips_cut(plan)
    stacks: _Stacks = [{} for _ in problem.needs]
    # Shorter strips of a print wait for the later sets: whoever has most of both gives first.
    shorter = Counter(prints[name] for names in waiting.values() for name in names)
    found: list[SewnSet] = []
    for length in sorted({length for _, length in waiting}, reverse=True):
        for place, need in enumerate(problem.needs):
            for name in waiting.get((need, length), ()):
                stacks[place].setdefault(prints[name], []).append(name)
                shorter[prints[name]] -= 1
        for number, kind in enumerate(problem.kinds_of_sets):
            most = _most(stacks, kind, problem)
            sets = most if how_many is None else how_many.get((number, length), 0)
            slanted = any(problem.needs[place].first for place, _ in kind.strips)
            for _ in range(sets):
                strips = _one_set(stacks, kind, problem, shuffle, shorter)
                found.append(SewnSet(number, strips, length, slanted))
    return found


def kits_of_sets(plan: CuttingPlan, deal: int) -> tuple[Kit, ...]:
    """Kits of blocks that are crosscut from strip sets: those of one set are alike.

    Of every kind of set each block takes as many pieces as it needs, one after the other; its
    pieces are numbered in that order.
    """
    problem, crosscut = plan.problem, _all_crosscut(plan, deal)
    kits = []
    for block in range(plan.blocks):
        by_need: list[list[str]] = [[] for _ in problem.needs]
        for pieces, kind in zip(crosscut, problem.kinds_of_sets, strict=True):
            for piece in pieces[block * kind.pieces : (block + 1) * kind.pieces]:
                for need, names in piece:
                    by_need[need].extend(names)
        kit = tuple(name for names in by_need for name in names)
        if len(kit) == len(slots_of(problem)):
            kits.append(kit)
    return tuple(kits)


def segments_over(plan: CuttingPlan, deal: int, kits: Iterable[Kit]) -> list[tuple[int, Segment]]:
    """What is crosscut from the sets and lies in none of these kits: its kind of set, and what it
    shows. Nothing is said where the kits are not those of the sets."""
    waiting = Counter(kits)
    found: list[tuple[int, Segment]] = []
    used = set[int]()
    for block, kit in enumerate(kits_of_sets(plan, deal)):
        if waiting[kit]:
            waiting[kit] -= 1
            used.add(block)
    if waiting.total():
        return []
    for number, pieces in enumerate(_all_crosscut(plan, deal)):
        each = plan.problem.kinds_of_sets[number].pieces
        found += [(number, tuple(piece)) for n, piece in enumerate(pieces) if n // each not in used]
    return found


def _all_crosscut(plan: CuttingPlan, deal: int) -> list[list[list[tuple[int, Kit]]]]:
    """All that comes off the sets of each kind, one after the other."""
    sewn = strip_sets(plan, deal)
    return [
        [piece for each in sewn if each.kind == number for piece in _crosscut(each, kind)]
        for number, kind in enumerate(plan.problem.kinds_of_sets)
    ]


def _strips_cut(plan: CuttingPlan) -> dict[tuple[Need, int], list[str]]:
    """The strips of a plan by what they are for and how many segments they give: their fabrics."""
    waiting: dict[tuple[Need, int], list[str]] = {}
    for layout in plan.layouts:
        for cut in layout.cuts:
            of_it = waiting.setdefault((cut.need, cut.segments), [])
            of_it.extend([layout.fabric.name] * layout.copies)
    return waiting


def _crosscut(sewn: SewnSet, kind: StripSet) -> Iterator[list[tuple[int, Kit]]]:
    """The pieces that come off a set: of each need the fabrics of its strips.

    Cut to and fro, every other piece shows the strips the other way round.
    """
    strips, places = list(sewn.strips), []
    for need, count in kind.strips:
        places.append((need, tuple(strips[:count])))
        del strips[:count]
    for number in range(sewn.segments):
        back = sewn.to_and_fro and number % 2
        yield [(need, names[::-1] if back else names) for need, names in places]


def _alike(problem: CuttingProblem, need: Need) -> bool:
    return any(rule.same and need.role in rule.roles for rule in problem.rules)


def _most(stacks: _Stacks, kind: StripSet, problem: CuttingProblem) -> int:
    """How many sets can be drawn from stacks of strips, as the rules ask."""
    most = []
    for place, size in kind.strips:
        counts, role = [len(stack) for stack in stacks[place].values()], problem.needs[place].role
        if _alike(problem, problem.needs[place]):
            most.append(sum(count // size for count in counts))
        else:
            differ = any(role in rule.roles for rule in problem.rules)
            most.append(groups(counts, size, differ))
    return min(most)


def _sets_by_length(plan: CuttingPlan) -> dict[tuple[int, int], int]:
    """Sets of each kind and number of segments, by the search."""
    problem = plan.problem
    strips: Counter[tuple[str, Need, Fraction]] = Counter()
    for layout in plan.layouts:
        for cut in layout.cuts:
            strips[layout.fabric.print, cut.need, max(cut.width, cut.length)] += layout.copies
    fabrics = tuple(
        Fabric(
            str(number), name, need.width, length, count, frozenset({need.role}), True, Form.STRIP
        )
        for number, ((name, need, length), count) in enumerate(strips.items())
    )
    drawn = sets_of_strips(replace(problem, fabrics=fabrics))
    found: Counter[tuple[int, int]] = Counter()
    for key, count in drawn.items():
        found[key.kind, key.segments] += count
    for kind, length in found:
        found[kind, length] //= sum(n for _, n in problem.kinds_of_sets[kind].strips)
    return found


def _one_set(
    stacks: _Stacks, kind: StripSet, problem: CuttingProblem, shuffle: Random, shorter: Counter[str]
) -> Kit:
    """The strips of a set, taken off their stacks."""
    return tuple(
        name
        for place, count in kind.strips
        for name in _drawn(
            stacks[place], count, _alike(problem, problem.needs[place]), shuffle, shorter
        )
    )


def _drawn(
    stacks: dict[str, list[str]], size: int, alike: bool, shuffle: Random, shorter: Counter[str]
) -> list[str]:
    if alike:
        fullest = max(stacks, key=lambda name: len(stacks[name]))
        return [stacks[fullest].pop(0) for _ in range(size)]
    order = sorted(stacks, key=lambda name: (-len(stacks[name]) - shorter[name], shuffle.random()))
    picked = [name for name in order if stacks[name]][:size]
    while len(picked) < size:
        picked.append(max(order, key=lambda name: len(stacks[name]) - picked.count(name)))
    return [stacks[name].pop(0) for name in picked]
