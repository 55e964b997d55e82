"""The wall as it is shown: what hangs where, how much it is, and what to mind."""

from collections.abc import Sequence
from fractions import Fraction
from typing import Any

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import Motif, Print, Scale, Value
from kersey.core.cloth.forms import FACTS
from kersey.core.errors import KerseyError
from kersey.core.frame.setting import Setting
from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import format_length, parse_length, write_length
from kersey.core.project.bought import BoughtFor
from kersey.core.project.project import Project
from kersey.core.project.pulling import look_over, roles_offered
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, Aside
from kersey.core.stash.lot_words import size_in_words
from kersey.core.stash.pulled import Pulled, Role, total_of
from kersey.core.stash.quick_entry import read_lots
from kersey.drawing.pieces import draw_colours
from kersey.drawing.swatch import draw_swatch
from kersey.drawing.wall import hang, scale_of, wall_tape
from kersey.store.cupboard import Find, LotLine, list_lots
from kersey.store.holdings import holdings
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context
from kersey.web.pull.changes import beside_the_others
from kersey.web.pull.stage import STAGE
from kersey.web.workroom import Workroom

_FOUND_SHOWN = 5
_USUAL_STRIP = Fraction(5, 2)
# One key for each role while a fabric has the focus.
ROLE_KEYS = {
    Role.ANY: "a",
    Role.LIGHT: "l",
    Role.DARK: "d",
    Role.BACKGROUND: "g",
    Role.FEATURE: "f",
    Role.FRAME: "e",
    Role.WINDOW: "w",
    Role.ACCENT: "n",
    Role.STRING: "u",
    Role.MIDDLE: "m",
    Role.FOUNDATION: "o",
    Role.CRUMB: "r",
    Role.SETTING: "p",
    Role.SASHING: "s",
    Role.BORDER: "b",
    Role.BINDING: "i",
    Role.BACKING: "k",
    Role.BATTING: "t",
}


def pull_context(
    room: Workroom, opened: OpenProject, chosen: str, strips: str = ""
) -> dict[str, Any]:
    """All that the page shows; `chosen` is the place of a fabric, or a part to buy for."""
    project = opened.project
    bought = {part.value: cloth for part, cloth in project.bought.items()}
    if chosen not in bought and not (chosen.isdecimal() and int(chosen) < len(project.fabrics)):
        chosen = "0" if project.fabrics else BoughtFor.BORDER.value
    strip_width, strip_error = _strip_width(strips, opened)
    wall = room.drawn(opened.reckoned, f"pull {strip_width}", lambda: _wall(opened, strip_width))
    return (
        project_context(opened, STAGE)
        | wall
        | {
            "reasons": [("", "use it again"), *((r.value, r.words) for r in Aside)],
            "usual_reason": Aside.STRANGER.value,
            "role_keys": {role: ROLE_KEYS[role] for role in roles_offered(project)},
            "all_area": sum((pulled.area for pulled in project.fabrics), Fraction(0)),
            "strip_width": strip_width,
            "strip_error": strip_error,
            "bought": _bought(project),
            "chosen": chosen,
            "cloth": bought.get(chosen) or project.fabrics[int(chosen)].print,
            "swatch": draw_swatch(bought.get(chosen) or project.fabrics[int(chosen)].print),
            "pulled": None if chosen in bought else project.fabrics[int(chosen)],
            "at_home": None if chosen in bought else _at_home(room, opened, int(chosen)),
            "reads": _reads(project, chosen, wall["beside"]),
            "all_roles": roles_offered(project),
            "all_values": list(Value),
            "motifs": list(Motif),
            "scales": list(Scale),
            "families": FAMILIES,
            **found_context(room, opened, ""),
        }
    )


def _wall(opened: OpenProject, strip_width: Fraction) -> dict[str, Any]:
    """What hangs there and what is to be said of it, whichever fabric is chosen."""
    project = opened.project
    aside = [pulled.lot for pulled in project.fabrics if pulled.aside]
    scale = scale_of([*([p.lot for p in group] for _, group in _by_role(project)), aside])
    items = [_item(pulled, n, opened, scale) for n, pulled in enumerate(project.fabrics)]
    beside = beside_the_others(project)
    return {
        "beside": beside,
        "groups": _groups(opened, items, strip_width, scale),
        "empty_roles": [
            r for r in roles_offered(project) if not any(p.serves(r) for p in project.fabrics)
        ],
        "set_aside": [item for item in items if item["pulled"].aside],
        "pieces": _pieces(project),
        "values": _values(project),
        "mind": look_over(project, opened.units),
        "read_otherwise": _read_otherwise(project, beside),
    }


def found_lots(room: Workroom, words: str) -> list[LotLine]:
    """Lots in the cupboard that are called so."""
    if not words.strip():
        return []
    with room.reading() as session:
        return list_lots(session, Find(words=words[:100]), 0, _FOUND_SHOWN)


def found_context(room: Workroom, opened: OpenProject, words: str) -> dict[str, Any]:
    """Lots whose name is typed; when there are none, the words read as fabric to put in."""
    lines = found_lots(room, words)
    held: dict[int, int] = {}
    if lines:
        with room.reading() as session:
            for holding in holdings(session, [line.id for line in lines]):
                held[holding.lot_id] = held.get(holding.lot_id, 0) + holding.count
    readings = read_lots(words, opened.preferences.workshop) if words.strip() else ()
    return {
        "words": words,
        "found": [_found_line(line, held.get(line.id, 0), opened) for line in lines],
        "readings": readings,
        "all_taken": bool(readings) and all(reading.taken for reading in readings),
        "project_id": opened.stored.id,
        "revision": opened.stored.revision,
        "units": opened.units,
    }


