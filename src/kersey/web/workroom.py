"""What the pages share while the server runs: the database, the clock, what was worked out."""

from collections import OrderedDict
from collections.abc import Callable, Hashable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import UTC, datetime
from functools import cached_property
from pathlib import Path
from threading import Lock
from typing import Annotated, Any, TypeVar

from fastapi import Depends, Request
from sqlalchemy import Engine
from sqlalchemy.orm import Session
from starlette.responses import RedirectResponse

from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units
from kersey.core.planning.standing import Standing, standing_of
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, yield_asked
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.work.work_order import Step, work_order
from kersey.formats.cupboard_csv import CupboardTable
from kersey.searching.searches import Searches
from kersey.store.cupboard import cupboard_state
from kersey.store.database import only_reading
from kersey.store.devices import is_paired
from kersey.store.known_lots import KnownLots
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import StoredProject
from kersey.web.door import Door
from kersey.web.jobs import Answer, Job, Jobs

# A list of projects shows two dozen; a few lists' worth of them is some megabytes.
_REMEMBERED = 400
# A page's drawings are a hundred kilobytes, so only those looked at lately are.
_DRAWN = 120

# Lists of all that is free are long, so only the few that pages ask for lately are kept.
_OF_CUPBOARD = 8

_Found = TypeVar("_Found")
# A project, its revision, the number of its plan, and the units of whoever looks.
ReckonedKey = tuple[int, int, int, Units]
# What a template shows, by its names there.
Drawings = dict[str, Any]


def _utc_now() -> datetime:
    return datetime.now(UTC)


@dataclass(frozen=True)
class Reckoned:
    """A project as it is kept, and what follows from it; each is worked out once, when wanted.

    `beside` holds what single stages make of it, by its type.
    """

    stored: StoredProject
    units: Units
    beside: dict[type, object] = field(default_factory=dict, compare=False)

    @property
    def key(self) -> ReckonedKey:
        """What it is remembered by: the project as it then was, and the units it is shown in."""
        return (self.stored.id, self.stored.revision, self.stored.plan_number, self.units)

    @property
    def project(self) -> Project:
        return self.stored.project

    @cached_property
    def asked(self) -> YieldAsked:
        """Its question to the search; raises `NothingToCut` or `BadRecipe`."""
        return yield_asked(self.project)

    @cached_property
    def standing(self) -> Standing:
        """How it stands to the plan that is kept with it."""
        try:
            return standing_of(self.project, self.asked.fingerprint)
        except KerseyError:
            return standing_of(self.project, None)

    @cached_property
    def quilt(self) -> Quilt:
        """Its quilt; raises `NotPlanned` or `NoQuilt` when there is none, or why none can be asked
        for.

        A plan that was only proposed does not outlive the fabric it was made for.
        """
        if self.standing is Standing.NOTHING:
            # Asked for its reason alone.
            self.asked  # noqa: B018
        return make_quilt(self.project, self.units)

    @cached_property
    def steps(self) -> tuple[Step, ...]:
        """The work order of its quilt."""
        return work_order(self.quilt)


@dataclass
class Tape:
    """A digital tape: its last reading as it was sent, and how many it has sent so far."""

    read: str = ""
    sent: int = 0


