"""What lies on the table, what was settled while sewing, and the way back, <-> JSON text."""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.mending.taken_back import Before
from kersey.core.project.finishing import Finishing
from kersey.core.project.sewing import Sewing
from kersey.core.project.table import Table
from kersey.records.choices import BadDocument, first_fault
from kersey.records.plans import plan_document, plan_from

_TABLE, _SEWING, _BEFORE = TypeAdapter(Table), TypeAdapter(Sewing), TypeAdapter(Before)
_FINISHING = TypeAdapter(Finishing)


def table_document(table: Table) -> Any:
    """A table as plain words and numbers."""
    return _TABLE.dump_python(table, mode="json")


def table_from(document: object) -> Table:
    """The table a document holds; raises `BadDocument`."""
    found: Table = _read(_TABLE, document)
    return found


def sewing_document(sewing: Sewing) -> Any:
    """What was settled and measured as plain words and numbers."""
    return _SEWING.dump_python(sewing, mode="json")


def sewing_from(document: object) -> Sewing:
    """What a document says was settled and measured; raises `BadDocument`."""
    found: Sewing = _read(_SEWING, document)
    return found


def finishing_document(finishing: Finishing) -> Any:
    """What was settled for the finish as plain words and numbers."""
    return _FINISHING.dump_python(finishing, mode="json")


def finishing_from(document: object) -> Finishing:
    """What a document says was settled for the finish; raises `BadDocument`.

    There was one photograph once.
    """
    if isinstance(document, dict) and "photograph" in document:
        known = dict(document)
        one = known.pop("photograph")
        document = {"photographs": [one] if one else []} | known
    found: Finishing = _read(_FINISHING, document)
    return found


def before_text(before: Before, after: Table) -> str:
    """The way back from what went wrong, as text."""
    rest = _BEFORE.dump_python(before, mode="json", exclude={"plan"})
    plan = None if before.plan is None else plan_document(before.plan)
    return json.dumps({"before": {**rest, "plan": plan}, "after": table_document(after)})


def before_from_text(text: str) -> tuple[Before, Table]:
    """The way back that a text holds, and the table it leads back from; raises `BadDocument`."""
    found = json.loads(text)
    plan = found["before"]["plan"]
    facts = found["before"] | {"plan": None if plan is None else plan_from(plan)}
    return _read(_BEFORE, facts), table_from(found["after"])


def _read(adapter: TypeAdapter[Any], document: object) -> Any:
    try:
        return adapter.validate_python(document, strict=False)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
