"""A lot at home <-> its rows, word for word."""

from kersey.core.cupboard import Aside, CupboardLot
from kersey.core.fabric import Fact, Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.forms import Form
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
    return CupboardLot(row.name, lot, None if row.aside is None else Aside(row.aside))


def write_lot(row: CupboardLotRow, kept: CupboardLot) -> None:
    """Write a lot into its row and the rows below it; prints that have a number keep their row."""
    lot = kept.lot
    row.name, row.aside, row.form = kept.name, kept.aside, lot.form
    row.width, row.length, row.widest = lot.width, lot.length, float(lot.most_width or lot.width)
    row.pieces, row.prints = lot.count, len(lot.stacks)
    row.all_values = " ".join(v for v in Value if any(p.known_value is v for p in lot.prints))
    row.families = " ".join(sorted({p.known_family for p in lot.prints if p.known_family}))
    row.all_names = "\n".join((kept.name, *(cloth.name for cloth in lot.prints))).casefold()
    row.blends = " ".join(cloth.swatch.blend for cloth in lot.prints[:_BLENDS_KEPT])
    row.most_width, row.most_length = lot.most_width, lot.most_length
    row.measured_length, row.grams, row.estimated = lot.measured_length, lot.grams, lot.estimated
    row.directional, row.wrong_side = lot.directional, lot.wrong_side
    row.shrinkage, row.shrinkage_across = lot.shrinkage, lot.shrinkage_across
    there = {stack.id: stack for stack in row.stacks}
    row.stacks = [_write_stack(there, p, stack) for p, stack in enumerate(lot.stacks)]


def print_of(row: PrintColumns) -> Print:
    """The print that a row holds."""
    swatch = Swatch(Motif(row.motif), row.ground, row.figure, Scale(row.scale), row.tile)
    filled_in = frozenset(map(Fact, row.filled_in.split()))
    return Print(row.name, Value(row.value), swatch, row.judged_family, filled_in)


def write_print(row: PrintColumns, cloth: Print) -> None:
    """Write a print into its row."""
    row.name, row.value, row.judged_family = cloth.name, cloth.value, cloth.judged_family
    row.filled_in = " ".join(sorted(cloth.filled_in))
    row.motif, row.scale, row.tile = cloth.swatch.motif, cloth.swatch.scale, cloth.swatch.tile
    row.ground, row.figure = cloth.swatch.ground, cloth.swatch.figure


def _stack(row: CupboardStackRow) -> Stack:
    return Stack(print_of(row), row.count, row.measured_length, row.id)


def _write_stack(
    there: dict[int, CupboardStackRow], position: int, stack: Stack
) -> CupboardStackRow:
    row = there.get(stack.number or 0) or CupboardStackRow(id=stack.number)
    row.position, row.count, row.measured_length = position, stack.count, stack.measured_length
    write_print(row, stack.print)
    return row
