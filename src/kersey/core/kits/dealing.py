"""Kits: every piece that a plan cuts is dealt to a block.

slot    pieces of a block that come from one print (`slots`), and their quotas
tight   a print that has as many slots left as there are blocks left: each block must take one

First the quotas: an integer programme finds how many slots each print fills, so that the rules can
be kept. Where no print has to fill two slots of one block, all prints of every block can differ
(an edge colouring of prints and slots, by König's theorem); that is tried first, and the rules
alone if it cannot be. Then block after block takes what its slots need: every tight print, and of
the others those that have most left, so that prints are used evenly. Because tight prints are
always taken, no block is left with a choice that breaks a rule.

Sorts of slots that share no print are dealt apart; one sort alone needs no programme: pieces are
drawn from the tallest stacks.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from math import inf
from random import Random

from kersey.core.blocks.whole_piece import WholePiece
from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.print_rules import read_rules
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Need
from kersey.core.cutting.watch import Watch
from kersey.core.errors import Infeasible
from kersey.core.kits.pieces import pieces_made, slots_of
from kersey.core.kits.sewn_sets import kits_of_sets
from kersey.core.kits.slots import (
    Free,
    Slots,
    all_different,
    as_the_rules_ask,
    quotas_of,
    sorts_apart,
)
from kersey.core.measure.counting import counted
from kersey.core.project.design import KitWish
from kersey.core.project.kept_plan import Kit

# Equal stacks are taken in an order that varies, so that the same companions do not keep meeting;
# the order must be the same each time, or the kits would change whenever they are dealt.
_SHUFFLE = 7
# What a print twice in a block costs, beside what it gains to take of the fullest.
_TWICE, _FULLEST, _WISHED, _CHANCE = 8.0, 1.0, 4.0, 0.2
# Of more prints than this not all are looked at for every block; but so many of the fullest.
_MANY, _ENOUGH = 24, 12
# A block is dealt within so much work; it never takes a tenth of it.
_A_BLOCK = 2.0


class CannotBeDealt(Infeasible):
    """The pieces of a plan cannot be dealt out as its rules ask."""

    def __init__(self, blocks: int) -> None:
        super().__init__(
            f"There aren't enough different prints to follow the rules in "
            f"{counted(blocks, 'block')}."
        )


@dataclass(frozen=True)
class Dealt:
    """A kit for each block; `unmet` says why a wish could not be met, if it could not."""

    kits: tuple[Kit, ...]
    unmet: str = ""


@dataclass(frozen=True)
class Wished:
    """How prints are to go together. `families` names the colour family of each print."""

    how: KitWish = KitWish.DIFFERENT
    families: Mapping[str, str] = field(default_factory=dict)
    deal: int = 0


AS_THEY_COME = Wished()


def deal(
    plan: CuttingPlan, wished: Wished = AS_THEY_COME, pinned: Mapping[int, Kit] | None = None
) -> Dealt:
    """A kit for every block of a plan; the same question gives the same kits.

    `pinned` kits, by the number of their block, stay as they are. Raises `CannotBeDealt`.
    """
    if plan.problem.strip_sets:
        return _finished(plan, kits_of_sets(plan, wished.deal), wished)
    if plan.problem.batch > 1:
        return _in_batches(plan, wished, pinned or {})
    held = dict(pinned or {})
    by_print = _by_print(plan, _left_of(plan, held))
    blocks = [n for n in range(plan.blocks) if n not in held]
    dealt = _by_rules(plan.problem, by_print, len(blocks), wished)
    named = _named(plan, _left_of(plan, held), dealt)
    kits = held | dict(zip(blocks, named, strict=True))
    return _finished(plan, tuple(kits[n] for n in range(plan.blocks)), wished)


def _in_batches(plan: CuttingPlan, wished: Wished, pinned: Mapping[int, Kit]) -> Dealt:
    """Blocks that come of one set of pieces have one kit."""
    each, problem = plan.problem.batch, replace(plan.problem, batch=1)
    sets = replace(plan, problem=problem, blocks=plan.problem.batches(plan.blocks))
    dealt = deal(sets, wished, {number // each: kit for number, kit in pinned.items()})
    return replace(dealt, kits=tuple(dealt.kits[n // each] for n in range(plan.blocks)))


def laid_in_order(piece: WholePiece) -> Kit:
    """The one kit of a whole piece, in the order in which its strips lie in it."""
    plan = piece.plan
    if piece.block.known is None or piece.block.known.laid is None:
        return deal(plan).kits[0]
    prints = {fabric.name: fabric.print for fabric in plan.problem.fabrics}
    made = pieces_made(plan)
    # A plan may cut more pieces than the whole piece takes: the last of each need stay out.
    # Fabrics in the order in which they are pulled, need by need.
    waiting = [
        [name for name in prints for _ in range(made.get(name, Counter[Need]())[need])][
            : need.count
        ]
        for need in plan.problem.needs
    ]
    names = [name for of_it in waiting for name in of_it]
    order = piece.block.known.laid([prints[name] for name in names], piece.block.all_options)
    return tuple(names[number] for number in order)


# What one block takes: by sort of slot, how many of each print.
_Taken = list[dict[str, int]]


def _by_rules(
    problem: CuttingProblem, made: Mapping[str, Counter[int]], blocks: int, wished: Wished
) -> list[_Taken]:
    """What each block takes, need by need; all prints of a block differ if that can be."""
    if not blocks:
        return []
    rules = read_rules(problem)
    # Different prints wherever they can be, first; what the rules ask alone, where they cannot.
    tries = [as_the_rules_ask(problem, rules)]
    if wished.how is KitWish.DIFFERENT:
        tries.insert(0, all_different(problem, rules))
    for slots in tries:
        quotas = quotas_of(slots, made, blocks)
        if quotas is not None:
            dealer = _Dealer(problem, slots, quotas, blocks, wished)
            return [dealer.next_block(left) for left in range(blocks, 0, -1)]
    raise CannotBeDealt(blocks)


class _Dealer:
    """Deals block after block; what is left of the quotas grows less."""

    def __init__(
        self,
        problem: CuttingProblem,
        slots: Slots,
        quotas: list[dict[str, int]],
        blocks: int,
        wished: Wished,
    ) -> None:
        self._problem, self._slots, self._left = problem, slots, quotas
        self._wished = wished
        self._shuffle = Random(_SHUFFLE + wished.deal)
        self._apart = sorts_apart(slots, quotas)
        self._partner: dict[str, str] = {}

    def next_block(self, blocks_left: int) -> _Taken:
        """What the next of so many blocks takes of each need."""
        taken: _Taken = [{} for _ in self._slots.sorts]
        leading = self._leading()
        # Sorts that share no print cannot stand in each other's way: each is dealt by itself.
        for together in self._apart:
            if len(together) == 1 and self._wished.how in (KitWish.DIFFERENT, KitWish.BAG):
                taken[together[0]] = self._drawn(together[0], blocks_left)
            else:
                for sort, prints in self._chosen(together, blocks_left, leading).items():
                    taken[sort] = prints
        for sort, prints in enumerate(taken):
            for name, count in prints.items():
                self._left[sort][name] -= count
        return self._need_by_need(taken)

    def _drawn(self, sort: int, blocks_left: int) -> dict[str, int]:
        """From the tallest stacks; while different prints can be drawn at all, that never runs
        into a dead end."""
        left, size = self._left[sort], self._slots.sorts[sort].times
        order = sorted(left, key=lambda name: (-left[name], self._shuffle.random()))
        drawn = Counter(name for name in order[:size] if left[name])
        # Fewer prints than slots: the tallest stack gives once more.
        while drawn.total() < size:
            drawn[max(order, key=lambda name: left[name] - drawn[name])] += 1
        return dict(drawn)

    def _chosen(
        self, together: Sequence[int], blocks_left: int, leading: Mapping[str, str]
    ) -> dict[int, dict[str, int]]:
        """The best choice for sorts that share prints, by an integer programme."""
        total: Counter[str] = Counter()
        for sort in together:
            total.update({name: n for name, n in self._left[sort].items() if n})
        for prints in self._looked_at(together, total, blocks_left):
            chosen = self._chosen_of(prints, together, total, blocks_left, leading)
            if chosen:
                return chosen
        raise CannotBeDealt(blocks_left)

    def _looked_at(
        self, together: Sequence[int], total: Mapping[str, int], blocks_left: int
    ) -> Iterator[list[str]]:
        """The prints that are looked at: of a great many first those that this block must take, and
        of each sort as many of the fullest as a block has slots, so that one is always free; and
        all, where these will not do, or more is wished than that prints differ."""
        slots = sum(self._slots.sorts[sort].times for sort in together)
        if len(total) > _MANY and self._wished.how is KitWish.DIFFERENT:
            fullest = sorted(total, key=lambda name: (-total[name], name))
            found = {name for name in total if self._must_take(name, blocks_left)}
            for sort in together:
                there = [name for name in fullest if self._left[sort].get(name)]
                found.update(there[: max(slots, _ENOUGH)])
            yield sorted(found)
        yield sorted(total)

    def _must_take(self, name: str, blocks_left: int) -> bool:
        """Whether the rules ask this block for a print, so that they can be kept in all after."""
        tight = any(
            sum(self._left[s].get(name, 0) for s in clash) >= blocks_left
            for clash in self._slots.clashes
        )
        return tight or any(
            self._must_be_free(free, name, blocks_left) > 0 for free in self._slots.free
        )

    def _must_be_free(self, free: Free, name: str, blocks_left: int) -> int:
        """So many of a free role at least, less what its part takes: what is left of it must fit
        into the blocks after this that do not draw it as part.

            left - x  <=  times (blocks after this - those that draw it as part)
        """
        times, of_part = self._slots.sorts[free.sort].times, self._left[free.part].get(name, 0)
        return self._left[free.sort].get(name, 0) - times * (blocks_left - 1 - of_part)

    def _chosen_of(
        self,
        prints: Sequence[str],
        together: Sequence[int],
        total: Mapping[str, int],
        blocks_left: int,
        leading: Mapping[str, str],
    ) -> dict[int, dict[str, int]]:
        """The best choice of these prints; nothing, where they cannot be dealt by the rules."""
        # x = how many slots of a sort a print fills in this block; each sort's add up to its slots,
        # and what is most wished for, or most is left of, gains most.
        numbers = WholeNumbers()
        pick: dict[int, dict[str, int]] = {}
        for sort in together:
            times = self._slots.sorts[sort].times
            pick[sort] = {
                name: numbers.number(
                    most=min(times, self._left[sort][name]),
                    gain=self._gain(sort, name, total[name] / blocks_left, leading),
                )
                for name in prints
                if self._left[sort].get(name)
            }
            numbers.between(times, times, [(n, 1) for n in pick[sort].values()])
        for name in prints:
            self._keep_the_rules(numbers, pick, name, blocks_left)
            # How often more than once it is in the block, at a price.
            repeats = numbers.number(gain=-self._for_a_repeat)
            every = [(by[name], 1) for by in pick.values() if name in by]
            numbers.between(-inf, 1, [*every, (repeats, -1)])
        found, _ = numbers.solve(Watch(_A_BLOCK))
        if not any(found):
            return {}
        return {
            sort: {name: found[n] for name, n in by.items() if found[n]}
            for sort, by in pick.items()
        }

    @property
    def _for_a_repeat(self) -> float:
        """What a print twice costs: less than to leave a family, nothing where pairs are wished."""
        costs = {KitWish.PAIRS: 0.0, KitWish.FAMILIES: _WISHED / 2}
        return costs.get(self._wished.how, _TWICE)

    def _keep_the_rules(
        self, numbers: WholeNumbers, pick: Mapping[int, Mapping[str, int]], name: str, blocks: int
    ) -> None:
        """What the rules ask of a print in this block, so that they can be kept in all after it."""
        for clash in self._slots.clashes:
            here = [(pick[s][name], 1) for s in clash if name in pick.get(s, {})]
            if here:
                # Tight: as many are left as there are blocks, so each block from now on takes one.
                left = sum(self._left[s].get(name, 0) for s in clash)
                numbers.between(1 if left >= blocks else 0, 1, here)
        for free in self._slots.free:
            if name not in pick.get(free.sort, {}):
                continue
            piece, times = pick[free.sort][name], self._slots.sorts[free.sort].times
            part = pick.get(free.part, {}).get(name)
            if part is not None:
                # A block draws it for the part, or for the free role, not for both.
                numbers.between(-inf, times, [(piece, 1), (part, times)])
            must = self._must_be_free(free, name, blocks)
            against = [] if part is None else [(part, float(times))]
            numbers.between(must, inf, [(piece, 1), *against])

    def _gain(self, sort: int, name: str, share: float, leading: Mapping[str, str]) -> float:
        """What it gains a block to take this print for this slot."""
        # Among equals chance decides, the same each time: else the same companions keep meeting.
        chance = _CHANCE * self._shuffle.random()
        how = self._wished.how
        if how is KitWish.BAG:
            return _WISHED * self._shuffle.random() + _FULLEST * share
        wished = 0.0
        if how is KitWish.FAMILIES:
            wished = _WISHED * (self._wished.families.get(name) == leading.get(""))
        if how is KitWish.PAIRS:
            wished = _WISHED * (name == leading.get(self._role(sort)))
        return _FULLEST * share + wished + chance

    def _leading(self) -> dict[str, str]:
        """What leads in the next block: a colour family, or a print for each role."""
        if self._wished.how is KitWish.FAMILIES:
            left: Counter[str] = Counter()
            for by in self._left:
                for name, count in by.items():
                    left[self._wished.families.get(name, "")] += count
            return {"": max(sorted(left), key=lambda family: left[family], default="")}
        if self._wished.how is KitWish.PAIRS:
            return dict(self._pair())
        return {}

    def _pair(self) -> Iterator[tuple[str, str]]:
        """For each role the print that has most left; beside one that led before, its partner."""
        by_role: dict[str, Counter[str]] = {}
        for sort, by in enumerate(self._left):
            by_role.setdefault(self._role(sort), Counter()).update(by)
        first = ""
        for role in sorted(by_role):
            left = by_role[role]
            # Two prints that met once keep meeting, while there are any left of both.
            partner = self._partner.get(f"{first} {role}", "")
            best = max(sorted(left), key=lambda name: left[name], default="")
            name = partner if first and left[partner] > 0 else best
            if first:
                self._partner.setdefault(f"{first} {role}", name)
            first = first or name
            yield role, name

    def _role(self, sort: int) -> str:
        return self._problem.needs[self._slots.sorts[sort].needs[0][0]].role

    def _need_by_need(self, taken: Sequence[Mapping[str, int]]) -> _Taken:
        found: _Taken = [{} for _ in self._problem.needs]
        for sort, prints in zip(self._slots.sorts, taken, strict=True):
            for need, count in sort.needs:
                for name, slots in prints.items():
                    found[need][name] = found[need].get(name, 0) + slots * count
        return found


def _left_of(plan: CuttingPlan, held: Mapping[int, Kit]) -> dict[str, Counter[Need]]:
    """The pieces of each fabric that no pinned kit has."""
    made = pieces_made(plan)
    slots = [plan.problem.needs[n] for n in slots_of(plan.problem)]
    for kit in held.values():
        for need, name in zip(slots, kit, strict=True):
            made[name][need] -= 1
    return made


def _by_print(plan: CuttingPlan, made: Mapping[str, Counter[Need]]) -> dict[str, Counter[int]]:
    number = {need: n for n, need in enumerate(plan.problem.needs)}
    prints = {fabric.name: fabric.print for fabric in plan.problem.fabrics}
    found: dict[str, Counter[int]] = {}
    for name, pieces in made.items():
        for need, count in pieces.items():
            found.setdefault(prints[name], Counter())[number[need]] += count
    return found


def _named(
    plan: CuttingPlan, made: Mapping[str, Counter[Need]], dealt: Sequence[_Taken]
) -> list[Kit]:
    """The kits by fabrics: of a print that lies in several, one after the other."""
    # A stack of fabric names for each print and need, the first on top.
    waiting: dict[tuple[str, Need], list[str]] = {}
    for fabric in plan.problem.fabrics:
        for need, count in made.get(fabric.name, Counter[Need]()).items():
            waiting.setdefault((fabric.print, need), []).extend([fabric.name] * max(0, count))
    for names in waiting.values():
        names.reverse()
    return [
        tuple(
            waiting[name, need].pop()
            for need, prints in zip(plan.problem.needs, block, strict=True)
            for name, count in prints.items()
            for _ in range(count)
        )
        for block in dealt
    ]


def _finished(plan: CuttingPlan, kits: tuple[Kit, ...], wished: Wished) -> Dealt:
    if len(kits) < plan.blocks:
        raise CannotBeDealt(plan.blocks)
    return Dealt(kits, _unmet(plan, kits, wished))


def _unmet(plan: CuttingPlan, kits: Sequence[Kit], wished: Wished) -> str:
    """Why not every block is as it was wished, in a sentence; nothing if it is."""
    prints = {fabric.name: fabric.print for fabric in plan.problem.fabrics}
    shown = [[prints[name] for name in kit] for kit in kits]
    if wished.how is KitWish.FAMILIES:
        families = [{wished.families.get(name, "") for name in kit} for kit in shown]
        mixed = sum(len(family) > 1 for family in families)
        return f"{mixed} of {counted(len(kits), 'block')} mix color families." if mixed else ""
    if wished.how is not KitWish.DIFFERENT or not kits:
        return ""
    pieces = len(kits[0])
    there = len({name for kit in shown for name in kit})
    repeats = Counter(name for kit in shown for name, n in Counter(kit).items() if n > 1)
    if not repeats or _bound_alike(plan.problem):
        return ""
    if there < pieces:
        return (
            f"A block has {counted(pieces, 'piece')} and you have {counted(there, 'print')}, so "
            f"some repeat."
        )
    name, blocks = repeats.most_common(1)[0]
    return (
        f"“{name}” repeats in {blocks} of {counted(len(kits), 'block')}, because you "
        "have more of it than one piece per block."
    )


def _bound_alike(problem: CuttingProblem) -> bool:
    """Whether a rule asks for one print in several pieces, so that repeats are no fault."""
    return any(rule.same for rule in problem.rules)
