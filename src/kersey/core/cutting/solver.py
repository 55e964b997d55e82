"""The most whole blocks of any fabric.

Pieces that can change places are taken for one need (`interchange`). Needs that share neither
fabric nor a rule are searched for apart (`separate`), each by its own programme (`search`); strip
sets are reckoned as such (`strip_sets`).

Print rules become conditions on how many blocks draw from each print (`print_rules`).
"""

from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.generation.parts import Caps
from kersey.core.cutting.generation.search import Search
from kersey.core.cutting.interchange import merged, named_again
from kersey.core.cutting.kinds.crumbs import solve_crumbs
from kersey.core.cutting.kinds.drawer import solve_drawer
from kersey.core.cutting.kinds.string_blocks import solve_strings
from kersey.core.cutting.kinds.strip_sets import solve_sets
from kersey.core.cutting.kinds.whole_strips import solve_tally
from kersey.core.cutting.print_rules import Reading, read_rules
from kersey.core.cutting.problem import MOST_CUT, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.separate import separate
from kersey.core.cutting.tally import Crumbs, Drawer, Strings
from kersey.core.cutting.watch import Watch

# So many prints are searched for by themselves, each in this share of the time; of more, area alone
# says what they give at most.
_CAPS_SOUGHT, _FOR_A_CAP = 12, 0.02
# Prints are cut each for itself if they are of so few sorts, each sort in this share of the time.
_SORTS_ALONE, _FOR_A_SORT = 4, 0.06
# No search of a print by itself has less time than this: its answer is what all others rest on.
_LEAST_ALONE = 0.2
# So many fabrics are searched for as a whole first.
_FEW_FABRICS = 300
# Under print rules so many fabrics, and so many more for every second, are searched for as a whole;
# more of them in handfuls of so many fabrics and at least so many prints, each in no less than so
# many seconds. The bound has then this share of the time.
_RULED, _RULED_A_SECOND, _HANDFUL, _PRINTS = 200, 40, 20, 15
_FOR_A_HANDFUL, _FOR_THE_BOUND = 0.15, 0.3


@dataclass(frozen=True)
class Sought:
    """How many blocks are of interest: more than are known `already`, and no more than `most`."""

    already: int = 0
    most: int = MOST_CUT


EVERY_BLOCK = Sought()


def solve(problem: CuttingProblem, watch: Watch, sought: Sought = EVERY_BLOCK) -> CuttingPlan:
    """The most blocks found while the watch runs, with the bound.

    The same question gives the same answer: the watch counts work, not time. Where no more can be
    found than are sought, the search ends early: the plan may then have fewer blocks than there
    could be, never a wrong bound.
    """
    if isinstance(problem.tally, Strings):
        return solve_strings(problem, watch)
    if problem.tally:
        return _tallied(problem, watch)
    if problem.strip_sets:
        return solve_sets(problem, watch)
    if problem.batch > 1:
        return _in_batches(problem, watch, sought)
    if problem.totals:
        return _solve(problem, read_rules, watch, sought)
    fewer_needs, stands_for = merged(problem)
    return named_again(problem, _sure(fewer_needs, watch, sought), stands_for)


