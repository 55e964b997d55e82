"""An arrangement kept when the plan behind it changes: another size, other fabric, kits dealt anew.

A place that is there in both keeps its block where one of the same prints is made again, or the one
that shares most prints with it; its turn and its pin stay. Turns that follow a pattern follow it
over the new grid. Whatever place has another block now is remembered as such.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import replace

from kersey.core.errors import KerseyError
from kersey.core.frame.setting import BlockGrid
from kersey.core.measure.length import Units
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.laying import Laid, Laying
from kersey.core.project.project import Project
from kersey.core.project.table import parent_key
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.wall.seen import wall_of
from kersey.core.wall.turning import ways_of_turning


def laid_as_before(before: Project, after: Project, units: Units) -> Project:
    """The project after its plan changed, its blocks laid as they lay as far as that goes.

    What nobody has laid, or a hand has just laid, stays as it is.
    """
    old, new = before.plan, after.plan
    if old is None or new is None or old.laying is None or new.grid is None or new is old:
        return after
    facts = [(plan.kits, plan.keys, plan.places, plan.grid) for plan in (old, new)]
    if facts[0] == facts[1] or new.laying not in (None, old.laying):
        return _with(after, replace(new, laying=new.laying or old.laying))
    bare = replace(new, laying=None)
    try:
        return _with(
            after,
            laid_again(laid_of(make_quilt(before, units)), make_quilt(_with(after, bare), units)),
        )
    except KerseyError:
        return _with(after, bare)


def laid_of(quilt: Quilt) -> Laid:
    """A quilt's arrangement, to be kept."""
    kept = quilt.kept
    grid = BlockGrid(quilt.grid.rows, quilt.grid.columns, quilt.grid.setting)
    laying = kept.laying or Laying(quilt.place_turns)
    return Laid(grid, _by_keys(kept), kept.places, laying, pattern_of(quilt))


def laid_again(laid: Laid, quilt: Quilt) -> KeptPlan:
    """The plan of a quilt, its blocks laid as they were in another arrangement."""
    kept, laying = quilt.kept, laid.laying
    where = {seat: place for place, seat in enumerate(laid.grid.seats)}
    from_place = [where.get(seat) for seat in quilt.grid.seats]
    wanted = [None if place is None else laid.places[place] for place in from_place]
    blocks = _by_keys(kept)
    found = _matched(laid.blocks, blocks, wanted)
    aside = _aside(laid, blocks, found)
    waiting = [n for n in range(len(blocks)) if n not in found and n not in aside]
    places = [_next(waiting) if block is None else block for block in found]
    anew = frozenset(
        place
        for place, (block, was) in enumerate(zip(places, wanted, strict=True))
        if (None if block is None else blocks[block]) != (None if was is None else laid.blocks[was])
    )
    pins = {place for place, was in enumerate(from_place) if was in laying.pins} - anew
    turned = Laying(_turns(laid, quilt, from_place), frozenset(pins), frozenset(aside), anew)
    return replace(kept, places=tuple(places), laying=turned)


def pattern_of(quilt: Quilt) -> str | None:
    """The key of the way in which the blocks are turned; None where a hand turned them."""
    ways = ways_of_turning(wall_of(quilt), quilt.assembly.turns)
    return next((way.key for way in ways if way.turns == quilt.place_turns), None)


def _with(project: Project, kept: KeptPlan) -> Project:
    return replace(project, plan=kept)


def _by_keys(kept: KeptPlan) -> tuple[tuple[str, ...], ...]:
    """The kits by the keys of their fabrics, which stay the same whatever these are called, and
    whichever piece of them lies on the table."""
    fabrics = zip(kept.cutting.problem.fabrics, kept.keys, strict=True)
    keys = {fabric.name: parent_key(key) for fabric, key in fabrics}
    return tuple(tuple(keys[name] for name in kit) for kit in kept.kits)


def _matched(
    old: Sequence[tuple[str, ...]], new: Sequence[tuple[str, ...]], wanted: Sequence[int | None]
) -> list[int | None]:
    """For every place a new block like the one it had: the same first, then the likest."""
    free: dict[tuple[str, ...], list[int]] = {}
    for number in reversed(range(len(new))):
        free.setdefault(new[number], []).append(number)
    found: list[int | None] = [None] * len(wanted)
    for place, block in enumerate(wanted):
        if block is not None and free.get(old[block]):
            # The very same block, where its number is still its own.
            same = free[old[block]]
            found[place] = same.pop(same.index(block)) if block in same else same.pop()
    left = sorted(number for numbers in free.values() for number in numbers)
    for place, block in enumerate(wanted):
        if block is not None and found[place] is None and left:
            likest = max(left, key=lambda n: (_shared(old[block], new[n]), -n))
            if _shared(old[block], new[likest]):
                left.remove(likest)
                found[place] = likest
    return found


def _shared(one: tuple[str, ...], other: tuple[str, ...]) -> int:
    return (Counter(one) & Counter(other)).total()


def _next(waiting: list[int]) -> int | None:
    return waiting.pop(0) if waiting else None


def _aside(laid: Laid, blocks: Sequence[tuple[str, ...]], found: Sequence[int | None]) -> set[int]:
    """Blocks put aside stay aside, as long as they are the same ones."""
    return {
        n
        for n in laid.laying.aside
        if n < len(blocks) and blocks[n] == laid.blocks[n] and n not in found
    }


def _turns(laid: Laid, quilt: Quilt, from_place: Sequence[int | None]) -> tuple[int, ...]:
    """A pattern goes on over the new grid; what was turned by hand stays as it was."""
    bare = replace(quilt, kept=replace(quilt.kept, laying=None))
    ways = ways_of_turning(wall_of(quilt), quilt.assembly.turns)
    pattern = next((way.turns for way in ways if way.key == laid.pattern), None)
    if pattern is not None:
        return pattern
    square = quilt.block[0] == quilt.block[1]
    own = laid.laying.turns
    return tuple(
        usual if was is None or (own[was] % 2 and not square) else own[was]
        for usual, was in zip(bare.place_turns, from_place, strict=True)
    )
