"""Prints from photographs: one cloth cropped, or a fan of strips marked along a line.

A photograph comes from the camera folder or is sent. It is cleaned of everything but the picture
and kept at hand only while it is marked; colours, value, name and tile are proposed, the person
decides.
"""

from collections.abc import Sequence
from dataclasses import replace
from pathlib import Path
from typing import Any, Literal

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.exceptions import HTTPException
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.colour import colour_family, difference, lab
from kersey.core.cloth.fabric import (
    Fact,
    Lot,
    Motif,
    Print,
    Swatch,
    Value,
    checked_name,
    spread,
    value_of,
)
from kersey.core.cloth.print_names import nearest_name
from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.quick_entry import take_line
from kersey.drawing.swatch import draw_swatch
from kersey.formats.photograph import (
    MOST_IN_A_FAN,
    Cloth,
    Crop,
    Line,
    NotAPhotograph,
    study,
    study_fan,
    thumbnail,
)
from kersey.store.cupboard import StoredLot, add_lots, change_lots, get_lot
from kersey.web.camera.film import (
    Sent,
    Token,
    at_hand,
    kept_with_quilt,
    opened_picture,
    picture_of_folder,
    pictures_of_folder,
    take_in_hand,
)
from kersey.web.forms import BadForm, PageForm, TypedForm, read_form
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


class For(PageForm):
    """The print of a lot that a photograph is for; without it, a new lot is made."""

    lot: int | None = Field(None, ge=1, le=2**31)
    place: int | None = Field(None, ge=0, le=5000)


class ChosenForm(For):
    """A picture of the camera folder."""

    name: str = Field("", max_length=200)


class MarkForm(For):
    """What is marked on a photograph, in per cent of its width and height."""

    mode: Literal["cloth", "fan"] = "cloth"
    left: float = Field(15, ge=0, le=100)
    top: float = Field(15, ge=0, le=100)
    right: float = Field(85, ge=0, le=100)
    bottom: float = Field(85, ge=0, le=100)
    strips: int | None = Field(None, ge=1, le=MOST_IN_A_FAN)


class TakeForm(MarkForm):
    """What the prints are pieces of, as a line says it."""

    line: str = Field("", max_length=200)
    value: Value | None = None
    motif: Motif | None = None


@router.get("/camera", name="camera_page")
def camera_page(request: Request, room: Room) -> Response:
    """The pictures of the camera folder, the newest first, and a way to send one."""
    wanted = read_form(For, dict(request.query_params), Units.INCHES)
    return _camera(request, room, wanted)


@router.get("/camera/pictures/{file}", name="camera_picture")
def camera_picture(room: Room, file: str) -> Response:
    """One picture of the folder, small."""
    return _small(picture_of_folder(room, file))


@router.get("/camera/kept/{file}", name="kept_photograph")
def kept_photograph(room: Room, file: str) -> Response:
    """A picture that was kept with a quilt, small."""
    picture = kept_with_quilt(room, file)
    if picture is None:
        raise HTTPException(404)
    return _small(picture)


@router.post("/camera/choose", name="choose_picture")
def choose_picture(request: Request, room: Room, typed: TypedForm) -> Response:
    """Take a picture of the folder in hand."""
    form = read_form(ChosenForm, typed, Units.INCHES)
    try:
        content = opened_picture(picture_of_folder(room, form.name))
    except NotAPhotograph as error:
        return _camera(request, room, form, str(error))
    return _take_in_hand(request, room, form, content)


@router.post("/camera/photograph", name="read_photograph")
def read_photograph(request: Request, room: Room, sent: Sent) -> Response:
    """Take a picture that was sent in hand."""
    fields, content = sent
    return _take_in_hand(request, room, read_form(For, fields, Units.INCHES), content)


@router.get("/camera/at-hand/{token}.jpg", name="photograph")
def photograph(room: Room, token: Token) -> Response:
    """The cleaned picture."""
    return Response(at_hand(room, token), media_type="image/jpeg")