@dataclass
class Workroom:
    """One per server."""

    engine: Engine
    clock: Callable[[], datetime] = _utc_now
    camera: Path | None = None
    label_printer: Path | None = None
    tape: Tape = field(default_factory=Tape)
    door: Door = field(default_factory=Door)
    lots: KnownLots = field(default_factory=KnownLots)
    searches: Searches = field(default_factory=Searches)
    jobs: Jobs = field(default_factory=Jobs)
    sample: Job | None = None
    # What does not add up in the data, and why there is no backup of today.
    amiss: tuple[str, ...] = ()
    no_backup: str = ""
    photographs: "OrderedDict[str, bytes]" = field(default_factory=OrderedDict)
    spreadsheets: "OrderedDict[str, CupboardTable]" = field(default_factory=OrderedDict)
    _reckoned: "OrderedDict[ReckonedKey, Reckoned]" = field(default_factory=OrderedDict)
    _drawn: "OrderedDict[tuple[ReckonedKey, str], Drawings]" = field(default_factory=OrderedDict)
    _of_cupboard: "OrderedDict[Hashable, tuple[tuple[int, ...], Any]]" = field(
        default_factory=OrderedDict
    )
    _lock: Lock = field(default_factory=Lock)

    def make_sample(self, make: Callable[[], None]) -> None:
        """Make the sample world while pages are shown already."""

        def made(_job: Job) -> Answer:
            make()
            return lambda request: RedirectResponse(request.app.url_path_for("first_page"), 303)

        self.sample = self.jobs.begin("Making the sample quilts", made, wait=False)[1]

    @property
    def data(self) -> Path:
        """The folder the data are in."""
        return Path(self.engine.url.database or "").parent

    @contextmanager
    def transaction(self) -> Iterator[Session]:
        """A session whose work is kept when the block ends well, and undone when it does not.

        Nobody else writes meanwhile: what it has read is so until it ends.
        """
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that only looks, at one state of the data, while others may write."""
        engine = only_reading(self.engine)
        with Session(engine, expire_on_commit=False) as session, session.begin():
            yield session

    def knows_device(self, secret: str) -> bool:
        """Whether a device that shows this secret was paired, and not sent away since."""
        with self.reading() as session:
            return is_paired(session, secret)

    def preferences(self) -> Preferences:
        """The settings as they are now."""
        with self.reading() as session:
            return load_preferences(session)

    def of_cupboard(self, what: Hashable, work_out: Callable[[], _Found]) -> _Found:
        """What follows from the cupboard and what is held of it: worked out once, until that
        changes."""
        with self.reading() as session:
            state = cupboard_state(session)
        with self._lock:
            known = self._of_cupboard.get(what)
        if known is None or known[0] != state:
            known = state, work_out()
        with self._lock:
            self._of_cupboard[what] = known
            self._of_cupboard.move_to_end(what)
            while len(self._of_cupboard) > _OF_CUPBOARD:
                self._of_cupboard.popitem(last=False)
        found: _Found = known[1]
        return found

    def remembered(self, key: ReckonedKey) -> Reckoned | None:
        """A project as it stands, if it was opened lately."""
        with self._lock:
            if key in self._reckoned:
                self._reckoned.move_to_end(key)
            return self._reckoned.get(key)

    def reckoned(self, stored: StoredProject, units: Units) -> Reckoned:
        """A project as it stands, with what was worked out of it before."""
        fresh = Reckoned(stored, units)
        with self._lock:
            known = self._reckoned.setdefault(fresh.key, fresh)
            self._reckoned.move_to_end(fresh.key)
            while len(self._reckoned) > _REMEMBERED:
                self._reckoned.popitem(last=False)
        return known

    def drawn(self, reckoned: Reckoned, page: str, draw: Callable[[], Drawings]) -> Drawings:
        """What a page shows that follows from a project alone, as it was drawn before."""
        known = self.drawn_before(reckoned, page)
        return self.keep_drawn(reckoned, page, draw()) if known is None else known

    def drawn_before(self, reckoned: Reckoned, page: str) -> Drawings | None:
        """What a page showed of a project that is still as it was."""
        with self._lock:
            return self._drawn.get((reckoned.key, page))

    def keep_drawn(self, reckoned: Reckoned, page: str, drawings: Drawings) -> Drawings:
        """Remember what a page shows; it must follow from the project and its plan alone."""
        with self._lock:
            self._drawn[reckoned.key, page] = drawings
            self._drawn.move_to_end((reckoned.key, page))
            while len(self._drawn) > _DRAWN:
                self._drawn.popitem(last=False)
        return drawings


async def _workroom(request: Request) -> Workroom:
    """Asynchronous only so that no thread is taken for it."""
    room: Workroom = request.app.state.workroom
    return room


Room = Annotated[Workroom, Depends(_workroom)]
