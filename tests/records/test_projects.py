"""Projects as documents of an export file: what is pulled names its lot by its place there."""

import json
from dataclasses import replace
from typing import Any

import pytest
from tests.core.quilts import plan, project

from kersey.core.cloth.fabric import BadFabric, Value
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.pulled import Role
from kersey.records.choices import BadDocument
from kersey.records.projects import project_document, project_from


def numbered(of: Project, lot: int) -> Project:
    return replace(of, fabrics=tuple(replace(p, lot_number=lot) for p in of.fabrics))


PLANNED = numbered(plan(project("roll of 12 strips, 4 prints", rows=2, columns=3)), 1)
LOTS: list[CupboardLot] = [PLANNED.fabrics[0].kept] * 2


def through_json(of: Project, places: dict[int | None, int]) -> Any:
    return json.loads(json.dumps(project_document(of, places)))


def test_everything_of_a_project_comes_back() -> None:
    first, second, *rest = PLANNED.fabrics
    first = replace(first, roles=(Role.LIGHT, Role.BORDER), value=Value.DARK, cut=1)
    second = replace(second, aside=Aside.BINDING)
    of = replace(
        PLANNED,
        fabrics=(first, second, *rest),
        done=frozenset({"cut-1", "sew-2"}),
        sketch=True,
        put_away=True,
    )
    assert project_from(through_json(of, {1: 1}), LOTS) == of
    assert through_json(of, {1: 1}) == through_json(of, {1: 1})


def test_fabric_is_known_by_the_place_of_its_lot_in_the_file() -> None:
    elsewhere = project_from(through_json(PLANNED, {1: 0}), LOTS)
    assert {pulled.lot_number for pulled in elsewhere.fabrics} == {0}
    # What is not at home any more is left out.
    assert project_from(through_json(PLANNED, {5: 0}), LOTS).fabrics == ()


@pytest.mark.parametrize(
    ("change", "error", "says"),
    [
        (lambda d: d.pop("said"), BadDocument, "said: Field required"),
        (lambda d: d.update(name=7), BadDocument, "name"),
        (lambda d: d.update(fabrics="all"), BadDocument, "fabrics"),
        (lambda d: d["fabrics"][0].update(count="many"), BadDocument, "fabrics.0.count"),
        (lambda d: d["fabrics"][0].update(roles=["hat"]), BadDocument, "fabrics.0.roles.0"),
        (lambda d: d["fabrics"][0].update(lot=9), BadFabric, "There is no print 0 of a lot 9"),
        (lambda d: d["fabrics"][0].update(print=-1), BadFabric, "There is no print -1"),
        (lambda d: d["fabrics"][0].update(count=99), BadFabric, "More pieces are pulled"),
        (lambda d: d["fabrics"].append(d["fabrics"][0]), BadFabric, "is pulled twice"),
        (lambda d: d["border_print"].update(value="dim"), BadDocument, "border_print: value"),
        (
            lambda d: d["choices"].update(seam="9"),
            BadDocument,
            "choices: .*A seam allowance can be",
        ),
        (lambda d: d["plan"]["cuttings"].pop("plan"), BadDocument, "plan: cutting"),
        (lambda d: d.update(sketch="perhaps"), BadDocument, "sketch"),
    ],
)
def test_a_damaged_project_is_refused_with_its_place(
    change: Any, error: type[Exception], says: str
) -> None:
    document = through_json(PLANNED, {1: 1})
    change(document)
    with pytest.raises(error, match=says):
        project_from(document, LOTS)
