"""What may be said about the fabrics on the wall."""

from pydantic import Field

from kersey.core.cloth.sorting import Order
from kersey.core.stash.cupboard import Aside
from kersey.core.stash.pulled import Role
from kersey.web.forms import Length
from kersey.web.open_project import RevisedForm
from kersey.web.print_form import PrintForm


class PullForm(RevisedForm):
    """A lot to pull from; `pieces` a number of pieces, or a length of yardage, or grams."""

    lot: int = Field(ge=1, le=2**31)
    pieces: str = Field("", max_length=40)


class LineForm(RevisedForm):
    """Fabric as one says it: the name of a lot in the cupboard, or new; `fresh`: surely new."""

    words: str = Field("", max_length=200)
    fresh: bool = False


class FabricForm(PrintForm):
    """A fabric on the wall: how much of it, its print, and its lot's size."""

    pulled: int | None = Field(None, ge=0, le=5000)
    family: str | None = None
    width: Length | None = None
    length: Length | None = None
    measured_length: Length | None = None
    sizes: bool = False


class RoleForm(RevisedForm):
    """A role for a fabric: instead of `instead_of`, besides all others, or alone."""

    role: Role
    instead_of: Role | None = None
    besides: bool = False


class AsideForm(RevisedForm):
    """Why a fabric is set aside; left out, it is brought back."""

    reason: Aside | None = None


class NextForm(RevisedForm):
    """Which judgement of a print is moved on by one."""

    judgement: str = Field(pattern="^(value|family)$")


class OrderForm(RevisedForm):
    """An order for the fabrics on the wall."""

    order: Order


class MoveForm(RevisedForm):
    """A fabric and the place it is to lie at."""

    place: int = Field(ge=0)
    to: int = Field(ge=0)


class LossForm(RevisedForm):
    """Pieces that were spoiled."""

    spoiled: int = Field(ge=1, le=5000)
