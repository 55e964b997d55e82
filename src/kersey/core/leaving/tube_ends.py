"""The two ends of every tube that is cut to and fro: half accent, half strips, sewn already.

    tube of height H, its last cuts at 45 degrees: what is left at either end is at least H - s long
    at its seam, so opened it is a right triangle with legs of at least  sqrt 2 (H - 2s)
    two of them sewn together along the long side make a square of  sqrt 2 (H - 3s)  unfinished

Lengths are rounded down to an eighth: what is written down is really there. Source: docs/trade.md
section 3, strip-tube triangles.
"""

from collections import Counter, defaultdict
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.kits.sewn_sets import SewnSet, strip_sets
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.root2 import Root2
from kersey.core.quilt.quilt import Quilt


@dataclass(frozen=True)
class TubeEnds:
    """Ends with legs of this length; pairs make a square so large, unfinished. `stacks` count them
    by the fabric that most of each is, `shares` are square inches of each fabric in all of them."""

    leg: Fraction
    pair: Fraction
    stacks: tuple[tuple[str, int], ...]
    shares: tuple[tuple[str, Fraction], ...]


def tube_ends(quilt: Quilt) -> TubeEnds | None:
    """The ends of the tubes of a quilt; None where it has no tubes."""
    plan = quilt.kept.cutting
    if not plan.problem.strip_sets:
        return None
    tubes = [each for each in strip_sets(plan, quilt.project.design.deal) if each.to_and_fro]
    if not tubes:
        return None
    seam = quilt.kept.seam
    height = next(need.height for need in plan.problem.needs if need.first)
    leg = Root2(root=height - 2 * seam).floor_to(EIGHTH)
    stacks, shares = Counter[str](), defaultdict[str, Fraction](Fraction)
    for tube in tubes:
        of = _shares(quilt, tube)
        stacks[max(of, key=lambda name: of[name])] += 2
        for name, part in of.items():
            # Two ends of leg x leg / 2.
            shares[name] += part * leg * leg
    pair = Root2(root=height - 3 * seam).floor_to(EIGHTH)
    return TubeEnds(leg, pair, tuple(stacks.items()), tuple(shares.items()))


def _shares(quilt: Quilt, tube: SewnSet) -> dict[str, Fraction]:
    """What part of a tube is of each fabric: its layers are alike, each of the strips of a role."""
    problem = quilt.kept.cutting.problem
    kind = problem.kinds_of_sets[tube.kind]
    needs = [problem.needs[place] for place, count in kind.strips for _ in range(count)]
    layers = defaultdict[str, Fraction](Fraction)
    for need in needs:
        layers[need.role] += need.width
    found = defaultdict[str, Fraction](Fraction)
    for name, need in zip(tube.strips, needs, strict=True):
        found[name] += need.width / layers[need.role] / len(layers)
    return found
