"""Photographs of cloth: colours found, bad files refused, nothing written beside them kept."""

import io

import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image, ImageDraw

from kersey.core.cloth.colour import difference, lab
from kersey.formats.photograph import Crop, NotAPhotograph, study

GROUND, FIGURE = "#27385c", "#ccb765"


def photograph(kind: str = "PNG", size: tuple[int, int] = (300, 200), turn: int = 1) -> bytes:
    """A made-up cloth: a quarter of it stripes, on a table of another colour."""
    picture = Image.new("RGB", size, "#999999")
    draw = ImageDraw.Draw(picture)
    left, top, right, bottom = (
        round(s * f) for s, f in zip(size * 2, (0.1, 0.1, 0.9, 0.9), strict=True)
    )
    draw.rectangle((left, top, right, bottom), fill=GROUND)
    for x in range(left, right, 20):
        draw.rectangle((x, top, x + 4, bottom), fill=FIGURE)
    out = io.BytesIO()
    exif = Image.Exif()
    exif[0x0112] = turn
    picture.save(out, kind, exif=exif, quality=92) if kind != "PNG" else picture.save(out, kind)
    return out.getvalue()


def near(one: str, other: str) -> bool:
    return difference(lab(one), lab(other)) < 16


@pytest.mark.parametrize("kind", ["PNG", "JPEG", "WEBP"])
def test_ground_and_figure_are_found(kind: str) -> None:
    colours = study(photograph(kind)).colours
    assert near(colours[0].colour, GROUND)
    assert colours[0].share > 0.5
    assert 0.9 < sum(c.share for c in colours) <= 1 + 1e-9
    assert colours == study(photograph(kind)).colours


def test_the_crop_leaves_the_table_out() -> None:
    table = study(photograph(), Crop(0, 0, 0.08, 0.08)).colours
    assert near(table[0].colour, "#999999")
    assert table[0].share == 1


@pytest.mark.parametrize("turn", range(1, 9))
def test_pictures_are_turned_upright(turn: int) -> None:
    """The corner one crops is the corner one sees, however the camera was held."""
    picture = Image.new("RGB", (200, 100), "#ffffff")
    picture.paste("#aa2222", (0, 0, 100, 50))
    out = io.BytesIO()
    exif = Image.Exif()
    exif[0x0112] = turn
    picture.save(out, "JPEG", exif=exif, quality=95)
    corners = [
        Crop(0, 0, 0.4, 0.4),
        Crop(0.6, 0, 1, 0.4),
        Crop(0.6, 0.6, 1, 1),
        Crop(0, 0.6, 0.4, 1),
    ]
    red = [near(study(out.getvalue(), c).colours[0].colour, "#aa2222") for c in corners]
    seen = {1: 0, 2: 1, 3: 2, 4: 3, 5: 0, 6: 1, 7: 2, 8: 3}[turn]
    assert red == [place == seen for place in range(4)]


@pytest.mark.parametrize(
    ("content", "why"),
    [
        (b"", "isn't a JPEG"),
        (b"a shopping list", "isn't a JPEG"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'/>", "isn't a JPEG"),
        (b"GIF89a" + b"\0" * 50, "isn't a JPEG"),
        (photograph("JPEG")[:400], "damaged|isn't a JPEG"),
        (photograph("PNG")[:200], "damaged"),
        (b"\0" * (21 * 1024 * 1024), "up to 20 MB"),
    ],
)
def test_what_is_no_photograph_is_refused(content: bytes, why: str) -> None:
    with pytest.raises(NotAPhotograph, match=why):
        study(content)


def test_a_picture_that_unpacks_to_too_much_is_refused_before_it_does() -> None:
    out = io.BytesIO()
    Image.new("1", (9000, 9000)).save(out, "PNG")
    assert len(out.getvalue()) < 100_000
    with pytest.raises(NotAPhotograph, match="megapixels"):
        study(out.getvalue())


@pytest.mark.parametrize("crop", [(0, 0, 0, 0), (0.5, 0, 0.4, 1), (-1, 0, 1, 1), (0, 0, 2, 1)])
def test_crops_that_cannot_be(crop: tuple[float, float, float, float]) -> None:
    with pytest.raises(NotAPhotograph):
        Crop(*crop)


@given(st.integers(0, 0xFFFFFF))
def test_a_plain_cloth_is_one_colour(number: int) -> None:
    out = io.BytesIO()
    Image.new("RGB", (40, 40), f"#{number:06x}").save(out, "PNG")
    (colour,) = study(out.getvalue()).colours
    assert difference(lab(colour.colour), lab(f"#{number:06x}")) < 3


@given(st.binary(max_size=400))
def test_any_bytes_are_refused_in_a_sentence(content: bytes) -> None:
    with pytest.raises(NotAPhotograph) as refused:
        study(b"\x89PNG\r\n\x1a\n" + content)
    assert str(refused.value).endswith(".")
