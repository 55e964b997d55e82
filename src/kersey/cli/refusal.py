"""How a command refuses: one line on standard error, and a status."""

import sys
from typing import NoReturn

import typer


def fail(words: str, status: int = 1) -> NoReturn:
    """End the command."""
    print(" ".join(words.split()), file=sys.stderr)
    raise typer.Exit(status)
