"""What one process of a test run has worked out, the others know: kept in a folder of the run."""

import os
import pickle
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from fcntl import LOCK_EX, flock
from hashlib import sha256
from pathlib import Path
from shutil import rmtree
from tempfile import mkdtemp
from typing import Any, Final, TypeVar

_Answer = TypeVar("_Answer")
# The folder's place, handed on to the processes that a run begins.
_FOLDER: Final = "KERSEY_TEST_RUN"


def begin_run() -> None:
    os.environ[_FOLDER] = mkdtemp()


def end_run() -> None:
    rmtree(os.environ.pop(_FOLDER))


@contextmanager
def alone(name: str) -> Iterator[Path]:
    """A place under a name, which no other process of the run uses meanwhile."""
    place = Path(os.environ[_FOLDER]) / name
    with place.with_suffix(".lock").open("w") as lock:
        flock(lock, LOCK_EX)
        yield place


def found(question: object, work: Callable[[], _Answer]) -> _Answer:
    """The answer to a question, from this run if it was worked out already."""
    known: _Answer | None = known_answer(question)
    if known is None:
        known = work()
        keep_answer(question, known)
    return known


def known_answer(question: object) -> Any:
    """What was found for a question in this run; None if nothing was."""
    place = _place_of(question)
    return pickle.loads(place.read_bytes()) if place.exists() else None


def keep_answer(question: object, answer: object) -> None:
    place = _place_of(question)
    written = place.with_suffix(f".{os.getpid()}")
    written.write_bytes(pickle.dumps(answer))
    written.replace(place)


def _place_of(question: object) -> Path:
    return Path(os.environ[_FOLDER]) / sha256(pickle.dumps(question)).hexdigest()
