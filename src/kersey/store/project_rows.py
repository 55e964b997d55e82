"""A core project <-> its rows, word for word."""

from kersey.core.backing import BackingWay
from kersey.core.fabric import Lot, Motif, Print, Stack, Swatch, Value
from kersey.core.project import Design, Project
from kersey.core.purposes import Wish
from kersey.core.yields import Method
from kersey.store.tables import BoughtRow, DoneStepRow, LotRow, PrintColumns, ProjectRow, StackRow

_STRIP_FORM = "strip"
_BORDER, _BINDING = "border", "binding"


def project_from_row(row: ProjectRow) -> Project:
    """The project that a row and the rows below it hold."""
    bought = {part.part: print_of(part) for part in row.bought}
    return Project(
        name=row.name,
        said=row.said,
        lot=_lot(row.lots[0]),
        design=_design(row),
        border_print=bought[_BORDER],
        binding_print=bought[_BINDING],
        done=frozenset(step.key for step in row.done_steps),
    )


def write_project(row: ProjectRow, project: Project) -> None:
    """Write a project into its row and the rows below it, in place where they exist."""
    row.name, row.said = project.name, project.said
    _write_design(row, project.design)
    if not row.lots:
        row.lots = [LotRow(position=0, form=_STRIP_FORM)]
    _write_lot(row.lots[0], project.lot)
    _write_bought(row, {_BORDER: project.border_print, _BINDING: project.binding_print})
    kept = [step for step in row.done_steps if step.key in project.done]
    new = project.done - {step.key for step in kept}
    row.done_steps = [*kept, *(DoneStepRow(key=key) for key in sorted(new))]


def _design(row: ProjectRow) -> Design:
    return Design(
        strips_per_block=row.strips_per_block,
        method=Method(row.method),
        different_prints=row.different_prints,
        wish=Wish(row.purpose, row.drop, row.tuck, row.own_width, row.own_length),
        rows=row.rows,
        columns=row.columns,
        border_width=row.border_width,
        binding_width=row.binding_width,
        binding_from_stash=row.binding_from_stash,
        margin=row.margin,
        backing_way=None if row.backing_way is None else BackingWay(row.backing_way),
        seam=row.seam,
        usable_width=row.usable_width,
    )


def _write_design(row: ProjectRow, design: Design) -> None:
    row.strips_per_block = design.strips_per_block
    row.method = design.method
    row.different_prints = design.different_prints
    row.purpose, row.drop, row.tuck = design.wish.key, design.wish.drop, design.wish.tuck
    row.own_width, row.own_length = design.wish.own_width, design.wish.own_length
    row.rows, row.columns = design.rows, design.columns
    row.border_width = design.border_width
    row.binding_width = design.binding_width
    row.binding_from_stash = design.binding_from_stash
    row.margin = design.margin
    row.backing_way = design.backing_way
    row.seam, row.usable_width = design.seam, design.usable_width


def _lot(row: LotRow) -> Lot:
    stacks = tuple(Stack(print_of(stack), stack.count) for stack in row.stacks)
    return Lot(row.width, row.length, stacks, row.measured_length)


def _write_lot(row: LotRow, lot: Lot) -> None:
    row.width, row.length, row.measured_length = lot.width, lot.length, lot.measured_length
    del row.stacks[len(lot.stacks) :]
    for position, stack in enumerate(lot.stacks):
        if position == len(row.stacks):
            row.stacks.append(StackRow(position=position))
        row.stacks[position].count = stack.count
        write_print(row.stacks[position], stack.print)


def _write_bought(row: ProjectRow, bought: dict[str, Print]) -> None:
    there = {part.part: part for part in row.bought}
    for part, cloth in bought.items():
        if part not in there:
            there[part] = BoughtRow(part=part)
            row.bought.append(there[part])
        write_print(there[part], cloth)


def print_of(row: PrintColumns) -> Print:
    """The print that a row holds."""
    swatch = Swatch(Motif(row.motif), row.ground, row.figure)
    return Print(row.name, Value(row.value), swatch)


def write_print(row: PrintColumns, cloth: Print) -> None:
    """Write a print into its row."""
    row.name, row.value = cloth.name, cloth.value
    row.motif = cloth.swatch.motif
    row.ground, row.figure = cloth.swatch.ground, cloth.swatch.figure
