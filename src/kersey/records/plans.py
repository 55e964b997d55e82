"""A kept plan, and what was found for a question, <-> JSON text.

Both only repeat what a search found: a document that cannot be read any more is as good as none,
and the search is made again. In documents of the first version every plan holds its own problem,
and every cut its need.
"""

import json
from collections.abc import Mapping
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.yields.steps import YieldSoFar
from kersey.records.choices import BadDocument, first_fault
from kersey.records.cuttings import CuttingDocument, Problems, cutting_from

VERSION = 2
_FIRST = 1
_PLAN, _ANSWER = TypeAdapter(KeptPlan), TypeAdapter(YieldSoFar)
_PROBLEMS, _CUTTING = TypeAdapter(tuple[CuttingProblem, ...]), TypeAdapter(CuttingDocument)
# Which parts are cutting plans; a dot leads into a part.
_PLANS_CUT = ("most", "plan")
_ANSWERS_CUT = ("plan", "other_way", "even.plan")
_LEFT_OUT: Mapping[str, Any] = {"plan": True, "other_way": True, "even": {"plan"}}
Document = dict[str, Any]
_AS_IT_IS: Mapping[str, str] = {}


def plan_text(kept: KeptPlan) -> str:
    """A plan as text."""
    return json.dumps(plan_document(kept))


def plan_document(kept: KeptPlan) -> Document:
    """A plan as plain words and numbers."""
    rest = _PLAN.dump_python(kept, mode="json", exclude={"most", "cutting"})
    return _with_cuttings(rest, {"most": kept.most, "plan": kept.cutting})


def plan_from(document: Document) -> KeptPlan:
    """The plan a document holds; raises `BadDocument`."""
    kept: KeptPlan = _read(_PLAN, document, _PLANS_CUT, {"plan": "cutting"})
    return kept


def plan_from_text(text: str) -> KeptPlan | None:
    """The plan that a text holds; None where it cannot be read any more."""
    try:
        return plan_from(json.loads(text))
    except ValueError:
        return None


def answer_text(known: YieldSoFar) -> str:
    """What was found for a question, as text."""
    rest = _ANSWER.dump_python(known, mode="json", exclude=_LEFT_OUT)
    even = known.even.plan if known.even else None
    cut = {"plan": known.plan, "other_way": known.other_way, "even.plan": even}
    return json.dumps(_with_cuttings(rest, cut))


def answer_from_text(text: str) -> YieldSoFar | None:
    """What a text says was found; None where it cannot be read any more."""
    try:
        known: YieldSoFar = _read(_ANSWER, json.loads(text), _ANSWERS_CUT)
    except ValueError:
        return None
    return known


def _with_cuttings(rest: Document, plans: Mapping[str, CuttingPlan | None]) -> Document:
    problems = Problems()
    cuttings = {
        path: _CUTTING.dump_python(problems.document(plan), mode="json")
        for path, plan in plans.items()
        if plan is not None
    }
    found = _PROBLEMS.dump_python(tuple(problems.found), mode="json")
    return {"version": VERSION, "problems": found, "cuttings": cuttings, **rest}


def _read(
    adapter: TypeAdapter[Any],
    document: Document,
    paths: tuple[str, ...],
    called: Mapping[str, str] = _AS_IT_IS,
) -> Any:
    """What a document holds; some of its facts are `called` otherwise now."""
    try:
        version = document["version"]
        facts = {key: value for key, value in document.items() if key != "version"}
        if version == VERSION:
            facts = _with_plans(facts, paths)
        elif version != _FIRST:
            raise BadDocument("This version isn't known.")
        return adapter.validate_python({called.get(key, key): v for key, v in facts.items()})
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
    except (AttributeError, IndexError, KeyError, TypeError) as error:
        raise BadDocument("This is no plan.") from error


def _with_plans(facts: Document, paths: tuple[str, ...]) -> Document:
    """The facts with their cutting plans in their places."""
    problems = _PROBLEMS.validate_python(facts.pop("problems"))
    cuttings = facts.pop("cuttings")
    for path in paths:
        plan = None
        if path in cuttings:
            plan = cutting_from(_CUTTING.validate_python(cuttings[path]), problems)
        *into, last = path.split(".")
        part = facts[into[0]] if into else facts
        if part is not None:
            part[last] = plan
    return facts
