"""The whole road: question, plan, kits, quilt drawn, sheet, for a roll, quarters and scraps.

Each step is timed by itself. A plan is made once and kept; what follows from it is what a page
costs that is opened.
"""

import random
import time
from collections.abc import Callable
from dataclasses import replace
from fractions import Fraction
from typing import Any

from kersey.core.blocks.choice import BlockChoice
from kersey.core.kits.dealing import deal
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import planned
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, Role, all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import work_order
from kersey.drawing.quilt import draw_quilt
from kersey.records.plans import plan_from_text, plan_text

SCRAPS = 200


def main() -> None:
    cases = {
        "a roll of 40, rails": _project(_roll(), "rails"),
        "21 fat quarters, log cabin": _project(_quarters(), "log-cabin"),
        f"{SCRAPS} scraps, nine-patch": _project(scraps(SCRAPS), "nine-patch"),
    }
    print("milliseconds; a plan is searched for once and kept")
    print(f"{'':28}" + "".join(f"{step:>11}" for step in STEPS) + f"{'blocks':>9}{'document':>11}")
    for name, project in cases.items():
        _measure(name, project)


STEPS = ("question", "plan", "kits", "written", "read", "quilt", "drawn", "sheet")


def _measure(name: str, project: Project) -> None:
    taken: list[float] = []

    def timed(act: Callable[[], Any]) -> Any:
        begun = time.perf_counter()
        result = act()
        taken.append((time.perf_counter() - begun) * 1000)
        return result

    timed(lambda: yield_asked(project).fingerprint)
    with_plan = timed(lambda: planned(project))
    kept = with_plan.plan
    timed(lambda: deal(kept.plan))
    text = timed(lambda: plan_text(kept))
    timed(lambda: plan_from_text(text))
    quilt = timed(lambda: make_quilt(with_plan, Units.INCHES))
    timed(lambda: draw_quilt(quilt))
    timed(lambda: [step_words(step, quilt) for step in work_order(quilt)])
    blocks = f"{kept.possible}{'' if kept.most.proved else '?'}"
    numbers = "".join(f"{ms:>11.1f}" for ms in taken)
    print(f"{name:<28}{numbers}{blocks:>9}{len(text) / 1024:>8.0f} KB")


def _project(fabrics: tuple[Pulled, ...], block: str) -> Project:
    return Project("bench", "", fabrics, Design(block=BlockChoice(block)))


def pulled(line: str, name: str) -> tuple[Pulled, ...]:
    """All of a lot as it is typed."""
    lot = take_line(line).lot
    assert lot is not None
    return all_of(CupboardLot(name, lot))


def _roll() -> tuple[Pulled, ...]:
    return pulled("roll of 40 strips, 20 prints", "roll")


def _quarters() -> tuple[Pulled, ...]:
    light = (replace(p, roles=(Role.LIGHT,)) for p in pulled("9 light fat quarters", "light"))
    dark = (replace(p, roles=(Role.DARK,)) for p in pulled("12 dark fat quarters", "dark"))
    return (*light, *dark)


def scraps(count: int) -> tuple[Pulled, ...]:
    """Pieces of which hardly two are alike, each of a print of its own."""
    chance = random.Random(1)
    found: list[Pulled] = []
    for number in range(count):
        (piece,) = pulled("1 piece 9 x 12", f"scrap {number}")
        stack = replace(piece.stack, print=replace(piece.print, name=f"scrap {number}"))
        lot = replace(
            piece.kept.lot,
            width=Fraction(chance.randrange(12, 60), 4),
            length=Fraction(chance.randrange(16, 72), 4),
            stacks=(stack,),
        )
        found.append(replace(piece, kept=replace(piece.kept, lot=lot)))
    return tuple(found)


if __name__ == "__main__":
    main()
