"""Use on your phone: a code to scan, the devices that may come in, and how one is paired."""

from typing import Any

import segno
from fastapi import APIRouter, Request
from markupsafe import Markup
from starlette.concurrency import run_in_threadpool
from starlette.responses import RedirectResponse, Response

from kersey.store.devices import devices, pair, send_away
from kersey.web.door import COOKIE, NoNetwork
from kersey.web.forms import TypedForm
from kersey.web.listening import CannotListen
from kersey.web.phone.stranger import no_more, plain_page
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

# A year: a phone in the sewing room is paired once.
_COOKIE_SECONDS = 365 * 24 * 60 * 60
_MODULE_PX = 6
_LONGEST_NAME = 40


@router.get("/phone", name="phone_page")
def phone_page(request: Request, room: Room) -> Response:
    return _page(request, room)


@router.post("/phone/open", name="open_door")
async def open_door(request: Request, room: Room) -> Response:
    """Listen on the home network, for paired devices."""
    try:
        await room.door.open(request.app, request.scope["server"][1])
    except (CannotListen, NoNetwork) as error:
        return _page(request, room, str(error))
    return RedirectResponse(request.app.url_path_for("phone_page"), status_code=303)


@router.post("/phone/close", name="close_door")
async def close_door(request: Request, room: Room) -> Response:
    """Listen on this computer alone again."""
    room.door.close()
    return RedirectResponse(request.app.url_path_for("phone_page"), status_code=303)


@router.post("/phone/code", name="new_code")
def new_code(request: Request, room: Room) -> Response:
    """Another code; the one before serves no more."""
    room.door.token = None
    return RedirectResponse(request.app.url_path_for("phone_page"), status_code=303)


@router.post("/phone/devices/{device_id}/away", name="send_device_away")
def send_device_away(request: Request, room: Room, device_id: int) -> Response:
    """A device may come in no more."""
    with room.transaction() as session:
        send_away(session, device_id)
    return RedirectResponse(request.app.url_path_for("phone_page"), status_code=303)


@router.get("/pair/{token}", name="pair_page")
async def pair_page(room: Room, token: str) -> Response:
    """What a scanned code opens: opened alone, it pairs nothing and uses nothing up."""
    if not room.door.serves(token):
        await room.door.let_wait()
        return no_more()
    return plain_page("phone/pair.html", {})


@router.post("/pair/{token}", name="pair_device")
async def pair_device(request: Request, room: Room, token: str, typed: TypedForm) -> Response:
    """Pair the device that scanned the code."""
    secret = room.door.use(token)
    if secret is None:
        await room.door.let_wait()
        return no_more()
    await run_in_threadpool(_pair, room, typed.get("name", "").strip() or "Phone", secret)
    answer = RedirectResponse(request.app.url_path_for("first_page"), status_code=303)
    answer.set_cookie(COOKIE, secret, _COOKIE_SECONDS, httponly=True, samesite="strict")
    return answer


def _pair(room: Workroom, name: str, secret: str) -> None:
    with room.transaction() as session:
        pair(session, name[:_LONGEST_NAME], secret, room.clock())


def _page(request: Request, room: Workroom, problem: str = "") -> Response:
    preferences, door = room.preferences(), room.door
    with room.reading() as session:
        paired = devices(session)
    context: dict[str, Any] = {
        "theme": preferences.theme,
        "door": door,
        "devices": paired,
        "problem": problem,
        "code": "",
    }
    if door.is_open:
        address = f"{door.site}{request.app.url_path_for('pair_page', token=door.new_token())}"
        drawn = segno.make(address, error="m").svg_inline(scale=_MODULE_PX, light="#fff")
        context |= {"address": address, "code": Markup(drawn)}
    return render(request, "phone/page.html", context, 422 if problem else 200)
