"""How close the cliff is: the least cloth that still gives as many blocks, and where more begin.

The count can change only where a side of some piece of fabric becomes a sum of sides of the block's
pieces. Between two such lengths nothing changes, and longer cloth never gives fewer: so the cliff
is found exactly, by halving the list of those lengths.

    change   inches added to the side of every fabric that depends on how wide the cloth was
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cutting.generation.filling import reachable
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.cutting.scale import in_units, unit_of
from kersey.core.cutting.solver import Sought
from kersey.core.measure.length import Units, format_length
from kersey.core.yields.count import NONE, Count, count_of
from kersey.core.yields.report import at_usable, known_at, near, room_to_spare

# As far as cloth differs from its label: 40 instead of 42, 44 at the most. Where fewer blocks
# begin is looked for further down.
REACH = Fraction(2)
_DEEPEST = Fraction(6)


@dataclass(frozen=True)
class Cliffs:
    """At `change` (0 or less) there are still as many blocks, with any less cloth only `below`.

    None: six inches less give as many. `more_at`: so much more cloth first gives `more` blocks.
    Only what is proved is a cliff: `fewer_sure` and `more_sure` say whether it lies just there.
    """

    change: Fraction | None
    below: Count
    more_at: Fraction | None
    more: Count
    fewer_sure: bool = True
    more_sure: bool = True

    def in_words(self, usable: Fraction, many: str, units: Units, cloth: str = "fabric") -> str:
        """What there is to know, in one or two sentences, for cloth of a usable length.

        `many` is how many there are, such as "40 blocks"; `cloth` names what is so long.
        """
        return " ".join(self._sentences(usable, many, units, cloth))

    def _sentences(self, usable: Fraction, many: str, units: Units, cloth: str) -> Iterator[str]:
        if self.change is not None and self.fewer_sure:
            needed = format_length(usable + self.change, units)
            less = "none" if self.below == NONE else self.below.in_words
            need = "needs" if many.startswith("1 ") else "need"
            yield f"{many} {need} {needed} of {cloth}; any less makes {less}."
        elif self.change is not None:
            enough = format_length(usable + self.change, units)
            yield f"{enough} of {cloth} is enough for {many}."
            yield "Kersey can't rule out that less would do."
        if self.more_at is not None:
            at = format_length(usable + self.more_at, units)
            yield f"At {at} you get {self.more.in_words}."
            if not self.more_sure:
                yield "Kersey can't rule out more before that."
        if self.change is None and self.more_at is None:
            if self.more_sure:
                yield f"A little more or less fabric makes no difference: it is still {many}."
            else:
                yield f"A little less fabric still makes {many}."
                yield "Kersey can't rule out that a little more makes more."


def cliffs(
    plan: CuttingPlan,
    count_for: Callable[[CuttingProblem, Sought], Count],
    known: Mapping[Fraction, Count] | None = None,
) -> Cliffs:
    """Where the count of a plan changes.

    `count_for` counts the same question with other cloth, as far as blocks are sought, and `known`
    are those of some changes already.
    """
    problem, here = plan.problem, count_of(plan)
    tried = {Fraction(0): here, -room_to_spare(plan): here, **(known or {})}

    def at(change: Fraction) -> Count:
        count = known_at(change, tried)
        if not count.proved and change not in tried:
            changed = at_usable(problem, change)
            tried[change] = count_for(changed, near(plan, change)) if changed else NONE
            count = known_at(change, tried)
        return count

    steps = _steps(problem)
    fewer = [step for step in steps if step <= 0]
    least = _first(fewer, lambda step: at(step).blocks >= plan.blocks)
    more = [step for step in steps if step > 0]
    gain = _first(more, lambda step: at(step).blocks > plan.blocks)
    lower = [step for step in fewer if least is not None and step < least]
    before = [Fraction(0), *(step for step in more if gain is None or step < gain)]
    below = at(lower[-1]) if lower else here
    return Cliffs(
        change=least if lower else None,
        below=below,
        more_at=gain,
        more=at(gain) if gain is not None else here,
        fewer_sure=below.bound < plan.blocks if lower else True,
        more_sure=at(before[-1]).bound <= plan.blocks,
    )


def _steps(problem: CuttingProblem) -> list[Fraction]:
    """Every change within reach at which some side becomes a sum of pieces' sides.

    The deepest is always among them: of large pieces there may be no other below.
    """
    sides = [side for need in problem.needs for side in (need.width, need.height)]
    sides += [need.least for need in problem.needs if need.least is not None]
    unit = unit_of(sides)
    lengths = {fabric.usable for fabric in problem.fabrics if fabric.depends_on_width}
    if not lengths:
        return [-_DEEPEST]
    sums = reachable([in_units(side, unit) for side in sides], in_units(max(lengths) + REACH, unit))
    found = {int(total) * unit - length for total in sums for length in lengths}
    return sorted({-_DEEPEST, *(step for step in found if -_DEEPEST <= step <= REACH)})


def _first(steps: Sequence[Fraction], holds: Callable[[Fraction], bool]) -> Fraction | None:
    """The first step for which it holds; once it holds it goes on holding."""
    low, high = 0, len(steps)
    while low < high:
        middle = (low + high) // 2
        if holds(steps[middle]):
            high = middle
        else:
            low = middle + 1
    return steps[low] if low < len(steps) else None
