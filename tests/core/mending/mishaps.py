"""Quilts that are being cut, and things that go wrong with them."""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from random import Random

from tests.core.quilts import SETS, Quilts, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.mending.mishap import OnTable, Thing, as_it_lies, spoiled, things
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.work.at_table import TableCut, after, cuts_at_table, made
from kersey.core.work.work_order import work_order

QUILTS = Quilts(
    {
        "log cabin": lambda: quilt("8 fat quarters, 8 prints", block=BlockChoice("log-cabin")),
        "rails": lambda: quilt(rows=6, columns=5),
        "nine-patch": lambda: quilt(
            "6 light fat quarters + 6 dark fat quarters", block=BlockChoice("nine-patch")
        ),
        "half-square": lambda: quilt(
            "12 light fat quarters + 12 dark fat quarters",
            block=BlockChoice("half-square"),
            rows=6,
            columns=6,
        ),
        "window brick": lambda: quilt(
            "10 fat quarters, 10 prints", block=BlockChoice("window-brick")
        ),
        "squares": lambda: quilt(
            "20 light charm squares + 20 dark charm squares", block=BlockChoice("four-patch")
        ),
        "sets": lambda: quilt(block=SETS),
    }
)


@dataclass(frozen=True)
class AtWork:
    """A project while it is cut: its quilt and the cuts it needs."""

    project: Project

    @property
    def quilt(self) -> Quilt:
        return make_quilt(self.project)

    @property
    def cuts(self) -> tuple[TableCut, ...]:
        return cuts_at_table(work_order(self.quilt), 4)

    def after_cuts(self, pick: Random, many: int) -> "AtWork":
        cuts = self.cuts
        waiting = [c for c, done in zip(cuts, made(self.project, cuts), strict=True) if not done]
        project = self.project
        for cut in pick.sample(waiting, min(many, len(waiting))):
            project = after(project, cuts, cut)
        return AtWork(project)

    def lies(self) -> OnTable:
        cuts = self.cuts
        return as_it_lies(self.quilt, cuts, made(self.project, cuts))


def something_spoiled(lies: OnTable, pick: Random) -> tuple[OnTable, Thing, int, Fraction]:
    """One thing spoiled, with what is left of it; how many, and the area that is lost."""
    thing = pick.choice(things(lies))
    count = pick.randint(1, min(2, thing.count))
    left = tuple(_left(thing, pick))
    area = thing.width * thing.length - sum((w * h for w, h in left), Fraction(0))
    return spoiled(lies, thing.key, count, left), thing, count, count * area


def _left(thing: Thing, pick: Random) -> Iterator[tuple[Fraction, Fraction]]:
    """Nothing, or the thing cut across somewhere: both parts, or one."""
    how = pick.choice(["nothing", "one", "both"])
    # Cut at a mark of the ruler: the brute force knows eighths.
    part = Fraction(max(1, int(thing.length * 8 * pick.randint(1, 15) / 16)), 8)
    if how != "nothing" and part < thing.length:
        yield thing.width, part
        if how == "both":
            yield thing.width, thing.length - part