def _strip_width(said: str, opened: OpenProject) -> tuple[Fraction, str]:
    usual = opened.project.strip_width or _USUAL_STRIP
    if not said.strip():
        return usual, ""
    try:
        width = parse_length(said, opened.units)
    except KerseyError as error:
        return usual, str(error)
    return (width, "") if 0 < width <= 60 else (usual, "A strip can be up to 60″ wide, like 2 1/2.")


def _item(pulled: Pulled, place: int, opened: OpenProject, scale: float) -> dict[str, Any]:
    drawing, narrow = hang(pulled.lot, opened.units, scale)
    facts = FACTS[pulled.kept.lot.form]
    return {
        "place": place,
        "pulled": pulled,
        "name": pulled.print.name,
        "drawing": drawing,
        "narrow": narrow,
        "much": _much(pulled, opened),
        "words": counted(pulled.count, facts.one) if facts.counted else _much(pulled, opened),
    }


def _much(pulled: Pulled, opened: OpenProject) -> str:
    """How much of it hangs there, as short as can be."""
    lot = pulled.kept.lot
    if lot.grams is not None:
        return f"{lot.grams} g"
    if lot.form in CUT_FROM_THE_LENGTH and pulled.count == 1:
        return format_length(pulled.length, opened.units)
    return str(pulled.count)


def _by_role(project: Project) -> list[tuple[Role, list[Pulled]]]:
    """The roles that something serves, with what serves them."""
    serving = [(role, [p for p in project.fabrics if p.serves(role)]) for role in Role]
    return [(role, group) for role, group in serving if group]


def _groups(
    opened: OpenProject, items: list[dict[str, Any]], strip_width: Fraction, scale: float
) -> list[dict[str, Any]]:
    """Each role with its fabrics, drawn, and its totals."""
    return [
        {
            "role": role,
            "total": total_of(role, opened.project.fabrics, strip_width),
            "tape": wall_tape([pulled.lot for pulled in group], opened.units, scale),
            "items": [item for item in items if item["pulled"].serves(role)],
        }
        for role, group in _by_role(opened.project)
    ]


def _bought(project: Project) -> dict[str, tuple[Print, str]]:
    """Prints to buy: for the parts that no pulled fabric serves."""
    served = {role for role in Role if any(p.serves(role) for p in project.fabrics)}
    for_borders = {p.print for p in project.fabrics if p.serves(Role.BORDER)}
    parts = {BoughtFor.BORDER: Role.BORDER, BoughtFor.BINDING: Role.BINDING}
    design = project.design
    if design.parted_by.width:
        parts[BoughtFor.SASHING] = Role.SASHING
    if design.setting is not Setting.STRAIGHT:
        parts[BoughtFor.SETTING] = Role.SETTING
    found = {part: project.bought[part] for part, role in parts.items() if role not in served}
    if len(for_borders) <= len(design.outer_borders) and design.outer_borders:
        found[BoughtFor.OUTER] = project.bought[BoughtFor.OUTER]
    return {part.value: (cloth, draw_swatch(cloth)) for part, cloth in found.items()}


def _at_home(room: Workroom, opened: OpenProject, place: int) -> dict[str, Any]:
    """How many of the chosen print there are, and who else holds some."""
    pulled = opened.project.fabrics[place]
    assert pulled.lot_number is not None
    with room.reading() as session:
        held = [
            holding
            for holding in holdings(session, [pulled.lot_number])
            if holding.stack_id == pulled.stack.number and holding.project_id != opened.stored.id
        ]
    return {"pieces": pulled.stack.count, "others": held}


def _pieces(project: Project) -> tuple[int, str]:
    """How much is pulled: strips if it is all strips, else pieces."""
    count = sum(pulled.count for pulled in project.fabrics)
    forms = {pulled.kept.lot.form for pulled in project.fabrics}
    if len(forms) != 1:
        return count, noun_for(count, "piece")
    return count, noun_for(count, FACTS[forms.pop()].one)


def _values(project: Project) -> list[tuple[str, int]]:
    """Pieces of each value."""
    names: dict[Value | None, str] = {value: value.value for value in Value}
    return [
        (words, sum(p.count for p in project.fabrics if p.print.known_value is value))
        for value, words in (names | {None: "with no value set"}).items()
    ]


def _reads(project: Project, chosen: str, beside: Sequence[Value | None]) -> Value | None:
    """How the chosen fabric reads beside the others, where that is not what it is called."""
    if not chosen.isdecimal():
        return None
    value = beside[int(chosen)]
    return None if value is project.fabrics[int(chosen)].print.known_value else value


def _read_otherwise(project: Project, beside: Sequence[Value | None]) -> int:
    return sum(
        value is not None and pulled.print.known_value is not value
        for pulled, value in zip(project.fabrics, beside, strict=True)
    )


def _found_line(line: LotLine, held: int, opened: OpenProject) -> dict[str, Any]:
    facts = FACTS[line.form]
    free = line.count - held
    by_length = line.form in CUT_FROM_THE_LENGTH and line.count == 1
    return {
        "line": line,
        "colours": draw_colours(line.blends),
        "free": free,
        "words": f"{counted(free, facts.one)}" if facts.one != facts.many else f"{free}",
        "size": size_in_words(line, opened.units),
        "whole": write_length(line.usable_length, opened.units) if by_length else free,
    }
