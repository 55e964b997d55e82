"""How many rail blocks the strips give."""

from fractions import Fraction
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.rail_yield import (
    Method,
    RailYield,
    YieldQuestion,
    cliff,
    groups,
    proof,
    rail_yield,
)
from kersey.core.blocks.rails import BadRailBlock, RailBlock
from kersey.core.cloth.fabric import Lot, spread
from kersey.core.cloth.print_names import made_up_prints
from kersey.core.measure.length import Units

QUARTER = Fraction(1, 4)
INCHES = Units.INCHES


def strips(count: int, length: str = "42", prints: int = 20, width: str = "5/2") -> Lot:
    kinds = made_up_prints(min(prints, count))
    return Lot(Fraction(width), Fraction(length), spread(count, kinds))


def yields(lot: Lot, k: int = 3, different: bool | None = None) -> tuple[RailYield, ...]:
    question = YieldQuestion(k, QUARTER, different)
    return tuple(rail_yield(lot, question, method) for method in Method)


@pytest.mark.parametrize(
    ("lot", "k", "finished", "by_segments", "by_sets"),
    [
        (strips(40), 3, 6, 80, 78),
        (strips(42), 3, 6, 84, 84),
        (strips(40, "77/2"), 3, 6, 66, 65),
        (strips(40), 4, 8, 40, 40),
        (strips(40), 2, 4, 180, 180),
        (strips(40), 6, 12, 20, 18),
        (strips(2), 3, 6, 4, 0),
        (strips(40, "6"), 3, 6, 0, 0),
    ],
)
def test_worked_figures(lot: Lot, k: int, finished: int, by_segments: int, by_sets: int) -> None:
    """Sources: handbook sections 3 and 4, reckoned by hand."""
    segments, sets = yields(lot, k)
    assert segments.block.finished_size == finished
    assert (segments.blocks, sets.blocks) == (by_segments, by_sets)


def test_the_proof_can_be_followed() -> None:
    segments, sets = yields(strips(40), different=False)
    assert proof(segments, INCHES) == ("40 strips × 6 segments of 6½″ = 240, three a block.",)
    assert proof(sets, INCHES) == (
        "40 strips make 13 sets of three.",
        "13 sets × 6 blocks of 6½″ = 78.",
    )
    assert cliff(sets, INCHES) == (
        "6 to a strip needs 39″ usable; below that 5, and 65 blocks by sets."
    )


def test_no_segment_fits_is_said() -> None:
    answer = yields(strips(40, "6"))[0]
    assert proof(answer, INCHES) == ("No segment of 6½″ fits in a strip of 6″.",)
    assert "Longer strips" in cliff(answer, INCHES)


def test_different_prints_are_kept_unless_they_cost_blocks() -> None:
    assert yields(strips(40, prints=20))[0].different_prints
    free = yields(strips(40, prints=2))[0]
    assert not free.different_prints
    assert free.blocks == 80
    assert yields(strips(40, prints=2), different=True)[0].blocks == 0


@pytest.mark.parametrize(("k", "width"), [(1, "5/2"), (7, "5/2"), (3, "1/2")])
def test_blocks_that_cannot_be_sewn(k: int, width: str) -> None:
    with pytest.raises(BadRailBlock):
        RailBlock(k, Fraction(width), QUARTER)


@cache
def _by_trying(counts: tuple[int, ...], size: int, different: bool) -> int:
    """The most groups, by drawing a first group in every possible way."""
    best = 0
    for group in _draws(counts, size, different, 0):
        rest = tuple(sorted(c - g for c, g in zip(counts, group, strict=True)))
        best = max(best, 1 + _by_trying(rest, size, different))
    return best


def _draws(
    counts: tuple[int, ...], size: int, different: bool, first: int
) -> list[tuple[int, ...]]:
    if first == len(counts):
        return [()] if size == 0 else []
    most = min(size, counts[first], 1 if different else size)
    return [
        (taken, *rest)
        for taken in range(most + 1)
        for rest in _draws(counts, size - taken, different, first + 1)
    ]


@given(st.lists(st.integers(0, 4), min_size=1, max_size=4), st.integers(2, 4), st.booleans())
def test_groups_agree_with_trying_everything(counts: list[int], size: int, different: bool) -> None:
    assert groups(counts, size, different) == _by_trying(tuple(sorted(counts)), size, different)


lots = st.builds(
    lambda count, prints, quarters: strips(count, str(Fraction(quarters, 4)), prints),
    st.integers(1, 60),
    st.integers(1, 25),
    st.integers(30, 200),
)


@given(lots, st.integers(2, 6), st.sampled_from([None, True, False]))
def test_more_or_longer_strips_never_give_fewer_blocks(
    lot: Lot, k: int, different: bool | None
) -> None:
    more = Lot(lot.width, lot.length, spread(lot.count + 1, lot.prints))
    longer = lot.measured(lot.length + 1)
    for now, with_more, with_longer in zip(
        yields(lot, k, different), yields(more, k, different), yields(longer, k, different),
        strict=True,
    ):  # fmt: skip
        assert with_more.blocks >= now.blocks
        assert with_longer.blocks >= now.blocks


@given(lots, st.integers(2, 6))
def test_cloth_in_is_cloth_out(lot: Lot, k: int) -> None:
    """Segments used, segments and strips over, and ends add up to all the strips."""
    for answer in yields(lot, k, different=False):
        u, n = answer.block.unfinished_size, answer.division.pieces
        whole = answer.strips_over if answer.method is Method.SETS else 0
        if answer.method is Method.SETS and not answer.sets:
            continue
        used = (answer.blocks * k + answer.segments_over) * u
        ends = (lot.count - whole) * answer.division.margin
        assert used + ends + whole * lot.usable_length == lot.count * lot.usable_length
        assert 0 <= answer.division.margin < u
        assert n * u == answer.division.needed
