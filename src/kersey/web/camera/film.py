"""Photographs as pages get them: the pictures of the camera folder, and those sent and at hand.

One at hand is cleaned of everything but the picture, and kept only while it is looked at.
"""

from pathlib import Path
from secrets import token_urlsafe
from typing import Annotated

from fastapi import Depends, Request
from fastapi import Path as InPath
from starlette.datastructures import UploadFile
from starlette.exceptions import HTTPException

from kersey.formats.photograph import MOST_BYTES, NotAPhotograph, cleaned
from kersey.store.photographs import kept_photograph
from kersey.web.workroom import Workroom

_PICTURES = frozenset({".jpg", ".jpeg", ".png", ".webp"})
_SHOWN = 60
# Photographs being looked at at the same time; the one looked at longest ago gives way.
_AT_HAND = 12
Token = Annotated[str, InPath(pattern="^[A-Za-z0-9_-]{16}$")]


async def _sent(request: Request) -> tuple[dict[str, str], bytes]:
    async with request.form() as form:
        fields = {name: value for name, value in form.items() if isinstance(value, str)}
        file = form.get("file")
        return fields, await file.read() if isinstance(file, UploadFile) else b""


Sent = Annotated[tuple[dict[str, str], bytes], Depends(_sent)]


def take_in_hand(room: Workroom, content: bytes) -> str:
    """Keep a photograph at hand; what it is known by. Raises `NotAPhotograph`."""
    picture = cleaned(content)
    token = token_urlsafe(12)
    room.photographs[token] = picture
    while len(room.photographs) > _AT_HAND:
        room.photographs.popitem(last=False)
    return token


def at_hand(room: Workroom, token: str) -> bytes:
    """A photograph that is at hand."""
    picture = room.photographs.get(token)
    if picture is None:
        raise HTTPException(404)
    return picture


def opened_picture(path: Path) -> bytes:
    """What is in a picture; raises `NotAPhotograph` where it is too large."""
    if path.stat().st_size > MOST_BYTES:
        raise NotAPhotograph("A photo can be up to 20 MB.")
    return path.read_bytes()


def picture_of_folder(room: Workroom, name: str) -> Path:
    """Where a picture of the folder is; a name that leads elsewhere is none."""
    path = _in_folder(room, name)
    if path is None:
        raise HTTPException(404)
    return path


def kept_with_quilt(room: Workroom, name: str) -> Path | None:
    """Where a picture is that was kept with a quilt; once the folder was all there was of it."""
    return kept_photograph(room.data, name) or _in_folder(room, name)


def pictures_of_folder(room: Workroom) -> list[Path]:
    """The newest pictures of the camera folder, the newest first."""
    if room.camera is None or not room.camera.is_dir():
        return []
    found = filter(_is_picture, room.camera.iterdir())
    return sorted(found, key=lambda path: (-path.stat().st_mtime, path.name))[:_SHOWN]


def _in_folder(room: Workroom, name: str) -> Path | None:
    path = None if room.camera is None else room.camera / name
    return path if path is not None and path.name == name and _is_picture(path) else None


def _is_picture(path: Path) -> bool:
    return path.suffix.lower() in _PICTURES and path.is_file()
