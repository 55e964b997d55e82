"""Backups: all data in one file, taken while Kersey runs, and put back whole or not at all.

A backup is a ZIP with the database, as it was at one moment, and the photographs kept with quilts.
Those made by themselves once a day have the database alone: the photographs stay where they are.
"""

import sqlite3
import zlib
from collections.abc import Collection, Iterable
from contextlib import closing
from datetime import date
from errno import EINVAL
from itertools import count
from pathlib import Path, PurePosixPath
from tempfile import TemporaryDirectory
from zipfile import ZIP_DEFLATED, ZIP_STORED, BadZipFile, ZipFile

from kersey.core.errors import KerseyError
from kersey.store import photographs
from kersey.store.database import FILE_NAME, UnusableData, copy_whole, open_database, run_into
from kersey.store.tables import Table
from kersey.store.whole_file import written_whole

FOLDER = "backups"
_DAILY, _BEFORE = "kersey-", "before-restoring-"
# Of the backups made by themselves: of so many days, and of so many weeks before them.
_DAYS, _WEEKS = 7, 4
_BEFORE_KEPT = 5
# More than any data can be: what is larger was made to fill a disk.
_LARGEST, _MOST_FILES = 4 << 30, 20_000


class NotABackup(KerseyError):
    """A file that is no backup of Kersey, or a damaged one."""


def write_backup(data: Path, file: Path, with_photographs: bool = True) -> None:
    """Save all data to one file; raises `OSError`."""
    source = data / FILE_NAME
    with written_whole(file) as part, TemporaryDirectory(dir=file.parent) as made:
        copy = Path(made) / FILE_NAME
        copy_whole(source, copy)
        with ZipFile(part, "w", ZIP_DEFLATED) as archive:
            archive.write(copy, FILE_NAME)
            kept = data / photographs.FOLDER
            for picture in sorted(kept.iterdir()) if with_photographs and kept.is_dir() else ():
                archive.write(picture, f"{photographs.FOLDER}/{picture.name}", ZIP_STORED)


def restore_backup(data: Path, file: Path) -> Path | None:
    """Put a backup in place of all data; where what was there before is saved, if anything was.

    Raises `NotABackup`, and `OSError`; nothing is changed then.
    """
    with TemporaryDirectory(dir=_made(data)) as made:
        unpacked = Path(made)
        _unpack(file, unpacked)
        _check(unpacked)
        before = _save_before(data)
        for picture in _files(unpacked / photographs.FOLDER):
            photographs.put_back(data, picture)
        _let_nobody_in(unpacked / FILE_NAME)
        if before is not None:
            _go_on_from(data / FILE_NAME, unpacked / FILE_NAME)
        run_into(unpacked / FILE_NAME, data / FILE_NAME)
    return before


def backups(data: Path) -> list[Path]:
    """The backups in the data folder, the newest first."""
    found = (data / FOLDER).glob("*.zip")
    return sorted(found, key=lambda path: (-path.stat().st_mtime_ns, path.name))


def back_up_daily(data: Path, today: date) -> None:
    """Make the backup of this day unless there is one; those too old go. Raises `OSError`."""
    folder = _made(data / FOLDER)
    of_today = folder / f"{_DAILY}{today.isoformat()}.zip"
    if of_today.exists():
        return
    write_backup(data, of_today, with_photographs=False)
    days = {day: path for path in folder.glob(f"{_DAILY}*.zip") if (day := day_of(path))}
    for day in days.keys() - worth_keeping(days):
        days[day].unlink()


def day_of(path: Path) -> date | None:
    """The day of a backup that was made by itself; None for any other.

    >>> day_of(Path("backups/kersey-2026-03-02.zip"))
    datetime.date(2026, 3, 2)
    """
    try:
        return date.fromisoformat(path.stem.removeprefix(_DAILY))
    except ValueError:
        return None


def worth_keeping(days: Collection[date]) -> set[date]:
    """The last seven days, and the newest of each of the four weeks before them.

    >>> march = [date(2026, 3, day) for day in range(1, 32)]
    >>> sorted(day.day for day in worth_keeping(march))
    [8, 15, 22, 24, 25, 26, 27, 28, 29, 30, 31]
    """
    newest_first = sorted(days, reverse=True)
    of_week: dict[tuple[int, int], date] = {}
    for day in newest_first[_DAYS:]:
        of_week.setdefault(day.isocalendar()[:2], day)
    return {*newest_first[:_DAYS], *list(of_week.values())[:_WEEKS]}


