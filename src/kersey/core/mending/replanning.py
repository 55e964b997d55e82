"""What can still be made after something went wrong, with the least changed first.

same         the pieces that are missing are cut of the same prints, from cloth that is free
spare        there are blocks enough without those that miss pieces
other print  the blocks that miss pieces are put together anew, of whatever is free
joined       a missing piece is sewn of two
anew         all that is not cut is planned anew
fewer        the blocks that are complete, in the size that suits them
buy          what would make the missing blocks

The missing pieces are one small question to the search: a "block" of just these pieces. So every
way rests on a plan that the checker has judged, and "anew" on the same bound as the yield: it says
for certain whether all blocks can still be had.
"""

from collections import Counter
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import replace
from functools import cached_property

from kersey.core.cutting.checker import claimed, faults
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import EVERY_BLOCK, Sought
from kersey.core.cutting.watch import Watch
from kersey.core.errors import Infeasible
from kersey.core.kits.dealing import AS_THEY_COME, CannotBeDealt, Wished, deal
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.kits.pieces import pieces_made, slots_of
from kersey.core.measure.length import Units
from kersey.core.mending.free_cloth import Free, with_more_cut
from kersey.core.mending.joined_piece import joined_piece
from kersey.core.mending.mishap import (
    OnTable,
    Pieces,
    kit_by_prints,
    missing,
    pieces_there,
    still_planned,
)
from kersey.core.mending.narrower_border import narrower_border
from kersey.core.mending.small_search import Found, SmallSearch
from kersey.core.mending.ways import Bought, Way, WayKind, Ways
from kersey.core.planning.plan_question import laid, plan_question, size_wish
from kersey.core.project.design import Design
from kersey.core.project.kept_plan import Grid, KeptPlan, Kit
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked
from kersey.core.project.table import Joined, parent_key
from kersey.core.sewing.passes import kits_begun, with_kits_numbered
from kersey.core.yields.report import checked_plan, sorts_of

# Seconds for planning everything anew, at once and when it is proved.
AT_ONCE, ANEW = 0.6, 2.8
# A role of one need alone: that of the need, and its place.
_OWN = "{} {}"
# So many pieces more of a sort are tried, and so many missing pieces joined, at most.
_MOST_BOUGHT, _MOST_JOINED = 4, 4


def first_ways(lies: OnTable, units: Units = Units.INCHES) -> Ways:
    """The ways that are found at once: what changes least. Raises `NothingToCut`."""
    state = _State(lies, units)
    ways = list(state.whole_strips(AT_ONCE) if state.by_whole_strips else state.small_ways())
    most = max((way.blocks for way in ways if way.project is not None), default=0)
    lost = tuple((of, need, count) for (of, need), count in state.missing.items())
    return Ways(state.wanted, tuple(ways), min(most, state.wanted), lost=lost)


def all_ways(lies: OnTable, units: Units = Units.INCHES, first: Ways | None = None) -> Ways:
    """The same with what a search of everything that is not cut finds, and its bound.

    Raises `NothingToCut`.
    """
    first = first_ways(lies, units) if first is None else first
    if first.most >= first.wanted and not any(_changes_prints(way) for way in first.ways):
        return replace(first, bound=first.wanted)
    state = _State(lies, units)
    bought = [] if state.by_whole_strips else list(state.to_buy())
    found = state.anew(ANEW)
    bound = max(first.most, state.bound_of(found))
    ways = [*first.ways, *bought]
    anew = state.of_the_search(found)
    if anew is not None and (anew.blocks >= first.wanted or anew.blocks > first.most):
        # What saves more blocks goes for the fewer that were found at once.
        ways = [
            way
            for way in ways
            if way.kind not in (WayKind.ANEW, WayKind.FEWER)
            or (way.kind is WayKind.FEWER and anew.blocks >= first.wanted)
        ]
        ways = sorted([*ways, anew], key=_rank)
    ways = [each for way in ways for each in (way, *_there(state.with_narrower_border(way)))]
    most = max((way.blocks for way in ways if way.project is not None), default=0)
    return replace(first, ways=tuple(ways), most=min(most, first.wanted), bound=max(bound, most))


