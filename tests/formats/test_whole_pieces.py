"""Techniques of whole strips, strings and crumbs: closed sums of the trade, and the search.

Expected figures: docs/trade.md sections 3 and 7, reckoned by hand where a line says so.
"""

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from itertools import pairwise
from math import sqrt
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.formats.test_techniques import answer, made

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import WHOLE
from kersey.core.blocks.techniques.bargello import RECIPE as BARGELLO
from kersey.core.blocks.techniques.bargello import columns_of, wave_of
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.tally import Waves
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import bought_length
from kersey.formats.request_fields import BadRequest

SEAM = Fraction(1, 4)
ACCENT = {"id": "accent", "form": "yardage", "width": 42, "length": 90, "roles": ["accent"]}


def strips(count: int, width: float, length: float, name: str = "roll") -> dict[str, Any]:
    return {"id": name, "form": "strip", "count": count, "width": width, "length": length}


@pytest.mark.parametrize(
    ("usable", "in_a_set", "squares", "finished"),
    [
        (42, 5, 24, 13.75),
        (41.5, 5, 24, 13.75),
        (41.25, 5, 16, 13.75),
        (42, 3, 65, 8),
        (38.5, 3, 65, 8),
        (38.25, 3, 52, 8),
    ],
)
def test_squares_of_tubes(usable: float, in_a_set: int, squares: int, finished: float) -> None:
    told = answer(
        [strips(40, 2.5, usable), {**ACCENT, "width": usable}],
        recipe="tube-triangles",
        options={"strips": in_a_set},
    )
    assert (told["blocks"], told["proved"], told["unit"]) == (squares, True, "square")
    assert told["finished"] == [finished, finished]
    high = in_a_set * 2 + 0.5
    assert made(told, "tube") == {"name": "tube", "count": 1, "width": high, "length": usable}
    square = made(told, "block")
    assert square["width"] == pytest.approx(sqrt(2) * (high - 0.25))
    assert square["trimmed"] == [finished + 0.5, finished + 0.5]
    accents = [c for each in told["layouts"] for c in each["cuts"] if c["role"] == "accent"]
    assert len(accents) == 40 // in_a_set
    assert {c["length"] for c in accents} == {high}
    if in_a_set == 5:
        # Eight strips of 10 1/2 are 84 inches: 2 3/8 yd as shops cut it.
        assert bought_length(Fraction(high) * len(accents)) == Fraction(19, 8) * 36


def test_a_tube_without_its_accent_says_what_is_missing() -> None:
    told = answer([strips(40, 2.5, 42), {**ACCENT, "length": 21}], recipe="tube-triangles")
    assert told["blocks"] == 6
    accent = next(limit for limit in told["limits"] if limit["role"] == "accent")
    # A strip of 10 1/2 is cut of no less: it makes one tube more.
    assert (accent["one_more"], accent["blocks"]) == ("3/8 yd", 9)


@pytest.mark.parametrize(
    ("usable", "method", "columns", "width"),
    [
        (42, "alternate", 38, 62.75),
        (42, "onward", 38, 62.75),
        (41, "alternate", 37, 60.75),
        (41, "onward", 38, 62.75),
        (40, "alternate", 36, 58.5),
        (40, "onward", 36, 58.5),
    ],
)
def test_columns_of_a_bargello(usable: float, method: str, columns: int, width: float) -> None:
    told = answer([strips(48, 2.5, usable)], recipe="bargello", options={"method": method})
    assert (told["blocks"], told["bound"], told["unit"]) == (columns, columns, "column")
    assert told["becomes"] == [width, 48]
    assert made(told, "tube 1") == {"name": "tube 1", "count": 1, "width": 48, "length": usable}


@given(
    st.integers(3, 12),
    st.integers(2, 4),
    st.integers(0, 40),
    st.booleans(),
    st.integers(1, 4),
    st.integers(0, 6),
)
def test_every_column_is_cut_from_a_tube_that_has_it(
    in_one: int, tubes: int, short: int, onward: bool, start: int, steps: int
) -> None:
    narrow = Fraction(start, 2) + Fraction(1, 2)
    up = [narrow + n * Fraction(1, 4) for n in range(steps + 1)]
    wave = Waves((*up, *up[-2:0:-1]), in_one, onward)
    lengths = [Fraction(42)] * (in_one * tubes - 1) + [Fraction(42) - Fraction(short, 2)]
    there = wave.tubes(lengths)
    cut_from = wave.cut_from(there)
    taken = [Fraction(0)] * len(there)
    for number, tube in enumerate(cut_from):
        taken[tube] += wave.widths[number % len(wave.widths)]
    assert all(used <= length for used, length in zip(taken, there, strict=True))
    longer = wave.columns([length + 1 for length in there])
    assert longer >= len(cut_from)
    if not onward:
        assert all(one != other for one, other in pairwise(cut_from))


