"""What is known of a project's question: kept from before, or from a search that goes on."""

from contextlib import suppress
from dataclasses import dataclass, replace

from sqlalchemy.exc import IntegrityError, OperationalError

from kersey.core.planning.asking import answer_key, kept_most, yield_question
from kersey.core.project.question import YieldAsked
from kersey.core.yields.steps import YieldQuestion, YieldSoFar
from kersey.searching.searches import Inquiry
from kersey.store.projects import keep_answer, kept_answer
from kersey.web.open_project import OpenProject
from kersey.web.workroom import Workroom


@dataclass(frozen=True)
class Found:
    """What is known of a question: kept from before, or from a search that may still go on."""

    known: YieldSoFar | None
    going_on: bool = False
    seen: int = 0
    fault: str = ""
    kept: bool = False


def find(room: Workroom, opened: OpenProject, asked: YieldAsked, patience: float) -> Found:
    """What is known of a project's question; it is searched for once, then kept.

    Waits no longer than the patience, in seconds, for the first of it.
    """
    key = answer_key(asked, opened.units)
    with room.reading() as session:
        known = kept_answer(session, opened.stored.id, key)
    if known is not None:
        return Found(known, kept=True)
    question = question_for(room, opened, asked)
    inquiry = room.searches.ask(opened.stored.id, question)
    most = kept_most(opened.project, asked)
    # Where there is a plan the page has something to show at once.
    inquiry.wait(0, 0.0 if most else patience)
    found = _kept_if_over(room, opened, key, inquiry)
    if most is not None and (found.known is None or found.known.plan.blocks < most.blocks):
        return replace(found, known=YieldSoFar(most))
    return found


def question_for(room: Workroom, opened: OpenProject, asked: YieldAsked) -> YieldQuestion:
    """What is searched for: beside a plan that is kept already nothing worse is told.

    A search that was begun before there was a plan goes on, if it has found as much.
    """
    question = yield_question(opened.project, asked, opened.units)
    most = kept_most(opened.project, asked)
    if most is None:
        return question
    begun, answer = room.searches.has(question), room.searches.known(question)
    if begun and (answer is None or answer.plan.blocks >= most.blocks):
        return question
    return replace(question, known=most)


def _kept_if_over(room: Workroom, opened: OpenProject, key: str, inquiry: Inquiry) -> Found:
    known: YieldSoFar | None = inquiry.answer
    if known is not None and known.done and inquiry.over:
        # Where something large is being written just now, it is kept another time.
        with suppress(IntegrityError, OperationalError), room.transaction() as session:
            keep_answer(session, opened.stored.id, key, known)
    return Found(known, not inquiry.over, inquiry.count, inquiry.fault)
