"""The fabric that was pulled, looked over before it is cut: what may disappoint, in sentences.

Contrast between values makes the pattern show; no two of the same print should touch (docs/trade.md
sections 1, 2 and 8). Each is a warning, not a ban: people know what they are doing.
"""

from collections import Counter
from collections.abc import Iterator, Mapping
from fractions import Fraction

from kersey.core.cloth.fabric import Lot, Value
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units, format_length
from kersey.core.project.project import Project
from kersey.core.stash.pulled import Role

# A roll in which one value has nine strips of ten reads as one value.
_NEARLY_ALL = 0.9
# More than two fifths of one print and it can hardly be kept from touching itself.
_DOMINATES = 0.4
# One side of a block may have a tenth more than it needs before anybody should mind.
_EVEN_ENOUGH = Fraction(11, 10)
# Rails are as much light as dark.
RAILS_NEED: Mapping[Role, Fraction] = {Role.LIGHT: Fraction(1), Role.DARK: Fraction(1)}
_SHARES = (
    (Fraction(1, 8), "an eighth more"),
    (Fraction(1, 5), "a fifth more"),
    (Fraction(1, 4), "a quarter more"),
    (Fraction(1, 3), "a third more"),
    (Fraction(1, 2), "half as much again"),
    (Fraction(2, 3), "two thirds more"),
    (Fraction(3, 4), "three quarters more"),
    (Fraction(1), "as much again"),
)


def look_over(project: Project, units: Units = Units.INCHES) -> tuple[str, ...]:
    """What to mind in all that is pulled.

    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> look_over(Project("Throw", "", all_of(roll)))
    ()
    """
    rails = (
        look_over_strips(project.lot, project.design.strips_per_block) if project.working else ()
    )
    areas = {role: Fraction(0) for role in RAILS_NEED}
    for pulled in project.fabrics:
        for role in areas:
            areas[role] += pulled.area if pulled.serves(role) else 0
    return (
        *rails,
        *_of_other_widths(project, units),
        *_uneven(project),
        *balance(areas, RAILS_NEED),
    )


def look_over_strips(lot: Lot, strips_per_block: int) -> tuple[str, ...]:
    """What to mind before a lot is cut into blocks of so many strips each."""
    return (*_few_prints(lot, strips_per_block), *_one_dominates(lot), *_no_contrast(lot))


def balance(areas: Mapping[Role, Fraction], needs: Mapping[Role, Fraction]) -> tuple[str, ...]:
    """Which role is short beside another, for a block that needs them in this proportion.

    `areas` of the fabrics in square inches; `needs` in any one measure. Roles without fabric are
    not judged: people fill one side at a time.

    >>> balance({Role.LIGHT: Fraction(600), Role.DARK: Fraction(500)}, RAILS_NEED)
    ('The dark side needs a fifth more to go with the light.',)
    """
    lasts = {role: areas[role] / need for role, need in needs.items() if areas.get(role)}
    if len(lasts) < 2:
        return ()
    least, most = min(lasts, key=lasts.__getitem__), max(lasts, key=lasts.__getitem__)
    times = lasts[most] / lasts[least]
    if times <= _EVEN_ENOUGH:
        return ()
    return (f"The {least} side needs {share_in_words(times - 1)} to go with the {most}.",)


def share_in_words(share: Fraction) -> str:
    """How much more, as one says it.

    >>> share_in_words(Fraction(21, 100)), share_in_words(Fraction(3))
    ('a fifth more', '4 times as much')
    """
    if share > Fraction(5, 4):
        return f"{round(share + 1)} times as much"
    return min(_SHARES, key=lambda known: abs(known[0] - share))[1]


def _of_other_widths(project: Project, units: Units) -> Iterator[str]:
    """Strips for the blocks that are not of the width the rails are cut from."""
    if not project.working:
        return
    width = project.lot.width
    other = sum(
        p.count
        for p in project.fabrics
        if p.kept.lot.form is Form.STRIP and p.for_blocks and p.width != width
    )
    if other:
        rails = format_length(width, units)
        yield f"Rails are of one width, {rails}: {other} strips of other widths stay out."


def _uneven(project: Project) -> Iterator[str]:
    if project.uneven:
        yield "The strips are of several lengths; the blocks are reckoned with the shortest."


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
    strips: Counter[Value | None] = Counter()
    for stack in lot.stacks:
        strips[stack.print.known_value] += stack.count
    value, count = strips.most_common(1)[0]
    # Nothing is advised on values that nobody has said.
    if (
        value is not None
        and sum(c > 0 for c in lot.counts) > 1
        and count >= _NEARLY_ALL * lot.count
    ):
        yield f"Nearly all strips read as {value}: from afar the rails will hardly show."
