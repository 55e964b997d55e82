"""What the pages share while the server runs: the database, the clock, quilts worked out."""

from collections import OrderedDict
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import UTC, datetime
from pathlib import Path
from threading import Lock
from typing import Annotated

from fastapi import Depends, Request
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from kersey.core.measure.length import Units
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.formats.cupboard_csv import CupboardTable
from kersey.searching.searches import Searches
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import StoredProject
from kersey.web.jobs import Jobs

# A list of projects shows two dozen; a few lists' worth of quilts is some megabytes.
_KEPT_QUILTS = 400


# A project, its revision, the number of its plan, and the units of whoever looks.
QuiltKey = tuple[int, int, int, Units]


def _utc_now() -> datetime:
    return datetime.now(UTC)


@dataclass
class Workroom:
    """One per server."""

    engine: Engine
    clock: Callable[[], datetime] = _utc_now
    camera: Path | None = None
    searches: Searches = field(default_factory=Searches)
    jobs: Jobs = field(default_factory=Jobs)
    photographs: "OrderedDict[str, bytes]" = field(default_factory=OrderedDict)
    spreadsheets: "OrderedDict[str, CupboardTable]" = field(default_factory=OrderedDict)
    _quilts: "OrderedDict[QuiltKey, Quilt]" = field(default_factory=OrderedDict)
    _lock: Lock = field(default_factory=Lock)

    @contextmanager
    def transaction(self) -> Iterator[Session]:
        """A session whose work is kept when the block ends well, and undone when it does not."""
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session

    def preferences(self) -> Preferences:
        """The settings as they are now."""
        with self.transaction() as session:
            return load_preferences(session)

    def kept_quilt(self, key: "QuiltKey") -> Quilt | None:
        """The quilt of a project as it stands, if it was worked out lately."""
        with self._lock:
            if key in self._quilts:
                self._quilts.move_to_end(key)
            return self._quilts.get(key)

    def quilt(self, stored: StoredProject, units: Units) -> Quilt:
        """The quilt of a project as it stands, worked out once.

        Raises `NotPlanned` or `NoQuilt` when there is none.
        """
        key = (stored.id, stored.revision, stored.plan_number, units)
        kept = self.kept_quilt(key)
        if kept is not None:
            return kept
        quilt = make_quilt(stored.project, units)
        with self._lock:
            self._quilts[key] = quilt
            while len(self._quilts) > _KEPT_QUILTS:
                self._quilts.popitem(last=False)
        return quilt


async def _workroom(request: Request) -> Workroom:
    """Asynchronous only so that no thread is taken for it."""
    room: Workroom = request.app.state.workroom
    return room


Room = Annotated[Workroom, Depends(_workroom)]
