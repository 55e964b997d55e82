"""What a quilt leaves: of every piece that is cut, all the cloth is accounted for."""

from dataclasses import replace
from fractions import Fraction
from functools import cache

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from tests.core.quilts import ROLL, SETS, Quilts, of_strips, part_of, plan, project, quilt

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cloth.look import read_look
from kersey.core.errors import Infeasible
from kersey.core.frame.part import PartKind
from kersey.core.leaving.as_found import BadFound, FoundPieces
from kersey.core.leaving.off_corners import off_corners
from kersey.core.leaving.put_away import ENDS, SPARE, TUBE_ENDS, Keeping, leavings, put_away
from kersey.core.leaving.spare_units import BLOCK
from kersey.core.measure.length import parse_length
from kersey.core.project.project import AlreadyPutAway
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.sewing.passes import passes
from kersey.core.stash.cut_down import read_rules
from kersey.core.stash.pulled import Role
from kersey.core.stash.unit_drawer import units_by_size
from kersey.core.work.work_order import StepKind, ticked, work_order


# 40 strips of 42 give six segments of 6 1/2 and an end of 3; 72 blocks of three take 36 strips,
# the other four go back (five would be needed to bind).
def test_a_roll_by_hand() -> None:
    left = put_away(quilt(ROLL, rows=9, columns=8))
    assert sum(p.cut for p in left.project.fabrics) == 36
    assert [(kept.name, kept.lot.count, kept.lot.length) for kept in left.lots] == [
        ("Throw: strip ends", 36, 3)
    ]
    assert sum(fate.used for fate in left.fates) == 36 * 6 * Fraction(5, 2) * Fraction(13, 2)
    assert sum(fate.kept for fate in left.fates) == 36 * 3 * Fraction(5, 2)
    assert sum(fate.lost for fate in left.fates) == 0
    assert left.project.put_away
    assert not left.project.holds_back


def test_the_ends_of_tubes_by_hand() -> None:
    """Eight tubes of four strips, 8 1/2 high: sixteen ends with legs of 8 x 1.414 = 11.31, two of
    which make a square of 7 3/4 x 1.414 = 10.96."""
    block = BlockChoice("tube-triangles").with_option("strips", 4)
    asked = project("roll of 32 strips, 16 prints + 3 yd black", block=block, rows=8, columns=4)
    *strips, black = asked.fabrics
    accent = replace(black, roles=(Role.ACCENT,))
    of = make_quilt(plan(replace(asked, fabrics=(*strips, accent))))
    (ends,) = (each for each in leavings(of) if each.word == TUBE_ENDS)
    assert (ends.count, ends.width, ends.pair) == (16, Fraction(45, 4), Fraction(87, 8))
    assert sum(area for _, area in ends.shares) == 16 * ends.width**2 / 2
    assert dict(ends.shares)["black"] == 8 * ends.width**2 / 2
    away = put_away(of)
    (lot,) = (kept.lot for kept in away.lots if kept.lot.form is Form.TRIANGLE)
    assert lot.count == 16
    assert all(min(fate.used, fate.kept, fate.lost) >= 0 for fate in away.fates)
    # Cut to the last quarter inch the accent is in the quilt, in the cupboard, or in seams.
    assert sum(fate.kept for fate in away.fates) >= sum(area for _, area in ends.shares)


@given(
    st.sampled_from(
        [
            ROLL,
            "17 strips 2 1/2 x 41 1/4, 5 prints",
            "12 strips 2 1/2 x 42, 4 prints + 9 strips 2 1/2 x 40, 4 prints",
            "30 strips 1 1/2 x 30, 15 prints",
            "2 fat quarters + 3 ten-inch squares",
        ]
    ),
    st.booleans(),
    st.integers(2, 5),
    st.booleans(),
)
def test_what_is_cut_is_used_or_kept_or_lost(
    line: str, sets: bool, strips: int, bind: bool
) -> None:
    try:
        made = quilt(line, block=of_strips(strips, sets), binding_from_left=bind)
    except Infeasible:
        assume(False)
    left = put_away(made)
    for fate in left.fates:
        cut = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == cut
        assert min(fate.used, fate.kept, fate.lost) >= 0
    assert sum(kept.lot.area for kept in left.lots) == sum(fate.kept for fate in left.fates)


