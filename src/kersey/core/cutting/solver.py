"""The most whole blocks of any fabric.

Pieces that can change places are taken for one need (`interchange`). Needs that share neither
fabric nor a rule are searched for apart (`separate`), each by its own programme (`search`); strip
sets are reckoned as such (`strip_sets`).

Print rules become conditions on how many blocks draw from each print (`print_rules`).
"""

from collections.abc import Callable, Sequence
from dataclasses import replace
from fractions import Fraction

from kersey.core.cutting.interchange import merged, named_again
from kersey.core.cutting.print_rules import Reading, read_rules
from kersey.core.cutting.problem import MOST_CUT, CuttingPlan, CuttingProblem, Fabric, Layout
from kersey.core.cutting.search import Search
from kersey.core.cutting.separate import separate
from kersey.core.cutting.strip_sets import solve_sets
from kersey.core.cutting.watch import Watch

# So many fabrics are searched for as a whole first.
_FEW_FABRICS = 300
# Under print rules so many fabrics, and so many more for every second, are searched for as a whole;
# more of them in handfuls of so many fabrics and at least so many prints, each in no less than so
# many seconds. The bound has then this share of the time.
_RULED, _RULED_A_SECOND, _HANDFUL, _PRINTS = 200, 40, 20, 15
_FOR_A_HANDFUL, _FOR_THE_BOUND = 0.15, 0.3


def solve(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """The most blocks found while the watch runs, with the bound.

    The same question gives the same answer: the watch counts work, not time.
    """
    if problem.in_sets:
        return solve_sets(problem, watch)
    fewer_needs, stands_for = merged(problem)
    return named_again(problem, _sure(fewer_needs, watch), stands_for)


def _sure(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """A plan that keeps the print rules for sure, with a bound for any plan that keeps them."""
    rules = read_rules(problem)
    if rules.contradictory:
        return CuttingPlan(problem, 0, 0, ())
    if problem.rules and len(problem.fabrics) > _RULED + _RULED_A_SECOND * watch.seconds:
        handfuls = _handfuls(problem)
        if len(handfuls) > 1:
            return _in_handfuls(problem, handfuls, watch)
    plan = _solve(problem, read_rules, watch)
    if rules.exact:
        return plan
    any_plan = _solve(problem, _weakly, watch.anew())
    return replace(plan, bound=max(plan.blocks, any_plan.bound))


def _in_handfuls(
    problem: CuttingProblem, handfuls: Sequence[CuttingProblem], watch: Watch
) -> CuttingPlan:
    """Many fabrics under print rules: a handful of prints after the other makes its own blocks.

    No plan gives more than one that need not keep the rules.
    """
    free = replace(problem, rules=())
    brief = Watch(watch.clock, watch.seconds * _FOR_THE_BOUND)
    bound = Search(free, read_rules(free), brief).bound
    watch.spend(brief.spent)
    blocks, layouts = 0, list[Layout]()
    for place, handful in enumerate(handfuls):
        seconds = max(_FOR_A_HANDFUL, watch.left / (len(handfuls) - place))
        brief = Watch(watch.clock, seconds)
        plan = _solve(handful, read_rules, brief)
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
    problem: CuttingProblem, read: Callable[[CuttingProblem], Reading], watch: Watch
) -> CuttingPlan:
    """The most blocks under the rules as they are read, and the bound.

    Fewer fabrics are searched for as a whole first: mostly that is soon done.
    """
    apart = separate(problem)
    plan = CuttingPlan(problem, 0, MOST_CUT, ())
    if len(problem.fabrics) <= _FEW_FABRICS or len(apart) == 1:
        search = Search(problem, read(problem), watch)
        search.finish(search.bound, briefly=len(apart) > 1)
        plan = CuttingPlan(problem, search.blocks, search.bound, search.layouts(search.blocks))
    if len(apart) == 1 or plan.proved or watch.nearly_over:
        return plan
    found = _apart(problem, [(one, read(one)) for one in apart], watch)
    bound = min(plan.bound, found.bound)
    return replace(found if found.blocks > plan.blocks else plan, bound=bound)


def _apart(
    problem: CuttingProblem, parts: Sequence[tuple[CuttingProblem, Reading]], watch: Watch
) -> CuttingPlan:
    """As many blocks as the scarcest part of the problem gives, and no more of the others.

    What there is plenty of is searched first, and soon done; the scarcest has the time left.
    """
    each = watch.left / len(parts)
    searches = [Search(part, rules, Watch(watch.clock, each)) for part, rules in parts]
    most = min(search.bound for search in searches)
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
