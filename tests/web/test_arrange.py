"""Arrange, as its forms and pictures are used."""

import io
import json
import re
from collections.abc import Iterator
from dataclasses import replace
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from kersey.core.project.laying import Laying
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.demo.wall_photograph import Room, photograph_of
from kersey.store.projects import get_project

WALL = "/projects/1/arrange"


@pytest.fixture
def wall(client: TestClient) -> Iterator[TestClient]:
    """Rails of 4 by 5, with a wall of their own."""
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    page = client.get("/projects/1/size").text
    client.post("/projects/1/grid", data={"revision": revision(page), "columns": "5", "rows": "4"})
    assert "trouble spots" in client.get(WALL).text
    yield client


def revision(page: str) -> str:
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    return found[1]


def act(client: TestClient, path: str = WALL, status: int = 200, **fields: str) -> str:
    """Post a form of the wall as its newest page has it."""
    at = revision(client.get(WALL).text)
    answer = client.post(path, data={"revision": at, **fields})
    assert answer.status_code == status, answer.text[:400]
    return str(answer.text)


def listed(page: str) -> list[tuple[str, str, str]]:
    """Place, block and turn, from the list."""
    rows = re.findall(
        r'<th scope="row">([\d-]+)</th><td class="number">([\d–]+)</td>'
        r"<td>[^<]*</td><td>([^<]*)</td>",
        page,
    )
    assert len(rows) == 20
    return rows


def quilt_of(client: TestClient) -> Quilt:
    room: Any = client.app.state.workroom  # type: ignore[attr-defined]
    with room.transaction() as session:
        return make_quilt(get_project(session, 1).project)


def undone(client: TestClient, way: str = "back") -> str:
    return act(client, f"{WALL}/step", way=way)


def test_every_act_is_one_step_that_is_undone_and_done_again(wall: TestClient) -> None:
    pages = [listed(wall.get(WALL).text)]
    acts: tuple[dict[str, Any], ...] = (
        {"act": "swap", "places": "1-1 2-3"},
        {"act": "turn", "places": "1-1 1-2 4-5"},
        {"act": "move", "places": "1-1 1-2", "down": "2", "across": "1"},
        {"act": "aside", "places": "3-3"},
        {"look": "way:upright"},
        {"look": "order:gradient down"},
        {"look": "order:steps along each row", "shift": "2"},
    )
    for fields in acts:
        pages.append(listed(act(wall, **fields)))
    assert len({str(page) for page in pages}) == len(pages)
    assert pages[1][0][1] == pages[0][7][1]
    for page in reversed(pages[:-1]):
        assert listed(undone(wall)) == page
    assert '<span class="soft">changed the size</span>' in wall.get(WALL).text
    for page in pages[1:]:
        assert listed(undone(wall, "on")) == page


def test_what_is_put_aside_lies_beside_the_wall_and_is_brought_back(wall: TestClient) -> None:
    block = listed(wall.get(WALL).text)[0][1]
    page = act(wall, act="aside", places="1-1")
    assert f'data-block="{block}"' in page
    assert listed(page)[0][1] == "–"
    other = listed(page)[6][1]
    page = act(wall, act="bring", places="2-2", block=block)
    assert listed(page)[6][1] == block
    assert f'data-block="{other}"' in page


def test_a_pin_holds_and_a_wrong_place_is_named(wall: TestClient) -> None:
    before = listed(act(wall, act="pin", places="1-1"))
    assert "1 block pinned." in re.sub(r"\s+", " ", wall.get(WALL).text)
    page = act(wall, status=422, act="swap", places="1-1 1-2")
    assert "Unpin it first" in page
    for places in ("9-9", "x", "", "1-1"):
        page = act(wall, status=422, act="swap", places=places)
        assert 'id="places-error"' in page
        assert f'value="{places}"' in page
    assert listed(wall.get(WALL).text) == before
    act(wall, act="let go", places="1-1")
    assert listed(act(wall, act="swap", places="1-1 1-2"))[0][1] == before[1][1]


def found(client: TestClient, what: str) -> str:
    """The search followed to its end, as the page follows it."""
    news = 0
    for _ in range(60):
        page = str(client.get(f"{WALL}/search?what={what}&news={news}").text)
        more = re.search(r'id="searching"[^>]*news=(\d+)', page)
        if more is None:
            return page
        news = int(more[1])
    raise AssertionError("The search does not end.")


