"""The Larkfell & Moor Railway refits a sleeping carriage and its crew hut.

The volunteers sew what it needs from what they have: a throw for the crew room, berth quilts of
28 x 74, lap quilts for the waiting room, a wall piece for the signal box, cushions.
"""

from collections.abc import Iterator
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from fractions import Fraction
from functools import cache
from pathlib import Path

from sqlalchemy.orm import Session

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.own_block import Cell, Kind, OwnBlock
from kersey.core.cloth.fabric import Fact, Motif, Print, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.cloth.look import write_look
from kersey.core.cloth.print_names import made_up_prints
from kersey.core.errors import KerseyError
from kersey.core.frame.purposes import OWN_SIZE, Wish
from kersey.core.leaving.put_away import PutAway, put_away
from kersey.core.measure.workshop import QUARTER_INCH
from kersey.core.planning.plan_question import planned
from kersey.core.project.bought import BoughtFor
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import Aside, CupboardLot, from_readings
from kersey.core.stash.pulled import Role, all_of, pull_pieces
from kersey.core.stash.quick_entry import read_lines, take_line
from kersey.core.work.work_order import ticked, work_order
from kersey.store.cupboard import add_lots, all_lots
from kersey.store.database import open_database
from kersey.store.preferences import claim_world, is_sample_world
from kersey.store.projects import add_project, change_project, count_projects
from kersey.store.put_away import put_project_away

# The day the carriage was brought in; the world is made anew just the same each time.
_BEGUN = datetime(2026, 3, 2, 19, 0, tzinfo=UTC)

_BERTH = "Lower berth quilt"
_CUSHION = "Cushion for the tender"
LOG_CABIN = "Smoking room log cabin"
_TUNNEL = Print("tunnel mouth", Value.DARK, Swatch(Motif.PLAIN, "#2a3439", "#56697a"))
_GREEN_BLIND = Print("guard's blind green", Value.DARK, Swatch(Motif.PLAIN, "#27493b", "#cfdcc0"))
_CREAM_PANEL = Print("carriage panel", Value.LIGHT, Swatch(Motif.FLECK, "#e9dfc6", "#b7a06f"))
_TICKET = Print("ticket stripe", Value.LIGHT, Swatch(Motif.STRIPE, "#efe7d3", "#a3342d"))


class NotTheSampleWorld(KerseyError):
    """The folder holds a person's own quilts."""


def lacks_sample_world(folder: Path) -> bool:
    """Whether a folder still lacks the sample world, and may take it.

    Raises `NotTheSampleWorld` for a folder with projects of one's own, and `UnusableData`.
    """
    engine = open_database(folder)
    with Session(engine) as session, session.begin():
        lacks = _lacks(session, folder)
    engine.dispose()
    return lacks


def load_sample_world(folder: Path) -> None:
    """Put the sample world into a folder, unless it is there already; raises the same."""
    # Planned first: nobody who writes meanwhile has to wait for it.
    projects = tuple(sample_projects())
    engine = open_database(folder)
    with Session(engine) as session, session.begin():
        if _lacks(session, folder):
            claim_world(session, is_sample=True)
            add_lots(session, sample_cupboard(), None, _BEGUN)
            for days, project in enumerate(projects, start=1):
                number = add_project(session, project, _BEGUN + timedelta(days=days))
                if project.name == _BERTH:
                    _pull_for_the_berth(session, number, _BEGUN + timedelta(days=days))
                if project.name == _CUSHION:
                    evening = _BEGUN + timedelta(days=days + 1)
                    put_project_away(session, number, 1, _put_away, evening)
            _begin_log_cabin(session, _BEGUN + timedelta(days=6))
    engine.dispose()


def _lacks(session: Session, folder: Path) -> bool:
    sample = is_sample_world(session)
    if not sample and (sample is False or count_projects(session)):
        raise NotTheSampleWorld(
            f"{folder} has your own quilts in it. Choose another folder with --data."
        )
    return sample is None


def _pull_for_the_berth(session: Session, number: int, now: datetime) -> None:
    """The berth quilt takes its border, backing and batting from the cupboard."""
    wanted = {"charcoal": Role.BORDER, "Backing": Role.BACKING, "Batting": Role.BATTING}
    lots = [stored for stored in all_lots(session) if stored.kept.name in wanted]
    more = tuple(
        replace(pulled, roles=(wanted[stored.kept.name],))
        for stored in lots
        for pulled in pull_pieces(stored.kept, stored.kept.lot.counts, stored.id)
    )
    change_project(session, number, 1, lambda project: project.pulling(more), now)


