"""How much of a photographed wall is read rightly: quilts laid otherwise than planned, in rooms by
lot. A place counts as right where a block of the same kind is named, turned as it lies.
"""

from dataclasses import replace
from fractions import Fraction
from random import Random
from time import perf_counter

from bench.road import pulled
from kersey.core.blocks.choice import BlockChoice
from kersey.core.planning.plan_question import planned
from kersey.core.project.design import Design
from kersey.core.project.laying import Laying
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.wall.reading import Photograph, Reading, read_wall
from kersey.core.wall.seen import Wall, wall_of
from kersey.demo.wall_photograph import photograph_of, room_by_lot
from kersey.formats.straighten import straightened

_ROOMS = 12
_PX_PER_INCH = 16.0
_QUILTS = {
    "rails, a roll of 20 prints": ("roll of 40 strips, 20 prints", "rails"),
    "rails, 40 prints": ("roll of 40 strips, 40 prints", "rails"),
    "log cabin": ("20 fat quarters, 20 prints", "log-cabin"),
    "nine-patch": ("24 fat quarters, 24 prints", "nine-patch"),
    "arrow": (
        "20 light ten-inch squares, 20 prints + 20 dark ten-inch squares, 20 prints",
        "arrow",
    ),
    "four-patch": ("80 charm squares, 40 prints", "four-patch"),
}


def main() -> None:
    print(f"{'':30}{'places':>8}{'right':>8}{'unsure':>8}{'wrong, sure':>13}{'seconds':>9}")
    sums = [0, 0, 0, 0]
    for name, (line, block) in _QUILTS.items():
        found = [0, 0, 0, 0]
        quilt, seconds = _quilt(line, block), 0.0
        for seed in range(_ROOMS):
            *counts, took = _read(quilt, seed)
            found = [a + int(b) for a, b in zip(found, counts, strict=True)]
            seconds += took
        sums = [a + b for a, b in zip(sums, found, strict=True)]
        _say(name, found, seconds / _ROOMS)
    _say(f"all {_ROOMS * len(_QUILTS)} pictures", sums, 0.0)


def _say(name: str, found: list[int], seconds: float) -> None:
    places, right, unsure, wrong = found
    print(f"{name:<30}{places:>8}{right / places:>8.1%}{unsure:>8}{wrong:>13}{seconds:>9.2f}")


def _quilt(line: str, block: str) -> Quilt:
    fabrics = tuple(p for n, part in enumerate(line.split(" + ")) for p in pulled(part, f"lot {n}"))
    project = Project("bench", line, fabrics, Design(block=BlockChoice(block)))
    return make_quilt(planned(project))


def _read(quilt: Quilt, seed: int) -> tuple[int, int, int, int, float]:
    """Places, those read rightly, those said to be unsure, and those wrong and said to be sure; and
    the seconds that the reading took."""
    real = laid_by_lot(quilt, seed)
    picture, corners = photograph_of(real, room_by_lot(seed), seed)
    size = quilt.size.body_width, quilt.size.body_length
    wide, long = (round(float(side) * _PX_PER_INCH) for side in size)
    begun = perf_counter()
    light = straightened(picture, corners, (wide, long))
    reading = read_wall(quilt, Photograph(light, wide / float(size[0])))
    took = perf_counter() - begun
    right = read_rightly(real, reading)
    wrong = sum(s and not r for s, r in zip(reading.sure, right, strict=True))
    return len(right), sum(right), reading.sure.count(False), wrong, took


def laid_by_lot(quilt: Quilt, seed: int) -> Quilt:
    """A quilt as somebody has laid it, by lot, a third of the blocks turned otherwise."""
    lots = Random(seed)
    places = list(quilt.kept.places)
    lots.shuffle(places)
    looks = quilt.assembly.turns
    turns = tuple(
        (turn + lots.choice(looks)) % 4 if lots.random() < 1 / 3 else turn
        for turn in quilt.place_turns
    )
    kept = replace(quilt.kept, places=tuple(places), laying=Laying(turns))
    return replace(quilt, kept=kept)


def read_rightly(real: Quilt, reading: Reading) -> list[bool]:
    """Of every place whether what is read of it looks as what lies there."""
    wall = wall_of(real)
    lies = [turned_patches(wall, turn) for turn in range(4)]

    def look(block: int | None, turn: int) -> object:
        return None if block is None else sorted(zip(lies[turn], wall.blocks[block], strict=True))

    return [
        look(*read) == look(*there)
        for read, there in zip(
            zip(reading.places, reading.turns, strict=True),
            zip(real.kept.places, real.place_turns, strict=True),
            strict=True,
        )
    ]


def turned_patches(wall: Wall, turn: int) -> list[list[tuple[Fraction, Fraction]]]:
    """Where the patches of a block lie once it is turned."""
    return [sorted(patch.corners) for patch in wall.turned(turn).patches]


if __name__ == "__main__":
    main()
