"""Sets of strips of several lengths: as many blocks come off them as the plan promises."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import of_strips, project
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.kits.dealing import deal
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.kits.pieces import slots_of
from kersey.core.kits.sewn_sets import kits_of_sets, segments_over, strip_sets
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import plan_question
from kersey.core.yields.just_enough import just_enough

SHORT = "2 strips 1 1/2 x 28 7/8, 1 print"
FIVE = replace(of_strips(5, sets=True), finished=(Fraction(5), Fraction(5)))
LONG = "{0} strips 1 1/2 x 42, {0} prints"


@pytest.mark.parametrize("longs", [4, 13, *at_night([8, 14])])
@pytest.mark.parametrize("shorts", [1, 2])
def test_any_plan_can_be_dealt(longs: int, shorts: int) -> None:
    # Of 13 long strips and two short ones of one print two long sets leave nothing for a third:
    # one long set and two with a short strip each give more.
    line = " + ".join([LONG.format(longs), *[SHORT] * shorts])
    question = plan_question(project(line, block=FIVE), Units.INCHES)
    most = question.plan().most
    for blocks in range(1, most.blocks + 1):
        plan = just_enough(most, blocks)
        kits = deal(plan).kits
        assert len(kits) == blocks
        assert kit_faults(plan, kits) == []


@pytest.mark.parametrize("block", [FIVE, of_strips(3, sets=True), BlockChoice("nine-patch")])
@pytest.mark.parametrize("placed", [0.3, 0.7, 1.0])
def test_what_is_over_is_all_that_comes_off_less_what_lies_in_the_quilt(
    block: BlockChoice, placed: float
) -> None:
    sewn = block if "method" not in block.all_options else block.with_option("method", "sets")
    line = f"{LONG.format(12)} + {SHORT}" if block is FIVE else "16 strips 2 1/2 x 41, 8 prints"
    kept = plan_question(project(line, block=sewn), Units.INCHES).plan()
    plan = kept.most
    if not plan.problem.strip_sets:
        pytest.skip("it is not sewn of sets")
    dealt = kits_of_sets(plan, 0)
    laid = dealt[: int(len(dealt) * placed)]
    over = segments_over(plan, 0, laid)
    # Counted by fabric and need: what the sets give, less what the kits take.
    slots = slots_of(plan.problem)
    wanted = Counter[tuple[int, str]]()
    for each in strip_sets(plan):
        strips = list(each.strips)
        for place, count in plan.problem.kinds_of_sets[each.kind].strips:
            for name in strips[:count]:
                wanted[place, name] += each.segments
            del strips[:count]
    for kit in laid:
        wanted.subtract((slot, name) for slot, name in zip(slots, kit, strict=True))
    found = Counter(
        (place, name) for _, segment in over for place, names in segment for name in names
    )
    assert +found == +wanted
    assert min(wanted.values(), default=0) >= 0
    # Of kits that no set gives nothing is said.
    if laid:
        assert segments_over(plan, 0, [*laid, ("of nobody",) * len(laid[0])]) == []
