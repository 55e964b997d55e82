"""Finished blocks of uneven size: what can be done, and what the quilt becomes with each.

trim      all to the smallest
leave     as they are: the quilt counts with the mean, and the difference is eased in
remake    those that are off: the quilt stays as reckoned
sashing   strips between the blocks, cut for each block so that block and strip come out even
"""

from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.frame.sashing import Sashing
from kersey.core.measure.length import SIXTEENTH, Units
from kersey.core.measure.spoken import Spoken
from kersey.core.project.project import Project
from kersey.core.project.sewing import Follow, Measured, Reading
from kersey.core.quilt.quilt import make_quilt

# A sashing that takes up what blocks differ by is at least this wide.
_SASHING = Fraction(1)


class Doing(Spoken):
    """What can be done with uneven blocks."""

    TRIM = "Trim all to the smallest"
    LEAVE = "Leave them, and ease", "Leave them and ease them in"
    REMAKE = "Make those anew that are off", "Remake the ones that are off"
    SASHING = "Part them by a sashing that takes it up", "Add sashing to absorb it"


@dataclass(frozen=True)
class Choice:
    """One thing to do: the size that the quilt has then, and the numbers of the blocks it is done
    to; of a sashing its widest and narrowest strip as it shows."""

    doing: Doing
    size: Size
    blocks: tuple[int, ...] = ()
    sashing: tuple[Fraction, Fraction] | None = None


def uneven_blocks(project: Project, units: Units = Units.INCHES) -> tuple[Choice, ...]:
    """What can be done; nothing where the blocks that were measured are even to a sixteenth."""
    read = [each for each in project.sewing.of(Measured.BLOCK) if each.place in ("", "width")]
    if len(read) < 2 or _spread(read) < SIXTEENTH:
        return ()
    smallest, largest = min(each.read for each in read), max(each.read for each in read)
    off = tuple(each.number for each in read if abs(each.read - each.target) >= SIXTEENTH)
    parted = replace(project.design, sashing=Sashing(_SASHING + largest - smallest))
    return (
        Choice(Doing.TRIM, _size(project, Follow.SMALLEST, units)),
        Choice(Doing.LEAVE, _size(project, Follow.MEASURED, units)),
        Choice(Doing.REMAKE, _size(project, Follow.RECKONED, units), off),
        Choice(
            Doing.SASHING,
            _size(replace(project, design=parted), Follow.SMALLEST, units),
            sashing=(_SASHING + largest - smallest, _SASHING),
        ),
    )


def evened(project: Project, doing: Doing) -> Project:
    """The project with one of these done: what the quilt follows from there on, and for a sashing
    the sashing, between as many rows and columns as before."""
    follow = {Doing.LEAVE: Follow.MEASURED, Doing.REMAKE: Follow.RECKONED}
    sewing = replace(project.sewing, follow=follow.get(doing, Follow.SMALLEST))
    project = replace(project, sewing=sewing)
    read = [each for each in project.sewing.of(Measured.BLOCK) if each.place in ("", "width")]
    grid = project.plan.grid if project.plan else None
    if doing is not Doing.SASHING or grid is None or not read:
        return project
    design = replace(
        project.design,
        sashing=Sashing(_SASHING + _spread(read)),
        rows=grid.rows,
        columns=grid.columns,
    )
    return replace(project, design=design)


def _spread(read: list[Reading]) -> Fraction:
    return max(each.read for each in read) - min(each.read for each in read)


def _size(project: Project, follow: Follow, units: Units) -> Size:
    sewing = replace(project.sewing, follow=follow)
    quilt = make_quilt(replace(project, sewing=sewing), units)
    return quilt.size.width, quilt.size.length
