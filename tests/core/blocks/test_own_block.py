"""Blocks drawn on a grid: they tile, they are sewn by straight seams or it is said why not."""

import json
from fractions import Fraction
from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.assembly import Make
from kersey.core.blocks.own_block import BadOwnBlock, Cell, Kind, OwnBlock
from kersey.core.blocks.recipe import BadRecipe
from kersey.core.blocks.technique import JOINED
from kersey.core.errors import InvalidValue
from kersey.formats.own_block import BadBlockFile, read_block, write_block

SEAM, SIDE = Fraction(1, 4), Fraction(12)
ROLES = ("light", "dark", "background")


@st.composite
def blocks(draw: st.DrawFn) -> OwnBlock:
    """Whatever somebody may draw: cells laid down, turned, joined and parted in any order."""
    block = OwnBlock("Signal lamp").with_grid(draw(st.integers(2, 5)))
    place = st.integers(0, block.grid - 1)
    for _ in range(draw(st.integers(0, 12))):
        row, column, act = draw(place), draw(place), draw(st.integers(0, 9))
        cell = block.at(row, column)
        try:
            if act < 6:
                roles = draw(st.sampled_from(ROLES)), draw(st.sampled_from(ROLES))
                laid = Cell(cell.row, cell.column, cell.rows, cell.columns, list(Kind)[act], roles)
                block = block.with_cell(laid)
            elif act == 6:
                block = block.with_cell(cell.turned())
            elif act == 7:
                block = block.parted(row, column)
            else:
                block = block.joined(row, column, to_right=act == 8)
        except BadOwnBlock:
            continue
    return block


@given(blocks(), st.sampled_from([SEAM, Fraction(3, 8)]))
def test_what_is_drawn_tiles_and_is_sewn_or_says_why_not(block: OwnBlock, seam: Fraction) -> None:
    shown = [p for make in block.cell_makes((SIDE, SIDE), seam) for p in make.patches]
    assert sum(patch.area for patch in shown) == SIDE * SIDE
    assert read_block(write_block(block).encode()) == block
    cells = frozenset((c.row, c.column, c.rows, c.columns) for c in block.cells)
    try:
        assembly = block.assembly((SIDE, SIDE), seam)
    except BadRecipe as error:
        assert "No straight seam parts it" in str(error)
        assert not _can_be_parted(cells)
        return
    assert _can_be_parted(cells)
    assert sum(patch.area for patch in assembly.patches) == SIDE * SIDE
    assert assembly.block.size == (SIDE + 2 * seam, SIDE + 2 * seam)
    _every_join_is_straight(assembly.block, seam)
    names = [make.name for make in assembly.makes if make.how == JOINED]
    assert len(names) == len(set(names))


def _every_join_is_straight(make: Make, seam: Fraction) -> None:
    """Parts that are joined are as wide as one another, or as high, and add up."""
    sizes = [part.make.size for part in make.of for _ in range(part.count)]
    if make.how == JOINED and len(sizes) > 1:
        width, height = make.size
        lost = (len(sizes) - 1) * 2 * seam
        across = sum(w for w, _ in sizes) - lost == width and {h for _, h in sizes} == {height}
        down = sum(h for _, h in sizes) - lost == height and {w for w, _ in sizes} == {width}
        assert across or down
    for part in make.of:
        _every_join_is_straight(part.make, seam)


def _can_be_parted(cells: frozenset[tuple[int, int, int, int]]) -> bool:
    """Whether straight seams part them all: every line is tried, one at a time."""
    if len(cells) <= 1:
        return True
    for way, line in product((0, 1), range(1, 9)):
        before = frozenset(c for c in cells if c[way] + c[way + 2] <= line)
        after = frozenset(c for c in cells if c[way] >= line)
        if before and after and len(before) + len(after) == len(cells):
            return _can_be_parted(before) and _can_be_parted(after)
    return False


def test_a_wheel_of_rectangles_cannot_be_sewn_and_parting_one_mends_it() -> None:
    wheel = (
        OwnBlock("wheel")
        .with_cell(Cell(0, 0, 1, 2))
        .with_cell(Cell(0, 2, 2, 1))
        .with_cell(Cell(2, 1, 1, 2))
        .with_cell(Cell(1, 0, 2, 1))
    )
    with pytest.raises(BadRecipe, match="rows 1 to 3, columns 1 to 3"):
        wheel.assembly((SIDE, SIDE), SEAM)
    assert wheel.parted(0, 0).assembly((SIDE, SIDE), SEAM).finished == (SIDE, SIDE)


def test_cut_sizes_are_those_of_the_trade() -> None:
    """Half-squares f + 7/8, hourglasses f + 1 1/4, corners their leg and two seams."""
    block = (
        OwnBlock("all of it")
        .with_cell(Cell(0, 0, kind=Kind.HALF))
        .with_cell(Cell(0, 2, kind=Kind.HALF, turn=3))
        .with_cell(Cell(1, 1, kind=Kind.HOURGLASS))
        .with_cell(Cell(2, 0, 1, 2, Kind.CORNERS))
    )
    needs = {(n.label, n.role): n for n in block.assembly((SIDE, SIDE), SEAM).needs}
    sizes = {need.width for need in needs.values() if need.width == need.height}
    assert sizes == {Fraction(39, 8), Fraction(21, 4), Fraction(9, 2)}
    (geese,) = [need for need in needs.values() if need.width != need.height]
    assert (geese.width, geese.height) == (Fraction(17, 2), Fraction(9, 2))


@pytest.mark.parametrize(
    ("content", "why"),
    [
        (b"no json", "isn't a Kersey block file"),
        (b'{"kersey": "block/2", "name": "x", "grid": 3, "cells": [{}]}', "kersey"),
        (
            b'{"kersey": "block/1", "name": "x", "grid": 12, "cells": [{"row": 1, "column": 1}]}',
            "grid",
        ),
        (
            b'{"kersey": "block/1", "name": "x", "grid": 2, "cells": [{"row": 1, "column": 1}]}',
            "cover every grid square",
        ),
        (
            b'{"kersey": "block/1", "name": "x", "grid": 2, "cells": '
            b'[{"row": 1, "column": 1, "rows": 2, "kind": "half-square"}]}',
            "as many rows",
        ),
        (b" " * 70_000, "up to 64 KB"),
    ],
)
def test_a_bad_file_is_one_line(content: bytes, why: str) -> None:
    with pytest.raises(InvalidValue, match=why) as refused:
        read_block(content)
    assert isinstance(refused.value, BadBlockFile | BadOwnBlock)
    assert "\n" not in str(refused.value)


def test_a_file_says_only_what_it_must() -> None:
    cells = [{"row": r, "column": c} for r in (1, 2) for c in (1, 2)]
    content = json.dumps({"kersey": "block/1", "name": "Four", "grid": 2, "cells": cells})
    block = read_block(content.encode())
    assert {cell.kind for cell in block.cells} == {Kind.PLAIN}
    assert block.with_grid(4).at(3, 3).roles in (("light", "dark"), ("dark", "light"))
    assert block.with_grid(4).with_grid(2) == block
