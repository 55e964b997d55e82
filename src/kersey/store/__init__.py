"""Projects and settings kept in one SQLite file; nothing else is written."""
