"""A lot at home, and a print, <-> plain words and numbers, by Pydantic.

    {"version": 2, "name": "Roll of 40", "aside": null, "lot": {"form": "strip", "stacks": [...]}}

So lots stand in the cupboard's list of changes and in export files. Lengths are exact inches as
text, like ``5/2``. In the first version a print's swatch stood in the print, the print in its
stack, and the stacks in the lot, all without a name of their own.
"""

from collections.abc import Mapping
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.cloth.fabric import Print, Swatch
from kersey.core.stash.cupboard import CupboardLot
from kersey.records.choices import BadDocument, first_fault

VERSION = 2
Document = dict[str, Any]
_LOT, _PRINT = TypeAdapter(CupboardLot), TypeAdapter(Print)
_OF_A_SWATCH = frozenset(Swatch.__dataclass_fields__)
_OF_A_STACK = frozenset({"count", "measured_length", "number"})
_OF_A_LOT_AT_HOME = frozenset({"name", "aside"})


def lot_document(kept: CupboardLot) -> Document:
    """The document of a lot, without the numbers by which a cupboard knows its prints."""
    document = numbered_document(kept)
    for stack in document["lot"]["stacks"]:
        del stack["number"]
    return document


def numbered_document(kept: CupboardLot) -> Document:
    """The document of a lot, with the numbers by which its cupboard knows its prints."""
    document = {"version": VERSION, **_LOT.dump_python(kept, mode="json")}
    for stack in document["lot"]["stacks"]:
        # A set has no order of its own; the same lot is the same text.
        stack["print"]["filled_in"].sort()
    return document


def lot_from(document: Mapping[str, Any]) -> CupboardLot:
    """The lot that a document of any version holds; raises `BadDocument`, or `KeyError`.

    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips").lot)
    >>> lot_from(lot_document(roll)) == roll
    True
    """
    known = dict(document)
    version = known.pop("version", 1)
    if version not in (1, VERSION):
        raise BadDocument(f"A lot of version {version!r:.20} isn't known.")
    try:
        return _LOT.validate_python(_nested(known) if version == 1 else known, strict=False)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error


def print_document(cloth: Print) -> Document:
    """The document of a print that stands by itself."""
    document: Document = _PRINT.dump_python(cloth, mode="json")
    document["filled_in"].sort()
    return document


def print_from(document: Mapping[str, Any]) -> Print:
    """The print that a document holds, of whichever version; raises `BadDocument`."""
    try:
        known = document if "swatch" in document else _print_nested(document)
        return _PRINT.validate_python(known, strict=False)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error


def _nested(flat: Mapping[str, Any]) -> Document:
    """A lot of the first version in the shape of the second; raises `KeyError`."""
    lot = {name: value for name, value in flat.items() if name not in _OF_A_LOT_AT_HOME}
    lot["stacks"] = [_stack_nested(stack) for stack in lot.pop("prints")]
    return {"name": flat["name"], "aside": flat.get("aside"), "lot": lot}


def _stack_nested(flat: Mapping[str, Any]) -> Document:
    stack = {name: value for name, value in flat.items() if name in _OF_A_STACK}
    cloth = {name: value for name, value in flat.items() if name not in _OF_A_STACK}
    return {**stack, "print": _print_nested(cloth)}


def _print_nested(flat: Mapping[str, Any]) -> Document:
    swatch = {name: value for name, value in flat.items() if name in _OF_A_SWATCH}
    cloth = {name: value for name, value in flat.items() if name not in _OF_A_SWATCH}
    return {**cloth, "swatch": swatch}
