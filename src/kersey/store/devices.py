"""Devices that may come in from the network. What one shows is never kept, only its digest."""

from dataclasses import dataclass
from datetime import datetime
from hashlib import blake2s

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kersey.store.tables import DeviceRow


@dataclass(frozen=True)
class Device:
    """A paired device, as it was named then."""

    id: int
    name: str
    paired_at: datetime


def pair(session: Session, name: str, secret: str, now: datetime) -> None:
    """Let a device in that shows this secret from now on."""
    session.add(DeviceRow(name=name, digest=_digest(secret), paired_at=now))


def send_away(session: Session, number: int) -> None:
    """Let a device in no more."""
    session.execute(delete(DeviceRow).where(DeviceRow.id == number))


def devices(session: Session) -> list[Device]:
    """The paired devices, the newest first."""
    rows = session.scalars(select(DeviceRow).order_by(DeviceRow.id.desc()))
    return [Device(row.id, row.name, row.paired_at) for row in rows]


def is_paired(session: Session, secret: str) -> bool:
    """Whether the device that shows this secret is paired."""
    found = select(DeviceRow.id).where(DeviceRow.digest == _digest(secret))
    return session.scalar(found) is not None


def _digest(secret: str) -> str:
    """What is kept of a secret, which is long and made by chance."""
    return blake2s(secret.encode()).hexdigest()
