"""A border for a centre that is already sewn: the sums, and every field that is wrong."""

import re

import pytest
from fastapi.testclient import TestClient


def test_the_worked_figures(client: TestClient) -> None:
    page = client.get("/border").text
    assert re.findall(r'class="figure">([^<]+)<', page) == ["3⅝″", "3⅞″"]
    assert "four of 3⅝ × 3⅞″" in page
    asked = "width=36+1/4&length=35+3/4&wanted_width=42.5&wanted_length=42+1/2&corners=mitred"
    page = client.get(f"/border?{asked}").text
    assert "two of 46½″" in page
    assert "four of" not in page


def test_keys_and_the_spacer_that_makes_them_fit(client: TestClient) -> None:
    """By hand: 48 x 61 finished, keys of 2: 48 + 2 and 61 + 1 are 25 and 31 keys."""
    page = client.get("/border?kind=keys&width=48+1/2&length=61+1/2&key=2&depth=3").text
    assert 'class="figure">112<' in page
    assert "sides 1½″, ends 1″" in page
    page = client.get("/border?kind=keys&width=48+1/2&length=60+1/2&key=3").text
    assert "none needed" in page


@pytest.mark.parametrize(
    ("asked", "says"),
    [
        ("width=40&length=40&wanted_width=39&wanted_length=50", "larger than the size you want"),
        ("width=many&length=40", "isn't a length"),
        ("width=40", "length"),
        ("width=40&length=40&seam=9", "seam"),
        ("kind=keys&width=20&length=20&key=30", "A piano key must be wider than 0"),
        ("width=40&length=40&corners=round", "corners"),
    ],
)
def test_what_cannot_be_is_said(client: TestClient, asked: str, says: str) -> None:
    answer = client.get(f"/border?{asked}")
    assert answer.status_code == 422
    assert says.casefold() in answer.text.casefold()


def test_it_is_reached_from_size_with_its_measures(client: TestClient) -> None:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    link = re.search(r'href="([^"]*/border\?[^"]+)"', client.get("/projects/1/size").text)
    assert link
    page = client.get(link[1].replace("&amp;", "&")).text
    assert "The top will measure 54½ × 66½″, and 54 × 66″ once bound" in page
