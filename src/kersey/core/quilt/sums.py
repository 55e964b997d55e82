"""The sums of a quilt: every part with its cut size and count, and where the pulled cloth goes.

    pulled  =  in the blocks + in border and binding + left + trimmings

In square inches, exactly: what is not a piece and is not kept is trimmings. Cloth that is pulled
for parts beside the blocks is not in it: of that a length is cut off.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.borders import Border
from kersey.core.measure.spoken import shown
from kersey.core.quilt.quilt import Cloth, Quilt, Source


@dataclass(frozen=True)
class PartSum:
    """So many pieces of a part, of a cut size; a `strip` is joined to its length of several.

    `names` are the prints they are of; `bought` is cloth off the bolt in inches, 0 from what is
    there.
    """

    part: str
    count: int
    width: Fraction
    length: Fraction
    names: tuple[str, ...]
    bought: Fraction = Fraction(0)
    joined: bool = False


@dataclass(frozen=True)
class Goes:
    """Where the cloth goes that is pulled for the blocks, in square inches."""

    pulled: Fraction
    in_blocks: Fraction
    in_frame: Fraction
    left: Fraction

    @property
    def trimmings(self) -> Fraction:
        """What is cut off and is no piece."""
        return self.pulled - self.in_blocks - self.in_frame - self.left


def goes(quilt: Quilt) -> Goes:
    """Where the cloth goes."""
    problem = quilt.plan.plan.problem
    pulled = sum((f.width * f.length * f.count for f in problem.fabrics), Fraction(0))
    frame = Fraction(0)
    border = quilt.border
    if border and quilt.border_cloth.source is Source.LEFT:
        frame += sum((s.length for s in quilt.border_cloth.strips), Fraction(0)) * border.cut_width
    if quilt.key_cloth.source is Source.LEFT and quilt.borders:
        keys = sum((s.length for s in quilt.key_cloth.strips), Fraction(0))
        frame += keys * quilt.borders[-1].cut_width
    if quilt.binding_cloth.source is Source.LEFT:
        strips = sum((s.length for s in quilt.binding_cloth.strips), Fraction(0))
        frame += strips * quilt.binding.cut_width
    left = sum((piece.area for piece in quilt.left), Fraction(0))
    return Goes(pulled, _in_blocks(quilt), frame, left)


def part_sums(quilt: Quilt) -> tuple[PartSum, ...]:
    """Every part, from the middle of the quilt outwards.

    >>> from kersey.core.project.project import Project
    >>> from kersey.core.quilt.planning import planned
    >>> from kersey.core.quilt.quilt import make_quilt
    >>> from kersey.core.stash.cupboard import CupboardLot
    >>> from kersey.core.stash.pulled import all_of
    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = CupboardLot("roll", take_line("roll of 40 strips, 20 prints").lot)
    >>> quilt = make_quilt(planned(Project("Throw", "", all_of(roll)), lambda: 0.0))
    >>> [(sum.part, sum.count) for sum in part_sums(quilt)]
    [('block, any', 240), ('border', 2), ('border', 2), ('binding', 1), ('backing', 2)]
    """
    return (*_blocks(quilt), *_between(quilt), *_borders(quilt), *_finish(quilt))


def _blocks(quilt: Quilt) -> Iterator[PartSum]:
    problem = quilt.plan.plan.problem
    sets = problem.batches(len(quilt.placed))
    for need in problem.needs:
        names = tuple(dict.fromkeys(
            quilt.prints[f.name].name for f in problem.fabrics if f.serves(need)
        ))  # fmt: skip
        label = "" if len(problem.needs) == 1 else f" {shown(need.label)}"
        part = f"block{label}, {need.role}"
        yield PartSum(part, sets * need.count, need.width, need.height, names)


def _between(quilt: Quilt) -> Iterator[PartSum]:
    cloth, names = quilt.plain_cloth, _names(quilt.plain_cloth)
    for piece, strips in quilt.plain_strips:
        bought = _bought(cloth, strips.cloth)
        yield PartSum(piece.name, piece.count, piece.cut_width, piece.cut_length, names, bought)
    if quilt.sashing_strips:
        bought = _bought(quilt.sashing_cloth, quilt.sashing_strips.cloth)
        for number, piece in enumerate(quilt.sashing_pieces):
            yield PartSum(
                f"sashing, {piece.name}", piece.count, piece.cut_width, piece.cut_length,
                _names(quilt.sashing_cloth), bought if not number else Fraction(0),
            )  # fmt: skip
    if quilt.cornerstone_strips:
        side = quilt.cornerstone_strips.cut_width
        named = _names(quilt.binding_cloth)[:1]
        cloth_taken = quilt.cornerstone_strips.cloth
        yield PartSum("cornerstone", quilt.cornerstones, side, side, named, cloth_taken)


def _borders(quilt: Quilt) -> Iterator[PartSum]:
    first = [(quilt.border, quilt.border_cloth)] if quilt.border else []
    outer = zip(quilt.outer_borders, quilt.outer_cloths, strict=True)
    others = [(border, Cloth(Source.BOUGHT, (cloth,))) for border, cloth in outer]
    for number, (border, cloth) in enumerate([*first, *others], 1):
        yield from _border(quilt, number, border, cloth)


def _border(quilt: Quilt, number: int, border: Border, cloth: Cloth) -> Iterator[PartSum]:
    part = "border" if number == 1 else f"border {number}"
    if border.key is not None:
        yield from _keyed(quilt, border)
        return
    cloth_taken = _bought(cloth, border.cloth)
    for length, bought in ((border.sides, cloth_taken), (border.ends, Fraction(0))):
        yield PartSum(part, 2, border.cut_width, length, _names(cloth), bought, border.joined)
    if border.corner:
        corner = border.corner
        yield PartSum(f"{part}, corner", 4, corner, corner, _names(quilt.binding_cloth)[:1])


def _keyed(quilt: Quilt, border: Border) -> Iterator[PartSum]:
    """Keys, the squares at their corners, and the spacer within."""
    assert border.key is not None
    cut, names = border.cut_width, _names(quilt.key_cloth)
    yield PartSum(
        "key", border.keys, border.key, cut, names, _bought(quilt.key_cloth, border.cloth)
    )
    yield PartSum("key, corner", 4, cut, cut, names)
    for piece, strips in quilt.spacer_strips:
        named = (quilt.project.bought_setting.name,)
        yield PartSum(
            piece.name, piece.count, piece.cut_width, piece.cut_length, named, strips.cloth,
            strips.joined,
        )  # fmt: skip


def _finish(quilt: Quilt) -> Iterator[PartSum]:
    binding, cloth = quilt.binding, quilt.binding_cloth
    if binding.length:
        yield PartSum(
            "binding", 1, binding.cut_width, binding.length, _names(cloth),
            _bought(cloth, binding.cloth), joined=True,
        )  # fmt: skip
    plan = quilt.backing_plan
    yield PartSum(
        "backing", plan.panels, quilt.backing.width, quilt.backing.length, (), plan.cloth,
        joined=plan.panels > 1,
    )  # fmt: skip


def _names(cloth: Cloth) -> tuple[str, ...]:
    return tuple(dict.fromkeys(print_of.name for print_of in cloth.prints))


def _bought(cloth: Cloth, inches: Fraction) -> Fraction:
    return inches if cloth.source is Source.BOUGHT else Fraction(0)


def _in_blocks(quilt: Quilt) -> Fraction:
    """Of every piece that lies in a block. Of strips sewn into sets, all that becomes segments."""
    kept = quilt.plan
    problem = kept.plan.problem
    if problem.strip_sets or problem.tally:
        return sum(
            (cut.width * cut.length * layout.copies for layout in kept.plan.layouts
             for cut in layout.cuts), Fraction(0),
        )  # fmt: skip
    sets = problem.batches(len(quilt.placed))
    each = sum((need.width * need.height * need.count for need in problem.needs), Fraction(0))
    return sets * each
