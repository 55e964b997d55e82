"""Every block down the whole road, from the cheapest fabric to the lots that are put away."""

import re
import sys
from collections import Counter
from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction
from pathlib import Path

import pytest
from tests.nights import at_night
from tests.voice import faults as voice_faults

from kersey.core.blocks import patchwork
from kersey.core.blocks.catalogue import as_tried, recipes
from kersey.core.blocks.choice import PIECES, BlockChoice
from kersey.core.blocks.technique import CUT
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import Need, PrintRule
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.leaving.put_away import put_away
from kersey.core.planning.plan_question import planned
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.sewing.pass_words import pass_sentences, pass_title
from kersey.core.sewing.passes import passes
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, Role, all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, ticked, work_order
from kersey.drawing.quilt import draw_quilt

ROOT = Path(__file__).parents[2]
FABRICS = {
    "precut": ("12 ten-inch squares, 6 prints",),
    "fat quarters": ("5 fat quarters, 5 prints",),
    # No two alike: what is left in a drawer.
    "scraps": tuple(f"2 pieces {9 + n} x {14 - n / 2}, 1 prints" for n in range(3)),
}
# Techniques of whole strips: their precut, and options by which smaller fabric does for them.
ROLL = "roll of 24 strips, 12 prints"
OF_STRIPS: dict[str, tuple[tuple[str, ...], tuple[tuple[str, int | str], ...]]] = {
    "tube-triangles": ((ROLL, "2 yd smoke"), (("strips", 2),)),
    "bargello": ((ROLL,), (("strips", 5),)),
    "quilt-as-you-go": ((ROLL,), ()),
    "stepped-rows": ((ROLL,), (("a_row", 4),)),
    "string": (("12 strings 1 1/2 x 30, 6 prints", "20 strings 2 x 15, 5 prints"), ()),
    "units-drawer": (
        ("6 blocks 8 1/2 x 12 1/2", "5 blocks 12 1/2 x 12 1/2", "7 blocks 4 1/2", "1 yd smoke"),
        (),
    ),
    "finished-blocks": (("7 blocks 12 1/2 x 12 5/8", "2 blocks 12 3/4 x 12 1/2"), ()),
    "measured-centre": (("1 blocks 39 1/2 x 51 1/2",), ()),
    "made-fabric": (("900 g of scraps", "30 pieces 4 x 5, 6 prints"), ()),
}
OWN = BlockChoice(
    PIECES,
    (Fraction(4), Fraction(4)),
    pieces=(
        Need("A", "light", Fraction(5, 2), Fraction(9, 2)),
        Need("B", "dark", Fraction(5, 2), Fraction(5, 2), 2),
    ),
    rules=(PrintRule(("light", "dark"), same=False),),
)
SETS = BlockChoice("rails").made(faster=True)


def project_of(lines: tuple[str, ...], design: Design, roles: tuple[Role, ...] = ()) -> Project:
    fabrics: list[Pulled] = []
    for number, line in enumerate(lines):
        lot = take_line(line).lot
        assert lot is not None, line
        # Each lot is of prints of its own.
        stacks = tuple(
            replace(stack, print=replace(stack.print, name=f"{stack.print.name} of {number}"))
            for stack in lot.stacks
        )
        pulled = all_of(CupboardLot(f"lot {number + 1}", replace(lot, stacks=stacks)))
        if roles:
            pulled = tuple(replace(p, roles=(roles[number],)) for p in pulled)
        fabrics += pulled
    return Project("Berth", "", tuple(fabrics), design)


def down_the_road(project: Project) -> Quilt:
    quilt = make_quilt(planned(project))
    kept = quilt.kept
    assert faults(kept.most) == []
    assert faults(kept.cutting) == []
    assert kit_faults(kept.cutting, kept.kits) == []
    _cloth_is_in_kits_or_left(quilt)
    _every_piece_is_drawn_where_it_is_dealt(quilt)
    _every_make_is_named_once(quilt)
    _what_is_left_is_put_away(quilt)
    _every_sentence_is_said_well(quilt)
    return quilt


# Every recipe goes once; of each family of them one goes from other cloth too.
OTHER_CLOTH = {
    "fat quarters": ("nine-patch", "pinwheel", "tube-triangles", "stripe"),
    "scraps": ("rails", "hourglass", "string", "snowball"),
}
SLOW_CLOTH = {"fat quarters": ("log-cabin", "spool"), "scraps": ("window-brick",)}
CASES = [
    *((BlockChoice(name), "precut") for name in recipes()),
    *((BlockChoice(name), fabric) for fabric, names in OTHER_CLOTH.items() for name in names),
    (OWN, "precut"),
    (SETS, "fat quarters"),
    (BlockChoice("flying-geese").with_option("method", "four at a time"), "precut"),
]
AT_NIGHT = [
    *((BlockChoice(name), fabric) for fabric, names in SLOW_CLOTH.items() for name in names),
    (OWN, "fat quarters"),
    (OWN, "scraps"),
    (SETS, "precut"),
    (BlockChoice("sawtooth-star").with_option("method", "four at a time"), "fat quarters"),
]


