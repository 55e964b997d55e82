"""Something went wrong at the table: what is there now, and what of the plan still holds.

thing    whole fabric, or like pieces that lie on the table; each has a key
spoiled  so many of a thing are not what they should be: of each only some rectangles are left,
         or nothing. A strip cut at the wrong line, a flaw, cloth narrower than said, a print that
         is used up, a set or a block thrown away: all of them are things spoiled
missing  pieces that the kits wait for and that are neither there nor planned any more

What was planned of a spoiled thing is planned of what is left of it, as far as that goes.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.problem import CuttingPlan, Fabric, Layout, Need
from kersey.core.errors import Infeasible, InvalidValue
from kersey.core.kits.pieces import pieces_made, slots_of
from kersey.core.kits.sewn_sets import strip_sets
from kersey.core.measure.spoken import Spoken
from kersey.core.mending.what_lies import (
    Opened,
    Piece,
    Strip,
    breadth_of,
    cuts_of,
    layer_of,
    left_of,
    run_of,
    what_lies,
    whole_piece,
    with_pieces,
)
from kersey.core.project.kept_plan import KeptPlan, Kit
from kersey.core.project.project import AlreadyPutAway, Project, fabric_key
from kersey.core.project.question import YieldAsked, yield_asked
from kersey.core.project.table import Table, parent_key, whole_key
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.passes import kits_begun, with_kits_numbered
from kersey.core.work.at_table import Motion, TableCut

Rectangle = tuple[Fraction, Fraction]
# Pieces by the key of what was pulled, and the need they are for.
Pieces = Counter[tuple[str, Need]]


class Happened(Spoken):
    """What went wrong."""

    SHORT = "a piece is too short"
    LINE = "cut at the wrong line", "I cut on the wrong line"
    FLAW = "a flaw in the cloth", "the fabric has a flaw"
    USED_UP = "there is less of it than I said", "I have less than I said"
    NARROW = "the cloth is narrower than I said", "the fabric is narrower than I said"
    SET = "a strip set is thrown away", "a strip set is ruined"
    BLOCKS = "blocks are lost", "blocks are ruined or lost"


class BadMishap(InvalidValue):
    """What is said to be left cannot be, or there is no such thing."""


class OtherPlan(Infeasible):
    """What is cut was cut for a question that is not asked any more."""

    def __init__(self) -> None:
        super().__init__(
            "The plan you are cutting is out of date. On Yield, use the new plan or undo your "
            "change; then report what went wrong."
        )


@dataclass(frozen=True)
class Thing:
    """Something that can be spoiled: a key, the size of one, and how many there are."""

    key: str
    name: str
    width: Fraction
    length: Fraction
    count: int
    whole: bool
    gives: tuple[Need, ...]


@dataclass(frozen=True)
class OnTable:
    """A project with all that is cut lying on its table, and what is still planned of each thing.

    `pieces` lie on the table; `layouts` are of whole fabric, by its key. `kits` wait for their
    pieces by what was pulled.
    """

    quilt: Quilt
    table: Table
    pieces: tuple[Piece, ...]
    layouts: tuple[tuple[str, Layout], ...]

    @property
    def kept(self) -> KeptPlan:
        """The plan that the quilt was cut by."""
        return self.quilt.kept

    def project(self) -> Project:
        """The project with its table; the ticks of its cuts are on the table now."""
        opened = self.table.pieces_opened
        fabrics = tuple(
            replace(p, cut=min(p.count, opened(fabric_key(p)))) for p in self.quilt.project.fabrics
        )
        done = frozenset(key for key in self.quilt.project.done if not is_cutting(key))
        return replace(self.quilt.project, table=self.table, fabrics=fabrics, done=done)


# What the keys of steps that cut, and of cuts at the table, begin with.
_CUTS = ("cut-", "table-cut-")


def is_cutting(tick: str) -> bool:
    """Whether a tick is of a step that cuts, or of a cut at the table."""
    return tick.startswith(_CUTS)


def as_it_lies(quilt: Quilt, cuts: Sequence[TableCut], made: Sequence[bool]) -> OnTable:
    """What the ticked cuts have left on the table; raises `OtherPlan` or `AlreadyPutAway`."""
    if quilt.project.put_away:
        raise AlreadyPutAway
    kept = quilt.kept
    if yield_asked(quilt.project).fingerprint != kept.question:
        raise OtherPlan
    opened = what_lies(quilt, cuts, made)
    return OnTable(
        quilt,
        with_pieces(quilt.project.table, opened),
        (*opened.pieces, *_lay_there(quilt, opened)),
        tuple(_still_whole(quilt, opened)),
    )


def things(lies: OnTable) -> tuple[Thing, ...]:
    """Everything that can be spoiled, pieces on the table first."""
    names = _names(lies)
    gives: dict[tuple[str, Rectangle], dict[Need, None]] = {}
    for piece in lies.pieces:
        needs = (cut.need for strip in piece.strips for *_, cut in strip)
        gives.setdefault((piece.of, (piece.width, piece.length)), {}).update(dict.fromkeys(needs))
    found = []
    for lying in lies.table.lying:
        found.append(
            Thing(
                lying.key,
                names[lying.of],
                lying.width,
                lying.length,
                lying.count,
                False,
                tuple(gives.get((lying.of, (lying.width, lying.length)), ())),
            )
        )
    for pulled in lies.quilt.project.fabrics:
        key = fabric_key(pulled)
        whole = pulled.count - lies.table.pieces_opened(key)
        if key in names and whole > 0:
            found.append(Thing(key, names[key], pulled.width, pulled.length, whole, True, ()))
    return tuple(found)


def spoiled(lies: OnTable, key: str, count: int, left: Sequence[Rectangle] = ()) -> OnTable:
    """What lies there once `count` of a thing have become what is `left` of each of them.

    Raises `BadMishap`.
    """
    thing = next((each for each in things(lies) if each.key == key), None)
    if thing is None:
        raise BadMishap("Choose the piece: one already cut into, or one uncut.", "thing")
    if not 1 <= count <= thing.count:
        raise BadMishap(f"You have {thing.count} of these. Type 1 to {thing.count}.", "count")
    _check_left(thing, left)
    return (
        _whole_spoiled(lies, thing, count, left)
        if thing.whole
        else _piece_spoiled(lies, thing, count, left)
    )


def blocks_lost(lies: OnTable, blocks: Iterable[int]) -> OnTable:
    """What lies there without the pieces of these blocks, by their numbers from 0; what of them is
    not cut yet is not lost. Raises `BadMishap`."""
    kits, needs = lies.kept.kits, _slot_needs(lies.kept)
    of = _parents(lies.kept)
    batch = lies.kept.cutting.problem.batch
    for number in sorted({block - block % batch for block in blocks}):
        if not 0 <= number < len(kits):
            raise BadMishap(f"Type block numbers from 1 to {len(kits)}.", "blocks")
        for name, need in zip(kits[number], needs, strict=True):
            lies = _piece_lost(lies, of[name], need)
        lies = _unsewn(lies, range(number, number + batch))
    return lies


def under_the_ruler(
    lies: OnTable, cuts: Sequence[TableCut], made: Sequence[bool], now: TableCut
) -> list[tuple[str, int]]:
    """What a cut is made in, layer by layer: the keys of things, and how many of each."""
    stack = now.stack
    done = [cut for cut, is_made in zip(cuts, made, strict=True) if is_made and cut.stack == stack]
    if not done:
        return [(layer.key, layer.pieces) for layer in stack.layers]
    pieces = list(layer_of(stack, done))
    wanted = set(now.needs)
    fitting = [
        piece
        for piece in pieces
        if any(cut.need in wanted for cut in cuts_of(piece)) and _holds(piece, now)
    ]
    if not fitting:
        return []
    size = max(((piece.width, piece.length) for piece in fitting), key=lambda s: s[0] * s[1])
    found = []
    for layer in stack.layers:
        of = parent_key(layer.key)
        there = (
            each.key
            for each in lies.table.lying
            if each.of == of and (each.width, each.length) == size
        )
        found += [(key, layer.pieces) for key in there]
    return found


def _holds(piece: Piece, now: TableCut) -> bool:
    """Whether the cut is still to be made in it."""
    if now.motion is Motion.STRIP:
        return any(breadth_of(strip) == now.ruler < piece.across for strip in piece.strips)
    if now.motion is Motion.CROSSCUT:
        return any(far == now.ruler < piece.long for strip in piece.strips for _, far, _ in strip)
    return any(thick == now.ruler < piece.across for strip in piece.strips for thick, _, _ in strip)


def set_lost(lies: OnTable, number: int) -> OnTable:
    """What lies there without the strips of one set, by its number from 0; those that are not cut
    yet are taken off whole fabric. Raises `BadMishap`."""
    sets = strip_sets(lies.kept.cutting, lies.quilt.project.design.deal)
    if not 0 <= number < len(sets):
        raise BadMishap(f"Type strip set numbers from 1 to {len(sets)}.", "blocks")
    of, problem = _parents(lies.kept), lies.kept.cutting.problem
    kind = problem.kinds_of_sets[sets[number].kind]
    needs = [problem.needs[place] for place, count in kind.strips for _ in range(count)]
    for name, need in zip(sets[number].strips, needs, strict=True):
        lies = _strip_lost(lies, of[name], need)
    return lies


def _strip_lost(lies: OnTable, of: str, need: Need) -> OnTable:
    """One strip of a fabric thrown away: one that is cut, else taken off what it was to be cut
    from; the rest of that stays."""
    lying = [(_key_of(lies.table, piece), piece) for piece in lies.pieces if piece.of == of]
    whole = [
        (key, whole_piece(layout, key, 1)) for key, layout in lies.layouts if whole_key(key) == of
    ]
    for there in (lying, whole):
        planned = [
            (key, piece, breadth_of(strip))
            for key, piece in there
            for strip in piece.strips
            if any(cut.need == need for *_, cut in strip)
        ]
        if planned:
            key, piece, broad = min(planned, key=lambda each: each[1].across)
            rest = piece.across - broad
            left = (rest, piece.long) if piece.along else (piece.long, rest)
            return spoiled(lies, whole_key(key), 1, (left,) if min(left) > 0 else ())
    return lies


def still_planned(lies: OnTable) -> tuple[YieldAsked, CuttingPlan]:
    """What the project asks now, and what of the plan holds: cuts for whole fabric and for what
    lies there. Its `blocks` are those of the plan before; whether they can be had is another
    matter. Raises `NothingToCut`."""
    asked = yield_asked(lies.project())
    fabrics = dict(zip(asked.keys, asked.problem.fabrics, strict=True))
    alike: Counter[Layout] = Counter()
    for key, layout in lies.layouts:
        alike[replace(layout, fabric=fabrics[key], copies=1)] += layout.copies
    for piece in lies.pieces:
        if piece.strips:
            alike[_layout(piece, fabrics[_key_of(lies.table, piece)])] += piece.count
    problem = replace(asked.problem, rules=lies.kept.cutting.problem.rules)
    layouts = tuple(replace(layout, copies=copies) for layout, copies in alike.items())
    blocks = lies.kept.cutting.blocks
    return asked, CuttingPlan(problem, blocks, blocks, layouts)


def missing(lies: OnTable, plan: CuttingPlan, asked: YieldAsked) -> Pieces:
    """The pieces that the kits wait for and the plan does not give any more."""
    return wanted_by(lies.kept) - pieces_there(plan, asked)


def wanted_by(kept: KeptPlan) -> Pieces:
    """The pieces that the kits of a plan take."""
    of, needs, found = _parents(kept), _slot_needs(kept), Pieces()
    for kit in kept.kits[:: kept.cutting.problem.batch]:
        found.update((of[name], need) for name, need in zip(kit, needs, strict=True))
    return found


def pieces_there(plan: CuttingPlan, asked: YieldAsked) -> Pieces:
    """The pieces that a plan gives, by what was pulled."""
    keys = dict(zip((f.name for f in asked.problem.fabrics), asked.keys, strict=True))
    found = Pieces()
    for name, made in pieces_made(plan).items():
        for need, count in made.items():
            found[parent_key(keys[name]), need] += count
    return found


def _lay_there(quilt: Quilt, opened: Opened) -> Iterator[Piece]:
    """What lay there before and is not cut further, with what is planned of it."""
    keys = dict(
        zip((f.name for f in quilt.kept.cutting.problem.fabrics), quilt.kept.keys, strict=True)
    )
    left = {lying.key: lying.count - opened.whole[lying.key] for lying in quilt.project.table.lying}
    for place, layout in enumerate(quilt.kept.cutting.layouts):
        key = keys[layout.fabric.name]
        copies = layout.copies - opened.begun[place]
        if layout.fabric.opened and copies:
            left[key] -= copies
            yield whole_piece(layout, parent_key(key), copies)
    for lying in quilt.project.table.lying:
        if left[lying.key]:
            yield Piece(lying.of, lying.width, lying.length, left[lying.key], (), True)


def _still_whole(quilt: Quilt, opened: Opened) -> Iterator[tuple[str, Layout]]:
    for place, layout in enumerate(quilt.kept.cutting.layouts):
        copies = layout.copies - opened.begun[place]
        if copies and not layout.fabric.opened:
            yield quilt.kept.key_of(layout.fabric.name), replace(layout, copies=copies)


def _check_left(thing: Thing, left: Sequence[Rectangle]) -> None:
    area = sum((width * length for width, length in left), Fraction(0))
    fits = all(
        min(size) <= min(thing.width, thing.length) and max(size) <= max(thing.width, thing.length)
        for size in left
    )
    if not fits or area > thing.width * thing.length:
        raise BadMishap("The size left can't be larger than the piece was.", "left")


def _whole_spoiled(lies: OnTable, thing: Thing, count: int, left: Sequence[Rectangle]) -> OnTable:
    """Pieces that were not to be cut first, then those of which least was planned."""
    planned = sum(layout.copies for key, layout in lies.layouts if whole_key(key) == thing.key)
    take = max(0, count - (thing.count - planned))
    layouts, pieces = list[tuple[str, Layout]](), list[Piece]()
    for key, layout in sorted(lies.layouts, key=lambda each: len(each[1].cuts)):
        gone = min(take, layout.copies) if whole_key(key) == thing.key else 0
        take -= gone
        if layout.copies > gone:
            layouts.append((key, replace(layout, copies=layout.copies - gone)))
        if gone:
            pieces += _what_is_left(whole_piece(layout, thing.key, gone), left)
    unplanned = count - sum(p.count for p in _first(pieces, left))
    if unplanned:
        bare = Piece(thing.key, thing.width, thing.length, unplanned, (), True)
        pieces += _what_is_left(bare, left)
    table = lies.table.opening(thing.key, count)
    for width, length in left:
        table = table.laying(thing.key, width, length, count)
    return replace(lies, table=table, layouts=tuple(layouts), pieces=(*lies.pieces, *pieces))


def _first(pieces: Sequence[Piece], left: Sequence[Rectangle]) -> Sequence[Piece]:
    """Of what is left of spoiled pieces one rectangle each."""
    return pieces[:: len(left)] if left else ()


def _piece_spoiled(lies: OnTable, thing: Thing, count: int, left: Sequence[Rectangle]) -> OnTable:
    of, size = parent_key(thing.key), (thing.width, thing.length)
    alike = [piece for piece in lies.pieces if _is(piece, of, size)]
    pieces, take = [piece for piece in lies.pieces if not _is(piece, of, size)], count
    for piece in sorted(alike, key=lambda piece: sum(map(len, piece.strips))):
        gone = min(take, piece.count)
        take -= gone
        if piece.count > gone:
            pieces.append(replace(piece, count=piece.count - gone))
        if gone:
            pieces += _what_is_left(replace(piece, count=gone), left)
    table = lies.table.taking(thing.key, count)
    for width, length in left:
        table = table.laying(of, width, length, count)
    return replace(lies, table=table, pieces=tuple(pieces))


def _unsewn(lies: OnTable, kits: Iterable[int]) -> OnTable:
    """Nothing of lost blocks is sewn any more."""
    project, gone = lies.quilt.project, set(kits)
    number = {kit: kit for kit in kits_begun(project) - gone}
    done = with_kits_numbered(project.done, number)
    return replace(lies, quilt=replace(lies.quilt, project=replace(project, done=done)))


def _piece_lost(lies: OnTable, of: str, need: Need) -> OnTable:
    """One piece of a fabric that was cut for a need thrown away, if it is cut."""
    sizes = (need.width, need.height), (need.height, need.width)
    there = next(
        (each for each in lies.table.lying if each.of == of and (each.width, each.length) in sizes),
        None,
    )
    return lies if there is None else spoiled(lies, there.key, 1)


def _what_is_left(piece: Piece, left: Sequence[Rectangle]) -> list[Piece]:
    """The rectangles left of a piece; strips that fit go on being planned of them."""
    found = []
    waiting = sorted(piece.strips, key=lambda strip: -breadth_of(strip))
    for width, length in left:
        across, long = (width, length) if piece.along else (length, width)
        strips, room = list[Strip](), across
        for strip in list(waiting):
            if breadth_of(strip) <= room and run_of(strip) <= long:
                strips.append(strip)
                waiting.remove(strip)
                room -= breadth_of(strip)
        found.append(replace(piece, across=across, long=long, strips=tuple(strips)))
    return found


def _layout(piece: Piece, fabric: Fabric) -> Layout:
    return Layout(fabric, 1, cuts_of(piece), left_of(piece), piece.along)


def _key_of(table: Table, piece: Piece) -> str:
    return next(each.key for each in table.lying if _is(piece, each.of, (each.width, each.length)))


def _is(piece: Piece, of: str, size: Rectangle) -> bool:
    return piece.of == of and (piece.width, piece.length) == size


def _parents(kept: KeptPlan) -> dict[str, str]:
    """What was pulled, for each name in the plan."""
    fabrics = zip(kept.cutting.problem.fabrics, kept.keys, strict=True)
    return {fabric.name: parent_key(key) for fabric, key in fabrics}


def _slot_needs(kept: KeptPlan) -> list[Need]:
    problem = kept.cutting.problem
    return [problem.needs[number] for number in slots_of(problem)]


def _names(lies: OnTable) -> dict[str, str]:
    """What each fabric that was pulled is called, by its key."""
    asked = yield_asked(lies.quilt.project)
    return {
        parent_key(key): pulled.print.name
        for key, pulled in zip(asked.keys, asked.fabrics, strict=True)
    }


def kit_by_prints(kept: KeptPlan, kit: Kit) -> list[tuple[str, Need]]:
    """The pieces of a kit by what was pulled."""
    of = _parents(kept)
    return [(of[name], need) for name, need in zip(kit, _slot_needs(kept), strict=True)]
