"""What the page of the wall shows."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from random import Random
from typing import Any

from kersey.core.blocks.assembly import turned
from kersey.core.cloth.colour import Lab
from kersey.core.cloth.fabric import Fact
from kersey.core.cloth.thread import light_and_dark, vanishing
from kersey.core.measure.counting import counted
from kersey.core.project.laying import Joining, Laying
from kersey.core.project.minding import MOST_WEIGHT
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.tryout import parts_to_try
from kersey.core.wall.bounds import may_be_proved
from kersey.core.wall.hand import OnWall
from kersey.core.wall.joining import joins, may_be_done, pieces
from kersey.core.wall.numbers import number_of
from kersey.core.wall.orders import GRADIENTS, Order, checkerboard_wants, kinds_there, laid_in
from kersey.drawing.arranged import draw_wall
from kersey.drawing.patches import draw_block_alone, draw_blocks_alone
from kersey.drawing.quilt import draw_miniature
from kersey.drawing.wall_map import draw_map
from kersey.web.arrange.stage import STAGE
from kersey.web.arrange.troubled import Troubled, troubled
from kersey.web.arrange.windows import KEY, has_windows, seen_with_windows, what_it_costs
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context
from kersey.web.workroom import Workroom

# Blocks beside the wall are drawn as far as there is room; the rest are counted.
_MOST_BESIDE = 40
_TURNED = ("", "turned a quarter", "upside down", "turned three quarters")
_TURNS = ("upright", "a quarter", "upside down", "three quarters")


@dataclass(frozen=True)
class Offer:
    """A way of turning or an order, offered by one touch; `note` says what it lacks or costs."""

    act: str
    key: str
    title: str
    chosen: bool
    note: str = ""


def arrange_context(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    """All that the page shows."""
    context = project_context(opened, STAGE) | {"what": "", "searching": None}
    if opened.quilt is None:
        return context
    shown = troubled(opened.reckoned)
    context |= room.drawn(opened.reckoned, "arrange", lambda: _wall_context(shown))
    thread = vanishing(opened.preferences.threads, *context["light_and_dark"])
    return context | {"thread": thread}


def map_context(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    """What the map shows."""
    context = project_context(opened, STAGE) | {"one_piece": False}
    if opened.quilt is None:
        return context
    shown = troubled(opened.reckoned)
    return context | room.drawn(opened.reckoned, "map", lambda: _map_context(shown))


def _map_context(shown: Troubled) -> dict[str, Any]:
    quilt = shown.quilt
    rows: dict[int, list[dict[str, Any]]] = {}
    drawn_true = quilt.assembly.drawn_true
    for seat, block in zip(quilt.grid.seats, _blocks(shown), strict=True):
        kit = None if block["block"] is None else quilt.kept.kits[block["block"] - 1]
        turn = shown.lies.laying.turns[quilt.grid.seats.index(seat)]
        drawing = ""
        if kit is not None and drawn_true:
            patches = turned(quilt.assembly.patches, quilt.block, turn)
            drawing = draw_block_alone(patches, quilt.block, quilt.patch_prints(kit))
        rows.setdefault(seat.row, []).append(block | {"drawing": drawing, "turned": _TURNED[turn]})
    return {
        "one_piece": quilt.kept.block.makes_one_piece,
        "map": draw_map(quilt),
        "map_rows": [
            {"number": row + 1, "pins": row + 1, "blocks": blocks} for row, blocks in rows.items()
        ],
    }


def _wall_context(shown: Troubled) -> dict[str, Any]:
    quilt = shown.quilt
    laying = shown.lies.laying
    steps = joins(quilt.grid, quilt.project.design.joining)
    return {
        "drawing": draw_wall(quilt, shown.marks, pieces(steps, quilt.project.done)),
        "joining": quilt.project.design.joining,
        "joinings": list(Joining),
        "joins": steps,
        "joined": [step for step in steps if step.key in quilt.project.done],
        "next_joins": may_be_done(steps, quilt.project.done),
        "one_piece": quilt.kept.block.makes_one_piece,
        "lines": shown.lines,
        "total": shown.total,
        "most_weight": MOST_WEIGHT,
        "ways": [*_ways(shown), *_windows(quilt)],
        "orders": list(_orders(shown)),
        "looks_of": shown.laid.of,
        "beside": _beside(shown),
        "more_beside": max(0, len(shown.lies.beside) - _MOST_BESIDE),
        "pins": len(laying.pins),
        "anew": [number_of(quilt.grid.seats[place]) for place in sorted(laying.anew)],
        "prints": _prints(quilt),
        "unknown": _unknown(quilt),
        "blocks": list(_blocks(shown)),
        "parts_to_try": parts_to_try(quilt),
        "light_and_dark": light_and_dark(_cloths(shown)),
        "may_be_proved": may_be_proved(shown.wall, shown.lies.arrangement),
    }


def _ways(shown: Troubled) -> Iterator[Offer]:
    grid = shown.quilt.grid
    turns = shown.quilt.place_turns
    if len(shown.ways) < 2:
        return
    for way in shown.ways:
        costs = [
            f"{columns} × {rows} {_blocks_more(more)}"
            for rows, columns, more in way.better_grids(grid)
        ]
        odd = " and ".join(
            name
            for name, wants, there in zip(
                ("rows", "columns"), way.even, (grid.rows, grid.columns), strict=True
            )
            if wants and there % 2
        )
        note = f"needs an even number of {odd}: {', '.join(costs)}" if costs else ""
        yield Offer("way", way.key, way.title, way.turns == turns, note)


def _windows(quilt: Quilt) -> Iterator[Offer]:
    otherwise = seen_with_windows(quilt) if quilt.grid.blocks > 1 or has_windows(quilt) else None
    if otherwise is not None:
        title = "remove plain blocks" if has_windows(quilt) else "add plain blocks between"
        yield Offer(KEY, "", title, False, what_it_costs(quilt, otherwise))


def _blocks_more(more: int) -> str:
    return (
        f"needs {counted(more, 'more block')}"
        if more > 0
        else (f"leaves {counted(-more, 'block')}")
    )


def _orders(shown: Troubled) -> Iterator[Offer]:
    lies = shown.lies
    for order in Order if shown.quilt.grid.blocks > 1 else ():
        note, chosen = "", False
        # A gradient is smoothed, which is not waited for to say whether it lies there already.
        if order not in GRADIENTS:
            laid = laid_in(shown.wall, lies.places, order, lies.laying.pins, lies.laying.aside)
            chosen = laid == lies.places
        if order is Order.CHECKERBOARD:
            (light, dark), there = checkerboard_wants(shown.wall), kinds_there(shown.wall)
            enough = there[0] >= light and there[1] >= dark
            note = f"needs {light} of one and {dark} of the other: " + (
                "enough" if enough else f"you have {there[0]} and {there[1]}"
            )
        yield Offer("order", order.value, order.words, chosen, note)


def look(shown: Troubled, act: str, key: str) -> str | None:
    """A small drawing of the quilt as it would lie; None where there is no such way."""
    lies, quilt = shown.lies, shown.quilt
    if act == "now":
        return draw_miniature(quilt)
    if act == "scattered":
        return _drawn_as(quilt, lies.laying, _by_lot(lies))
    if act == KEY:
        otherwise = seen_with_windows(quilt)
        return None if otherwise is None else draw_miniature(otherwise)
    if act == "way":
        way = next((way for way in shown.ways if way.key == key), None)
        return None if way is None else _drawn_as(quilt, lies.turned_to(way.turns).laying)
    order = next((order for order in Order if order.value == key), None)
    if order is None:
        return None
    places = laid_in(shown.wall, lies.places, order, lies.laying.pins, lies.laying.aside)
    return _drawn_as(quilt, lies.laying, places)


def _by_lot(lies: OnWall) -> tuple[int | None, ...]:
    """The blocks laid by lot, as a small drawing shows it: the search lays them with more care."""
    free = [place for place in range(len(lies.places)) if place not in lies.laying.pins]
    places, blocks = list(lies.places), [lies.places[place] for place in free]
    Random(0).shuffle(blocks)
    for place, block in zip(free, blocks, strict=True):
        places[place] = block
    return tuple(places)


def _drawn_as(quilt: Quilt, laying: Laying, places: tuple[int | None, ...] | None = None) -> str:
    lying = replace(quilt.kept, laying=laying, places=places or quilt.kept.places)
    return draw_miniature(replace(quilt, kept=lying))


def _beside(shown: Troubled) -> list[dict[str, Any]]:
    quilt, beside = shown.quilt, shown.lies.beside[:_MOST_BESIDE]
    prints = (quilt.patch_prints(quilt.kept.kits[block]) for block in beside)
    drawings = draw_blocks_alone(quilt.assembly.patches, quilt.block, prints)
    return [
        {"number": block + 1, "drawing": drawing, "aside": block in shown.lies.laying.aside}
        for block, drawing in zip(beside, drawings, strict=True)
    ]


def _cloths(shown: Troubled) -> list[tuple[Lab, float]]:
    """The cloth of the blocks that lie there: each print's colour, and how much there is of it."""
    wall = shown.wall
    much: dict[int, float] = {}
    for block in shown.lies.places:
        for number, share in wall.of_block[block].items() if block is not None else ():
            much[number] = much.get(number, 0.0) + share
    # An empty wall is as its blocks will be.
    much = much or dict.fromkeys(range(len(wall.prints)), 1.0)
    return [(wall.prints[number].colour, share) for number, share in sorted(much.items())]


