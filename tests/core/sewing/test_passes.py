"""Passes at the machine: every seam of every block once, and ticks that lead to the sheet."""

from collections import Counter
from dataclasses import replace
from random import Random

import pytest
from tests.core.mending.mishaps import QUILTS
from tests.core.quilts import Quilts, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.technique import CUT
from kersey.core.quilt.quilt import make_quilt
from kersey.core.sewing.pass_words import pass_sentences, pass_title
from kersey.core.sewing.passes import (
    Hint,
    after_block,
    after_pass,
    before_block,
    before_pass,
    blocks_sewn,
    kits_begun,
    passes,
    passes_done,
    trips_one_by_one,
)
from kersey.core.work.work_order import StepKind, work_order

ALL = Quilts(
    QUILTS.how
    | {"bargello": lambda: quilt("roll of 40 strips, 20 prints", block=BlockChoice("bargello"))}
)


@pytest.mark.parametrize("name", ALL)
@pytest.mark.parametrize("batch", [1, 12, 0])
def test_every_block_is_sewn_once_seam_by_seam(name: str, batch: int) -> None:
    of = ALL[name]
    every = passes(of, batch)
    assert len({each.key for each in every}) == len(every)
    blocks = Counter(block for each in every for block in set(each.blocks))
    assert len(blocks) == len(of.placed)
    # Of each make a block passes the machine as often as it has joins.
    makes = [m for m in of.assembly.makes if m.how != CUT and not m.long]
    of_make = Counter((each.make.name, each.join, block) for each in every for block in each.blocks)
    assert set(of_make.values()) <= {1}
    assert {make for make, *_ in of_make} == {m.name for m in makes}
    # Seams are sewn after what they join.
    done = set[tuple[str, int]]()
    for each in every:
        for part in each.make.of:
            if part.make.of and not part.make.long:
                assert (part.make.name, each.batch) in done
        if each.join == each.joins:
            done.add((each.make.name, each.batch))
        assert pass_title(each)
        assert all(pass_sentences(each, of.units))
    if batch == 0 and not of.kept.block.makes_one_piece:
        assert len(every) <= trips_one_by_one(every)


@pytest.mark.parametrize("name", ["log cabin", "half-square", "sets"])
def test_ticks_in_any_order_lead_to_the_steps_of_the_sheet_and_back(name: str) -> None:
    of = ALL[name]
    every = list(passes(of, 12))
    pick = Random(4)
    pick.shuffle(every)
    project = of.project
    for n, each in enumerate(every, 1):
        project = after_pass(project, of, every, each)
        assert len(passes_done(project, of, every)) == n
    sewing = {s.key for s in work_order(of) if s.kind is StepKind.SEW}
    assert sewing <= project.done
    assert len(blocks_sewn(project, of, every)) == len(of.placed)
    pick.shuffle(every)
    for each in every:
        project = before_pass(project, of, every, each)
        assert each.key not in passes_done(project, of, every)
    assert project == of.project


def test_blocks_are_ticked_singly_and_stay_when_laid_or_batched_otherwise() -> None:
    of = ALL["log cabin"]
    every = passes(of, 12)
    one = next(each for each in every if len(each.blocks) == 12)
    project = of.project
    for block in one.blocks[:-1]:
        project = after_block(project, of, every, one, block)
        assert one.key not in passes_done(project, of, every)
    # In other batches, and laid elsewhere, the same blocks of the same kits are done.
    begun = set(one.kits[:-1])
    places = tuple(reversed(of.kept.places))
    laid = make_quilt(replace(project, plan=replace(of.kept, places=places)))
    for batch in (1, 5, 0):
        again = [
            each for each in passes(laid, batch) if (each.make, each.join) == (one.make, one.join)
        ]
        done = {
            kit
            for each in again
            for kit, tick in zip(each.kits, each.ticks, strict=True)
            if tick in project.done
        }
        assert done == begun == kits_begun(project)
    project = after_block(project, of, every, one, one.blocks[-1])
    assert one.key in passes_done(project, of, every)
    back = before_block(project, of, every, one, one.blocks[3])
    assert [tick in back.done for tick in one.ticks] == [n != 3 for n in range(12)]
    for block in one.blocks:
        back = before_block(back, of, every, one, block)
    assert back == of.project


def test_the_model_block_comes_first_and_alone() -> None:
    every = passes(ALL["log cabin"], 12)
    first = [each for each in every if each.batch == 1]
    assert {each.blocks for each in first} == {first[0].blocks}
    assert len(first[0].blocks) == 1
    assert {len(each.blocks) for each in every if each.batch == 2} == {12}


@pytest.mark.parametrize(
    ("text", "block", "nest"),
    [
        ("roll of 40 strips, 20 prints", BlockChoice("slant-bar"), False),
        ("roll of 40 strips, 20 prints", BlockChoice("stepped-rows"), False),
        ("roll of 40 strips, 20 prints", BlockChoice("bargello"), True),
        ("9 light fat quarters + 9 dark fat quarters", BlockChoice("four-patch"), True),
    ],
)
def test_seams_nest_only_where_they_meet(text: str, block: BlockChoice, nest: bool) -> None:
    hints = {hint for each in passes(quilt(text, block=block), 12) for hint in each.hints}
    assert (Hint.NEST in hints) == nest
