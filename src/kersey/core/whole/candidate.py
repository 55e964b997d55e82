"""A block of one size that a quilt may be made of, and whether parts can be cut beside it.

What cannot be had beside some blocks cannot be had beside more of them, nor more of it beside as
many; so a cutting that was sought in vain answers for all that ask for no less.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import MOST_CUT, CuttingPlan, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import Sought, solve
from kersey.core.cutting.watch import Watch
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.strips import StripPieces, strips_for
from kersey.core.measure.workshop import Workshop
from kersey.core.quilt.parts_cut import (
    PartNeeds,
    part_needs,
    parts_alone,
    strip_lengths,
    with_parts,
)
from kersey.core.yields.just_enough import just_enough

# Work for the blocks of one candidate, and for one question whether parts can be cut beside them.
_A_CANDIDATE, _A_TRIAL = 0.5, 0.4
# For a binding of so many inches, of twice as many and so on it is known what it leaves at most.
_EVERY = 120

# How much of everything parts ask for: pieces of a size, or inches of a strip that is joined.
_Demand = dict[tuple[str, Fraction, Fraction], Fraction]
Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Candidate:
    """A block of one size, and the most of it that the cloth gives if nothing else is cut.

    `missing` are pieces of a role that no cloth serves, to be bought. A `one_piece` is a quilt of
    its own, made of everything that `most` cuts.
    """

    block: BlockChoice
    finished: Size
    most: CuttingPlan
    missing: tuple[Need, ...] = ()
    one_piece: bool = False

    @property
    def blocks(self) -> int:
        """How many places of a quilt they fill."""
        return 1 if self.one_piece else self.most.blocks

    @cached_property
    def area(self) -> Fraction:
        """Square inches of the cloth there is in what fills one place."""
        problem = self.most.problem
        needs = sum((n.width * n.height * n.count for n in problem.needs), Fraction(0))
        return needs / problem.batch * (self.most.blocks if self.one_piece else 1)

    @property
    def beside_parts(self) -> bool:
        """Whether parts can be cut beside its pieces, from the same cloth."""
        return not (self.most.problem.strip_sets or self.most.problem.tally)

    def cut_blocks(self, scheme: Scheme) -> int:
        """How many the search must cut for a scheme."""
        return self.most.blocks if self.one_piece else scheme.blocks

    def to_buy(self, scheme: Scheme, shop: Workshop) -> dict[str, Fraction]:
        """Cloth for the missing pieces by role, in inches off the bolt, strip by strip."""
        found: dict[str, Fraction] = {}
        sets = self.most.problem.batches(self.cut_blocks(scheme))
        for need in self.missing:
            ways = [
                StripPieces(need.label, sets * need.count, wide, long)
                for wide, long in ((need.width, need.height), (need.height, need.width))
                if long <= shop.usable_width
            ]
            cloth = min(strips_for([way], shop).cloth for way in ways)
            found[need.role] = found.get(need.role, Fraction(0)) + cloth
        return found


def candidate_of(
    block: BlockChoice,
    problem: CuttingProblem,
    finished: Size,
    may_buy: frozenset[str],
    shop: Workshop,
) -> Candidate | None:
    """How many of a block the cloth gives; None where that is none.

    Pieces of a role that no cloth serves and that `may_buy` names come off a bolt.
    """
    served = tuple(n for n in problem.needs if any(f.serves(n) for f in problem.fabrics))
    missing = tuple(n for n in problem.needs if n not in served)
    if missing:
        buyable = all(
            n.role in may_buy and min(n.width, n.height) <= shop.usable_width for n in missing
        )
        if not (buyable and served) or problem.strip_sets or problem.tally:
            return None
        roles = {need.role for need in served}
        rules = tuple(rule for rule in problem.rules if set(rule.roles) <= roles)
        problem = replace(problem, needs=served, rules=rules)
    plan = solve(problem, Watch(_A_CANDIDATE))
    if not plan.blocks or faults(plan):
        return None
    return Candidate(block, finished, plan, missing)


class CanBeHad:
    """Whether a candidate's blocks and parts of a quilt can be cut from the cloth there is.

    `tried` counts the cuttings that were searched for.
    """

    def __init__(self, candidate: Candidate, fabrics: Sequence[Fabric]) -> None:
        self.candidate, self.fabrics = candidate, tuple(fabrics)
        self._missed: list[tuple[int, _Demand]] = []
        self._known: dict[object, tuple[CuttingPlan, ...] | None] = {}
        self._beside: dict[int, int] = {}
        self.tried = 0

    def plans(self, blocks: int, parts: Sequence[PartNeeds]) -> tuple[CuttingPlan, ...] | None:
        """What cuts so many blocks, and these parts; None where it is not found."""
        if not parts:
            return (replace(self.candidate.most, blocks=blocks),)
        key = blocks, tuple(parts)
        if key not in self._known:
            demand = _demand(parts)
            hopeless = any(b <= blocks and _no_less(demand, d) for b, d in self._missed)
            self._known[key] = None if hopeless else self._sought(blocks, parts)
            if self._known[key] is None:
                self._missed.append((blocks, demand))
        return self._known[key]

    def beside_run(
        self, blocks: Floats, run: Floats, width: Fraction, cloth: tuple[Fabric, ...]
    ) -> NDArray[np.bool_]:
        """Where so many blocks may leave a joined strip so long; False only where they cannot."""
        asked = np.asarray(run // _EVERY, dtype=int)
        most = {step: self._most_beside(step, width, cloth) for step in np.unique(asked).tolist()}
        beside = np.vectorize(most.__getitem__, otypes=[float])(asked)
        found: NDArray[np.bool_] = blocks <= beside
        return found

    def _most_beside(self, step: int, width: Fraction, cloth: tuple[Fabric, ...]) -> int:
        """No more blocks than this are possible beside a binding of so many steps."""
        if not cloth or not self.candidate.beside_parts:
            return MOST_CUT if cloth else 0
        if step not in self._beside:
            strip = StripPieces("binding", 1, width, Fraction(max(1, step * _EVERY)))
            needs = part_needs(
                PartCut(PartKind.BINDING, (strip,), width, run=True),
                strip_lengths(PartKind.BINDING, width, cloth),
            )
            self._beside[step] = 0
            if needs is not None:
                # With so many had already nothing is searched for: only the bound is found. Rules
                # for prints could only lower it, and take long.
                asked = with_parts(replace(self._problem, rules=()), [needs])
                plan = solve(asked, Watch(_A_TRIAL), Sought(already=MOST_CUT))
                self._beside[step] = plan.bound
        return self._beside[step]

    def _sought(self, blocks: int, parts: Sequence[PartNeeds]) -> tuple[CuttingPlan, ...] | None:
        self.tried += 1
        return self.cut(blocks, parts)

    @property
    def _problem(self) -> CuttingProblem:
        return replace(self.candidate.most.problem, fabrics=self.fabrics)

    def cut(self, blocks: int, parts: Sequence[PartNeeds]) -> tuple[CuttingPlan, ...] | None:
        """Search for what cuts so many blocks and these parts."""
        if self.candidate.beside_parts:
            found = _found(with_parts(self._problem, parts), blocks)
            return (found,) if found else None
        # Whole strips are sewn into sets: the parts have what is not opened for them.
        of_blocks = just_enough(self.candidate.most, blocks)
        return beside_plan(of_blocks, self.fabrics, parts)


def beside_plan(
    plan: CuttingPlan, fabrics: Sequence[Fabric], parts: Sequence[PartNeeds]
) -> tuple[CuttingPlan, ...] | None:
    """A plan, and one that cuts parts from the cloth it does not open; None if there is none."""
    found = _found(with_parts(_not_opened(plan, fabrics), parts), 1)
    return (plan, found) if found else None


def _not_opened(plan: CuttingPlan, fabrics: Sequence[Fabric]) -> CuttingProblem:
    """A question of no blocks for the cloth that a plan does not open."""
    left = {fabric.name: fabric.count for fabric in fabrics}
    for layout in plan.layouts:
        left[layout.fabric.name] -= layout.copies
    return parts_alone(replace(f, count=left[f.name]) for f in fabrics if left[f.name] > 0)


def _found(problem: CuttingProblem, blocks: int) -> CuttingPlan | None:
    plan = solve(problem, Watch(_A_TRIAL), Sought(already=blocks - 1, most=blocks))
    enough = plan.blocks >= blocks and not faults(replace(plan, blocks=blocks))
    return replace(plan, blocks=blocks) if enough else None


def _demand(parts: Sequence[PartNeeds]) -> _Demand:
    found: _Demand = {}
    for part in parts:
        for total in part.totals:
            need = part.needs[total.counts[0][0]]
            length = Fraction(0) if part.joined else need.height
            key = part.part.name, need.width, length
            found[key] = found.get(key, Fraction(0)) + total.least
    return found


def _no_less(demand: _Demand, than: _Demand) -> bool:
    return all(demand.get(key, -1) >= least for key, least in than.items())
