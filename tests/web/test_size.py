"""Size: what parts, frames and finishes a quilt; and whole quilts, found and taken."""

import re

import pytest
from fastapi.testclient import TestClient

HTMX = {"HX-Request": "true"}
USUAL = {"binding_width": "2 1/2", "binding_source": "left", "margin": "2", "usable_width": "42"}


@pytest.fixture
def sized(client: TestClient) -> TestClient:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    return client


def revision(client: TestClient) -> str:
    found = re.search(r'name="revision" value="(\d+)"', client.get("/projects/1/size").text)
    assert found
    return found[1]


def finish(client: TestClient, **typed: str) -> str:
    data = USUAL | {"revision": revision(client)} | typed
    answer = client.post("/projects/1/size/frame", data=data, headers=HTMX)
    assert answer.status_code == 200
    return str(answer.text)


def test_sashing_and_borders_reach_the_sheet(sized: TestClient) -> None:
    """By hand: 7 x 9 blocks of 6 with sashing 2 are 54 x 70; 54 upright and 56 across of 6 1/2."""
    grid = {"grid": "7x9", "revision": revision(sized)}
    sized.post("/projects/1/grid", data=grid, headers=HTMX)
    page = finish(
        sized,
        sashing_width="2",
        sashing_kind="cornerstones",
        border_width="1",
        outer_1="4",
        corners="mitred",
    )
    assert ">64 × 80<" in page
    assert "110 of 6½" in page
    assert "48 cornerstones" in page
    sheet = sized.get("/projects/1/cut").text
    assert "wide for the sashing" in sheet
    assert "Cut 48 2½″ squares for the cornerstones" in sheet
    assert "wide for the second border" in sheet
    assert "Fold the miters" in sheet
    assert "Press toward the sashing" in sheet


@pytest.mark.parametrize(
    ("style", "size", "says"),
    [
        ("turned", "58 × 70", "Turn the backing to make a frame"),
        ("folded-backing", "54½ × 66½", "It covers ½″ of the top all around"),
        ("bias", "54 × 66", "on the bias"),
        ("single-fold", "54 × 66", "wide for the binding"),
    ],
)
def test_every_edge_says_the_size_it_makes(
    sized: TestClient, style: str, size: str, says: str
) -> None:
    page = finish(sized, edge_style=style)
    assert f">{size}<" in re.sub(r"\s+", " ", page)
    assert says in sized.get("/projects/1/cut").text


def test_an_edge_that_cannot_be_is_said_at_its_field(sized: TestClient) -> None:
    data = USUAL | {"revision": revision(sized), "binding_width": "9"}
    answer = sized.post("/projects/1/size/frame", data=data, headers=HTMX)
    assert answer.status_code == 422
    assert "Binding strips can be 1½″ to 4″ wide" in answer.text
    assert 'id="binding_width-error"' in answer.text


def test_quilts_are_held_beside_each_other_and_weighed_anew(sized: TestClient) -> None:
    revision(sized)
    whole_quilts(sized)
    four = "/projects/1/size/quilts?beside=1-3-1-4"
    assert sized.get(four).status_code == sized.get(four[:-2] + "x").status_code == 404
    page = sized.get("/projects/1/size/quilts?beside=1-3-4").text
    assert re.findall(r'aria-label="Quilt (\d)"', page) == ["2", "4", "5"]
    assert page.count("Stop comparing") == 3
    assert "Compare</a>" not in page
    # Only the size counts: the first is the largest of all.
    weights = "use=0&fit=0&shape=0&look=0&buying=0&size=7"
    page = sized.get(f"/projects/1/size/quilts?{weights}").text
    assert 'name="size" type="number" min="0" max="100" value="100"' in page
    page = whole_quilts(sized, weights)
    sides = re.findall(r'class="measures"><b>\d</b> (\d+)[^×<]*× (\d+)', page)[1:]
    areas = [int(width) * int(length) for width, length in sides]
    assert areas[0] == max(areas)
    assert sized.get("/projects/1/size/quilts?use=101").status_code == 404


def test_a_block_may_change_its_size(client: TestClient) -> None:
    client.post("/projects", data={"line": "3 fat quarters"})
    page = whole_quilts(client, "any_size=1")
    other = re.search(r"<b>(\d)</b> [^<]+</p>\s*<p>\d+ × \d+ blocks of ([\d½]+) ×", page)
    assert other
    data = {"number": str(int(other[1]) - 1), "any_size": "1", "revision": revision(client)}
    answer = client.post("/projects/1/size/quilts", data=data, follow_redirects=False)
    assert answer.headers["location"].endswith("/size")
    assert "This is your quilt now" in whole_quilts(client, "any_size=1")
    assert f'value="{other[2]}″"' in client.get("/projects/1/yield").text


def whole_quilts(client: TestClient, wanted: str = "") -> str:
    """The page once every quilt is found."""
    page, seen = client.get(f"/projects/1/size/quilts?{wanted}"), 0
    while "Looking for more" in page.text:
        found = re.search(r"seen=(\d+)", page.text)
        seen = int(found[1]) if found else seen
        page = client.get(f"/projects/1/size/quilts?seen={seen}&{wanted}", headers=HTMX)
    return str(page.text)


