"""The quilt, drawn to scale in its prints, over the outline of what it is for."""

from collections import defaultdict
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import Patch, turned
from kersey.core.cloth.fabric import Print
from kersey.core.frame.borders import Border, Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.purposes import Purpose
from kersey.core.frame.size_search import SizeOption
from kersey.core.measure.length import format_length, format_size
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


def draw_hung(quilt: Quilt, px_per_inch: float) -> str:
    """The quilt in its colours, as it hangs beside others at one scale; over the bed or lap that is
    wished for, if one is."""
    edge = _BINDING_SHOWS
    wide, long = quilt.size.width + 2 * edge, quilt.size.length + 2 * edge
    parts = [_quilt(quilt, -wide / 2 + edge, -long / 2 + edge, Cloths(flat=True))]
    if quilt.size.purpose_wished:
        purpose = quilt.size.purpose
        box = (purpose.most_width, purpose.most_length)
        parts.append(
            rect(-box[0] / 2, -box[1] / 2, *box, class_="outline", fill="none", stroke_width=0.6,
                 stroke_dasharray="2.4 2")
        )  # fmt: skip
        wide, long = max(wide, box[0] + 1), max(long, box[1] + 1)
    return picture(
        -wide / 2, -long / 2, wide, long, *parts, label=describe(quilt), px_per_inch=px_per_inch
    )


def describe(quilt: Quilt) -> str:
    """The picture in words."""
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    border = " with a plain border" if quilt.border else ""
    if quilt.sashing.width:
        border = f" with sashing of {format_length(quilt.sashing.width, quilt.units)}" + (
            " and a plain border" if quilt.border else ""
        )
    return (
        f"Quilt of {quilt.size.columns} by {quilt.size.rows} blocks of "
        f"{quilt.plan.block.title.lower()}{border}, {size} finished."
    )


