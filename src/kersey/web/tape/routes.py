"""The tape: a small page that stands for one, and what pages ask it for.

A reading is kept only until the next; a page takes each once, by how many were sent before.
"""

import json
from typing import Annotated

from fastapi import APIRouter, Query, Request
from starlette.responses import RedirectResponse, Response

from kersey.core.measure.length import write_length
from kersey.web.forms import Length, PageForm, TypedForm, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room, Tape

router = APIRouter()


class TapeForm(PageForm):
    """What the tape reads."""

    read: Length


@router.get("/tape", name="tape_page")
def tape_page(request: Request, room: Room) -> Response:
    """A tape to send readings with by hand."""
    preferences = room.preferences()
    context = {
        "sent": room.tape.sent,
        "last": room.tape.read,
        "errors": {},
        "typed": {},
        "theme": preferences.theme,
        "units": preferences.workshop.units,
    }
    return render(request, "tape/page.html", context)


@router.post("/tape", name="send_tape")
def send_tape(request: Request, room: Room, typed: TypedForm) -> Response:
    """A reading is sent; it waits for the page that wants it."""
    units = room.preferences().workshop.units
    form = read_form(TapeForm, typed, units)
    room.tape = Tape(write_length(form.read, units), room.tape.sent + 1)
    return RedirectResponse(request.app.url_path_for("tape_page"), status_code=303)


@router.get("/tape/reading", name="tape_reading")
def tape_reading(request: Request, room: Room, seen: Annotated[int, Query()] = 0) -> Response:
    """Whether a reading was sent since so many were seen; if so the page is told of it."""
    tape = room.tape
    if seen == tape.sent:
        return Response(status_code=204)
    # A page that has just been opened begins with the next.
    news = {"kersey:tape": {"read": tape.read}} if 0 <= seen < tape.sent else None
    headers = {"HX-Trigger": json.dumps(news)} if news else {}
    return render(request, "tape/waits.html", {"seen": tape.sent}, headers=headers)
