"""The stylesheet of all pages, put together of the one beside each of them.

What all pages share stands in `layout`, and comes first. A class has its rules in one of the files
alone, so that the order of the others does not matter.
"""

from functools import cache
from hashlib import blake2s
from pathlib import Path

from fastapi import APIRouter
from starlette.responses import Response

router = APIRouter()

_WEB = Path(__file__).parent
NAME = "style.css"


@cache
def stylesheet() -> bytes:
    """Every stylesheet, one after the other."""
    shared = _WEB / "layout" / NAME
    pages = sorted(path for path in _WEB.glob(f"*/{NAME}") if path != shared)
    return b"\n".join(path.read_bytes() for path in (shared, *pages))


@cache
def styles_url() -> str:
    """The address of the stylesheet; it changes with its rules, so it may be kept for long."""
    return f"/style.css?v={blake2s(stylesheet(), digest_size=6).hexdigest()}"


@router.get("/style.css", name="styles")
def styles() -> Response:
    """All rules; a browser may keep them."""
    kept = {"Cache-Control": "public, max-age=31536000, immutable"}
    return Response(stylesheet(), media_type="text/css", headers=kept)
