"""The steps of a work order in words: the one place where their sentences are written."""

from collections import Counter

from kersey.core.blocks.assembly import How, Make, Part
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import (
    SIXTEENTH,
    format_bought,
    format_length,
    format_size,
)
from kersey.core.project.laying import Joining
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.sewn_sets import strip_sets
from kersey.core.work.frame_words import (
    StepWords,
    backing_words,
    binding_words,
    border_words,
    listed,
    pieces_counted,
    strips_counted,
)
from kersey.core.work.work_order import Step, StepKind
from kersey.core.yields.by_hand import cliff, strip_sum


def step_words(step: Step, quilt: Quilt) -> StepWords:
    """A step in the words and units of the reader.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.quilt.planning import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> from kersey.core.work.work_order import work_order
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll)), lambda: 0.0))
    >>> [step_words(step, quilt).title for step in work_order(quilt)][:2]
    ['Measure one strip', 'Cut 40 strips']
    """
    return _WORDS[step.kind](step, quilt)


def _measure(step: Step, quilt: Quilt) -> StepWords:
    if step.size is None:
        return StepWords(
            f"Measure one piece of each of the {step.count} sizes",
            ("The plan rests on these sizes: mend any that is not so on Pull before you cut.",),
        )
    form = Form(step.name)
    if form is not Form.STRIP:
        size = format_size(*step.size, quilt.units)
        return StepWords(
            f"Measure one {FACTS[form].one}", (f"It should be {size} of cloth to cut from.",)
        )
    width = format_length(step.size[0], quilt.units)
    sentences = [f"It should be {width} wide, measured to the outer points if the edge is pinked."]
    by_hand = strip_sum(quilt.plan.plan.problem)
    if by_hand is not None and not quilt.plan.block.makes_one_piece:
        sentences.append(cliff(by_hand, quilt.units))
    return StepWords("Measure one strip", tuple(sentences))


def _keep(step: Step, quilt: Quilt) -> StepWords:
    used = step.count - sum(piece.count for piece in quilt.left if piece.whole)
    purpose = "They stay whole for later."
    if used:
        many = "All" if used == step.count else str(used)
        purpose = f"{many} of them are for border or binding."
    form = {fabric.form for fabric in quilt.plan.plan.problem.fabrics}
    noun = pieces_counted(step.count, form.pop() if len(form) == 1 else Form.PIECE)
    return StepWords(f"Set {noun} aside", (purpose,))


