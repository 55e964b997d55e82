"""Drawings: well-formed, true to scale, the same each time, and safe whatever a print is called."""

import re
from dataclasses import replace
from fractions import Fraction
from xml.etree import ElementTree as ET

import pytest

from kersey.core.fabric import Motif, Print, Stack, Swatch, Value
from kersey.core.length import Units
from kersey.core.project import Design, Project
from kersey.core.quick_entry import take_line
from kersey.core.quilt import Quilt, make_quilt, sizes_of, yields_of
from kersey.core.yields import Method
from kersey.drawing.block import draw_block, draw_swatch
from kersey.drawing.quilt import draw_miniature, draw_quilt, view_of
from kersey.drawing.size_outline import draw_size
from kersey.drawing.strips import draw_division, draw_roll, draw_set, draw_strip

SVG = "{http://www.w3.org/2000/svg}"
NASTY = Print('<script>alert("&")</script>', Value.DARK, Swatch(Motif.DOT, "#102030", "#ffffff"))


def quilt(**choices: object) -> Quilt:
    lot = take_line("roll of 40 strips, 20 prints").lot
    assert lot is not None
    lot = lot.with_stack(0, Stack(NASTY, 2))
    return make_quilt(Project("Throw", "", lot, Design(**choices)))  # type: ignore[arg-type]


def area_of_paths(drawing: str) -> float:
    """The cloth that block rails cover, from the path data alone."""
    boxes = re.findall(r"M[-\d.]+ [-\d.]+h([\d.]+)v([\d.]+)h-", drawing)
    return sum(float(width) * float(height) for width, height in boxes)


def every_drawing() -> dict[str, str]:
    whole, sets = quilt(rows=10, columns=8), quilt(method=Method.SETS, rows=7, columns=7)
    sizes = sizes_of(whole.project, Units.INCHES).options
    lot, answer = whole.project.lot, yields_of(whole.project)[Method.SETS]
    return {
        "quilt": draw_quilt(whole),
        "scrappy binding": draw_quilt(sets),
        "short": draw_quilt(quilt(rows=12, columns=8)),
        "miniature": draw_miniature(whole),
        "size": draw_size(sizes[0], view_of(sizes), Units.INCHES),
        "roll": draw_roll(lot, Units.CENTIMETRES),
        "division": draw_division(answer, Units.INCHES, Fraction(46)),
        "set": draw_set(answer, (0, 1, 2)),
        "strip": draw_strip(lot, 0, [Fraction(13, 2)] * 6),
        "block": draw_block(answer.block, lot.prints, Units.INCHES),
        "swatch": draw_swatch(NASTY),
    }


@pytest.mark.parametrize("name", every_drawing())
def test_drawings_are_well_formed_named_and_repeatable(name: str) -> None:
    drawing = every_drawing()[name]
    root = ET.fromstring(drawing)
    assert root.tag == f"{SVG}svg"
    assert root.findtext(f"{SVG}title")
    assert "<script" not in drawing
    assert "style=" not in drawing
    assert drawing == every_drawing()[name]
    ids = [element.get("id") for element in root.iter() if element.get("id")]
    assert len(ids) == len(set(ids))
    for used in re.findall(r"url\(#([^)]+)\)", drawing):
        assert used in ids


def test_the_quilt_is_drawn_to_scale() -> None:
    """Rails and border together cover the finished quilt, in square inches."""
    whole = quilt(rows=10, columns=8)
    pieces = draw_miniature(whole)
    assert area_of_paths(pieces) == pytest.approx(54 * 66)
    outer = ET.fromstring(pieces).get("viewBox")
    assert outer == "0 0 54.75 66.75"


def test_missing_blocks_are_seen_to_be_missing() -> None:
    assert "missing" not in draw_quilt(quilt(rows=10, columns=8))
    short = quilt(rows=12, columns=8)
    assert draw_miniature(short).count("l6 6") == short.blocks_short == 16


def test_centimetres_are_marked_on_the_tape() -> None:
    whole = quilt(rows=10, columns=8)
    metric = replace(whole, units=Units.CENTIMETRES)
    numbers = re.findall(r">(\d+)</text>", draw_quilt(metric))
    assert {"20", "40", "60", "80", "100", "120"} <= set(numbers)
