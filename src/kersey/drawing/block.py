"""A single rail block, and the swatch of a print."""

from collections.abc import Sequence

from kersey.core.blocks.rails import RailBlock
from kersey.core.fabric import Print
from kersey.core.length import Units, format_length
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture, rect, text

_SWATCH = 3.4
_ROOM = 2.2


def draw_block(block: RailBlock, prints: Sequence[Print], units: Units) -> str:
    """A block with its seam allowance as a dashed rim, and its finished size beside it."""
    cloths = Cloths()
    f, s, rail = block.finished_size, block.seam, block.finished_rail_width
    shown = [prints[i % len(prints)] for i in range(block.strips)]
    rails = [
        rect(
            -s,
            i * rail - (s if i == 0 else 0),
            f + 2 * s,
            rail + (s if i in {0, block.strips - 1} else 0),
            fill=cloths.fill(cloth),
        )
        for i, cloth in enumerate(shown)
    ]
    seams = "".join(
        f"M{number(-s)} {number(i * rail)}h{number(f + 2 * s)}" for i in range(1, block.strips)
    )
    finished = format_length(f, units)
    big = float(f)
    return picture(
        -_ROOM,
        -_ROOM,
        big + 2 * _ROOM,
        big + 2 * _ROOM,
        cloths.definitions,
        *rails,
        element("path", d=seams, class_="seam", fill="none", stroke_width=big / 90),
        rect(
            0,
            0,
            f,
            f,
            fill="none",
            class_="seam-line",
            stroke_width=big / 90,
            stroke_dasharray=f"{number(big / 30)} {number(big / 40)}",
        ),
        text(
            f"{finished} finished",
            f / 2,
            big + 1.75,
            class_="measure",
            font_size=1.3,
            text_anchor="middle",
        ),
        label=f"A block of {block.strips} rails, {finished} finished, "
        f"{format_length(block.unfinished_size, units)} with its seam allowance.",
        class_="block-drawing",
    )


def draw_swatch(cloth: Print) -> str:
    """A square of a print."""
    cloths = Cloths()
    square = rect(0, 0, _SWATCH, _SWATCH, fill=cloths.fill(cloth))
    return picture(
        0, 0, _SWATCH, _SWATCH, cloths.definitions, square, label=cloth.name, class_="swatch"
    )
