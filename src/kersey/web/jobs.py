"""Work that takes more than a moment: done in the background, while a page says how far it is.

A job that is done within a moment is answered at once, as if there were no jobs. What it refuses is
shown as any other refusal.
"""

from collections import OrderedDict
from collections.abc import Callable
from secrets import token_urlsafe
from threading import Event, Lock, Thread

from fastapi import Request
from starlette.responses import Response

# So long a request waits before it shows how far the work is.
_A_MOMENT = 0.7
_KEPT = 20

# What a job has come to: the page, or where to go.
Answer = Callable[[Request], Response]


class Job:
    """One piece of work, and what it is doing just now."""

    def __init__(self, title: str) -> None:
        self.title = title
        self.doing = "Reading the file"
        self._answer: Answer | None = None
        self._fault: Exception | None = None
        self._over = Event()

    @property
    def over(self) -> bool:
        """Whether it is done, or has failed."""
        return self._over.is_set()

    def tell(self, done: int, of: int, what: str) -> None:
        """Say how far it is."""
        self.doing = f"{done:,} of {of:,} {what}"

    def answer(self, request: Request) -> Response:
        """What it has come to; raises what the work has raised."""
        if self._fault is not None:
            raise self._fault
        assert self._answer is not None
        return self._answer(request)

    def run(self, work: "Work") -> None:
        """Do the work; what it raises is kept for whoever asks."""
        try:
            self._answer = work(self)
        except Exception as fault:
            self._fault = fault
        finally:
            self._over.set()

    def wait(self) -> None:
        """Until it is over, but no longer than a moment."""
        self._over.wait(_A_MOMENT)


# Does the work, telling the job meanwhile how far it is.
Work = Callable[[Job], Answer]


class Jobs:
    """The jobs of a server, the newest of them."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._jobs: OrderedDict[str, Job] = OrderedDict()

    def begin(self, title: str, work: Work, wait: bool = True) -> tuple[str, Job]:
        """Begin a piece of work and wait a moment for it; its name, and the job."""
        job, name = Job(title), token_urlsafe(12)
        with self._lock:
            self._jobs[name] = job
            while len(self._jobs) > _KEPT:
                self._jobs.popitem(last=False)
        Thread(target=job.run, args=(work,)).start()
        if wait:
            job.wait()
        return name, job

    @property
    def under_way(self) -> bool:
        """Whether any of them is not over yet."""
        with self._lock:
            return not all(job.over for job in self._jobs.values())

    def get(self, name: str) -> Job | None:
        """The job of a name; None if there is none any more."""
        with self._lock:
            return self._jobs.get(name)
