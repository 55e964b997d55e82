"""The border, the backing and the binding of a work order in words."""

from dataclasses import dataclass

from kersey.core.frame.backing import JOIN_COST, BackingWay
from kersey.core.frame.borders import MITRE_NEEDS, Border, Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.keys import SPACER_SIDE
from kersey.core.frame.part import PartKind
from kersey.core.measure.counting import counted
from kersey.core.measure.length import (
    Units,
    format_bought,
    format_length,
    format_number,
    format_size,
)
from kersey.core.project.project import fabric_key
from kersey.core.quilt.parts import Part, Source
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.core.quilt.quilt import Quilt
from kersey.core.work.work_order import Step

_ORDER = {1: "first", 2: "second", 3: "third", 4: "fourth"}


@dataclass(frozen=True)
class StepWords:
    """What to do, and how, and what it gives."""

    title: str
    sentences: tuple[str, ...] = ()


def border_words(step: Step, quilt: Quilt) -> StepWords:
    """How the border is cut, from what it is measured."""
    border, part = quilt.framing[step.number - 1]
    if border.key is not None:
        return _keys(quilt, border, part)
    u = quilt.units
    joined = " and join them with straight seams" if part.joined else ""
    took = f"{cloth_words(part, u)} Cut the strips{joined}."
    if part.cloth.source is Source.LEFT:
        took = f"Use leftover {part.cloth.names[0]}. Join the strips with straight seams."
    several = len(quilt.borders) > 1
    return StepWords(
        f"Cut {counted(part.strips, 'strip')} {format_length(part.cut_width, u)} wide for the "
        f"{_ORDER[step.number] + ' ' if several else ''}border",
        (
            took,
            "Measure the quilt through the middle and near both edges. Cut to the average.",
            *_how_it_is_sewn(border, quilt),
        ),
    )


def _keys(quilt: Quilt, border: Border, part: Part) -> StepWords:
    """The spacer first, for it makes the keys fit; then the keys, side by side."""
    u, seams = quilt.units, 2 * quilt.project.design.seam
    assert border.key is not None
    key = border.key - seams
    along, down = ((side - seams) / key for side in (border.ends, border.sides))
    strips = quilt.part(PartKind.SPACER)
    spacer = [
        f"two of {format_size(piece.cut_width, piece.cut_length, u)} "
        f"{'for the sides' if piece.name == SPACER_SIDE else 'for top and bottom'}"
        for piece in (strips.pieces if strips else ())
    ]
    first = (
        f"First add the spacer strips: {listed(spacer)}." if spacer else ("No spacer strip needed.")
    )
    cut = format_size(border.key, border.cut_width, u)
    square = format_length(border.cut_width, u)
    took = f"This uses {format_bought(part.takes, u)} of fabric, in two or more prints."
    if part.cloth.source is Source.LEFT:
        took = f"Use leftovers: {counted(len(part.cloth.prints), 'print')}."
    elif part.cloth.source is Source.PULLED:
        took = cloth_words(part, u)
    return StepWords(
        f"Cut {border.keys} piano keys, {cut}",
        (
            took,
            first,
            f"Join {along} each for the top and bottom, and {down} for each side. They should "
            "measure "
            f"{format_length(border.ends, u)} and {format_length(border.sides, u)}.",
            f"Cut four {square} squares for the corners. Sew them to the top and bottom borders, "
            "and add those last. Press all the keys one way.",
        ),
    )


def _how_it_is_sewn(border: Border, quilt: Quilt) -> tuple[str, ...]:
    """How long its strips are, as reckoned or as blocks and rows measured, and in which order they
    are sewn on."""
    design, u = quilt.project.design, quilt.units
    corners, said = design.corners, "As measured" if quilt.as_measured else "As planned"
    sides, ends = format_length(border.sides, u), format_length(border.ends, u)
    if corners is Corners.SQUARES and border.corner:
        square = format_length(border.corner, u)
        return (
            f"{said}: two sides of {sides}; top and bottom of {ends}, with a {square} square of "
            "the binding print at each end.",
            "Sew on the sides first, then the top and bottom with their corner squares.",
        )
    if corners is Corners.MITRED:
        plain = sum(1 for each in quilt.borders if each.key is None)
        together = (
            "Sew the borders of each side into one band first, centers matched. Sew on the bands"
            if plain > 1
            else "Sew on each border"
        )
        return (
            f"{said}: two sides of {sides}, top and bottom of {ends}: cut two border widths plus "
            f"{format_length(MITRE_NEEDS, u)} longer than the quilt.",
            f"{together}, stopping ¼″ from each corner. Fold the miters, sew from the "
            "inside corner out, and trim.",
        )
    first, then = f"two sides of {sides}", f"top and bottom of {ends}"
    if not design.sides_first:
        first, then = then, first
    return (f"{said}: sew on {first}, then {then}.",)


