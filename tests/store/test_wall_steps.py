"""Steps on the wall: hundreds of them, over a restart, back and on; none of another deal."""

from dataclasses import replace
from datetime import UTC, datetime
from functools import cache
from pathlib import Path

from sqlalchemy.orm import Session
from tests.core.quilts import plan, project

from kersey.core.project.laying import Laid
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.wall.carried import laid_of
from kersey.core.wall.hand import on_wall
from kersey.store.database import open_database
from kersey.store.projects import add_project
from kersey.store.wall_steps import MOST_STEPS, enter_step, step_to, steps_there

NOON = datetime(2026, 11, 27, 12, tzinfo=UTC)


@cache
def the_quilt() -> Quilt:
    return make_quilt(plan(project(rows=4, columns=5)))


def laid_after(acts: int) -> Laid:
    """The wall after so many places were turned, one after the other."""
    wall = on_wall(the_quilt())
    for act in range(acts):
        wall = wall.turned([act % 20])
    return laid_of(replace(the_quilt(), kept=wall.kept))


def test_two_hundred_steps_are_gone_back_and_on_again_after_a_restart(tmp_path: Path) -> None:
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        number = add_project(session, the_quilt().project, NOON)
        for act in range(210):
            before, after = laid_after(act), laid_after(act + 1)
            enter_step(session, number, before, after, f"turn {act}", NOON)
    engine.dispose()
    engine = open_database(tmp_path)
    lies = laid_after(210)
    with Session(engine) as session, session.begin():
        for act in reversed(range(210)):
            assert steps_there(session, number, lies)[0] == f"turn {act}"
            found = step_to(session, number, lies, back=True)
            assert found is not None
            lies, words = found
            assert words == f"turn {act}"
            assert lies == laid_after(act)
        assert step_to(session, number, lies, back=True) is None
        found = step_to(session, number, lies, back=False)
        assert found == (laid_after(1), "turn 0")
    engine.dispose()


def test_what_is_done_after_going_back_takes_the_place_of_what_was_undone(tmp_path: Path) -> None:
    with Session(open_database(tmp_path)) as session, session.begin():
        number = add_project(session, the_quilt().project, NOON)
        enter_step(session, number, laid_after(0), laid_after(1), "one", NOON)
        enter_step(session, number, laid_after(1), laid_after(2), "two", NOON)
        assert step_to(session, number, laid_after(2), back=True) == (laid_after(1), "two")
        enter_step(session, number, laid_after(1), laid_after(5), "other", NOON)
        assert steps_there(session, number, laid_after(5)) == ("other", "")
        # The wall was changed elsewhere: what is kept of before cannot be gone back to by it.
        assert step_to(session, number, laid_after(9), back=True) is None
        enter_step(session, number, laid_after(9), laid_after(10), "on", NOON)
        assert step_to(session, number, laid_after(10), back=True) == (laid_after(9), "on")
        session.get_bind().engine.dispose()


def test_a_step_of_another_deal_is_not_gone_back_to(tmp_path: Path) -> None:
    other = replace(laid_after(1), blocks=tuple(reversed(laid_after(1).blocks)))
    with Session(open_database(tmp_path)) as session, session.begin():
        number = add_project(session, the_quilt().project, NOON)
        enter_step(session, number, laid_after(0), laid_after(1), "one", NOON)
        enter_step(session, number, other, replace(other, pattern="furrows"), "dealt", NOON)
        lies = replace(other, pattern="furrows")
        assert step_to(session, number, lies, back=True) == (other, "dealt")
        assert step_to(session, number, other, back=True) is None
        session.get_bind().engine.dispose()


def test_the_oldest_steps_go_first(tmp_path: Path) -> None:
    with Session(open_database(tmp_path)) as session, session.begin():
        number = add_project(session, the_quilt().project, NOON)
        walls = [laid_after(0), laid_after(1)]
        for act in range(MOST_STEPS + 20):
            enter_step(session, number, walls[act % 2], walls[(act + 1) % 2], str(act), NOON)
        lies, back = walls[(MOST_STEPS + 20) % 2], 0
        while (found := step_to(session, number, lies, back=True)) is not None:
            lies, back = found[0], back + 1
        assert back == MOST_STEPS - 1
        session.get_bind().engine.dispose()
