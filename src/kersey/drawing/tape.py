"""The yellow tape: a ruler along an edge, in inches or centimetres."""

from collections.abc import Iterator
from fractions import Fraction
from functools import lru_cache

from kersey.core.measure.length import CENTIMETRE, Units
from kersey.drawing.svg import Number, element, number, rect, text

_TAPE_YELLOW = "#f2c230"
_INK = "#1c2733"
# Ticks and numbers: every inch, numbered by the foot; every 2 cm, numbered by 20.
_MARKS = {Units.INCHES: (Fraction(1), 6, 12), Units.CENTIMETRES: (2 * CENTIMETRE, 5, 10)}
_SHORT_MARKS = {Units.INCHES: (Fraction(1), 3, 6), Units.CENTIMETRES: (CENTIMETRE, 5, 10)}


def tape_across(
    x: Number, y: Number, length: Fraction, height: float, units: Units, fine: bool = False
) -> str:
    """A tape whose lower edge lies on y, from x to the right. `fine` for short things."""
    parts = [
        rect(x, float(y) - height, length, height, class_="tape", fill=_TAPE_YELLOW),
        _ticks(
            [
                (f"M{number(float(x) + at)} {number(y)}v{number(-height * share)}")
                for at, share in _marks(length, units, fine)
            ],
            height,
        ),
    ]
    for at, words in _numbers(length, units, fine):
        parts.append(
            text(
                words,
                float(x) + at - height * 0.1,
                float(y) - height * 0.36,
                class_="tape-number",
                font_size=height * 0.56,
                text_anchor="end",
                fill=_INK,
            )
        )
    return "".join(parts)


# A tape hangs beside every wall, and walls are as high as cloth is wide.
@lru_cache(maxsize=256)
def tape_down(x: Number, y: Number, length: Fraction, width: float, units: Units) -> str:
    """A tape whose right edge lies on x, from y downward."""
    parts = [
        rect(float(x) - width, y, width, length, class_="tape", fill=_TAPE_YELLOW),
        _ticks(
            [
                (f"M{number(x)} {number(float(y) + at)}h{number(-width * share)}")
                for at, share in _marks(length, units, False)
            ],
            width,
        ),
    ]
    for at, words in _numbers(length, units, False):
        place = (
            f"translate({number(float(x) - width * 0.36)} {number(float(y) + at - width * 0.1)})"
        )
        parts.append(
            text(
                words,
                0,
                0,
                class_="tape-number",
                font_size=width * 0.56,
                text_anchor="start",
                fill=_INK,
                transform=f"{place} rotate(-90)",
            )
        )
    return "".join(parts)


def _ticks(paths: list[str], breadth: float) -> str:
    return element(
        "path", d="".join(paths), class_="tape-tick", stroke=_INK, stroke_width=breadth * 0.045
    )


def _marks(length: Fraction, units: Units, fine: bool) -> Iterator[tuple[float, float]]:
    """Where ticks stand, and how far each reaches over the tape."""
    step, middle, whole = (_SHORT_MARKS if fine else _MARKS)[units]
    for count in range(1, int(length / step) + 1):
        share = 0.62 if count % whole == 0 else 0.42 if count % middle == 0 else 0.2
        yield float(count * step), share


def _numbers(length: Fraction, units: Units, fine: bool) -> Iterator[tuple[float, str]]:
    step, _, whole = (_SHORT_MARKS if fine else _MARKS)[units]
    unit = CENTIMETRE if units is Units.CENTIMETRES else Fraction(1)
    for count in range(whole, int(length / step) + 1, whole):
        yield float(count * step), str(int(count * step / unit))
