"""Units drawer: finished units of several kinds on one grid, with plain squares between.

A unit fits where its finished sides are multiples of the grid unit: 4, 8 x 12, 12 x 12 on a grid of
4. Places may be held plain for appliqué. Source: docs/trade.md section 5.
"""

from collections.abc import Iterator
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import (
    WHOLE,
    BadRecipe,
    Options,
    Recipe,
    length_option,
    rectangle,
    square_of,
    whole,
)
from kersey.core.blocks.technique import CUT, JOINED
from kersey.core.cutting.kinds.drawer import BACKGROUND, HELD, SQUARE, UNIT, Laid, best_shelves
from kersey.core.cutting.problem import CuttingPlan
from kersey.core.cutting.tally import Drawer
from kersey.core.measure.counting import counted

_MOST = 40


def _grid(options: Options) -> Fraction:
    return length_option(options, "grid", Fraction(1, 4), Fraction(24))


def _tally(_: Size, options: Options, seam: Fraction) -> Drawer:
    columns, held = whole(options, "columns", 0, _MOST), whole(options, "applique", 0, _MOST)
    side = whole(options, "applique_side", 1, 12)
    return Drawer(_grid(options), seam, columns, held, side)


def _whole(plan: CuttingPlan, _: Size, options: Options) -> tuple[Fraction, ...]:
    """Columns and rows, then of everything laid: what, first column and row, how far it reaches.

    What: 0 a plain square, 1 a place for appliqué, 2 a unit.
    """
    tally = plan.problem.tally
    assert isinstance(tally, Drawer)
    units = []
    for layout in plan.layouts:
        for cut in layout.cuts:
            squares = tally.squares(cut.width, cut.length)
            if squares is not None and cut.need.label != SQUARE:
                units += [(cut.need.label, *squares)] * layout.copies
    laid = best_shelves(units, tally.columns, _squares(plan))
    assert laid is not None
    facts = [
        Fraction(fact)
        for each in laid.laid
        for fact in (
            (SQUARE, HELD).index(each.label) if each.label in (SQUARE, HELD) else 2,
            each.column,
            each.row,
            each.columns,
            each.rows,
        )
    ]
    return Fraction(laid.columns), Fraction(laid.rows), *facts


def _squares(plan: CuttingPlan) -> int:
    return sum(
        layout.copies for layout in plan.layouts for cut in layout.cuts if cut.need.label == SQUARE
    )


def _size(options: Options, _: Fraction) -> Size:
    made = options.get(WHOLE)
    columns, rows = made[:2] if isinstance(made, tuple) else (Fraction(1), Fraction(1))
    return columns * _grid(options), rows * _grid(options)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if finished != _size(options, seam):
        raise BadRecipe("block.finished", "left out: it follows from the units and the grid.")
    _tally(finished, options, seam)
    made, grid = options.get(WHOLE), _grid(options)
    if not isinstance(made, tuple):
        patch = rectangle(SQUARE, BACKGROUND, Fraction(0), Fraction(0), *finished)
        size = square_of(grid + 2 * seam)
        square = Make(SQUARE, CUT, size, role=BACKGROUND, patches=(patch,))
        return Assembly(Make("block", JOINED, size, (Part(square, 1),), patches=(patch,)), finished)
    laid = list(_laid(made))
    shelves: list[Make] = []
    for top in sorted({each.row for each in laid if each.row == _shelf_of(each, laid)}):
        of_it = [each for each in laid if _shelf_of(each, laid) == top]
        columns = sorted({each.column for each in of_it if each.row == top})
        stacks = [
            _stack([e for e in of_it if _within(e, start, columns)], grid, seam)
            for start in columns
        ]
        shelves.append(sewn(f"shelf {len(shelves) + 1}", seam, *stacks))
    return Assembly(sewn("block", seam, *shelves), finished)


def _laid(made: tuple[Fraction, ...]) -> Iterator[Laid]:
    for start in range(2, len(made), 5):
        what, *place = map(int, made[start : start + 5])
        label = (SQUARE, HELD, f"unit {place[2]} x {place[3]}")[what]
        yield Laid(label, *place)


def _shelf_of(each: Laid, laid: list[Laid]) -> int:
    """The row at which the shelf of something begins: every shelf has a unit at its left edge."""
    return max(e.row for e in laid if e.column == 0 and e.label != SQUARE and e.row <= each.row)


def _within(each: Laid, start: int, columns: list[int]) -> bool:
    later = [column for column in columns if column > start]
    return start <= each.column and (not later or each.column < later[0])


def _stack(pieces: list[Laid], grid: Fraction, seam: Fraction) -> Make:
    """What lies one above the other in a shelf: a unit and rows of plain squares."""
    rows: dict[int, list[Make]] = {}
    for each in sorted(pieces, key=lambda e: (e.row, e.column)):
        rows.setdefault(each.row, []).append(_made(each, grid, seam))
    across = [
        sewn(counted(len(made), "square"), seam, *made) if len(made) > 1 else made[0]
        for made in rows.values()
    ]
    if len(across) == 1:
        return across[0]
    return sewn(f"{pieces[0].label} with {len(across) - 1} below", seam, *across)


def _made(each: Laid, grid: Fraction, seam: Fraction) -> Make:
    size = each.columns * grid + 2 * seam, each.rows * grid + 2 * seam
    role = BACKGROUND if each.label in (SQUARE, HELD) else UNIT
    box = each.column * grid, each.row * grid, each.columns * grid, each.rows * grid
    patch = rectangle(each.label, role, *box)
    return Make(each.label, CUT, size, role=role, patches=(Patch(each.label, role, patch.corners),))


RECIPE = Recipe(
    id="units-drawer",
    title="Units from the drawer",
    finished=square_of(4),
    assemble=_assemble,
    tried=350,
    size_of=_size,
    size_follows=True,
    tally=_tally,
    whole=_whole,
    ready=UNIT,
    other_roles=(UNIT,),
    options={"grid": Fraction(4), "columns": 0, "applique": 0, "applique_side": 3},
    facts=Facts(
        made_from="Finished units of several kinds, and plain squares between them.",
        difficulty=Difficulty.FIRST,
        sides=(20, 100),
        suits="Orphan blocks and leftover units whose finished sides fit one grid.",
        pressing=("Toward the plain squares.",),
        cautions=(CUTTER,),
        mistakes=(
            (
                "A unit doesn't fit",
                "Measure before you sew it in; it needs a ¼″ seam allowance on every side.",
            ),
        ),
    ),
    about=(
        "Finished units laid out in rows on one grid, with plain squares to fill in. Columns: "
        "squares across; 0 lets Kersey choose. You can save plain spots for appliqué."
    ),
)
