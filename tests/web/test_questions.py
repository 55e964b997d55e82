"""Standing questions: answered by the cupboard as it stands, and kept up to date."""

import re

from fastapi.testclient import TestClient

HEADERS = {"HX-Request": "true"}


def test_the_cupboard_answers_by_itself(client: TestClient) -> None:
    page = client.get("/cupboard/questions").text
    assert "No fabric is free" in page
    assert "The cupboard is empty." in page
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
    assert "15 prints are free to use" in client.get("/cupboard/questions").text


def test_a_sketch_of_all_that_is_free_holds_nothing_back(client: TestClient) -> None:
    refused = client.post("/cupboard/tonight", data={})
    assert refused.status_code == 422
    assert "No fabric in the cupboard is free" in refused.text
    client.post("/cupboard", data={"lines": "roll of 40 strips, 20 prints"})
    begun = client.post("/cupboard/tonight", data={}, follow_redirects=False)
    assert begun.status_code == 303
    number = re.findall(r"/projects/(\d+)/", begun.headers["location"])[0]
    assert "40 strips, 20 prints" in client.get(f"/projects/{number}/pull").text
    assert "20 prints are free to use" in client.get("/cupboard/questions").text


def _told(client: TestClient) -> str:
    """What could be made, once all of it is known."""
    page = client.get("/cupboard/questions/tonight").text
    while news := re.search(r"tonight\?seen=(\d+)", page):
        page = client.get("/cupboard/questions/tonight", params={"seen": news[1]}).text
    return str(page)


def test_what_could_be_made_tonight_is_told_and_follows_the_cupboard(client: TestClient) -> None:
    client.post("/cupboard", data={"lines": "9 charm squares, 3 prints"})
    told = _told(client)
    assert "3 prints are free to use" in told
    assert "Plain square" in told
    taken = client.post("/cupboard/tonight", data={"look": "plain-square"}, follow_redirects=False)
    page = client.get(taken.headers["location"]).text
    assert taken.headers["location"].endswith("/yield")
    assert "Plain square" in page
    # A sketch holds nothing; what came since is in the answer.
    client.post("/cupboard", data={"lines": "4 charm squares, 1 print"})
    assert "4 prints are free to use" in client.get("/cupboard/questions/tonight").text


def test_how_much_there_is_by_form_and_by_colour(client: TestClient) -> None:
    client.post("/cupboard", data={"lines": "6 strips 2 1/2 x 42, 3 prints"})
    by_form = client.get("/cupboard/questions").text
    assert '<th scope="row"><svg' in by_form
    assert "Strips</th>" in by_form
    # Prints that Kersey made up have a picture, and no colour that anybody has said.
    by_colour = client.get("/cupboard/questions", params={"by": "colour"}).text
    assert "Color not set</th>" in by_colour
    assert client.get("/cupboard/questions", params={"by": "shop"}).status_code == 422
