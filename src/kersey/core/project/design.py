"""The choices of one quilt: everything a person settles, apart from the fabric itself."""

from dataclasses import dataclass, field
from enum import StrEnum
from fractions import Fraction

from kersey.core.blocks.catalogue import as_tried
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.own_block import OwnBlock
from kersey.core.errors import InvalidValue
from kersey.core.frame.backing import HOME_MARGIN, BackingWay, check_margin
from kersey.core.frame.binding import USUAL_BINDING_WIDTH
from kersey.core.frame.borders import MOST_BORDERS, Corners, check_border_width
from kersey.core.frame.edge import USUAL_WIDTHS, Edge, EdgeStyle
from kersey.core.frame.keys import KeysWish, check_key
from kersey.core.frame.purposes import Wish
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import Setting
from kersey.core.frame.size_search import check_rows
from kersey.core.measure.spoken import Spoken
from kersey.core.measure.workshop import QUARTER_INCH, USUAL_WIDTH, check_seam, check_usable_width
from kersey.core.project.laying import Joining
from kersey.core.project.minding import USUAL, Weights

# docs/trade.md section 4: four to eight layers are cut at once; more slips.
USUAL_LAYERS, MOST_LAYERS = 4, 8


class BadDesign(InvalidValue):
    """A choice that cannot be."""


class PrintsInABlock(StrEnum):
    """Whether the prints of a block must differ, where the block would like them to."""

    BEST = "best"
    DIFFERENT = "different"
    ANY = "any"


class KitWish(Spoken):
    """How prints are put together in a block."""

    DIFFERENT = "all different"
    FAMILIES = "families"
    PAIRS = "planned pairs"
    BAG = "from a bag", "picked from a bag"


class CutOrder(Spoken):
    """Which stack is cut first at the table."""

    LARGEST = "biggest pieces first", "largest pieces first"
    FABRIC = "fabric by fabric"
    KIT = "kit by kit"


def usual_block() -> BlockChoice:
    """The block a quilt begins with."""
    return BlockChoice(as_tried()[0].id)


@dataclass(frozen=True)
class Design:
    """The choices. Lengths in inches; None leaves the choice to Kersey.

    The block is `block_chosen` unless Kersey has only proposed it; `own_draft` is one that is being
    drawn beside it. `even`: every fabric of a role is cut alike. `by_value`: fabric for any role
    serves the side of a block that it is light or dark enough for. `scraps_first`: small pieces are
    opened before large ones. `deal` counts how often the kits
    were dealt again; so many `layers` are cut at once; `minded` is what may not lie side by side.
    Border and binding come from fabric pulled for them; without any, from what is left where that
    is wished for and enough.
    """

    block: BlockChoice = field(default_factory=usual_block)
    block_chosen: bool = True
    own_draft: OwnBlock | None = None
    prints: PrintsInABlock = PrintsInABlock.BEST
    even: bool = False
    by_value: bool = True
    scraps_first: bool = True
    wish: Wish = field(default_factory=Wish)
    rows: int | None = None
    columns: int | None = None
    setting: Setting = Setting.STRAIGHT
    sashing: Sashing = NO_SASHING
    border_width: Fraction | None = None
    outer_borders: tuple[Fraction, ...] = ()
    key: Fraction = Fraction(0)
    corners: Corners = Corners.BUTTED
    sides_first: bool = True
    border_from_left: bool = False
    edge_style: EdgeStyle = EdgeStyle.DOUBLE_FOLD
    edge_shows: Fraction | None = None
    binding_width: Fraction = USUAL_BINDING_WIDTH
    binding_from_left: bool = True
    margin: Fraction = HOME_MARGIN
    backing_way: BackingWay | None = None
    seam: Fraction = QUARTER_INCH
    usable_width: Fraction = USUAL_WIDTH
    kits: KitWish = KitWish.DIFFERENT
    deal: int = 0
    layers: int = USUAL_LAYERS
    cut_order: CutOrder = CutOrder.LARGEST
    minded: Weights = USUAL
    joining: Joining = Joining.ROWS

    def __post_init__(self) -> None:
        if self.rows is not None and self.columns is not None:
            check_rows(self.rows, self.columns)
        if self.border_width is not None:
            check_border_width(self.border_width)
        for width in self.outer_borders:
            check_border_width(width)
        if len(self.outer_borders) >= MOST_BORDERS:
            raise BadDesign(f"A quilt can have up to {MOST_BORDERS} borders.")
        check_key(self.key)
        _ = self.edge
        check_margin(self.margin)
        check_seam(self.seam)
        check_usable_width(self.usable_width)
        check_layers(self.layers)
        # Asked for its options, a block says whether there is such a recipe.
        _ = self.block.all_options

    @property
    def edge(self) -> Edge:
        """How the edge is finished; raises `BadEdge` where its width does not suit."""
        if self.edge_style in (EdgeStyle.FOLDED, EdgeStyle.TURNED):
            return Edge(self.edge_style, self.edge_shows or USUAL_WIDTHS[self.edge_style])
        return Edge(self.edge_style, self.binding_width)

    @property
    def parted_by(self) -> Sashing:
        """The sashing; blocks on point or between plain squares are parted already."""
        return self.sashing if self.setting is Setting.STRAIGHT else NO_SASHING

    @property
    def keys(self) -> KeysWish:
        """Whether the outermost border is of keys."""
        return KeysWish(self.key, self.outer_borders[-1] if self.outer_borders else None)

    @property
    def edge_adds(self) -> Fraction:
        """How much larger an edge makes the quilt on each side than its borders are."""
        return self.edge.finished(2 * self.seam, self.seam) / 2

    @property
    def size_chosen(self) -> bool:
        """Whether a person has settled on rows and columns."""
        return self.rows is not None and self.columns is not None


def check_layers(layers: int) -> None:
    """Raise `BadDesign` unless so many layers can be cut at once."""
    if not 1 <= layers <= MOST_LAYERS:
        raise BadDesign(f"Cut 1 to {MOST_LAYERS} layers at once, like 4.")
