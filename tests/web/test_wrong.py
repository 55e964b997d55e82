"""This one went wrong: said on the page, a way taken, the table goes on, and the way back."""

import html
import re

from fastapi.testclient import TestClient
from playwright.sync_api import Page, expect


def begun(client: TestClient) -> str:
    answer = client.post(
        "/projects", data={"line": "12 fat quarters, 12 prints"}, follow_redirects=False
    )
    project = "/projects/" + str(answer.headers["location"]).split("/")[2]
    client.get(f"{project}/cut")
    return project


def revision(page: str) -> str:
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    return found[1]


def cut_some(client: TestClient, project: str, many: int) -> None:
    for _ in range(many):
        page = client.get(f"{project}/cut/table").text
        key = re.search(r'value="(table-cut-[0-9a-f]+)"><button class="act next', page)
        assert key
        client.post(f"{project}/cut/table", data={"do": "cut", "key": key[1]})


def hidden(page: str, nth: int = 0) -> dict[str, str]:
    """The fields of the nth way that can be gone."""
    forms = re.findall(r'<form method="post" action="[^"]*/cut/wrong">(.*?)</form>', page, re.S)
    names = re.findall(r'name="(\w+)" value="([^"]*)"', forms[nth])
    return {name: html.unescape(value) for name, value in names}


def test_a_lost_piece_is_planned_again_and_taken_back(client: TestClient) -> None:
    project = begun(client)
    cut_some(client, project, 6)
    page = client.get(f"{project}/cut/wrong").text
    things = re.findall(r'<option value="(\d+\.\d+)"[^>]*>([^<]*)</option>', page)
    assert things
    facts = {"happened": "a piece is too short", "thing": things[0][0], "count": "1", "at": "2"}
    page = client.get(f"{project}/cut/wrong", params=facts).text
    assert 'class="verdict-line' in page
    assert (
        "Proved: no cutting plan makes more."
        in client.get(f"{project}/cut/wrong", params=facts | {"further": "true"}).text
        or "You can still make all" in page
    )
    before = client.get(f"{project}/cut/table").text
    # Nothing has changed yet.
    assert re.search(r"6 of \d+ cuts", before)
    taken = client.post(f"{project}/cut/wrong", data=hidden(page))
    assert taken.status_code == 200
    assert re.search(r"0 of \d+ cuts", taken.text)
    page = client.get(f"{project}/cut/wrong").text
    assert "A piece is too short: " in page
    back = client.post(f"{project}/cut/wrong/back", data={"revision": revision(page)})
    assert re.search(r"6 of \d+ cuts", back.text)
    assert "Undo last report" not in client.get(f"{project}/cut/wrong").text


def test_what_is_cut_since_cannot_be_taken_back(client: TestClient) -> None:
    project = begun(client)
    cut_some(client, project, 3)
    page = client.get(f"{project}/cut/wrong", params={"happened": "blocks are lost", "blocks": "1"})
    client.post(f"{project}/cut/wrong", data=hidden(page.text))
    cut_some(client, project, 1)
    page = client.get(f"{project}/cut/wrong")
    refused = client.post(f"{project}/cut/wrong/back", data={"revision": revision(page.text)})
    assert refused.status_code == 422
    assert "You have checked off cuts since then" in refused.text


def test_what_cannot_be_is_said_at_its_field(client: TestClient) -> None:
    project = begun(client)
    cut_some(client, project, 1)
    for facts, words in [
        ({"happened": "blocks are lost", "blocks": "1000"}, "Type block numbers from 1 to"),
        ({"happened": "blocks are lost", "blocks": "some"}, "Type numbers like"),
        ({"happened": "cut at the wrong line", "thing": "5"}, "Type where you cut it"),
        ({"happened": "a piece is too short", "thing": "5", "at": "90"}, "less than the piece"),
        ({"happened": "a flaw in the cloth", "thing": "5", "left": "big"}, "Type sizes like"),
        (
            {"happened": "a flaw in the cloth", "thing": "5", "left": "30 x 40"},
            "The size left can't be larger",
        ),
        ({"happened": "a flaw in the cloth", "thing": "77", "left": "1 x 2"}, "Choose a piece"),
    ]:
        page = client.get(f"{project}/cut/wrong", params=facts)
        assert page.status_code == 422, facts
        assert words in html.unescape(page.text), facts


def test_the_line_is_dragged_to_where_it_was_cut(page: Page, server: object) -> None:
    url = server.url  # type: ignore[attr-defined]
    begun = page.request.post(
        f"{url}/projects",
        form={"line": "12 fat quarters, 12 prints"},
        headers={"Origin": url},
        max_redirects=0,
    )
    project = begun.headers["location"].removeprefix(url).split("/")[2]
    page.goto(f"{url}/projects/{project}/cut")
    expect(page.locator("#tally .figure")).to_have_text("0")
    page.keyboard.press("t")
    page.wait_for_url("**/cut/table")
    page.keyboard.press("x")
    page.wait_for_url("**/cut/wrong?cut=*")
    expect(page.locator("#happened")).to_have_value("cut at the wrong line")
    drawing = page.locator(".spoiled-figure svg")
    box = drawing.bounding_box()
    assert box
    was = page.locator("#at").input_value()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.5)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.62)
    page.mouse.up()
    expect(page.locator("#at")).not_to_have_value(was)
    # The ways follow by themselves, and the search for a proof after them.
    expect(page.locator(".verdict-line")).to_contain_text("You can")
    expect(page.locator(".verdict-line .searching")).to_have_count(0)
    page.locator(".way .act.next").first.click()
    page.wait_for_url("**/cut/table")
    expect(page.locator(".table-count")).to_contain_text("0 of")
