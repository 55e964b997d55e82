"""Commands of the site: serve it, and send it what a digital tape reads."""

import sys
from collections.abc import Callable
from contextlib import suppress
from typing import Annotated
from urllib.parse import urlencode
from urllib.request import Request, urlopen

import typer
import uvicorn

from kersey.cli.refusal import fail
from kersey.cli.settings import Data, Host, Phone, Port, read_settings, refused_in_words
from kersey.core.errors import KerseyError
from kersey.core.measure.length import parse_length
from kersey.web.app import begin_logging, create_app
from kersey.web.door import Door
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings

app = typer.Typer()


@app.command()
def serve(host: Host = None, port: Port = None, data: Data = None, phone: Phone = False) -> None:
    """Start Kersey with your own quilts."""
    settings = read_settings(host, port, data)
    run(settings, f"Your quilts are saved in {settings.data}", phone)


@app.command("tape")
def send_tape(
    reading: Annotated[list[str], typer.Argument(help="What the tape reads.")],
    host: Host = None,
    port: Port = None,
) -> None:
    """Stand in for a digital tape: send a reading, like 12 3/8, to the Kersey running here."""
    settings = read_settings(host, port, None)
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


def run(
    settings: ServerSettings, kept: str, phone: bool, meanwhile: Callable[[], None] | None = None
) -> None:
    """Serve until Ctrl-C, then stop cleanly; what is to be made `meanwhile`, pages say so."""
    level = settings.log_level
    begin_logging(settings)
    with refused_in_words():
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
    if meanwhile is not None:
        site.state.workroom.make_sample(meanwhile)
    server = uvicorn.Server(
        uvicorn.Config(site, log_level=level, access_log=level in ("debug", "info"))
    )
    with suppress(KeyboardInterrupt):
        server.run(sockets=listeners)
    print("\nStopped. Everything is saved.")
