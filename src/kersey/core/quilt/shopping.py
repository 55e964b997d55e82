"""What a quilt lacks, as a shopping list: the cheapest ware of a price list for each part.

Blocks: for the cloth of each role, or of several where one cloth serves them, it is found out by
search how much of a ware makes the blocks that are wanted beside what is there, the other roles
being had. Roles that share no cloth do not touch each other, so the cheapest for each is the
cheapest for all. Parts beside the blocks are cut of one ware each: off the bolt by the rules of the
frame, of precuts by search. Of every ware that would do the cheapest is taken; the next cheapest is
told too.

    lack      a part, or the cloth of a role of the blocks
    offer     so much of a ware, that would do for a lack
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.solver import Sought, solve
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.frame.backing import WIDE_BACKING, BackingWay
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.measure.length import YARD, Units
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, yield_asked
from kersey.core.quilt.parts import Part
from kersey.core.quilt.parts_cut import part_needs, parts_alone, strip_lengths, with_parts
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.price_list import EIGHTH_OF_A_YARD, PriceList, Ware

# Work for one trial, whether so much of a ware will do.
_A_TRIAL = 0.35
# No more of a ware than this is tried: pieces, rolls or stacks, or inches off the bolt.
_MOST_PIECES, _MOST_PACKS, _MOST_CLOTH = 80, 8, 12 * YARD
# What precuts may be cut into; a border of keys is pieced of what is left, or off the bolt.
_OF_PRECUTS = frozenset(
    {PartKind.SETTING, PartKind.SASHING, PartKind.CORNERSTONES, PartKind.BORDER, PartKind.BINDING}
)
# So small that nothing is cut of it.
_CRUMB = Fabric("crumb", "crumb", Fraction(1, 8), Fraction(1, 8))


@dataclass(frozen=True)
class Offer:
    """So much of a ware: inches off the bolt, or how many. Its cost in hundredths."""

    ware: Ware
    quantity: Fraction
    cost: int

    @property
    def in_stock(self) -> bool:
        """Whether the shop has so much."""
        return self.ware.there(self.quantity)


@dataclass(frozen=True)
class Lack:
    """What is lacking, in a person's words; offers that would do, what is in stock and cheapest
    first. Nothing on the list would do where there are none."""

    what: str
    offers: tuple[Offer, ...]


@dataclass(frozen=True)
class ShoppingList:
    """All that a quilt lacks. `complete` once everything has been looked at."""

    lacks: tuple[Lack, ...] = ()
    complete: bool = False

    @property
    def bought(self) -> tuple[tuple[str, Offer], ...]:
        """For each lack the offer that is taken: the cheapest that is in stock."""
        return tuple((lack.what, lack.offers[0]) for lack in self.lacks if lack.offers)

    @property
    def cost(self) -> int:
        """What it costs together."""
        return sum(offer.cost for _, offer in self.bought)

    @property
    def not_offered(self) -> tuple[str, ...]:
        """What nothing on the list would do for, or too little is in stock of."""
        return tuple(
            lack.what for lack in self.lacks if not lack.offers or not lack.offers[0].in_stock
        )


@dataclass(frozen=True)
class ShoppingQuestion:
    """What does this quilt lack? Known by its `key`: everything an answer depends on."""

    key: str
    project: Project = field(compare=False)
    units: Units = field(compare=False)
    prices: PriceList = field(compare=False)

    def run(self) -> Iterator[ShoppingList]:
        """The list, lack by lack; work is counted, not time."""
        found: list[Lack] = []
        for lack in self._lacks():
            found.append(lack)
            yield ShoppingList(tuple(found))
        yield ShoppingList(tuple(found), complete=True)

    def _lacks(self) -> Iterator[Lack]:
        quilt = make_quilt(self.project, self.units)
        if quilt.blocks_short:
            yield from _of_blocks(yield_asked(self.project), quilt.size.blocks, self.prices)
        for part in quilt.to_buy:
            yield lack_of_part(quilt, part, self.prices)


def shopping_question(project: Project, units: Units, prices: PriceList) -> ShoppingQuestion | None:
    """What is asked; None without a plan for blocks of a size."""
    kept = project.plan
    if kept is None or kept.grid is None or kept.finished is None or not kept.possible:
        return None
    facts = (
        kept.question,
        kept.grid,
        kept.most.blocks,
        project.design,
        units,
        prices,
        [(str(p.kept.lot), p.count, p.roles) for p in project.fabrics],
    )
    return ShoppingQuestion(repr(facts), project, units, prices)


def _of_blocks(asked: YieldAsked, wanted: int, prices: PriceList) -> Iterator[Lack]:
    """What the blocks lack, for each set of roles that some cloth serves together."""
    problem = asked.problem
    if asked.rules_are_a_wish:
        problem = replace(problem, rules=())
    for roles in _apart(problem):
        alone = _of_roles(problem, roles)
        if _blocks_with(alone, wanted) >= wanted:
            continue
        words = f"{' and '.join(sorted(roles))} fabric" if len(_apart(problem)) > 1 else "cloth"
        wares = [ware for ware in prices.wares if ware.form is not Form.BATTING]
        offers = (_for_blocks(alone, roles, wanted, ware) for ware in wares)
        yield Lack(f"{words} for blocks", _best_first(offers))


def _apart(problem: CuttingProblem) -> list[frozenset[str]]:
    """Roles, those together that share cloth; sewn sets and what is counted otherwise stay one."""
    roles = list(dict.fromkeys(need.role for need in problem.needs))
    if problem.strip_sets or problem.tally:
        return [frozenset(roles)]
    groups = [{role} for role in roles]
    for fabric in problem.fabrics:
        served = {need.role for need in problem.needs if fabric.serves(need)}
        touched = [group for group in groups if group & served]
        if len(touched) > 1:
            groups = [group for group in groups if group not in touched]
            groups.append(set().union(*touched))
    return [frozenset(group) for group in groups]


def _of_roles(problem: CuttingProblem, roles: frozenset[str]) -> CuttingProblem:
    """What is asked of these roles alone; without any cloth a crumb stands for it."""
    if {need.role for need in problem.needs} == roles:
        return problem
    needs = tuple(need for need in problem.needs if need.role in roles)
    fabrics = tuple(f for f in problem.fabrics if any(f.serves(need) for need in needs))
    rules = tuple(rule for rule in problem.rules if set(rule.roles) <= roles)
    return replace(problem, needs=needs, fabrics=fabrics or (_CRUMB,), rules=rules)


def _for_blocks(
    problem: CuttingProblem, roles: frozenset[str], wanted: int, ware: Ware
) -> Offer | None:
    """How much of a ware makes the blocks that are wanted."""
    return _least(
        ware,
        lambda amount: _blocks_with(_with_cloth(problem, ware, amount, roles), wanted) >= wanted,
    )


def _blocks_with(problem: CuttingProblem, wanted: int) -> int:
    try:
        return solve(problem, Watch(_A_TRIAL), Sought(most=wanted)).blocks
    except KerseyError:
        return 0


def lack_of_part(quilt: Quilt, part: Part, prices: PriceList) -> Lack:
    """What would do for a part beside the blocks."""
    if part.kind is PartKind.BATTING and part.layer:
        short, long = sorted(part.layer.size)
        packets = (ware for ware in prices.wares if ware.form is Form.BATTING)
        fitting = (
            w for w in packets if min(w.width, w.length) >= short and max(w.width, w.length) >= long
        )
        return Lack(part.name, _best_first(Offer(w, Fraction(1), w.price) for w in fitting))
    bolts = (ware for ware in prices.wares if ware.off_the_bolt)
    offers = [_off_the_bolt(quilt, part, ware) for ware in bolts]
    cheapest = min((offer.cost for offer in offers if offer), default=None)
    asked = part.cuts[0].cut if len(part.cuts) == 1 and part.kind in _OF_PRECUTS else None
    if asked is not None and part.number < 2:
        for ware in prices.wares:
            # What costs more for its area alone than cloth off the bolt is not worth trying.
            floor = ware.cost(ware.quantity(asked.area / ware.area))
            precut = not ware.off_the_bolt and ware.form is not Form.BATTING
            if precut and (cheapest is None or floor < cheapest):
                offers.append(_of_pieces(asked, ware))
    return Lack(part.name, _best_first(offers))


def _off_the_bolt(quilt: Quilt, part: Part, ware: Ware) -> Offer | None:
    """A part off the bolt: a backing of extra-wide cloth is one piece; all else is cut of cloth
    that is as wide as was reckoned with, or a little wider."""
    usable = quilt.project.design.usable_width
    wide = ware.width >= WIDE_BACKING
    if part.kind is PartKind.BACKING:
        plans = [p for p in quilt.backing.plans if (p.way is BackingWay.WIDE) == wide]
        chosen = quilt.project.design.backing_way
        plans = [p for p in plans if chosen in (None, p.way)]
        if not plans or (not wide and ware.width < usable):
            return None
        cloth = min(plan.cloth for plan in plans)
        # Of what is pulled for it only the rest is bought; that is told for the plan in use alone.
        cloth = min(cloth, part.lacks) if not wide else cloth
        return _offer(ware, cloth)
    return None if wide or ware.width < usable else _offer(ware, part.lacks)


def _of_pieces(part: PartCut, ware: Ware) -> Offer | None:
    """How much of a precut ware gives a part."""
    roles = frozenset({part.role})

    def will_do(amount: Fraction) -> bool:
        problem = parts_alone(_cloth(ware, amount, roles))
        needs = part_needs(part, strip_lengths(part.role, part.cut_width, problem.fabrics))
        return needs is not None and _blocks_with(with_parts(problem, [needs]), 1) >= 1

    return _least(ware, will_do)


def _least(ware: Ware, will_do: Callable[[Fraction], bool]) -> Offer | None:
    """The least of a ware that will do, found by halving; more never gives less."""
    step = EIGHTH_OF_A_YARD if ware.off_the_bolt else Fraction(1)
    most = _MOST_CLOTH if ware.off_the_bolt else _MOST_PIECES if ware.pieces == 1 else _MOST_PACKS
    low, high = 1, int(most / step)
    if not will_do(high * step):
        return None
    while low < high:
        middle = (low + high) // 2
        if will_do(middle * step):
            high = middle
        else:
            low = middle + 1
    return _offer(ware, high * step)


def _offer(ware: Ware, wanted: Fraction) -> Offer:
    quantity = ware.quantity(wanted)
    return Offer(ware, quantity, ware.cost(quantity))


def _best_first(offers: Iterable[Offer | None]) -> tuple[Offer, ...]:
    found = [offer for offer in offers if offer is not None]
    return tuple(sorted(found, key=lambda o: (not o.in_stock, o.cost, o.ware.name)))


def _with_cloth(
    problem: CuttingProblem, ware: Ware, amount: Fraction, roles: frozenset[str]
) -> CuttingProblem:
    return replace(problem, fabrics=(*problem.fabrics, *_cloth(ware, amount, roles)))


def _cloth(ware: Ware, amount: Fraction, roles: frozenset[str]) -> Iterator[Fabric]:
    """So much of a ware, as cloth that serves these roles; every print is a new one."""
    if ware.off_the_bolt:
        yield Fabric("bought", "bought", ware.width, amount, 1, roles, form=ware.form)
        return
    pieces, prints = ware.pieces * int(amount), ware.prints * int(amount)
    each, more = divmod(pieces, prints)
    for number in range(prints):
        name = f"bought {number + 1}"
        count = each + (number < more)
        yield Fabric(name, name, ware.width, ware.length, count, roles, form=ware.form)
