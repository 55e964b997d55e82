"""The independent checker: judges a plan from its rectangles alone, with no help of the search.

Every piece inside its fabric, none over another, each reached by strips straight across, crosscuts
and at most one trim; of an allowed role and turn; no fabric used more often than there is; enough
of everything for the blocks claimed; and prints that can be shared out as the rules ask.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import combinations, pairwise
from math import inf, lcm, sqrt

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.tally import Crumbs, Drawer, Mirrored, Strings, Waves
from kersey.core.cutting.watch import Watch


def faults(plan: CuttingPlan) -> list[str]:
    """Everything that is wrong with a plan, in sentences; none for a good one."""
    in_sets = plan.problem.strip_sets
    found = [fault for layout in plan.layouts for fault in _layout_faults(layout, in_sets)]
    found.extend(_count_faults(plan))
    if plan.blocks < 0 or plan.bound < plan.blocks:
        found.append(f"{plan.blocks} blocks is more than the possible {plan.bound}.")
    if not found and plan.blocks:
        judged = _tally_faults if plan.problem.tally else _set_faults if in_sets else _rule_faults
        found.extend(judged(plan))
    return found


def claimed(plan: CuttingPlan) -> CuttingPlan:
    """The plan with the most blocks, of those it says, that it may claim without a fault."""
    low, high = 0, plan.blocks
    while low < high:
        middle = (low + high + 1) // 2
        if faults(replace(plan, blocks=middle)):
            high = middle - 1
        else:
            low = middle
    return replace(plan, blocks=low)


@dataclass(frozen=True)
class _Place:
    """Where a rectangle begins and ends across the fabric and along it, in a unit of its layout."""

    across: tuple[int, int]
    along: tuple[int, int]

    def overlaps(self, other: "_Place") -> bool:
        return _meet(self.across, other.across) and _meet(self.along, other.along)


def _meet(one: tuple[int, int], other: tuple[int, int]) -> bool:
    return one[0] < other[1] and other[0] < one[1]


def _places(layout: Layout) -> Iterator[_Place]:
    """The fabric's own place, and of each cut, in the largest unit that measures all of them."""
    zero = Fraction(0)
    rectangles = [(zero, zero, layout.fabric.width, layout.fabric.length)]
    rectangles += [(cut.x, cut.y, cut.width, cut.length) for cut in layout.cuts]
    parts = lcm(*(side.denominator for rectangle in rectangles for side in rectangle))
    for rectangle in rectangles:
        x, y, width, length = (side.numerator * (parts // side.denominator) for side in rectangle)
        yield _Place((x, x + width), (y, y + length))


def _layout_faults(layout: Layout, in_sets: bool) -> Iterator[str]:
    fabric, name = layout.fabric, layout.fabric.name
    if layout.copies < 1:
        yield f"{name}: a layout of {layout.copies} copies."
    whole, *places = _places(layout)
    for cut, place in zip(layout.cuts, places, strict=True):
        if not (fabric.serves(cut.need) or cut.need.role in ("crumb", "unit")):
            yield f"{name} may not serve {cut.need.role}."
        upright = (cut.width, cut.length) == (cut.need.width, cut.need.height)
        turned = (cut.width, cut.length) == (cut.need.height, cut.need.width)
        if in_sets and not _is_whole_strip(cut, layout):
            yield f"{name}: {cut.need.label} is no strip of {cut.need.width} all its length."
        elif not in_sets and not upright and (fabric.directional or not turned):
            yield f"{name}: {cut.need.label} is cut {cut.width} x {cut.length}."
        if place.across[0] < 0 or place.along[0] < 0:
            yield f"{name}: {cut.need.label} begins outside."
        if place.across[1] > whole.across[1] or place.along[1] > whole.along[1]:
            yield f"{name}: {cut.need.label} ends outside."
    # Strips lie side by side, and so do the pieces in them: then none lies over another.
    if not any(_in_strips(places, along) for along in _directions(fabric)):
        yield f"{name}: these pieces can't be cut with strips, sub-cuts and one trim."
        cuts = zip(layout.cuts, places, strict=True)
        for (one, its_place), (other, others_place) in combinations(cuts, 2):
            if its_place.overlaps(others_place):
                yield f"{name}: {one.need.label} and {other.need.label} overlap."
                break


def _directions(fabric: Fabric) -> tuple[bool, ...]:
    """Whether strips may run along the length, and across it; a strip is split lengthwise only."""
    return (True,) if fabric.is_strip else (True, False)


def _in_strips(places: Sequence[_Place], along: bool) -> bool:
    """Whether straight cuts part the pieces into strips in which each stands alone.

    `along`: strips run along the fabric's length, one beside the other across its width.
    """
    side = [place.across if along else place.along for place in places]
    run = [place.along if along else place.across for place in places]
    for strip in _separated(side, range(len(places))):
        if any(len(piece) > 1 for piece in _separated(run, strip)):
            return False
        if len({side[n][0] for n in strip}) > 1:
            return False
    return True


def _separated(spans: Sequence[tuple[int, int]], which: Sequence[int]) -> list[list[int]]:
    """The spans in groups between which a straight cut passes."""
    groups: list[list[int]] = []
    end = 0
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
            yield f"{name} is cut {count} times, but there are only {there.get(name, 0)}."
    counted_otherwise = plan.problem.strip_sets or plan.problem.tally
    for need in () if counted_otherwise else plan.problem.block_needs:
        if made[need] < plan.problem.batches(plan.blocks) * need.count:
            yield f"{made[need]} of {need.label} are too few for {plan.blocks} blocks."
    for total in plan.problem.totals:
        needs = [(plan.problem.needs[place], counts) for place, counts in total.counts]
        there_is = sum((made[need] * counts for need, counts in needs), Fraction(0))
        if there_is < total.least:
            yield f"{needs[0][0].label}: {there_is} is cut of it, not {total.least}."


def _is_whole_strip(cut: Cut, layout: Layout) -> bool:
    fabric, breadth = layout.fabric, cut.need.width
    along = (cut.width, cut.length) == (breadth, fabric.length)
    return along or ((cut.width, cut.length) == (fabric.width, breadth) and not fabric.directional)


def _set_faults(plan: CuttingPlan) -> Iterator[str]:
    """Whether so many blocks can come from sets of these strips.

    Sets of at least n segments are at most those that strips of at least n segments make; a set is
    counted once for every segment it has.
    """
    problem = plan.problem
    strips: dict[Need, Counter[tuple[str, int]]] = {need: Counter() for need in problem.needs}
    for layout in plan.layouts:
        for cut in layout.cuts:
            segments = _segments(cut)
            strips[cut.need][layout.fabric.print, segments] += layout.copies
    longest = max((n for of_it in strips.values() for _, n in of_it), default=0)
    if len(problem.kinds_of_sets) > 1:
        blocks = _from_several_kinds(problem, [strips[need] for need in problem.needs], longest)
    else:
        ((kind),) = problem.kinds_of_sets
        blocks = 0
        for least in range(1, longest + 1):
            blocks += min(
                _most_sets(_by_print(strips[problem.needs[place]], least), count, problem)
                for place, count in kind.strips
            )
        blocks //= kind.pieces
    if blocks < plan.blocks:
        yield f"These strips make {blocks} blocks in sets, not {plan.blocks}."


def _segments(cut: Cut) -> int:
    """Pieces off a strip as long as this cut: the first may take another length."""
    need, length = cut.need, max(cut.width, cut.length)
    first = need.first or need.height
    return 0 if length < first else 1 + int((length - first) // need.height)


def _by_print(strips: Counter[tuple[str, int]], least: int) -> list[int]:
    by_print: Counter[str] = Counter()
    for (name, segments), count in strips.items():
        by_print[name] += count if segments >= least else 0
    return list(by_print.values())


def _from_several_kinds(
    problem: CuttingProblem, strips: Sequence[Counter[tuple[str, int]]], longest: int
) -> int:
    """The most blocks of several kinds of sets, by a small integer programme of its own.

    How many sets of a kind have at least n segments is the number; it does not grow with n.
    """
    numbers = WholeNumbers()
    blocks = numbers.number(gain=1)
    at_least = [[numbers.number() for _ in range(longest)] for _ in problem.kinds_of_sets]
    for kind, longer in zip(problem.kinds_of_sets, at_least, strict=True):
        numbers.between(0, inf, [(blocks, -kind.pieces), *((n, 1) for n in longer)])
        for one, next_one in pairwise(longer):
            numbers.between(0, inf, [(one, 1), (next_one, -1)])
    for place, of_it in enumerate(strips):
        for least in range(1, longest + 1):
            taken = [
                (at_least[number][least - 1], count)
                for number, kind in enumerate(problem.kinds_of_sets)
                for need, count in kind.strips
                if need == place
            ]
            numbers.between(0, sum(_by_print(of_it, least)), taken)
    found, _ = numbers.solve(Watch())
    return found[blocks]


def _tally_faults(plan: CuttingPlan) -> Iterator[str]:
    """Whether so many columns, or strips side by side, can come of these strips.

    Rings are cut one by one from tubes of strips sorted by length; of strips that are mirrored
    every print but one lies there in pairs.
    """
    if isinstance(plan.problem.tally, Drawer):
        yield from _drawer_faults(plan, plan.problem.tally)
        return
    if isinstance(plan.problem.tally, Crumbs):
        yield from _crumb_faults(plan, plan.problem.tally)
        return
    if isinstance(plan.problem.tally, Strings):
        yield from _string_faults(plan, plan.problem.tally)
        return
    tally, strips = plan.problem.tally, list[tuple[Fraction, str]]()
    for layout in plan.layouts:
        for cut in layout.cuts:
            strips += [(max(cut.width, cut.length), layout.fabric.print)] * layout.copies
    if isinstance(tally, Mirrored):
        odd = sum(count % 2 for count in Counter(name for _, name in strips).values())
        if len(strips) < plan.blocks or (tally.mirrored and odd != 1):
            yield f"{len(strips)} strips, {odd} of them single, are not {plan.blocks} mirrored."
        return
    assert isinstance(tally, Waves)
    strips.sort(reverse=True)
    in_one = tally.strips or len(strips) // 2
    shortest = [strips[n][0] for n in range(in_one - 1, len(strips), in_one)] if in_one else []
    ways = (
        [(shortest,)]
        if tally.onward
        else [(shortest[0::2], shortest[1::2]), (shortest[1::2], shortest[0::2])]
    )
    if tally.repeats and plan.blocks > tally.repeats * len(tally.widths):
        yield f"{plan.blocks} columns are more than {tally.repeats} waves."
    if max((_columns(way, tally, plan.blocks) for way in ways), default=0) < plan.blocks:
        yield f"These strips do not make {plan.blocks} columns."


def _drawer_faults(plan: CuttingPlan, tally: Drawer) -> Iterator[str]:
    """Whether units and plain squares together cover whole rows of a grid."""
    covered, widest = Fraction(0), 1
    for layout in plan.layouts:
        for cut in layout.cuts:
            across = (cut.width - 2 * tally.seam) / tally.unit
            down = (cut.length - 2 * tally.seam) / tally.unit
            if across.denominator > 1 or down.denominator > 1:
                yield f"{cut.need.label} of {cut.width} x {cut.length} does not fit the grid."
            covered += across * down * layout.copies
            widest = max(widest, int(across))
    columns = [tally.columns] if tally.columns else range(widest, int(covered) + 1)
    if plan.blocks > 1 or not any(covered % wide == 0 for wide in columns):
        yield f"{covered} squares of the grid make no {plan.blocks} whole tops."


def _crumb_faults(plan: CuttingPlan, tally: Crumbs) -> Iterator[str]:
    """Whether the crumbs have area for so many shapes once every seam is sewn."""
    area, s = Fraction(0), tally.seam
    for layout in plan.layouts:
        for cut in layout.cuts:
            area += max(Fraction(0), cut.width - 2 * s) * (cut.length - 2 * s) * layout.copies
    if area < plan.blocks * tally.shape:
        yield f"{float(area):.0f} square inches are too few for {plan.blocks} shapes."


def _string_faults(plan: CuttingPlan, tally: Strings) -> Iterator[str]:
    """Whether each block is covered: by its strings in their places, from the middle outward.

    A string's label says its block and place; beside the middle one they lie on either side.
    """
    sewn: dict[str, dict[int, Need]] = defaultdict(dict)
    foundations = 0
    for layout in plan.layouts:
        for cut in layout.cuts:
            if cut.need.role == "foundation":
                foundations += layout.copies
                continue
            block, _, place = cut.need.label.partition(".")
            sewn[block][int(place)] = cut.need
    if len(sewn) < plan.blocks:
        yield f"{len(sewn)} blocks have strings, not {plan.blocks}."
    constant = tally.constant or any("middle" in fabric.roles for fabric in plan.problem.fabrics)
    muslin = any("foundation" in fabric.roles for fabric in plan.problem.fabrics)
    if muslin and foundations < plan.blocks:
        yield f"{foundations} foundations are too few for {plan.blocks} blocks."
    # The diagonal of the square, by a root of its own: half of it lies on either side.
    half = tally.side * Fraction(sqrt(2)) / 2 if tally.diagonal else tally.side / 2
    for block, strings in sewn.items():
        middle = strings.get(0)
        if middle is None or (constant and middle.role != "middle"):
            yield f"Block {block} has no middle string."
            continue
        if middle.height < 2 * half:
            yield f"Block {block}: the middle string is too short."
        for way in (1, -1):
            yield from _uncovered(block, strings, way, half, tally)


def _uncovered(
    block: str, strings: Mapping[int, Need], way: int, half: Fraction, tally: Strings
) -> Iterator[str]:
    """What is wrong on one side of the middle string."""
    edge, place = strings[0].width / 2, 0
    while edge < half:
        seam, place = edge - tally.seam, place + way
        if place not in strings:
            yield f"Block {block} is not covered beyond {float(seam):.2f}."
            return
        if half - seam < Fraction(1, 2):
            yield f"Block {block} has a seam in its corner."
        if strings[place].height < (2 * (half - seam) if tally.diagonal else tally.side):
            yield f"Block {block}: string {place} is too short."
        edge += strings[place].width - 2 * tally.seam


def _columns(rows: Sequence[Sequence[Fraction]], tally: Waves, wanted: int) -> int:
    """How many of so many columns can be cut, in turn from each row of tubes."""
    tube, used = [0] * len(rows), [Fraction(0)] * len(rows)
    for column in range(wanted):
        row, width = column % len(rows), tally.widths[column % len(tally.widths)]
        while tube[row] < len(rows[row]) and used[row] + width > rows[row][tube[row]]:
            tube[row], used[row] = tube[row] + 1, Fraction(0)
        if tube[row] == len(rows[row]):
            return column
        used[row] += width
    return wanted


def _most_sets(counts: Sequence[int], size: int, problem: CuttingProblem) -> int:
    """Sets of so many strips from prints there are so many strips of, as the rules ask."""
    if any(rule.same for rule in problem.rules):
        alike = sum(count // size for count in counts)
        return alike if size == 1 or all(rule.same for rule in problem.rules) else 0
    most = sum(counts) // size
    while problem.rules and sum(min(count, most) for count in counts) < size * most:
        most -= 1
    return most


def _rule_faults(plan: CuttingPlan) -> Iterator[str]:
    """Whether the pieces can be dealt out over the blocks as the rules ask.

    That is a small integer programme, which knows nothing of cutting. Roles under a "same" rule are
    taken together; a group that must differ from others serves each print in so many blocks, and
    no print may serve more of them than there are blocks. A role of several pieces may draw on
    several prints of a block where it must differ from one part only; otherwise it is asked, to be
    sure, to come from one.
    """
    if not plan.problem.rules:
        return
    made: dict[str, Counter[Need]] = defaultdict(Counter)
    for layout in plan.layouts:
        for cut in layout.cuts:
            made[layout.fabric.print][cut.need] += layout.copies
    bound = _bound_together(plan.problem)
    for rule in plan.problem.rules:
        for group in bound:
            in_both = [n for n in plan.problem.needs if n.role in group and n.role in rule.roles]
            roles = {need.role for need in in_both}
            pieces = sum(need.count for need in in_both)
            if not rule.same and (len(roles) > 1 or (len(set(rule.roles)) == 1 and pieces > 1)):
                yield "These print rules contradict each other, so no block can follow them."
                return
    choices = [None, *_may_be_several(plan.problem, bound)]
    if not any(_can_be_dealt(plan, bound, several, made) for several in choices):
        yield f"There aren't enough different prints to follow the rules in {plan.blocks} blocks."


def _bound_together(problem: CuttingProblem) -> list[set[str]]:
    """Roles whose pieces all come from one print, in groups."""
    return _touching(set(rule.roles) for rule in problem.rules if rule.same)


def _touching(sets: Iterable[set[str]]) -> list[set[str]]:
    """The sets, those that share a role taken together."""
    groups: list[set[str]] = []
    for roles in sets:
        touching = [group for group in groups if group & roles]
        groups = [group for group in groups if group not in touching]
        groups.append(roles.union(*touching))
    return groups


def _may_be_several(problem: CuttingProblem, bound: Sequence[set[str]]) -> Iterator[str]:
    """Roles that may draw on several prints beside the one part they must differ from."""
    alone = {
        r
        for rule in problem.rules
        if not rule.same and len(set(rule.roles)) == 1
        for r in rule.roles
    }
    for rule in problem.rules:
        roles = dict.fromkeys(rule.roles)
        if rule.same or len(roles) < 2:
            continue
        for role in roles:
            others = [other for other in roles if other != role]
            pieces = sum(need.count for need in problem.needs if need.role in others)
            together = any(set(others) <= group for group in bound)
            free = role not in alone and not any(role in group for group in bound)
            if free and (together or pieces == 1 or len(others) == 1):
                yield role


def _can_be_dealt(
    plan: CuttingPlan,
    bound: Sequence[set[str]],
    several: str | None,
    made: Mapping[str, Counter[Need]],
) -> bool:
    """Whether it can, if this role may draw on several prints."""
    problem = plan.problem
    apart = [set(rule.roles) for rule in problem.rules if not rule.same]
    count = _Count(problem.batches(plan.blocks), made)
    for group in bound:
        count.from_one_print(group, [need for need in problem.needs if need.role in group])
    for role in dict.fromkeys(need.role for need in problem.needs):
        needs = [need for need in problem.needs if need.role == role]
        if role in count.serves or not any(role in roles for roles in apart):
            continue
        if {role} in apart:
            count.all_from_others(role, needs)
        elif role == several:
            count.from_several(role, needs)
        else:
            count.from_one_print({role}, needs)
    for roles in _touching(apart):
        count.keep_apart(roles)
    return count.possible


class _Count:
    """In how many blocks each print serves each role: numbers of an integer programme."""

    def __init__(self, blocks: int, made: Mapping[str, Counter[Need]]) -> None:
        self._blocks, self._made = blocks, made
        self._numbers = WholeNumbers()
        self.serves: dict[str, dict[str, int]] = {}

    def from_one_print(self, roles: set[str], needs: Sequence[Need]) -> None:
        """All pieces of these roles from one print of a block."""
        if not needs:
            return
        most = {
            name: min(there[need] // need.count for need in needs)
            for name, there in self._made.items()
        }
        together = {name: self._numbers.number(most=count) for name, count in most.items()}
        self._sum(together.values(), self._blocks)
        self.serves |= dict.fromkeys(roles, together)

    def all_from_others(self, role: str, needs: Sequence[Need]) -> None:
        """No two pieces of the role from one print: a print serves it once in a block."""
        served = {name: self._numbers.number(most=self._blocks) for name in self._made}
        given = [self._given(need) for need in needs]
        for name, number in served.items():
            pieces = [(by[name], -1.0) for by in given]
            self._numbers.between(0, 0, [(number, 1), *pieces])
        self.serves[role] = served

    def from_several(self, role: str, needs: Sequence[Need]) -> None:
        """A print serves the role in a block with as many pieces as it takes."""
        served = {name: self._numbers.number(most=self._blocks) for name in self._made}
        for need in needs:
            for name, number in self._given(need).items():
                self._numbers.between(0, inf, [(served[name], need.count), (number, -1)])
        self.serves[role] = served

    def keep_apart(self, roles: set[str]) -> None:
        """No print serves these roles in more blocks, taken together, than there are."""
        groups = {id(self.serves[role]): self.serves[role] for role in roles if role in self.serves}
        for name in self._made:
            here = [(by[name], 1) for by in groups.values()]
            self._numbers.between(0, self._blocks, here)

    @property
    def possible(self) -> bool:
        """Whether there are such numbers."""
        found, _ = self._numbers.solve(Watch())
        return any(found)

    def _given(self, need: Need) -> dict[str, int]:
        """How many pieces for a need each print gives: as many together as the blocks take."""
        given = {name: self._numbers.number(most=made[need]) for name, made in self._made.items()}
        self._sum(given.values(), need.count * self._blocks)
        return given

    def _sum(self, numbers: Iterable[int], wanted: int) -> None:
        self._numbers.between(wanted, wanted, [(number, 1) for number in numbers])
