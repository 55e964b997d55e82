"""What can be chosen of the block, and what was chosen, in a line."""

from contextlib import suppress
from dataclasses import replace
from fractions import Fraction
from typing import Any

from kersey.core.blocks.assembly import Assembly, Size
from kersey.core.blocks.own_pieces import write_pieces
from kersey.core.blocks.recipe import NO, YES, Option
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import ANY, PrintRule
from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units, format_length, format_size
from kersey.core.measure.spoken import shown
from kersey.core.planning.possible import seams_of
from kersey.core.project.design import PrintsInABlock
from kersey.core.project.first_used import turns
from kersey.core.project.project import Project
from kersey.core.project.question import block_of, yield_asked
from kersey.web.open_project import OpenProject
from kersey.web.yield_page.forms import (
    BETWEEN_SIDES,
    OPTION,
    field_of_option,
    shown_options,
    shown_size,
)


def choices_context(opened: OpenProject) -> dict[str, Any]:
    """The fields of the choices, as they stand."""
    project, units = opened.project, opened.units
    block = project.design.block
    recipe = block.known
    other = recipe.other_way if recipe else None
    options = [
        {
            "name": OPTION + name,
            "title": name,
            "value": field_of_option(value, units),
            "choices": (YES[0], NO[0]) if isinstance(value, bool) else recipe.choices.get(name, ()),
        }
        for name, value in shown_options(project).items()
        if recipe and not (other and name == other.option)
    ]
    follows = recipe is not None and recipe.from_strips is not None
    roles = _roles(project)
    return {
        "block_title": block.title,
        "unit": block.unit,
        "facts": recipe.facts if recipe else None,
        "may_size": recipe is not None
        and not (follows and project.strip_width is not None)
        and not recipe.size_follows,
        "fates": _fates(project),
        "notes": _notes(project, units),
        **_work_of(project),
        "recipe": recipe,
        "chosen_recipe": block.recipe,
        "options": options,
        "size": shown_size(project),
        "size_follows": (follows and project.strip_width is not None)
        or (recipe is not None and recipe.size_follows),
        "would_differ": bool(recipe) and bool(_wishes(project)),
        "own_pieces": write_pieces(block.pieces, block.rules, units),
        "rule": project.design.prints,
        "has_turns": _has_turns(project),
        "two_sided": roles != {ANY},
        "chosen_words": _chosen_words(project, units),
    }


def _has_turns(project: Project) -> bool:
    """Whether the rule for what is used first could make a difference."""
    with suppress(KerseyError):
        return len(set(turns(replace(yield_asked(project), scraps_first=True)).values())) > 1
    return False


_PRINTS = {
    PrintsInABlock.BEST: "prints all different if that costs no blocks",
    PrintsInABlock.DIFFERENT: "prints all different",
    PrintsInABlock.ANY: "any prints",
}


def _chosen_words(project: Project, units: Units) -> str:
    """What was chosen, in one line."""
    block = project.design.block
    other = block.known.other_way if block.known else None
    said = [block.title]
    size = shown_size(project)
    if size is not None:
        square = size[0] == size[1]
        said.append(format_length(size[0], units) if square else format_size(*size, units))
    for name, value in shown_options(project).items():
        if not (other and name == other.option) and value:
            said.append(_said(name, value, units))
    if _wishes(project):
        said.append(_PRINTS[project.design.prints])
    said.append(f"seam {format_length(project.design.seam, units)}")
    return ", ".join(said)


def _notes(project: Project, units: Units) -> list[str]:
    """What is to be said of this very block."""
    assembly, seam = _assembly(project), project.design.seam
    block = block_of(project, seam) if assembly else project.design.block
    if assembly is None or block.known is None or block.known.notes is None:
        return []
    return list(block.known.notes(assembly, block.all_options, seam, units))


def _fates(project: Project) -> list[tuple[str, Size, str]]:
    """What becomes of each finished block, where the quilt is made of those."""
    block = block_of(project, project.design.seam)
    side = block.size_at(project.design.seam)
    fate = block.known.fate if block.known else None
    if fate is None or side is None:
        return []
    unfinished = side[0] + 2 * project.design.seam
    return [
        (p.print.name, (p.width, p.length), fate((p.width, p.length), unfinished).words)
        for p in project.fabrics
        if p.for_blocks and p.kept.lot.form is Form.BLOCK
    ]


def _work_of(project: Project) -> dict[str, Any]:
    """How many seams and pieces one block is, and whether its size makes sense."""
    assembly, known = _assembly(project), project.design.block.known
    if assembly is None:
        return {"seams_a_block": 0, "cuts_a_block": 0, "too_odd": ""}
    odd = ""
    if known and known.facts and assembly.finished:
        small, large = known.facts.sides
        side = max(assembly.finished)
        if side < small and not known.whole:
            odd = "At this size it's mostly seams and hard to sew accurately."
        if side > large:
            odd = "At this size a quilt shows too few blocks for the pattern to read."
    return {
        "seams_a_block": -int(-seams_of(assembly) // 1),
        "cuts_a_block": sum(need.count for need in assembly.needs) // assembly.batch or 1,
        "too_odd": odd,
    }


def _said(name: str, value: Option, units: Units) -> str:
    """An option in the line of what was chosen."""
    if isinstance(value, bool):
        return shown(name)
    if isinstance(value, tuple):
        lengths = (format_length(side, units) for side in value)
        return f"{shown(name)} {BETWEEN_SIDES[len(value) == 2].join(lengths)}"
    written = format_length(value, units) if isinstance(value, Fraction) else str(value)
    return written if isinstance(value, str) else f"{shown(name)} {written}"


def _assembly(project: Project) -> Assembly | None:
    try:
        return block_of(project, project.design.seam).assembly(project.design.seam)
    except KerseyError:
        return None


def _roles(project: Project) -> set[str]:
    assembly = _assembly(project)
    return {need.role for need in assembly.needs} if assembly else set()


def _wishes(project: Project) -> tuple[PrintRule, ...]:
    assembly = _assembly(project)
    return assembly.wishes if assembly else ()
