"""The quilt, drawn to scale in its prints, over the outline of what it is for."""

from collections import defaultdict
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.purposes import Purpose
from kersey.core.frame.size_search import SizeOption
from kersey.core.measure.length import format_size
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import box_path, element, number, picture, rect, text
from kersey.drawing.tape import tape_across, tape_down

# What a double-fold binding shows on the front.
_BINDING_SHOWS = Fraction(3, 8)
_TAPE = 2.3
_GAP = 0.7


@dataclass(frozen=True)
class View:
    """How much a picture must hold, in inches: pictures with the same view share a scale."""

    width: Fraction
    length: Fraction


def view_of(options: tuple[SizeOption, ...]) -> View:
    """A view that holds every one of these sizes and the outlines they are held against."""
    outlines = [purpose for purpose in map(_outline, options) if purpose is not None]
    widths = [option.width for option in options] + [p.most_width for p in outlines]
    lengths = [option.length for option in options] + [p.most_length for p in outlines]
    return View(max(widths), max(lengths))


def draw_quilt(quilt: Quilt, view: View | None = None) -> str:
    """The quilt on the wall with tapes along its edges and the bed or lap as a dashed outline."""
    held = view or view_of((quilt.size,))
    width, length = quilt.size.width, quilt.size.length
    left, top = -width / 2, -length / 2
    cloths = Cloths()
    body = _quilt(quilt, left, top, cloths)
    tapes = tape_across(left, float(top) - _GAP, width, _TAPE, quilt.units) + tape_down(
        float(left) - _GAP, top, length, _TAPE, quilt.units
    )
    room_x, room_y = float(held.width) / 2 + _TAPE + _GAP + 0.6, float(held.length) / 2 + 3.6
    return picture(
        -room_x,
        -room_y,
        2 * room_x,
        2 * room_y,
        cloths.definitions,
        body,
        _outline_drawing(quilt),
        tapes,
        label=describe(quilt),
        class_="quilt-drawing",
    )


def draw_miniature(quilt: Quilt) -> str:
    """The quilt alone, small, in flat colours."""
    edge = _BINDING_SHOWS
    width, length = quilt.size.width + 2 * edge, quilt.size.length + 2 * edge
    return picture(
        0, 0, width, length, _quilt(quilt, edge, edge, Cloths(flat=True)), label=describe(quilt)
    )


def describe(quilt: Quilt) -> str:
    """The picture in words."""
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    border = " with a plain border" if quilt.border else ""
    return (
        f"Quilt of {quilt.size.columns} by {quilt.size.rows} rail blocks{border}, {size} finished,"
        " rails turned alternately."
    )


