"""Standing questions: answered by the cupboard as it stands, and kept up to date."""

import re

from fastapi.testclient import TestClient

HEADERS = {"HX-Request": "true"}


def test_the_cupboard_answers_by_itself(client: TestClient) -> None:
    page = client.get("/cupboard/questions").text
    assert "Nothing is free" in page
    assert "Nothing lies there." in page
    client.post("/cupboard", data={"lines": "6 strips 2 1/2 x 42, 3 prints"})
    client.post("/cupboard", data={"lines": "12 fat quarters, 12 prints"})
    page = client.get("/cupboard/questions").text
    # Six strips joined on the diagonal: 6 x 42 - 5 x 2 1/2.
    assert "239½″" in page
    assert "enough: " in page
    short = client.get("/cupboard/questions", params={"length": "240"}).text
    assert "too short" in short
    assert client.get("/cupboard/questions", params={"length": "long"}).status_code == 422
    # What is pulled is not free any more, and what is there says so at once.
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    assert "15 prints lie free" in client.get("/cupboard/questions").text


def test_a_sketch_of_all_that_is_free_holds_nothing_back(client: TestClient) -> None:
    refused = client.post("/cupboard/tonight", data={})
    assert refused.status_code == 422
    assert "Nothing in the cupboard is free" in refused.text
    client.post("/cupboard", data={"lines": "roll of 40 strips, 20 prints"})
    begun = client.post("/cupboard/tonight", data={}, follow_redirects=False)
    assert begun.status_code == 303
    number = re.findall(r"/projects/(\d+)/", begun.headers["location"])[0]
    assert "40 strips, 20 prints" in client.get(f"/projects/{number}/pull").text
    assert "20 prints lie free" in client.get("/cupboard/questions").text
