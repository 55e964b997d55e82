"""What is sent from the cupboard and from the page of a lot."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from kersey.core.cloth.fabric import Value, checked_name
from kersey.core.cloth.forms import Form
from kersey.core.cloth.sorting import Order
from kersey.core.stash.cupboard import LONGEST_NOTE, LONGEST_PLACE
from kersey.web.forms import Length, PageForm
from kersey.web.print_form import PrintForm


class CupboardView(StrEnum):
    """The cloth as it lies, or a table of it."""

    SHELVES = "shelves"
    TABLE = "table"


class FindForm(PageForm):
    """What is looked for. Widths in the person's units."""

    words: str = Field("", max_length=100)
    form: Form | None = None
    value: Value | None = None
    family: str | None = None
    least_width: Length | None = None
    most_width: Length | None = None
    aside: Literal["true", "false", "used"] | None = None
    view: CupboardView = CupboardView.SHELVES
    shelf: int = Field(1, ge=1, le=100_000)


class Act(StrEnum):
    """What can be done to many lots at once."""

    LIGHT = "light"
    MEDIUM = "medium"
    DARK = "dark"
    DIRECTIONAL = "directional"
    TURNABLE = "turnable"
    BACK = "back"
    OUT = "out"
    CONFIRM = "confirm"
    BINDING = "binding"
    STRANGER = "stranger"
    LATER = "later"
    PULL = "pull"


class ActForm(PageForm):
    """An act on the lots that are ticked; `project` is what they are pulled for."""

    act: Act
    project: int | None = None


class UndoForm(PageForm):
    """The change that is to be taken back, by its number."""

    change: int


class LotForm(PageForm):
    """A lot as it should be."""

    revision: int
    name: Annotated[str, AfterValidator(checked_name)]
    place: str = Field("", max_length=LONGEST_PLACE)
    note: str = Field("", max_length=LONGEST_NOTE)
    first: bool = False
    width: Length
    length: Length
    measured_length: Length | None = None
    shrinkage: float = Field(0, ge=0, le=15)
    shrinkage_across: float | None = Field(None, ge=0, le=15)
    directional: bool = False
    wrong_side: Value | None = None


class SplitForm(PageForm):
    """A length to cut off, or grams to weigh out."""

    revision: int
    amount: str = Field(max_length=40)


class MeasuredForm(PrintForm):
    """A print at home, and what its own pieces measured."""

    family: str | None = None
    measured: Length | None = None
    measured_pieces: int | None = Field(None, ge=1, le=5000)
    sized: bool = False


class ReturnForm(PageForm):
    """What a quilt returns of a lot."""

    project: int = Field(ge=1, le=2**31)


class SortForm(PageForm):
    """An order for the prints of a lot."""

    revision: int
    order: Order


class MoveForm(PageForm):
    """A print and the place it is to lie at."""

    revision: int
    place: int = Field(ge=0)
    to: int = Field(ge=0)