def _quilt(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    size = quilt.size
    body_left, body_top = left + size.border_width, top + size.border_width
    return "".join(
        (
            _binding(quilt, left, top, cloths),
            _border(quilt, left, top, cloths),
            _rails(quilt, body_left, body_top, cloths),
            _seams(quilt, body_left, body_top),
            _missing(quilt, body_left, body_top),
        )
    )


def _binding(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """The binding round the edge; from the stash, its pieces follow one another."""
    size, edge = quilt.size, _BINDING_SHOWS
    frame = (left - edge, top - edge, size.width + 2 * edge, size.length + 2 * edge)
    if quilt.binding.bought:
        return rect(*frame, fill=cloths.fill(quilt.project.binding_print))
    prints = quilt.project.lot.prints
    around = 2 * (frame[2] + frame[3])
    share = around / len(quilt.binding.from_stash)
    strokes = []
    for place, piece in enumerate(quilt.binding.from_stash):
        strokes.append(
            rect(
                frame[0] + edge / 2,
                frame[1] + edge / 2,
                frame[2] - edge,
                frame[3] - edge,
                fill="none",
                stroke=cloths.fill(prints[piece.print_index]),
                stroke_width=edge,
                stroke_dasharray=f"{number(share)} {number(around)}",
                stroke_dashoffset=number(-share * place),
            )
        )
    return "".join(strokes)


def _border(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    size, w = quilt.size, quilt.size.border_width
    if w == 0:
        return ""
    cloth = quilt.project.border_print
    across = box_path(left, top, size.width, w) + box_path(
        left, top + w + size.body_length, size.width, w
    )
    down = box_path(left, top + w, w, size.body_length) + box_path(
        left + w + size.body_width, top + w, w, size.body_length
    )
    seams = (
        f"M{number(left)} {number(top + w)}h{number(size.width)}"
        f"M{number(left)} {number(top + w + size.body_length)}h{number(size.width)}"
    )
    return (
        element("path", d=across, fill=cloths.fill(cloth))
        + element("path", d=down, fill=cloths.fill(cloth, upright=True))
        + _seam_lines(seams)
    )


def _rails(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """All rails of one print lying the same way are one path."""
    f = float(quilt.answer.block.finished_size)
    rail = float(quilt.answer.block.finished_rail_width)
    first_x, first_y = float(left), float(top)
    paths: dict[tuple[int, bool], list[str]] = defaultdict(list)
    for r, row in enumerate(quilt.setting.places):
        for c, block in enumerate(row):
            upright = quilt.setting.is_upright(r, c)
            for i, index in enumerate(block or ()):
                x, y = first_x + c * f, first_y + r * f
                box = (
                    box_path(x + i * rail, y, rail, f)
                    if upright
                    else box_path(x, y + i * rail, f, rail)
                )
                paths[index, upright].append(box)
    prints = quilt.project.lot.prints
    return "".join(
        element("path", d="".join(boxes), fill=cloths.fill(prints[index], upright))
        for (index, upright), boxes in sorted(paths.items())
    )


def _seams(quilt: Quilt, left: Fraction, top: Fraction) -> str:
    size, f = quilt.size, quilt.answer.block.finished_size
    across = "".join(
        f"M{number(left)} {number(top + r * f)}h{number(size.body_width)}"
        for r in range(size.rows + 1)
    )
    down = "".join(
        f"M{number(left + c * f)} {number(top)}v{number(size.body_length)}"
        for c in range(size.columns + 1)
    )
    return _seam_lines(across + down)


def _seam_lines(d: str) -> str:
    return element(
        "path", d=d, fill="none", stroke="#10181f", stroke_opacity=0.3, stroke_width=0.09
    )


def _missing(quilt: Quilt, left: Fraction, top: Fraction) -> str:
    """Places for which there is no block: empty, crossed, in the colour of what is short."""
    f = quilt.answer.block.finished_size
    boxes, crosses = [], []
    for r, row in enumerate(quilt.setting.places):
        for c, block in enumerate(row):
            if block is None:
                x, y = left + c * f, top + r * f
                boxes.append(box_path(x, y, f, f))
                crosses.append(f"M{number(x)} {number(y)}l{number(f)} {number(f)}")
    if not boxes:
        return ""
    return element("path", d="".join(boxes), class_="missing", fill="#e9ebea") + element(
        "path",
        d="".join(boxes + crosses),
        class_="missing-line",
        fill="none",
        stroke="#a8322a",
        stroke_width=0.2,
    )


def _outline(option: SizeOption) -> Purpose | None:
    return option.purpose if option.has_purpose else None


def _outline_drawing(quilt: Quilt) -> str:
    purpose = _outline(quilt.size)
    if purpose is None:
        return ""
    width, length = purpose.most_width, purpose.most_length
    words = f"{purpose.name}, {format_size(width, length, quilt.units)}"
    box = (-width / 2, -length / 2, width, length)
    below = max(float(length), float(quilt.size.length)) / 2 + 2.3
    return (
        rect(*box, class_="outline-ground", fill="none", stroke_width=0.55, rx=0.8)
        + rect(
            *box, class_="outline", fill="none", stroke_width=0.3, stroke_dasharray="1.3 1", rx=0.8
        )
        + text(words, width / 2, below, class_="outline-name", font_size=1.75, text_anchor="end")
    )