def backing_words(step: Step, quilt: Quilt) -> StepWords:
    """How the backing is cut and made."""
    u, plan, layer = quilt.units, quilt.backing_plan, quilt.layers.backing.layer
    sheet = layer.sheet if layer else None
    if sheet is not None and sheet.seams:
        return _pieced_backing(quilt, sheet)
    size = format_size(quilt.backing.width, quilt.backing.length, u)
    length = format_length(plan.panel_length, u)
    how = {
        BackingWay.UPRIGHT: f"{counted(plan.panels, 'panel')}, each {length}, with vertical seams.",
        BackingWay.ACROSS: f"{counted(plan.panels, 'panel')}, each {length}, with horizontal "
        f"seams.",
        BackingWay.WIDE: f"One {length} piece of extra-wide fabric.",
        BackingWay.LET_IN: f"{plan.panels} of {length}.",
    }[plan.way]
    if plan.panels == 1 and plan.way is not BackingWay.WIDE:
        how = f"One piece, {length}."
    seam = format_length(JOIN_COST / 2, u)
    seams = f"Cut off the selvages and join with {seam} seams." if plan.panels > 1 else ""
    takes = f"This uses {format_bought(plan.cloth, u)} of fabric."
    sentences: tuple[str, ...] = (f"{how} {seams}".strip(), takes)
    if plan.way is BackingWay.LET_IN and quilt.let_in:
        strip = (
            f"Cut one panel lengthwise, off center, and sew a row of {quilt.let_in.blocks} spare "
            f"blocks in between with {seam} seams."
        )
        sentences = (*sentences, strip)
    return StepWords(f"Cut the backing {size}", sentences)


def _pieced_backing(quilt: Quilt, sheet: PiecedSheet) -> StepWords:
    """Row by row, each with its pieces, the way they lie."""
    u, names = quilt.units, {fabric_key(p): p.print.name for p in quilt.project.fabrics}
    rows = [
        f"Row {number}, trimmed to {format_length(row.height, u)}: "
        + ", ".join(f"{names[key]} {format_size(a, b, u)}" for key, a, b in row.pieces)
        + "."
        for number, row in enumerate(sheet.rows, 1)
    ]
    lie = "down the quilt" if sheet.upright else "across the quilt"
    size = format_size(quilt.backing.width, quilt.backing.length, u)
    seam = format_length(JOIN_COST / 2, u)
    return StepWords(
        f"Piece the backing, {size}, from your stash",
        (f"The rows run {lie}.", *rows, f"Join with {seam} seams; trim to size."),
    )


def binding_words(step: Step, quilt: Quilt) -> StepWords:
    """How the binding is cut, by the school of the edge."""
    edge, binding = quilt.project.design.edge, quilt.part(PartKind.BINDING)
    if edge.style is EdgeStyle.FOLDED:
        return _folded(quilt)
    if edge.style is EdgeStyle.TURNED:
        return _turned(quilt)
    assert binding is not None
    width = format_length(binding.cut_width, quilt.units)
    length = format_length(binding.length, quilt.units)
    fold = ", fold in half" if edge.style is not EdgeStyle.SINGLE_FOLD else ""
    joins = f"Join on the diagonal ({counted(binding.joins, 'join')}) to at least {length}{fold}."
    bias = "on the bias, " if edge.style is EdgeStyle.BIAS else ""
    cut = "Take" if binding.cloth.source is Source.LEFT else "Cut"
    return StepWords(
        f"{cut} {counted(binding.strips, 'strip')} {bias}{width} wide for the binding",
        (_binding_source(quilt, binding), joins),
    )


def _folded(quilt: Quilt) -> StepWords:
    """The backing folded to the front, twice."""
    u, width = quilt.units, quilt.project.design.edge.width
    shows, beyond = format_length(width, u), format_length(2 * width, u)
    return StepWords(
        "Fold the backing to the front",
        (
            f"Trim the batting even with the top, and the backing {beyond} larger on every side.",
            "Fold the backing to the edge of the top, fold again, miter the "
            f"corners and stitch. {shows} shows.",
            f"It covers {shows} of the top all around, so keep points out of there.",
        ),
    )


def _turned(quilt: Quilt) -> StepWords:
    """The backing sewn on larger, turned, and shown as a frame."""
    u, design = quilt.units, quilt.project.design
    frame, larger = format_length(design.edge.width, u), format_length(4 * design.edge.width, u)
    seam = format_length(design.seam, u)
    return StepWords(
        "Turn the backing to make a frame",
        (
            f"Cut the backing {larger} larger than the top in both directions. Before you pin, "
            f"mark the center of every side, the opening, and {seam} from each corner.",
            "Sew right sides together, matching centers. Leave the corners and the opening unsewn, "
            "and backstitch at both.",
            "Fold each corner to a point, sew it square, and check it before you trim.",
            f"Turn, press and topstitch through all layers. A {frame} frame shows all around.",
        ),
    )


def _binding_source(quilt: Quilt, binding: Part) -> str:
    if binding.cloth.source is not Source.LEFT:
        return cloth_words(binding, quilt.units)
    whole = sum(piece.whole for piece in binding.cloth.strips)
    others = [piece.length for piece in binding.cloth.strips if not piece.whole]
    pieces = [counted(whole, "strip")] if whole else []
    if others:
        shortest = format_number(min(others), quilt.units)
        pieces.append(f"{counted(len(others), 'leftover strip')}, {shortest} or longer")
    return f"Use leftovers: {' and '.join(pieces)}."


def cloth_words(part: Part, units: Units) -> str:
    """What a part takes of the cloth it is cut from; pieces are told by their prints."""
    if part.takes:
        return f"This uses {format_bought(part.takes, units)} of fabric."
    return f"Use the {listed(list(part.cloth.names))} you pulled."


def listed(parts: list[str]) -> str:
    """Parts in a row, the last after an and."""
    if len(parts) < 2:
        return "".join(parts)
    return f"{', '.join(parts[:-1])} and {parts[-1]}"
