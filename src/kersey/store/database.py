"""The database file: opened with care, upgraded in steps, copied before it is upgraded."""

import sqlite3
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.runtime.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DatabaseError

from kersey.core.errors import KerseyError

FILE_NAME = "kersey.db"
_MIGRATIONS = Path(__file__).parent / "migrations"
# Long enough for another tab's write to finish, short enough that nobody wonders.
_WAIT_SECONDS = 10


class UnusableData(KerseyError):
    """The data folder or the file in it cannot be used."""


def open_database(folder: Path) -> Engine:
    """Open the database in a folder, making both if they are missing, and upgrade it.

    A file of an older version is copied beside itself before it is upgraded. Raises
    `UnusableData` for a file that is no database, or one that a newer Kersey has written.
    """
    path = folder / FILE_NAME
    try:
        folder.mkdir(parents=True, exist_ok=True)
        engine = _engine(path)
        _upgrade(engine, path)
    except OSError as error:
        raise UnusableData(f"Kersey can't use the folder {folder}: {error.strerror}.") from error
    except (DatabaseError, sqlite3.DatabaseError) as error:
        raise UnusableData(
            f"Kersey can't read {path}. Move that file or choose another folder with --data. "
            "Nothing in it was changed."
        ) from error
    return engine


def _engine(path: Path) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": _WAIT_SECONDS})
    event.listen(engine, "connect", _prepare_connection)
    event.listen(engine, "begin", _begin)
    return engine


def only_reading(engine: Engine) -> Engine:
    """The same database for transactions that write nothing, and keep nobody from writing."""
    return engine.execution_options(only_reading=True)


def _prepare_connection(connection: Any, _record: Any) -> None:
    # Where sqlite3 begins transactions itself, reads and DDL stand outside of them.
    connection.isolation_level = None
    for pragma in ("journal_mode = WAL", "foreign_keys = ON", "synchronous = NORMAL"):
        connection.execute(f"PRAGMA {pragma}")


def _begin(connection: Connection) -> None:
    """Begin a transaction; one that writes has the write lock from its first statement on."""
    reading = connection.get_execution_options().get("only_reading", False)
    connection.exec_driver_sql(f"PRAGMA query_only = {'ON' if reading else 'OFF'}")
    connection.exec_driver_sql("BEGIN" if reading else "BEGIN IMMEDIATE")


def _upgrade(engine: Engine, path: Path) -> None:
    config = _config(engine)
    newest = ScriptDirectory.from_config(config).get_current_head()
    with engine.begin() as connection:
        current = MigrationContext.configure(connection).get_current_revision()
    if current == newest:
        return
    if current is not None:
        _check_known(config, current, path)
        _copy(path, path.with_name(f"kersey-before-upgrade-from-{current}.db"))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")


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


def _copy(path: Path, copy: Path) -> None:
    with sqlite3.connect(path) as source, sqlite3.connect(copy) as target:
        source.backup(target)
    source.close()
    target.close()
