"""Whole quilts of a roll, 30 fat quarters and 60 mixed scraps: how long until the first is known to
be the best, until all are told, and how it grows with blocks, borders and fabric.

Beside it the same search with the parts cut one after the other, of what the blocks leave over:
what cutting them jointly gains. And a plain search for as long as ours took: every scheme asked of
the integer programme as it comes, with no bound to choose by.
"""

import random
from collections.abc import Sequence
from fractions import Fraction
from time import perf_counter
from typing import Any

from kersey.core.cutting.problem import CuttingPlan, Fabric
from kersey.core.quilt.parts_cut import PartNeeds, part_needs, strip_lengths
from kersey.core.whole.candidate import CanBeHad, beside_plan
from kersey.core.whole.joint_search import QuiltQuestion, answers, best_quilts, every_quilt
from kersey.formats.quilt_request import quilt_question_of

Request = dict[str, Any]
ROLL = [{"id": f"print {n}", "form": "strip", "count": 2} for n in range(20)]
QUARTERS = [{"id": f"quarter {n}", "form": "fat-quarter"} for n in range(30)]
_ANY = {"any": True}
_SEVERAL = [{"recipe": name} for name in ("rails", "nine-patch", "half-square", "two-bar")]


def scraps(count: int) -> list[Request]:
    """Pieces of which hardly two are alike."""
    chance = random.Random(1)
    return [
        {
            "id": f"scrap {n}",
            "form": "piece",
            "width": chance.randrange(12, 60) / 4,
            "length": chance.randrange(16, 72) / 4,
        }
        for n in range(count)
    ]


class OneAfterTheOther(CanBeHad):
    """The blocks first, as many as there are; parts of what is left."""

    def cut(self, blocks: int, parts: Sequence[PartNeeds]) -> tuple[CuttingPlan, ...] | None:
        left = tuple(
            Fabric(
                f"left {n} {m}",
                layout.fabric.print,
                width,
                length,
                layout.copies,
                layout.fabric.roles,
                form=layout.fabric.form,
            )
            for n, layout in enumerate(self.candidate.most.layouts)
            for m, (width, length) in enumerate(layout.left)
            if min(width, length) >= Fraction(2)
        )
        cloth = (*self.fabrics, *left)
        needs = [
            part_needs(p.part, strip_lengths(p.part.role, p.part.cut_width, cloth)) for p in parts
        ]
        return beside_plan(self.candidate.most, cloth, [each for each in needs if each])


def main() -> None:
    print(
        f"{'':34}{'counted':>9}{'first':>8}{'all':>8}{'schemes':>9}{'cuttings':>9}"
        f"{'best':>7}{'apart':>7}{'plain':>7}"
    )
    for name, fabrics in (("roll", ROLL), ("quarters", QUARTERS), ("60 scraps", scraps(60))):
        _measure(f"{name}, rails", fabrics, {"recipe": "rails"})
        _measure(f"{name}, rails set in any way", fabrics, {"recipe": "rails"}, settings=_ANY)
        _measure(f"{name}, four blocks", fabrics, _SEVERAL)
        _measure(f"{name}, any block", fabrics, "any")
    for most in (0, 1, 3, 4):
        _measure(f"roll, up to {most} borders", ROLL, {"recipe": "rails"}, borders={"max": most})
    for count in (120, 240):
        _measure(f"{count} scraps, rails", scraps(count), {"recipe": "rails"})
    for rolls in (2, 4):
        many = [part | {"count": 2 * rolls} for part in ROLL]
        _measure(f"{rolls} rolls, rails", many, {"recipe": "rails"})


def _measure(name: str, fabrics: list[Request], block: Any, **more: Any) -> None:
    request = {"kersey": "request/1", "fabrics": fabrics, "block": block} | more
    begun = perf_counter()
    question = quilt_question_of(request)
    counted = perf_counter() - begun
    begun = perf_counter()
    next(answers(question))
    first = perf_counter() - begun
    begun = perf_counter()
    answer = best_quilts(question)
    whole = perf_counter() - begun
    apart = best_quilts(question, OneAfterTheOther)
    print(
        f"{name:<34}{counted:>8.2f}s{first:>7.2f}s{whole:>7.2f}s{answer.considered:>9}"
        f"{answer.cuttings:>9}{answer.quilts[0].score:>7.3f}{apart.quilts[0].score:>7.3f}"
        f"{_plain(question, whole):>7.3f}"
    )


def _plain(question: QuiltQuestion, seconds: float) -> float:
    """The best score of what is found in so many seconds, taking schemes as they come."""
    best, begun = 0.0, perf_counter()
    for quilt in every_quilt(question):
        best = max(best, quilt.score)
        if perf_counter() - begun > seconds:
            break
    return best


if __name__ == "__main__":
    main()
