"""What the cupboard answers: what was there on a day, by adding entries up one by one."""

from datetime import date, timedelta
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.stash.ledger import EntryKind
from kersey.core.stash.standing_questions import Moved, held_on, month_ends

CAME = {
    EntryKind.BOUGHT,
    EntryKind.SPLIT,
    EntryKind.COUNTED,
    EntryKind.MEASURED,
    EntryKind.LEFT_OVER,
}
WENT = {EntryKind.USED, EntryKind.PUT_AWAY, EntryKind.LOST, EntryKind.OUT}
FIRST = date(2026, 1, 5)

moves = st.lists(
    st.builds(
        lambda after, form, colour, kind, area: Moved(
            FIRST + timedelta(after), form, colour, kind, Fraction(area)
        ),
        st.integers(0, 300),
        st.sampled_from([Form.STRIP, Form.SQUARE]),
        st.sampled_from(["red", "blue", None]),
        st.sampled_from(EntryKind),
        st.integers(1, 500),
    ),
    max_size=20,
)


@given(moves, st.lists(st.integers(-10, 320), min_size=1, max_size=4))
def test_what_was_there_is_what_came_less_what_went(moved: list[Moved], days: list[int]) -> None:
    ends = [FIRST + timedelta(day) for day in sorted(days)]
    for end, held in zip(ends, held_on(moved, ends), strict=True):
        for sorts, of in ((held.of_forms, "form"), (held.of_colours, "colour")):
            there: dict[object, Fraction] = {}
            for each in moved:
                if each.day <= end:
                    change = each.area * ((each.kind in CAME) - (each.kind in WENT))
                    there[getattr(each, of)] = there.get(getattr(each, of), Fraction(0)) + change
            assert sorts == there
            assert held.area == sum(there.values())
        assert held.day == end


@given(st.dates(date(2001, 1, 1), date(2090, 1, 1)), st.integers(1, 14))
def test_months_end_the_day_before_the_next_begins(today: date, many: int) -> None:
    ends = month_ends(today, many)
    assert ends[-1] == today
    assert len(ends) == many + 1
    assert all((end + timedelta(1)).day == 1 for end in ends[:-1])
    assert ends == sorted(set(ends))
