"""Units of a drawer packed in rows: how soon there is a first answer, and what the search saves.

Drawers of random units, 2 to 7 sizes of 1 to 6 squares each way, 10 to 80 units.
"""

from random import Random
from time import perf_counter

from kersey.core.cutting.kinds.unit_rows import UnitSort, best_rows
from kersey.core.cutting.watch import Watch

_DRAWERS, _SECONDS = 30, 5.0


def _drawer(pick: Random) -> list[UnitSort]:
    sizes = {(pick.randint(1, 6), pick.randint(1, 6)) for _ in range(pick.randint(2, 7))}
    each = max(1, pick.randint(10, 80) // len(sizes))
    return [UnitSort(*size, pick.randint(1, 2 * each)) for size in sorted(sizes)]


def main() -> None:
    pick = Random(7)
    first, whole, plain, searched, proved = list[float](), list[float](), 0, 0, 0
    for _ in range(_DRAWERS):
        drawer = _drawer(pick)
        begun = perf_counter()
        simple = best_rows(drawer, Watch(0))
        first.append(perf_counter() - begun)
        begun = perf_counter()
        found = best_rows(drawer, Watch(_SECONDS))
        whole.append(perf_counter() - begun)
        plain, searched = plain + simple.plain, searched + found.plain
        proved += found.proved
    print(f"{_DRAWERS} drawers: first answer {max(first):.3f} s at most, {plain} plain squares;")
    print(
        f"searched {sum(whole) / _DRAWERS:.2f} s on average, {max(whole):.2f} s at most, "
        f"{searched} plain squares, {proved} proved at their width"
    )


if __name__ == "__main__":
    main()
