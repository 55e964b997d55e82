"""What a request is told beside the count: what is made on the way, and what it comes off at."""

import json
from collections.abc import Mapping, Sequence
from fractions import Fraction
from typing import Any

import pytest

from kersey.core.cutting.watch import Watch
from kersey.core.yields.report import yield_report
from kersey.formats.recipe_list import recipe_list
from kersey.formats.request_fields import BadRequest
from kersey.formats.yield_request import read_request, write_answer


def answer(fabrics: Sequence[Mapping[str, Any]], **block: Any) -> dict[str, Any]:
    request = {"kersey": "request/1", "fabrics": fabrics, "block": block}
    question = read_request(json.dumps(request).encode())
    return write_answer(question, yield_report(question.problem, Watch()))


def squares(side: float, light: int, dark: int) -> list[Mapping[str, Any]]:
    return [
        {
            "id": role,
            "form": "square",
            "count": count,
            "width": side,
            "length": side,
            "roles": [role],
        }
        for role, count in (("light", light), ("dark", dark))
    ]


def made(answered: Mapping[str, Any], name: str) -> Mapping[str, Any]:
    (found,) = [make for make in answered["makes"] if make["name"] == name]
    return dict(found)


@pytest.mark.parametrize(
    ("side", "finished", "raw", "trimmed"), [(10, 6, 6.72, 6.5), (5, 2.5, 3.18, 3)]
)
def test_half_squares_four_at_a_time_of_squares_as_they_come(
    side: float, finished: float, raw: float, trimmed: float
) -> None:
    told = answer(
        squares(side, 7, 9),
        recipe="half-square",
        finished=finished,
        options={"method": "four at a time"},
    )
    assert (told["blocks"], told["proved"], told["unit"]) == (28, True, "block")
    unit = made(told, "block")
    assert round(unit["width"], 2) == round(unit["length"], 2) == raw
    assert unit["trimmed"] == [trimmed, trimmed]
    cuts = [cut for layout in told["layouts"] for cut in layout["cuts"]]
    assert {(cut["width"], cut["length"]) for cut in cuts} == {(side, side)}


def test_two_squares_make_a_cut_apart_hourglass() -> None:
    told = answer(squares(10, 31, 31), recipe="cut-apart-hourglass", options={"trim": 6.625})
    assert told == answer(squares(10, 31, 31), recipe="cut-apart-hourglass")
    assert (told["blocks"], told["finished"]) == (31, [11.25, 11.25])
    assert made(told, "large hourglass")["width"] == 12.75
    assert made(told, "ninth") == {"name": "ninth", "count": 9, "width": 4.25, "length": 4.25}
    assert made(told, "block")["width"] == 11.75
    smaller = answer(squares(10, 31, 31), recipe="cut-apart-hourglass", options={"trim": 6})
    assert smaller["finished"] == [10, 10]


def test_arrows_of_ten_inch_squares() -> None:
    told = answer(squares(10, 5, 6), recipe="arrow")
    assert (told["blocks"], told["finished"]) == (5, [12, 12])
    unit = made(told, "half-square unit")
    assert (unit["count"], unit["trimmed"]) == (4, [6.5, 6.5])


@pytest.mark.parametrize(
    ("recipe", "options", "side", "count", "blocks"),
    [
        ("plain-square", {}, 5, 11, 22),
        ("four-patch", {}, 5, 11, 11 // 2),
        ("pinwheel", {"method": "eight at a time"}, 10, 3, 6),
        ("half-square", {"method": "two at a time"}, 10, 3, 6),
        ("half-square", {"method": "eight at a time"}, 14, 2, 16),
        ("hourglass", {}, 5.25, 4, 8),
    ],
)
def test_blocks_of_a_few_squares(
    recipe: str, options: dict[str, Any], side: float, count: int, blocks: int
) -> None:
    told = answer(squares(side, count, count), recipe=recipe, options=options)
    assert (told["blocks"], told["bound"]) == (blocks, blocks)
    more = [limit["blocks"] for limit in told["limits"]]
    assert all(limit >= blocks for limit in more)


def test_slant_bars_of_strips() -> None:
    strips = [
        {"id": role, "form": "strip", "count": 2, "width": 2.5, "length": 42, "roles": [role]}
        for role in ("feature", "background")
    ]
    told = answer(strips, recipe="slant-bar")
    # Five pieces of 7 1/2 a strip, each cut on the slant into two.
    assert (told["blocks"], told["finished"]) == (20, [6.25, 2])
    # That no pairs give more is proved; what is left of a strip may hold a single one.
    assert not told["proved"]
    assert told["bound"] >= 4 * 42 * 2.5 // (7.5 * 2.5)
    shorter = answer(strips, recipe="slant-bar", options={"long_side": "4 1/2"})
    assert shorter["finished"] == [5.25, 2]
    assert shorter["blocks"] == 2 * 2 * int(Fraction(42) / Fraction("6.5"))


def test_stripes_across_half_of_a_square() -> None:
    cloth = [{"id": "drawer", "form": "piece", "count": 4, "width": 8, "length": 30}]
    for half, sizes in ((True, {(2.5, 3.5), (3.5, 6.5)}), (False, {(2.5, 6.5)})):
        told = answer(cloth, recipe="stripe", options={"half": half})
        cuts = [cut for layout in told["layouts"] for cut in layout["cuts"]]
        assert {tuple(sorted((cut["width"], cut["length"]))) for cut in cuts} == sizes
        assert told["blocks"] > 0


@pytest.mark.parametrize(
    ("block", "line"),
    [
        ({"recipe": "half-square", "options": {"method": "six at a time"}},
         "block.options.method: must be one of two at a time, four at a time, eight at a time"),
        ({"recipe": "stripe", "options": {"half": "perhaps"}},
         "block.options.half: must be true or false"),
        ({"recipe": "stripe", "options": {"bars": 1}},
         "block.options.bars: must be a whole number from 2 to 12"),
        ({"recipe": "cut-apart-hourglass", "options": {"trim": "wide"}},
         "block.options.trim: must be a length, like 1 1/2"),
        ({"recipe": "slant-bar", "finished": [2, 6]},
         "block.finished: must be longer than it is high: [6.25, 2]"),
        ({"recipe": "arrow", "finished": [12, 9]},
         "block.finished: must be one number: arrow is square"),
        ({"recipe": "half-square", "options": {"square as it comes": 10}},
         "block.options.square as it comes: must be one of method"),
    ],
)  # fmt: skip
def test_what_cannot_be_made_is_one_line(block: dict[str, Any], line: str) -> None:
    with pytest.raises(BadRequest) as refused:
        answer(squares(10, 2, 2), **block)
    assert str(refused.value) == line


def test_the_list_of_recipes_says_how_each_is_steered() -> None:
    known = {recipe["id"]: recipe for recipe in recipe_list()}
    assert known["stripe"]["options"] == {"bars": 3, "half": False}
    assert known["stripe"]["option_kinds"] == {"bars": "whole number", "half": "true or false"}
    assert known["half-square"]["option_kinds"]["method"][2] == "eight at a time"
    assert known["slant-bar"]["options"] == {"strip": 2.5, "long_side": 5}
    assert known["slant-bar"]["roles"] == ["feature", "background"]
    assert {"plain-square", "four-patch", "brick", "hourglass", "arrow"} <= set(known)
