"""Something goes wrong, on quilts half cut: how soon there is a first answer, and a proved one.

Each quilt is cut as far as a random cut, then a random thing is spoiled: nothing of it is left, one
part, or two. `made`: all blocks can still be had; `fewer`: not all, and that is proved.
"""

from random import Random
from time import perf_counter

from tests.core.mending.mishaps import AtWork, something_spoiled
from tests.core.quilts import SETS, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.mending.replanning import all_ways, first_ways
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.demo.sample_world import sample_projects

_MISHAPS_EACH = 9


def _quilts() -> dict[str, Quilt]:
    made_up = {project.name: make_quilt(project) for project in sample_projects() if project.plan}
    return made_up | {
        "log cabin, 21 fat quarters": quilt(
            "21 fat quarters, 21 prints", block=BlockChoice("log-cabin")
        ),
        "rails by sets": quilt(block=SETS),
        "bricks, 40 fat quarters": quilt(
            "40 fat quarters, 40 prints", block=BlockChoice("window-brick")
        ),
        "half squares, 24 fat quarters": quilt(
            "12 light fat quarters + 12 dark fat quarters", block=BlockChoice("half-square")
        ),
    }


def main() -> None:
    print(
        f"{'':34}{'mishaps':>8}{'made':>6}{'fewer':>6}{'first':>8}{'slowest':>9}{'proved':>8}"
        f"{'slowest':>9}{'not':>5}"
    )
    mishaps, slowest, unproved = 0, [0.0, 0.0], 0
    for name, of in _quilts().items():
        pick = Random(11)
        first, proved, made, fewer, other = list[float](), list[float](), 0, 0, 0
        for _ in range(_MISHAPS_EACH):
            at = AtWork(of.project).after_cuts(pick, pick.randint(1, 40))
            worse, *_ = something_spoiled(at.lies(), pick)
            begun = perf_counter()
            at_once = first_ways(worse)
            first.append(perf_counter() - begun)
            ways = all_ways(worse, first=at_once)
            proved.append(perf_counter() - begun)
            made += ways.most >= ways.wanted
            fewer += ways.most < ways.wanted and ways.proved
            other += not ways.proved
        mishaps, unproved = mishaps + len(first), unproved + other
        slowest = [max(slowest[0], *first), max(slowest[1], *proved)]
        print(
            f"{name[:33]:<34}{len(first):>8}{made:>6}{fewer:>6}{sum(first) / len(first):>6.2f} s"
            f"{max(first):>7.2f} s{sum(proved) / len(proved):>6.2f} s{max(proved):>7.2f} s"
            f"{other:>5}"
        )
    print(
        f"{mishaps} mishaps; slowest first answer {slowest[0]:.2f} s, slowest proof "
        f"{slowest[1]:.2f} s; not proved {unproved}"
    )


if __name__ == "__main__":
    main()
