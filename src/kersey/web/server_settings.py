"""How the server is started: from the command line, or KERSEY_ variables."""

import ipaddress
import socket
from pathlib import Path
from typing import Literal

from platformdirs import user_data_path
from pydantic import Field
from pydantic_settings import BaseSettings, SettingsConfigDict

_THIS_MACHINE = ("127.0.0.1", "localhost", "::1")


def own_folder() -> Path:
    """Where a person's own data are kept when no folder is named."""
    return user_data_path("kersey", appauthor=False)


def sample_folder() -> Path:
    """Where the sample world is kept: never the folder of one's own data."""
    return user_data_path("kersey-sample-world", appauthor=False)


def camera_folder() -> Path:
    """A folder that stands for a camera, with sample pictures; any other can be named."""
    return Path(__file__).parent.parent / "demo" / "camera"


class ServerSettings(BaseSettings):
    """Host, port, data folder; the folders that the camera and the label printer write to, the
    latter beside the data where none is said; how much is logged."""

    model_config = SettingsConfigDict(env_prefix="KERSEY_")

    host: str = "127.0.0.1"
    port: int = Field(8000, ge=0, le=65535)
    data: Path = Field(default_factory=own_folder)
    camera: Path = Field(default_factory=camera_folder)
    label_printer: Path | None = None
    log_level: Literal["debug", "info", "warning", "error"] = "warning"

    @property
    def listens_beyond_this_machine(self) -> bool:
        """Whether other machines can reach the server."""
        try:
            return not ipaddress.ip_address(self.host).is_loopback
        except ValueError:
            return self.host not in _THIS_MACHINE

    @property
    def own_names(self) -> frozenset[str]:
        """Host names that are ours."""
        names = {*_THIS_MACHINE, self.host}
        if self.listens_beyond_this_machine:
            machine = socket.gethostname()
            names |= {machine, f"{machine}.local"}
        return frozenset(names)