def _begin_log_cabin(session: Session, now: datetime) -> None:
    """A log cabin is tried from the curtain remnants, light and dark."""
    lots = {stored.kept.name: stored for stored in all_lots(session)}
    fabrics = tuple(
        replace(pulled, roles=(role,))
        for side, role in (("light", Role.LIGHT), ("dark", Role.DARK))
        for stored in (lots[f"curtain remnants, {side}"],)
        for pulled in pull_pieces(stored.kept, stored.kept.lot.counts, stored.id)
    )
    said = "curtain remnants, light and dark"
    design = Design(block=BlockChoice("log-cabin"), own_draft=_signal_lamp())
    add_project(session, _planned(Project(LOG_CABIN, said, fabrics, design)), now)


def _signal_lamp() -> OwnBlock:
    """A block that somebody is drawing: a lamp on a mast, shining to both sides."""
    lamp = OwnBlock("Signal lamp").with_grid(4)
    for row in range(4):
        for column in range(4):
            lamp = lamp.with_cell(Cell(row, column, roles=("background", "dark")))
    for (row, column), turn in {(0, 1): 2, (0, 2): 3, (1, 0): 2, (1, 3): 3}.items():
        lamp = lamp.with_cell(Cell(row, column, 1, 1, Kind.HALF, ("background", "light"), turn))
    lamp = lamp.with_cell(Cell(1, 1, 1, 1, Kind.HOURGLASS, ("feature", "light")))
    lamp = lamp.with_cell(Cell(1, 2, 1, 1, Kind.HOURGLASS, ("feature", "light")))
    lamp = lamp.with_cell(Cell(2, 1, 1, 2, Kind.CORNERS, ("dark", "background"), 2))
    return lamp.with_cell(Cell(3, 1, 1, 2, roles=("dark", "light")))


def _put_away(project: Project) -> PutAway:
    return put_away(make_quilt(project))


def sample_projects() -> Iterator[Project]:
    """The projects, the one begun first first."""
    yield _tender_cushion()
    yield _signal_box_wall_piece()
    yield _waiting_room_lap_quilt()
    yield _lower_berth_quilt()
    yield _crew_room_throw()


def _crew_room_throw() -> Project:
    design = Design(rows=10, columns=8)
    project = _begin("Crew room throw", "roll of 40 strips, 20 prints", design, _TUNNEL)
    return _done(project, 1)


def _lower_berth_quilt() -> Project:
    wish = Wish(OWN_SIZE, own_width=Fraction(28), own_length=Fraction(74))
    design = Design(block=_rails(3, sets=True), wish=wish, rows=12, columns=4)
    line = "34 strips 2 1/2 x 41 1/4, 17 prints"
    project = _begin(_BERTH, line, design, _GREEN_BLIND, _TICKET)
    sides = {Value.LIGHT: Role.LIGHT, Value.MEDIUM: Role.ANY, Value.DARK: Role.DARK}
    fabrics = tuple(replace(p, roles=(sides[p.print.value],)) for p in project.fabrics)
    return _planned(replace(project, fabrics=fabrics))


def _waiting_room_lap_quilt() -> Project:
    design = Design(block=_rails(4))
    return _begin("Waiting room lap quilt", "roll 40 x 6.5 cm x 107cm", design)


def _signal_box_wall_piece() -> Project:
    design = Design(block=_rails(5, sets=True), rows=4, columns=4)
    return _begin("Signal box wall piece", "30 strips 1 1/2 x 42, 15 prints", design, _CREAM_PANEL)


def _tender_cushion() -> Project:
    wish = Wish(OWN_SIZE, own_width=Fraction(18), own_length=Fraction(18))
    block = _rails(2)
    design = Design(block=block, wish=wish, rows=4, columns=4, border_width=Fraction(1))
    return _done(_begin(_CUSHION, "6 strips, 6 prints", design, _GREEN_BLIND))


def _rails(strips: int, sets: bool = False) -> BlockChoice:
    return BlockChoice("rails").with_option("strips", strips).made(faster=sets)


@cache
def _planned(project: Project) -> Project:
    """The project with its plan; the same each time, so no clock is asked."""
    return planned(project)


