"""The wall of possible quilts, the best size, a block that is drawn: by HTTP, and in a browser."""

import json
import re
from pathlib import Path
from typing import Any

from fastapi.testclient import TestClient
from playwright.sync_api import Page, expect
from tests.sample import take_sample_data
from tests.web.conftest import client_for
from tests.web.test_browser import settled, talking_page
from tests.web.test_pages import HTMX, revision, start

__all__ = ["talking_page"]
LINE = "8 charm squares, 4 prints"


def whole_wall(client: TestClient, number: int, **looked: Any) -> str:
    """The wall once no more quilts are to come."""
    for seen in range(200):
        client.get(f"/projects/{number}/yield/wall/news", params={"seen": seen} | looked)
        page = client.get(f"/projects/{number}/yield/wall", params=looked).text
        if "more to come" not in page:
            return str(page)
    raise AssertionError("The wall does not fill.")


def shown(page: str) -> list[str]:
    return re.findall(r'data-quilt="([^"]+)"', page)


def test_a_block_is_chosen_by_looking(client: TestClient) -> None:
    number = start(client, LINE)
    first = client.get(f"/projects/{number}/yield").text
    assert "What 8 squares can make" in first
    page = whole_wall(client, number)
    quilts = shown(page)
    assert {"nine-patch", "four-patch", "plain-square", "half-square"} <= set(quilts)
    assert not {"bargello", "tube-triangles", "units-drawer"} & set(quilts)
    # Every quilt is drawn, at one scale: as many pixels for an inch.
    pictures = re.findall(r'src="(/pictures/[^"]+)"', page)
    assert len(pictures) == len(quilts)
    across = re.compile(r'viewBox="[-\d.]+ [-\d.]+ ([\d.]+) [\d.]+" width="(\d+)"')
    drawn = [across.findall(client.get(picture).text)[0] for picture in pictures]
    scales = {round(int(px) / float(inches), 1) for inches, px in drawn}
    assert max(scales) - min(scales) < 0.3
    address = f"/projects/{number}/yield/take"
    taken = {"look": "four-patch", "revision": revision(client, number)}
    answer = client.post(address, data=taken, follow_redirects=False)
    assert answer.headers["location"] == f"/projects/{number}/yield"
    assert "Four-patch" in client.get(f"/projects/{number}/yield").text
    again = client.post(address, data=taken, follow_redirects=False)
    assert again.status_code == 409


def test_the_quilt_that_is_planned_hangs_there_as_it_is(tmp_path: Path) -> None:
    """Found in a moment, 35 log cabins would hang there; 42 are planned."""
    take_sample_data(tmp_path)
    with client_for(tmp_path) as client:
        planned = re.search(r'class="figure"[^>]*>([^<]+)<', client.get("/projects/6/size").text)
        assert planned
        page = ""
        for seen in range(200):
            params = {"seen": seen, "look": "log-cabin"}
            client.get("/projects/6/yield/wall/news", params=params)
            page = client.get("/projects/6/yield/wall", params=params).text
            if "log-cabin" in shown(page):
                break
    finished = re.search(r"Finished</th><td>([^<]+)″<", page)
    assert finished
    assert finished[1] == planned[1]


def test_it_is_sorted_and_only_some_are_shown(client: TestClient) -> None:
    number = start(client, LINE)
    everything = shown(whole_wall(client, number))
    seams = [
        int(
            client.get(f"/projects/{number}/yield/wall", params={"look": key})
            .text.split('row">Seams</th><td>')[1]
            .split(",")[0]
        )
        for key in shown(whole_wall(client, number, sort="least work"))[::4]
    ]
    assert seams == sorted(seams)
    first = shown(whole_wall(client, number, only=["first quilt"]))
    assert set(first) < set(everything)
    assert "hourglass" not in first
    bought = whole_wall(client, number, only=["nothing bought"])
    assert "to buy:" not in bought
    beside = whole_wall(client, number, beside=["four-patch", "nine-patch", "nowhere"])
    assert beside.split('id="beside"')[1].split("</section>")[0].count("<figure>") == 2
    assert client.get(f"/projects/{number}/yield/wall?sort=colour").status_code == 404


