"""What is opened first: scraps before lengths, and what a person wants used up before either."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.project.first_used import turns
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import make_quilt
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, work_order

SQUARE = BlockChoice("plain-square")
SCRAPS = "30 pieces 6 x 6, 10 prints + 2 yd smoke"


def opened(of: Project) -> dict[str, int]:
    """Pieces cut into of each lot, by their form and size."""
    kept = plan(of).plan
    assert kept is not None
    assert faults(kept.cutting) == []
    found: dict[str, int] = {}
    for layout in kept.cutting.layouts:
        name = f"{layout.fabric.form} {layout.fabric.width}"
        found[name] = found.get(name, 0) + layout.copies
    return found


# Thirty scraps make a square of 4 1/2 finished each; a yard of 42 makes eight across.
@pytest.mark.parametrize(
    ("rows", "columns", "cut"),
    [(5, 5, {"piece 6": 25}), (6, 5, {"piece 6": 30}), (8, 5, {"piece 6": 30, "yardage 42": 1})],
)
def test_scraps_come_before_the_length(rows: int, columns: int, cut: dict[str, int]) -> None:
    of = project(SCRAPS, block=SQUARE, rows=rows, columns=columns)
    assert opened(of) == cut
    kept = plan(of).plan
    assert kept is not None
    of_length = [c for each in kept.cutting.layouts if each.fabric.width == 42 for c in each.cuts]
    assert len(of_length) == max(0, rows * columns - 30)


def test_without_the_rule_fewest_pieces_are_opened_and_a_switch_goes_before_it() -> None:
    of = project(SCRAPS, block=SQUARE, rows=5, columns=5)
    fewest = replace(of, design=replace(of.design, scraps_first=False))
    assert opened(fewest) == {"yardage 42": 1}
    *scraps, length = of.fabrics
    lot = replace(length.kept, first=True)
    wanted = replace(of, fabrics=(*scraps, replace(length, kept=lot)))
    assert opened(wanted) == {"yardage 42": 1}


# Each switch is a question of its own, or nothing would be planned anew.
def test_a_switch_asks_anew_and_the_sheet_says_what_is_so() -> None:
    of = project(SCRAPS, block=SQUARE, rows=5, columns=5)
    *scraps, length = of.fabrics
    first = replace(length, kept=replace(length.kept, first=True))
    by_rule = of
    by_count = replace(of, design=replace(of.design, scraps_first=False))
    by_lot = replace(of, fabrics=(*scraps, first))
    prints = [yield_asked(each).fingerprint for each in (by_rule, by_count, by_lot)]
    assert len(set(prints)) == 3
    says = "Smaller and older pieces are used first."
    wanted = "You wanted smoke used up first."
    for each, said, unsaid in ((by_rule, says, wanted), (by_lot, wanted, says)):
        assert said in kept_words(each)
        assert unsaid not in kept_words(each)
    assert not {says, wanted} & set(kept_words(by_count))
    alike = replace(of, design=replace(of.design, even=True))
    assert turns(yield_asked(alike)) == {}


def kept_words(of: Project) -> tuple[str, ...]:
    """What the sheet says of the fabric that stays whole."""
    quilt = make_quilt(plan(of))
    steps = [step for step in work_order(quilt) if step.kind is StepKind.KEEP]
    return tuple(s for step in steps for s in step_words(step, quilt).sentences)


# Two half squares come of a light and a dark square: 32 take ten light scraps and six squares of
# the length, and sixteen of forty dark ones.
def test_what_has_no_turns_is_thinned_out_beside_what_has() -> None:
    of = project(
        "10 light pieces 6 x 6, 10 prints + 1 yd cream + 40 dark charm squares, 40 prints",
        block=BlockChoice("half-square", (Fraction(4), Fraction(4))),
        rows=4,
        columns=8,
    )
    cut = opened(of)
    assert cut == {"piece 6": 10, "yardage 42": 1, "square 5": 16}
