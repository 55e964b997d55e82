"""What the fabric can become: every quilt on the wall is one that can be made."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import project

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.measure.length import Units
from kersey.core.planning.possible import Possible, WallQuestion, best_of, wall_question
from kersey.core.planning.size_curve import best_sizes, sizes_question
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.pulled import Role


def hung(asked: Project, recipe: str) -> Possible | None:
    question = wall_question(asked, Units.INCHES)
    return best_of(question.project, recipe, Units.INCHES)


@pytest.mark.parametrize("recipe", [name for name, r in recipes().items() if not r.ready])
def test_every_quilt_can_be_made(recipe: str) -> None:
    asked = project(
        "roll of 12 strips, 6 prints" if len(recipe) % 2 else "9 charm squares, 3 prints"
    )
    found = hung(asked, recipe)
    if found is None:
        return
    kept = found.kept
    assert faults(kept.most) == []
    assert kit_faults(kept.cutting, kept.kits) == []
    assert 0 < found.used <= 1
    assert found.blocks <= found.bound
    assert found.seams >= (kept.grid.blocks if kept.grid else 0) - 1
    shown = replace(asked, design=replace(asked.design, block=kept.block), plan=kept)
    quilt = make_quilt(shown)
    assert len(quilt.placed) <= kept.most.blocks
    assert {placed.kit for placed in quilt.placed} <= set(range(len(kept.kits)))


def test_what_no_fabric_serves_is_bought_and_never_counted_as_there() -> None:
    found = hung(project("roll of 40 strips, 20 prints"), "tube-triangles")
    assert found is not None
    # Of three strips a set is 6 1/2 high: 13 tubes of five squares, more than of five strips. 63 of
    # the 65 are in the quilt, for which 13 strips of 6 1/2 are bought.
    assert (found.blocks, [each.role for each in found.missing]) == (65, ["accent"])
    assert found.missing[0].length == Fraction(171, 2)
    assert found.used <= 1
    # The light bars of as many blocks as a yard of dark gives: about a yard too.
    bars = hung(project("1 yd dark navy"), "two-bar")
    assert bars is not None
    (light,) = bars.missing
    need = next(n for n in bars.kept.most.problem.needs if n.role == light.role)
    area = bars.kept.cutting.blocks * need.count * need.width * need.height
    # No less than its area, and no more than a strip more of a bolt.
    assert area / 42 <= light.length <= area / 42 + need.height + Fraction(9, 2)
    nothing = hung(project("9 charm squares, 3 prints"), "made-fabric")
    assert nothing is not None
    assert nothing.missing == ()


def test_one_piece_is_not_long_and_narrow() -> None:
    found = hung(project("12 fat quarters, 12 prints"), "bargello")
    assert found is not None
    width, length = found.kept.finished or (Fraction(1), Fraction(1))
    assert max(width, length) <= Fraction(9, 5) * min(width, length)


def test_the_question_is_of_the_fabric_not_of_the_block() -> None:
    asked = project("12 fat quarters, 12 prints")
    same = replace(
        asked,
        design=replace(asked.design, block=BlockChoice("log-cabin"), rows=3, columns=3),
        name="Other",
    )
    assert wall_question(asked, Units.INCHES) == wall_question(same, Units.INCHES)
    fewer = replace(asked, fabrics=asked.fabrics[1:])
    dark = replace(asked, fabrics=(replace(asked.fabrics[0], roles=(Role.DARK,)), *fewer.fabrics))
    questions = {wall_question(p, Units.INCHES).key for p in (asked, fewer, dark)}
    assert len(questions) == 3
    assert wall_question(asked, Units.INCHES, no_border=True) != wall_question(asked, Units.INCHES)


def test_the_wall_grows_quilt_by_quilt() -> None:
    asked = project("6 charm squares, 3 prints")
    question: WallQuestion = wall_question(asked, Units.INCHES)
    grown = [len(found) for found in question.run()]
    assert grown == [*range(1, grown[-1] + 1), grown[-1]]


def test_the_best_size_of_charm_squares_is_their_own() -> None:
    """20 squares of 5: at 4 1/2 finished 20 show 405 of 500 inches, at 2 80 show 320."""
    asked = project("20 charm squares, 10 prints", block=BlockChoice("plain-square"))
    question = sizes_question(asked, Units.INCHES)
    assert question is not None
    *_, found = question.run()
    assert [at.finished for at in found] == sorted(at.finished for at in found)
    best = best_sizes(found)[0]
    assert (best.finished[0], best.count.blocks, best.shows) == (
        Fraction(9, 2),
        20,
        Fraction(405, 500),
    )
    two = next(at for at in found if at.finished[0] == 2)
    assert (two.count.blocks, two.shows) == (80, Fraction(320, 500))
    assert sizes_question(project("roll of 12 strips, 6 prints"), Units.INCHES) is None
