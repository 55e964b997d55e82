"""Photographs kept with quilts: copies in the data folder, so that no camera is needed for them."""

import json
from collections.abc import Iterator
from itertools import chain, count
from pathlib import Path

from sqlalchemy import select
from sqlalchemy.orm import Session

from kersey.records.at_work import finishing_from
from kersey.store.tables import ProjectRow
from kersey.store.whole_file import write_whole

FOLDER = "photographs"


def copy_photograph(data: Path, picture: Path) -> str:
    """Copy a picture into the data folder; the name it has there. Raises `OSError`."""
    content = picture.read_bytes()
    kept = data / FOLDER
    kept.mkdir(mode=0o700, exist_ok=True)
    for name in _names(picture):
        there = kept / name
        if not there.exists():
            write_whole(there, content)
        if there.read_bytes() == content:
            return name
    raise AssertionError("there is always another name")


def put_back(data: Path, picture: Path) -> None:
    """Put a picture back under its own name; another that has the name gets a new one."""
    kept, content = data / FOLDER, picture.read_bytes()
    kept.mkdir(mode=0o700, exist_ok=True)
    there = kept / picture.name
    if there.exists() and there.read_bytes() != content:
        there.rename(next(kept / name for name in _names(picture) if not (kept / name).exists()))
    write_whole(there, content)


def copy_loose(session: Session, data: Path, camera: Path | None) -> None:
    """Copy what quilts keep and only the camera's folder has: once nothing was copied.

    Raises `OSError`."""
    row = ProjectRow.finishing
    for finishing in session.scalars(select(row).where(row.contains("photograph"))):
        for name in finishing_from(json.loads(finishing)).photographs:
            loose = None if camera is None else camera / name
            if loose and loose.is_file() and kept_photograph(data, name) is None:
                copy_photograph(data, loose)


def kept_photograph(data: Path, name: str) -> Path | None:
    """Where a kept photograph is; None where there is none of that name."""
    path = data / FOLDER / name
    return path if name == path.name and path.is_file() else None


def _names(picture: Path) -> Iterator[str]:
    """Its own name, and others for when that belongs to another picture."""
    numbered = (f"{picture.stem}-{number}{picture.suffix}" for number in count(2))
    return chain([picture.name], numbered)
