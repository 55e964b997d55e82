"""The page as it is shown: the plan drawn, how sure it is, what stopped it, how close the cliff."""

from collections import Counter
from collections.abc import Mapping
from contextlib import suppress
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any

from sqlalchemy.exc import IntegrityError, OperationalError

from kersey.core.blocks.assembly import Assembly
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import PIECES
from kersey.core.blocks.own_pieces import write_pieces
from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.cloth.forms import FACTS
from kersey.core.cutting.problem import ANY, CuttingPlan, Fabric, Layout, Need, PrintRule
from kersey.core.errors import KerseyError
from kersey.core.measure.length import (
    CENTIMETRE,
    EIGHTH,
    Units,
    format_length,
    format_size,
    parse_length,
    safe_cut,
    write_length,
)
from kersey.core.project.design import PrintsInABlock
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, block_of, sample_prints
from kersey.core.quilt.asking import SEAM_STEP, answer_key, kept_most, reference_of, yield_question
from kersey.core.work.stages import Stage
from kersey.core.yields.by_hand import proof, strip_sum
from kersey.core.yields.cliffs import tight_divisions
from kersey.core.yields.cut_words import strip_words
from kersey.core.yields.even_plan import AlikeCut
from kersey.core.yields.report import Leftover, Limit, leftovers
from kersey.core.yields.role_shares import role_shares
from kersey.core.yields.ruler_sizes import friendly_sizes, off_ruler
from kersey.core.yields.steps import YieldQuestion, YieldSoFar
from kersey.drawing.cliff_ruler import draw_cliff
from kersey.drawing.cut_layout import draw_layout, scale_for
from kersey.drawing.patches import draw_patches
from kersey.drawing.role_bar import draw_role_bar
from kersey.drawing.strips import StripCloth, draw_division
from kersey.searching.searches import Inquiry
from kersey.store.projects import keep_answer, kept_answer
from kersey.web.project_page import OpenProject, StageLine, order_of_work, project_context
from kersey.web.templating import counted
from kersey.web.workroom import Workroom
from kersey.web.yield_page.forms import OPTION, Plan

# A plan that is shown is known by a mark, so many of which there are.
PLAN_MARKS = 1 << 32
# What a page waits for a first answer before it shows itself without one.
_PATIENCE = 2.5
_WIDEST_PX, _MOST_PX_AN_INCH = 700.0, 11.0
_MOST_DRAWN, _MOST_LEFT, _MOST_TIGHT = 100, 8, 3
_GIVES_NAMED = 3
_MOST_OFF_RULER = 6


# What there is to show before anything is known.
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
    "cliff": "",
    "cliff_words": "",
    "division": "",
    "reference": None,
    "verdicts": None,
    **dict.fromkeys(
        ("plans", "limits", "bars", "sensitivity", "seams", "tight", "spare", "left", "layouts",
         "needs"),
        (),
    ),
}  # fmt: skip


@dataclass(frozen=True)
class Found:
    """What is known of a question: kept from before, or from a search that may still go on."""

    known: YieldSoFar | None
    going_on: bool = False
    seen: int = 0
    fault: str = ""
    kept: bool = False


def find(room: Workroom, opened: OpenProject, asked: YieldAsked, patience: float) -> Found:
    """What is known of a project's question; it is searched for once, then kept.

    Waits no longer than the patience, in seconds, for the first of it.
    """
    key = answer_key(asked, opened.units)
    with room.transaction() as session:
        known = kept_answer(session, opened.stored.id, key)
    if known is not None:
        return Found(known, kept=True)
    question = question_for(room, opened, asked)
    inquiry = room.searches.ask(opened.stored.id, question)
    most = kept_most(opened.project, asked)
    # Where there is a plan the page has something to show at once.
    inquiry.wait(0, 0.0 if most else patience)
    found = _kept_if_over(room, opened, key, inquiry)
    if most is not None and (found.known is None or found.known.plan.blocks < most.blocks):
        return replace(found, known=YieldSoFar(most))
    return found


def question_for(room: Workroom, opened: OpenProject, asked: YieldAsked) -> YieldQuestion:
    """What is searched for: beside a plan that is kept already nothing worse is told.

    A search that was begun before there was a plan goes on, if it has found as much.
    """
    question = yield_question(opened.project, asked, opened.units)
    most = kept_most(opened.project, asked)
    if most is None:
        return question
    begun, answer = room.searches.has(question), room.searches.known(question)
    if begun and (answer is None or answer.plan.blocks >= most.blocks):
        return question
    return replace(question, known=most)


