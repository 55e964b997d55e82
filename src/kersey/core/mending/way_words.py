"""The ways to go on after a mishap in words: what to do, and what it costs."""

from collections.abc import Iterator
from dataclasses import dataclass

from kersey.core.cloth.forms import FACTS
from kersey.core.frame.setting import Seat
from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import Units, format_length, format_size
from kersey.core.mending.ways import Way, WayKind, Ways
from kersey.core.project.table import Joined, parent_key
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.wall.numbers import number_of

# So many blocks are named one by one.
_NAMED = 6
# So many other sizes of a smaller quilt are named.
_OTHER_SIZES = 2


@dataclass(frozen=True)
class WayWords:
    """What to do, and what it costs or leaves as it is."""

    title: str
    costs: tuple[str, ...]


def verdict(ways: Ways, noun: str = "block") -> str:
    """Whether all blocks can still be had, and how sure that is."""
    if ways.most >= ways.wanted:
        return f"You can still make all {counted(ways.wanted, noun)}."
    if ways.proved:
        return (
            f"You can make {ways.most} of {counted(ways.wanted, noun)}. "
            "Proved: no cutting plan makes more."
        )
    return (
        f"You can make at least {ways.most} of {counted(ways.wanted, noun)}. "
        "Kersey is still checking for more."
    )


def way_words(way: Way, before: Quilt, units: Units) -> WayWords:
    """A way in the words and units of the reader; `before` is the quilt as it was planned."""
    after = None if way.project is None else make_quilt(way.project, units)
    costs = tuple(_costs(way, before, after, units))
    return WayWords(_title(way, before, after, units), costs)


def _title(way: Way, before: Quilt, after: Quilt | None, units: Units) -> str:
    if way.kind is WayKind.BUY:
        assert way.bought is not None
        facts = FACTS[way.bought.fabric.form]
        noun = noun_for(way.bought.pieces, facts.one)
        return f"Buy {way.bought.pieces} more {noun}"
    if way.kind is WayKind.FEWER and after is not None:
        finished = format_size(after.size.width, after.size.length, units)
        rows = f"{after.size.columns} × {after.size.rows}"
        if before.kept.block.makes_one_piece:
            return f"A smaller quilt: {finished}"
        return f"{counted(way.blocks, 'block')}: {rows}, {finished}"
    return _TITLES[way.kind]


_TITLES = {
    WayKind.UNHARMED: "Keep going",
    WayKind.SAME: "Recut it from the same print",
    WayKind.SPARE: "Use a spare block instead",
    WayKind.ANEW: "Same quilt, new plan for the rest",
    WayKind.OTHER_PRINT: "Use another print",
    WayKind.JOINED: "Piece it from two",
}


def joined_words(joined: Joined, quilt: Quilt, units: Units) -> str:
    """What is sewn together to make a piece that none is large enough for."""
    parts = " and ".join(format_size(*part, units) for part in joined.parts)
    whole = format_size(joined.width, joined.length, units)
    name = _name(quilt, joined.key)
    return f"Sew {parts} of {name} end to end to make the missing {whole} piece."


def to_join(quilt: Quilt, units: Units) -> list[str]:
    """What is to be sewn together before its pieces are cut, as long as it lies there."""
    there = {each.key for each in quilt.project.table.lying}
    return [
        joined_words(each, quilt, units) for each in quilt.project.table.joined if each.key in there
    ]


def _costs(way: Way, before: Quilt, after: Quilt | None, units: Units) -> Iterator[str]:
    if way.kind is WayKind.UNHARMED:
        yield "The quilt still has everything it needs."
    yield from (joined_words(joined, before, units) for joined in way.joined)
    if way.joined:
        place = _least_seen(before)
        yield f"Put it where it shows least, in an edge block like {place}."
    if way.opens:
        yield f"This cuts into {counted(way.opens, 'more piece')} of fabric."
    if way.changed:
        yield f"{_blocks(way.changed, before)} {'has' if len(way.changed) == 1 else 'have'} " + (
            "a different print." if len(way.changed) == 1 else "different prints."
        )
    if way.bought is not None:
        size = format_size(way.bought.fabric.width, way.bought.fabric.length, units)
        yield f"Any print you like will work; you need {size} to cut from. Pull it, then come back."
    if after is not None:
        yield from _size_costs(before, after, units)
        if way.kind is WayKind.FEWER and not after.kept.block.makes_one_piece:
            yield from _other_sizes(after)
        yield from _frame_costs(before, after)
    if way.border is not None:
        yield f"The border is cut from leftovers to finish at {format_length(way.border, units)}."


def _other_sizes(after: Quilt) -> Iterator[str]:
    """The other grids that leave the fewest blocks over."""
    rows, columns = after.size.rows, after.size.columns
    others = [
        each
        for each in after.sizes.options
        if each.spare >= 0 and (each.rows, each.columns) != (rows, columns)
    ]
    named = [
        f"{each.columns} × {each.rows}"
        for each in sorted(others, key=lambda each: each.spare)[:_OTHER_SIZES]
    ]
    if named:
        yield f"Size also offers {' and '.join(named)}."


def _size_costs(before: Quilt, after: Quilt, units: Units) -> Iterator[str]:
    was, now = (before.size.width, before.size.length), (after.size.width, after.size.length)
    if was != now:
        yield f"The plan was {format_size(*was, units)}."
    elif before.kept.block.makes_one_piece or len(after.placed) >= len(before.placed):
        yield f"Same size: {format_size(*now, units)}."


def _frame_costs(before: Quilt, after: Quilt) -> Iterator[str]:
    now = {part.key: part for part in after.frame.parts}
    for part in before.frame.parts:
        bought = part.key in now and now[part.key].cloth.source is Source.BOUGHT
        if part.cloth.source is Source.LEFT and bought:
            yield f"That leaves too little for the {part.name}, so you would buy it."


def _blocks(changed: tuple[int, ...], before: Quilt) -> str:
    places = {placed.kit: number_of(Seat(placed.row, placed.column)) for placed in before.placed}
    named = [places.get(number, f"number {number + 1}") for number in changed[:_NAMED]]
    if len(changed) > _NAMED:
        return counted(len(changed), "block")
    return f"Block {named[0]}" if len(named) == 1 else f"Blocks {', '.join(named)}"


def _least_seen(before: Quilt) -> str:
    last = before.placed[-1]
    return number_of(Seat(last.row, last.column))


def _name(before: Quilt, key: str) -> str:
    of = {
        parent_key(k): before.prints[f.name].name
        for k, f in zip(before.kept.keys, before.kept.cutting.problem.fabrics, strict=True)
    }
    return of[parent_key(key)]
