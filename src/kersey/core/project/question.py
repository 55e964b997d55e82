"""A project's question to the search: its block, and the fabric pulled for it.

A fabric that may serve any role serves either side of a block of light and dark, or, where values
are to decide, a light one the light side, a dark one the dark side, and a medium one both. Roles
that the block does not have are no roles for it.

A block that uses strips as they are takes its size from their width; of every other block the
finished size is given and the cut sizes follow.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.assembly import Assembly, Patch, Size
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.fabric import Print, Value
from kersey.core.cloth.forms import Form
from kersey.core.cutting.kinds.whole_strips import with_tubes
from kersey.core.cutting.problem import ANY, CuttingProblem, Fabric
from kersey.core.errors import Infeasible
from kersey.core.measure.length import EIGHTH
from kersey.core.project.design import Design, PrintsInABlock
from kersey.core.project.kept_plan import fingerprint
from kersey.core.project.project import Project, fabric_key
from kersey.core.project.table import Lying, Table, size_key
from kersey.core.stash.pulled import BLOCK_ROLES, Pulled, Role

# What blocks are cut from by measure; strings and scraps are sewn first.
CUT_FROM = frozenset(
    {Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE, Form.PIECE}
)
_OTHER_SIDE: dict[Value | None, str] = {Value.LIGHT: "dark", Value.DARK: "light"}


class NothingToCut(Infeasible):
    """Nothing is pulled that blocks could be cut from."""

    def __init__(self) -> None:
        super().__init__("No fabric is pulled for the blocks. Pull some, like 12 fat quarters.")


@dataclass(frozen=True)
class YieldAsked:
    """The question: what is cut for a block of this size, and from which fabric.

    `fabrics` of the project stand in the order of the problem's, those that it does not use left
    out; of some there are pieces on the table too. By its `keys` each is known, whatever it is
    called; in the problem it is known by its name there. With `rules_are_a_wish` those
    of the problem hold only if they cost no block. With `scraps_first` small pieces are opened
    before large ones, as far as a plan may choose.
    """

    problem: CuttingProblem
    block: BlockChoice
    assembly: Assembly
    fabrics: tuple[Pulled, ...]
    keys: tuple[str, ...]
    rules_are_a_wish: bool
    even: bool = False
    scraps_first: bool = True

    @property
    def finished(self) -> Size | None:
        """What shows of a block."""
        return self.assembly.finished

    @cached_property
    def fingerprint(self) -> str:
        """The question, as a plan remembers it."""
        more = (self.rules_are_a_wish, self.even, self.block)
        # Said only where it is so, for questions asked before blocks were drawn.
        drawn = () if self.block.own is None else (self.block.own,)
        # The same for what is used first.
        first = tuple(key for key, of in zip(self.keys, self.fabrics, strict=True) if of.kept.first)
        used = (("first", *first),) if first else ()
        fewest = () if self.scraps_first else ("fewest",)
        return fingerprint(self.problem, self.keys, (*more, *drawn, *used, *fewest))

    def pulled(self, fabric: Fabric) -> Pulled:
        """The project's fabric behind one of the problem's."""
        return self.pulled_named(fabric.name)

    def pulled_named(self, name: str) -> Pulled:
        """The same by the name that it has in the problem."""
        return self._by_name[name]

    @cached_property
    def _by_name(self) -> dict[str, Pulled]:
        names = (fabric.name for fabric in self.problem.fabrics)
        return dict(zip(names, self.fabrics, strict=True))


def yield_asked(project: Project, seam: Fraction | None = None) -> YieldAsked:
    """The question of a project, at its seam or at another, in inches.

    Raises `NothingToCut`, or `BadRecipe` when its block cannot be made so.
    """
    design = project.design
    seam = design.seam if seam is None else seam
    block = block_of(project, seam)
    # What is made of finished blocks alone is not cut of cloth.
    ready = block.known is not None and block.known.ready and not block.known.tally
    forms = _also_sewn(block) if ready else CUT_FROM | _also_sewn(block)
    pulled = tuple(p for p in project.fabrics if p.for_blocks and p.kept.lot.form in forms)
    if not pulled:
        raise NothingToCut
    assembly = block.assembly(seam)
    wishes = () if design.prints is PrintsInABlock.ANY else assembly.wishes
    roles = frozenset(need.role for need in assembly.needs)
    pulled = tuple(each for each in pulled if not _kept_for_another(each, roles, block))
    pulled = _not_cut_up(pulled, block)
    there = list(_there(pulled, roles, design, project.table))
    if not there:
        raise NothingToCut
    fabrics = tuple(fabric for fabric, _, _ in there)
    rules = (*assembly.rules, *wishes)
    problem = CuttingProblem(
        assembly.needs, fabrics, rules, assembly.batch, assembly.sets, block.tally(seam)
    )
    problem = with_tubes(problem)
    a_wish = bool(wishes) and design.prints is PrintsInABlock.BEST
    return YieldAsked(
        problem,
        block,
        assembly,
        tuple(of for _, of, _ in there),
        tuple(key for _, _, key in there),
        a_wish,
        design.even,
        design.scraps_first,
    )


def _also_sewn(block: BlockChoice) -> frozenset[Form]:
    """Forms that are not cut by measure and that this block is sewn of."""
    known = block.known
    if known is None:
        return frozenset()
    forms = {Form.STRING} if known.strings or known.crumbs else set[Form]()
    forms |= {Form.SCRAPS} if known.crumbs else set()
    return frozenset(forms | ({Form.BLOCK} if known.ready else set()))


def finished_sizes(project: Project) -> list[Size]:
    """The unfinished size of every finished block that is pulled."""
    return [
        (p.width, p.length)
        for p in project.fabrics
        if p.for_blocks and p.kept.lot.form is Form.BLOCK
        for _ in range(p.count)
    ]


def block_of(project: Project, seam: Fraction) -> BlockChoice:
    """The block as it comes out at a seam: of strips or squares that are used as they are."""
    block, width, square = project.design.block, project.strip_width, project.square
    if block.known and block.known.measured:
        return block.of_finished(finished_sizes(project))
    if square is not None:
        return block.of_squares(square)
    return block if width is None else block.of_strips(width, seam)


def made_the_other_way(project: Project) -> Project | None:
    """The same quilt with its block made the other of its two ways; None where there is but one."""
    faster = project.design.block.made_faster
    if faster is None:
        return None
    block = project.design.block.made(not faster)
    return replace(project, design=replace(project.design, block=block))


def sample_prints(asked: YieldAsked) -> list[Print]:
    """A print for each patch: one for each role, others where prints must differ or may."""
    varied = {
        rule.roles[0] for rule in asked.assembly.rules if not rule.same and len(rule.roles) == 1
    }
    taken: dict[str, Print] = {}
    used: dict[str, int] = {}
    prints = []
    for patch in asked.assembly.patches:
        serving = _serving(asked, patch)
        if patch.role in varied or patch.role == ANY:
            used[patch.role] = used.get(patch.role, -1) + 1
            prints.append(serving[used[patch.role] % len(serving)])
            continue
        if patch.role not in taken:
            fresh = [cloth for cloth in serving if cloth not in taken.values()]
            taken[patch.role] = (fresh or serving)[0]
        prints.append(taken[patch.role])
    return prints


def _serving(asked: YieldAsked, patch: Patch) -> list[Print]:
    needs = [n for n in asked.problem.needs if (n.label, n.role) == (patch.label, patch.role)]
    found = [
        pulled.print
        for fabric, pulled in zip(asked.problem.fabrics, asked.fabrics, strict=True)
        if any(fabric.serves(need) for need in needs)
    ]
    return found or [pulled.print for pulled in asked.fabrics]


def _there(
    pulled: tuple[Pulled, ...], roles: frozenset[str], design: Design, table: Table
) -> Iterator[tuple[Fabric, Pulled, str]]:
    """Whole fabric, then what lies on the table of it; each with what was pulled, and its key."""
    fabrics = list(zip(_fabrics(pulled, roles, design), pulled, strict=True))
    for fabric, of in fabrics:
        key = fabric_key(of)
        whole = fabric.count - table.pieces_opened(key)
        if whole > 0:
            yield from _in_sizes(replace(fabric, count=whole), of, key)
    for fabric, of in fabrics:
        for lying in table.lying:
            if lying.of == fabric_key(of):
                yield _piece(fabric, lying), of, lying.key


# Pieces that vary are planned in so many widths and lengths, spread evenly over their range.
_WIDTHS, _LENGTHS = 3, 4


def _in_sizes(fabric: Fabric, of: Pulled, key: str) -> Iterator[tuple[Fabric, Pulled, str]]:
    """Fabric as it is planned: of what varies so many in each size, evenly spread over the range,
    as pieces come: the middle of each step, rounded down to an eighth."""
    lot = of.kept.lot
    widths = _steps(fabric.width, lot.most_width, _WIDTHS)
    lengths = _steps(fabric.length, lot.most_length, _LENGTHS)
    sizes = [(width, length) for width in widths for length in lengths]
    if len(sizes) == 1:
        yield fabric, of, key
        return
    for n, (width, length) in enumerate(sizes):
        # The first of each number of sizes get what does not divide.
        count = (n + 1) * fabric.count // len(sizes) - n * fabric.count // len(sizes)
        if count:
            name = f"{fabric.name}, size {n + 1}"
            sized = replace(fabric, name=name, width=width, length=length, count=count)
            yield sized, of, size_key(key, n)


def _steps(least: Fraction, most: Fraction | None, steps: int) -> list[Fraction]:
    """The middles of equal steps between two lengths, in inches."""
    if most is None or most <= least:
        return [least]
    middles = (least + (most - least) * (2 * n + 1) / (2 * steps) for n in range(steps))
    return [max(least, middle // EIGHTH * EIGHTH) for middle in middles]


def _piece(fabric: Fabric, lying: Lying) -> Fabric:
    """A piece that lies on the table; what is left of a strip is a strip."""
    return replace(
        fabric,
        name=f"{fabric.name}, piece {lying.key.partition('.')[2]}",
        width=lying.width,
        length=lying.length,
        count=lying.count,
        form=fabric.form if fabric.is_strip else Form.PIECE,
        opened=True,
    )


def _fabrics(pulled: tuple[Pulled, ...], roles: frozenset[str], design: Design) -> Iterator[Fabric]:
    taken: Counter[str] = Counter()
    prints: dict[tuple[object, ...], str] = {}
    for fabric in pulled:
        cloth, lot = fabric.print, fabric.kept.lot
        taken[cloth.name] += 1
        number = taken[cloth.name]
        name = cloth.name if number == 1 else f"{cloth.name} ({number})"
        width, length = _size(fabric)
        yield Fabric(
            name=name,
            # The same cloth from another lot is the same print; another by the same name is not.
            print=prints.setdefault((cloth.name, cloth.swatch), name),
            width=width,
            length=length,
            count=fabric.count,
            roles=_roles(fabric, roles, design),
            directional=lot.directional,
            form=lot.form,
        )


# Scraps by weight are taken for crumbs of about 2 1/2 x 4: so much of them is left between seams.
_BETWEEN_SEAMS, _SHEET = Fraction(7, 10), Fraction(36)


def _size(fabric: Pulled) -> Size:
    """What is cut of one piece; of scraps by weight the sheet that they come to, an estimate."""
    if fabric.kept.lot.form is Form.SCRAPS:
        return _SHEET, max(Fraction(1), fabric.area * _BETWEEN_SEAMS / _SHEET)
    return fabric.width, fabric.length


# What is kept for one of these is cut into no block that lacks it.
_KEEPING = {Role.BACKGROUND, Role.FOUNDATION}


def _kept_for_another(fabric: Pulled, roles: frozenset[str], block: BlockChoice) -> bool:
    """Whether cloth has a role that keeps it for something this block does not have."""
    has = roles | frozenset(block.known.other_roles if block.known else ())
    return _KEEPING.issuperset(fabric.roles) and has.isdisjoint(fabric.roles)


def _not_cut_up(pulled: tuple[Pulled, ...], block: BlockChoice) -> tuple[Pulled, ...]:
    """The cloth for a block: no panel, which is finished, and of crumbs no length, as long as there
    is other cloth."""
    known = block.known
    if known is not None and known.crumbs:
        pulled = tuple(each for each in pulled if each.is_crumb) or pulled
    if known is not None and known.ready:
        return pulled
    return tuple(each for each in pulled if not each.is_panel) or pulled


def _roles(fabric: Pulled, roles: frozenset[str], design: Design) -> frozenset[str]:
    """The block's roles that a fabric may serve; none stands for all."""
    known = design.block.known
    is_unit = fabric.kept.lot.form is Form.BLOCK or fabric.is_panel
    if is_unit and known is not None and known.ready and known.other_roles:
        return frozenset({known.ready})
    named = {role.value for role in fabric.roles if role in BLOCK_ROLES} & roles - {ANY}
    if named:
        return frozenset(named)
    other = _OTHER_SIDE.get(fabric.print.known_value)
    if design.by_value and other in roles:
        return roles - {other}
    return frozenset()
