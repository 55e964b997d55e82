"""What every request has: fabric, a block, lengths as people write them; and what is wrong with it.

Lengths come in as numbers of inches or in a person's own writing, and go out as plain numbers.
Every fault names its field: ``fabrics[3].width: must be more than 0``.
"""

import json
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cache
from typing import Annotated, Any, Literal, TypeVar

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, ValidationError, WithJsonSchema

from kersey.core.blocks.assembly import Assembly, Size
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import PIECES, BlockChoice, written_option
from kersey.core.blocks.recipe import BadRecipe
from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import FACTS
from kersey.core.cloth.forms import Form as FabricForm
from kersey.core.cutting.kinds.whole_strips import with_tubes
from kersey.core.cutting.problem import ANY, LARGEST, CuttingProblem, Fabric, Need, PrintRule
from kersey.core.errors import InvalidValue, KerseyError
from kersey.core.measure.length import parse_length
from kersey.core.measure.workshop import check_seam
from kersey.formats.recipe_list import roles_of

MOST_BYTES = 4 * 1024 * 1024
TOO_LARGE = "request: must be no larger than 4 MB"
_LONGEST = 120
MOST_FABRICS, _MOST_NEEDS, _MOST_RULES = 20_000, 200, 60
_SMALLEST, _LARGEST = Fraction(1, 100), LARGEST


# What fabric may be for beside the pieces of a block.
_OF_THE_QUILT = (ANY, "background", "sashing", "cornerstone", "binding", "backing", "batting")
_BORDER = re.compile(r"border(-\d{1,2})?")


_Model = TypeVar("_Model", bound=BaseModel)


class BadRequest(InvalidValue):
    """A request that cannot be used, in one line that names the field."""


def _is_nothing(value: Any) -> bool:
    number = isinstance(value, int | float) and not isinstance(value, bool)
    return (number and value == 0) or (isinstance(value, str) and value.strip() in ("0", '0"'))


def _length(value: Any) -> Any:
    if isinstance(value, bool) or not isinstance(value, int | float | str):
        raise ValueError("must be a number of inches or a length like “2 1/2”")
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


_NUMBER_OF_INCHES = {"type": "number", "minimum": float(_SMALLEST), "maximum": int(_LARGEST)}
Length = Annotated[
    Fraction,
    BeforeValidator(_length),
    WithJsonSchema({"anyOf": [_NUMBER_OF_INCHES, {"type": "string"}]}),
]
# A width that may also be 0: none.
Width = Annotated[
    Fraction,
    BeforeValidator(lambda value: Fraction(0) if _is_nothing(value) else _length(value)),
    WithJsonSchema({"anyOf": [{"type": "number", "minimum": 0}, {"type": "string"}]}),
]
# Lengths of one option: a width and a length, or the widths of strips.
Sides = Annotated[list[int | float | str], Field(max_length=20)]
Name = Annotated[str, Field(min_length=1, max_length=_LONGEST)]
Count = Annotated[int, Field(ge=1, le=100_000, strict=True)]


