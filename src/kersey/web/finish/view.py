"""What the pages of Finish show."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any

from kersey.core.errors import Infeasible
from kersey.core.finish.binding_joins import Joins, clear_start, joins_round, scrappy_order
from kersey.core.finish.border_readings import SideSays, SideVerdict
from kersey.core.finish.border_steps import PLACES, Axis, BorderSewn, Pair, borders_sewn
from kersey.core.finish.cost import quilt_cost
from kersey.core.finish.edge_steps import (
    QUILT_THROUGH,
    EdgePlan,
    binding_pieces,
    edge_plan,
    opening_of,
)
from kersey.core.finish.hidden_points import hidden_points
from kersey.core.finish.quilting import BOBBIN_METRES, Stitching, stitching
from kersey.core.finish.top import (
    Rests,
    backed_now,
    edge_to_edge,
    finished_now,
    measured_size,
    quilted_now,
    shrunk,
    top_now,
)
from kersey.core.finish.washing import Learned, washing_words
from kersey.core.frame.binding import SpareStrip
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.part import PartKind
from kersey.core.measure.length import METRE, YARD, Units, format_length, format_size
from kersey.core.project.finishing import Pattern, TurnedWay
from kersey.core.project.sewing import Measured, Work
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.price_list import PriceList
from kersey.core.stash.pulled import Role
from kersey.drawing.edge_step import StepColours, draw_bias_strips, draw_edge_step
from kersey.drawing.finish import draw_hidden, draw_joined_binding, draw_stitched, draw_turned
from kersey.drawing.quilt import draw_quilt
from kersey.drawing.quilt_label import draw_label
from kersey.web.finish.stage import STAGE
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context

# What the ticks of the finish begin with.
_TICK = "finish-"


@dataclass(frozen=True)
class SideField:
    """One side that is measured before a border: three fields, and what they say."""

    axis: Axis
    words: str
    expected: Fraction
    read: tuple[str, str, str]
    says: str
    good: bool | None


def borders_context(opened: OpenProject) -> dict[str, Any]:
    """Each border: what is measured, and what is cut, in order."""
    context = _context(opened) | {"borders": [], "own_width": False, "drawing": "", "keys": False}
    quilt = opened.quilt
    if quilt is None:
        return context
    sewn = borders_sewn(quilt, opened.project)
    return context | {
        "borders": [
            (
                each,
                _side_fields(each, opened),
                [
                    _pair_words(p, opened, bool(n) and Axis.AGAIN in each.expected)
                    for n, p in enumerate(each.pairs)
                ],
            )
            for each in sewn
        ],
        "names": _names(len(sewn)),
        "own_width": opened.project.finishing.own_width,
        "top": top_now(quilt, opened.project),
        "reckoned": (quilt.top_width, quilt.top_length),
        "keys": any(border.key is not None for border in quilt.borders),
        "corners": opened.project.design.corners,
        "drawing": draw_quilt(quilt),
    }


def _names(many: int) -> list[str]:
    if many == 1:
        return ["The border"]
    return [f"Border {n} of {many}, from the inside out" for n in range(1, many + 1)]


def _side_fields(sewn: BorderSewn, opened: OpenProject) -> list[SideField]:
    log = opened.project.sewing.of(Measured.BORDER)
    first_sides = sewn.pairs[0].sides
    words = {
        Axis.ACROSS: "Across, edge to edge",
        Axis.DOWN: "Down, edge to edge",
        Axis.AGAIN: f"{'Across' if first_sides else 'Down'} again, with the first two borders on",
    }
    found = []
    for axis, expected in sewn.expected.items():
        number = len(Axis) * sewn.number + axis
        read = {r.place: r.read for r in log if r.number == number}
        typed = [
            format_length(read[place], opened.units) if place in read else "" for place in PLACES
        ]
        says = sewn.says.get(axis)
        found.append(
            SideField(
                axis,
                words[axis],
                expected,
                (typed[0], typed[1], typed[2]),
                "" if says is None else _says_words(says, opened),
                None if says is None else says.verdict is not SideVerdict.MEND,
            )
        )
    return found


def _says_words(says: SideSays, opened: OpenProject) -> str:
    """What readings of a side say, in a sentence or two."""
    units = opened.units
    cut, spread = format_length(says.cut, units), format_length(says.spread, units)
    exact = says.cut == says.average
    average = (
        f"Average {'' if exact else 'about '}{float(says.average):.3f}″"
        if (units.value == "in")
        else f"Average about {float(says.average) * 2.54:.1f} cm"
    )
    share = f"{float(says.share) * 100:.1f}%"
    verdict = {
        SideVerdict.EVEN: "All the same.",
        SideVerdict.EASE: f"They differ by {spread}. Ease it in, matching quarter marks.",
        SideVerdict.EASE_WITH_CARE: f"They differ by {spread}, {share} of the side. You can just "
        "ease it in: pin closely, longer edge on the bottom.",
        SideVerdict.MEND: f"They differ by {spread}, {share} of the side. That is too much to "
        "ease. Fix the seams, then measure again.",
    }[says.verdict]
    return f"{average}: cut {cut}. {verdict}"


def _pair_words(pair: Pair, opened: OpenProject, again: bool) -> dict[str, Any]:
    return {
        "pair": pair,
        "title": "Sides" if pair.sides else "Top and bottom",
        "rests": "as measured" if pair.rests else "as planned",
        "again": again,
        "marks": [format_length(mark, opened.units) for mark in pair.marks],
    }


def quilting_context(opened: OpenProject) -> dict[str, Any]:
    """The stitching over the quilt, with its sums."""
    finishing = opened.project.finishing
    context = _context(opened) | {
        "drawing": "",
        "patterns": list(Pattern),
        "finishing": finishing,
        "stitching": None,
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    found = stitching(quilt, finishing.quilting)
    unit, far = (YARD, "yd") if opened.units is Units.INCHES else (METRE, "m")
    return context | {
        "stitching": found,
        "drawing": draw_stitched(quilt, found),
        "far": far,
        "stitched": round(found.length / float(unit)),
        "thread": max(1, round(found.metres_of_thread * float(METRE / unit))),
        "bobbin": round(BOBBIN_METRES * float(METRE / unit)),
        "gap": Fraction(round(found.gap * 8), 8),
        "gap_words": _gap_words(found, opened),
        "too_wide": finishing.apart is not None and found.gap > float(finishing.apart) + 1e-6,
        "half": quilt.size.width / 2,
        "turned": finishing.turned_way
        if opened.project.design.edge.style is EdgeStyle.TURNED
        else None,
        "is_ties": finishing.quilting.pattern is Pattern.TIES,
        "has_direction": finishing.quilting.pattern
        in (Pattern.LINES, Pattern.DIAGONALS, Pattern.WAVES),
    }


def _gap_words(found: Stitching, opened: OpenProject) -> str:
    """How wide the widest strip without a stitch is."""
    eighths = Fraction(round(found.gap * 8), 8)
    about = "" if abs(float(eighths) - found.gap) < 1e-6 else "about "
    return about + format_length(eighths, opened.units)


def edge_context(opened: OpenProject) -> dict[str, Any]:
    """The edge in the school that is chosen, from the size as it is known now."""
    context = _context(opened) | {
        "plan": None,
        "drawing": "",
        "joins": None,
        "hidden": None,
        "problem": "",
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    design, finishing = opened.project.design, opened.project.finishing
    turned = design.edge.style is EdgeStyle.TURNED
    # A binding is sewn to what was quilted; a turned frame to that, or to the top before.
    known = (backed_now if turned else quilted_now)(quilt, opened.project)
    binding = quilt.part(PartKind.BINDING)
    pieces = binding_pieces(binding, known.size) if binding else ()
    try:
        plan = edge_plan(
            design.edge, known.size, quilt.kept.seam, design.usable_width, opened.units, pieces
        )
        if turned and finishing.turned_way is TurnedWay.TURNED_FIRST:
            plan = replace(plan, steps=(*plan.steps, QUILT_THROUGH))
    except Infeasible as reason:
        # Of cloth so narrow no bias can be cut: the page says so, and where to choose otherwise.
        return context | {"problem": str(reason), "finished": finished_now(quilt, opened.project)}
    colours = _colours(quilt)
    context |= {
        "plan": plan,
        "known": known,
        "finished": finished_now(quilt, opened.project),
        "outer": edge_to_edge(quilt, opened.project),
        "quilted": measured_size(opened.project, Measured.QUILTED),
        "steps": [
            (
                s,
                f"{_TICK}{s.key}" in opened.project.done,
                draw_edge_step(plan, s.key, colours, quilt.kept.seam, opened.units),
            )
            for s in plan.steps
        ],
        "bias": draw_bias_strips(plan, design.usable_width, colours.edge, opened.units)
        if design.edge.style is EdgeStyle.BIAS and not pieces
        else "",
        "style": design.edge.style,
    }
    if design.edge.has_strips:
        return context | _joined(plan, _scraps(quilt), quilt, opened)
    if design.edge.style is EdgeStyle.FOLDED:
        hidden = hidden_points(quilt)
        return context | {"hidden": hidden, "drawing": draw_hidden(quilt, hidden)}
    backing = tuple(design.edge.backing(side, design.margin) for side in known.size)
    opening = opening_of(max(known.size))
    drawing = draw_turned(quilt, (backing[0], backing[1]), opening, quilt.kept.seam)
    return context | {"drawing": drawing}


def _colours(quilt: Quilt) -> StepColours:
    """What lies outermost in the top, the binding, and the backing."""
    around = [part.cloth.prints[0] for _, part in quilt.framing]
    top = around[-1] if around else quilt.prints[quilt.kept.kits[0][0]]
    backing = next((p.print for p in quilt.project.fabrics if p.serves(Role.BACKING)), None)
    edge = quilt.edge_print
    return StepColours(*(cloth.swatch.blend for cloth in (top, edge, backing or edge)))


def _scraps(quilt: Quilt) -> tuple[SpareStrip, ...]:
    """The pieces that a binding of what is left is joined of, in their order."""
    binding = quilt.part(PartKind.BINDING)
    return () if binding is None else scrappy_order(binding.cloth.strips)


def _joined(
    plan: EdgePlan, pieces: tuple[SpareStrip, ...], quilt: Quilt, opened: OpenProject
) -> dict[str, Any]:
    """Where the joins of a binding fall, in the order they are joined."""
    width, start = plan.edge.width, opened.project.finishing.binding_start or Fraction(0)
    joins = joins_round(plan.top, plan.strips, width, start)
    clear: Joins | None = None
    if joins.on_corners:
        clear = clear_start(plan.top, plan.strips, width)
    return {
        "joins": joins,
        "clear": clear,
        "pieces": [
            (quilt.prints[p.fabric].name, p.length) for p in pieces if p.fabric in quilt.prints
        ],
        "drawing": draw_joined_binding(quilt, joins, "start here"),
    }


def after_context(
    opened: OpenProject, prices: PriceList, pictures: Sequence[str], washings: Learned | None
) -> dict[str, Any]:
    """What is kept of the quilt; `pictures` are those of the camera folder, `washings` what was
    learned of other quilts."""
    finishing = opened.project.finishing
    context = _context(opened) | {"finishing": finishing, "drawing": "", "final": None}
    quilt = opened.quilt
    if quilt is None:
        return context
    final = finished_now(quilt, opened.project)
    washed = measured_size(opened.project, Measured.WASHED)
    minutes = sum(spell.minutes for spell in opened.project.sewing.spells)
    parts = {
        work: sum(s.minutes for s in opened.project.sewing.spells if s.work is work)
        for work in Work
    }
    return context | {
        "final": final,
        "outer": edge_to_edge(quilt, opened.project),
        "washed": washed,
        "shrunk": _shrunk_words(final.size, washed) if washed else "",
        "hours": f"{minutes / 60:.1f}" if minutes else "",
        "parts": [(work, round(of)) for work, of in parts.items() if of],
        "cost": quilt_cost(quilt, prices),
        "pictures": pictures,
        "expected": washing_words(washings, final.size, opened.units),
        "quilt_label": draw_label(
            finishing.label.splitlines() or _label(opened, quilt), finishing.label_width
        ),
        "drawing": draw_quilt(quilt),
    }


def _shrunk_words(before: tuple[Fraction, Fraction], washed: tuple[Fraction, Fraction]) -> str:
    across, down = (float(part) * 100 for part in shrunk(before, washed))
    return f"{across:.1f}% in width and {down:.1f}% in length"


def _label(opened: OpenProject, quilt: Quilt) -> list[str]:
    """What a label says before a person has written one."""
    finishing = opened.project.finishing
    lines = [opened.project.name]
    if finishing.for_whom:
        lines.append(f"for {finishing.for_whom}")
    if finishing.finished_on:
        lines.append(finishing.finished_on.strftime("%B %-d, %Y"))
    known = finished_now(quilt, opened.project)
    # On a label stands only what was measured.
    return (
        [*lines, format_size(*known.size, opened.units)]
        if known.rests is Rests.QUILTED
        else (lines)
    )


def tick_key(opened: OpenProject, key: str) -> tuple[str, str]:
    """The tick of a step of the edge, and its words; nothing where there is no such step."""
    quilt = opened.quilt
    if quilt is None:
        return "", ""
    design = opened.project.design
    size = quilted_now(quilt, opened.project).size
    plan = edge_plan(design.edge, size, quilt.kept.seam, design.usable_width, opened.units)
    step = next((step for step in plan.steps if step.key == key), None)
    return ("", "") if step is None else (f"{_TICK}{step.key}", step.words.rstrip("."))


def _context(opened: OpenProject) -> dict[str, Any]:
    return project_context(opened, STAGE)
