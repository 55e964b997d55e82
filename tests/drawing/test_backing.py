"""Backings to scale: whatever way they are made, their panels tile them, and the quilt lies in the
middle of what is used."""

from fractions import Fraction

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from tests.drawing.boxes import Box, gaps_and_overlaps, rects

from kersey.core.cloth.print_names import made_up_prints
from kersey.core.frame.backing import JOIN_COST, plan_backing
from kersey.core.frame.batting import plan_batting
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.quilt.let_in import let_in
from kersey.core.quilt.pieced_sheet import SheetPiece, piece_sheet
from kersey.drawing.backing import draw_let_in, draw_one_piece, draw_panels, draw_pieced

F = Fraction
# A coordinate is written to a thousandth of an inch, so an edge may be off by half of that.
NEARLY = 0.3
sides = st.integers(40, 400).map(lambda n: F(n, 4))


def cloth(drawn: str) -> list[Box]:
    """All rectangles but the tapes and the quilt."""
    known = [*rects(drawn, 'class="tape'), *rects(drawn, "quilt-outline")]
    return [box for box in rects(drawn) if box not in known]


def quilt(drawn: str) -> Box:
    (box,) = rects(drawn, "quilt-outline")
    return box


@given(sides, sides, st.integers(36, 44))
def test_panels_tile_the_backing(width: Fraction, length: Fraction, usable: int) -> None:
    backing = plan_backing(width, length, F(2), F(usable))
    size = backing.width, backing.length
    for plan in backing.plans:
        drawn = draw_panels(size, (width, length), plan, F(usable), Units.INCHES, 3.0)
        boxes = cloth(drawn)
        assert len(boxes) == plan.panels
        whole = (0.0, 0.0, float(size[0]), float(size[1]))
        assert gaps_and_overlaps(boxes, whole) == pytest.approx(0, abs=NEARLY)
        # No panel is wider than the cloth is, less what its seams take.
        across = 3 if plan.way.value == "across" else 2
        if plan.way.value != "wide":
            assert max(box[across] for box in boxes) <= usable + 1e-3
        x, y, wide, high = quilt(drawn)
        assert (x, y) == pytest.approx(((whole[2] - wide) / 2, (whole[3] - high) / 2), abs=2e-3)


@given(sides, sides, st.integers(1, 4), st.integers(80, 320), st.integers(80, 320), st.booleans())
def test_rows_of_pieces_tile_the_sheet(
    width: Fraction, length: Fraction, count: int, one: int, other: int, butted: bool
) -> None:
    join = F(0) if butted else JOIN_COST
    pieces = tuple(SheetPiece(str(n), F(one, 4) + n, F(other, 4), 2) for n in range(count))
    sheet = piece_sheet(width, length, pieces, join)
    assume(sheet is not None)
    assert sheet is not None
    prints = dict(zip((piece.name for piece in pieces), made_up_prints(count), strict=True))
    top = width - 4 if width > 8 else width, length - 4 if length > 8 else length
    drawn = draw_pieced(sheet, top, prints, Units.INCHES, 3.0)
    boxes = cloth(drawn)
    assert len(boxes) <= sheet.seams + 1
    whole = (0.0, 0.0, float(width), float(length))
    # What a seam takes lies under the next piece: it is drawn once from each side.
    overlap = float(join) * sum(float(b[2] + b[3]) for b in boxes)
    assert gaps_and_overlaps(boxes, whole) <= overlap + NEARLY


@given(sides, sides, st.sampled_from([F(6), F(9), F(12)]))
def test_blocks_let_in_lie_in_the_middle(
    width: Fraction, length: Fraction, block: Fraction
) -> None:
    shop = Workshop()
    found = let_in((width, length), (block, block), shop)
    assume(found is not None)
    assert found is not None
    drawn = draw_let_in((width, length), (width - 4, length - 4), found, block, Units.INCHES, 3.0)
    boxes = cloth(drawn)
    # Cloth at either side, then the blocks: one behind the other in the middle, the last one half
    # an inch longer at most.
    across, along = (0, 1) if found.upright else (1, 0)
    blocks, side = boxes[2:], float((width, length)[across])
    assert 1 <= len(blocks) <= found.blocks
    for box in blocks:
        assert box[across + 2] == pytest.approx(float(block), abs=2e-3)
        assert box[across] + float(block) / 2 == pytest.approx(side / 2, abs=2e-3)
        assert box[along + 2] <= float(block) + 0.502
    whole = (0.0, 0.0, float(width), float(length))
    assert gaps_and_overlaps(boxes, whole) == pytest.approx(0, abs=NEARLY)


@given(sides, sides)
def test_a_packet_shows_what_is_cut_off_it(width: Fraction, length: Fraction) -> None:
    batting = plan_batting(width + 4, length + 4)
    size = batting.width, batting.length
    piece = batting.packet or size
    drawn = draw_one_piece(piece, size, (width, length), Units.INCHES, 3.0)
    boxes = cloth(drawn)
    lies = size[0] <= piece[0] and size[1] <= piece[1]
    lying = piece if lies else piece[::-1]
    whole = (0.0, 0.0, float(lying[0]), float(lying[1]))
    assert gaps_and_overlaps(boxes, whole) == pytest.approx(0, abs=NEARLY)
    assert boxes[0] == pytest.approx((0, 0, float(size[0]), float(size[1])), abs=1e-3)
    x, y, wide, high = quilt(drawn)
    assert (x + wide / 2, y + high / 2) == pytest.approx(
        (float(size[0]) / 2, float(size[1]) / 2), abs=2e-3
    )
