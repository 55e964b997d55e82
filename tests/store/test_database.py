"""The file: pragmas, migrations that match the tables, copies before upgrades, bad files."""

import sqlite3
from pathlib import Path

import pytest
from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text

from kersey.store.database import FILE_NAME, UnusableData, open_database
from kersey.store.tables import Table


def test_pragmas_and_tables(tmp_path: Path) -> None:
    engine = open_database(tmp_path)
    with engine.connect() as connection:
        assert connection.execute(text("PRAGMA journal_mode")).scalar() == "wal"
        assert connection.execute(text("PRAGMA foreign_keys")).scalar() == 1
        context = MigrationContext.configure(connection)
        assert compare_metadata(context, Table.metadata) == []
    engine.dispose()


def test_opening_again_changes_nothing(tmp_path: Path) -> None:
    open_database(tmp_path).dispose()
    open_database(tmp_path).dispose()
    assert not list(tmp_path.glob("kersey-before-*"))


def test_an_older_file_is_copied_then_upgraded_and_nothing_is_lost(tmp_path: Path) -> None:
    folder = "src/kersey/store/migrations"
    old = create_engine(f"sqlite:///{tmp_path / FILE_NAME}")
    config = Config()
    config.set_main_option("script_location", folder)
    with old.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0001")
        connection.execute(
            text("INSERT INTO preferences VALUES (1, 3, '3/8', '40', 'cm', 'dark', 'a4')")
        )
    old.dispose()
    engine = open_database(tmp_path)
    with engine.connect() as connection:
        assert compare_metadata(MigrationContext.configure(connection), Table.metadata) == []
        assert connection.execute(text("SELECT seam FROM preferences")).scalar() == "3/8"
    engine.dispose()
    copy = sqlite3.connect(tmp_path / "kersey-before-upgrade-from-0001.db")
    assert copy.execute("SELECT seam FROM preferences").fetchone() == ("3/8",)
    assert copy.execute("SELECT version_num FROM alembic_version").fetchone() == ("0001",)
    copy.close()


def test_a_file_of_a_newer_version_is_left_alone(tmp_path: Path) -> None:
    open_database(tmp_path).dispose()
    with sqlite3.connect(tmp_path / FILE_NAME) as connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999'")
    connection.close()
    with pytest.raises(UnusableData, match="newer Kersey"):
        open_database(tmp_path)


def test_a_file_that_is_no_database_is_left_alone(tmp_path: Path) -> None:
    path = tmp_path / FILE_NAME
    path.write_bytes(b"a shopping list, not a database" * 50)
    before = path.read_bytes()
    with pytest.raises(UnusableData, match="cannot be read"):
        open_database(tmp_path)
    assert path.read_bytes() == before


def test_a_folder_that_cannot_be_made(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("")
    with pytest.raises(UnusableData, match="cannot be used"):
        open_database(tmp_path / "file")
