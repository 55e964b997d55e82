"""A scheme of a whole quilt: blocks in rows and columns, how they are set, and all that is round
them; and from it every part that is cut beside the blocks.

    body      the blocks with their sashing, finished
    inside    body + 2 x the finished widths of the borders
    top       inside + 2s: unfinished, as it is quilted
    finished  the quilt, once its edge is finished

Source: docs/trade.md sections 5 and 6.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property

from kersey.core.frame.backing import HOME_MARGIN, Backing, plan_backing
from kersey.core.frame.batting import Batting, plan_batting
from kersey.core.frame.binding import binding_length
from kersey.core.frame.borders import Border, Corners, plan_borders
from kersey.core.frame.edge import USUAL_EDGE, Edge, EdgeStyle, cut_bias
from kersey.core.frame.keys import Keys, plan_keys
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.frame.strips import StripPieces
from kersey.core.measure.workshop import Workshop

# Width and length, in inches.
Size = tuple[Fraction, Fraction]


@dataclass(frozen=True)
class Scheme:
    """One whole quilt. Lengths in inches, finished unless they say otherwise.

    With a `key` the outermost border is pieced of keys so wide, with a spacer inside that makes
    them fit. Raises `BadKeys` for a key wider than the side it lies on.
    """

    block: Size
    rows: int
    columns: int
    setting: Setting = Setting.STRAIGHT
    sashing: Sashing = NO_SASHING
    borders: tuple[Fraction, ...] = ()
    corners: Corners = Corners.BUTTED
    sides_first: bool = True
    edge: Edge = USUAL_EDGE
    margin: Fraction = HOME_MARGIN
    seam: Fraction = Fraction(1, 4)
    key: Fraction = Fraction(0)

    @cached_property
    def grid(self) -> BlockGrid:
        """The places of its blocks."""
        return BlockGrid(self.rows, self.columns, self.setting)

    @property
    def blocks(self) -> int:
        """Pieced blocks."""
        return self.grid.blocks

    @cached_property
    def body(self) -> Size:
        """The blocks with their sashing."""
        return self.grid.body(self.block, self.sashing)

    @cached_property
    def keys(self) -> Keys | None:
        """The outermost border where it is pieced of keys, and what makes them fit."""
        if not self.key or not self.borders:
            return None
        return plan_keys(self._within_keys, self.key, self.borders[-1])

    @property
    def _within_keys(self) -> Size:
        more = 2 * sum(self.borders[:-1], Fraction(0))
        return self.body[0] + more, self.body[1] + more

    @cached_property
    def inside(self) -> Size:
        """The body with its borders, and with the spacer that keys need."""
        more = 2 * sum(self.borders, Fraction(0))
        across, down = self.keys.spacer if self.keys else (Fraction(0), Fraction(0))
        return self.body[0] + more + 2 * across, self.body[1] + more + 2 * down

    @property
    def top(self) -> Size:
        """Unfinished, as it is quilted."""
        return self.inside[0] + 2 * self.seam, self.inside[1] + 2 * self.seam

    @property
    def finished(self) -> Size:
        """The quilt once its edge is finished."""
        width, length = (self.edge.finished(side, self.seam) for side in self.top)
        return width, length

    def framed_by(self, shop: Workshop) -> tuple[Border, ...]:
        """The borders as they are cut, the innermost first."""
        if self.keys is None:
            return plan_borders(self.body, self.borders, shop, self.corners, self.sides_first)
        plain = self.borders[:-1]
        within = plan_borders(self.body, plain, shop, self.corners, self.sides_first)
        return (*within, self.keys.border(shop))

    def backed_by(self, shop: Workshop) -> Backing:
        """The backing, every way to make it."""
        more = self.edge.backing(self.top[0], self.margin) - self.top[0]
        return plan_backing(*self.top, more / 2, shop.usable_width, shop.units)

    @property
    def batting(self) -> Batting:
        """The batting, and its packet."""
        return plan_batting(*(self.edge.batting(side, self.seam, self.margin) for side in self.top))

    @cached_property
    def between(self) -> tuple[PartCut, ...]:
        """What lies between the blocks: plain squares, sashing, cornerstones."""
        straight = 2 * self.seam
        plain = self.grid.plain_pieces(self.block, self.seam)
        found = [PartCut(PartKind.SETTING, (piece,), straight) for piece in plain]
        sashing = self.sashing.pieces(self.columns, self.rows, self.block, self.seam)
        if sashing:
            found.append(PartCut(PartKind.SASHING, sashing, straight))
        squares = self.sashing.corner_squares(self.columns, self.rows)
        if squares:
            side = self.sashing.width + straight
            piece = StripPieces("square", squares, side, side)
            found.append(PartCut(PartKind.CORNERSTONES, (piece,), straight))
        return tuple(found)

    @cached_property
    def parts(self) -> tuple[PartCut, ...]:
        """What is cut beside the blocks and the backing."""
        return (*self.between, *self._around())

    def _around(self) -> Iterator[PartCut]:
        straight = 2 * self.seam
        # How long borders are does not depend on how wide their cloth is.
        for number, border in enumerate(self.framed_by(Workshop(self.seam)), 1):
            kind = PartKind.BORDER
            if border.key is not None and self.keys:
                kind = PartKind.KEYS
                for piece in self.keys.spacer_pieces(self._within_keys, self.seam):
                    yield PartCut(PartKind.SPACER, (piece,), straight, number)
            yield PartCut(kind, border.pieces, straight, number)
            if border.corner and kind is PartKind.BORDER:
                corner = StripPieces("square", 4, border.corner, border.corner)
                yield PartCut(PartKind.CORNERS, (corner,), straight, number)
        if self.edge.has_strips:
            length = binding_length(*self.top)
            strip = StripPieces("binding", 1, self.edge.width, length)
            yield PartCut(PartKind.BINDING, (strip,), self.edge.width, run=True)

    def bought(self, part: PartCut, shop: Workshop) -> Fraction:
        """How much of a part's cloth comes off the bolt, in inches, not rounded."""
        if part.kind is PartKind.BINDING and self.edge.style is EdgeStyle.BIAS:
            return cut_bias(part.length, part.cut_width, shop.usable_width).cloth
        return part.off_the_bolt(shop).cloth
