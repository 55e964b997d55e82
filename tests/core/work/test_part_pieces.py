"""Pieces opened for a part: they give what is wanted, and nothing comes from nowhere."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, Role, all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.part_pieces import WantedStrip, out_of_pieces

F = Fraction
LINES = ("6 fat quarters, 1 print", "5 pieces 9 x 22, 1 print", "8 fat eighths, 2 prints",
         "3 ten-inch squares, 3 prints")  # fmt: skip
widths = st.integers(6, 24).map(lambda n: F(n, 4))


def pulled(line: str) -> list[Pulled]:
    lot = take_line(line).lot
    assert lot is not None
    found = all_of(CupboardLot("cloth", lot))
    return [replace(each, roles=(Role.BORDER,), key=n) for n, each in enumerate(found)]


@given(
    st.lists(st.sampled_from(LINES), min_size=1, max_size=3, unique=True),
    st.lists(st.tuples(widths, st.integers(4, 400), st.booleans()), min_size=1, max_size=3),
)
def test_what_is_opened_is_in_the_part_or_left_or_lost(
    lines: list[str], asked: list[tuple[Fraction, int, bool]]
) -> None:
    cloths = [each for n, line in enumerate(lines) for each in pulled(line)]
    cloths = [replace(each, key=n) for n, each in enumerate(cloths)]
    wanted = [
        WantedStrip(width, F(long), F(1, 2), F(5) if whole else None)
        for width, long, whole in sorted(asked, key=lambda each: -each[0])
    ]
    found = out_of_pieces(Role.BORDER, cloths, wanted)
    covered = sum((each.used for each in found), F(0))
    assert covered <= sum(strip.width * strip.length for strip in wanted)
    for each in found:
        assert 1 <= each.opened <= each.pulled.count
        left = sum((a * b for a, b in each.ends), F(0))
        assert each.used + left <= each.opened * each.pulled.width * each.pulled.length
        assert len(each.ends) <= each.opened
        long = max(each.pulled.width, each.pulled.length)
        # Strips are cut along the longer side, so an end is as long as the piece was.
        assert all(end[1] == long and end[0] < min(each.pulled.width, each.pulled.length)
                   for end in each.ends)  # fmt: skip
    # Not all was given only where every piece that is broad enough was opened.
    if covered < sum(strip.width * strip.length for strip in wanted):
        narrowest = min(strip.width for strip in wanted)
        opened = {each.pulled.key: each.opened for each in found}
        for cloth in cloths:
            small, large = sorted((cloth.width, cloth.length))
            if small >= narrowest and large > 5:
                too_narrow = any(strip.width > small for strip in wanted)
                assert too_narrow or opened.get(cloth.key, 0) == cloth.count


# By hand. Strips of 2 1/2 out of 17 1/2 x 21: seven, each 21 less a join of 1/2: 143 1/2 in all; 60
# takes three of them, and 10 x 21 is left. Whole pieces of 8: two in a strip, so five take three
# strips too.
@pytest.mark.parametrize(
    ("strip", "used"),
    [
        (WantedStrip(F(5, 2), F(60), F(1, 2)), F(150)),
        (WantedStrip(F(5, 2), F(40), F(1, 2), F(8)), F(100)),
    ],
)
def test_fat_quarters_by_hand(strip: WantedStrip, used: Fraction) -> None:
    (found,) = out_of_pieces(Role.BORDER, pulled(LINES[0]), [strip])
    assert (found.opened, found.used, found.ends) == (1, used, ((F(10), F(21)),))
