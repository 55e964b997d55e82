"""Commands of the site and its data: serve it, and take everything out and in as one file."""

import sqlite3
import sys
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated
from urllib.parse import urlencode
from urllib.request import Request, urlopen

import typer
import uvicorn
from pydantic import ValidationError
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from kersey.cli.refusal import fail
from kersey.core.errors import KerseyError
from kersey.core.measure.counting import counted
from kersey.core.measure.length import parse_length
from kersey.core.stash.order import delivered, fill
from kersey.demo.sample_world import load_sample_world
from kersey.formats.kersey_file import gather, read_everything
from kersey.formats.order import Delivery, read_order, write_delivery
from kersey.store.backup import restore_backup, write_backup
from kersey.store.cupboard import all_lots
from kersey.store.data_check import check_data
from kersey.store.database import FILE_NAME, in_use, open_database, open_kept
from kersey.store.photographs import copy_loose
from kersey.store.prices import bring_prices, load_prices, own_prices, save_prices
from kersey.store.projects import add_everything, all_projects
from kersey.store.trouble import trouble_of
from kersey.store.whole_file import write_whole
from kersey.web.app import begin_logging, create_app
from kersey.web.door import Door
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings, own_folder, sample_folder

app = typer.Typer()

Host = Annotated[str | None, typer.Option(help="Address to listen on (default 127.0.0.1).")]
Port = Annotated[int | None, typer.Option(min=0, max=65535, help="Port (default 8000).")]
Data = Annotated[Path | None, typer.Option(help="Folder for your data.")]
Phone = Annotated[bool, typer.Option("--phone", help="Let paired phones on your network in.")]


@app.command()
def serve(host: Host = None, port: Port = None, data: Data = None, phone: Phone = False) -> None:
    """Start Kersey with your own quilts."""
    settings = _settings(host, port, data)
    _run(settings, f"Your quilts are saved in {settings.data}", phone)


@app.command()
def demo(host: Host = None, port: Port = None, data: Data = None, phone: Phone = False) -> None:
    """Start Kersey with sample quilts, in a separate folder."""
    settings = _settings(host, port, data or sample_folder())
    if settings.data.resolve() == own_folder().resolve():
        fail(f"{settings.data} is for your own quilts. Choose another folder with --data.")
    with _refused_in_words():
        load_sample_world(settings.data)
    _run(settings, f"The sample quilts are saved in {settings.data}", phone)


@app.command("export")
def export_everything(
    file: Annotated[Path, typer.Argument(help="File to save to.")], data: Data = None
) -> None:
    """Save all quilts and the cupboard to one file."""
    settings = _settings(None, None, data)
    with _refused_in_words():
        with _session(settings) as session:
            projects = all_projects(session)
            lots = {stored.id: stored.kept for stored in all_lots(session)}
            prices = own_prices(session)
        write_whole(file, gather(projects, lots, prices).encode())
    print(
        f"Saved {counted(len(projects), 'quilt')} and {counted(len(lots), 'lot')} to {file}\n"
        "Not in it: photos, dates, what is sewn or used, settings, deleted quilts and undo. "
        "For those, use kersey backup."
    )


@app.command("backup")
def back_up(
    file: Annotated[Path, typer.Argument(help="File to save to, like kersey.zip.")],
    data: Data = None,
) -> None:
    """Save everything to one file: quilts, cupboard, history, settings and photos."""
    settings = _settings(None, None, data)
    with _refused_in_words():
        with _session(settings) as session:
            copy_loose(session, settings.data, settings.camera)
        write_backup(settings.data, file)
    print(f"Saved everything in {settings.data} to {file}")


@app.command("restore")
def restore(
    file: Annotated[Path, typer.Argument(help="Backup to restore.")], data: Data = None
) -> None:
    """Put a backup in place of everything. What is there now is saved first."""
    settings = _settings(None, None, data)
    if in_use(settings.data / FILE_NAME):
        fail(f"Kersey is running with {settings.data}. Stop it first. Nothing was changed.")
    with _refused_in_words():
        before = restore_backup(settings.data, file)
    print(f"Restored {file} to {settings.data}")
    if before is not None:
        print(f"What was there before is saved in {before}")


