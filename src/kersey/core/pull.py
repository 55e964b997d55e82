"""The fabric that was pulled, looked over before it is cut: what may disappoint, in sentences.

Contrast between values makes the pattern show; no two of the same print should touch (handbook
sections 1, 2 and 8). Each is a warning, not a ban: people know what they are doing.
"""

from collections import Counter
from collections.abc import Iterator

from kersey.core.fabric import Lot, Value

# A roll in which one value has nine strips of ten reads as one value.
_NEARLY_ALL = 0.9
# More than two fifths of one print and it can hardly be kept from touching itself.
_DOMINATES = 0.4


def look_over(lot: Lot, strips_per_block: int) -> tuple[str, ...]:
    """What to mind before a lot is cut into blocks of so many strips each.

    >>> from kersey.core.quick_entry import take_line
    >>> look_over(take_line("roll of 40 strips, 20 prints").lot, 3)
    ()
    """
    return (*_few_prints(lot, strips_per_block), *_one_dominates(lot), *_no_contrast(lot))


def _few_prints(lot: Lot, needed: int) -> Iterator[str]:
    prints = sum(count > 0 for count in lot.counts)
    if prints < needed:
        have = "one print" if prints == 1 else f"{prints} prints"
        yield f"A block has {needed} strips and there is only {have}: some repeat within a block."


def _one_dominates(lot: Lot) -> Iterator[str]:
    most = max(lot.stacks, key=lambda stack: stack.count)
    several = sum(count > 0 for count in lot.counts) > 1
    if several and most.count > _DOMINATES * lot.count:
        share = round(100 * most.count / lot.count)
        yield f"{most.print.name} is {share} % of the strips; it will meet itself."


def _no_contrast(lot: Lot) -> Iterator[str]:
    strips: Counter[Value] = Counter()
    for stack in lot.stacks:
        strips[stack.print.value] += stack.count
    value, count = strips.most_common(1)[0]
    if sum(c > 0 for c in lot.counts) > 1 and count >= _NEARLY_ALL * lot.count:
        yield f"Nearly all strips read as {value}: from afar the rails will hardly show."
