"""A project: the fabric that was pulled and every choice made so far.

All else (yield, size, cuts, what is left) is recomputed from it, never stored.
"""

from dataclasses import dataclass, field
from fractions import Fraction

from kersey.core.backing import HOME_MARGIN, BackingWay, check_margin
from kersey.core.binding import USUAL_BINDING_WIDTH, check_binding_width
from kersey.core.borders import check_border_width
from kersey.core.fabric import BadFabric, Lot, Print, checked_name
from kersey.core.forms import Form
from kersey.core.print_names import BINDING_PRINT, BORDER_PRINT
from kersey.core.purposes import Wish
from kersey.core.size_search import check_rows
from kersey.core.workshop import QUARTER_INCH, USUAL_WIDTH, check_seam, check_usable_width
from kersey.core.yields import Method, YieldQuestion


@dataclass(frozen=True)
class Design:
    """The choices of one quilt. Lengths in inches; None leaves the choice to Kersey."""

    strips_per_block: int = 3
    method: Method = Method.SEGMENTS
    different_prints: bool | None = None
    wish: Wish = field(default_factory=Wish)
    rows: int | None = None
    columns: int | None = None
    border_width: Fraction | None = None
    binding_width: Fraction = USUAL_BINDING_WIDTH
    binding_from_stash: bool = True
    margin: Fraction = HOME_MARGIN
    backing_way: BackingWay | None = None
    seam: Fraction = QUARTER_INCH
    usable_width: Fraction = USUAL_WIDTH

    def __post_init__(self) -> None:
        if self.rows is not None and self.columns is not None:
            check_rows(self.rows, self.columns)
        if self.border_width is not None:
            check_border_width(self.border_width)
        check_binding_width(self.binding_width)
        check_margin(self.margin)
        check_seam(self.seam)
        check_usable_width(self.usable_width)

    @property
    def size_chosen(self) -> bool:
        """Whether a person has settled on rows and columns."""
        return self.rows is not None and self.columns is not None

    @property
    def yield_question(self) -> YieldQuestion:
        """What the yield depends on, next to the fabric."""
        return YieldQuestion(self.strips_per_block, self.seam, self.different_prints)


@dataclass(frozen=True)
class Project:
    """A quilt under way. `said` is the line that the fabric was first entered with.

    `done` holds the steps of the work order that were ticked off, by their keys.
    """

    name: str
    said: str
    lot: Lot
    design: Design = field(default_factory=Design)
    border_print: Print = BORDER_PRINT
    binding_print: Print = BINDING_PRINT
    done: frozenset[str] = frozenset()

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))
        if self.lot.form is not Form.STRIP:
            raise BadFabric("A quilt is made of strips so far, like 40 strips 2 1/2 x 42.")
