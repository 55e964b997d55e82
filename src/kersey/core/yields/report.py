"""The most blocks of any fabric, explained: what stopped it, what one more would give, how close
the cliff is, and what is left.

Everything here is a real recomputation of the same question with other fabric, never an estimate.
"""

from collections import Counter
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from math import ceil, inf

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import (
    LARGEST,
    MOST_CUT,
    CuttingPlan,
    CuttingProblem,
    Fabric,
    Layout,
    Need,
)
from kersey.core.cutting.solver import EVERY_BLOCK, Sought, solve
from kersey.core.cutting.tally import Crumbs, Drawer, Mirrored, Strings, Waves
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.measure.counting import counted
from kersey.core.measure.length import YARD
from kersey.core.yields.count import NONE, Count, count_of

# docs/trade.md section 4: half an inch and an inch less and more.
CHANGES = (Fraction(-1, 2), Fraction(-1), Fraction(1, 2), Fraction(1))
# Seconds for what one role alone could give: it is only told beside the others.
_A_ROLE = 1.0
# Questions that explain a plan take together so many times what it took itself, or that long if
# that is longer; none is begun after a quarter as long again. None is cut short before so long.
_EXPLAINING, _AT_LEAST, _NO_MORE, _LEAST_SECONDS = 2.0, 1.0, 1.25, 0.1
# So many of them are begun together.
_TOGETHER = 2
# Yardage is sold by the eighth of a yard (docs/trade.md section 4).
EIGHTH_YARD = YARD / 8
# So many pieces more of an only sort are tried where one does nothing.
_MOST_MORE = 4
_NUMBERS = {2: "two", 3: "three", 4: "four"}
# Fabrics that differ in more than this are told of by their roles, not one by one.
_MOST_LIMITS = 6


class FaultyPlan(KerseyError):
    """A plan that the checker does not pass: a fault of Kersey's, never an answer."""

    def __init__(self, found: Sequence[str]) -> None:
        self.faults = tuple(found)
        super().__init__(f"Kersey's own check refused this plan: {found[0]}")

    def __reduce__(self) -> tuple[type["FaultyPlan"], tuple[tuple[str, ...]]]:
        return FaultyPlan, (self.faults,)


@dataclass(frozen=True)
class Limit:
    """What stopped it: a role, why, and how many blocks one more piece would give.

    `one_more` names a fabric, and `count` says what one more piece of it gives. Of yardage that is
    `length` inches more, as shops cut it: so many `eighths` of a yard, enough to hold one piece.
    """

    role: str
    reason: str
    one_more: Fabric
    count: Count
    eighths: int = 1

    @property
    def length(self) -> Fraction | None:
        """How long the one more is, where it is a length off the bolt."""
        return self.eighths * EIGHTH_YARD if self.one_more.form is Form.YARDAGE else None


@dataclass(frozen=True)
class Spare:
    """Of so many pieces like this one, `pieces` could be taken away without losing a block."""

    fabric: Fabric
    pieces: int
    of: int


@dataclass(frozen=True)
class Leftover:
    """Like rectangles that are left of a fabric, biggest first. Inches, as the fabric lies."""

    fabric: str
    width: Fraction
    length: Fraction
    count: int


@dataclass(frozen=True)
class LeftOfSize:
    """Leftovers of one size, of whichever fabrics. Inches."""

    width: Fraction
    length: Fraction
    pieces: int
    fabrics: tuple[str, ...]


@dataclass(frozen=True)
class YieldReport:
    """The plan with all that is to be said of it. `sensitivity`: (change of length, count)."""

    plan: CuttingPlan
    limits: tuple[Limit, ...]
    leftovers: tuple[Leftover, ...]
    sensitivity: tuple[tuple[Fraction, Count], ...]


@dataclass(frozen=True)
class Asked:
    """A question that is asked to explain the answer to another, and the seconds it may take."""

    problem: CuttingProblem
    seconds: float
    sought: Sought = EVERY_BLOCK

    def answer(self) -> tuple[Count, float]:
        """How many blocks, and the seconds of work it took; raises `FaultyPlan`."""
        watch = Watch(self.seconds)
        return counted_plan(self.problem, watch, self.sought), watch.spent

    @property
    def not_asked(self) -> Count:
        """What is known without an answer."""
        least, most = self.sought.already, self.sought.most
        return Count(least, max(least, min(most, self.problem.blocks_by_area)))


# Answers questions, in their order; one after the other, or several at a time.
CountsOf = Callable[[Sequence[Asked]], Sequence[tuple[Count, float]]]


