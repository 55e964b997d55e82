"""Blocks that come several of one pair of squares, by HTTP: chosen, sized, cut, exchanged."""

import re
from html import unescape

import pytest
from fastapi.testclient import TestClient


def revision(client: TestClient) -> str:
    found = re.search(r'name="revision" value="(\d+)"', client.get("/projects/1/pull").text)
    assert found
    return found[1]


def choose(client: TestClient, recipe: str, **options: str) -> None:
    """Twice, as the options of a block can only be said once it is chosen."""
    for more in ({}, options):
        data = {"recipe": recipe, "seam": "1/4", "by_value": "true", **more}
        answer = client.post("/projects/1/yield", data={"revision": revision(client), **data})
        assert answer.status_code == 200, answer.text[:300]


LIGHT = {f"print {number}" for number in range(1, 7)}


def kits_of(client: TestClient) -> dict[int, list[str]]:
    """The prints of every block, by its number."""
    page = client.get("/projects/1/cut/kits").text
    items = re.findall(r"<p><b>(\d+)</b>.*?</p>\s*<p>(.*?)</p>", page, re.S)
    return {int(number): re.findall(r"print \d+", of_it) for number, of_it in items}


@pytest.fixture
def site(client: TestClient) -> TestClient:
    client.post("/projects", data={"line": "6 light, 6 dark ten-inch squares"})
    return client


def test_half_squares_are_counted_singly_and_told_by_their_kit(site: TestClient) -> None:
    choose(site, "half-square", option_method="four at a time", finished_width="6")
    page = site.get("/projects/1/yield/block").text
    assert ">24</span> blocks" in page
    assert "four at a time" in page
    data = {"revision": revision(site), "columns": "4", "rows": "5"}
    site.post("/projects/1/grid", data=data)
    sheet = unescape(re.sub(r"<[^>]+>|\s+", " ", site.get("/projects/1/cut").text))
    sheet = re.sub(r"\s+", " ", sheet)
    assert "Sort the pieces into 5 kits" in sheet
    assert "Each kit makes 4 blocks and takes 1 light square, 1 dark square." in sheet
    assert "It comes out at 6 11⁄16″ or a hair more. Trim to 6½″ square." in sheet
    assert "Take 5 squares" in sheet
    assert "Use them as they are; each is one square." in sheet
    kits = re.sub(r"\s+", " ", site.get("/projects/1/cut/kits").text)
    assert "cut together with 2, 3, 4" in kits


def test_blocks_of_one_kit_change_together(site: TestClient) -> None:
    choose(site, "half-square", option_method="two at a time", finished_width="8")
    data = {"revision": revision(site), "columns": "3", "rows": "4"}
    site.post("/projects/1/grid", data=data)
    before = kits_of(site)
    assert before[1] == before[2]
    # The light print of the first pair of blocks goes to the second pair, and theirs comes here.
    (gives,), (takes,) = (set(before[n]) & LIGHT for n in (1, 3))
    exchange = {"revision": revision(site), "block": "2", "gives": gives, "takes": takes}
    answer = site.post("/projects/1/kits/exchange", data=exchange)
    assert answer.status_code == 200
    after = kits_of(site)
    assert after[1] == after[2]
    assert takes in after[1]
    assert gives in after[3]
    assert after[3] == after[4]
    for act, says in (("pin", "Unpin block 2"), ("unpin", "Pin block 2")):
        page = site.post("/projects/1/kits/pin", data={"revision": revision(site), act: "2"}).text
        assert f'aria-label="{says}"' in re.sub(r"\s+", " ", page)


def test_an_option_that_holds_or_not_is_chosen_by_yes_and_no(site: TestClient) -> None:
    choose(site, "stripe", option_half="yes", option_bars="4")
    page = site.get("/projects/1/yield/block").text
    assert re.search(r'<option value="yes" selected', page)
    assert re.search(r'id="chosen-words">Stripe, 6″, bars 4, half,', page)
    choose(site, "stripe", option_half="no", option_bars="4")
    page = site.get("/projects/1/yield/block").text
    assert re.search(r'<option value="no" selected', page)
    assert re.search(r'id="chosen-words">Stripe, 6″, bars 4, prints', page)


def test_a_length_nobody_said_is_an_empty_field(site: TestClient) -> None:
    choose(site, "cut-apart-hourglass")
    page = site.get("/projects/1/yield/block").text
    assert re.search(r'name="option_trim" value=""', page)
    assert re.search(r'id="chosen-words">Cut-apart hourglass, 11¼″, seam', page)
    assert ">6</span> blocks" in page
