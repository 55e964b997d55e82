"""The file: pragmas, migrations that match the tables, copies before upgrades, bad files."""

import sqlite3
from fractions import Fraction
from pathlib import Path

import pytest
from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session

from kersey.core.project.bought import BoughtFor
from kersey.core.stash.ledger import balance
from kersey.store.cupboard import Find, all_lots, count_lots
from kersey.store.database import FILE_NAME, UnusableData, open_database
from kersey.store.holdings import free_pieces
from kersey.store.ledger import entries_of_lot
from kersey.store.projects import get_project
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


OLD_QUILT = """
INSERT INTO project VALUES (7, 4, 'Berth', 'said', '2026-03-02T19:00:00+00:00',
  '2026-03-02T20:00:00+00:00', NULL, 3, 'segments', NULL, 'any', '12', '0', NULL, NULL, 9, 8, NULL,
  '5/2', 1, '2', NULL, '1/4', '42');
INSERT INTO bought VALUES (7, 'border', 'blind', 'dark', 'plain', '#2b3a4a', '#56697a');
INSERT INTO bought VALUES (7, 'binding', 'lamp', 'dark', 'dot', '#8f2f2a', '#e9cfae');
INSERT INTO done_step VALUES (7, 'check-1');
INSERT INTO lot VALUES (3, 7, 0, 'strip', '5/2', '42', '165/4');
INSERT INTO stack VALUES (3, 0, 30, 'lamp red', 'medium', 'stripe', '#a3342d', '#ecd6b5');
INSERT INTO stack VALUES (3, 1, 10, 'tarn', 'medium', 'dot', '#3d7276', '#cfe2dc');
INSERT INTO stack VALUES (3, 2, 0, 'none left', 'light', 'plain', '#ffffff', '#eeeeee');
INSERT INTO cupboard_lot VALUES (2, 5, '2026-03-01T19:00:00+00:00', NULL, 'charcoal', NULL,
  'yardage', '42', 42.0, 1, 1, 'dark', 'neutral', 'charcoal', '#3b4046', '81', NULL, NULL, NULL,
  NULL, 0, 0, '0', NULL);
INSERT INTO cupboard_stack VALUES (2, 0, 1, 'charcoal', 'dark', 'plain', '#3b4046', '#7d858d');
"""


def test_strips_that_a_project_held_itself_lie_in_the_cupboard_after_an_upgrade(
    tmp_path: Path,
) -> None:
    old = create_engine(f"sqlite:///{tmp_path / FILE_NAME}")
    config = Config()
    config.set_main_option("script_location", "src/kersey/store/migrations")
    with old.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0002")
        for statement in filter(str.strip, OLD_QUILT.split(";")):
            connection.execute(text(statement))
    old.dispose()
    engine = open_database(tmp_path)
    with engine.connect() as connection:
        assert compare_metadata(MigrationContext.configure(connection), Table.metadata) == []
    with Session(engine) as session:
        stored = get_project(session, 7)
        assert stored.revision == 4
        assert [pulled.count for pulled in stored.project.fabrics] == [30, 10]
        assert {pulled.length for pulled in stored.project.fabrics} == {Fraction(165, 4)}
        assert stored.project.bought[BoughtFor.BORDER].name == "blind"
        assert stored.project.done == {"check-1"}
        assert not stored.project.sketch
        lots = {s.kept.name: s for s in all_lots(session)}
        assert set(lots) == {"charcoal", "Berth"}
        assert [s.print.name for s in lots["Berth"].kept.lot.stacks][2] == "none left"
        assert free_pieces(session, lots["Berth"].id) == (0, 0, 0)
        for kept in lots.values():
            sums = balance(entries_of_lot(session, kept.id))
            assert sums.there == kept.kept.lot.area
            assert sums.whole_pieces == kept.kept.lot.count
        assert count_lots(session, Find(family="teal")) == 1
    engine.dispose()


def test_a_file_of_a_newer_version_is_left_alone(tmp_path: Path) -> None:
    open_database(tmp_path).dispose()
    with sqlite3.connect(tmp_path / FILE_NAME) as connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999'")
    connection.close()
    with pytest.raises(UnusableData, match="newer version of Kersey"):
        open_database(tmp_path)


def test_a_file_that_is_no_database_is_left_alone(tmp_path: Path) -> None:
    path = tmp_path / FILE_NAME
    path.write_bytes(b"a shopping list, not a database" * 50)
    before = path.read_bytes()
    with pytest.raises(UnusableData, match="is damaged"):
        open_database(tmp_path)
    assert path.read_bytes() == before


def test_a_folder_that_cannot_be_made(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("")
    with pytest.raises(UnusableData, match="can't open"):
        open_database(tmp_path / "file")
