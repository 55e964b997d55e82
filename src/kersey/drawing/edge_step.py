"""What is done at a step of the edge, drawn close by: a corner, a fold, a cut through the layers.

Every scene is 12 by 7 units. Lengths that matter, a strip, a fold, an ear, are true to one another;
cloths have the colours of the quilt, their wrong sides paler.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.finish.edge_steps import EdgePlan, corner_seam
from kersey.core.frame.edge import EdgeStyle, cut_bias
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length
from kersey.drawing.svg import element, number, picture, text

_WIDE, _HIGH, _PX = 12.0, 7.0, 17.0
_BATTING = "#f3efe2"
_STITCH, _CUT, _FOLD = "step-stitch", "edge-cut", "step-fold"
_ROOT2 = 2**0.5

Point = tuple[float, float]


@dataclass(frozen=True)
class StepColours:
    """The colours of the top's outermost cloth, of the binding and of the backing."""

    top: str
    edge: str
    back: str


@dataclass(frozen=True)
class _Scene:
    """A step to draw: lengths in inches."""

    colours: StepColours
    width: float
    seam: float
    units: Units
    single: bool = False


def draw_edge_step(
    plan: EdgePlan, key: str, colours: StepColours, seam: Fraction, units: Units
) -> str:
    """The drawing of a step by its key; nothing where the step needs none."""
    style = plan.edge.style
    draw = _DRAWN.get((_school(style), key))
    if draw is None:
        return ""
    single = style is EdgeStyle.SINGLE_FOLD
    scene = _Scene(colours, float(plan.edge.width), float(seam), units, single)
    words = next(step.words for step in plan.steps if step.key == key)
    return picture(
        0, 0, _WIDE, _HIGH, *draw(scene), label=words, class_="edge-step", px_per_inch=_PX
    )


