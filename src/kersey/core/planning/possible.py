"""What the fabric can become: every block as a whole quilt, worked out one after the other.

A quilt here is a first answer, found in a moment: its blocks are those of a plan that the checker
has judged, its kits are dealt as they come. Where nothing that is pulled may serve a role, as much
is bought as the rest has use for. Once a block is taken everything is worked out properly.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from fractions import Fraction
from random import Random

from kersey.core.blocks.assembly import Assembly, Make
from kersey.core.blocks.catalogue import as_tried
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import Option, Recipe
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import Sought, solve
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.kits.dealing import deal, laid_in_order
from kersey.core.kits.pieces import pieces_made, slots_of
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.measure.length import Units, bought_length
from kersey.core.planning.plan_question import laid, size_wish
from kersey.core.project.kept_plan import KeptPlan, Kit
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, block_of, yield_asked
from kersey.core.yields.count import Count
from kersey.core.yields.report import EIGHTH_YARD, checked_plan

# Seconds of search for one block of one size.
_A_BLOCK = 0.25
# And for whether one length of cloth to buy is enough.
_A_LENGTH = 0.1
# A block of its usual size that uses less of the cloth than this is tried in other sizes too.
_GOOD = Fraction(7, 10)
# Those nearest to the usual size come first, while no more seconds than this have gone by; another
# size must use so much more of the cloth to be taken.
_OTHER_SIZES, _WORTH_IT = 0.6, Fraction(1, 10)
_SIZES = tuple(map(Fraction, (3, 4, 5, 6, 8, 9, 10, 12)))
# Three minutes a seam with its cutting and pressing, three hours an evening.
SEAMS_AN_EVENING = 60
# Cloth that is bought for a role comes off the bolt, and there is enough of it.
_BOLT = Fraction(360)
TO_BUY = "to buy"
# A crumb has no more square inches than this; a string is no wider.
_CRUMB, _STRING = Fraction(60), Fraction(3)
# One whole piece that is longer and narrower than this nobody wants.
_NARROWEST = Fraction(9, 5)
# Kits are dealt as they come, but always in the same way.
_SHUFFLE = 5


@dataclass(frozen=True)
class Missing:
    """A role that nothing pulled may serve, and how much to buy for it, in inches off the bolt."""

    role: str
    length: Fraction


@dataclass(frozen=True)
class Possible:
    """A quilt the fabric can become. `used` is the share of the cloth that lies in its blocks."""

    kept: KeptPlan
    blocks: int
    bound: int
    used: Fraction
    seams: int
    on_the_bias: bool
    missing: tuple[Missing, ...] = ()

    @property
    def count(self) -> Count:
        """How many blocks there are, as far as it is known."""
        return Count(self.blocks, self.bound)

    @property
    def key(self) -> str:
        """What it is known by on the wall: its recipe."""
        return self.kept.block.recipe

    @property
    def evenings(self) -> int:
        """How many evenings the top takes, at three minutes a seam."""
        return -(-self.seams // SEAMS_AN_EVENING)


@dataclass(frozen=True)
class WallQuestion:
    """What can this fabric make? Known by its `key`: everything an answer depends on."""

    key: str
    project: Project = field(compare=False)
    units: Units = Units.INCHES

    def run(self) -> "Iterator[tuple[Possible, ...]]":
        """The quilts found so far, block after block."""
        found: list[Possible] = []
        for recipe in as_tried():
            possible = best_of(self.project, recipe.id, self.units)
            if possible is not None:
                found.append(possible)
                yield tuple(found)
        yield tuple(found)


def wall_question(project: Project, units: Units, no_border: bool = False) -> WallQuestion:
    """What is asked for a project's fabric, whatever block it has chosen.

    With `no_border` every quilt does without one that would be bought.
    """
    design = replace(project.design, rows=None, columns=None)
    if no_border:
        design = replace(design, border_width=Fraction(0))
    project = replace(project, design=design, plan=None, done=frozenset())
    fabrics = tuple(p for p in project.fabrics if p.for_blocks)
    facts = [
        (p.key, p.count, sorted(p.roles), str(p.width), str(p.length), str(p.print), str(p.value))
        for p in fabrics
    ]
    choices = (design.seam, design.by_value, design.wish, design.border_width, design.prints)
    return WallQuestion(repr((facts, [str(choice) for choice in choices])), project, units)


def taken(project: Project, chosen: Possible, no_border: bool = False) -> Project:
    """The project with the block of a quilt that was chosen, in the size that suits its cloth."""
    block = replace(chosen.kept.block, whole=(), square=None)
    follows = block.known is not None and block.known.from_strips and project.strip_width
    if follows or (block.known and block.known.size_follows):
        block = replace(block, finished=None)
    border = Fraction(0) if no_border else project.design.border_width
    design = replace(
        project.design, block=block, block_chosen=True, border_width=border, rows=None, columns=None
    )
    return replace(project, design=design)


def as_planned(possible: Possible, kept: KeptPlan, assembly: Assembly) -> Possible:
    """A quilt of blocks as a project has planned it already, not as it was found in a moment."""
    used, seams = _used_and_seams(assembly, kept, kept.most)
    most = kept.most
    return replace(
        possible, kept=kept, blocks=most.blocks, bound=most.bound, used=used, seams=seams
    )


def best_of(project: Project, recipe: str, units: Units) -> Possible | None:
    """The quilt of a block in its usual size, or in another where that uses more of the cloth."""
    best = _best_of(project, recipe, units)
    if best is None:
        return None
    kept = best.kept
    return replace(best, kept=replace(kept, places=laid(kept.cutting, kept.kits, kept.grid)))


def _best_of(project: Project, recipe: str, units: Units) -> Possible | None:
    tried = BlockChoice(recipe)
    known = tried.known
    if known is None or not _suits(project, known):
        return None
    if known.shapes:
        return _best_shape(project, tried, known.shapes, units)
    work = Watch(_OTHER_SIZES)
    best = _possible(project, tried, units)
    free = known.square and not known.size_of and not known.tally
    follows = known.from_strips is not None and project.strip_width is not None
    if not free or follows or (best is not None and best.used >= _GOOD):
        return best
    usual = known.finished[0]
    for side in sorted(_SIZES, key=lambda side: max(side / usual, usual / side)):
        if work.left <= 0:
            break
        other = _possible(project, replace(tried, finished=(side, side)), units, work)
        if other is not None and (best is None or other.used > best.used + _WORTH_IT):
            best = other
        if best is not None and best.used >= _GOOD:
            break
    return best


def _suits(project: Project, recipe: Recipe) -> bool:
    """Whether the cloth is of a kind the block is sewn of: strings of strings, crumbs of crumbs."""
    sizes = [sorted((p.width, p.length)) for p in project.fabrics if p.for_blocks]
    by_weight = any(p.kept.lot.form is Form.SCRAPS for p in project.fabrics if p.for_blocks)
    ready = any(p.kept.lot.form is Form.BLOCK for p in project.fabrics if p.for_blocks)
    if recipe.ready or ready:
        return bool(recipe.ready) and ready
    if recipe.crumbs:
        crumbs = sum(narrow * long <= _CRUMB for narrow, long in sizes)
        return by_weight or 2 * crumbs > len(sizes)
    return not recipe.strings or any(narrow <= _STRING for narrow, _ in sizes)


def _best_shape(
    project: Project, block: BlockChoice, shapes: tuple[str, tuple[Option, ...]], units: Units
) -> Possible | None:
    """A block with the option of which most is used; of whole pieces none long and narrow."""
    name, values = shapes
    found = [_possible(project, block.with_option(name, value), units) for value in values]
    shaped = [(_ratio(each), each) for each in found if each is not None]
    good = [(ratio, each) for ratio, each in shaped if ratio <= _NARROWEST]
    return max(good, key=lambda item: (item[1].used, -item[0]), default=(0, None))[1]


def _ratio(possible: Possible) -> Fraction:
    assert possible.kept.finished is not None
    width, length = possible.kept.finished
    return max(width, length) / min(width, length)


def _possible(
    project: Project, block: BlockChoice, units: Units, work: Watch | None = None
) -> Possible | None:
    """The quilt of a block as it is; what the search for it took is spent of `work`."""
    project = replace(project, design=replace(project.design, block=block))
    try:
        asked = yield_asked(project)
        problem, bought = _with_what_is_missing(asked)
        watch = Watch(_A_BLOCK)
        plan = checked_plan(replace(problem, rules=asked.assembly.rules), watch)
        if work is not None:
            work.spend(watch.spent)
        return _quilt(project, asked, plan, bought, units) if plan.blocks else None
    except KerseyError:
        return None


def _quilt(
    project: Project, asked: YieldAsked, plan: CuttingPlan, bought: frozenset[str], units: Units
) -> Possible | None:
    block, seam, blocks = block_of(project, project.design.seam), project.design.seam, plan.blocks
    wish, assembly, whole = size_wish(asked, project.design, units), asked.assembly, None
    if block.makes_one_piece:
        whole = whole_piece(block, seam, plan)
        block, assembly = whole.block, whole.assembly
        wish = wish.of_one_piece(assembly.finished)
    most = whole.plan if whole else plan
    grid = wish.grid(most.blocks)
    if grid is None or assembly.finished is None:
        return None
    wanted = min(grid.blocks, most.blocks)
    shown = replace(most, blocks=wanted, bound=max(wanted, most.bound))
    kits = (laid_in_order(whole),) if whole else _kits(shown)
    keys = (*asked.keys, *(f"{TO_BUY} {role}" for role in sorted(bought)))
    kept = KeptPlan(
        question="",
        block=block,
        seam=seam,
        finished=assembly.finished,
        most=most,
        cutting=shown,
        keys=keys,
        grid=grid,
        kits=kits,
        # Only the best of all sizes is laid out.
        places=(),
    )
    used, seams = _used_and_seams(assembly, kept, plan)
    return Possible(
        kept=kept,
        blocks=blocks,
        bound=plan.bound,
        used=used,
        seams=seams,
        on_the_bias=any(make.how.bias for make in assembly.makes),
        missing=tuple(_to_buy(plan, role, wanted) for role in sorted(bought)),
    )


def _with_what_is_missing(asked: YieldAsked) -> tuple[CuttingProblem, frozenset[str]]:
    """The question with a bolt for every role that nothing pulled gives a piece for."""
    problem = asked.problem
    roles = {
        need.role for need in problem.needs if not any(_gives(f, need) for f in problem.fabrics)
    }
    if problem.tally or len(roles) == len({need.role for need in problem.needs}):
        return problem, frozenset()
    bolts = tuple(
        Fabric(
            f"{TO_BUY} {role}",
            f"{TO_BUY} {role}",
            Fraction(42),
            _BOLT,
            1,
            frozenset({role}),
            form=Form.YARDAGE,
        )
        for role in sorted(roles)
    )
    return replace(problem, fabrics=(*problem.fabrics, *bolts)), frozenset(roles)


def _gives(fabric: Fabric, need: Need) -> bool:
    """Whether a piece can be cut from it at all."""
    turns = ((need.width, need.length_for(1)),) if need.crosscut else fabric.turns(need)
    fits = any(
        (w <= fabric.width and h <= fabric.length)
        or (need.crosscut and w <= fabric.length and h <= fabric.width and not fabric.is_strip)
        for w, h in turns
    )
    return fabric.serves(need) and fits


def _used_and_seams(assembly: Assembly, kept: KeptPlan, cut: CuttingPlan) -> tuple[Fraction, int]:
    """The share of the cloth that lies in the blocks of a quilt, as it is `cut`; and its seams."""
    share = Fraction(kept.cutting.blocks, kept.most.blocks)
    rows = kept.grid.blocks - 1 if kept.grid else 0
    return _used(cut) * share, _seams(assembly, kept.cutting) + rows


def _used(plan: CuttingPlan) -> Fraction:
    """The share of what is pulled that the plan cuts into pieces."""
    there = sum(
        (f.width * f.length * f.count for f in plan.problem.fabrics if not _bought(f)), Fraction(0)
    )
    cut = sum(
        (
            cut.width * cut.length * layout.copies
            for layout in plan.layouts
            if not _bought(layout.fabric)
            for cut in layout.cuts
        ),
        Fraction(0),
    )
    return cut / there if there else Fraction(0)


def _bought(fabric: Fabric) -> bool:
    return fabric.name.startswith(TO_BUY)


def _to_buy(plan: CuttingPlan, role: str, wanted: int) -> Missing:
    """How much to buy for a role, for so many blocks: the least, in eighths of a yard, of which its
    pieces can be cut; no more than the plan takes of the bolt."""
    problem, name = plan.problem.of_role(role), f"{TO_BUY} {role}"
    cuts = [cut for each in plan.layouts if each.fabric.name == name for cut in each.cuts]
    # Of the cuts of all blocks, as many as these blocks need, the first of the bolt.
    needed = -(-len(cuts) * wanted // plan.blocks)
    most = bought_length(sorted(cut.y + cut.length for cut in cuts)[needed - 1])
    bolt = next(fabric for fabric in plan.problem.fabrics if fabric.name == name)
    area = sum((need.width * need.height * need.count for need in problem.needs), Fraction(0))
    least = bought_length(area * wanted / problem.batch / bolt.width)
    if plan.problem.strip_sets or least >= most:
        return Missing(role, most)
    low, high = 0, int((most - least) / EIGHTH_YARD)
    while low < high:
        middle = (low + high) // 2
        of_it = replace(bolt, length=least + middle * EIGHTH_YARD)
        asked = replace(problem, fabrics=(of_it,))
        found = solve(asked, Watch(_A_LENGTH), Sought(already=wanted - 1, most=wanted))
        low, high = (low, middle) if found.blocks >= wanted else (middle + 1, high)
    return Missing(role, least + high * EIGHTH_YARD)


def _kits(plan: CuttingPlan) -> tuple[Kit, ...]:
    """Kits as they come; where pieces must be of one print, or come off sets, as the rules ask."""
    problem = plan.problem
    if problem.strip_sets or problem.rules:
        return deal(plan).kits
    shuffle, made = Random(_SHUFFLE), pieces_made(plan)
    waiting: list[list[str]] = []
    for need in problem.needs:
        names = [name for name, pieces in sorted(made.items()) for _ in range(pieces[need])]
        shuffle.shuffle(names)
        waiting.append(names)
    sets = problem.batches(plan.blocks)
    kits = [tuple(waiting[need].pop() for need in slots_of(problem)) for _ in range(sets)]
    return tuple(kits[number // problem.batch] for number in range(plan.blocks))


def seams_of(assembly: Assembly) -> Fraction:
    """Seams of one block; those of a strip set are left out, it is sewn for many."""
    return sum(
        (
            _each(make) * assembly.counts[make] / make.gives
            for make in assembly.makes
            if not make.long
        ),
        Fraction(0),
    )


def _seams(assembly: Assembly, plan: CuttingPlan) -> int:
    """Seams that are sewn for all the blocks of a plan."""
    found = seams_of(assembly) * plan.blocks
    if plan.problem.strip_sets:
        sets = Counter(each.kind for each in strip_sets(plan))
        long = (make for make in assembly.makes if make.long and _each(make))
        found += sum(_each(make) * sets[assembly.set_of(make)] for make in long)
    return -int(-found // 1)


def _each(make: Make) -> int:
    """Seams of one make, of parts that are there already."""
    parts = sum(part.count for part in make.of)
    return parts - 1 if make.how.seams is None else make.how.seams
