"""A tape measure of sizes: what quilts are for is marked along it, and every quilt is a pin.

The tape measures the width of a quilt. A pin's head carries its number; pins that would lie on one
another stand in rows.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.purposes import ANY_PURPOSE, Wish
from kersey.core.measure.length import Units, format_size
from kersey.drawing.svg import element, number, picture, rect, text
from kersey.drawing.tape import tape_across

_TAPE, _HEAD, _ROW = 3.0, 1.7, 4.0
# Marks below the tape stand in this many rows, so that their names do not touch.
_ROWS_OF_NAMES = 3


@dataclass(frozen=True)
class Pin:
    """A quilt on the tape: its finished size, and what stands on the pin.

    It leads to an `address`; one that is `lit` is looked at.
    """

    width: Fraction
    length: Fraction
    name: str
    address: str = ""
    lit: bool = False


def draw_size_tape(pins: Sequence[Pin], units: Units) -> str:
    """The tape with the purposes of `frame.purposes`, and pins at the widths of quilts."""
    purposes = Wish(ANY_PURPOSE).purposes(units)
    longest = max([p.width for p in pins] + [p.most_width for p in purposes]) + 4
    rows = _rows(pins)
    above = (max(rows, default=0) + 1) * _ROW + 1
    parts = [tape_across(0, 0, longest, _TAPE, units)]
    places = [
        (float(p.width), -_TAPE - 1.6 - row * _ROW) for p, row in zip(pins, rows, strict=True)
    ]
    shafts = "".join(f"M{number(x)} {number(-_TAPE)}V{number(y)}" for x, y in places)
    parts.append(element("path", d=shafts, class_="pin-shaft", fill="none", stroke_width=0.3))
    for pin, (x, y) in zip(pins, places, strict=True):
        parts.append(_head(pin, x, y, units))
    for place, purpose in enumerate(sorted(purposes, key=lambda p: p.most_width)):
        least, most = float(purpose.least_width), float(purpose.most_width)
        y = 1.1 + (place % _ROWS_OF_NAMES) * 2.6
        if most > least:
            parts.append(rect(least, y - 0.35, most - least, 0.7, class_="size-range"))
        parts.append(
            element(
                "path",
                d=f"M{number(most)} 0V{number(y)}",
                class_="size-mark",
                fill="none",
                stroke_width=0.25,
            )
        )
        parts.append(
            text(
                purpose.name,
                most - 0.5,
                y + 1.9,
                class_="size-name",
                font_size=1.8,
                text_anchor="end",
            )
        )
    label = "; ".join(f"{pin.name}: {format_size(pin.width, pin.length, units)}" for pin in pins)
    below = _ROWS_OF_NAMES * 2.6 + 2
    return picture(
        -1,
        -_TAPE - above,
        float(longest) + 2,
        _TAPE + above + below,
        *parts,
        label=f"Quilt widths along a tape. {label}.",
        class_="size-tape",
        leads=any(pin.address for pin in pins),
    )


def _head(pin: Pin, x: float, y: float, units: Units) -> str:
    drawn = element(
        "circle",
        cx=number(x),
        cy=number(y),
        r=_HEAD,
        class_="pin-head lit" if pin.lit else "pin-head",
    ) + text(pin.name, x, y + 0.8, class_="pin-name", font_size=2.2, text_anchor="middle")
    if not pin.address:
        return drawn
    called = f"{pin.name}: {format_size(pin.width, pin.length, units)}"
    return element("a", drawn, href=pin.address, class_="pin", aria_label=called)


def _rows(pins: Sequence[Pin]) -> list[int]:
    """In which row each pin's head stands, so that no two touch."""
    taken: list[tuple[float, int]] = []
    for pin in pins:
        x, row = float(pin.width), 0
        while any(abs(x - other) < 2.2 * _HEAD and at == row for other, at in taken):
            row += 1
        taken.append((x, row))
    return [row for _, row in taken]
