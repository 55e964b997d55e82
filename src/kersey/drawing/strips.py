"""Strips and strip sets on the table, with their cuts."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import accumulate

from kersey.core.cloth.fabric import Print
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length, format_number
from kersey.core.yields.by_hand import Division, StripSum
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import Number, element, number, picture, rect, text
from kersey.drawing.tape import tape_across

_FINE_TAPE = 1.5


@dataclass(frozen=True)
class StripCloth:
    """How wide the strips are, in inches, and the prints that are shown of them."""

    width: Fraction
    prints: tuple[Print, ...]


def draw_division(
    answer: StripSum, strip: StripCloth, seam: Fraction, units: Units, reach: Fraction
) -> str:
    """One strip, or one strip set, with its segments, its end and the cliff on a tape.

    `reach` is the width of the picture in inches, so that pictures of one page share a scale.
    """
    strips_high = answer.in_a_block if answer.by_sets else 1
    visible = strip.width - 2 * seam if answer.by_sets else strip.width
    height = float(visible * strips_high + (strip.width - visible))
    division = answer.division
    length = division.strip_length
    top = _FINE_TAPE + 0.3
    cloths = Cloths()
    strips = [
        rect(
            0,
            top + i * height / strips_high,
            length,
            height / strips_high,
            fill=cloths.fill(strip.prints[i % len(strip.prints)]),
            class_="strip",
        )
        for i in range(strips_high)
    ]
    what = f"A set of {strips_high} strips" if answer.by_sets else "One strip"
    return picture(
        0,
        0,
        reach,
        top + height + 2.4,
        cloths.definitions,
        tape_across(0, _FINE_TAPE, reach, _FINE_TAPE, units, fine=True),
        *strips,
        _cuts(division, top, height, units),
        _end(division, top, height),
        _cliff_mark(division, top, height, units, float(reach)),
        label=(
            f"{what} of {format_length(length, units)} makes {counted(division.pieces, 'segment')} "
            f"of "
            f"{format_length(division.piece_length, units)}; "
            f"{format_length(division.margin, units)} is left."
        ),
        class_="division-drawing",
    )


def _cuts(division: Division, top: float, height: float, units: Units) -> str:
    u = division.piece_length
    ends = list(accumulate([u] * division.pieces))
    lines = "".join(f"M{number(x)} {number(top - 0.3)}v{number(height + 0.6)}" for x in ends)
    labels = [_chip(format_number(u, units), x - u / 2, top + height / 2) for x in ends]
    return _cut_lines(lines, 0.14) + "".join(labels)


def _chip(words: str, x: Number, y: float) -> str:
    """Words on a small white label, readable on any print."""
    width = 0.62 * len(words) + 0.8
    return rect(
        float(x) - width / 2, y - 0.8, width, 1.6, rx=0.3, class_="chip", fill="#ffffff"
    ) + text(words, x, y + 0.43, class_="chip-text", font_size=1.25, text_anchor="middle")


def _end(division: Division, top: float, height: float) -> str:
    """The end that is left, veiled."""
    if not division.margin:
        return ""
    return rect(
        division.needed,
        top,
        division.margin,
        height,
        class_="left-end",
        fill="#ffffff",
        fill_opacity=0.62,
    )


def _cliff_mark(division: Division, top: float, height: float, units: Units, reach: float) -> str:
    needed = division.needed
    if division.pieces == 0:
        return ""
    words = f"needs {format_length(needed, units)}"
    line = f"M{number(needed)} {number(_FINE_TAPE)}V{number(top + height + 0.9)}"
    # Near the end of the tape the words lean back, so that none of them is cut off.
    near_the_end = float(needed) + 0.4 * len(words) > reach
    return element(
        "path", d=line, class_="cliff-line", fill="none", stroke="#a8322a", stroke_width=0.22
    ) + text(
        words,
        reach if near_the_end else needed,
        top + height + 2.1,
        class_="cliff-text",
        font_size=1.3,
        text_anchor="end" if near_the_end else "middle",
        fill="#a8322a",
    )


def draw_set(prints: Sequence[Print], division: Division) -> str:
    """One strip set as it is sewn, in flat proportion, with its crosscuts."""
    cloths = Cloths()
    length, height = division.strip_length, division.piece_length
    each = height / len(prints)
    strips = [
        rect(0, i * each, length, each, fill=cloths.fill(cloth)) for i, cloth in enumerate(prints)
    ]
    lines = "".join(
        f"M{number((i + 1) * division.piece_length)} 0v{number(height)}"
        for i in range(division.pieces)
    )
    return picture(
        0,
        0,
        length,
        height,
        cloths.definitions,
        *strips,
        _cut_lines(lines, 0.25),
        _end(division, 0, float(height)),
        label=f"Set of {', '.join(cloth.name for cloth in prints)}.",
        class_="set-drawing",
    )


def _cut_lines(d: str, width: float) -> str:
    """Cuts, seen on dark cloth and on light."""
    under = element(
        "path",
        d=d,
        class_="cut-line-under",
        fill="none",
        stroke="#10181f",
        stroke_width=width * 2.2,
    )
    return under + element(
        "path", d=d, class_="cut-line", fill="none", stroke="#ffffff", stroke_width=width
    )
