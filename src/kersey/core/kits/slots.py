"""The slots of a block, and how many of them each print fills in all the blocks.

slot    pieces of a block that come from one print: those that a rule binds together, else one
sort    slots alike, that one block has a number of
clash   sorts that share no print within a block
quota   how many slots of a sort a print fills in all the blocks together

An integer programme finds the quotas, so that the rules can be kept in every block.
"""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import inf

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.print_rules import Reading
from kersey.core.cutting.problem import CuttingProblem
from kersey.core.cutting.watch import Watch

# All quotas are found within so much work; they never take a tenth of it.
_ALL_QUOTAS = 5.0


@dataclass(frozen=True)
class Sort:
    """Slots alike: how many a block has, and which needs one of them fills, how often each."""

    times: int
    needs: tuple[tuple[int, int], ...]


@dataclass(frozen=True)
class Free:
    """A sort whose prints may repeat, only not be that of the part it must differ from."""

    sort: int
    part: int


@dataclass(frozen=True)
class Slots:
    """The slots of a block, and which of them share no print: by their places."""

    sorts: tuple[Sort, ...]
    clashes: tuple[tuple[int, ...], ...] = ()
    free: tuple[Free, ...] = ()


def all_different(problem: CuttingProblem, rules: Reading) -> Slots:
    """Every piece from another print, but those that a rule binds together."""
    bound = [part for part in rules.parts if part.times == 1 and _several(part.needs)]
    taken = {n for part in bound for n, _ in part.needs}
    sorts = [Sort(1, part.needs) for part in bound]
    sorts += [Sort(need.count, ((n, 1),)) for n, need in enumerate(problem.needs) if n not in taken]
    return Slots(tuple(sorts), (tuple(range(len(sorts))),))


def _several(needs: Sequence[tuple[int, int]]) -> bool:
    return sum(count for _, count in needs) > 1


def as_the_rules_ask(problem: CuttingProblem, rules: Reading) -> Slots:
    """Slots as the rules of the block bind them, and no more."""
    sorts = [Sort(part.times, part.needs) for part in rules.parts]
    free_sorts: list[list[int]] = []
    for role in rules.free:
        free_sorts.append(list(range(len(sorts), len(sorts) + len(role.needs))))
        sorts += [Sort(count, ((n, 1),)) for n, count in role.needs]
    ruled = {n for sort in sorts for n, _ in sort.needs}
    sorts += [Sort(need.count, ((n, 1),)) for n, need in enumerate(problem.needs) if n not in ruled]
    free = [
        Free(sort, part)
        for clash in rules.clashes
        for part in clash.parts
        for role in clash.free
        for sort in free_sorts[role]
    ]
    return Slots(tuple(sorts), tuple(clash.parts for clash in rules.clashes), tuple(free))


def quotas_of(
    slots: Slots, made: Mapping[str, Counter[int]], blocks: int
) -> list[dict[str, int]] | None:
    """How many slots of each sort each print fills; None where the rules cannot be kept.

    Where prints may repeat, as few as can be are drawn oftener than there are blocks.
    """
    numbers = WholeNumbers()
    drawn: list[dict[str, int]] = []
    for sort in slots.sorts:
        most = {name: min(n_made[n] // c for n, c in sort.needs) for name, n_made in made.items()}
        drawn.append({name: numbers.number(most=n) for name, n in most.items() if n})
        wanted = sort.times * blocks
        numbers.between(wanted, wanted, [(number, 1) for number in drawn[-1].values()])
    for clash in slots.clashes:
        for name in made:
            numbers.between(0, blocks, [(drawn[s][name], 1) for s in clash if name in drawn[s]])
    for name in made:
        _bind_free(slots, numbers, drawn, name, blocks)
        repeats = numbers.number(gain=-1.0)
        every = [(by[name], 1) for by in drawn if name in by]
        numbers.between(-inf, blocks, [*every, (repeats, -1)])
    found, _ = numbers.solve(Watch(_ALL_QUOTAS))
    if not any(found):
        return None
    quotas = [{name: found[n] for name, n in by.items() if found[n]} for by in drawn]
    # A sort that shares no print is drawn from all there is: so what stays over is spread too.
    there = [
        {name: min(n_made[n] // c for n, c in sort.needs) for name, n_made in made.items()}
        for sort in slots.sorts
    ]
    for together in sorts_apart(slots, there):
        if len(together) == 1:
            quotas[together[0]] = there[together[0]]
    return quotas


def _bind_free(
    slots: Slots, numbers: WholeNumbers, drawn: Sequence[Mapping[str, int]], name: str, blocks: int
) -> None:
    """A print serves a free role only in blocks that do not draw it for the part it must differ
    from, and then with as many pieces as those blocks take."""
    for free in slots.free:
        if name in drawn[free.sort]:
            times = slots.sorts[free.sort].times
            part = drawn[free.part].get(name)
            against = [] if part is None else [(part, float(times))]
            numbers.between(-inf, times * blocks, [(drawn[free.sort][name], 1), *against])


def sorts_apart(slots: Slots, quotas: Sequence[Mapping[str, int]]) -> list[list[int]]:
    """Sorts of slots in groups that share no print."""
    apart: list[tuple[list[int], set[str]]] = []
    for sort in range(len(slots.sorts)):
        together, prints = [sort], {name for name, count in quotas[sort].items() if count}
        for group in [g for g in apart if g[1] & prints]:
            apart.remove(group)
            together, prints = [*group[0], *together], prints | group[1]
        apart.append((together, prints))
    return [together for together, _ in apart]
