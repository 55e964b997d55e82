"""What is asked of the search for all that is to be said of a project's yield."""

from dataclasses import replace
from fractions import Fraction
from hashlib import blake2s

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem
from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, made_the_other_way, yield_asked
from kersey.core.yields.ruler_sizes import cut_safely
from kersey.core.yields.steps import YieldQuestion

# docs/trade.md section 4: the answer is told for a seam a sixteenth narrower and wider.
SEAM_STEP = Fraction(1, 16)


# What is told of a yield is told anew when it is reckoned in another way: of the first version the
# cliff of pieces that fill their cloth was missing, of the second the strip sets of patches, of the
# third the cliff of squares sewn as they come.
_TOLD_SINCE = 4


def kept_most(project: Project, asked: YieldAsked) -> CuttingPlan | None:
    """The plan for the most blocks that is kept for this very question, if one is."""
    kept = project.plan
    if kept is None or kept.question != asked.fingerprint or asked.even or not kept.possible:
        return None
    # What is kept of one piece is the whole of it; asked for are its columns, rows or strips.
    return None if asked.block.makes_one_piece else _as_called_now(kept, asked)


def _as_called_now(kept: KeptPlan, asked: YieldAsked) -> CuttingPlan:
    """The plan for the most blocks, by the names that its fabrics have now: a question stays the
    same when a print is called otherwise."""
    now = dict(zip(asked.keys, asked.problem.fabrics, strict=True))
    layouts = []
    for layout in kept.most.layouts:
        named = now[kept.key_of(layout.fabric.name)]
        fabric = replace(layout.fabric, name=named.name, print=named.print)
        layouts.append(replace(layout, fabric=fabric))
    return replace(kept.most, problem=asked.problem, layouts=tuple(layouts))


def yield_question(project: Project, asked: YieldAsked, units: Units) -> YieldQuestion:
    """The question with its neighbours; raises nothing: a seam that cannot be is left out."""
    seam = project.design.seam
    other = made_the_other_way(project)
    return YieldQuestion(
        problem=asked.problem,
        other_way=None if other is None else yield_asked(other).problem,
        at_seams=tuple((s, _at(project, s)) for s in (seam - SEAM_STEP, seam + SEAM_STEP)),
        rules_are_a_wish=asked.rules_are_a_wish,
        cut_safely=cut_safely(asked.problem, units),
    )


def answer_key(asked: YieldAsked, units: Units) -> str:
    """What the whole answer to a question is known by; marks of the ruler are the reader's, and an
    answer calls its fabrics as the question does."""
    names = repr([(fabric.name, fabric.print) for fabric in asked.problem.fabrics])
    called = blake2s(names.encode(), digest_size=6).hexdigest()
    return f"{asked.fingerprint} {called} {units} {_TOLD_SINCE}"


def reference_of(asked: YieldAsked) -> Fraction:
    """The side that depends on how wide the cloth was, of the fabric there is most of."""
    sides: dict[Fraction, int] = {}
    for fabric in asked.problem.fabrics:
        many = fabric.count if fabric.depends_on_width else 0
        sides[fabric.usable] = sides.get(fabric.usable, 0) + many
    return max(sides, key=lambda side: (sides[side], side))


def _at(project: Project, seam: Fraction) -> CuttingProblem | None:
    try:
        return yield_asked(project, seam).problem
    except KerseyError:
        return None
