"""The search: patterns priced one after the other, then whole numbers of each.

The linear programme over all patterns (found as they are needed: column generation) bounds the
answer from above; its whole part is the bound that no plan can exceed. Whole numbers of the
patterns found are then chosen by an integer programme (HiGHS). Where that misses the bound, the
remaining fabric is priced anew for what is still wanted.
"""

from collections.abc import Sequence
from dataclasses import replace
from fractions import Fraction

from kersey.core.cutting.generation.bring_in import (
    KINDS_FOR_A_PROOF,
    add_everything,
    add_near,
    add_untrimmed,
    dive,
    generate,
)
from kersey.core.cutting.generation.greedy import cut_in_rounds
from kersey.core.cutting.generation.many_kinds import MANY_KINDS, ManyKinds
from kersey.core.cutting.generation.parts import Caps, Parts, parts_of
from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.generation.programme import (
    ALL_TRIES,
    BUT_THE_LAST,
    THE_LAST,
    Cuts,
    Known,
    Programme,
    better,
)
from kersey.core.cutting.generation.slots import Slots
from kersey.core.cutting.layout import lay_out
from kersey.core.cutting.patterns import Kind
from kersey.core.cutting.print_rules import Reading
from kersey.core.cutting.problem import CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.scale import in_units, unit_of
from kersey.core.cutting.watch import Watch

# A programme that is not complete has this share of what is left; of many kinds of fabric, for
# which no more will be brought in, more of it.
_FIRST_SHARE, _ONLY_SHARE = 0.6, 0.9
# Of a piece that holds so many strips, and of which there are only so few, strips are laid freely;
# and where there are no more pieces of fabric at all than this, of every one.
_MANY_STRIPS, _RARE, _FEW_PIECES = 16, 4, 12
# In finer units than so many a side a programme would be too inexact for that.
_COARSE = 100_000
# So many frames and fillings make a programme that is solved at once; so many, one worth trying.
_FEW, _MANY = (150, 400), (2000, 4000)
# From so many kinds of fabric on a plan is made in rounds too, if whole numbers gave no more than
# this share of the bound.
_KINDS_FOR_ROUNDS, _GOOD_SHARE = 60, 0.97


class Search:
    """The search for the most blocks of a problem whose rules are read so.

    `bound` is known from the beginning; `blocks` and `cuts` once it is finished.
    """

    def __init__(
        self, problem: CuttingProblem, rules: Reading, watch: Watch, caps: Caps | None = None
    ) -> None:
        self.problem, self.watch = problem, watch
        parts = parts_of(problem, rules, caps)
        self.kinds, self.fabrics = _kinds(problem, parts)
        self.bound, self.blocks = 0, 0
        self.cuts: Cuts = []
        self._programme: Programme | ManyKinds | None = None
        if not self.kinds or not parts.possible(self.kinds):
            return
        needs = need_sizes(problem)
        if len(self.kinds) > MANY_KINDS and not problem.rules and not problem.totals:
            self._programme = ManyKinds(parts, needs, self.kinds, watch)
            self.bound = self._programme.bound
        else:
            self._pricer = Pricer(needs, self.kinds, watch)
            self._programme = programme_of(parts, self.kinds, self._pricer, watch)
            self.bound = generate(self._programme, self._pricer, watch)

    def finish(self, most: int, briefly: bool = False) -> None:
        """Find whole blocks, at most so many; the bound falls where fewer are proved the most.

        `briefly`: no more is tried than what is soon done.
        """
        target = min(self.bound, most)
        if isinstance(self._programme, ManyKinds):
            self.blocks, self.cuts = self._programme.plan(target)
        elif self._programme:
            found = whole_blocks(self._programme, self._pricer, target, self.watch, briefly)
            bound, self.blocks, self.cuts = found
            if bound < target:
                self.bound = bound

    def layouts(self, blocks: int) -> tuple[Layout, ...]:
        """Every fabric that is cut for so many of the blocks found."""
        return lay_out(self.problem, self.kinds, self.fabrics, self.cuts, blocks)


def programme_of(parts: Parts, kinds: Sequence[Kind], pricer: Pricer, watch: Watch) -> Programme:
    """The programme of a problem, with all large pieces laid freely."""
    known = Known(parts, kinds, Slots(pricer))
    known.breadths = pricer.breadths
    few = sum(kind.count for kind in kinds) <= _FEW_PIECES
    known.large_ways = [
        way
        for way in pricer.ways
        if max(kinds[way[0]].width, kinds[way[0]].length) <= _COARSE
        and (few or _is_large(kinds[way[0]], pricer.breadths))
    ]
    return Programme(known, watch)


def need_sizes(problem: CuttingProblem) -> list[tuple[int, int]]:
    """(width, height) of each need, in units."""
    unit = unit_of_needs(problem)
    return [(in_units(need.width, unit), in_units(need.height, unit)) for need in problem.needs]


def unit_of_needs(problem: CuttingProblem) -> Fraction:
    """The largest unit in which all sides of the needs are whole."""
    return unit_of(side for need in problem.needs for side in (need.width, need.height))


