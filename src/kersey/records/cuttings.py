"""Cutting plans as documents that say every problem, fabric and need only once.

    {"problems": [{"needs": [...], "fabrics": [...], "rules": [...]}],
     "plan": {"problem": 0, "blocks": 80, "bound": 80,
              "layouts": [{"fabric": 3, "copies": 2, "along": true,
                           "cuts": [[0, "0", "0", "5/2", "13/2"], ...], "left": [["5/2", "3"]]}]}}

A cut is the place of its need in the problem, then x, y, width and length in inches.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from functools import lru_cache
from typing import Annotated

from pydantic import Field, PlainSerializer, PlainValidator

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Layout, Need

_EXACT = re.compile(r"-?\d{1,40}(/[1-9]\d{0,39})?")


# The same few lengths stand in a document hundreds of times.
@lru_cache(maxsize=4096)
def _exact(text: str) -> Fraction:
    if not _EXACT.fullmatch(text):
        raise ValueError("must be exact inches, like 13/2")
    return Fraction(text)


def _length(value: object) -> Fraction:
    return _exact(value) if isinstance(value, str) else _exact("")


ExactLength = Annotated[Fraction, PlainValidator(_length), PlainSerializer(str)]
Place = Annotated[int, Field(ge=0)]
_CutLine = tuple[Place, ExactLength, ExactLength, ExactLength, ExactLength]


@dataclass(frozen=True)
class LayoutDocument:
    """A layout; its fabric by its place in the problem."""

    fabric: Place
    copies: int
    cuts: tuple[_CutLine, ...]
    left: tuple[tuple[ExactLength, ExactLength], ...]
    along: bool


@dataclass(frozen=True)
class CuttingDocument:
    """A plan; its problem by its place among those of the whole document.

    `more`: what is cut beside the needs of the problem, like strings for their places; their places
    follow on those of the problem's.
    """

    problem: Place
    blocks: int
    bound: int
    layouts: tuple[LayoutDocument, ...]
    more: tuple[Need, ...] = ()


@dataclass
class Problems:
    """The problems that the plans of one document are for."""

    found: list[CuttingProblem] = field(default_factory=list)

    def document(self, plan: CuttingPlan) -> CuttingDocument:
        """A plan as a document; its problem is added where it is a new one."""
        if plan.problem not in self.found:
            self.found.append(plan.problem)
        fabrics = {fabric.name: n for n, fabric in enumerate(plan.problem.fabrics)}
        known = {(need.label, need.role) for need in plan.problem.needs}
        cut = dict.fromkeys(cut.need for layout in plan.layouts for cut in layout.cuts)
        more = tuple(need for need in cut if (need.label, need.role) not in known)
        every = (*plan.problem.needs, *more)
        needs = {(need.label, need.role): n for n, need in enumerate(every)}
        layouts = tuple(
            LayoutDocument(
                fabric=fabrics[layout.fabric.name],
                copies=layout.copies,
                cuts=tuple(
                    (needs[cut.need.label, cut.need.role], cut.x, cut.y, cut.width, cut.length)
                    for cut in layout.cuts
                ),
                left=layout.left,
                along=layout.along,
            )
            for layout in plan.layouts
        )
        place = self.found.index(plan.problem)
        return CuttingDocument(place, plan.blocks, plan.bound, layouts, more)


def cutting_from(document: CuttingDocument, problems: Sequence[CuttingProblem]) -> CuttingPlan:
    """The plan of a document; raises `IndexError` where it names what is not there."""
    problem = problems[document.problem]
    needs = (*problem.needs, *document.more)
    layouts = tuple(
        Layout(
            fabric=problem.fabrics[layout.fabric],
            copies=layout.copies,
            cuts=tuple(
                Cut(needs[need], x, y, width, length) for need, x, y, width, length in layout.cuts
            ),
            left=layout.left,
            along=layout.along,
        )
        for layout in document.layouts
    )
    return CuttingPlan(problem, document.blocks, document.bound, layouts)