def _rank(way: Way) -> tuple[bool, int, int, int]:
    """Most blocks first, then the fewest that look otherwise; what has to be bought is last."""
    return (way.project is None, -way.blocks, len(way.changed), list(WayKind).index(way.kind))


def _changes_prints(way: Way) -> bool:
    return way.kind is WayKind.OTHER_PRINT


class _State:
    """What is left of the plan, and the questions that are asked of it."""

    def __init__(self, lies: OnTable, units: Units) -> None:
        self.lies, self.units = lies, units
        asked, self.plan = still_planned(lies)
        self._small = SmallSearch(self.plan)
        self.asked: YieldAsked = asked
        self._keys = dict(zip((f.name for f in asked.problem.fabrics), asked.keys, strict=True))

    @cached_property
    def missing(self) -> Pieces:
        """The pieces that the kits wait for; of whole strips, or one piece, nothing is said."""
        return Pieces() if self.by_whole_strips else missing(self.lies, self.plan, self.asked)

    @property
    def wanted(self) -> int:
        """How many blocks were planned."""
        return self.lies.kept.cutting.blocks

    @property
    def by_whole_strips(self) -> bool:
        """Whether strips are sewn whole, or all is one piece."""
        problem = self.lies.kept.cutting.problem
        return bool(problem.strip_sets or problem.tally or self.lies.kept.block.makes_one_piece)

    def small_ways(self) -> Iterator[Way]:
        """What is found at once, the least changed first."""
        if not self.missing:
            yield from _there(self._way(WayKind.UNHARMED, self.plan))
            return
        # Cut again of the very same prints nothing changes: then no other way is worth a look.
        same = self._same()
        if same is not None:
            yield same
            return
        found = [self._without_affected(), self._put_together(), self._joined()]
        fewer = max(
            (way for way in found if way and way.kind is WayKind.FEWER),
            key=lambda way: way.blocks,
            default=None,
        )
        ways = [way for way in _there(*found) if way.kind is not WayKind.FEWER or way is fewer]
        yield from sorted(ways, key=_rank)

    def whole_strips(self, seconds: float) -> Iterator[Way]:
        """Whatever is sewn of whole strips is planned anew."""
        yield from _there(self.of_the_search(self.anew(seconds)))

    def anew(self, seconds: float) -> CuttingPlan:
        """Everything that is not cut planned anew, what is cut lying there as cloth."""
        # Of one piece nobody knows beforehand how many columns or rows there were to be.
        sought = EVERY_BLOCK if self.lies.kept.block.makes_one_piece else Sought(most=self.wanted)
        return checked_plan(self.plan.problem, Watch(seconds), sought)

    def bound_of(self, found: CuttingPlan) -> int:
        """How many of the blocks that were wanted no plan can exceed."""
        if self.lies.kept.block.makes_one_piece and found.proved:
            anew = self.of_the_search(found)
            return anew.blocks if anew else 0
        return min(found.bound, self.wanted)

    def of_the_search(self, found: CuttingPlan) -> Way | None:
        """The project cut as a whole new plan says."""
        if not found.blocks:
            return None
        if self.by_whole_strips:
            return self._planned_as_new(found)
        blocks = min(found.blocks, self.wanted)
        kind = WayKind.ANEW if blocks >= self.wanted else WayKind.FEWER
        return self._way(kind, replace(found, blocks=blocks))

    def _same(self) -> Way | None:
        """The missing pieces of the same prints, opening as little as can be."""
        # A small cutting question of one "block" that is all that is missing. Each missing piece is
        # a role of its own, which only cloth of its own print serves.
        lost = {f"lost {n}": each for n, each in enumerate(self.missing.items())}
        needs = tuple(
            replace(need, label=role, role=role, count=count)
            for role, ((_, need), count) in lost.items()
        )
        real = {role: need for role, ((_, need), _) in lost.items()}

        def of_same_prints(there: Free) -> Fabric | None:
            roles = frozenset(
                role
                for role, ((of, need), _) in lost.items()
                if self._fabric_of(of).print == there.cloth.print and there.cloth.serves(need)
            )
            return replace(there.cloth, roles=roles) if roles else None

        problem = CuttingProblem(needs, ())
        found = self._small.cut_of_free(problem, 1, of_same_prints)
        if found is None or not found.blocks:
            return None
        return self._way(WayKind.SAME, with_more_cut(self.plan, found.layouts, found.free, real))

    @cached_property
    def affected(self) -> tuple[int, ...]:
        """The sets of kits that miss pieces, by their numbers: as few as can be seen at once, of
        those the last, and what is sewn or pinned only where there is no other."""
        # Greedy cover: the kit that takes most of what is missing goes first.
        lost, found = Pieces(self.missing), set[int]()
        takes = {n: Pieces(kit_by_prints(self.lies.kept, kit)) for n, kit in self._kits().items()}
        order = sorted(takes, key=lambda n: (n in self._pinned, -n))
        while lost:
            # What is sewn together has its pieces, whichever of their print lie loose.
            worst = max(
                (n for n in order if n not in found and takes[n] & lost),
                key=lambda n: (n not in self._sewn, (takes[n] & lost).total()),
            )
            found.add(worst)
            lost -= takes[worst]
        return tuple(sorted(found))

    @property
    def _batch(self) -> int:
        return self.plan.problem.batch

    @cached_property
    def _pinned(self) -> frozenset[int]:
        return frozenset(number // self._batch for number in self.lies.kept.pinned)

    @cached_property
    def _sewn(self) -> frozenset[int]:
        """The sets of kits that are sewn already, or begun."""
        begun = kits_begun(self.lies.quilt.project)
        return frozenset(number // self._batch for number in begun)

    def _kits(self) -> dict[int, Kit]:
        """One kit of every batch."""
        return dict(enumerate(self.lies.kept.kits[:: self._batch]))

    def _put_together(self) -> Way | None:
        """The blocks that miss pieces put together of what they have and of any free cloth: all of
        them, or as many as can be."""
        # With fewer blocks than are affected the last of them stay out; a spare block may then
        # stand in, or the quilt becomes smaller.
        found = self._together()
        if found is None or not found.blocks:
            return None
        own = zip(self._told_apart[0].needs, self.plan.problem.needs, strict=True)
        real = {new.role: old for new, old in own} if self._can_tell_apart else {}
        plan = with_more_cut(self.plan, found.layouts, found.free, real)
        short = len(self.affected) * self._batch - found.blocks
        if not short:
            return self._way(WayKind.OTHER_PRINT, plan)
        last = self.affected[len(self.affected) - -(-short // self._batch) :]
        kind = WayKind.SPARE if self._enough(short) else WayKind.FEWER
        return self._way(kind, replace(plan, blocks=self.wanted - short), last)

    def _together(self, more: Sequence[Fabric] = ()) -> Found | None:
        """The affected blocks, of the pieces that no other block takes, of free cloth, and of
        `more` that is not there."""
        problem, told_apart = self._told_apart
        blocks = len(self.affected) * self._batch
        cloth = [told_apart(fabric) for fabric in more]
        return self._small.cut_of_free(
            problem, blocks, lambda there: told_apart(there.cloth), (*self._not_taken(), *cloth)
        )

    @cached_property
    def _told_apart(self) -> tuple[CuttingProblem, Callable[[Fabric], Fabric]]:
        """The question for a block with a role for every need, so that a piece that is cut serves
        only what it was cut for; and fabric with these roles. Where a rule binds several roles they
        stay as they are."""
        problem = replace(self.plan.problem, fabrics=())
        if not self._can_tell_apart:
            return problem, lambda fabric: fabric
        needs = tuple(
            replace(need, role=_OWN.format(need.role, n)) for n, need in enumerate(problem.needs)
        )
        # Which of the new roles came of each old one, so that rules go on binding the same pieces.
        of = {
            role: tuple(
                new.role for old, new in zip(problem.needs, needs, strict=True) if old.role == role
            )
            for role in {need.role for need in problem.needs}
        }
        rules = [
            replace(rule, roles=tuple(own for role in rule.roles for own in of.get(role, ())))
            for rule in problem.rules
        ]
        # No two pieces of one role of one print: neither of one need, nor of two.
        rules += [
            replace(rule, roles=(own,))
            for rule in problem.rules
            if not rule.same
            for own in of.get(rule.roles[0], ())
        ]

        def with_roles(fabric: Fabric) -> Fabric:
            serves = (
                new.role
                for old, new in zip(problem.needs, needs, strict=True)
                if fabric.serves(old)
            )
            return replace(fabric, roles=frozenset(serves) or frozenset({"nothing"}))

        kept = tuple(dict.fromkeys(rule for rule in rules if rule.roles))
        return replace(problem, needs=needs, rules=kept), with_roles

    @property
    def _can_tell_apart(self) -> bool:
        return all(rule.same or len(rule.roles) == 1 for rule in self.plan.problem.rules)

    def _not_taken(self) -> Iterator[Fabric]:
        """The pieces that the plan gives and no kit takes but those that miss others."""
        # What lies cut on the table is cloth as large as it is: one piece comes of it, or none.
        there = pieces_there(self.plan, self.asked)
        for number, kit in self._kits().items():
            if number not in self.affected:
                there -= Pieces(kit_by_prints(self.lies.kept, kit))
        needs = self.plan.problem.needs
        for number, ((of, need), count) in enumerate(there.items()):
            if not self._can_tell_apart and _others_in(need, needs):
                continue
            place = needs.index(need)
            role = self._told_apart[0].needs[place].role
            yield replace(
                self._fabric_of(of),
                name=f"there {number}",
                width=need.width,
                length=need.height,
                count=count,
                directional=True,
                opened=True,
                roles=frozenset({role}),
            )

    def _joined(self) -> Way | None:
        """Each missing piece sewn of two that lie free."""
        if self.missing.total() > _MOST_JOINED or self._batch > 1:
            return None
        # One after the other, each on the table that the one before has left.
        lies, joined = self.lies, list[Joined]()
        for of, need in self.missing.elements():
            turned = self._fabric_of(of).directional
            found = joined_piece(lies, of, need, self.lies.kept.seam, turned)
            if found is None:
                return None
            lies, piece = found
            joined.append(piece)
        state = _State(lies, self.units)
        way = state._way(WayKind.JOINED, state.plan)
        return way and replace(way, joined=tuple(joined))

    def _enough(self, short: int) -> bool:
        """Whether so many blocks fewer still fill the quilt."""
        grid = self.lies.kept.grid
        return grid is not None and grid.blocks <= self.wanted - short

    def _without_affected(self) -> Way | None:
        """The blocks that miss no piece: in the same size, where there were blocks to spare."""
        short = len(self.affected) * self._batch
        if short >= self.wanted:
            return None
        kind = WayKind.SPARE if self._enough(short) else WayKind.FEWER
        return self._way(kind, replace(self.plan, blocks=self.wanted - short), self.affected)

    def with_narrower_border(self, way: Way) -> Way | None:
        """The same way with a border that what is left is enough for, where it is not any more."""
        if way.project is None:
            return None
        found = narrower_border(self.lies.quilt, way.project, self.units)
        return found and replace(way, project=found[0], border=found[1])

    def to_buy(self) -> Iterator[Way]:
        """The fewest pieces of a sort that was pulled."""
        for fabrics in sorts_of(self.lies.kept.cutting.problem).values():
            # Each of a print of its own, so that no rule stands in the way of what is bought.
            for pieces in range(1, _MOST_BOUGHT + 1):
                more = [
                    replace(fabrics[0], name=f"bought {n}", print=f"bought {n}", count=1)
                    for n in range(pieces)
                ]
                found = self._together(more)
                if found is not None and found.blocks >= len(self.affected) * self._batch:
                    yield Way(WayKind.BUY, self.wanted, bought=Bought(fabrics[0], pieces))
                    break

    def _fabric_of(self, of: str) -> Fabric:
        """Whole fabric, or a piece of it, by the key of what was pulled; it may be gone by now."""
        kept = self.lies.kept
        fabrics = zip(kept.keys, kept.cutting.problem.fabrics, strict=True)
        return next(fabric for key, fabric in fabrics if parent_key(key) == of)

    def _way(self, kind: WayKind, plan: CuttingPlan, without: Sequence[int] = ()) -> Way | None:
        """The project cut by a plan for what lies there, `without` some sets of kits; the others
        stay as far as their pieces are there."""
        # Layouts put together of several questions are checked here; one that is faulty claims what
        # it can.
        plan = replace(plan, bound=max(plan.bound, plan.blocks))
        plan = claimed(plan) if faults(plan) else plan
        before = self.lies.kept
        numbers = [n for n in range(len(before.kits)) if n // self._batch not in without]
        kits = self._dealt(plan, numbers[: plan.blocks]) if plan.blocks else None
        if kits is None:
            return None
        changed = tuple(
            old
            for old, kit in zip(numbers, kits, strict=False)
            if self._by_prints(plan, kit) != kit_by_prints(before, before.kits[old])
        )
        # A kit that is sewn cannot change its prints, but where it lost a piece.
        if any(n // self._batch in self._sewn for n in changed if n not in self._missing_some):
            return None
        project = self._project(plan, kits, numbers)
        return Way(kind, plan.blocks, project, max(0, _whole(plan) - _whole(self.plan)), changed)

    @property
    def _missing_some(self) -> frozenset[int]:
        """The kits that miss pieces."""
        sets = self.affected if self.missing else ()
        return frozenset(n for s in sets for n in range(s * self._batch, (s + 1) * self._batch))

    def _by_prints(self, plan: CuttingPlan, kit: Kit) -> list[tuple[str, Need]]:
        needs = (plan.problem.needs[number] for number in slots_of(plan.problem))
        return [(parent_key(self._keys[name]), need) for name, need in zip(kit, needs, strict=True)]

    def _dealt(self, plan: CuttingPlan, numbers: Sequence[int]) -> tuple[Kit, ...] | None:
        """A kit for each block, of these numbers before; what misses pieces is dealt anew."""
        design = self.lies.quilt.project.design
        families = {
            fabric.print: pulled.print.family
            for fabric, pulled in zip(self.asked.problem.fabrics, self.asked.fabrics, strict=True)
        }
        wished = Wished(design.kits, families, design.deal)
        # What is complete stays, the rest as was wished; else all is dealt as the rules ask.
        for pins, how in ((self._complete(plan, numbers), wished), ({}, AS_THEY_COME)):
            try:
                kits = deal(plan, how, pins).kits
            except CannotBeDealt:
                continue
            if not kit_faults(plan, kits):
                return kits
        return None

    def _complete(self, plan: CuttingPlan, numbers: Sequence[int]) -> dict[int, Kit]:
        """The kits whose pieces are all there, by their new numbers and as they are called now;
        first those that are sewn or begun, then pinned ones."""
        there: dict[tuple[str, Need], list[str]] = {}
        for name, made in pieces_made(plan).items():
            for need, count in made.items():
                of = parent_key(self._keys[name])
                there.setdefault((of, need), []).extend([name] * count)
        before, found = self.lies.kept, dict[int, Kit]()
        order = range(0, len(numbers), self._batch)
        for new in sorted(order, key=lambda new: self._waits(numbers[new])):
            wanted = kit_by_prints(before, before.kits[numbers[new]])
            if all(len(there.get(piece, ())) >= n for piece, n in Counter(wanted).items()):
                kit = tuple(there[piece].pop() for piece in wanted)
                found |= dict.fromkeys(range(new, min(new + self._batch, len(numbers))), kit)
        return found

    def _waits(self, number: int) -> tuple[bool, bool]:
        """What a kit is sorted by when pieces are given out."""
        return number // self._batch not in self._sewn, number not in self.lies.kept.pinned

    def _project(self, plan: CuttingPlan, kits: tuple[Kit, ...], numbers: Sequence[int]) -> Project:
        before, project = self.lies.kept, self.lies.project()
        number = {old: new for new, old in enumerate(numbers[: len(kits)])}
        places = _filled(before.places, number, len(kits))
        design, grid = project.design, before.grid
        # Fewer blocks than places: the quilt becomes smaller and is laid anew.
        if grid is not None and None in places and None not in before.places:
            design, grid = self._resized(design, len(kits))
            places = laid(plan, kits, grid)
        kept = KeptPlan(
            question=self.asked.fingerprint,
            block=before.block,
            seam=before.seam,
            finished=before.finished,
            most=plan,
            cutting=plan,
            keys=self.asked.keys,
            grid=grid,
            kits=kits,
            places=places,
            pinned=frozenset(number[n] for n in before.pinned if n in number),
            unmet=before.unmet,
            missing_sought=True,
            taken=True,
            laying=before.laying if grid == before.grid and len(kits) == len(before.kits) else None,
        )
        return replace(
            project, design=design, plan=kept, done=with_kits_numbered(project.done, number)
        )

    def _resized(self, design: Design, blocks: int) -> tuple[Design, Grid | None]:
        """The rows and columns that suit so many blocks."""
        design = replace(design, rows=None, columns=None)
        grid = size_wish(self.asked, design, self.units).grid(blocks)
        if grid is not None:
            design = replace(design, rows=grid.rows, columns=grid.columns)
        return design, grid

    def _planned_as_new(self, found: CuttingPlan) -> Way | None:
        """What is sewn of whole strips, or is one piece, planned as a new quilt is; of one piece
        that becomes smaller there is no whole one."""
        project, before = self.lies.project(), self.lies.kept
        grid = before.grid
        if grid is not None and project.design.size_chosen and found.blocks < grid.blocks:
            # The size that was settled on cannot be had any more.
            project = replace(project, design=self._resized(project.design, found.blocks)[0])
        try:
            question = plan_question(project, self.units, found)
            kept = question.plan()
        except Infeasible:
            return None
        kept = replace(kept, taken=True, missing_sought=True)
        blocks = min(found.blocks, self.wanted)
        if before.block.makes_one_piece and before.finished and kept.finished:
            sides = zip(kept.finished, before.finished, strict=True)
            blocks = int(all(now >= was for now, was in sides))
        kind = WayKind.ANEW if blocks >= self.wanted else WayKind.FEWER
        return Way(kind, blocks, replace(project, plan=kept))


def _there(*ways: Way | None) -> Iterator[Way]:
    return (way for way in ways if way is not None)


def _others_in(need: Need, needs: Sequence[Need]) -> bool:
    """Whether another piece of its role could be cut from a piece."""
    return any(
        other != need
        and other.role == need.role
        and min(other.width, other.height) <= min(need.width, need.height)
        and max(other.width, other.height) <= max(need.width, need.height)
        for other in needs
    )


def _whole(plan: CuttingPlan) -> int:
    """How many whole pieces of fabric a plan opens."""
    return sum(each.copies for each in plan.layouts if not each.fabric.opened)


def _filled(
    places: Sequence[int | None], number: Mapping[int, int], blocks: int
) -> tuple[int | None, ...]:
    """The blocks where they lay, by their new numbers; a spare one where one is lost."""
    found = [None if old is None else number.get(old) for old in places]
    spare = iter(sorted(set(range(blocks)) - set(found)))
    return tuple(
        next(spare, None) if new is None and old is not None else new
        for new, old in zip(found, places, strict=True)
    )
