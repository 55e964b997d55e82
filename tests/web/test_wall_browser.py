"""The wall as it is worked at: by mouse, by finger, by keys alone, and again after a restart."""

import re
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect

LINE = "roll of 40 strips, 20 prints"


@pytest.fixture
def talking_page(page: Page) -> Iterator[Page]:
    """A page on which no script may fail."""
    said: list[str] = []
    page.on("pageerror", lambda error: said.append(str(error)))
    yield page
    assert said == []


def at_the_wall(page: Page, url: str) -> str:
    """Rails of 4 by 5 on their wall; the address of it."""
    begun = page.request.post(
        f"{url}/projects", form={"line": LINE}, headers={"Origin": url}, max_redirects=0
    )
    project = begun.headers["location"].removeprefix(url).split("/")[2]
    page.goto(f"{url}/projects/{project}/size")
    page.fill("#columns", "5")
    page.fill("#rows", "4")
    page.locator("#rows").press("Enter")
    expect(page.locator(".quilt-drawing title")).to_contain_text("5 by 4 blocks")
    page.goto(f"{url}/projects/{project}/arrange")
    # A thriftier plan lays the blocks anew: only then what lies there stays.
    expect(page.locator(".going-on")).to_have_count(0)
    page.reload()
    expect(page.locator(".place")).to_have_count(20)
    return page.url


def block_at(page: Page, number: str) -> str:
    """What lies at a place, as it is said."""
    said = page.locator(f'.place[data-number="{number}"]').get_attribute("aria-label")
    assert said
    return re.split(r", (?:pinned|upside down|(?:three-)?quarter turn)", said.partition(": ")[2])[0]


def last_step(page: Page, words: str) -> None:
    expect(page.locator(".steps-back .soft")).to_have_text(words)


def test_by_keys_alone_and_taken_back_after_a_restart(talking_page: Page, restarting: Any) -> None:
    page = talking_page
    address = at_the_wall(page, restarting.url)
    first, below, right = (block_at(page, number) for number in ("1-1", "2-1", "1-2"))
    page.focus("#wall-frame")
    for key in ("ArrowDown", "Enter", "ArrowDown", "Enter"):
        page.keyboard.press(key)
    last_step(page, "1-1 and 2-1 swapped")
    assert (block_at(page, "1-1"), block_at(page, "2-1")) == (below, first)
    page.keyboard.press("r")
    last_step(page, "2-1 turned")
    page.keyboard.press("ArrowUp")
    page.keyboard.press("Shift+ArrowRight")
    last_step(page, "1-1 and 1-2 swapped")
    assert block_at(page, "1-2") == below
    page.keyboard.press("p")
    last_step(page, "1-2 pinned")
    expect(page.locator('.place[data-pinned="true"]')).to_have_count(1)
    page.keyboard.press("x")
    expect(page.locator("#places-error")).to_contain_text("pinned")
    page.keyboard.press("p")
    last_step(page, "1-2 unpinned")
    page.keyboard.press("x")
    last_step(page, "1-2 set aside")
    expect(page.locator(".spare")).to_have_count(1)

    restarting.restart()
    page.goto(restarting.url + address[address.index("/projects") :])
    last_step(page, "1-2 set aside")
    # As fast as the hand is, no step is lost.
    for _ in range(6):
        page.keyboard.press("z")
    last_step(page, "changed the size")
    assert [block_at(page, number) for number in ("1-1", "2-1", "1-2")] == [first, below, right]
    page.keyboard.press("y")
    last_step(page, "1-1 and 2-1 swapped")


