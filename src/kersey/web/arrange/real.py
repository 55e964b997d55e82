"""Held against the real wall: a photograph of it, its four corners marked, every place read.

The photograph is kept only while it is looked at. What is read of it can be laid as it is.
"""

from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.responses import RedirectResponse, Response

from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.hand import OnWall
from kersey.core.wall.numbers import number_of
from kersey.core.wall.reading import Photograph, Reading, as_read, compare, read_wall
from kersey.drawing.arranged import draw_wall
from kersey.formats.photograph import NotAPhotograph
from kersey.formats.straighten import Corners, straightened
from kersey.web.arrange.lay import lay
from kersey.web.arrange.stage import STAGE
from kersey.web.arrange.troubled import Troubled
from kersey.web.camera.film import (
    Sent,
    Token,
    at_hand,
    opened_picture,
    picture_of_folder,
    pictures_of_folder,
    take_in_hand,
)
from kersey.web.forms import BadForm, PageForm, read_form
from kersey.web.open_project import Opened, OpenProject, RevisedForm, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

# So many pixels on the longer side are enough to tell a patch of an inch in a large quilt.
_STRAIGHT_PX = 1400


class ChosenForm(PageForm):
    """A picture of the camera folder."""

    name: str = Field(max_length=200)


class CornersForm(PageForm):
    """The corners of the blocks, in per cent of the picture: upper left, then clockwise."""

    x1: float = Field(12, ge=0, le=100)
    y1: float = Field(12, ge=0, le=100)
    x2: float = Field(88, ge=0, le=100)
    y2: float = Field(12, ge=0, le=100)
    x3: float = Field(88, ge=0, le=100)
    y3: float = Field(88, ge=0, le=100)
    x4: float = Field(12, ge=0, le=100)
    y4: float = Field(88, ge=0, le=100)

    @property
    def corners(self) -> Corners:
        """The corners; raises `NotAPhotograph` where they cross."""
        return Corners(
            (
                (self.x1 / 100, self.y1 / 100),
                (self.x2 / 100, self.y2 / 100),
                (self.x3 / 100, self.y3 / 100),
                (self.x4 / 100, self.y4 / 100),
            )
        )


class TakeForm(CornersForm, RevisedForm):
    """The real layout is taken."""


@router.get("/projects/{project_id}/arrange/real", name="real_wall")
def real_wall(request: Request, room: Room, opened: Opened) -> Response:
    """Choose or send a photograph of the real wall."""
    return _choose(request, room, opened)


@router.post("/projects/{project_id}/arrange/real/choose", name="choose_real_wall")
def choose_real_wall(
    request: Request, room: Room, opened: Opened, form: Annotated[ChosenForm, sent(ChosenForm)]
) -> Response:
    """Take a picture of the camera folder."""
    try:
        token = take_in_hand(room, opened_picture(picture_of_folder(room, form.name)))
    except NotAPhotograph as error:
        return _choose(request, room, opened, str(error))
    return _to_marking(request, opened.stored.id, token)


@router.post("/projects/{project_id}/arrange/real", name="send_real_wall")
def send_real_wall(request: Request, room: Room, opened: Opened, sent: Sent) -> Response:
    """Take a picture that was sent."""
    try:
        token = take_in_hand(room, sent[1])
    except NotAPhotograph as error:
        return _choose(request, room, opened, str(error))
    return _to_marking(request, opened.stored.id, token)


@router.get("/projects/{project_id}/arrange/real/{token}", name="mark_real_wall")
def mark_real_wall(request: Request, room: Room, opened: Opened, token: Token) -> Response:
    """The photograph with its corners, and what is read once they are marked."""
    content = at_hand(room, token)
    typed = dict(request.query_params)
    context = _context(opened) | {"token": token, "problem": "", "read": None, "drawing": ""}
    try:
        form = read_form(CornersForm, typed, opened.units)
        if typed and opened.quilt is not None:
            reading = _read(opened.quilt, content, form)
            context |= {"read": _told(opened.quilt, reading)}
    except (BadForm, NotAPhotograph) as error:
        form = CornersForm.model_validate({})
        context |= {"problem": str(error)}
    return render(request, "arrange/real_mark.html", context | {"form": form})


@router.post("/projects/{project_id}/arrange/real/{token}", name="take_real_wall")
def take_real_wall(
    request: Request,
    room: Room,
    opened: Opened,
    token: Token,
    form: Annotated[TakeForm, sent(TakeForm)],
) -> Response:
    """Let the wall follow the photograph."""
    content = at_hand(room, token)

    def laid(shown: Troubled) -> tuple[OnWall, str]:
        reading = _read(shown.quilt, content, form)
        places, turns = as_read(shown.quilt, reading)
        return shown.lies.as_found(places, turns), "laid out like the photo"

    lay(room, opened.stored.id, form.revision, laid)
    return go_to(request, STAGE.page, opened)


def _to_marking(request: Request, project_id: int, token: str) -> Response:
    address = request.app.url_path_for("mark_real_wall", project_id=project_id, token=token)
    return RedirectResponse(address, status_code=303)


def _context(opened: OpenProject) -> dict[str, Any]:
    return project_context(opened, STAGE)


def _choose(request: Request, room: Workroom, opened: OpenProject, problem: str = "") -> Response:
    pictures = [path.name for path in pictures_of_folder(room)]
    context = _context(opened) | {"pictures": pictures, "folder": room.camera, "problem": problem}
    return render(request, "arrange/real.html", context, 422 if problem else 200)


def _read(quilt: Quilt, content: bytes, form: CornersForm) -> Reading:
    wide, long = float(quilt.size.body_width), float(quilt.size.body_length)
    px = _STRAIGHT_PX / max(wide, long)
    light = straightened(content, form.corners, (round(wide * px), round(long * px)))
    return read_wall(quilt, Photograph(light, px))


def _told(quilt: Quilt, reading: Reading) -> dict[str, Any]:
    """What is read, in the words of the wall: places by their numbers."""
    if not any(reading.sure):
        raise NotAPhotograph("Kersey can't find this quilt in the photo. Check the four corners.")
    found = compare(quilt, reading)

    def name(place: int) -> str:
        return number_of(quilt.grid.seats[place])

    marks = [
        ("real", (place,))
        for place in (
            *(place for pair in found.exchanged for place in pair),
            *(place for place, _ in found.elsewhere),
            *found.turned,
            *found.missing,
        )
    ]
    otherwise = {place for _, (place,) in marks} | set(found.unsure)
    return {
        "drawing": draw_wall(quilt, marks),
        "as_planned": len(reading.places) - len(otherwise),
        "of": len(reading.places),
        "exchanged": [(name(one), name(other)) for one, other in found.exchanged],
        "elsewhere": [
            (name(place), None if home is None else name(home)) for place, home in found.elsewhere
        ],
        "turned": [name(place) for place in found.turned],
        "missing": [name(place) for place in found.missing],
        "unsure": [
            (name(place), reading.places[place], reading.maybe[place]) for place in found.unsure
        ],
    }
