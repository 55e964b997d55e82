"""What the Yield page refuses is shown at its field, beside the answer to the question before."""

import re
from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient
from tests.web.conftest import client_for

HTMX = {"hx-request": "true"}


def revision(client: TestClient) -> str:
    page = client.get("/projects/1/yield/block").text
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    return found[1]


@pytest.fixture(scope="module")
def cabin(tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """Log cabins of quarters, already searched for; what is refused changes nothing of them."""
    with client_for(tmp_path_factory.mktemp("cabin")) as client:
        client.post("/projects", data={"line": "2 light, 2 dark fat quarters"})
        for _ in range(2):
            client.post("/projects/1/yield", data=choices(client))
        yield client
    client.app.state.workroom.engine.dispose()  # type: ignore[attr-defined]


def choices(client: TestClient, **typed: str) -> dict[str, str]:
    usual = {
        "recipe": "log-cabin",
        "seam": "1/4",
        "finished_width": "9 1/2",
        "by_value": "true",
        "option_rounds": "3",
        "option_centre": "2 1/2",
    }
    return usual | {"revision": revision(client)} | typed


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("finished_width", "ten", "“ten” isn't a length"),
        ("finished_width", "0", "Type a size larger than 0"),
        ("finished_width", "1", "It must be larger than the center by itself"),
        ("seam", "x", "“x” isn't a length"),
        ("seam", "3", "A seam allowance can be up to 1″"),
        ("option_rounds", "2.5", "It must be a whole number, like 3"),
        ("option_rounds", "40", "It must be a whole number from 1 to 12"),
        ("option_centre", "wide", "It must be a length, like 1 1/2"),
        ("option_centre", "0.1", "It must be a length over ½″"),
    ],
)
def test_an_error_stands_at_its_field_and_the_answer_is_marked(
    cabin: TestClient, field: str, typed: str, says: str
) -> None:
    # Of a page and of a fragment one in turn: both are made by the same words.
    headers = HTMX if len(typed) % 2 else {}
    data = choices(cabin, **{field: typed})
    answer = cabin.post("/projects/1/yield", data=data, headers=headers)
    assert answer.status_code == 422
    assert f'value="{typed}"' in answer.text
    place = answer.text.index(f'id="{field}-error"')
    assert says in answer.text[place : place + 300]
    assert "for your last settings" in answer.text
    mended = cabin.post("/projects/1/yield", data=choices(cabin), headers=headers)
    assert mended.status_code == 200
    assert f'id="{field}-error"' not in mended.text
    assert "the question before" not in mended.text


def test_pieces_of_ones_own_are_refused_in_words(client: TestClient) -> None:
    client.post("/projects", data={"line": "2 fat quarters"})
    client.post("/projects/1/yield", data=choices(client, recipe="pieces"))
    for typed, says in (
        ("", "Type at least one piece"),
        ("many A", "Line 1, “many A”"),
        ("2 A light 2 x 3\nsame shade", "No piece uses “shade”. This block uses light."),
    ):
        data = choices(client, recipe="pieces", pieces=typed)
        answer = client.post("/projects/1/yield", data=data, headers=HTMX)
        assert answer.status_code == 422
        assert says in answer.text
        assert "block.pieces" not in answer.text


def test_windows_and_sills_take_fractions(client: TestClient) -> None:
    client.post("/projects", data={"line": "4 fat quarters"})
    brick = {
        "recipe": "window-brick",
        "seam": "1/4",
        "finished_width": "6 1/2",
        "finished_height": "10",
        "option_windows": "3",
        "option_window": "1 1/2",
        "option_sill": "3/4",
    }
    for _ in range(2):
        answer = client.post("/projects/1/yield", data=brick | {"revision": revision(client)})
        assert answer.status_code == 200
    page = client.get("/projects/1/yield/block").text
    assert 'name="option_window" value="1½″"' in page
    assert 'name="option_sill" value="¾″"' in page
