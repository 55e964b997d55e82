"""The choices of a quilt <-> one JSON document.

    {"version": 2, "block": {"recipe": "nine-patch", ...}, "seam": "1/4", "rows": 10, ...}

Lengths are exact inches as text. A document of an older version is brought up step by step. Of the
first version every choice stood by itself, and those of a block of strips beside the block.
"""

import json
from collections.abc import Callable, Mapping
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.blocks.catalogue import recipes
from kersey.core.errors import InvalidValue
from kersey.core.project.design import Design

VERSION = 2
# Options of a block that stood beside it in the first version.
_BESIDE = {"strips": "strips_per_block", "method": "method"}
Document = dict[str, Any]
_DESIGN = TypeAdapter(Design)


class BadDocument(InvalidValue):
    """A document that is damaged, or of a version that is not known."""


def choices_document(design: Design) -> Document:
    """The document of these choices.

    >>> choices_document(Design())["seam"]
    '1/4'
    """
    return {"version": VERSION, **_DESIGN.dump_python(design, mode="json")}


def choices_text(design: Design) -> str:
    """The document as text."""
    return json.dumps(choices_document(design), ensure_ascii=False)


def choices_from(document: Mapping[str, Any]) -> Design:
    """The choices that a document of any version holds; raises `BadDocument`.

    >>> choices_from(choices_document(Design())) == Design()
    True
    """
    known = dict(document)
    version = known.pop("version", None)
    if version not in (*_UPGRADES, VERSION):
        raise BadDocument(f"Choices of version {version!r:.20} aren't known.")
    while version != VERSION:
        known = _UPGRADES[version](known)
        version += 1
    try:
        return _DESIGN.validate_python(known, strict=False)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error


def choices_from_text(text: str) -> Design:
    """The choices that a text holds; raises `BadDocument`."""
    return choices_from(json.loads(text))


def first_fault(error: ValidationError) -> str:
    """Where a document is wrong and why, in one line."""
    detail = error.errors(include_url=False, include_input=False)[0]
    where = ".".join(str(step) for step in detail["loc"])
    why = detail["msg"].removeprefix("Value error, ")
    return f"{where}: {why}" if where else why


def _from_first(old: Document) -> Document:
    """What was said of strips beside the block is said of the block; prints by a word."""
    taken = (
        "even",
        "by_value",
        "rows",
        "columns",
        "border_width",
        "binding_width",
        "margin",
        "backing_way",
        "seam",
        "usable_width",
    )
    new: Document = {name: old[name] for name in taken}
    block = dict(old["block"])
    options = {name: _unwrapped(value) for name, value in block["options"].items()}
    known = recipes().get(block["recipe"])
    if known and set(_BESIDE) <= set(known.options):
        options |= {name: old[beside] for name, beside in _BESIDE.items()}
    new["block"] = {
        "recipe": block["recipe"],
        "finished": block["finished"],
        "options": list(options.items()),
        "pieces": block["pieces"],
        "rules": block["rules"],
    }
    new["prints"] = {None: "best", True: "different", False: "any"}[old["different_prints"]]
    new["binding_from_left"] = old["binding_from_stash"]
    new["wish"] = {
        "key": old["purpose"],
        "drop": old["drop"],
        "tuck": old["tuck"],
        "own_width": old["own_width"],
        "own_length": old["own_length"],
    }
    return new


def _unwrapped(option: Any) -> Any:
    """A length among the options had its unit beside it."""
    return option["inches"] if isinstance(option, Mapping) else option


_UPGRADES: dict[int, Callable[[Document], Document]] = {1: _from_first}
