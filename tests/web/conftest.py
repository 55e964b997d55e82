"""A site over an empty folder, and a real server over it for the browser."""

import re
import shutil
import signal
import subprocess
import sys
from collections.abc import Hashable, Iterator
from copy import copy
from dataclasses import dataclass, field
from functools import cache
from pathlib import Path
from threading import Thread
from typing import Any

import pytest
import uvicorn
from fastapi import FastAPI
from fastapi.testclient import TestClient
from playwright.sync_api import Browser, BrowserContext, Page
from starlette.datastructures import State
from tests.once import alone, keep_answer, known_answer
from tests.sample import take_sample_data

from kersey.searching.searches import Inquiry, Searches
from kersey.searching.worker import Question, Worker
from kersey.store.database import FILE_NAME, open_database
from kersey.web.app import create_app, furnish
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings

_BROWSERS = ("chromium", "chromium-browser", "google-chrome")
ADDRESS = "http://127.0.0.1:8000"
_RESTS_ON_A_PLAN = re.compile(
    r"/projects/(\d+)/(?:size|cut|sew|finish|away|arrange|picture|yield(?:/block)?$)"
)
# News is waited for by the server, so this is never reached but by a search that hangs.
_MOST_NEWS = 40
_NOTHING_YET = "<p>Working out the most blocks.</p>"
_TELLS_NEWS = 'id="plan-news"'
_WAITS = re.compile(rf'class="going-on"[^>]*/plan/news|{_NOTHING_YET}')
_STARTED = re.compile(r"Kersey is at (\S+)")

_TERM = re.compile(
    rb'<span class="term"><button [^>]*>([^<]*)</button><span\s+class="term-says">'
    rb".*?</span></span>",
    re.DOTALL,
)


_BROKEN_LINE = re.compile(rb" *\n +")


_TOKEN = re.compile(r'name="once" value="[^"]*"')


def without_tokens(page: str) -> str:
    """A page without what is another each time it is drawn."""
    return _TOKEN.sub("", page)


class PatientClient(TestClient):
    """Opens a page that rests on a plan once the plan is there, as a browser ends up seeing it.

    Its answers are read as a person reads them: an apostrophe is one, a term is its word, and a
    line that is broken in the template goes on.
    """

    def request(self, *asked: Any, **how: Any) -> Any:
        answer = super().request(*asked, **how)
        if answer.headers.get("content-type", "").startswith("text/html"):
            said = _TERM.sub(rb"\1", answer.content.replace(b"&#39;", b"'"))
            answer._content = _BROKEN_LINE.sub(b" ", said)
        return answer

    def get(self, url: Any, **asked: Any) -> Any:
        project = _RESTS_ON_A_PLAN.match(str(url))
        if project is None:
            return super().get(url, **asked)
        page = super().get(url, **asked)
        for _ in range(_MOST_NEWS):
            if _TELLS_NEWS in page.text and not _WAITS.search(page.text):
                break
            news = super().get(f"/projects/{project[1]}/plan/news")
            page = super().get(url, **asked)
            if "going-on" not in news.text and _NOTHING_YET not in page.text:
                break
        return page

    def post(self, url: Any, **asked: Any) -> Any:
        """A new project is not gone to: it would begin a search for every quilt on its wall."""
        asked.setdefault("follow_redirects", str(url) != "/projects")
        return super().post(url, **asked)


class SharedSearches(Searches):
    """The searches of every site of a test run: what was found once is known to the next, and the
    processes go on. A site leaves what it asked for when it closes."""

    kept = 1000

    def ask(self, who: Hashable, question: Question) -> Inquiry:
        if not self.has(question):
            known = known_answer(question)
            if known is not None:
                over = self._kept[question] = Inquiry(question)
                over.tell((known, ""))
                over.tell(None)
        return super().ask(who, question)

    def _listen(self, search: Inquiry, worker: Worker) -> None:
        super()._listen(search, worker)
        if search.over and not search.fault:
            keep_answer(search.question, search.answer)

    def close(self) -> None:
        for who in list(self._asked):
            self.leave(who)


SEARCHES = SharedSearches(one_core=False)


@cache
def empty_data() -> Path:
    """Data of nobody, at the newest version: made once, and copied for every site."""
    with alone("empty") as folder:
        if not folder.exists():
            open_database(folder).dispose()
    return folder / FILE_NAME