def _kinds(problem: CuttingProblem, parts: Parts) -> tuple[list[Kind], list[list[int]]]:
    """Fabrics that are alike for the question, taken together; and which they are."""
    unit = unit_of_needs(problem)
    found: dict[Kind, list[int]] = {}
    for number, fabric in enumerate(problem.fabrics):
        serves = tuple(n for n, need in enumerate(problem.needs) if fabric.serves(need))
        kind = Kind(
            in_units(fabric.width, unit),
            in_units(fabric.length, unit),
            0,
            serves,
            parts.print_class(fabric.print),
            fabric.directional,
            fabric.is_strip,
        )
        if any(_fits(problem.needs[n], fabric) for n in serves):
            found.setdefault(kind, []).append(number)
    kinds = [
        replace(kind, count=sum(problem.fabrics[n].count for n in numbers))
        for kind, numbers in found.items()
    ]
    return kinds, list(found.values())


def _fits(need: Need, fabric: Fabric) -> bool:
    """Whether a piece can be cut from it at all."""
    return any(
        width <= fabric.width and length <= fabric.length for width, length in fabric.turns(need)
    )


def _is_large(kind: Kind, breadths: Sequence[int]) -> bool:
    """Whether so many strips lie in a piece that its frames cannot all be known, and it is rare."""
    return kind.count <= _RARE and max(kind.width, kind.length) // breadths[0] >= _MANY_STRIPS


def whole_blocks(
    programme: Programme, pricer: Pricer, bound: int, watch: Watch, briefly: bool
) -> tuple[int, int, Cuts]:
    """Whole blocks: (bound, blocks, cuts); the bound falls when fewer are proved to be the most.

    With every frame and every filling, where they are few, the integer programme itself decides.
    Else it has the fillings that need no trim, and what pricing has found; where that misses the
    bound, more is tried as long as there is time.
    """
    complete = add_everything(programme.known, pricer, _FEW)
    if not complete:
        add_untrimmed(programme.known, pricer)
    blocks, cuts = _first_plan(programme, bound, complete, watch)
    if briefly and not complete:
        return bound, blocks, cuts
    if not complete:
        bound, blocks, cuts = _with_all_near(programme, pricer, (bound, blocks, cuts), watch)
    if not complete and blocks < bound and watch.left > 0:
        complete = add_everything(programme.known, pricer, _MANY)
        if complete:
            blocks, cuts = better(blocks, cuts, *programme.whole(bound, beaten=blocks))
    if complete:
        return min(bound, max(blocks, programme.whole_bound)), blocks, cuts
    for target in range(bound, blocks, -1):
        if watch.left <= 0 or blocks >= target:
            break
        if dive(programme, pricer, target, watch):
            blocks, cuts = better(blocks, cuts, *programme.whole(target, beaten=blocks))
    return bound, blocks, cuts


def _first_plan(programme: Programme, bound: int, complete: bool, watch: Watch) -> tuple[int, Cuts]:
    """The best plan of what the programme has now."""
    kinds = len(programme.known.kinds)
    to_the_end = complete or kinds > KINDS_FOR_A_PROOF
    share = 1.0 if complete else _ONLY_SHARE if to_the_end else _FIRST_SHARE
    tries = ALL_TRIES if to_the_end else BUT_THE_LAST
    blocks, cuts = (0, []) if watch.left <= 0 else programme.whole(bound, share, tries=tries)
    if not blocks or (kinds > _KINDS_FOR_ROUNDS and blocks < _GOOD_SHARE * bound):
        blocks, cuts = better(blocks, cuts, *_in_rounds(programme, bound, watch))
    return blocks, cuts


def _with_all_near(
    programme: Programme, pricer: Pricer, found: tuple[int, int, Cuts], watch: Watch
) -> tuple[int, int, Cuts]:
    """(bound, blocks, cuts) once all that the bound could need was tried; the bound may fall."""
    bound, blocks, cuts = found
    while blocks < bound and not watch.nearly_over:
        if not add_near(programme, pricer, bound):
            if programme.whole_bound > blocks:
                # What was begun goes on.
                last = programme.whole(bound, beaten=blocks, tries=THE_LAST)
                blocks, cuts = better(blocks, cuts, *last)
            break
        blocks, cuts = better(blocks, cuts, *programme.whole(bound, beaten=blocks))
        if blocks == bound or programme.whole_bound >= bound:
            break
        bound -= 1
    return bound, blocks, cuts


def _in_rounds(programme: Programme, bound: int, watch: Watch) -> tuple[int, Cuts]:
    """A plan without whole numbers, if no rule binds prints; else what little time allows."""
    known = programme.known
    problem = known.parts.problem
    if problem.totals:
        # Many such questions are asked one after the other: none may take long.
        return 0, []
    if problem.rules:
        return programme.whole(bound, tries=THE_LAST, late=True)
    prices = known.parts.prices(programme.wanted)[0]
    counts = [need.count for need in problem.needs]
    return cut_in_rounds(need_sizes(problem), counts, known.kinds, prices, bound, watch)
