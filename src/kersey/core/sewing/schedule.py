"""What falls on which evening, and whether all is ready by a day.

The work goes in its order into the evenings one has, each filled before the next; it is reckoned
with the likely time. Where it does not fit: how much more time a week it takes, or what would have
to be left out.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from math import ceil

from kersey.core.project.sewing import Evening, Work
from kersey.core.sewing.pace import WorkLeft

# Further ahead nobody plans.
LONGEST = 730


@dataclass(frozen=True)
class Sitting:
    """One evening: minutes of each work, and how many one has."""

    day: date
    minutes: int
    doing: tuple[tuple[Work, int], ...]


@dataclass(frozen=True)
class Schedule:
    """The evenings until all is done. `short` minutes do not fit before the day it is to be ready
    by; `more` minutes on each evening would do. It is `known` once evenings were said."""

    sittings: tuple[Sitting, ...]
    ready: date | None
    short: int = 0
    more: int = 0
    known: bool = True
    saved: tuple[tuple[str, int], ...] = ()


def schedule(
    left: Sequence[WorkLeft], evenings: Sequence[Evening], today: date, ready_by: date | None
) -> Schedule:
    """What falls on which evening from today on.

    >>> from kersey.core.sewing.pace import WorkLeft
    >>> work = [WorkLeft(Work.SEW, 60, 0, 50, 90, 120, True, 2)]
    >>> plan = schedule(work, [Evening(1, 60)], date(2026, 3, 2), None)
    >>> [(s.day.isoformat(), s.doing[0][1]) for s in plan.sittings]
    [('2026-03-03', 60), ('2026-03-10', 30)]
    """
    minutes = {evening.day: evening.minutes for evening in evenings if evening.minutes}
    if not minutes:
        return Schedule((), None, known=False)
    waiting = [_Waits(each.work, ceil(each.likely)) for each in left if each.likely > 0]
    sittings = tuple(_sittings(waiting, minutes, today))
    unfinished = sum(each.minutes for each in waiting)
    ready = sittings[-1].day if sittings and not unfinished else (None if unfinished else today)
    late = [s for s in sittings if ready_by is not None and s.day > ready_by]
    short = sum(m for s in late for _, m in s.doing) + unfinished
    before = _evenings_until(minutes, today, ready_by)
    return Schedule(
        sittings,
        ready,
        short,
        ceil(short / before) if short and before else 0,
        saved=tuple(_saved(left)) if short else (),
    )


@dataclass
class _Waits:
    """Work that waits for an evening, and how many minutes of it."""

    work: Work
    minutes: int


def _sittings(waiting: Sequence[_Waits], minutes: dict[int, int], today: date) -> Iterator[Sitting]:
    """Evening after evening; what is done is taken off what waits."""
    for ahead in range(LONGEST):
        day = today + timedelta(days=ahead)
        room = minutes.get(day.weekday(), 0)
        doing = list[tuple[Work, int]]()
        for each in waiting:
            spent = min(room, each.minutes)
            if spent:
                each.minutes -= spent
                room -= spent
                doing.append((each.work, spent))
        if doing:
            yield Sitting(day, minutes[day.weekday()], tuple(doing))
        if not any(each.minutes for each in waiting):
            return


def _evenings_until(minutes: dict[int, int], today: date, ready_by: date | None) -> int:
    if ready_by is None:
        return 0
    days = min(LONGEST, (ready_by - today).days + 1)
    return sum((today + timedelta(days=n)).weekday() in minutes for n in range(max(0, days)))


def _saved(left: Sequence[WorkLeft]) -> Iterator[tuple[str, int]]:
    """What could be left out, and the minutes that saves."""
    finish = next((each for each in left if each.work is Work.FINISH), None)
    if finish is not None and finish.units > 2:
        yield "the border", ceil(finish.likely / finish.units)
    sew = next((each for each in left if each.work is Work.SEW), None)
    if sew is not None and sew.units:
        yield "one block in ten", ceil(sew.likely / 10)
