"""A block of one's own while it is drawn: its cells, the seams that part it, and the grid."""

from collections.abc import Mapping, Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.own_block import OwnBlock
from kersey.core.cloth.fabric import Print
from kersey.drawing.cloth import Cloths
from kersey.drawing.patches import outline_of
from kersey.drawing.svg import element, number, picture

_SIDE = 60


def draw_own_block(
    block: OwnBlock, patches: Sequence[Patch], prints: Mapping[str, Print], side: Fraction
) -> str:
    """The block as it will look; `side` is what its patches are drawn in."""
    cloths, times = Cloths(), _SIDE / side
    shapes = [
        element("path", d=outline_of(patch, times), fill=cloths.fill(prints[patch.role]))
        for patch in patches
    ]
    seams = "".join(outline_of(patch, times) for patch in patches)
    pace = _SIDE / block.grid
    lines = "".join(
        f"M{number(n * pace)} 0v{_SIDE}M0 {number(n * pace)}h{_SIDE}" for n in range(block.grid + 1)
    )
    return picture(
        0, 0, _SIDE, _SIDE,
        cloths.definitions,
        *shapes,
        element("path", d=seams, fill="none", stroke="#10181f", stroke_opacity=0.75,
                stroke_width=0.25),
        element("path", d=lines, fill="none", stroke="#10181f", stroke_opacity=0.35,
                stroke_width=0.12, stroke_dasharray="0.8 0.8"),
        label=f"{block.name}, on a grid of {block.grid} by {block.grid}",
        class_="own-drawing",
    )  # fmt: skip
