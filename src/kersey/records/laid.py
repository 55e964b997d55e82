"""Arrangements <-> JSON text: the versions a person keeps, and the steps on the wall."""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.project.laying import Laid, Version
from kersey.records.choices import BadDocument, first_fault

_VERSIONS, _LAID = TypeAdapter(tuple[Version, ...]), TypeAdapter(Laid)


def versions_document(versions: tuple[Version, ...]) -> list[Any]:
    """Versions as plain words and numbers."""
    return list(_VERSIONS.dump_python(versions, mode="json"))


def versions_from(document: object) -> tuple[Version, ...]:
    """The versions a document holds; raises `BadDocument`."""
    try:
        return _VERSIONS.validate_python(document)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error


def versions_text(versions: tuple[Version, ...]) -> str:
    """Versions as text."""
    return json.dumps(versions_document(versions))


def versions_from_text(text: str) -> tuple[Version, ...]:
    """The versions a text holds; raises `BadDocument`."""
    return versions_from(json.loads(text))


def step_text(laid: Laid) -> str:
    """How the blocks of an arrangement lie, as text; the blocks themselves are left out."""
    return _LAID.dump_json(laid, exclude={"grid", "blocks"}).decode()


def step_from_text(text: str, like: Laid) -> Laid:
    """The arrangement of the same blocks that lie as a text says; raises `BadDocument`."""
    facts = json.loads(text) | {"grid": like.grid, "blocks": like.blocks}
    try:
        return _LAID.validate_python(facts)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
