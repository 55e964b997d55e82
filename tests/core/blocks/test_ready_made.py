"""What is made of what is sewn already: units on a grid, blocks trimmed; and what blocks say."""

from collections.abc import Sequence
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.facts import Difficulty
from kersey.core.blocks.techniques.finished_blocks import Fate, fate_of, trim_to
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cutting.checker import faults
from kersey.core.cutting.kinds.drawer import SQUARE, best_shelves, shelves
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.tally import Drawer
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import Units

SEAM = Fraction(1, 4)
UNITS = st.lists(
    st.tuples(st.sampled_from("abc"), st.integers(1, 4), st.integers(1, 4)), min_size=1, max_size=14
)


@given(UNITS, st.integers(4, 12))
def test_shelves_cover_the_grid_and_nothing_twice(
    units: Sequence[tuple[str, int, int]], columns: int
) -> None:
    laid = shelves(units, columns)
    covered = [
        (each.row + down, each.column + across)
        for each in laid.laid
        for down in range(each.rows)
        for across in range(each.columns)
    ]
    assert sorted(covered) == [(r, c) for r in range(laid.rows) for c in range(columns)]
    placed = sorted((e.label, e.columns, e.rows) for e in laid.laid if e.label != SQUARE)
    assert placed == sorted(units)


@given(UNITS, st.integers(0, 60))
def test_no_more_plain_squares_are_taken_than_there_are(
    units: Sequence[tuple[str, int, int]], most: int
) -> None:
    laid = best_shelves(units, 0, most)
    if laid is not None:
        assert laid.plain <= most
    else:
        assert best_shelves(units, 0, 10_000) is not None


def drawer(units: Sequence[tuple[int, int, int]], yards: int, **options: int) -> CuttingPlan:
    """Units of so many squares of 4, so many of each; and mist off the bolt."""
    block = BlockChoice("units-drawer", None, tuple(options.items()))
    fabrics = [
        Fabric(f"u{n}", f"u{n}", 4 * w + 2 * SEAM, 4 * h + 2 * SEAM, count, frozenset({"unit"}))
        for n, (w, h, count) in enumerate(units)
    ]
    mist = Fabric("mist", "mist", Fraction(42), Fraction(36 * yards), 1, frozenset({"background"}))
    needs, tally = block.assembly(SEAM).needs, block.tally(SEAM)
    found = solve(CuttingProblem(needs, (*fabrics, mist), tally=tally), Watch())
    assert faults(found) == []
    if found.blocks:
        whole = whole_piece(block, SEAM, found)
        assert faults(whole.plan) == []
        assert whole.assembly.finished is not None
        width, length = whole.assembly.finished
        assert sum(patch.area for patch in whole.assembly.patches) == width * length
    return found


@given(
    st.lists(
        st.tuples(st.integers(1, 4), st.integers(1, 4), st.integers(1, 5)), min_size=1, max_size=4
    )
)
def test_every_drawer_becomes_a_top(units: list[tuple[int, int, int]]) -> None:
    plan = drawer(units, 5)
    assert plan.blocks == 1
    pieces = sum(layout.copies for layout in plan.layouts if layout.fabric.name != "mist")
    assert pieces == sum(count for _, _, count in units)
    wrong = replace(plan, blocks=2, bound=2)
    assert any("no 2 whole tops" in fault for fault in faults(wrong))


def test_places_for_applique_are_cut_in_one_piece() -> None:
    plan = drawer([(1, 1, 12)], 2, applique=2, applique_side=3)
    held = [c for layout in plan.layouts for c in layout.cuts if c.need.label == "appliqué"]
    assert {(cut.width, cut.length) for cut in held} == {(Fraction(25, 2), Fraction(25, 2))}
    assert sum(layout.copies for layout in plan.layouts if layout.cuts[0] in held) >= 1
    assert Drawer(Fraction(4), SEAM).squares(Fraction(17, 2), Fraction(7)) is None


