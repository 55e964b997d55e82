"""Plans and answers as documents: what is written is read again, also of the first version."""

import json
from typing import Any

import pytest
from pydantic import TypeAdapter
from tests.core.quilts import SETS, plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.measure.length import Units
from kersey.core.planning.asking import yield_question
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.yields.steps import YieldSoFar
from kersey.records.choices import BadDocument
from kersey.records.plans import (
    answer_from_text,
    answer_text,
    plan_document,
    plan_from,
    plan_from_text,
    plan_text,
)

NINE = BlockChoice("nine-patch")
PROJECTS = {
    "strips": project("roll of 12 strips, 6 prints"),
    "sets": project("roll of 12 strips, 6 prints", block=SETS),
    "cut alike": (project("12 light charm squares + 15 dark charm squares", block=NINE, even=True)),
    "too few": project("3 fat quarters", block=NINE, rows=9, columns=9),
}


def kept(name: str) -> KeptPlan:
    found = plan(PROJECTS[name]).plan
    assert found is not None
    return found


def answers(of: Project) -> list[YieldSoFar]:
    question = yield_question(of, yield_asked(of), Units.INCHES)
    return list(question.run())


@pytest.mark.parametrize("name", PROJECTS)
def test_what_is_written_is_read(name: str) -> None:
    assert plan_from_text(plan_text(kept(name))) == kept(name)
    for answer in answers(plan(PROJECTS[name])):
        assert answer_from_text(answer_text(answer)) == answer


def test_every_problem_and_fabric_is_written_once() -> None:
    text = plan_text(kept("strips"))
    assert text.count('"needs"') == 1
    assert text.count('"form"') == len(kept("strips").cutting.problem.fabrics)


def test_documents_of_the_first_version_are_read() -> None:
    first = {"version": 1, **TypeAdapter(KeptPlan).dump_python(kept("sets"), mode="json")}
    assert plan_from_text(json.dumps(first)) == kept("sets")
    answer = answers(plan(PROJECTS["strips"]))[-1]
    old = {"version": 1, **TypeAdapter(YieldSoFar).dump_python(answer, mode="json")}
    assert answer_from_text(json.dumps(old)) == answer


def first_cut(document: Any) -> Any:
    return document["cuttings"]["plan"]["layouts"][0]["cuts"][0]


@pytest.mark.parametrize(
    "damage",
    [
        lambda d: d.update(version=9),
        lambda d: d.pop("version"),
        lambda d: d.pop("problems"),
        lambda d: d.update(cuttings=[]),
        lambda d: d.update(problems=[]),
        lambda d: d["cuttings"]["plan"]["layouts"][0].update(fabric=99),
        lambda d: d["cuttings"]["plan"]["layouts"][0].update(fabric=-1),
        lambda d: first_cut(d).__setitem__(0, 7),
        lambda d: first_cut(d).__setitem__(1, "1/0"),
        lambda d: first_cut(d).__setitem__(1, "1e999999"),
        lambda d: first_cut(d).__setitem__(1, 2.5),
        lambda d: first_cut(d).pop(),
    ],
)
def test_a_damaged_plan_is_none(damage: Any) -> None:
    document = plan_document(kept("strips"))
    damage(document)
    with pytest.raises(BadDocument):
        plan_from(json.loads(json.dumps(document)))
    assert plan_from_text(json.dumps(document)) is None
