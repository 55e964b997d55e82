"""What truly lies on the table: worked out from the cuts that are ticked, stack by stack.

A strip that is ticked is off the cloth, and what is left of the cloth is so much narrower. A
crosscut that is ticked has taken its pieces off their strips, a trim has made them narrower. What
is planned of each piece goes on with it, so that the rest of the plan stays as it was.
"""

from collections import Counter
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import Cut, Layout
from kersey.core.project.table import Table, parent_key, whole_key
from kersey.core.quilt.quilt import Quilt
from kersey.core.work.at_table import Motion, Stack, TableCut, breadth, run, strips_in_order
from kersey.core.work.work_order import work_order

# A strip as it is planned: its pieces in order, as (far across, far along, the cut).
Strip = tuple[tuple[Fraction, Fraction, Cut], ...]


@dataclass(frozen=True)
class Piece:
    """`count` like pieces of a fabric, by the key of what was pulled, and what is planned of them:
    strips, the first at the edge. `across` and `long` are as the strips run."""

    of: str
    across: Fraction
    long: Fraction
    count: int
    strips: tuple[Strip, ...]
    along: bool

    @property
    def width(self) -> Fraction:
        """As the fabric lies."""
        return self.across if self.along else self.long

    @property
    def length(self) -> Fraction:
        """As the fabric lies."""
        return self.long if self.along else self.across

    @property
    def area(self) -> Fraction:
        """Of all of them, in square inches."""
        return self.across * self.long * self.count


@dataclass(frozen=True)
class Opened:
    """What was opened of the plan: pieces with what is planned of them; of each fabric how many
    whole ones, by its key; and for each layout of the plan how many copies were begun."""

    pieces: tuple[Piece, ...]
    whole: Counter[str]
    begun: Counter[int]


def what_lies(quilt: Quilt, cuts: Sequence[TableCut], made: Sequence[bool]) -> Opened:
    """The pieces that the ticked cuts have made of the cloth they were made in.

    What lies on the table from before and is not cut further is not among them.
    """
    ticked = [cut for cut, is_made in zip(cuts, made, strict=True) if is_made]
    stacks = dict.fromkeys(cut.stack for cut in ticked)
    pieces, whole, begun = list[Piece](), Counter[str](), Counter[int]()
    places = _Places(quilt)
    for stack in stacks:
        of_stack = [cut for cut in ticked if cut.stack == stack]
        for layer in stack.layers:
            whole[layer.key] += layer.pieces
            begun += places.take(stack.layout, layer.name, layer.pieces)
            pieces += (
                replace(each, of=parent_key(layer.key), count=each.count * layer.pieces)
                for each in layer_of(stack, of_stack)
            )
    for step in work_order(quilt):
        # What is used as it comes has no cut: it is taken when its step is ticked.
        if step.layout is None or step.key not in quilt.project.done:
            continue
        if any(cut.stack.step.key == step.key for cut in cuts):
            continue
        for part in step.fabrics:
            whole[part.key] += part.pieces
            begun += places.take(step.layout, part.name, part.pieces)
            piece = whole_piece(step.layout, parent_key(part.key), part.pieces)
            pieces.append(piece)
    return Opened(tuple(pieces), whole, begun)


def whole_piece(layout: Layout, of: str, count: int) -> Piece:
    """Pieces of fabric before they are cut, with all that is planned of them."""
    across, long = layout.fabric.width, layout.fabric.length
    if not layout.along:
        across, long = long, across
    strips = tuple(_strip(strip, layout) for strip in strips_in_order(layout))
    return Piece(of, across, long, count, strips, layout.along)


def layer_of(stack: Stack, made: Collection[TableCut]) -> Iterator[Piece]:
    """The pieces that one layer of a stack has become; each `of` nothing yet."""
    layout = stack.layout
    strips = strips_in_order(layout)
    whole = whole_piece(layout, "", 1)
    # What comes off a strip can only come off once the strip is cut.
    off = {number for cut in made for number in cut.strips}
    off |= {n for n, strip in enumerate(strips) if breadth(strip, layout) == whole.across}
    waiting = tuple(strip for n, strip in enumerate(whole.strips) if n not in off)
    rest = whole.across - sum((breadth(strips[n], layout) for n in off), Fraction(0))
    if _is_kept(rest, whole.long, waiting):
        yield replace(whole, across=rest, strips=waiting)
    for number in sorted(off):
        yield from _off_strip(whole, number, [cut for cut in made if number in cut.strips])


