"""Draws the sample pictures of the camera folder: cloth as a phone sees it, light and grain."""

import random
from pathlib import Path

from PIL import Image, ImageDraw, ImageFilter

FOLDER = Path(__file__).parent.parent / "src" / "kersey" / "demo" / "camera"
SIZE = (1280, 960)
TABLE = "#8a7561"
ROLL = (
    ("#a3342d", "#ecd6b5"),
    ("#efe7d3", "#b0603f"),
    ("#2f5d48", "#cfdcc0"),
    ("#c1892f", "#70481a"),
    ("#27385c", "#ccb765"),
    ("#cdc8bc", "#726d66"),
    ("#3d7276", "#cfe2dc"),
    ("#dfbf74", "#8a5b22"),
)


def main() -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    _keep(_fan(ROLL), "fan-of-eight-strips.jpg")
    _keep(_fan(ROLL[2:7]).rotate(-7, Image.Resampling.BICUBIC, fillcolor=TABLE), "fan-askew.jpg")
    _keep(_cloth("#27385c", "#d8c37a", _spots), "night-blue-spot.jpg")
    _keep(_cloth("#efe7d3", "#a3342d", _stripes), "ticket-stripe-on-the-table.jpg")
    sideways = _cloth("#84976a", "#33503a", _blotches).rotate(90, expand=True)
    exif = Image.Exif()
    exif[0x0112] = 6
    _keep(sideways, "fell-moss-held-sideways.jpg", exif)


def _fan(roll: tuple[tuple[str, str], ...]) -> Image.Image:
    picture, draw = _table()
    wide = 1060 // len(roll)
    for n, (ground, figure) in enumerate(roll):
        left, top = 110 + n * wide, 110 + (n % 2) * 24
        draw.rectangle((left, top, left + wide - 5, top + 700), fill=ground)
        for mark in range(14):
            x = left + wide * (0.25 + 0.5 * (mark % 2))
            y = top + 28 + mark * 48
            draw.ellipse((x - 7, y - 7, x + 7, y + 7), fill=figure)
    return picture


def _cloth(ground: str, figure: str, pattern: object) -> Image.Image:
    picture, draw = _table()
    draw.rectangle((200, 130, 1080, 830), fill=ground)
    pattern(draw, figure)  # type: ignore[operator]
    return picture


def _spots(draw: ImageDraw.ImageDraw, figure: str) -> None:
    for row in range(12):
        for column in range(15):
            x, y = 225 + column * 58 + (row % 2) * 29, 155 + row * 58
            draw.ellipse((x - 11, y - 11, x + 11, y + 11), fill=figure)


def _stripes(draw: ImageDraw.ImageDraw, figure: str) -> None:
    for n in range(14):
        draw.rectangle((214 + n * 62, 130, 236 + n * 62, 830), fill=figure)


def _blotches(draw: ImageDraw.ImageDraw, figure: str) -> None:
    chance = random.Random(5)
    for _ in range(60):
        x, y = chance.randint(210, 1020), chance.randint(140, 780)
        draw.ellipse((x, y, x + chance.randint(20, 60), y + chance.randint(20, 50)), fill=figure)


def _table() -> tuple[Image.Image, ImageDraw.ImageDraw]:
    picture = Image.new("RGB", SIZE, TABLE)
    return picture, ImageDraw.Draw(picture)


def _keep(picture: Image.Image, name: str, exif: Image.Exif | None = None) -> None:
    """Light falls off to one corner, threads and the lens blur a little, the sensor has grain."""
    light = Image.linear_gradient("L").rotate(60, expand=False).resize(picture.size)
    dim = Image.eval(picture, lambda level: int(level * 0.8))
    lit = Image.composite(picture, dim, light).filter(ImageFilter.GaussianBlur(1.2))
    random.seed(1)
    grain = Image.effect_noise(picture.size, 14).convert("RGB")
    seen = Image.blend(lit, grain, 0.05)
    seen.save(FOLDER / name, "JPEG", quality=72, exif=exif or Image.Exif())


if __name__ == "__main__":
    main()
