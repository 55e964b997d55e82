"""The names of files that leave the site: the quilt's name, and what the file shows."""

import re
import unicodedata

# What is no letter or digit of the English alphabet parts the words of a name.
_NO_LETTERS = re.compile(r"[^a-z0-9]+")


def saved_as(name: str, kind: str, what: str = "") -> dict[str, str]:
    """The header with which a browser saves an answer as a file.

    >>> saved_as("Crew room throw", "png", "wall")
    {'Content-Disposition': 'attachment; filename="crew-room-throw-wall.png"'}
    >>> saved_as("布", "html")["Content-Disposition"]
    'attachment; filename="quilt.html"'
    """
    stem = "-".join(filter(None, (_plain(name) or "quilt", _plain(what))))
    return {"Content-Disposition": f'attachment; filename="{stem}.{kind}"'}


def written_size(count: int) -> str:
    """The size of a file as people say it.

    >>> written_size(40_000), written_size(3 << 20)
    ('39 KB', '3 MB')
    """
    return f"{count >> 20} MB" if count >= 1 << 20 else f"{count >> 10} KB"


def _plain(words: str) -> str:
    """Lowercase letters without accents, with dashes between the words."""
    letters = unicodedata.normalize("NFKD", words).encode("ascii", "ignore").decode().lower()
    return _NO_LETTERS.sub("-", letters).strip("-")
