"""Everything in one file: all projects and the whole cupboard, as JSON.

    {"kersey": "everything/1", "projects": [...], "cupboard": [...]}

What is written can be read back without loss. A damaged or foreign file is refused whole, with the
place that is wrong; nothing is half taken.
"""

import json
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, TypeVar

from kersey.core.cupboard import CupboardLot
from kersey.core.errors import InvalidValue
from kersey.core.lot_record import lot_of, record_of
from kersey.core.project import Project
from kersey.core.project_record import project_from, project_record

KIND = "everything/1"
MOST_BYTES = 64 * 1024 * 1024
_Part = TypeVar("_Part")


class NotAKerseyFile(InvalidValue):
    """A file that is not one of ours, or is damaged."""


@dataclass(frozen=True)
class Everything:
    """What a file holds."""

    projects: tuple[Project, ...]
    cupboard: tuple[CupboardLot, ...]


def write_everything(everything: Everything) -> str:
    """The file's text; the same things give the same text."""
    records = {
        "kersey": KIND,
        "projects": [project_record(project) for project in everything.projects],
        "cupboard": [record_of(kept) for kept in everything.cupboard],
    }
    return json.dumps(records, ensure_ascii=False, indent=1) + "\n"


def read_everything(content: bytes) -> Everything:
    """Read a file; raises `NotAKerseyFile` saying where it is wrong.

    >>> read_everything(b'{"kersey": "everything/1", "projects": [], "cupboard": []}').projects
    ()
    """
    if len(content) > MOST_BYTES:
        raise NotAKerseyFile("This file is larger than 64 MB.")
    try:
        records = json.loads(content)
    except (ValueError, RecursionError) as error:
        raise NotAKerseyFile(f"This is no file of Kersey's ({type(error).__name__}).") from error
    if not isinstance(records, dict) or records.get("kersey") != KIND:
        raise NotAKerseyFile(f"This is no file of Kersey's: it does not begin with “{KIND}”.")
    return Everything(
        _parts(records, "projects", project_from), _parts(records, "cupboard", lot_of)
    )


def _parts(records: dict[str, Any], name: str, read: Callable[[Any], _Part]) -> tuple[_Part, ...]:
    found = records.get(name)
    if not isinstance(found, Sequence) or isinstance(found, str):
        raise NotAKerseyFile(f"{name}: a list is missing.")
    return tuple(_part(name, place, record, read) for place, record in enumerate(found))


def _part(name: str, place: int, record: Any, read: Callable[[Any], _Part]) -> _Part:
    try:
        return read(record)
    except KeyError as error:
        raise NotAKerseyFile(f"{name}[{place}]: {error} is missing.") from error
    except (ValueError, TypeError, AttributeError, ArithmeticError) as error:
        raise NotAKerseyFile(f"{name}[{place}]: {error}") from error
