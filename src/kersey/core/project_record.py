"""A project <-> a plain record of words and numbers, as it stands in an export file."""

from fractions import Fraction
from typing import Any

from kersey.core.backing import BackingWay
from kersey.core.lot_record import (
    Record,
    length_from,
    length_text,
    lot_from,
    lot_record,
    print_from,
    print_record,
)
from kersey.core.project import Design, Project
from kersey.core.purposes import Wish
from kersey.core.yields import Method


def project_record(project: Project) -> Record:
    """A record of everything a person has entered; lengths are exact inches as text."""
    return {
        "name": project.name,
        "said": project.said,
        "strips": lot_record(project.lot),
        "border_print": print_record(project.border_print),
        "binding_print": print_record(project.binding_print),
        "done": sorted(project.done),
        "design": _design_record(project.design),
    }


def project_from(record: Record) -> Project:
    """The project that a record holds.

    Raises `InvalidValue`, `KeyError`, `TypeError` or `ValueError` for one that is damaged.
    """
    return Project(
        name=record["name"],
        said=record["said"],
        lot=lot_from(record["strips"]),
        design=_design(record["design"]),
        border_print=print_from(record["border_print"]),
        binding_print=print_from(record["binding_print"]),
        done=frozenset(map(str, record["done"])),
    )


def _design_record(design: Design) -> Record:
    wish = design.wish
    return {
        "strips_per_block": design.strips_per_block,
        "method": design.method,
        "different_prints": design.different_prints,
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
