"""A photograph of cloth: opened with care, cropped to the cloth, its main colours found.

Only real JPEG, PNG and WebP pictures of a sensible size are opened; they are turned upright, and
nothing of what a camera writes beside the picture is looked at or kept. The colours are those of
the largest groups in CIELAB, found the same way each time.
"""

import io
from collections.abc import Sequence
from dataclasses import dataclass

from PIL import Image, ImageOps, UnidentifiedImageError

from kersey.core.colour import Lab, difference, lab
from kersey.core.errors import InvalidValue

MOST_BYTES = 20 * 1024 * 1024
MOST_PIXELS = 60_000_000
_KINDS = ("JPEG", "PNG", "WEBP")
# Colour is judged on a small copy: threads and shadows blend as they do from across a table.
_JUDGED_SIDE = 64
_CANDIDATES = 24
# Colours nearer to each other than this are one colour in two lights.
_ONE_COLOUR = 14.0


class NotAPhotograph(InvalidValue):
    """A file that is no picture of cloth."""


@dataclass(frozen=True)
class Crop:
    """The part that shows the cloth, as shares of width and height from the upper left corner."""

    left: float = 0.15
    top: float = 0.15
    right: float = 0.85
    bottom: float = 0.85

    def __post_init__(self) -> None:
        sides = (self.left, self.right, self.top, self.bottom)
        if not all(0 <= side <= 1 for side in sides):
            raise NotAPhotograph("The crop lies outside the photograph.")
        if self.right - self.left < 0.02 or self.bottom - self.top < 0.02:
            raise NotAPhotograph("The crop is too small: leave some cloth in it.")


@dataclass(frozen=True)
class ClothColour:
    """A colour of a cloth and the share of it that it covers."""

    colour: str
    share: float


def main_colours(content: bytes, crop: Crop | None = None, most: int = 4) -> list[ClothColour]:
    """The main colours of the cloth in a photograph, the largest first.

    Raises `NotAPhotograph` for what is no picture, too large, or of another kind than it says.
    """
    picture = _opened(content)
    part = crop or Crop()
    width, height = picture.size
    box = (part.left * width, part.top * height, part.right * width, part.bottom * height)
    cloth = picture.resize((_JUDGED_SIDE, _JUDGED_SIDE), Image.Resampling.BOX, box=box)
    return _merged(_counted(cloth))[:most]


def _opened(content: bytes) -> Image.Image:
    """The picture, upright, in plain colours, without anything written beside it."""
    if len(content) > MOST_BYTES:
        raise NotAPhotograph("A photograph is at most 20 MB.")
    try:
        with Image.open(io.BytesIO(content), formats=_KINDS) as picture:
            if picture.width * picture.height > MOST_PIXELS:
                raise NotAPhotograph("A photograph has at most 60 million pixels.")
            upright = ImageOps.exif_transpose(picture)
            return upright.convert("RGB")
    except NotAPhotograph:
        raise
    except (UnidentifiedImageError, Image.DecompressionBombError) as error:
        raise NotAPhotograph("This is no JPEG, PNG or WebP picture.") from error
    except (OSError, ValueError, SyntaxError, EOFError) as error:
        raise NotAPhotograph("This picture is damaged and cannot be opened.") from error


def _counted(cloth: Image.Image) -> list[tuple[int, str]]:
    """Candidate colours with the pixels near each."""
    few = cloth.quantize(_CANDIDATES, method=Image.Quantize.MEDIANCUT, dither=Image.Dither.NONE)
    palette = few.getpalette() or []
    found = [(count, int(str(place))) for count, place in few.getcolors() or []]
    counts = sorted(found, key=lambda pair: (-pair[0], pair[1]))
    return [(count, _hex(palette[3 * place : 3 * place + 3])) for count, place in counts]


def _hex(channels: Sequence[int]) -> str:
    return "#" + "".join(f"{channel:02x}" for channel in channels)


def _merged(candidates: Sequence[tuple[int, str]]) -> list[ClothColour]:
    """Candidates that look like one colour, taken together under the commonest of them."""
    groups: list[tuple[Lab, str, int]] = []
    for count, colour in candidates:
        point = lab(colour)
        near = next((g for g in groups if difference(g[0], point) < _ONE_COLOUR), None)
        if near is None:
            groups.append((point, colour, count))
        else:
            groups[groups.index(near)] = (near[0], near[1], near[2] + count)
    total = sum(count for count, _ in candidates)
    groups.sort(key=lambda group: -group[2])
    return [ClothColour(colour, count / total) for _, colour, count in groups]
