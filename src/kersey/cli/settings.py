"""What commands are told: an address, a folder; and how what is refused ends them."""

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Annotated

import typer
from pydantic import ValidationError
from sqlalchemy.exc import DBAPIError

from kersey.cli.refusal import fail
from kersey.core.errors import KerseyError
from kersey.store.trouble import trouble_of
from kersey.web.server_settings import ServerSettings

Host = Annotated[str | None, typer.Option(help="Address to listen on (default 127.0.0.1).")]
Port = Annotated[int | None, typer.Option(min=0, max=65535, help="Port (default 8000).")]
Data = Annotated[Path | None, typer.Option(help="Folder for your data.")]
Phone = Annotated[bool, typer.Option("--phone", help="Let paired phones on your network in.")]


def read_settings(host: str | None, port: int | None, data: Path | None) -> ServerSettings:
    """How the server is started: as the environment says, or as this command was told."""
    try:
        settings = ServerSettings.model_validate({})
    except ValidationError as error:
        wrong = error.errors(include_url=False)[0]
        name = f"KERSEY_{'_'.join(map(str, wrong['loc'])).upper()}"
        a_port = "a port must be a whole number from 0 to 65535, like 8000"
        fail(f"{name}: {a_port if 'port' in wrong['loc'] else wrong['msg']}.")
    said = {"host": host, "port": port, "data": data.expanduser() if data else None}
    return settings.model_copy(update={name: v for name, v in said.items() if v is not None})


@contextmanager
def refused_in_words() -> Iterator[None]:
    """What Kersey, the disk or the database refuses ends the command with a sentence."""
    try:
        yield
    except (KerseyError, OSError, sqlite3.Error, DBAPIError) as error:
        trouble = trouble_of(error)
        fail(trouble.words if trouble else str(error))
