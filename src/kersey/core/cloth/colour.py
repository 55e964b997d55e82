"""Colours of cloth, written ``#rrggbb``, and how light they read."""

import math
import re

from kersey.core.errors import InvalidValue

_HEX = re.compile(r"#[0-9a-f]{6}")
# CIE L* of a grey card seen as halfway between black and white is 50; cloth reads as dark well
# below that and as light well above, with a wide band of mediums between.
DARK_BELOW = 42.0
LIGHT_FROM = 70.0


class NotAColour(InvalidValue):
    """A text that is not a colour."""

    def __init__(self, text: str) -> None:
        self.text = text
        super().__init__(f"“{text[:20]}” isn't a color. Type it like #a3342d.")


def checked_colour(text: str) -> str:
    """The colour in lower case; raises `NotAColour` if it is none.

    >>> checked_colour("#A3342D")
    '#a3342d'
    """
    colour = text.strip().lower()
    if _HEX.fullmatch(colour) is None:
        raise NotAColour(text)
    return colour


def lightness(colour: str) -> float:
    """CIE L* of a colour under daylight: 0 for black, 100 for white.

    >>> round(lightness("#ffffff")), round(lightness("#777777"))
    (100, 50)
    """
    red, green, blue = (_linear(int(colour[i : i + 2], 16) / 255) for i in (1, 3, 5))
    luminance = 0.2126 * red + 0.7152 * green + 0.0722 * blue
    if luminance <= (6 / 29) ** 3:
        return float(luminance * (29 / 3) ** 3)
    return float(116 * luminance ** (1 / 3) - 16)


def _linear(channel: float) -> float:
    if channel <= 0.04045:
        return channel / 12.92
    return float(((channel + 0.055) / 1.055) ** 2.4)


# Hue angles, in degrees of CIELAB, at which one family of cloth colours passes into the next.
_FAMILIES = (
    (38.0, "red"),
    (68.0, "orange"),
    (105.0, "yellow"),
    (165.0, "green"),
    (220.0, "teal"),
    (295.0, "blue"),
    (335.0, "purple"),
    (361.0, "red"),
)
# Less colourful than this, cloth is called grey, cream or black, not by a hue.
_NEUTRAL_BELOW = 11.0
# A dark orange or yellow is called brown.
_BROWN_BELOW = 52.0
FAMILIES = ("red", "orange", "yellow", "green", "teal", "blue", "purple", "brown", "neutral")
# A cloth colour that stands for each of them.
FAMILY_COLOURS = {
    "red": "#a5403a",
    "orange": "#cf7a3a",
    "yellow": "#dcb64c",
    "green": "#5d8250",
    "teal": "#3f8584",
    "blue": "#41608e",
    "purple": "#75578c",
    "brown": "#7a5637",
    "neutral": "#cfcabd",
}

Lab = tuple[float, float, float]


def lab(colour: str) -> Lab:
    """CIELAB (L*, a*, b*) of an sRGB colour under D65.

    >>> [round(part) for part in lab("#ff0000")]
    [53, 80, 67]
    """
    red, green, blue = (_linear(int(colour[i : i + 2], 16) / 255) for i in (1, 3, 5))
    x = (0.4124 * red + 0.3576 * green + 0.1805 * blue) / 0.95047
    y = 0.2126 * red + 0.7152 * green + 0.0722 * blue
    z = (0.0193 * red + 0.1192 * green + 0.9505 * blue) / 1.08883
    fx, fy, fz = _lab_curve(x), _lab_curve(y), _lab_curve(z)
    return 116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)


def difference(one: Lab, other: Lab) -> float:
    """How far apart two colours look: CIE76, about 2 being just noticeable."""
    return math.dist(one, other)


def hue(colour: str) -> float:
    """Hue angle in CIELAB, 0 to 360 degrees, red first."""
    _, a, b = lab(colour)
    return math.degrees(math.atan2(b, a)) % 360


def colour_family(colour: str) -> str:
    """What a quilter would call it, sorting by colour.

    >>> colour_family("#27385c"), colour_family("#93643b"), colour_family("#e6e4dc")
    ('blue', 'brown', 'neutral')
    """
    light, a, b = lab(colour)
    if math.hypot(a, b) < _NEUTRAL_BELOW:
        return "neutral"
    family = next(name for most, name in _FAMILIES if hue(colour) < most)
    return "brown" if family in {"orange", "yellow"} and light < _BROWN_BELOW else family


def _lab_curve(share: float) -> float:
    if share > (6 / 29) ** 3:
        return float(share ** (1 / 3))
    return share * (29 / 6) ** 2 / 3 + 4 / 29