def _done(project: Project, steps: int | None = None) -> Project:
    """The project after the first steps were done, or all of them."""
    for step in work_order(make_quilt(project))[:steps]:
        project = ticked(project, step, done=True)
    return project


def _begin(
    name: str, line: str, design: Design, border: Print | None = None, binding: Print | None = None
) -> Project:
    lot = take_line(line).lot
    assert lot is not None
    kept = described(CupboardLot(f"strips for the {name.lower()}", lot))
    project = Project(name, line, all_of(kept), design)
    return _planned(
        project.with_bought(
            {
                BoughtFor.BORDER: border or project.bought[BoughtFor.BORDER],
                BoughtFor.BINDING: binding or project.bought[BoughtFor.BINDING],
            }
        )
    )


def described(kept: CupboardLot) -> CupboardLot:
    """A lot whose prints have names and colours of this world, in place of mere numbers."""
    lot = kept.lot
    stacks = list(lot.stacks)
    value = stacks[0].print.known_value
    fresh = iter(made_up_prints(len(stacks), value))
    for place, stack in enumerate(stacks):
        cloth = next(fresh)
        if Fact.NAME in stack.print.filled_in:
            stacks[place] = replace(stack, print=cloth)
        elif stack.print.filled_in:
            seen = replace(cloth, name=stack.print.name)
            stacks[place] = replace(stack, print=seen)
    return replace(kept, lot=replace(lot, stacks=tuple(stacks)))


_CUPBOARD = """roll of 40 strips, 20 prints "spare roll of the paint shop"
12 light fat quarters "curtain remnants, light"
9 dark fat quarters "curtain remnants, dark"
2 1/4 yd charcoal
3 yd signal green
1/2 yd directional ticket stripe
42 charm squares, 21 prints "waiting room charms"
40 ten-inch squares, 20 prints "dining car tens"
30 mini squares, 10 prints
strings 1 1/4 to 2 1/2, about 60, 9 to 30 long, upholstery strings
9 strings 1 1/2 x 30
60 triangles 2 1/2 x 2 1/2, cut-off corners
4 pieces 9 x 12 moquette
14 blocks 3 1/2, 5 prints "orphans of the dining car"
5 blocks 6 1/2, 3 prints "orphans of the mail van"
6 blocks 3 1/2 x 6 1/2, 4 prints "half blocks of the mail van"
4 blocks 5 1/2, 2 prints "trial blocks"
a shoe box, 900 g of crumbs
5 yd backing 108 wide
batting 72 x 90
"""

# What the orphan blocks are, and the colours beside their prints.
_SEWN_AS = {
    "orphans of the dining car": "half-square",
    "orphans of the mail van": "nine-patch",
    "half blocks of the mail van": "two-bar",
    "trial blocks": "ohio-star",
}
_BESIDE = (("#e6e0d0", "#93643b"), ("#27385c", "#cfd6d2"), ("#efe7d2", "#2f6b3c"))


def sample_cupboard() -> tuple[CupboardLot, ...]:
    """What lies in the carriage works' cupboard."""
    lots = tuple(map(described, from_readings(read_lines(_CUPBOARD))))
    return tuple(
        kept.set_aside(Aside.LATER) if kept.lot.form is Form.TRIANGLE else _sewn(kept)
        for kept in lots
    )


def _sewn(kept: CupboardLot) -> CupboardLot:
    """Orphan blocks that look like the block they are, each print with a light or a dark one."""
    recipe = _SEWN_AS.get(kept.name)
    if recipe is None:
        return kept
    assembly = BlockChoice(recipe).assembly(QUARTER_INCH)
    assert assembly.finished is not None
    parts = list(dict.fromkeys(f"{patch.label} {patch.role}" for patch in assembly.patches))
    stacks = []
    for n, stack in enumerate(kept.lot.stacks):
        colours = [stack.print.swatch.blend, *_BESIDE[n % len(_BESIDE)]]
        shown = {part: colours[place % len(colours)] for place, part in enumerate(parts)}
        patches = [
            (shown[f"{patch.label} {patch.role}"], patch.corners) for patch in assembly.patches
        ]
        look = write_look(patches, assembly.finished)
        swatch = replace(stack.print.swatch, look=look)
        stacks.append(replace(stack, print=replace(stack.print, swatch=swatch)))
    return replace(kept, lot=replace(kept.lot, stacks=tuple(stacks)))
