"""What a person does at the wall, read from a form and done to the wall; each has its words."""

from collections.abc import Callable
from enum import StrEnum

from pydantic import Field

from kersey.core.frame.setting import BlockGrid, Seat
from kersey.core.measure.counting import counted
from kersey.core.wall.hand import CannotLay, OnWall
from kersey.core.wall.numbers import number_of, place_of
from kersey.core.wall.orders import Order, laid_in
from kersey.web.arrange.troubled import Troubled
from kersey.web.open_project import RevisedForm

_MOST_SHIFT = 50


class Act(StrEnum):
    """An act at the wall."""

    SWAP = "swap"
    MOVE = "move"
    TURN = "turn"
    PIN = "pin"
    LET_GO = "let go"
    ASIDE = "aside"
    BRING = "bring"
    WAY = "way"
    ORDER = "order"
    SEEN = "seen"


class ActForm(RevisedForm):
    """An act, and what it is done to: places by their numbers, like 3-5 4-1.

    SWAP takes two places; MOVE so many rows down and places across; BRING a block by its number.
    A `look` is a way or an order by its key, or the windows: ``way:rings``.
    """

    act: Act | None = None
    places: str = Field("", max_length=20_000)
    down: int = Field(0, ge=-200, le=200)
    across: int = Field(0, ge=-200, le=200)
    block: int | None = Field(None, ge=1, le=5000)
    look: str = Field("", max_length=80, pattern=r"^((way|order|windows):.*)?$")
    shift: int = Field(1, ge=1, le=_MOST_SHIFT)


Done = tuple[OnWall, str]


def done(form: ActForm, shown: Troubled) -> Done:
    """The wall after an act, and the act in words.

    Raises `NoSuchPlace` or `CannotLay`.
    """
    act = Act(form.look.partition(":")[0]) if form.look else form.act
    if act is None:
        raise CannotLay("Choose what to do.")
    return _ACTS[act](form, shown)


def _key(form: ActForm) -> str:
    return form.look.partition(":")[2]


def _places(form: ActForm, shown: Troubled, least: int = 1) -> list[int]:
    grid: BlockGrid = shown.quilt.grid
    places = [place_of(grid, number) for number in form.places.split()]
    if len(places) < least:
        wanted = "two spots, like 1-1 2-3" if least > 1 else "a spot, like 1-1"
        raise CannotLay(f"Type {wanted}.")
    return places


def _seat(shown: Troubled, place: int) -> Seat:
    return shown.quilt.grid.seats[place]


def _named(shown: Troubled, places: list[int]) -> str:
    if len(places) == 1:
        return number_of(_seat(shown, places[0]))
    return counted(len(places), "block")


def _swap(form: ActForm, shown: Troubled) -> Done:
    one, other = _places(form, shown, least=2)[:2]
    words = f"{_named(shown, [one])} and {_named(shown, [other])} swapped"
    return shown.lies.swapped(one, other), words


def _move(form: ActForm, shown: Troubled) -> Done:
    places = _places(form, shown)
    return shown.lies.moved(places, form.down, form.across), f"{_named(shown, places)} moved"


def _turn(form: ActForm, shown: Troubled) -> Done:
    places = _places(form, shown)
    return shown.lies.turned(places), f"{_named(shown, places)} turned"


def _pin(form: ActForm, shown: Troubled) -> Done:
    places = _places(form, shown)
    return shown.lies.pinned(places, True), f"{_named(shown, places)} pinned"


def _let_go(form: ActForm, shown: Troubled) -> Done:
    places = _places(form, shown)
    return shown.lies.pinned(places, False), f"{_named(shown, places)} unpinned"


def _aside(form: ActForm, shown: Troubled) -> Done:
    places = _places(form, shown)
    return shown.lies.put_aside(places), f"{_named(shown, places)} set aside"


def _bring(form: ActForm, shown: Troubled) -> Done:
    place = _places(form, shown)[0]
    if form.block is None:
        raise CannotLay("Choose a block by its number.")
    words = f"block {form.block} placed at {_named(shown, [place])}"
    return shown.lies.brought(form.block - 1, place), words


def _way(form: ActForm, shown: Troubled) -> Done:
    way = next((way for way in shown.ways if way.key == _key(form)), None)
    if way is None:
        raise CannotLay("This block can't be turned that way.")
    return shown.lies.turned_to(way.turns), way.title


def _order(form: ActForm, shown: Troubled) -> Done:
    order = next((order for order in Order if order.value == _key(form)), None)
    if order is None:
        raise CannotLay("Choose an order from the list.")
    laying = shown.lies.laying
    places = laid_in(shown.wall, shown.lies.places, order, laying.pins, laying.aside, form.shift)
    return shown.lies.laid(places), order.words


def _seen(_: ActForm, shown: Troubled) -> Done:
    return shown.lies.seen(), "changes checked"


_ACTS: dict[Act, Callable[[ActForm, Troubled], Done]] = {
    Act.SWAP: _swap,
    Act.MOVE: _move,
    Act.TURN: _turn,
    Act.PIN: _pin,
    Act.LET_GO: _let_go,
    Act.ASIDE: _aside,
    Act.BRING: _bring,
    Act.WAY: _way,
    Act.ORDER: _order,
    Act.SEEN: _seen,
}
