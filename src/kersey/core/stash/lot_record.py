"""A lot of fabric <-> a plain record, as it is kept in the list of changes and in export files."""

from fractions import Fraction
from typing import Any

from kersey.core.cloth.fabric import Fact, Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import Aside, CupboardLot

Record = dict[str, Any]


def record_of(kept: CupboardLot) -> Record:
    """A record of a lot at home."""
    return {"name": kept.name, "aside": kept.aside, **lot_record(kept.lot)}


def numbered_record(kept: CupboardLot) -> Record:
    """A record that also holds the numbers by which the cupboard knows the prints."""
    record = record_of(kept)
    for part, stack in zip(record["prints"], kept.lot.stacks, strict=True):
        part["number"] = stack.number
    return record


def lot_of(record: Record) -> CupboardLot:
    """The lot at home that a record holds; raises as `lot_from` does."""
    aside = record["aside"]
    return CupboardLot(record["name"], lot_from(record), Aside(aside) if aside else None)


def lot_record(lot: Lot) -> Record:
    """A record of plain words and numbers; lengths are exact inches as text, like ``5/2``."""
    return {
        "form": lot.form,
        "width": str(lot.width),
        "length": str(lot.length),
        "most_width": length_text(lot.most_width),
        "most_length": length_text(lot.most_length),
        "measured_length": length_text(lot.measured_length),
        "grams": lot.grams,
        "estimated": lot.estimated,
        "directional": lot.directional,
        "shrinkage": str(lot.shrinkage),
        "shrinkage_across": length_text(lot.shrinkage_across),
        "wrong_side": lot.wrong_side,
        "prints": [_stack_record(stack) for stack in lot.stacks],
    }


def lot_from(record: Record) -> Lot:
    """The lot that a record holds.

    Raises `InvalidValue`, `KeyError`, `TypeError` or `ValueError` for one that is damaged.
    """
    grams = record["grams"]
    return Lot(
        width=Fraction(record["width"]),
        length=Fraction(record["length"]),
        stacks=tuple(map(_stack, record["prints"])),
        measured_length=length_from(record["measured_length"]),
        form=Form(record["form"]),
        most_width=length_from(record["most_width"]),
        most_length=length_from(record["most_length"]),
        grams=None if grams is None else int(grams),
        estimated=bool(record["estimated"]),
        directional=bool(record["directional"]),
        shrinkage=Fraction(record["shrinkage"]),
        shrinkage_across=length_from(record.get("shrinkage_across")),
        wrong_side=Value(record["wrong_side"]) if record["wrong_side"] else None,
    )


def print_record(cloth: Print) -> Record:
    """A record of a print."""
    swatch = cloth.swatch
    return {
        "name": cloth.name,
        "value": cloth.value,
        "judged_family": cloth.judged_family,
        "filled_in": sorted(cloth.filled_in),
        "motif": swatch.motif,
        "ground": swatch.ground,
        "figure": swatch.figure,
        "scale": swatch.scale,
        "tile": swatch.tile,
    }


def print_from(record: Record) -> Print:
    """The print that a record holds; raises as `lot_from` does.

    Older records say nothing of scale, tile, judged family, and what was only filled in.
    """
    swatch = Swatch(
        Motif(record["motif"]),
        record["ground"],
        record["figure"],
        Scale(record.get("scale", Scale.MEDIUM)),
        record.get("tile"),
    )
    filled_in = frozenset(map(Fact, record.get("filled_in", ())))
    value = Value(record["value"])
    return Print(record["name"], value, swatch, record.get("judged_family"), filled_in)


def _stack_record(stack: Stack) -> Record:
    measured = length_text(stack.measured_length)
    return {"count": stack.count, "measured_length": measured, **print_record(stack.print)}


def _stack(record: Record) -> Stack:
    measured = length_from(record.get("measured_length"))
    return Stack(print_from(record), int(record["count"]), measured, record.get("number"))


def length_text(length: Fraction | None) -> str | None:
    """An exact length as it stands in a record."""
    return None if length is None else str(length)


def length_from(text: str | None) -> Fraction | None:
    """The length that stands in a record; raises `ValueError` for a damaged one."""
    return None if text is None else Fraction(text)
