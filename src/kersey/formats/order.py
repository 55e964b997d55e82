"""An order to a shop, and the delivery that comes of it, as JSON files.

    {"kersey": "order/1", "for": "Crew room throw", "cost": 31.5, "lines": [
      {"ware": "plain cotton", "form": "yardage", "width": 42, "yards": 0.875, "for": "border",
       "print": "blackout blind", "cost": 7.44},
      {"ware": "fat quarter", "form": "fat-quarter", "width": 17.5, "length": 21, "count": 4,
       "pieces": 1, "prints": 1, "for": "dark cloth for the blocks", "cost": 15.2}]}

    {"kersey": "delivery/1", "for": "Crew room throw", "lots": [...]}

The lots of a delivery are written as the cupboard's own; they are read back without loss.
"""

import json
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import partial
from typing import Annotated, Any, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import YARD
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.order import Ordered
from kersey.core.stash.price_list import MOST_WARES, Ware
from kersey.records.choices import first_fault
from kersey.records.lots import lot_document, lot_from

MOST_BYTES = 1024 * 1024
ORDER, DELIVERY = "order/1", "delivery/1"
_Inches = Annotated[float, Field(gt=0, le=400, strict=True, allow_inf_nan=False)]
_Count = Annotated[int, Field(ge=1, le=5000, strict=True)]
_Words = Annotated[str, Field(min_length=1, max_length=80)]
_Read = TypeVar("_Read")


class BadOrder(InvalidValue):
    """A file that is no order, or no delivery, in one line that names what is wrong."""


class OrderLine(BaseModel):
    """One line of an order: `yards` off the bolt, or a `count`."""

    model_config = ConfigDict(extra="forbid", populate_by_name=True)
    ware: _Words
    form: Form
    width: _Inches
    length: _Inches | None = None
    pieces: _Count = 1
    prints: _Count = 1
    yards: Annotated[float, Field(gt=0, le=100, strict=True)] | None = None
    count: _Count | None = None
    purpose: Annotated[_Words, Field(alias="for")]
    named: Annotated[str, Field(alias="print", max_length=80)] = ""
    cost: Annotated[float, Field(ge=0, strict=True)]

    def ordered(self) -> Ordered:
        """What is ordered; raises `BadOrder` or `BadWare`."""
        amount = self.yards if self.form is Form.YARDAGE else self.count
        if amount is None:
            raise BadOrder(f"lines: how much of “{self.ware}” is missing: yards, or a count.")
        off_the_bolt = self.form is Form.YARDAGE
        quantity = Fraction(amount) * (YARD if off_the_bolt else 1)
        length = Fraction(self.length or 0)
        ware = Ware(self.ware, self.form, Fraction(self.width), 0, length, self.pieces, self.prints)
        return Ordered(ware, quantity, self.purpose, self.named)


class OrderFile(BaseModel):
    """The whole order."""

    model_config = ConfigDict(extra="forbid", populate_by_name=True)
    kersey: Literal["order/1"]
    quilt: Annotated[_Words, Field(alias="for")]
    cost: Annotated[float, Field(ge=0, strict=True)]
    lines: Annotated[list[OrderLine], Field(min_length=1, max_length=MOST_WARES)]


class DeliveryFile(BaseModel):
    """The whole delivery."""

    model_config = ConfigDict(extra="forbid", populate_by_name=True)
    kersey: Literal["delivery/1"]
    quilt: Annotated[_Words, Field(alias="for")]
    lots: Annotated[list[dict[str, Any]], Field(min_length=1, max_length=MOST_WARES)]


@dataclass(frozen=True)
class Order:
    """What is ordered for a quilt."""

    quilt: str
    lines: tuple[Ordered, ...]


@dataclass(frozen=True)
class Delivery:
    """Lots that come for a quilt."""

    quilt: str
    lots: tuple[CupboardLot, ...]


def write_order(quilt: str, lines: Sequence[tuple[Ordered, int]]) -> str:
    """The text of an order: its lines with what each costs, in hundredths."""
    file = {
        "kersey": ORDER,
        "for": quilt,
        "cost": sum(cost for _, cost in lines) / 100,
        "lines": [_line(ordered, cost) for ordered, cost in lines],
    }
    return json.dumps(file, ensure_ascii=False, indent=1) + "\n"


def read_order(content: bytes) -> Order:
    """An order from a file; raises `BadOrder`."""
    file = _read(content, OrderFile)
    return Order(file.quilt, tuple(_told(line.ordered) for line in file.lines))


def write_delivery(delivery: Delivery) -> str:
    """The text of a delivery."""
    file = {
        "kersey": DELIVERY,
        "for": delivery.quilt,
        "lots": [lot_document(lot) for lot in delivery.lots],
    }
    return json.dumps(file, ensure_ascii=False, indent=1) + "\n"


def read_delivery(content: bytes) -> Delivery:
    """A delivery from a file; raises `BadOrder`."""
    file = _read(content, DeliveryFile)
    return Delivery(file.quilt, tuple(_told(partial(lot_from, lot)) for lot in file.lots))


def _line(ordered: Ordered, cost: int) -> dict[str, Any]:
    ware = ordered.ware
    line: dict[str, Any] = {"ware": ware.name, "form": ware.form.value, "width": float(ware.width)}
    if ware.off_the_bolt:
        line["yards"] = float(ordered.quantity / YARD)
    else:
        line |= {"length": float(ware.length), "pieces": ware.pieces, "prints": ware.prints}
        line["count"] = int(ordered.quantity)
    line["for"] = ordered.purpose
    if ordered.named:
        line["print"] = ordered.named
    return line | {"cost": cost / 100}


_File = TypeVar("_File", OrderFile, DeliveryFile)


def _read(content: bytes, kind: type[_File]) -> _File:
    if len(content) > MOST_BYTES:
        raise BadOrder("This file is larger than 1 MB.")
    try:
        return kind.model_validate(json.loads(content.decode("utf-8-sig")))
    except ValidationError as error:
        raise BadOrder(first_fault(error)) from error
    except (ValueError, RecursionError) as error:
        raise BadOrder(f"This isn't a Kersey file ({type(error).__name__}).") from error


def _told(read: Callable[[], _Read]) -> _Read:
    """What a part holds; whatever is wrong with it is told as of the file."""
    try:
        return read()
    except (InvalidValue, KeyError, TypeError) as error:
        raise BadOrder(f"Kersey can't use this file: {error}") from error
