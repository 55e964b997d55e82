"""A kept plan, and what was found for a question, <-> JSON text.

Both only repeat what a search found: a document that cannot be read any more is as good as none,
and the search is made again.
"""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.project.kept_plan import KeptPlan
from kersey.core.yields.steps import YieldSoFar
from kersey.records.choices import BadDocument, first_fault

PLAN_VERSION, ANSWER_VERSION = 1, 1
_PLAN, _ANSWER = TypeAdapter(KeptPlan), TypeAdapter(YieldSoFar)


def plan_text(kept: KeptPlan) -> str:
    """A plan as text."""
    return json.dumps({"version": PLAN_VERSION, **_PLAN.dump_python(kept, mode="json")})


def plan_document(kept: KeptPlan) -> dict[str, Any]:
    """A plan as plain words and numbers."""
    return {"version": PLAN_VERSION, **_PLAN.dump_python(kept, mode="json")}


def plan_from(document: dict[str, Any]) -> KeptPlan:
    """The plan a document holds; raises `BadDocument`."""
    kept: KeptPlan = _read(_PLAN, document, PLAN_VERSION)
    return kept


def plan_from_text(text: str) -> KeptPlan | None:
    """The plan that a text holds; None where it cannot be read any more."""
    try:
        return plan_from(json.loads(text))
    except ValueError:
        return None


def answer_text(known: YieldSoFar) -> str:
    """What was found for a question, as text."""
    return json.dumps({"version": ANSWER_VERSION, **_ANSWER.dump_python(known, mode="json")})


def answer_from_text(text: str) -> YieldSoFar | None:
    """What a text says was found; None where it cannot be read any more."""
    try:
        known: YieldSoFar = _read(_ANSWER, json.loads(text), ANSWER_VERSION)
    except ValueError:
        return None
    return known


def _read(adapter: TypeAdapter[Any], document: dict[str, Any], version: int) -> Any:
    if not isinstance(document, dict) or document.get("version") != version:
        raise BadDocument("This is of a version that is not known.")
    try:
        return adapter.validate_python({k: v for k, v in document.items() if k != "version"})
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
