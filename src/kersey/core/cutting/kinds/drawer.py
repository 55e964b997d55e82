"""Units from the drawer laid on one grid, in shelves, with plain squares between them.

shelf   a row as high as its tallest unit; below a lower one, and beside the last, lie plain squares

Shelves are sewn with straight seams. The tallest units come first, then the widest; columns are
tried from the widest unit on, and of those with few plain squares the least narrow one wins.
Source: docs/trade.md section 5, blocks need not be all alike.
"""

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from math import isqrt

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.tally import Drawer

UNIT, BACKGROUND = "unit", "background"
# A unit of so many squares each way has its own name among the pieces.
SQUARE, HELD = "square", "appliqué"
# Longer and narrower than this is no quilt; so many plain squares more are worth a better shape.
_NARROWEST, _FEW = 1.6, 1.25


@dataclass(frozen=True)
class Laid:
    """Something on the grid: what it is called, its first column and row, its columns and rows."""

    label: str
    column: int
    row: int
    columns: int
    rows: int


@dataclass(frozen=True)
class Shelves:
    """Everything laid out: columns, rows, and what lies where, shelf by shelf."""

    columns: int
    rows: int
    laid: tuple[Laid, ...]

    @property
    def plain(self) -> int:
        """Plain squares in it."""
        return sum(each.label == SQUARE for each in self.laid)


def label_of(columns: int, rows: int) -> str:
    """What units of this many squares are called."""
    return f"unit {columns} x {rows}"


def shelves(units: Sequence[tuple[str, int, int]], columns: int) -> Shelves:
    """Units, each with its columns and rows, laid in shelves so many columns wide."""
    waiting = sorted(units, key=lambda unit: (-unit[2], -unit[1], unit[0]))
    laid: list[Laid] = []
    top = 0
    while waiting:
        high, column = waiting[0][2], 0
        for unit in list(waiting):
            label, across, down = unit
            if column + across > columns:
                continue
            waiting.remove(unit)
            laid.append(Laid(label, column, top, across, down))
            laid += _plain(column, top + down, across, high - down)
            column += across
        laid += _plain(column, top, columns - column, high)
        top += high
    return Shelves(columns, top, tuple(laid))


def _plain(column: int, row: int, columns: int, rows: int) -> Iterator[Laid]:
    for down in range(rows):
        for across in range(columns):
            yield Laid(SQUARE, column + across, row + down, 1, 1)


def best_shelves(units: Sequence[tuple[str, int, int]], columns: int, most: int) -> Shelves | None:
    """The best layout that takes no more than so many plain squares; None where there is none."""
    if not units:
        return None
    area = sum(across * down for _, across, down in units)
    widest = max(across for _, across, _ in units)
    tried = [columns] if columns else range(widest, max(widest, 3 * isqrt(area)) + 1)
    found = [shelves(units, wide) for wide in tried if wide >= widest]
    possible = [each for each in found if each.plain <= most]
    if not possible:
        return None
    fewest = min(each.plain for each in possible)
    good = [
        each
        for each in possible
        if each.plain <= max(fewest * _FEW, fewest + 4) and (columns or _ratio(each) <= _NARROWEST)
    ]
    return min(good or possible, key=lambda each: (_ratio(each), each.plain, each.columns))


def _ratio(laid: Shelves) -> float:
    return max(laid.columns, laid.rows) / min(laid.columns, laid.rows)


def units_of(problem: CuttingProblem) -> list[tuple[str, int, int]]:
    """Every unit in the drawer, and every place held for appliqué."""
    tally = problem.tally
    assert isinstance(tally, Drawer)
    found = [(HELD, tally.held_side, tally.held_side)] * tally.held
    for fabric in problem.fabrics:
        squares = tally.squares(fabric.width, fabric.length) if is_unit(fabric) else None
        if squares is not None:
            found += [(label_of(*squares), *squares)] * fabric.count
    return found


def is_unit(fabric: Fabric) -> bool:
    """Whether it is a finished unit, not cloth."""
    return UNIT in fabric.roles


def solve_drawer(
    problem: CuttingProblem, solve: Callable[[CuttingProblem], CuttingPlan]
) -> CuttingPlan:
    """One top of all the units; plain squares are cut by `solve` like everything else."""
    tally = problem.tally
    assert isinstance(tally, Drawer)
    cloth = tuple(fabric for fabric in problem.fabrics if not is_unit(fabric))
    units, side = units_of(problem), tally.unit + 2 * tally.seam
    held = tally.held_side * tally.unit + 2 * tally.seam
    needs = [Need(SQUARE, BACKGROUND, side, side)]
    if tally.held:
        # The places for appliqué are large: they come first, as so many of one need.
        needs.append(Need(HELD, BACKGROUND, held, held, tally.held))
    most = _most_squares(needs, cloth, solve)
    laid = best_shelves(units, tally.columns, most)
    if laid is None:
        return CuttingPlan(problem, 0, 0, ())
    layouts = [
        Layout(fabric, fabric.count, (_whole(fabric, tally),), ())
        for fabric in problem.fabrics
        if is_unit(fabric) and tally.squares(fabric.width, fabric.length)
    ]
    counts = {SQUARE: laid.plain, HELD: tally.held}
    wanted = tuple(replace(n, count=counts[n.label]) for n in needs if counts[n.label])
    if wanted:
        cut = solve(CuttingProblem(wanted, cloth)) if cloth else None
        if cut is None or not cut.blocks:
            return CuttingPlan(problem, 0, 0, ())
        layouts += _only(cut.layouts, Counter(counts))
    return CuttingPlan(problem, 1, 1, tuple(layouts))


def _most_squares(
    needs: Sequence[Need], cloth: tuple[Fabric, ...], solve: Callable[[CuttingProblem], CuttingPlan]
) -> int:
    if not any(fabric.serves(needs[0]) for fabric in cloth):
        return 0
    return solve(CuttingProblem((needs[0],), cloth)).blocks


def _whole(fabric: Fabric, tally: Drawer) -> Cut:
    squares = tally.squares(fabric.width, fabric.length)
    assert squares is not None
    need = Need(label_of(*squares), UNIT, fabric.width, fabric.length)
    return Cut(need, Fraction(0), Fraction(0), fabric.width, fabric.length)


def _only(layouts: Sequence[Layout], wanted: Counter[str]) -> Iterator[Layout]:
    """The layouts with one of each need, as many as are wanted: a cut is of one piece."""
    for layout in layouts:
        for _ in range(layout.copies):
            kept = []
            for cut in layout.cuts:
                if wanted[cut.need.label] > 0:
                    wanted[cut.need.label] -= 1
                    kept.append(replace(cut, need=replace(cut.need, count=1)))
            if kept:
                yield replace(layout, copies=1, cuts=tuple(kept))
