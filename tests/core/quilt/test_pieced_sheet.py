"""Sheets of pieces: what is found holds, and on small heaps nothing with fewer seams is there."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction
from itertools import combinations, product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.quilt.pieced_sheet import PiecedSheet, SheetPiece, Thrift, piece_sheet

F = Fraction
JOIN = F(1)
SIDES = st.integers(10, 60).map(Fraction)
HEAPS = st.lists(st.tuples(SIDES, SIDES, st.booleans()), min_size=1, max_size=4)


def sheet_faults(sheet: PiecedSheet, pieces: Sequence[SheetPiece]) -> list[str]:
    """What is wrong with a sheet: pieces that are not there, rows too short, a sheet too small."""
    faults = []
    for piece in pieces:
        used = [(a, b) for row in sheet.rows for name, a, b in row.pieces if name == piece.name]
        there = piece.ways(sheet.upright)
        if len(used) > piece.count or not all(way in there for way in used):
            faults.append(f"{piece.name}: more than there is, or of another size")
    along, up = (sheet.length, sheet.width) if sheet.upright else (sheet.width, sheet.length)
    for number, row in enumerate(sheet.rows, 1):
        run = sum((a for _, a, _ in row.pieces), Fraction(0)) - (len(row.pieces) - 1) * sheet.join
        if run < along or any(b < row.height for _, _, b in row.pieces):
            faults.append(f"row {number}: too short, or a piece lower than the row")
    high = sum((row.height for row in sheet.rows), Fraction(0))
    if high - (len(sheet.rows) - 1) * sheet.join < up:
        faults.append("the rows are too few")
    return faults


def fewest_by_trying(
    width: Fraction, length: Fraction, heap: Sequence[SheetPiece], join: Fraction
) -> int | None:
    """Every set of pieces, in every way to lie, parted into rows in every way."""
    best: int | None = None
    for upright in (False, True):
        along, up = (length, width) if upright else (width, length)
        for count in range(1, len(heap) + 1):
            for chosen in combinations(heap, count):
                for lying in product(*(piece.ways(upright) for piece in chosen)):
                    for rows in parted(list(lying)):
                        wide = all(
                            sum(a for a, _ in r) - (len(r) - 1) * join >= along for r in rows
                        )
                        high = sum(min(b for _, b in r) for r in rows) - (len(rows) - 1) * join
                        if wide and high >= up:
                            best = count - 1 if best is None else min(best, count - 1)
    return best


def parted(
    items: list[tuple[Fraction, Fraction]],
) -> Iterator[list[list[tuple[Fraction, Fraction]]]]:
    if not items:
        yield []
        return
    first, *rest = items
    for rows in parted(rest):
        yield [[first], *rows]
        for n, row in enumerate(rows):
            yield [*rows[:n], [first, *row], *rows[n + 1 :]]


@given(
    HEAPS,
    st.integers(20, 80).map(Fraction),
    st.integers(20, 80).map(Fraction),
    st.sampled_from([F(0), JOIN]),
)
def test_no_sheet_has_fewer_seams(
    sides: list[tuple[Fraction, Fraction, bool]], width: Fraction, length: Fraction, join: Fraction
) -> None:
    heap = tuple(SheetPiece(f"p{n}", a, b, 1, one) for n, (a, b, one) in enumerate(sides))
    found = piece_sheet(width, length, heap, join)
    best = fewest_by_trying(width, length, heap, join)
    assert (found.seams if found else None) == best
    for thrift in Thrift:
        sheet = piece_sheet(width, length, heap, join, thrift)
        assert (sheet is None) == (best is None)
        assert sheet is None or sheet_faults(sheet, heap) == []
        assert (
            sheet is None or found is None or thrift is Thrift.SEAMS or (sheet.cloth <= found.cloth)
        )


def test_the_faults_of_a_sheet_are_found() -> None:
    heap = (SheetPiece("half", F(42), F(60), 2, directional=True),)
    sheet = piece_sheet(F(80), F(60), heap, JOIN)
    assert sheet
    assert sheet_faults(sheet, heap) == []
    row = sheet.rows[0]
    assert "row 1: too short, or a piece lower than the row" in sheet_faults(
        replace(sheet, rows=(replace(row, pieces=row.pieces[:1]),)), heap
    )
    assert sheet_faults(replace(sheet, rows=()), heap) == ["the rows are too few"]
    fewer = (replace(heap[0], count=1),)
    assert sheet_faults(sheet, fewer) == ["half: more than there is, or of another size"]


@pytest.mark.parametrize(("turns", "made"), [(True, True), (False, False)])
def test_what_is_directional_is_not_turned(turns: bool, made: bool) -> None:
    heap = (SheetPiece("length", F(42), F(90), 1, directional=not turns),)
    assert (piece_sheet(F(80), F(40), heap, JOIN) is not None) is made
