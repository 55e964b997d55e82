"""What is drawn over a quilt while it is finished: stitching, ties, joins of the binding, and what
an edge hides."""

from collections.abc import Collection, Sequence
from fractions import Fraction

from kersey.core.finish.binding_joins import CORNER, Joins, point_at
from kersey.core.finish.hidden_points import Hidden
from kersey.core.finish.quilting import Stitching
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.quilt import corner, draw_quilt
from kersey.drawing.svg import element, number, picture, text

Size = tuple[Fraction, Fraction]
_THREAD, _HALO = 0.26, 0.55


def draw_stitched(quilt: Quilt, stitching: Stitching) -> str:
    """The quilt with its stitching: a dashed line for stitches, a cross for every tie."""
    left, top = (float(side) for side in corner(quilt))
    d = "".join(_path(line, left, top) for line in stitching.lines)
    crosses = "".join(_cross(x + left, y + top) for x, y in stitching.ties)
    parts = [
        element("path", d=d or crosses, class_=name, fill="none", stroke_width=wide)
        for name, wide in (("stitch-halo", _HALO), ("stitch", _THREAD))
    ]
    return draw_quilt(quilt, pulls="".join(parts))


def draw_joined_binding(quilt: Quilt, joins: Joins, start_words: str) -> str:
    """The quilt with a mark at every join of its binding, ringed where it lies on a corner, and
    where the binding is begun."""
    left, top = (float(side) for side in corner(quilt))
    size = quilt.size.width, quilt.size.length
    parts = [
        _join(*point_at(size, joins.start, at), left, top, n in joins.on_corners)
        for n, at in enumerate(joins.places)
    ]
    x, y = (float(side) for side in point_at(size, joins.start, Fraction(0)))
    parts.append(
        element(
            "circle",
            cx=number(x + left),
            cy=number(y + top),
            r=1.1,
            class_="join-start",
            stroke_width=0.3,
        )
    )
    parts.append(
        text(
            start_words,
            x + left,
            y + top + 3.2,
            class_="measure",
            font_size=2.2,
            text_anchor="middle",
        )
    )
    return draw_quilt(quilt, pulls="".join(parts))


def draw_hidden(quilt: Quilt, hidden: Hidden) -> str:
    """The quilt with what its edge lies over shaded, and every point in danger ringed."""
    left, top = (float(side) for side in corner(quilt))
    wide, long = float(quilt.size.width), float(quilt.size.length)
    band = float(hidden.width)
    inner = _box(left + band, top + band, wide - 2 * band, long - 2 * band)
    shade = element(
        "path", d=_box(left, top, wide, long) + inner, class_="hidden-band", fill_rule="evenodd"
    )
    around = float(quilt.size.bordered + quilt.size.edge)
    rings = _rings(hidden.points, left + around, top + around)
    return draw_quilt(quilt, pulls=shade + rings)


def draw_turned(quilt: Quilt, backing: Size, opening: Fraction, seam: Fraction) -> str:
    """The top on the larger backing that is turned to a frame: middles, stops and the opening."""
    wide, long = (float(side) for side in backing)
    top_wide, top_long = float(quilt.top_width), float(quilt.top_length)
    outer = element(
        "path", d=_box(-wide / 2, -long / 2, wide, long), class_="turned-backing", stroke_width=0.4
    )
    inner = element(
        "path",
        d=_box(-top_wide / 2, -top_long / 2, top_wide, top_long),
        class_="turned-top",
        stroke_width=0.4,
    )
    x, y, gap = top_wide / 2, top_long / 2, float(opening) / 2
    middles = [(0.0, -y), (0.0, y), (-x, 0.0), (x, 0.0)]
    inset = float(seam)
    stops = [(i * (x - inset), j * (y - inset)) for i in (-1, 1) for j in (-1, 1)]
    open_side = (
        f"M{number(x)} {number(-gap)}V{number(gap)}"
        if y >= x
        else (f"M{number(-gap)} {number(y)}H{number(gap)}")
    )
    parts = [
        *(
            element("path", d=_cross(*at), class_="turned-mark", fill="none", stroke_width=0.4)
            for at in middles
        ),
        *(
            element(
                "circle", cx=number(at_x), cy=number(at_y), r=0.8, class_="join", stroke_width=0.3
            )
            for at_x, at_y in stops
        ),
        element("path", d=open_side, class_="turned-opening", fill="none", stroke_width=0.9),
    ]
    edge = 2.0
    return picture(
        -wide / 2 - edge,
        -long / 2 - edge,
        wide + 2 * edge,
        long + 2 * edge,
        outer,
        inner,
        *parts,
        label="The top on its backing. Crosses mark centers, dots mark stops, "
        "and the thick line is the opening.",
        class_="turned-drawing",
    )


def _rings(points: Collection[tuple[Fraction, Fraction]], left: float, top: float) -> str:
    return "".join(
        element(
            "circle",
            cx=number(left + float(x)),
            cy=number(top + float(y)),
            r=0.9,
            class_="point-lost",
            stroke_width=0.3,
            fill="none",
        )
        for x, y in points
    )


def _path(line: Sequence[tuple[float, float]], left: float, top: float) -> str:
    return "M" + "L".join(f"{number(x + left)} {number(y + top)}" for x, y in line)


def _cross(x: float, y: float) -> str:
    return (
        f"M{number(x - 0.5)} {number(y)}L{number(x + 0.5)} {number(y)}"
        f"M{number(x)} {number(y - 0.5)}L{number(x)} {number(y + 0.5)}"
    )


def _join(x: Fraction, y: Fraction, left: float, top: float, on_corner: bool) -> str:
    at_x, at_y = float(x) + left, float(y) + top
    dot = element(
        "circle", cx=number(at_x), cy=number(at_y), r=0.75, class_="join", stroke_width=0.25
    )
    if not on_corner:
        return dot
    return dot + element(
        "circle",
        cx=number(at_x),
        cy=number(at_y),
        r=number(CORNER * 3 / 4),
        class_="point-lost",
        stroke_width=0.4,
        fill="none",
    )


def _box(x: float, y: float, wide: float, high: float) -> str:
    return f"M{number(x)} {number(y)}h{number(wide)}v{number(high)}h{number(-wide)}z"
