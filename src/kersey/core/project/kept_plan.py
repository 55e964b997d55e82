"""The plan that a quilt is cut by, kept with its project.

question   what the plan answers: fabric, block, seam, rules; known by a fingerprint
kit        the pieces of one block, each of a fabric
place      where in the quilt a kit is sewn, row by row from the top left

A plan stays as it was made, whatever happens to the fabric afterwards: it holds its own question.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from fractions import Fraction
from hashlib import blake2s

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.frame.setting import BlockGrid
from kersey.core.project.laying import Laying

# The names of fabrics, one for each piece of a block: those of its first need, then of the next.
Kit = tuple[str, ...]


@dataclass(frozen=True)
class Grid(BlockGrid):
    """The blocks of a quilt, and the finished border they were judged with, in inches."""

    border_width: Fraction = Fraction(0)


@dataclass(frozen=True)
class Missing:
    """So many pieces more like this fabric would make the blocks that are missing."""

    fabric: Fabric
    pieces: int


@dataclass(frozen=True)
class KeptPlan:
    """A plan with its kits and where they lie.

    `block` is the one it was made for, at its `seam`.
    `most` cuts the most blocks that were found; `plan` only those that the `grid` needs, once it is
    `thrifty`. There is no grid where a block has no size, or there is no block. `keys` are those of
    the fabrics of its problem, in their order: by them they are known, whatever they are called.
    `unmet` says why a wish for the kits could not be met. `places` hold the numbers of kits; where
    none is left a place has none, and `missing` says what would mend that, once it was sought. Once
    it is `taken` a person has settled on it; before, Kersey has only proposed it. There is a
    `laying` once a person has laid blocks; before, they are turned as suits them.
    """

    question: str
    block: BlockChoice
    seam: Fraction
    finished: Size | None
    most: CuttingPlan
    cutting: CuttingPlan
    keys: tuple[str, ...]
    grid: Grid | None
    kits: tuple[Kit, ...]
    places: tuple[int | None, ...]
    pinned: frozenset[int] = frozenset()
    unmet: str = ""
    missing: tuple[Missing, ...] = ()
    missing_sought: bool = False
    thrifty: bool = True
    taken: bool = False
    laying: Laying | None = None

    @property
    def possible(self) -> int:
        """The most blocks that were found."""
        return self.most.blocks

    def key_of(self, name: str) -> str:
        """The key of a fabric by its name in the problem."""
        return next(
            key
            for f, key in zip(self.cutting.problem.fabrics, self.keys, strict=True)
            if f.name == name
        )

    def as_taken(self) -> "KeptPlan":
        """The plan once a person has settled on it."""
        return replace(self, taken=True)


def fingerprint(problem: CuttingProblem, keys: Iterable[str], more: Iterable[object] = ()) -> str:
    """A name for a question: the same for the same cloth and block, in whatever order and by
    whatever names; another as soon as an answer could be another."""
    known = dict(zip((f.name for f in problem.fabrics), keys, strict=True))
    # The prints that go for one are named by the first of their keys.
    prints: dict[str, str] = {}
    for fabric in problem.fabrics:
        key = known[fabric.name]
        prints[fabric.print] = min(prints.get(fabric.print, key), key)
    cloth = sorted(
        (
            known[f.name],
            prints[f.print],
            str(f.width),
            str(f.length),
            f.count,
            sorted(f.roles),
            f.directional,
            f.form.value,
        )
        for f in problem.fabrics
    )
    needs = [
        (n.label, n.role, str(n.width), str(n.height), n.count, n.crosscut) for n in problem.needs
    ]
    rules = [(sorted(rule.roles), rule.same) for rule in problem.rules]
    # Said only where it is so, for questions asked before there were batches.
    batch = [problem.batch] if problem.batch > 1 else []
    firsts = [n.first for n in problem.needs if n.first is not None]
    tally = [problem.tally] if problem.tally else []
    later = (*batch, *firsts, *problem.sets, *tally)
    facts = repr((cloth, needs, rules, [str(fact) for fact in (*more, *later)]))
    return blake2s(facts.encode(), digest_size=12).hexdigest()
