"""Whole quilts of a request: every number recomputed from the contract, and what is refused."""

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.formats.recomputed import Recomputed
from tests.nights import examples

from kersey.core.cutting.checker import faults
from kersey.core.whole.joint_search import Answer, NoBlocks, QuiltQuestion, best_quilts
from kersey.formats.quilt_request import quilt_question_of, read_quilt_request, write_quilts
from kersey.formats.request_fields import BadRequest

Json = dict[str, Any]
ROLL = {"id": "roll", "form": "strip", "count": 40}
RAILS = {"recipe": "rails"}


def asked(**more: Any) -> Json:
    return {"kersey": "request/1", "fabrics": [ROLL], "block": RAILS} | more


def answered(request: Json) -> tuple[QuiltQuestion, Answer, Json]:
    question = quilt_question_of(request)
    answer = best_quilts(question)
    return question, answer, json.loads(json.dumps(write_quilts(question, answer)))


FABRICS = st.one_of(
    st.builds(
        lambda n, length: [{"id": "roll", "form": "strip", "count": n, "length": length}],
        st.integers(8, 40),
        st.sampled_from([40, 41.25, 42, 43.5]),
    ),
    st.builds(
        lambda n, roles: [
            {"id": "fat", "form": "fat-quarter", "count": n},
            {"id": "more", "form": "yardage", "length": 54, "roles": roles},
        ],
        st.integers(4, 24),
        st.sampled_from([["border-1"], ["sashing"], ["binding"], ["border", "binding"]]),
    ),
)
WIDTHS = st.lists(st.sampled_from([0.75, 1, 1.5, 2, 2.75, 4]), min_size=1, max_size=2, unique=True)
REQUESTS = st.fixed_dictionaries(
    {
        "kersey": st.just("request/1"),
        "seam": st.sampled_from([0.25, 0.25, 0.375]),
        "usable_width": st.sampled_from([42, 42, 40, 43.5]),
        "fabrics": FABRICS,
        "block": st.sampled_from(
            [
                {"recipe": "rails"},
                {"recipe": "rails", "finished": 9},
                {"recipe": "half-square"},
                {"recipe": "two-bar"},
                {"recipe": "brick"},
                [RAILS, {"recipe": "nine-patch"}],
            ]
        ),
        "aim": st.sampled_from(["balanced", "largest", "least-waste", "no-buying"]),
        "sashing": st.fixed_dictionaries({"widths": WIDTHS.map(lambda widths: [0, *widths])}),
        "borders": st.fixed_dictionaries(
            {
                "max": st.integers(0, 3),
                "widths": WIDTHS,
                "style": st.sampled_from(["butted", "corner-squares"]),
                "keys": st.sampled_from([[0], [0], [2], [0, 2.5]]),
            }
        ),
        "binding": st.sampled_from(
            [{}, {"width": 2.25}, {"style": "turned", "width": 2}, {"style": "folded-backing"}]
        ),
        "backing": st.fixed_dictionaries({"margin": st.sampled_from([2, 4, 1.5])}),
    }
)


@examples(3)
@given(REQUESTS)
def test_every_number_follows_from_the_contract(request: Json) -> None:
    try:
        question, answer, written = answered(request)
    except NoBlocks:
        return
    assert written["considered"] >= len(written["quilts"])
    scores = [quilt["score"] for quilt in written["quilts"]]
    assert scores == sorted(scores, reverse=True)
    for found, quilt in zip(answer.quilts, written["quilts"], strict=True):
        again = Recomputed(request, quilt)
        if quilt["sashing"].get("cornerstones") or request["borders"]["style"] != "butted":
            # Their squares are bought as a part of their own, which the contract does not name.
            corners = ("cornerstone", "corner-")
            quilt["buy"] = [b for b in quilt["buy"] if not b["part"].startswith(corners)]
        assert list(again.disagreements()) == []
        known = set(again.expected()["buy"])
        assert {b["part"] for b in quilt["buy"]} <= known | {"background"}
        assert quilt["blocks"] == quilt["rows"] * quilt["columns"] <= quilt["blocks_possible"]
        # What is from the stash is cut from it, beside the blocks.
        assert not [fault for plan in found.plans for fault in faults(plan)]
        assert question.judge.weights == pytest.approx(written["weights"])