def cuts_of(piece: Piece) -> tuple[Cut, ...]:
    """What is planned of a piece, where it lies in it."""
    found, at = list[Cut](), Fraction(0)
    for strip in piece.strips:
        place = Fraction(0)
        for thick, far, cut in strip:
            x, y, width, length = at, place, thick, far
            if not piece.along:
                x, y, width, length = y, x, length, width
            found.append(Cut(cut.need, x, y, width, length))
            place += far
        at += breadth_of(strip)
    return tuple(found)


def left_of(piece: Piece) -> tuple[tuple[Fraction, Fraction], ...]:
    """The rectangles that are left of one piece once it is cut as planned, as width x length."""
    found, at = list[tuple[Fraction, Fraction]](), Fraction(0)
    for strip in piece.strips:
        wide = breadth_of(strip)
        found += ((wide - thick, far) for thick, far, _ in strip)
        found.append((wide, piece.long - run_of(strip)))
        at += wide
    found.append((piece.across - at, piece.long))
    kept = (size if piece.along else size[::-1] for size in found if min(size) >= SHORTEST_KEPT)
    return tuple(sorted(kept, key=lambda size: (-size[0] * size[1], size)))


def breadth_of(strip: Strip) -> Fraction:
    """How broad a planned strip is cut."""
    return max(thick for thick, _, _ in strip)


def run_of(strip: Strip) -> Fraction:
    """How much of its length is planned."""
    return sum((far for _, far, _ in strip), Fraction(0))


class _Places:
    """Which layout of the plan a layer was cut by: those alike are used up one after the other."""

    def __init__(self, quilt: Quilt) -> None:
        self._layouts = quilt.kept.cutting.layouts
        self._free = [layout.copies for layout in self._layouts]

    def take(self, like: Layout, name: str, pieces: int) -> Counter[int]:
        found = Counter[int]()
        for place, layout in enumerate(self._layouts):
            if (layout.fabric.name, layout.cuts, layout.along) == (name, like.cuts, like.along):
                taken = min(pieces, self._free[place])
                self._free[place] -= taken
                found[place] += taken
                pieces -= taken
        return found


def _off_strip(whole: Piece, number: int, made: Sequence[TableCut]) -> Iterator[Piece]:
    """What a strip has become: pieces that are off it, and the rest of it."""
    strip = whole.strips[number]
    wide = breadth_of(strip)
    lengths = {cut.ruler for cut in made if cut.motion is Motion.CROSSCUT}
    trimmed = {cut.ruler for cut in made if cut.motion is Motion.TRIM}
    kept, rest = list[tuple[Fraction, Fraction, Cut]](), whole.long
    for thick, far, cut in strip:
        is_trimmed = thick in trimmed and thick < wide
        if not is_trimmed and (far not in lengths or cut.need.crosscut):
            kept.append((thick, far, cut))
            continue
        rest -= far
        narrow = thick if is_trimmed else wide
        yield replace(whole, across=narrow, long=far, strips=(((thick, far, cut),),))
        if is_trimmed and _is_kept(wide - thick, far, ()):
            yield replace(whole, across=wide - thick, long=far, strips=())
    left = (tuple(kept),) if kept else ()
    if _is_kept(wide, rest, left):
        yield replace(whole, across=wide, long=rest, strips=left)


def _is_kept(across: Fraction, long: Fraction, strips: Sequence[Strip]) -> bool:
    """What is planned of is kept, and what is large enough to be of use."""
    if across <= 0 or long <= 0:
        return False
    return bool(strips) or min(across, long) >= SHORTEST_KEPT


def _strip(strip: Sequence[Cut], layout: Layout) -> Strip:
    return tuple(
        (cut.width if layout.along else cut.length, run(cut, layout), cut) for cut in strip
    )


def with_pieces(table: Table, opened: Opened) -> Table:
    """The table with all that was opened of the plan lying on it."""
    for key, count in opened.whole.items():
        of = parent_key(key)
        table = table.opening(of, count) if whole_key(key) == of else table.taking(key, count)
    for piece in opened.pieces:
        table = table.laying(piece.of, piece.width, piece.length, piece.count)
    return table
