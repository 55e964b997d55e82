"""What could be made tonight, and what is nearly enough: what would mend it does."""

from dataclasses import replace

import pytest
from tests.core.quilts import project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import Units
from kersey.core.planning.possible import best_of, wall_question
from kersey.core.planning.tonight import NEARLY, nearly_covers, tonight_question
from kersey.core.project.question import yield_asked
from kersey.core.yields.report import checked_plan


def blocks_of(line: str, block: BlockChoice) -> int:
    asked = yield_asked(project(line, block=block))
    problem = replace(asked.problem, rules=asked.assembly.rules)
    return checked_plan(problem, Watch(2.0)).blocks


# 99 charm squares, 4 1/2 finished: 9 x 11 is 40 1/2 by 49 1/2, a baby quilt. A lap quilt, 45 x 60
# at least, takes 10 x 14 of them, of which 41 are missing: more than a fifth. 120 lack 20 of it.
@pytest.mark.parametrize(("squares", "short"), [(99, None), (112, 28), (120, 20), (140, None)])
def test_nearly_enough_for_a_lap_quilt(squares: int, short: int | None) -> None:
    asked = wall_question(project(f"{squares} charm squares, 10 prints"), Units.INCHES)
    found = best_of(asked.project, "plain-square", Units.INCHES)
    assert found is not None
    assert found.blocks == squares
    missed = {each.size.purpose.key: each for each in nearly_covers(found, Units.INCHES)}
    assert (missed["lap"].short if "lap" in missed else None) == short
    for each in missed.values():
        assert 0 < each.short <= NEARLY * each.size.blocks
        across, down = each.size.purpose.short_by(each.size.width, each.size.length)
        assert min(across, down) >= 0
    if short:
        assert sorted((missed["lap"].size.rows, missed["lap"].size.columns)) == [10, 14]


def test_what_would_do_does() -> None:
    question = tonight_question(project("70 charm squares, 10 prints"), Units.INCHES)
    answers = list(question.run())
    told = answers[-1]
    assert [p.key for p in told.could] == [p.key for p in answers[-2].could]
    used = [each.used for each in told.could]
    assert used == sorted(used, reverse=True)
    assert all(not each.missing for each in told.could)
    assert all(len(each.missing) == 1 for each in told.lacking)
    # A baby quilt of squares of 4 1/2 is 8 x 10 of them: ten squares more, by hand.
    by_block = {each.possible.key: each for each in told.nearly}
    squares = by_block["plain-square"]
    assert (squares.size.purpose.key, squares.short) == ("baby", 10)
    assert [mend.pieces for mend in squares.mends] == [10]
    assert all(each.sought for each in told.nearly)
    for each in told.nearly[:3]:
        for mend in each.mends:
            block = replace(each.possible.kept.block, whole=(), square=None)
            line = f"70 charm squares, 10 prints + {mend.pieces} charm squares"
            assert blocks_of(f"{line}, {mend.pieces} prints", block) >= each.size.blocks
            assert (mend.fabric.width, mend.fabric.length) == (5, 5)
