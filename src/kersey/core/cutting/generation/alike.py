"""The most blocks when fabric is cut alike: so many pieces of a sort in one layout, the rest in one
other.

sort    pieces of fabric alike in size, turn, and the needs they may serve, whatever their prints
stack   pieces of a sort that are all cut alike

A stack is to the search one piece of fabric of which every piece cut counts as often as there are
layers. How a sort is split into its two stacks is tried, each split by a search of its own. Pieces
that must come from one print are counted in whole parts a print where every print of a sort has as
many pieces, and lies with as many in each stack; else in whole parts a piece of fabric, so that the
prints of the stack do not matter.
"""

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from itertools import product

from kersey.core.cutting.generation.bring_in import generate
from kersey.core.cutting.generation.parts import Layers, parts_of
from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.generation.search import (
    need_sizes,
    programme_of,
    unit_of_needs,
    whole_blocks,
)
from kersey.core.cutting.patterns import Kind, Pattern
from kersey.core.cutting.print_rules import Part, Reading
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.scale import in_units
from kersey.core.cutting.watch import Watch

# So many ways to split all sorts are tried one by one; of more, one sort after the other.
_FEW_SPLITS = 48
_MOST_SPLITS = 14


@dataclass(frozen=True)
class AlikeStack:
    """So many pieces of a sort, by its place, that are cut alike."""

    sort: int
    pieces: int
    # Of so many prints, each in as many pieces; 0 where they are not so even.
    prints: int = 0


@dataclass(frozen=True)
class CutAlike:
    """So many blocks from stacks cut each in one pattern; no more than `bound` can be had so."""

    blocks: int
    bound: int
    stacks: tuple[tuple[AlikeStack, Pattern], ...] = ()


def most_alike(
    problem: CuttingProblem, sorts: Sequence[Sequence[Fabric]], bound: int, watch: Watch
) -> CutAlike:
    """The most blocks from fabric cut alike, print rules that prints must differ left aside.

    `bound` is that of any plan. The watch says how long all of it may take.
    """
    counts = [sum(fabric.count for fabric in fabrics) for fabrics in sorts]
    together = any(rule.same for rule in problem.rules)
    even_prints = [_even_prints(fabrics) if together else 0 for fabrics in sorts]
    tried: dict[tuple[int, ...], int] = {}
    best = CutAlike(0, bound)

    def attempt(split: tuple[int, ...]) -> None:
        nonlocal best
        # What meets the bound of any plan at all cannot be beaten by another split.
        if split in tried or watch.left <= 0 or best.blocks >= bound:
            return
        stacks = list(_stacks(counts, split, even_prints))
        found = _search(problem, sorts, stacks, (best.blocks, bound), watch)
        tried[split] = found.bound
        if found.blocks > best.blocks:
            best = found

    every = [_splits(count, prints) for count, prints in zip(counts, even_prints, strict=True)]
    complete = all(whole for _, whole in every)
    choices = [splits for splits, _ in every]
    all_splits = 1
    for splits in choices:
        all_splits *= len(splits)
    if all_splits <= _FEW_SPLITS:
        for split in product(*choices):
            attempt(split)
        # What was not looked at, no work was left for; looked at and ruled out, what bounds say.
        complete = complete and len(tried) == all_splits
    else:
        complete = False
        _one_after_the_other(choices, attempt, lambda: best)
    if best.blocks >= bound:
        return best
    # Once every split was looked at, the best of their bounds holds for all of them together.
    limit = max(tried.values(), default=bound) if complete else bound
    return CutAlike(best.blocks, max(best.blocks, min(bound, limit)), best.stacks)


def _one_after_the_other(
    choices: Sequence[Sequence[int]],
    attempt: Callable[[tuple[int, ...]], None],
    best: Callable[[], CutAlike],
) -> None:
    """Every split of one sort while the others stay as they are best, until nothing gets better."""
    # The first split of each sort has all of it in one stack: often the best.
    now = [splits[0] for splits in choices]
    attempt(tuple(now))
    while True:
        before = best().blocks
        for place, splits in enumerate(choices):
            for second in splits:
                had = best().blocks
                attempt((*now[:place], second, *now[place + 1 :]))
                if best().blocks > had:
                    now[place] = second
        if best().blocks == before:
            return


