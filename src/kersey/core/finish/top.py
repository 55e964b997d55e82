"""How large the top and the quilt are now, and what each number rests on.

reckoned   from cut sizes alone, or from blocks and rows as they were measured
borders    from what was measured before the borders were sewn on
quilted    measured once it is quilted and trimmed
washed     measured after its first wash; how much it shrank is known from then on
"""

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.finish.border_steps import borders_sewn
from kersey.core.frame.edge import EdgeStyle
from kersey.core.project.finishing import TurnedWay
from kersey.core.project.project import Project
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured
from kersey.core.quilt.quilt import Quilt

Size = tuple[Fraction, Fraction]


class Rests(StrEnum):
    """What a size rests on."""

    RECKONED = "as planned"
    BORDERS = "from your border measurements"
    QUILTED = "measured after quilting"


@dataclass(frozen=True)
class Known:
    """A size in inches, and what it rests on."""

    size: Size
    rests: Rests


def top_now(quilt: Quilt, project: Project) -> Known:
    """The unfinished top: with its borders as measured, where any was."""
    sewn = borders_sewn(quilt, project)
    if sewn and any(each.says for each in sewn):
        return Known(sewn[-1].size, Rests.BORDERS)
    return Known((quilt.top_width, quilt.top_length), Rests.RECKONED)


def quilted_now(quilt: Quilt, project: Project) -> Known:
    """What the edge is sewn to: the quilted top, trimmed, or else the top."""
    measured = measured_size(project, Measured.QUILTED)
    return Known(measured, Rests.QUILTED) if measured else top_now(quilt, project)


def finished_now(quilt: Quilt, project: Project) -> Known:
    """The quilt once its edge is finished: as planned what shows inside a binding, once it was
    measured from edge to edge."""
    edge, known = project.design.edge, quilted_now(quilt, project)
    if known.rests is Rests.QUILTED:
        return edge_to_edge(quilt, project)
    width, length = (edge.finished(side, quilt.kept.seam) for side in known.size)
    return Known((width, length), known.rests)


def edge_to_edge(quilt: Quilt, project: Project) -> Known:
    """The quilt with its edge: a binding wraps the raw edge, and makes it no smaller."""
    edge, known = project.design.edge, quilted_now(quilt, project)
    width, length = (edge.outer(side, quilt.kept.seam) for side in known.size)
    return Known((width, length), known.rests)


def backed_now(quilt: Quilt, project: Project) -> Known:
    """What the backing is cut to: the top, or under a turned frame what was quilted first."""
    first = project.finishing.turned_way is TurnedWay.QUILTED_FIRST
    turned = project.design.edge.style is EdgeStyle.TURNED
    return quilted_now(quilt, project) if turned and first else top_now(quilt, project)


def measured_size(project: Project, what: Measured) -> Size | None:
    """Width and length as they were read last; None unless both were."""
    read = {each.place: each.read for each in project.sewing.of(what)}
    return (read[WIDTH], read[HEIGHT]) if read.keys() >= {WIDTH, HEIGHT} else None


def shrunk(before: Size, washed: Size) -> tuple[Fraction, Fraction]:
    """How much it shrank each way, as a part of what it was; less than 0 where it grew.

    >>> F = Fraction
    >>> [str(part) for part in shrunk((F(50), F(60)), (F(48), F(57)))]
    ['1/25', '1/20']
    """
    across, down = (1 - after / was for was, after in zip(before, washed, strict=True))
    return across, down
