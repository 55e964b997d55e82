"""The history of a quilt: any act undone and done again, over a restart; never past what reached
into the cupboard, and never into cloth that is not there."""

from collections.abc import Callable, Iterator
from dataclasses import replace
from datetime import UTC, datetime
from functools import cache
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy import Engine
from sqlalchemy.orm import Session
from tests.core.quilts import plan, project
from tests.nights import examples

from kersey.core.cloth.fabric import Value
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.wall.hand import on_wall
from kersey.store import history
from kersey.store.cupboard import get_lot, take_out
from kersey.store.data_check import check_data
from kersey.store.database import open_database
from kersey.store.history import GoneSince, steps_there
from kersey.store.projects import (
    ProjectChanged,
    StoredProject,
    add_project,
    change_project,
    delete_project,
    get_project,
    restore_project,
    step_over,
)

NOW = datetime(2026, 11, 27, 12, tzinfo=UTC)
Act = Callable[[Project], Project]


@cache
def planned() -> Project:
    return plan(project(rows=4, columns=5))


def turn(place: int) -> Act:
    def turned(now: Project) -> Project:
        kept = on_wall(make_quilt(now)).turned([place]).kept
        return replace(now, plan=kept)

    return turned


def returned(now: Project) -> Project:
    return now.returning({len(now.fabrics) - 1})


def marked(now: Project) -> Project:
    first, *others = now.fabrics
    value = Value.DARK if first.value is not Value.DARK else Value.LIGHT
    return replace(now, fabrics=(replace(first, value=value), *others))


def cut(now: Project) -> Project:
    first, *others = now.fabrics
    return replace(now, fabrics=(replace(first, cut=1 - first.cut), *others))


def ticked(now: Project) -> Project:
    return replace(now, done=now.done ^ {"cut strips"})


def framed(now: Project) -> Project:
    return replace(now, design=replace(now.design, layers=9 - now.design.layers))


ACTS = (turn(0), turn(7), returned, marked, cut, ticked, framed)


class Home:
    """One quilt in a database, changed and stepped over."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.engine: Engine = open_database(folder)
        with Session(self.engine) as session, session.begin():
            self.number = add_project(session, planned(), NOW)

    def restart(self) -> None:
        self.engine.dispose()
        self.engine = open_database(self.folder)

    def now(self) -> StoredProject:
        with Session(self.engine) as session:
            return get_project(session, self.number)

    def do(self, act: Act) -> Project:
        with Session(self.engine) as session, session.begin():
            revision = get_project(session, self.number).revision
            return change_project(session, self.number, revision, act, NOW).project

    def step(self, back: bool) -> Project:
        with Session(self.engine) as session, session.begin():
            revision = get_project(session, self.number).revision
            return step_over(session, self.number, revision, back, NOW).project

    def beside(self) -> tuple[str, str]:
        with Session(self.engine) as session:
            return steps_there(session, self.number, get_project(session, self.number).revision)


@pytest.fixture
def home(tmp_path: Path) -> Iterator[Home]:
    home = Home(tmp_path)
    yield home
    home.engine.dispose()


@settings(examples(6), suppress_health_check=list(HealthCheck))
@given(acts=st.lists(st.sampled_from(ACTS), min_size=1, max_size=7), back=st.integers(1, 7))
def test_whatever_is_done_is_undone_and_done_again_to_the_last_fact(
    tmp_path_factory: pytest.TempPathFactory, acts: list[Act], back: int
) -> None:
    home = Home(tmp_path_factory.mktemp("home"))
    states = [home.now().project]
    states += [home.do(act) for act in acts]
    home.restart()
    back = min(back, len(acts))
    for before in reversed(states[-back - 1 : -1]):
        assert home.step(back=True) == before
    for after in states[len(states) - back :]:
        assert home.step(back=False) == after
    assert home.beside()[1] == ""
    with Session(home.engine) as session:
        assert list(check_data(session)) == []
    home.engine.dispose()


def test_its_words_tell_what_is_taken_back(home: Home) -> None:
    told = []
    for act in (returned, marked, ticked, framed, lambda now: replace(now, name="Berth")):
        home.do(act)
        told.append(home.beside()[0])
    assert [words.split(" “")[0] for words in told] == [
        "returned",
        "changed",
        "checked off 1 step",
        "changed how it is cut",
        "renamed it",
    ]
    home.step(back=True)
    assert home.beside() == ("changed how it is cut", "renamed it “Berth”")


def test_what_is_done_after_undo_takes_the_place_of_what_was_undone(home: Home) -> None:
    home.do(ticked)
    home.do(framed)
    home.step(back=True)
    home.do(turn(3))
    assert home.beside() == ("changed the plan", "")
    assert "cut strips" in home.step(back=True).done
    assert "cut strips" not in home.step(back=True).done
    assert home.beside()[0] == ""


def test_undo_of_an_old_window_is_refused(home: Home) -> None:
    home.do(ticked)
    shown = home.now().revision
    home.do(framed)
    with Session(home.engine) as session, pytest.raises(ProjectChanged):
        step_over(session, home.number, shown, True, NOW)


def test_what_reached_into_the_cupboard_is_not_gone_back_over(home: Home) -> None:
    home.do(ticked)
    home.do(lambda now: replace(now, put_away=True))
    assert home.beside() == ("", "")


def test_what_no_step_tells_of_is_not_gone_back_over(home: Home) -> None:
    home.do(ticked)
    with Session(home.engine) as session, session.begin():
        delete_project(session, home.number, NOW)
        restore_project(session, home.number, NOW)
    assert home.beside() == ("", "")
    home.do(framed)
    assert home.beside() == ("changed how it is cut", "")
    home.step(back=True)
    assert home.beside() == ("", "changed how it is cut")


def test_cloth_that_is_gone_does_not_come_back(home: Home) -> None:
    lot = home.now().project.fabrics[0].lot_number
    assert lot is not None
    home.do(lambda now: now.returning(set(range(len(now.fabrics)))))
    with Session(home.engine) as session, session.begin():
        take_out(session, {lot: get_lot(session, lot).revision}, "removed", NOW)
    before = home.now()
    with pytest.raises(GoneSince, match="Nothing was changed"):
        home.step(back=True)
    assert home.now() == before


def test_the_oldest_steps_go_first(home: Home, monkeypatch: pytest.MonkeyPatch) -> None:
    most = 12
    monkeypatch.setattr(history, "MOST_STEPS", most)
    for _ in range(most + 5):
        home.do(framed)
    home.restart()
    back = 0
    while home.beside()[0]:
        home.step(back=True)
        back += 1
    assert back == most
