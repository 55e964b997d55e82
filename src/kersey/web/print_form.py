"""A print as a form says it: whatever is left out stays as it was."""

from dataclasses import replace
from typing import Annotated

from pydantic import AfterValidator, Field

from kersey.core.cloth.colour import checked_colour
from kersey.core.cloth.fabric import (
    LONGEST_TILE,
    Fact,
    Motif,
    Print,
    Scale,
    Stack,
    Swatch,
    Value,
    checked_name,
    value_of,
)
from kersey.web.forms import PageForm

_MOST_PIECES = 5000


class PrintForm(PageForm):
    """A print, and the revision of what it lies in."""

    revision: int
    name: Annotated[str, AfterValidator(checked_name)] | None = None
    value: Value | None = None
    motif: Motif | None = None
    ground: Annotated[str, AfterValidator(checked_colour)] | None = None
    figure: Annotated[str, AfterValidator(checked_colour)] | None = None
    scale: Scale | None = None
    tile: str | None = Field(None, max_length=LONGEST_TILE)
    count: int | None = Field(None, ge=0, le=_MOST_PIECES)
    confirmed: bool = False


def changed_print(cloth: Print, form: PrintForm) -> Print:
    """The print with what the form says; new colours propose a new value, and are no picture.

    What the form says is known from then on, and all of it once it is `confirmed`.
    """
    swatch = Swatch(
        form.motif or cloth.swatch.motif,
        form.ground or cloth.swatch.ground,
        form.figure or cloth.swatch.figure,
        form.scale or cloth.swatch.scale,
        form.tile or cloth.swatch.tile,
        cloth.swatch.look,
    )
    if form.tile is None and swatch.blend != cloth.swatch.blend:
        swatch = replace(swatch, tile=None)
    value, filled_in = form.value or cloth.value, set(cloth.filled_in)
    if form.value is not None:
        filled_in.discard(Fact.VALUE)
    if swatch.blend != cloth.swatch.blend:
        filled_in.discard(Fact.COLOUR)
        if value is cloth.value:
            value = value_of(swatch.blend)
            filled_in.discard(Fact.VALUE)
    if form.name not in {None, cloth.name}:
        filled_in.discard(Fact.NAME)
    return Print(
        form.name or cloth.name,
        value,
        swatch,
        cloth.judged_family,
        frozenset() if form.confirmed else frozenset(filled_in),
    )


def changed_stack(stack: Stack, form: PrintForm) -> Stack:
    """The stack with what the form says."""
    count = stack.count if form.count is None else form.count
    return replace(stack, print=changed_print(stack.print, form), count=count)
