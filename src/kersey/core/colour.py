"""Colours of cloth, written ``#rrggbb``, and how light they read."""

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
        super().__init__(f"“{text[:20]}” is not a colour. Write it like #a3342d.")


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
