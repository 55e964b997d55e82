"""Strips and strip sets on the table, with their cuts."""

from collections.abc import Sequence
from fractions import Fraction
from itertools import accumulate

from kersey.core.blocks.rail_yield import Method, RailYield
from kersey.core.cloth.fabric import Lot
from kersey.core.measure.length import Units, format_length, format_number
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import Number, element, number, picture, rect, text
from kersey.drawing.tape import tape_across

_FINE_TAPE = 1.5


def draw_division(answer: RailYield, units: Units, reach: Fraction) -> str:
    """One strip, or one strip set, with its segments, its end and the cliff on a tape.

    `reach` is the width of the picture in inches, so that pictures of one page share a scale.
    """
    is_set = answer.method is Method.SETS
    rails = answer.block.strips if is_set else 1
    visible = answer.block.finished_rail_width if is_set else answer.lot.width
    height = float(visible * rails + (answer.lot.width - visible if is_set else 0))
    length = answer.lot.usable_length
    top = _FINE_TAPE + 0.3
    cloths = Cloths()
    prints = _sample_prints(answer.lot, rails)
    strips = [
        rect(
            0,
            top + i * height / rails,
            length,
            height / rails,
            fill=cloths.fill(answer.lot.prints[index]),
            class_="strip",
        )
        for i, index in enumerate(prints)
    ]
    u = answer.block.unfinished_size
    return picture(
        0,
        0,
        reach,
        top + height + 2.4,
        cloths.definitions,
        tape_across(0, _FINE_TAPE, reach, _FINE_TAPE, units, fine=True),
        *strips,
        _cuts(answer, top, height, units),
        _end(answer, top, height),
        _cliff_mark(answer, top, height, units, float(reach)),
        label=(
            f"{'A set of ' + str(rails) + ' strips' if is_set else 'One strip'} of "
            f"{format_length(length, units)} gives {answer.division.pieces} pieces of "
            f"{format_length(u, units)}; {format_length(answer.division.margin, units)} is left."
        ),
        class_="division-drawing",
    )


def _sample_prints(lot: Lot, rails: int) -> list[int]:
    there = [index for index, count in enumerate(lot.counts) if count]
    return [there[i % len(there)] for i in range(rails)]


def _cuts(answer: RailYield, top: float, height: float, units: Units) -> str:
    u = answer.block.unfinished_size
    ends = list(accumulate([u] * answer.division.pieces))
    lines = "".join(f"M{number(x)} {number(top - 0.3)}v{number(height + 0.6)}" for x in ends)
    labels = [_chip(format_number(u, units), x - u / 2, top + height / 2) for x in ends]
    return _cut_lines(lines, 0.14) + "".join(labels)


def _chip(words: str, x: Number, y: float) -> str:
    """Words on a small white label, readable on any print."""
    width = 0.62 * len(words) + 0.8
    return rect(
        float(x) - width / 2, y - 0.8, width, 1.6, rx=0.3, class_="chip", fill="#ffffff"
    ) + text(words, x, y + 0.43, class_="chip-text", font_size=1.25, text_anchor="middle")


def _end(answer: RailYield, top: float, height: float) -> str:
    """The end that is left, veiled."""
    if not answer.division.margin:
        return ""
    return rect(
        answer.division.needed,
        top,
        answer.division.margin,
        height,
        class_="left-end",
        fill="#ffffff",
        fill_opacity=0.62,
    )


def _cliff_mark(answer: RailYield, top: float, height: float, units: Units, reach: float) -> str:
    needed = answer.division.needed
    if answer.division.pieces == 0:
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


def draw_set(answer: RailYield, prints: Sequence[int]) -> str:
    """One strip set as it is sewn, in flat proportion, with its crosscuts."""
    cloths = Cloths()
    lot, height = answer.lot, answer.block.unfinished_size
    rail = height / len(prints)
    strips = [
        rect(0, i * rail, lot.usable_length, rail, fill=cloths.fill(lot.prints[index]))
        for i, index in enumerate(prints)
    ]
    u = answer.block.unfinished_size
    lines = "".join(
        f"M{number((i + 1) * u)} 0v{number(height)}" for i in range(answer.division.pieces)
    )
    names = ", ".join(lot.prints[index].name for index in prints)
    return picture(
        0,
        0,
        lot.usable_length,
        height,
        cloths.definitions,
        *strips,
        _cut_lines(lines, 0.25),
        _end(answer, 0, float(height)),
        label=f"Set of {names}.",
        class_="set-drawing",
    )


def draw_strip(lot: Lot, index: int, lengths: Sequence[Fraction]) -> str:
    """One strip of a print, cut from the left into `lengths`."""
    cloths = Cloths()
    ends = list(accumulate(lengths))
    used = ends[-1] if ends else Fraction(0)
    lines = "".join(f"M{number(end)} 0v{number(lot.width)}" for end in ends)
    veil = (
        rect(
            used,
            0,
            lot.usable_length - used,
            lot.width,
            class_="left-end",
            fill="#ffffff",
            fill_opacity=0.62,
        )
        if ends and used < lot.usable_length
        else ""
    )
    return picture(
        0,
        0,
        lot.usable_length,
        lot.width,
        rect(0, 0, lot.usable_length, lot.width, fill=cloths.fill(lot.prints[index])),
        _cut_lines(lines, 0.25),
        veil,
        cloths.definitions,
        label=f"A strip of {lot.prints[index].name}, {len(lengths)} cuts.",
        class_="strip-drawing",
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
