"""Searches for the most blocks, each in a process of its own, so that nobody waits for another.

A page asks; it gets what is known so far and comes back for more. When the question behind a page
changes, the search for the old one is ended at once, and so is one that nobody comes back for. What
was found is kept for a while.
"""

import logging
from collections import OrderedDict
from collections.abc import Hashable, Sequence
from threading import Condition, Lock, Thread
from time import monotonic, sleep
from typing import Any
from weakref import finalize

from kersey.searching.worker import Question, Worker

_log = logging.getLogger(__name__)
# They take turns on one core: a wall that fills for a while must not keep a plan waiting.
_AT_ONCE = 3
# A page that is open comes back within seconds: a search that nobody asked for since is ended, not
# paused: a paused process would not see that the program is gone, and outlive it.
_UNSEEN_SECONDS, _LOOK_SECONDS = 60.0, 1.0
_LOST = "The search stopped before it found an answer. Reload the page, or change something."


class Inquiry:
    """One question under way. `count` says how many pieces of news there were; `ended`: another was
    asked instead, so whoever still waits for this one must ask again. It is never over then."""

    def __init__(self, question: Question) -> None:
        self.question = question
        self.answer: Any = None
        self.fault = ""
        self.over = False
        self.ended = False
        self.count = 0
        self.asked_at = monotonic()
        self.waited_for = 0
        self._news = Condition()

    def wait(self, beyond: int = 0, seconds: float = 2.0) -> None:
        """Until there is more news than that, or no more to come, or the time is up."""
        until = monotonic() + seconds
        with self._news:
            self.waited_for += 1
            self._news.wait_for(
                lambda: self.over or self.ended or self.count > beyond,
                max(0.0, until - monotonic()),
            )
            self.waited_for -= 1
            self.asked_at = monotonic()

    def end(self) -> None:
        """Nobody asks for it any more; who waits for it goes on."""
        with self._news:
            self.ended = True
            self._news.notify_all()

    def tell(self, news: tuple[Any, str] | None) -> None:
        """Take in what the worker says; None: it is over."""
        with self._news:
            if news is None:
                self.over = True
            elif news[1]:
                self.fault = news[1]
                _log.error("A search failed: %s", self.fault)
            else:
                self.answer = news[0]
            self.count += 1
            self._news.notify_all()


class Searches:
    """All searches of a server; together they take no more than `one_core`, if so."""

    # So many questions are remembered with what is known of them.
    kept = 60

    def __init__(self, one_core: bool = True) -> None:
        self._one_core = one_core
        self._lock = Lock()
        self._kept: OrderedDict[Question, Inquiry] = OrderedDict()
        self._asked: dict[Hashable, Inquiry] = {}
        self._waiting: list[Inquiry] = []
        self._working: dict[Inquiry, Worker] = {}
        self._idle: list[Worker] = []
        # Every process begun and not yet buried; they end with this object, or with the program.
        self._alive: list[Worker] = []
        finalize(self, _end_all, self._alive)
        self._closed = False
        self._watcher: Thread | None = None

    def ask(self, who: Hashable, question: Question) -> Inquiry:
        """The search for a question, begun if need be; any other that `who` asked for is ended."""
        with self._lock:
            before = self._asked.get(who)
            search = self._kept.get(question)
            if search is None:
                search = self._kept[question] = Inquiry(question)
                self._waiting.append(search)
            self._kept.move_to_end(question)
            self._asked[who] = search
            search.asked_at = monotonic()
            if before is not None and before not in self._asked.values():
                self._end(before)
            while len(self._kept) > self.kept:
                self._end(self._kept.popitem(last=False)[1])
            self._begin_what_waits()
            return search

    def make_ready(self) -> None:
        """Begin a process before anybody asks: the first question finds it."""
        with self._lock:
            if not self._alive and not self._closed:
                self._idle.append(self._new_worker())

    def leave(self, who: Hashable) -> None:
        """Nobody waits any more for what `who` asked: the search is ended, unless another asked
        the same."""
        with self._lock:
            before = self._asked.pop(who, None)
            if before is not None and before not in self._asked.values():
                self._end(before)
                self._begin_what_waits()

    def known(self, question: Question) -> Any:
        """What is known of a question already, without asking anybody; None if nothing is."""
        search = self._kept.get(question)
        return search.answer if search else None

    def has(self, question: Question) -> bool:
        """Whether a question was asked lately, answered or not."""
        return question in self._kept

    def close(self) -> None:
        """End every process."""
        with self._lock:
            self._closed = True
            self._waiting.clear()
            _end_all(self._idle)
            for worker in self._working.values():
                # The one who listens to it buries it.
                worker.end()

    def _watch(self) -> None:
        """See from now on that no search goes on that nobody asks for."""
        if self._watcher is None:
            self._watcher = Thread(target=self._end_what_is_unseen, daemon=True)
            self._watcher.start()

    def _end_what_is_unseen(self) -> None:
        while True:
            sleep(_LOOK_SECONDS)
            with self._lock:
                since = monotonic() - _UNSEEN_SECONDS
                for search in [*self._waiting, *self._working]:
                    if search.asked_at < since and not search.waited_for:
                        self._end(search)
                if self._closed or not self._working:
                    self._watcher = None
                    return

    def _end(self, search: Inquiry) -> None:
        if search.over or search.ended:
            return
        self._kept.pop(search.question, None)
        search.end()
        if search in self._waiting:
            self._waiting.remove(search)
        elif search in self._working:
            # The one who listens to it sees the pipe close, and frees the place.
            self._working[search].end()

    def _begin_what_waits(self) -> None:
        while self._waiting and len(self._working) < _AT_ONCE and not self._closed:
            # The latest question is what somebody looks at.
            search = self._waiting.pop()
            worker = self._idle.pop() if self._idle else self._new_worker()
            self._working[search] = worker
            Thread(target=self._listen, args=(search, worker), daemon=True).start()
            self._watch()

    def _listen(self, search: Inquiry, worker: Worker) -> None:
        whole = True
        try:
            worker.pipe.send(search.question)
            while not search.over:
                search.tell(worker.pipe.recv())
        except (OSError, EOFError, ValueError):
            whole = False
            if not search.ended:
                search.fault = _LOST if search.answer is None else ""
                search.tell(None)
        with self._lock:
            del self._working[search]
            # One that was ended as its last answer came is whole, and its process is killed.
            if whole and not search.ended:
                self._idle.append(worker)
            else:
                if self._kept.get(search.question) is search:
                    del self._kept[search.question]
                self._alive.remove(worker)
                worker.bury()
                # The next question finds a worker that has started already.
                if not self._idle and not self._closed:
                    self._idle.append(self._new_worker())
            self._begin_what_waits()

    def _new_worker(self) -> Worker:
        worker = Worker(self._one_core)
        self._alive.append(worker)
        return worker


def _end_all(workers: Sequence[Worker]) -> None:
    for worker in workers:
        worker.bury()
