"""Long lists a page at a time: quilts, lots and entries, each with its way back and on."""

import re

import pytest
from fastapi.testclient import TestClient


def ways(page: str) -> tuple[str, dict[str, str]]:
    """What the pager says, and where it leads."""
    nav = re.search(r'<nav class="pager"[^>]*>(.*?)</nav>', page, re.S)
    assert nav
    words = re.search(r"<span>([^<]*)</span>", nav[1])
    assert words
    links = re.findall(r'href="([^"]+)" rel="(\w+)">([^<]+)<', nav[1])
    return words[1], {rel: address.replace("&amp;", "&") for address, rel, _ in links}


@pytest.fixture
def full(client: TestClient) -> TestClient:
    """More lots and quilts than one page shows."""
    lines = "\n".join(f"{n} light fat quarters" for n in range(1, 31))
    client.post("/cupboard", data={"lines": lines})
    client.post("/projects", data={"line": "2 yd navy"})
    for _ in range(25):
        client.post("/projects/1/copy")
    return client


def test_quilts_hang_on_several_walls(full: TestClient) -> None:
    words, links = ways(full.get("/").text)
    assert words == "26 quilts, wall 1 of 2"
    assert list(links) == ["next"]
    words, links = ways(full.get(links["next"]).text)
    assert words == "26 quilts, wall 2 of 2"
    assert list(links) == ["prev"]
    assert ways(full.get(links["prev"]).text)[0].endswith("wall 1 of 2")


@pytest.mark.parametrize("view", ["shelves", "table"])
def test_lots_lie_on_several_shelves_and_the_search_goes_along(full: TestClient, view: str) -> None:
    page = full.get("/cupboard", params={"words": "quarter", "view": view}).text
    words, links = ways(page)
    assert words == "Page 1 of 2"
    onward = full.get(links["next"]).text
    assert ways(onward)[0] == "Page 2 of 2"
    assert "words=quarter" in ways(onward)[1]["prev"]
    names = [set(re.findall(r"/cupboard/lots/(\d+)", each)) for each in (page, onward)]
    assert not names[0] & names[1]
    assert len(names[0] | names[1]) == 30


def test_a_list_that_fits_has_no_pager(client: TestClient) -> None:
    client.post("/projects", data={"line": "2 yd navy"})
    for address in ("/", "/cupboard", "/cupboard/ledger"):
        page = client.get(address)
        assert page.status_code in {200, 404}
        assert 'class="pager"' not in page.text
