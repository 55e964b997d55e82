"""The ledger of fabric: where every piece went, and that it adds up.

    in = used + left + lost

in      bought, made of another lot's leftovers, or counted or measured anew
used    sewn into a quilt
left    still there: at home, pulled, cut and on the table, or put away as another lot
lost    spoiled, given away, or too small to keep

All in square inches of cloth; whole pieces are counted too. Pulling and returning move pieces and
change no sum.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from fractions import Fraction
from typing import Protocol

from kersey.core.measure.spoken import Spoken


class EntryKind(Spoken):
    """What happened to pieces."""

    BOUGHT = "bought"
    SPLIT = "split"
    COUNTED = "counted"
    MEASURED = "measured"
    PULLED = "pulled"
    RETURNED = "returned"
    CUT = "cut"
    UNCUT = "not cut after all", "cut undone"
    USED = "used"
    PUT_AWAY = "put away"
    LEFT_OVER = "left over", "leftovers"
    LOST = "lost", "waste"
    OUT = "taken out", "removed"


# Entries that bring cloth in; counting and splitting may also take some away.
_IN = frozenset(
    {EntryKind.BOUGHT, EntryKind.SPLIT, EntryKind.COUNTED, EntryKind.MEASURED, EntryKind.LEFT_OVER}
)
_LOST = frozenset({EntryKind.LOST, EntryKind.OUT})


@dataclass(frozen=True)
class Entry:
    """One entry: so many pieces, so many square inches, of a print of a lot.

    `left over` enters the new lot, `put away` leaves the lot it was cut from.
    """

    at: datetime
    kind: EntryKind
    lot_id: int
    lot_name: str
    print_name: str
    pieces: int
    area: Fraction
    project_id: int | None = None
    project_name: str | None = None


@dataclass(frozen=True)
class Balance:
    """The sums of some entries, in square inches, and the pieces still whole."""

    came_in: Fraction
    used: Fraction
    put_away: Fraction
    lost: Fraction
    whole_pieces: int

    @property
    def there(self) -> Fraction:
        """What is still in the lot: at home, pulled, or cut and on the table."""
        return self.came_in - self.used - self.put_away - self.lost

    @property
    def left(self) -> Fraction:
        """All that is left, also as other lots."""
        return self.there + self.put_away


class Summed(Protocol):
    """An entry, or several of one kind taken together."""

    @property
    def kind(self) -> EntryKind: ...

    @property
    def pieces(self) -> int: ...

    @property
    def area(self) -> Fraction: ...


@dataclass(frozen=True)
class Sum:
    """Entries of one kind taken together."""

    kind: EntryKind
    pieces: int
    area: Fraction


def change_of(kind: EntryKind) -> int:
    """What an entry does to the cloth that is there: 1 adds its area, -1 takes it away, 0 neither.

    >>> change_of(EntryKind.BOUGHT), change_of(EntryKind.USED), change_of(EntryKind.PULLED)
    (1, -1, 0)
    """
    if kind in _IN:
        return 1
    return -int(kind in _LOST or kind in (EntryKind.USED, EntryKind.PUT_AWAY))


def balance(entries: Iterable[Summed]) -> Balance:
    """Add entries up; `came_in` = `used` + `left` + `lost`.

    >>> from datetime import UTC
    >>> day = datetime(2026, 3, 2, tzinfo=UTC)
    >>> roll = (1, "roll", "lamp red")
    >>> came = Entry(day, EntryKind.BOUGHT, *roll, 40, Fraction(4200))
    >>> cut = Entry(day, EntryKind.CUT, *roll, 36, Fraction(3780))
    >>> sewn = Entry(day, EntryKind.USED, *roll, 0, Fraction(3500))
    >>> balance([came, cut, sewn]).left, balance([came, cut, sewn]).whole_pieces
    (Fraction(700, 1), 4)
    """
    sums = {kind: Fraction(0) for kind in EntryKind}
    pieces = dict.fromkeys(EntryKind, 0)
    for entry in entries:
        sums[entry.kind] += entry.area
        pieces[entry.kind] += entry.pieces
    lost = sum((sums[kind] for kind in _LOST), Fraction(0))
    gone = sum(pieces[kind] for kind in (*_LOST, EntryKind.CUT)) - pieces[EntryKind.UNCUT]
    return Balance(
        came_in=sum((sums[kind] for kind in _IN), Fraction(0)),
        used=sums[EntryKind.USED],
        put_away=sums[EntryKind.PUT_AWAY],
        lost=lost,
        whole_pieces=sum(pieces[kind] for kind in _IN) - gone,
    )
