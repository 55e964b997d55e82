"""A core project <-> its rows, word for word."""

import json
from collections.abc import Mapping, Sequence
from typing import Any

from kersey.core.cloth.fabric import Print, Value
from kersey.core.project.bought import USUAL_PRINTS, BoughtFor
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.pulled import Pulled, Role
from kersey.records.at_work import (
    finishing_document,
    finishing_from,
    sewing_document,
    sewing_from,
    table_document,
    table_from,
)
from kersey.records.choices import choices_from_text, choices_text
from kersey.records.laid import versions_from_text, versions_text
from kersey.records.plans import plan_from_text, plan_text
from kersey.store.lot_rows import fill_row, lot_from_row, print_columns, print_of
from kersey.store.tables import BoughtRow, DoneStepRow, KeptPlanRow, ProjectRow, PullRow


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
        design=choices_from_text(row.choices),
        # Of an older quilt nobody has said them all.
        bought={part: bought.get(part, print_of) for part, print_of in USUAL_PRINTS.items()},
        done=frozenset(step.key for step in row.done_steps),
        sketch=row.sketch,
        put_away=row.put_away,
        plan=plan_from_text(row.plan.document) if row.plan else None,
        versions=versions_from_text(row.versions),
        table=table_from(json.loads(row.on_table)),
        sewing=sewing_from(json.loads(row.sewing)),
        finishing=finishing_from(json.loads(row.finishing)),
    )


def write_project(row: ProjectRow, project: Project) -> None:
    """Write a project into its row and the rows below it, in place where they exist.

    Every lot it pulls from must be in the cupboard already.
    """
    fill_row(row, project_columns(project))
    _write_pulls(row, project.fabrics)
    _write_bought(row, project.bought)
    kept = [step for step in row.done_steps if step.key in project.done]
    new = project.done - {step.key for step in kept}
    row.done_steps = [*kept, *(DoneStepRow(key=key) for key in sorted(new))]
    _write_plan(row, project.plan)


def _write_plan(row: ProjectRow, kept: KeptPlan | None) -> None:
    if kept is None:
        row.plan = None
        return
    document = plan_text(kept)
    if row.plan is None:
        row.plan = KeptPlanRow(number=1, document=document)
    elif row.plan.document != document:
        row.plan.document = document
        row.plan.number += 1


def project_columns(project: Project) -> dict[str, Any]:
    """What stands in the row of a project, by column."""
    return {
        "name": project.name,
        "said": project.said,
        "sketch": project.sketch,
        "put_away": project.put_away,
        "choices": choices_text(project.design),
        "versions": versions_text(project.versions),
        "on_table": json.dumps(table_document(project.table)),
        "sewing": json.dumps(sewing_document(project.sewing)),
        "finishing": json.dumps(finishing_document(project.finishing)),
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
        "key": pulled.key,
    }


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
        key=pull.key,
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


def _write_bought(row: ProjectRow, bought: Mapping[BoughtFor, Print]) -> None:
    there = {part.part: part for part in row.bought}
    for part, cloth in bought.items():
        if part not in there:
            there[part] = BoughtRow(part=part)
            row.bought.append(there[part])
        fill_row(there[part], print_columns(cloth))
