"""The whole quilt that a project comes to: yield, size, frame, finish, and what is left.

body      columns x block, rows x block, finished
finished  body + 2 x border
top       finished + 2s, unfinished, as it is quilted
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.rail_yield import Method, RailYield, rail_yield
from kersey.core.errors import Infeasible
from kersey.core.frame.backing import Backing, BackingPlan, fewer_panels, plan_backing
from kersey.core.frame.batting import Batting, plan_batting
from kersey.core.frame.binding import Binding, binding_length, plan_binding
from kersey.core.frame.borders import Border, plan_border
from kersey.core.frame.size_search import SizeOption, SizeQuestion, size_option, size_options
from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.project.project import Design, Project
from kersey.core.project.question import RAILS
from kersey.core.quilt.leftovers import Leftovers, leftovers
from kersey.core.quilt.setting import Setting, arrange
from kersey.core.quilt.strip_plan import StripPlan, plan_strips


class NoQuilt(Infeasible):
    """The strips do not give a single block."""

    def __init__(self, answer: RailYield) -> None:
        self.answer = answer
        super().__init__(
            "These strips give no whole block: use longer strips, more strips, or fewer a block."
        )


class OnlyRails(Infeasible):
    """A block whose quilt is not worked out beyond its yield."""

    def __init__(self, title: str) -> None:
        super().__init__(
            f"So far a quilt is laid out only of rails from strips. How many blocks of "
            f"{title.lower()} you get, and how to cut them, is on the Yield page."
        )


@dataclass(frozen=True)
class Sizes:
    """Every sensible size for a project, best first, and the one in use."""

    options: tuple[SizeOption, ...]
    current: SizeOption


@dataclass(frozen=True)
class Quilt:
    """One quilt, worked out. Lengths in inches."""

    project: Project
    units: Units
    answer: RailYield
    sizes: Sizes
    plan: StripPlan
    setting: Setting
    border: Border | None
    backing: Backing
    batting: Batting
    binding: Binding
    left: Leftovers

    @property
    def size(self) -> SizeOption:
        """The size in use."""
        return self.sizes.current

    @property
    def top_width(self) -> Fraction:
        """Width of the top before it is bound."""
        return self.size.width + 2 * self.project.design.seam

    @property
    def top_length(self) -> Fraction:
        """Length of the top before it is bound."""
        return self.size.length + 2 * self.project.design.seam

    @property
    def blocks_short(self) -> int:
        """Blocks that the chosen size needs and the strips do not give."""
        return max(0, -self.size.spare)

    @property
    def narrower_margin(self) -> tuple[Fraction, BackingPlan] | None:
        """A slightly smaller margin that saves a panel of the backing, if there is one."""
        design = self.project.design
        top = self.top_width, self.top_length
        return fewer_panels(*top, design.margin, design.usable_width, self.units)

    @property
    def backing_plan(self) -> BackingPlan:
        """The backing as chosen, or the thriftiest."""
        return self.backing.plan(self.project.design.backing_way)


def yields_of(project: Project) -> dict[Method, RailYield]:
    """The yield by each method.

    Raises `NoStrips` when none are pulled, `OnlyRails` for any other block, `BadRailBlock` when
    the block cannot be sewn.
    """
    if project.design.block.recipe != RAILS:
        raise OnlyRails(project.design.block.title)
    question = project.design.yield_question
    return {method: rail_yield(project.lot, question, method) for method in Method}


def sizes_of(project: Project, units: Units) -> Sizes:
    """Every sensible size of a project, and the one chosen or, before that, the best.

    Raises `NoStrips`, or `NoQuilt` when there is not a single block.
    """
    answer = yields_of(project)[project.design.method]
    if answer.blocks == 0:
        raise NoQuilt(answer)
    question = _size_question(project.design, answer, units)
    options = size_options(question)
    current = options[0]
    if project.design.rows is not None and project.design.columns is not None:
        current = size_option(question, project.design.rows, project.design.columns)
    return Sizes(options, current)


def make_quilt(project: Project, units: Units = Units.INCHES) -> Quilt:
    """Work the whole quilt out. Raises `NoStrips`, or `NoQuilt` without a single block.

    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(Project("Throw", "", all_of(roll)))
    >>> quilt.size.width, quilt.size.length, quilt.binding.strips
    (Fraction(54, 1), Fraction(66, 1), 7)
    """
    design = project.design
    answer = yields_of(project)[design.method]
    sizes = sizes_of(project, units)
    size = sizes.current
    plan = plan_strips(answer, min(size.blocks, answer.blocks))
    left = leftovers(answer, plan)
    shop = Workshop(design.seam, design.usable_width, units)
    top = (size.width + 2 * design.seam, size.length + 2 * design.seam)
    return Quilt(
        project=project,
        units=units,
        answer=answer,
        sizes=sizes,
        plan=plan,
        setting=arrange(plan.blocks, size.rows, size.columns),
        border=plan_border(size.body_width, size.body_length, size.border_width, shop),
        backing=plan_backing(*top, design.margin, design.usable_width, units),
        batting=plan_batting(*top, design.margin),
        binding=_binding(project, top, left),
        left=left,
    )


def _size_question(design: Design, answer: RailYield, units: Units) -> SizeQuestion:
    return SizeQuestion(
        answer.block.finished_size, answer.blocks, design.wish, design.border_width, units
    )


def _binding(project: Project, top: tuple[Fraction, Fraction], left: Leftovers) -> Binding:
    design = project.design
    wide_enough = project.lot.width >= design.binding_width
    return plan_binding(
        binding_length(*top),
        design.binding_width,
        design.usable_width,
        left.pieces if wide_enough else (),
        design.binding_from_stash,
    )
