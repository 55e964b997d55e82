"""A block with an arrow at every seam, to the side it is pressed to; an open seam has a bar."""

from collections.abc import Collection, Sequence
from math import hypot

from kersey.core.blocks.assembly import Patch, Size
from kersey.core.cloth.fabric import Print
from kersey.core.sewing.seams import Point, Seam
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture


def draw_pressed(
    patches: Sequence[Patch],
    finished: Size,
    prints: Sequence[Print],
    pressed: Sequence[tuple[Seam, int]],
    lumps: Collection[Point] = (),
    shadows: Collection[int] = (),
) -> str:
    """The block in its prints with its pressing; lumps are ringed, shadows have a dashed arrow."""
    cloths, big = Cloths(), float(max(finished))
    parts = [
        element(
            "path",
            d=_outline(patch),
            fill=cloths.fill(cloth),
            class_="piece",
            stroke_width=big / 120,
        )
        for patch, cloth in zip(patches, prints, strict=True)
    ]
    for n, (seam, side) in enumerate(pressed):
        parts.append(_arrow(seam, side, big, n in shadows))
    for x, y in lumps:
        parts.append(
            element("circle", cx=number(x), cy=number(y), r=number(big / 28), class_="press-lump")
        )
    edge = big / 30
    return picture(
        -edge,
        -edge,
        float(finished[0]) + 2 * edge,
        float(finished[1]) + 2 * edge,
        cloths.definitions,
        *parts,
        label="One block, an arrow at each seam.",
        class_="pressed-block",
    )


def _outline(patch: Patch) -> str:
    return "M" + "L".join(f"{number(x)} {number(y)}" for x, y in patch.corners) + "z"


def _arrow(seam: Seam, side: int, big: float, shadow: bool) -> str:
    x = float(seam.begin[0] + seam.end[0]) / 2
    y = float(seam.begin[1] + seam.end[1]) / 2
    a, b = float(seam.line[0]), float(seam.line[1])
    long = hypot(a, b)
    a, b = a / long, b / long
    reach, head = big / 15, big / 42
    if side == 0:
        line = _path((x - b * reach, y + a * reach), (x + b * reach, y - a * reach))
        return element("path", d=line, class_="press-open", stroke_width=number(big / 75))
    u, v = a * side, b * side
    tip = x + u * reach, y + v * reach
    line = _path((x - u * reach * 0.35, y - v * reach * 0.35), tip) + _path(
        (tip[0] - (u + v) * head, tip[1] - (v - u) * head),
        tip,
        (tip[0] - (u - v) * head, tip[1] - (v + u) * head),
    )
    name = "press-arrow press-shadow" if shadow else "press-arrow"
    halo = element("path", d=line, class_="press-halo", stroke_width=number(big / 34))
    return halo + element("path", d=line, class_=name, stroke_width=number(big / 75))


def _path(*points: tuple[float, float]) -> str:
    return "M" + "L".join(f"{number(x)} {number(y)}" for x, y in points)
