"""The steps of a work order in words: the one place where their sentences are written."""

from collections import Counter
from collections.abc import Iterator, Sequence

from kersey.core.blocks.assembly import Make, Part
from kersey.core.blocks.technique import CROSSCUT
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.cutting.problem import Fabric
from kersey.core.errors import KerseyError
from kersey.core.frame.part import PartKind
from kersey.core.frame.setting import Setting
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import (
    SIXTEENTH,
    format_bought,
    format_length,
    format_size,
    format_yardage,
)
from kersey.core.measure.spoken import shown
from kersey.core.project.first_used import turns
from kersey.core.project.laying import Joining
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import Quilt
from kersey.core.work.frame_words import (
    StepWords,
    backing_words,
    binding_words,
    border_words,
    cloth_words,
    listed,
)
from kersey.core.work.work_order import Step, StepKind
from kersey.core.yields.by_hand import cliff, strip_sum

# A sentence of fewer gaps between its words is said again rather than looked up.
_SHORT = 7


def step_words(step: Step, quilt: Quilt) -> StepWords:
    """A step in the words and units of the reader.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.planning.plan_question import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> from kersey.core.work.work_order import work_order
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll))))
    >>> [step_words(step, quilt).title for step in work_order(quilt)][:2]
    ['Measure one strip', 'Cut 40 strips']
    """
    return _WORDS[step.kind](step, quilt)


def sheet_words(steps: Sequence[Step], quilt: Quilt) -> list[StepWords]:
    """The steps of a sheet, in their order, in words.

    A long sentence that an earlier step says word for word is not said again: the step that
    says it is named. Several in a row become one.
    """
    said: dict[str, int] = {}
    sheet = []
    for number, step in enumerate(steps, start=1):
        words = step_words(step, quilt)
        sentences = [
            sentence
            if said.setdefault(sentence, number) == number or sentence.count(" ") < _SHORT
            else f"As in step {said[sentence]}."
            for sentence in words.sentences
        ]
        sheet.append(StepWords(words.title, tuple(dict.fromkeys(sentences))))
    return sheet


def _measure(step: Step, quilt: Quilt) -> StepWords:
    if step.size is None:
        return StepWords(
            f"Measure one piece of each size ({counted(step.count, 'size')})",
            ("The plan depends on these sizes. If one is off, correct it on Pull before you cut.",),
        )
    form = Form(step.name)
    if form is not Form.STRIP:
        size = format_size(*step.size, quilt.units)
        one = f"one {FACTS[form].one}" if FACTS[form].counted else f"the {FACTS[form].one}"
        return StepWords(f"Measure {one}", (f"It should have {size} you can use.",))
    width = format_length(step.size[0], quilt.units)
    sentences = [f"It should be {width} wide. If the edge is pinked, measure to the outer points."]
    by_hand = strip_sum(quilt.kept.cutting.problem)
    if by_hand is not None and not quilt.kept.block.makes_one_piece:
        sentences.append(cliff(by_hand, quilt.units))
    return StepWords("Measure one strip", tuple(sentences))


def _keep(step: Step, quilt: Quilt) -> StepWords:
    used = step.count - sum(piece.count for piece in quilt.left if piece.whole)
    purpose = "Keep them uncut for later."
    if used:
        many = "All" if used == step.count else str(used)
        purpose = f"{many} of them are for the border or binding."
    purposes = (purpose, *_kept_for_turn(step, quilt))
    forms = {fabric.form for fabric in quilt.kept.cutting.problem.fabrics}
    form = forms.pop() if len(forms) == 1 else Form.PIECE
    if not FACTS[form].counted:
        names = listed([f"the {fabric.name}" for fabric in step.fabrics])
        return StepWords(f"Set {names} aside", purposes)
    return StepWords(f"Set {counted(step.count, FACTS[form].one)} aside", purposes)


def _kept_for_turn(step: Step, quilt: Quilt) -> Iterator[str]:
    """Why these stay whole: their turn to be opened comes later."""
    try:
        asked = yield_asked(quilt.project)
    except KerseyError:
        # What it was cut from is not pulled any more.
        return
    turn = turns(asked)
    whole = {fabric.name for fabric in step.fabrics}
    cut = {each.fabric.name for each in quilt.kept.cutting.layouts} & turn.keys() - whole
    before = {c for c in cut if any(turn[c] < turn.get(w, 0) for w in whole)}
    names = [n for n in sorted(before) if asked.pulled_named(n).kept.first]
    if names:
        yield f"You wanted {listed(names)} used up first."
    elif before:
        yield "Smaller and older pieces are used first."


