"""What may be chosen on the page: the block, how it is cut, and what is only tried."""

from collections.abc import Iterator, Mapping
from contextlib import suppress
from dataclasses import replace
from fractions import Fraction
from typing import Annotated

from pydantic import AfterValidator, Field

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.choice import OWN, PIECES, BlockChoice, written_option
from kersey.core.blocks.own_block import USUAL_SIDE, OwnBlock
from kersey.core.blocks.own_pieces import read_pieces
from kersey.core.blocks.recipe import BadRecipe, Option, Recipe, read_option
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, write_length
from kersey.core.measure.workshop import check_seam
from kersey.core.project.design import PrintsInABlock
from kersey.core.project.project import Project
from kersey.core.project.question import block_of, yield_asked
from kersey.core.yields.ways_to_cut import Way
from kersey.web.forms import BadForm, Length, PageForm, Typed, checked
from kersey.web.open_project import RevisedForm

OPTION = "option_"


def _check_side(side: Fraction) -> None:
    if side <= 0:
        raise BadRecipe("block.finished", "more than 0.", "Type a size larger than 0, like 6.")


class YieldForm(RevisedForm):
    """The choices; `finished_width` and `finished_height` as the block shows in the quilt."""

    recipe: str = Field(max_length=40)
    finished_width: Annotated[Length | None, AfterValidator(checked(_check_side))] = None
    finished_height: Annotated[Length | None, AfterValidator(checked(_check_side))] = None
    pieces: str = Field("", max_length=4000)
    plan: Way = Way.POOLED
    rule: PrintsInABlock = PrintsInABlock.BEST
    by_value: bool = False
    scraps_first: bool | None = None
    seam: Annotated[Length, AfterValidator(checked(check_seam))]


class TriedForm(PageForm):
    """Cloth of another usable length, and another seam, that are only tried."""

    usable: Length
    try_seam: Annotated[Length, AfterValidator(checked(check_seam))]


class MeasuredForm(RevisedForm):
    """What the cloth measured."""

    usable: Length


class ClaimForm(PageForm):
    """What a label or a pattern promises."""

    promised_blocks: int | None = Field(None, ge=1, le=100_000)
    promised_width: Length | None = None
    promised_height: Length | None = None


def with_choices(project: Project, form: YieldForm, typed: Typed, units: Units) -> Project:
    """The project with the block and plan chosen; raises `BadForm`, or `InvalidValue`."""
    design = project.design
    same = form.recipe == design.block.recipe
    if form.recipe == OWN:
        block = _own_block(project, form)
    else:
        block = _block(project, form, typed, units) if same else BlockChoice(form.recipe)
    if form.recipe == PIECES and not same:
        # Pieces of one's own begin as those of the block before.
        block = _as_own_pieces(project)
    design = replace(
        design,
        block=block.made(faster=form.plan is Way.SETS),
        block_chosen=True,
        even=form.plan is Way.EVEN,
        prints=form.rule,
        by_value=form.by_value,
        scraps_first=design.scraps_first if form.scraps_first is None else form.scraps_first,
        seam=form.seam,
    )
    changed = replace(project, design=design)
    yield_asked(changed)
    return changed


def _own_block(project: Project, form: YieldForm) -> BlockChoice:
    """The block that was drawn, in the size that was typed."""
    draft = project.design.block.own or project.design.own_draft or OwnBlock()
    width = form.finished_width or USUAL_SIDE
    return BlockChoice(OWN, (width, form.finished_height or width), own=draft)


def _block(project: Project, form: YieldForm, typed: Typed, units: Units) -> BlockChoice:
    if form.recipe == PIECES:
        return _own(form, typed, units)
    block = BlockChoice(form.recipe)
    recipe = block.known
    assert recipe is not None
    chosen = dict(_options(project, recipe, typed, units))
    part, _, way = typed.get("wave", "").partition(" ")
    if recipe.changed and part in recipe.drawn:
        # A part of the wave is changed on its drawing.
        chosen = dict(recipe.changed({**recipe.options, **chosen}, part, way == "up"))
    options = tuple((name, written_option(said)) for name, said in chosen.items())
    block = replace(block, options=options)
    return replace(block, finished=_finished(project, block, form, typed, units))


