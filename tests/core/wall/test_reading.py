"""A photographed wall read: drawn walls, in the light of rooms, held against what was drawn."""

import io
from collections.abc import Callable
from dataclasses import replace
from functools import cache

import numpy as np
import pytest
from PIL import Image
from tests.core.quilts import quilt
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.project.laying import Laying
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.reading import Photograph, Reading, as_read, compare, read_wall
from kersey.demo.wall_photograph import Room, photograph_of, room_by_lot
from kersey.formats.photograph import NotAPhotograph
from kersey.formats.straighten import Corners, straightened

PX = 14.0


@cache
def rails() -> Quilt:
    return quilt(rows=5, columns=6)


@cache
def logs() -> Quilt:
    return quilt("10 fat quarters, 10 prints", block=BlockChoice("log-cabin"))


def read(planned: Quilt, real: Quilt, room: Room, seed: int = 1) -> Reading:
    picture, corners = photograph_of(real, room, seed)
    wide, long = float(planned.size.body_width), float(planned.size.body_length)
    light = straightened(picture, corners, (round(wide * PX), round(long * PX)))
    return read_wall(planned, Photograph(light, PX))


def pair_in(planned: Quilt) -> tuple[int, int]:
    """Two places whose blocks are told apart."""
    kinds = [planned.kept.kits[block or 0] for block in planned.kept.places]
    return 1, next(p for p in range(9, len(kinds)) if kinds.count(kinds[p]) == 1)


def otherwise(planned: Quilt) -> Quilt:
    """Two blocks exchanged, one of another place turned."""
    places, turns = list(planned.kept.places), list(planned.place_turns)
    one, other = pair_in(planned)
    places[one], places[other] = places[other], places[one]
    turns[6] = (turns[6] + 1) % 4
    kept = replace(planned.kept, places=tuple(places), laying=Laying(tuple(turns)))
    return replace(planned, kept=kept)


@pytest.mark.parametrize(
    ("of", "seed"),
    [(rails, 2), (logs, 5), *at_night([(rails, 5), (rails, 9), (logs, 2), (logs, 9)])],
)
def test_what_was_exchanged_and_turned_is_named_in_any_light(
    of: Callable[[], Quilt], seed: int
) -> None:
    planned = of()
    real = otherwise(planned)
    found = compare(planned, read(planned, real, room_by_lot(seed), seed))
    assert found.exchanged == (pair_in(planned),)
    assert found.turned == (6,)
    assert not found.elsewhere
    assert not found.missing
    assert not found.as_planned


def test_a_wall_as_planned_is_said_to_be_so_and_taken_it_is_the_plan() -> None:
    reading = read(rails(), rails(), Room((0.8, 0.7, 0.5), (0.3, -0.2), 0.04, 1.0, 4.0))
    assert compare(rails(), reading).as_planned
    assert as_read(rails(), reading) == (rails().kept.places, rails().place_turns)


def test_the_real_layout_taken_is_the_one_that_hangs_there() -> None:
    real = otherwise(logs())
    places, turns = as_read(logs(), read(logs(), real, room_by_lot(3), 3))
    kinds = [logs().kept.kits[block or 0] for block in places]
    assert kinds == [logs().kept.kits[block or 0] for block in real.kept.places]
    assert turns == real.place_turns
    assert len(set(places)) == len(places)


def test_an_empty_place_is_missed_and_what_looks_alike_is_not_told() -> None:
    """A hole in the wall; and two blocks whose prints nobody can tell apart."""
    places = list(rails().kept.places)
    places[8] = None
    hole = replace(rails(), kept=replace(rails().kept, places=tuple(places)))
    found = compare(rails(), read(rails(), hole, Room(grain=2.0)))
    assert 8 in (*found.missing, *found.unsure)
    assert not found.exchanged

    names = list(rails().prints)
    twins = dict.fromkeys(names, rails().prints[names[0]])
    alike = replace(rails())
    object.__setattr__(alike, "prints", twins)
    told = read(alike, alike, Room(grain=2.0))
    assert not any(told.sure)


def test_a_picture_of_something_else_tells_of_no_block() -> None:
    out = io.BytesIO()
    grain = np.random.default_rng(1).integers(0, 255, (300, 400, 3), dtype=np.uint8)
    Image.fromarray(grain).save(out, "PNG")
    corners = Corners(((0.1, 0.1), (0.9, 0.1), (0.9, 0.9), (0.1, 0.9)))
    wide, long = (round(float(s) * PX) for s in (rails().size.body_width, rails().size.body_length))
    reading = read_wall(
        rails(), Photograph(straightened(out.getvalue(), corners, (wide, long)), PX)
    )
    assert sum(b is not None and s for b, s in zip(reading.places, reading.sure, strict=True)) == 0


def test_corners_that_cross_are_refused() -> None:
    with pytest.raises(NotAPhotograph, match="in order"):
        Corners(((0.1, 0.1), (0.9, 0.9), (0.9, 0.1), (0.1, 0.9)))
    with pytest.raises(NotAPhotograph, match="outside"):
        Corners(((-0.1, 0.1), (0.9, 0.1), (0.9, 0.9), (0.1, 0.9)))
