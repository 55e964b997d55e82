"""Sashing, several borders and every edge on a quilt, held against the scheme that says the same.

The sizes that are offered and a scheme reckon each in its own way.
"""

from dataclasses import replace
from fractions import Fraction
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import part_of, plan, project

from kersey.core.cutting.checker import faults
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import BadEdge, EdgeStyle
from kersey.core.frame.part import PartKind
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import Setting
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.planning.plan_question import regridded
from kersey.core.project.design import BadDesign, Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.whole.found_quilts import found_question
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, work_order
from kersey.drawing.quilt import draw_quilt
from kersey.records.choices import choices_document, choices_from

F = Fraction


@cache
def planned() -> Project:
    return plan(project())


def framed(design: Design) -> Quilt:
    return make_quilt(regridded(replace(planned(), design=design), Units.INCHES))


WIDTHS = st.sampled_from([F(1), F(3, 2), F(2), F(4)])
SASHINGS = st.one_of(
    st.just(NO_SASHING),
    st.builds(Sashing, WIDTHS, st.booleans(), st.booleans()),
    st.builds(Sashing, WIDTHS, rows_only=st.just(True)),
)
DESIGNS = st.builds(
    Design,
    block=st.just(planned().design.block),
    rows=st.integers(3, 9),
    columns=st.integers(3, 8),
    setting=st.sampled_from(Setting),
    sashing=SASHINGS,
    border_width=st.one_of(st.just(F(0)), WIDTHS),
    outer_borders=st.lists(WIDTHS, max_size=3).map(tuple),
    key=st.sampled_from([F(0), F(0), F(2), F(5, 2)]),
    corners=st.sampled_from(list(Corners)),
    sides_first=st.booleans(),
    edge_style=st.sampled_from(list(EdgeStyle)),
    margin=st.sampled_from([F(2), F(4)]),
)


@given(DESIGNS)
def test_quilt_and_scheme_agree(design: Design) -> None:
    quilt = framed(design)
    scheme = quilt.scheme
    assert (scheme.setting, scheme.blocks) == (design.setting, quilt.size.blocks)
    assert (quilt.size.body_width, quilt.size.body_length) == scheme.body
    assert (quilt.size.width, quilt.size.length) == scheme.finished
    assert quilt.backing.width == scheme.backed_by(Workshop()).width
    # Every cut of the scheme is a cut of one part, and the parts cut nothing else.
    cuts = [strips.cut for part in quilt.frame.parts for strips in part.cuts]
    assert sorted(cuts, key=str) == sorted(scheme.parts, key=str)
    plain = quilt.part(PartKind.SETTING)
    assert (plain is not None) == (design.setting is not Setting.STRAIGHT)
    corners = sum(part.kind is PartKind.CORNERS for part in scheme.parts)
    keyed = [border for border in quilt.borders if border.key is not None]
    unkeyed = len(scheme.borders) - len(keyed)
    assert corners == (unkeyed if design.corners is Corners.SQUARES else 0)
    for border in keyed:
        # Both sides are whole numbers of keys, and all of them lie there once.
        sides = [side - 2 * border.finished_width for side in scheme.inside]
        assert all(side % design.key == 0 for side in sides)
        assert border.keys == 2 * sum(sides) / design.key
        assert all(side == 0 or side >= F(1, 2) for side in quilt.size.spacer)
    if design.edge.has_strips:
        assert part_of(quilt, PartKind.BINDING).length == 2 * sum(scheme.top) + 10
    else:
        assert quilt.part(PartKind.BINDING) is None


@given(DESIGNS)
def test_it_is_drawn_said_and_kept(design: Design) -> None:
    """Every choice has its sentences, its picture and its place in a file."""
    quilt = framed(design)
    assert choices_from(choices_document(design)) == design
    steps = work_order(quilt)
    assert sum(step.kind is StepKind.BORDER for step in steps) == len(quilt.borders)
    assert len({step.key for step in steps}) == len(steps)
    said = [step_words(step, quilt) for step in steps]
    assert all(words.title and all(words.sentences) for words in said)
    sashed = [s for s in steps if s.kind is StepKind.SASHING]
    assert len(sashed) == bool(design.parted_by.width)
    plain = [s for s in steps if s.kind is StepKind.SETTING]
    assert len(plain) == (design.setting is not Setting.STRAIGHT)
    picture = draw_quilt(quilt)
    assert picture.startswith("<svg")
    assert ("sashing of" in picture) == bool(design.parted_by.width)
    assert ("on point" in picture) == (design.setting is Setting.ON_POINT)


def test_what_cannot_be_is_refused() -> None:
    with pytest.raises(BadDesign, match="up to 4 borders"):
        Design(outer_borders=(F(1),) * 4)
    with pytest.raises(BadEdge, match="Binding strips can be 1½″ to 4″"):
        Design(binding_width=F(9))
    assert Design(edge_style=EdgeStyle.SINGLE_FOLD, binding_width=F(5, 4)).edge.width == F(5, 4)


def test_whole_quilts_are_found_of_the_plan_that_is_kept() -> None:
    question = found_question(planned(), Units.INCHES)
    assert question is not None
    *_, answer = question.run()
    found = answer.quilts
    assert (len(found), answer.complete) == (8, True)
    assert [each.score for each in found] == sorted((e.score for e in found), reverse=True)
    for each in found:
        quilt = make_quilt(each.chosen_in(planned(), Units.INCHES))
        assert quilt.size.blocks <= quilt.kept.possible
        assert (quilt.size.columns, quilt.size.rows) == (each.columns, each.rows)
        taken = make_quilt(each.taken_by(planned(), Units.INCHES))
        assert (taken.size, faults(taken.kept.cutting)) == (quilt.size, [])
        assert not kit_faults(taken.kept.cutting, taken.kept.kits)
        # What the search has promised of what is there, the quilt has.
        if (PartKind.BINDING, 0) in each.from_stash:
            assert part_of(taken, PartKind.BINDING).enough
    # A border that a person has settled stays.
    settled = replace(planned(), design=replace(planned().design, border_width=F(2)))
    question = found_question(settled, Units.INCHES)
    assert question is not None
    *_, answer = question.run()
    assert {each.borders for each in answer.quilts} <= {(), (F(2),)}