def test_any_is_the_best_of_each() -> None:
    """What is left free is as good as the best that can be asked for, and as much is considered."""
    few = {"sashing": {"widths": [0]}, "binding": {"style": "single-fold"}}
    free = {"settings": {"any": True}, "borders": {"max": 1, "style": "any"}}
    _, _, written = answered(asked(**few, **free))
    considered, scores = 0, []
    for setting in ({}, {"alternate": True}, {"on_point": True}):
        for style in ("butted", "corner-squares", "mitred"):
            pinned = {"settings": setting, "borders": {"max": 1, "style": style}}
            _, _, each = answered(asked(**few, **pinned))
            considered += each["considered"]
            scores.append(each["quilts"][0]["score"])
    assert written["considered"] == considered
    assert written["quilts"][0]["score"] == max(scores)
    styles = {
        quilt["binding"]["style"]
        for quilt in answered(asked(binding={"style": "any"}))[2]["quilts"]
    }
    assert styles <= {"double-fold", "single-fold", "bias", "folded-backing", "turned"}


def test_the_same_question_has_the_same_answer() -> None:
    request = asked(block=[RAILS, {"recipe": "four-patch"}])
    assert json.dumps(answered(request)[2]) == json.dumps(answered(request)[2])


def test_31_blocks_are_5_by_6_with_one_spare() -> None:
    """docs/trade.md section 4: the count is not the quilt."""
    halves = [
        {"id": side, "form": "square", "width": 10, "length": 10, "count": 31, "roles": [side]}
        for side in ("light", "dark")
    ]
    block = {"recipe": "cut-apart-hourglass", "options": {"trim": "6 5/8"}}
    plain = {"sashing": {"widths": [0]}, "borders": {"max": 0}}
    _, _, written = answered(asked(fabrics=halves, block=block, **plain))
    best = written["quilts"][0]
    assert (best["blocks_possible"], best["blocks"]) == (31, 30)
    assert (best["rows"], best["columns"]) == (6, 5)
    assert best["finished"] == {"width": 56.25, "length": 67.5}
    assert best["why"][0] == "uses 30 of 31 blocks; 1 spare"


def test_what_would_make_it_better_is_what_costs_it_most() -> None:
    weights = {"size": 0, "fit": 0, "shape": 0, "look": 0}
    for name, says in (("buying", "in your stash"), ("use", "a use for"), ("fit", "to fit")):
        alone = asked(
            weights=weights | {name: 1}, buy={"binding": True}, settings={"rows": 4, "columns": 4}
        )
        (quilt, *_) = answered(alone)[2]["quilts"]
        assert says in quilt["better"] or quilt["better"].startswith("nothing")


def test_rows_and_columns_that_are_settled_stay() -> None:
    """A top of 40 1/2 x 52 1/2 turned over with a frame of 2: 48 1/2 x 60 1/2, and 44 x 56."""
    _, _, written = answered(
        asked(
            fabrics=[{"id": "bolt", "form": "yardage", "length": 100}],
            block={"recipe": "plain-square", "finished": 4},
            settings={"rows": 13, "columns": 10},
            sashing={"widths": [0]},
            borders={"max": 0},
            binding={"style": "turned"},
        )
    )
    (quilt,) = written["quilts"]
    assert quilt["top"] == {"width": 40.5, "length": 52.5}
    assert (quilt["backing"]["width"], quilt["backing"]["length"]) == (48.5, 60.5)
    assert quilt["finished"] == {"width": 44, "length": 56}
    assert quilt["binding"]["from"] == "backing"


def test_with_nothing_to_buy_a_small_quilt_comes_before_a_backing_that_is_bought() -> None:
    """Of a fat quarter of 17 1/2 x 21 comes a backing for a top of 13 1/2 x 17."""
    quarters = [{"id": f"quarter {n}", "form": "fat-quarter"} for n in range(11)]
    block = {"recipe": "plain-square", "finished": 4}
    question, answer, written = answered(asked(fabrics=quarters, block=block, aim="no-buying"))
    bought = [[each["part"] for each in quilt["buy"]] for quilt in written["quilts"]]
    assert bought[0] == []
    assert bought == sorted(bought)
    assert bought[-1] == ["backing"]
    assert all(quilt["backing"]["width"] <= 21 for quilt in written["quilts"] if not quilt["buy"])
    for quilt in answer.quilts:
        assert not [fault for plan in quilt.plans for fault in faults(plan)]
        cut = [c.need.role for p in quilt.plans for each in p.layouts for c in each.cuts]
        assert ("backing" in cut) == (not quilt.backing_bought)
    assert question.any_backing


def test_a_target_is_met_within_its_tolerance() -> None:
    target = {"width": 50, "length": 62, "tolerance": 3}
    _, _, written = answered(asked(aim="target", target=target))
    best = written["quilts"][0]["finished"]
    assert abs(best["width"] - 50) <= 3
    assert abs(best["length"] - 62) <= 3


