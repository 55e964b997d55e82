"""Drawings: well-formed, true to scale, the same each time, and safe whatever a print is called."""

import re
from dataclasses import replace
from fractions import Fraction
from functools import cache
from typing import Any
from xml.etree import ElementTree as ET

import pytest
from tests.core.quilts import SETS, part_of, plan

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.cloth.fabric import Lot, Motif, Print, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.frame.part import PartKind
from kersey.core.measure.length import Units
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.ledger import Balance
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import EXAMPLES, read_line, take_line
from kersey.core.yields.by_hand import Division, StripSum
from kersey.core.yields.cliffs import Cliffs
from kersey.core.yields.count import Count
from kersey.core.yields.role_shares import role_shares
from kersey.drawing.balance import draw_balance
from kersey.drawing.cliff_ruler import draw_cliff
from kersey.drawing.cut_layout import draw_layout
from kersey.drawing.patches import draw_block_alone, draw_patches
from kersey.drawing.pieces import draw_colours, draw_piece
from kersey.drawing.quilt import draw_miniature, draw_quilt, view_of
from kersey.drawing.role_bar import draw_role_bar
from kersey.drawing.size_outline import draw_size
from kersey.drawing.strips import StripCloth, draw_division, draw_set
from kersey.drawing.swatch import draw_swatch
from kersey.drawing.tape import tape_across, tape_down
from kersey.drawing.wall import hang, scale_of, wall_tape

SVG = "{http://www.w3.org/2000/svg}"
NASTY = Print('<script>alert("&")</script>', Value.DARK, Swatch(Motif.DOT, "#102030", "#ffffff"))


@cache
def quilt(**choices: Any) -> Quilt:
    lot = take_line("roll of 40 strips, 20 prints").lot
    assert lot is not None
    lot = lot.with_stack(0, Stack(NASTY, 2))
    return make_quilt(
        plan(Project("Throw", "", all_of(CupboardLot("roll", lot)), Design(**choices)))
    )


def area_of_paths(drawing: str) -> float:
    """The cloth that block rails cover, from the path data alone."""
    boxes = re.findall(r"M[-\d.]+ [-\d.]+h([\d.]+)v([\d.]+)h-", drawing)
    return sum(float(width) * float(height) for width, height in boxes)


SEAM = Fraction(1, 4)


def by_sets(length: str, sets: bool = True) -> StripSum:
    """Forty strips so long, three a block."""
    return StripSum(Division(Fraction(length), Fraction(13, 2)), (2,) * 20, 3, sets, False)


BALANCE = Balance(Fraction(2000), Fraction(1200), Fraction(200), Fraction(100), 7)


def photographed() -> Lot:
    swatch = Swatch(Motif.DOT, "#102030", "#ffffff", tile="/9j/4AAQSkZJRg==")
    return Lot(
        Fraction(5), Fraction(5), (Stack(Print("x", Value.DARK, swatch), 1),), form=Form.SQUARE
    )


def of_a_yield() -> dict[str, str]:
    """The block, the cuts, the fabric of a role and the ruler of a log cabin."""
    cut = BlockChoice("log-cabin").assembly(Fraction(1, 4))
    quarter = Fabric(NASTY.name, "a", Fraction(35, 2), Fraction(21), 2)
    plan = solve(CuttingProblem(cut.needs, (quarter,)), Watch())
    codes = piece_codes(cut.needs)
    by_label = {(need.label, need.role): code for need, code in codes.items()}
    side = (Fraction(19, 2), Fraction(19, 2))
    prints = [NASTY] * len(cut.patches)
    layout, share = plan.layouts[0], role_shares(plan)[0]
    fewer, more = plan.blocks - 1, plan.blocks + 1
    found = Cliffs(Fraction(-1), Count(fewer, fewer), Fraction(3, 2), Count(more, more))
    return {
        "block": draw_patches(cut.patches, side, prints, by_label, Units.INCHES),
        "block alone": draw_block_alone(cut.patches, side, prints),
        "layout": draw_layout(layout, NASTY, codes, Units.CENTIMETRES, 10.0),
        "role bar": draw_role_bar(share, [NASTY], share.area, True),
        "cliff": draw_cliff(Fraction(21), found, f"{plan.blocks} blocks", Units.CENTIMETRES),
        "no cliff yet": draw_cliff(Fraction(21), None, "", Units.INCHES),
    }


