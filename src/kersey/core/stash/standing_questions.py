"""What a cupboard answers by itself: strips enough for a binding, and how much it grew or shrank.

    joined    strips of one width end to end, each diagonal join costs the width
    there     all that came in, less what was used, lost, or went on into another lot

Source: docs/trade.md section 6, binding; the ledger.
"""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.stash.ledger import EntryKind, balance
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
        width, length = sorted((pulled.width, pulled.length))
        if pulled.kept.lot.form not in _STRIPS or not _NARROWEST <= width <= _WIDEST:
            continue
        if length >= max(_SHORTEST, width + 1):
            found.setdefault(width, []).append((length, pulled.count, pulled.kept.name))
    return tuple(_of_width(width, strips) for width, strips in sorted(found.items()))


def _of_width(width: Fraction, strips: Sequence[tuple[Fraction, int, str]]) -> StripsOfAWidth:
    count = sum(many for _, many, _ in strips)
    whole = sum((length * many for length, many, _ in strips), Fraction(0))
    names = tuple(dict.fromkeys(name for _, _, name in strips))
    return StripsOfAWidth(width, count, whole - (count - 1) * width, names)


@dataclass(frozen=True)
class Moved:
    """Cloth of a form that came or went on a day, in square inches."""

    day: date
    form: Form
    kind: EntryKind
    area: Fraction
    pieces: int = 0


@dataclass(frozen=True)
class Held:
    """What was there at the end of a day, by form, in square inches."""

    day: date
    of_forms: tuple[tuple[Form, Fraction], ...]

    @property
    def area(self) -> Fraction:
        """All of it."""
        return sum((area for _, area in self.of_forms), Fraction(0))


def held_on(moved: Sequence[Moved], days: Iterable[date]) -> tuple[Held, ...]:
    """What was there at the end of each of these days.

    >>> came = Moved(date(2026, 3, 1), Form.STRIP, EntryKind.BOUGHT, Fraction(100))
    >>> used = Moved(date(2026, 4, 9), Form.STRIP, EntryKind.USED, Fraction(30))
    >>> days = [date(2026, 2, 28), date(2026, 3, 31), date(2026, 4, 30)]
    >>> [int(held.area) for held in held_on([came, used], days)]
    [0, 100, 70]
    """
    found = []
    for day in days:
        there: Counter[Form] = Counter()
        for form in dict.fromkeys(each.form for each in moved):
            of_it = [each for each in moved if each.form is form and each.day <= day]
            there[form] = balance(of_it).there  # type: ignore[assignment]
        found.append(Held(day, tuple((form, Fraction(area)) for form, area in there.items())))
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
