"""The database file: opened with care, upgraded in steps, copied before it is upgraded."""

import os
import sqlite3
from contextlib import closing
from filecmp import cmp
from itertools import chain, count
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.runtime.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DatabaseError

from kersey.core.errors import KerseyError
from kersey.store.trouble import Trouble, trouble_of

FILE_NAME = "kersey.db"
_MIGRATIONS = Path(__file__).parent / "migrations"
# Long enough for another tab's write to finish, short enough that nobody wonders.
_WAIT_SECONDS = 10
# Copies made before an upgrade are called so, and the last of them stay.
COPY, _COPIES = "kersey-before-upgrade-from-", 5


class UnusableData(KerseyError):
    """The data folder or the file in it cannot be used."""


class UpgradeFailed(UnusableData):
    """A file of an older version could not be upgraded; it is as it was."""

    def __init__(self, path: Path, copy: Path | None, trouble: Trouble | None) -> None:
        also = f" A copy of it is in {copy.name}." if copy else ""
        way_out = (
            trouble.words
            if trouble
            else (
                "Start Kersey again; if that doesn't help, go on with the version you had and "
                "report this."
            )
        )
        super().__init__(
            f"Kersey couldn't bring {path} up to date. Nothing in it was changed.{also} {way_out}"
        )


def open_kept(folder: Path) -> Engine:
    """Open a database that is there; raises `UnusableData` also where none is."""
    if not (folder / FILE_NAME).is_file():
        raise UnusableData(f"There is no Kersey data in {folder}. Check the folder's name.")
    return open_database(folder)


def open_database(folder: Path) -> Engine:
    """Open the database in a folder, making both if they are missing, and upgrade it.

    A file of an older version is copied beside itself, then upgraded altogether or not at all.
    Raises `UnusableData` for a file that is no database, or one that a newer Kersey has written,
    and `UpgradeFailed`.
    """
    path = folder / FILE_NAME
    try:
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        _upgrade(path)
        # What belongs to the file is made as it is: nobody but its owner reads any of it.
        path.chmod(0o600)
    except (OSError, DatabaseError, sqlite3.DatabaseError) as error:
        trouble = trouble_of(error)
        way_out = trouble.words if trouble else f"{error}."
        raise UnusableData(
            f"Kersey can't open {path}. {way_out} Nothing in it was changed."
        ) from error
    return _engine(path)


def copy_whole(path: Path, target: Path) -> None:
    """Copy the database as it is at one moment, whole on the disk, whoever writes meanwhile."""
    target.unlink(missing_ok=True)
    target.touch(mode=0o600)
    run_into(path, target)
    with target.open("rb+") as written:
        os.fsync(written.fileno())


def run_into(path: Path, target: Path) -> None:
    """Let a database take the place of another, in one transaction of that."""
    with closing(sqlite3.connect(path)) as source, closing(sqlite3.connect(target)) as into:
        source.backup(into)


def in_use(path: Path) -> bool:
    """Whether another program has the database open: only who is alone may change its journal."""
    if not path.exists():
        return False
    with closing(sqlite3.connect(path, timeout=0)) as connection:
        try:
            connection.execute("PRAGMA journal_mode = DELETE")
        except sqlite3.Error as error:
            return trouble_of(error) is Trouble.BUSY
    return False


def _engine(path: Path, foreign_keys: bool = True) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": _WAIT_SECONDS})

    def prepare(connection: Any, _record: Any) -> None:
        # Where sqlite3 begins transactions itself, reads and DDL stand outside of them.
        connection.isolation_level = None
        keys = "ON" if foreign_keys else "OFF"
        for pragma in ("journal_mode = WAL", f"foreign_keys = {keys}", "synchronous = NORMAL"):
            connection.execute(f"PRAGMA {pragma}")

    event.listen(engine, "connect", prepare)
    event.listen(engine, "begin", _begin)
    return engine


def only_reading(engine: Engine) -> Engine:
    """The same database for transactions that write nothing, and keep nobody from writing."""
    return engine.execution_options(only_reading=True)


def _begin(connection: Connection) -> None:
    """Begin a transaction; one that writes has the write lock from its first statement on."""
    reading = connection.get_execution_options().get("only_reading", False)
    connection.exec_driver_sql(f"PRAGMA query_only = {'ON' if reading else 'OFF'}")
    connection.exec_driver_sql("BEGIN" if reading else "BEGIN IMMEDIATE")


def _upgrade(path: Path) -> None:
    """Bring the file to the newest version, in one transaction."""
    # While tables are made anew, what refers to them does not go with them.
    engine = _engine(path, foreign_keys=False)
    config = _config(engine)
    newest = ScriptDirectory.from_config(config).get_current_head()
    try:
        with only_reading(engine).connect() as connection:
            current = MigrationContext.configure(connection).get_current_revision()
        if current == newest:
            return
        if current is not None:
            _check_known(config, current, path)
        with engine.begin() as connection:
            # Another Kersey may have done it meanwhile.
            current = MigrationContext.configure(connection).get_current_revision()
            copy = _copy(path, current) if current not in {None, newest} else None
            try:
                config.attributes["connection"] = connection
                command.upgrade(config, "head")
                _check_keys(connection)
            except (DatabaseError, RuntimeError) as error:
                raise UpgradeFailed(path, copy, trouble_of(error)) from error
    finally:
        engine.dispose()


def _check_keys(connection: Connection) -> None:
    """Raise `RuntimeError` where something refers to what is not there."""
    astray = connection.exec_driver_sql("PRAGMA foreign_key_check").all()
    if astray:
        raise RuntimeError(f"{astray[0][0]} refers to a missing {astray[0][2]}")


def _config(engine: Engine) -> Config:
    config = Config()
    config.set_main_option("script_location", str(_MIGRATIONS))
    config.set_main_option("sqlalchemy.url", str(engine.url))
    return config


def _check_known(config: Config, current: str, path: Path) -> None:
    known = {script.revision for script in ScriptDirectory.from_config(config).walk_revisions()}
    if current not in known:
        raise UnusableData(
            f"{path} was saved by a newer version of Kersey. Install that version or choose "
            "another folder with --data. Nothing in it was changed."
        )


def _copy(path: Path, version: str) -> Path:
    """A copy of the file beside it, whole on the disk before it has its name; none is overwritten.

    Where the newest copy is just like it there is no other; the last `_COPIES` stay.
    """
    part = path.with_name(f"{COPY}{version}.part")
    copy_whole(path, part)
    copies = sorted(path.parent.glob(f"{COPY}*.db"), key=lambda copy: copy.stat().st_mtime_ns)
    if copies and cmp(copies[-1], part, shallow=False):
        part.unlink()
        return copies[-1]
    numbered = chain([""], (f"-{number}" for number in count(2)))
    names = (path.with_name(f"{COPY}{version}{number}.db") for number in numbered)
    copy = next(name for name in names if not name.exists())
    part.rename(copy)
    for old in copies[: max(0, len(copies) + 1 - _COPIES)]:
        old.unlink()
    return copy