def one_by_one(asked: Sequence[Asked]) -> Sequence[tuple[Count, float]]:
    """Questions answered one after the other."""
    return [question.answer() for question in asked]


@dataclass(frozen=True)
class Explaining:
    """Questions that explain a plan are answered for so many `seconds` each.

    When the watch has no work left, of the others is told what is known without an answer.
    """

    seconds: float
    watch: Watch = field(default_factory=lambda: Watch(inf))
    counts_of: CountsOf = one_by_one

    def counts(self, asked: Sequence[Asked]) -> list[Count]:
        """Of each question in turn; raises `FaultyPlan`."""
        counts = list[Count]()
        # What is tallied is soon counted, and its area bounds nothing.
        tallied = any(question.problem.tally for question in asked)
        while len(counts) < len(asked) and (tallied or self.watch.left > 0):
            for count, spent in self.counts_of(asked[len(counts) : len(counts) + _TOGETHER]):
                counts.append(count)
                self.watch.spend(spent)
        return [*counts, *(question.not_asked for question in asked[len(counts) :])]


def counted_plan(problem: CuttingProblem, watch: Watch, sought: Sought = EVERY_BLOCK) -> Count:
    """How many blocks, of which those sought `already` are known; raises `FaultyPlan`."""
    return count_of(checked_plan(problem, watch, sought)).between(sought.already, MOST_CUT)


def yield_report(
    problem: CuttingProblem, watch: Watch, counts_of: CountsOf = one_by_one
) -> YieldReport:
    """Solve a problem and explain the answer; `watch` says how long the plan may take.

    All explanations together take at most four times as long again, or some seconds. Raises
    `FaultyPlan` when the checker finds fault with a plan.
    """
    plan = checked_plan(problem, watch)
    of_width, of_pieces = explaining(plan, watch.spent, counts_of)
    return YieldReport(
        plan=plan,
        sensitivity=sensitivity(plan, of_width),
        limits=tuple(limits(plan, of_pieces)),
        leftovers=tuple(leftovers(plan)),
    )


def explaining(
    plan: CuttingPlan, spent: float, counts_of: CountsOf = one_by_one
) -> tuple[Explaining, Explaining]:
    """What a plan that took so many seconds itself may be explained with: width, and pieces."""
    others = 1 + len(_roles(plan.problem)) + len(_sorts(plan.problem)[:_MOST_LIMITS])
    work = max(_AT_LEAST, _EXPLAINING * spent)
    seconds = max(_LEAST_SECONDS, work / (len(CHANGES) + others))
    shares = (n * work / (len(CHANGES) + others) for n in (len(CHANGES), others))
    width, pieces = (Explaining(seconds, Watch(_NO_MORE * share), counts_of) for share in shares)
    return width, pieces


def sensitivity(plan: CuttingPlan, explained: Explaining) -> tuple[tuple[Fraction, Count], ...]:
    """(change of the usable length, count) for cloth a little narrower and wider.

    What can be cut from narrower cloth can be cut from wider, and what no plan of wider cloth can
    exceed none of narrower can: a search that was cut short makes it neither less nor more.
    """
    free, here = room_to_spare(plan), count_of(plan)
    found = {Fraction(0): here}
    # Where every cut still fits, so do as many blocks, and narrower cloth never gives more.
    found |= {step: here for step in CHANGES if -free <= step <= 0}
    # The largest changes first: where they make no difference, smaller ones need not be asked.
    for size in sorted({abs(step) for step in CHANGES}, reverse=True):
        steps = [step for step in CHANGES if abs(step) == size and not -free <= step <= 0]
        changed = {
            step: at_usable(plan.problem, step)
            for step in steps
            if not known_at(step, found).proved
        }
        asked = {
            step: Asked(other, explained.seconds, near(plan, step))
            for step, other in changed.items()
            if other
        }
        found |= dict(zip(asked, explained.counts(list(asked.values())), strict=True))
        found |= {step: NONE for step, other in changed.items() if other is None}
    return tuple((step, known_at(step, found)) for step in CHANGES)


def known_at(change: Fraction, found: Mapping[Fraction, Count]) -> Count:
    """What is known at a change of the cloth from what was counted at others."""
    blocks = max((count.blocks for step, count in found.items() if step <= change), default=0)
    bound = min((n.bound for step, n in found.items() if step >= change), default=MOST_CUT)
    return Count(blocks, max(blocks, bound))


def near(plan: CuttingPlan, change: Fraction) -> Sought:
    """What is sought of wider cloth: more than the plan has; of narrower: as many at most."""
    return Sought(already=plan.blocks) if change > 0 else Sought(most=plan.blocks)


