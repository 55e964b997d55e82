"""Promises of labels and patterns: agreed, refuted, and each usual slip told by what it gives."""

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import Units
from kersey.core.yields.claims import MOST_CLAIMED, BadClaim, CountClaim, Verdict, judge_size

SEAM = Fraction(1, 4)
FINISHED = Fraction(6), Fraction(6)


def plan_of(*quarters: Fabric, rules: tuple[PrintRule, ...] = ()) -> CuttingPlan:
    """Blocks of four squares of 5 1/2 out of fat quarters, of which each gives nine at 21 long."""
    need = Need("A", "any", Fraction(11, 2), Fraction(11, 2), 4)
    return solve(CuttingProblem((need,), quarters, rules), Watch())


def quarter(name: str, count: int, length: str = "21") -> Fabric:
    return Fabric(name, name, Fraction(35, 2), Fraction(length), count, form=Form.FAT_QUARTER)


def verdict(claimed: int, plan: CuttingPlan) -> Verdict:
    (found,) = CountClaim(claimed, plan, SEAM).run()
    return found


# Four quarters give 36 squares and 9 blocks.
@pytest.mark.parametrize(
    ("claimed", "agrees", "says", "slip"),
    [
        (9, True, "That's right: 9 blocks.", None),
        # Three quarters: 27 squares, six blocks.
        (6, False, "You can make more: 9, which is 3 more.", "one ash was not used"),
        (5, False, "You can make more: 9, which is 4 more.", None),
        # Squares of 5 as they show: 3 x 4 a quarter, 48, twelve blocks. So it is with 22 inches.
        (12, False, "Not possible: no cutting plan makes more than 9.", "seam allowances were left "
            "out"),
        (12, False, "Not possible: no cutting plan makes more than 9.", "wider fabric was assumed: "
            "1″"),
        # Five quarters: 45 squares, eleven blocks.
        (11, False, "Not possible: no cutting plan makes more than 9.", "one ash too many was "
            "counted"),
        # 1470 square inches by blocks of 121 are 12 as well.
        (
            12, False, "Not possible: no cutting plan makes more than 9.",
            "only the area was divided",
        ),
        (40, False, "Not possible: no cutting plan makes more than 9.", None),
    ],
)  # fmt: skip
def test_a_promised_count(claimed: int, agrees: bool, says: str, slip: str | None) -> None:
    found = verdict(claimed, plan_of(quarter("ash", 4)))
    assert (found.agrees, found.says) == (agrees, says)
    assert any(slip in named for named in found.slips) if slip else found.slips == ()


def test_shorter_cloth_was_reckoned_with_to_be_careful() -> None:
    """At 22 long a quarter gives twelve squares, 15 blocks of five; at 21 nine, and eleven."""
    found = verdict(11, plan_of(quarter("ash", 5, length="22")))
    assert found.slips[0].startswith("1″ less fabric")
    assert not any("not used" in slip for slip in found.slips)


def test_prints_that_may_not_repeat_cost_blocks_a_label_forgets() -> None:
    """Of one print that gives 27 squares and three that give nine each, nine blocks differ."""
    others = [quarter(name, 1) for name in ("coal", "steam", "brass")]
    rules = (PrintRule(("any",), same=False),)
    plan = plan_of(quarter("ash", 3), *others, rules=rules)
    assert (plan.blocks, plan.bound) == (9, 9)
    assert "prints were allowed to repeat within a block" in verdict(13, plan).slips


def test_what_is_not_ruled_out_is_not_called_wrong() -> None:
    plan = replace(plan_of(quarter("ash", 4)), bound=10)
    assert verdict(10, plan).says == "Not found: Kersey can make 9, but can't rule out 10."


@given(st.one_of(st.integers(max_value=0), st.integers(MOST_CLAIMED + 1)))
def test_nobody_promises_that(claimed: int) -> None:
    with pytest.raises(BadClaim, match="Type 1 to"):
        verdict(claimed, plan_of(quarter("ash", 1)))


# Three rails 2 1/2 wide finish 6 x 6; raw it is 6 1/2, and 7 1/2 when no seam is taken off.
@pytest.mark.parametrize(
    ("claimed", "agrees", "slip"),
    [
        (("6", "6"), True, None),
        (("13/2", "13/2"), False, "that is the unfinished size; in the quilt it finishes at 6 ×"),
        (("15/2", "13/2"), False, "seam allowances were left out"),
        (("7", "7"), False, None),
    ],
)
def test_a_promised_size(claimed: tuple[str, str], agrees: bool, slip: str | None) -> None:
    cut = BlockChoice("rails").assembly(SEAM)
    size = Fraction(claimed[0]), Fraction(claimed[1])
    found = judge_size(size, FINISHED, cut.patches, SEAM, Units.INCHES)
    assert found.agrees == agrees
    assert any(slip in named for named in found.slips) if slip else found.slips == ()


def test_no_block_has_no_size() -> None:
    cut = BlockChoice("rails").assembly(SEAM)
    with pytest.raises(BadClaim, match="larger than 0"):
        judge_size((Fraction(0), Fraction(6)), FINISHED, cut.patches, SEAM, Units.INCHES)