@app.command("import")
def import_everything(
    file: Annotated[Path, typer.Argument(help="File to add.")], data: Data = None
) -> None:
    """Add the quilts and lots in a file to your own. Nothing is replaced."""
    settings = _settings(None, None, data)
    now = datetime.now(UTC)
    with _refused_in_words():
        everything = read_everything(file.read_bytes())
        with _session(settings, new=True) as session:
            add_everything(session, everything.projects, everything.cupboard, now)
            bring_prices(session, everything.prices)
    print(
        f"Added {counted(len(everything.projects), 'quilt')} and "
        f"{counted(len(everything.cupboard), 'lot')}"
    )
    for name in everything.without_plan:
        print(
            f"“{name}” came without its cutting plan, which was damaged. Kersey will make another."
        )


@app.command("check")
def check_everything(data: Data = None) -> None:
    """Check that your data add up: the file, the ledger, and what quilts hold."""
    settings = _settings(None, None, data)
    with _refused_in_words(), _session(settings) as session:
        found = list(check_data(session))
    if found:
        fail("\n".join(found))
    print("All is well: the file, the ledger and what quilts hold add up.")


@app.command("deliver")
def deliver(
    order: Annotated[Path, typer.Argument(help="Order that the shopping list saved.")],
    data: Data = None,
) -> None:
    """Stand in for a shop: turn an order into a delivery, using the stock on your price list."""
    settings = _settings(None, None, data)
    with _refused_in_words():
        asked = read_order(order.read_bytes())
        with _session(settings, new=True) as session:
            prices, revision = load_prices(session)
            left = fill(asked.lines, prices)
            if left != prices:
                save_prices(session, left, revision)
    print(write_delivery(Delivery(asked.quilt, delivered(asked.lines))), end="")


@app.command("tape")
def send_tape(
    reading: Annotated[list[str], typer.Argument(help="What the tape reads.")],
    host: Host = None,
    port: Port = None,
) -> None:
    """Stand in for a digital tape: send a reading, like 12 3/8, to the Kersey running here."""
    settings = _settings(host, port, None)
    site = f"http://{settings.host}:{settings.port}"
    words = " ".join(reading)
    try:
        parse_length(words)
        asked = Request(f"{site}/tape", urlencode({"read": words}).encode(), {"Origin": site})
        with urlopen(asked, timeout=10) as answer:
            answer.read()
    except (KerseyError, OSError) as error:
        fail(str(error) if isinstance(error, KerseyError) else f"Kersey isn't answering at {site}.")
    print(f"Sent {words} to {site}")


@contextmanager
def _refused_in_words() -> Iterator[None]:
    """What Kersey, the disk or the database refuses ends the command with a sentence."""
    try:
        yield
    except (KerseyError, OSError, sqlite3.Error, DBAPIError) as error:
        trouble = trouble_of(error)
        fail(trouble.words if trouble else str(error))


@contextmanager
def _session(settings: ServerSettings, new: bool = False) -> Iterator[Session]:
    """The data of a folder, which must be there unless they may be `new`."""
    engine = open_database(settings.data) if new else open_kept(settings.data)
    with Session(engine) as session, session.begin():
        yield session
    engine.dispose()


def _settings(host: str | None, port: int | None, data: Path | None) -> ServerSettings:
    try:
        settings = ServerSettings.model_validate({})
    except ValidationError as error:
        wrong = error.errors(include_url=False)[0]
        name = f"KERSEY_{'_'.join(map(str, wrong['loc'])).upper()}"
        a_port = "a port must be a whole number from 0 to 65535, like 8000"
        fail(f"{name}: {a_port if 'port' in wrong['loc'] else wrong['msg']}.")
    said = {"host": host, "port": port, "data": data.expanduser() if data else None}
    return settings.model_copy(update={name: v for name, v in said.items() if v is not None})


def _run(settings: ServerSettings, kept: str, phone: bool) -> None:
    """Serve until Ctrl-C, then stop cleanly."""
    level = settings.log_level
    begin_logging(settings)
    with _refused_in_words():
        site = create_app(settings)
        listeners = [open_listener(settings.host, settings.port)]
        port = listeners[0].getsockname()[1]
        door: Door = site.state.workroom.door
        if settings.listens_beyond_this_machine:
            door.stands_open(settings.host, port)
        elif phone:
            listeners.append(door.listen(port))
    name = f"[{settings.host}]" if ":" in settings.host else settings.host
    print(f"{kept}\nKersey is at http://{name}:{port}  (press Ctrl-C to stop)")
    if door.is_open:
        print(f"Paired devices find it at {door.site}. To pair one, open Use on your phone here.")
    sys.stdout.flush()
    server = uvicorn.Server(
        uvicorn.Config(site, log_level=level, access_log=level in ("debug", "info"))
    )
    with suppress(KeyboardInterrupt):
        server.run(sockets=listeners)
    print("\nStopped. Everything is saved.")
