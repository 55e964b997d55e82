"""The even plan: every fabric of a role is cut alike, so that layers stack and prints spread.

sort    pieces of fabric alike in size, turn, and the needs they may serve, whatever their prints
stack   pieces of a sort that are all cut alike; a sort lies in one stack, or in two

Where needs share no fabric (light logs and dark) each is searched for by itself; the scarcest says
how many blocks there are, and of the others no more is cut than those need. That prints must differ
is judged at the end: the plan claims only the blocks that the checker lets it claim.
Source: docs/trade.md section 4.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from kersey.core.cutting.checker import claimed
from kersey.core.cutting.generation.alike import AlikeStack, CutAlike, most_alike
from kersey.core.cutting.interchange import merged, named_again
from kersey.core.cutting.layout import lay_out_pattern
from kersey.core.cutting.patterns import Pattern, Strip
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.separate import separate
from kersey.core.cutting.watch import Watch

# Where nearly every piece is of another size, nothing can be stacked.
_MOST_SORTS = 12


@dataclass(frozen=True)
class AlikeCut:
    """`pieces` of a sort are cut alike: what each gives, in numbers of each need."""

    fabric: Fabric
    pieces: int
    gives: tuple[tuple[Need, int], ...]

    @property
    def kits(self) -> int | None:
        """How many sets of pieces it gives, if that is just what it gives; else None."""
        each = {count / need.count for need, count in self.gives}
        whole = each.pop() if len(each) == 1 else 0.5
        return int(whole) if whole == int(whole) else None


@dataclass(frozen=True)
class EvenPlan:
    """The plan, and what each stack of fabric gives. Its bound is that of plans cut alike."""

    plan: CuttingPlan
    alike: tuple[AlikeCut, ...]


@dataclass(frozen=True)
class _Part:
    """A part of the problem with its sorts, and how it is cut alike."""

    problem: CuttingProblem
    sorts: list[list[Fabric]]
    cut: CutAlike


def even_plan(pooled: CuttingPlan, watch: Watch, most: int | None = None) -> EvenPlan | None:
    """The even plan beside a pooled one; None where nearly all pieces are of different sizes.

    `watch` says how long it may take. No more is cut than `most` blocks need, if so many are given.
    """
    problem = pooled.problem
    if len(_sorts(problem)) > _MOST_SORTS or not pooled.blocks or problem.strip_sets:
        return None
    fewer_needs, stands_for = merged(problem)
    parts = list(_searched(fewer_needs, pooled.bound // problem.batch, watch))
    bound = min(part.cut.bound for part in parts)
    # Sets of pieces, as everywhere within the search.
    sets = min(part.cut.blocks for part in parts)
    if most is not None:
        sets = min(sets, problem.batches(most))
    alike: list[AlikeCut] = []
    layouts: list[Layout] = []
    for part in parts:
        for stack, pattern in _thrifty(part, sets):
            layout = lay_out_pattern(part.problem, part.sorts[stack.sort][0], pattern)
            gives = Counter(cut.need for cut in layout.cuts)
            alike.append(AlikeCut(layout.fabric, stack.pieces, tuple(gives.items())))
            layouts.extend(_dealt(part, stack, layout, layouts))
    plan = named_again(problem, CuttingPlan(fewer_needs, sets, bound, tuple(layouts)), stands_for)
    each = problem.batch
    return EvenPlan(claimed(replace(plan, blocks=sets * each, bound=bound * each)), tuple(alike))


def _searched(problem: CuttingProblem, bound: int, watch: Watch) -> Iterator[_Part]:
    """Each part of the problem cut alike: of the scarcer ones no more than the others give."""
    parts = separate(problem)
    for place, part in enumerate(parts):
        share = Watch(watch.left / (len(parts) - place))
        sorts = _sorts(part)
        cut = most_alike(part, sorts, bound, share)
        watch.spend(share.spent)
        bound = min(bound, cut.bound)
        yield _Part(part, sorts, cut)


def _sorts(problem: CuttingProblem) -> list[list[Fabric]]:
    found: dict[tuple[object, ...], list[Fabric]] = {}
    for fabric in problem.fabrics:
        if any(fabric.serves(need) for need in problem.needs):
            served = tuple(fabric.serves(need) for need in problem.needs)
            key = (fabric.width, fabric.length, fabric.directional, fabric.is_strip, served)
            found.setdefault(key, []).append(fabric)
    return list(found.values())


def _thrifty(part: _Part, blocks: int) -> list[tuple[AlikeStack, Pattern]]:
    """The stacks without what so many blocks do not need: whole layers first, then pieces.

    Of pieces that must come from one print nothing is left out.
    """
    stacks = list(part.cut.stacks)
    ruled = {role for rule in part.problem.rules if rule.same for role in rule.roles}
    spare = [
        0
        if need.role in ruled
        else sum(_given(n, p) * s.pieces for s, p in stacks) - blocks * need.count
        for n, need in enumerate(part.problem.needs)
    ]
    kept = []
    for stack, pattern in sorted(stacks, key=lambda item: item[0].pieces):
        each = [_given(n, pattern) for n in range(len(spare))]
        layers = min((spare[n] // given for n, given in enumerate(each) if given), default=0)
        layers = min(layers, stack.pieces)
        spare = [there - layers * given for there, given in zip(spare, each, strict=True)]
        smaller = replace(stack, pieces=stack.pieces - layers)
        strips = []
        for strip in pattern.strips if smaller.pieces else ():
            pieces = []
            for need, turned in strip.pieces:
                if spare[need] >= smaller.pieces:
                    spare[need] -= smaller.pieces
                else:
                    pieces.append((need, turned))
            if pieces:
                strips.append(Strip(strip.breadth, tuple(pieces)))
        if strips:
            kept.append((smaller, Pattern(pattern.along, tuple(strips))))
    return kept


def _given(need: int, pattern: Pattern) -> int:
    return sum(piece == need for strip in pattern.strips for piece, _ in strip.pieces)


def _dealt(
    part: _Part, stack: AlikeStack, layout: Layout, before: Sequence[Layout]
) -> Iterator[Layout]:
    """The layers of a stack dealt out to the fabrics of its sort, a print at a time."""
    fabrics = part.sorts[stack.sort]
    taken = Counter(each.fabric.name for each in before for _ in range(each.copies))
    left = {fabric.name: fabric.count - taken[fabric.name] for fabric in fabrics}
    copies: Counter[str] = Counter()
    for name in _one_of_each(left, stack.pieces):
        copies[name] += 1
    for fabric in fabrics:
        if copies[fabric.name]:
            yield replace(layout, fabric=fabric, copies=copies[fabric.name])


def _one_of_each(left: dict[str, int], pieces: int) -> Iterator[str]:
    """So many pieces, one of each fabric in turn; of a fabric with more left, sooner."""
    left = dict(left)
    while pieces:
        for name in sorted(left, key=lambda name: -left[name]):
            if pieces and left[name]:
                left[name] -= 1
                pieces -= 1
                yield name