@router.get("/camera/at-hand/{token}", name="mark_page")
def mark_page(request: Request, room: Room, token: Token) -> Response:
    """The picture with what is marked on it, and the prints found there."""
    content = at_hand(room, token)
    try:
        form, problem = read_form(MarkForm, dict(request.query_params), Units.INCHES), ""
    except BadForm as bad:
        form, problem = MarkForm.model_validate({}), str(bad)
    fragment = request.headers.get("hx-target") == "found"
    template = "camera/found.html" if fragment else "camera/mark.html"
    return _marked(request, room, token, content, form, template, problem=problem)


@router.post("/camera/at-hand/{token}/take", name="take_prints")
def take_prints(request: Request, room: Room, token: Token, typed: TypedForm) -> Response:
    """Take the prints found: for the print they were looked for, or as a lot of their own."""
    content = at_hand(room, token)
    preferences = room.preferences()
    try:
        form = read_form(TakeForm, typed, preferences.workshop.units)
        found = [cloth for _, cloth in _found(content, form)]
        named = zip(found, _names(typed, found), strict=True)
        prints = [
            _print(cloth, name, form)
            for place, (cloth, name) in enumerate(named)
            if f"leave-{place}" not in typed
        ]
        if not prints:
            raise NotAPhotograph("You skipped every print. Keep at least one.")
        if form.lot is not None and form.place is not None:
            return _give(request, room, form.lot, form.place, prints[0])
        lot = _lot_of(prints, form.line, room)
    except InvalidValue as error:
        shown = MarkForm.model_validate({}) if isinstance(error, BadForm) else form
        template = "camera/mark.html"
        return _marked(request, room, token, content, shown, template, typed, str(error))
    with room.transaction() as session:
        words = f"added {counted(len(prints), 'print')} from a photo"
        (number,) = add_lots(session, [lot], words, room.clock())
    address = request.app.url_path_for("lot_page", lot_id=number)
    return RedirectResponse(address, status_code=303)


def _small(picture: Path) -> Response:
    small = thumbnail(picture.read_bytes())
    return Response(small, media_type="image/jpeg", headers={"Cache-Control": "no-cache"})


def _give(request: Request, room: Workroom, lot: int, place: int, cloth: Print) -> Response:
    """Let a print of a lot look as it does in the photograph; its name stays."""
    with room.transaction() as session:
        stored = get_lot(session, lot)
        if place >= len(stored.kept.lot.stacks):
            raise HTTPException(404)
        stack = stored.kept.lot.stacks[place]
        named = stack.print.filled_in & {Fact.NAME}
        seen = replace(stack.print, swatch=cloth.swatch, value=cloth.value, filled_in=named)
        changed = stored.kept.lot.with_stack(place, replace(stack, print=seen))
        kept = replace(stored.kept, lot=changed)
        words = f"set “{stack.print.name}” from a photo"
        change_lots(session, {lot: stored.revision}, lambda _: kept, words, room.clock())
    return RedirectResponse(request.app.url_path_for("lot_page", lot_id=lot), status_code=303)


def _take_in_hand(request: Request, room: Workroom, wanted: For, content: bytes) -> Response:
    try:
        token = take_in_hand(room, content)
    except NotAPhotograph as error:
        return _camera(request, room, wanted, str(error))
    address = str(request.app.url_path_for("mark_page", token=token))
    if wanted.lot is not None and wanted.place is not None:
        address += f"?lot={wanted.lot}&place={wanted.place}"
    return RedirectResponse(address, status_code=303)


def _camera(request: Request, room: Workroom, wanted: For, problem: str = "") -> Response:
    context = {
        "theme": room.preferences().theme,
        "pictures": [path.name for path in pictures_of_folder(room)],
        "folder": room.camera,
        "wanted": wanted,
        "problem": problem,
    }
    return render(request, "camera/page.html", context, 422 if problem else 200)


