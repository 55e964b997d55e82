"""Every page beside a bare route of the same server, with 1, 100 and 1,000 projects stored.

The cupboard holds five lots for each project: 5, 500 and 5,000.

Each request of a project's page goes to the next project, so that with one project everything
is remembered from the request before, and with 1,000 nearly nothing is.
"""

import statistics
import tempfile
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path

import httpx
import uvicorn
from sqlalchemy.orm import Session
from starlette.responses import PlainTextResponse

from kersey.core.cupboard import CupboardLot, from_readings
from kersey.core.project import Project
from kersey.core.pulled import all_of
from kersey.core.quick_entry import EXAMPLES, read_line, take_line
from kersey.store.cupboard import add_lots
from kersey.store.database import open_database
from kersey.store.projects import add_project
from kersey.web.app import create_app
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings

REQUESTS = 200
STORED = (1, 100, 1000)
BARE = "bare route"
_TRY = "strips_per_block=3&method=sets&rule=best&measured_length=40.5&seam=1/4"
PAGES: dict[str, Callable[[int], str]] = {
    BARE: lambda _: "/bench/hello",
    "first page": lambda _: "/",
    "quick entry": lambda _: "/quick-entry?line=roll+of+40+strips,+20+prints",
    "pull": lambda number: f"/projects/{number}/pull",
    "yield": lambda number: f"/projects/{number}/yield",
    "yield, slider moved": lambda number: f"/projects/{number}/yield/try?{_TRY}",
    "size": lambda number: f"/projects/{number}/size",
    "cut": lambda number: f"/projects/{number}/cut",
    "picture": lambda number: f"/projects/{number}/picture.svg",
    "cupboard": lambda _: "/cupboard",
    "cupboard, searched": lambda _: "/cupboard?words=lamp&value=dark",
    "fabric read back": lambda _: "/cupboard/reading?lines=12+light+fat+quarters",
    "lot": lambda number: f"/cupboard/lots/{number}",
    "settings": lambda _: "/settings",
}


def main() -> None:
    print(f"{REQUESTS} requests each; times in ms, ratios to the bare route of the same run")
    for stored in STORED:
        with tempfile.TemporaryDirectory() as folder, _site(Path(folder), stored) as client:
            times = {name: _measure(client, page, stored) for name, page in PAGES.items()}
        _report(stored, times)


def _report(stored: int, times: dict[str, list[float]]) -> None:
    print(f"\n{stored} project{'s' * (stored != 1)} stored")
    print(f"{'page':<22}{'median':>9}{'ratio':>8}{'95th':>9}{'ratio':>8}")
    bare_median, bare_late = _median(times[BARE]), _late(times[BARE])
    for name, taken in times.items():
        median, late = _median(taken), _late(taken)
        print(
            f"{name:<22}{median:>9.2f}{median / bare_median:>8.1f}"
            f"{late:>9.2f}{late / bare_late:>8.1f}"
        )


def _measure(client: httpx.Client, page: Callable[[int], str], stored: int) -> list[float]:
    taken = []
    for request in range(REQUESTS):
        begun = time.perf_counter()
        client.get(page(request % stored + 1)).raise_for_status()
        taken.append((time.perf_counter() - begun) * 1000)
    return taken


def _median(taken: list[float]) -> float:
    return statistics.median(taken)


def _late(taken: list[float]) -> float:
    return statistics.quantiles(taken, n=20)[-1]


@contextmanager
def _site(folder: Path, stored: int) -> Iterator[httpx.Client]:
    """A real server over that many projects, and a client that keeps its connection."""
    _fill(folder, stored)
    app = create_app(ServerSettings(data=folder, host="127.0.0.1", port=0))
    app.add_api_route("/bench/hello", lambda: PlainTextResponse("hello"))
    listener = open_listener("127.0.0.1", 0)
    server = uvicorn.Server(uvicorn.Config(app, log_level="warning", access_log=False))
    thread = threading.Thread(target=server.run, kwargs={"sockets": [listener]})
    thread.start()
    address = f"http://127.0.0.1:{listener.getsockname()[1]}"
    with httpx.Client(base_url=address, timeout=60) as client:
        yield client
    server.should_exit = True
    thread.join()
    app.state.workroom.engine.dispose()


def _fill(folder: Path, stored: int) -> None:
    engine = open_database(folder)
    with Session(engine) as session, session.begin():
        for number in range(stored):
            line = f"roll of {36 + number % 9} strips, {18 + number % 4} prints"
            lot = take_line(line).lot
            assert lot is not None
            project = Project(
                f"Carriage {number + 1}", line, all_of(CupboardLot(f"Roll {number + 1}", lot))
            )
            add_project(session, project, datetime.now(UTC))
        lots = from_readings([read_line(EXAMPLES[n % 5]) for n in range(stored * 5)])
        add_lots(session, lots, None, datetime.now(UTC))
    engine.dispose()


if __name__ == "__main__":
    main()
