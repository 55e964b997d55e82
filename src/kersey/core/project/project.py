"""A project: the fabric that was pulled and every choice made so far.

The plan it is cut by is kept with it; all else (cuts, frame, what is left) follows from these.
"""

from collections import Counter
from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from functools import cached_property
from itertools import count

from kersey.core.cloth.fabric import Print, checked_name
from kersey.core.cloth.forms import Form
from kersey.core.errors import Infeasible
from kersey.core.project.bought import USUAL_PRINTS, BoughtFor
from kersey.core.project.design import Design
from kersey.core.project.finishing import NOT_FINISHED, Finishing
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.laying import Version
from kersey.core.project.sewing import AT_REST, Sewing
from kersey.core.project.table import EMPTY_TABLE, Table, whole_key
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled, working_strips


class AlreadyPutAway(Infeasible):
    """What was left of a quilt lies in the cupboard already."""

    def __init__(self) -> None:
        super().__init__(
            "This quilt's leftovers are put away, so its fabric can't change. Duplicate the quilt "
            "to try something else."
        )


@dataclass(frozen=True)
class Project:
    """A quilt under way. `said` is the line that the fabric was first entered with.

    `fabrics` are pulled from the cupboard. A *sketch* only tries them: it holds nothing back from
    other quilts. Once it is `put_away`, a project holds only what it has cut. `done` holds the
    steps of the work order that were ticked off, by their keys; `bought` are the prints of parts
    that are to be bought; `versions` are arrangements kept beside the one of the plan; the `table`
    holds what lies there since something went wrong, and `sewing` what was settled and measured
    since the first seam, and `finishing` what was settled for the finish.
    """

    name: str
    said: str
    fabrics: tuple[Pulled, ...]
    design: Design = field(default_factory=Design)
    bought: Mapping[BoughtFor, Print] = field(
        default_factory=lambda: dict(USUAL_PRINTS), hash=False
    )
    done: frozenset[str] = frozenset()
    sketch: bool = False
    put_away: bool = False
    plan: KeptPlan | None = None
    versions: tuple[Version, ...] = ()
    table: Table = EMPTY_TABLE
    sewing: Sewing = AT_REST
    finishing: Finishing = NOT_FINISHED

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))
        keys = {pulled.key for pulled in self.fabrics} - {None}
        if len(keys) < len(self.fabrics):
            object.__setattr__(self, "fabrics", tuple(_keyed(self.fabrics)))

    @cached_property
    def working(self) -> tuple[tuple[Pulled, ...], ...]:
        """The strips that the blocks are cut from, by print."""
        return working_strips(self.fabrics)

    @property
    def strip_width(self) -> Fraction | None:
        """How wide those strips are, in inches; None when there are none."""
        return self.working[0][0].width if self.working else None

    @property
    def square(self) -> Fraction | None:
        """The side of the squares for the blocks, in inches, if all fabric for them is such."""
        sizes = {(p.width, p.length) for p in self.fabrics if p.for_blocks}
        forms = {p.kept.lot.form for p in self.fabrics if p.for_blocks}
        width, length = sizes.pop() if len(sizes) == 1 else (None, None)
        return width if forms == {Form.SQUARE} and width == length else None

    @property
    def is_estimated(self) -> bool:
        """Whether any fabric for its blocks is not known for certain."""
        return any(pulled.is_estimated for pulled in self.fabrics if pulled.for_blocks)

    @property
    def plan_taken(self) -> bool:
        """Whether a person has settled on the plan: by word, by a size, by a tick or a cut."""
        if self.plan is None:
            return False
        cut = any(pulled.cut for pulled in self.fabrics)
        return self.plan.taken or self.design.size_chosen or bool(self.done) or cut

    @property
    def holds_back(self) -> bool:
        """Whether other quilts must do without what it has pulled and not cut."""
        return not (self.sketch or self.put_away)

    def with_lot(self, of: Pulled, kept: CupboardLot) -> "Project":
        """The project after the lot that a fabric comes from was changed at home."""
        fabrics = tuple(p.with_kept(kept) if p.same_lot(of) else p for p in self.fabrics)
        return replace(self, fabrics=fabrics)

    def pulling(self, more: Sequence[Pulled]) -> "Project":
        """The project with more fabric; pieces of a print it has already are added to those.

        Raises `AlreadyPutAway`.
        """
        if self.put_away:
            raise AlreadyPutAway
        fabrics = list(self.fabrics)
        for new in more:
            place = next((n for n, old in enumerate(fabrics) if old.same_print(new)), None)
            if place is None:
                fabrics.append(new)
            else:
                old = fabrics[place]
                fabrics[place] = replace(old, count=old.count + new.count)
        return replace(self, fabrics=tuple(fabrics))

    def returning(self, places: Collection[int]) -> "Project":
        """The project after fabrics went back to the cupboard; what is cut stays."""
        kept = [
            replace(pulled, count=pulled.cut) if place in places else pulled
            for place, pulled in enumerate(self.fabrics)
            if place not in places or pulled.cut
        ]
        return replace(self, fabrics=tuple(kept))

    def cutting(self, pieces: Mapping[str, int]) -> "Project":
        """The project with so many pieces more cut, or fewer, of fabrics by their keys.

        Raises `AlreadyPutAway`.
        """
        if self.put_away:
            raise AlreadyPutAway
        more = Counter[str]()
        for key, cut in pieces.items():
            more[whole_key(key)] += cut
        fabrics = tuple(
            replace(p, cut=max(0, min(p.count, p.cut + more[fabric_key(p)]))) for p in self.fabrics
        )
        return replace(self, fabrics=fabrics)

    def with_pulled(self, place: int, pulled: Pulled) -> "Project":
        """The project with one of its fabrics exchanged."""
        fabrics = (*self.fabrics[:place], pulled, *self.fabrics[place + 1 :])
        return replace(self, fabrics=fabrics)

    def with_bought(self, prints: Mapping[BoughtFor, Print]) -> "Project":
        """The project with other prints to buy."""
        return replace(self, bought={**self.bought, **prints})


def fabric_key(pulled: Pulled) -> str:
    """What a fabric of a project is known by in its plan."""
    return str(pulled.key)


def _keyed(fabrics: Sequence[Pulled]) -> Iterator[Pulled]:
    """The fabrics, each with a key of its own; those that had one first keep it."""
    free = count(max((p.key + 1 for p in fabrics if p.key is not None), default=0))
    taken: set[int] = set()
    for pulled in fabrics:
        fresh = pulled.key is None or pulled.key in taken
        keyed = replace(pulled, key=next(free)) if fresh else pulled
        assert keyed.key is not None
        taken.add(keyed.key)
        yield keyed