def _found(content: bytes, form: MarkForm) -> list[tuple[Crop, Cloth]]:
    shares = (form.left / 100, form.top / 100, form.right / 100, form.bottom / 100)
    if form.mode == "fan":
        return study_fan(content, Line(*shares), form.strips)
    left, right = sorted((shares[0], shares[2]))
    top, bottom = sorted((shares[1], shares[3]))
    crop = Crop(left, top, right, bottom)
    return [(crop, study(content, crop))]


def _marked(
    request: Request,
    room: Workroom,
    token: str,
    content: bytes,
    form: MarkForm,
    template: str,
    typed: Any = None,
    problem: str = "",
) -> Response:
    found: list[tuple[Crop, Cloth]] = []
    try:
        found = _found(content, form)
    except NotAPhotograph as error:
        problem = str(error)
    names = _names(typed or {}, [cloth for _, cloth in found])
    prints = [_print(c, n, form) for (_, c), n in zip(found, names, strict=True)]
    context = {
        "theme": room.preferences().theme,
        "token": token,
        "form": form,
        "line": (typed or {}).get("line", _proposed_line(form, len(prints))),
        "found": [
            {
                "crop": crop,
                "print": cloth_print,
                "swatch": draw_swatch(cloth_print),
                "colours": [
                    (draw_swatch(_plain(c.colour)), round(100 * c.share), colour_family(c.colour))
                    for c in cloth.colours
                ],
            }
            for (crop, cloth), cloth_print in zip(found, prints, strict=True)
        ],
        "stored": _wanted_lot(room, form),
        "motifs": list(Motif),
        "values": list(Value),
        "most": MOST_IN_A_FAN,
        "problem": problem,
    }
    return render(request, template, context, 422 if typed is not None else 200)


def _wanted_lot(room: Workroom, form: For) -> StoredLot | None:
    if form.lot is None or form.place is None:
        return None
    with room.reading() as session:
        stored = get_lot(session, form.lot)
    if form.place >= len(stored.kept.lot.stacks):
        raise HTTPException(404)
    return stored


def _proposed_line(form: MarkForm, prints: int) -> str:
    return f"{prints} strips 2 1/2 x 42" if form.mode == "fan" else "1 fat quarter"


def _names(typed: Any, found: Sequence[Cloth]) -> list[str]:
    """A name for each print: as typed, or that of the nearest colour, never one twice."""
    names: list[str] = []
    for place, cloth in enumerate(found):
        proposed = nearest_name(cloth.colours[0].colour)
        alike = sum(name.startswith(proposed) for name in names)
        name = str(typed.get(f"name-{place}", "")).strip()
        names.append(checked_name(name or (f"{proposed} {alike + 1}" if alike else proposed)))
    return names


def _print(cloth: Cloth, name: str, form: MarkForm) -> Print:
    """The print in the two main colours of the photograph, its value judged anew."""
    ground = cloth.colours[0].colour
    # Between ground and figure a photograph blurs; the figure is the colour farthest off.
    rest = cloth.colours[1:] or cloth.colours
    figure = max(rest, key=lambda c: difference(lab(ground), lab(c.colour))).colour
    motif = Motif.PLAIN if len(cloth.colours) == 1 else Motif.FLECK
    said = form if isinstance(form, TakeForm) else None
    swatch = Swatch((said and said.motif) or motif, ground, figure, tile=cloth.tile)
    return Print(name, (said and said.value) or value_of(swatch.blend), swatch)


def _plain(colour: str) -> Print:
    return Print(colour, value_of(colour), Swatch(Motif.PLAIN, colour, colour))


def _lot_of(prints: Sequence[Print], line: str, room: Workroom) -> CupboardLot:
    """A lot as the line says it, in the prints that were found."""
    reading = take_line(line, room.preferences().workshop)
    assert reading.lot is not None
    lot: Lot = reading.lot
    if lot.count < len(prints):
        raise NotAPhotograph(
            f"Kersey found {counted(len(prints), 'print')}, but you typed "
            f"{counted(lot.count, 'piece')}. "
            "Change one or the other."
        )
    return CupboardLot(reading.name, replace(lot, stacks=spread(lot.count, prints)))
