"""Finish: borders measured, layers held, stitching drawn, the edge followed, and what is kept."""

import re
import shutil
from pathlib import Path

from fastapi.testclient import TestClient
from PIL import Image
from tests.web.test_size import HTMX, USUAL
from tests.web.test_wrong import begun, revision

MEASURED = re.compile(r'measure-said[^>]*">([^<]+)<')


def bordered(client: TestClient) -> str:
    """A quilt with a border of 3."""
    project = begun(client)
    page = client.get(f"{project}/size").text
    client.post(f"{project}/size/frame", data={"revision": revision(page)})
    page = client.get(f"{project}/size").text
    said = {"revision": revision(page), "border_width": "3"}
    client.post(f"{project}/border", data=said)
    return project


def test_borders_follow_three_readings(client: TestClient) -> None:
    project = bordered(client)
    page = client.get(f"{project}/finish").text
    assert "The border" in page
    (expected,) = re.findall(r"Across, edge to edge</b> <span[^>]*>([\d½¼¾]+)″", page)
    # Three readings of which the largest is too large by far.
    whole = int(re.sub(r"\D.*", "", expected))
    wide = {"read_0": f"{whole}", "read_1": f"{whole} 1/4", "read_2": f"{whole} 1/8"}
    said = {"revision": revision(page), "border": "0", "axis": "0"} | wide
    page = client.post(f"{project}/finish/sides", data=said).text
    assert f"cut {whole}⅛″" in MEASURED.findall(page)[0]
    assert "Ease it in" in page
    assert "from your border measurements" in page
    # Cut to reach the size, the side borders are wider than the others.
    page = client.post(
        f"{project}/finish/widths", data={"revision": revision(page), "own_width": "true"}
    ).text
    assert "to the size" in page
    said = {"revision": revision(page), "border": "0", "axis": "0", "read_0": f"{whole + 1}"}
    page = client.post(f"{project}/finish/sides", data=said).text
    assert "Fix the seams" in page
    assert (
        client.post(
            f"{project}/finish/sides", data={**said, "revision": revision(page), "read_0": "long"}
        ).status_code
        == 422
    )


