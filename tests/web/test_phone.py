"""A phone on the home network: unpaired it sees nothing, paired it works, sent away nothing."""

import re
from collections.abc import Iterator

import httpx
import pytest
from fastapi.testclient import TestClient
from playwright.sync_api import Browser, BrowserContext, Page, expect
from tests.web.conftest import Site

from kersey.web import door
from kersey.web.door import COOKIE

PAIR_FIRST = "Pair this device first"
QUILT = "Crew room throw"


@pytest.fixture
def phone(browser: Browser) -> Iterator[Page]:
    context: BrowserContext = browser.new_context(viewport={"width": 390, "height": 844})
    yield context.new_page()
    context.close()


def pairing_address(laptop: Page, site: str) -> str:
    laptop.goto(f"{site}/phone")
    if laptop.get_by_role("button", name="Turn on").count():
        laptop.get_by_role("button", name="Turn on").click()
    shown = laptop.locator(".scan .path").text_content()
    assert shown
    return shown


def test_a_phone_is_paired_ticks_a_cut_and_is_sent_away(
    page: Page, phone: Page, own_sample: Site
) -> None:
    laptop = page
    pairing = pairing_address(laptop, own_sample.url)
    network = re.match(r"http://[^/]+", pairing)
    assert network
    assert "127.0.0.1" not in network[0]
    for way in ("/", "/cupboard", "/backup.zip", "/everything.json", "/style.css", "/phone"):
        answer = httpx.get(f"{network[0]}{way}")
        assert answer.status_code == 403
        assert PAIR_FIRST in answer.text
        assert not re.search(r"href|src=|quilt", answer.text)
    phone.goto(pairing)
    phone.get_by_role("button", name="Pair this device").click()
    expect(phone.get_by_role("link", name=QUILT)).to_be_visible()
    (cookie,) = phone.context.cookies()
    assert cookie["httpOnly"]
    assert cookie["sameSite"] == "Strict"
    laptop.goto(own_sample.url)
    laptop.get_by_role("link", name=QUILT).click()
    quilt = re.search(r"/projects/\d+", laptop.url)
    assert quilt
    laptop.goto(f"{own_sample.url}{quilt[0]}/cut")
    figure = laptop.locator("#tally .big .figure")
    before = int(figure.text_content() or "")
    phone.goto(f"{network[0]}{quilt[0]}/cut")
    phone.locator("input[type=checkbox]:not(:checked)").first.check()
    expect(figure).to_have_text(str(before + 1))
    laptop.goto(f"{own_sample.url}/settings")
    laptop.get_by_role("button", name="Send away Phone").click()
    expect(laptop.get_by_role("button", name="Send away")).to_have_count(0)
    phone.reload()
    assert PAIR_FIRST in phone.content()


def test_a_code_pairs_one_device_and_no_more(page: Page, server: Site) -> None:
    pairing = pairing_address(page, server.url)
    first = httpx.post(pairing, data={"name": "Tablet"})
    assert first.status_code == 303
    for again in (pairing, pairing[:-1] + "~", pairing[:-1] + "ü"):
        assert "no longer works" in httpx.get(again).text
        assert "no longer works" in httpx.post(again, data={"name": "Thief"}).text
    assert pairing_address(page, server.url) != pairing
    site = pairing.split("/pair/")[0]
    for way in ("/pair/x/y", "/pair/"):
        assert PAIR_FIRST in httpx.get(f"{site}{way}").text
    assert PAIR_FIRST in httpx.delete(pairing).text
    shown = pairing_address(page, server.url)
    page.get_by_role("button", name="New code").click()
    expect(page.locator(".scan .path")).not_to_have_text(shown)
    assert "no longer works" in httpx.get(shown).text
    wrong = httpx.get(site, cookies={COOKIE: first.cookies[COOKIE][::-1]})
    assert PAIR_FIRST in wrong.text
    with httpx.Client(cookies=dict(first.cookies)) as paired:
        assert paired.get(site).status_code == 200
        line = {"lines": "2 yd rust"}
        for origin in (site.replace("http:", "https:"), "http://elsewhere.example"):
            refused = paired.post(f"{site}/cupboard", headers={"origin": origin}, data=line)
            assert refused.status_code == 403
        assert (
            paired.post(f"{site}/cupboard", headers={"origin": site}, data=line).status_code == 303
        )
    page.get_by_role("button", name="Turn off").click()
    expect(page.get_by_role("button", name="Turn on")).to_be_visible()
    with pytest.raises(httpx.TransportError):
        httpx.get(f"{site}/pair/x")


def test_a_code_serves_ten_minutes(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    room = client.app.state.workroom  # type: ignore[attr-defined]
    now = 1000.0
    monkeypatch.setattr(door, "monotonic", lambda: now)
    token = room.door.new_token()
    now += 599
    assert PAIR_FIRST not in client.get(f"/pair/{token}").text
    assert "Pair this device" in client.get(f"/pair/{token}").text
    assert room.door.new_token() == token
    now += 2
    assert "no longer works" in client.get(f"/pair/{token}").text
    assert room.door.new_token() != token


def test_who_asks_from_elsewhere_must_be_paired_wherever_the_server_listens(
    client: TestClient,
) -> None:
    elsewhere = TestClient(client.app, str(client.base_url), client=("192.0.2.7", 4000))
    assert elsewhere.get("/").status_code == 403
    assert client.get("/").status_code == 200
