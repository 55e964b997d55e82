"""The unit drawer: what lies in it, what fits a grid, and a quilt of it."""

import re

from fastapi.testclient import TestClient


def test_a_quilt_of_the_drawer(client: TestClient) -> None:
    assert "No finished unit" in client.get("/cupboard/units").text
    for line in ("12 blocks 3 1/2, 4 prints", "5 blocks 6 1/2, 2 prints", "3 blocks 4 1/2"):
        client.post("/cupboard", data={"lines": line})
    page = client.get("/cupboard/units").text
    assert 'class="figure">20<' in page
    assert "1 × 1 squares" in page
    assert "2 × 2 squares" in page
    assert "with a strip cut 2½″" in page
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
