"""A lot at home <-> its rows, word for word."""

from typing import Any

from kersey.core.cloth.fabric import Fact, Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.store.tables import CupboardLotRow, CupboardStackRow, PrintColumns

_BLENDS_KEPT = 24


def lot_from_row(row: CupboardLotRow) -> CupboardLot:
    """The lot that a row and the rows below it hold."""
    lot = Lot(
        width=row.width,
        length=row.length,
        stacks=tuple(map(_stack, row.stacks)),
        measured_length=row.measured_length,
        form=Form(row.form),
        most_width=row.most_width,
        most_length=row.most_length,
        grams=row.grams,
        estimated=row.estimated,
        directional=row.directional,
        shrinkage=row.shrinkage,
        shrinkage_across=row.shrinkage_across,
        wrong_side=None if row.wrong_side is None else Value(row.wrong_side),
    )
    aside = None if row.aside is None else Aside(row.aside)
    return CupboardLot(row.name, lot, aside, row.place, row.note, row.first)


def lot_columns(kept: CupboardLot) -> dict[str, Any]:
    """What stands in the row of a lot, by column."""
    lot = kept.lot
    return {
        "name": kept.name,
        "aside": kept.aside,
        "place": kept.place,
        "note": kept.note,
        "first": kept.first,
        "form": lot.form,
        "width": lot.width,
        "length": lot.length,
        "widest": float(lot.most_width or lot.width),
        "pieces": lot.count,
        "prints": len(lot.stacks),
        "all_values": " ".join(v for v in Value if any(p.known_value is v for p in lot.prints)),
        "families": " ".join(sorted({p.known_family for p in lot.prints if p.known_family})),
        "all_names": "\n".join(
            (kept.name, kept.place, *(cloth.name for cloth in lot.prints))
        ).casefold(),
        "blends": " ".join(cloth.swatch.blend for cloth in lot.prints[:_BLENDS_KEPT]),
        "most_width": lot.most_width,
        "most_length": lot.most_length,
        "measured_length": lot.measured_length,
        "grams": lot.grams,
        "estimated": lot.estimated,
        "directional": lot.directional,
        "wrong_side": lot.wrong_side,
        "shrinkage": lot.shrinkage,
        "shrinkage_across": lot.shrinkage_across,
    }


def stack_columns(position: int, stack: Stack) -> dict[str, Any]:
    """What stands in the row of a print in a lot, by column."""
    own = {"position": position, "count": stack.count, "measured_length": stack.measured_length}
    return own | print_columns(stack.print)


def print_columns(cloth: Print) -> dict[str, Any]:
    """What stands of a print in any row that holds one."""
    return {
        "name": cloth.name,
        "value": cloth.value,
        "judged_family": cloth.judged_family,
        "filled_in": " ".join(sorted(cloth.filled_in)),
        "motif": cloth.swatch.motif,
        "scale": cloth.swatch.scale,
        "tile": cloth.swatch.tile,
        "look": cloth.swatch.look,
        "ground": cloth.swatch.ground,
        "figure": cloth.swatch.figure,
    }


def fill_row(row: object, columns: dict[str, Any]) -> None:
    """Write columns into a row."""
    for name, value in columns.items():
        setattr(row, name, value)


def write_lot(row: CupboardLotRow, kept: CupboardLot) -> None:
    """Write a lot into its row and the rows below it; prints that have a number keep their row."""
    fill_row(row, lot_columns(kept))
    there = {stack.id: stack for stack in row.stacks}
    row.stacks = [_write_stack(there, p, stack) for p, stack in enumerate(kept.lot.stacks)]


def print_of(row: PrintColumns) -> Print:
    """The print that a row holds."""
    swatch = Swatch(Motif(row.motif), row.ground, row.figure, Scale(row.scale), row.tile, row.look)
    filled_in = frozenset(map(Fact, row.filled_in.split()))
    return Print(row.name, Value(row.value), swatch, row.judged_family, filled_in)


def _stack(row: CupboardStackRow) -> Stack:
    return Stack(print_of(row), row.count, row.measured_length, row.id)


def _write_stack(
    there: dict[int, CupboardStackRow], position: int, stack: Stack
) -> CupboardStackRow:
    row = there.get(stack.number or 0) or CupboardStackRow(id=stack.number)
    fill_row(row, stack_columns(position, stack))
    return row
