"""A project's question to the search: its block, and the fabric pulled for it.

A fabric that may serve any role serves either side of a block of light and dark, or, where values
are to decide, a light one the light side, a dark one the dark side, and a medium one both. Roles
that the block does not have are no roles for it.

Rails from strips are as wide as the strips are, so that their size follows from the seam; of every
other block the finished size is given and the cut sizes follow.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.rails import RailBlock
from kersey.core.blocks.recipe import CutList, Patch, Size
from kersey.core.cloth.fabric import Print, Value
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import ANY, CuttingProblem, Fabric, PrintRule
from kersey.core.errors import Infeasible
from kersey.core.project.project import Design, Project
from kersey.core.stash.pulled import BLOCK_ROLES, Pulled

RAILS = "rails"
# What blocks are cut from by measure; strings and scraps are sewn first.
CUT_FROM = frozenset(
    {Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE, Form.PIECE}
)
_OTHER_SIDE: dict[Value | None, str] = {Value.LIGHT: "dark", Value.DARK: "light"}


class NothingToCut(Infeasible):
    """Nothing is pulled that blocks could be cut from."""

    def __init__(self) -> None:
        super().__init__("Nothing is pulled for the blocks. Pull some, like 12 fat quarters.")


@dataclass(frozen=True)
class YieldAsked:
    """The question: what is cut for a block of this size, and from which fabric.

    `fabrics` of the project stand in the order of the problem's, those that it does not use left
    out; a piece of fabric is known in the problem by its name there.
    """

    problem: CuttingProblem
    cut: CutList
    finished: Size | None
    fabrics: tuple[Pulled, ...]

    def pulled(self, fabric: Fabric) -> Pulled:
        """The project's fabric behind one of the problem's."""
        names = [known.name for known in self.problem.fabrics]
        return self.fabrics[names.index(fabric.name)]


def yield_asked(project: Project, seam: Fraction | None = None) -> YieldAsked:
    """The question of a project, at its seam or at another, in inches.

    Raises `NothingToCut`, or `BadRecipe` when its block cannot be made so.
    """
    design = project.design
    seam = design.seam if seam is None else seam
    pulled = tuple(p for p in project.fabrics if p.for_blocks and p.kept.lot.form in CUT_FROM)
    if not pulled:
        raise NothingToCut
    block = block_of(project, seam)
    cut = block.cut_list(seam)
    if block.recipe == RAILS and design.different_prints is not False:
        cut = replace(cut, rules=(PrintRule((ANY,), same=False),))
    roles = frozenset(need.role for need in cut.needs)
    fabrics = tuple(_fabrics(pulled, roles, design))
    problem = CuttingProblem(cut.needs, fabrics, cut.rules, cut.in_sets)
    return YieldAsked(problem, cut, block.size, pulled)


def block_of(project: Project, seam: Fraction) -> BlockChoice:
    """The block as it comes out at a seam: rails from strips follow the strips' width."""
    design = project.design
    if design.block.recipe != RAILS:
        return design.block
    options = (("strips", design.strips_per_block), ("method", design.method.value))
    if not project.working:
        return replace(design.block, options=options)
    rails = RailBlock(design.strips_per_block, project.lot.width, seam)
    side = rails.finished_size
    return BlockChoice(RAILS, (side, side), options)


def sample_prints(asked: YieldAsked) -> list[Print]:
    """A print for each patch: one for each role, others where prints must differ or may."""
    varied = {rule.roles[0] for rule in asked.cut.rules if not rule.same and len(rule.roles) == 1}
    taken: dict[str, Print] = {}
    used: dict[str, int] = {}
    prints = []
    for patch in asked.cut.patches:
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


def _fabrics(pulled: tuple[Pulled, ...], roles: frozenset[str], design: Design) -> Iterator[Fabric]:
    taken: Counter[str] = Counter()
    prints: dict[tuple[object, ...], str] = {}
    for fabric in pulled:
        cloth, lot = fabric.print, fabric.kept.lot
        taken[cloth.name] += 1
        number = taken[cloth.name]
        name = cloth.name if number == 1 else f"{cloth.name} ({number})"
        yield Fabric(
            name=name,
            # The same cloth from another lot is the same print; another by the same name is not.
            print=prints.setdefault((cloth.name, cloth.swatch), name),
            width=fabric.width,
            length=fabric.length,
            count=fabric.count,
            roles=_roles(fabric, roles, design),
            directional=lot.directional,
            form=lot.form,
        )


def _roles(fabric: Pulled, roles: frozenset[str], design: Design) -> frozenset[str]:
    """The block's roles that a fabric may serve; none stands for all."""
    named = {role.value for role in fabric.roles if role in BLOCK_ROLES} & roles - {ANY}
    if named:
        return frozenset(named)
    other = _OTHER_SIDE.get(fabric.print.known_value)
    if design.by_value and other in roles:
        return roles - {other}
    return frozenset()
