"""A pass at the machine in words: what is fed, and what to mind."""

from kersey.core.measure.length import Units, format_size
from kersey.core.sewing.feeding import Feeding
from kersey.core.sewing.passes import Hint, Pass

_MIND = {
    Hint.PIECED_ON_TOP: "Sew with the pieced side on top so you can see its seams.",
    Hint.NEST: "Nest the seams: push them together until they lock. "
    "Take pins out before the needle.",
    Hint.BIAS: "The edges are on the bias. Lift and lay; don't pull.",
    Hint.SHORT: "Short seam: start on a scrap.",
}
# Said at the first pass of their kind alone.
_CARE_AT_THE_IRON = (
    "Press, don't slide the iron; sliding stretches. Use only glass-head pins near heat."
)
_CARE_AT_THE_MACHINE = "Follow the maker's directions for your sewing machine."


def pass_title(one: Pass) -> str:
    """What is done in a pass."""
    if one.second:
        verb = "Flip and sew" if one.make.how.flips else "Sew"
        return f"{verb} {one.second} to {one.first}"
    return one.make.how.at_machine or f"Make the {one.make.words}"


def cautions(one: Pass, is_first: bool) -> list[str]:
    """What to be careful of here: each stands once, where it first matters."""
    return [_CARE_AT_THE_MACHINE, _CARE_AT_THE_IRON] if is_first else []


def pass_sentences(one: Pass, units: Units, fed: Feeding | None = None) -> list[str]:
    """How many, how it is fed, what it gives, and what to mind."""
    found = []
    if one.seams > 1:
        found.append("Chain piece without cutting the thread.")
    last = one.join == one.joins
    if last and min(one.make.size) > 0 and not one.make.long:
        found.append(
            f"{one.make.words.capitalize()} should measure "
            f"{format_size(*one.make.size, units)} unfinished."
        )
    if fed is not None:
        found.append(_fed(one, fed))
    found += (_MIND[hint] for hint in one.hints if fed is None or hint is not Hint.PIECED_ON_TOP)
    return found


def _fed(one: Pass, fed: Feeding) -> str:
    """What lies on top, and where the seam is begun."""
    top = one.second if fed.second_on_top else one.first
    allowances = "seam allowance" if fed.on_top == 1 else "seam allowances"
    if fed.with_foot == fed.on_top:
        which = "its" if fed.on_top == 1 else ("both" if fed.on_top == 2 else f"all {fed.on_top}")
        run = (
            f"{which} {allowances} then {'feeds' if fed.on_top == 1 else 'feed'} "
            "flat under the foot"
        )
    else:
        run = (
            f"{fed.with_foot} of {fed.on_top} {allowances} then feed "
            "flat under the foot; watch the rest"
        )
    return f"{top.capitalize()} on top. Start at the {fed.at} end; {run}."