def test_layers_and_stitching_are_chosen(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/finish/layers").text
    assert re.search(r"\d+ × \d+ = \d+ pins", page)
    said = {
        "revision": revision(page),
        "holding": "a pressing sheet",
        "reach": "4",
        "bears_heat": "no",
        "apart": "3",
    }
    page = client.post(f"{project}/finish/layers", data=said).text
    assert "can't take an iron" in page
    page = client.get(f"{project}/finish/quilting").text
    assert "more than the 3″ the batting allows" in page
    said = {"revision": revision(page), "pattern": "diagonals", "distance": "2", "crossed": "true"}
    page = client.post(f"{project}/finish/quilting", data=said).text
    assert "within the 3″ the batting allows" in page
    assert "3 turns of the quilt" in page
    said = {"revision": revision(page), "pattern": "ties", "distance": "0"}
    assert client.post(f"{project}/finish/quilting", data=said).status_code == 422
    page = client.post(f"{project}/finish/quilting", data=said | {"distance": "4"}).text
    assert " ties</p>" in page


def test_layers_are_drawn_of_what_is_pulled_for_them(client: TestClient) -> None:
    for line in ("2 pieces 36 x 64, 1 print", "2 batting 36 x 64", "3 yd backing 108 wide"):
        client.post("/cupboard", data={"lines": line})
    project = begun(client)
    page = client.get(f"{project}/finish/layers").text
    assert "of fabric" in page
    assert "″ package" in page

    def pulled(part: str, thrift: str) -> str:
        said = {
            "revision": revision(client.get(f"{project}/size/backing").text),
            "part": part,
            "thrift": thrift,
        }
        assert client.post(f"{project}/size/backing/pieces", data=said).status_code == 200
        return str(client.get(f"{project}/finish/layers").text)

    assert "2 pulled pieces, butted" in pulled("batting", "fewest seams")
    assert "One pulled piece covers it" in pulled("backing", "fewest seams")
    assert "2 pieces in rows, 1 seam." in pulled("backing", "least cloth")


def test_the_edge_follows_what_was_measured_after_quilting(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/finish/edge").text
    assert "as planned" in page
    said = {"revision": revision(page), "what": "quilted", "width": "40 1/2", "length": "50"}
    page = client.post(f"{project}/finish/size", data=said).text
    assert ">40½ × 50″<" in page
    assert "measured after quilting" in page
    assert "191″" in page
    while "farther" in page:
        moved = re.search(r'name="start" value="([^"]+)"><input[^>]*value="(\w+)"', page)
        assert moved
        said = {"revision": revision(page), "start": moved[1], "to_the_right": moved[2]}
        page = client.post(f"{project}/finish/edge", data=said).text
    assert "No join falls on a corner" in page
    page = client.post(f"{project}/finish/step", data={"key": "trim"}).text
    assert 'aria-pressed="true"' in page
    page = client.post(f"{project}/finish/step", data={"key": "trim", "done": "false"}).text
    assert 'aria-pressed="true"' not in page


def test_a_finished_quilt_keeps_what_is_said_of_it(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/finish/after").text
    said = {
        "revision": revision(page),
        "finished_on": "2026-03-01",
        "for_whom": "the crew hut",
        "label": "",
        "label_width": "10 cm",
        "care": "Wash cool.",
    }
    page = client.post(f"{project}/finish/after", data=said).text
    assert "for the crew hut" in page
    label = client.get(f"{project}/finish/label.svg")
    assert label.headers["content-type"].startswith("image/svg+xml")
    # 10 cm are 3.937 inches.
    assert 'width="3.937in"' in label.text
    assert "for the crew hut" in label.text
    assert "finished Mar 1, 2026" in page
    said = {"revision": revision(page), "what": "washed", "width": "40", "length": "40"}
    page = client.post(f"{project}/finish/size", data=said).text
    assert "It shrank" in page
    # It was never measured before the wash, so nothing is learned of it for other quilts.
    assert "After washing, about" not in client.get(f"{project}/size").text
    everything = client.get("/everything.json").json()
    assert everything["projects"][0]["finishing"]["for_whom"] == "the crew hut"
    assert "Total" in page
    kept = client.get(f"{project}/finish/kept.html")
    assert kept.headers["content-disposition"].startswith("attachment")
    assert "the crew hut" in kept.text
    # It needs nothing else: no address but the name of SVG.
    addresses = set(re.findall(r"https?://[^\"\' )]+", kept.text))
    assert addresses <= {"http://www.w3.org/2000/svg"}
    assert not re.search(r'(?:src|href)="(?!data:|#)', kept.text)
    picture = client.get(f"{project}/finish/kept.png").content
    assert picture.startswith(b"\x89PNG")


def test_what_the_wash_takes_is_learned_for_the_next_quilt(client: TestClient) -> None:
    first, second = begun(client), begun(client)
    for what, width, length in (("quilted", "40", "50"), ("washed", "38", "47 1/2")):
        page = client.get(f"{first}/finish/edge").text
        said = {"revision": revision(page), "what": what, "width": width, "length": length}
        assert client.post(f"{first}/finish/size", data=said).status_code == 200
    # Bound it was as large as its trimmed top, 40 x 50: 2 and 2 1/2 are 5 % each way.
    for page in (f"{second}/finish/after", f"{second}/size"):
        told = client.get(page).text
        assert "the quilt you measured shrank about 5.0% in width and 5.0% in length" in told
    client.post(f"{first}/delete")
    assert "After washing, about" not in client.get(f"{second}/size").text


def test_photographs_are_kept_by_their_names(tmp_path: Path, client: TestClient) -> None:
    project = begun(client)
    camera = tmp_path / "camera"
    camera.mkdir()
    for name, colour in (("front.png", "red"), ("back.png", "navy")):
        Image.new("RGB", (40, 30), colour).save(camera / name)
    client.app.state.workroom.camera = camera  # type: ignore[attr-defined]
    for name in ("front.png", "back.png"):
        page = client.get(f"{project}/finish/after").text
        said = {"revision": revision(page), "name": name, "kept": "true"}
        page = client.post(f"{project}/finish/photograph", data=said).text
        assert f'Remove photo<span class="visually-hidden"> {name}' in page
    kept = client.get(f"{project}/finish/kept.html").text
    assert kept.count('src="data:image/png;base64,') == 2
    said = {"revision": revision(page), "name": "front.png"}
    page = client.post(f"{project}/finish/photograph", data=said).text
    assert 'Keep photo<span class="visually-hidden">: front.png' in page
    for number in range(61):
        Image.new("RGB", (4, 3), "green").save(camera / f"newer{number}.png")
    (camera / "back.png").unlink()
    page = client.get(f"{project}/finish/after").text
    assert 'alt="Photo of the quilt: back.png"' in page
    assert client.get("/camera/kept/back.png").status_code == 200
    Image.new("RGB", (40, 30), "gray").save(camera / "back.png")
    said = {"revision": revision(page), "name": "back.png", "kept": "true"}
    page = client.post(f"{project}/finish/photograph", data=said).text
    assert "Photo of the quilt: back-2.png" in page
    shutil.rmtree(tmp_path / "photographs")
    (camera / "back.png").unlink()
    assert "is no longer in the folder" in client.get(f"{project}/finish/after").text
    said = {"revision": revision(page), "name": "../kersey.db", "kept": "true"}
    assert client.post(f"{project}/finish/photograph", data=said).status_code == 404


# By hand: quilted to 40 x 52 first, D = 8 makes the backing 48 x 60; turned it is 43 1/2 x 55 1/2.
def test_a_turned_frame_is_backed_as_the_quilted_top_measures(client: TestClient) -> None:
    project = begun(client)
    turned = USUAL | {"revision": revision(client.get(f"{project}/size").text)}
    turned |= {"edge_style": "turned", "edge_shows": "2"}
    client.post(f"{project}/size/frame", data=turned, headers=HTMX)
    page = client.get(f"{project}/finish/edge").text
    said = {"revision": revision(page), "what": "quilted", "width": "40", "length": "52"}
    edge = client.post(f"{project}/finish/size", data=said).text
    assert "48 × 60″" in edge
    assert ">43½ × 55½″<" in edge
    layers = client.get(f"{project}/finish/layers").text
    assert ">48 × 60″<" in layers
    assert "Lay the batting on a table" in layers
    assert "Quilt the top and the batting only" in client.get(f"{project}/finish/quilting").text
    said = {"revision": revision(layers), "holding": "safety pins", "reach": "4"}
    first = client.post(f"{project}/finish/layers", data=said | {"turned_way": "turned first"}).text
    assert "Sew the backing to the top first" in first
    assert "Quilt or tie through all layers" in client.get(f"{project}/finish/edge").text
