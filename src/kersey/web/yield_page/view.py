"""The page as it is shown: the plan drawn, how sure it is, what stopped it, how close the cliff."""

from collections import Counter
from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from operator import itemgetter
from typing import Any

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cloth.fabric import Lot
from kersey.core.cloth.forms import FACTS
from kersey.core.cutting.problem import CuttingPlan, Fabric, Layout, Need
from kersey.core.cutting.tally import THRIFTY, WASTEFUL, Crumbs, Waves
from kersey.core.errors import KerseyError
from kersey.core.measure.counting import counted
from kersey.core.measure.length import (
    Units,
    format_bought,
    format_length,
    format_size,
    safe_cut,
    write_length,
)
from kersey.core.planning.asking import reference_of
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, block_of, sample_prints
from kersey.core.yields.by_hand import strip_sum
from kersey.core.yields.count import Count, count_of
from kersey.core.yields.cut_words import strip_words
from kersey.core.yields.report import Limit, left_by_size
from kersey.core.yields.role_shares import role_shares
from kersey.core.yields.ruler_sizes import friendly_sizes, off_ruler
from kersey.core.yields.steps import YieldSoFar
from kersey.core.yields.tight import tight_in_words
from kersey.core.yields.ways_to_cut import ways_to_cut
from kersey.drawing.cliff_ruler import draw_cliff
from kersey.drawing.cut_layout import draw_layout, scale_for
from kersey.drawing.patches import draw_patches
from kersey.drawing.quilt import draw_hung
from kersey.drawing.role_bar import draw_role_bar
from kersey.drawing.strips import StripCloth, draw_division
from kersey.drawing.wave import draw_wave
from kersey.web.open_project import OpenProject
from kersey.web.project_page import StageLine, order_of_work, project_context
from kersey.web.workroom import Workroom
from kersey.web.yield_page.choices import choices_context
from kersey.web.yield_page.finding import Found, find
from kersey.web.yield_page.sliders import cloth_slider, seam_slider
from kersey.web.yield_page.stage import STAGE, how_many

# A plan that is shown is known by a mark, so many of which there are.
PLAN_MARKS = 1 << 32
# What a page waits for a first answer before it shows itself without one.
_PATIENCE = 2.5
_WIDEST_PX, _MOST_PX_AN_INCH = 700.0, 11.0
_MOST_DRAWN, _MOST_LEFT, _MOST_TIGHT = 100, 8, 3
_GIVES_NAMED = 3
_MOST_OFF_RULER = 6


# What there is to show before anything is known.
# One whole piece is drawn so large, in pixels.
_WHOLE_PX = 150
_NOTHING: dict[str, Any] = {
    "answer": None,
    "no_yield": "",
    "fault": "",
    "going_on": False,
    "seen": 0,
    "blocks": 0,
    "plan_mark": 0,
    "new_block": False,
    "only_news": False,
    "question_before": False,
    "has_size": False,
    "off_ruler": None,
    "block": "",
    "becomes": None,
    "spread": None,
    "proved_for": "",
    "estimated": (),
    "columns": (),
    "wave": "",
    "cliff": "",
    "cliff_words": "",
    "division": "",
    "reference": None,
    "verdicts": None,
    **dict.fromkeys(
        (
            "plans",
            "limits",
            "bars",
            "sensitivity",
            "seams",
            "tight",
            "spare",
            "left",
            "layouts",
            "needs",
        ),
        (),
    ),
}


def yield_context(
    room: Workroom, opened: OpenProject, patience: float = _PATIENCE
) -> dict[str, Any]:
    """All that the page shows."""
    context = project_context(opened, STAGE) | _NOTHING | choices_context(opened)
    try:
        asked = opened.asked
    except KerseyError as reason:
        return context | {"no_yield": str(reason)}
    before = room.drawn_before(opened.reckoned, "yield")
    if before is not None:
        return context | before
    found = find(room, opened, asked, patience)
    shown = _shown(opened, asked, found)
    if found.kept:
        # Everything is known, and stays so.
        room.keep_drawn(opened.reckoned, "yield", shown)
    return context | shown


