"""Photographs of a design wall, drawn: a quilt's blocks as they hang there, seen by a phone.

The blocks are drawn in their prints without the frame of the quilt, then seen aslant, in the cast
and the falling light of a room, out of focus and with the grain of a small camera.
"""

import io
from dataclasses import dataclass
from random import Random

import numpy as np
from PIL import Image, ImageFilter

from kersey.core.frame.setting import Setting
from kersey.core.quilt.body import anchor_in_body
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.quilt import draw_body
from kersey.formats.picture import png_of
from kersey.formats.straighten import Corners, linear, projection

_WALL = (196, 200, 200)
_SIZE = (1400, 1100)


@dataclass(frozen=True)
class Room:
    """How a photograph is taken: the cast of each channel and how much light falls off across and
    down, how far the picture's corners are aslant and marked off (shares of the picture), blur and
    grain in pixels and levels, and how carelessly blocks hang (shares of a block)."""

    cast: tuple[float, float, float] = (1.0, 1.0, 1.0)
    falls: tuple[float, float] = (0.0, 0.0)
    tilt: float = 0.0
    blur: float = 0.0
    grain: float = 0.0
    off: float = 0.0
    careless: float = 0.0


def room_by_lot(seed: int) -> Room:
    """A room as there are many: lamp light or a cloudy day, a hand that shakes."""
    lots = Random(seed)
    warm = lots.uniform(-0.22, 0.22)
    bright = lots.uniform(0.55, 0.95)
    return Room(
        (bright * (1 + warm), bright * lots.uniform(0.94, 1.04), bright * (1 - warm)),
        (lots.uniform(-0.3, 0.3), lots.uniform(-0.3, 0.3)),
        lots.uniform(0.0, 0.07),
        lots.uniform(0.4, 2.2),
        lots.uniform(2.0, 9.0),
        lots.uniform(0.0, 0.004),
        lots.uniform(0.0, 0.05),
    )


def photograph_of(quilt: Quilt, room: Room, seed: int = 0) -> tuple[bytes, Corners]:
    """A JPEG of the quilt's blocks on the wall, and their corners as a person would mark them."""
    lots = Random(seed)
    flat = _hung(_drawn(quilt), quilt, room.careless, lots)
    wide, high = flat.size
    reach = min(0.8 * _SIZE[0] / wide, 0.84 * _SIZE[1] / high)
    half = wide * reach / 2, high * reach / 2
    middle = _SIZE[0] / 2, _SIZE[1] / 2
    true = [
        (
            middle[0] + x * half[0] + lots.uniform(-1, 1) * room.tilt * _SIZE[0],
            middle[1] + y * half[1] + lots.uniform(-1, 1) * room.tilt * _SIZE[1],
        )
        for x, y in ((-1, -1), (1, -1), (1, 1), (-1, 1))
    ]
    box = [(0.0, 0.0), (float(wide), 0.0), (float(wide), float(high)), (0.0, float(high))]
    seen = flat.transform(
        _SIZE, Image.Transform.PERSPECTIVE, projection(true, box), Image.Resampling.BICUBIC
    )
    on_wall = Image.new("RGB", _SIZE, _WALL)
    on_wall.paste(seen, (0, 0), seen)
    marked = [
        (
            min(max(x / _SIZE[0] + lots.uniform(-1, 1) * room.off, 0.0), 1.0),
            min(max(y / _SIZE[1] + lots.uniform(-1, 1) * room.off, 0.0), 1.0),
        )
        for x, y in true
    ]
    return _taken(on_wall, room, seed), Corners((marked[0], marked[1], marked[2], marked[3]))


def _drawn(quilt: Quilt) -> Image.Image:
    drawn = draw_body(quilt, 900 / float(max(quilt.size.body_width, quilt.size.body_length)))
    return Image.open(io.BytesIO(png_of(drawn))).convert("RGBA")


def _hung(flat: Image.Image, quilt: Quilt, careless: float, lots: Random) -> Image.Image:
    """Every block a little out of its place, and not quite upright; on point they hang as drawn."""
    if quilt.grid.setting is Setting.ON_POINT or not careless:
        return flat
    px = flat.width / float(quilt.size.body_width)
    wide, high = (round(float(side) * px) for side in quilt.block)
    wall = Image.new("RGBA", flat.size, (*_WALL, 255))
    for seat in quilt.grid.seats:
        x, y = (round(side * px) for side in anchor_in_body(quilt, seat))
        block = flat.crop((x, y, x + wide, y + high))
        aslant = block.rotate(lots.uniform(-60, 60) * careless, Image.Resampling.BICUBIC)
        off = [round(lots.uniform(-careless, careless) * side) for side in (wide, high)]
        wall.paste(aslant, (x + off[0], y + off[1]), aslant)
    return wall


def _taken(wall: Image.Image, room: Room, seed: int) -> bytes:
    """What the camera keeps: light, focus, grain."""
    light = linear(np.asarray(wall, np.float64) / 255)
    high, wide = light.shape[:2]
    across = np.linspace(-0.5, 0.5, wide)[None, :, None]
    down = np.linspace(-0.5, 0.5, high)[:, None, None]
    light = light * np.array(room.cast) * (1 + room.falls[0] * across + room.falls[1] * down)
    shares = np.where(light <= 0.0031308, light * 12.92, 1.055 * light.clip(0) ** (1 / 2.4) - 0.055)
    blurred = Image.fromarray(np.rint(shares.clip(0, 1) * 255).astype(np.uint8)).filter(
        ImageFilter.GaussianBlur(room.blur)
    )
    grain = np.random.default_rng(seed).normal(0, room.grain, (high, wide, 3))
    levels = np.rint(np.asarray(blurred, np.float64) + grain).clip(0, 255).astype(np.uint8)
    out = io.BytesIO()
    Image.fromarray(levels).save(out, "JPEG", quality=82)
    return out.getvalue()
