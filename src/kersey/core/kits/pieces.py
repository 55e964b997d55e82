"""The pieces that a plan makes: by fabric, by kit and by block."""

from collections import Counter
from collections.abc import Iterable, Sequence

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Need
from kersey.core.project.kept_plan import Kit


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