def _shown(opened: OpenProject, asked: YieldAsked, found: Found) -> dict[str, Any]:
    """What is known so far, as the page shows it."""
    base = {
        "seen": found.seen,
        "going_on": found.going_on,
        "fault": found.fault,
        "reference": reference_of(asked),
        "has_size": asked.finished is not None,
        "slider": cloth_slider(asked, opened.units),
        "seam_slider": seam_slider(opened.project.design.seam, opened.units),
    }
    known = found.known
    codes = piece_codes(_pieces(asked, known.plan if known else None))
    base["block"] = _block_drawing(asked, codes, opened.units)
    base["off_ruler"] = _off_ruler(opened, asked, codes)
    base["needs"] = _needs(asked, known.plan if known else None, codes)
    if known is None:
        return base
    project, units = opened.project, opened.units
    plan = _plan_shown(project, known)
    left = left_by_size(plan)
    many = counted(known.plan.blocks, project.design.block.unit)
    return (
        base
        | _one_piece(opened, asked, plan)
        | {
            "answer": known,
            "stages": _with_status(opened, known),
            "plan": plan,
            "blocks": plan.blocks,
            "plan_mark": hash((plan.blocks, plan.bound, plan.layouts)) % PLAN_MARKS,
            "plans": () if plan.problem.tally else ways_to_cut(known, project.design.even, units),
            "limits": _limits(known, units),
            "bars": _bars(plan, asked, known, units),
            "proved_for": project.design.block.proved_for,
            "estimated": _estimated(asked, units),
            "cliff": draw_cliff(reference_of(asked), known.cliffs, many, units),
            "cliff_words": known.cliffs.in_words(
                reference_of(asked), many, units, _reference_name(asked)
            )
            if known.cliffs
            else "",
            "sensitivity": _sensitivity(known, asked),
            "seams": known.seams or (),
            "tight": tight_in_words(plan, units, _MOST_TIGHT),
            "spare": [
                f"{spare.pieces} of the {spare.of} {FACTS[spare.fabric.form].many}"
                + (f" ({', '.join(sorted(spare.fabric.roles))})" if spare.fabric.roles else "")
                for spare in known.spare or ()
                if spare.pieces and plan.blocks
            ],
            "one_print": len({pulled.print for pulled in asked.fabrics}) == 1,
            "left": left[:_MOST_LEFT],
            "left_more": max(0, len(left) - _MOST_LEFT),
            "layouts": _layouts(plan, asked, codes, units),
            "division": _division(asked, plan, project.design.seam, units),
        }
    )


def _one_piece(opened: OpenProject, asked: YieldAsked, plan: CuttingPlan) -> dict[str, Any]:
    """What all the columns, rows or strips become, where they are sewn into one piece."""
    if not asked.block.makes_one_piece or not plan.blocks:
        return {}
    seam, tally = opened.project.design.seam, plan.problem.tally
    whole = whole_piece(asked.block, seam, plan)
    shown: dict[str, Any] = {"becomes": whole.assembly.finished}
    known = whole.block.known
    if known is not None and known.notes is not None:
        options = whole.block.all_options
        shown["notes"] = list(known.notes(whole.assembly, options, seam, opened.units))
    kept = opened.project.plan
    if opened.quilt is not None and kept is not None and kept.question == asked.fingerprint:
        longest = max(opened.quilt.size.width, opened.quilt.size.length)
        shown["block"] = draw_hung(opened.quilt, _WHOLE_PX / float(longest))
    columns = whole.block.columns(seam)
    if columns:
        shown |= {
            "columns": columns,
            "wave": draw_wave(columns, opened.units),
            "wave_parts": whole.block.known.drawn if whole.block.known else (),
        }
    if isinstance(tally, Crumbs):
        crumbs = [(f.width, f.length) for f in plan.problem.fabrics for _ in range(f.count)]
        shown["spread"] = [tally.shapes(crumbs, share) for share in (WASTEFUL, THRIFTY)]
    return shown


def _pieces(asked: YieldAsked, plan: CuttingPlan | None) -> list[Need]:
    """What is asked for, and what else is cut: strings for their places, crumbs."""
    cut = [cut.need for layout in plan.layouts for cut in layout.cuts] if plan else []
    return list(dict.fromkeys((*asked.problem.needs, *cut)))