@pytest.mark.parametrize(
    ("block", "fabric"), [*CASES, *at_night(AT_NIGHT)], ids=lambda of: getattr(of, "recipe", of)
)
def test_any_block_and_any_fabric(block: BlockChoice, fabric: str) -> None:
    lines = FABRICS[fabric]
    if block.recipe in OF_STRIPS:
        precut, options = OF_STRIPS[block.recipe]
        ready = recipes()[block.recipe].ready
        lines = precut if fabric == "precut" or ready else (*lines, *precut[1:])
        block = replace(block, options=() if fabric == "precut" else options)
    project = project_of(lines, Design(block=block))
    quilt = down_the_road(project)
    assert quilt.kept.possible > 0
    if block.recipe in OTHER_CLOTH.get(fabric, ()):
        assert planned(project).plan == quilt.kept


def _every_sentence_is_said_well(quilt: Quilt) -> None:
    """The sheet and the seams at the machine, in the words of the trade and with their plurals."""
    words = [step_words(step, quilt) for step in work_order(quilt)]
    said = [sentence for each in words for sentence in (each.title, *each.sentences)]
    for one in passes(quilt, quilt.project.sewing.batch):
        said += [pass_title(one), *pass_sentences(one, quilt.units)]
    assert [fault for sentence in said for fault in voice_faults(sentence)] == []


def _cloth_is_in_kits_or_left(quilt: Quilt) -> None:
    """Area in is area out: blocks, frame, what is left, and what is lost, never less than none."""
    everything = put_away(quilt)
    names = {
        key: f.name
        for key, f in zip(quilt.kept.keys, quilt.kept.cutting.problem.fabrics, strict=True)
    }
    for fate in everything.fates:
        area = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == area
        assert min(fate.used, fate.kept, fate.lost) >= 0, names
    cut = {str(p.key): p.cut for p in everything.project.fabrics}
    whole = Counter({p.fabric: 0 for p in quilt.left})
    for piece in quilt.left:
        whole[piece.fabric] += piece.count if piece.whole else 0
    for key, fabric in zip(quilt.kept.keys, quilt.kept.cutting.problem.fabrics, strict=True):
        assert cut[key] + whole[fabric.name] == fabric.count


def _every_piece_is_drawn_where_it_is_dealt(quilt: Quilt) -> None:
    """Each piece of a kit shows in the block, by the print it was dealt from, and no other."""
    shown = Counter(quilt.patch_slots)
    assert set(shown) == set(range(len(quilt.kept.kits[0])))
    for placed in quilt.placed:
        kit = quilt.kept.kits[placed.kit]
        assert quilt.patch_prints(kit) == [quilt.prints[kit[slot]] for slot in quilt.patch_slots]
    blocks = re.search(r'<g stroke="[^>]*stroke-width="0.06">(.*?)</g>', draw_quilt(quilt))
    assert blocks is not None
    assert blocks[1].count("M") == len(quilt.placed) * len(quilt.assembly.patches)


def _every_make_is_named_once(quilt: Quilt) -> None:
    steps = work_order(quilt)
    keys = Counter(step.key for step in steps)
    twice = sorted({step.name for step in steps if keys[step.key] > 1})
    assert not twice, f"built more than once: {twice}; place one make with `lying` instead"
    sewn = Counter(step.name for step in steps if step.kind is StepKind.SEW)
    assert sewn == Counter(m.name for m in quilt.assembly.makes if m.how != CUT)
    cut = {need for step in steps if step.layout for need in (c.need for c in step.layout.cuts)}
    assert cut == set(quilt.kept.cutting.problem.needs)
    for step in steps:
        words = step_words(step, quilt)
        assert words.title
        assert all(sentence.endswith((".", ":")) for sentence in words.sentences)


def _what_is_left_is_put_away(quilt: Quilt) -> None:
    everything = put_away(quilt)
    for fate in everything.fates:
        cut = fate.pulled.cut * fate.pulled.kept.lot.piece_area(fate.pulled.stack)
        assert fate.used + fate.kept + fate.lost == cut
        assert min(fate.used, fate.kept, fate.lost) >= 0
    assert sum(kept.lot.area for kept in everything.lots) == sum(f.kept for f in everything.fates)
    lots = Counter[tuple[Fraction, Fraction]]()
    for kept in everything.lots:
        # What falls off corners, and what is sewn already, is no piece of the plan.
        if kept.lot.form not in (Form.TRIANGLE, Form.BLOCK):
            lots[kept.lot.width, kept.lot.length] += kept.lot.count
    left = Counter[tuple[Fraction, Fraction]]()
    for piece in quilt.left:
        if not piece.whole:
            left[piece.width, piece.length] += piece.count
    assert lots == left


