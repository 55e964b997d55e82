"""The sample world, worked out once in a run; whoever changes it takes a copy."""

import shutil
from pathlib import Path

from tests.once import alone, found

from kersey.core.project.project import Project
from kersey.demo.sample_world import load_sample_world, sample_projects


def take_sample_data(folder: Path) -> None:
    with alone("sample") as sample:
        if not sample.exists():
            load_sample_world(sample)
    shutil.copytree(sample, folder, dirs_exist_ok=True)


def samples() -> tuple[Project, ...]:
    """The quilts of the sample world."""
    with alone("samples"):
        return found("samples", lambda: tuple(sample_projects()))