def _with_status(opened: OpenProject, known: YieldSoFar) -> list[StageLine]:
    """The order of work, with what the search has found."""
    plan = _plan_shown(opened.project, known)
    unit = opened.project.design.block.unit
    words = how_many(opened.project, plan, plan.blocks, unit, alike=plan is not known.plan)
    return [
        replace(line, status=words) if line.stage is STAGE else line
        for line in order_of_work(opened, STAGE)
    ]


def _plan_shown(project: Project, known: YieldSoFar) -> CuttingPlan:
    return known.even.plan if project.design.even and known.even else known.plan


def _division(asked: YieldAsked, plan: CuttingPlan, seam: Fraction, units: Units) -> str:
    """A set and how it is crosscut, where the strips are all of one length."""
    answer = strip_sum(plan.problem)
    if not plan.problem.strip_sets or not plan.blocks or answer is None:
        return ""
    prints = tuple(asked.pulled(fabric).print for fabric in plan.problem.fabrics)
    strip = StripCloth(plan.problem.needs[0].width, prints)
    return draw_division(answer, strip, seam, units, answer.division.strip_length + 3)


def _limits(known: YieldSoFar, units: Units) -> list[dict[str, Any]]:
    return [
        {
            "limit": limit,
            "reason": limit.reason[:1].upper() + limit.reason[1:],
            "form": FACTS[limit.one_more.form].one if limit.length is None else _much(limit, units),
            "more": limit.count.blocks > known.plan.blocks,
        }
        for limit in known.limits or ()
    ]


def _much(limit: Limit, units: Units) -> str:
    """How much more off the bolt."""
    length = limit.length or Fraction(0)
    short = format_bought(length, units)
    return f"{short} of {limit.one_more.name}"


def _bars(
    plan: CuttingPlan, asked: YieldAsked, known: YieldSoFar, units: Units
) -> list[dict[str, Any]]:
    shares = role_shares(plan)
    largest = max((share.area for share in shares), default=Fraction(1)) or Fraction(1)
    scarce = {limit.role for limit in known.limits or ()}
    return [
        {
            "role": share.role,
            "drawing": draw_role_bar(
                share,
                [asked.pulled(s.fabric).print for s in share.shares],
                largest,
                share.role in scarce,
            ),
            "percent": round(100 * share.used / share.area) if share.area else 0,
            "scarce": share.role in scarce,
            "more": [entry for entry in _limits(known, units) if entry["limit"].role == share.role],
        }
        for share in shares
    ]


def _estimated(asked: YieldAsked, units: Units) -> list[str]:
    """What is not known for certain of each lot that is cut."""
    lots = dict.fromkeys(pulled.kept for pulled in asked.fabrics if pulled.is_estimated)
    return [_not_known(kept.name, kept.lot, units) for kept in lots]


def _not_known(name: str, lot: Lot, units: Units) -> str:
    if lot.grams is not None:
        return f"“{name}” is known by weight only."
    if lot.most_width is None and lot.most_length is None:
        return f"you have about {lot.count} of “{name}”."
    largest = lot.most_width or lot.width, lot.most_length or lot.length
    return (
        f"“{name}” is planned as if its sizes were spread evenly from "
        f"{format_size(lot.width, lot.length, units)} to {format_size(*largest, units)}."
    )


def _reference_name(asked: YieldAsked) -> str:
    """The lot whose length the cliff is told by, or what its pieces are called."""
    side = reference_of(asked)
    of_it = [
        pulled
        for fabric, pulled in zip(asked.problem.fabrics, asked.fabrics, strict=True)
        if fabric.usable == side
    ]
    names = {pulled.kept.name for pulled in of_it}
    return f"“{names.pop()}”" if len(names) == 1 else FACTS[of_it[0].kept.lot.form].many


def _sensitivity(known: YieldSoFar, asked: YieldAsked) -> list[tuple[Fraction, Count]]:
    """(usable length, count), the shortest first, as it is in the middle."""
    if known.sensitivity is None:
        return []
    rows = [*known.sensitivity, (Fraction(0), count_of(known.plan))]
    return [(reference_of(asked) + step, count) for step, count in sorted(rows, key=itemgetter(0))]


