"""A file of an older version, upgraded in one transaction and copied before.

It stands by itself because what it needs is large, and is read only where there is work for it.
"""

from filecmp import cmp
from itertools import chain, count
from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.runtime.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine
from sqlalchemy.exc import DatabaseError

from kersey.store.database import MIGRATIONS, UpgradeFailed, copy_whole, engine_of
from kersey.store.trouble import trouble_of

# Copies made before an upgrade are called so, and the last of them stay.
COPY, _COPIES = "kersey-before-upgrade-from-", 5


def upgrade(path: Path) -> None:
    """Bring a file to the newest version, altogether or not at all; raises `UpgradeFailed`."""
    # While tables are made anew, what refers to them does not go with them.
    engine = engine_of(path, foreign_keys=False)
    config = _config(engine)
    newest = ScriptDirectory.from_config(config).get_current_head()
    try:
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
    config.set_main_option("script_location", str(MIGRATIONS))
    config.set_main_option("sqlalchemy.url", str(engine.url))
    return config


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