def test_the_columns_carry_numbers_openings_and_a_running_width() -> None:
    options = {**BARGELLO.options, WHOLE: tuple(map(Fraction, (24, 38, 42, 42)))}
    columns = columns_of(options, SEAM)
    assert [column.number for column in columns] == list(range(1, 39))
    assert [column.opened_at for column in columns[22:26]] == [22, 23, 0, 1]
    assert columns[-1].reaches == Fraction("62.75")
    assert all(column.nests for column in columns)
    onward = columns_of({**options, "method": "onward"}, SEAM)
    assert 0 < sum(not column.nests for column in onward) < 8
    assert len(wave_of(options)) == 14


@pytest.mark.parametrize(
    ("fabrics", "options", "count", "wide"),
    [
        ([strips(55, 1.5, 42)], {}, 55, 55),
        # A strip of 2 1/2 splits into two: 31 colours of two halves, the centre one single.
        ([strips(1, 2.5, 42, f"colour {n}") for n in range(31)], {"strip": 1.25}, 61, 45.75),
        ([strips(7, 1.5, 40, "a"), strips(5, 1.5, 42, "b")], {}, 11, 11),
        ([strips(7, 1.5, 40, "a"), strips(5, 1.5, 42, "b")], {"mirrored": False}, 12, 12),
    ],
)
def test_strips_mirrored_from_the_centre(
    fabrics: list[Mapping[str, Any]], options: dict[str, Any], count: int, wide: float
) -> None:
    told = answer(fabrics, recipe="quilt-as-you-go", options=options)
    assert (told["blocks"], told["proved"], told["unit"]) == (count, True, "strip")
    assert told["becomes"][0] == wide


@pytest.mark.parametrize(
    ("options", "rows", "across", "high"),
    [
        ({}, 14, 44.5, 28),
        # Halves of bars of their own: 14 strips of seven bars, or of six and three halves.
        ({"halves": "two bars"}, 12, 45, 24),
        ({"a_row": 7}, 18, 34.5, 36),
    ],
)
def test_rows_of_bars(options: dict[str, Any], rows: int, across: float, high: float) -> None:
    told = answer(
        [strips(18, 2.5, 42)], recipe="stepped-rows", options={"bar": [2.5, 5.5], **options}
    )
    assert (told["unit"], told["becomes"][0]) == ("row", across)
    assert told["blocks"] >= rows
    # Rows in pairs leave out a single one.
    assert told["proved"] == (options.get("halves") != "two bars")
    if options.get("halves") != "two bars":
        assert (told["blocks"], told["becomes"][1]) == (rows, high)
        assert made(told, "row")["width"] == across + 1
        assert made(told, "trimmed row")["width"] == made(told, "offset row")["width"]


def test_rows_parted_by_background_and_accent() -> None:
    cloth = {"form": "yardage", "width": 42, "length": 60}
    told = answer(
        [
            {**strips(10, 2.5, 42), "roles": ["any"]},
            {**cloth, "id": "mist", "roles": ["background"]},
            {**cloth, **ACCENT},
        ],
        recipe="stepped-rows",
        options={"background": 1, "accent": 0.5},
    )
    rows = told["blocks"]
    assert rows >= 7
    # Between two rows lie background, accent and background: 2 1/2 finished.
    assert told["becomes"] == [44.5, 2 * rows + 2.5 * (rows - 1)]


@st.composite
def drawers(draw: st.DrawFn) -> tuple[Fabric, ...]:
    sizes = draw(
        st.lists(
            st.tuples(st.sampled_from(["1", "5/4", "3/2", "2", "5/2", "6"]), st.integers(6, 42)),
            min_size=8,
            max_size=40,
        )
    )
    return tuple(
        Fabric(f"s{n}", f"print {n % 7}", Fraction(width), Fraction(length), form=Form.STRIP)
        for n, (width, length) in enumerate(sizes)
    )


