"""The most columns, or strips side by side, that whole strips give (`tally`).

Strips run the whole side of their fabric. A strip is only split lengthwise; of other cloth like
pieces are all cut the same way, along or across, whichever gives most. No plan can exceed what
there would be if every piece gave its most strips, each as long as its longer side.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import islice, product

from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout
from kersey.core.cutting.tally import Mirrored, Waves

# Of more sorts of fabric than this the ways are not all tried with one another.
_MOST_TRIED = 256


@dataclass(frozen=True)
class _Way:
    """A fabric cut into so many strips of this length, along its length or across it."""

    fabric: Fabric
    along: bool
    strips: int
    length: Fraction

    def given(self) -> list[tuple[str, Fraction]]:
        """Its strips by print and length."""
        return [(self.fabric.print, self.length)] * (self.strips * self.fabric.count)


def with_tubes(problem: CuttingProblem) -> CuttingProblem:
    """The question with as many strips in a tube as half of all make, where none are said.

    It then stays so many, whatever fabric is taken away or added while the answer is explained.
    """
    if not isinstance(problem.tally, Waves) or problem.tally.strips:
        return problem
    plan = solve_tally(problem)
    strips = sum(layout.copies * len(layout.cuts) for layout in plan.layouts)
    return replace(problem, tally=replace(problem.tally, strips=strips // 2))


def solve_tally(problem: CuttingProblem) -> CuttingPlan:
    """The most columns or strips for a problem with a tally."""
    assert isinstance(problem.tally, Waves | Mirrored)
    ways = [found for fabric in problem.fabrics if (found := list(_ways(problem, fabric)))]
    tally, best, strips = problem.tally, list[_Way](), list[tuple[str, Fraction]]()
    blocks = 0
    for chosen in islice(product(*ways), _MOST_TRIED):
        given = [strip for way in chosen for strip in way.given()]
        units = tally.units(given)
        if not best or units > blocks:
            best, strips, blocks = list(chosen), given, units
    most = [
        strip
        for of_it in ways
        for strip in _Way(
            of_it[0].fabric, True, max(w.strips for w in of_it), max(w.length for w in of_it)
        ).given()
    ]
    layouts = tuple(_layouts(problem, best, tally.used(strips)))
    return CuttingPlan(problem, blocks, max(blocks, tally.units(most)), layouts)


def _ways(problem: CuttingProblem, fabric: Fabric) -> Iterator[_Way]:
    need = problem.needs[0]
    if not fabric.serves(need):
        return
    for along in (True,) if fabric.is_strip or fabric.directional else (True, False):
        across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
        strips = int(across // need.width)
        if strips and run >= need.height:
            yield _Way(fabric, along, strips, run)


def _layouts(
    problem: CuttingProblem, ways: Sequence[_Way], used: Counter[tuple[str, Fraction]]
) -> Iterator[Layout]:
    """The strips that are used, piece of fabric by piece of fabric."""
    need, left = problem.needs[0], Counter(used)
    for way in ways:
        fabric, key = way.fabric, (way.fabric.print, way.length)
        copies: Counter[int] = Counter()
        for _ in range(fabric.count):
            taken = min(way.strips, left[key])
            left[key] -= taken
            copies[taken] += 1
        for strips, times in copies.items():
            if not strips:
                continue
            sizes = (need.width, way.length) if way.along else (way.length, need.width)
            cuts = tuple(
                Cut(need, n * need.width, Fraction(0), *sizes)
                if way.along
                else Cut(need, Fraction(0), n * need.width, *sizes)
                for n in range(strips)
            )
            across = fabric.width if way.along else fabric.length
            rest = across - strips * need.width
            kept = rest >= SHORTEST_KEPT and way.length >= SHORTEST_KEPT
            over = ((rest, way.length) if way.along else (way.length, rest),) if kept else ()
            yield Layout(fabric, times, cuts, over, way.along)