def test_binding_may_be_kept_from_the_blocks_strips() -> None:
    """By hand: seven strips of 42 make 260, and 33 are left for 66 blocks."""
    _, answer, written = answered(asked(buy={"binding": False}, sashing={"widths": [0]}))
    for found, quilt in zip(answer.quilts, written["quilts"], strict=True):
        assert quilt["binding"]["from"] == "stash"
        strips = sum(layout.copies for plan in found.plans for layout in plan.layouts)
        assert strips <= 40
        assert quilt["blocks"] <= 2 * (40 - quilt["binding"]["strips"])


@pytest.mark.parametrize(
    ("setting", "blocks", "plain"), [("alternate", 32, 31), ("on_point", 32, 4 + 2)]
)
def test_plain_squares_and_triangles(setting: str, blocks: int, plain: int) -> None:
    """7 x 9 places, every other one plain; 5 x 4 on point with 12 between, 14 triangles of 4."""
    rows, columns = (9, 7) if setting == "alternate" else (5, 4)
    settled = {setting: True, "rows": rows, "columns": columns}
    _, _, written = answered(asked(settings=settled))
    for quilt in written["quilts"]:
        parts = [part for part in quilt["parts"] if part["part"] == "background"]
        assert (quilt["blocks"], sum(part["count"] for part in parts)) == (blocks, plain)
        assert any(bought["part"] == "background" for bought in quilt["buy"])


@pytest.mark.parametrize(
    ("request_", "says"),
    [
        (asked(aim="best"), "aim: must be 'balanced', 'largest'"),
        (asked(aim="target"), "target: is missing; this aim needs one"),
        (asked(block=[]), "block: must hold at least 1"),
        (asked(block=[RAILS, {"recipe": "rails", "finished": -1}]), "block[1].finished: must be"),
        (asked(block={"recipe": "nothing"}), "block.recipe: must be one of"),
        (asked(block="all"), "block: must be 'any'"),
        (asked(borders={"max": 9}), "borders.max: must be at most 4"),
        (asked(borders={"widths": [0]}), "borders.widths[0]: must be more than 0"),
        (asked(borders={"widths": [25]}), "borders.widths[0]: A border can be 0"),
        (asked(sashing={"widths": [-1]}), "sashing.widths[0]: must be more than 0"),
        (asked(sashing={"framed": [1]}), "sashing.framed[0]: must be true or false"),
        (asked(binding={"style": "bias", "width": 9}), "binding.width: Bias strips can be 1½″ to"),
        (asked(settings={"on_point": True, "alternate": True}), "settings.alternate: must be"),
        (asked(settings={"on_point": True, "any": True}), "settings.any: must be false"),
        (asked(binding={"style": "any", "width": 2}), "binding.width: must be left out"),
        (asked(borders={"keys": [20]}), "borders.keys[0]: Piano keys can be"),
        (asked(settings={"max_ratio": 0.5}), "settings.max_ratio: must be at least 1"),
        (asked(target={"width": 400, "length": 60}), "target.width: must be at most 140"),
        (asked(weights={"love": 1}), "weights: “love” isn't one of"),
        (asked(weights={"use": 0}), "weights: At least one weight must be more than 0"),
        (asked(backing={"margin": 40}), "backing.margin: Extra backing can be 0 to 12"),
        (asked(buy={"love": True}), "buy.love: isn't a field Kersey knows"),
    ],
)
def test_what_cannot_be_used_is_said_of_its_field(request_: Json, says: str) -> None:
    with pytest.raises(BadRequest) as refused:
        quilt_question_of(request_)
    assert str(refused.value).startswith(says)
    assert "\n" not in str(refused.value)


ODD = st.recursive(
    st.none() | st.booleans() | st.integers(-9, 99) | st.floats() | st.text(max_size=9),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=9), inner),
    max_leaves=4,
)
FIELDS = st.sampled_from(
    ["block", "aim", "target", "settings", "sashing", "borders", "binding", "backing", "buy",
     "weights", "usable_width", "seam", "fabrics"]
)  # fmt: skip


@given(st.dictionaries(FIELDS, ODD, max_size=3))
def test_whatever_a_file_holds_there_is_an_answer_or_one_line(more: Json) -> None:
    try:
        question = read_quilt_request(json.dumps(asked(**more)).encode())
    except BadRequest as error:
        assert "\n" not in str(error)
    else:
        assert question.candidates or more