def strings(block: BlockChoice, fabrics: tuple[Fabric, ...]) -> CuttingPlan:
    assembly = block.assembly(SEAM)
    problem = CuttingProblem(assembly.needs, fabrics, tally=block.tally(SEAM))
    return solve(problem, Watch())


@given(drawers(), st.sampled_from(["corner", "straight"]), st.integers(5, 9))
def test_strings_cover_every_block_and_more_never_gives_fewer(
    fabrics: tuple[Fabric, ...], direction: str, side: int
) -> None:
    size = Fraction(side)
    block = BlockChoice("string", (size, size)).with_option("direction", direction)
    plan = strings(block, fabrics)
    assert faults(plan) == []
    assert plan.blocks <= plan.bound
    if not plan.blocks:
        return
    # One more block than there are strings for, and one string left out, are found.
    assert faults(replace(plan, blocks=plan.blocks + 1, bound=plan.blocks + 1))
    assert faults(replace(plan, layouts=plan.layouts[1:]))
    whole = whole_piece(block, SEAM, plan)
    assert faults(whole.plan) == []
    patches = whole.assembly.patches
    assert whole.assembly.finished is not None
    width, length = whole.assembly.finished
    assert sum(patch.area for patch in patches) == width * length


def test_the_longest_string_and_a_constant_middle() -> None:
    cloth = [
        {**strips(1, 1.5 + n % 3 / 2, 14 + n % 4 * 9, f"s{n}"), "roles": ["string"]}
        for n in range(40)
    ]
    told = answer(cloth, recipe="string", options={"foundation": 9})
    assert made(told, "longest string")["length"] == 12.75
    assert (told["finished"], made(told, "covered foundation")["width"]) == ([8, 8], 9)
    muslin = {"id": "muslin", "form": "piece", "width": 20, "length": 30, "roles": ["foundation"]}
    middle = {**strips(6, 1.5, 42, "red"), "roles": ["middle"]}
    both = answer([*cloth, muslin, middle], recipe="string", options={"foundation": 9})
    cuts = [cut for layout in both["layouts"] for cut in layout["cuts"]]
    # Six foundations of 9 in the muslin: no more blocks than that.
    assert both["blocks"] == sum(cut["role"] == "foundation" for cut in cuts) == 6
    assert sum(cut["role"] == "middle" for cut in cuts) == 6


def test_crumbs_are_an_estimate_with_its_spread() -> None:
    crumbs = [{"id": "crumbs", "form": "piece", "count": 100, "width": 2.5, "length": 4.5}]
    told = answer(crumbs, recipe="made-fabric", options={"shape": [4.5, "4 1/2"]})
    # 100 crumbs leave 2 x 4 each between seams; seven to nine tenths of 800 is shapes.
    assert told["estimate"] == [int(560 / 20.25), int(720 / 20.25)]
    assert (told["blocks"], told["proved"]) == (27, False)


@pytest.mark.parametrize(
    ("block", "line"),
    [
        ({"recipe": "bargello", "options": {"narrowest": 3, "widest": 2}},
         "block.options.widest: must be at least as wide as the narrowest"),
        ({"recipe": "bargello", "finished": 40},
         "block.finished: must be left empty; it comes from the strips and the wave"),
        ({"recipe": "stepped-rows", "options": {"bar": [2.5]}},
         "block.options.bar: must be two lengths of more than ½″ and at most 60″"),
        ({"recipe": "stepped-rows", "options": {"bar": "2 1/2"}},
         "block.options.bar: must be two lengths of more than ½″ and at most 60″"),
        ({"recipe": "string", "options": {"foundation": 4}, "finished": 7},
         "block.options.foundation: must be no smaller than the unfinished block"),
        ({"recipe": "tube-triangles", "finished": 15},
         "block.finished: must be up to 13.996, the largest square a tube makes"),
        ({"recipe": "rails", "options": {"widths": "2 1/2 + 1 1/2"}, "finished": 5},
         "block.finished: must be 3″, the sum of the widths without their seams, or left out"),
    ],
)  # fmt: skip
def test_what_cannot_be_made_is_one_line(block: dict[str, Any], line: str) -> None:
    with pytest.raises(BadRequest) as refused:
        answer([strips(48, 2.5, 42)], **block)
    assert str(refused.value).startswith(line)
