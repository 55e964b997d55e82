"""What a device sees that was not paired: how to pair, and nothing else of the site."""

from collections.abc import Mapping
from typing import Any

from starlette.responses import HTMLResponse
from starlette.types import Receive, Scope, Send

from kersey.web.templating import template

# Where one comes in without being paired yet.
WAY_IN = "/pair/"


def plain_page(name: str, context: Mapping[str, Any], status: int = 200) -> HTMLResponse:
    """A page that needs nothing of the site: no styles, no scripts, no links."""
    return HTMLResponse(template(name).render(context), status)


def no_more() -> HTMLResponse:
    """A code that serves no more."""
    return plain_page("phone/stranger.html", {"used": True}, 403)


async def turn_away(scope: Scope, receive: Receive, send: Send) -> None:
    """Say how to pair."""
    await plain_page("phone/stranger.html", {"used": False}, 403)(scope, receive, send)
