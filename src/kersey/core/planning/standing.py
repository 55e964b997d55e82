"""Whether the plan that is kept still answers what the project asks, and what a new one changes."""

from enum import StrEnum

from kersey.core.errors import KerseyError
from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import PlanQuestion, plan_question
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked

_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")


class Standing(StrEnum):
    """How a project stands to its plan."""

    NOTHING = "nothing can be asked"
    NONE = "no plan yet"
    CURRENT = "the plan answers the question"
    LOOSE = "it answers, and could save fabric"
    BEFORE = "it was made for what was there before"


def question_of(project: Project) -> str | None:
    """The fingerprint of what a project asks; None when nothing can be asked."""
    try:
        return yield_asked(project).fingerprint
    except KerseyError:
        return None


def standing_of(project: Project, question: str | None) -> Standing:
    """How a project that asks this stands to the plan that is kept with it."""
    kept = project.plan
    if question is None:
        return Standing.BEFORE if project.plan_taken else Standing.NOTHING
    if kept is None:
        return Standing.NONE
    if kept.question != question:
        return Standing.BEFORE
    short = kept.grid is not None and kept.grid.blocks > kept.possible
    unsaid = short and not kept.missing_sought
    return Standing.LOOSE if not kept.thrifty or unsaid else Standing.CURRENT


def wanted_plan(project: Project, units: Units, standing: Standing) -> PlanQuestion | None:
    """What has to be searched for, for the plan to answer the question; None if it does.

    `standing` is how the project stands to its plan now.
    """
    if standing in (Standing.NOTHING, Standing.CURRENT):
        return None
    kept = project.plan
    try:
        known = kept.most if kept is not None and standing is Standing.LOOSE else None
        return plan_question(project, units, known)
    except KerseyError:
        return None


def may_replace(project: Project, found: KeptPlan) -> bool:
    """Whether a plan found may be put in the place of the one that is kept without a word.

    Nothing that a person has settled, laid on the wall, or cut, rests on it.
    """
    standing = standing_of(project, question_of(project))
    if standing is Standing.LOOSE:
        kept = project.plan
        laid = kept is not None and kept.laying is not None and kept.kits != found.kits
        return not laid and not any(pulled.cut for pulled in project.fabrics)
    return standing is Standing.NONE or not project.plan_taken


def what_changes(before: KeptPlan, after: KeptPlan) -> tuple[str, ...]:
    """What another plan changes, in sentences.

    The most wanted first: how many blocks, and whether they are enough for the size chosen.
    """
    said = []
    if before.block.title != after.block.title:
        said.append(f"{after.block.title} instead of {before.block.title.lower()}.")
    difference = after.possible - before.possible
    fewer = "fewer" if difference < 0 else "more"
    if difference:
        many = _in_words(abs(difference))
        noun = noun_for(abs(difference), "block")
        blocks = f"{many.capitalize()} {noun} {fewer}, {after.possible}"
    else:
        blocks = f"Same number of blocks, {after.possible}"
    if after.grid is not None and after.grid.blocks > after.possible:
        short = _in_words(after.grid.blocks - after.possible)
        blocks += f"; your {after.grid.columns} × {after.grid.rows} layout is {short} short"
    said.append(f"{blocks}.")
    opened = [sum(layout.copies for layout in kept.cutting.layouts) for kept in (before, after)]
    if opened[0] != opened[1]:
        said.append(f"It cuts into {counted(opened[1], 'piece of fabric')} instead of {opened[0]}.")
    return tuple(said)


def _in_words(number: int) -> str:
    return _NUMBERS[number] if number < len(_NUMBERS) else str(number)
