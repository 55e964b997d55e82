"""Sets of strips of several lengths: as many blocks come off them as the plan promises."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import of_strips, project

from kersey.core.cutting.watch import no_clock
from kersey.core.measure.length import Units
from kersey.core.quilt.dealing import deal
from kersey.core.quilt.kit_checker import kit_faults
from kersey.core.quilt.planning import plan_question
from kersey.core.yields.just_enough import just_enough

SHORT = "2 strips 1 1/2 x 28 7/8, 1 print"
FIVE = replace(of_strips(5, sets=True), finished=(Fraction(5), Fraction(5)))
LONG = "{0} strips 1 1/2 x 42, {0} prints"


@pytest.mark.parametrize("longs", [4, 8, 13, 14])
@pytest.mark.parametrize("shorts", [1, 2])
def test_any_plan_can_be_dealt(longs: int, shorts: int) -> None:
    # Of 13 long strips and two short ones of one print two long sets leave nothing for a third:
    # one long set and two with a short strip each give more.
    line = " + ".join([LONG.format(longs), *[SHORT] * shorts])
    question = plan_question(project(line, block=FIVE), Units.INCHES)
    most = question.plan(no_clock).most
    for blocks in range(1, most.blocks + 1):
        plan = just_enough(most, blocks, no_clock)
        kits = deal(plan).kits
        assert len(kits) == blocks
        assert kit_faults(plan, kits) == []