def test_mending_and_shuffling_are_followed_and_laid(wall: TestClient) -> None:
    act(wall, look="order:order of the roll")
    page = act(wall, act="pin", places="1-1 4-5")
    troubled = re.search(r'class="figure">(\d+)<', page)
    assert troubled
    assert int(troubled[1]) > 0
    before = listed(page)
    proof = ""
    for _ in range(20):
        proof = wall.get(f"{WALL}/proof").text
        if "hx-get" not in proof:
            break
    assert re.search(r"Same print touching: by itself, none is possible", proof)
    followed = found(wall, "mend")
    would = re.search(r"<b>(\w+)</b> trouble spots? left", followed)
    assert would
    assert "Use this layout" in followed
    page = act(wall, f"{WALL}/search", what="mend")
    after = re.search(r'class="figure">(\d+)<', page)
    assert after
    assert int(after[1]) == (0 if would[1] == "no" else int(would[1])) < int(troubled[1])
    assert listed(page)[0] == before[0]
    assert listed(page)[19] == before[19]
    assert re.search(r"mended, \d+ blocks? moved", page)
    mended = listed(page)
    found(wall, "anew")
    page = act(wall, f"{WALL}/search", what="anew")
    moved = sum(a != b for a, b in zip(listed(page), mended, strict=True))
    assert moved > 12
    assert listed(undone(wall)) == mended


def test_what_was_found_for_another_wall_is_not_laid(wall: TestClient) -> None:
    found(wall, "anew")
    act(wall, act="swap", places="1-1 1-2")
    page = act(wall, f"{WALL}/search", status=422, what="anew")
    assert "That result is gone" in page


def test_weights_are_kept_and_decide_what_counts(wall: TestClient) -> None:
    page = act(wall, look="order:order of the roll")
    same = re.search(r'name="same"[^>]*value="(\d)"><b[^>]*>(\w+)<', page)
    assert same
    assert same[1] == "5"
    page = act(wall, f"{WALL}/minded", same="0", family="3")
    assert re.search(r'name="same"[^>]*value="0"', page)
    assert re.search(r'name="family"[^>]*value="3"', wall.get(WALL).text)
    answer = wall.post(f"{WALL}/minded", data={"revision": revision(page), "same": "9"})
    assert answer.status_code == 422


def test_a_version_is_kept_noted_hung_laid_and_travels_with_the_file(wall: TestClient) -> None:
    first = listed(wall.get(WALL).text)
    assert "Give it a name" in act(wall, f"{WALL}/versions", status=422, name=" ")
    act(wall, f"{WALL}/versions", name="warm centre")
    act(wall, look="order:light centre, dark edge")
    page = act(wall, f"{WALL}/version", number="0", do="note", name="warm centre", note="too busy?")
    assert "too busy?" in page
    assert page.count("<article>") == 2
    everything = json.loads(wall.get("/everything.json").text)
    kept = wall.post("/everything", files={"file": ("all.json", json.dumps(everything))})
    assert kept.status_code == 200
    second = str(wall.get("/projects/2/arrange/versions").text)
    assert "too busy?" in second
    assert listed(act(wall, f"{WALL}/version", number="0", do="lay")) == first
    assert "switched to “warm centre”" in wall.get(WALL).text
    page = act(wall, f"{WALL}/version", number="0", do="drop")
    assert "No saved layouts yet" in page


def test_pictures_are_saved_and_looks_and_the_map_are_drawn(wall: TestClient) -> None:
    svg = wall.get(f"{WALL}/picture.svg")
    assert svg.headers["content-type"] == "image/svg+xml"
    assert svg.text.startswith("<svg")
    png = wall.get(f"{WALL}/picture.png")
    picture = Image.open(io.BytesIO(png.content))
    quilt = quilt_of(wall)
    wide, long = float(quilt.size.width), float(quilt.size.length)
    assert picture.width / picture.height == pytest.approx(wide / long, rel=0.02)
    assert wall.get(f"{WALL}/picture.png?version=3").status_code == 404
    page = wall.get(WALL).text
    looks = re.findall(r'<img src="(/projects/1/arrange/look[^"]*)"', page)
    assert len(looks) > 15
    for look in looks:
        assert wall.get(look.replace("&amp;", "&")).text.startswith("<svg"), look
    assert wall.get(f"{WALL}/look?act=way&key=nothing").status_code == 404
    plan = wall.get(f"{WALL}/map").text
    assert ">4-5</text>" in plan
    assert plan.count("<li>") >= 20


def test_the_wall_shows_what_is_joined(wall: TestClient) -> None:
    page = wall.get(WALL).text
    key = re.search(r'value="(join-rows[^"]*)">row 1 is sewn', page)
    assert key
    page = act(wall, f"{WALL}/joined", key=key[1])
    assert "1 of 7 joins" in page
    page = act(wall, f"{WALL}/joined", joining="fours", key="")
    assert "four 1-1 is sewn" in page
    page = act(wall, f"{WALL}/joined", joining="rows", key=key[1])
    assert "0 of 7 joins" in page


