"""A photograph of cloth: opened with care, cropped to the cloth, its colours and a tile found.

Only real JPEG, PNG and WebP pictures of a sensible size are opened; they are turned upright, and
nothing of what a camera writes beside the picture is looked at or kept. The colours are those of
the largest groups in CIELAB, found the same way each time.
"""

import base64
import io
import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import accumulate, pairwise

from PIL import Image, ImageOps, UnidentifiedImageError

from kersey.core.cloth.colour import Lab, difference, lab
from kersey.core.errors import InvalidValue

MOST_BYTES = 20 * 1024 * 1024
MOST_PIXELS = 60_000_000
_KINDS = ("JPEG", "PNG", "WEBP")
# Colour is judged on a small copy: threads and shadows blend as they do from across a table.
_JUDGED_SIDE = 64
_CANDIDATES = 24
# Colours nearer to each other than this are one colour in two lights.
_ONE_COLOUR = 14.0
_COLOURS = 4
# A photograph is kept this large while it is marked; a list shows it this large.
_KEPT_SIDE, _LISTED_SIDE = 1600, 320
_TILE_SIDE = 64
MOST_IN_A_FAN = 24
# Places along a line at which the colour is taken, from a copy in which threads blend.
_SAMPLES, _FAN_SIDE = 160, 240
_HALF_BAND = 9
_FEWEST_SAMPLES = 4
_SHORTEST_LINE = 0.05
# Strips are told apart until so little of the difference along the line is left unexplained.
_STILL_UNLIKE = 0.02


class NotAPhotograph(InvalidValue):
    """A file that is no picture of cloth."""


@dataclass(frozen=True)
class Crop:
    """The part that shows the cloth, as shares of width and height from the upper left corner."""

    left: float = 0.15
    top: float = 0.15
    right: float = 0.85
    bottom: float = 0.85
    smallest: float = 0.02

    def __post_init__(self) -> None:
        sides = (self.left, self.right, self.top, self.bottom)
        if not all(0 <= side <= 1 for side in sides):
            raise NotAPhotograph("The box is outside the photo.")
        if min(self.right - self.left, self.bottom - self.top) <= self.smallest:
            raise NotAPhotograph("The box is too small. Drag it over more of the fabric.")


@dataclass(frozen=True)
class ClothColour:
    """A colour of a cloth and the share of it that it covers."""

    colour: str
    share: float


@dataclass(frozen=True)
class Cloth:
    """What a photograph shows of one cloth: its main colours, the largest first, and a tile."""

    colours: tuple[ClothColour, ...]
    tile: str


@dataclass(frozen=True)
class Line:
    """A line across a fan of strips, from one point to another, as shares of width and height."""

    x1: float = 0.05
    y1: float = 0.5
    x2: float = 0.95
    y2: float = 0.5

    def __post_init__(self) -> None:
        if not all(0 <= side <= 1 for side in (self.x1, self.y1, self.x2, self.y2)):
            raise NotAPhotograph("The line runs off the photo.")
        if math.dist((self.x1, self.y1), (self.x2, self.y2)) < _SHORTEST_LINE:
            raise NotAPhotograph("The line is too short. Drag it across all the strips.")

    def at(self, share: float) -> tuple[float, float]:
        """The point so far along it."""
        return (self.x1 + (self.x2 - self.x1) * share, self.y1 + (self.y2 - self.y1) * share)


def cleaned(content: bytes) -> bytes:
    """The picture alone: upright, at most 1600 pixels wide or high, without a camera's notes.

    Raises `NotAPhotograph` for what is no picture, too large, or of another kind than it says.
    """
    picture = opened(content)
    picture.thumbnail((_KEPT_SIDE, _KEPT_SIDE), Image.Resampling.LANCZOS)
    return _jpeg(picture, 88)


def thumbnail(content: bytes) -> bytes:
    """A small picture for a list; raises as `cleaned` does."""
    picture = opened(content)
    picture.thumbnail((_LISTED_SIDE, _LISTED_SIDE), Image.Resampling.LANCZOS)
    return _jpeg(picture, 80)


def study(content: bytes, crop: Crop | None = None) -> Cloth:
    """What the part of a photograph within the crop shows; raises as `cleaned` does."""
    return _studied(opened(content), crop or Crop())


def study_fan(content: bytes, line: Line, strips: int | None = None) -> list[tuple[Crop, Cloth]]:
    """The strips that a line crosses, in its order: where each was looked at, and what it shows.

    Without a number of strips, as many as the colours along the line tell apart. Raises as
    `cleaned` does.
    """
    if strips is not None and not 1 <= strips <= MOST_IN_A_FAN:
        raise NotAPhotograph(f"One line can read 1 to {MOST_IN_A_FAN} strips.")
    picture = opened(content)
    ends = _parted(_along(picture, line), strips)
    found = []
    for begin, end in pairwise(ends):
        crop = _round_the_middle(picture, line, begin / _SAMPLES, end / _SAMPLES)
        found.append((crop, _studied(picture, crop)))
    return found


def _studied(picture: Image.Image, part: Crop) -> Cloth:
    width, height = picture.size
    box = (part.left * width, part.top * height, part.right * width, part.bottom * height)
    cloth = picture.resize((_JUDGED_SIDE, _JUDGED_SIDE), Image.Resampling.BOX, box=box)
    tile = picture.resize((_TILE_SIDE, _TILE_SIDE), Image.Resampling.LANCZOS, box=_square(box))
    written = base64.b64encode(_jpeg(tile, 78)).decode("ascii")
    return Cloth(tuple(_merged(_counted(cloth))[:_COLOURS]), written)


