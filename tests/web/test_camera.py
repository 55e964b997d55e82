"""Prints from photographs by HTTP: chosen or sent, marked, taken; and what is no photograph."""

import io
import re
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from PIL import Image
from tests.undo_last import undo_shown

from kersey.web.server_settings import camera_folder

FAN = "fan-of-eight-strips.jpg"


def picture(*colours: str, kind: str = "PNG", size: int = 90) -> bytes:
    cloth = Image.new("RGB", (size, size), colours[0])
    for colour in colours[1:]:
        cloth.paste(colour, (size // 3, size // 3, 2 * size // 3, 2 * size // 3))
    out = io.BytesIO()
    cloth.save(out, kind)
    return out.getvalue()


def sent(client: TestClient, content: bytes, **fields: str) -> str:
    """The address of the page on which the photograph is marked."""
    files = {"file": ("cloth.png", content)}
    answer = client.post("/camera/photograph", data=fields, files=files)
    assert answer.status_code == 200, answer.text[:200]
    return str(answer.url)


def test_the_sample_pictures_are_shown_small(client: TestClient) -> None:
    page = client.get("/camera").text
    addresses = re.findall(r'src="(/camera/pictures/[^"]+)"', page)
    assert len(addresses) == len(list(camera_folder().glob("*.jpg"))) >= 5
    for address in addresses:
        small = Image.open(io.BytesIO(client.get(address).content))
        assert max(small.size) <= 320
        assert not small.getexif()


def test_a_fan_of_strips_becomes_a_lot(client: TestClient) -> None:
    chosen = client.post("/camera/choose", data={"name": FAN})
    line = {"mode": "fan", "left": "10", "top": "50", "right": "91", "bottom": "50"}
    page = client.get(chosen.url.path, params=line).text
    assert '<span class="figure">8</span> prints' in page
    names = re.findall(r'name="name-\d+" value="([^"]+)"', page)
    assert names[0] == "lamp red"
    assert len(set(names)) == 8
    taken = {**line, "line": "16 strips 2 1/2 x 42", "name-1": "ticket <i>", "leave-7": "yes"}
    lot = client.post(f"{chosen.url.path}/take", data=taken)
    assert lot.url.path == "/cupboard/lots/1"
    assert "ticket &lt;i&gt;" in lot.text
    assert "7 prints" in lot.text
    assert '<span class="figure">16</span> strips' in lot.text
    assert "data:image/jpeg;base64,/9j/" in lot.text, "the cloth itself is the swatch"
    undo_shown(client)
    assert client.get("/cupboard/lots/1").status_code == 404


def test_a_print_takes_its_looks_from_a_photograph(client: TestClient) -> None:
    client.post("/cupboard", data={"lines": "2 1/4 yd charcoal"})
    where = sent(client, picture("#e8e0d0", "#a02020"), lot="1", place="0")
    page = client.get(
        where,
        params={"lot": "1", "place": "0", "left": "5", "right": "95", "top": "5", "bottom": "95"},
    ).text
    assert "light, neutral" in page
    assert re.search(r"8\d%, neutral", page)
    before = client.get("/cupboard/lots/1").text
    assert "data:image" not in before, "nothing is kept before it is accepted"
    take = where.split("?")[0] + "/take"
    lot = client.post(take, data={"lot": "1", "place": "0", "value": "light", "motif": "dot"})
    assert "data:image/jpeg" in lot.text
    assert "1, light" in lot.text
    assert "charcoal" in lot.text


def test_the_kept_picture_is_upright_and_says_nothing_of_its_maker(client: TestClient) -> None:
    chosen = client.post("/camera/choose", data={"name": "fell-moss-held-sideways.jpg"})
    kept = client.get(f"{chosen.url.path}.jpg")
    shown = Image.open(io.BytesIO(kept.content))
    assert shown.width > shown.height
    assert not shown.getexif()


@pytest.mark.parametrize(
    ("content", "why"),
    [
        (b"", "isn't a JPEG"),
        (b"<svg/>", "isn't a JPEG"),
        (b"GIF89a" + b"\0" * 50, "isn't a JPEG"),
        (picture("#fff", kind="GIF"), "isn't a JPEG"),
        (picture("#fff", kind="BMP"), "isn't a JPEG"),
        (picture("#fff")[:60], "damaged"),
    ],
)
def test_what_is_no_photograph_changes_nothing(
    client: TestClient, content: bytes, why: str
) -> None:
    answer = client.post("/camera/photograph", files={"file": ("x.png", content)})
    assert answer.status_code == 422
    assert why in answer.text


def test_a_picture_too_large_is_refused(client: TestClient) -> None:
    wide = Image.new("1", (9000, 8000))
    out = io.BytesIO()
    wide.save(out, "PNG")
    answer = client.post("/camera/photograph", files={"file": ("x.png", out.getvalue())})
    assert "up to 60 megapixels" in answer.text
    heavy = client.post("/camera/photograph", files={"file": ("x.png", b"x" * 21_000_000)})
    assert heavy.status_code == 413


@pytest.mark.parametrize("name", ["../sample_world.py", "/etc/passwd", "", "none.jpg", "..%2Fx"])
def test_names_that_lead_out_of_the_camera_folder(client: TestClient, name: str) -> None:
    assert client.post("/camera/choose", data={"name": name}).status_code == 404
    assert client.get(f"/camera/pictures/{name}").status_code in {200, 404}


@pytest.mark.parametrize(
    "marks",
    [
        {"left": "50", "right": "50"},
        {"left": "wide"},
        {"right": "900"},
        {"mode": "fan", "left": "50", "right": "50", "top": "50", "bottom": "50"},
        {"mode": "fan", "strips": "99"},
        {"mode": "hat"},
    ],
)
def test_marks_that_mark_nothing(client: TestClient, marks: dict[str, str]) -> None:
    where = sent(client, picture("#e8e0d0", "#a02020"))
    page = client.get(where, params=marks)
    assert page.status_code == 200
    assert 'class="field-error"' in page.text
    taken = client.post(f"{where}/take", data={**marks, "line": "1 fat quarter"})
    assert taken.status_code == 422


def test_a_line_that_does_not_fit_the_prints(client: TestClient) -> None:
    where = sent(client, picture("#e8e0d0", "#a02020"))
    for line, why in (("three hats", "Kersey doesn't know"), ("", "")):
        answer = client.post(f"{where}/take", data={"line": line})
        assert answer.status_code == 422
        assert why in answer.text
    fan = {"mode": "fan", "strips": "4", "line": "2 fat quarters"}
    assert "Kersey found 4 prints" in client.post(f"{where}/take", data=fan).text
    everything = {**fan, **{f"leave-{n}": "yes" for n in range(4)}}
    assert "Keep at least one" in client.post(f"{where}/take", data=everything).text
    assert client.get("/cupboard").text.count("pulled for") == 0


def test_a_photograph_no_longer_at_hand(client: TestClient) -> None:
    assert client.get("/camera/at-hand/aaaaaaaaaaaaaaaa").status_code == 404
    first = sent(client, picture("#102030"))
    for _ in range(12):
        sent(client, picture("#102030"))
    assert client.get(first).status_code == 404


def test_a_camera_folder_that_is_not_there(client: TestClient, tmp_path: Path) -> None:
    client.app.state.workroom.camera = tmp_path / "gone"  # type: ignore[attr-defined]
    assert "No pictures in" in client.get("/camera").text
