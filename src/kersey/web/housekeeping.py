"""What the server does unasked: when it starts it checks the data and makes ready to search, and
once a day it backs up."""

import asyncio
import logging
import sqlite3
from contextlib import suppress

from sqlalchemy import select
from sqlalchemy.exc import DBAPIError

from kersey.store.backup import back_up_daily
from kersey.store.data_check import check_data
from kersey.store.preferences import load_preferences
from kersey.store.tables import CupboardLotRow, ProjectRow
from kersey.store.trouble import trouble_of
from kersey.web.workroom import Workroom

_log = logging.getLogger("kersey")
# So often a server that runs for weeks looks whether a new day has begun.
_SECONDS = 600
# What the disk refuses is told; it ends nothing.
_FAULTS = (OSError, sqlite3.Error, DBAPIError)


async def keep_house(room: Workroom, over: asyncio.Event) -> None:
    """Until it is over."""
    await asyncio.to_thread(room.searches.make_ready)
    await asyncio.to_thread(_check, room)
    await asyncio.to_thread(_back_up, room)
    while not over.is_set():
        with suppress(TimeoutError):
            await asyncio.wait_for(over.wait(), _SECONDS)
            return
        await asyncio.to_thread(_back_up, room)


def _check(room: Workroom) -> None:
    try:
        with room.reading() as session:
            # Read once for the check, they are known to the first page that asks for all of them.
            room.amiss = tuple(check_data(session, room.lots.all(session)))
    except _FAULTS as error:
        room.amiss = (_why(error),)
    for sentence in room.amiss:
        _log.warning("data check: %s", sentence)


def _back_up(room: Workroom) -> None:
    room.no_backup = ""
    try:
        if _wants_backup(room):
            back_up_daily(room.data, room.clock().astimezone().date())
    except _FAULTS as error:
        room.no_backup = f"Kersey couldn't make today's backup. {_why(error)}"
        _log.warning(room.no_backup)


def _wants_backup(room: Workroom) -> bool:
    """Whether it is wanted, and there is anything to back up."""
    with room.reading() as session:
        wanted = load_preferences(session).daily_backup
        tables = (CupboardLotRow, ProjectRow)
        return wanted and any(session.scalar(select(t.id).limit(1)) for t in tables)


def _why(error: Exception) -> str:
    trouble = trouble_of(error)
    return trouble.words if trouble else f"{error}."