def room_to_spare(plan: CuttingPlan) -> Fraction:
    """How much shorter, between its selvedges, all cut fabric could be for the very same cuts.

    0 for strip sets, whose strips are as long as the cloth.
    """
    if plan.problem.strip_sets:
        return Fraction(0)
    rooms = []
    for layout in plan.layouts:
        if not layout.fabric.depends_on_width:
            continue
        side = layout.fabric.selvedge_side
        start = "x" if side == "width" else "y"
        reach = max(
            (getattr(c, start) + getattr(c, side) for c in layout.cuts), default=Fraction(0)
        )
        rooms.append(getattr(layout.fabric, side) - reach)
    # Cuts in nothing that depends on the width fit whatever that is.
    return min(rooms, default=LARGEST if plan.layouts else Fraction(0))


def checked_plan(
    problem: CuttingProblem, watch: Watch, sought: Sought = EVERY_BLOCK
) -> CuttingPlan:
    """The plan, judged by the checker before anybody sees it; raises `FaultyPlan`.

    What it took is spent of the watch.
    """
    fresh = watch.anew()
    plan = solve(problem, fresh, sought)
    watch.spend(fresh.spent)
    found = faults(plan)
    if found:
        raise FaultyPlan(found)
    return plan


def at_usable(problem: CuttingProblem, change: Fraction) -> CuttingProblem | None:
    """The same question with cloth that is so much wider between its selvedges, or narrower.

    That is the length of a strip or a fat quarter and the width of yardage; what lies on the table,
    and ends of lengths, were measured. Squares sewn as they come are then so much smaller, down to
    what the block needs. None when nothing of any fabric would be left.
    """
    fabrics = tuple(
        fabric.of_usable(fabric.usable + change) if fabric.depends_on_width else fabric
        for fabric in problem.fabrics
        if not fabric.depends_on_width or fabric.usable + change > 0
    )
    needs = tuple(_as_they_come(need, change) for need in problem.needs)
    return replace(problem, fabrics=fabrics, needs=needs) if fabrics else None


def _as_they_come(need: Need, change: Fraction) -> Need:
    if need.least is None or change >= 0:
        return need
    side = max(need.least, need.width + change)
    return replace(need, width=side, height=side)


def leftovers(plan: CuttingPlan) -> list[Leftover]:
    """Rectangles worth keeping, of cut fabric and of what was not cut at all, biggest first."""
    found: Counter[tuple[str, Fraction, Fraction]] = Counter()
    whole = {fabric.name: fabric.count for fabric in plan.problem.fabrics}
    for layout in plan.layouts:
        whole[layout.fabric.name] -= layout.copies
        for width, length in layout.left:
            found[(layout.fabric.name, width, length)] += layout.copies
    for fabric in plan.problem.fabrics:
        if whole[fabric.name] and min(fabric.width, fabric.length) >= SHORTEST_KEPT:
            found[(fabric.name, fabric.width, fabric.length)] += whole[fabric.name]
    biggest = sorted(found.items(), key=lambda item: (-item[0][1] * item[0][2], item[0]))
    return [Leftover(*key, count) for key, count in biggest]


def left_by_size(plan: CuttingPlan) -> list[LeftOfSize]:
    """The leftovers of a plan, those of one size together, the biggest first."""
    alike: dict[tuple[Fraction, Fraction], list[Leftover]] = {}
    for piece in leftovers(plan):
        alike.setdefault((piece.width, piece.length), []).append(piece)
    return [
        LeftOfSize(*size, sum(p.count for p in pieces), tuple(p.fabric for p in pieces))
        for size, pieces in alike.items()
    ]


def limits(plan: CuttingPlan, explained: Explaining) -> Iterable[Limit]:
    """One more piece of each sort of fabric, tried; those that help, and else the scarcest role."""
    problem = plan.problem
    roles, sorts = _roles(problem), _sorts(problem)[:_MOST_LIMITS]
    beyond, seconds = Sought(already=plan.blocks), explained.seconds
    by_role = [
        Asked(problem.of_role(role), min(seconds, _A_ROLE), beyond)
        for role in roles
        if len(roles) > 1
    ]
    more = [Asked(_with_one_more(problem, fabric), seconds, beyond) for fabric in sorts]
    plans = explained.counts([*by_role, *more])
    # A role alone gives pieces for no fewer blocks than all together.
    alone = dict(zip(roles, plans[: len(by_role)], strict=True)) if by_role else {}
    if not alone:
        alone = dict.fromkeys(roles, count_of(plan))
    tried = plans[len(by_role) :]
    most = max((found.blocks for found in tried), default=plan.blocks)
    together = _more_together(plan, sorts, explained) if most == plan.blocks else ""
    for fabric, count in zip(sorts, tried, strict=True):
        if count.blocks > plan.blocks or (
            most == plan.blocks and _may_help(problem, fabric, alone)
        ):
            role = _role_of(problem, fabric, alone)
            why = _reason(plan, role, alone) + together
            yield Limit(role, why, fabric, count, _eighths(problem, fabric))


