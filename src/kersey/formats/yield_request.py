"""A request for a yield, as JSON, and its answer.

The kinds are ``request/1`` and ``yield/1``. Lengths come in as numbers of
inches or in a person's own writing, and go out as plain numbers. Every fault names its field:
``fabrics[3].width: must be more than 0``.
"""

import json
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, Any, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, ValidationError, WithJsonSchema

from kersey.core.blocks.assembly import Assembly, How
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import PIECES, BlockChoice, written_option
from kersey.core.blocks.recipe import BadRecipe, Option, Recipe
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import FACTS
from kersey.core.cloth.forms import Form as FabricForm
from kersey.core.cutting.problem import (
    ANY,
    LARGEST,
    CuttingPlan,
    CuttingProblem,
    Fabric,
    Need,
    PrintRule,
)
from kersey.core.cutting.tally import THRIFTY, WASTEFUL, Crumbs
from kersey.core.cutting.whole_strips import with_tubes
from kersey.core.errors import InvalidValue, KerseyError
from kersey.core.measure.length import YARD, parse_length
from kersey.core.measure.workshop import QUARTER_INCH, USUAL_WIDTH, check_seam
from kersey.core.yields.report import Limit, YieldReport

REQUEST, ANSWER = "request/1", "yield/1"
MOST_BYTES = 4 * 1024 * 1024
TOO_LARGE = "request: must be at most 4 MB"
_LONGEST = 120
_MOST_FABRICS, _MOST_NEEDS, _MOST_RULES = 20_000, 200, 60
_SMALLEST, _LARGEST = Fraction(1, 100), LARGEST


# What fabric may be for beside the pieces of a block.
_OF_THE_QUILT = (ANY, "background", "sashing", "cornerstone", "binding", "backing", "batting")
_BORDER = re.compile(r"border(-\d{1,2})?")


class BadRequest(InvalidValue):
    """A request that cannot be used, in one line that names the field."""


def _length(value: Any) -> Any:
    if isinstance(value, bool) or not isinstance(value, int | float | str):
        raise ValueError("must be a number of inches, or a length like “2 1/2”")
    try:
        # A number means what is written: 2.6 is 26 tenths, not the nearest binary fraction.
        length = parse_length(value) if isinstance(value, str) else Fraction(str(value))
    except (InvalidValue, OverflowError, ValueError) as error:
        raise ValueError(f"must be a length like 2.5 or “2 1/2”, not {value!r:.40}") from error
    if length <= 0:
        raise ValueError("must be more than 0")
    if length < _SMALLEST:
        raise ValueError(f"must be at least {float(_SMALLEST)}")
    if length > _LARGEST:
        raise ValueError(f"must be at most {_LARGEST}")
    return length


_NUMBER_OF_INCHES = {
    "type": "number", "minimum": float(_SMALLEST), "maximum": int(_LARGEST),
}  # fmt: skip
Length = Annotated[
    Fraction,
    BeforeValidator(_length),
    WithJsonSchema({"anyOf": [_NUMBER_OF_INCHES, {"type": "string"}]}),
]
# Lengths of one option: a width and a length, or the widths of strips.
Sides = Annotated[list[int | float | str], Field(max_length=20)]
Name = Annotated[str, Field(min_length=1, max_length=_LONGEST)]
Count = Annotated[int, Field(ge=1, le=100_000, strict=True)]


