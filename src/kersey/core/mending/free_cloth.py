"""Cloth of which nothing is planned, and more cut of it without moving what is planned.

Free is what lies on the table unplanned, whole fabric that is not opened, and what lies beside the
strips that are planned of a piece: strips of the same direction can still be cut there.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import Cut, CuttingPlan, Fabric, Layout, Need


@dataclass(frozen=True)
class Free:
    """`count` like pieces of free cloth of the fabric `of` this name; `beside` the strips of a
    layout they begin so far `at` from its edge, and lie as its strips do."""

    cloth: Fabric
    of: str
    beside: Layout | None = None
    at: Fraction = Fraction(0)


def free_cloth(plan: CuttingPlan, with_whole: bool, needs: Sequence[Need]) -> Iterator[Free]:
    """All that is free and may hold one of these needs; whole fabric only if it is to be opened."""
    least = min(min(need.width, need.height) for need in needs)
    used = Counter[str]()
    for layout in plan.layouts:
        used[layout.fabric.name] += layout.copies
        if layout.fabric.opened or with_whole:
            yield from _beside(layout, least)
    for fabric in plan.problem.fabrics:
        count = fabric.count - used[fabric.name]
        large_enough = min(fabric.width, fabric.length) >= least
        if count > 0 and large_enough and (fabric.opened or with_whole):
            yield Free(replace(fabric, count=count), fabric.name)


def with_more_cut(
    plan: CuttingPlan, cut: Sequence[Layout], free: Mapping[str, Free], needs: Mapping[str, Need]
) -> CuttingPlan:
    """The plan with layouts of free cloth added; `free` says what their fabrics are, and `needs`
    what the needs of these roles stand for."""
    fabrics = {fabric.name: fabric for fabric in plan.problem.fabrics}
    layouts: Counter[Layout] = Counter()
    for layout in plan.layouts:
        layouts[replace(layout, copies=1)] += layout.copies
    for layout in cut:
        there = free[layout.fabric.name]
        cuts = tuple(replace(c, need=needs.get(c.need.role, c.need)) for c in layout.cuts)
        if there.beside is None:
            fabric = fabrics[there.of]
            layouts[replace(layout, fabric=fabric, cuts=cuts, copies=1)] += layout.copies
            continue
        host = replace(there.beside, copies=1)
        layouts[host] -= layout.copies
        layouts[_both(host, there, replace(layout, cuts=cuts))] += layout.copies
    return replace(plan, layouts=tuple(replace(each, copies=n) for each, n in layouts.items() if n))


def _beside(layout: Layout, least: Fraction) -> Iterator[Free]:
    """What lies beside the strips of a piece. Cloth with a direction is left alone where its strips
    run across it: as a strip it would lie on its side."""
    fabric = layout.fabric
    if fabric.directional and not layout.along:
        return
    across, long = fabric.width, fabric.length
    if not layout.along:
        across, long = long, across
    at = max(c.x + c.width if layout.along else c.y + c.length for c in layout.cuts)
    if across - at >= least:
        strip = replace(
            fabric, width=across - at, length=long, form=Form.STRIP, count=layout.copies
        )
        yield Free(strip, fabric.name, layout, at)


def _both(host: Layout, free: Free, more: Layout) -> Layout:
    """The strips of a layout, and more beside them."""
    moved = (_moved(cut, free.at, host.along) for cut in more.cuts)
    taken = _as_it_lies((free.cloth.width, free.cloth.length), host.along)
    left = list(host.left)
    if taken in left:
        left.remove(taken)
    left += (_as_it_lies(size, host.along) for size in more.left)
    return replace(host, cuts=(*host.cuts, *moved), left=tuple(left))


def _moved(cut: Cut, at: Fraction, along: bool) -> Cut:
    if along:
        return replace(cut, x=cut.x + at)
    return Cut(cut.need, cut.y, cut.x + at, cut.length, cut.width)


def _as_it_lies(size: tuple[Fraction, Fraction], along: bool) -> tuple[Fraction, Fraction]:
    return size if along else size[::-1]
