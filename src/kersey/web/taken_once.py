"""A form is taken once: a double click, Enter twice or a resend get the answer of the first.

Every form of a page carries a token of its own in the field `once`. What is sent with it a second
time, unchanged, is not done again. A form sent in the background stays on its page and may be sent
so again; there the script holds its button while it is under way.
"""

import asyncio
import re
from collections import OrderedDict
from hashlib import blake2s
from secrets import token_urlsafe

from markupsafe import Markup
from starlette.datastructures import Headers
from starlette.types import ASGIApp, Message, Receive, Scope, Send

# In a form, and in one that sends a file.
_FIELD = re.compile(rb'(?:^|&)once=[\w-]{16}(?:&|$)|name="once"\r\n\r\n[\w-]{16}\r\n')
# Most answers send on to another page; more than these nobody sends again.
_REMEMBERED = 200
_REFUSED = 400

# What was answered, or None where it was not done.
_Answer = asyncio.Future[list[Message] | None]


def once() -> Markup:
    """The field that a form is known by."""
    return Markup(f'<input type="hidden" name="once" value="{token_urlsafe(12)}">')


class TakenOnce:
    """ASGI middleware behind the guard, which has read the body."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app
        self._answers: OrderedDict[bytes, _Answer] = OrderedDict()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        key = _key(scope)
        if key is None:
            await self.app(scope, receive, send)
            return
        answered = None
        while answered is None and key in self._answers:
            answered = await self._answers[key]
        if answered is None:
            await self._answer(key, scope, receive, send)
            return
        for message in answered:
            await send(message)

    async def _answer(self, key: bytes, scope: Scope, receive: Receive, send: Send) -> None:
        """Let the form be taken, and remember what was answered unless it was refused."""
        answer: _Answer = asyncio.get_running_loop().create_future()
        self._answers[key] = answer
        messages: list[Message] = []

        async def send_noting(message: Message) -> None:
            messages.append(message)
            await send(message)

        try:
            await self.app(scope, receive, send_noting)
        finally:
            done = bool(messages) and messages[0]["status"] < _REFUSED
            if not done:
                self._answers.pop(key, None)
            answer.set_result(messages if done else None)
        while len(self._answers) > _REMEMBERED:
            self._answers.popitem(last=False)


def _key(scope: Scope) -> bytes | None:
    """What a form that was sent is known by; None for all else."""
    body: bytes = scope.get("kersey.body", b"")
    if not _FIELD.search(body):
        return None
    headers = Headers(scope=scope)
    if "hx-request" in headers:
        return None
    # What stands between the fields of a form with a file is another each time.
    between = headers.get("content-type", "").partition("boundary=")[2].encode()
    body = body.replace(between, b"") if between else body
    return blake2s(scope["path"].encode() + b"\n" + body).digest()