def _kept_if_over(room: Workroom, opened: OpenProject, key: str, inquiry: Inquiry) -> Found:
    known: YieldSoFar | None = inquiry.answer
    if known is not None and known.done and inquiry.over:
        # Where something large is being written just now, it is kept another time.
        with suppress(IntegrityError, OperationalError), room.transaction() as session:
            keep_answer(session, opened.stored.id, key, known)
    return Found(known, not inquiry.over, inquiry.count, inquiry.fault)


def yield_context(
    room: Workroom, opened: OpenProject, patience: float = _PATIENCE
) -> dict[str, Any]:
    """All that the page shows."""
    context = project_context(opened, Stage.YIELD) | _NOTHING | _choices(opened)
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
    codes = piece_codes(asked.problem.needs)
    base["block"] = _block_drawing(asked, codes, opened.units)
    base["off_ruler"] = _off_ruler(opened, asked, codes)
    base["needs"] = _needs(asked, known.plan if known else None, codes)
    if known is None:
        return base
    project, units = opened.project, opened.units
    plan = _plan_shown(project, known)
    left = _left(plan, units)
    return base | {
        "answer": known,
        "stages": _with_status(opened, known),
        "plan": plan,
        "blocks": plan.blocks,
        "plan_mark": hash((plan.blocks, plan.bound, plan.layouts)) % PLAN_MARKS,
        "plans": list(_plans(project, known, units)),
        "limits": _limits(known, units),
        "bars": _bars(plan, asked, known, units),
        "cliff": draw_cliff(reference_of(asked), known.cliffs, known.plan.blocks, units),
        "cliff_words": known.cliffs.in_words(
            reference_of(asked), known.plan.blocks, units, _reference_name(asked)
        )
        if known.cliffs
        else "",
        "sensitivity": _sensitivity(known, asked),
        "seams": known.seams or (),
        "tight": _tight(plan, units),
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


def _with_status(opened: OpenProject, known: YieldSoFar) -> list[StageLine]:
    """The order of work, with what the search has found."""
    plan = _plan_shown(opened.project, known)
    sure = "proved" if plan.proved else f"at most {plan.bound}"
    words = f"{counted(plan.blocks, 'block')}, {'cut alike' if plan is not known.plan else sure}"
    return [
        replace(line, status=words) if line.stage is Stage.YIELD else line
        for line in order_of_work(opened, Stage.YIELD)
    ]


def _choices(opened: OpenProject) -> dict[str, Any]:
    project, units = opened.project, opened.units
    block = project.design.block
    recipe = block.known
    other = recipe.other_way if recipe else None
    options = [
        {
            "name": OPTION + name,
            "title": name,
            "value": value if not isinstance(value, Fraction) else write_length(value, units),
            "choices": recipe.choices.get(name, ()),
        }
        for name, value in (block.all_options.items() if recipe else ())
        if recipe and not (other and name == other.option)
    ]
    follows = recipe is not None and recipe.from_strips is not None
    roles = _roles(project)
    return {
        "recipes": [*((r.id, r.title) for r in recipes().values()), (PIECES, "Pieces of my own")],
        "recipe": recipe,
        "chosen_recipe": block.recipe,
        "options": options,
        "size": block.size,
        "size_follows": follows and project.strip_width is not None,
        "would_differ": bool(recipe) and bool(_wishes(project)),
        "own_pieces": write_pieces(block.pieces, block.rules, units),
        "rule": project.design.prints,
        "two_sided": roles != {ANY},
        "chosen_words": _chosen_words(project, units),
    }


_PRINTS = {
    PrintsInABlock.BEST: "prints all different if it costs nothing",
    PrintsInABlock.DIFFERENT: "prints all different",
    PrintsInABlock.ANY: "any prints",
}


def _chosen_words(project: Project, units: Units) -> str:
    """What was chosen, in one line."""
    block = project.design.block
    other = block.known.other_way if block.known else None
    said = [block.title]
    with suppress(KerseyError):
        size = block_of(project, project.design.seam).size
        if size is not None:
            square = size[0] == size[1]
            said.append(format_length(size[0], units) if square else format_size(*size, units))
    for name, value in block.all_options.items():
        if not (other and name == other.option):
            written = format_length(value, units) if isinstance(value, Fraction) else str(value)
            said.append(f"{name} {written}" if not isinstance(value, str) else written)
    if _wishes(project):
        said.append(_PRINTS[project.design.prints])
    said.append(f"seam {format_length(project.design.seam, units)}")
    return ", ".join(said)


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


def _plans(project: Project, known: YieldSoFar, units: Units) -> list[dict[str, Any]]:
    """The plans side by side: each with its blocks and what it means."""
    in_sets = known.plan.problem.strip_sets
    singly = known.other_way if in_sets else known.plan
    sets = known.plan if in_sets else known.other_way
    chosen = Plan.SETS if in_sets else Plan.EVEN if project.design.even else Plan.POOLED
    found = [_pooled_shown(singly, units), _even_shown(singly, known)]
    if sets is not None:
        by_hand = " ".join(_by_hand(sets, units)[:1])
        found.append(
            {
                "key": Plan.SETS,
                "title": "Strip sets",
                "blocks": sets.blocks,
                "says": f"Whole strips sewn first, then crosscut: faster. {by_hand}",
                "ways": [],
            }
        )
    return [item | {"chosen": item["key"] is chosen} for item in found]


def _pooled_shown(plan: CuttingPlan | None, units: Units) -> dict[str, Any]:
    says = "Being worked out …"
    if plan is not None:
        gap = "no plan gives more" if plan.proved else f"at most {plan.bound} can be possible"
        by_hand = " ".join(_by_hand(plan, units))
        says = by_hand or f"The least fabric: {gap}."
    return {
        "key": Plan.POOLED,
        "title": "Any piece from any fabric",
        "blocks": plan.blocks if plan else None,
        "says": says,
        "ways": [],
    }


def _even_shown(singly: CuttingPlan | None, known: YieldSoFar) -> dict[str, Any]:
    says, even = "Being worked out …", known.even
    if even and singly:
        cost = singly.blocks - even.plan.blocks
        price = f"it costs {counted(cost, 'block')}" if cost else "it costs nothing"
        sure = "" if even.plan.proved or not cost else f" At most {even.plan.bound} can be cut so."
        says = f"Layers stack, prints spread; {price}.{sure}"
    elif known.even_tried and singly and not singly.blocks:
        says = "No whole block can be cut, so there is nothing to stack."
    elif known.even_tried:
        says = "Nearly every piece is of another size: nothing to stack."
    return {
        "key": Plan.EVEN,
        "title": "Every fabric cut alike",
        "blocks": even.plan.blocks if even else None,
        "says": says,
        "ways": [_alike(cut) for cut in even.alike[:4]] if even else [],
    }


def _by_hand(plan: CuttingPlan, units: Units) -> tuple[str, ...]:
    """The sum for strips of one size, which anybody can do again, if it comes to as many."""
    answer = strip_sum(plan.problem)
    return proof(answer, units) if answer is not None and answer.blocks == plan.blocks else ()


def _alike(cut: AlikeCut) -> str:
    roles = ", ".join(dict.fromkeys(need.role for need, _ in cut.gives if need.role != ANY))
    if cut.kits is not None and len(cut.gives) > 1:
        what = counted(cut.kits, f"{roles} kit".strip())
    elif len(cut.gives) <= _GIVES_NAMED:
        what = ", ".join(f"{count} × {need.label}" for need, count in cut.gives)
    else:
        what = counted(sum(count for _, count in cut.gives), f"{roles} piece".strip())
    return f"{cut.pieces} give {what} each" if cut.pieces > 1 else f"1 gives {what}"


def _limits(known: YieldSoFar, units: Units) -> list[dict[str, Any]]:
    return [
        {
            "limit": limit,
            "reason": limit.reason[:1].upper() + limit.reason[1:],
            "form": FACTS[limit.one_more.form].one if limit.length is None else _much(limit, units),
            "more": limit.blocks - known.plan.blocks,
        }
        for limit in known.limits or ()
    ]


def _much(limit: Limit, units: Units) -> str:
    """How much more off the bolt."""
    length = limit.length or Fraction(0)
    short = "⅛ yd" if units is Units.INCHES else format_length(length, units)
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


def _reference_name(asked: YieldAsked) -> str:
    """The lot whose length the cliff is told by, or what its pieces are called."""
    side = reference_of(asked)
    of_it = [
        pulled
        for fabric, pulled in zip(asked.problem.fabrics, asked.fabrics, strict=True)
        if getattr(fabric, fabric.selvedge_side) == side
    ]
    names = {pulled.kept.name for pulled in of_it}
    return f"“{names.pop()}”" if len(names) == 1 else FACTS[of_it[0].kept.lot.form].many


def _sensitivity(known: YieldSoFar, asked: YieldAsked) -> list[tuple[Fraction, int]]:
    """(usable length, blocks), the shortest first, as it is in the middle."""
    if known.sensitivity is None:
        return []
    rows = [*known.sensitivity, (Fraction(0), known.plan.blocks)]
    return [(reference_of(asked) + step, blocks) for step, blocks in sorted(rows)]


@dataclass(frozen=True)
class Slider:
    """A slider's ends, step and place, in the units it is read in.

    Its ends lie whole steps from its place, so that a slider nobody moved stays just there.
    """

    now: Fraction
    unit: Fraction
    step: Fraction
    down: int
    up: int

    def written(self, steps: int = 0) -> str:
        """The place so many steps on, as the browser has it."""
        number = float((self.now + steps * self.step) / self.unit)
        return f"{number:.6f}".rstrip("0").rstrip(".")

    @property
    def step_written(self) -> str:
        """The step, as the browser has it."""
        return f"{float(self.step / self.unit):g}"

    def read(self, text: str, length: Fraction) -> Fraction:
        """The length a slider stands at: the exact one where it was not moved."""
        return self.now if text == self.written() else length


def cloth_slider(asked: YieldAsked, units: Units) -> Slider:
    """For the usable length of the cloth: two inches or five centimetres either way."""
    now = reference_of(asked)
    unit, step = (Fraction(1), EIGHTH) if units is Units.INCHES else (CENTIMETRE, CENTIMETRE / 2)
    reach = 16 if units is Units.INCHES else 10
    return Slider(now, unit, step, min(reach, int((now - step) / step)), reach)


def seam_slider(seam: Fraction, units: Units) -> Slider:
    """For the seam: from an eighth to half an inch, in sixteenths or half millimetres."""
    unit, step = (
        (Fraction(1), SEAM_STEP) if units is Units.INCHES else (CENTIMETRE, CENTIMETRE / 20)
    )
    least, most = 2 * SEAM_STEP, 8 * SEAM_STEP
    down, up = int((seam - least) / step), int((most - seam) / step)
    return Slider(seam, unit, step, max(0, down), max(0, up))


def _tight(plan: CuttingPlan, units: Units) -> list[str]:
    """Divisions without any margin, in words."""
    found = []
    labels = Counter(need.label for need in plan.problem.needs)
    for tight in tight_divisions(plan)[:_MOST_TIGHT]:
        parts = " + ".join(
            format_length(part, units) if times == 1 else f"{times} × {format_length(part, units)}"
            for part, times in Counter(tight.parts).items()
        )
        total = sum(tight.parts, Fraction(0))
        whole = format_length(total, units)
        # A rounded sum is never said to be exact.
        as_written = all(_reads_back(length, units) for length in (*tight.parts, total))
        says = f"is {whole} exactly" if as_written else f"just fill {whole}"
        where = tight.fabrics[0] if len(tight.fabrics) == 1 else f"{len(tight.fabrics)} fabrics"
        lost = tight.lost.label
        if labels[lost] > 1:
            lost = f"{tight.lost.role} {lost}"
        found.append(f"{parts} {says}, in {where}: {lost} is lost first.")
    return found


def _reads_back(length: Fraction, units: Units) -> bool:
    """Whether a length is written exactly."""
    written = format_length(length, units)
    return "≈" not in written and parse_length(written, units) == length


def _left(plan: CuttingPlan, units: Units) -> list[tuple[int, str, str]]:
    """(pieces, size, of which fabrics), the biggest first, those of one size together."""
    alike: dict[tuple[Fraction, Fraction], list[Leftover]] = {}
    for piece in leftovers(plan):
        alike.setdefault((piece.width, piece.length), []).append(piece)
    return [
        (
            sum(piece.count for piece in pieces),
            format_size(*size, units),
            pieces[0].fabric if len(pieces) == 1 else f"of {len(pieces)} fabrics",
        )
        for size, pieces in alike.items()
    ]


def _needs(
    asked: YieldAsked, plan: CuttingPlan | None, codes: Mapping[Need, str]
) -> list[dict[str, Any]]:
    made: Counter[tuple[str, str]] = Counter()
    for layout in plan.layouts if plan else ():
        for cut in layout.cuts:
            segments = cut.segments if cut.need.crosscut else 1
            made[cut.need.label, cut.need.role] += layout.copies * segments
    return [
        {"need": need, "code": codes[need], "made": made[need.label, need.role]}
        for need in asked.problem.needs
    ]


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
