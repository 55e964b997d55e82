"""The layers: backing and batting to scale as they are made, and how they are held together."""

from fractions import Fraction
from typing import Any

from kersey.core.finish.holding import basting_thread, holding_steps, points_over
from kersey.core.finish.top import Known, Rests, backed_now, top_now
from kersey.core.frame.backing import Backing, BackingWay, panel_seams, plan_backing, seam_in_fold
from kersey.core.frame.batting import Batting, plan_batting
from kersey.core.frame.edge import Edge, EdgeStyle
from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_bought, format_length, format_run, format_size
from kersey.core.project.finishing import Holding, TurnedWay
from kersey.core.quilt.layers import sheet_piece
from kersey.core.quilt.parts import Part
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.pulled import Role
from kersey.drawing.backing import draw_let_in, draw_one_piece, draw_panels, draw_pieced
from kersey.web.finish.stage import STAGE
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context

_HIGH, _BATTING_HIGH = 420.0, 200.0


def layers_context(opened: OpenProject) -> dict[str, Any]:
    """The backing to scale, the batting, and how the layers are held."""
    finishing = opened.project.finishing
    context = project_context(opened, STAGE) | {
        "drawing": "",
        "holdings": list(Holding),
        "finishing": finishing,
        "backing": None,
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    top, design = backed_now(quilt, opened.project), opened.project.design
    edge = design.edge
    turned = finishing.turned_way if edge.style is EdgeStyle.TURNED else None
    sides = top_now(quilt, opened.project).size
    batting = (edge.batting(side, quilt.kept.seam, design.margin) for side in sides)
    margins = [(design.edge.backing(side, design.margin) - side) / 2 for side in top.size]
    backing = plan_backing(*top.size, margins[0], design.usable_width, opened.units)
    grown = Rests.RECKONED is not top.rests and (
        backing.width > quilt.backing.width or backing.length > quilt.backing.length
    )
    return (
        context
        | _backing(quilt, backing, top, grown)
        | _batting(quilt, plan_batting(*batting), top)
        | {
            "top": top,
            "grown": grown,
            "planned": (quilt.backing.width, quilt.backing.length),
            "points": points_over(top.size, finishing.reach),
            "thread": format_run(basting_thread(top.size, finishing.reach), quilt.units),
            "turned": turned,
            "turned_ways": list(TurnedWay),
            "margin_words": _margin_words(edge, quilt, design.margin),
            "holding": holding_steps(finishing.holding, finishing.bears_heat, turned),
        }
    )


def _margin_words(edge: Edge, quilt: Quilt, margin: Fraction) -> str:
    """Why the backing and the batting are so large."""
    if edge.style is EdgeStyle.TURNED:
        return "The batting is as large as the finished quilt, so that it fills the frame."
    if edge.style is EdgeStyle.FOLDED:
        beyond = format_length(2 * edge.width, quilt.units)
        return (
            f"After quilting, trim the batting even with the top and the backing {beyond} past it."
        )
    return ""


def _backing(quilt: Quilt, backing: Backing, top: Known, grown: bool) -> dict[str, Any]:
    """The backing as it is made: rows of pieces, a strip of blocks let in, or panels.

    What is pulled was planned for the size as reckoned; where the top grew, cloth off the bolt is
    shown."""
    units, usable = quilt.units, quilt.project.design.usable_width
    sheet, size = _sheet(quilt.layers.backing), (backing.width, backing.length)
    scale = _HIGH / float(max(size))
    found: dict[str, Any] = {"backing": size, "in_fold": False, "on_its_side": False}
    if sheet is not None and not sheet.seams and not grown:
        drawing = draw_one_piece(_only_piece(sheet), size, top.size, units, scale)
        return found | {"drawing": drawing, "takes": "One pulled piece covers it"}
    if sheet is not None and not grown:
        covered = sheet.width if sheet.upright else sheet.length
        return found | {
            "drawing": draw_pieced(sheet, top.size, _prints(quilt, Role.BACKING), units, scale),
            "takes": f"{counted(sum(len(row.pieces) for row in sheet.rows), 'piece')} in rows, "
            f"{counted(sheet.seams, 'seam')}",
            "in_fold": seam_in_fold(_row_seams(sheet), covered),
        }
    way = quilt.backing_plan.way
    if way is BackingWay.LET_IN and quilt.let_in and not grown:
        strip = quilt.let_in
        return found | {
            "drawing": draw_let_in(size, top.size, strip, quilt.block[0], units, scale),
            "takes": f"{format_bought(strip.plan.cloth, units)} of fabric, with a row of "
            f"{strip.blocks} spare blocks",
        }
    plan = backing.plan(None if way is BackingWay.LET_IN else way)
    covered = backing.length if plan.way is BackingWay.ACROSS else backing.width
    takes = f"{format_bought(plan.cloth, units)} of fabric"
    if plan.panels > 1:
        takes += f", {counted(plan.panels, 'panel')} of {format_length(plan.panel_length, units)}"
    return found | {
        "drawing": draw_panels(size, top.size, plan, usable, units, scale),
        "takes": takes,
        "in_fold": seam_in_fold(panel_seams(plan, covered, usable), covered),
        "on_its_side": plan.way is BackingWay.ACROSS and quilt.backing_stands,
    }


def _batting(quilt: Quilt, batting: Batting, top: Known) -> dict[str, Any]:
    """The batting as it is made: joined pieces, one piece that is there, a packet, or the roll."""
    units, size = quilt.units, (batting.width, batting.length)
    sheet = _sheet(quilt.layers.batting)
    whole = _only_piece(sheet) if sheet is not None and not sheet.seams else size
    scale = _BATTING_HIGH / float(max(*size, *whole, *(batting.packet or size)))
    fits = sheet is not None and sheet.width >= size[0] and sheet.length >= size[1]
    if sheet is not None and fits and sheet.seams:
        drawing = draw_pieced(sheet, top.size, _prints(quilt, Role.BATTING), units, scale)
        words = f"{sheet.seams + 1} pulled pieces, butted and zigzagged together"
    elif sheet is not None and fits:
        drawing = draw_one_piece(whole, size, top.size, units, scale)
        words = "one pulled piece"
    else:
        drawing = draw_one_piece(batting.packet or size, size, top.size, units, scale)
        words = (
            f"a {format_size(*batting.packet, units)} package"
            if batting.packet
            else ("by the yard")
        )
    return {"batting_drawing": drawing, "batting_words": words, "batting": size}


def _sheet(part: Part) -> PiecedSheet | None:
    return part.layer.sheet if part.layer else None


def _only_piece(sheet: PiecedSheet) -> tuple[Fraction, Fraction]:
    """The size of the one piece of a sheet, width x length as it lies."""
    _, along, up = sheet.rows[0].pieces[0]
    return (up, along) if sheet.upright else (along, up)


def _row_seams(sheet: PiecedSheet) -> list[Fraction]:
    """Where the seams between the rows of a sheet lie; each takes the join off the next row."""
    at, found = Fraction(0), list[Fraction]()
    for row in sheet.rows[:-1]:
        found.append(at + row.height - sheet.join / 2)
        at += row.height - sheet.join
    return found


def _prints(quilt: Quilt, part: Role) -> dict[str, Any]:
    return {sheet_piece(p).name: p.print for p in quilt.project.fabrics if p.serves(part)}
