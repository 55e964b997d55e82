"""The socket the server listens on, opened before anything is promised."""

import socket

from kersey.core.errors import KerseyError


class CannotListen(KerseyError):
    """The address is taken, or not ours."""

    def __init__(self, host: str, port: int, error: Exception) -> None:
        super().__init__(
            f"Kersey can't listen on {host!r:.80}:{port} ({_why(error)}). "
            "Kersey may already be running. If not, choose another port with --port."
            if isinstance(error, OSError)
            else f"{host!r:.80} isn't an address Kersey can use. Type it like 127.0.0.1."
        )


def _why(error: OSError) -> str:
    return error.strerror or str(error)


def open_listener(host: str, port: int) -> socket.socket:
    """A socket that takes connections from now on; raises `CannotListen`. Port 0: any free one."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Said to be TCP outright, or asyncio leaves Nagle's delay on and every answer waits 40 ms.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
        listener.listen()
    except (OSError, UnicodeError, ValueError, TypeError) as error:
        listener.close()
        raise CannotListen(host, port, error) from error
    return listener