def test_a_tick_taken_back_cuts_nothing_and_putting_away_is_once() -> None:
    made = quilt(ROLL, rows=9, columns=8)
    (cutting,) = (step for step in work_order(made) if step.kind is StepKind.CUT)
    cut = ticked(made.project, cutting, done=True)
    assert sum(p.cut for p in cut.fabrics) == 36
    assert ticked(cut, cutting, done=False) == made.project
    away = put_away(made).project
    with pytest.raises(AlreadyPutAway):
        ticked(away, cutting, done=True)
    with pytest.raises(AlreadyPutAway):
        put_away(make_quilt(away))


@cache
def spools() -> Quilt:
    return quilt("8 light fat quarters + 8 dark fat quarters", block=BlockChoice("spool"))


LEAVING = Quilts(
    {
        "spools": spools,
        "rolls": lambda: quilt(ROLL, rows=5, columns=5),
        "fat quarters": lambda: quilt("9 fat quarters, 9 prints", rows=3, columns=3),
        "sets over": lambda: quilt(
            "17 strips 2 1/2 x 41 1/4, 5 prints", block=SETS, rows=5, columns=4
        ),
        "odd pairs": lambda: quilt(
            "12 light fat quarters + 12 dark fat quarters",
            block=BlockChoice("half-square"),
            rows=7,
            columns=5,
        ),
        "with parts": lambda: quilt(
            f"{ROLL} + batting 81 x 96 + 5 yd backing 108 wide", rows=6, columns=6
        ),
    }
)


def test_corners_cut_off_are_kept_as_pairs() -> None:
    # Two corners at each end of a spool: a square of 2 loses legs of 2 - 0.354, two of them.
    found = off_corners(spools())
    side = next(n.width for n in spools().assembly.needs if n.width == n.height)
    raw = float(side) - 2**0.5 / 4
    assert {float(each.leg) for each in found} == {raw - raw % 0.125}
    assert {float(each.pair) for each in found} == {
        (pair := float(side) - 2**0.5 / 2) - pair % 0.125
    }
    # Four corners a block, each of which drops two triangles.
    assert sum(each.count for each in found) == 8 * len(spools().placed)


@given(
    st.sampled_from(sorted(LEAVING)),
    st.sampled_from(["", "2 1/2 strips", "5 squares, 2 1/2 x 4 1/2", "1 1/2 squares; 2 strips"]),
    st.integers(0, 24).map(lambda n: Fraction(n, 4)),
    st.integers(0, 2**16),
)
def test_whatever_is_kept_all_cloth_is_somewhere(
    which: str, rules: str, least: Fraction, seed: int
) -> None:
    made = LEAVING[which]
    every = leavings(made)
    dropped = frozenset(each.key for n, each in enumerate(every) if seed >> n & 1)
    # Of some, fewer or smaller ones are found.
    found = {
        each.key: FoundPieces(
            each.count // (2 + seed % 2),
            (each.width - Fraction(seed % 3, 4), each.length)
            if each.form is Form.PIECE and each.width > 2
            else None,
        )
        for n, each in enumerate(every)
        if seed >> n + 3 & 1
    }
    keeping = Keeping(least, read_rules(rules), dropped, found=found)
    left = put_away(made, keeping)
    for fate in left.fates:
        cut = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == cut
        assert min(fate.used, fate.kept, fate.lost) >= 0
    assert sum(kept.lot.area for kept in left.lots) == sum(fate.kept for fate in left.fates)
    # What is in the quilt does not depend on what is kept of the rest.
    assert [fate.used for fate in left.fates] == [fate.used for fate in put_away(made).fates]
    for each in leavings(made, keeping):
        worth = each.key not in dropped and min(each.width, each.length) >= least
        assert each.kept == (worth and each.count > 0)


