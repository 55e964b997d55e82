"""A project <-> a plain record of words and numbers, as it stands in an export file."""

from collections import Counter
from collections.abc import Mapping, Sequence
from fractions import Fraction
from typing import Any

from kersey.core.blocks.block_record import block_from, block_record
from kersey.core.blocks.rail_yield import Method
from kersey.core.cloth.fabric import BadFabric, Value
from kersey.core.frame.backing import BackingWay
from kersey.core.frame.purposes import Wish
from kersey.core.project.project import Design, Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.lot_record import Record, length_from, length_text, print_from, print_record
from kersey.core.stash.pulled import Pulled, Role


def project_record(project: Project, place_of: Mapping[int | None, int]) -> Record:
    """A record of everything a person has entered; lengths are exact inches as text.

    `place_of` says at which place of the file each lot stands, by its number; what a sketch tries
    of lots that are not at home any more is left out.
    """
    return {
        "name": project.name,
        "said": project.said,
        "fabrics": [
            _pulled_record(pulled, place_of[pulled.lot_number])
            for pulled in project.fabrics
            if pulled.lot_number in place_of
        ],
        "border_print": print_record(project.bought_border),
        "binding_print": print_record(project.bought_binding),
        "done": sorted(project.done),
        "sketch": project.sketch,
        "put_away": project.put_away,
        "design": _design_record(project.design),
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
        design=_design(record["design"]),
        bought_border=print_from(record["border_print"]),
        bought_binding=print_from(record["binding_print"]),
        done=frozenset(map(str, record["done"])),
        sketch=bool(record["sketch"]),
        put_away=bool(record["put_away"]),
    )


def _pulled_record(pulled: Pulled, lot: int) -> Record:
    return {
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
    )


def _design_record(design: Design) -> Record:
    wish = design.wish
    return {
        "strips_per_block": design.strips_per_block,
        "method": design.method,
        "different_prints": design.different_prints,
        "block": block_record(design.block),
        "even": design.even,
        "by_value": design.by_value,
        "purpose": wish.key,
        "drop": str(wish.drop),
        "tuck": str(wish.tuck),
        "own_width": length_text(wish.own_width),
        "own_length": length_text(wish.own_length),
        "rows": design.rows,
        "columns": design.columns,
        "border_width": length_text(design.border_width),
        "binding_width": str(design.binding_width),
        "binding_from_stash": design.binding_from_stash,
        "margin": str(design.margin),
        "backing_way": design.backing_way,
        "seam": str(design.seam),
        "usable_width": str(design.usable_width),
    }


def _design(record: Record) -> Design:
    way = record["backing_way"]
    return Design(
        strips_per_block=int(record["strips_per_block"]),
        method=Method(record["method"]),
        different_prints=_flag(record["different_prints"]),
        block=block_from(record["block"]),
        even=bool(record["even"]),
        by_value=bool(record["by_value"]),
        wish=Wish(
            record["purpose"],
            Fraction(record["drop"]),
            Fraction(record["tuck"]),
            length_from(record["own_width"]),
            length_from(record["own_length"]),
        ),
        rows=_whole(record["rows"]),
        columns=_whole(record["columns"]),
        border_width=length_from(record["border_width"]),
        binding_width=Fraction(record["binding_width"]),
        binding_from_stash=bool(record["binding_from_stash"]),
        margin=Fraction(record["margin"]),
        backing_way=None if way is None else BackingWay(way),
        seam=Fraction(record["seam"]),
        usable_width=Fraction(record["usable_width"]),
    )


def _whole(number: Any) -> int | None:
    return None if number is None else int(number)


def _flag(said: Any) -> bool | None:
    return None if said is None else bool(said)
