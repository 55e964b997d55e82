"""Units on their grid: each where it is laid, none over another, in its own look or print."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.drawing.boxes import gaps_and_overlaps, rects

from kersey.core.cloth.print_names import made_up_prints
from kersey.core.cutting.kinds.unit_rows import UnitSort, best_rows
from kersey.core.cutting.watch import Watch
from kersey.drawing.unit_wall import draw_unit_wall

LOOK = "#a5403a 0,0 1,0 1,1; #cfcabd 0,0 1,1 0,1"


@given(
    st.dictionaries(
        st.tuples(st.integers(1, 4), st.integers(1, 4)), st.integers(1, 6), min_size=1, max_size=4
    ),
    st.integers(0, 3),
)
def test_units_lie_beside_one_another_on_the_grid(
    drawer: dict[tuple[int, int], int], looks: int
) -> None:
    sorts = [UnitSort(*size, count) for size, count in drawer.items()]
    rows = best_rows(sorts, Watch(0))
    shown = [(Fraction(sort.columns), Fraction(sort.rows)) for sort in sorts]
    plain, *_ = made_up_prints(1)
    prints = [plain for _ in rows.laid]
    drawn = draw_unit_wall(rows, shown, prints, 10.0)
    units = rects(drawn, 'class="piece"')
    assert len(units) == len(rows.laid)
    ground = (0.0, 0.0, 3.0 * rows.columns, 3.0 * rows.rows)
    # What they do not cover are the plain squares, of three inches in the picture.
    assert gaps_and_overlaps(units, ground) == pytest.approx(9 * rows.plain)
    sizes = Counter((wide / 3, high / 3) for _, _, wide, high in units)
    assert sizes == Counter({(float(c), float(r)): n for (c, r), n in drawer.items()})


def test_a_unit_that_is_sewn_shows_its_patches() -> None:
    rows = best_rows([UnitSort(2, 1, 3)], Watch(0))
    (cloth,) = made_up_prints(1)
    sewn = replace(cloth, swatch=replace(cloth.swatch, look=LOOK))
    size = [(Fraction(2), Fraction(1))]
    drawn = draw_unit_wall(rows, size, [sewn, cloth, sewn], 10.0)
    assert drawn.count('fill="#a5403a"') == drawn.count('fill="#cfcabd"') == 2
    assert drawn.count('fill="none" class="piece"') == 2
