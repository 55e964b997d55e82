"""What does not add up is found, and where all is well nothing is said."""

import re
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path

import pytest
from sqlalchemy import text
from sqlalchemy.orm import Session

from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.quick_entry import read_lots
from kersey.demo.sample_world import load_sample_world
from kersey.store.cupboard import add_lots
from kersey.store.data_check import check_data
from kersey.store.database import open_database


@pytest.fixture
def session(tmp_path: Path) -> Iterator[Session]:
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        readings = read_lots("12 fat quarters, 6 prints and 2 yd navy")
        add_lots(session, from_readings(readings), "in", datetime(2026, 5, 1, tzinfo=UTC))
        yield session
    engine.dispose()


def test_the_sample_world_adds_up(tmp_path: Path) -> None:
    load_sample_world(tmp_path)
    engine = open_database(tmp_path)
    with Session(engine) as session:
        assert list(check_data(session)) == []
    engine.dispose()


@pytest.mark.parametrize(
    ("wrong", "said"),
    [
        ("DELETE FROM ledger WHERE lot_id = 2", "navy.*1 whole pieces, but its ledger says 0"),
        ("UPDATE ledger SET area = '12' WHERE lot_id = 2", "“navy” has another area"),
        ("UPDATE cupboard_stack SET count = count + 1 WHERE lot_id = 1", "18 whole.* says 12"),
    ],
)
def test_what_does_not_add_up_is_told(session: Session, wrong: str, said: str) -> None:
    assert list(check_data(session)) == []
    session.execute(text(wrong))
    session.expire_all()
    (found,) = check_data(session)
    assert re.search(said, found)
