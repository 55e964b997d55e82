"""Everything that is to be said of a yield, piece by piece, the most wanted first.

Each part is a real recomputation. Where a plan could not be proved the most in the first seconds,
the search goes on at the end, as long as it is let.
"""

from collections.abc import Generator, Iterator, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.cutting.problem import MOST_CUT, CuttingPlan, CuttingProblem
from kersey.core.cutting.solver import EVERY_BLOCK, Sought
from kersey.core.cutting.watch import Watch
from kersey.core.yields.cliffs import Cliffs, cliffs
from kersey.core.yields.count import NONE, Count
from kersey.core.yields.even_plan import EvenPlan, even_plan
from kersey.core.yields.report import (
    Asked,
    Explaining,
    Limit,
    Spare,
    checked_plan,
    fewest_fabrics,
    limits,
    sensitivity,
    spare_pieces,
)

# Seconds for the first answer, within what feels like no wait; for a better one; for each
# variation, and once more where that was not exact; for an even plan; for a proof at the end.
FIRST, SECOND, VARIATION, LONGER, EVEN, LAST = 1.0, 5.0, 1.5, 8.0, 4.0, 60.0


@dataclass(frozen=True)
class YieldQuestion:
    """A problem, the same at other seams (inches), and whether print rules are only a wish.

    Wished-for rules hold when they cost no block, and are dropped when they do. `other_way`: the
    problem for the same block made the other of two ways, where both are of interest.
    `cut_safely`: the problem with cut sizes that are on no ruler taken at the next mark up. `known`
    is a plan found before: nothing worse is told.
    """

    problem: CuttingProblem
    other_way: CuttingProblem | None = None
    at_seams: tuple[tuple[Fraction, CuttingProblem | None], ...] = ()
    rules_are_a_wish: bool = False
    cut_safely: CuttingProblem | None = None
    known: CuttingPlan | None = None

    def run(self) -> "Iterator[YieldSoFar]":
        """The answer as it grows; the last one is `done`. Raises `FaultyPlan`."""
        return yield_steps(self)


@dataclass(frozen=True)
class OnlyTried:
    """A question of which the blocks alone are wanted, while something is still being moved."""

    question: YieldQuestion

    def run(self) -> "Iterator[YieldSoFar]":
        """The first answer. Raises `FaultyPlan`."""
        yield first_answer(self.question)


@dataclass(frozen=True)
class YieldSoFar:
    """What is known up to now; a part that is None is still being worked out.

    `other_way`: by strip sets where the plan cuts pieces singly, and the other way round. Only a
    plan by single pieces has an `even` one beside it.
    """

    plan: CuttingPlan
    rules_cost: Count = NONE
    other_way: CuttingPlan | None = None
    even: EvenPlan | None = None
    even_tried: bool = False
    limits: tuple[Limit, ...] | None = None
    cliffs: Cliffs | None = None
    sensitivity: tuple[tuple[Fraction, Count], ...] | None = None
    seams: tuple[tuple[Fraction, Count], ...] | None = None
    safely: Count | None = None
    spare: tuple[Spare, ...] | None = None
    done: bool = False


def first_answer(question: YieldQuestion, seconds: float = FIRST) -> YieldSoFar:
    """The plan alone, with the rules kept or dropped; `rules_cost` says what they cost in blocks.

    Raises `FaultyPlan`.
    """
    plan = checked_plan(question.problem, Watch(seconds))
    if not question.rules_are_a_wish or not question.problem.rules:
        return YieldSoFar(plan)
    free = checked_plan(replace(question.problem, rules=()), Watch(seconds))
    if free.blocks <= plan.blocks:
        return YieldSoFar(plan)
    cost = Count(max(0, free.blocks - plan.bound), free.bound - plan.blocks)
    return YieldSoFar(free, cost)


def yield_steps(question: YieldQuestion) -> Iterator[YieldSoFar]:
    """The answer as it grows; the last one is `done`. Raises `FaultyPlan`.

    What was not exact is asked once more at the end, for longer.
    """
    known = _no_worse(first_answer(question), question.known)
    if question.other_way is not None:
        other = replace(question, problem=question.other_way)
        known = replace(known, other_way=first_answer(other).plan)
    yield known
    if not known.plan.proved:
        known = replace(known, plan=better(known.plan, Watch(SECOND)))
        yield known
    answers = _Answers(VARIATION)
    known = yield from _explained(known, question, answers)
    blocks = known.plan.blocks
    if not known.plan.proved:
        yield known
        known = replace(known, plan=better(known.plan, Watch(LAST)))
    if known.plan.blocks > blocks:
        # What explained another plan does not stand beside this one.
        known = YieldSoFar(known.plan, known.rules_cost, known.other_way)
    # What is tallied is counted in one go: a longer search finds the same.
    unsure = not answers.exact and question.problem.tally is None
    if known.plan.blocks > blocks or unsure:
        yield known
        answers.seconds = LONGER
        known = yield from _explained(known, question, answers)
    yield replace(known, done=True)


