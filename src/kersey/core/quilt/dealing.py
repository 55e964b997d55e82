"""Kits: every piece that a plan cuts is dealt to a block.

slot    pieces of a block that come from one print: those that a rule binds together, else one
quota   how many slots of a sort a print fills in all the blocks together
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
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from math import inf
from random import Random

from kersey.core.blocks.whole_piece import WholePiece
from kersey.core.cloth.forms import Form
from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.print_rules import Reading, read_rules
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need, StripSet
from kersey.core.cutting.strip_sets import sets_of_strips
from kersey.core.cutting.watch import Watch, no_clock
from kersey.core.errors import Infeasible
from kersey.core.project.design import KitWish
from kersey.core.project.kept_plan import Kit
from kersey.core.yields.by_hand import groups

# Equal stacks are taken in an order that varies, so that the same companions do not keep meeting;
# the order must be the same each time, or the kits would change whenever they are dealt.
_SHUFFLE = 7
# What a print twice in a block costs, beside what it gains to take of the fullest.
_TWICE, _FULLEST, _WISHED, _CHANCE = 8.0, 1.0, 4.0, 0.2
# A block is dealt within so much work; it never takes a tenth of it.
_A_BLOCK, _ALL_QUOTAS = 2.0, 5.0


class CannotBeDealt(Infeasible):
    """The pieces of a plan cannot be dealt out as its rules ask."""

    def __init__(self, blocks: int) -> None:
        super().__init__(f"The prints cannot be dealt out over {blocks} blocks as the rules ask.")


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
    plan: CuttingPlan,
    wished: Wished = AS_THEY_COME,
    pinned: Mapping[int, Kit] | None = None,
) -> Dealt:
    """A kit for every block of a plan; the same question gives the same kits.

    `pinned` kits, by the number of their block, stay as they are. Raises `CannotBeDealt`.
    """
    if plan.problem.strip_sets:
        return _finished(plan, _of_sets(plan, wished), wished)
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


def pieces_of(kits: Sequence[Kit], blocks: Iterable[int], batch: int) -> list[Kit]:
    """The sets of pieces that lie in these blocks, by their numbers: one for each batch."""
    return [kits[number * batch] for number in sorted({block // batch for block in blocks})]


def pieces_made(plan: CuttingPlan) -> dict[str, Counter[Need]]:
    """How many pieces for each need a plan cuts, fabric by fabric; segments of strips to be sewn
    in sets count as they will be crosscut."""
    # Counted by what a need is known by: that is hashed much faster than its sizes.
    made: dict[str, Counter[tuple[str, str]]] = {}
    for layout in plan.layouts:
        of_it = made.setdefault(layout.fabric.name, Counter())
        for cut in layout.cuts:
            pieces = cut.segments if cut.need.crosscut else 1
            of_it[cut.need.label, cut.need.role] += pieces * layout.copies
    needs = {(need.label, need.role): need for need in plan.problem.needs}
    return {
        name: Counter({needs[known_by]: count for known_by, count in of_it.items()})
        for name, of_it in made.items()
    }


def slots_of(problem: CuttingProblem) -> tuple[int, ...]:
    """Which need each piece of a kit is for: the pieces of the first need, then of the next."""
    return tuple(n for n, need in enumerate(problem.needs) for _ in range(need.count))


# What one block takes: by sort of slot, how many of each print.
_Taken = list[dict[str, int]]


@dataclass(frozen=True)
class _Sort:
    """Slots alike: how many a block has, and which needs one of them fills, how often each."""

    times: int
    needs: tuple[tuple[int, int], ...]


@dataclass(frozen=True)
class _Free:
    """A sort whose prints may repeat, only not be that of the part it must differ from."""

    sort: int
    part: int


@dataclass(frozen=True)
class _Slots:
    """The slots of a block, and which of them share no print: by their places."""

    sorts: tuple[_Sort, ...]
    clashes: tuple[tuple[int, ...], ...] = ()
    free: tuple[_Free, ...] = ()


def _all_different(problem: CuttingProblem, rules: Reading) -> _Slots:
    """Every piece from another print, but those that a rule binds together."""
    bound = [part for part in rules.parts if part.times == 1 and _several(part.needs)]
    taken = {n for part in bound for n, _ in part.needs}
    sorts = [_Sort(1, part.needs) for part in bound]
    sorts += [
        _Sort(need.count, ((n, 1),)) for n, need in enumerate(problem.needs) if n not in taken
    ]
    return _Slots(tuple(sorts), (tuple(range(len(sorts))),))


def _several(needs: Sequence[tuple[int, int]]) -> bool:
    return sum(count for _, count in needs) > 1


def _as_the_rules_ask(problem: CuttingProblem, rules: Reading) -> _Slots:
    """Slots as the rules of the block bind them, and no more."""
    sorts = [_Sort(part.times, part.needs) for part in rules.parts]
    free_sorts: list[list[int]] = []
    for role in rules.free:
        free_sorts.append(list(range(len(sorts), len(sorts) + len(role.needs))))
        sorts += [_Sort(count, ((n, 1),)) for n, count in role.needs]
    ruled = {n for sort in sorts for n, _ in sort.needs}
    sorts += [
        _Sort(need.count, ((n, 1),)) for n, need in enumerate(problem.needs) if n not in ruled
    ]
    free = [
        _Free(sort, part)
        for clash in rules.clashes
        for part in clash.parts
        for role in clash.free
        for sort in free_sorts[role]
    ]
    return _Slots(tuple(sorts), tuple(clash.parts for clash in rules.clashes), tuple(free))


def _by_rules(
    problem: CuttingProblem, made: Mapping[str, Counter[int]], blocks: int, wished: Wished
) -> list[_Taken]:
    """What each block takes, need by need; all prints of a block differ if that can be."""
    if not blocks:
        return []
    rules = read_rules(problem)
    tries = [_as_the_rules_ask(problem, rules)]
    if wished.how is KitWish.DIFFERENT:
        tries.insert(0, _all_different(problem, rules))
    for slots in tries:
        quotas = _quotas(slots, made, blocks)
        if quotas is not None:
            dealer = _Dealer(problem, slots, quotas, blocks, wished)
            return [dealer.next_block(left) for left in range(blocks, 0, -1)]
    raise CannotBeDealt(blocks)


def _quotas(
    slots: _Slots, made: Mapping[str, Counter[int]], blocks: int
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
    found, _ = numbers.solve(Watch(no_clock, _ALL_QUOTAS))
    if not any(found):
        return None
    quotas = [{name: found[n] for name, n in by.items() if found[n]} for by in drawn]
    # A sort that shares no print is drawn from all there is: so what stays over is spread too.
    there = [
        {name: min(n_made[n] // c for n, c in sort.needs) for name, n_made in made.items()}
        for sort in slots.sorts
    ]
    for together in _sorts_apart(slots, there):
        if len(together) == 1:
            quotas[together[0]] = there[together[0]]
    return quotas


def _bind_free(
    slots: _Slots, numbers: WholeNumbers, drawn: Sequence[Mapping[str, int]], name: str, blocks: int
) -> None:
    """A print serves a free role only in blocks that do not draw it for the part it must differ
    from, and then with as many pieces as those blocks take."""
    for free in slots.free:
        if name in drawn[free.sort]:
            times = slots.sorts[free.sort].times
            part = drawn[free.part].get(name)
            against = [] if part is None else [(part, float(times))]
            numbers.between(-inf, times * blocks, [(drawn[free.sort][name], 1), *against])


class _Dealer:
    """Deals block after block; what is left of the quotas grows less."""

    def __init__(
        self,
        problem: CuttingProblem,
        slots: _Slots,
        quotas: list[dict[str, int]],
        blocks: int,
        wished: Wished,
    ) -> None:
        self._problem, self._slots, self._left = problem, slots, quotas
        self._wished = wished
        self._shuffle = Random(_SHUFFLE + wished.deal)
        self._apart = _sorts_apart(slots, quotas)
        self._partner: dict[str, str] = {}

    def next_block(self, blocks_left: int) -> _Taken:
        """What the next of so many blocks takes of each need."""
        taken: _Taken = [{} for _ in self._slots.sorts]
        leading = self._leading()
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
        while drawn.total() < size:
            drawn[max(order, key=lambda name: left[name] - drawn[name])] += 1
        return dict(drawn)

    def _chosen(
        self, together: Sequence[int], blocks_left: int, leading: Mapping[str, str]
    ) -> dict[int, dict[str, int]]:
        """The best choice for sorts that share prints, by an integer programme."""
        numbers = WholeNumbers()
        pick: dict[int, dict[str, int]] = {}
        prints = sorted({name for s in together for name, n in self._left[s].items() if n})
        total = {n: sum(self._left[s].get(n, 0) for s in together) for n in prints}
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
            repeats = numbers.number(gain=-self._for_a_repeat)
            every = [(by[name], 1) for by in pick.values() if name in by]
            numbers.between(-inf, 1, [*every, (repeats, -1)])
        found, _ = numbers.solve(Watch(no_clock, _A_BLOCK))
        if not any(found):
            raise CannotBeDealt(blocks_left)
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
                left = sum(self._left[s].get(name, 0) for s in clash)
                numbers.between(1 if left >= blocks else 0, 1, here)
        for free in self._slots.free:
            if name not in pick.get(free.sort, {}):
                continue
            piece, times = pick[free.sort][name], self._slots.sorts[free.sort].times
            part = pick.get(free.part, {}).get(name)
            of_part = self._left[free.part].get(name, 0)
            if part is not None:
                # A block draws it for the part, or for the free role, not for both.
                numbers.between(-inf, times, [(piece, 1), (part, times)])
            # What is left of it must fit into the blocks after this that do not draw it as part.
            must = self._left[free.sort][name] - times * (blocks - 1 - of_part)
            against = [] if part is None else [(part, float(times))]
            numbers.between(must, inf, [(piece, 1), *against])

    def _gain(self, sort: int, name: str, share: float, leading: Mapping[str, str]) -> float:
        """What it gains a block to take this print for this slot."""
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


def _sorts_apart(slots: _Slots, quotas: Sequence[Mapping[str, int]]) -> list[list[int]]:
    """Sorts of slots in groups that share no print."""
    apart: list[tuple[list[int], set[str]]] = []
    for sort in range(len(slots.sorts)):
        together, prints = [sort], {name for name, count in quotas[sort].items() if count}
        for group in [g for g in apart if g[1] & prints]:
            apart.remove(group)
            together, prints = [*group[0], *together], prints | group[1]
        apart.append((together, prints))
    return [together for together, _ in apart]


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


def _of_sets(plan: CuttingPlan, wished: Wished) -> tuple[Kit, ...]:
    """Kits of blocks that are crosscut from strip sets: those of one set are alike.

    Of every kind of set each block takes as many pieces as it needs, one after the other; its
    pieces are numbered in that order.
    """
    problem, sewn = plan.problem, strip_sets(plan, wished)
    crosscut = [
        [piece for each in sewn if each.kind == number for piece in _crosscut(each, kind)]
        for number, kind in enumerate(problem.kinds_of_sets)
    ]
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


def _crosscut(sewn: "SewnSet", kind: StripSet) -> Iterator[list[tuple[int, tuple[str, ...]]]]:
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


@dataclass(frozen=True)
class SewnSet:
    """A strip set of a plan: its kind, the fabrics of its strips in the order of the kind's needs,
    and how many pieces it is crosscut into, `to_and_fro` where that is on the slant."""

    kind: int
    strips: Kit
    segments: int
    to_and_fro: bool = False


def strip_sets(plan: CuttingPlan, wished: Wished = AS_THEY_COME) -> list[SewnSet]:
    """The sets that the strips of a plan are sewn into.

    Sets are drawn from the longest strips first, as many as can be; what is left of those goes into
    the sets of the next length. Where there are several kinds, the search that found the plan says
    how many of each.
    """
    problem = plan.problem
    prints = {fabric.name: fabric.print for fabric in problem.fabrics}
    waiting: dict[tuple[Need, int], list[str]] = {}
    for layout in plan.layouts:
        for cut in layout.cuts:
            of_it = waiting.setdefault((cut.need, cut.segments), [])
            of_it.extend([layout.fabric.name] * layout.copies)
    shuffle = Random(_SHUFFLE + wished.deal)
    stacks: list[dict[str, list[str]]] = [{} for _ in problem.needs]
    how_many = _sets_by_length(plan)
    found: list[SewnSet] = []
    for length in sorted({length for _, length in waiting}, reverse=True):
        for place, need in enumerate(problem.needs):
            for name in waiting.get((need, length), ()):
                stacks[place].setdefault(prints[name], []).append(name)
        for number, kind in enumerate(problem.kinds_of_sets):
            sets = (
                _sets_of(stacks, kind, problem)
                if how_many is None
                else how_many.get((number, length), 0)
            )
            for _ in range(sets):
                strips = [
                    name
                    for place, count in kind.strips
                    for name in _one_set(
                        stacks[place], count, _alike(problem, problem.needs[place]), shuffle
                    )
                ]
                slanted = any(problem.needs[place].first for place, _ in kind.strips)
                found.append(SewnSet(number, tuple(strips), length, slanted))
    return found


def _alike(problem: CuttingProblem, need: Need) -> bool:
    return any(rule.same and need.role in rule.roles for rule in problem.rules)


def _sets_of(
    stacks: Sequence[Mapping[str, list[str]]], kind: StripSet, problem: CuttingProblem
) -> int:
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


def _sets_by_length(plan: CuttingPlan) -> dict[tuple[int, int], int] | None:
    """Sets of each kind and number of segments; None where one kind is drawn as it comes."""
    problem = plan.problem
    if len(problem.kinds_of_sets) == 1:
        return None
    strips: Counter[tuple[str, Need, Fraction]] = Counter()
    for layout in plan.layouts:
        for cut in layout.cuts:
            strips[layout.fabric.print, cut.need, max(cut.width, cut.length)] += layout.copies
    fabrics = tuple(
        Fabric(str(number), name, need.width, length, count, frozenset({need.role}), True,
               Form.STRIP)
        for number, ((name, need, length), count) in enumerate(strips.items())
    )  # fmt: skip
    drawn = sets_of_strips(replace(problem, fabrics=fabrics))
    found: Counter[tuple[int, int]] = Counter()
    for key, count in drawn.items():
        found[key.kind, key.segments] += count
    for kind, length in found:
        found[kind, length] //= sum(n for _, n in problem.kinds_of_sets[kind].strips)
    return found


def _one_set(stacks: dict[str, list[str]], size: int, alike: bool, shuffle: Random) -> list[str]:
    if alike:
        fullest = max(stacks, key=lambda name: len(stacks[name]))
        return [stacks[fullest].pop(0) for _ in range(size)]
    order = sorted(stacks, key=lambda name: (-len(stacks[name]), shuffle.random()))
    picked = [name for name in order if stacks[name]][:size]
    while len(picked) < size:
        picked.append(max(order, key=lambda name: len(stacks[name]) - picked.count(name)))
    return [stacks[name].pop(0) for name in picked]


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
        return f"{mixed} of {len(kits)} blocks mix colour families." if mixed else ""
    if wished.how is not KitWish.DIFFERENT or not kits:
        return ""
    pieces = len(kits[0])
    there = len({name for kit in shown for name in kit})
    repeats = Counter(name for kit in shown for name, n in Counter(kit).items() if n > 1)
    if not repeats or _bound_alike(plan.problem):
        return ""
    if there < pieces:
        return f"A block has {pieces} pieces and there are {there} prints: some come twice."
    name, blocks = repeats.most_common(1)[0]
    return (
        f"“{name}” comes twice or more in {blocks} of {len(kits)} blocks: there is more of it than "
        "one piece a block."
    )


def _bound_alike(problem: CuttingProblem) -> bool:
    """Whether a rule asks for one print in several pieces, so that repeats are no fault."""
    return any(rule.same for rule in problem.rules)