# Twenty blocks of sets that give six each take four sets: four blocks over, 6 1/2 square. Of pairs
# sewn on both sides of a diagonal 35 leave one.
@pytest.mark.parametrize(("which", "over"), [("sets over", 4), ("odd pairs", 1)])
def test_what_is_sewn_over_goes_into_the_unit_drawer(which: str, over: int) -> None:
    left = put_away(LEAVING[which])
    (lot,) = (kept.lot for kept in left.lots if kept.lot.form is Form.BLOCK)
    assert (lot.width, lot.length, lot.count) == (Fraction(13, 2), Fraction(13, 2), over)
    (drawer,) = units_by_size((kept for kept in left.lots), Fraction(1, 4))
    assert (drawer.width, drawer.count) == (6, over)
    # Each looks as its patches do: they cover it, in the colours of what is pulled.
    colours = {p.print.swatch.blend for p in LEAVING[which].project.fabrics}
    for cloth, _ in drawer.prints:
        assert cloth.swatch.look is not None
        patches = read_look(cloth.swatch.look)
        assert {colour for colour, _ in patches} <= colours
        assert sum(Patch("", "", corners).area for _, corners in patches) == 1


def test_a_sewn_block_without_a_place_is_a_block_and_an_unsewn_one_is_pieces() -> None:
    made = LEAVING["rolls"]
    kept = made.project.plan
    assert kept is not None and kept.grid is not None
    grid = replace(kept.grid, rows=4)
    fewer = replace(made.project, plan=replace(kept, grid=grid, places=kept.places[:20]))
    gone = sorted(n for n in kept.places[20:] if n is not None)
    assert len(gone) == 5
    loose = {(e.word, e.count) for e in leavings(make_quilt(fewer)) if e.word != ENDS}
    # Thirteen strips give three pieces more than 25 blocks take.
    assert loose == {(SPARE, 15 + 3)}
    # Three of the five were sewn before: every seam of theirs is ticked.
    ticks = {
        tick
        for n in gone[:3]
        for each in passes(made, 1)
        for tick in each.ticks
        if tick.endswith(f"-{n}")
    }
    sewn = make_quilt(replace(fewer, done=fewer.done | ticks))
    found = {(e.word, e.count) for e in leavings(sewn) if e.word != ENDS}
    assert found == {(SPARE, 9), (BLOCK, 3)}
    before, after = put_away(make_quilt(fewer)), put_away(sewn)
    assert [f.used for f in before.fates] == [f.used for f in after.fates]
    assert sum(f.lost for f in after.fates) > sum(f.lost for f in before.fates)
    for fate in after.fates:
        cut = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == cut


@pytest.mark.parametrize(
    "found",
    [
        FoundPieces(99),
        FoundPieces(1, (Fraction(40), Fraction(50))),
        FoundPieces(1, (Fraction(1, 4), Fraction(3))),
    ],
)
def test_no_more_is_found_than_is_left(found: FoundPieces) -> None:
    (each,) = (each for each in leavings(LEAVING["sets over"]) if each.word == BLOCK)
    with pytest.raises(BadFound):
        leavings(LEAVING["sets over"], Keeping(found={each.key: found}))


