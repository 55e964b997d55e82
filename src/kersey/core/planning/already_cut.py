"""What is cut already, when a new plan is looked for: it stays as it was cut.

fixed   layouts of pieces that are cut; the new plan has them just so
rest    what the search still has: whole fabric, what is left of the cut pieces, and the pieces
        themselves, each as a piece of cloth of its own size

Pieces that the new block has no need for lie there as cloth of their size.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import replace

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import claimed
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.planning.cut_groups import cut_groups
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked
from kersey.core.project.table import whole_key


def cut_already(project: Project, asked: YieldAsked) -> tuple[tuple[str, int], ...]:
    """How many pieces of each fabric are cut, by its name; what lies on the table from before is a
    piece of cloth of its own, until it is cut further."""
    if project.plan is None:
        return ()
    further = Counter[str]()
    for group in cut_groups(project.plan):
        for part in group.fabrics if group.key in project.done else ():
            further[part.key] += part.pieces
    found = []
    for fabric, pulled, key in zip(asked.problem.fabrics, asked.fabrics, asked.keys, strict=True):
        pieces = pulled.cut - project.table.pieces_opened(key)
        # Of what lies there, and of one of several sizes, only the ticks say how much.
        pieces = further[key] if fabric.opened or whole_key(key) != key else pieces
        if pieces > 0:
            found.append((fabric.name, min(pieces, fabric.count)))
    return tuple(found)


def fixed_layouts(project: Project, asked: YieldAsked) -> tuple[Layout, ...]:
    """The layouts of the plan that is kept whose cutting is ticked off, for what is asked now.

    Those with a piece that is not asked for any more are left out.
    """
    kept = project.plan
    if kept is None:
        return ()
    now = dict(zip(asked.keys, asked.problem.fabrics, strict=True))
    needs = set(asked.problem.needs)
    found = []
    for group in cut_groups(kept):
        for layout in group.layouts if group.key in project.done else ():
            key = kept.key_of(layout.fabric.name)
            if key in now and all(cut.need in needs for cut in layout.cuts):
                found.append(replace(layout, fabric=now[key]))
    return tuple(found)


def rest_of(
    problem: CuttingProblem, fixed: Sequence[Layout], cut: Counter[str]
) -> CuttingProblem | None:
    """What can still be cut, where so many pieces of each fabric are; None where nothing is left.

    Of pieces cut otherwise than `fixed` says nothing is known, so nothing is counted on.
    """
    fabrics = [
        replace(fabric, count=fabric.count - cut[fabric.name])
        for fabric in problem.fabrics
        if fabric.count > cut[fabric.name]
    ]
    fabrics += _in_pieces(fixed)
    return replace(problem, fabrics=tuple(fabrics)) if fabrics else None


def together(problem: CuttingProblem, fixed: Sequence[Layout], found: CuttingPlan) -> CuttingPlan:
    """One plan of what is cut already and of what a search has found for the rest."""
    whole = {fabric.name: fabric for fabric in problem.fabrics}
    layouts = [
        replace(layout, fabric=whole[layout.fabric.name])
        for layout in found.layouts
        if layout.fabric.name in whole
    ]
    plan = CuttingPlan(problem, found.blocks, found.bound, (*fixed, *layouts))
    return claimed(plan)


def _in_pieces(fixed: Sequence[Layout]) -> Iterator[Fabric]:
    """The pieces that are cut, each a cloth of its own size that serves what it was cut for."""
    there: Counter[tuple[str, str, Need]] = Counter()
    for layout in fixed:
        for cut in layout.cuts:
            there[layout.fabric.name, layout.fabric.print, cut.need] += layout.copies
    for number, ((name, cloth, need), count) in enumerate(there.items(), 1):
        yield Fabric(
            name=f"{name}, cut {number}",
            print=cloth,
            width=need.width,
            length=need.height,
            count=count,
            roles=frozenset({need.role}),
            directional=True,
            form=Form.PIECE,
        )