class RequestPart(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class FabricPart(RequestPart):
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


class PiecePart(RequestPart):
    """A piece of a block, by its cut size."""

    label: Name
    role: Name = ANY
    width: Length
    length: Length
    count: Annotated[int, Field(ge=1, le=1000, strict=True)] = 1


class RulePart(RequestPart):
    """Which prints go together in a block."""

    roles: list[Name] = Field(min_length=1, max_length=40)
    print: Literal["same", "different"]


class BlockPart(RequestPart):
    """A named recipe, or the pieces themselves."""

    recipe: Annotated[Name, Field(json_schema_extra={"enum": [*recipes(), PIECES]})]
    finished: Length | tuple[Length, Length] | None = None
    options: dict[Name, int | float | str | bool | Sides] = Field(
        default_factory=dict, max_length=20
    )
    pieces: list[PiecePart] = Field(default_factory=list, max_length=_MOST_NEEDS)
    rules: list[RulePart] = Field(default_factory=list, max_length=_MOST_RULES)


@dataclass(frozen=True)
class BlockAsked:
    """A block as it is asked for, and the question for it."""

    block: BlockChoice
    assembly: Assembly
    problem: CuttingProblem


def parsed(content: bytes) -> Any:
    """What a file holds; raises `BadRequest`."""
    if len(content) > MOST_BYTES:
        raise BadRequest(TOO_LARGE)
    try:
        return json.loads(content.decode("utf-8-sig"), parse_constant=_no_constant)
    except UnicodeDecodeError as error:
        raise BadRequest("request: must be UTF-8 text") from error
    except (ValueError, RecursionError) as error:
        raise BadRequest("request: must be JSON") from error


def checked(model: type[_Model], found: Any) -> _Model:
    """A request with its fields checked; raises `BadRequest`."""
    if not isinstance(found, Mapping):
        raise BadRequest("request: must be an object")
    try:
        return model.model_validate(found)
    except ValidationError as error:
        raise BadRequest(_first(error)) from None
    except RecursionError as error:
        raise BadRequest("request: is nested too deeply") from error


def block_asked(
    block: BlockChoice, fabrics: tuple[Fabric, ...], seam: Fraction, at: str = "block"
) -> BlockAsked:
    """The question for a block of these fabrics; raises `BadRequest`, naming the field `at`."""
    try:
        square = _square_of(fabrics)
        block = block if square is None else block.of_squares(square)
        block = _of_strips(block, fabrics, seam)
        block = block.of_finished([(f.width, f.length) for f in fabrics for _ in range(f.count)])
        cut, tally = block.assembly(seam), block.tally(seam)
        problem = CuttingProblem(cut.needs, fabrics, cut.rules, cut.batch, cut.sets, tally)
        return BlockAsked(block, cut, with_tubes(problem))
    except BadRecipe as error:
        field = error.field.replace("block", at, 1)
        raise BadRequest(f"{field}: must be {error.why.rstrip('.')}") from error
    except InvalidValue as error:
        raise BadRequest(f"request: {error}") from error


def check_seam_of(seam: Fraction) -> None:
    """Raise `BadRequest` for a seam nobody sews."""
    try:
        check_seam(seam)
    except InvalidValue as error:
        raise BadRequest(f"seam: {error}") from error


def block_choice(part: BlockPart, at: str = "block") -> BlockChoice:
    """The block of a request; raises `BadRequest`, naming the field `at`."""
    try:
        return _choice(part)
    except BadRecipe as error:
        field = error.field.replace("block", at, 1)
        raise BadRequest(f"{field}: must be {error.why.rstrip('.')}") from error
    except InvalidValue as error:
        raise BadRequest(f"request: {error}") from error


def fabric_of(part: FabricPart, place: int, usable_width: Fraction) -> Fabric:
    """The fabric of a request, in its usual size where none is said; raises `BadRequest`."""
    form = FabricForm(part.form)
    usual_width, usual_length = FACTS[form].usual
    if form is FabricForm.YARDAGE:
        usual_width = usable_width
    if form is FabricForm.STRIP:
        usual_length = usable_width
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


def check_roles(fabrics: Sequence[FabricPart], needs: Sequence[Need], block: BlockChoice) -> None:
    """Every role of a fabric is one that a piece of the block has, or of the rest of the quilt.

    Pieces of any role may also be cut from what serves a role of another block.
    """
    others = block.known.other_roles if block.known else ()
    there = dict.fromkeys((*(need.role for need in needs), *others))
    if ANY in there:
        there |= dict.fromkeys(_every_role())
    for place, fabric in enumerate(fabrics):
        for role in fabric.roles:
            if role not in there and role not in _OF_THE_QUILT and not _BORDER.fullmatch(role):
                known = ", ".join([*there, *(r for r in _OF_THE_QUILT if r not in there)])
                raise BadRequest(
                    f"fabrics[{place}].roles: must be roles that a piece has ({known}, border-1 "
                    f"...), not “{role:.40}”"
                )


def in_one_line(error: KerseyError) -> str:
    """Why a request cannot be used, in one line that begins with the field."""
    return str(error) if isinstance(error, BadRequest) else f"request: {error}"


def inlined(schema: Any, parts: Mapping[str, Any] | None = None) -> Any:
    """The schema with every reference replaced by what it refers to."""
    if isinstance(schema, list):
        return [inlined(item, parts) for item in schema]
    if not isinstance(schema, Mapping):
        return schema
    parts = parts or schema.get("$defs", {})
    if "$ref" in schema:
        return inlined(parts[schema["$ref"].rsplit("/", 1)[1]], parts)
    return {name: inlined(part, parts) for name, part in schema.items() if name != "$defs"}


@cache
def _every_role() -> tuple[str, ...]:
    return tuple(role for recipe in recipes().values() for role in roles_of(recipe))


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} isn't a JSON number")


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


def _choice(block: BlockPart) -> BlockChoice:
    said = block.finished
    return BlockChoice(
        recipe=block.recipe,
        finished=_finished(block.recipe, said),
        options=tuple((name, _written(said)) for name, said in block.options.items()),
        pieces=tuple(
            Need(part.label, part.role, part.width, part.length, part.count)
            for part in block.pieces
        ),
        rules=tuple(PrintRule(tuple(rule.roles), rule.print == "same") for rule in block.rules),
    )


def _finished(recipe: str, said: Fraction | tuple[Fraction, Fraction] | None) -> Size | None:
    """The finished size: one number is that of a square, or of each block of a pair."""
    if said is None or isinstance(said, tuple):
        return said
    known = recipes().get(recipe)
    return known.of_side(said) if known is not None and known.pair else (said, said)


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
    "extra_forbidden": "isn't a field Kersey knows",
    "greater_than_equal": "must be at least {ge}",
    "less_than_equal": "must be at most {le}",
    "literal_error": "must be {expected}",
    "enum": "must be {expected}",
    "int_type": "must be a whole number",
    "bool_type": "must be true or false",
    "string_type": "must be text",
    "string_too_long": "must have {max_length} characters or fewer",
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


NUMBER: dict[str, Any] = {"type": "number"}
COUNT: dict[str, Any] = {"type": "integer", "minimum": 0}
TEXT: dict[str, Any] = {"type": "string"}


def object_of(not_always: frozenset[str] = frozenset(), /, **fields: Any) -> dict[str, Any]:
    """The schema of an object with these fields, all of which it has but some."""
    return {
        "type": "object",
        "properties": fields,
        "required": [name for name in fields if name not in not_always],
        "additionalProperties": False,
    }


def list_of(of: dict[str, Any]) -> dict[str, Any]:
    """The schema of a list."""
    return {"type": "array", "items": of}
