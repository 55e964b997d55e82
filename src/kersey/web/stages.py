"""The order of work: its stages, and which of them is next.

A stage is a folder with `stage.py` (what it is called and how it stands) and `routes.py`, and its
name in the line below.
"""

from importlib import import_module

from fastapi import APIRouter

from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned

FOLDERS = ("pull", "yield_page", "size", "arrange", "cut", "sew", "finish", "put_away")

STAGES: tuple[Stage, ...] = tuple(
    import_module(f"kersey.web.{folder}.stage").STAGE for folder in FOLDERS
)


def stage_routers() -> list[APIRouter]:
    """The routes of all stages."""
    return [import_module(f"kersey.web.{folder}.routes").router for folder in FOLDERS]


def next_stage(known: Reckoned) -> Stage | None:
    """The stage that waits for the person, of a project with a quilt; None: all is done."""
    return next((stage for stage in STAGES if stage.waits(known)), None)
