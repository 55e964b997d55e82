"""What a label or a pattern promises, held against the arithmetic, and the usual slip behind it.

A count is compared with the blocks that can be cut; when it differs, the same question is asked
with each usual slip made: seams forgotten, wider cloth, a strip too few or too many, only the area
divided. A size is compared with what the block is finished, unfinished, and with its seams
forgotten. A slip is named only when it gives just what was promised.

Source: docs/trade.md section 4.
"""

import itertools
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Patch, Size
from kersey.core.cloth.forms import FACTS
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.cutting.watch import Watch
from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length, format_size
from kersey.core.yields.count import Count
from kersey.core.yields.report import at_usable, counted_plan

MOST_CLAIMED = 100_000
_SECONDS_A_SLIP = 1.0
# Cloth as wide as it lies with its selvedges, and what batiks reach.
_WIDER = ((Fraction(1), "1″ more between the selvages"), (Fraction(2), "the selvages were counted"))
_NARROWER = ((Fraction(-1), "1″ less fabric"), (Fraction(-2), "the safe width, 2″ less"))


class BadClaim(InvalidValue):
    """A promise that nobody can have made."""


@dataclass(frozen=True)
class Verdict:
    """Whether the arithmetic agrees, in a sentence; and the slips that explain it if not."""

    agrees: bool
    says: str
    slips: tuple[str, ...]
    claimed: str = ""


@dataclass(frozen=True)
class CountClaim:
    """A promised number of blocks, and the plan it is held against; `seam` in inches."""

    claimed: int
    plan: CuttingPlan
    seam: Fraction

    def run(self) -> Iterator[Verdict]:
        """The verdict; raises `BadClaim`."""
        watch = Watch(_SECONDS_A_SLIP)
        yield judge_count(
            self.claimed, self.plan, self.seam, lambda problem: counted_plan(problem, watch)
        )


def judge_count(
    claimed: int, plan: CuttingPlan, seam: Fraction, count_for: Callable[[CuttingProblem], Count]
) -> Verdict:
    """Hold a promised number of blocks against a plan; raises `BadClaim`.

    `seam` in inches; `count_for` counts the blocks of a question changed by a slip.
    """
    if not 1 <= claimed <= MOST_CLAIMED:
        raise BadClaim(f"Type 1 to {MOST_CLAIMED} blocks, like 54.")
    if claimed == plan.blocks:
        sure = "" if plan.proved else f" More may be possible, up to {plan.bound}."
        return Verdict(True, f"That's right: {counted(plan.blocks, 'block')}.{sure}", ())
    few = claimed < plan.blocks
    slips = _too_few(plan) if few else _too_many(plan, seam)
    named = tuple(
        words
        for words, problem in slips
        if problem is not None and count_for(problem) == Count(claimed, claimed)
    )
    named = (*_miscounted(plan, claimed), *named)
    if not few and claimed == plan.problem.blocks_by_area:
        named = (*named, "only the area was divided, as if cutting left no waste")
    if few:
        says = f"You can make more: {plan.blocks}, which is {plan.blocks - claimed} more."
    elif claimed > plan.bound:
        says = f"Not possible: no cutting plan makes more than {plan.bound}."
    else:
        says = f"Not found: Kersey can make {plan.blocks}, but can't rule out {claimed}."
    return Verdict(False, says, named, str(claimed))


def judge_size(
    claimed: Size, finished: Size, patches: Sequence[Patch], seam: Fraction, units: Units
) -> Verdict:
    """Hold a promised block size against the finished one; lengths in inches."""
    if min(claimed) <= 0:
        raise BadClaim("Type a block size larger than 0, like 6 1/2.")
    true = format_size(*finished, units)
    if sorted(claimed) == sorted(finished):
        return Verdict(True, f"That's right: it finishes at {true}.", ())
    named = []
    if sorted(claimed) == sorted(side + 2 * seam for side in finished):
        named.append(f"that is the unfinished size; in the quilt it finishes at {true}")
    across = _pieces_along(patches, finished, 0), _pieces_along(patches, finished, 1)
    raw = {
        side + 2 * seam * pieces
        for side, counts in zip(finished, across, strict=True)
        for pieces in counts
    }
    if not named and raw.issuperset(claimed):
        named.append(
            "seam allowances were left out: side by side, the cut pieces measure "
            f"{format_length(claimed[0], units)}"
        )
    return Verdict(False, f"It finishes at {true}.", tuple(named), format_size(*claimed, units))


def _miscounted(plan: CuttingPlan, claimed: int) -> Iterator[str]:
    """One piece fewer, or one more, counted from every piece of fabric than fits."""
    (need, *others) = plan.problem.needs
    if others or plan.problem.strip_sets:
        return
    cuts = [(len(layout.cuts), layout.copies) for layout in plan.layouts]
    # The plan leaves out pieces beyond the last block: what fits is counted from its fullest.
    fits = max((count for count, _ in cuts), default=0)
    pieces = sum(f.count for f in plan.problem.fabrics)
    nouns = {FACTS[f.form].one for f in plan.problem.fabrics}
    noun = nouns.pop() if len(nouns) == 1 else "piece of fabric"
    alike = len({(f.width, f.length) for f in plan.problem.fabrics}) == 1
    for step, words in ((-1, "one fewer than fits"), (1, "one more than fits")):
        sets = pieces * (fits + step) // need.count
        if alike and fits + step > 0 and sets * plan.problem.batch == claimed:
            yield f"{fits + step} pieces were counted from each {noun}, {words}"


def _too_few(plan: CuttingPlan) -> Iterator[tuple[str, CuttingProblem | None]]:
    problem = plan.problem
    for change, words in _NARROWER:
        yield f"{words}, to be careful", at_usable(problem, change)
    for fabric in problem.fabrics[:8]:
        fewer = tuple(
            replace(f, count=f.count - (f is fabric))
            for f in problem.fabrics
            if f is not fabric or f.count > 1
        )
        yield (
            f"one {fabric.name} was not used",
            (replace(problem, fabrics=fewer) if fewer else None),
        )


def _too_many(plan: CuttingPlan, seam: Fraction) -> Iterator[tuple[str, CuttingProblem | None]]:
    problem = plan.problem
    needs = tuple(
        replace(need, width=need.width - 2 * seam, height=need.height - 2 * seam)
        for need in problem.needs
        if min(need.width, need.height) > 2 * seam
    )
    if len(needs) == len(problem.needs):
        bare = replace(problem, needs=needs, rules=problem.rules)
        yield "seam allowances were left out: finished sizes were used for cutting", bare
    for change, words in _WIDER:
        yield f"wider fabric was assumed: {words}", at_usable(problem, change)
    if problem.rules:
        yield "prints were allowed to repeat within a block", replace(problem, rules=())
    for fabric in problem.fabrics[:8]:
        more = tuple(replace(f, count=f.count + (f is fabric)) for f in problem.fabrics)
        yield f"one {fabric.name} too many was counted", replace(problem, fabrics=more)


def _pieces_along(patches: Sequence[Patch], finished: Size, axis: int) -> set[int]:
    """How many patches a straight line along an axis crosses, wherever it is drawn."""
    other = 1 - axis
    edges = sorted({corner[other] for patch in patches for corner in patch.corners})
    counts = set()
    for low, high in itertools.pairwise(edges):
        line = (low + high) / 2
        counts.add(
            sum(
                min(c[other] for c in patch.corners) < line < max(c[other] for c in patch.corners)
                for patch in patches
            )
        )
    return counts
