"""The edge, school by school: what is cut, its sums, its steps, and what is checked before the act
that cannot be taken back.

From the quilted top as it measures: bound edges are sewn to it, a folded one lies on it. A turned
frame is sewn before it is quilted, so its size follows from the top; a top that was quilted first
is measured after that.

    turned   D = 4f    backing = top + D    marks: the middle of each side, corner stops a seam from
             the raw edge, an opening on one side well away from the corners
    ear      folded in half, sewn from the last stitch square to the fold: f sqrt 2 long

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.finish.binding_joins import TAIL, scrappy_order
from kersey.core.frame.binding import binding_length
from kersey.core.frame.edge import Edge, EdgeStyle, cut_bias
from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.length import QUARTER, Units, format_length, format_size, round_to
from kersey.core.quilt.parts import Part, Source

Size = tuple[Fraction, Fraction]
# A hand goes through an opening of a foot; on a small side it takes a third of it.
_OPENING, _OF_SIDE = Fraction(12), 3
# The seam of a mitred fold is longer than its width by the root of two.
_ROOT2 = 2**0.5


@dataclass(frozen=True)
class EdgeStep:
    """What is done; `check` is looked at before the step, which cannot be taken back."""

    key: str
    words: str
    check: str = ""


@dataclass(frozen=True)
class EdgePlan:
    """An edge of one school round a top of this size. Lengths in inches.

    `sums` are what is reckoned, each with its words; `strips` and `strip_length` are of a binding
    that is cut off the bolt.
    """

    edge: Edge
    top: Size
    sums: tuple[tuple[str, str], ...]
    steps: tuple[EdgeStep, ...]
    strips: tuple[Fraction, ...] = ()


def edge_plan(
    edge: Edge,
    top: Size,
    seam: Fraction,
    usable_width: Fraction,
    units: Units,
    pieces: tuple[Fraction, ...] = (),
) -> EdgePlan:
    """The edge of a school round a quilted top; a binding is joined of `pieces`, or of strips off
    the bolt.

    >>> binding = edge_plan(Edge(), (Fraction(48), Fraction(60)), Fraction(1, 4), Fraction(42),
    ...                     Units.INCHES)
    >>> [total for _, total in binding.sums]
    ['226″', '239½″']
    """
    if edge.style is EdgeStyle.FOLDED:
        return _folded(edge, top, units)
    if edge.style is EdgeStyle.TURNED:
        return _turned(edge, top, seam, units)
    return _bound(edge, top, usable_width, units, pieces)


def binding_pieces(binding: Part, top: Size) -> tuple[Fraction, ...]:
    """The strips that a binding is joined of, as they are cut of what is there; none where they are
    bought, or are too short for the quilted top as it measures now."""
    if binding.cloth.source is Source.LEFT:
        return tuple(strip.length for strip in scrappy_order(binding.cloth.strips))
    (cut,) = binding.cuts
    joined = sum(cut.runs, Fraction(0)) - binding.joins * cut.cut_width
    enough = joined >= binding_length(*top)
    return cut.runs if binding.cloth.source is Source.PULLED and enough else ()


def _bound(
    edge: Edge, top: Size, usable_width: Fraction, units: Units, pieces: tuple[Fraction, ...]
) -> EdgePlan:
    length = binding_length(*top)
    strips = pieces or _off_the_bolt(edge, length, usable_width)
    count = len(strips)
    joined = sum(strips, Fraction(0)) - (count - 1) * edge.width
    alike = min(strips) == max(strips)
    each = f"strips of {format_length(strips[0], units)}" if alike else "pieces"
    sums = (
        ("Binding length, with corners and overlap", format_length(length, units)),
        (f"{count} {each}, joined", format_length(joined, units)),
    )
    tail = format_length(TAIL, units)
    folded = (
        "Press the binding in half lengthwise, wrong sides together."
        if edge.style is not EdgeStyle.SINGLE_FOLD
        else "Press one long edge under by a seam allowance."
    )
    steps = (
        EdgeStep(
            "trim",
            "Trim the batting and backing even with the top, and square the corners.",
            "Measure the quilt both ways again. Check the back for puckers and loose threads.",
        ),
        EdgeStep(
            "join",
            "Join the strips on the diagonal and trim the seams to ¼″.",
            "Pin two strips right sides together and open them. They "
            "should make one straight strip.",
        ),
        EdgeStep("fold", folded),
        EdgeStep(
            "lay",
            "Before sewing, lay the binding around the quilt. No join should land on a corner.",
        ),
        EdgeStep(
            "sew",
            f"Start on the bottom edge with a walking foot, leaving a {tail} tail. "
            "Stop a seam allowance before each corner, fold up, fold down, and keep sewing.",
        ),
        EdgeStep(
            "close",
            "Join the ends and sew the gap.",
            "Cut the tail when the ends overlap by exactly the width of the strip.",
        ),
        EdgeStep("turn", "Fold the binding to the back and sew it down."),
    )
    return EdgePlan(edge, top, sums, steps, strips)


def _off_the_bolt(edge: Edge, length: Fraction, usable_width: Fraction) -> tuple[Fraction, ...]:
    """Strips across the cloth; on the bias those of one length of it, the corners' shorter ones
    with them."""
    if edge.style is EdgeStyle.BIAS:
        return cut_bias(length, edge.width, usable_width).strips
    return (usable_width,) * strips_to_join(length, usable_width, edge.width)


def _folded(edge: Edge, top: Size, units: Units) -> EdgePlan:
    width, beyond = edge.width, 2 * edge.width
    backing = top[0] + 2 * beyond, top[1] + 2 * beyond
    sums = (
        ("Backing past the top on each side", format_length(beyond, units)),
        ("Backing trimmed to", format_size(*backing, units)),
        ("Covers of the top, all around", format_length(width, units)),
        ("Seam at each mitered corner, about", format_length(corner_seam(width), units)),
    )
    steps = (
        EdgeStep(
            "batting",
            "Trim the batting even with the top, folding the backing out of the way.",
            "Be sure only the batting and top are under the ruler, not the backing.",
        ),
        EdgeStep(
            "backing",
            f"Trim the backing {format_length(beyond, units)} past the top on every side.",
            "Check points near the edge: those marked on the drawing will be covered.",
        ),
        EdgeStep("first", "Fold the backing to the edge of the top and press."),
        EdgeStep(
            "corners",
            "Fold each corner in over its point, trim it, then miter it.",
            "The fold should just touch the corner of the top.",
        ),
        EdgeStep("second", "Fold again onto the top, pin, and stitch it down all around."),
    )
    return EdgePlan(edge, top, sums, steps)


# What is left to do where a frame was turned before anything was quilted.
QUILT_THROUGH = EdgeStep("quilt", "Quilt or tie through all layers, from the center out.")


def corner_seam(width: Fraction) -> Fraction:
    """How long the seam of a corner is, across a fold of this width; to the nearest sixteenth.

    >>> corner_seam(Fraction(2)), corner_seam(Fraction(1, 2))
    (Fraction(45, 16), Fraction(11, 16))
    """
    return Fraction(round(float(width) * _ROOT2 * 16), 16)


def opening_of(side: Fraction) -> Fraction:
    """How long an opening is left in a side to turn the quilt through.

    >>> opening_of(Fraction(105, 2)), opening_of(Fraction(20))
    (Fraction(12, 1), Fraction(27, 4))
    """
    return min(_OPENING, round_to(QUARTER, side / _OF_SIDE))


def _turned(edge: Edge, top: Size, seam: Fraction, units: Units) -> EdgePlan:
    frame = edge.width
    backing = top[0] + 4 * frame, top[1] + 4 * frame
    finished = tuple(edge.finished(side, seam) for side in top)
    opening = opening_of(max(top))
    stop = format_length(seam, units)
    ear = corner_seam(frame)
    sums = (
        ("Backing cut", format_size(*backing, units)),
        ("Frame width", format_length(frame, units)),
        ("Finished quilt", format_size(finished[0], finished[1], units)),
        ("Opening on one long side", format_length(opening, units)),
        ("Seam at each corner ear, square to its fold", format_length(ear, units)),
    )
    steps = (
        EdgeStep(
            "mark",
            "On both layers, mark the center of each side and, at each corner, a stop "
            f"{stop} from both edges; on one long side the opening.",
        ),
        EdgeStep(
            "pin",
            "Pin right sides together, matching centers. The backing is longer and "
            "stands away at the corners.",
        ),
        EdgeStep(
            "sew",
            "Sew each side from stop to stop. Backstitch at the stops "
            "and at both ends of the opening.",
            "Check that the opening is marked; a side sewn shut has to be ripped out.",
        ),
        EdgeStep(
            "ears",
            "Fold each corner ear in half, raw edges together. From the last stitch, sew "
            f"{format_length(ear, units)} to the fold, at right angles to it.",
        ),
        EdgeStep(
            "trim",
            "Trim the corner folds to a seam allowance.",
            "Turn each corner out before trimming to be sure it is flat and square.",
        ),
        EdgeStep(
            "turn",
            "Turn the quilt right side out, push out the corners and press the frame "
            "even. Topstitch through all layers along the seam, closing the opening.",
        ),
    )
    return EdgePlan(edge, top, sums, steps)
