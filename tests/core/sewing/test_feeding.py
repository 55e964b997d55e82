"""How a pass goes under the needle: the seam it sews, and which allowances run with the foot."""

from dataclasses import replace

import pytest
from tests.core.quilts import quilt
from tests.nights import at_night

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.measure.workshop import QUARTER_INCH
from kersey.core.project.sewing import School
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.feeding import End, feeding, seam_of
from kersey.core.sewing.passes import Pass, passes
from kersey.core.sewing.pressing import Pressing, PressQuestion, press

ROLLS = "6 light fat quarters + 6 dark fat quarters"


def of_block(name: str) -> tuple[Quilt, Pressing, list[Pass]]:
    """A quilt of a block, pressed to one side, and the passes of its model."""
    of = quilt(ROLLS, block=BlockChoice(name))
    patches = of.assembly.patches
    pressing = press(PressQuestion(patches, of.block, (0.0,) * len(patches)), School.ONE_SIDE)
    return of, pressing, [each for each in passes(of, 1) if each.batch == 1]


# What is cut apart, turned and joined again is drawn as it shows, not as its parts lay.
NOT_WHERE_IT_LIES = {"cut-apart-hourglass", "units-drawer"}


@pytest.mark.parametrize("name", sorted(recipes()))
def test_every_join_has_its_seam_and_it_is_as_long_as_what_it_joins(name: str) -> None:
    recipe = recipes()[name]
    assembly = recipe.assemble(recipe.finished, recipe.options, QUARTER_INCH)
    for make in assembly.makes:
        joins = sum(part.count for part in make.of) - 1
        for join in range(1, joins + 1):
            one = Pass(1, (), (), make, join, joins, 1, "", "", ())
            seam = seam_of(one)
            joined = make.how.joins and not make.how.flips
            if name not in NOT_WHERE_IT_LIES:
                assert (seam is not None) == joined
            if seam is not None and make.patches and seam.line[:2] in ((0, 1), (1, 0)):
                across = int(seam.line[:2] == (1, 0))
                assert seam.end[across] - seam.begin[across] in {
                    part.make.size[n] - 2 * QUARTER_INCH for part in make.of for n in (0, 1)
                }


def test_rows_of_a_nine_patch_are_fed_from_opposite_ends() -> None:
    _, pressing, model = of_block("nine-patch")
    to_row = [each for each in model if feeding(each, pressing) is not None]
    fed = [feeding(each, pressing) for each in to_row]
    assert [(f.with_foot, f.on_top) for f in fed if f] == [(2, 2), (2, 2)]
    assert {f.at for f in fed if f} == {End.LEFT, End.RIGHT}
    # Squares of a row are plain: nothing lies on them that the foot could turn over.
    assert len(model) - len(to_row) == sum(not each.make.of[0].make.of for each in model)


def test_the_foot_meets_the_fold_first() -> None:
    _, pressing, model = of_block("four-patch")
    one = next(each for each in model if feeding(each, pressing) is not None)
    seams = pressing.seams
    upper, lower = sorted(
        (n for n, s in enumerate(seams) if s.level == 1), key=lambda n: seams[n].begin[1]
    )
    for up, down, expected in [
        (1, -1, (True, End.RIGHT)),
        (-1, 1, (True, End.LEFT)),
        # The lower row is pressed open: only the upper one has an allowance to watch.
        (1, 0, (False, End.LEFT)),
        (-1, 0, (False, End.RIGHT)),
    ]:
        way = [0] * len(seams)
        way[upper], way[lower] = up, down
        fed = feeding(one, replace(pressing, ways=(tuple(way), tuple(way))))
        assert fed is not None
        assert (fed.second_on_top, fed.at) == expected
        assert fed.with_foot == fed.on_top == 1


@pytest.mark.parametrize("name", ["nine-patch", "pinwheel", *at_night(["ohio-star", "log-cabin"])])
def test_pressed_the_other_way_it_is_begun_at_the_other_end(name: str) -> None:
    _, pressing, model = of_block(name)
    back = tuple(-side for side in pressing.ways[0])
    other = replace(pressing, ways=(back, back))
    found = [(feeding(each, pressing), feeding(each, other)) for each in model]
    fed = [(one, two) for one, two in found if one and two]
    assert fed
    for one, two in fed:
        if one.with_foot * 2 != one.on_top:
            assert (one.begin, one.end) == (two.end, two.begin)
        assert (one.with_foot, one.on_top) == (two.with_foot, two.on_top)
