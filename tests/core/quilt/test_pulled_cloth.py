"""Strips off pieces that are pulled for a part: they are enough, and nothing comes from nowhere."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.edge import bias_strips
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.frame.strips import StripPieces
from kersey.core.quilt.pulled_cloth import (
    SHORTEST_END,
    CutOff,
    cut_bias_off,
    cut_off,
    opened,
    pieces_of,
    wanted,
)
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, Role, all_of
from kersey.core.stash.quick_entry import take_line

F = Fraction
LINES = (
    "6 fat quarters, 1 print",
    "5 pieces 9 x 22, 1 print",
    "8 fat eighths, 2 prints",
    "3 ten-inch squares, 3 prints",
    "1 1/2 yd smoke",
    "2 yd ash 40 wide",
)
WIDTHS = st.integers(6, 24).map(lambda n: F(n, 4))
CUTS = st.builds(
    PartCut,
    st.sampled_from([PartKind.BORDER, PartKind.SASHING, PartKind.SETTING]),
    st.tuples(
        st.builds(
            StripPieces, st.just("long"), st.integers(1, 4), WIDTHS, st.integers(4, 90).map(F)
        ),
        st.builds(
            StripPieces, st.just("short"), st.integers(0, 40), WIDTHS, st.integers(4, 20).map(F)
        ),
    ),
    st.just(F(1, 2)),
)


def pulled(*lines: str) -> list[Pulled]:
    found = list[Pulled]()
    for line in lines:
        lot = take_line(line).lot
        assert lot is not None
        found += all_of(CupboardLot(line, lot))
    return [replace(each, roles=(Role.BORDER,), key=n) for n, each in enumerate(found)]


def of_one_width(cut: PartCut) -> PartCut:
    width = cut.pieces[0].cut_width
    return replace(cut, pieces=tuple(replace(piece, cut_width=width) for piece in cut.pieces))


@given(
    st.lists(st.sampled_from(LINES), min_size=1, max_size=3, unique=True),
    st.lists(CUTS.map(of_one_width), min_size=1, max_size=3),
)
def test_what_is_opened_is_in_the_part_or_left_or_lost(
    lines: list[str], cuts: list[PartCut]
) -> None:
    """The strips are there, and long enough; what is not given is what no piece gives any more."""
    lying = pieces_of(pulled(*lines))
    strips, covered = F(0), F(0)
    for cut in cuts:
        off = cut_off(lying, wanted(cut))
        strips += sum(off.runs) * cut.cut_width
        covered += (cut.length - off.rest.length) * cut.cut_width
        lying = off.pieces
        check_strips(cut, off)
    there = list(opened(lying))
    assert sum(each.used for each in there) == covered
    for each in there:
        area = each.pulled.width * each.pulled.length
        assert 1 <= each.count <= each.pulled.count
        left = sum((a * b for a, b in each.ends), F(0))
        assert left + each.used <= each.count * area
        assert all(min(end) >= SHORTEST_END for end in each.ends)
    cut_away = sum(p.pulled.width * p.pulled.length - p.run * p.room for p in lying)
    assert cut_away == strips


def check_strips(cut: PartCut, off: CutOff) -> None:
    """By a count of its own: pieces that all fit a strip lie in them whole, longer ones joined."""
    longest = max(piece.cut_length for piece in cut.pieces if piece.count)
    joined = cut.run or any(longest > run for run in off.runs)
    total = sum(off.runs, F(0))
    if off.rest.length:
        # Nothing that is left there gives another strip of use.
        for piece in off.pieces:
            fits = [n for n, _ in off.rest.lengths if n <= piece.run] or [piece.run]
            small = cut.kind is PartKind.SETTING and max(fits) < longest
            assert (
                piece.room < cut.cut_width
                or small
                or piece.run <= cut.join
                or (cut.kind is PartKind.SETTING and off.rest.longest > piece.run)
            )
    elif joined:
        assert total - (len(off.runs) - 1) * cut.join >= cut.length
    else:
        assert total >= cut.length


# By hand. Strips of 2 1/2 out of 17 1/2 x 21: seven, each 21 less a join of 1/2: 143 1/2 in all; 60
# takes three of them, and 10 x 21 is left. Whole pieces of 8: two in a strip, so five take three
# strips too. Half a yard of 42 gives seven across: one of them is enough for 40, with 15 1/2 left.
@pytest.mark.parametrize(
    ("line", "pieces", "used", "end"),
    [
        (LINES[0], (StripPieces("run", 1, F(5, 2), F(60)),), F(150), (F(10), F(21))),
        (LINES[0], (StripPieces("short", 5, F(5, 2), F(8)),), F(100), (F(10), F(21))),
        ("1/2 yd smoke", (StripPieces("short", 5, F(5, 2), F(8)),), F(100), (F(42), F(31, 2))),
    ],
)
def test_strips_by_hand(
    line: str, pieces: tuple[StripPieces, ...], used: Fraction, end: tuple[Fraction, Fraction]
) -> None:
    cut = PartCut(PartKind.SASHING, pieces, F(1, 2))
    off = cut_off(pieces_of(pulled(line)), wanted(cut))
    (found,) = opened(off.pieces)
    # A fat quarter lies 17 1/2 x 21; what is left of it is told narrow side first.
    assert (found.count, found.used, sorted(found.ends[0])) == (1, used, sorted(end))


def test_a_print_with_a_direction_only_gives_strips_along_its_length() -> None:
    (stripe,) = pulled("1 yd stripe")
    lot = replace(stripe.kept.lot, directional=True)
    stripe = replace(stripe, kept=CupboardLot("stripe", lot))
    cut = PartCut(PartKind.BORDER, (StripPieces("side", 2, F(4), F(60)),), F(1, 2))
    off = cut_off(pieces_of([stripe]), wanted(cut))
    # 36 long: 120 takes four of them, and 26 x 36 is left.
    assert off.runs == (F(36),) * 4
    (found,) = opened(off.pieces)
    assert found.ends == ((F(26), F(36)),)


def test_bias_comes_off_a_length_or_uses_pieces_up() -> None:
    """240 of 2 1/2: five eighths of a yard, as `cut_bias` says by hand; fat quarters one by one."""
    binding = StripPieces("binding", 1, F(5, 2), F(240))
    cut = PartCut(PartKind.BINDING, (binding,), F(5, 2), run=True)
    off = cut_bias_off(pieces_of(pulled("1 yd smoke")), wanted(cut))
    (found,) = opened(off.pieces)
    assert (off.rest.length, found.ends) == (0, ((F(42), F(27, 2)),))
    quarters = cut_bias_off(pieces_of(pulled(LINES[0])), wanted(cut))
    each = bias_strips(F(35, 2), F(5, 2), F(21))
    (found,) = opened(quarters.pieces)
    gives = found.count * (sum(each) - len(each) * F(5, 2)) + F(5, 2)
    assert gives >= 240 > gives - (sum(each) - len(each) * F(5, 2))
    assert (quarters.rest.length, found.ends) == (0, ())


def a_run(length: Fraction) -> PartCut:
    """A binding of this length."""
    width = F(5, 2)
    return PartCut(PartKind.BINDING, (StripPieces("binding", 1, width, length),), width)


@pytest.mark.parametrize(
    ("lines", "length", "strips"),
    [
        # A fat quarter of 17 1/2 x 21 gives seven strips of 21; four of them, joined, are 76 1/2.
        (("1 fat quarter",), F(66), 4),
        # An end of 12 x 42 is cut along its 42, and whole strips come before shorter pieces.
        (("1 piece 12 x 42",), F(150), 4),
        (("6 fat quarters, 1 print", "5 strips 2 1/2 x 41"), F(190), 5),
    ],
)
def test_what_is_joined_takes_the_fewest_strips(
    lines: tuple[str, ...], length: Fraction, strips: int
) -> None:
    off = cut_off(pieces_of(pulled(*lines)), wanted(a_run(length)))
    assert (len(off.runs), off.rest.length) == (strips, 0)
    # No fewer of what lies there would do, whichever they were.
    every = sorted(
        (p.run for p in pieces_of(pulled(*lines)) for _ in range(int(p.room // F(5, 2)))),
        reverse=True,
    )
    fewer = every[: strips - 1]
    assert sum(fewer) - F(5, 2) * (len(fewer) - 1) < length
