"""A lot at home <-> a plain record, as it is kept in the list of changes and in export files."""

from fractions import Fraction
from typing import Any

from kersey.core.cupboard import Aside, CupboardLot
from kersey.core.fabric import Lot, Motif, Print, Stack, Swatch, Value
from kersey.core.forms import Form

Record = dict[str, Any]


def record_of(kept: CupboardLot) -> Record:
    """A record of plain words and numbers; lengths are exact inches as text, like ``5/2``."""
    lot = kept.lot
    return {
        "name": kept.name,
        "aside": kept.aside,
        "form": lot.form,
        "width": str(lot.width),
        "length": str(lot.length),
        "most_width": _text(lot.most_width),
        "most_length": _text(lot.most_length),
        "measured_length": _text(lot.measured_length),
        "grams": lot.grams,
        "estimated": lot.estimated,
        "directional": lot.directional,
        "shrinkage": str(lot.shrinkage),
        "wrong_side": lot.wrong_side,
        "prints": [_print_record(stack) for stack in lot.stacks],
    }


def lot_of(record: Record) -> CupboardLot:
    """The lot that a record holds; raises `InvalidValue` or `KeyError` for one that is damaged."""
    return CupboardLot(
        name=record["name"],
        aside=Aside(record["aside"]) if record["aside"] else None,
        lot=Lot(
            width=Fraction(record["width"]),
            length=Fraction(record["length"]),
            stacks=tuple(_stack(part) for part in record["prints"]),
            measured_length=_length(record["measured_length"]),
            form=Form(record["form"]),
            most_width=_length(record["most_width"]),
            most_length=_length(record["most_length"]),
            grams=record["grams"],
            estimated=record["estimated"],
            directional=record["directional"],
            shrinkage=Fraction(record["shrinkage"]),
            wrong_side=Value(record["wrong_side"]) if record["wrong_side"] else None,
        ),
    )


def _print_record(stack: Stack) -> Record:
    swatch = stack.print.swatch
    return {
        "count": stack.count,
        "name": stack.print.name,
        "value": stack.print.value,
        "motif": swatch.motif,
        "ground": swatch.ground,
        "figure": swatch.figure,
    }


def _stack(record: Record) -> Stack:
    swatch = Swatch(Motif(record["motif"]), record["ground"], record["figure"])
    return Stack(Print(record["name"], Value(record["value"]), swatch), record["count"])


def _text(length: Fraction | None) -> str | None:
    return None if length is None else str(length)


def _length(text: str | None) -> Fraction | None:
    return None if text is None else Fraction(text)
