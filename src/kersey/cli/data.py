"""Commands of the data: taken out and in, backed up and restored, checked; a shop stood in for."""

from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated

import typer
from sqlalchemy.orm import Session

from kersey.cli.refusal import fail
from kersey.cli.settings import Data, read_settings, refused_in_words
from kersey.core.measure.counting import counted
from kersey.core.stash.order import delivered, fill
from kersey.formats.kersey_file import gather, read_everything
from kersey.formats.order import Delivery, read_order, write_delivery
from kersey.store.backup import restore_backup, write_backup
from kersey.store.cupboard import all_lots
from kersey.store.data_check import check_data
from kersey.store.database import FILE_NAME, in_use, open_database, open_kept
from kersey.store.photographs import copy_loose
from kersey.store.prices import bring_prices, load_prices, own_prices, save_prices
from kersey.store.projects import add_everything, all_projects
from kersey.store.whole_file import write_whole
from kersey.web.server_settings import ServerSettings

app = typer.Typer()


@app.command("export")
def export_everything(
    file: Annotated[Path, typer.Argument(help="File to save to.")], data: Data = None
) -> None:
    """Save all quilts and the cupboard to one file."""
    settings = read_settings(None, None, data)
    with refused_in_words():
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
    settings = read_settings(None, None, data)
    with refused_in_words():
        with _session(settings) as session:
            copy_loose(session, settings.data, settings.camera)
        write_backup(settings.data, file)
    print(f"Saved everything in {settings.data} to {file}")


@app.command("restore")
def restore(
    file: Annotated[Path, typer.Argument(help="Backup to restore.")], data: Data = None
) -> None:
    """Put a backup in place of everything. What is there now is saved first."""
    settings = read_settings(None, None, data)
    if in_use(settings.data / FILE_NAME):
        fail(f"Kersey is running with {settings.data}. Stop it first. Nothing was changed.")
    with refused_in_words():
        before = restore_backup(settings.data, file)
    print(f"Restored {file} to {settings.data}")
    if before is not None:
        print(f"What was there before is saved in {before}")


@app.command("import")
def import_everything(
    file: Annotated[Path, typer.Argument(help="File to add.")], data: Data = None
) -> None:
    """Add the quilts and lots in a file to your own. Nothing is replaced."""
    settings = read_settings(None, None, data)
    now = datetime.now(UTC)
    with refused_in_words():
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
    settings = read_settings(None, None, data)
    with refused_in_words(), _session(settings) as session:
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
    settings = read_settings(None, None, data)
    with refused_in_words():
        asked = read_order(order.read_bytes())
        with _session(settings, new=True) as session:
            prices, revision = load_prices(session)
            left = fill(asked.lines, prices)
            if left != prices:
                save_prices(session, left, revision)
    print(write_delivery(Delivery(asked.quilt, delivered(asked.lines))), end="")


@contextmanager
def _session(settings: ServerSettings, new: bool = False) -> Iterator[Session]:
    """The data of a folder, which must be there unless they may be `new`."""
    engine = open_database(settings.data) if new else open_kept(settings.data)
    with Session(engine) as session, session.begin():
        yield session
    engine.dispose()
