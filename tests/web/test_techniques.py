"""Techniques that make one whole piece, by HTTP: from the wall to the sheet."""

import re

import pytest
from fastapi.testclient import TestClient
from tests.web.test_pages import revision, start

ROLL = "roll of 40 strips, 20 prints"


def take(client: TestClient, number: int, recipe: str) -> None:
    """Choose it without looking."""
    data = {"recipe": recipe, "seam": "1/4", "by_value": "true", "revision": "1"}
    answer = client.post(f"/projects/{number}/yield", data=data, follow_redirects=False)
    assert answer.status_code == 303, recipe


@pytest.mark.parametrize(
    ("line", "recipe", "unit", "sheet"),
    [
        (ROLL, "bargello", "columns", "Open each ring at the listed seam"),
        (ROLL, "quilt-as-you-go", "strips", "Sew each next strip through all layers"),
        (ROLL, "stepped-rows", "rows", "Cut each bar in half"),
        ("36 strips 1 1/2 x 30, 12 prints", "string", "blocks", "Place the middle string across"),
        ("60 pieces 4 x 5, 10 prints", "made-fabric", "blocks", "into one sheet"),
    ],
)
def test_one_whole_piece_from_the_wall_to_the_sheet(
    client: TestClient, line: str, recipe: str, unit: str, sheet: str
) -> None:
    number = start(client, line)
    take(client, number, recipe)
    page = client.get(f"/projects/{number}/yield/block").text
    assert re.search(rf'<span class="figure">\d+</span> {unit}', page)
    assert "sewn into one piece of" in page
    assert "About this block" in page
    if recipe == "made-fabric":
        assert "Estimated: " in page
    size = client.get(f"/projects/{number}/size").text
    assert "It is one piece." in size
    cut = client.get(f"/projects/{number}/cut").text
    assert sheet in cut
    assert "One piece, " in cut
    assert "All 1 kits" not in cut
    assert "1 1 " not in re.sub(r"<[^>]+>", "", cut)
    if recipe == "bargello":
        assert cut.count("<td>nests</td>") == 37
        # 38 columns of one piece of every strip of a tube.
        assert all(said in page for said in ("2½ × 1¼″ to 3″", ">20</td>", ">760</td>"))
    if recipe == "quilt-as-you-go":
        assert "1½ × 42″</td>" in page


def test_the_wave_is_edited_and_the_piece_follows(client: TestClient) -> None:
    number = start(client, ROLL)
    take(client, number, "bargello")
    wide = client.get(f"/projects/{number}/yield/block").text
    assert "Open at strip" in wide
    fields = {
        "recipe": "bargello",
        "seam": "1/4",
        "option_strips": "12",
        "option_strip": "2 1/2",
        "option_narrowest": "1 1/2",
        "option_widest": "2 1/2",
        "option_step": "1/2",
        "option_repeats": "2",
        "option_method": "alternate",
    }
    address = f"/projects/{number}/yield"
    client.post(address, data=fields | {"revision": revision(client, number)})
    page = client.get(f"{address}/block").text
    # 1 1/2, 2, 2 1/2, 2: two waves of four, 8 inches cut each, less a half a column.
    assert '<span class="figure">8</span> columns' in page
    assert "sewn into one piece of <b>12 × 24″</b>" in page
    larger = fields | {"wave": "widest up", "revision": revision(client, number)}
    client.post(address, data=larger)
    # 1 1/2 to 3 and back: two waves of six, 13 1/2 cut each, less a half a column.
    assert "sewn into one piece of <b>21 × 24″</b>" in client.get(f"{address}/block").text
    wrong = fields | {"option_widest": "1", "revision": revision(client, number)}
    refused = client.post(address, data=wrong)
    assert refused.status_code == 422
    assert "at least as wide as the narrowest" in refused.text


def test_squares_of_tubes_need_their_accent(client: TestClient) -> None:
    number = start(client, "roll of 40 strips, 20 prints")
    take(client, number, "tube-triangles")
    page = client.get(f"/projects/{number}/yield/block").text
    assert '<span class="figure">0</span> squares' in page
    pull = client.get(f"/projects/{number}/pull").text
    assert 'data-role="accent"' in pull
    assert 'data-role="window"' not in pull