def test_backing_and_batting_go_on_as_their_ends() -> None:
    made = LEAVING["with parts"]
    side = made.top_width + 4
    assert side == made.top_length + 4
    ends = {each.part: each for each in made.opened}
    assert set(ends) == {PartKind.BACKING, PartKind.BATTING}
    # Of 108 wide one length covers it; the rest of five yards is as wide as before.
    assert ends[PartKind.BACKING].ends == ((Fraction(108), 180 - side), (108 - side, side))
    # Out of a packet a corner is cut: what is below it, as wide as all, and what is beside it.
    assert ends[PartKind.BATTING].ends == ((Fraction(81), 96 - side), (81 - side, side))
    left = put_away(made)
    kept = {(kept.lot.form, kept.lot.width, kept.lot.length) for kept in left.lots}
    assert (Form.BACKING, Fraction(108), 180 - side) in kept
    assert (Form.BATTING, Fraction(81), 96 - side) in kept
    cut = {p.roles: p.cut for p in left.project.fabrics if not p.for_blocks}
    assert set(cut.values()) == {1}


# Each case: what is pulled beside the roll, the part it is for, what it covers and what is left, by
# hand: 6 x 6 blocks of 6 with a border of 4, top 44 1/2, binding 188, backing and batting 48 1/2.
# Binding of 2 1/2: a fat quarter of 17 1/2 x 21 gives seven strips that cover 18 1/2 each once they
# are joined, 129 1/2; four strips of the second cover the rest. Battings of 52 x 26 are butted
# standing in one row, the second trimmed to 22 1/2. Backings of 52 x 26 are seamed with 1: the
# second row is trimmed to 23 1/2.
@pytest.mark.parametrize(
    ("line", "part", "used", "ends"),
    [
        ("3 fat quarters, 1 print", Role.BINDING, 188 * Fraction(5, 2), ["7 1/2 x 21"]),
        (
            "3 batting 52 x 26",
            Role.BATTING,
            Fraction(97, 2) ** 2,
            ["26 x 3 1/2", "26 x 3 1/2", "3 1/2 x 48 1/2"],
        ),
        (
            "2 pieces 52 x 26, 1 print",
            Role.BACKING,
            Fraction(97, 2) * (26 + Fraction(47, 2)),
            ["3 1/2 x 26", "3 1/2 x 23 1/2", "52 x 2 1/2"],
        ),
    ],
)
def test_pieces_that_a_part_was_cut_from_do_not_go_back_whole(
    line: str, part: Role, used: Fraction, ends: list[str]
) -> None:
    made = quilt(f"{ROLL} + {line}", rows=6, columns=6)
    other = made.project.fabrics[-1].kept
    fabrics = tuple(
        replace(p, roles=(part,)) if p.kept == other else p for p in made.project.fabrics
    )
    parted = make_quilt(plan(replace(made.project, fabrics=fabrics, plan=None)))
    (end,) = (each for each in parted.opened if each.part == part)
    sizes = [tuple(parse_length(side) for side in each.split(" x ")) for each in ends]
    assert (end.count, end.used, sorted(end.ends)) == (2, used, sorted(sizes))
    left = put_away(parted)
    (fate,) = (fate for fate in left.fates if fate.pulled.roles == (part,))
    assert fate.pulled.cut == 2
    assert fate.used + fate.kept + fate.lost == 2 * fate.pulled.kept.lot.piece_area(
        fate.pulled.stack
    )
    assert fate.kept == sum(width * length for width, length in end.ends)


def test_binding_comes_off_the_length_and_its_scraps_are_lost() -> None:
    made = quilt(f"{ROLL} + 1 yd charcoal", rows=6, columns=6)
    fabrics = tuple(
        replace(p, roles=(Role.BINDING,)) if p.kept.lot.form is Form.YARDAGE else p
        for p in made.project.fabrics
    )
    bound = make_quilt(plan(replace(made.project, fabrics=fabrics, plan=None)))
    (end,) = bound.opened
    binding = part_of(bound, PartKind.BINDING)
    assert end.used == binding.length * binding.cut_width
    assert end.ends == ((Fraction(42), 36 - binding.strips * binding.cut_width),)
    (fate,) = (fate for fate in put_away(bound).fates if fate.pulled.roles == (Role.BINDING,))
    assert fate.lost == binding.strips * binding.cut_width * 42 - fate.used > 0
