"""The door: who may ask, how much at once, and what a browser may do with the answer.

Foreign Host headers are refused (a web page elsewhere could otherwise reach this server by
rebinding its own name), and so are posts that come from another site. From the network only paired
devices come in. The body of a request is read here, up to a limit, so that a page that fails can
still show what was typed.
"""

import ipaddress
from collections.abc import Iterable, Mapping
from fnmatch import fnmatchcase
from urllib.parse import urlsplit

from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers, MutableHeaders
from starlette.requests import Request
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from kersey.web.door import COOKIE, Door, is_this_computer
from kersey.web.download import written_size
from kersey.web.error_pages import READING, refuse, tell_fault
from kersey.web.phone.stranger import WAY_IN, turn_away
from kersey.web.workroom import Workroom

# The longest form has some 20 short fields; a file may be larger where one is sent.
LARGEST_BODY = 256 * 1024
_ROUND_A_FILE = 16 * 1024
_POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; "
    "frame-ancestors 'none'"
)
_HEADERS = {
    "content-security-policy": _POLICY,
    "x-content-type-options": "nosniff",
    "referrer-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}


class Guard:
    """ASGI middleware that stands before everything else.

    `files` says at which paths a file may be sent, a star for any number, and of how many bytes.
    """

    def __init__(
        self, app: ASGIApp, hosts: Iterable[str], any_address: bool, files: Mapping[str, int]
    ) -> None:
        self.app = app
        self.files = dict(files)
        self.hosts = frozenset(host.lower() for host in hosts)
        self.any_address = any_address

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        async def send_guarded(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in _HEADERS.items():
                    headers.setdefault(name, value)
            await send(message)

        headers = Headers(scope=scope)
        room: Workroom = scope["app"].state.workroom
        if not self._is_ours(headers.get("host", ""), room.door):
            await refuse(400, "Kersey doesn't answer at this address.", scope, send_guarded)
        elif not await _may_come_in(scope, room):
            await turn_away(scope, receive, send_guarded)
        elif scope["method"] not in READING and _is_cross_site(scope, headers):
            await refuse(
                403, "This form came from another site. Nothing was changed.", scope, send_guarded
            )
        else:
            await self._pass_on(scope, receive, send_guarded, headers)

    async def _pass_on(self, scope: Scope, receive: Receive, send: Send, headers: Headers) -> None:
        if scope["method"] in READING:
            await self._answer(scope, receive, send)
            return
        path = scope["path"]
        file = next((most for form, most in self.files.items() if fnmatchcase(path, form)), None)
        most = LARGEST_BODY if file is None else file + _ROUND_A_FILE
        body = await _read(receive, headers, most)
        if body is None:
            words = f"This is too large to send at once. The limit is {written_size(most)}."
            await refuse(413, words, scope, send)
            return
        scope["kersey.body"] = body
        await self._answer(scope, _replay(body, receive), send)

    async def _answer(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Let the site answer; a fault in it is written to the log and gets its own page."""
        begun = False

        async def send_noting(message: Message) -> None:
            nonlocal begun
            begun = True
            await send(message)

        try:
            await self.app(scope, receive, send_noting)
        except Exception as error:
            if begun:
                raise
            await tell_fault(error, scope, send)

    def _is_ours(self, host: str, door: Door) -> bool:
        name = urlsplit(f"//{host}").hostname or ""
        if name in self.hosts or (door.is_open and name == door.address):
            return True
        return self.any_address and _is_address(name)


async def _may_come_in(scope: Scope, room: Workroom) -> bool:
    """Whether it asks from this computer, is paired, or is about to be."""
    client = scope["client"][0] if scope["client"] else None
    pairs = scope["method"] in {"GET", "POST"} and WAY_IN.fullmatch(scope["path"])
    if pairs or is_this_computer(client):
        return True
    secret = Request(scope).cookies.get(COOKIE, "")
    known = bool(secret) and await run_in_threadpool(room.knows_device, secret)
    if secret and not known:
        await room.door.let_wait()
    return known


def _is_cross_site(scope: Scope, headers: Headers) -> bool:
    site = headers.get("sec-fetch-site")
    if site is not None and site not in {"same-origin", "none"}:
        return True
    origin = headers.get("origin")
    return origin is not None and origin != f"{scope['scheme']}://{headers.get('host')}"


def _is_address(name: str) -> bool:
    try:
        ipaddress.ip_address(name)
    except ValueError:
        return False
    return True


async def _read(receive: Receive, headers: Headers, most: int) -> bytes | None:
    """The whole body, or None if it is too large."""
    announced = headers.get("content-length", "0")
    if not announced.isdigit() or int(announced) > most:
        return None
    body = bytearray()
    more = True
    while more:
        message = await receive()
        if message["type"] == "http.disconnect":
            return bytes(body)
        body += message.get("body", b"")
        if len(body) > most:
            return None
        more = message.get("more_body", False)
    return bytes(body)


def _replay(body: bytes, receive: Receive) -> Receive:
    told = False

    async def replay() -> Message:
        nonlocal told
        if told:
            return await receive()
        told = True
        return {"type": "http.request", "body": body, "more_body": False}

    return replay