def _even_prints(fabrics: Sequence[Fabric]) -> int:
    """How many prints a sort has, if each has as many pieces and more than one; else 0."""
    counts = Counter[str]()
    for fabric in fabrics:
        counts[fabric.print] += fabric.count
    each = set(counts.values())
    return len(counts) if len(each) == 1 and each != {1} else 0


def _splits(count: int, prints: int) -> tuple[list[int], bool]:
    """How many pieces of a sort lie in the second stack, none first; and whether that is all."""
    # The two stacks can be told apart only by their sizes: the second is never the larger. Prints
    # in even numbers stay even if each gives as many pieces to it.
    every = list(range(0, count // 2 + 1, max(1, prints)))
    if len(every) <= _MOST_SPLITS:
        return every, True
    # Small second stacks take what does not come out even; of large ones a few are tried.
    shares = {round(len(every) * share / 6) for share in range(6)}
    return [every[n] for n in sorted({0, 1, 2, 3, 4, *shares})], False


def _stacks(
    counts: Sequence[int], split: Sequence[int], even_prints: Sequence[int]
) -> Iterator[AlikeStack]:
    for sort, (count, second) in enumerate(zip(counts, split, strict=True)):
        yield AlikeStack(sort, count - second, even_prints[sort])
        if second:
            yield AlikeStack(sort, second, even_prints[sort])


def _layers(stacks: Sequence[AlikeStack]) -> Iterator[Layers]:
    """What each stack stands for: of prints in even numbers, or of pieces of which none is like."""
    for place, stack in enumerate(stacks):
        # Both stacks of a sort hold the same prints: they are one group, named by the first.
        if stack.prints:
            group = next(n for n, other in enumerate(stacks) if other.sort == stack.sort)
            yield Layers(stack.pieces, group, stack.prints, stack.pieces // stack.prints)
        else:
            yield Layers(stack.pieces, place, stack.pieces, 1)


def _search(
    problem: CuttingProblem,
    sorts: Sequence[Sequence[Fabric]],
    stacks: Sequence[AlikeStack],
    between: tuple[int, int],
    watch: Watch,
) -> CutAlike:
    """More blocks than the first number, at most the second, from these stacks."""
    had, most = between
    parts = parts_of(problem, _together(problem), layers=tuple(_layers(stacks)))
    kinds = [_kind(problem, sorts[s.sort][0], place) for place, s in enumerate(stacks)]
    if not parts.possible(kinds):
        return CutAlike(0, 0)
    brief = Watch(watch.left)
    pricer = Pricer(need_sizes(problem), kinds, brief)
    programme = programme_of(parts, kinds, pricer, brief)
    bound = min(most, generate(programme, pricer, brief))
    blocks, cuts = 0, list[tuple[int, Pattern]]()
    # A linear bound that beats nothing saves the search in whole numbers.
    if bound > had:
        bound, blocks, cuts = whole_blocks(programme, pricer, bound, brief, briefly=False)
    watch.spend(brief.spent)
    found = tuple((stacks[kind], pattern) for kind, pattern in cuts)
    return CutAlike(blocks, max(blocks, bound), found)


def _together(problem: CuttingProblem) -> Reading:
    """Only which pieces come from one print: those of a group are counted in whole parts."""
    groups: list[set[str]] = []
    for rule in problem.rules:
        # Rules that share a role say of all their roles that they are of one print.
        if rule.same:
            roles = set(rule.roles).union(*(g for g in groups if g & set(rule.roles)))
            groups = [*(g for g in groups if not g & roles), roles]
    parts = []
    for group in groups:
        needs = tuple((n, need.count) for n, need in enumerate(problem.needs) if need.role in group)
        if needs:
            parts.append(Part(frozenset(group), needs))
    return Reading(tuple(parts), (), (), exact=True, contradictory=False)


def _kind(problem: CuttingProblem, fabric: Fabric, place: int) -> Kind:
    unit = unit_of_needs(problem)
    return Kind(
        in_units(fabric.width, unit),
        in_units(fabric.length, unit),
        1,
        tuple(n for n, need in enumerate(problem.needs) if fabric.serves(need)),
        place,
        fabric.directional,
        fabric.is_strip,
    )