def test_the_best_size_is_taken_where_it_is_shown(client: TestClient) -> None:
    number = start(client, LINE)
    chosen = {"recipe": "plain-square", "seam": "1/4", "by_value": "true", "revision": "1"}
    client.post(f"/projects/{number}/yield", data=chosen)
    for seen in range(0, 80, 5):
        page = client.get(f"/projects/{number}/yield/sizes?seen={seen}", headers=HTMX).text
        if "Trying sizes" not in page:
            break
    assert "<b>4½ × 4½″</b>: 8 blocks, 81% of the fabric shows" in " ".join(page.split())
    size = {"width": "4 1/2", "height": "4 1/2", "revision": revision(client, number)}
    client.post(f"/projects/{number}/yield/sizes", data=size)
    assert 'value="4½″"' in client.get(f"/projects/{number}/yield/block").text


def test_a_block_is_drawn_without_a_script(client: TestClient) -> None:
    number = start(client, "8 fat quarters, 8 prints")
    base = f"/projects/{number}/yield/own"

    def send(path: str, status: int = 303, **fields: str) -> str:
        data = {"revision": revision(client, number)} | fields
        answer = client.post(f"{base}/{path}", data=data, follow_redirects=False)
        assert answer.status_code == status, answer.text
        return str(answer.text)

    send("grid", name="Signal lamp", grid="4")
    send("cell", square="0 0", act="half-square", first="light", second="dark")
    send("cell", square="0 0", act="half-square", first="light", second="dark")
    send("cell", square="1 0", act="join to the right")
    assert "nothing to the right of it" in send("cell", 422, square="0 3", act="join to the right")
    kept = json.loads(client.get(f"{base}/block.json").text)
    assert (kept["name"], kept["grid"], len(kept["cells"])) == ("Signal lamp", 4, 15)
    assert kept["cells"][0]["turn"] == 1
    assert "isn't a Kersey block file" in send("file", 422, content="half a block")
    wheel = [(1, 1, 1, 2), (1, 3, 2, 1), (3, 2, 1, 2), (2, 1, 2, 1), (2, 2, 1, 1)]
    cells = [dict(zip(("row", "column", "rows", "columns"), each, strict=True)) for each in wheel]
    send(
        "file",
        content=json.dumps({"kersey": "block/1", "name": "Wheel", "grid": 3, "cells": cells}),
    )
    page = client.get(base).text
    assert "You can't sew this block yet." in page
    assert "There is no straight seam" in send("take", 422, side="12")
    send("cell", square="0 0", act="part")
    send("take", side="9")
    page = client.get(f"/projects/{number}/yield/block").text
    assert "Wheel" in page
    assert ">12</th>" not in page


def test_quilts_come_in_and_one_is_taken_by_keys(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(server.url)
    page.fill("#line", LINE)
    page.keyboard.press("Enter")
    page.wait_for_url("**/yield")
    expect(page.locator("#wall-count .going-on")).to_have_count(0)
    page.locator("label:has(#look-nine-patch) img").click()
    expect(page.locator("#tally caption")).to_contain_text("Nine-patch")
    page.keyboard.press("c")
    expect(page.locator("#beside figure")).to_have_count(1)
    page.locator("label:has(#look-four-patch) img").click()
    page.keyboard.press("c")
    expect(page.locator("#beside figure")).to_have_count(2)
    page.locator("input[value='least work']").check()
    expect(page.locator(".quilts .possible").first).to_be_visible()
    settled(page)
    expect(page.locator("#tally caption")).to_contain_text("Four-patch")
    page.keyboard.press("Enter")
    expect(page.locator("#chosen-words")).to_contain_text("Four-patch")
    page.click("#sizes-of-it summary")
    expect(page.locator("#block-sizes .going-on")).to_have_count(0)
    expect(page.locator(".best-sizes li").first).to_contain_text("9 × 9″")


def test_a_block_is_drawn_by_keys(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(server.url)
    page.fill("#line", "8 fat quarters, 8 prints")
    page.keyboard.press("Enter")
    page.wait_for_url("**/yield")
    page.goto(f"{page.url}/own")
    page.locator("#square-1-1").focus()
    page.keyboard.press("ArrowRight")
    expect(page.locator("#square-1-2")).to_be_focused()
    page.keyboard.press("h")
    page.locator("#square-1-2").focus()
    page.keyboard.press("Enter")
    expect(page.locator("#square-1-2")).to_have_attribute(
        "aria-label", "Row 1, column 2: half-square, light and dark"
    )
    expect(page.locator("#square-1-2")).to_be_focused()
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowDown")
    expect(page.locator("#square-2-2")).to_be_focused()
    settled(page)
    page.click("text=Use this block")
    page.wait_for_url("**/yield")
    expect(page.locator("#chosen-words")).to_contain_text("Own block")