def _more_together(plan: CuttingPlan, sorts: Sequence[Fabric], explained: Explaining) -> str:
    """Where no single piece more helps: what a few more of the only sort do, or one of each."""
    beyond, seconds = Sought(already=plan.blocks), explained.seconds
    if len(sorts) > 1:
        more = plan.problem
        for fabric in sorts:
            more = _with_one_more(more, fabric)
        (found,) = explained.counts([Asked(more, seconds, beyond)])
        return f"; one more of each makes {found.in_words}" if found.blocks > plan.blocks else ""
    if not sorts or sorts[0].form is Form.YARDAGE:
        return ""
    several = range(2, _MOST_MORE + 1)
    counts = explained.counts(
        [Asked(_with_more(plan.problem, sorts[0], n), seconds, beyond) for n in several]
    )
    for number, found in zip(several, counts, strict=True):
        if found.blocks > plan.blocks:
            words = f"{_NUMBERS[number]} more {FACTS[sorts[0].form].many}"
            return f"; {words} make {found.in_words}"
    return ""


def _roles(problem: CuttingProblem) -> list[str]:
    return list(dict.fromkeys(need.role for need in problem.needs))


def spare_pieces(
    plan: CuttingPlan, count_for: Callable[[CuttingProblem, Sought], Count]
) -> list[Spare]:
    """What could be taken away, of each sort of fabric by itself, without losing a block.

    Pieces are taken from the print that has most, so that prints stay as many as can be.
    """
    found = []
    for fabrics in list(sorts_of(plan.problem).values())[:_MOST_LIMITS]:
        least, most = 0, sum(fabric.count for fabric in fabrics)
        while least < most:
            middle = (least + most + 1) // 2
            fewer = without(plan.problem, fabrics, middle)
            enough = Sought(most=plan.blocks)
            if fewer is not None and count_for(fewer, enough).blocks >= plan.blocks:
                least = middle
            else:
                most = middle - 1
        found.append(Spare(fabrics[0], least, sum(fabric.count for fabric in fabrics)))
    return found


def fewest_fabrics(plan: CuttingPlan, spare: Sequence[Spare], watch: Watch) -> CuttingPlan:
    """A plan of as many blocks that leaves whole what could be taken away, sort after sort.

    Where the search does not find as many blocks without it, the plan stays as it was.
    """
    problem = plan.problem
    for sort in spare:
        alike = [f for f in problem.fabrics if _sort_of(f) == _sort_of(sort.fabric)]
        fewer = without(problem, alike, sort.pieces) if sort.pieces and alike else None
        if fewer is None:
            continue
        found = checked_plan(fewer, watch)
        if found.blocks >= plan.blocks:
            problem = fewer
            plan = replace(plan, layouts=on_all_fabric(plan.problem, found))
    return plan


def on_all_fabric(problem: CuttingProblem, found: CuttingPlan) -> tuple[Layout, ...]:
    """The layouts of a plan for less fabric, as cuts of all there is."""
    fabrics = {fabric.name: fabric for fabric in problem.fabrics}
    return tuple(replace(each, fabric=fabrics[each.fabric.name]) for each in found.layouts)


def sorts_of(problem: CuttingProblem) -> dict[tuple[object, ...], list[Fabric]]:
    """Whole fabrics of one size, form and roles, whatever their prints."""
    found: dict[tuple[object, ...], list[Fabric]] = {}
    for fabric in problem.fabrics:
        if not fabric.opened and any(fabric.serves(need) for need in problem.needs):
            found.setdefault(_sort_of(fabric), []).append(fabric)
    return found


def _sort_of(fabric: Fabric) -> tuple[object, ...]:
    return fabric.roles, fabric.form, fabric.width, fabric.length


def without(
    problem: CuttingProblem, fabrics: Sequence[Fabric], pieces: int
) -> CuttingProblem | None:
    """The question with so many pieces fewer of these; None when nothing is left."""
    left = {fabric.name: fabric.count for fabric in fabrics}
    for _ in range(pieces):
        fullest = max(left, key=lambda name: left[name])
        left[fullest] -= 1
    kept = tuple(
        replace(fabric, count=left.get(fabric.name, fabric.count))
        for fabric in problem.fabrics
        if left.get(fabric.name, fabric.count)
    )
    return replace(problem, fabrics=kept) if kept else None