def every_drawing() -> dict[str, str]:
    whole, sets = quilt(rows=10, columns=8), quilt(block=SETS, rows=7, columns=7)
    sizes = whole.sizes.options
    lot = whole.project.fabrics[0].kept.lot
    cloth = StripCloth(Fraction(5, 2), lot.prints[:3])
    return {
        "quilt": draw_quilt(whole),
        "scrappy binding": draw_quilt(sets),
        "short": draw_quilt(quilt(rows=12, columns=8)),
        "miniature": draw_miniature(whole),
        "size": draw_size(sizes[0], view_of(sizes), Units.INCHES),
        "hanging": hang(lot.only(0, 2), Units.CENTIMETRES, 4.0)[0],
        "photographed": hang(photographed(), Units.INCHES, 4.0)[0],
        "wall tape": wall_tape([lot], Units.CENTIMETRES, 4.0),
        "balance": draw_balance(BALANCE, Units.INCHES),
        "division": draw_division(by_sets("42"), cloth, SEAM, Units.INCHES, Fraction(46)),
        "set": draw_set(lot.prints[:3], Division(Fraction(42), Fraction(13, 2))),
        **of_a_yield(),
        "swatch": draw_swatch(NASTY),
    }


def test_drawings_are_well_formed_named_and_repeatable() -> None:
    again = every_drawing()
    for name, drawing in every_drawing().items():
        root = ET.fromstring(drawing)
        assert root.tag == f"{SVG}svg", name
        assert root.findtext(f"{SVG}title"), name
        assert "<script" not in drawing, name
        assert "style=" not in drawing, name
        assert drawing == again[name], name
        ids = [element.get("id") for element in root.iter() if element.get("id")]
        assert len(ids) == len(set(ids)), name
        for used in re.findall(r"url\(#([^)]+)\)", drawing):
            assert used in ids, name


def test_the_quilt_is_drawn_to_scale() -> None:
    """Patches and border together cover the finished quilt, in square inches."""
    whole = quilt(rows=10, columns=8)
    # The seams are drawn over the patches once more.
    pieces = re.sub(r'<path [^>]*fill="none"[^>]*/>', "", draw_miniature(whole))
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


@pytest.mark.parametrize(
    ("line", "wide", "high"),
    [
        ("2 strips 2 1/2 x 42", 2.5 + 0.4 + 2.5, 42),
        ("40 strips 2 1/2 x 42", 8 * 2.5 + 7 * 0.4, 42),
        ("1 fat quarter", 17.5, 21),
        ("9 squares 5 x 5, 1 print", 5 + 3 * 0.8, 5 + 3 * 0.8),
        ("3 yd rust", 42, 54),
        ("5 yd backing 108 wide", 54, 45),
    ],
)
def test_fabric_hangs_to_scale_long_cloth_folded(line: str, wide: float, high: float) -> None:
    lot = take_line(line).lot
    assert lot is not None
    root = ET.fromstring(hang(lot, Units.INCHES, 4.0)[0])
    assert root.get("viewBox") == f"-0.2 -0.2 {wide + 0.4:g} {high + 0.4:g}"
    assert root.get("width") == str(round((wide + 0.4) * 4))
    assert len(root.findall(f"{SVG}rect")) == min(lot.count, 8 if "strip" in line else 4)
    folds = root.findall(f"{SVG}path[@class='fold']")
    assert bool(folds) == ("yd" in line)


def test_a_wall_is_drawn_as_large_as_it_fits() -> None:
    roll = take_line("roll of 40 strips, 20 prints").lot
    assert roll is not None
    few = [[roll.only(n, 1) for n in range(3)]]
    many = [[roll.only(n % 20, 9) for n in range(120)]]
    assert scale_of(few) > scale_of(many)
    assert scale_of([]) == scale_of([[]])


