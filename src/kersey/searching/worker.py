"""A process of its own that works out yields: questions come in on one pipe, answers go out.

Both are Python's own pickles, between two processes of one program. A worker whose question has
changed is simply ended. Run as ``python -m kersey.searching.worker``.
"""

import pickle
import sys
from collections.abc import Iterator
from time import perf_counter
from typing import BinaryIO, Protocol

from kersey.core.cutting.watch import Clock
from kersey.core.errors import KerseyError


class Question(Protocol):
    """Something to be worked out: it can be told from others, and sent to another process."""

    def run(self, clock: Clock) -> Iterator[object]:
        """Answers, each better than the one before; raises `KerseyError`."""

    def __hash__(self) -> int: ...


def work(questions: BinaryIO, answers: BinaryIO) -> None:
    """Answer questions until there are no more.

    Each answer is (what is known, ""), a fault (None, words), and the end of them None.
    """
    while True:
        try:
            question = pickle.load(questions)
        except EOFError:
            return
        try:
            for known in question.run(perf_counter):
                _tell(answers, (known, ""))
        except KerseyError as fault:
            _tell(answers, (None, str(fault)))
        _tell(answers, None)


def _tell(answers: BinaryIO, news: tuple[object, str] | None) -> None:
    pickle.dump(news, answers)
    answers.flush()


if __name__ == "__main__":
    work(sys.stdin.buffer, sys.stdout.buffer)
