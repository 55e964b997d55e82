"""Photographs kept with quilts: copies in the data folder, so that no camera is needed for them."""

from collections.abc import Iterator
from itertools import chain, count
from pathlib import Path

from kersey.store.whole_file import write_whole

FOLDER = "photographs"


def copy_photograph(data: Path, picture: Path) -> str:
    """Copy a picture into the data folder; the name it has there. Raises `OSError`."""
    content = picture.read_bytes()
    kept = data / FOLDER
    kept.mkdir(exist_ok=True)
    for name in _names(picture):
        there = kept / name
        if not there.exists():
            write_whole(there, content)
        if there.read_bytes() == content:
            return name
    raise AssertionError("there is always another name")


def kept_photograph(data: Path, name: str) -> Path | None:
    """Where a kept photograph is; None where there is none of that name."""
    path = data / FOLDER / name
    return path if name == path.name and path.is_file() else None


def _names(picture: Path) -> Iterator[str]:
    """Its own name, and others for when that belongs to another picture."""
    numbered = (f"{picture.stem}-{number}{picture.suffix}" for number in count(2))
    return chain([picture.name], numbered)