def test_by_mouse_one_block_several_and_a_whole_row(talking_page: Page, server: Any) -> None:
    page = talking_page
    at_the_wall(page, server.url)
    before = {n: block_at(page, n) for n in ("1-1", "1-2", "2-1", "2-2", "3-1", "4-5")}
    drag(page, "1-1", "4-5")
    last_step(page, "1-1 and 4-5 swapped")
    assert block_at(page, "4-5") == before["1-1"]
    page.keyboard.press("z")
    last_step(page, "changed the size")
    # Put aside, and carried back from beside the wall to another place.
    page.locator('.place[data-number="1-1"]').click()
    page.get_by_role("button", name="Set aside", exact=True).click()
    last_step(page, "1-1 set aside")
    carried = page.locator(".spare").bounding_box()
    there = page.locator('.place[data-number="2-2"]').bounding_box()
    assert carried
    assert there
    page.mouse.move(carried["x"] + 20, carried["y"] + 20)
    page.mouse.down()
    page.mouse.move(there["x"] + there["width"] / 2, there["y"] + there["height"] / 2, steps=5)
    page.mouse.up()
    expect(page.locator(".steps-back .soft")).to_contain_text("placed at 2-2")
    assert block_at(page, "2-2") == before["1-1"]
    page.keyboard.press("z")
    page.keyboard.press("z")
    last_step(page, "changed the size")
    # A rectangle of four, two rows down.
    page.locator('.place[data-number="1-1"]').click()
    page.locator('.place[data-number="2-2"]').click(modifiers=["Shift"])
    expect(page.locator(".place.chosen")).to_have_count(4)
    drag(page, "1-1", "3-1")
    last_step(page, "4 blocks moved")
    assert [block_at(page, n) for n in ("3-1", "4-2")] == [before["1-1"], before["2-2"]]
    assert block_at(page, "1-1") == before["3-1"]
    page.locator('[data-line="row"][data-at="1"]').click()
    expect(page.locator(".place.chosen")).to_have_count(5)
    page.get_by_role("button", name="Turn", exact=True).click()
    last_step(page, "5 blocks turned")
    # All of one print are marked where it is lit up.
    lit = page.locator('#lit option[value^="print:"]').first.get_attribute("value")
    assert lit
    page.select_option("#lit", lit)
    name = lit.removeprefix("print:")
    marked = page.locator(".place.chosen").all()
    assert marked
    assert all(name in (each.get_attribute("aria-label") or "") for each in marked)
    expect(page.locator("#wall-cloth .unlit")).not_to_have_count(0)
    page.select_option("#view", "numbers")
    expect(page.locator('#wall-frame[data-view="numbers"]')).to_have_count(1)


def drag(page: Page, one: str, other: str) -> None:
    boxes = [page.locator(f'.place[data-number="{n}"]').bounding_box() for n in (one, other)]
    assert boxes[0]
    assert boxes[1]
    middles = [(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2) for box in boxes if box]
    page.mouse.move(*middles[0])
    page.mouse.down()
    page.mouse.move(*middles[1], steps=6)
    expect(page.locator("#ghost")).to_have_count(1)
    page.mouse.up()


def test_by_finger_on_a_phone(browser: Browser, server: Any) -> None:
    context = browser.new_context(
        viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    at_the_wall(page, server.url)
    page.locator('.place[data-number="2-3"]').tap()
    expect(page.locator('.place.at[data-number="2-3"]')).to_have_count(1)
    page.get_by_role("button", name="Pin", exact=True).tap()
    last_step(page, "2-3 pinned")
    page.locator('.look:has-text("alternating rows")').tap()
    last_step(page, "alternating rows")
    page.get_by_role("button", name="Undo z", exact=True).tap()
    last_step(page, "2-3 pinned")
    context.close()


def test_it_is_mended_while_the_wall_stays_in_sight(talking_page: Page, server: Any) -> None:
    page = talking_page
    at_the_wall(page, server.url)
    page.locator('.look:has-text("roll order")').click()
    last_step(page, "roll order")
    expect(page.locator("#tally .figure")).not_to_have_text("0")
    page.keyboard.press("m")
    expect(page.locator(".steps-back .soft")).to_contain_text("mended")
    expect(page.locator("#tally .figure")).to_have_text("0")
    page.keyboard.press("s")
    last_step(page, "shuffled")
    page.keyboard.press("z")
    expect(page.locator(".steps-back .soft")).to_contain_text("mended")
