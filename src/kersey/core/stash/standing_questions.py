"""What a cupboard answers by itself: strips enough for a binding, and how much it grew or shrank.

    joined    strips of one width end to end, each diagonal join costs the width
    there     all that came in, less what was used, lost, or went on into another lot

Source: docs/trade.md section 6, binding; the ledger.
"""

from collections import defaultdict, deque
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.stash.ledger import EntryKind, change_of
from kersey.core.stash.pulled import Pulled

# Forms that are strips already, or long enough pieces to be joined as they are.
_STRIPS = frozenset({Form.STRIP, Form.STRING, Form.PIECE})
# docs/trade.md section 6: a scrappy binding is joined of pieces of 8 or longer.
_SHORTEST = Fraction(8)
# A binding is not joined of wider pieces than these.
_NARROWEST, _WIDEST = Fraction(1), Fraction(4)


@dataclass(frozen=True)
class StripsOfAWidth:
    """Free strips of one width: how many, how long they are joined, and the lots they lie in."""

    width: Fraction
    count: int
    joined: Fraction
    lots: tuple[str, ...]


def strips_by_width(free: Iterable[Pulled]) -> tuple[StripsOfAWidth, ...]:
    """Free strips of every width, the narrowest first; those shorter than 8 are not joined.

    What varies in width is counted at its narrowest.
    """
    found: dict[Fraction, list[tuple[Fraction, int, str]]] = {}
    for pulled in free:
        if pulled.kept.lot.form not in _STRIPS:
            continue
        width, length = sorted((pulled.width, pulled.length))
        if _NARROWEST <= width <= _WIDEST and length >= max(_SHORTEST, width + 1):
            found.setdefault(width, []).append((length, pulled.count, pulled.kept.name))
    return tuple(_of_width(width, strips) for width, strips in sorted(found.items()))


def _of_width(width: Fraction, strips: Sequence[tuple[Fraction, int, str]]) -> StripsOfAWidth:
    count = sum(many for _, many, _ in strips)
    whole = sum((length * many for length, many, _ in strips), Fraction(0))
    names = tuple(dict.fromkeys(name for _, _, name in strips))
    return StripsOfAWidth(width, count, whole - (count - 1) * width, names)


@dataclass(frozen=True)
class Moved:
    """Cloth of a form and colour family that came or went on a day, in square inches; a colour that
    nobody has said is None."""

    day: date
    form: Form
    colour: str | None
    kind: EntryKind
    area: Fraction


@dataclass(frozen=True)
class Held:
    """What was there at the end of a day, in square inches: by form, and by colour family."""

    day: date
    of_forms: Mapping[Form, Fraction]
    of_colours: Mapping[str | None, Fraction]

    @property
    def area(self) -> Fraction:
        """All of it."""
        return sum(self.of_forms.values(), Fraction(0))


def held_on(moved: Iterable[Moved], days: Iterable[date]) -> tuple[Held, ...]:
    """What was there at the end of each of these days, the earliest first.

    >>> came = Moved(date(2026, 3, 1), Form.STRIP, "red", EntryKind.BOUGHT, Fraction(100))
    >>> used = Moved(date(2026, 4, 9), Form.STRIP, "red", EntryKind.USED, Fraction(30))
    >>> days = [date(2026, 2, 28), date(2026, 3, 31), date(2026, 4, 30)]
    >>> [int(held.area) for held in held_on([came, used], days)]
    [0, 100, 70]
    """
    waiting = deque(sorted(moved, key=lambda each: each.day))
    forms = defaultdict[Form, Fraction](Fraction)
    colours = defaultdict[str | None, Fraction](Fraction)
    found = []
    for day in sorted(days):
        while waiting and waiting[0].day <= day:
            each = waiting.popleft()
            change = change_of(each.kind) * each.area
            forms[each.form] += change
            colours[each.colour] += change
        found.append(Held(day, dict(forms), dict(colours)))
    return tuple(found)


def month_ends(today: date, many: int = 12) -> list[date]:
    """The ends of the last months, and today.

    >>> [str(day) for day in month_ends(date(2026, 3, 10), 2)]
    ['2026-01-31', '2026-02-28', '2026-03-10']
    """
    ends, year, month = [today], today.year, today.month
    for _ in range(many):
        ends.append(date.fromordinal(date(year, month, 1).toordinal() - 1))
        year, month = ends[-1].year, ends[-1].month
    return ends[::-1]
