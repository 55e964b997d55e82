"""The unit drawer: what lies in it, what fits a grid, and a quilt of it."""

import re

from fastapi.testclient import TestClient


def test_a_quilt_of_the_drawer(client: TestClient) -> None:
    assert "There are no finished units" in client.get("/cupboard/units").text
    for line in ("12 blocks 3 1/2, 4 prints", "5 blocks 6 1/2, 2 prints", "3 blocks 4 1/2"):
        client.post("/cupboard", data={"lines": line})
    page = client.get("/cupboard/units").text
    assert 'class="figure">20<' in page
    assert "1 × 1 squares" in page
    assert "2 × 2 squares" in page
    assert "with strips cut 2½″" in page
    # 12 units of one square and 5 of four: 32 squares, and no fewer are covered.
    size, plain = re.findall(r"(\d+) × (\d+) squares of", page), "plain square" in page
    (columns, rows) = map(int, size[0])
    assert columns * rows >= 32
    assert plain == (columns * rows > 32)
    assert len(re.findall(r"<rect[^>]*class=\"piece\"", page)) == 17
    more = client.get("/cupboard/units", params={"strips": "true"}).text
    assert len(re.findall(r"<rect[^>]*class=\"piece\"", more)) == 20
    wrong = client.get("/cupboard/units", params={"columns": "1"})
    assert wrong.status_code == 422
    assert "wider than the quilt" in wrong.text
    assert client.get("/cupboard/units", params={"grid": "90"}).status_code == 422


def test_colours_are_spread_while_the_page_is_open(client: TestClient) -> None:
    client.post("/cupboard", data={"lines": "12 blocks 3 1/2, 3 prints"})
    client.post("/cupboard", data={"lines": "3 blocks 6 1/2, 2 prints"})
    page = client.get("/cupboard/units").text
    assert "fits 3″" in page
    assert "with a strip 2, 4, 6″" in page
    news = re.search(r'hx-get="([^"]+)"', page)
    while news:
        page = client.get(news[1].replace("&amp;", "&"), headers={"HX-Request": "true"}).text
        assert page.startswith('<section id="units-wall"')
        news = re.search(r'hx-get="([^"]+)"', page)
    units = re.findall(r"<rect[^>]*class=\"piece\"", page)
    assert len(units) == 15
    assert "being spread" not in page
    # What is plain between them, made to measure: as much as is not covered.
    plain = re.search(r"(\d+) plain squares?</b>", page)
    cut = re.findall(r'row">([\d½¼¾⅛⅜⅝⅞]+) × ([\d½¼¾⅛⅜⅝⅞]+)″</th><td class="number">(\d+)', page)
    inches = {"3½": 1, "6½": 2, "9½": 3, "12½": 4, "15½": 5}
    squares = sum(inches[wide] * inches[high] * int(count) for wide, high, count in cut)
    assert squares == (int(plain[1]) if plain else 0)