def _tallied(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """What is counted otherwise than piece by piece, each in its own way."""
    if isinstance(problem.tally, Drawer):
        return solve_drawer(problem, lambda plain: solve(plain, watch.anew()))
    if isinstance(problem.tally, Crumbs):
        return solve_crumbs(problem)
    return solve_tally(problem)


def _in_batches(problem: CuttingProblem, watch: Watch, sought: Sought) -> CuttingPlan:
    """The search knows only sets of pieces: of so many blocks each, sewn and cut apart."""
    each = problem.batch
    sets = Sought(sought.already // each, min(MOST_CUT, problem.batches(sought.most)))
    plan = solve(replace(problem, batch=1), watch, sets)
    return CuttingPlan(problem, plan.blocks * each, plan.bound * each, plan.layouts)


def _sure(problem: CuttingProblem, watch: Watch, sought: Sought) -> CuttingPlan:
    """A plan that keeps the print rules for sure, with a bound for any plan that keeps them."""
    rules = read_rules(problem)
    if rules.contradictory:
        return CuttingPlan(problem, 0, 0, ())
    if problem.rules and len(problem.fabrics) > _RULED + _RULED_A_SECOND * watch.seconds:
        handfuls = _handfuls(problem)
        if len(handfuls) > 1:
            return _in_handfuls(problem, handfuls, watch)
    alone, caps = _print_by_print(problem, rules, watch), _caps(problem, rules, watch)
    ceiling = _ceiling(problem, rules, caps)
    if alone.blocks >= min(ceiling, sought.most) or ceiling <= sought.already:
        return replace(alone, bound=max(alone.blocks, ceiling))
    more = replace(sought, already=max(sought.already, alone.blocks))
    plan = _solve(problem, read_rules, watch, more, caps)
    if alone.blocks >= plan.blocks:
        plan = replace(alone, bound=max(alone.blocks, plan.bound))
    if rules.exact:
        return plan
    any_plan = _solve(problem, _weakly, watch.anew(), sought)
    return replace(plan, bound=max(plan.blocks, any_plan.bound))


def _print_by_print(problem: CuttingProblem, rules: Reading, watch: Watch) -> CuttingPlan:
    """Each print cut for whole blocks of its own, the pieces then dealt out so that they differ.

    Where a print makes at most its share of all blocks, they can be: of so many parts that clash,
    each block takes every one from another print. Prints of like pieces are searched for once.
    """
    nothing = CuttingPlan(problem, 0, MOST_CUT, ())
    if not problem.rules or rules.contradictory:
        return nothing
    by_print: dict[str, list[Fabric]] = {}
    for fabric in problem.fabrics:
        by_print.setdefault(fabric.print, []).append(fabric)
    alike: dict[object, list[list[Fabric]]] = {}
    for fabrics in by_print.values():
        sizes = frozenset(Counter(map(_size_of, fabrics)).items())
        alike.setdefault(sizes, []).append(sorted(fabrics, key=lambda f: repr(_size_of(f))))
    if len(alike) > _SORTS_ALONE:
        return nothing
    blocks, most, layouts = 0, 0, list[Layout]()
    for prints in alike.values():
        own = replace(problem, fabrics=tuple(prints[0]), rules=())
        brief = Watch(max(_LEAST_ALONE, watch.seconds * _FOR_A_SORT))
        plan = _solve(own, read_rules, brief, EVERY_BLOCK)
        watch.spend(brief.spent)
        blocks += plan.blocks * len(prints)
        most = max(most, plan.blocks)
        for fabrics in prints:
            same = dict(zip((f.name for f in prints[0]), fabrics, strict=True))
            layouts.extend(replace(each, fabric=same[each.fabric.name]) for each in plan.layouts)
    shares = [
        sum(rules.parts[n].times for n in clash.parts) + len(clash.free) for clash in rules.clashes
    ]
    if any(share * most > blocks for share in shares):
        return nothing
    return CuttingPlan(problem, blocks, MOST_CUT, tuple(layouts))


def _in_handfuls(
    problem: CuttingProblem, handfuls: Sequence[CuttingProblem], watch: Watch
) -> CuttingPlan:
    """Many fabrics under print rules: a handful of prints after the other makes its own blocks.

    No plan gives more than one that need not keep the rules.
    """
    free = replace(problem, rules=())
    brief = Watch(watch.seconds * _FOR_THE_BOUND)
    bound = Search(free, read_rules(free), brief).bound
    watch.spend(brief.spent)
    blocks, layouts = 0, list[Layout]()
    for place, handful in enumerate(handfuls):
        seconds = max(_FOR_A_HANDFUL, watch.left / (len(handfuls) - place))
        brief = Watch(seconds)
        plan = _solve(handful, read_rules, brief, EVERY_BLOCK)
        watch.spend(brief.spent)
        blocks += plan.blocks
        layouts.extend(plan.layouts)
    return CuttingPlan(problem, blocks, max(bound, blocks), tuple(layouts))


def _handfuls(problem: CuttingProblem) -> list[CuttingProblem]:
    """The fabrics dealt out print by print, so that each handful has as much of every sort.

    There are no more handfuls than leave each some prints to choose from.
    """
    prints: dict[str, list[Fabric]] = {}
    for fabric in problem.fabrics:
        prints.setdefault(fabric.print, []).append(fabric)
    alike = sorted(prints.values(), key=lambda p: (sorted(p[0].roles), _area(p)))
    many = max(1, min(len(problem.fabrics) // _HANDFUL, len(prints) // _PRINTS))
    hands = [[fabric for p in alike[n::many] for fabric in p] for n in range(many)]
    return [replace(problem, fabrics=tuple(hand)) for hand in hands]


def _area(fabrics: Sequence[Fabric]) -> Fraction:
    return sum((f.width * f.length * f.count for f in fabrics), Fraction(0))


def _weakly(problem: CuttingProblem) -> Reading:
    return read_rules(problem, sure=False)


def _solve(
    problem: CuttingProblem,
    read: Callable[[CuttingProblem], Reading],
    watch: Watch,
    sought: Sought,
    caps: Caps | None = None,
) -> CuttingPlan:
    """The most blocks under the rules as they are read, and the bound.

    Fewer fabrics are searched for as a whole first: mostly that is soon done. `caps` are those of
    the rules, if they are known.
    """
    apart = [problem] if problem.totals else separate(problem)
    plan = CuttingPlan(problem, 0, MOST_CUT, ())
    if len(problem.fabrics) <= _FEW_FABRICS or len(apart) == 1:
        rules = read(problem)
        search = Search(
            problem, rules, watch, _caps(problem, rules, watch) if caps is None else caps
        )
        if search.bound <= sought.already:
            return replace(plan, bound=search.bound)
        search.finish(min(search.bound, sought.most), briefly=len(apart) > 1)
        plan = CuttingPlan(problem, search.blocks, search.bound, search.layouts(search.blocks))
    enough = plan.proved or plan.blocks >= sought.most
    if len(apart) == 1 or enough or watch.nearly_over:
        return plan
    found = _apart(problem, [(one, read(one)) for one in apart], watch, sought)
    bound = min(plan.bound, found.bound)
    return replace(found if found.blocks > plan.blocks else plan, bound=bound)


def _caps(problem: CuttingProblem, rules: Reading, watch: Watch) -> Caps:
    """How many of the parts that must come from one print each print gives at most.

    What area alone or the cutting of a print by itself rules out, the whole search would find out
    only piece by piece.
    """
    caps: dict[int, dict[str, int]] = {}
    known: dict[object, int] = {}
    for number, part in enumerate(rules.parts):
        if sum(count for _, count in part.needs) < 2:
            continue
        needs = tuple(replace(problem.needs[n], count=count) for n, count in part.needs)
        by_print: dict[str, list[Fabric]] = {}
        for fabric in problem.fabrics:
            if any(fabric.serves(need) for need in needs):
                by_print.setdefault(fabric.print, []).append(fabric)
        caps[number] = {}
        for name, fabrics in by_print.items():
            sizes = frozenset(Counter(map(_size_of, fabrics)).items())
            if (needs, sizes) not in known:
                exactly = len(known) < _CAPS_SOUGHT
                known[needs, sizes] = _cap(needs, fabrics, watch if exactly else None)
            caps[number][name] = known[needs, sizes]
    return caps


def _size_of(fabric: Fabric) -> tuple[object, ...]:
    turns = fabric.directional, fabric.is_strip, fabric.roles
    return fabric.width, fabric.length, fabric.count, *turns


def _ceiling(problem: CuttingProblem, rules: Reading, caps: Caps) -> int:
    """No more blocks than this: of no part are there more than all prints together give."""
    of_parts = (sum(most.values()) // rules.parts[n].times for n, most in caps.items())
    return min(problem.blocks_by_area, *of_parts) if caps else problem.blocks_by_area


def _cap(needs: Sequence[Need], fabrics: Sequence[Fabric], watch: Watch | None) -> int:
    """The most whole parts of these needs that the fabrics give; without a watch, by area."""
    alone = CuttingProblem(tuple(needs), tuple(fabrics))
    if watch is None:
        return alone.blocks_by_area
    brief = Watch(max(_LEAST_ALONE, watch.seconds * _FOR_A_CAP))
    plan = _solve(alone, read_rules, brief, EVERY_BLOCK)
    watch.spend(brief.spent)
    return min(plan.bound, alone.blocks_by_area)


def _apart(
    problem: CuttingProblem,
    parts: Sequence[tuple[CuttingProblem, Reading]],
    watch: Watch,
    sought: Sought,
) -> CuttingPlan:
    """As many blocks as the scarcest part of the problem gives, and no more of the others.

    What there is plenty of is searched first, and soon done; the scarcest has the time left.
    """
    each = watch.left / len(parts)
    searches = [
        Search(part, rules, Watch(each), _caps(part, rules, watch)) for part, rules in parts
    ]
    bound = min(search.bound for search in searches)
    if bound <= sought.already:
        return CuttingPlan(problem, 0, bound, ())
    most = min(bound, sought.most)
    waiting = sorted(searches, key=lambda search: search.bound)
    while waiting:
        search = waiting.pop()
        spent = sum(other.watch.spent for other in searches)
        search.watch.let((watch.left - spent) / (len(waiting) + 1))
        search.finish(most)
        most = min(most, search.blocks)
    watch.spend(sum(search.watch.spent for search in searches))
    layouts = (layout for search in searches for layout in search.layouts(most))
    bound = min(search.bound for search in searches)
    return CuttingPlan(problem, most, bound, tuple(layouts))
