"""The frame in words: every figure said is a figure of the quilt, in either units."""

import re
from fractions import Fraction

import pytest
from tests.core.quilts import ROLL, part_of, plan, project

from kersey.core.frame.backing import BackingWay
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.part import PartKind
from kersey.core.measure.length import Units, format_bought, format_length, format_size
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, work_order

F = Fraction


def made(units: Units = Units.INCHES, **choices: object) -> Quilt:
    planned = plan(project(ROLL, rows=9, columns=8, **choices), units)
    return make_quilt(planned, units)


def said(quilt: Quilt, kind: StepKind) -> list[str]:
    """All that is said of the steps of a kind, title first."""
    found = []
    for step in work_order(quilt):
        if step.kind is kind:
            words = step_words(step, quilt)
            found.append(" ".join((words.title, *words.sentences)))
    return found


@pytest.mark.parametrize("units", Units)
@pytest.mark.parametrize("corners", Corners)
@pytest.mark.parametrize("outer", [(), (F(2), F(3))])
def test_borders_say_what_is_cut(
    units: Units, corners: Corners, outer: tuple[Fraction, ...]
) -> None:
    quilt = made(units, border_width=F(3), outer_borders=outer, corners=corners)
    words = said(quilt, StepKind.BORDER)
    assert len(words) == len(quilt.borders) == 1 + len(outer)
    for border, sentence in zip(quilt.borders, words, strict=True):
        assert format_length(border.cut_width, units) in sentence
        for side in (border.sides, border.ends):
            assert format_length(side, units) in sentence
        assert "Cut to the average" in sentence
        assert ("miter" in sentence) == (corners is Corners.MITRED)
        assert ("into one band" in sentence) == (corners is Corners.MITRED and bool(outer))
    names = ["first border", "second border", "third border"] if outer else ["border"]
    for name, sentence in zip(names, words, strict=True):
        assert f"wide for the {name}" in sentence


@pytest.mark.parametrize("units", Units)
@pytest.mark.parametrize("way", [BackingWay.UPRIGHT, BackingWay.ACROSS, BackingWay.WIDE])
def test_a_backing_says_its_panels_and_its_cloth(units: Units, way: BackingWay) -> None:
    quilt = made(units, backing_way=way)
    (sentence,) = said(quilt, StepKind.BACKING)
    cut = quilt.backing_plan
    assert sentence.startswith(
        f"Cut the backing {format_size(quilt.backing.width, quilt.backing.length, units)}"
    )
    assert format_length(cut.panel_length, units) in sentence
    assert format_bought(cut.cloth, units) in sentence
    assert ("join with" in sentence) == (cut.panels > 1)


@pytest.mark.parametrize("style", EdgeStyle)
def test_an_edge_says_what_its_school_takes(style: EdgeStyle) -> None:
    quilt = made(edge_style=style, binding_from_left=False)
    (sentence,) = said(quilt, StepKind.BINDING)
    edge = quilt.project.design.edge
    if edge.has_strips:
        cut = format_length(edge.width)
        assert sentence.startswith(f"Cut {part_of(quilt, PartKind.BINDING).strips} strip")
        assert cut in sentence
        assert ("on the bias" in sentence) == (style is EdgeStyle.BIAS)
    else:
        begins = {EdgeStyle.FOLDED: "Fold the backing", EdgeStyle.TURNED: "Turn the backing"}
        assert sentence.startswith(begins[style])
        assert format_length(edge.width) in sentence
    # Nothing is said with decimals: lengths are read off a ruler.
    assert not re.search(r"\d\.\d", sentence)