def test_another_size_keeps_what_it_can_and_says_what_changed(wall: TestClient) -> None:
    act(wall, act="swap", places="1-1 4-4")
    before = {place: block for place, block, _ in listed(wall.get(WALL).text)}
    page = wall.get("/projects/1/size").text
    wall.post("/projects/1/grid", data={"revision": revision(page), "columns": "4", "rows": "4"})
    page = wall.get(WALL).text
    after = re.findall(r'<th scope="row">([\d-]+)</th><td class="number">(\d+)</td>', page)
    assert {place: before[place] for place, _ in after} == dict(after)
    # A plan that opens less fabric would deal other blocks: it waits to be taken.
    wall.get("/projects/1/size")
    assert "A plan that cuts into less fabric is ready" in wall.get(WALL).text
    wall.post("/projects/1/grid", data={"revision": revision(page), "columns": "6", "rows": "5"})
    page = wall.get(WALL).text
    assert re.search(r"The new plan changed \d+ spots", page)
    page = act(wall, act="seen")
    assert "The new plan changed" not in page


def test_windows_leave_plain_squares_between(wall: TestClient) -> None:
    page = wall.get(WALL).text
    assert re.search(r"leaves 10 blocks, needs [^;<]*yd[^;<]*of plain fabric; 5 × 5", page)
    page = act(wall, look="windows:")
    assert page.count('class="place"') == 10
    assert "remove plain blocks" in page
    assert "needs 10 more blocks" in page
    assert wall.get("/projects/1/size").text.count('value="alternate" selected') == 1


def test_a_photograph_of_the_real_wall_is_read_and_taken(wall: TestClient) -> None:
    quilt = quilt_of(wall)
    places, turns = list(quilt.kept.places), list(quilt.place_turns)
    places[0], places[7] = places[7], places[0]
    turns[12] = (turns[12] + 1) % 4
    kept = replace(quilt.kept, places=tuple(places), laying=Laying(tuple(turns)))
    room = Room((0.9, 0.75, 0.55), (0.2, 0.1), 0.03, 1.0, 4.0)
    picture, corners = photograph_of(replace(quilt, kept=kept), room, 4)
    sent = wall.post(f"{WALL}/real", files={"file": ("wall.jpg", picture)})
    assert sent.status_code == 200
    marks = "&".join(
        f"x{n}={100 * x:.2f}&y{n}={100 * y:.2f}" for n, (x, y) in enumerate(corners.points, 1)
    )
    page = wall.get(f"{sent.url}?{marks}").text
    assert "Swapped:</b> 1-1 and 2-3" in page
    assert "Turned a different way:</b> 3-3" in page
    assert re.search(r'class="figure">17</span> of 20', page)
    fields: dict[str, Any] = dict(mark.split("=") for mark in marks.split("&"))
    path = str(sent.url).removeprefix("http://127.0.0.1:8000")
    page = act(wall, path, **fields)
    assert listed(page)[0][1] == str((places[0] or 0) + 1)
    assert "laid out like the photo" in page
    # A picture of nothing, and corners that cross, are said to be such.
    crossed = wall.get(f"{sent.url}?x1=90&y1=90&x2=10&y2=10").text
    assert "Mark the corners in order" in crossed
    refused = wall.post(f"{WALL}/real", files={"file": ("wall.jpg", b"no picture")})
    assert refused.status_code == 422
    assert "isn't a JPEG" in refused.text


def test_threads_named_in_settings_are_proposed_on_the_wall(wall: TestClient) -> None:
    page = wall.get("/settings").text
    fields = {
        "revision": revision(page),
        "seam": "1/4",
        "usable_width": "42",
        "units": "in",
        "theme": "device",
        "paper": "letter",
    }
    refused = wall.post("/settings", data={**fields, "threads": "pewter"})
    assert refused.status_code == 422
    assert "a name and a code" in refused.text
    wall.post("/settings", data={**fields, "threads": "snow #ffffff\npewter #8a8f92"})
    assert "<b>pewter</b> blends best" in wall.get(WALL).text


def test_a_quilt_of_one_piece_has_nothing_to_arrange(client: TestClient) -> None:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    page = client.get("/projects/1/yield").text
    fields = {"revision": revision(page), "recipe": "stepped-rows", "seam": "1/4"}
    assert client.post("/projects/1/yield", data=fields).status_code == 200
    assert "sewn as one piece" in client.get(WALL).text
    assert "needs no map" in client.get(f"{WALL}/map").text