def _made(folder: Path) -> Path:
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    return folder


def _unpack(file: Path, folder: Path) -> None:
    """The files of a backup, each checked against its sum; none can land elsewhere."""
    try:
        with ZipFile(file) as archive:
            _check_names(archive)
            archive.extractall(folder)
    except (BadZipFile, EOFError, RuntimeError, ValueError, zlib.error, OSError) as error:
        # A damaged file can send its reader to before its begin; any other is the disk's fault.
        if isinstance(error, OSError) and error.errno != EINVAL:
            raise
        raise NotABackup(
            f"{file.name} isn't a Kersey backup, or it is damaged. Nothing was changed."
        ) from error


def _check_names(archive: ZipFile) -> None:
    files = archive.infolist()
    names = [PurePosixPath(each.filename) for each in files]
    ours = [len(n.parts) == 2 and n.parts[0] == photographs.FOLDER for n in names]
    known = all(ours[at] or str(name) == FILE_NAME for at, name in enumerate(names))
    plain = all(each.compress_type in (ZIP_DEFLATED, ZIP_STORED) for each in files)
    small = sum(each.file_size for each in files) <= _LARGEST and len(files) <= _MOST_FILES
    if not (known and plain and small and PurePosixPath(FILE_NAME) in names):
        raise BadZipFile("holds what no backup does")


def _check(unpacked: Path) -> None:
    """Bring the database of a backup to the newest version; it must be whole."""
    try:
        engine = open_database(unpacked)
        try:
            with engine.connect() as connection:
                whole = connection.exec_driver_sql("PRAGMA integrity_check").scalar()
        finally:
            engine.dispose()
    except UnusableData as error:
        raise NotABackup(
            "Kersey can't use the data in this backup: a newer version saved it, or it is "
            "damaged. Nothing was changed."
        ) from error
    if whole != "ok":
        raise NotABackup("The data in this backup are damaged. Nothing was changed.")


def _save_before(data: Path) -> Path | None:
    """A backup of what is there now, so that the restoring can be taken back; None where nothing
    is, or nothing that can be read: that is set aside as it is."""
    if not (data / FILE_NAME).is_file():
        return None
    folder = _made(data / FOLDER)
    old = [path for path in backups(data) if path.name.startswith(_BEFORE)]
    names = (folder / f"{_BEFORE}{number}.zip" for number in count(1))
    before = next(name for name in names if not name.exists())
    try:
        open_database(data).dispose()
        write_backup(data, before, with_photographs=False)
    except (UnusableData, sqlite3.DatabaseError):
        _set_aside(data)
        return None
    for path in old[_BEFORE_KEPT - 1 :]:
        path.unlink()
    return before


def _set_aside(data: Path) -> None:
    """Give a database that cannot be read, and what belongs to it, another name."""
    names = (f"kersey-unreadable-{number}.db" for number in count(1))
    name = next(name for name in names if not (data / name).exists())
    for belonging in ("", "-wal", "-shm"):
        part = data / f"{FILE_NAME}{belonging}"
        if part.exists():
            part.rename(data / f"{name}{belonging}")


def _let_nobody_in(restored: Path) -> None:
    """Who may come in is no matter of a backup: a device sent away since would be let in again."""
    with closing(sqlite3.connect(restored)) as then, then:
        then.execute("DELETE FROM device")


def _go_on_from(there: Path, restored: Path) -> None:
    """Let revisions go on from where they are, so that no page still open fits what is put back;
    and let the devices in that may come in now."""
    tables = [t.name for t in Table.metadata.sorted_tables if "revision" in t.columns]
    with closing(sqlite3.connect(there)) as now, closing(sqlite3.connect(restored)) as then, then:
        highest = "SELECT coalesce(max(revision), 0) FROM"
        last = max(now.execute(f"{highest} {table}").fetchone()[0] for table in tables)
        for table in tables:
            then.execute(f"UPDATE {table} SET revision = revision + ?", (last + 1,))
        devices = now.execute("SELECT id, name, digest, paired_at FROM device").fetchall()
        then.executemany("INSERT INTO device VALUES (?, ?, ?, ?)", devices)


def _files(folder: Path) -> Iterable[Path]:
    return sorted(folder.iterdir()) if folder.is_dir() else ()
