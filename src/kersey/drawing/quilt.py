"""The quilt, drawn to scale in its prints, over the outline of what it is for."""

from collections import defaultdict
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import Patch, turned
from kersey.core.cloth.fabric import Print
from kersey.core.frame.borders import Border, Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.part import PartKind
from kersey.core.frame.purposes import Purpose
from kersey.core.frame.setting import Seat, Setting
from kersey.core.frame.size_search import SizeOption
from kersey.core.measure.length import format_length, format_size
from kersey.core.quilt.body import corner_in_body
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.cloth import Cloths
from kersey.drawing.key_border import draw_key_border
from kersey.drawing.lie import Lie
from kersey.drawing.svg import box_path, element, number, picture, rect, text
from kersey.drawing.tape import tape_across, tape_down

_SET = {Setting.ALTERNATE: "with plain squares between", Setting.ON_POINT: "set on point"}
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


def draw_quilt(quilt: Quilt, view: View | None = None, pulls: str = "") -> str:
    """The quilt on the wall with tapes along its edges and the bed or lap as a dashed outline.

    Over it lies what it can be pulled at, where that was drawn for its `corner`.
    """
    held = view or view_of((quilt.size,))
    width, length = quilt.size.width, quilt.size.length
    left, top = corner(quilt)
    cloths = Cloths()
    body = draw_whole(quilt, left, top, cloths)
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
        pulls,
        label=describe(quilt),
        class_="quilt-drawing",
    )


def corner(quilt: Quilt) -> tuple[Fraction, Fraction]:
    """Where the quilt's finished corner lies in its picture on the wall: its middle is 0, 0."""
    return -quilt.size.width / 2, -quilt.size.length / 2


def draw_miniature(quilt: Quilt) -> str:
    """The quilt alone, small, in flat colours."""
    edge = _BINDING_SHOWS
    width, length = quilt.size.width + 2 * edge, quilt.size.length + 2 * edge
    return picture(
        0, 0, width, length, draw_whole(quilt, edge, edge, Cloths(flat=True)), label=describe(quilt)
    )


def draw_hung(quilt: Quilt, px_per_inch: float, flat: bool = True) -> str:
    """The quilt as it hangs beside others at one scale, in flat colours or in its prints; over the
    bed or lap that is wished for, if one is."""
    edge = _BINDING_SHOWS
    wide, long = quilt.size.width + 2 * edge, quilt.size.length + 2 * edge
    cloths = Cloths(flat=flat)
    parts = [draw_whole(quilt, -wide / 2 + edge, -long / 2 + edge, cloths)]
    if quilt.size.purpose_wished:
        purpose = quilt.size.purpose
        box = (purpose.most_width, purpose.most_length)
        parts.append(
            rect(
                -box[0] / 2,
                -box[1] / 2,
                *box,
                class_="outline",
                fill="none",
                stroke="#55636f",
                stroke_width=0.6,
                stroke_dasharray="2.4 2",
            )
        )
        wide, long = max(wide, box[0] + 1), max(long, box[1] + 1)
    return picture(
        -wide / 2,
        -long / 2,
        wide,
        long,
        cloths.definitions,
        *parts,
        label=describe(quilt),
        px_per_inch=px_per_inch,
    )


def draw_body(quilt: Quilt, px_per_inch: float) -> str:
    """The blocks in their prints, with what lies between them, without the frame."""
    cloths = Cloths()
    body = draw_whole(quilt, Fraction(0), Fraction(0), cloths)
    around = quilt.size.bordered + quilt.size.edge
    return picture(
        around + quilt.size.spacer[0],
        around + quilt.size.spacer[1],
        quilt.size.body_width,
        quilt.size.body_length,
        cloths.definitions,
        body,
        label=describe(quilt),
        px_per_inch=px_per_inch,
    )


def describe(quilt: Quilt) -> str:
    """The picture in words."""
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    borders = len(quilt.borders)
    has = [_SET[quilt.grid.setting]] if quilt.part(PartKind.SETTING) else []
    if quilt.sashing.width:
        has.append(f"with sashing of {format_length(quilt.sashing.width, quilt.units)}")
    if borders:
        has.append("with a plain border" if borders == 1 else f"with {borders} plain borders")
    return (
        f"Quilt of {quilt.size.columns} by {quilt.size.rows} blocks of "
        f"{' '.join((quilt.kept.block.title.lower(), *has))}, {size} finished."
    )