def _needs(
    asked: YieldAsked, plan: CuttingPlan | None, codes: Mapping[Need, str]
) -> list[dict[str, Any]]:
    tally = asked.problem.tally
    # Strips that are sewn whole into one piece are not crosscut.
    crosscut = not asked.block.makes_one_piece
    made: Counter[tuple[str, str]] = Counter()
    sizes: dict[tuple[str, str], set[Size]] = {}
    for layout in plan.layouts if plan else ():
        for cut in layout.cuts:
            key = cut.need.label, cut.need.role
            made[key] += layout.copies * (cut.segments if crosscut and cut.need.crosscut else 1)
            sizes.setdefault(key, set()).add((cut.width, cut.length))
    in_a_column = 0
    if plan is not None and isinstance(tally, Waves):
        # Columns swell and shrink: each takes a piece of every strip of its tube.
        in_a_column = tally.strips or sum(layout.copies for layout in plan.layouts) // 2
        for key in made:
            made[key] = plan.blocks * in_a_column
    return [
        {
            "need": need,
            "code": codes[need],
            "count": in_a_column or need.count,
            "size": (need.width, need.height)
            if crosscut or isinstance(tally, Waves)
            else _only(sizes.get((need.label, need.role), set()), need),
            "to": max(tally.widths) if isinstance(tally, Waves) else None,
            "made": made[need.label, need.role],
        }
        for need in asked.problem.needs
    ]


def _only(sizes: set[Size], need: Need) -> Size:
    """How large all pieces are, where they are all alike; else the least that is asked."""
    return next(iter(sizes)) if len(sizes) == 1 else (need.width, need.height)


def _off_ruler(
    opened: OpenProject, asked: YieldAsked, codes: Mapping[Need, str]
) -> dict[str, Any] | None:
    """Cut sizes between two marks of the ruler, in words; and finished sizes that have none."""
    units, design = opened.units, opened.project.design
    found = off_ruler(asked.problem.needs, units)
    if not found:
        return None
    sides: dict[Fraction, list[str]] = {}
    for piece in found:
        for side in piece.sides:
            sides.setdefault(side, []).append(codes[piece.need])
    block = block_of(opened.project, design.seam)
    return {
        "sides": [
            (
                ", ".join(marks),
                write_length(side, units),
                format_length(safe_cut(side, units), units),
            )
            for side, marks in list(sides.items())[:_MOST_OFF_RULER]
        ],
        "more": max(0, len(sides) - _MOST_OFF_RULER),
        "sizes": [
            format_length(size[0], units) if size[0] == size[1] else format_size(*size, units)
            for size in friendly_sizes(block, design.seam, units)
        ],
    }


def _block_drawing(asked: YieldAsked, codes: Mapping[Need, str], units: Units) -> str:
    if asked.finished is None or not asked.assembly.drawn_true:
        return ""
    by_label = {(need.label, need.role): code for need, code in codes.items()}
    prints = sample_prints(asked)
    return draw_patches(asked.assembly.patches, asked.finished, prints, by_label, units)


def _layouts(
    plan: CuttingPlan, asked: YieldAsked, codes: Mapping[Need, str], units: Units
) -> list[dict[str, Any]]:
    """Every way a piece of fabric is cut, once, with the fabrics cut so; most pieces first."""
    alike: dict[tuple[object, ...], list[Layout]] = {}
    for layout in plan.layouts:
        key = (layout.fabric.width, layout.fabric.length, layout.along, layout.cuts)
        alike.setdefault(key, []).append(layout)
    groups = sorted(alike.values(), key=lambda group: -sum(each.copies for each in group))
    scale = scale_for([group[0] for group in groups], _WIDEST_PX, _MOST_PX_AN_INCH)
    drawn = []
    for place, group in enumerate(groups):
        first = group[0]
        cloth = asked.pulled(first.fabric).print
        drawn.append(
            {
                "copies": sum(each.copies for each in group),
                "size": format_size(first.fabric.width, first.fabric.length, units),
                "fabrics": [(each.fabric.name, each.copies) for each in group],
                "drawing": draw_layout(first, cloth, codes, units, scale)
                if place < _MOST_DRAWN
                else "",
                "strips": strip_words(first, codes, units),
                "noun": _noun(first.fabric),
            }
        )
    return drawn


def _noun(fabric: Fabric) -> str:
    return FACTS[fabric.form].one
