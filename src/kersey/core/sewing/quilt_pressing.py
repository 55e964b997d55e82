"""What is asked of the pressing of a quilt: its block, how dark that is, and how its blocks lie."""

from kersey.core.cloth.fabric import Value
from kersey.core.frame.setting import Setting
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.pressing import PressQuestion

# How dark a print of a value reads, from 0 light to 1 dark.
_DARKNESS = {Value.LIGHT: 0.1, Value.MEDIUM: 0.5, Value.DARK: 0.9}


def can_be_pressed(quilt: Quilt) -> bool:
    """Whether the seams of its block are known from its patches."""
    return quilt.assembly.drawn_true and not quilt.kept.block.makes_one_piece


def press_question(quilt: Quilt) -> PressQuestion:
    """The block of a quilt, how dark its patches are, and how its blocks lie beside each other."""
    kits = [quilt.kept.kits[placed.kit] for placed in quilt.placed]
    shades = [[_DARKNESS[p.value] for p in quilt.patch_prints(kit)] for kit in kits]
    dark = tuple(sum(shade) / len(shade) for shade in zip(*shades, strict=True))
    rows: tuple[tuple[int, ...], ...] = ()
    straight = quilt.grid.setting is Setting.STRAIGHT and not quilt.sashing.width
    if straight and not quilt.empty_places:
        by_row: dict[int, list[int]] = {}
        for placed in quilt.placed:
            by_row.setdefault(placed.row, []).append(placed.turn)
        rows = tuple(tuple(turns) for turns in by_row.values())
    return PressQuestion(quilt.assembly.patches, quilt.block, dark, rows)
