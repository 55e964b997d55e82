"""Draws the sample photographs of a design wall for the camera folder: the sample world's smoking
room log cabin and waiting room lap quilt, each laid a little otherwise than planned."""

from dataclasses import replace
from pathlib import Path
from tempfile import TemporaryDirectory

from sqlalchemy.orm import Session

from kersey.core.project.laying import Laying
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.demo.sample_world import load_sample_world
from kersey.demo.wall_photograph import photograph_of, room_by_lot
from kersey.store.database import open_database
from kersey.store.projects import all_projects

FOLDER = Path(__file__).parent.parent / "src" / "kersey" / "demo" / "camera"


def main() -> None:
    with TemporaryDirectory() as folder:
        load_sample_world(Path(folder))
        with Session(open_database(Path(folder))) as session:
            quilts = {p.name: make_quilt(p) for p in all_projects(session) if p.plan}
    _keep(_otherwise(quilts["Smoking room log cabin"]), 5, "wall-of-the-log-cabin.jpg")
    _keep(_otherwise(quilts["Waiting room lap quilt"]), 8, "wall-of-the-lap-quilt.jpg")


def _otherwise(quilt: Quilt) -> Quilt:
    """Two blocks exchanged and one turned."""
    places, turns = list(quilt.kept.places), list(quilt.place_turns)
    places[3], places[16] = places[16], places[3]
    turns[9] = (turns[9] + 1) % 4
    return replace(
        quilt, kept=replace(quilt.kept, places=tuple(places), laying=Laying(tuple(turns)))
    )


def _keep(quilt: Quilt, room: int, name: str) -> None:
    picture, corners = photograph_of(quilt, room_by_lot(room), room)
    (FOLDER / name).write_bytes(picture)
    shown = ", ".join(f"{100 * x:.1f} {100 * y:.1f}" for x, y in corners.points)
    print(f"{name}: corners at {shown} per cent")


if __name__ == "__main__":
    main()
