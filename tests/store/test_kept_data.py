"""A data folder of an older version opens unchanged: what was entered, and what it came to.

`kept/before-one-road.sql` was written by the version that laid quilts out only from strips, with
the sample world and a project for every choice there was; the facts beside it are what that version
said of each.
"""

import json
import sqlite3
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy.orm import Session

from kersey.core.errors import KerseyError
from kersey.core.frame.part import PartKind
from kersey.core.planning.plan_question import planned
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.pulled import Role
from kersey.core.work.work_order import StepKind, steps_done, with_plan, work_order
from kersey.store.database import FILE_NAME, open_database
from kersey.store.projects import all_projects, keep_plan, list_deleted, list_projects

KEPT = Path(__file__).parent / "kept"
FACTS: dict[str, dict[str, Any]] = json.loads((KEPT / "before-one-road.json").read_text())
PRINTS = {None: "best", True: "different", False: "any"}
# Steps of the time, and what they are now.
NOW = {
    "check": {StepKind.MEASURE},
    "keep": {StepKind.KEEP},
    "segments": {StepKind.CUT},
    "blocks": {StepKind.SEW, StepKind.LAY_OUT},
    "rows": {StepKind.ROWS},
    "border": {StepKind.BORDER},
    "backing": {StepKind.BACKING},
    "binding": {StepKind.BINDING},
}


@pytest.fixture(scope="module")
def opened(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Session]:
    folder = tmp_path_factory.mktemp("kept")
    old = sqlite3.connect(folder / FILE_NAME)
    old.executescript((KEPT / "before-one-road.sql").read_text())
    old.close()
    engine = open_database(folder)
    with Session(engine) as session:
        yield session
    engine.dispose()


@pytest.fixture(scope="module")
def projects(opened: Session) -> dict[str, Project]:
    return {project.name: project for project in all_projects(opened)}


def test_every_project_is_there(opened: Session, projects: dict[str, Project]) -> None:
    assert set(projects) == set(FACTS)
    assert [line.name for line in list_deleted(opened, 10)] == ["Thrown away"]


@pytest.mark.parametrize("name", FACTS)
def test_what_was_entered_is_as_it_was(projects: dict[str, Project], name: str) -> None:
    project, facts = projects[name], FACTS[name]
    fabrics = [[p.print.name, p.count, p.cut, [str(r) for r in p.roles]] for p in project.fabrics]
    assert fabrics == facts["fabrics"]
    assert (len(project.done), project.put_away) == (facts["done"], facts["put_away"])
    assert project.sketch == facts["sketch"]
    said, design = facts["design"], project.design
    assert design.block.recipe == said["block"]
    assert design.prints == PRINTS[said["different_prints"]]
    lengths = ("seam", "usable_width", "margin", "border_width", "binding_width")
    for length in lengths:
        value = getattr(design, length)
        assert (None if value is None else str(value)) == said[length]
    for choice in ("rows", "columns", "backing_way", "even", "by_value"):
        assert getattr(design, choice) == said[choice]
    assert design.wish.key == said["purpose"]
    if isinstance(facts["needs"], list):
        asked = yield_asked(project)
        wanted = sorted(map(tuple, facts["needs"]))
        needs = [
            (n.label, n.role, str(n.width), str(n.height), n.count) for n in asked.problem.needs
        ]
        assert sorted(needs) == wanted
        assert asked.finished is not None
        assert [str(side) for side in asked.finished] == facts["finished"]


# Where strips lay beside other fabric, only the strips were laid out.
LAID_OUT = [
    name
    for name, facts in FACTS.items()
    if isinstance(facts["quilt"], dict) and name != "Strips and quarters"
]


@pytest.mark.parametrize("name", LAID_OUT)
def test_quilts_of_strips_come_out_as_they_did(
    opened: Session, projects: dict[str, Project], name: str
) -> None:
    project, facts = projects[name], FACTS[name]["quilt"]
    quilt = make_quilt(planned(project))
    _is_as_it_was(quilt, facts)
    now = with_plan(project, quilt.kept, quilt)
    steps = work_order(quilt)
    kinds = set().union(*(NOW[kind] for kind in facts["done_kinds"]))
    there = {step.kind for step in steps}
    assert {step.kind for step in steps if step.key in now.done} == kinds & there
    line = next(line for line in list_projects(opened, 0, 50) if line.name == name)
    kept = keep_plan(opened, line.id, lambda _: now)
    assert (kept.project, kept.revision) == (now, line.revision)
    assert steps_done(kept.project, steps) == len(now.done)


def _is_as_it_was(quilt: Quilt, facts: dict[str, Any]) -> None:
    size, border = quilt.size, quilt.borders[0] if quilt.size.border_width else None
    binding = quilt.part(PartKind.BINDING)
    assert (quilt.kept.possible, quilt.blocks_short) == (facts["blocks"], facts["short"])
    assert (size.columns, size.rows) == (facts["columns"], facts["rows"])
    assert (str(size.width), str(size.length)) == (facts["width"], facts["length"])
    assert (border and [str(border.cut_width), border.strips]) == facts["border"]
    assert binding is not None
    assert [str(binding.length), binding.strips, not binding.cloth.strips] == facts["binding"]
    backing = [str(quilt.backing.width), str(quilt.backing.length), str(quilt.backing_plan.cloth)]
    assert backing == facts["backing"]
    opened = sum(layout.copies for layout in quilt.kept.cutting.layouts)
    there = sum(p.count for p in quilt.project.fabrics if Role.ANY in p.roles or p.for_blocks)
    assert (opened, there - opened) == (facts["cut"], facts["whole"])
    assert quilt.alike_pairs <= facts["alike"]


def test_a_project_of_strings_still_says_why(projects: dict[str, Project]) -> None:
    with pytest.raises(KerseyError, match="No fabric is pulled"):
        planned(projects["Strings only"])
