"""Everything in one file: the whole cupboard and all projects, as JSON.

    {"kersey": "everything/4", "cupboard": [...], "projects": [...], "prices": {...}}

The price list stands there once a person has made it their own. A project's fabrics name their lot
by its place in the cupboard's list. What is written can be read back without loss. A damaged or
foreign file is refused whole, with the place that is wrong; nothing is half taken. Older files are
read too: of the third version, in which lots and prints were written in another shape; of the
second, in which choices stood one by one; and of the first, in which every project held its own
strips: they become lots of the cupboard.
"""

import json
import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, TypeVar

from kersey.core.errors import InvalidValue
from kersey.core.project.design import usual_block
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.price_list import PriceList
from kersey.core.work.sound_plan import with_sound_plan
from kersey.records.lots import lot_document, lot_from
from kersey.records.prices import prices_document, prices_from
from kersey.records.projects import project_document, project_from

KIND = "everything/4"
_THIRD_KIND, _SECOND_KIND, _FIRST_KIND = "everything/3", "everything/2", "everything/1"
MOST_BYTES = 64 * 1024 * 1024
_Part = TypeVar("_Part")
# Told how many of how many are read, and of what.
Tell = Callable[[int, int, str], None]
_TELL_EVERY = 100
_TOLD = {"cupboard": "lots read", "projects": "quilts read"}
# Half of a pair of surrogates is no letter, and cannot be kept.
_NO_LETTER = re.compile("[\ud800-\udfff]")


class NotAKerseyFile(InvalidValue):
    """A file that is not one of ours, or is damaged."""


@dataclass(frozen=True)
class Everything:
    """What a file holds. A fabric's `lot_number` is the place of its lot in `cupboard`.

    `prices` only where they are a person's own. Of the projects `without_plan`, by their names,
    the plan in the file could not be trusted: they come without it.
    """

    projects: tuple[Project, ...]
    cupboard: tuple[CupboardLot, ...]
    prices: PriceList | None = None
    without_plan: tuple[str, ...] = ()


def gather(
    projects: Sequence[Project], lots: Mapping[int, CupboardLot], prices: PriceList | None = None
) -> str:
    """The text of a file with all projects, and all lots by their number in the cupboard.

    The same things give the same text.
    """
    place_of: dict[int | None, int] = {number: place for place, number in enumerate(lots)}
    records: dict[str, Any] = {
        "kersey": KIND,
        "cupboard": [lot_document(kept) for kept in lots.values()],
        "projects": [project_document(project, place_of) for project in projects],
    }
    if prices is not None:
        records["prices"] = prices_document(prices)
    return json.dumps(records, ensure_ascii=False, indent=1) + "\n"


def write_everything(everything: Everything) -> str:
    """The text of the file that holds this."""
    return gather(everything.projects, dict(enumerate(everything.cupboard)), everything.prices)


def read_everything(content: bytes, tell: Tell | None = None) -> Everything:
    """Read a file; raises `NotAKerseyFile` saying where it is wrong.

    `tell` is told now and then how much of it is read.

    >>> read_everything(b'{"kersey": "everything/1", "projects": [], "cupboard": []}').projects
    ()
    """
    if len(content) > MOST_BYTES:
        raise NotAKerseyFile("This file is larger than 64 MB.")
    try:
        records = json.loads(content.decode("utf-8-sig"))
    except (ValueError, RecursionError) as error:
        raise NotAKerseyFile(f"This isn't a Kersey file ({type(error).__name__}).") from error
    kind = records.get("kersey") if isinstance(records, dict) else None
    if not isinstance(kind, str) or kind not in {KIND, _THIRD_KIND, _SECOND_KIND, _FIRST_KIND}:
        raise NotAKerseyFile(f"This isn't a Kersey file; it doesn't start with “{KIND}”.")
    lots = _parts(records, "cupboard", lot_from, tell)
    if kind == _FIRST_KIND:
        lots += _own_strips(records, len(lots))
    if kind in {_SECOND_KIND, _FIRST_KIND}:
        _parts(records, "projects", _brought_up)
    read = _parts(records, "projects", lambda record: project_from(record, lots), tell)
    projects = tuple(map(with_sound_plan, read))
    unsound = tuple(now.name for was, now in zip(read, projects, strict=True) if was != now)
    return Everything(projects, lots, _prices(records), unsound)


def _prices(records: dict[str, Any]) -> PriceList | None:
    """The price list of a file that has one."""
    if "prices" not in records:
        return None
    return _part("prices", 0, records["prices"], prices_from)


def _brought_up(project: Any) -> None:
    """Bring a project of an older version up: its choices are a document, it has no plan yet."""
    project["choices"] = {"version": 1, **project.pop("design")}
    project["plan"] = None
    for fabric in project["fabrics"]:
        fabric["key"] = None


# The block of every project of the first version.
_FIRST_BLOCK: dict[str, Any] = {
    "recipe": usual_block().recipe,
    "finished": None,
    "options": {},
    "pieces": [],
    "rules": [],
}


def _own_strips(records: dict[str, Any], first: int) -> tuple[CupboardLot, ...]:
    """The strips of projects of the first version, as lots that they pull from."""
    lots: list[CupboardLot] = []

    def moved(project: Any) -> None:
        kept = lot_from({**project.pop("strips"), "name": project["name"]})
        project["sketch"] = project["put_away"] = False
        project["design"] |= {"block": _FIRST_BLOCK, "even": False, "by_value": True}
        project["fabrics"] = [
            {
                "lot": first + len(lots),
                "print": place,
                "count": count,
                "cut": 0,
                "roles": ["any"],
                "value": None,
                "aside": None,
            }
            for place, count in enumerate(kept.lot.counts)
            if count
        ]
        lots.append(kept)

    _parts(records, "projects", moved)
    return tuple(lots)


def _parts(
    records: dict[str, Any], name: str, read: Callable[[Any], _Part], tell: Tell | None = None
) -> tuple[_Part, ...]:
    found = records.get(name)
    if not isinstance(found, Sequence) or isinstance(found, str):
        raise NotAKerseyFile(f"{name}: a list is missing.")
    parts = []
    for place, record in enumerate(found):
        parts.append(_part(name, place, record, read))
        if tell and place % _TELL_EVERY == 0:
            tell(place, len(found), _TOLD[name])
    return tuple(parts)


def _check_letters(record: Any) -> None:
    """Raise `NotAKerseyFile` for text with something in it that is no letter."""
    if isinstance(record, str):
        if not record.isascii() and _NO_LETTER.search(record):
            raise NotAKerseyFile("it contains a broken character that can't be saved.")
    elif isinstance(record, dict):
        for key, value in record.items():
            if type(value) in _HOLDS_TEXT:
                _check_letters(value)
            if not key.isascii():
                _check_letters(key)
    elif isinstance(record, list):
        for item in record:
            if type(item) in _HOLDS_TEXT:
                _check_letters(item)


_HOLDS_TEXT = frozenset({str, dict, list})


def _part(name: str, place: int, record: Any, read: Callable[[Any], _Part]) -> _Part:
    try:
        _check_letters(record)
        return read(record)
    except KeyError as error:
        raise NotAKerseyFile(f"{name}[{place}]: {error} is missing.") from error
    except (ValueError, TypeError, AttributeError, ArithmeticError) as error:
        raise NotAKerseyFile(f"{name}[{place}]: {error}") from error