def _sorts(problem: CuttingProblem) -> list[Fabric]:
    """One fabric of each sort: of those with the same roles and form, the one that gives most."""
    best: dict[tuple[object, ...], tuple[tuple[Fraction, Fraction], Fabric]] = {}
    for fabric in problem.fabrics:
        served = [need for need in problem.needs if fabric.serves(need)]
        if not served:
            continue
        gives = max(_of_one_need(fabric, need) for need in served), fabric.width * fabric.length
        sort = (fabric.roles, fabric.form)
        if sort not in best or gives > best[sort][0]:
            best[sort] = gives, fabric
    return [fabric for _, fabric in best.values()]


def _of_one_need(fabric: Fabric, need: Need) -> Fraction:
    """The area of this need alone that is cut of a piece in rows and columns, square inches."""
    most = max(
        (fabric.width // width) * (fabric.length // length) for width, length in fabric.turns(need)
    )
    return most * need.width * need.height


def _with_one_more(problem: CuttingProblem, fabric: Fabric) -> CuttingProblem:
    if fabric.form is Form.YARDAGE:
        # A length more is cut off the bolt; it is no longer piece of what is there already.
        length = _eighths(problem, fabric) * EIGHTH_YARD
        more = replace(fabric, name=f"{fabric.name}, more", length=length, count=1)
        return replace(problem, fabrics=(*problem.fabrics, more))
    return _with_more(problem, fabric, 1)


def _eighths(problem: CuttingProblem, fabric: Fabric) -> int:
    """The fewest eighths of a yard that hold a piece of this fabric."""
    served = [need for need in problem.needs if fabric.serves(need)]
    shortest = min((n.width if n.crosscut else min(n.width, n.height) for n in served), default=0)
    return max(1, ceil(shortest / EIGHTH_YARD))


def _with_more(problem: CuttingProblem, fabric: Fabric, pieces: int) -> CuttingProblem:
    fabrics = tuple(
        replace(f, count=f.count + pieces * (f.name == fabric.name)) for f in problem.fabrics
    )
    return replace(problem, fabrics=fabrics)


def _may_help(problem: CuttingProblem, fabric: Fabric, alone: dict[str, Count]) -> bool:
    """Whether the fabric serves the role that is scarcest."""
    scarcest = min(found.blocks for found in alone.values())
    served = {need.role for need in problem.needs if fabric.serves(need)}
    return any(alone[role].blocks == scarcest for role in served)


def _role_of(problem: CuttingProblem, fabric: Fabric, alone: dict[str, Count]) -> str:
    """The scarcest role that the fabric serves."""
    served = [need.role for need in problem.needs if fabric.serves(need)]
    return min(served, key=lambda role: alone[role].blocks)


def _shared(problem: CuttingProblem, role: str) -> bool:
    """Whether some fabric may serve this role and another one."""
    return any(
        len({need.role for need in problem.needs if fabric.serves(need)} | {role}) > 1
        for fabric in problem.fabrics
        if any(fabric.serves(need) for need in problem.needs if need.role == role)
    )


_WHY_NO_MORE: dict[type, str] = {
    Waves: "the tubes are cut all the way to the end",
    Mirrored: "every strip that fits the pattern is used",
    Strings: "there aren't enough strings, or long enough ones, for another block",
    Drawer: "all the units that fit the grid are in the top",
    Crumbs: "the crumbs won't make a larger sheet",
}


def _reason(plan: CuttingPlan, role: str, alone: dict[str, Count]) -> str:
    others = [other for other in alone if other != role]
    if plan.problem.tally is not None:
        return _WHY_NO_MORE[type(plan.problem.tally)]
    if plan.problem.strip_sets and not others:
        strips = sum(count for _, count in plan.problem.kinds_of_sets[0].strips)
        return (
            f"each strip set takes {strips} whole strips, and there aren't enough left for another"
        )
    if not others:
        return f"all the fabric together makes {counted(plan.blocks, 'block')}"
    if alone[role].blocks > plan.blocks and _shared(plan.problem, role):
        # As people say it: light and dark, never dark and light.
        named = sorted((role, *others), key=lambda name: (name != "light", name != "dark", name))
        return f"{', '.join(named[:-1])} and {named[-1]} share the same fabric"
    beside = ", ".join(f"{other} makes {_at_least(alone[other])}" for other in others)
    return f"{role} fabric makes {_at_least(alone[role])} blocks; {beside}"


def _at_least(plan: Count) -> str:
    return str(plan.blocks) if plan.proved else f"at least {plan.blocks}"