def shown_size(project: Project) -> Size | None:
    """The finished size of the block as it is, with what lies there and what its options say."""
    seam = project.design.seam
    try:
        return block_of(project, seam).size_at(seam)
    except InvalidValue:
        return project.design.block.size


def _finished(
    project: Project, block: BlockChoice, form: YieldForm, typed: Typed, units: Units
) -> Size | None:
    """The size as it was typed; a block that follows its strips may leave it open.

    A size that nobody touched stays what it was, unless an option that says the size was changed.
    """
    recipe, shown = block.known, shown_size(project)
    assert recipe is not None
    if recipe.size_follows or (form.finished_width is None and recipe.from_strips is not None):
        return None
    width, height = form.finished_width, form.finished_height
    usual = recipe.finished if width is None else recipe.of_side(width)
    finished = usual if recipe.one_side else (width or usual[0], height or usual[1])
    if shown is None or not _untouched(shown, recipe, typed, units):
        return finished
    before = project.design.block
    if block.options == before.options:
        return before.finished
    # A changed option says the size itself, or the size stays as it is shown.
    anew = replace(project, design=replace(project.design, block=replace(block, finished=None)))
    says = recipe.size_of and recipe.size_of(
        block_of(anew, project.design.seam).all_options, project.design.seam
    )
    return None if says else finished


def _untouched(shown: Size, recipe: Recipe, typed: Typed, units: Units) -> bool:
    """Whether the fields of the size are sent back as they stood there."""
    sides = shown[1:] if recipe.one_side else shown
    names = "finished_width", "finished_height"
    return all(
        typed.get(name, "").strip() == write_length(side, units)
        for name, side in zip(names, sides, strict=False)
    )


def shown_options(project: Project) -> Mapping[str, Option]:
    """The options of the block as it is, with what lies there."""
    block = project.design.block
    with suppress(InvalidValue):
        block = block_of(project, project.design.seam)
    usual = block.known.options if block.known else {}
    return {name: value for name, value in block.all_options.items() if name in usual}


# Between lengths of one option: several widths side by side, or a width and a length.
BETWEEN_SIDES = (" + ", " x ")


def field_of_option(value: Option, units: Units) -> Option:
    """An option as it stands in its field; a length that nobody has said leaves it empty."""
    if isinstance(value, Fraction):
        return write_length(value, units) if value else ""
    if isinstance(value, tuple):
        return BETWEEN_SIDES[len(value) == 2].join(write_length(each, units) for each in value)
    return written_option(value)


def _options(
    project: Project, recipe: Recipe, typed: Typed, units: Units
) -> Iterator[tuple[str, Option]]:
    """Each option as it was typed, or as it was chosen where nobody touched its field; raises
    `BadForm` with every one that cannot be."""
    errors, shown = {}, shown_options(project)
    before = {name: project.design.block.all_options[name] for name in recipe.options}
    for name, usual in recipe.options.items():
        if recipe.other_way is not None and name == recipe.other_way.option:
            continue
        said = typed.get(OPTION + name, "").strip()
        if said == str(field_of_option(shown[name], units)):
            yield name, before[name]
            continue
        try:
            yield name, read_option(usual, name, said, units) if said else usual
        except BadRecipe as error:
            errors[OPTION + name] = str(error)
    if errors:
        raise BadForm(errors, typed)


def field_of(error: InvalidValue) -> str:
    """The field at which an error belongs: the one that the recipe names, or the block itself."""
    part, _, rest = error.field.removeprefix("block.").partition(".")
    if part == "options":
        return OPTION + rest
    if part.startswith(("pieces", "rules")):
        return "pieces"
    return "finished_width" if part == "finished" else "recipe"


def _own(form: YieldForm, typed: Typed, units: Units) -> BlockChoice:
    try:
        needs, rules = read_pieces(form.pieces, units)
    except InvalidValue as error:
        raise BadForm({"pieces": str(error)}, typed) from error
    width, height = form.finished_width, form.finished_height
    finished = (width, height or width) if width else None
    return BlockChoice(PIECES, finished, pieces=needs, rules=rules)


def _as_own_pieces(project: Project) -> BlockChoice:
    asked = yield_asked(project)
    needs = tuple(
        replace(need, label="-".join(need.label.split())) for need in asked.assembly.needs
    )
    return BlockChoice(PIECES, asked.finished, pieces=needs, rules=asked.assembly.rules)
