"""Cloth as it lies on a shelf: rolls, stacks, folded quarters, bolts, a box of scraps.

All of a shelf are drawn to one scale, standing on its board. Thickness is told by the number of
pieces, drawn thicker than cloth is, so that it can be seen.
"""

from collections.abc import Sequence
from functools import lru_cache
from math import sqrt

from kersey.core.cloth.forms import Form
from kersey.drawing.svg import element, number, picture, rect

PX_PER_INCH = 8.0
# Inches that a layer takes: on a roll, where it lies tight, and in a stack.
_ON_A_ROLL, _IN_A_STACK = 0.03, 0.16
_HIGHEST = 11.0
_SPINE, _MOST_SPINES = 0.95, 12
_BOX = (14.0, 6.5)
# A bolt is folded to this width, and grows by so much with each yard.
_BOLT_WIDE, _A_YARD_HIGH, _LEAST_BOLT = 8.0, 1.6, 3.0
_YARD = 36.0


# A shelf shows the same lots again and again.
@lru_cache(maxsize=2048)
def draw_on_shelf(
    form: Form, count: int, width: float, length: float, blends: tuple[str, ...], name: str
) -> str:
    """A lot on its shelf; sides of one piece in inches, `blends` the colours of its prints."""
    colours = blends or ("#b9bfc1",)
    if form is Form.STRIP:
        wide, high, body = _roll(count, length, colours)
    elif form in {Form.FAT_QUARTER, Form.FAT_EIGHTH}:
        wide, high, body = _spines(count, width / 2, colours)
    elif form in {Form.YARDAGE, Form.BACKING, Form.BATTING}:
        wide, high, body = _bolt(count * length, colours)
    elif form in {Form.STRING, Form.SCRAPS}:
        wide, high, body = _box(colours)
    else:
        wide, high, body = _stack(count, min(width, 12.0), colours)
    return picture(
        -0.1,
        -0.1,
        wide + 0.2,
        high + 0.1,
        body,
        label=f"{name} on the shelf.",
        class_="on-shelf",
        px_per_inch=PX_PER_INCH,
    )


def _roll(count: int, length: float, colours: Sequence[str]) -> tuple[float, float, str]:
    """A roll from its end: rings of its prints, as thick as so many strips wound up."""
    diameter = min(_HIGHEST, max(2.5, sqrt(count * length * _ON_A_ROLL)))
    middle, rings = diameter / 2, []
    shown = colours[: max(1, int(diameter * 2.2))]
    for place, colour in enumerate(shown):
        radius = middle * (1 - place / (len(shown) + 0.6))
        rings.append(element("circle", cx=middle, cy=middle, r=radius, fill=colour))
    hole = element("circle", cx=middle, cy=middle, r=0.22, fill="#f3f4f3")
    return diameter, diameter, "".join(rings) + hole


def _stack(count: int, width: float, colours: Sequence[str]) -> tuple[float, float, str]:
    """Pieces lying on one another, seen from the side, not quite flush."""
    layers = max(1, min(count, int(_HIGHEST / _IN_A_STACK)))
    high = layers * _IN_A_STACK
    each = [colours[n * len(colours) // layers % len(colours)] for n in range(layers)]
    body = "".join(
        rect(
            (n * 7 % 3) * 0.08,
            n * _IN_A_STACK,
            width,
            _IN_A_STACK,
            fill=colour,
            class_="layer",
            stroke_width=0.03,
        )
        for n, colour in enumerate(each)
    )
    return width + 0.2, high, body


def _spines(count: int, high: float, colours: Sequence[str]) -> tuple[float, float, str]:
    """Quarters folded and stood side by side like books."""
    shown = min(count, _MOST_SPINES)
    each = [colours[n * len(colours) // shown % len(colours)] for n in range(shown)]
    body = "".join(
        rect(
            n * _SPINE,
            (n * 5 % 3) * 0.15,
            _SPINE - 0.08,
            high - (n * 5 % 3) * 0.15,
            fill=colour,
            rx=0.2,
            class_="layer",
            stroke_width=0.04,
        )
        for n, colour in enumerate(each)
    )
    return shown * _SPINE, high, body


def _bolt(length: float, colours: Sequence[str]) -> tuple[float, float, str]:
    """A length folded over and over: the higher, the more yards."""
    high = min(_HIGHEST, _LEAST_BOLT + _A_YARD_HIGH * length / _YARD)
    folds = "".join(
        f"M0 {number(y / 10)}h{number(_BOLT_WIDE)}" for y in range(9, int(high * 10), 9)
    )
    body = rect(0, 0, _BOLT_WIDE, high, fill=colours[0], rx=0.35, class_="layer", stroke_width=0.05)
    lines = element(
        "path", d=folds, fill="none", stroke="#10181f", stroke_opacity=0.25, stroke_width=0.07
    )
    return _BOLT_WIDE, high, body + lines


def _box(colours: Sequence[str]) -> tuple[float, float, str]:
    """A box of what is too narrow or too crooked to be stacked."""
    wide, high = _BOX
    sticking = "".join(
        rect(
            0.6 + n * 0.9,
            high * 0.1 + (n * 7 % 5) * 0.3,
            0.5,
            high * 0.6,
            fill=colours[n % len(colours)],
            class_="layer",
            stroke_width=0.03,
        )
        for n in range(int((wide - 1.2) / 0.9))
    )
    box = rect(
        0, high * 0.45, wide, high * 0.55, fill="#c9ad7f", stroke="#8a7350", stroke_width=0.08
    )
    return wide, high, sticking + box
