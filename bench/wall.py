"""What can it make? All blocks on a roll, 30 fat quarters and 60 mixed scraps, and how it grows.

The first quilt is what a person waits for; the rest stream in. Drawing is what the page adds.
"""

from dataclasses import replace
from time import perf_counter

from bench.road import pulled, scraps
from kersey.core.measure.length import Units
from kersey.core.planning.possible import Possible, wall_question
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.drawing.quilt import draw_hung


def main() -> None:
    cases = {
        "a roll of 40": pulled("roll of 40 strips, 20 prints", "roll"),
        "30 fat quarters": pulled("30 fat quarters, 30 prints", "quarters"),
        "60 mixed scraps": scraps(60),
        "15 mixed scraps": scraps(15),
        "120 mixed scraps": scraps(120),
        "240 mixed scraps": scraps(240),
    }
    print(f"{'':20}{'first':>9}{'half':>9}{'all':>9}{'drawn':>9}{'slowest block':>28}{'quilts':>8}")
    for name, fabrics in cases.items():
        _measure(name, Project("bench", "", fabrics, Design()))


def _measure(name: str, project: Project) -> None:
    question = wall_question(project, Units.INCHES)
    begun = before = perf_counter()
    arrived: list[float] = []
    quilts: tuple[Possible, ...] = ()
    slowest, longest = "", 0.0
    for found in question.run():
        now = perf_counter()
        if len(found) > len(quilts):
            arrived.append(now - begun)
            if now - before > longest:
                slowest, longest = found[-1].key, now - before
        quilts, before = found, now
    whole = perf_counter() - begun
    begun = perf_counter()
    for possible in quilts:
        design = replace(question.project.design, block=possible.kept.block)
        shown = replace(question.project, design=design, plan=possible.kept)
        draw_hung(make_quilt(shown), 2.0)
    drawn = perf_counter() - begun
    half = arrived[len(arrived) // 2]
    print(
        f"{name:<20}{arrived[0]:>8.2f}s{half:>8.2f}s{whole:>8.2f}s{drawn:>8.2f}s"
        f"{f'{slowest} {longest:.2f}s':>28}{len(quilts):>8}"
    )


if __name__ == "__main__":
    main()
