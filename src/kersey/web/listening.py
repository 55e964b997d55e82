"""The socket the server listens on, opened before anything is promised."""

import socket

from kersey.core.errors import KerseyError


class CannotListen(KerseyError):
    """The address is taken, or not ours."""

    def __init__(self, host: str, port: int, error: OSError) -> None:
        super().__init__(
            f"Cannot listen on {host}:{port} ({error.strerror}). "
            "Is Kersey running already? Choose another port with --port."
        )


def open_listener(host: str, port: int) -> socket.socket:
    """A socket that takes connections from now on; raises `CannotListen`. Port 0: any free one."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Said to be TCP outright, or asyncio leaves Nagle's delay on and every answer waits 40 ms.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
        listener.listen()
    except OSError as error:
        listener.close()
        raise CannotListen(host, port, error) from error
    return listener
