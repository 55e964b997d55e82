"""The border, the backing and the binding of a work order in words."""

from dataclasses import dataclass

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.frame.backing import JOIN_COST, BackingWay
from kersey.core.frame.binding import Binding
from kersey.core.frame.borders import MITRE_NEEDS, Border, Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.measure.length import format_bought, format_length, format_number, format_size
from kersey.core.project.project import fabric_key
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.core.quilt.quilt import Quilt, Source
from kersey.core.quilt.sheets import backing_sheet
from kersey.core.quilt.supply import supplies
from kersey.core.stash.pulled import Role
from kersey.core.work.work_order import Step

_ORDER = {1: "first", 2: "second", 3: "third", 4: "fourth"}


@dataclass(frozen=True)
class StepWords:
    """What to do, and how, and what it gives."""

    title: str
    sentences: tuple[str, ...] = ()


def border_words(step: Step, quilt: Quilt) -> StepWords:
    """How the border is cut, from what it is measured."""
    number = int(step.name.rpartition(" ")[2]) if " " in step.name else 1
    borders = quilt.borders
    border, u = borders[number - 1], quilt.units
    if border.key is not None:
        return _keys(quilt, border)
    cut = format_length(border.cut_width, u)
    joined = " and join them with a straight seam" if border.joined else ""
    strips = border.strips
    took = f"They take {format_bought(border.cloth, u)} of cloth. Cut them{joined}."
    if step.name == "border" and quilt.border_cloth.source is Source.LEFT:
        strips = len(quilt.border_cloth.strips)
        name = quilt.border_cloth.prints[0].name
        took = f"From what is left of {name}; join them with a straight seam."
    called = "border" if len(borders) == 1 else f"{_ORDER[number]} border"
    return StepWords(
        f"Cut {strips_counted(strips)} {cut} wide for the {called}",
        (
            took,
            "Measure the quilt down the middle and near both edges, and cut to the average.",
            *_how_it_is_sewn(border, quilt),
        ),
    )


def _keys(quilt: Quilt, border: Border) -> StepWords:
    """The spacer first, for it makes the keys fit; then the keys, side by side."""
    u, seams = quilt.units, 2 * quilt.project.design.seam
    assert border.key is not None
    key = border.key - seams
    along, down = ((side - seams) / key for side in (border.ends, border.sides))
    spacer = [
        f"two of {format_size(piece.cut_width, piece.cut_length, u)} "
        f"{'for the sides' if piece.name.endswith('side') else 'above and below'}"
        for piece, _ in quilt.spacer_strips
    ]
    first = f"Sew on the spacer first: {listed(spacer)}." if spacer else "No spacer is needed."
    cut = format_size(border.key, border.cut_width, u)
    square = format_length(border.cut_width, u)
    took = f"They take {format_bought(border.cloth, u)} of cloth, in two prints or more."
    if quilt.key_cloth.source is Source.LEFT:
        took = f"From what is left: {len(quilt.key_cloth.prints)} prints."
    return StepWords(
        f"Cut {border.keys} keys of {cut}",
        (
            took,
            first,
            f"Join {along} for top and bottom and {down} for each side: they should measure "
            f"{format_length(border.ends, u)} and {format_length(border.sides, u)}.",
            f"Cut four squares of {square} for the corners; sew them to top and bottom, and those "
            "on last. Press the keys all one way.",
        ),
    )


def _how_it_is_sewn(border: Border, quilt: Quilt) -> tuple[str, ...]:
    """How long its strips are, as reckoned or as blocks and rows measured, and in which order they
    are sewn on."""
    design, u = quilt.project.design, quilt.units
    corners, said = design.corners, "As measured" if quilt.as_measured else "As reckoned"
    sides, ends = format_length(border.sides, u), format_length(border.ends, u)
    if corners is Corners.SQUARES and border.corner:
        square = format_length(border.corner, u)
        return (
            f"{said}: two sides of {sides}; top and bottom of {ends}, with a square of "
            f"{square} at either end, of the binding's print.",
            "Sew the sides on first; then top and bottom, their squares sewn on.",
        )
    if corners is Corners.MITRED:
        return (
            f"{said}: two sides of {sides}, top and bottom of {ends}: two border widths and "
            f"{format_length(MITRE_NEEDS, u)} longer than the quilt.",
            "Sew each on from seam to seam, a quarter inch short of the corners; fold the mitres, "
            "sew them from the inside out, and trim.",
        )
    first, then = f"two sides of {sides}", f"top and bottom of {ends}"
    if not design.sides_first:
        first, then = then, first
    return (f"{said}: {first}, sewn on first, then {then}.",)


