"""The door to the home network: open only when asked, and only to devices that were paired.

Who asks from this very computer is at home. A device on the network shows the secret that it got
when it was paired, as a cookie; it is paired by a token that serves once, for ten minutes.
"""

import asyncio
import ipaddress
import socket
from contextlib import nullcontext
from dataclasses import dataclass, field
from secrets import compare_digest, token_urlsafe
from time import monotonic

import uvicorn
from starlette.types import ASGIApp

from kersey.core.errors import KerseyError
from kersey.web.listening import CannotListen, open_listener

COOKIE = "kersey-device"
_ALL_ADDRESSES = ("0.0.0.0", "::")
_TOKEN_SERVES_SECONDS = 600.0
# Who shows what is wrong waits, one after the other: guesses come to two a second.
WRONG_WAITS_SECONDS = 0.5


class NoNetwork(KerseyError):
    """This computer is on no network."""

    def __init__(self) -> None:
        super().__init__("This computer isn't on a network. Connect it, then try again.")


@dataclass(frozen=True)
class Token:
    """What pairs one device, until a moment of the monotonic clock."""

    secret: str
    until: float


@dataclass
class Door:
    """Where the server listens beyond this computer, and what a device is paired by."""

    address: str = ""
    port: int = 0
    token: Token | None = None
    _server: uvicorn.Server | None = None
    _serving: "asyncio.Task[None] | None" = None
    _wrong: asyncio.Lock = field(default_factory=asyncio.Lock)

    @property
    def is_open(self) -> bool:
        """Whether devices can reach this server."""
        return bool(self.address)

    @property
    def site(self) -> str:
        """The address that devices open."""
        host = f"[{self.address}]" if ":" in self.address else self.address
        return f"http://{host}:{self.port}"

    def new_token(self) -> str:
        """The token that pairs the next device: the one that still serves, or a new one."""
        if self.token is None or self.token.until <= monotonic():
            self.token = Token(token_urlsafe(16), monotonic() + _TOKEN_SERVES_SECONDS)
        return self.token.secret

    def serves(self, secret: str) -> bool:
        """Whether a token would pair a device now."""
        token = self.token
        if token is None or monotonic() >= token.until:
            return False
        return compare_digest(token.secret.encode(), secret.encode())

    def use(self, secret: str) -> str | None:
        """Use a token up; what the device is to show from now on, or None where it serves no
        more."""
        if not self.serves(secret):
            return None
        self.token = None
        return token_urlsafe(32)

    async def let_wait(self) -> None:
        """Let whoever showed what is wrong wait."""
        async with self._wrong:
            await asyncio.sleep(WRONG_WAITS_SECONDS)

    async def open(self, app: ASGIApp, port: int) -> None:
        """Listen on the home network as well; raises `NoNetwork`, or `CannotListen`."""
        if self.is_open:
            return
        listener = self.listen(port)
        server = _Beside(uvicorn.Config(app, log_level="warning", lifespan="off"))
        self._server = server
        self._serving = asyncio.create_task(server.serve(sockets=[listener]))

    def listen(self, port: int) -> socket.socket:
        """A socket on the home network, at this port or any where another program has that one.

        Raises `NoNetwork`, or `CannotListen`."""
        address = own_address()
        try:
            listener = open_listener(address, port)
        except CannotListen:
            listener = open_listener(address, 0)
        self.address, self.port = address, listener.getsockname()[1]
        return listener

    def stands_open(self, host: str, port: int) -> None:
        """The server listens beyond this computer from its start, at one address or at all."""
        self.address = own_address() if host in _ALL_ADDRESSES else host
        self.port = port

    @property
    def may_be_closed(self) -> bool:
        """Whether it was opened while the server ran, not when it was begun."""
        return self._server is not None

    def close(self) -> None:
        """Listen on the home network no more, where it was opened."""
        if self._server is not None:
            self._server.should_exit = True
            self._server = self.token = None
            self.address = ""

    async def closed(self) -> None:
        """Until the last device has its answer."""
        self.close()
        if self._serving is not None:
            await self._serving


class _Beside(uvicorn.Server):
    """A server beside the one that the process was begun for: signals are none of its business."""

    def capture_signals(self) -> nullcontext[None]:  # type: ignore[override]
        return nullcontext()


def own_address() -> str:
    """The address of this computer on its network; raises `NoNetwork`. Nothing is sent for it."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as asked:
        try:
            # An address that belongs to nobody: only the way there is looked up.
            asked.connect(("198.51.100.1", 9))
            address = str(asked.getsockname()[0])
        except OSError:
            raise NoNetwork from None
    if ipaddress.ip_address(address).is_loopback:
        raise NoNetwork
    return address


def is_this_computer(client: str | None) -> bool:
    """Whether a client asks from the computer that the server runs on."""
    try:
        return client is not None and ipaddress.ip_address(client).is_loopback
    except ValueError:
        return False
