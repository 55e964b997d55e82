"""Units of one print lie apart, and each print as often as there are units of it."""

from collections import Counter
from random import Random

from hypothesis import given
from hypothesis import strategies as st
from tests.nights import examples

from kersey.core.cloth.print_names import made_up_prints
from kersey.core.cutting.kinds.unit_rows import UnitLaid, UnitRows, UnitSort, pack_rows
from kersey.core.cutting.watch import Watch
from kersey.core.project.minding import USUAL
from kersey.core.wall.beside import Way
from kersey.core.wall.troubles import Arrangement, cost, find_troubles
from kersey.core.wall.unit_prints import DrawerQuestion, Hung, spread_prints, unit_wall


@given(st.lists(st.lists(st.integers(1, 4), min_size=1, max_size=3), min_size=1, max_size=3))
def test_every_unit_is_laid_once_in_its_own_print(counts: list[list[int]]) -> None:
    sorts = [UnitSort(n + 1, 1, sum(of_sort)) for n, of_sort in enumerate(counts)]
    prints = [list(zip(made_up_prints(len(c)), c, strict=True)) for c in counts]
    rows = pack_rows(sorts, 6, Watch(0))
    shown = spread_prints(rows, prints)
    found = Counter((each.sort, cloth.name) for each, cloth in zip(rows.laid, shown, strict=True))
    assert found == {(n, p.name): c for n, of_sort in enumerate(prints) for p, c in of_sort}


def test_two_prints_of_one_size_lie_in_turn() -> None:
    prints = [[(cloth, 3) for cloth in made_up_prints(2)]]
    rows = pack_rows([UnitSort(1, 1, 6)], 6, Watch(0))
    names = [cloth.name for cloth in spread_prints(rows, prints)]
    assert all(one != other for one, other in zip(names[::2], names[1::2], strict=True))


@given(
    st.lists(
        st.tuples(st.integers(1, 3), st.integers(1, 3), st.integers(1, 6)),
        min_size=1,
        max_size=3,
        unique_by=lambda size: size[:2],
    ),
    st.integers(0, 2**16),
)
@examples(15)
def test_the_search_troubles_the_eye_no_more_than_the_first_answer(
    sizes: list[tuple[int, int, int]], seed: int
) -> None:
    sorts = tuple(UnitSort(*size) for size in sizes)
    pick, cloths = Random(seed), made_up_prints(4)
    prints = tuple(
        tuple(Counter(pick.choice(cloths) for _ in range(each.count)).items()) for each in sorts
    )
    question = DrawerQuestion(sorts, prints)
    first, *later = question.run()
    assert question.first().rows.covered == first.rows.covered
    costs = [_cost(hung, sorts) for hung in (first, *later)]
    assert costs == sorted(costs, reverse=True)
    for hung in later:
        assert _shown(hung) == _shown(first)


def _shown(hung: Hung) -> Counter[tuple[int, str]]:
    units = zip(hung.rows.laid, hung.prints, strict=True)
    return Counter((unit.sort, cloth.name) for unit, cloth in units)


def _cost(hung: Hung, sorts: tuple[UnitSort, ...]) -> int:
    wall = unit_wall(hung.rows, sorts, hung.prints)
    places = tuple(range(len(hung.prints)))
    return cost(find_troubles(wall, Arrangement(places, (0,) * len(places))), USUAL)


def test_what_touches_and_what_is_near_is_read_off_the_boxes() -> None:
    # Two squares side by side, a bar below both, and one square further on than one square.
    laid = (UnitLaid(0, 0, 0), UnitLaid(0, 1, 0), UnitLaid(1, 0, 1), UnitLaid(0, 4, 1))
    rows = UnitRows(5, 2, laid, (1, 1), 2, 5)
    wall = unit_wall(rows, (UnitSort(1, 1, 3), UnitSort(2, 1, 1)), made_up_prints(4))
    assert set(wall.pairs) == {(0, 1, Way.RIGHT), (0, 2, Way.BELOW), (1, 2, Way.BELOW)}
    assert wall.near == ((0, 1), (0, 2), (1, 2))
    assert wall.sides == ((-1, -1), (-1, -1), (-1, 1), (1, 1))
