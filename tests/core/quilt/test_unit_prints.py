"""Units of one print lie apart, and each print as often as there are units of it."""

from collections import Counter

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.print_names import made_up_prints
from kersey.core.cutting.unit_rows import UnitSort, pack_rows
from kersey.core.cutting.watch import Watch, no_clock
from kersey.core.quilt.unit_prints import spread_prints


@given(st.lists(st.lists(st.integers(1, 4), min_size=1, max_size=3), min_size=1, max_size=3))
def test_every_unit_is_laid_once_in_its_own_print(counts: list[list[int]]) -> None:
    sorts = [UnitSort(n + 1, 1, sum(of_sort)) for n, of_sort in enumerate(counts)]
    prints = [list(zip(made_up_prints(len(c)), c, strict=True)) for c in counts]
    rows = pack_rows(sorts, 6, Watch(no_clock, 0))
    shown = spread_prints(rows, prints)
    found = Counter((each.sort, cloth.name) for each, cloth in zip(rows.laid, shown, strict=True))
    assert found == {(n, p.name): c for n, of_sort in enumerate(prints) for p, c in of_sort}


def test_two_prints_of_one_size_lie_in_turn() -> None:
    prints = [[(cloth, 3) for cloth in made_up_prints(2)]]
    rows = pack_rows([UnitSort(1, 1, 6)], 6, Watch(no_clock, 0))
    names = [cloth.name for cloth in spread_prints(rows, prints)]
    assert all(one != other for one, other in zip(names[::2], names[1::2], strict=True))
