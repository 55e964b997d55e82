"""What a device sees that was not paired: how to pair, and nothing else of the site."""

import re
from base64 import b64encode
from collections.abc import Mapping
from hashlib import sha256
from pathlib import Path
from typing import Any

from markupsafe import Markup
from starlette.responses import HTMLResponse
from starlette.types import Receive, Scope, Send

from kersey.web.templating import template

# Where one comes in without being paired yet.
WAY_IN = re.compile("/pair/[^/]+")


_STYLE = (Path(__file__).parent / "plain.css").read_text()
_DIGEST = b64encode(sha256(_STYLE.encode()).digest()).decode()
_POLICY = (
    f"default-src 'none'; style-src 'sha256-{_DIGEST}'; "
    "form-action 'self'; base-uri 'none'; frame-ancestors 'none'"
)


def plain_page(name: str, context: Mapping[str, Any], status: int = 200) -> HTMLResponse:
    """A page that needs nothing of the site: its style is in it, and there are no links."""
    page = template(name).render({**context, "style": Markup(_STYLE)})
    return HTMLResponse(page, status, {"content-security-policy": _POLICY})


def no_more() -> HTMLResponse:
    """A code that serves no more."""
    return plain_page("phone/stranger.html", {"used": True}, 403)


async def turn_away(scope: Scope, receive: Receive, send: Send) -> None:
    """Say how to pair."""
    await plain_page("phone/stranger.html", {"used": False}, 403)(scope, receive, send)
