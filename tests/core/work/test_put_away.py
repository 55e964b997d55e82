"""What a quilt leaves: of every strip that is cut, all the cloth is accounted for."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from kersey.core.blocks.rail_yield import Method
from kersey.core.errors import Infeasible
from kersey.core.project.project import AlreadyPutAway, Design, Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.put_away import cut_as_planned, nothing_cut, put_away


def quilt(line: str, **choices: object) -> Quilt:
    lots = [take_line(part).lot for part in line.split(" + ")]
    kept = [CupboardLot(f"roll {n}", lot) for n, lot in enumerate(lots) if lot]
    fabrics = tuple(pulled for one in kept for pulled in all_of(one))
    return make_quilt(Project("Throw", line, fabrics, Design(**choices)))  # type: ignore[arg-type]


# 40 strips of 42 give six segments of 6 1/2 and an end of 3; 72 blocks of three take 36 strips,
# the other four go back (five would be needed to bind).
def test_a_roll_by_hand() -> None:
    left = put_away(quilt("roll of 40 strips, 20 prints", rows=9, columns=8))
    assert sum(p.cut for p in left.project.fabrics) == 36
    assert [(kept.name, kept.lot.count, kept.lot.length) for kept in left.lots] == [
        ("ends of Throw", 36, 3)
    ]
    assert sum(fate.used for fate in left.fates) == 36 * 6 * Fraction(5, 2) * Fraction(13, 2)
    assert sum(fate.kept for fate in left.fates) == 36 * 3 * Fraction(5, 2)
    assert sum(fate.lost for fate in left.fates) == 0
    assert left.project.put_away
    assert not left.project.holds_back


@given(
    st.sampled_from(["roll of 40 strips, 20 prints", "17 strips 2 1/2 x 41 1/4, 5 prints",
                     "12 strips 2 1/2 x 42, 4 prints + 9 strips 2 1/2 x 40, 4 prints",
                     "30 strips 1 1/2 x 30, 15 prints"]),
    st.sampled_from(Method),
    st.integers(2, 5),
    st.booleans(),
)  # fmt: skip
def test_what_is_cut_is_used_or_kept_or_lost(
    line: str, method: Method, strips: int, bind: bool
) -> None:
    try:
        made = quilt(line, method=method, strips_per_block=strips, binding_from_stash=bind)
    except Infeasible:
        assume(False)
    left = put_away(made)
    for fate in left.fates:
        cut = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == cut
        assert min(fate.used, fate.kept, fate.lost) >= 0
    assert sum(kept.lot.area for kept in left.lots) == sum(fate.kept for fate in left.fates)
    again = make_quilt(replace(left.project, fabrics=made.project.fabrics))
    assert again.plan == made.plan


def test_a_tick_taken_back_cuts_nothing_and_putting_away_is_once() -> None:
    made = quilt("roll of 40 strips, 20 prints", rows=9, columns=8)
    cut = cut_as_planned(made)
    assert sum(p.cut for p in cut.fabrics) == 36
    assert nothing_cut(cut) == made.project
    away = put_away(made).project
    with pytest.raises(AlreadyPutAway):
        nothing_cut(away)
    with pytest.raises(AlreadyPutAway):
        put_away(make_quilt(away))
