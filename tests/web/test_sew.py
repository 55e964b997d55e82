"""Sew: passes ticked, a school chosen, measures that the quilt follows, and the tape."""

import html
import re
import subprocess
import sys
from typing import Any

from fastapi.testclient import TestClient
from playwright.sync_api import Browser, Page, expect
from tests.web.test_wrong import begun, revision


def key_of(page: str) -> str:
    found = re.search(r'value="(pass-[0-9a-f-]+)"><button class="act next', page)
    assert found
    return found[1]


def test_passes_are_ticked_and_taken_back(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/sew").text
    assert "The test block" in page
    first = key_of(page)
    after = client.post(f"{project}/sew/pass", data={"key": first, "done": "true"}).text
    assert "1 of " in after
    assert key_of(after) != first
    twice = client.post(f"{project}/sew/pass", data={"key": first, "done": "true"}).text
    assert key_of(twice) == key_of(after)
    back = client.post(f"{project}/sew/pass", data={"key": first, "done": "false"}).text
    assert key_of(back) == first
    page = client.post(
        f"{project}/sew/batch",
        data={"revision": revision(back), "batch": "0", "note": "Needle one to the left."},
    ).text
    assert "Needle one to the left." in page


def test_a_school_is_chosen_and_says_what_nests(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/sew/pressing").text
    assert "nest" in page
    opened = client.post(
        f"{project}/sew/pressing", data={"revision": revision(page), "school": "open"}
    ).text
    assert "Seams pressed open don't nest" in opened


def test_the_quilt_follows_what_is_measured(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/sew/measures").text
    target = re.search(r'name="target" value="([^"]*)"', page)
    assert target
    reckoned = html.unescape(target[1])
    reading = {"what": "block", "number": "1", "target": reckoned, "read": "6 1/4"}
    page = client.post(f"{project}/sew/readings", data=reading).text
    assert "It is too small" in page
    assert "As planned." in page
    page = client.post(
        f"{project}/sew/follow", data={"revision": revision(page), "follow": "as measured"}
    ).text
    assert "As measured." in page
    assert "As measured" in client.get(f"{project}/cut").text
    page = client.post(
        f"{project}/sew/readings/forget", data={"revision": revision(page), "place": "0"}
    ).text
    assert "Nothing measured yet." in page
    assert "As planned." in page
    wrong = client.post(f"{project}/sew/readings", data=reading | {"read": "soft"})
    assert wrong.status_code == 422


def test_what_the_tape_reads_lands_in_the_field_that_waits(page: Page, server: Any) -> None:
    begun = page.request.post(
        f"{server.url}/projects",
        form={"line": "12 fat quarters, 12 prints"},
        headers={"Origin": server.url},
        max_redirects=0,
    )
    project = begun.headers["location"].removeprefix(server.url).split("/")[2]
    page.goto(f"{server.url}/projects/{project}/sew")
    expect(page.locator(".table-count")).to_be_visible()
    page.goto(f"{server.url}/projects/{project}/sew/measures")
    # It begins with the next reading, once it knows how many were sent before.
    expect(page.locator(".tape-waits")).to_have_attribute("hx-get", re.compile("seen=0"))
    port = server.url.rpartition(":")[2]
    tape = [
        sys.executable,
        "-c",
        "from kersey.cli import app; app()",
        "tape",
        "6",
        "3/8",
        "--port",
        port,
    ]
    sent = subprocess.run(tape, capture_output=True, text=True, check=False)
    assert sent.returncode == 0, sent.stderr
    expect(page.locator(".measure-log tbody tr")).to_have_count(1)
    expect(page.locator(".measure-log")).to_contain_text("by tape")
    expect(page.locator(".measure-log")).to_contain_text("6⅜″")


def test_the_clock_the_evenings_and_where_one_was(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/sew").text
    client.post(f"{project}/sew/pass", data={"key": key_of(page), "done": "true"})
    page = client.get(f"{project}/sew").text
    assert re.search(r"Last step: Sew [^<]+\.", page)
    assert re.search(r"Last step: Sew [^<]+\.", client.get("/").text)
    client.post(f"{project}/sew/time", data={"work": "sewing blocks"})
    page = client.get(f"{project}/sew").text
    client.post(f"{project}/sew/pass", data={"key": key_of(page), "done": "true"})
    page = client.post(f"{project}/sew/time", data={}).text
    assert "Timed so far" in page
    said = {"revision": revision(page), "day_1": "60", "ready_by": "2020-01-01", "stretch": "0"}
    page = client.post(f"{project}/sew/evenings", data=said).text
    assert "too much work to finish by January 1" in page
    calendar = client.get(f"{project}/sew/calendar.ics")
    assert calendar.headers["content-type"].startswith("text/calendar")
    assert calendar.text.count("BEGIN:VEVENT") > 1


def test_another_screen_follows_and_a_note_being_written_stays(
    browser: Browser, server: Any
) -> None:
    laptop, phone = browser.new_page(), browser.new_page(viewport={"width": 390, "height": 844})
    line: dict[str, str | float | bool] = {"line": "12 fat quarters, 12 prints"}
    made = laptop.request.post(
        f"{server.url}/projects", form=line, headers={"Origin": server.url}, max_redirects=0
    )
    project = made.headers["location"].removeprefix(server.url).split("/")[2]
    address = f"{server.url}/projects/{project}/sew"
    for page in (laptop, phone):
        page.goto(address)
        expect(page.locator(".table-count")).to_contain_text("0 of")
    laptop.locator("#sew-note").fill("Thread nearly")
    phone.locator(".table-cut").click()
    for page in (laptop, phone):
        expect(page.locator(".table-count")).to_contain_text("1 of")
    expect(laptop.locator("#sew-note")).to_have_value("Thread nearly")
    # Down to the second batch, then one block of it alone.
    while not phone.locator(".singly").count():
        shown = phone.locator(".table-next-form input[name=key]").input_value()
        phone.locator(".table-cut").click()
        expect(phone.locator(".table-next-form input[name=key]")).not_to_have_value(shown)
    block = phone.locator(".singly button").first
    name = block.inner_text()
    block.click()
    ticked = laptop.locator('.singly button[aria-pressed="true"]')
    expect(ticked).to_have_text(f"{name} ✓")
    ticked.click()
    expect(phone.locator('.singly button[aria-pressed="true"]')).to_have_count(0)
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    for page in (laptop, phone):
        page.close()


def test_uneven_blocks_are_evened_out_and_sets_matched(client: TestClient) -> None:
    project = begun(client)
    target = {"what": "block", "target": "6 1/2"}
    for number, read in enumerate(("6 1/2", "6 1/4"), 1):
        reading = target | {"number": str(number), "read": read}
        page = client.post(f"{project}/sew/readings", data=reading).text
    assert "The blocks are uneven" in page
    done = {"revision": revision(page), "doing": "Part them by a sashing that takes it up"}
    client.post(f"{project}/sew/uneven", data=done)
    sheet = client.get(f"{project}/cut").text
    assert "your measurements" in sheet
    assert "1¼″" in client.get(f"{project}/size").text
    page = client.get(f"{project}/sew/measures").text
    client.post(
        f"{project}/sew/uneven",
        data={"revision": revision(page), "doing": "Make those anew that are off"},
    )
    assert "As planned." in client.get(f"{project}/sew/measures").text


# By hand: strips of 2 1/2 show 2 each, so twelve are 24 1/2 with a seam at either edge.
def test_strips_are_measured_three_times_and_the_plan_follows_their_number(
    client: TestClient,
) -> None:
    project = begun(client)
    assert client.get(f"{project}/sew/strips?number=12").text == "Planned 24½″"
    read = {"number": "12", "middle": "24 1/2", "left": "24 1/4", "right": "23"}
    page = client.post(f"{project}/sew/strips", data=read).text
    assert "Middle: right on." in page
    assert "Left edge: narrower than planned" in page
    assert "take less in each seam" in page
    # An inch and a half is no matter for the next seams.
    assert "take the strips out to where the width was right" in page
    # What was measured of fewer strips says nothing of these.
    page = client.post(f"{project}/sew/strips", data={"number": "18", "middle": "36"}).text
    assert "Left edge:" not in page
