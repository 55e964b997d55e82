"""A file is there whole or not at all: written beside its place, then given its name."""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from tempfile import NamedTemporaryFile


@contextmanager
def written_whole(path: Path) -> Iterator[Path]:
    """A file to write to, which takes the place of `path` once it is whole on the disk.

    Raises `OSError`; what was there before then stays as it was.
    """
    with NamedTemporaryFile(dir=path.parent, prefix=f".{path.name}-", delete=False) as made:
        part = Path(made.name)
    try:
        yield part
        with part.open("rb+") as written:
            os.fsync(written.fileno())
        part.replace(path)
    finally:
        part.unlink(missing_ok=True)


def write_whole(path: Path, content: bytes) -> None:
    """Write a file altogether; raises `OSError`, and what was there before then stays."""
    with written_whole(path) as part:
        part.write_bytes(content)
