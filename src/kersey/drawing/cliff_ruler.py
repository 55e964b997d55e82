"""A piece of tape round the usable length: where fewer blocks begin, and where more do."""

from fractions import Fraction

from kersey.core.measure.length import CENTIMETRE, EIGHTH, Units, format_number
from kersey.core.yields.cliffs import REACH, Cliffs
from kersey.drawing.svg import element, number, picture, rect, text

# Everything is drawn this much larger than life, so that text sizes are plain numbers.
_LARGER = 10
_HIGH, _WORDS = 2.0, 1.7
_YELLOW, _INK, _MADDER, _LEAF = "#f2c230", "#1c2733", "#a8322a", "#2f6b3c"


def draw_cliff(usable: Fraction, found: Cliffs | None, many: str, units: Units) -> str:
    """The tape from `REACH` less to `REACH` more than the usable inches, with its marks."""
    wide = 2 * REACH * _LARGER
    first = usable - REACH
    parts = [rect(0, 0, wide, _HIGH, fill=_YELLOW), *_ticks(first, units)]
    words = "Still checking how close the cut is."
    if found is not None:
        words = found.in_words(usable, many, units)
        if found.change is not None and found.change >= -REACH and found.fewer_sure:
            at = float((found.change + REACH) * _LARGER)
            parts.append(rect(0, 0, at, _HIGH, fill=_MADDER, fill_opacity=0.35))
            parts.append(_mark(at, f"below: {found.below.in_words}", _MADDER, "end"))
        if found.more_at is not None:
            at = float((found.more_at + REACH) * _LARGER)
            parts.append(_mark(at, f"from here: {found.more.in_words}", _LEAF, "start"))
    return picture(0, -_WORDS, wide, _HIGH + _WORDS, *parts, label=words, class_="cliff-drawing")


def _ticks(first: Fraction, units: Units) -> list[str]:
    unit, step = (
        (CENTIMETRE, CENTIMETRE / 2) if units is Units.CENTIMETRES else (Fraction(1), EIGHTH)
    )
    marks, names = [], []
    place = -(-first // step) * step
    while place <= first + 2 * REACH:
        x = (place - first) * _LARGER
        share = 0.7 if place % unit == 0 else 0.45 if place % (unit / 2) == 0 else 0.25
        marks.append(f"M{number(x)} 0v{number(_HIGH * share)}")
        if place % unit == 0 and 0 < x < 2 * REACH * _LARGER:
            name = format_number(place, units)
            names.append(text(name, float(x) + 0.25, _HIGH - 0.25, font_size=1.15, fill=_INK))
        place += step
    return [element("path", d="".join(marks), stroke=_INK, stroke_width=0.09), *names]


def _mark(at: float, words: str, colour: str, anchor: str) -> str:
    line = element("path", d=f"M{number(at)} -1.2V{number(_HIGH)}", stroke=colour, stroke_width=0.3)
    beside = at - 0.35 if anchor == "end" else at + 0.35
    if anchor == "end" and at < 7:
        anchor, beside = "start", at + 0.35
    if anchor == "start" and at > 2 * REACH * _LARGER - 8:
        anchor, beside = "end", at - 0.35
    return line + text(
        words,
        beside,
        -0.35,
        font_size=1.25,
        font_weight=650,
        text_anchor=anchor,
        class_="ruler-words",
    )
