"""The sample world: whole, repeatable, and never poured into a person's own data."""

from datetime import UTC, datetime
from pathlib import Path

import pytest
from sqlalchemy.orm import Session
from tests.sample import samples, take_sample_data

from kersey.core.quilt.quilt import make_quilt
from kersey.demo.sample_world import NotTheSampleWorld, load_sample_world, sample_projects
from kersey.store.database import open_database
from kersey.store.projects import add_project, count_projects


def test_every_sample_project_is_a_whole_quilt() -> None:
    assert len(samples()) >= 3
    for project in samples():
        quilt = make_quilt(project)
        assert quilt.blocks_short == 0
        assert quilt.alike_pairs == 0


def test_it_is_the_same_whoever_works_it_out() -> None:
    assert samples() == tuple(sample_projects())


def test_it_is_loaded_once(tmp_path: Path) -> None:
    take_sample_data(tmp_path)
    load_sample_world(tmp_path)
    engine = open_database(tmp_path)
    with Session(engine) as session:
        # Those that are whole quilts, and a log cabin from the cupboard.
        assert count_projects(session) == len(samples()) + 1
    engine.dispose()


def test_it_is_not_poured_into_ones_own_data(tmp_path: Path) -> None:
    engine = open_database(tmp_path)
    with Session(engine) as session, session.begin():
        add_project(session, samples()[0], datetime(2026, 1, 1, tzinfo=UTC))
    with pytest.raises(NotTheSampleWorld):
        load_sample_world(tmp_path)
    with Session(engine) as session:
        assert count_projects(session) == 1
    engine.dispose()