def _quilt(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    size = quilt.size
    around = size.bordered + size.edge
    body_left, body_top = left + around, top + around
    inside = left + size.edge, top + size.edge
    return "".join(
        (
            _binding(quilt, left, top, cloths),
            _border(quilt, *inside, cloths),
            _sashing(quilt, body_left, body_top, cloths),
            _blocks(quilt, body_left, body_top, cloths),
            _seams(quilt, body_left, body_top),
            _missing(quilt, body_left, body_top),
            _folded_edge(quilt, left, top, cloths),
        )
    )


def _folded_edge(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """A backing that is folded over the edge of the top lies on it."""
    edge, size = quilt.project.design.edge, quilt.size
    if edge.style is not EdgeStyle.FOLDED:
        return ""
    w = edge.width
    return rect(
        left + w / 2, top + w / 2, size.width - w, size.length - w, fill="none",
        stroke=cloths.fill(quilt.binding_cloth.prints[0]), stroke_width=w,
    )  # fmt: skip


def _binding(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """The binding round the edge; from the stash, its pieces follow one another."""
    size, edge = quilt.size, _BINDING_SHOWS
    frame = (left - edge, top - edge, size.width + 2 * edge, size.length + 2 * edge)
    prints = quilt.binding_cloth.prints
    if not quilt.project.design.edge.has_strips:
        return rect(left, top, size.width, size.length, fill=cloths.fill(prints[0]))
    if quilt.binding.bought:
        return rect(*frame, fill=cloths.fill(prints[0]))
    around = 2 * (frame[2] + frame[3])
    share = around / len(prints)
    strokes = []
    for place, cloth in enumerate(prints):
        strokes.append(
            rect(
                frame[0] + edge / 2,
                frame[1] + edge / 2,
                frame[2] - edge,
                frame[3] - edge,
                fill="none",
                stroke=cloths.fill(cloth),
                stroke_width=edge,
                stroke_dasharray=f"{number(share)} {number(around)}",
                stroke_dashoffset=number(-share * place),
            )
        )
    return "".join(strokes)


def _border(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """All borders, from the outermost in."""
    drawn, inner = "", [(quilt.border, quilt.border_cloth.prints[0])] if quilt.border else []
    borders = [*inner, *zip(quilt.outer_borders, quilt.outer_cloths, strict=True)]
    edge = 2 * quilt.size.edge
    width, length = quilt.size.width - edge, quilt.size.length - edge
    for border, cloth in reversed(borders):
        drawn += _one_border(quilt, border, cloth, (left, top, width, length), cloths)
        w = border.finished_width
        left, top, width, length = left + w, top + w, width - 2 * w, length - 2 * w
    return drawn


def _one_border(
    quilt: Quilt, border: Border, cloth: Print,
    outer: tuple[Fraction, Fraction, Fraction, Fraction], cloths: Cloths,
) -> str:  # fmt: skip
    """A border within a rectangle, its corners as they are sewn."""
    (left, top, width, length), w = outer, border.finished_width
    corners, sides_first = quilt.project.design.corners, quilt.project.design.sides_first
    inner_width, inner_length = width - 2 * w, length - 2 * w
    # Where sides are sewn on first, the ends go from edge to edge; else it is the other way round.
    ends_reach = corners is not Corners.BUTTED or sides_first
    x, wide = (left, width) if ends_reach else (left + w, inner_width)
    y, high = (top + w, inner_length) if ends_reach else (top, length)
    across = box_path(x, top, wide, w) + box_path(x, top + w + inner_length, wide, w)
    down = box_path(left, y, w, high) + box_path(left + w + inner_width, y, w, high)
    drawn = element("path", d=across, fill=cloths.fill(cloth)) + element(
        "path", d=down, fill=cloths.fill(cloth, upright=True)
    )
    if corners is Corners.SQUARES:
        squares = "".join(
            box_path(a, b, w, w)
            for a in (left, left + w + inner_width)
            for b in (top, top + w + inner_length)
        )
        drawn += element("path", d=squares, fill=cloths.fill(quilt.binding_cloth.prints[0]))
        return drawn + _seam_lines(squares)
    if corners is Corners.MITRED:
        seams = "".join(
            f"M{number(a)} {number(b)}l{number(w * dx)} {number(w * dy)}"
            for a, dx in ((left, 1), (left + width, -1))
            for b, dy in ((top, 1), (top + length, -1))
        )
    elif sides_first:
        seams = "".join(
            f"M{number(left)} {number(b)}h{number(width)}" for b in (top + w, top + length - w)
        )
    else:
        seams = "".join(
            f"M{number(a)} {number(top)}v{number(length)}" for a in (left + w, left + width - w)
        )
    return drawn + _seam_lines(seams)


def _place(quilt: Quilt, row: int, column: int) -> tuple[Fraction, Fraction]:
    """Where in the body a block begins."""
    sashing, (width, height) = quilt.sashing, quilt.block
    edge = sashing.width if sashing.framed else Fraction(0)
    across = Fraction(0) if sashing.rows_only else sashing.width
    return edge + column * (width + across), edge + row * (height + sashing.width)


def _sashing(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """Strips between the blocks: those across lie under all, those upright over them."""
    sashing, size = quilt.sashing, quilt.size
    if not sashing.width:
        return ""
    cloth, w = quilt.sashing_cloth.prints[0], sashing.width
    across = box_path(left, top, size.body_width, size.body_length)
    xs, ys = _gaps(quilt)
    if sashing.cornerstones:
        upright = "".join(box_path(left + x, top, w, size.body_length) for x in xs)
    else:
        # Plain sashing is sewn in rows: its short strips end at the long ones.
        tall = quilt.block[1]
        rows = [_place(quilt, row, 0)[1] for row in range(size.rows)]
        upright = "".join(box_path(left + x, top + y, w, tall) for x in xs for y in rows)
    drawn = element("path", d=across, fill=cloths.fill(cloth))
    if upright:
        drawn += element("path", d=upright, fill=cloths.fill(cloth, upright=True))
    if sashing.cornerstones:
        squares = "".join(box_path(left + x, top + y, w, w) for x in xs for y in ys)
        corner = quilt.binding_cloth.prints[0]
        drawn += element("path", d=squares, fill=cloths.fill(corner)) if squares else ""
        drawn += _seam_lines(squares) if squares else ""
    return drawn


def _gaps(quilt: Quilt) -> tuple[list[Fraction], list[Fraction]]:
    """Where strips lie between columns, and between rows."""
    sashing, size = quilt.sashing, quilt.size
    first = 0 if sashing.framed else 1
    last = 1 if sashing.framed else 0
    xs = [_place(quilt, 0, n)[0] - sashing.width for n in range(first, size.columns + last)]
    ys = [_place(quilt, n, 0)[1] - sashing.width for n in range(first, size.rows + last)]
    return [] if sashing.rows_only else xs, ys


def _blocks(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """All patches of one print that lie the same way are one path."""
    turned_patches = {
        turn: [_Shape(patch) for patch in turned(quilt.assembly.patches, quilt.block, turn)]
        for turn in {placed.turn for placed in quilt.placed}
    }
    first_x, first_y, slots = float(left), float(top), quilt.patch_slots
    paths: dict[tuple[str, bool], list[str]] = defaultdict(list)
    seams: list[str] = []
    for placed in quilt.placed:
        across, down = _place(quilt, placed.row, placed.column)
        x, y = first_x + float(across), first_y + float(down)
        kit = quilt.plan.kits[placed.kit]
        for shape, slot in zip(turned_patches[placed.turn], slots, strict=True):
            outline = shape.at(x, y)
            paths[kit[slot], shape.upright].append(outline)
            seams.append(outline)
    return "".join(
        element("path", d="".join(outlines), fill=cloths.fill(quilt.prints[name], upright))
        for (name, upright), outlines in sorted(paths.items())
    ) + element(
        "path", d="".join(seams), fill="none", stroke="#10181f", stroke_opacity=0.22,
        stroke_width=0.06,
    )  # fmt: skip


class _Shape:
    """A patch as it lies in a block, to be drawn at any place: only its first corner moves."""

    def __init__(self, patch: Patch) -> None:
        corners = [(float(x), float(y)) for x, y in patch.corners]
        across, down = [x for x, _ in corners], [y for _, y in corners]
        left, top, right, bottom = min(across), min(down), max(across), max(down)
        wide, high = right - left, bottom - top
        if set(corners) == {(x, y) for x in (left, right) for y in (top, bottom)}:
            self._first = left, top
            self._rest = f"h{number(wide)}v{number(high)}h{number(-wide)}z"
        else:
            self._first = corners[0]
            steps = (
                f"l{number(to[0] - at[0])} {number(to[1] - at[1])}" for at, to in pairwise(corners)
            )
            self._rest = "".join(steps) + "z"
        # Cloth turns with the patch: its length lies along the longer side.
        self.upright = high > wide

    def at(self, x: float, y: float) -> str:
        """Its outline as path data, the block's corner lying there."""
        return f"M{number(x + self._first[0])} {number(y + self._first[1])}{self._rest}"


def _seams(quilt: Quilt, left: Fraction, top: Fraction) -> str:
    size, (width, height) = quilt.size, quilt.block
    if quilt.sashing.width:
        boxes = (
            box_path(left + x, top + y, width, height)
            for row in range(size.rows)
            for column in range(size.columns)
            for x, y in [_place(quilt, row, column)]
        )
        return _seam_lines("".join(boxes))
    across = "".join(
        f"M{number(left)} {number(top + r * height)}h{number(size.body_width)}"
        for r in range(size.rows + 1)
    )
    down = "".join(
        f"M{number(left + c * width)} {number(top)}v{number(size.body_length)}"
        for c in range(size.columns + 1)
    )
    return _seam_lines(across + down)


def _seam_lines(d: str) -> str:
    return element(
        "path", d=d, fill="none", stroke="#10181f", stroke_opacity=0.3, stroke_width=0.09
    )


def _missing(quilt: Quilt, left: Fraction, top: Fraction) -> str:
    """Places for which there is no block: empty, crossed, in the colour of what is short."""
    width, height = quilt.block
    boxes, crosses = [], []
    for r, c in quilt.empty_places:
        across, down = _place(quilt, r, c)
        x, y = left + across, top + down
        boxes.append(box_path(x, y, width, height))
        crosses.append(f"M{number(x)} {number(y)}l{number(width)} {number(height)}")
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
