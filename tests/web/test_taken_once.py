"""A form is taken once, however often and however fast it is sent."""

import re
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from threading import Barrier
from typing import Any

import httpx
import pytest
from fastapi.testclient import TestClient
from playwright.sync_api import Browser, expect
from sqlalchemy.orm import Session
from tests.web.conftest import Site

from kersey.store.cupboard import all_lots
from kersey.store.database import open_database

AT_ONCE = 8


def token(page: str, address: str) -> str:
    """What the form of a page that is sent there is known by."""
    found = re.search(rf'action="{address}".*?name="once" value="([\w-]+)"', page, re.DOTALL)
    assert found
    return found[1]


def lots_in(folder: Path) -> int:
    engine = open_database(folder)
    with Session(engine) as session:
        count = len(all_lots(session))
    engine.dispose()
    return count


def test_what_is_sent_again_is_answered_as_before_and_done_once(
    client: TestClient, tmp_path: Path
) -> None:
    page = client.get("/").text
    said = {"line": "40 strips", "once": token(page, "/projects")}
    first, again = (client.post("/projects", data=said) for _ in range(2))
    assert first.headers["location"] == again.headers["location"]
    assert client.get("/").text.count('class="hanger"') == 1
    client.post("/projects", data=said | {"line": "41 strips"})
    client.post("/projects", data={"line": "40 strips", "once": token(page, "/projects")[::-1]})
    assert client.get("/").text.count('class="hanger"') == 3


def test_what_was_refused_may_be_sent_again(client: TestClient) -> None:
    said = {"line": "", "once": token(client.get("/").text, "/projects")}
    answers = [client.post("/projects", data=said) for _ in range(2)]
    assert [answer.status_code for answer in answers] == [422, 422]


@pytest.fixture
def site(tmp_path: Path) -> Iterator[Site]:
    site = Site(tmp_path)
    yield site
    site.close()


def all_at_once(address: str, **said: Any) -> None:
    barrier = Barrier(AT_ONCE)

    def post(_: int) -> str:
        barrier.wait()
        answer = httpx.post(address, **said, timeout=60)
        assert answer.status_code == 303, answer.text
        return answer.headers["location"]

    with ThreadPoolExecutor(AT_ONCE) as pool:
        assert len(set(pool.map(post, range(AT_ONCE)))) == 1


def test_many_at_once_are_one(site: Site, tmp_path: Path) -> None:
    """A line and a file, each sent by eight at the same moment."""
    cupboard = f"{site.url}/cupboard"
    page = httpx.get(cupboard).text
    all_at_once(cupboard, data={"lines": "3 yd charcoal", "once": token(page, "/cupboard")})
    assert lots_in(tmp_path) == 1
    file = {"file": ("lots.csv", httpx.get(f"{cupboard}.csv").content)}
    said = {"once": token(page, "/cupboard/spreadsheet")}
    all_at_once(f"{cupboard}/spreadsheet", data=said, files=file)
    assert lots_in(tmp_path) == 2


@pytest.mark.parametrize("scripts", [True, False])
def test_a_double_click_and_enter_twice_make_one_quilt(
    browser: Browser, site: Site, scripts: bool
) -> None:
    context = browser.new_context(java_script_enabled=scripts)
    page = context.new_page()
    page.goto(site.url)
    page.fill("#line", "40 strips")
    page.dblclick(".entry button")
    expect(page).to_have_url(re.compile("/projects/1/"))
    page.goto(site.url)
    page.fill("#line", "30 strips")
    page.keyboard.press("Enter")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/projects/2/"))
    page.goto(site.url)
    assert page.locator(".hanger").count() == 2
    context.close()
