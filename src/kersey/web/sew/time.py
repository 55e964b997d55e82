"""Time: a clock by one key, what is left by one's own pace, and the evenings it falls on."""

from datetime import date
from typing import Annotated, Any

from fastapi import APIRouter, HTTPException, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.project.measuring_log import timed, with_evenings
from kersey.core.project.sewing import LONGEST_STRETCH, USUAL_STRETCH, Evening, Work
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.pace import WorkLeft, counts, left
from kersey.core.sewing.passes import passes
from kersey.core.sewing.schedule import Schedule, schedule
from kersey.core.work.at_table import cuts_at_table, kits_of
from kersey.formats.calendar_file import calendar_file
from kersey.web.download import saved_as
from kersey.web.forms import PageForm
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.sew.stage import STAGE
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()
DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
_A_DAY = 24 * 60
_SHOWN = 40


class ClockForm(PageForm):
    """The clock started for some work, or stopped."""

    work: Work = Work.CUT


class EveningsForm(RevisedForm):
    """Minutes one has on each day, and the day it is to be ready by."""

    day_0: int = Field(0, ge=0, le=_A_DAY)
    day_1: int = Field(0, ge=0, le=_A_DAY)
    day_2: int = Field(0, ge=0, le=_A_DAY)
    day_3: int = Field(0, ge=0, le=_A_DAY)
    day_4: int = Field(0, ge=0, le=_A_DAY)
    day_5: int = Field(0, ge=0, le=_A_DAY)
    day_6: int = Field(0, ge=0, le=_A_DAY)
    ready_by: date | None = None
    stretch: int = Field(0, ge=0, le=LONGEST_STRETCH)

    @property
    def evenings(self) -> tuple[Evening, ...]:
        """The days on which one has any time."""
        minutes = (getattr(self, f"day_{day}") for day in range(7))
        return tuple(Evening(day, many) for day, many in enumerate(minutes) if many)


@router.get("/projects/{project_id}/sew/time", name="sew_time")
def sew_time(request: Request, room: Room, opened: Opened) -> Response:
    """The clock, what is left, and the evenings."""
    return render(request, "sew/time.html", _context(opened, room.clock().astimezone().date()))


@router.post("/projects/{project_id}/sew/time", name="start_stop")
def start_stop(
    request: Request, room: Room, opened: Opened, form: Annotated[ClockForm, sent(ClockForm)]
) -> Response:
    """Start the clock, or stop it where it runs."""
    if opened.quilt is None:
        raise HTTPException(404)
    running = opened.project.sewing.running
    work = running.work if running else form.work
    done = _counts(opened, opened.quilt)[work][0]
    now = room.clock()
    change(room, opened.stored.id, opened.stored.revision, lambda p: timed(p, work, done, now))
    return go_to(request, "sew_time", opened)


@router.post("/projects/{project_id}/sew/evenings", name="choose_evenings")
def choose_evenings(
    request: Request, room: Room, opened: Opened, form: Annotated[EveningsForm, sent(EveningsForm)]
) -> Response:
    """Say which evenings one has."""
    change(
        room,
        opened.stored.id,
        form.revision,
        lambda p: with_evenings(p, form.evenings, form.ready_by, form.stretch),
    )
    return go_to(request, "sew_time", opened)


@router.get("/projects/{project_id}/sew/calendar.ics", name="sew_calendar")
def sew_calendar(room: Room, opened: Opened) -> Response:
    """The evenings as a calendar file; read again it changes them in their places."""
    if opened.quilt is None:
        raise HTTPException(404)
    now = room.clock()
    plan = _schedule(opened, left_of(opened, opened.quilt), now.astimezone().date())
    content = calendar_file(
        plan, opened.project.name, opened.stored.id, opened.stored.revision, now
    )
    return Response(
        content,
        media_type="text/calendar",
        headers=saved_as(opened.project.name, "ics", "calendar"),
    )


def left_of(opened: OpenProject, quilt: Quilt) -> tuple[WorkLeft, ...]:
    """What is left of the work, by one's own pace."""
    return left(opened.project.sewing, _counts(opened, quilt))


def _counts(opened: OpenProject, quilt: Quilt) -> dict[Work, tuple[int, int]]:
    design = opened.project.design
    cuts = cuts_at_table(opened.steps, design.layers, design.cut_order, kits_of(quilt))
    every = passes(quilt, opened.project.sewing.batch)
    return counts(opened.project, quilt, cuts, every)


def _schedule(opened: OpenProject, rest: tuple[WorkLeft, ...], today: date) -> Schedule:
    sewing = opened.project.sewing
    return schedule(rest, sewing.evenings, today, sewing.ready_by)


def _context(opened: OpenProject, today: date) -> dict[str, Any]:
    sewing = opened.project.sewing
    context = project_context(opened, STAGE) | {
        "sewing": sewing,
        "works": list(Work),
        "left": (),
        "schedule": None,
        "days": DAYS,
        "usual_stretch": USUAL_STRETCH,
        "minutes": {e.day: e.minutes for e in sewing.evenings},
        "shown": _SHOWN,
        "in_words": in_hours,
    }
    if opened.quilt is None:
        return context
    rest = left_of(opened, opened.quilt)
    likely, low, high = (sum(getattr(e, n) for e in rest) for n in ("likely", "low", "high"))
    running = sewing.running
    next_work = next((each.work for each in rest if each.units), Work.CUT)
    return context | {
        "left": rest,
        "likely": in_hours(likely),
        "spread": (in_hours(low), in_hours(high)),
        "own": any(each.own for each in rest),
        "schedule": _schedule(opened, rest, today),
        "running": running,
        "next_work": running.work if running else next_work,
        "spells": [s for s in reversed(sewing.spells) if s.end is not None][:12],
    }


def in_hours(minutes: float) -> str:
    """Minutes as a person says them, to five minutes, of long work to the half hour."""
    if minutes < 90:
        return f"{max(5, round(minutes / 5) * 5) if minutes > 0 else 0} min"
    halves = round(minutes / 30)
    return f"{halves // 2}{'½' if halves % 2 else ''} h"
