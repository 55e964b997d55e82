"""A process of its own that works out questions: they come in on one pipe, answers go out.

It is forked from a process that has loaded the core already, where the system can do that, and so
begins at once. A worker whose question has changed is simply ended.
"""

import os
import signal
import sys
from collections.abc import Iterator
from multiprocessing import get_all_start_methods, get_context
from multiprocessing.connection import Connection
from typing import Protocol

from kersey.core.errors import KerseyError

# What the process they are forked from loads beforehand: all that questions are made of, and what
# the program was started with, but nothing of its pages.
_LOADED, _STARTED_WITH = "kersey.core", "kersey.cli"
# How far a search stands back behind what somebody waits for.
_YIELDS = 10


class Question(Protocol):
    """Something to be worked out: it can be told from others, and sent to another process."""

    def run(self) -> Iterator[object]:
        """Answers, each better than the one before; raises `KerseyError`."""

    def __hash__(self) -> int: ...


class Worker:
    """A process that waits for questions, and this end of its pipe."""

    def __init__(self, one_core: bool = True) -> None:
        forks = "forkserver" in get_all_start_methods()
        context = get_context("forkserver") if forks else get_context("spawn")
        known = [m for m in sys.modules if m.startswith(_LOADED) or m == _STARTED_WITH]
        context.set_forkserver_preload(known)
        self.pipe, there = context.Pipe()
        self._process = context.Process(target=work, args=(there, one_core), daemon=True)
        self._process.start()
        there.close()

    def end(self) -> None:
        """Whatever it is doing; whoever listens to it sees the pipe close."""
        self._process.kill()

    def bury(self) -> None:
        """End it and close its pipe."""
        self._process.kill()
        self._process.join()
        self.pipe.close()


def work(pipe: Connection, one_core: bool) -> None:
    """Answer questions until there are no more; with all others on `one_core`, if so.

    Each answer is (what is known, ""), a fault (None, words), and the end of them None.
    """
    # Ctrl-C is for the program, which ends its workers itself.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    # Pages come first: whoever looks at one does not notice that searches run.
    if hasattr(os, "nice"):
        os.nice(_YIELDS)
    if one_core and hasattr(os, "sched_setaffinity"):
        os.sched_setaffinity(0, {max(os.sched_getaffinity(0))})
    try:
        while True:
            _answer(pipe.recv(), pipe)
    except (EOFError, ConnectionError):
        # The program is gone, and with it whoever wanted to know.
        return


def _answer(question: Question, pipe: Connection) -> None:
    try:
        for known in question.run():
            pipe.send((known, ""))
    except KerseyError as fault:
        pipe.send((None, str(fault)))
    pipe.send(None)
