"""How close the cliff is: the least cloth that still gives as many blocks, and where more begin.

The count can change only where a side of some piece of fabric becomes a sum of sides of the block's
pieces. Between two such lengths nothing changes, and longer cloth never gives fewer: so the cliff
is found exactly, by halving the list of those lengths.

    change   inches added to the side of every fabric that depends on how wide the cloth was
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cutting.generation.filling import reachable
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.cutting.scale import in_units, unit_of
from kersey.core.cutting.solver import Sought
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length
from kersey.core.yields.report import at_usable, near, room_to_spare

# As far as cloth differs from its label: 40 instead of 42, 44 at the most. Where fewer blocks
# begin is looked for further down.
REACH = Fraction(2)
_DEEPEST = Fraction(6)


@dataclass(frozen=True)
class Cliffs:
    """At `change` (0 or less) there are still as many blocks, with any less cloth only `below`.

    None: six inches less give as many. `more_at`: so much more cloth first gives `more` blocks.
    """

    change: Fraction | None
    below: int
    more_at: Fraction | None
    more: int

    def in_words(self, usable: Fraction, blocks: int, units: Units, cloth: str = "fabric") -> str:
        """What there is to know, in one or two sentences, for cloth of a usable length.

        `cloth` names what is so long.
        """
        parts = []
        if self.change is not None:
            needed = format_length(usable + self.change, units)
            need = "One block needs" if blocks == 1 else f"{counted(blocks, 'block')} need"
            less = f"{self.below}" if self.below else "none"
            parts.append(f"{need} {needed} of {cloth}; any less makes {less}.")
        if self.more_at is not None:
            parts.append(f"At {format_length(usable + self.more_at, units)} you get {self.more}.")
        stays = "one block" if blocks == 1 else counted(blocks, "block")
        return " ".join(parts) or (
            f"A little more or less fabric makes no difference: it is still {stays}."
        )


def cliffs(
    plan: CuttingPlan,
    blocks_of: Callable[[CuttingProblem, Sought], int],
    known: Mapping[Fraction, int] | None = None,
) -> Cliffs:
    """Where the count of a plan changes.

    `blocks_of` gives the blocks of the same question with other cloth, as far as they are sought,
    and `known` those of some changes already. Wider cloth never gives fewer, even where a search
    was cut short.
    """
    problem = plan.problem
    tried = {Fraction(0): plan.blocks, **(known or {})}
    free = room_to_spare(plan)

    def at(change: Fraction) -> int:
        if -free <= change <= 0:
            return plan.blocks
        if change not in tried:
            changed = at_usable(problem, change)
            tried[change] = blocks_of(changed, near(plan, change)) if changed else 0
        return max(blocks for step, blocks in tried.items() if step <= change)

    steps = _steps(problem)
    fewer = [step for step in steps if step <= 0]
    least = _first(fewer, lambda step: at(step) >= plan.blocks)
    more = [step for step in steps if step > 0]
    gain = _first(more, lambda step: at(step) > plan.blocks)
    lower = [step for step in fewer if least is not None and step < least]
    below = at(lower[-1]) if lower else 0
    return Cliffs(
        change=least if lower else None,
        below=below if lower else plan.blocks,
        more_at=gain,
        more=at(gain) if gain is not None else plan.blocks,
    )


def _steps(problem: CuttingProblem) -> list[Fraction]:
    """Every change within reach at which some side becomes a sum of pieces' sides.

    The deepest is always among them: of large pieces there may be no other below.
    """
    sides = [side for need in problem.needs for side in (need.width, need.height)]
    unit = unit_of(sides)
    lengths = {getattr(fabric, fabric.selvedge_side) for fabric in problem.fabrics}
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
