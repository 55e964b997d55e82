"""Searches in processes of their own: begun once, shared, and ended when nobody waits any more."""

import os
from collections.abc import Iterator
from time import sleep

import pytest
from tests.core.quilts import project

from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import PlanQuestion, plan_question
from kersey.core.planning.possible import WallQuestion, wall_question
from kersey.searching.searches import Searches

# Long enough that it cannot be over before anybody has left.
LONG = "40 fat quarters, 40 prints"


@pytest.fixture
def searches() -> Iterator[Searches]:
    found = Searches()
    yield found
    found.close()


def question(line: str = LONG) -> WallQuestion:
    return wall_question(project(line), Units.INCHES)


def quick(line: str) -> PlanQuestion:
    return plan_question(project(line), Units.INCHES)


def test_a_search_that_is_left_ends_and_can_be_begun_again(searches: Searches) -> None:
    begun = searches.ask("wall", question())
    begun.wait(0, 60.0)
    assert begun.answer
    assert not begun.over
    searches.leave("wall")
    begun.wait(10_000, 60.0)
    # Who still waits for it is not told that there is no answer: it is to ask again.
    assert begun.ended
    assert not begun.over
    assert not begun.fault
    assert not searches.has(question())
    again = searches.ask("wall", question())
    assert again is not begun
    again.wait(0, 60.0)
    assert again.answer
    assert [each.key for each in again.answer][:1] == [each.key for each in begun.answer][:1]


def test_what_another_waits_for_goes_on(searches: Searches) -> None:
    one = searches.ask("one", question())
    other = searches.ask("other", question())
    assert one is other
    searches.leave("one")
    searches.leave("nobody")
    other.wait(0, 60.0)
    assert other.answer
    assert not other.over
    searches.leave("other")
    other.wait(10_000, 60.0)
    assert other.ended


def test_what_nobody_asks_for_ends_and_is_begun_again(
    searches: Searches, monkeypatch: pytest.MonkeyPatch
) -> None:
    begun = searches.ask("wall", question())
    begun.wait(0, 60.0)
    monkeypatch.setattr("kersey.searching.searches._UNSEEN_SECONDS", 0.0)
    while not begun.ended:
        sleep(0.01)
    monkeypatch.undo()
    again = searches.ask("wall", question())
    assert again is not begun
    # The one that ended takes nothing of the new one with it.
    assert searches.ask("wall", question()) is again
    again.wait(0, 60.0)
    assert again.answer
    searches.leave("wall")


def test_a_plan_need_not_wait_for_walls(searches: Searches) -> None:
    walls = [searches.ask(n, question(f"{30 + n} fat quarters, 30 prints")) for n in range(2)]
    soon = searches.ask("soon", quick("8 strips"))
    soon.wait(10_000, 60.0)
    assert soon.over
    assert not any(wall.over for wall in walls)
    if hasattr(os, "sched_getaffinity"):
        cores = [os.sched_getaffinity(each._process.pid or 0) for each in searches._alive]
        assert len(cores) > 1
        assert len(set().union(*cores)) == 1


def test_a_process_that_was_ended_as_it_finished_answers_nothing_more(
    searches: Searches, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The last answer comes just as nobody asks any more: the process is killed all the same."""
    begun = searches.ask("one", quick("8 strips"))
    end = begun.end

    def once_it_is_over() -> None:
        begun.wait(10_000, 60.0)
        end()

    monkeypatch.setattr(begun, "end", once_it_is_over)
    searches.leave("one")
    assert begun.over
    another = searches.ask("other", quick("9 strips"))
    another.wait(0, 60.0)
    assert another.answer is not None