class _Part(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class FabricPart(_Part):
    """Like physical pieces of one print."""

    id: Name
    print: Name | None = None
    form: Literal["strip", "square", "fat-quarter", "fat-eighth", "yardage", "piece"]
    count: Count = 1
    width: Length | None = None
    length: Length | None = None
    value: Value | None = None
    roles: list[Name] = Field(default_factory=list, max_length=40)
    directional: Annotated[bool, Field(strict=True)] = False


class PiecePart(_Part):
    """A piece of a block, by its cut size."""

    label: Name
    role: Name = ANY
    width: Length
    length: Length
    count: Annotated[int, Field(ge=1, le=1000, strict=True)] = 1


class RulePart(_Part):
    """Which prints go together in a block."""

    roles: list[Name] = Field(min_length=1, max_length=40)
    print: Literal["same", "different"]


class BlockPart(_Part):
    """A named recipe, or the pieces themselves."""

    recipe: Annotated[Name, Field(json_schema_extra={"enum": [*recipes(), PIECES]})]
    finished: Length | tuple[Length, Length] | None = None
    options: dict[Name, int | float | str | bool | Sides] = Field(
        default_factory=dict, max_length=20
    )
    pieces: list[PiecePart] = Field(default_factory=list, max_length=_MOST_NEEDS)
    rules: list[RulePart] = Field(default_factory=list, max_length=_MOST_RULES)


class YieldRequest(_Part):
    """What is asked."""

    kersey: Literal["request/1"]
    seam: Length = QUARTER_INCH
    usable_width: Length = USUAL_WIDTH
    fabrics: list[FabricPart] = Field(min_length=1, max_length=_MOST_FABRICS)
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
    if len(content) > MOST_BYTES:
        raise BadRequest(TOO_LARGE)
    try:
        found = json.loads(content.decode("utf-8-sig"), parse_constant=_no_constant)
    except UnicodeDecodeError as error:
        raise BadRequest("request: must be UTF-8 text") from error
    except (ValueError, RecursionError) as error:
        raise BadRequest("request: must be JSON") from error
    return question_of(found)


def question_of(found: Any) -> RequestRead:
    """The question of a request already parsed; raises `BadRequest`."""
    if not isinstance(found, Mapping):
        raise BadRequest("request: must be an object")
    try:
        request = YieldRequest.model_validate(found)
    except ValidationError as error:
        raise BadRequest(_first(error)) from None
    except RecursionError as error:
        raise BadRequest("request: is nested too deeply") from error
    try:
        check_seam(request.seam)
    except InvalidValue as error:
        raise BadRequest(f"seam: {error}") from error
    return _question(request)


def write_answer(question: RequestRead, report: YieldReport) -> dict[str, Any]:
    """The answer as plain words and numbers, in their order."""
    plan = report.plan
    answer: dict[str, Any] = {
        "kersey": ANSWER,
        "blocks": plan.blocks,
        "proved": plan.proved,
        "bound": plan.bound,
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
        {"role": limit.role, "reason": limit.reason, "blocks": limit.blocks,
         "one_more": _one_more(limit)}
        for limit in report.limits
    ]  # fmt: skip
    answer["layouts"] = [
        {
            "fabric": layout.fabric.name,
            "copies": layout.copies,
            "width": number(layout.fabric.width),
            "length": number(layout.fabric.length),
            "cuts": [
                {"label": cut.need.label, "role": cut.need.role, "x": number(cut.x),
                 "y": number(cut.y), "width": number(cut.width), "length": number(cut.length)}
                for cut in layout.cuts
            ],
        }
        for layout in plan.layouts
    ]  # fmt: skip
    answer["leftovers"] = [
        {"fabric": left.fabric, "width": number(left.width), "length": number(left.length),
         "count": left.count}
        for left in report.leftovers
    ]  # fmt: skip
    answer["sensitivity"] = [
        {"usable_change": number(change), "blocks": blocks} for change, blocks in report.sensitivity
    ]
    return answer


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
        if make.how is How.CUT:
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


def told(error: KerseyError) -> str:
    """Why a request cannot be used, in one line that begins with the field."""
    return str(error) if isinstance(error, BadRequest) else f"request: {error}"


def number(length: Fraction) -> int | float:
    """A plain number; eighths, sixteenths and their like are exact."""
    return int(length) if length.denominator == 1 else float(length)


def schemas() -> dict[str, Any]:
    """The JSON Schema of requests, and of answers."""
    request = YieldRequest.model_json_schema()
    return {"request": request, "request_inline": _inlined(request), "yield": _ANSWER_SCHEMA}


def _inlined(schema: Any, parts: Mapping[str, Any] | None = None) -> Any:
    """The schema with every reference replaced by what it refers to."""
    if isinstance(schema, list):
        return [_inlined(item, parts) for item in schema]
    if not isinstance(schema, Mapping):
        return schema
    parts = parts or schema.get("$defs", {})
    if "$ref" in schema:
        return _inlined(parts[schema["$ref"].rsplit("/", 1)[1]], parts)
    return {name: _inlined(part, parts) for name, part in schema.items() if name != "$defs"}


def recipe_list() -> list[dict[str, Any]]:
    """Every recipe with its usual size, the roles of its pieces, and its options with their kinds.

    An option is ``true or false``, a ``whole number``, a ``length``, or one of a list of words.
    """
    named = [
        {
            "id": recipe.id,
            "title": recipe.title,
            "finished": number(recipe.finished[0])
            if recipe.square
            else [number(side) for side in recipe.finished],
            "roles": _roles_of(recipe),
            "options": {name: _plain(value) for name, value in recipe.options.items()},
            "option_kinds": {name: _kind(recipe, name) for name in recipe.options},
            "about": recipe.about,
        }
        for recipe in recipes().values()
    ]
    own = "Pieces of your own, by their cut sizes, with rules for their prints."
    return [
        *named,
        {"id": PIECES, "title": "Pieces", "finished": None, "roles": [], "options": {},
         "option_kinds": {}, "about": own},
    ]  # fmt: skip


def _roles_of(recipe: Recipe) -> list[str]:
    cut = recipe.assemble(recipe.finished, recipe.options, QUARTER_INCH)
    return list(dict.fromkeys((*(need.role for need in cut.needs), *recipe.other_roles)))


def _kind(recipe: Recipe, name: str) -> str | list[str]:
    usual = recipe.options[name]
    if isinstance(usual, bool):
        return "true or false"
    if isinstance(usual, str):
        return list(recipe.choices[name])
    if isinstance(usual, tuple):
        return "width and length"
    return "length" if isinstance(usual, Fraction) else "whole number"


def _plain(value: Option) -> int | float | str | list[int | float]:
    if isinstance(value, tuple):
        return [number(side) for side in value]
    return number(value) if isinstance(value, Fraction) else value


def _check_roles(request: YieldRequest, needs: Sequence[Need], block: BlockChoice) -> None:
    """Every role of a fabric is one that a piece of the block has, or of the rest of the quilt.

    Pieces of any role may also be cut from what serves a role of another block.
    """
    others = block.known.other_roles if block.known else ()
    there = dict.fromkeys((*(need.role for need in needs), *others))
    if ANY in there:
        there |= dict.fromkeys(role for recipe in recipes().values() for role in _roles_of(recipe))
    for place, fabric in enumerate(request.fabrics):
        for role in fabric.roles:
            if role not in there and role not in _OF_THE_QUILT and not _BORDER.fullmatch(role):
                known = ", ".join([*there, *(r for r in _OF_THE_QUILT if r not in there)])
                raise BadRequest(
                    f"fabrics[{place}].roles: must be roles that a piece has ({known}, border-1 "
                    f"...), not “{role:.40}”"
                )


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} is no JSON number")


