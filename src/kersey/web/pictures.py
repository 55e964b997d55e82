"""Drawings of which a page shows many, each an image of its own: the page stays light, and the
browser asks for an image only when it comes near the window.

An image is named by what it shows, so whoever has it need never ask for it again.
"""

import re
from collections import OrderedDict
from hashlib import blake2s
from html import unescape
from threading import Lock

from fastapi import APIRouter, HTTPException, Request
from markupsafe import Markup
from starlette.responses import Response

router = APIRouter()

# A full wall is thirty quilts of some twenty kilobytes: many walls' worth, in characters.
_KEPT = 16_000_000
_HEAD = re.compile(
    r'<svg [^>]*?viewBox="\S+ \S+ (\S+) (\S+)"(?: width="(\d+)" height="(\d+)")?[^>]*>'
    "<title>(.*?)</title>"
)
_IMAGE = Markup('<img src="{}" alt="{}" width="{}" height="{}" loading="lazy">')
_FOR_LONG = {"cache-control": "private, max-age=31536000, immutable"}


class Pictures:
    """The drawings that pages showed lately, by their names."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._kept: OrderedDict[str, str] = OrderedDict()
        self._size = 0

    def keep(self, drawing: str) -> str:
        """The name by which a drawing can be asked for from now on."""
        name = blake2s(drawing.encode(), digest_size=12).hexdigest()
        with self._lock:
            if name not in self._kept:
                self._size += len(drawing)
            self._kept[name] = drawing
            self._kept.move_to_end(name)
            while self._size > _KEPT:
                self._size -= len(self._kept.popitem(last=False)[1])
        return name

    def get(self, name: str) -> str | None:
        """The drawing of a name; None when none was shown by it lately."""
        with self._lock:
            return self._kept.get(name)


def as_image(request: Request, drawing: str, width_px: int = 0) -> Markup:
    """A drawing as an image, so wide, or of the size of its own; its title is read instead."""
    head = _HEAD.match(drawing)
    assert head is not None
    across, down, width, height, label = head.groups()
    if width_px:
        width, height = str(width_px), str(round(width_px * float(down) / float(across)))
    pictures: Pictures = request.app.state.pictures
    address = request.app.url_path_for("picture", name=pictures.keep(drawing))
    return _IMAGE.format(address, unescape(label), width, height)


@router.get("/pictures/{name}.svg", name="picture")
def picture(request: Request, name: str) -> Response:
    """A drawing of some page."""
    pictures: Pictures = request.app.state.pictures
    drawing = pictures.get(name)
    if drawing is None:
        raise HTTPException(404)
    return Response(drawing, media_type="image/svg+xml", headers=_FOR_LONG)