def test_the_balance_is_parted_to_scale() -> None:
    root = ET.fromstring(draw_balance(BALANCE, Units.INCHES))
    parts = {r.get("class"): float(r.get("width", 0)) for r in root.findall(f"{SVG}rect")}
    assert parts == {"used-part": 60, "there-part": 25, "away-part": 10, "lost-part": 5}


@pytest.mark.parametrize("length", ["42", "79/2", "39", "38", "6"])
def test_cuts_stand_where_the_sum_says(length: str) -> None:
    """Each cut at a whole number of segments; the cliff at the last; the end veiled beyond it."""
    cloth = StripCloth(Fraction(5, 2), (NASTY,))
    answer = by_sets(length, sets=False)
    drawing = draw_division(answer, cloth, SEAM, Units.INCHES, Fraction(46))
    n = int(Fraction(length) // Fraction(13, 2))
    cuts = re.search(r'<path d="([^"]*)" class="cut-line"', drawing)
    places = re.findall(r"M([\d.]+) ", cuts[1]) if cuts else []
    assert [float(x) for x in places] == [6.5 * (i + 1) for i in range(n)]
    assert drawing.count('class="chip-text"') == n
    assert ("needs" in drawing) == (n > 0)
    assert ("left-end" in drawing) == (Fraction(length) % Fraction(13, 2) != 0)


def test_sizes_of_a_row_share_one_scale() -> None:
    options = quilt().sizes.options
    view = view_of(options)
    boxes = {ET.fromstring(draw_size(o, view, Units.INCHES)).get("viewBox") for o in options}
    assert len(boxes) == 1
    for option in options:
        drawn = re.search(
            r'class="size-border"|width="([\d.]+)" height="([\d.]+)" class="size-border"',
            draw_size(option, view, Units.INCHES),
        )
        assert drawn
        assert float(drawn[1]) == pytest.approx(float(option.width), abs=0.001)


def test_a_bought_binding_is_one_colour_and_a_scrappy_one_many() -> None:
    bought = quilt(rows=10, columns=8)
    scrappy = quilt(block=SETS, rows=7, columns=7)
    assert "stroke-dashoffset" not in draw_miniature(bought)
    assert draw_miniature(scrappy).count("stroke-dashoffset") == len(
        part_of(scrappy, PartKind.BINDING).cloth.strips
    )


def test_pieces_of_every_form_are_to_one_scale() -> None:
    for line in EXAMPLES:
        lot = read_line(line).lot
        assert lot is not None
        root = ET.fromstring(draw_piece(lot, Units.INCHES))
        left, top, across, high = map(float, (root.get("viewBox") or "").split())
        assert (left, top, across) == (0, 0, 84)
        assert 0 < high <= 22


def test_colours_are_what_prints_blend_to() -> None:
    drawing = draw_colours(
        tuple(cloth.swatch.blend for cloth in quilt().project.fabrics[0].kept.lot.prints)
    )
    assert len(re.findall(r'fill="#[0-9a-f]{6}"', drawing)) == 20


@pytest.mark.parametrize(("units", "marks"), [(Units.INCHES, 60), (Units.CENTIMETRES, 76)])
def test_the_tape_has_a_tick_for_every_step(units: Units, marks: int) -> None:
    tape = tape_across(0, 2, Fraction(60), 2.0, units)
    ticks = re.search(r'<path d="([^"]+)"', tape)
    assert ticks
    assert ticks[1].count("M") == marks
    down = tape_down(2, 0, Fraction(60), 2.0, units)
    assert down.count("M") == tape.count("M")


@pytest.mark.parametrize(("reach", "anchor"), [("46", "middle"), ("40", "end")])
def test_the_words_at_the_cliff_stay_in_the_picture(reach: str, anchor: str) -> None:
    cloth = StripCloth(Fraction(5, 2), (NASTY,))
    drawing = draw_division(by_sets("42"), cloth, SEAM, Units.CENTIMETRES, Fraction(reach))
    words = re.search(r'<text x="([\d.]+)"[^>]*class="cliff-text"[^>]*text-anchor="(\w+)"', drawing)
    assert words
    assert words[2] == anchor
    assert float(words[1]) <= float(reach)
