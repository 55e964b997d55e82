"""Forms: what was typed -> checked values, or every error at once, each at its field."""

import re
from collections.abc import Callable, Container, Iterator, Mapping
from contextlib import contextmanager
from fractions import Fraction
from typing import Annotated, Any, TypeVar

from fastapi import Depends, Request
from pydantic import BaseModel, BeforeValidator, ConfigDict, ValidationError, ValidationInfo
from starlette.datastructures import UploadFile

from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length

Typed = Mapping[str, str]
_Form = TypeVar("_Form", bound=BaseModel)

_LOT_MARK = re.compile(r"(\d{1,9})-(\d{1,9})")

# Pydantic's kinds of errors -> sentences with an example.
_SENTENCES = {
    "missing": "Fill this in.",
    "int_parsing": "Type a whole number, like 3.",
    "int_from_float": "Type a whole number, like 3.",
    "int_parsing_size": "This number is too large.",
    "greater_than_equal": "It must be at least {ge}.",
    "less_than_equal": "It can be no more than {le}.",
    "enum": "Choose one from the list.",
    "literal_error": "Choose one from the list.",
    "string_too_long": "Use {max_length} characters or fewer.",
    "string_pattern_mismatch": "Type it like 8x10.",
    "bool_parsing": "Choose yes or no.",
}


class BadForm(InvalidValue):
    """A form that cannot be taken: `errors` by field, `typed` as it was sent.

    Raised of a form about a project, what was typed is known beside it."""

    def __init__(self, errors: Mapping[str, str], typed: Typed | None = None) -> None:
        self.errors, self.typed = dict(errors), dict(typed or {})
        super().__init__(" ".join(self.errors.values()))


class PageForm(BaseModel):
    """Base of all forms. Empty fields count as not filled in."""

    model_config = ConfigDict(frozen=True, extra="ignore")


def _length(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    return parse_length(value, info.context["units"] if info.context else Units.INCHES)


Length = Annotated[Fraction, BeforeValidator(_length)]


def read_form(form: type[_Form], typed: Typed, units: Units) -> _Form:
    """The form filled in from what was typed; raises `BadForm` with every error at once."""
    filled = {name: value for name, value in typed.items() if value.strip()}
    try:
        return form.model_validate(filled, context={"units": units})
    except ValidationError as error:
        raise BadForm(_by_field(error), typed) from None


@contextmanager
def refused_at(
    other: str, shown: Container[str] = (), kind: type[InvalidValue] = InvalidValue
) -> Iterator[None]:
    """What the core refuses is an error of the form, at the field it names if the page shows that,
    or else at another; raises `BadForm`."""
    try:
        yield
    except BadForm:
        raise
    except kind as error:
        raise field_error(error, {}, shown, other) from None


def field_error(error: InvalidValue, typed: Typed, shown: Container[str], other: str) -> BadForm:
    """An error of the core, put beside the field it names if the page shows it, or else another."""
    return BadForm({error.field if error.field in shown else other: str(error)}, typed)


def _by_field(error: ValidationError) -> dict[str, str]:
    found: dict[str, str] = {}
    for detail in error.errors(include_url=False):
        field = str(detail["loc"][0]) if detail["loc"] else "form"
        found.setdefault(field, _sentence(detail["type"], detail.get("ctx", {}), detail["msg"]))
    return found


def _sentence(kind: str, facts: Mapping[str, Any], message: str) -> str:
    if kind == "value_error":
        return str(facts["error"])
    sentence = _SENTENCES.get(kind)
    return message if sentence is None else sentence.format(**facts)


async def _typed_form(request: Request) -> Typed:
    form = await request.form()
    return {name: value for name, value in form.items() if isinstance(value, str)}


async def _chosen_lots(request: Request) -> Mapping[int, int]:
    """The lots ticked in a list: their numbers and the revisions they were shown in."""
    form = await request.form()
    marks = [_LOT_MARK.fullmatch(str(value)) for value in form.getlist("lot")]
    return {int(mark[1]): int(mark[2]) for mark in marks if mark}


async def _sent_file(request: Request) -> bytes:
    async with request.form() as form:
        sent = form.get("file")
        return await sent.read() if isinstance(sent, UploadFile) else b""


SentFile = Annotated[bytes, Depends(_sent_file)]


ChosenLots = Annotated[Mapping[int, int], Depends(_chosen_lots)]
TypedForm = Annotated[Typed, Depends(_typed_form)]


def per_cent(share: float) -> Fraction:
    """A share as it was typed, to a tenth of a per cent."""
    return Fraction(round(share * 10), 10)


def checked(check: Callable[[Any], None]) -> Callable[[Any], Any]:
    """A check of the core as a validator: the value passes through, or its error is kept."""

    def validate(value: Any) -> Any:
        if value is not None:
            check(value)
        return value

    return validate