def _question(request: YieldRequest) -> RequestRead:
    fabrics = tuple(_fabric(part, n, request) for n, part in enumerate(request.fabrics))
    try:
        block = _block(request.block)
        square = _square_of(fabrics)
        block = block if square is None else block.of_squares(square)
        block = _of_strips(block, fabrics, request.seam)
        block = block.of_finished([(f.width, f.length) for f in fabrics for _ in range(f.count)])
        cut = block.assembly(request.seam)
        tally = block.tally(request.seam)
        problem = CuttingProblem(cut.needs, fabrics, cut.rules, cut.batch, cut.sets, tally)
        _check_roles(request, cut.needs, block)
        return RequestRead(with_tubes(problem), cut, block, request.seam)
    except BadRequest:
        raise
    except BadRecipe as error:
        raise BadRequest(f"{error.field}: must be {error.why.rstrip('.')}") from error
    except InvalidValue as error:
        raise BadRequest(f"request: {error}") from error


def _fabric(part: FabricPart, place: int, request: YieldRequest) -> Fabric:
    form = FabricForm(part.form)
    usual_width, usual_length = FACTS[form].usual
    if form is FabricForm.YARDAGE:
        usual_width = request.usable_width
    if form is FabricForm.STRIP:
        usual_length = request.usable_width
    width = part.width or usual_width
    length = part.length or usual_length
    for name, side in (("width", width), ("length", length)):
        if side is None:
            raise BadRequest(f"fabrics[{place}].{name}: must be given for {FACTS[form].one}")
    assert width is not None
    assert length is not None
    return Fabric(
        name=part.id,
        print=part.print or part.id,
        width=width,
        length=length,
        count=part.count,
        roles=frozenset(part.roles),
        directional=part.directional,
        form=form,
    )


def _square_of(fabrics: Sequence[Fabric]) -> Fraction | None:
    """The side of the squares, if all fabric is squares of one size."""
    sizes = {(fabric.width, fabric.length) for fabric in fabrics}
    width, length = sizes.pop() if len(sizes) == 1 else (None, None)
    all_squares = all(fabric.form is FabricForm.SQUARE for fabric in fabrics)
    return width if all_squares and width == length else None


def _of_strips(block: BlockChoice, fabrics: Sequence[Fabric], seam: Fraction) -> BlockChoice:
    """The block of strips as wide as those at hand, where it takes its width from them and nobody
    has said another."""
    widths = {fabric.width for fabric in fabrics if fabric.is_strip}
    takes = block.known is not None and bool(block.known.strip_option)
    return block.of_strips(widths.pop(), seam) if takes and len(widths) == 1 else block


