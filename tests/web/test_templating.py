"""How lengths and addresses are written on pages, and what the workroom remembers."""

from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

import pytest
from sqlalchemy.orm import Session
from tests.sample import samples

from kersey.core.measure.length import Units
from kersey.core.quilt.quilt import NotPlanned
from kersey.store.database import open_database
from kersey.store.projects import StoredProject, add_project, get_project
from kersey.web import templating, workroom
from kersey.web.server_settings import ServerSettings, own_folder, sample_folder
from kersey.web.workroom import Workroom

NOW = datetime(2026, 5, 1, tzinfo=UTC)


def test_a_shipped_file_has_an_address_that_changes_with_it() -> None:
    one = templating._static_url("scripts/keys.js")
    other = templating._static_url("scripts/page.js")
    assert one.startswith("/static/scripts/keys.js?v=")
    assert one.split("=")[1] != other.split("=")[1]


@pytest.fixture
def stored(tmp_path: Path) -> tuple[Workroom, StoredProject]:
    room = Workroom(open_database(tmp_path), clock=lambda: NOW)
    with Session(room.engine) as session, session.begin():
        number = add_project(session, samples()[0], NOW)
        return room, get_project(session, number)


def test_a_quilt_is_worked_out_once_for_each_revision_and_unit(
    stored: tuple[Workroom, StoredProject],
) -> None:
    room, project = stored
    first = room.reckoned(project, Units.INCHES).quilt
    assert room.reckoned(project, Units.INCHES).quilt is first
    assert room.reckoned(project, Units.CENTIMETRES).quilt is not first
    assert room.remembered((project.id, project.revision + 1, 1, Units.INCHES)) is None
    assert room.remembered((project.id, project.revision, 2, Units.INCHES)) is None
    room.engine.dispose()


def test_only_so_much_is_remembered(
    stored: tuple[Workroom, StoredProject], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(workroom, "_REMEMBERED", 3)
    room, project = stored
    for revision in range(1, 6):
        room.reckoned(StoredProject(project.id, revision, project.project, NOW, 1), Units.INCHES)
    kept = [r for r in range(1, 6) if room.remembered((project.id, r, 1, Units.INCHES))]
    assert kept == [3, 4, 5]
    room.engine.dispose()


def test_no_quilt_is_never_remembered_as_one(stored: tuple[Workroom, StoredProject]) -> None:
    room, project = stored
    nothing = replace(project, project=replace(project.project, plan=None))
    for _ in range(2):
        with pytest.raises(NotPlanned):
            _ = room.reckoned(nothing, Units.INCHES).quilt
    room.engine.dispose()


def test_a_failed_transaction_leaves_nothing(stored: tuple[Workroom, StoredProject]) -> None:
    room, _ = stored
    with pytest.raises(RuntimeError), room.transaction() as session:
        add_project(session, samples()[0], NOW)
        raise RuntimeError("in the middle")
    with room.transaction() as session:
        assert get_project(session, 1)
        with pytest.raises(Exception, match="That quilt isn't here"):
            get_project(session, 2)
    room.engine.dispose()


def test_ones_own_data_and_the_sample_world_live_apart(monkeypatch: pytest.MonkeyPatch) -> None:
    assert own_folder() != sample_folder()
    assert ServerSettings().data == own_folder()
    monkeypatch.setenv("KERSEY_DATA", "/somewhere/else")
    monkeypatch.setenv("KERSEY_PORT", "9001")
    assert ServerSettings().data == Path("/somewhere/else")
    assert ServerSettings().port == 9001