def _cut(step: Step, quilt: Quilt) -> StepWords:
    layout = step.layout
    assert layout is not None
    sentences = []
    layers = min(quilt.project.design.layers, step.count)
    # Strips for sets are sewn whole: there is nothing to cut off them but their breadth.
    in_sets = quilt.plan.plan.problem.strip_sets
    first = layout.cuts[0]
    if (first.width, first.length) == (layout.fabric.width, layout.fabric.length) and not in_sets:
        said = (f"They are used as they come, each as one {first.need.label}.",)
        return StepWords(f"Take {pieces_counted(step.count, layout.fabric.form)}", said)
    if layers > 1 and not in_sets:
        stacks = -(-step.count // layers)
        over = "one stack" if stacks == 1 else f"{stacks} stacks"
        sentences.append(f"In {over} of up to {layers} layers.")
    gives = Counter(cut.need for cut in layout.cuts)
    pieces = ", ".join(f"{count} {need.label}" for need, count in gives.items())
    if in_sets:
        sentences.append("They are sewn together whole.")
    else:
        sentences.append(f"Each gives {pieces}.")
    verb = "Take" if in_sets and layout.fabric.is_strip else "Cut"
    return StepWords(f"{verb} {pieces_counted(step.count, layout.fabric.form)}", tuple(sentences))


def _lay_out(step: Step, quilt: Quilt) -> StepWords:
    needs = quilt.plan.plan.problem.needs
    labels = Counter(need.label for need in needs)
    pieces = ", ".join(
        f"{need.count} {f'{need.role} ' * (labels[need.label] > 1)}{need.label}"
        for need in needs[:_FEW]
    )
    more = f" and {len(needs) - _FEW} kinds more" if len(needs) > _FEW else ""
    batch = quilt.plan.plan.problem.batch
    if quilt.plan.block.makes_one_piece:
        return StepWords(
            "Lay the pieces out in their order",
            (f"It takes {pieces}{more}.", "The list says which print each of them is of."),
        )
    takes = "A block takes" if batch == 1 else f"A kit makes {batch} blocks and takes"
    return StepWords(
        f"Lay the pieces out in {step.count} kits",
        (f"{takes} {pieces}{more}.", "The list says which print goes into which block."),
    )


# More kinds of pieces are only counted.
_FEW = 6


def _sew(step: Step, quilt: Quilt) -> StepWords:
    make = step.make
    assert make is not None
    name = _many(make.name) if step.count != 1 else make.name
    verb = _VERBS.get(make.how, "Sew")
    words = [_how(make, quilt), _should_measure(make, quilt)]
    if make.name == "block" and make.how is not How.CROSSCUT and step.count > 1:
        words.append("Sew one, press it and measure. Then chain-piece the rest.")
    # Of what has a number of its own there is one.
    many = "" if step.count == 1 and name[-1].isdigit() else f"{step.count} "
    return StepWords(f"{verb} {many}{name}", tuple(word for word in words if word))


_VERBS = {
    How.CROSSCUT: "Crosscut",
    How.QUARTERED: "Cut apart",
    How.NINE: "Cut apart",
    How.SLANT: "Cut",
    How.SWUNG: "Cut",
    How.OPENED: "Crosscut",
    How.FROM_SHEET: "Cut",
    How.TRIMMED: "Trim",
    How.READY: "Measure and trim",
    How.HALVED: "Cut",
}


def _how(make: Make, quilt: Quilt) -> str:
    """How a make is made of what is taken for it."""
    if make.how in (How.CROSSCUT, How.SWUNG):
        return _crosscut(make, quilt)
    names = Counter(part.make.name for part in dict.fromkeys(make.of))
    parts = [_part(part, names[part.make.name] > 1) for part in make.of]
    sentence = _HOW[make.how] if len(parts) > 1 or make.how is not How.JOINED else _ALONE
    return sentence.format(
        parts=listed(parts),
        first=parts[0],
        rest=", ".join(parts[1:]),
        second=make.of[-1].make.name,
        gives={2: "two", 4: "four", 8: "eight"}.get(make.gives, str(make.gives)),
        third=format_length(make.size[0] / 2, quilt.units),
    )


_ALONE = "Join {parts} side by side."
_HOW = {
    How.JOINED: "Join {parts}.",
    How.AROUND: "Begin with the {first}; sew on in this order: {rest}.",
    How.FLIPPED: (
        "Lay each {second} on a corner of the {first}, sew corner to corner, cut the corner off "
        "beyond the seam, flip it open."
    ),
    How.HALF_SQUARES: (
        "Lay {parts} face to face, sew beside one diagonal on both sides, cut between the seams: "
        "{gives} from each pair."
    ),
    How.ALL_ROUND: (
        "Lay {parts} face to face, sew all round, cut on both diagonals: {gives} from each pair. "
        "All four outer edges are on the bias: do not stretch them."
    ),
    How.EIGHT: (
        "Lay {parts} face to face, sew beside both diagonals on both sides, cut on the diagonals "
        "and through the middle both ways: {gives} from each pair."
    ),
    How.NINE: (
        "Cut each {first} {third} from its middle seams on either side, both ways: nine squares. "
        "Turn the four at the corners half round."
    ),
    How.SLANT: "Cut each {first} across at 45 degrees: two alike, head to tail.",
    How.ON_THE_SLANT: (
        "Lay {parts} face to face along their slanted ends, the tips standing out by a seam, and "
        "join them. The slant is on the bias: do not stretch it."
    ),
    How.QUARTERED: "Cut each {first} in four through the middle; turn every quarter half round.",
    How.TUBE: (
        "Lay {parts} face to face, the ends flush, and sew along both long edges. Measure the sets "
        "before the accent is cut: it must be just as high."
    ),
    How.RING: "Sew the long edges of the {first} together and press: the first tube one way, the "
    "next the other way.",
    How.OPENED: "Cut each across so wide and number it. Open each ring at its own seam, as the "
    "list says: one strip further on than the one before.",
    How.QUILTED: (
        "Mark the centre line of batting and backing. Lay the middle strip on it; sew each strip "
        "after it through all layers and press it open before the next, now on one side, now on "
        "the other. Measure in the middle and at both edges every six strips."
    ),
    How.COVERING: "Cut from {parts}.",
    How.STRINGS: (
        "Lay the middle string over the middle of the foundation, then sew on to either side and "
        "press each: {parts}. No seam may lie in a corner. Trim to the ruler, not to "
        "the foundation."
    ),
    How.READY: "They are sewn already: square each up with a ruler, all four sides alike.",
    How.SHEET: (
        "Sew crumbs to one another, then what comes of them, into one sheet: no two of the same "
        "print side by side, not all seams one way. Trim what stands out straight as you go."
    ),
    How.FROM_SHEET: "Cut from the sheet, large enough to show it.",
    How.TRIMMED: "Trim as much off either end.",
    How.HALVED: "Cut each {first} in half.",
    How.STRIP_SET: "Sew along the whole length with the strips' ends flush, and press.",
}


def _crosscut(make: Make, quilt: Quilt) -> str:
    noun = "tube" if make.how is How.SWUNG else "set"
    kind = quilt.assembly.set_of(make)
    sets = [each for each in strip_sets(quilt.plan.plan) if each.kind == kind]
    gives = Counter(each.segments for each in sets)
    each = ", ".join(
        f"{segments} from each of {count} {noun}s"
        if len(gives) > 1
        else f"{segments} from each {noun}"
        for segments, count in sorted(gives.items(), reverse=True)
    )
    wanted = len(quilt.placed) * quilt.plan.plan.problem.kinds_of_sets[kind].pieces
    spare = sum(each.segments for each in sets) - wanted
    over = f" {_counted_makes(spare, make)} over." if spare > 0 else ""
    if make.how is How.SWUNG:
        return (
            f"Cut at 45 degrees, to the left and to the right in turn: {each}. Unpick the few "
            f"stitches at the tips. All four outer edges are on the bias: do not stretch them."
            f"{over}"
        )
    width = format_length(make.size[0], quilt.units)
    return f"Cut {width} wide: {each}.{over}"


def _counted_makes(count: int, make: Make) -> str:
    return f"{count} {make.name} stays" if count == 1 else f"{count} {_many(make.name)} stay"


def _should_measure(make: Make, quilt: Quilt) -> str:
    """What it should measure, while there is something to measure it against."""
    if not quilt.assembly.drawn_true:
        size = format_size(*make.size, quilt.units)
        return f"Your block should measure {size}."
    if make.how is How.STRIP_SET:
        height = format_length(make.size[0], quilt.units)
        return f"A set should be {height} high. If it is not, mend the seams before you cut."
    if make.how in (How.CROSSCUT, How.RING, How.OPENED, How.HALVED):
        return ""
    if make.how is How.TUBE:
        return f"Lying flat it should be {format_length(make.size[0], quilt.units)} high."
    square = make.size[0] == make.size[1]
    size = (
        f"{format_length(make.size[0], quilt.units)} square"
        if square
        else format_size(*make.size, quilt.units)
    )
    comes_off = make.size[0] if make.raw is None else make.raw.floor_to(SIXTEENTH)
    if comes_off == make.size[0]:
        return f"It should measure {size}{'' if make.raw is None else ' after trimming'}."
    off = format_length(comes_off, quilt.units)
    return f"It comes off at {off} or a hair more. Trim it to {size}."


def _setting(step: Step, quilt: Quilt) -> StepWords:
    """The plain squares, and what of them becomes triangles."""
    u, name = quilt.units, quilt.plain_cloth.prints[0].name
    on_point = quilt.grid.setting is Setting.ON_POINT
    sentences = [
        f"{strips_counted(strips.count).capitalize()} {format_length(strips.cut_width, u)} wide"
        f" {'gives' if strips.count == 1 else 'give'} {piece.count} "
        f"{format_size(piece.cut_width, piece.cut_length, u)}."
        for piece, strips in quilt.plain_strips
    ]
    if on_point:
        sides, corners = quilt.grid.side_triangles, quilt.plain_strips[-1][0]
        if sides:
            sentences.append(
                f"Cut the larger squares on both diagonals: {sides} triangles for the sides. Cut "
                f"the {corners.count} smaller ones on one diagonal: the four corners."
            )
        else:
            sentences.append("Cut both on one diagonal: the four corners.")
        sentences.append("Their straight grain then lies along the quilt's edge.")
    took = format_bought(quilt.plain_bought, u)
    sentences.append(f"They take {took} of {name}.")
    what = "the edge" if on_point else "between the blocks"
    title = f"Cut {step.count} plain square{'s' * (step.count != 1)} for {what}"
    return StepWords(title.replace("for between", "to lie between"), tuple(sentences))


def _sashing(step: Step, quilt: Quilt) -> StepWords:
    u, strips = quilt.units, quilt.sashing_strips
    assert strips is not None
    cut = format_length(strips.cut_width, u)
    pieces = [
        f"{count} of {format_length(length, u)}" for length, count in quilt.sashing_lengths.items()
    ]
    joined = " Join them end to end with straight seams first." if strips.joined else ""
    sentences = [
        f"They take {format_bought(strips.cloth, u)} of cloth.{joined}",
        f"Crosscut {listed(pieces)}.",
    ]
    corners = quilt.cornerstone_strips
    if corners is not None:
        sentences.append(
            f"Cut {quilt.cornerstones} squares of {cut} for the cornerstones, of the binding's "
            f"print: {strips_counted(corners.count)}, {format_bought(corners.cloth, u)} of cloth."
        )
    return StepWords(
        f"Cut {strips_counted(strips.count)} {cut} wide for the sashing", tuple(sentences)
    )


def _rows(step: Step, quilt: Quilt) -> StepWords:
    seams = 2 * quilt.project.design.seam
    size = format_size(quilt.size.body_width + seams, quilt.size.body_length + seams, quilt.units)
    turns = {1: "", 2: "Turn every other block.", 4: "Turn them in fours, as the picture shows."}
    turn = turns[len(quilt.assembly.turns)]
    if quilt.assembly.turned_by_row:
        turn = "Turn the blocks of every other row half round."
    if quilt.plan.laying is not None:
        turn = "Lay and turn them as the map of the wall shows; mark each row with its pins."
    parted = ""
    if quilt.sashing.width:
        parted = "Sew short strips between the blocks, and long ones between the rows."
        if quilt.sashing.rows_only:
            parted = "Sew the strips between the rows."
        elif quilt.sashing.cornerstones:
            parted = "Sew strips between the blocks; between rows strips and cornerstones in turn."
        parted += " Press toward the sashing."
    if quilt.grid.setting is Setting.ALTERNATE:
        parted = "Lay a plain square between any two blocks, and press toward the plain ones."
    rests = " As measured, not as reckoned." if quilt.as_measured else ""
    sentences: tuple[str, ...] = (turn, parted, f"The joined blocks should measure {size}.{rests}")
    title = f"Join {quilt.size.rows} rows of {quilt.size.columns} blocks"
    joining = quilt.project.design.joining
    if joining is Joining.FOURS and not quilt.sashing.width:
        title = f"Join {len(quilt.placed)} blocks in fours, then fours to fours"
    elif joining is Joining.COLUMNS and not quilt.sashing.width:
        title = f"Join {quilt.size.columns} columns two by two, then pair to pair"
    if quilt.grid.setting is Setting.ON_POINT:
        rows = quilt.size.rows + quilt.size.columns - 1
        title = f"Join the blocks in {rows} slanting rows"
        sentences = (
            "Lay them out on point. Each row runs from the lower left to the upper right and ends "
            "in a triangle at either side; the four corners are sewn on last.",
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
    name = part.make.name
    if several and part.make.role:
        name = f"{part.make.role} {name}"
    return name if part.count == 1 else f"{part.count} {_many(name)}"


def _many(name: str) -> str:
    """Several of a make: the first word that names it takes the s."""
    head, preposition, rest = name.partition(" with ")
    return f"{head}s{preposition}{rest}"
