"""The cuts at the table: every piece of the plan is cut once, and ticks lead to the steps of the
sheet and back."""

from collections import Counter
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import Quilts, quilt
from tests.nights import examples

from kersey.core.blocks.choice import BlockChoice
from kersey.core.project.design import CutOrder
from kersey.core.quilt.quilt import Quilt
from kersey.core.work import at_table
from kersey.core.work.at_table import Motion, after, before, cuts_at_table, made, run
from kersey.core.work.work_order import StepKind, ticked, work_order

QUILTS = Quilts(
    {
        "rails": lambda: quilt(rows=6, columns=5),
        "log cabin": lambda: quilt("8 fat quarters, 8 prints", block=BlockChoice("log-cabin")),
        "nine-patch": lambda: quilt(
            "6 light fat quarters + 6 dark fat quarters", block=BlockChoice("nine-patch")
        ),
        "two sorts": lambda: quilt(
            "10 light charm squares + 4 dark fat quarters", block=BlockChoice("four-patch")
        ),
    }
)


@pytest.mark.parametrize("name", QUILTS)
@pytest.mark.parametrize("order", CutOrder)
@pytest.mark.parametrize("layers", [1, 4, 8])
def test_every_piece_of_cloth_is_cut_once_and_every_piece_comes_off_it(
    name: str, order: CutOrder, layers: int
) -> None:
    steps = work_order(QUILTS[name])
    cuts = cuts_at_table(steps, layers, order)
    stacks = list(dict.fromkeys(cut.stack for cut in cuts))
    cloth, wanted = Counter[str](), Counter[str]()
    for stack in stacks:
        assert 1 <= stack.pieces <= layers
        for layer in stack.layers:
            cloth[f"{stack.step.key} {layer.key}"] += layer.pieces
        own = [cut for cut in cuts if cut.stack == stack]
        # Strips come before what is cut off them, the broadest and the longest first.
        motions = [list(Motion).index(cut.motion) for cut in own]
        assert motions == sorted(motions)
        strips = [cut.ruler for cut in own if cut.motion is Motion.STRIP]
        assert strips == sorted(strips, reverse=True)
        assert sum(strips) <= max(stack.layout.fabric.width, stack.layout.fabric.length)
        layout = stack.layout
        long = layout.fabric.length if layout.along else layout.fabric.width
        off = [c for c in layout.cuts if run(c, layout) < long and not c.need.crosscut]
        assert sum(c.times for c in own if c.motion is Motion.CROSSCUT) == len(off)
    for step in steps:
        if step.kind is StepKind.CUT:
            for fabric in step.fabrics:
                wanted[f"{step.key} {fabric.key}"] += fabric.pieces
    # What is used as it comes needs no cut.
    assert all(cloth[key] == wanted[key] for key in cloth)
    uncut = {key.split()[0] for key in wanted if key not in cloth}
    assert all(step.layout and len(step.layout.cuts) == 1 for step in steps if step.key in uncut)
    assert len({cut.key for cut in cuts}) == len(cuts)


@pytest.mark.parametrize("name", QUILTS)
def test_the_ruler_is_set_no_oftener_than_piece_by_piece(name: str) -> None:
    steps = work_order(QUILTS[name])
    for layers in (1, 4):
        cuts = cuts_at_table(steps, layers)
        assert at_table.settings(cuts) <= at_table.settings_one_by_one(steps)


def test_the_fabric_order_takes_every_fabric_in_hand_once() -> None:
    cuts = cuts_at_table(work_order(QUILTS["log cabin"]), 4, CutOrder.FABRIC)
    keys = [layer.key for cut in cuts for layer in cut.stack.layers]
    assert all(len(cut.stack.layers) == 1 for cut in cuts)
    changes = [key for n, key in enumerate(keys) if n == 0 or keys[n - 1] != key]
    assert len(changes) == len(set(keys))


@given(st.sampled_from(sorted(QUILTS)), st.sampled_from(CutOrder), st.integers(0, 2**16))
@examples(12)
def test_ticks_in_any_order_lead_to_all_steps_done_and_back(
    name: str, order: CutOrder, seed: int
) -> None:
    of: Quilt = QUILTS[name]
    steps = work_order(of)
    cuts = list(cuts_at_table(steps, 4, order))
    Random(seed).shuffle(cuts)
    project = of.project
    for n, cut in enumerate(cuts):
        project = after(project, cuts, cut)
        assert made(project, cuts)[: n + 1] == [True] * (n + 1)
        assert after(project, cuts, cut) == project
    cutting = {cut.stack.step.key for cut in cuts}
    assert cutting <= project.done
    taken = Counter(
        {
            fabric.key: fabric.pieces
            for step in steps
            if step.key in cutting
            for fabric in step.fabrics
        }
    )
    now = {str(pulled.key): pulled.cut for pulled in project.fabrics}
    assert all(now[key] >= pieces for key, pieces in taken.items())
    Random(seed + 1).shuffle(cuts)
    for each in cuts:
        project = before(project, cuts, each)
        assert each.key not in project.done
    assert project == of.project


def test_a_step_ticked_on_the_sheet_is_taken_back_cut_by_cut() -> None:
    of = QUILTS["log cabin"]
    cuts = cuts_at_table(work_order(of), 4)
    step = cuts[0].stack.step
    own = [cut for cut in cuts if cut.stack.step.key == step.key]
    whole = ticked(of.project, step, True)
    assert made(whole, own) == [True] * len(own)
    less = before(whole, cuts, own[-1])
    assert made(less, own) == [True] * (len(own) - 1) + [False]
    assert step.key not in less.done
