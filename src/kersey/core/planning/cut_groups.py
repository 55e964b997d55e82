"""The pieces of fabric that a plan cuts alike, taken together: a group is one step of cutting."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from hashlib import blake2s

from kersey.core.cutting.problem import Cut, Layout
from kersey.core.project.kept_plan import KeptPlan


@dataclass(frozen=True)
class FabricCut:
    """So many pieces of a fabric of the plan, known by its key."""

    key: str
    name: str
    pieces: int


@dataclass(frozen=True)
class CutGroup:
    """Pieces of fabric of one form and size, each cut as `layouts` say, which are all alike."""

    layouts: tuple[Layout, ...]
    fabrics: tuple[FabricCut, ...]

    @property
    def pieces(self) -> int:
        """All pieces of fabric in it."""
        return sum(fabric.pieces for fabric in self.fabrics)

    @property
    def key(self) -> str:
        """Names this very cutting by its facts: which fabric, how many, and every cut."""
        fabrics = [(fabric.key, fabric.pieces) for fabric in self.fabrics]
        cuts = [_facts(cut) for cut in self.layouts[0].cuts]
        return "cut-" + blake2s(repr((fabrics, cuts)).encode(), digest_size=6).hexdigest()


def cut_groups(kept: KeptPlan) -> list[CutGroup]:
    """The groups of a plan, those with the largest pieces first.

    A shortage then hurts least: only small pieces are missing (docs/trade.md section 4).
    """
    alike: dict[tuple[object, ...], list[Layout]] = {}
    for layout in kept.cutting.layouts:
        fabric = layout.fabric
        sort = fabric.form, fabric.width, fabric.length, layout.along, layout.cuts
        alike.setdefault(sort, []).append(layout)
    found = []
    for layouts in sorted(alike.values(), key=_largest_first):
        pieces: dict[str, int] = {}
        for layout in layouts:
            pieces[layout.fabric.name] = pieces.get(layout.fabric.name, 0) + layout.copies
        fabrics = (FabricCut(kept.key_of(name), name, count) for name, count in pieces.items())
        found.append(CutGroup(tuple(layouts), tuple(sorted(fabrics, key=lambda f: f.key))))
    return found


def _largest_first(layouts: Sequence[Layout]) -> tuple[Fraction, int]:
    largest = max(cut.width * cut.length for cut in layouts[0].cuts)
    return -largest, -sum(layout.copies for layout in layouts)


def _facts(cut: Cut) -> tuple[str, ...]:
    return (cut.need.label, cut.need.role, *map(str, (cut.x, cut.y, cut.width, cut.length)))
