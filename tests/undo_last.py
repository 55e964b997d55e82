"""The newest change to the cupboard taken back, as who looks at it would."""

import re
from datetime import datetime

from fastapi.testclient import TestClient
from sqlalchemy.orm import Session

from kersey.store.cupboard import last_change, undo


def undo_last(session: Session, now: datetime) -> str | None:
    newest = last_change(session)
    return None if newest is None else undo(session, newest[0], now)


def undo_shown(client: TestClient) -> None:
    """What the page offers to undo, undone."""
    shown = re.search(r'name="change" value="(\d+)"', client.get("/cupboard").text)
    assert shown
    client.post("/cupboard/undo", data={"change": shown[1]})