# (fabric, roles, block, most blocks, opened): worked figures of docs/trade.md, reckoned by hand.
CHARMS = (Role.LIGHT, Role.DARK)
WORKED = [
    (("roll of 40 strips, 20 prints",), (), "rails", 80, (10, 8)),
    (("12 light charm squares", "15 dark charm squares"), CHARMS, "nine-patch", 12, None),
    (("12 light charm squares", "14 dark charm squares"), CHARMS, "nine-patch", 11, None),
    (("9 light fat quarters", "12 dark fat quarters"), CHARMS, "log-cabin", 56, (8, 7)),
]


@pytest.mark.parametrize(("lines", "roles", "block", "most", "grid"), WORKED)
def test_worked_figures(
    lines: tuple[str, ...],
    roles: tuple[Role, ...],
    block: str,
    most: int,
    grid: tuple[int, int] | None,
) -> None:
    quilt = down_the_road(project_of(lines, Design(block=BlockChoice(block)), roles))
    assert (quilt.kept.most.blocks, quilt.kept.most.proved) == (most, True)
    if grid is not None:
        assert (quilt.size.rows, quilt.size.columns) == grid


def test_charm_squares_of_a_nine_patch_are_used_up() -> None:
    """48 = 12 x 4 light, 60 = 12 x 5 dark: four 2 1/2 squares of each charm square."""
    lines, roles, block, *_ = WORKED[1]
    quilt = down_the_road(project_of(lines, Design(block=BlockChoice(block)), roles))
    assert sum(layout.copies for layout in quilt.kept.most.layouts) == 27
    assert not quilt.left


def test_the_same_strips_as_ever() -> None:
    """40 strips, 9 x 8: 36 are cut, 4 stay whole, an end of 3 is left of each that is cut."""
    design = Design(rows=9, columns=8)
    quilt = down_the_road(project_of(("roll of 40 strips, 20 prints",), design))
    assert sum(layout.copies for layout in quilt.kept.cutting.layouts) == 36
    assert sum(piece.count for piece in quilt.left if piece.whole) == 4
    assert {(p.width, p.length) for p in quilt.left if not p.whole} == {(Fraction(5, 2), 3)}
    assert quilt.alike_pairs == 0
    assert all(len(set(kit)) == 3 for kit in quilt.kept.kits)


def test_ticks_are_facts() -> None:
    project = planned(project_of(FABRICS["precut"], Design(rows=2, columns=2)))
    quilt = make_quilt(project)
    for step in work_order(quilt):
        project = ticked(project, step, done=True)
    cut = sum(layout.copies for layout in quilt.kept.cutting.layouts)
    assert sum(pulled.cut for pulled in project.fabrics) == cut
    from_metric = {step.key for step in work_order(make_quilt(project))}
    assert project.done == from_metric
    for step in work_order(quilt):
        project = ticked(project, step, done=False)
    assert not project.done
    assert not any(pulled.cut for pulled in project.fabrics)


@pytest.fixture
def one_more_block(
    request: pytest.FixtureRequest, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> Iterator[str]:
    """The block of a page of docs/ in a folder of its own, as a stranger would add it."""
    page = (ROOT / "docs" / f"add-a-{request.param}.md").read_text()
    (code,) = re.findall(r"```python\n(.*?)```", page, re.DOTALL)
    (tmp_path / f"my_{request.param}.py").write_text(code)
    monkeypatch.setattr(patchwork, "__path__", [*patchwork.__path__, str(tmp_path)])
    for cached in (recipes, as_tried):
        cached.cache_clear()
    (name,) = re.findall(r'\n    id="(.*?)"', code)
    yield name
    monkeypatch.undo()
    sys.modules.pop(f"{patchwork.__name__}.my_{request.param}", None)
    for cached in (recipes, as_tried):
        cached.cache_clear()


@pytest.mark.parametrize("one_more_block", ["block", "technique"], indirect=True)
def test_a_stranger_adds_a_block(one_more_block: str) -> None:
    assert one_more_block in recipes()
    quilt = down_the_road(project_of(FABRICS["precut"], Design(block=BlockChoice(one_more_block))))
    assert quilt.kept.possible > 0
    assert one_more_block not in {recipe.id for recipe in as_tried()[:1]}
