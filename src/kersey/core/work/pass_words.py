"""A pass at the machine in words: what is fed, and what to mind."""

from kersey.core.blocks.assembly import How
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_size
from kersey.core.work.feeding import Feed
from kersey.core.work.passes import Hint, Pass

_MIND = {
    Hint.PIECED_ON_TOP: "The pieced one on top, where you see its seams.",
    Hint.NEST: "Let the seams nest: push them together until they lock. "
    "Pins out before the needle.",
    Hint.BIAS: "Its edges are on the bias: lift and lay, do not pull.",
    Hint.SHORT: "A short seam: start on a scrap.",
}
# Said at the first pass of their kind alone.
_CARE_AT_THE_IRON = (
    "Lift the iron and set it down; sliding stretches. Only pins with glass heads bear the heat."
)
_CARE_AT_THE_MACHINE = "Follow what the maker of your machine says first."
_DONE_TO = {
    How.HALF_SQUARES: "Sew beside the diagonal on either side, a seam from it, cut on it and press",
    How.ALL_ROUND: "Sew all round, cut on both diagonals, open and press",
    How.EIGHT: "Sew on both sides of both diagonals, cut in eight, open and press",
    How.QUARTERED: "Cut in four through the middle",
    How.NINE: "Cut in nine, a third of its side each, and turn them",
    How.SLANT: "Cut across at 45 degrees",
    How.CROSSCUT: "Crosscut the set",
    How.TUBE: "Sew along both long edges",
    How.SWUNG: "Cut at 45 degrees, left and right in turn",
    How.RING: "Sew the long edges together",
    How.OPENED: "Crosscut into rings, open each one strip further on",
    How.QUILTED: "Sew through batting and backing from the centre line outward",
    How.STRINGS: "Lay strings from the middle outward, sew, press, trim to the ruler",
    How.SHEET: "Sew crumbs into a sheet",
    How.FROM_SHEET: "Cut from the sheet",
    How.TRIMMED: "Trim at both ends",
    How.HALVED: "Cut in half",
    How.READY: "Take it as it is",
    How.COVERING: "Cut to cover the foundation",
}


def pass_title(one: Pass) -> str:
    """What is done in a pass."""
    if one.second:
        verb = "Flip and sew" if one.make.how is How.FLIPPED else "Sew"
        return f"{verb} {one.second} to {one.first}"
    return _DONE_TO.get(one.make.how, f"Make {one.make.name}")


def cautions(one: Pass, is_first: bool) -> list[str]:
    """What to be careful of here: each stands once, where it first matters."""
    return [_CARE_AT_THE_MACHINE, _CARE_AT_THE_IRON] if is_first else []


def pass_sentences(one: Pass, units: Units, fed: Feed | None = None) -> list[str]:
    """How many, how it is fed, what it gives, and what to mind."""
    found = []
    if one.seams > 1:
        found.append(
            f"{counted(one.seams, 'time')}, one behind the other, without cutting between."
        )
    last = one.join == one.joins
    if last and min(one.make.size) > 0 and not one.make.long:
        found.append(f"Then {one.make.name} should measure {format_size(*one.make.size, units)}.")
    if fed is not None:
        found.append(_fed(one, fed))
    found += (_MIND[hint] for hint in one.hints if fed is None or hint is not Hint.PIECED_ON_TOP)
    return found


def _fed(one: Pass, fed: Feed) -> str:
    """What lies on top, and where the seam is begun."""
    top = one.second if fed.second_on_top else one.first
    allowances = "seam allowance" if fed.on_top == 1 else "seam allowances"
    if fed.with_foot == fed.on_top:
        which = "its" if fed.on_top == 1 else ("both" if fed.on_top == 2 else f"all {fed.on_top}")
        run = f"{which} {allowances} then {'runs' if fed.on_top == 1 else 'run'} with the foot"
    else:
        run = f"{fed.with_foot} of {fed.on_top} {allowances} then run with the foot; mind the rest"
    return f"{top.capitalize()} on top, begun at the {fed.at} end: {run}."
