"""The fabric that was pulled, looked over before it is cut: what may disappoint, in sentences.

Contrast between values makes the pattern show; no two of the same print should touch (docs/trade.md
sections 1, 2 and 8). Each is a warning, not a ban: people know what they are doing.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly
from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import InvalidValue
from kersey.core.frame.setting import Setting
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length
from kersey.core.project.project import Project
from kersey.core.project.question import block_of
from kersey.core.stash.pulled import BLOCK_ROLES, SELDOM_ROLES, Pulled, Role

# A roll in which one value has nine strips of ten reads as one value.
_NEARLY_ALL = 0.9
# More than two fifths of one print and it can hardly be kept from touching itself.
_DOMINATES = 0.4
# One side of a block may have a tenth more than it needs before anybody should mind.
_EVEN_ENOUGH = Fraction(11, 10)
_SHARES = (
    (Fraction(1, 8), "an eighth more"),
    (Fraction(1, 5), "a fifth more"),
    (Fraction(1, 4), "a quarter more"),
    (Fraction(1, 3), "a third more"),
    (Fraction(1, 2), "half again as much"),
    (Fraction(2, 3), "two thirds more"),
    (Fraction(3, 4), "three quarters more"),
    (Fraction(1), "twice as much"),
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
    asked = [p for p in project.fabrics if p.for_blocks and p.kept.lot.form is not Form.SCRAPS]
    needs = _sides(project)
    areas = {role: Fraction(0) for role in needs}
    for pulled in project.fabrics:
        for role in areas:
            areas[role] += pulled.area if pulled.serves(role) else 0
    return (
        *_few_prints(project, asked),
        *_one_dominates(asked),
        *_no_contrast(asked),
        *_of_other_widths(project, units),
        *short_side(areas, needs),
    )


def short_side(areas: Mapping[Role, Fraction], needs: Mapping[Role, Fraction]) -> tuple[str, ...]:
    """Which role is short beside another, for a block that needs them in this proportion.

    `areas` of the fabrics in square inches; `needs` in any one measure. Roles without fabric are
    not judged: people fill one side at a time.

    >>> needs = {Role.LIGHT: Fraction(1), Role.DARK: Fraction(1)}
    >>> short_side({Role.LIGHT: Fraction(600), Role.DARK: Fraction(500)}, needs)
    ('You need a fifth more dark fabric to match the light.',)
    """
    lasts = {role: areas[role] / need for role, need in needs.items() if areas.get(role)}
    if len(lasts) < 2:
        return ()
    least, most = min(lasts, key=lasts.__getitem__), max(lasts, key=lasts.__getitem__)
    times = lasts[most] / lasts[least]
    if times <= _EVEN_ENOUGH:
        return ()
    return (f"You need {share_in_words(times - 1)} {least} fabric to match the {most}.",)


def roles_offered(project: Project) -> list[Role]:
    """The roles that fabric may serve: those that every quilt has, and those of its block."""
    assembly = _assembly(project)
    known = project.design.block.known
    of_block = {need.role for need in assembly.needs} if assembly else set()
    of_block |= set(known.other_roles if known else ())
    serving = {role for pulled in project.fabrics for role in pulled.roles}
    if project.design.setting is not Setting.STRAIGHT:
        serving.add(Role.SETTING)
    seldom = SELDOM_ROLES | {Role.SETTING}
    return [r for r in Role if r not in seldom or r.value in of_block or r in serving]


def share_in_words(share: Fraction) -> str:
    """How much more, as one says it.

    >>> share_in_words(Fraction(21, 100)), share_in_words(Fraction(3))
    ('a fifth more', '4 times as much')
    """
    if share > Fraction(5, 4):
        return f"{counted(round(share + 1), 'time')} as much"
    return min(_SHARES, key=lambda known: abs(known[0] - share))[1]


def _assembly(project: Project) -> Assembly | None:
    seam = project.design.seam
    try:
        return block_of(project, seam).assembly(seam)
    except InvalidValue:
        return None


def _sides(project: Project) -> dict[Role, Fraction]:
    """How much of each side a block takes, in square inches; of a block without any, as much."""
    assembly = _assembly(project)
    found: dict[Role, Fraction] = {}
    batch = assembly.batch if assembly else 1
    for need in assembly.needs if assembly else ():
        if need.role in set(BLOCK_ROLES) - {Role.ANY}:
            role = Role(need.role)
            area = need.width * need.height * need.count / batch
            found[role] = found.get(role, Fraction(0)) + area
    return found or {Role.LIGHT: Fraction(1), Role.DARK: Fraction(1)}


def _of_other_widths(project: Project, units: Units) -> Iterator[str]:
    """Strips for the blocks that are not of the width the block is sized by."""
    width, known = project.strip_width, project.design.block.known
    if width is None or known is None or known.from_strips is None:
        return
    other = sum(
        p.count
        for p in project.fabrics
        if p.kept.lot.form is Form.STRIP and p.for_blocks and p.width != width
    )
    if other:
        most = format_length(width, units)
        yield (
            f"This block uses {most} strips. {counted(other, 'strip')} of other "
            "widths will be trimmed or left out."
        )


def _few_prints(project: Project, asked: Sequence[Pulled]) -> Iterator[str]:
    """Where a block would like its prints to differ and there are too few."""
    assembly = _assembly(project)
    prints = len({(p.print.name, p.print.swatch) for p in asked})
    if assembly is None or not asked:
        return
    for wish in assembly.wishes:
        pieces = sum(need.count for need in assembly.needs if need.role in wish.roles)
        if not wish.same and prints < pieces:
            have = "one print" if prints == 1 else counted(prints, "print")
            yield (
                f"A block has {counted(pieces, 'strip')} and you pulled only {have}, so "
                "prints will repeat within a block."
            )


def _one_dominates(asked: Sequence[Pulled]) -> Iterator[str]:
    counts: Counter[str] = Counter()
    for pulled in asked:
        counts[pulled.print.name] += pulled.count
    if len(counts) > 1:
        name, most = counts.most_common(1)[0]
        if most > _DOMINATES * counts.total():
            share = round(100 * most / counts.total())
            yield f"{share}% of the {_noun(asked)} are {name}, so it will end up next to itself."


def _no_contrast(asked: Sequence[Pulled]) -> Iterator[str]:
    counts: Counter[Value | None] = Counter()
    for pulled in asked:
        counts[pulled.print.known_value] += pulled.count
    if not counts or len(asked) < 2:
        return
    value, count = counts.most_common(1)[0]
    # Nothing is advised on values that nobody has said.
    if value is not None and count >= _NEARLY_ALL * counts.total():
        yield (
            f"Nearly all the {_noun(asked)} read {value}, so the pattern "
            "will hardly show from across the room."
        )


def _noun(asked: Sequence[Pulled]) -> str:
    """What the pieces are called together."""
    forms = {pulled.kept.lot.form for pulled in asked}
    return FACTS[forms.pop()].many if len(forms) == 1 else "pieces"
