"""A print coloured from a photograph: colours and value are proposed, the person decides."""

from dataclasses import replace
from enum import StrEnum
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request
from pydantic import Field
from starlette.datastructures import UploadFile
from starlette.responses import Response

from kersey.core.colour import colour_family, difference, lab
from kersey.core.fabric import Motif, Print, Swatch, Value, value_of
from kersey.core.length import Units
from kersey.drawing.block import draw_swatch
from kersey.formats.photograph import ClothColour, Crop, NotAPhotograph, main_colours
from kersey.store.cupboard import NoSuchLot, StoredLot, get_lot
from kersey.store.preferences import Preferences, load_preferences
from kersey.web.forms import Form, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()


class Part(StrEnum):
    """Which part of a photograph shows the cloth."""

    MIDDLE = "middle"
    WHOLE = "whole"


_CROPS = {Part.MIDDLE: Crop(), Part.WHOLE: Crop(0, 0, 1, 1)}


class PhotographForm(Form):
    """A photograph for one print of a lot."""

    lot: int = Field(ge=1, le=2**31)
    place: int = Field(ge=0)
    part: Part = Part.MIDDLE


async def _sent(request: Request) -> tuple[dict[str, str], bytes]:
    async with request.form() as form:
        fields = {name: value for name, value in form.items() if isinstance(value, str)}
        file = form.get("file")
        return fields, await file.read() if isinstance(file, UploadFile) else b""


Sent = Annotated[tuple[dict[str, str], bytes], Depends(_sent)]


@router.post("/cupboard/photograph", name="read_photograph")
def read_photograph(request: Request, room: Room, sent: Sent) -> Response:
    """Find the colours of a cloth; nothing is kept until they are accepted."""
    fields, content = sent
    form = read_form(PhotographForm, fields, Units.INCHES)
    with room.transaction() as session:
        stored, preferences = get_lot(session, form.lot), load_preferences(session)
    if form.place >= len(stored.kept.lot.stacks):
        raise NoSuchLot(form.lot)
    try:
        colours = main_colours(content, _CROPS[form.part])
    except NotAPhotograph as error:
        return _page(request, preferences, stored, form.place, [], str(error))
    return _page(request, preferences, stored, form.place, colours, "")


def _page(
    request: Request,
    preferences: Preferences,
    stored: StoredLot,
    place: int,
    colours: list[ClothColour],
    problem: str,
) -> Response:
    cloth = stored.kept.lot.prints[place]
    proposed = _proposed(cloth, colours) if colours else cloth
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "stored": stored,
        "place": place,
        "cloth": proposed,
        "before": draw_swatch(cloth),
        "after": draw_swatch(proposed),
        "colours": [
            (c.colour, round(100 * c.share), colour_family(c.colour), draw_swatch(_plain(c)))
            for c in colours
        ],
        "motifs": list(Motif),
        "values": list(Value),
        "problem": problem,
    }
    return render(request, "cupboard/photograph.html", context, 422 if problem else 200)


def _proposed(cloth: Print, colours: list[ClothColour]) -> Print:
    """The print in the two main colours of the photograph, its value judged anew."""
    one_colour = len(colours) == 1
    ground = lab(colours[0].colour)
    rest = colours[1:] or colours
    # Between ground and figure a photograph blurs; the figure is the colour farthest off.
    figure = max(rest, key=lambda found: difference(ground, lab(found.colour))).colour
    motif = Motif.PLAIN if one_colour else cloth.swatch.motif
    swatch = Swatch(motif, colours[0].colour, figure)
    return replace(cloth, swatch=swatch, value=value_of(swatch.blend))


def _plain(colour: ClothColour) -> Print:
    swatch = Swatch(Motif.PLAIN, colour.colour, colour.colour)
    return Print(colour.colour, value_of(colour.colour), swatch)