def _explained(
    known: YieldSoFar, question: YieldQuestion, answers: "_Answers"
) -> Generator[YieldSoFar, None, YieldSoFar]:
    """The answer with all that is said beside its plan, the most wanted first."""
    plan = known.plan
    explaining = Explaining(answers.seconds, counts_of=answers.counts_of)

    def count_for(problem: CuttingProblem, sought: Sought = EVERY_BLOCK) -> Count:
        ((count, _),) = answers.counts_of([Asked(problem, answers.seconds, sought)])
        return as_compared(count, problem, plan)

    known = replace(known, limits=tuple(limits(plan, explaining)))
    yield known
    if not known.even_tried:
        singly = known.other_way if known.other_way and plan.problem.strip_sets else plan
        known = replace(known, even=even_plan(singly, Watch(EVEN)), even_tried=True)
        yield known
    known = replace(known, sensitivity=sensitivity(plan, explaining))
    yield known
    known = replace(known, cliffs=cliffs(plan, count_for, dict(known.sensitivity or ())))
    yield known
    seams = (
        (seam, replace(p, rules=plan.problem.rules) if p else None) for seam, p in question.at_seams
    )
    known = replace(
        known, seams=tuple((seam, count_for(other) if other else NONE) for seam, other in seams)
    )
    if question.cut_safely is not None:
        safe = replace(question.cut_safely, rules=plan.problem.rules)
        known = replace(known, safely=count_for(safe, Sought(most=plan.bound)))
    yield known
    spare = tuple(spare_pieces(plan, count_for))
    return replace(known, spare=spare, plan=fewest_fabrics(plan, spare, Watch(answers.seconds)))


@dataclass
class _Answers:
    """Questions beside a plan, each for so many `seconds`: what is exact is not asked again."""

    seconds: float
    found: dict[tuple[CuttingProblem, Sought], Count] = field(default_factory=dict)

    @property
    def exact(self) -> bool:
        """Whether no answer would be better for a longer search."""
        return all(
            count.proved or count.bound <= sought.already or count.blocks >= sought.most
            for (_, sought), count in self.found.items()
        )

    def counts_of(self, asked: Sequence[Asked]) -> Sequence[tuple[Count, float]]:
        """One question after the other."""
        return [self._answer(question) for question in asked]

    def _answer(self, question: Asked) -> tuple[Count, float]:
        before = self.found.get((question.problem, question.sought))
        if before is not None and before.proved:
            return before, 0.0
        count, spent = question.answer()
        if before is not None:
            count = count.between(before.blocks, before.bound)
        self.found[question.problem, question.sought] = count
        return count, spent


def as_compared(count: Count, problem: CuttingProblem, plan: CuttingPlan) -> Count:
    """A count with what a plan says of it: of smaller pieces there are no fewer blocks, of larger
    ones no more."""
    here = plan.problem
    if here.strip_sets or here.tally or replace(problem, needs=here.needs) != here:
        return count
    asked, known = _sizes(problem), _sizes(here)
    if asked.keys() != known.keys():
        return count
    pairs = [pair for key in asked for pair in zip(asked[key], known[key], strict=True)]
    least = plan.blocks if all(side <= other for side, other in pairs) else 0
    most = plan.bound if all(side >= other for side, other in pairs) else MOST_CUT
    return count.between(least, most)


def _sizes(problem: CuttingProblem) -> dict[tuple[str, str], tuple[Fraction, ...]]:
    return {
        (need.label, need.role): (need.width, need.height, Fraction(need.count))
        for need in problem.needs
    }


def _no_worse(found: YieldSoFar, before: CuttingPlan | None) -> YieldSoFar:
    """The answer with the plan found before, where that is the better one."""
    if before is None or before.blocks < found.plan.blocks:
        return found
    bound = found.plan.bound if before.problem == found.plan.problem else before.bound
    return replace(found, plan=replace(before, bound=min(before.bound, bound)))


def better(plan: CuttingPlan, watch: Watch) -> CuttingPlan:
    """The plan after a longer search: a better one, or a bound that comes nearer."""
    found = checked_plan(plan.problem, watch)
    bound = min(plan.bound, found.bound)
    return replace(found if found.blocks > plan.blocks else plan, bound=bound)
