"""A print as a form says it: whatever is left out stays as it was."""

from typing import Annotated

from pydantic import AfterValidator, Field

from kersey.core.colour import checked_colour
from kersey.core.fabric import Motif, Print, Stack, Swatch, Value, checked_name, value_of
from kersey.web.forms import Form

_MOST_PIECES = 5000


class PrintForm(Form):
    """A print, and the revision of what it lies in."""

    revision: int
    name: Annotated[str, AfterValidator(checked_name)] | None = None
    value: Value | None = None
    motif: Motif | None = None
    ground: Annotated[str, AfterValidator(checked_colour)] | None = None
    figure: Annotated[str, AfterValidator(checked_colour)] | None = None
    count: int | None = Field(None, ge=0, le=_MOST_PIECES)


def changed_print(cloth: Print, form: PrintForm) -> Print:
    """The print with what the form says; new colours propose a new value."""
    swatch = Swatch(
        form.motif or cloth.swatch.motif,
        form.ground or cloth.swatch.ground,
        form.figure or cloth.swatch.figure,
    )
    value = form.value or cloth.value
    if swatch != cloth.swatch and value is cloth.value:
        value = value_of(swatch.blend)
    return Print(form.name or cloth.name, value, swatch)


def changed_stack(stack: Stack, form: PrintForm) -> Stack:
    """The stack with what the form says."""
    count = stack.count if form.count is None else form.count
    return Stack(changed_print(stack.print, form), count)
