"""Seams between blocks: joins counted one by one, and how rows are pressed."""

from dataclasses import replace
from fractions import Fraction
from functools import cache
from itertools import pairwise, product

import pytest
from tests.core.quilts import quilt

from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.project.sewing import School
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.sewing.between_blocks import Toward, between_blocks


@cache
def the_quilt() -> Quilt:
    return quilt(rows=4, columns=5)


# Along a row, what lies there: B a block, S a strip, C a cornerstone.
Row = list[tuple[str, int]]


def rows_of(sashing: Sashing, rows: int, columns: int) -> list[Row]:
    """Every row of the quilt with its pieces and where each ends, blocks 6 and strips 2 wide."""

    def with_strips(piece: str, between: str) -> list[str]:
        inner = [x for _ in range(columns - 1) for x in (piece, between)] + [piece]
        return [between, *inner, between] if sashing.framed else inner

    across = "S" if sashing.width else ""
    blocks = [x for x in with_strips("B", across) if x]
    strips = with_strips("S", "C") if sashing.cornerstones else ["long"]
    kinds = [blocks if not n % 2 else strips for n in range(2 * rows - 1)]
    kinds = kinds if sashing.width else [blocks] * rows
    kinds = [strips, *kinds, strips] if sashing.framed else kinds
    return [ended(kind) for kind in kinds]


def ended(kinds: list[str]) -> Row:
    wide = {"B": 6, "C": 2, "long": 0}
    row, at = list[tuple[str, int]](), 0
    for n, kind in enumerate(kinds):
        # A strip is as long as a block beside cornerstones, and as wide as one beside blocks.
        is_long = kind == "S" and "C" in kinds
        at += 6 if is_long else wide.get(kind, 2)
        row.append((kind, at if n + 1 < len(kinds) else -1))
    return row


@pytest.mark.parametrize(
    ("width", "stones", "framed"), list(product([0, 2], [False, True], [False, True]))
)
def test_joins_are_those_where_seams_of_two_rows_meet(
    width: int, stones: bool, framed: bool
) -> None:
    if not width and (stones or framed):
        return
    sashing = Sashing(Fraction(width), cornerstones=stones, framed=framed)
    of = make_quilt(
        replace(the_quilt().project, design=replace(the_quilt().project.design, sashing=sashing))
    )
    rows = rows_of(sashing, of.size.rows, of.size.columns)
    met = sum(
        len({end for _, end in one} & {end for _, end in other} - {-1})
        for one, other in pairwise(rows)
    )
    found = between_blocks(of, School.DARK)
    assert (found.joins, found.nest) == (met, met)
    assert found.toward is (Toward.SASHING if width else Toward.IN_TURN)
    assert between_blocks(of, School.OPEN).nest == 0


def test_rows_in_turn_or_toward_plain_squares() -> None:
    found = between_blocks(the_quilt(), School.DARK)
    assert [found.of_row(row) for row in range(3)] == [
        "pressed right",
        "pressed left",
        "pressed right",
    ]
    turned = quilt(setting=Setting.ALTERNATE, rows=3, columns=3)
    assert between_blocks(turned, School.DARK).of_row(1) == "pressed toward the plain squares"
