"""The database file: opened with care, upgraded in steps, copied before it is upgraded."""

import os
import sqlite3
from contextlib import closing
from importlib import import_module
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DatabaseError

from kersey.core.errors import KerseyError
from kersey.store.trouble import Trouble, trouble_of

FILE_NAME = "kersey.db"
MIGRATIONS = Path(__file__).parent / "migrations"
# Long enough for another tab's write to finish, short enough that nobody wonders.
_WAIT_SECONDS = 10


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
    return engine_of(path)


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


def engine_of(path: Path, foreign_keys: bool = True) -> Engine:
    """The database in a file, with every connection made ready."""
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
    """Bring the file to the newest version; what does that is large, and read only when needed."""
    known = {script.name[:4] for script in MIGRATIONS.glob("versions/[0-9]*.py")}
    version = _version(path)
    if version == max(known):
        return
    if version is not None and version not in known:
        raise UnusableData(
            f"{path} was saved by a newer version of Kersey. Install that version or choose "
            "another folder with --data. Nothing in it was changed."
        )
    import_module("kersey.store.upgrade").upgrade(path)


def _version(path: Path) -> str | None:
    """The version that a file was written by; None for one that is still to be made."""
    with closing(sqlite3.connect(path, timeout=_WAIT_SECONDS)) as connection:
        made = "SELECT 1 FROM sqlite_master WHERE name = 'alembic_version'"
        if connection.execute(made).fetchone() is None:
            return None
        found: tuple[str] | None = connection.execute(
            "SELECT version_num FROM alembic_version"
        ).fetchone()
        return found and found[0]