@pytest.mark.parametrize(
    ("size", "side", "fate"),
    [
        (("25/2", "25/2"), "25/2", Fate.AS_IT_IS),
        (("101/8", "25/2"), "25/2", Fate.TRIM),
        (("25/2", "99/8"), "25/2", Fate.EASE),
        (("25/2", "49/4"), "25/2", Fate.REMAKE),
        (("105/8", "25/2"), "25/2", Fate.REMAKE),
    ],
)
def test_what_becomes_of_a_block(size: tuple[str, str], side: str, fate: Fate) -> None:
    assert fate_of((Fraction(size[0]), Fraction(size[1])), Fraction(side)) is fate


@given(st.lists(st.tuples(st.integers(95, 105), st.integers(95, 105)), min_size=1, max_size=12))
def test_the_size_to_trim_to_keeps_most(eighths: list[tuple[int, int]]) -> None:
    sizes = [(Fraction(w, 8), Fraction(h, 8)) for w, h in eighths]
    ranked = trim_to(sizes)
    assert all(len(each.fates) == len(sizes) for each in ranked)
    smallest = min(min(size) for size in sizes)
    of_smallest = next(each for each in ranked if each.side == smallest)
    if max(max(size) for size in sizes) - smallest <= Fraction(1, 2):
        # All can be trimmed to the smallest, so the best one keeps them all as well.
        assert of_smallest.kept == len(sizes)
        assert ranked[0].kept == len(sizes) or len(sizes) > 6
    alike = [(Fraction(25, 2), Fraction(25, 2))] * len(sizes)
    assert trim_to(alike)[0].fates == (Fate.AS_IT_IS,) * len(sizes)


@pytest.mark.parametrize("recipe", recipes().values(), ids=lambda recipe: recipe.id)
def test_every_block_says_what_it_is(recipe: object) -> None:
    known = recipes()[getattr(recipe, "id", "")]
    facts = known.facts
    assert facts is not None
    assert facts.difficulty in Difficulty
    assert 0 < facts.sides[0] < facts.sides[1]
    sentences = (
        facts.made_from,
        facts.suits,
        *facts.pressing,
        *facts.cautions,
        *(how for _, how in facts.mistakes),
        known.about,
    )
    assert all(words and words[0].isupper() and words.endswith(".") for words in sentences)
    assert facts.mistakes


# (block, options, said): docs/trade.md section 3.
NOTES = [
    ("log-cabin", {}, "33¾″ of light strip and 41¼″ of dark"),
    ("log-cabin", {"log": "7/4"}, "33¾″ of light strip"),
    ("corner-log-cabin", {}, "one strip is enough"),
    ("arrow", {}, "Untrimmed, the block is about 12.435″"),
    ("tube-triangles", {}, "3 squares if its strips measure at least 41½″; shorter strips make 2"),
    ("tube-triangles", {}, "a 10½″ wide accent strip"),
    ("tube-triangles", {"strips": 3}, "5 squares if its strips measure at least 38½″"),
    ("string", {"foundation": "9"}, "The longest string is 12¾″ plus ½″ at each end"),
    ("quilt-as-you-go", {}, "Cut the batting and backing 4″ larger than all the strips"),
    ("cut-apart-hourglass", {"trim": "53/8"}, "Cut 2⅛″ from both sides of each center seam"),
    ("cut-apart-hourglass", {}, "the largest unit of squares of 10″ is trimmed to 6⅝″"),
]


@pytest.mark.parametrize(("block", "options", "said"), NOTES)
def test_notes_say_the_figures_of_the_trade(
    block: str, options: dict[str, int | str], said: str
) -> None:
    choice = BlockChoice(block, None, tuple(options.items()))
    if block == "arrow":
        choice = choice.of_squares(Fraction(10))
    known = choice.known
    assert known is not None
    assert known.notes is not None
    assembly = choice.assembly(SEAM)
    notes = known.notes(assembly, choice.all_options, SEAM, Units.INCHES)
    assert said.lower() in " ".join(notes).lower()
    metric = known.notes(assembly, choice.all_options, SEAM, Units.CENTIMETRES)
    assert not any("″" in words for words in metric)
