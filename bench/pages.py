"""Every page beside a bare route of the same server, with 20, 200 and 1,000 projects stored.

The cupboard holds five lots more for each project: 100, 1,000 and 5,000. The server is a process
of its own. Each request of a project's page goes to the next project, and each look into the
cupboard to the next shelf, so that little is remembered from the request before.

At the end, how the cupboard, the reading of a line, and sorting prints into a gradient grow.
"""

import multiprocessing
import random
import statistics
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import replace
from datetime import UTC, datetime
from multiprocessing.connection import Connection
from pathlib import Path

import httpx
import uvicorn
from sqlalchemy.orm import Session
from starlette.responses import PlainTextResponse

from kersey.core.cloth.sorting import Order, sort_colours
from kersey.core.measure.length import Units
from kersey.core.planning.asking import answer_key, yield_question
from kersey.core.planning.plan_question import planned
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.stash.cupboard import CupboardLot, from_readings
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import EXAMPLES, read_line, take_line
from kersey.core.yields.steps import YieldSoFar
from kersey.store.cupboard import add_lots
from kersey.store.database import open_database
from kersey.store.projects import add_project, keep_answer
from kersey.web.app import create_app
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings

REQUESTS = 200
STORED = (20, 200, 1000)
LOTS_EACH = 5
GROWING = ("cupboard", "cupboard, searched", "fabric read back")
BARE = "bare route"
_TRY = "usable=41.5&try_seam=0.25"
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
    "cupboard": lambda number: f"/cupboard?shelf={number % 4 + 1}",
    "cupboard, searched": lambda number: f"/cupboard?words=lamp&value=dark&shelf={number % 4 + 1}",
    "fabric read back": lambda _: "/cupboard/reading?lines=12+light+fat+quarters",
    "lot": lambda number: f"/cupboard/lots/{number}",
    "settings": lambda _: "/settings",
}


def main() -> None:
    print(f"{REQUESTS} requests each; times in ms, ratios to the bare route of the same run")
    growth: dict[str, list[float]] = {name: [] for name in GROWING}
    for stored in STORED:
        with tempfile.TemporaryDirectory() as folder, _site(Path(folder), stored) as client:
            times = {name: _measure(client, page, stored) for name, page in PAGES.items()}
        _report(stored, times)
        for name in GROWING:
            growth[name].append(_median(times[name]) / _median(times[BARE]))
    _report_growth(growth)


def _report_growth(growth: dict[str, list[float]]) -> None:
    sizes = [stored * LOTS_EACH for stored in STORED]
    print("\ngrowth" + "".join(f"{size:>22,}" for size in sizes))
    for name, ratios in growth.items():
        print(f"{name:<22}" + "".join(f"{ratio:>12.1f} x bare" for ratio in ratios))
    print(f"{'gradient of so many':<22}" + "".join(f"{_gradient(n):>16.0f} ms" for n in sizes))


def _gradient(prints: int) -> float:
    """Milliseconds to lay that many prints of any colours into a gradient."""
    chance = random.Random(1)
    colours = [f"#{chance.randrange(1 << 24):06x}" for _ in range(prints)]
    begun = time.perf_counter()
    sort_colours(colours, Order.GRADIENT)
    return (time.perf_counter() - begun) * 1000


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
    apart = multiprocessing.get_context("spawn")
    here, there = apart.Pipe()
    server = apart.Process(target=_serve, args=(folder, there), daemon=True)
    server.start()
    with httpx.Client(base_url=here.recv(), timeout=60) as client:
        yield client
    server.terminate()
    server.join()


def _serve(folder: Path, told: Connection) -> None:
    """Serve the folder, with a bare route beside Kersey's own, and say where."""
    app = create_app(ServerSettings(data=folder, host="127.0.0.1", port=0))
    app.add_api_route("/bench/hello", lambda: PlainTextResponse("hello"))
    listener = open_listener("127.0.0.1", 0)
    told.send(f"http://127.0.0.1:{listener.getsockname()[1]}")
    config = uvicorn.Config(app, log_level="warning", access_log=False)
    uvicorn.Server(config).run(sockets=[listener])


def _fill(folder: Path, stored: int) -> None:
    engine = open_database(folder)
    known: dict[str, tuple[KeptPlan | None, YieldSoFar, str]] = {}
    with Session(engine) as session, session.begin():
        for number in range(stored):
            line = f"roll of {36 + number % 9} strips, {18 + number % 4} prints"
            lot = take_line(line).lot
            assert lot is not None
            project = Project(
                f"Carriage {number + 1}", line, all_of(CupboardLot(f"Roll {number + 1}", lot))
            )
            # Rolls alike are cut alike: each is planned once, and answered once.
            if line not in known:
                plan = planned(project)
                asked = yield_asked(plan)
                question = yield_question(plan, asked, Units.INCHES)
                *_, answer = question.run()
                known[line] = plan.plan, answer, answer_key(asked, Units.INCHES)
            kept, answer, key = known[line]
            stored_as = add_project(session, replace(project, plan=kept), datetime.now(UTC))
            keep_answer(session, stored_as, key, answer)
        lots = from_readings([read_line(EXAMPLES[n % 5]) for n in range(stored * LOTS_EACH)])
        add_lots(session, lots, None, datetime.now(UTC))
    engine.dispose()


if __name__ == "__main__":
    main()
