"""Backups: everything comes back; what is damaged is refused whole; nothing there is lost."""

import random
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Any
from zipfile import ZipFile

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy.orm import Session
from tests.nights import by_night
from tests.store.test_upgrades import rows

from kersey.core.errors import KerseyError
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.quick_entry import read_lots
from kersey.store.backup import (
    FOLDER,
    NotABackup,
    back_up_daily,
    backups,
    day_of,
    restore_backup,
    worth_keeping,
    write_backup,
)
from kersey.store.cupboard import add_lots
from kersey.store.database import FILE_NAME, in_use, open_database
from kersey.store.photographs import copy_photograph, kept_photograph

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
DAMAGED = 300 if by_night() else 40


def add(folder: Path, line: str) -> None:
    engine = open_database(folder)
    with Session(engine) as session, session.begin():
        add_lots(session, from_readings(read_lots(line)), "put in", NOW)
    engine.dispose()


@pytest.fixture
def home(tmp_path: Path) -> Iterator[Path]:
    """Data with a lot and a photograph."""
    folder = tmp_path / "home"
    add(folder, "3 yd charcoal")
    picture = tmp_path / "wall.jpg"
    picture.write_bytes(b"a wall")
    copy_photograph(folder, picture)
    yield folder


def test_in_an_empty_folder_everything_is_as_it_was(home: Path, tmp_path: Path) -> None:
    file, elsewhere = tmp_path / "kersey.zip", tmp_path / "elsewhere"
    write_backup(home, file)
    assert restore_backup(elsewhere, file) is None
    assert rows(elsewhere) == rows(home)
    kept = kept_photograph(elsewhere, "wall.jpg")
    assert kept
    assert kept.read_bytes() == b"a wall"
    assert not list(elsewhere.glob("tmp*"))


def test_what_was_there_is_saved_first_and_comes_back(home: Path, tmp_path: Path) -> None:
    file = tmp_path / "kersey.zip"
    write_backup(home, file)
    add(home, "2 yd rust")
    (home / "photographs" / "wall.jpg").write_bytes(b"another wall")
    two = names(home)
    before = restore_backup(home, file)
    assert before
    assert names(home) == {"charcoal"}
    pictures = {p.name: p.read_bytes() for p in (home / "photographs").iterdir()}
    assert pictures == {"wall.jpg": b"a wall", "wall-2.jpg": b"another wall"}
    restore_backup(home, before)
    assert names(home) == two == {"charcoal", "rust"}


def test_no_page_still_open_fits_what_is_put_back(home: Path, tmp_path: Path) -> None:
    """Revisions go on: none that was ever shown stands for something else."""
    file = tmp_path / "kersey.zip"
    write_backup(home, file)
    shown = revisions(home)
    restore_backup(home, file)
    assert min(revisions(home)) > max(shown)


def test_what_cannot_be_read_is_set_aside_not_lost(home: Path, tmp_path: Path) -> None:
    file = tmp_path / "kersey.zip"
    write_backup(home, file)
    broken = b"no database " * 1000
    (home / FILE_NAME).write_bytes(broken)
    assert restore_backup(home, file) is None
    assert names(home) == {"charcoal"}
    assert (home / "kersey-unreadable-1.db").read_bytes() == broken


def test_a_damaged_backup_is_refused_whole_or_taken_whole(home: Path, tmp_path: Path) -> None:
    file, damaged = tmp_path / "kersey.zip", tmp_path / "damaged.zip"
    write_backup(home, file)
    content, there = file.read_bytes(), rows(home)
    chance = random.Random(7)
    refused = 0
    for _ in range(DAMAGED):
        spoiled = bytearray(content)
        if chance.random() < 0.2:
            del spoiled[chance.randrange(len(spoiled)) :]
        else:
            spoiled[chance.randrange(len(spoiled))] ^= 1 << chance.randrange(8)
        damaged.write_bytes(spoiled)
        other = tmp_path / "other"
        try:
            restore_backup(other, damaged)
        except NotABackup as error:
            refused += 1
            assert "Nothing was changed." in str(error)
            assert not (other / FILE_NAME).exists()
        else:
            assert rows(other) == there
        shutil.rmtree(other)
    assert refused > DAMAGED / 2


@pytest.mark.parametrize(
    "names", [[], ["kersey.txt"], [FILE_NAME, "../evil"], [FILE_NAME, "photographs/../../evil"]]
)
def test_what_holds_anything_else_is_no_backup(
    home: Path, tmp_path: Path, names: list[str]
) -> None:
    file = tmp_path / "kersey.zip"
    with ZipFile(file, "w") as archive:
        for name in names:
            archive.write(home / FILE_NAME, name)
    with pytest.raises(NotABackup):
        restore_backup(home, file)
    with pytest.raises(NotABackup):
        file.write_bytes(b"x")
        restore_backup(home, file)


def test_a_backup_that_fails_leaves_the_one_before(home: Path, tmp_path: Path) -> None:
    file = tmp_path / "kersey.zip"
    write_backup(home, file)
    good = file.read_bytes()
    with pytest.raises((OSError, KerseyError, sqlite3.Error)):
        write_backup(tmp_path / "typo", file)
    assert file.read_bytes() == good
    assert not (tmp_path / "typo").exists()


def test_a_day_has_one_backup_and_old_ones_go(home: Path) -> None:
    begun = date(2026, 3, 1)
    days = [begun + timedelta(days=number) for number in range(60)]
    for day in days:
        back_up_daily(home, day)
        back_up_daily(home, day)
    kept = {day_of(path) for path in backups(home)}
    assert len(kept) == 11
    assert kept >= set(days[-7:])
    assert (home / FOLDER).stat().st_mode & 0o077 == 0


@given(st.sets(st.dates(date(2026, 1, 1), date(2026, 12, 31)), max_size=60))
def test_what_is_kept_is_the_newest_of_its_day_or_week(days: set[date]) -> None:
    kept = worth_keeping(days)
    assert kept <= days
    assert len(kept) <= 11
    assert kept >= set(sorted(days)[-7:])
    assert worth_keeping(kept) == kept


def test_whether_another_has_it_open(home: Path) -> None:
    assert not in_use(home / FILE_NAME)
    engine = open_database(home)
    with engine.connect() as connection:
        connection.exec_driver_sql("SELECT count(*) FROM project")
        assert in_use(home / FILE_NAME)
    engine.dispose()
    assert not in_use(home / FILE_NAME)
    assert not in_use(home / "none.db")


def names(folder: Path) -> set[str]:
    return {row[0] for row in read(folder, "SELECT name FROM cupboard_lot")}


def revisions(folder: Path) -> list[int]:
    return [row[0] for row in read(folder, "SELECT revision FROM cupboard_lot")]


def read(folder: Path, query: str) -> list[Any]:
    with closing(sqlite3.connect(folder / FILE_NAME)) as opened:
        return opened.execute(query).fetchall()
