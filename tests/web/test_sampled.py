"""Scraps by a sample, on the page of their lot."""

import re

from fastapi.testclient import TestClient


def test_ten_are_measured_and_all_are_known(client: TestClient) -> None:
    client.post("/cupboard", data={"lines": "a shoe box, 900 g of crumbs"})
    page = client.get("/cupboard/lots/1").text
    assert "Measure ten" in page
    said = {"sample": "2 x 9, 3 1/2 x 4, 1 x 3; 2 x 2, 5 x 5", "wanted": "2"}
    page = client.get("/cupboard/lots/1", params=said).text
    found = re.search(r"About (\d+) pieces</b>, between (\d+) and (\d+)", page)
    assert found
    likely, low, high = map(int, found.groups())
    assert low < likely < high
    assert "of them are large enough for that square" in page
    wrong = client.get("/cupboard/lots/1", params={"sample": "2 x 9"})
    assert wrong.status_code == 422
    assert "Measure 3 to" in wrong.text
    # Of cloth that is counted there is nothing to reckon.
    client.post("/cupboard", data={"lines": "12 fat quarters, 12 prints"})
    assert "Measure ten" not in client.get("/cupboard/lots/2", params=said).text
