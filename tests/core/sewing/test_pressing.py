"""Pressing: exact against trying all, on the seams of real blocks; turned blocks carry theirs."""

from dataclasses import replace
from fractions import Fraction
from itertools import product
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.assembly import Assembly
from kersey.core.blocks.catalogue import recipes
from kersey.core.measure.workshop import QUARTER_INCH
from kersey.core.project.sewing import School
from kersey.core.sewing.pressing import Meeting, PressQuestion, best_nesting, nests, press
from kersey.core.sewing.seams import seams_of

# Blocks that are pieced of straight seams throughout, and how many seams they have.
BLOCKS = {
    "four-patch": 3,
    "nine-patch": 8,
    "rails": 2,
    "half-square": 1,
    "pinwheel": 7,
    "log-cabin": 12,
    "courthouse-steps": 12,
    "spool": 8,
    "window-brick": 6,
    "stripe": 2,
}


def assembly(name: str) -> Assembly:
    recipe = recipes()[name]
    return recipe.assemble(recipe.finished, recipe.options, QUARTER_INCH)


def question(name: str, rows: tuple[tuple[int, ...], ...] = ()) -> PressQuestion:
    block = assembly(name)
    assert block.finished
    dark = tuple({"light": 0.1, "dark": 0.9}.get(patch.role, 0.5) for patch in block.patches)
    return PressQuestion(block.patches, block.finished, dark, rows)


@pytest.mark.parametrize("name", BLOCKS)
def test_every_edge_between_two_patches_lies_on_a_seam(name: str) -> None:
    patches = assembly(name).patches
    seams = seams_of(patches)
    joined = {frozenset((a, b)) for seam in seams for a in seam.low for b in seam.high}
    for n, one in enumerate(patches):
        for m in range(n):
            if _shared(one.corners, patches[m].corners):
                assert frozenset((n, m)) in joined, (n, m)
    # What is sewn last is one piece: every seam parts what it says it parts.
    last = [seam for seam in seams if seam.level == 0]
    assert {n for s in last for n in (*s.low_patches, *s.high_patches)} == set(range(len(patches)))


@pytest.mark.parametrize("name", ["four-patch", "nine-patch", "rails", "pinwheel", "log-cabin"])
def test_there_are_as_many_seams_as_are_sewn(name: str) -> None:
    assert len(seams_of(assembly(name).patches)) == BLOCKS[name]


def _shared(
    one: tuple[tuple[Fraction, Fraction], ...], other: tuple[tuple[Fraction, Fraction], ...]
) -> bool:
    """Whether two patches share more than a point of an edge."""

    for a, b in zip(one, (*one[1:], one[0]), strict=True):
        for c, d in zip(other, (*other[1:], other[0]), strict=True):
            cross = [(b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) for p in (c, d)]
            if any(cross):
                continue
            axis = 0 if a[0] != b[0] else 1
            low = max(min(a[axis], b[axis]), min(c[axis], d[axis]))
            high = min(max(a[axis], b[axis]), max(c[axis], d[axis]))
            if low < high:
                return True
    return False


@given(
    st.integers(1, 7),
    st.lists(
        st.tuples(st.integers(0, 13), st.integers(0, 13), st.booleans(), st.integers(1, 9)),
        max_size=16,
    ),
    st.lists(st.sampled_from([-1, 0, 0, 1]), min_size=7, max_size=7),
)
def test_no_way_of_pressing_nests_more(
    count: int, joins: list[tuple[int, int, bool, int]], asked: list[int]
) -> None:
    """Of up to seven seams in two ways each: fourteen sides, all tried."""
    meetings = [
        Meeting((a % count, a // count % 2), (b % count, b // count % 2), differ, n)
        for a, b, differ, n in joins
    ]
    fixed = asked[:count]
    best = 0
    for sides in product((-1, 1), repeat=2 * count):
        ways = (sides[:count], sides[count:])
        if all(way[n] == f for way in ways for n, f in enumerate(fixed) if f):
            best = max(best, sum(m.joins for m in meetings if nests(m, ways)))
    assert best_nesting(fixed, meetings) == best


@pytest.mark.parametrize("name", ["nine-patch", "log-cabin", "pinwheel", "spool"])
@pytest.mark.parametrize("school", School)
def test_of_real_blocks_too(name: str, school: School) -> None:
    pressing = press(question(name), school)
    seams = pressing.seams
    assert len(seams) <= 14
    if school is School.OPEN:
        assert pressing.nest == 0
        return
    if school is School.ONE_SIDE:
        best = max(
            sum(m.joins for m in pressing.meetings if nests(m, (sides, sides)))
            for sides in product((-1, 1), repeat=len(seams))
        )
        assert pressing.nest == best
        # What can nest freely never nests less than under a school.
        assert all(press(question(name), other).nest <= best for other in School)


def test_a_nine_patch_nests_everywhere_and_to_the_dark_as_well() -> None:
    for school in (School.ONE_SIDE, School.DARK):
        pressing = press(question("nine-patch"), school)
        assert (pressing.nest, pressing.joins) == (4, 4)
        assert pressing.shadows == ((), ())
        assert pressing.lumps == ()


def test_all_to_one_side_makes_a_lump_where_nothing_nests() -> None:
    block = question("four-patch")
    left = [patch.corners[0][0] == 0 for patch in block.patches]
    stripes = replace(block, dark=tuple(0.9 if is_left else 0.1 for is_left in left))
    pressing = press(stripes, School.DARK)
    # Both short seams go to the dark side, the left: nine layers lie where they meet.
    assert (pressing.nest, pressing.joins) == (0, 1)
    assert len(pressing.lumps) == 1
    in_turn = press(stripes, School.ALTERNATE)
    assert (in_turn.nest, in_turn.lumps) == (1, ())
    assert in_turn.shadows[0]


def test_turned_blocks_carry_their_pressing_with_them() -> None:
    """A block turned right round meets itself with its seams pressed the other way."""
    plain = question("rails", ((1, 1), (1, 1)))
    lying = press(plain, School.ONE_SIDE)
    # Two seams of each block meet those of its neighbour: four joins a pair, two pairs.
    assert lying.joins == 4
    assert lying.nest == 4
    assert not lying.alike
    turned_round = press(question("rails", ((1, 3), (1, 3))), School.ONE_SIDE)
    assert turned_round.nest == 4
    mixed = press(question("rails", ((0, 1), (1, 0))), School.ONE_SIDE)
    assert mixed.joins == 0
    pick = Random(5)
    for _ in range(5):
        rows = tuple(tuple(pick.randrange(4) for _ in range(3)) for _ in range(3))
        found = press(question("four-patch", rows), School.ONE_SIDE)
        assert found.nest <= found.joins
