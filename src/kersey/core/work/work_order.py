"""The work order: what to measure, sew and cut, in which order, for the quilt as planned.

Whatever is cut from the strips comes first, then bought cloth, the largest pieces last to be
needed. Sets are sewn before they are cut; a border is cut only when the quilt has been measured.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from hashlib import blake2s

from kersey.core.blocks.rail_yield import Method, cliff
from kersey.core.frame.backing import JOIN_COST, BackingWay
from kersey.core.frame.binding import Binding
from kersey.core.measure.length import format_bought, format_length, format_number, format_size
from kersey.core.quilt.quilt import Quilt


class StepKind(StrEnum):
    """What a step is about; a page may draw each in its own way."""

    CHECK = "check"
    KEEP = "keep"
    SEGMENTS = "segments"
    SETS = "sets"
    CROSSCUT = "crosscut"
    BLOCKS = "blocks"
    ROWS = "rows"
    BORDER = "border"
    BACKING = "backing"
    BINDING = "binding"


@dataclass(frozen=True)
class Step:
    """One step: its title says what to do, its sentences how, and what it gives."""

    kind: StepKind
    title: str
    sentences: tuple[str, ...]

    @property
    def key(self) -> str:
        """Names this very step: a step that changes loses its tick."""
        text = "\n".join((self.kind, self.title, *self.sentences))
        return f"{self.kind}-{blake2s(text.encode(), digest_size=4).hexdigest()}"


def work_order(quilt: Quilt) -> tuple[Step, ...]:
    """The steps for a quilt, in order.

    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.project.project import Project
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(Project("Throw", "", all_of(roll)))
    >>> [step.title for step in work_order(quilt)][:2]
    ['Measure one strip', 'Cut 240 segments 2½ × 6½″']
    """
    return tuple(_steps(quilt))


def _steps(quilt: Quilt) -> Iterator[Step]:
    yield _check(quilt)
    if quilt.left.whole_strips:
        yield _keep(quilt)
    if quilt.answer.method is Method.SETS:
        yield _sew_sets(quilt)
        yield _crosscut(quilt)
    else:
        yield _cut_segments(quilt)
        yield _sew_blocks(quilt)
    yield _join_rows(quilt)
    if quilt.border is not None:
        yield _border(quilt)
    yield _backing(quilt)
    yield _binding(quilt)


def _check(quilt: Quilt) -> Step:
    width = format_length(quilt.project.lot.width, quilt.units)
    sentences = (
        f"It should be {width} wide, measured to the outer points if the edge is pinked.",
        cliff(quilt.answer, quilt.units),
    )
    return Step(StepKind.CHECK, "Measure one strip", sentences)


def _keep(quilt: Quilt) -> Step:
    whole = quilt.left.whole_strips
    used = sum(piece.whole_strip for piece in quilt.binding.from_stash)
    purpose = f"{used} of them become the binding." if used else "They stay whole for later."
    return Step(StepKind.KEEP, f"Set {_strips(whole)} aside", (purpose,))


def _cut_segments(quilt: Quilt) -> Step:
    each = quilt.answer.division.pieces
    strips = sum(quilt.plan.cut_strips)
    length = format_length(quilt.answer.block.unfinished_size, quilt.units)
    sentences = [f"{each} from each of {_strips(strips)}, {length} long."]
    if quilt.answer.division.margin:
        left = format_length(quilt.answer.division.margin, quilt.units)
        sentences.append(f"An end of {left} is left of each.")
    if quilt.left.spare_segments:
        sentences.append(f"{quilt.left.spare_segments} segments stay over.")
    size = format_size(quilt.project.lot.width, quilt.answer.block.unfinished_size, quilt.units)
    return Step(StepKind.SEGMENTS, f"Cut {strips * each} segments {size}", tuple(sentences))


def _sew_blocks(quilt: Quilt) -> Step:
    u = format_length(quilt.answer.block.unfinished_size, quilt.units)
    k = quilt.answer.block.strips
    return Step(
        StepKind.BLOCKS,
        f"Sew {len(quilt.plan.blocks)} blocks of {k} segments",
        (
            f"Sew one, press it and measure: {u} square. Then chain-piece the rest.",
            "The picture shows which prints meet in each block.",
        ),
    )


def _sew_sets(quilt: Quilt) -> Step:
    k = quilt.answer.block.strips
    height = format_length(quilt.answer.block.unfinished_size, quilt.units)
    return Step(
        StepKind.SETS,
        f"Sew {len(quilt.plan.sets)} sets of {k} strips",
        (
            "Sew along the whole length with the strips' ends flush, and press.",
            f"A set should be {height} high. If it is not, mend the seams before you cut.",
        ),
    )


def _crosscut(quilt: Quilt) -> Step:
    each = quilt.answer.division.pieces
    length = format_length(quilt.answer.block.unfinished_size, quilt.units)
    sentences = [f"Cut {each} blocks {length} wide from each set."]
    if quilt.answer.division.margin:
        left = format_length(quilt.answer.division.margin, quilt.units)
        sentences.append(f"An end of {left} is left of each set.")
    if quilt.plan.spare_blocks:
        sentences.append(f"{quilt.plan.spare_blocks} blocks stay over.")
    total = len(quilt.plan.sets) * each
    return Step(StepKind.CROSSCUT, f"Crosscut the sets into {total} blocks", tuple(sentences))


def _join_rows(quilt: Quilt) -> Step:
    seams = 2 * quilt.project.design.seam
    size = format_size(quilt.size.body_width + seams, quilt.size.body_length + seams, quilt.units)
    return Step(
        StepKind.ROWS,
        f"Join {quilt.size.rows} rows of {quilt.size.columns} blocks",
        ("Turn every other block.", f"The joined blocks should measure {size}."),
    )


def _border(quilt: Quilt) -> Step:
    border = quilt.border
    assert border is not None
    u = quilt.units
    cut = format_length(border.cut_width, u)
    joined = " and join them with a straight seam" if border.joined else ""
    return Step(
        StepKind.BORDER,
        f"Cut {_strips(border.strips)} {cut} wide for the border",
        (
            f"They take {format_bought(border.cloth, u)} of cloth. Cut them{joined}.",
            "Measure the quilt down the middle and near both edges, and cut to the average.",
            f"As reckoned: two sides of {format_length(border.sides, u)}, sewn on first, "
            f"then top and bottom of {format_length(border.ends, u)}.",
        ),
    )


def _backing(quilt: Quilt) -> Step:
    u, plan = quilt.units, quilt.backing_plan
    size = format_size(quilt.backing.width, quilt.backing.length, u)
    length = format_length(plan.panel_length, u)
    how = {
        BackingWay.UPRIGHT: f"{plan.panels} panels of {length}, seams upright.",
        BackingWay.ACROSS: f"{plan.panels} panels of {length}, seams across.",
        BackingWay.WIDE: f"One piece of {length} off extra-wide cloth.",
    }[plan.way]
    if plan.panels == 1 and plan.way is not BackingWay.WIDE:
        how = f"One piece of {length}."
    seam = format_length(JOIN_COST / 2, u)
    seams = f"Join with {seam} seams, selvedges cut off." if plan.panels > 1 else ""
    sentences = (f"{how} {seams}".strip(), f"It takes {format_bought(plan.cloth, u)} of cloth.")
    return Step(StepKind.BACKING, f"Cut the backing {size}", sentences)


def _binding(quilt: Quilt) -> Step:
    binding = quilt.binding
    width = format_length(binding.cut_width, quilt.units)
    length = format_length(binding.length, quilt.units)
    joins = f"Join on the diagonal ({binding.joins} joins) to at least {length}, fold in half."
    return Step(
        StepKind.BINDING,
        f"{'Cut' if binding.bought else 'Take'} {_strips(binding.strips)} {width} wide to bind",
        (_binding_source(quilt, binding), joins),
    )


def _binding_source(quilt: Quilt, binding: Binding) -> str:
    if binding.bought:
        return f"They take {format_bought(binding.cloth, quilt.units)} of cloth."
    whole = sum(piece.whole_strip for piece in binding.from_stash)
    ends = binding.strips - whole
    pieces = [_strips(whole)] if whole else []
    if ends:
        shortest = format_number(min(p.length for p in binding.from_stash), quilt.units)
        pieces.append(f"{ends} ends of {shortest} and longer")
    trim = "" if binding.cut_width == quilt.project.lot.width else " Trim them to width."
    return f"From what is left of the strips: {' and '.join(pieces)}.{trim}"


def _strips(number: int) -> str:
    return f"{number} strip{'s' * (number != 1)}"