def backing_words(step: Step, quilt: Quilt) -> StepWords:
    """How the backing is cut and made."""
    u, plan = quilt.units, quilt.backing_plan
    backed = supplies(quilt).get(Role.BACKING)
    sheet = backing_sheet(quilt) if backed and backed.enough else None
    if sheet is not None and sheet.seams:
        return _pieced_backing(quilt, sheet)
    size = format_size(quilt.backing.width, quilt.backing.length, u)
    length = format_length(plan.panel_length, u)
    how = {
        BackingWay.UPRIGHT: f"{plan.panels} panels of {length}, seams upright.",
        BackingWay.ACROSS: f"{plan.panels} panels of {length}, seams across.",
        BackingWay.WIDE: f"One piece of {length} off extra-wide cloth.",
        BackingWay.LET_IN: f"{plan.panels} of {length}.",
    }[plan.way]
    if plan.panels == 1 and plan.way is not BackingWay.WIDE:
        how = f"One piece of {length}."
    seam = format_length(JOIN_COST / 2, u)
    seams = f"Join with {seam} seams, selvedges cut off." if plan.panels > 1 else ""
    takes = f"It takes {format_bought(plan.cloth, u)} of cloth."
    sentences: tuple[str, ...] = (f"{how} {seams}".strip(), takes)
    if plan.way is BackingWay.LET_IN and quilt.let_in:
        strip = (
            f"Cut one panel apart along its length, off the middle, and let in a strip of "
            f"{quilt.let_in.blocks} spare blocks with {seam} seams."
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
        f"Piece the backing {size} of what is there",
        (f"The rows run {lie}.", *rows, f"Join with {seam} seams; trim to size."),
    )


def binding_words(step: Step, quilt: Quilt) -> StepWords:
    """How the binding is cut, by the school of the edge."""
    edge, binding = quilt.project.design.edge, quilt.binding
    if edge.style is EdgeStyle.FOLDED:
        return _folded(quilt)
    if edge.style is EdgeStyle.TURNED:
        return _turned(quilt)
    width = format_length(binding.cut_width, quilt.units)
    length = format_length(binding.length, quilt.units)
    fold = ", fold in half" if edge.style is not EdgeStyle.SINGLE_FOLD else ""
    joins = f"Join on the diagonal ({binding.joins} joins) to at least {length}{fold}."
    bias = "on the bias, " if edge.style is EdgeStyle.BIAS else ""
    cut = "Cut" if binding.bought else "Take"
    return StepWords(
        f"{cut} {strips_counted(binding.strips)} {bias}{width} wide to bind",
        (_binding_source(quilt, binding), joins),
    )


def _folded(quilt: Quilt) -> StepWords:
    """The backing folded to the front, twice."""
    u, width = quilt.units, quilt.project.design.edge.width
    shows, beyond = format_length(width, u), format_length(2 * width, u)
    return StepWords(
        "Fold the backing to the front",
        (
            f"Trim the batting flush with the top, and the backing {beyond} beyond it.",
            f"Fold it to touch the edge, fold again, mitre the corners and stitch: {shows} shows.",
            f"It hides {shows} of the top all round: keep points out of it.",
        ),
    )


def _turned(quilt: Quilt) -> StepWords:
    """The backing sewn on larger, turned, and shown as a frame."""
    u, design = quilt.units, quilt.project.design
    frame, larger = format_length(design.edge.width, u), format_length(4 * design.edge.width, u)
    seam = format_length(design.seam, u)
    return StepWords(
        "Turn the backing over as a frame",
        (
            f"The backing is {larger} larger than the top both ways. Mark the middle of every "
            f"side, the opening, and {seam} from each corner, before you pin.",
            "Sew it on right sides together, middle to middle, corners free, the opening left and "
            "back-tacked.",
            "Fold the ears at the corners and sew them square. Check them before you trim.",
            f"Turn, press and topstitch through: a frame of {frame} shows all round.",
        ),
    )


def _binding_source(quilt: Quilt, binding: Binding) -> str:
    if binding.bought:
        return f"They take {format_bought(binding.cloth, quilt.units)} of cloth."
    whole = sum(piece.whole for piece in binding.from_stash)
    others = [piece.length for piece in binding.from_stash if not piece.whole]
    pieces = [pieces_counted(whole, Form.STRIP)] if whole else []
    if others:
        shortest = format_number(min(others), quilt.units)
        pieces.append(f"{len(others)} cut {shortest} and longer")
    return f"From what is left: {' and '.join(pieces)}."


def strips_counted(number: int) -> str:
    """So many strips."""
    return f"{number} strip{'s' * (number != 1)}"


def listed(parts: list[str]) -> str:
    """Parts in a row, the last after an and."""
    return parts[0] if len(parts) == 1 else f"{', '.join(parts[:-1])} and {parts[-1]}"


def pieces_counted(number: int, form: Form) -> str:
    """So many pieces of a form."""
    return f"{number} {FACTS[form].one if number == 1 else FACTS[form].many}"