def test_a_whole_quilt_is_taken_as_it_hangs(sized: TestClient) -> None:
    revision(sized)
    page = whole_quilts(sized)
    assert page.count("Use this quilt") == 1
    assert page.count("Compare</a>") >= 6
    sizes = re.findall(r'class="measures"><b>(\d)</b> ([^<]+)<', page)
    assert [number for number, _ in sizes] == ["1", *(str(n) for n in range(1, 9))]
    data = {"number": "0", "revision": revision(sized)}
    sized.post("/projects/1/size/quilts", data=data)
    width, length = sizes[0][1].rstrip("″").split(" × ")
    assert f">{width} × {length}<" in sized.get("/projects/1/size").text
    assert "This is your quilt now" in whole_quilts(sized)
    far = {"number": "99", "revision": revision(sized)}
    answer = sized.post("/projects/1/size/quilts", data=far, follow_redirects=False)
    assert answer.headers["location"].endswith("/size/quilts")


def test_a_border_of_keys_has_the_spacer_that_makes_them_fit(sized: TestClient) -> None:
    """By hand: 7 x 9 blocks of 6 are 42 x 54; keys of 4 need 11 and 14, spacers of 1 each way."""
    grid = {"grid": "7x9", "revision": revision(sized)}
    sized.post("/projects/1/grid", data=grid, headers=HTMX)
    page = finish(sized, border_width="3", key="4")
    assert ">50 × 62<" in page
    assert (
        "50 piano keys, 4½ × 3½″; spacer strips 1½″ for the sides, 1½″ for top and bottom" in page
    )
    sheet = sized.get("/projects/1/cut").text
    assert "First add the spacer strips: two of 1½ × 54½″ for the sides" in sheet
    assert "<dt>Spacer</dt>" in sheet
    assert (
        "Piano keys can be"
        in sized.post(
            "/projects/1/size/frame",
            data=USUAL | {"key": "13", "revision": revision(sized)},
            headers=HTMX,
        ).text
    )


def test_prints_of_the_cupboard_are_tried_and_one_is_used(sized: TestClient) -> None:
    lines = "1 yd rust\n1/2 yd ivory\n2 yd navy\n3 ten-inch squares"
    assert sized.post("/cupboard", data={"lines": lines}).status_code == 200
    finish(sized, border_width="3")
    page = sized.get("/projects/1/size/tryouts").text
    assert "Prints 1 to 3 of 3" in page
    assert page.count("near-patch") == 4  # three that are tried, and the border as it is now
    ivory = page[page.index("ivory") :]
    # Half a yard gives five of the six strips of 3 1/2.
    assert "⅛ yd short" in ivory[: ivory.index("Use this fabric")]
    form = re.search(r'name="lot" value="(\d+)"><input[^>]*name="place" value="(\d+)"', page)
    assert form
    name = re.search(r"<h2>([^<]+)</h2>", page)
    assert name
    data = {"part": "border", "lot": form[1], "place": form[2], "revision": revision(sized)}
    answer = sized.post("/projects/1/size/tryouts", data=data)
    assert name[1] in answer.text
    # It is pulled now, so it is free no more.
    assert "Prints 1 to 2 of 2" in sized.get("/projects/1/size/tryouts").text
    again = sized.post("/projects/1/size/tryouts", data=data | {"revision": revision(sized)})
    assert again.status_code == 422
    assert "free anymore" in again.text


def test_a_backing_is_pieced_of_what_is_there(sized: TestClient) -> None:
    page = sized.get("/projects/1/size/backing").text
    assert page.count("backing-drawing") == 3
    lines = "2 yd navy\n2 yd rust\nbatting 45 x 60\nbatting 40 x 72"
    sized.post("/cupboard", data={"lines": lines})
    page = sized.get("/projects/1/size/backing").text
    assert "2 pieces, 1 seam: " in page
    assert "Batting from your stash" in page
    data = {"part": "backing", "thrift": "fewest seams", "revision": revision(sized)}
    page = sized.post("/projects/1/size/backing/pieces", data=data).text
    assert "In use." in page
    sheet = sized.get("/projects/1/cut").text
    assert "Piece the backing, 58½ × 70½″, from your stash" in sheet
    assert "<dt>Backing</dt>" not in sheet
    data = {"part": "batting", "thrift": "fewest seams", "revision": revision(sized)}
    sized.post("/projects/1/size/backing/pieces", data=data)
    assert "<dt>Batting</dt>" not in sized.get("/projects/1/cut").text
    data = {"way": "wide", "revision": revision(sized)}
    sized.post("/projects/1/size/backing", data=data)
    assert 'value="wide" selected' in sized.get("/projects/1/size").text


def test_spare_blocks_are_let_into_the_backing(sized: TestClient) -> None:
    """By hand: 6 x 7 blocks of 6 are 36 x 42, the backing 40 1/2 x 46 1/2. It fits one width; with
    a margin of 4 it is 44 1/2 x 50 1/2, and a strip of nine blocks spares the second."""
    grid = {"grid": "6x7", "revision": revision(sized)}
    sized.post("/projects/1/grid", data=grid, headers=HTMX)
    finish(sized, border_width="0", margin="4")
    page = sized.get("/projects/1/size/backing").text
    assert "With a row of spare blocks" in page
    assert "9 spare blocks" in page
    data = {"way": "let-in", "revision": revision(sized)}
    assert "In use." in sized.post("/projects/1/size/backing", data=data).text
    assert "sew a row of 9 spare blocks" in sized.get("/projects/1/cut").text


def test_another_edge_begins_at_its_own_width(sized: TestClient) -> None:
    finish(sized, edge_style="turned", edge_shows="2")
    # As the form stands there, but for the edge: the frame's 2 inches are nobody's wish for it.
    page = finish(sized, edge_style="folded-backing", edge_shows="2")
    assert re.search(r'name="edge_shows"[^>]*value="½″"', page)
    page = finish(sized, edge_style="single-fold", edge_shows="1/2")
    assert re.search(r'name="binding_width"[^>]*value="1¼″"', page)