def lie_of(quilt: Quilt, left: Fraction, top: Fraction) -> Lie:
    """How the blocks lie in a quilt whose finished corner lies there."""
    around = quilt.size.bordered + quilt.size.edge
    return Lie(quilt, left + around + quilt.size.spacer[0], top + around + quilt.size.spacer[1])


def draw_whole(
    quilt: Quilt,
    left: Fraction,
    top: Fraction,
    cloths: Cloths,
    shown: tuple[Fraction, Fraction] | None = None,
) -> str:
    """The quilt as a part of a picture, its finished corner lying there.

    Where the picture ends sooner, at `shown` across and down, no block beyond it is drawn.
    """
    size = quilt.size
    around = size.bordered + size.edge
    body_left, body_top = left + around + size.spacer[0], top + around + size.spacer[1]
    inside = left + size.edge, top + size.edge
    lie = Lie(quilt, body_left, body_top)
    return "".join(
        (
            _binding(quilt, left, top, cloths),
            _border(quilt, *inside, cloths),
            _sashing(quilt, body_left, body_top, cloths),
            _plain(quilt, body_left, body_top, cloths),
            _blocks(quilt, lie, cloths, shown),
            _seams(quilt, lie),
            _missing(quilt, lie),
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
        left + w / 2,
        top + w / 2,
        size.width - w,
        size.length - w,
        fill="none",
        stroke=cloths.fill(quilt.edge_print),
        stroke_width=w,
    )


def _binding(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """The binding round the edge; from the stash, its pieces follow one another."""
    size, edge = quilt.size, _BINDING_SHOWS
    frame = (left - edge, top - edge, size.width + 2 * edge, size.length + 2 * edge)
    binding = quilt.part(PartKind.BINDING)
    if binding is None:
        return rect(left, top, size.width, size.length, fill=cloths.fill(quilt.edge_print))
    prints = binding.cloth.prints
    if binding.cloth.source is not Source.LEFT:
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
    drawn, edge = "", 2 * quilt.size.edge
    width, length = quilt.size.width - edge, quilt.size.length - edge
    for border, part in reversed(quilt.framing):
        outer = left, top, width, length
        if border.key is None:
            drawn += _one_border(quilt, border, part.cloth.prints[0], outer, cloths)
        else:
            drawn += draw_key_border(quilt, border, part, outer, cloths)
        across, down = quilt.size.spacer if border.key is not None else (Fraction(0), Fraction(0))
        across, down = border.finished_width + across, border.finished_width + down
        left, top = left + across, top + down
        width, length = width - 2 * across, length - 2 * down
    return drawn


def _one_border(
    quilt: Quilt,
    border: Border,
    cloth: Print,
    outer: tuple[Fraction, Fraction, Fraction, Fraction],
    cloths: Cloths,
) -> str:
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
        drawn += element("path", d=squares, fill=cloths.fill(_print(quilt, PartKind.CORNERS)))
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


def _sashing(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """Strips between the blocks: those across lie under all, those upright over them."""
    sashing, size = quilt.sashing, quilt.size
    if not sashing.width:
        return ""
    cloth, w = _print(quilt, PartKind.SASHING), sashing.width
    across = box_path(left, top, size.body_width, size.body_length)
    xs, ys = _gaps(quilt)
    if sashing.cornerstones:
        upright = "".join(box_path(left + x, top, w, size.body_length) for x in xs)
    else:
        # Plain sashing is sewn in rows: its short strips end at the long ones.
        tall = quilt.block[1]
        rows = [corner_in_body(quilt, Seat(row, 0))[1] for row in range(size.rows)]
        upright = "".join(box_path(left + x, top + y, w, tall) for x in xs for y in rows)
    drawn = element("path", d=across, fill=cloths.fill(cloth))
    if upright:
        drawn += element("path", d=upright, fill=cloths.fill(cloth, upright=True))
    if sashing.cornerstones:
        squares = "".join(box_path(left + x, top + y, w, w) for x in xs for y in ys)
        if squares:
            corner = cloths.fill(_print(quilt, PartKind.CORNERSTONES))
            drawn += element("path", d=squares, fill=corner) + _seam_lines(squares)
    return drawn


def _gaps(quilt: Quilt) -> tuple[list[Fraction], list[Fraction]]:
    """Where strips lie between columns, and between rows."""
    sashing, size = quilt.sashing, quilt.size
    first = 0 if sashing.framed else 1
    last = 1 if sashing.framed else 0
    xs = [
        corner_in_body(quilt, Seat(0, n))[0] - sashing.width
        for n in range(first, size.columns + last)
    ]
    ys = [
        corner_in_body(quilt, Seat(n, 0))[1] - sashing.width for n in range(first, size.rows + last)
    ]
    return [] if sashing.rows_only else xs, ys


def _plain(quilt: Quilt, left: Fraction, top: Fraction, cloths: Cloths) -> str:
    """The plain cloth under the blocks, where some lies between them."""
    plain, size = quilt.part(PartKind.SETTING), quilt.size
    if plain is None:
        return ""
    cloth = cloths.fill(plain.cloth.prints[0])
    return rect(left, top, size.body_width, size.body_length, fill=cloth)


def _print(quilt: Quilt, kind: PartKind) -> Print:
    """What the part of a kind shows, which the quilt has."""
    part = quilt.part(kind)
    assert part is not None
    return part.cloth.prints[0]


def _blocks(quilt: Quilt, lie: Lie, cloths: Cloths, shown: tuple[Fraction, Fraction] | None) -> str:
    """All patches of one print that lie the same way are one path."""
    shapes = {
        turn: [_Shape(patch, lie) for patch in turned(quilt.assembly.patches, quilt.block, turn)]
        for turn in {placed.turn for placed in quilt.placed}
    }
    slots = quilt.patch_slots
    paths: dict[tuple[str, bool], list[str]] = defaultdict(list)
    for placed in quilt.placed:
        seat = Seat(placed.row, placed.column)
        if shown is not None and not lie.reaches(seat, shown):
            continue
        at = lie.anchor(seat)
        kit = quilt.kept.kits[placed.kit]
        for shape, slot in zip(shapes[placed.turn], slots, strict=True):
            paths[kit[slot], shape.upright].append(shape.at(*at))
    cloth = (
        element(
            "path",
            d="".join(outlines),
            fill=cloths.fill(quilt.prints[name], upright, lie.on_point),
            data_print=quilt.prints[name].name if cloths.named else None,
            data_family=quilt.prints[name].family if cloths.named else None,
        )
        for (name, upright), outlines in sorted(paths.items())
    )
    return element("g", *cloth, stroke="#10181f", stroke_opacity=0.22, stroke_width=0.06)


class _Shape:
    """A patch as it lies in a block, to be drawn at any place: only its first corner moves."""

    def __init__(self, patch: Patch, lie: Lie) -> None:
        straight = [(float(x), float(y)) for x, y in patch.corners]
        across, down = [x for x, _ in straight], [y for _, y in straight]
        left, top, right, bottom = min(across), min(down), max(across), max(down)
        wide, high = right - left, bottom - top
        box = set(straight) == {(x, y) for x in (left, right) for y in (top, bottom)}
        if box and not lie.on_point:
            self._first = left, top
            self._rest = f"h{number(wide)}v{number(high)}h{number(-wide)}z"
        else:
            corners = lie.lying(patch.corners)
            self._first = corners[0]
            steps = (
                f"l{number(to[0] - at[0])} {number(to[1] - at[1])}" for at, to in pairwise(corners)
            )
            self._rest = "".join(steps) + "z"
        # Cloth turns with the patch: its length lies along the longer side.
        self.upright = high > wide

    def at(self, x: float, y: float) -> str:
        """Its outline as path data, the block being anchored there."""
        return f"M{number(x + self._first[0])} {number(y + self._first[1])}{self._rest}"


def _seams(quilt: Quilt, lie: Lie) -> str:
    """The seams round every block."""
    return _seam_lines(lie.outline((*quilt.grid.seats, *quilt.grid.plain_seats)))


def _seam_lines(d: str) -> str:
    return element(
        "path", d=d, fill="none", stroke="#10181f", stroke_opacity=0.3, stroke_width=0.09
    )


def _missing(quilt: Quilt, lie: Lie) -> str:
    """Places for which there is no block: empty, crossed, in the colour of what is short."""
    if not quilt.empty_places:
        return ""
    return element(
        "path", d=lie.outline(quilt.empty_places), class_="missing", fill="#e9ebea"
    ) + element(
        "path",
        d=lie.outline(quilt.empty_places, crossed=True),
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