def app_over(folder: Path) -> FastAPI:
    if not (folder / FILE_NAME).exists():
        shutil.copy(empty_data(), folder)
    app = copy(_pages())
    app.state = State()
    furnish(app, _settings(folder))
    app.state.workroom.searches = SEARCHES
    return app


def _settings(folder: Path) -> ServerSettings:
    return ServerSettings(data=folder, host="127.0.0.1", port=8000)


@cache
def _pages() -> FastAPI:
    """The pages, whose routes take a third of a second to be read; each site gets data of its
    own."""
    return create_app(_settings(empty_data().parent))


def client_for(folder: Path) -> TestClient:
    return PatientClient(
        app_over(folder), ADDRESS, raise_server_exceptions=False, client=("127.0.0.1", 50_000)
    )


@pytest.fixture
def client(tmp_path: Path) -> Iterator[TestClient]:
    with client_for(tmp_path) as client:
        yield client
    client.app.state.workroom.engine.dispose()  # type: ignore[attr-defined]


@dataclass
class Server:
    """`kersey serve` as a person starts it."""

    folder: Path
    process: subprocess.Popen[str] = field(init=False)
    url: str = field(init=False)
    said: list[str] = field(default_factory=list)

    def start(self) -> None:
        command = [sys.executable, "-c", "from kersey.cli import app; app()", "serve"]
        self.process = subprocess.Popen(
            [*command, "--port", "0", "--data", str(self.folder)],
            stdout=subprocess.PIPE,
            stderr=subprocess.PIPE,
            text=True,
        )
        assert self.process.stdout is not None
        for line in self.process.stdout:
            self.said.append(line)
            started = _STARTED.search(line)
            if started:
                self.url = started[1]
                return
        raise AssertionError(self.process.stderr and self.process.stderr.read())

    def stop(self) -> tuple[int, str, str]:
        """Ctrl-C; the exit status and what was said."""
        self.process.send_signal(signal.SIGINT)
        out, err = self.process.communicate(timeout=20)
        return self.process.returncode, out, err


class Site:
    """The site served from a thread of the tests: as a browser sees it, and open at once."""

    def __init__(self, folder: Path) -> None:
        listener = open_listener("127.0.0.1", 0)
        self.url = f"http://127.0.0.1:{listener.getsockname()[1]}"
        app = app_over(folder)
        self._engine = app.state.workroom.engine
        settings = uvicorn.Config(app, log_level="warning", access_log=False)
        self._server = uvicorn.Server(settings)
        self._thread = Thread(target=self._server.run, kwargs={"sockets": [listener]})
        self._thread.start()

    def close(self) -> None:
        self._server.should_exit = True
        self._thread.join()
        self._engine.dispose()


class Restarting:
    """The site, and after a restart another over the same data; only searches are shared."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        self._running = Site(folder)

    @property
    def url(self) -> str:
        return self._running.url

    def restart(self) -> None:
        self.close()
        self._running = Site(self._folder)

    def close(self) -> None:
        self._running.close()


@pytest.fixture
def restarting(tmp_path: Path) -> Iterator[Restarting]:
    program = Restarting(tmp_path)
    yield program
    program.close()


@pytest.fixture
def server(tmp_path: Path) -> Iterator[Site]:
    site = Site(tmp_path)
    yield site
    site.close()


@pytest.fixture
def own_sample(tmp_path: Path) -> Iterator[Site]:
    """The sample world, to be changed."""
    take_sample_data(tmp_path)
    site = Site(tmp_path)
    yield site
    site.close()


@pytest.fixture(scope="session")
def sample_server(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Site]:
    folder = tmp_path_factory.mktemp("sample")
    take_sample_data(folder)
    site = Site(folder)
    yield site
    site.close()


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    return {
        "executable_path": next(filter(None, map(shutil.which, _BROWSERS))),
        "args": ["--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"],
    }


@pytest.fixture(scope="session")
def window(browser: Browser) -> Iterator[BrowserContext]:
    """One window for all tests of a process, with a tab that keeps it open: opening it costs more
    than most pages. Sites are told apart by their ports."""
    context = browser.new_context()
    context.new_page()
    yield context
    context.close()


@pytest.fixture
def page(window: BrowserContext) -> Iterator[Page]:
    """A tab of its own; whatever else is opened meanwhile is closed with it."""
    before = window.pages
    yield window.new_page()
    for page in window.pages:
        if page not in before:
            page.close()
    window.clear_cookies()
