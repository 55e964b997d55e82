"""What may be chosen on the page: the block, how it is cut, and what is only tried."""

from dataclasses import replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from pydantic import AfterValidator, Field

from kersey.core.blocks.choice import PIECES, BlockChoice
from kersey.core.blocks.rails import FEWEST_RAILS, MOST_RAILS
from kersey.core.blocks.recipe import Option
from kersey.core.errors import InvalidValue
from kersey.core.length import Units, parse_length
from kersey.core.own_pieces import read_pieces
from kersey.core.project import Project
from kersey.core.project_yield import RAILS, yield_asked
from kersey.core.workshop import check_seam
from kersey.core.yields import Method
from kersey.web.forms import BadForm, Form, Length, Typed, checked
from kersey.web.project_page import RevisedForm

OPTION = "option_"


class PrintRule(StrEnum):
    """Whether the prints of a rail block must differ."""

    BEST = "best"
    DIFFERENT = "different"
    ANY = "any"


class Plan(StrEnum):
    """How the fabric is cut."""

    POOLED = "pooled"
    EVEN = "even"
    SETS = "sets"


RULES: dict[PrintRule, bool | None] = {
    PrintRule.BEST: None,
    PrintRule.DIFFERENT: True,
    PrintRule.ANY: False,
}


class YieldForm(RevisedForm):
    """The choices; `finished_width` and `finished_height` as the block shows in the quilt."""

    recipe: str = Field(max_length=40)
    finished_width: Length | None = None
    finished_height: Length | None = None
    pieces: str = Field("", max_length=4000)
    strips_per_block: int | None = Field(None, ge=FEWEST_RAILS, le=MOST_RAILS)
    plan: Plan = Plan.POOLED
    rule: PrintRule = PrintRule.BEST
    by_value: bool = False
    seam: Annotated[Length, AfterValidator(checked(check_seam))]


class TriedForm(Form):
    """Cloth of another usable length, and another seam, that are only tried."""

    usable: Length
    try_seam: Annotated[Length, AfterValidator(checked(check_seam))]


class MeasuredForm(RevisedForm):
    """What the cloth measured."""

    usable: Length


class ClaimForm(Form):
    """What a label or a pattern promises."""

    promised_blocks: int | None = Field(None, ge=1, le=100_000)
    promised_width: Length | None = None
    promised_height: Length | None = None


def with_choices(project: Project, form: YieldForm, typed: Typed, units: Units) -> Project:
    """The project with the block and plan chosen; raises `BadForm`, or `InvalidValue`."""
    design = project.design
    same = form.recipe == design.block.recipe
    block = _block(form, typed, units) if same else BlockChoice(form.recipe)
    if form.recipe == PIECES and not same:
        # Pieces of one's own begin as those of the block before.
        block = _as_own_pieces(project)
    design = replace(
        design,
        block=block,
        strips_per_block=form.strips_per_block or design.strips_per_block,
        method=Method.SETS if form.plan is Plan.SETS and form.recipe == RAILS else Method.SEGMENTS,
        even=form.plan is Plan.EVEN,
        different_prints=RULES[form.rule],
        by_value=form.by_value,
        seam=form.seam,
    )
    changed = replace(project, design=design)
    yield_asked(changed)
    return changed


def _block(form: YieldForm, typed: Typed, units: Units) -> BlockChoice:
    if form.recipe == PIECES:
        return _own(form, units)
    if form.recipe == RAILS:
        return BlockChoice(RAILS)
    block = BlockChoice(form.recipe)
    recipe = block.known
    assert recipe is not None
    width = form.finished_width or recipe.finished[0]
    height = width if recipe.square else form.finished_height or recipe.finished[1]
    options = tuple(
        (name, _option(name, usual, typed, units)) for name, usual in recipe.options.items()
    )
    return replace(block, finished=(width, height), options=options)


def _option(name: str, usual: Option, typed: Typed, units: Units) -> Option:
    said = typed.get(OPTION + name, "").strip()
    if not said:
        return usual
    if isinstance(usual, str):
        return said
    if isinstance(usual, Fraction):
        try:
            return parse_length(said, units)
        except InvalidValue as error:
            raise BadForm({OPTION + name: str(error)}, typed) from error
    if not said.isdecimal() or len(said) > 4:
        raise BadForm({OPTION + name: "Write a whole number, like 3."}, typed)
    return int(said)


def _own(form: YieldForm, units: Units) -> BlockChoice:
    needs, rules = read_pieces(form.pieces, units)
    width, height = form.finished_width, form.finished_height
    finished = (width, height or width) if width else None
    return BlockChoice(PIECES, finished, pieces=needs, rules=rules)


def _as_own_pieces(project: Project) -> BlockChoice:
    asked = yield_asked(project)
    needs = tuple(replace(need, label="-".join(need.label.split())) for need in asked.cut.needs)
    return BlockChoice(PIECES, asked.finished, pieces=needs, rules=asked.cut.rules)