def _prints(quilt: Quilt) -> dict[str, list[str]]:
    """The prints of the blocks by their families, to be lit up."""
    used = {name for placed in quilt.placed for name in quilt.kept.kits[placed.kit]}
    found: dict[str, list[str]] = {}
    for name in sorted(used, key=lambda name: quilt.prints[name].name):
        cloth = quilt.prints[name]
        names = found.setdefault(cloth.family, [])
        if cloth.name not in names:
            names.append(cloth.name)
    return dict(sorted(found.items()))


def _unknown(quilt: Quilt) -> int:
    """How many prints have a colour that nobody has said."""
    return sum(Fact.COLOUR in cloth.filled_in for cloth in quilt.prints.values())


def _blocks(shown: Troubled) -> Iterator[dict[str, Any]]:
    """Every place in words: the drawing for whoever cannot see it."""
    quilt, lies = shown.quilt, shown.lies
    for place, seat in enumerate(quilt.grid.seats):
        block = lies.places[place]
        names = [] if block is None else quilt.kept.kits[block]
        yield {
            "number": number_of(seat),
            "block": None if block is None else block + 1,
            "prints": list(dict.fromkeys(quilt.prints[name].name for name in names)),
            "turn": _TURNS[lies.laying.turns[place]],
            "pinned": place in lies.laying.pins,
        }
