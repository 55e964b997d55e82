"""A request for a yield, as JSON, and its answer.

The kinds are ``request/1`` and ``yield/1``. Lengths come in as numbers of
inches or in a person's own writing, and go out as plain numbers. Every fault names its field:
``fabrics[3].width: must be more than 0``.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from typing import Any, Literal

from pydantic import Field

from kersey.core.blocks.assembly import Assembly
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.technique import CUT
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.cutting.tally import THRIFTY, WASTEFUL, Crumbs
from kersey.core.measure.length import YARD
from kersey.core.measure.workshop import QUARTER_INCH, USUAL_WIDTH
from kersey.core.yields.report import Limit, YieldReport
from kersey.formats.json_number import number
from kersey.formats.request_fields import (
    COUNT,
    MOST_FABRICS,
    NUMBER,
    TEXT,
    BlockPart,
    FabricPart,
    Length,
    RequestPart,
    block_asked,
    block_choice,
    check_roles,
    check_seam_of,
    checked,
    fabric_of,
    inlined,
    list_of,
    object_of,
    parsed,
)

REQUEST, ANSWER = "request/1", "yield/1"


class YieldRequest(RequestPart):
    """What is asked."""

    kersey: Literal["request/1"]
    seam: Length = QUARTER_INCH
    usable_width: Length = USUAL_WIDTH
    fabrics: list[FabricPart] = Field(min_length=1, max_length=MOST_FABRICS)
    block: BlockPart


@dataclass(frozen=True)
class RequestRead:
    """A request read: the problem, and how its block is made."""

    problem: CuttingProblem
    assembly: Assembly
    block: BlockChoice
    seam: Fraction


def read_request(content: bytes) -> RequestRead:
    """The question a file asks; raises `BadRequest` with one line that names the field."""
    return question_of(parsed(content))


def question_of(found: Any) -> RequestRead:
    """The question of a request already parsed; raises `BadRequest`."""
    request = checked(YieldRequest, found)
    check_seam_of(request.seam)
    fabrics = tuple(
        fabric_of(part, n, request.usable_width) for n, part in enumerate(request.fabrics)
    )
    asked = block_asked(block_choice(request.block), fabrics, request.seam)
    check_roles(request.fabrics, asked.assembly.needs, asked.block)
    return RequestRead(asked.problem, asked.assembly, asked.block, request.seam)


def write_answer(question: RequestRead, report: YieldReport) -> dict[str, Any]:
    """The answer as plain words and numbers, in their order."""
    plan = report.plan
    answer: dict[str, Any] = {
        "kersey": ANSWER,
        "blocks": plan.blocks,
        "proved": plan.proved and not question.block.proved_for,
        "bound": _bound(question, plan),
    }
    assembly = question.assembly
    if assembly.finished:
        answer["finished"] = [number(side) for side in assembly.finished]
    if question.block.makes_one_piece and plan.blocks:
        assembly = whole_piece(question.block, question.seam, plan).assembly
        assert assembly.finished is not None
        answer["becomes"] = [number(side) for side in assembly.finished]
    if question.block.known and question.block.known.strings:
        assembly = question.assembly
    if isinstance(plan.problem.tally, Crumbs):
        answer["estimate"] = _spread(plan, plan.problem.tally)
    if assembly.drawn_true or question.block.makes_one_piece:
        answer["unit"] = question.block.unit
        answer["makes"] = list(_makes(assembly, _set_length(plan)))
    answer["limits"] = [
        {
            "role": limit.role,
            "reason": limit.reason,
            "blocks": limit.count.blocks,
            "bound": limit.count.bound,
            "one_more": _one_more(limit),
        }
        for limit in report.limits
    ]
    answer["layouts"] = [
        {
            "fabric": layout.fabric.name,
            "copies": layout.copies,
            "width": number(layout.fabric.width),
            "length": number(layout.fabric.length),
            "cuts": [
                {
                    "label": cut.need.label,
                    "role": cut.need.role,
                    "x": number(cut.x),
                    "y": number(cut.y),
                    "width": number(cut.width),
                    "length": number(cut.length),
                }
                for cut in layout.cuts
            ],
        }
        for layout in plan.layouts
    ]
    answer["leftovers"] = [
        {
            "fabric": left.fabric,
            "width": number(left.width),
            "length": number(left.length),
            "count": left.count,
        }
        for left in report.leftovers
    ]
    answer["sensitivity"] = [
        {"usable_change": number(change), "blocks": count.blocks, "bound": count.bound}
        for change, count in report.sensitivity
    ]
    return answer


def _bound(question: RequestRead, plan: CuttingPlan) -> int:
    """No plan can exceed it, whichever way it is cut: where the proof holds for some ways only, as
    many as there is cloth for, and the one that may need less than the others."""
    if not question.block.proved_for:
        return plan.bound
    problem = plan.problem
    there = sum((f.width * f.length * f.count for f in problem.fabrics), Fraction(0))
    batch = sum((n.width * n.height * n.count for n in problem.needs), Fraction(0))
    return max(plan.bound, int(there * problem.batch / batch)) + 1


def _one_more(limit: Limit) -> str:
    """What one more is of: a form, or so much off the bolt."""
    if limit.length is None:
        return limit.one_more.form
    return f"{limit.length / YARD} yd"


def _spread(plan: CuttingPlan, tally: Crumbs) -> list[int]:
    """How few and how many shapes the crumbs may come to."""
    crumbs = [(f.width, f.length) for f in plan.problem.fabrics for _ in range(f.count)]
    return [tally.shapes(crumbs, share) for share in (WASTEFUL, THRIFTY)]


def _set_length(plan: CuttingPlan) -> Fraction | None:
    """How long every strip set is at least, where any is sewn."""
    lengths = [max(cut.width, cut.length) for layout in plan.layouts for cut in layout.cuts]
    return min(lengths, default=None) if plan.problem.strip_sets else None


def _makes(assembly: Assembly, set_length: Fraction | None) -> Iterator[dict[str, Any]]:
    """What is sewn for one block, in that order: unfinished, as it comes off, and trimmed.

    What is long is as high as it is sewn, and as long as its strips.
    """
    for make in assembly.makes:
        if make.how == CUT:
            continue
        count = assembly.counts[make]
        width, length = (number(side) for side in make.size)
        written: dict[str, Any] = {"name": make.name, "count": number(count)}
        if make.long:
            length = number(set_length or make.size[1])
        if make.raw is None:
            yield written | {"width": width, "length": length}
        else:
            raw = float(make.raw)
            yield written | {"width": raw, "length": raw, "trimmed": [width, length]}


def schemas() -> dict[str, Any]:
    """The JSON Schema of requests, and of answers."""
    request = YieldRequest.model_json_schema()
    return {"request": request, "request_inline": inlined(request), "yield": _ANSWER_SCHEMA}


# Of pieces of one's own nobody knows how they are sewn; only what is trimmed has two sizes.
_NOT_ALWAYS = frozenset({"finished", "unit", "makes", "trimmed", "becomes", "estimate"})

_ANSWER_SCHEMA = {
    "title": "YieldAnswer",
    **object_of(
        _NOT_ALWAYS,
        kersey={"const": ANSWER},
        blocks=COUNT,
        proved={"type": "boolean"},
        bound=COUNT,
        finished={"type": "array", "items": NUMBER, "minItems": 2, "maxItems": 2},
        becomes={"type": "array", "items": NUMBER, "minItems": 2, "maxItems": 2},
        estimate={"type": "array", "items": COUNT, "minItems": 2, "maxItems": 2},
        unit=TEXT,
        makes=list_of(
            object_of(
                _NOT_ALWAYS,
                name=TEXT,
                count=NUMBER,
                width=NUMBER,
                length=NUMBER,
                trimmed={"type": "array", "items": NUMBER, "minItems": 2, "maxItems": 2},
            )
        ),
        limits=list_of(object_of(role=TEXT, reason=TEXT, one_more=TEXT, blocks=COUNT, bound=COUNT)),
        layouts=list_of(
            object_of(
                fabric=TEXT,
                copies=COUNT,
                width=NUMBER,
                length=NUMBER,
                cuts=list_of(
                    object_of(
                        label=TEXT, role=TEXT, x=NUMBER, y=NUMBER, width=NUMBER, length=NUMBER
                    )
                ),
            )
        ),
        leftovers=list_of(object_of(fabric=TEXT, width=NUMBER, length=NUMBER, count=COUNT)),
        sensitivity=list_of(object_of(usable_change=NUMBER, blocks=COUNT, bound=COUNT)),
    ),
}
