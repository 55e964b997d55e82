"""What is kept: whole projects come back as they were, and nothing is overwritten unseen."""

from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from fractions import Fraction
from pathlib import Path

import pytest
from sqlalchemy import Engine
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.backing import BackingWay
from kersey.core.frame.purposes import Wish
from kersey.core.project.design import Design, PrintsInABlock
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line
from kersey.store.database import open_database
from kersey.store.preferences import (
    Paper,
    Preferences,
    PreferencesChanged,
    Theme,
    load_preferences,
    save_preferences,
)
from kersey.store.projects import (
    NoSuchProject,
    ProjectChanged,
    ProjectGone,
    add_project,
    change_project,
    count_projects,
    delete_project,
    duplicate_project,
    get_project,
    list_deleted,
    list_projects,
    restore_project,
)

NOON = datetime(2026, 5, 1, 12, tzinfo=UTC)


@pytest.fixture
def engine(tmp_path: Path) -> Iterator[Engine]:
    engine = open_database(tmp_path)
    yield engine
    engine.dispose()


def roll(name: str = "Throw") -> Project:
    lot = take_line("roll 40 x 6.5 cm x 107 cm, 20 prints").lot
    assert lot is not None
    return Project(name, "roll 40 x 6.5 cm x 107 cm, 20 prints", all_of(CupboardLot(name, lot)))


FULL = replace(
    roll("Lower “berth” <quilt> 🧵"),
    design=Design(
        block=BlockChoice("log-cabin", options=(("rounds", 4), ("centre", "7/3"))),
        even=True,
        by_value=False,
        prints=PrintsInABlock.DIFFERENT,
        wish=Wish("own", own_width=Fraction(28), own_length=Fraction(74)),
        rows=9,
        columns=3,
        border_width=Fraction(5, 3),
        binding_width=Fraction(9, 4),
        binding_from_left=False,
        margin=Fraction(4),
        backing_way=BackingWay.WIDE,
        seam=Fraction(3, 8),
        usable_width=Fraction(40),
    ),
    done=frozenset({"check-1", "sets-2"}),
)


@pytest.mark.parametrize("project", [roll(), FULL])
def test_what_is_kept_comes_back_whole_after_a_restart(tmp_path: Path, project: Project) -> None:
    first = open_database(tmp_path)
    with Session(first) as session, session.begin():
        number = add_project(session, project, NOON)
    first.dispose()
    again = open_database(tmp_path)
    with Session(again) as session:
        assert get_project(session, number).project == project
    again.dispose()


def test_a_change_made_from_an_old_revision_is_refused(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        number = add_project(session, roll(), NOON)
    with Session(engine) as session, session.begin():
        changed = change_project(session, number, 1, lambda p: replace(p, name="One"), NOON)
        assert changed.revision == 2
    with Session(engine) as session, session.begin():
        with pytest.raises(ProjectChanged) as refused:
            change_project(session, number, 1, lambda p: replace(p, name="Two"), NOON)
        assert refused.value.current.project.name == "One"
    with Session(engine) as session:
        assert get_project(session, number).project.name == "One"


def test_a_change_that_fails_leaves_everything_as_it_was(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        number = add_project(session, FULL, NOON)

    def fail(_: Project) -> Project:
        raise RuntimeError("a fault in the middle")

    with pytest.raises(RuntimeError), Session(engine) as session, session.begin():
        change_project(session, number, 1, fail, NOON)
    with Session(engine) as session:
        stored = get_project(session, number)
        assert (stored.project, stored.revision) == (FULL, 1)


def test_deleted_projects_can_be_brought_back(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        number = add_project(session, FULL, NOON)
        delete_project(session, number, NOON)
    with Session(engine) as session, session.begin():
        assert count_projects(session) == 0
        assert [line.id for line in list_deleted(session, 5)] == [number]
        with pytest.raises(ProjectGone):
            get_project(session, number)
        restore_project(session, number, NOON)
        assert get_project(session, number).project == FULL
        with pytest.raises(NoSuchProject):
            restore_project(session, 99, NOON)


def test_the_project_worked_on_last_is_listed_first(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        numbers = [add_project(session, roll(f"No. {i}"), NOON) for i in range(5)]
        later = NOON + timedelta(hours=1)
        change_project(session, numbers[2], 1, lambda p: replace(p, name="Again"), later)
        copy = duplicate_project(session, numbers[0], later + timedelta(hours=1))
        names = [line.name for line in list_projects(session, 0, 3)]
        assert names == ["No. 0 copy", "Again", "No. 4"]
        copied = get_project(session, copy).project.fabrics
        assert [p.lot.counts for p in copied] == [p.lot.counts for p in roll().fabrics]
        assert get_project(session, copy).project.sketch


def test_settings_are_kept_and_not_overwritten_unseen(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        dark = replace(load_preferences(session), theme=Theme.DARK)
        save_preferences(session, dark)
    with Session(engine) as session, session.begin():
        assert load_preferences(session).theme is Theme.DARK
        with pytest.raises(PreferencesChanged):
            save_preferences(session, Preferences(paper=Paper.A4, revision=0))


def test_of_many_writers_at_once_one_succeeds(engine: Engine) -> None:
    with Session(engine) as session, session.begin():
        number = add_project(session, roll(), NOON)

    def write(writer: int) -> bool:
        try:
            with Session(engine) as session, session.begin():
                change_project(
                    session, number, 1, lambda p: replace(p, name=f"Writer {writer}"), NOON
                )
        except (ProjectChanged, OperationalError):
            return False
        return True

    with ThreadPoolExecutor(8) as pool:
        written = list(pool.map(write, range(8)))
    assert sum(written) == 1
    with Session(engine) as session:
        stored = get_project(session, number)
        assert stored.revision == 2
        assert stored.project.name == f"Writer {written.index(True)}"