def _cut(step: Step, quilt: Quilt) -> StepWords:
    layout = step.layout
    assert layout is not None
    sentences = []
    layers = min(quilt.project.design.layers, step.count)
    # Strips for sets are sewn whole: there is nothing to cut off them but their breadth.
    in_sets = quilt.kept.cutting.problem.strip_sets
    first = layout.cuts[0]
    if (first.width, first.length) == (layout.fabric.width, layout.fabric.length) and not in_sets:
        said = (f"Use them as they are; each is one {shown(first.need.label)}.",)
        return StepWords(f"Take {_fabric_in_words(step, layout.fabric, quilt)}", said)
    if layers > 1 and not in_sets:
        stacks = -(-step.count // layers)
        over = "one stack" if stacks == 1 else counted(stacks, "stack")
        sentences.append(f"Stack them in {over}, up to {counted(layers, 'layer')} each.")
    gives = Counter(cut.need for cut in layout.cuts)
    pieces = ", ".join(_pieces(count, need.label) for need, count in gives.items())
    if in_sets:
        sentences.append("Sew them whole; don't sub-cut yet.")
    else:
        sentences.append(f"Each makes {pieces}.")
    verb = "Take" if in_sets and layout.fabric.is_strip else "Cut"
    title = f"{verb} {_fabric_in_words(step, layout.fabric, quilt)}"
    return StepWords(title, tuple(sentences))


def _fabric_in_words(step: Step, fabric: Fabric, quilt: Quilt) -> str:
    """What is cut: counted, or by its length and print where it is not counted."""
    facts = FACTS[fabric.form]
    if facts.counted:
        return counted(step.count, facts.one)
    length = format_yardage(fabric.length, quilt.units)
    if step.count == len(step.fabrics) == 1:
        return f"the {length} of {step.fabrics[0].name}"
    cuts = [
        f"{counted(each.pieces, 'length')} of {each.name}" if each.pieces > 1 else each.name
        for each in step.fabrics
    ]
    return f"{listed(cuts)}, {length} each"


def _pieces(count: int, label: str) -> str:
    """So many pieces of a label; a letter is called a piece, and a number takes no plural."""
    words = shown(label)
    if len(words) == 1:
        return f"{count} of piece {words}"
    return f"{words} × {count}" if words[-1].isdigit() else counted(count, words)


def _lay_out(step: Step, quilt: Quilt) -> StepWords:
    needs = quilt.kept.cutting.problem.needs
    labels = Counter(need.label for need in needs)
    pieces = ", ".join(
        _pieces(need.count, f"{f'{need.role} ' * (labels[need.label] > 1)}{need.label}")
        for need in needs[:_FEW]
    )
    more = f" and {len(needs) - _FEW} other pieces" if len(needs) > _FEW else ""
    batch = quilt.kept.cutting.problem.batch
    if quilt.kept.block.makes_one_piece:
        return StepWords(
            "Lay out the pieces in order",
            (f"It takes {pieces}{more}.", "The list shows which print each one is."),
        )
    takes = (
        "Each block takes" if batch == 1 else f"Each kit makes {counted(batch, 'block')} and takes"
    )
    return StepWords(
        f"Sort the pieces into {counted(step.count, 'kit')}",
        (f"{takes} {pieces}{more}.", "The list shows which print goes in which block."),
    )


# More kinds of pieces are only counted.
_FEW = 6


def _sew(step: Step, quilt: Quilt) -> StepWords:
    make = step.make
    assert make is not None
    name = noun_for(step.count, make.words)
    verb = make.how.verb
    words = [_how(make, quilt), _should_measure(make, quilt)]
    if make.name == "block" and make.how != CROSSCUT and step.count > 1:
        words.append("Sew one, press it and measure it. Then chain piece the rest.")
    # Of what has a number of its own there is one.
    many = "" if step.count == 1 and name[-1].isdigit() else f"{step.count} "
    return StepWords(f"{verb} {many}{name}", tuple(word for word in words if word))


def _how(make: Make, quilt: Quilt) -> str:
    """How a make is made of what is taken for it."""
    how = make.how
    names = Counter(part.make.words for part in dict.fromkeys(make.of))
    parts = [_part(part, names[part.make.words] > 1) for part in make.of]
    each, over = _segments(make, quilt) if how.cut_from else ("", "")
    sentence = how.step if len(parts) > 1 else how.alone or how.step
    return sentence.format(
        parts=listed(parts),
        first=parts[0],
        rest=", ".join(parts[1:]),
        second=make.of[-1].make.words,
        gives={2: "two", 4: "four", 8: "eight"}.get(make.gives, str(make.gives)),
        half=format_length(make.size[0] / 2, quilt.units),
        wide=format_length(make.size[0], quilt.units),
        each=each,
        over=over,
    )


def _segments(make: Make, quilt: Quilt) -> tuple[str, str]:
    """How many come of each set that a make is cut from, and what is left of them."""
    kind, noun = quilt.assembly.set_of(make), make.how.cut_from
    sets = [each for each in strip_sets(quilt.kept.cutting) if each.kind == kind]
    gives = Counter(each.segments for each in sets)
    each = ", ".join(
        f"{segments} from each of {counted(count, noun)}"
        if len(gives) > 1
        else f"{segments} from each {noun}"
        for segments, count in sorted(gives.items(), reverse=True)
    )
    wanted = len(quilt.placed) * quilt.kept.cutting.problem.kinds_of_sets[kind].pieces
    spare = sum(each.segments for each in sets) - wanted
    return each, f" {_counted_makes(spare, make)} left over." if spare > 0 else ""


def _counted_makes(count: int, make: Make) -> str:
    return counted(count, make.words)


def _should_measure(make: Make, quilt: Quilt) -> str:
    """What it should measure, while there is something to measure it against."""
    if not quilt.assembly.drawn_true:
        size = format_size(*make.size, quilt.units)
        return f"Your block should measure {size} unfinished."
    if make.how.measured is not None:
        return make.how.measured.format(across=format_length(make.size[0], quilt.units))
    square = make.size[0] == make.size[1]
    size = (
        f"{format_length(make.size[0], quilt.units)} square"
        if square
        else format_size(*make.size, quilt.units)
    )
    comes_off = make.size[0] if make.raw is None else make.raw.floor_to(SIXTEENTH)
    if comes_off == make.size[0]:
        return f"It should measure {size}{'' if make.raw is None else ' after trimming'}."
    off = format_length(comes_off, quilt.units) + ("" if square else " wide")
    return f"It comes out at {off} or a hair more. Trim to {size}."


def _setting(step: Step, quilt: Quilt) -> StepWords:
    """The plain squares, and what of them becomes triangles."""
    plain = quilt.part(PartKind.SETTING)
    assert plain is not None
    u, name = quilt.units, plain.cloth.prints[0].name
    on_point = quilt.grid.setting is Setting.ON_POINT
    sentences = [
        f"{counted(cut.strips, 'strip')} {format_length(cut.cut_width, u)} wide"
        f" {'makes' if cut.strips == 1 else 'make'} {piece.count}: "
        f"{format_size(piece.cut_width, piece.cut_length, u)}."
        for cut in plain.cuts
        for piece in cut.pieces
    ]
    if on_point:
        sides, corners = quilt.grid.side_triangles, plain.pieces[-1]
        if sides:
            sentences.append(
                f"Cut the larger squares on both diagonals: {counted(sides, 'triangle')} for the "
                f"sides. Cut "
                f"the {corners.count} smaller squares on one diagonal for the four corners."
            )
        else:
            sentences.append("Cut both squares on one diagonal for the four corners.")
        sentences.append("That puts the straight grain on the outside edge of the quilt.")
    took = f"This uses {format_bought(plain.takes, u)} of {name}."
    sentences.append(took if plain.takes else cloth_words(plain, u))
    where = "for the edge" if on_point else "to go between the blocks"
    title = f"Cut {counted(step.count, 'plain square')} {where}"
    return StepWords(title, tuple(sentences))


def _sashing(step: Step, quilt: Quilt) -> StepWords:
    u, sashing = quilt.units, quilt.part(PartKind.SASHING)
    assert sashing is not None
    cut = format_length(sashing.cut_width, u)
    run = max(run for each in sashing.cuts for run in each.runs)
    # Only what is longer than a strip is joined: of what the others leave.
    whole, longer = (
        listed(
            [
                f"{count} of {format_length(each, u)}"
                for each, count in sashing.lengths.items()
                if (each > run) is is_longer
            ]
        )
        for is_longer in (False, True)
    )
    sentences = [cloth_words(sashing, u)]
    if whole:
        sentences.append(f"Sub-cut {whole}.")
    if longer:
        rest = "the rest" if whole else "the strips"
        sentences.append(f"Sew {rest} end to end with straight seams, and cut {longer}.")
    corners = quilt.part(PartKind.CORNERSTONES)
    if corners is not None:
        sentences.append(
            f"Cut {corners.count} {cut} {noun_for(corners.count, 'square')} for the "
            f"cornerstones from the binding print: {counted(corners.strips, 'strip')}, "
            f"{format_bought(corners.takes, u)} of fabric."
        )
    return StepWords(
        f"Cut {counted(sashing.strips, 'strip')} {cut} wide for the sashing", tuple(sentences)
    )


def _rows(step: Step, quilt: Quilt) -> StepWords:
    seams = 2 * quilt.project.design.seam
    size = format_size(quilt.size.body_width + seams, quilt.size.body_length + seams, quilt.units)
    turns = {1: "", 2: "Turn every other block.", 4: "Turn them in groups of four, as pictured."}
    turn = turns[len(quilt.assembly.turns)]
    if quilt.assembly.turned_by_row:
        turn = "In every other row, turn the blocks 180°."
    if quilt.kept.laying is not None:
        turn = "Lay out and turn the blocks as the map shows. Mark each row with its pins."
    parted = ""
    if quilt.sashing.width:
        parted = "Sew short sashing strips between blocks and long ones between rows."
        if quilt.sashing.rows_only:
            parted = "Sew sashing strips between the rows."
        elif quilt.sashing.cornerstones:
            parted = (
                "Sew sashing strips between blocks. Between rows, "
                "alternate strips and cornerstones."
            )
        parted += " Press toward the sashing."
    if quilt.grid.setting is Setting.ALTERNATE:
        parted = "Alternate blocks and plain squares, and press toward the plain squares."
    rests = " This uses your measurements, not the plan." if quilt.as_measured else ""
    sentences: tuple[str, ...] = (turn, parted, f"The joined blocks should measure {size}.{rests}")
    title = f"Join the blocks: {counted(quilt.size.rows, 'row')} of {quilt.size.columns}"
    joining = quilt.project.design.joining
    if joining is Joining.FOURS and not quilt.sashing.width:
        title = (
            f"Join {counted(len(quilt.placed), 'block')} in groups of four, then join the groups"
        )
    elif joining is Joining.COLUMNS and not quilt.sashing.width:
        title = f"Join {counted(quilt.size.columns, 'column')} in pairs, then join the pairs"
    if quilt.grid.setting is Setting.ON_POINT:
        rows = quilt.size.rows + quilt.size.columns - 1
        title = f"Join the blocks in {counted(rows, 'diagonal row')}"
        sentences = (
            "Lay the blocks out on point. Each row runs from lower left to upper right and ends "
            "with a side triangle. Add the four corner triangles last.",
            *sentences,
        )
    return StepWords(title, tuple(sentence for sentence in sentences if sentence))


_WORDS = {
    StepKind.MEASURE: _measure,
    StepKind.KEEP: _keep,
    StepKind.CUT: _cut,
    StepKind.LAY_OUT: _lay_out,
    StepKind.SEW: _sew,
    StepKind.SETTING: _setting,
    StepKind.SASHING: _sashing,
    StepKind.ROWS: _rows,
    StepKind.BORDER: border_words,
    StepKind.BACKING: backing_words,
    StepKind.BINDING: binding_words,
}


def _part(part: Part, several: bool) -> str:
    """What is taken for a make; where two are called alike, with the side they are of."""
    name = part.make.words
    if several and part.make.role:
        name = f"{part.make.role} {name}"
    return name if part.count == 1 else counted(part.count, name)