def _square(box: tuple[float, float, float, float]) -> tuple[float, float, float, float]:
    """The largest square in the middle of a box."""
    left, top, right, bottom = box
    half = min(right - left, bottom - top) / 2
    x, y = (left + right) / 2, (top + bottom) / 2
    return (x - half, y - half, x + half, y + half)


def _jpeg(picture: Image.Image, quality: int) -> bytes:
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=quality)
    return out.getvalue()


def _along(picture: Image.Image, line: Line) -> list[Lab]:
    """The colour at so many places along the line: the middle one of a band across it.

    The middle one, so that a dot or a seam that the line meets does not look like a strip.
    """
    small = picture.copy()
    small.thumbnail((_FAN_SIDE, _FAN_SIDE), Image.Resampling.BOX)
    found = []
    across, down = (line.x2 - line.x1) * small.width, (line.y2 - line.y1) * small.height
    long = math.hypot(across, down)
    for sample in range(_SAMPLES):
        x, y = line.at((sample + 0.5) / _SAMPLES)
        band = [
            _pixel(
                small, x * small.width - step * down / long, y * small.height + step * across / long
            )
            for step in range(-_HALF_BAND, _HALF_BAND + 1)
        ]
        found.append(sorted(map(lab, band))[_HALF_BAND])
    return found


def _pixel(picture: Image.Image, x: float, y: float) -> str:
    column = min(max(int(x), 0), picture.width - 1)
    row = min(max(int(y), 0), picture.height - 1)
    pixel = picture.getpixel((column, row))
    assert isinstance(pixel, tuple)
    return _hex([int(channel) for channel in pixel])


def _parted(samples: Sequence[Lab], strips: int | None) -> list[int]:
    """Where the strips begin and end among the samples: the parting that differs least within."""
    most = strips or MOST_IN_A_FAN
    best, cut = _partings(samples, most)
    n = len(samples)
    if strips is None:
        enough = best[1][n] * _STILL_UNLIKE
        strips = next((k for k in range(1, most) if best[k][n] <= enough), most)
    ends = [n]
    for k in range(strips, 0, -1):
        ends.append(cut[k][ends[-1]])
    return ends[::-1]


def _partings(samples: Sequence[Lab], most: int) -> tuple[list[list[float]], list[list[int]]]:
    """Least spread and last cut of the first j samples in k runs, for every k and j."""
    n = len(samples)
    sums = [[0.0, *accumulate(sample[c] for sample in samples)] for c in range(3)]
    squares = [0.0, *accumulate(sum(part * part for part in sample) for sample in samples)]

    def spread(i: int, j: int) -> float:
        means = sum((row[j] - row[i]) ** 2 for row in sums) / (j - i)
        return squares[j] - squares[i] - means

    spreads = [[spread(i, j) if j > i else 0.0 for j in range(n + 1)] for i in range(n)]
    best = [[math.inf] * (n + 1) for _ in range(most + 1)]
    cut = [[0] * (n + 1) for _ in range(most + 1)]
    best[1] = [spreads[0][j] for j in range(n + 1)]
    for k in range(2, most + 1):
        for j in range(k * _FEWEST_SAMPLES, n + 1):
            first, last = (k - 1) * _FEWEST_SAMPLES, j - _FEWEST_SAMPLES
            ways = ((best[k - 1][i] + spreads[i][j], i) for i in range(first, last + 1))
            best[k][j], cut[k][j] = min(ways)
    return best, cut


def _round_the_middle(picture: Image.Image, line: Line, begin: float, end: float) -> Crop:
    """The part of a strip that is surely that strip: half of it round where the line crosses."""
    x, y = line.at((begin + end) / 2)
    across = (line.x2 - line.x1) * picture.width, (line.y2 - line.y1) * picture.height
    half = max(math.hypot(*across) * (end - begin) / 4, 2.0)
    wide, high = half / picture.width, half / picture.height
    return Crop(
        max(0.0, min(x - wide, 1 - 2 * wide)),
        max(0.0, min(y - high, 1 - 2 * high)),
        min(1.0, max(x + wide, 2 * wide)),
        min(1.0, max(y + high, 2 * high)),
        smallest=0.0,
    )


def opened(content: bytes) -> Image.Image:
    """The picture, upright, in plain colours, without anything written beside it."""
    if len(content) > MOST_BYTES:
        raise NotAPhotograph("A photo can be up to 20 MB.")
    try:
        with Image.open(io.BytesIO(content), formats=_KINDS) as picture:
            if picture.width * picture.height > MOST_PIXELS:
                raise NotAPhotograph("A photo can have up to 60 megapixels.")
            upright = ImageOps.exif_transpose(picture)
            return upright.convert("RGB")
    except NotAPhotograph:
        raise
    except (UnidentifiedImageError, Image.DecompressionBombError) as error:
        raise NotAPhotograph("This isn't a JPEG, PNG or WebP picture.") from error
    except (OSError, ValueError, SyntaxError, EOFError) as error:
        raise NotAPhotograph("This picture is damaged and can't be opened.") from error


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
