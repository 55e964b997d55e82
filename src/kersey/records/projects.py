"""A project <-> a plain record of words and numbers, as it stands in an export file.

Its fabrics name their lots by their places in the file.
"""

from collections import Counter
from collections.abc import Mapping, Sequence
from typing import Any

from kersey.core.cloth.fabric import BadFabric, Value
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.lot_record import print_from, print_record
from kersey.core.stash.pulled import Pulled, Role
from kersey.records.choices import choices_document, choices_from
from kersey.records.plans import plan_document, plan_from

Record = dict[str, Any]


def project_record(project: Project, place_of: Mapping[int | None, int]) -> Record:
    """A record of everything a person has entered, and of the plan.

    `place_of` says at which place of the file each lot stands, by its number; what a sketch tries
    of lots that are not at home any more is left out.
    """
    here = [pulled for pulled in project.fabrics if pulled.lot_number in place_of]
    return {
        "name": project.name,
        "said": project.said,
        "fabrics": [_pulled_record(pulled, place_of[pulled.lot_number]) for pulled in here],
        "border_print": print_record(project.bought_border),
        "binding_print": print_record(project.bought_binding),
        "done": sorted(project.done),
        "sketch": project.sketch,
        "put_away": project.put_away,
        "choices": choices_document(project.design),
        "plan": None if project.plan is None else plan_document(project.plan),
    }


def project_from(record: Record, lots: Sequence[CupboardLot]) -> Project:
    """The project that a record holds; its fabrics know their lots by their place in `lots`.

    Raises `InvalidValue`, `KeyError`, `TypeError` or `ValueError` for one that is damaged.
    """
    fabrics = tuple(_pulled(part, lots) for part in record["fabrics"])
    twice = [key for key, times in Counter((p.lot_number, p.place) for p in fabrics).items()
             if times > 1]  # fmt: skip
    if twice:
        lot, place = twice[0]
        raise BadFabric(f"Print {place} of lot {lot} is pulled twice.")
    return Project(
        name=record["name"],
        said=str(record["said"]),
        fabrics=fabrics,
        design=choices_from(record["choices"]),
        bought_border=print_from(record["border_print"]),
        bought_binding=print_from(record["binding_print"]),
        done=frozenset(map(str, record["done"])),
        sketch=bool(record["sketch"]),
        put_away=bool(record["put_away"]),
        plan=None if record["plan"] is None else plan_from(record["plan"]),
    )


def _pulled_record(pulled: Pulled, lot: int) -> Record:
    return {
        "key": pulled.key,
        "lot": lot,
        "print": pulled.place,
        "count": pulled.count,
        "cut": pulled.cut,
        "roles": list(pulled.roles),
        "value": pulled.value,
        "aside": pulled.aside,
    }


def _pulled(record: Record, lots: Sequence[CupboardLot]) -> Pulled:
    lot, place = int(record["lot"]), int(record["print"])
    if not 0 <= lot < len(lots) or not 0 <= place < len(lots[lot].lot.stacks):
        raise BadFabric(f"There is no print {place} of a lot {lot}.")
    count = int(record["count"])
    if count > lots[lot].lot.counts[place]:
        raise BadFabric(f"More pieces are pulled of lot {lot} than there are.")
    return Pulled(
        kept=lots[lot],
        place=place,
        count=count,
        roles=tuple(map(Role, record["roles"])),
        value=Value(record["value"]) if record["value"] else None,
        cut=int(record["cut"]),
        aside=Aside(record["aside"]) if record["aside"] else None,
        lot_number=lot,
        key=record["key"],
    )
