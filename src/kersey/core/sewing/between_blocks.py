"""The seams between the blocks of a quilt: to which side they are pressed, and which joins nest.

rows in turn   the seams of one row all to the right, of the next to the left: where four blocks
               meet, the two seams nest
to sashing     away from the blocks: plain strips have no joins; where cornerstones part the strips,
               what is pressed onto a strip beside the block meets what is pressed onto the strip
               beside the cornerstone, from the other side: they nest

                    block |> strip <| block
                    strip <| stone |> strip

Source: docs/trade.md section 9.
"""

from dataclasses import dataclass
from enum import StrEnum

from kersey.core.frame.setting import Setting
from kersey.core.project.sewing import School
from kersey.core.quilt.quilt import Quilt


class Toward(StrEnum):
    """To which side the seams within a row of blocks are pressed."""

    IN_TURN = "in turn"
    SASHING = "sashing"
    PLAIN = "plain squares"
    OPEN = "open"


@dataclass(frozen=True)
class BetweenBlocks:
    """How rows are pressed; of so many `joins` of their seams so many `nest`. On point the joins
    are not counted."""

    toward: Toward
    joins: int
    nest: int

    def of_row(self, row: int) -> str:
        """How the seams of a row, counted from 0, are pressed."""
        if self.toward is Toward.IN_TURN:
            return "pressed right" if row % 2 == 0 else "pressed left"
        if self.toward is Toward.OPEN:
            return "pressed open"
        return f"pressed toward the {self.toward}"


def between_blocks(quilt: Quilt, school: School) -> BetweenBlocks:
    """The pressing of the seams between blocks under a school."""
    toward = _toward(quilt, school)
    joins = _joins(quilt)
    return BetweenBlocks(toward, joins, 0 if toward is Toward.OPEN else joins)


def _toward(quilt: Quilt, school: School) -> Toward:
    if school is School.OPEN:
        return Toward.OPEN
    sashing = quilt.sashing
    if sashing.width and not sashing.rows_only:
        return Toward.SASHING
    # Plain squares and blocks alternate in both directions, so what is toward them nests as well.
    if quilt.grid.setting is Setting.ALTERNATE:
        return Toward.PLAIN
    return Toward.IN_TURN


def _joins(quilt: Quilt) -> int:
    """Where seams of two rows meet across the long seam between them."""
    rows, columns, sashing = quilt.size.rows, quilt.size.columns, quilt.sashing
    if quilt.grid.setting is Setting.ON_POINT or sashing.rows_only:
        return 0
    if not sashing.width:
        return (rows - 1) * (columns - 1)
    if not sashing.cornerstones:
        return 0
    # Every row of strips meets a row of blocks on either side; every upright strip has two seams.
    # Round a frame the outermost of both have one.
    return 4 * rows * columns if sashing.framed else 4 * (rows - 1) * (columns - 1)
