"""At the table: two screens on one quilt, one of them restarted in the middle."""

import re
from typing import Any

from playwright.sync_api import Browser, Page, expect


def at_the_table(page: Page, url: str) -> str:
    begun = page.request.post(
        f"{url}/projects",
        form={"line": "12 strips, 6 prints"},
        headers={"Origin": url},
        max_redirects=0,
    )
    project = begun.headers["location"].removeprefix(url).split("/")[2]
    page.goto(f"{url}/projects/{project}/cut")
    expect(page.locator("#tally .figure")).to_have_text("0")
    page.keyboard.press("t")
    page.wait_for_url("**/cut/table")
    return page.url


def done(page: Page) -> int:
    found = re.match(r"(\d+) of", page.inner_text(".table-count"))
    assert found
    return int(found[1])


def counts(page: Page, number: int) -> None:
    expect(page.locator(".table-count")).to_contain_text(re.compile(rf"^{number} of "))


def test_two_screens_tick_one_quilt_and_nothing_is_lost_or_ticked_twice(
    browser: Browser, restarting: Any
) -> None:
    laptop = browser.new_page(viewport={"width": 1280, "height": 800})
    address = at_the_table(laptop, restarting.url)
    phone = browser.new_page(viewport={"width": 390, "height": 844})
    phone.goto(address)
    counts(laptop, 0)
    laptop.keyboard.press("PageDown")
    counts(laptop, 1)
    # The other screen follows by itself.
    counts(phone, 1)
    phone.locator(".table-cut").click()
    counts(phone, 2)
    counts(laptop, 2)
    # Both press for the very same cut at once: it is made once.
    shown = [
        page.locator(".table-next-form input[name=key]").input_value() for page in (laptop, phone)
    ]
    assert shown[0] == shown[1]
    for page in (laptop, phone):
        page.request.post(
            address, form={"do": "cut", "key": shown[0]}, headers={"Origin": restarting.url}
        )
    counts(laptop, 3)
    counts(phone, 3)

    phone.close()
    restarting.restart()
    path = address[address.index("/projects") :]
    phone = browser.new_page(viewport={"width": 390, "height": 844})
    phone.goto(restarting.url + path)
    counts(phone, 3)
    laptop.goto(restarting.url + path)
    laptop.keyboard.press("PageUp")
    counts(laptop, 2)
    counts(phone, 2)
    phone.keyboard.press("Enter")
    counts(phone, 3)
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    # To the end: the steps of the sheet are ticked with the last cut of each.
    whole = int(re.findall(r"of (\d+)", laptop.inner_text(".table-count"))[0])
    counts(laptop, 3)
    for number in range(4, whole + 1):
        laptop.keyboard.press("PageDown")
        counts(laptop, number)
    expect(laptop.locator(".all-cut")).to_contain_text("Everything is cut")
    laptop.locator(".all-cut a").click()
    expect(laptop.locator("#tally .figure")).not_to_have_text("0")
    for page in (laptop, phone):
        page.close()
