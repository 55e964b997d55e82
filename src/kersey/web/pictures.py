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

# A full wall is thirty quilts of some twenty kilobytes: a few walls' worth.
_KEPT = 300
_HEAD = re.compile(r'<svg [^>]*?width="(\d+)" height="(\d+)"[^>]*><title>(.*?)</title>')
_IMAGE = Markup('<img src="{}" alt="{}" width="{}" height="{}" loading="lazy">')
_FOR_LONG = {"cache-control": "private, max-age=31536000, immutable"}


class Pictures:
    """The drawings that pages showed lately, by their names."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._kept: OrderedDict[str, str] = OrderedDict()

    def keep(self, drawing: str) -> str:
        """The name by which a drawing can be asked for from now on."""
        name = blake2s(drawing.encode(), digest_size=12).hexdigest()
        with self._lock:
            self._kept[name] = drawing
            self._kept.move_to_end(name)
            while len(self._kept) > _KEPT:
                self._kept.popitem(last=False)
        return name

    def get(self, name: str) -> str | None:
        """The drawing of a name; None when none was shown by it lately."""
        with self._lock:
            return self._kept.get(name)


def as_image(request: Request, drawing: str) -> Markup:
    """A drawing that has a size of its own as an image; its title is what is read instead."""
    head = _HEAD.match(drawing)
    assert head is not None
    width, height, label = head.groups()
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
