"""Why the data could not be read or written: what each cause is called, and the way out of it."""

import sqlite3
from enum import Enum
from errno import EACCES, EDQUOT, ENOSPC, EPERM, EROFS

from sqlalchemy.exc import DBAPIError

# SQLite's own codes; what it adds to one stands above these bits.
_PRIMARY = 0xFF


class Trouble(Enum):
    """A cause, and what to do about it."""

    FULL = "The disk is full.", "Free some space, then try again."
    READ_ONLY = (
        "Kersey may not write to its data folder.",
        "Make the folder writable, or choose another with --data.",
    )
    BUSY = "Another change or program is using your data.", "Try again in a moment."
    DAMAGED = (
        "The file with your data is damaged.",
        "Stop Kersey and put your newest backup in place with kersey restore.",
    )

    @property
    def words(self) -> str:
        """The cause and the way out, in two sentences."""
        return " ".join(self.value)


_BY_CODE = {
    sqlite3.SQLITE_FULL: Trouble.FULL,
    sqlite3.SQLITE_READONLY: Trouble.READ_ONLY,
    sqlite3.SQLITE_PERM: Trouble.READ_ONLY,
    sqlite3.SQLITE_CANTOPEN: Trouble.READ_ONLY,
    sqlite3.SQLITE_BUSY: Trouble.BUSY,
    sqlite3.SQLITE_LOCKED: Trouble.BUSY,
    sqlite3.SQLITE_CORRUPT: Trouble.DAMAGED,
    sqlite3.SQLITE_NOTADB: Trouble.DAMAGED,
}
_BY_NUMBER = {
    ENOSPC: Trouble.FULL,
    EDQUOT: Trouble.FULL,
    EROFS: Trouble.READ_ONLY,
    EACCES: Trouble.READ_ONLY,
    EPERM: Trouble.READ_ONLY,
}


def trouble_of(error: BaseException | None) -> Trouble | None:
    """The cause of an error of the database or of a file; None for any other."""
    if isinstance(error, DBAPIError):
        error = error.orig
    if isinstance(error, sqlite3.Error):
        return _BY_CODE.get(getattr(error, "sqlite_errorcode", 0) & _PRIMARY)
    return _BY_NUMBER.get(error.errno or 0) if isinstance(error, OSError) else None
