"""The sheet as it is shown: each step with its words and pictures, what is to buy."""

from collections.abc import Mapping
from fractions import Fraction
from typing import Any

from kersey.core.blocks.assembly import Make
from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.blocks.technique import CROSSCUT, STRIP_SET
from kersey.core.cloth.fabric import Print
from kersey.core.cutting.problem import Layout, Need
from kersey.core.kits.pieces import slots_of
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.measure.length import format_size
from kersey.core.mending.way_words import to_join
from kersey.core.project.design import MOST_LAYERS
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Quilt
from kersey.core.work.step_words import sheet_words
from kersey.core.work.work_order import Step, StepKind, steps_done
from kersey.core.yields.by_hand import Division, strip_sum
from kersey.core.yields.cut_words import strip_words
from kersey.drawing.cut_layout import draw_layout, scale_for
from kersey.drawing.patches import draw_make
from kersey.drawing.quilt import draw_quilt
from kersey.drawing.strips import StripCloth, draw_division, draw_set
from kersey.web.cut.stage import STAGE
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context
from kersey.web.workroom import Workroom

_WIDEST_PX, _MOST_PX_AN_INCH = 560.0, 13.0


def cut_context(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    """All that the page shows."""
    context = project_context(opened, STAGE)
    quilt = opened.quilt
    if quilt is None:
        return context
    return context | room.drawn(opened.reckoned, "cut", lambda: _sheet(opened, quilt))


def _sheet(opened: OpenProject, quilt: Quilt) -> dict[str, Any]:
    steps = opened.steps
    codes = piece_codes(quilt.kept.cutting.problem.needs)
    scale = scale_for([step.layout for step in steps if step.layout], _WIDEST_PX, _MOST_PX_AN_INCH)
    return {
        "steps": [
            _shown(step, quilt, codes, scale) | {"words": words}
            for step, words in zip(steps, sheet_words(steps, quilt), strict=True)
        ],
        "done": steps_done(opened.project, steps),
        "kinds": StepKind,
        "drawing": draw_quilt(quilt),
        "in_order": _in_order(quilt, codes),
        "columns": quilt.kept.block.columns(quilt.kept.seam),
        "to_buy": quilt.to_buy,
        "pulled_for": [part for part in quilt.parts if part.cloth.source is Source.PULLED],
        "layers": range(1, MOST_LAYERS + 1),
        "to_join": to_join(quilt, opened.units),
        "opened_pieces": sum(layout.copies for layout in quilt.kept.cutting.layouts),
        "for_frame": _for_frame(quilt),
        "left_whole": sum(piece.count for piece in quilt.left if piece.whole),
        "can_put_away": not opened.project.put_away
        and any(pulled.cut for pulled in opened.project.fabrics),
    }


def _for_frame(quilt: Quilt) -> int:
    """Pieces that no block is cut from, and the border or the binding takes."""
    fabrics = quilt.kept.cutting.problem.fabrics
    there = sum(fabric.count for fabric in fabrics if not fabric.opened)
    opened = sum(layout.copies for layout in quilt.kept.cutting.layouts if not layout.fabric.opened)
    return there - opened - sum(piece.count for piece in quilt.left if piece.whole)


def _in_order(quilt: Quilt, codes: Mapping[Need, str]) -> list[tuple[str, str]]:
    """The pieces of one whole piece as they follow one another: mark and print."""
    if not quilt.kept.block.makes_one_piece:
        return []
    problem = quilt.kept.cutting.problem
    marks = (codes[problem.needs[number]] for number in slots_of(problem))
    names = (quilt.prints[name].name for name in quilt.kept.kits[0])
    return list(zip(marks, names, strict=True))


def _shown(step: Step, quilt: Quilt, codes: Mapping[Need, str], scale: float) -> dict[str, Any]:
    shown: dict[str, Any] = {
        "step": step,
        "done": step.key in quilt.project.done,
        "fabrics": [(quilt.prints[f.name].name, f.pieces) for f in step.fabrics],
        "drawing": "",
        "strips": [],
        "sets": [],
        "division": "",
    }
    if step.layout is not None:
        shown |= _cut(step.layout, quilt, codes, scale)
    if step.make is not None:
        shown |= _sewn(step.make, quilt)
    return shown


def _cut(layout: Layout, quilt: Quilt, codes: Mapping[Need, str], scale: float) -> dict[str, Any]:
    cloth = quilt.prints[layout.fabric.name]
    return {
        "drawing": draw_layout(layout, cloth, codes, quilt.units, scale),
        "strips": [] if layout.cuts[0].need.crosscut else strip_words(layout, codes, quilt.units),
        "size": format_size(layout.fabric.width, layout.fabric.length, quilt.units),
    }


def _sewn(make: Make, quilt: Quilt) -> dict[str, Any]:
    if make.how == STRIP_SET:
        return {"sets": _sets(quilt, make)} if make.long else {}
    if make.how == CROSSCUT:
        return {"division": _division(quilt)}
    if not quilt.assembly.drawn_true or not make.patches:
        return {}
    return {"drawing": draw_make(make, _sample(make, quilt), quilt.units)}


def _sample(make: Make, quilt: Quilt) -> list[Print]:
    """The prints of a make's patches, as they are in the first block."""
    kit = quilt.kept.kits[quilt.placed[0].kit]
    at = dict(
        zip((p.corners for p in quilt.assembly.patches), quilt.patch_prints(kit), strict=True)
    )
    needs = quilt.kept.cutting.problem.needs
    slots: dict[tuple[str, str], list[str]] = {}
    for name, number in zip(kit, slots_of(quilt.kept.cutting.problem), strict=True):
        slots.setdefault((needs[number].label, needs[number].role), []).append(name)
    found = []
    taken: dict[tuple[str, str], int] = {}
    for patch in make.patches:
        key = patch.label, patch.role
        turn = taken.get(key, 0)
        taken[key] = turn + 1
        names = slots[key]
        found.append(at.get(patch.corners) or quilt.prints[names[turn % len(names)]])
    return found


def _sets(quilt: Quilt, make: Make) -> list[dict[str, Any]]:
    """Each strip set drawn with its number, those of the same prints once."""
    alike: dict[tuple[tuple[str, ...], int], list[int]] = {}
    kind = quilt.assembly.set_of(make)
    strips = sum(part.count for part in make.of)
    for number, each in enumerate(strip_sets(quilt.kept.cutting, quilt.project.design.deal), 1):
        if each.kind == kind:
            key = tuple(sorted(each.strips[:strips])), each.segments
            alike.setdefault(key, []).append(number)
    need = quilt.kept.cutting.problem.needs[0]
    longest = max(
        (layout.fabric.length for layout in quilt.kept.cutting.layouts), default=Fraction(1)
    )
    return [
        {
            "numbers": numbers,
            "prints": [quilt.prints[name] for name in names],
            "drawing": draw_set(
                [quilt.prints[name] for name in names],
                Division(max(longest, segments * need.height), need.height),
            ),
        }
        for (names, segments), numbers in alike.items()
    ]


def _division(quilt: Quilt) -> str:
    """A set and how it is crosscut, where the strips are all of one length."""
    plan = quilt.kept.cutting
    answer = strip_sum(plan.problem)
    if answer is None:
        return ""
    prints = tuple(quilt.prints[name] for name in quilt.kept.kits[0])
    strip = StripCloth(plan.problem.needs[0].width, prints)
    reach = answer.division.strip_length + 1
    return draw_division(answer, strip, quilt.kept.seam, quilt.units, reach)
