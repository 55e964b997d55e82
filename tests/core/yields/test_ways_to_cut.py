"""The ways in which the same blocks can be cut, side by side, as far as they are known."""

from dataclasses import replace

import pytest
from tests.core.quilts import SETS, of_strips, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.measure.length import Units
from kersey.core.planning.asking import yield_question
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.yields.steps import YieldSoFar, yield_steps
from kersey.core.yields.ways_to_cut import Way, WayToCut, ways_to_cut


def all_known(of: Project) -> YieldSoFar:
    *_, known = yield_steps(yield_question(of, yield_asked(of), Units.INCHES))
    return known


def ways(known: YieldSoFar, even: bool = False) -> dict[Way, WayToCut]:
    return {each.way: each for each in ways_to_cut(known, even, Units.INCHES)}


@pytest.mark.parametrize("chosen", ["segments", "sets"])
def test_a_roll_is_cut_in_three_ways_whichever_is_chosen(chosen: str) -> None:
    block = SETS if chosen == "sets" else of_strips()
    found = ways(all_known(project(block=block)))
    assert list(found) == [Way.POOLED, Way.EVEN, Way.SETS]
    assert found[Way.POOLED].blocks == 80
    # 13 sets of three, each six blocks: one strip of the forty stays over.
    assert found[Way.SETS].blocks == 78
    assert found[Way.SETS].says.startswith("Faster: sew whole strips first, then cut segments.")
    picked = [way for way, each in found.items() if each.chosen]
    assert picked == [Way.SETS if chosen == "sets" else Way.POOLED]
    assert "40 strips" in found[Way.POOLED].says
    assert {each.title for each in found.values()} == {
        "Most blocks, any fabric",
        "Same cuts from every fabric",
        "Strip sets",
    }


def test_cut_alike_says_what_it_costs_and_what_each_gives() -> None:
    of = project("5 fat quarters, 5 prints", block=BlockChoice("window-brick"))
    known = all_known(of)
    found = ways(known, even=True)
    assert [way for way, each in found.items() if each.chosen] == [Way.EVEN]
    pooled, even = found[Way.POOLED], found[Way.EVEN]
    assert pooled.blocks is not None
    assert even.blocks is not None
    cost = pooled.blocks - even.blocks
    assert cost >= 0
    assert ("it costs no blocks" in even.says) == (cost == 0)
    assert 1 <= len(even.gives) <= 4
    assert all(" make" in sentence for sentence in even.gives)


def test_what_is_not_known_yet_is_being_worked_out() -> None:
    known = all_known(project("5 fat quarters, 5 prints", block=BlockChoice("two-bar")))
    early = replace(known, even=None, even_tried=False)
    found = ways(early)
    assert (found[Way.EVEN].blocks, found[Way.EVEN].says) == (None, "Working …")
    assert Way.SETS not in found
    tried = ways(replace(early, even_tried=True))
    assert tried[Way.EVEN].says == (
        "Nearly every piece is a different size, so nothing can be stacked."
    )
    for bound, says in ((0, "There isn't enough for one block"), (9, "No block was found yet")):
        none = replace(known.plan, blocks=0, bound=bound, layouts=())
        nothing = replace(early, even_tried=True, plan=none)
        assert ways(nothing)[Way.EVEN].says == f"{says}, so there is nothing to stack."
