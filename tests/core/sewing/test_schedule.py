"""One's own pace, the evenings it fills, and the calendar that holds them."""

from datetime import UTC, date, datetime, timedelta

from hypothesis import given
from hypothesis import strategies as st
from icalendar import Calendar
from tests.core.mending.mishaps import QUILTS, AtWork

from kersey.core.project.measuring_log import timed
from kersey.core.project.sewing import Evening, Sewing, Spell, Work
from kersey.core.sewing.pace import WorkLeft, counts, left
from kersey.core.sewing.passes import passes
from kersey.core.sewing.schedule import schedule
from kersey.formats.calendar_file import calendar_file

NOW = datetime(2026, 3, 2, 19, tzinfo=UTC)
TODAY = NOW.date()


def spell(minutes: int, done: int, work: Work = Work.SEW) -> Spell:
    return Spell(work, NOW, 0, NOW + timedelta(minutes=minutes), done)


def test_the_pace_is_ones_own_as_soon_as_a_spell_was_timed() -> None:
    done = dict.fromkeys(Work, (0, 100)) | {Work.SEW: (20, 100)}
    usual = {each.work: each for each in left(Sewing(), done)}
    assert not any(each.own for each in usual.values())
    own = {e.work: e for e in left(Sewing(spells=(spell(60, 20), spell(30, 20))), done)}[Work.SEW]
    assert (own.own, own.spells, own.units) == (True, 2, 80)
    assert own.likely == 80 * 90 / 40
    assert (own.low, own.high) == (80 * 1.5, 80 * 3.0)
    # A clock that was forgotten, and one under which nothing was done, say nothing.
    forgotten = (spell(900, 1), spell(10, 0))
    assert not any(e.own for e in left(Sewing(spells=forgotten), done))


def test_the_clock_starts_and_stops_and_counts_what_was_done() -> None:
    at = AtWork(QUILTS["rails"].project)
    every = passes(at.quilt, 12)
    before = counts(at.project, at.quilt, at.cuts, every)
    assert before[Work.CUT] == (0, len(at.cuts))
    running = timed(at.project, Work.CUT, 0, NOW)
    assert running.sewing.running is not None
    stopped = timed(running, Work.SEW, 7, NOW + timedelta(minutes=21))
    (only,) = stopped.sewing.spells
    assert (only.work, only.done, only.minutes) == (Work.CUT, 7, 21)
    assert stopped.sewing.running is None


_WORK = st.lists(st.floats(0, 2000), min_size=4, max_size=4)
_EVENINGS = st.dictionaries(st.integers(0, 6), st.integers(15, 240), max_size=7)


@given(_WORK, _EVENINGS, st.none() | st.integers(0, 60))
def test_every_minute_falls_on_one_evening_in_order(
    minutes: list[float], evenings: dict[int, int], days: int | None
) -> None:
    rest = [
        WorkLeft(work, 1, 0, m, m, m, own=True, spells=1)
        for work, m in zip(Work, minutes, strict=True)
    ]
    ready_by = None if days is None else TODAY + timedelta(days=days)
    plan = schedule(rest, [Evening(*each) for each in evenings.items()], TODAY, ready_by)
    if not evenings:
        assert not plan.known
        return
    spent = [(work, m) for sitting in plan.sittings for work, m in sitting.doing]
    for each in rest:
        assert sum(m for work, m in spent if work is each.work) >= each.likely
        assert sum(m for work, m in spent if work is each.work) <= each.likely + 1
    works = [work for work, _ in spent]
    assert works == sorted(works, key=list(Work).index)
    for sitting in plan.sittings:
        assert sum(m for _, m in sitting.doing) <= evenings[sitting.day.weekday()]
    late = sum(m for s in plan.sittings if ready_by and s.day > ready_by for _, m in s.doing)
    assert plan.short == late
    if plan.more and ready_by:
        before = [
            s
            for s in range((ready_by - TODAY).days + 1)
            if (TODAY + timedelta(days=s)).weekday() in evenings
        ]
        assert plan.more * len(before) >= plan.short


def test_a_calendar_reads_the_evenings_and_changes_them_in_place() -> None:
    rest = [WorkLeft(Work.SEW, 10, 0, 100, 150, 200, own=True, spells=2)]
    first = schedule(rest, [Evening(1, 60)], TODAY, None)
    read = [
        Calendar.from_ical(calendar_file(first, "Throw, for the crew", 6, n, NOW)) for n in (3, 4)
    ]
    events = [calendar.walk("VEVENT") for calendar in read]
    assert [event["UID"] for event in events[0]] == [event["UID"] for event in events[1]]
    assert {str(event["SEQUENCE"]) for event in events[1]} == {"4"}
    days = [event.decoded("DTSTART").date() for event in events[0]]
    assert days == [date(2026, 3, 3), date(2026, 3, 10), date(2026, 3, 17)]
    spans = [event.decoded("DTEND") - event.decoded("DTSTART") for event in events[0]]
    assert spans == [timedelta(minutes=60), timedelta(minutes=60), timedelta(minutes=30)]