def _block(block: BlockPart) -> BlockChoice:
    said = block.finished
    return BlockChoice(
        recipe=block.recipe,
        finished=said if said is None or isinstance(said, tuple) else (said, said),
        options=tuple((name, _written(said)) for name, said in block.options.items()),
        pieces=tuple(
            Need(part.label, part.role, part.width, part.length, part.count)
            for part in block.pieces
        ),
        rules=tuple(PrintRule(tuple(rule.roles), rule.print == "same") for rule in block.rules),
    )


def _written(said: int | float | str | bool | Sides) -> int | str:
    return " x ".join(map(str, said)) if isinstance(said, list) else written_option(said)


def _first(error: ValidationError) -> str:
    """The first fault in one line: where, and what would be right."""
    detail = error.errors(include_url=False, include_input=False)[0]
    where = _where(detail["loc"])
    kind, facts = detail["type"], detail.get("ctx", {})
    if kind == "value_error":
        return f"{where}: {facts['error']}"
    sentence = _SENTENCES.get(kind)
    words = sentence.format(**facts) if sentence else detail["msg"][0].lower() + detail["msg"][1:]
    return f"{where}: {words}"


_SENTENCES = {
    "missing": "is missing",
    "extra_forbidden": "is not a field of a request",
    "greater_than_equal": "must be at least {ge}",
    "less_than_equal": "must be at most {le}",
    "literal_error": "must be {expected}",
    "enum": "must be {expected}",
    "int_type": "must be a whole number",
    "bool_type": "must be true or false",
    "string_type": "must be text",
    "string_too_long": "must have at most {max_length} letters",
    "string_too_short": "must not be empty",
    "too_long": "must hold at most {max_length}",
    "too_short": "must hold at least {min_length}",
    "list_type": "must be a list",
    "model_type": "must be an object",
    "dict_type": "must be an object",
}


def _where(place: Sequence[int | str]) -> str:
    """``fabrics[3].width``; the names of alternatives are left out."""
    written = ""
    for step in place:
        if isinstance(step, int):
            written += f"[{step}]"
        elif step.isidentifier() or "-" not in step:
            if step.startswith(("function", "tuple", "constrained", "is-instance")):
                continue
            written += f".{step}" if written else step
    return written[:200] or "request"


_NUMBER: dict[str, Any] = {"type": "number"}
_COUNT: dict[str, Any] = {"type": "integer", "minimum": 0}
_TEXT: dict[str, Any] = {"type": "string"}


# Of pieces of one's own nobody knows how they are sewn; only what is trimmed has two sizes.
_NOT_ALWAYS = frozenset({"finished", "unit", "makes", "trimmed", "becomes", "estimate"})


def _object(**fields: Any) -> dict[str, Any]:
    return {
        "type": "object",
        "properties": fields,
        "required": [name for name in fields if name not in _NOT_ALWAYS],
        "additionalProperties": False,
    }


def _list(of: dict[str, Any]) -> dict[str, Any]:
    return {"type": "array", "items": of}


_ANSWER_SCHEMA = {
    "title": "YieldAnswer",
    **_object(
        kersey={"const": ANSWER},
        blocks=_COUNT,
        proved={"type": "boolean"},
        bound=_COUNT,
        finished={"type": "array", "items": _NUMBER, "minItems": 2, "maxItems": 2},
        becomes={"type": "array", "items": _NUMBER, "minItems": 2, "maxItems": 2},
        estimate={"type": "array", "items": _COUNT, "minItems": 2, "maxItems": 2},
        unit=_TEXT,
        makes=_list(
            _object(name=_TEXT, count=_NUMBER, width=_NUMBER, length=_NUMBER,
                    trimmed={"type": "array", "items": _NUMBER, "minItems": 2, "maxItems": 2})
        ),
        limits=_list(_object(role=_TEXT, reason=_TEXT, one_more=_TEXT, blocks=_COUNT)),
        layouts=_list(
            _object(
                fabric=_TEXT,
                copies=_COUNT,
                width=_NUMBER,
                length=_NUMBER,
                cuts=_list(
                    _object(label=_TEXT, role=_TEXT, x=_NUMBER, y=_NUMBER, width=_NUMBER,
                            length=_NUMBER)
                ),
            )
        ),
        leftovers=_list(_object(fabric=_TEXT, width=_NUMBER, length=_NUMBER, count=_COUNT)),
        sensitivity=_list(_object(usable_change=_NUMBER, blocks=_COUNT)),
    ),
}  # fmt: skip
