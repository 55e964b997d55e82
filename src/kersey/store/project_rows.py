"""A core project <-> its rows, word for word."""

import json
from collections.abc import Mapping, Sequence
from typing import Any

from kersey.core.blocks.block_record import block_from, block_record
from kersey.core.blocks.rail_yield import Method
from kersey.core.cloth.fabric import Print, Value
from kersey.core.frame.backing import BackingWay
from kersey.core.frame.purposes import Wish
from kersey.core.project.project import Design, Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.pulled import Pulled, Role
from kersey.store.lot_rows import fill_row, lot_from_row, print_columns, print_of
from kersey.store.tables import BoughtRow, DoneStepRow, ProjectRow, PullRow

_BORDER, _BINDING = "border", "binding"


def project_from_row(row: ProjectRow) -> Project:
    """The project that a row and the rows below it hold."""
    bought = {part.part: print_of(part) for part in row.bought}
    rows = {pull.stack.lot_id: pull.stack.lot for pull in row.pulls}
    lots = {number: lot_from_row(lot) for number, lot in rows.items()}
    places = {s.id: place for lot in rows.values() for place, s in enumerate(lot.stacks)}
    return Project(
        name=row.name,
        said=row.said,
        fabrics=tuple(
            _pulled(pull, lots[pull.stack.lot_id], places[pull.stack_id])
            for pull in row.pulls
            if pull.stack.count and pull.stack.lot.deleted_at is None
        ),
        design=_design(row),
        bought_border=bought[_BORDER],
        bought_binding=bought[_BINDING],
        done=frozenset(step.key for step in row.done_steps),
        sketch=row.sketch,
        put_away=row.put_away,
    )


def write_project(row: ProjectRow, project: Project) -> None:
    """Write a project into its row and the rows below it, in place where they exist.

    Every lot it pulls from must be in the cupboard already.
    """
    fill_row(row, project_columns(project))
    _write_pulls(row, project.fabrics)
    _write_bought(row, bought_prints(project))
    kept = [step for step in row.done_steps if step.key in project.done]
    new = project.done - {step.key for step in kept}
    row.done_steps = [*kept, *(DoneStepRow(key=key) for key in sorted(new))]


def project_columns(project: Project) -> dict[str, Any]:
    """What stands in the row of a project, by column."""
    design = project.design
    return {
        "name": project.name,
        "said": project.said,
        "sketch": project.sketch,
        "put_away": project.put_away,
        "strips_per_block": design.strips_per_block,
        "method": design.method,
        "different_prints": design.different_prints,
        "block": json.dumps(block_record(design.block)),
        "even": design.even,
        "by_value": design.by_value,
        "purpose": design.wish.key,
        "drop": design.wish.drop,
        "tuck": design.wish.tuck,
        "own_width": design.wish.own_width,
        "own_length": design.wish.own_length,
        "rows": design.rows,
        "columns": design.columns,
        "border_width": design.border_width,
        "binding_width": design.binding_width,
        "binding_from_stash": design.binding_from_stash,
        "margin": design.margin,
        "backing_way": design.backing_way,
        "seam": design.seam,
        "usable_width": design.usable_width,
    }


def pull_columns(position: int, pulled: Pulled) -> dict[str, Any]:
    """What stands in the row of pieces that a project has pulled, by column."""
    return {
        "position": position,
        "count": pulled.count,
        "cut": pulled.cut,
        "roles": " ".join(pulled.roles),
        "value": pulled.value,
        "aside": pulled.aside,
    }


def bought_prints(project: Project) -> dict[str, Print]:
    """The prints that are bought, by the part of the quilt they are for."""
    return {_BORDER: project.bought_border, _BINDING: project.bought_binding}


# A sketch holds nothing back, so its lots may shrink or be taken out: it then shows what is there.
def _pulled(pull: PullRow, kept: CupboardLot, place: int) -> Pulled:
    return Pulled(
        kept=kept,
        place=place,
        count=min(pull.count, pull.stack.count),
        roles=tuple(map(Role, pull.roles.split())),
        value=None if pull.value is None else Value(pull.value),
        aside=None if pull.aside is None else Aside(pull.aside),
        cut=min(pull.cut, pull.stack.count),
        lot_number=pull.stack.lot_id,
    )


def _write_pulls(row: ProjectRow, fabrics: Sequence[Pulled]) -> None:
    there = {pull.stack_id: pull for pull in row.pulls}
    out_of_sight = [pull for pull in row.pulls if pull.stack.lot.deleted_at is not None]
    row.pulls = out_of_sight + [_write_pull(there, n, pulled) for n, pulled in enumerate(fabrics)]


def _write_pull(there: Mapping[int, PullRow], position: int, pulled: Pulled) -> PullRow:
    number = pulled.stack.number
    assert number is not None
    pull = there.get(number) or PullRow(stack_id=number)
    fill_row(pull, pull_columns(position, pulled))
    return pull


def _design(row: ProjectRow) -> Design:
    return Design(
        strips_per_block=row.strips_per_block,
        method=Method(row.method),
        different_prints=row.different_prints,
        block=block_from(json.loads(row.block)),
        even=row.even,
        by_value=row.by_value,
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


def _write_bought(row: ProjectRow, bought: dict[str, Print]) -> None:
    there = {part.part: part for part in row.bought}
    for part, cloth in bought.items():
        if part not in there:
            there[part] = BoughtRow(part=part)
            row.bought.append(there[part])
        fill_row(there[part], print_columns(cloth))
