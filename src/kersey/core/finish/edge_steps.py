"""The edge, school by school: what is cut, its sums, its steps, and what is checked before the act
that cannot be taken back.

From the quilted top as it measures: bound edges are sewn to it, a folded one lies on it. A turned
frame is sewn before it is quilted, so its size follows from the top; a top that was quilted first
is measured after that.

    turned   D = 4f    backing = top + D    marks: the middle of each side, corner stops a seam from
             the raw edge, an opening on one side well away from the corners
    ear      folded and sewn square, 2f long from the stop

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.finish.binding_joins import TAIL
from kersey.core.frame.binding import binding_length
from kersey.core.frame.edge import Edge, EdgeStyle, cut_bias
from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.length import QUARTER, Units, format_length, format_size, round_to

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


def _bound(
    edge: Edge, top: Size, usable_width: Fraction, units: Units, pieces: tuple[Fraction, ...]
) -> EdgePlan:
    length = binding_length(*top)
    strips = pieces or _off_the_bolt(edge, length, usable_width)
    count = len(strips)
    joined = sum(strips, Fraction(0)) - (count - 1) * edge.width
    each = (
        "pieces"
        if pieces or min(strips) < max(strips)
        else (f"strips of {format_length(usable_width, units)}")
    )
    sums = (
        ("All round, with corners and closing", format_length(length, units)),
        (f"{count} {each} joined", format_length(joined, units)),
    )  # fmt: skip
    tail = format_length(TAIL, units)
    folded = (
        "Press the joined strip in half along its whole length."
        if edge.style is not EdgeStyle.SINGLE_FOLD
        else "Press one long edge of the strip under, by a seam."
    )
    steps = (
        EdgeStep("trim", "Trim backing and batting flush with the top, corners square.",
                 "Measure the quilt both ways once more, and look at the back: no pucker, no loose "
                 "thread under the ruler."),
        EdgeStep("join", "Join the strips on the diagonal, and trim the joins to a seam.",
                 "Lay two strips right sides together, pin, and open them: they must run on "
                 "straight."),
        EdgeStep("fold", folded),
        EdgeStep("lay", "Lay the strip round the quilt before it is sewn: no join on a corner."),
        EdgeStep("sew", f"Sew it on from the lower side with a walking foot, {tail} left loose; "
                 "stop a seam before each corner, fold up, fold down, go on."),
        EdgeStep("close", "Join the ends, sew the gap.",
                 "Cut the tail only when both ends overlap by just the strip's width."),
        EdgeStep("turn", "Fold it to the back and sew it down."),
    )  # fmt: skip
    return EdgePlan(edge, top, sums, steps, strips)


def _off_the_bolt(edge: Edge, length: Fraction, usable_width: Fraction) -> tuple[Fraction, ...]:
    """Strips across the cloth; on the bias those of one length of it, the corners' shorter ones
    with them."""
    if edge.style is EdgeStyle.BIAS:
        return cut_bias(length, edge.width, usable_width).strips
    return (usable_width,) * strips_to_join(length, usable_width, edge.width)


def _folded(edge: Edge, top: Size, units: Units) -> EdgePlan:
    width, beyond = edge.width, 2 * edge.width
    mitre = round(float(width) * _ROOT2 * 16) / 16
    backing = top[0] + 2 * beyond, top[1] + 2 * beyond
    sums = (
        ("Backing beyond the top on each side", format_length(beyond, units)),
        ("Backing trimmed to", format_size(*backing, units)),
        ("It hides of the top, all round", format_length(width, units)),
        ("Seam of each mitred corner, about", format_length(Fraction(mitre), units)),
    )
    steps = (
        EdgeStep("batting", "Trim the batting flush with the top; fold the backing out of the way.",
                 "Only batting and top lie under the ruler: the backing is still whole."),
        EdgeStep("backing", f"Trim the backing to {format_length(beyond, units)} beyond the top.",
                 "The points near the edge: what is marked on the drawing will be hidden."),
        EdgeStep("first", "Fold it until it touches the edge of the top, and press."),
        EdgeStep("corners", "Fold each corner over its point and trim it, then mitre it.",
                 "The fold must touch the corner of the top, not lie over it."),
        EdgeStep("second", "Fold again over the top, pin, and stitch it down all round."),
    )  # fmt: skip
    return EdgePlan(edge, top, sums, steps)


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
    sums = (
        ("Backing cut", format_size(*backing, units)),
        ("Frame that shows", format_length(frame, units)),
        ("The quilt is then", format_size(finished[0], finished[1], units)),
        ("Opening in one long side", format_length(opening, units)),
        ("Seam of each ear, square from the stop", format_length(2 * frame, units)),
    )
    steps = (
        EdgeStep("mark", "Mark on both: the middle of each side, and at each corner a stop "
                 f"{stop} from both edges; on one long side the opening."),
        EdgeStep("pin", "Right sides together, middle on middle; the backing is longer and stands "
                 "off at the corners."),
        EdgeStep("sew", "Sew each side from stop to stop; back-tack at the stops and at both ends "
                 "of the opening.",
                 "The opening is marked: a side sewn shut has to be ripped."),
        EdgeStep("ears", "Fold each corner to an ear and sew it square to the fold of the sides, "
                 "from the stop outward."),
        EdgeStep("trim", "Trim the ears to a seam.",
                 "Turn each corner out once before it is trimmed: it must lie flat and square."),
        EdgeStep("turn", "Turn it through the opening, push the corners out, press the frame even; "
                 "topstitch through all layers along the seam, closing the opening."),
    )  # fmt: skip
    return EdgePlan(edge, top, sums, steps)
