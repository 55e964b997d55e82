"""An upgrade that dies at any statement: nothing is half done, and it opens the next time."""

import shutil
import sqlite3
from contextlib import closing
from functools import cache, partial
from pathlib import Path
from typing import Any

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine, text
from tests.nights import at_night, by_night
from tests.once import alone
from tests.store.dying import die_before, dies
from tests.store.test_database import OLD_QUILT

from kersey.store.database import FILE_NAME, UpgradeFailed, open_database
from kersey.store.upgrade import COPY

FOLDER = "src/kersey/store/migrations"
VERSIONS = [f"{number:04}" for number in range(1, 21)]
# By day it dies at every so manieth statement only.
EVERY = 1 if by_night() else 9
Rows = dict[str, list[tuple[Any, ...]]]


@cache
def data_of(version: str) -> Path:
    """Data as a Kersey of this version left them: a quilt, its strips and its cupboard."""
    with alone(f"version-{version}") as folder:
        if not folder.exists():
            folder.mkdir()
            engine = create_engine(f"sqlite:///{folder / FILE_NAME}")
            config = Config()
            config.set_main_option("script_location", FOLDER)
            with engine.begin() as connection:
                config.attributes["connection"] = connection
                command.upgrade(config, min(version, "0002"))
                if version >= "0002":
                    for statement in filter(str.strip, OLD_QUILT.split(";")):
                        connection.execute(text(statement))
                command.upgrade(config, version)
            engine.dispose()
    return folder


@pytest.mark.parametrize("version", ["0002", "0012", *at_night(["0001", *VERSIONS[2:11]])])
def test_killed_at_every_statement_it_opens_and_nothing_is_lost(
    tmp_path: Path, version: str
) -> None:
    before = rows(data_of(version))
    whole = copied(data_of(version), tmp_path / "whole")
    open_database(whole).dispose()
    statement, crashed = 1, tmp_path / "crashed"
    while dies(partial(open_up_to, copied(data_of(version), crashed), statement)):
        assert rows(crashed) == before, f"half done before statement {statement}"
        for copy in crashed.glob(f"{COPY}*.db"):
            assert rows(crashed, copy.name) == before
        open_database(crashed).dispose()
        assert rows(crashed) == rows(whole)
        statement += EVERY
    assert statement > EVERY


def test_copies_are_never_overwritten_and_the_last_five_stay(tmp_path: Path) -> None:
    folder = copied(data_of("0012"), tmp_path / "data")
    for number in range(7):
        with closing(sqlite3.connect(folder / FILE_NAME)) as opened, opened:
            opened.execute("UPDATE project SET name = ?", (f"Berth {number}",))
        open_database(folder).dispose()
        shutil.copy(data_of("0012") / FILE_NAME, folder / FILE_NAME)
    names = {rows(folder, copy.name)["project"][0][2] for copy in folder.glob(f"{COPY}*.db")}
    assert names == {f"Berth {number}" for number in range(2, 7)}


def test_what_cannot_be_upgraded_is_left_and_says_what_to_do(tmp_path: Path) -> None:
    folder = copied(data_of("0002"), tmp_path / "data")
    with closing(sqlite3.connect(folder / FILE_NAME)) as opened, opened:
        # A table of this name is in the way.
        opened.execute("CREATE TABLE put_away (project_id INTEGER)")
    before = rows(folder)
    with pytest.raises(UpgradeFailed, match="Nothing in it was changed") as failed:
        open_database(folder)
    assert f"{COPY}0002.db" in str(failed.value)
    assert rows(folder) == before == rows(folder, f"{COPY}0002.db")


def copied(folder: Path, to: Path) -> Path:
    shutil.rmtree(to, ignore_errors=True)
    shutil.copytree(folder, to)
    return to


def rows(folder: Path, name: str = FILE_NAME) -> Rows:
    """All rows of all tables."""
    with closing(sqlite3.connect(folder / name)) as opened:
        assert opened.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        tables = opened.execute("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
        return {
            table: opened.execute(f"SELECT * FROM {table}").fetchall()
            for (table,) in tables.fetchall()
        }


def open_up_to(folder: Path, statement: int = 0) -> None:
    if statement:
        die_before(statement)
    open_database(folder).dispose()