def draw_bias_strips(plan: EdgePlan, usable_width: Fraction, colour: str, units: Units) -> str:
    """The cloth that a bias binding is cut from, with its lines at 45 degrees, to scale."""
    wide = float(usable_width)
    cut = cut_bias(_wanted(plan), plan.edge.width, usable_width)
    high, step = float(cut.cloth), float(plan.edge.width) * _ROOT2
    parts = [_shape([(0, 0), (wide, 0), (wide, high), (0, high)], colour)]
    # Each line begins on the lower edge, or on the left one above it, and goes up to the right; one
    # of them in the corner, so that most strips run from edge to edge.
    at = -step * (high // step)
    while at < wide:
        begin, end = max(0.0, at), min(wide, at + high)
        parts.append(_line([(begin, high - (begin - at)), (end, high - (end - at))], _CUT))
        at += step
    words = (
        f"{format_length(cut.cloth, units)} of fabric cut at 45°, with lines "
        f"{format_length(plan.edge.width, units)} apart: {counted(len(cut.strips), 'strip')}"
    )
    return picture(
        -0.3,
        -0.3,
        wide + 0.6,
        high + 0.6,
        *parts,
        label=f"{words}.",
        class_="bias-strips",
        px_per_inch=8.0,
    )


def _wanted(plan: EdgePlan) -> Fraction:
    """How long its strips are joined; so much cloth gives just these strips."""
    return sum(plan.strips, Fraction(0)) - (len(plan.strips) - 1) * plan.edge.width


def _school(style: EdgeStyle) -> str:
    return {EdgeStyle.FOLDED: "folded", EdgeStyle.TURNED: "turned"}.get(style, "bound")


# Bound edges.


def _trim(scene: _Scene) -> list[str]:
    colours, (x, y) = scene.colours, (8.6, 1.9)
    return [
        _shape([(0, 0.5), (10.4, 0.4), (10.5, _HIGH), (0, _HIGH)], colours.back, pale=True),
        _shape([(0, 1.1), (9.6, 1.1), (9.6, _HIGH), (0, _HIGH)], _BATTING),
        _shape([(0, y), (x, y), (x, _HIGH), (0, _HIGH)], colours.top),
        _line([(0, y), (11.2, y)], _CUT),
        _line([(x, 0.1), (x, _HIGH)], _CUT),
    ]


def _join(scene: _Scene) -> list[str]:
    width, right, top = scene.width, 8.5, 0.8
    left, bottom = right - width, top + width
    off = scene.seam * _ROOT2
    return [
        _shape([(left, top), (right, top), (right, _HIGH), (left, _HIGH)], scene.colours.edge),
        _shape(
            [(0.4, top), (right, top), (right, bottom), (0.4, bottom)],
            scene.colours.edge,
            pale=True,
        ),
        _line([(left, top), (right, bottom)], _STITCH),
        _line([(left + off, top), (right, bottom - off)], _CUT),
    ]


def _press(scene: _Scene) -> list[str]:
    edge, width, top = scene.colours.edge, scene.width, 0.5
    turn = scene.seam if scene.single else width / 2
    low = top + width + 1.1
    folded = width - turn
    return [
        _shape(_box(0.5, top, 11, width), edge, pale=True),
        _line([(0.5, top + turn), (11.5, top + turn)], _FOLD),
        _arrow((6, top + turn * 0.25), (6, top + turn * 1.75)),
        _shape(_box(0.5, low, 11, folded), edge, pale=scene.single),
        _shape(_box(0.5, low, 11, min(turn, folded)), edge),
    ]


def _corner(scene: _Scene) -> list[str]:
    """Stop before the corner, fold away, fold back."""
    strip = max(0.7, min(1.3, scene.width / 2))
    stop = min(0.4, strip * 2 * scene.seam / scene.width * 2)
    return [part for n in range(3) for part in _corner_panel(scene, n, strip, stop)]


def _corner_panel(scene: _Scene, panel: int, strip: float, stop: float) -> list[str]:
    left, right, low = panel * 4.1, panel * 4.1 + 2.9, 4.4
    top, edge = scene.colours.top, scene.colours.edge
    parts = [_shape([(left, 0.4), (right, 0.4), (right, low), (left, low)], top)]
    lying = [(left, low - strip), (right - strip, low - strip), (right, low), (left, low)]
    if panel == 0:
        parts.append(_shape(_box(left, low - strip, right - left + 0.8, strip), edge))
    elif panel == 1:
        parts += [
            _shape(lying, edge),
            _shape(
                [
                    (right - strip, low - strip),
                    (right, low),
                    (right, low + 2.2),
                    (right - strip, low + 2.2),
                ],
                edge,
                pale=True,
            ),
            _line([(right - strip, low - strip), (right, low)], _FOLD),
        ]
    else:
        parts += [
            _shape(lying, edge),
            _shape(_box(right - strip, 0.4, strip, low - 0.4), edge),
            _line([(right - stop, low), (right - stop, 0.4)], _STITCH),
        ]
    parts.append(_line([(left, low - stop), (right - stop, low - stop)], _STITCH))
    parts.append(_dot(right - stop, low - stop))
    return parts


def _close(scene: _Scene) -> list[str]:
    width, edge = min(3.4, scene.width), scene.colours.edge
    left, right = 6 - width / 2, 6 + width / 2
    return [
        _shape(_box(0, 4.6, _WIDE, 2.4), scene.colours.top),
        _shape(_box(0, 3.4, right, 1.4), edge),
        _shape(_box(left, 3.1, _WIDE - left, 1.4), edge, pale=True),
        _line([(left, 2.4), (left, 5.2)], _CUT),
        _line([(right, 2.4), (right, 5.2)], _CUT),
        _measure(6, 1.8, scene.width, scene.units),
    ]


def _wrap(scene: _Scene) -> list[str]:
    """A cut through the layers at the edge, the binding round it."""
    shows = 1.5
    return [
        *_layers(scene, 9.0),
        _band(
            [(9 - shows, 2.5), (9.4, 2.5), (9.4, 4.75), (9 - shows - 0.3, 4.75)], scene.colours.edge
        ),
        _line([(9 - shows + 0.3, 2.1), (9 - shows + 0.3, 5.1)], _STITCH),
    ]


# The backing folded to the front.


def _flush(scene: _Scene) -> list[str]:
    colours = scene.colours
    return [
        _shape(_box(0, 0.3, 11.7, _HIGH), colours.back, pale=True),
        _shape([(0, 1.7), (9.2, 1.7), (9.2, _HIGH), (0, _HIGH)], _BATTING),
        _shape([(0, 2.3), (8.6, 2.3), (8.6, _HIGH), (0, _HIGH)], colours.top),
        _line([(0, 2.3), (8.6, 2.3), (8.6, _HIGH)], _CUT),
    ]


def _beyond(scene: _Scene) -> list[str]:
    off, (x, y) = 1.8, (8.2, 2.6)
    return [
        _shape(_box(0, 0.2, 11.8, _HIGH), scene.colours.back, pale=True),
        _shape([(0, y), (x, y), (x, _HIGH), (0, _HIGH)], scene.colours.top),
        _line([(0, y - off), (x + off, y - off), (x + off, _HIGH)], _CUT),
        _measure(3, y - off / 2 + 0.3, 2 * scene.width, scene.units),
    ]


def _fold_once(scene: _Scene) -> list[str]:
    back = scene.colours.back
    return [
        *_layers(scene, 7.4),
        _band([(7.4, 4.75), (8.9, 4.75), (8.9, 4.1), (7.5, 4.1)], back),
        _arrow((9.9, 4.8), (9.3, 3.5)),
    ]


def _fold_corner(scene: _Scene) -> list[str]:
    off, (x, y) = 1.9, (8.0, 2.7)
    return [
        _shape(
            [(0, y - off), (x - off, y - off), (x + off, y + off), (x + off, _HIGH), (0, _HIGH)],
            scene.colours.back,
            pale=True,
        ),
        _shape([(0, y), (x, y), (x, _HIGH), (0, _HIGH)], scene.colours.top),
        _shape([(x - off, y - off), (x + off, y + off), (x - off, y + off)], scene.colours.back),
        _line([(x - off, y - off), (x + off, y + off)], _FOLD),
        _line([(x - off, y + off * 0.35), (x - off * 0.35, y + off)], _CUT),
    ]


def _fold_twice(scene: _Scene) -> list[str]:
    back = scene.colours.back
    return [
        *_layers(scene, 8.4),
        _band([(8.4, 4.75), (8.8, 4.75), (8.8, 2.55), (6.9, 2.55)], back),
        _band([(8.5, 2.9), (8.5, 4.3)], back),
        _line([(7.2, 2.1), (7.2, 5.1)], _STITCH),
        _measure(7.6, 1.7, scene.width, scene.units),
    ]


# The backing turned to a frame.


def _mark(scene: _Scene) -> list[str]:
    left, top, right, low = 2.2, 1.1, 9.8, 5.9
    inset = 0.4
    stops = [_dot(x, y) for x in (left + inset, right - inset) for y in (top + inset, low - inset)]
    return [
        _shape(_box(left, top, right - left, low - top), scene.colours.top, pale=True),
        *(
            _line(ends, _FOLD)
            for ends in (
                [(6, top - 0.4), (6, top + 0.6)],
                [(6, low - 0.6), (6, low + 0.4)],
                [(left - 0.4, 3.5), (left + 0.6, 3.5)],
                [(right - 0.6, 3.5), (right + 0.4, 3.5)],
            )
        ),
        *stops,
        _line([(3.4, low - inset), (5.2, low - inset)], _CUT),
    ]


def _pin(scene: _Scene) -> list[str]:
    left, top, right, low, off = 2.2, 1.3, 9.8, 5.7, 0.95
    d = (
        f"M6 {top}C{right - 2} {top} {right - 0.4} {top - off} {right + off} {top - off}"
        f"C{right + off} {top + 0.5} {right} {top + 1.4} {right} 3.5"
        f"C{right} {low - 1.4} {right + off} {low - 0.5} {right + off} {low + off}"
        f"C{right - 0.4} {low + off} {right - 2} {low} 6 {low}"
        f"C{left + 2} {low} {left + 0.4} {low + off} {left - off} {low + off}"
        f"C{left - off} {low - 0.5} {left} {low - 1.4} {left} 3.5"
        f"C{left} {top + 1.4} {left - off} {top + 0.5} {left - off} {top - off}"
        f"C{left + 0.4} {top - off} {left + 2} {top} 6 {top}z"
    )
    backing = element("path", d=d, fill=scene.colours.back, class_="edge-cloth")
    pins = (
        [(6, top - 0.5), (6, top + 0.7)],
        [(6, low - 0.7), (6, low + 0.5)],
        [(left - 0.5, 3.5), (left + 0.7, 3.5)],
        [(right - 0.7, 3.5), (right + 0.5, 3.5)],
    )
    above = _shape(_box(left, top, right - left, low - top), scene.colours.top, pale=True)
    return [backing, above, *(_line(ends, _FOLD) for ends in pins)]


def _seamed(scene: _Scene) -> list[str]:
    left, top, right, low, inset = 2.2, 1.1, 9.8, 5.9, 0.45
    x1, x2, y1, y2 = left + inset, right - inset, top + inset, low - inset
    sides = (
        [(x1, y1), (x2, y1)],
        [(x1, y1), (x1, y2)],
        [(x2, y1), (x2, y2)],
        [(x1, y2), (3.6, y2)],
        [(5.6, y2), (x2, y2)],
    )
    return [
        _shape(
            [(left, top), (right, top), (right, low), (left, low)], scene.colours.top, pale=True
        ),
        *(_line(side, _STITCH) for side in sides),
        *(_dot(x, y) for x, y in ((x1, y1), (x2, y1), (x1, y2), (x2, y2), (3.6, y2), (5.6, y2))),
    ]


_STOP, _EAR = (6.0, 1.6), 3.4


def _ear(scene: _Scene) -> list[str]:
    (x, y), ear, seam = _STOP, _EAR, corner_seam(Fraction(scene.width))
    return [
        _shape(
            [(0, y), (x + ear, y), (x + ear - (_HIGH - y), _HIGH), (0, _HIGH)],
            scene.colours.back,
            pale=True,
        ),
        _line([(x + ear, y), (x + ear - (_HIGH - y), _HIGH)], _FOLD),
        _line([(0, _ear_seam(scene)[0][1]), _ear_seam(scene)[0]], _STITCH),
        _line(_ear_seam(scene), _STITCH),
        _dot(*_ear_seam(scene)[0]),
        _measure(x - 1.7, y + ear / 2 + 0.4, float(seam), scene.units),
    ]


def _ear_seam(scene: _Scene) -> list[tuple[float, float]]:
    """From the last stitch square to the fold, which lies at 45 degrees."""
    (x, y), ear = _STOP, _EAR
    inset = min(0.5, ear * scene.seam / (2 * scene.width))
    return [(x, y + inset), (x + (ear - inset) / 2, y + (ear + inset) / 2)]


def _ear_off(scene: _Scene) -> list[str]:
    beside = min(0.4, max(0.25, _EAR * scene.seam / (3 * scene.width)))
    (x, y), (to_x, to_y) = _ear_seam(scene)
    cut = [(x + beside - 0.4, y - beside - 0.4), (to_x + beside, to_y - beside)]
    return [*_ear(scene)[:-1], _line(cut, _CUT)]


def _framed(scene: _Scene) -> list[str]:
    (x, y), frame = (8.6, 2.4), 1.8
    return [
        _shape(
            [(0, y - frame), (x + frame, y - frame), (x + frame, _HIGH), (0, _HIGH)],
            scene.colours.back,
        ),
        _shape([(0, y), (x, y), (x, _HIGH), (0, _HIGH)], scene.colours.top),
        _line([(x, y), (x + frame, y - frame)], _FOLD),
        _line([(0, y - 0.2), (x + 0.2, y - 0.2), (x + 0.2, _HIGH)], _STITCH),
        _measure(3.4, y - frame / 2 + 0.3, scene.width, scene.units),
    ]


_DRAWN: dict[tuple[str, str], Callable[[_Scene], list[str]]] = {
    ("bound", "trim"): _trim,
    ("bound", "join"): _join,
    ("bound", "fold"): _press,
    ("bound", "sew"): _corner,
    ("bound", "close"): _close,
    ("bound", "turn"): _wrap,
    ("folded", "batting"): _flush,
    ("folded", "backing"): _beyond,
    ("folded", "first"): _fold_once,
    ("folded", "corners"): _fold_corner,
    ("folded", "second"): _fold_twice,
    ("turned", "mark"): _mark,
    ("turned", "pin"): _pin,
    ("turned", "sew"): _seamed,
    ("turned", "ears"): _ear,
    ("turned", "trim"): _ear_off,
    ("turned", "turn"): _framed,
}


# What scenes are made of.


def _layers(scene: _Scene, right: float) -> list[str]:
    """Top, batting and backing, cut through, up to an edge on the right."""
    return [
        _shape(_box(0, 3.0, right, 1.4), _BATTING),
        _band([(0, 2.8), (right, 2.8)], scene.colours.top),
        _band([(0, 4.6), (right, 4.6)], scene.colours.back),
    ]


def _box(x: float, y: float, width: float, height: float) -> list[Point]:
    return [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]


def _shape(points: Sequence[Point], fill: str, pale: bool = False) -> str:
    """A piece of cloth; its wrong side is paler."""
    cloth = element("path", d=f"{_path(points)}z", fill=fill, class_="edge-cloth")
    veil = element("path", d=f"{_path(points)}z", fill="#ffffff", fill_opacity=0.55)
    return cloth + veil if pale else cloth


def _band(points: Sequence[Point], colour: str) -> str:
    """Cloth seen from its edge."""
    return element("path", d=_path(points), class_="step-band-edge", fill="none") + element(
        "path", d=_path(points), stroke=colour, class_="step-band", fill="none"
    )


def _line(points: Sequence[Point], kind: str) -> str:
    return element("path", d=_path(points), class_=kind, fill="none")


def _arrow(begin: Point, end: Point) -> str:
    (x, y), (tip_x, tip_y) = begin, end
    long = ((tip_x - x) ** 2 + (tip_y - y) ** 2) ** 0.5 or 1.0
    along, across = (tip_x - x) / long * 0.45, (tip_y - y) / long * 0.45
    head = [
        (tip_x - along - across, tip_y - across + along),
        end,
        (tip_x - along + across, tip_y - across - along),
    ]
    return element("path", d=_path([begin, end]) + _path(head), class_="step-arrow", fill="none")


def _dot(x: float, y: float) -> str:
    return element("circle", cx=number(x), cy=number(y), r=0.2, class_="step-dot")


def _measure(x: float, y: float, length: float, units: Units) -> str:
    words = format_length(Fraction(length).limit_denominator(64), units)
    return text(words, x, y, class_="step-measure", font_size=1.15, text_anchor="middle")


def _path(points: Sequence[Point]) -> str:
    return "M" + "L".join(f"{number(x)} {number(y)}" for x, y in points)
