"""What is put away when a quilt has been cut: rectangles and spare pieces become lots again.

Of every piece that was opened, the cloth is either in the quilt, kept as a lot, or lost: the end of
a strip set, trims, and what is too small to be of use.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.cloth.fabric import LONGEST_NAME, Lot, Print, Stack
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import Infeasible
from kersey.core.kits.pieces import pieces_made, pieces_of
from kersey.core.leaving.as_found import BadFound, FoundPieces
from kersey.core.leaving.off_corners import OffCorner, off_corners
from kersey.core.leaving.spare_units import SpareUnits, spare_units, without_sewn
from kersey.core.leaving.tube_ends import TubeEnds, tube_ends
from kersey.core.project.project import AlreadyPutAway, Project, fabric_key
from kersey.core.project.table import parent_key, whole_key
from kersey.core.quilt.left_over import LeftPiece
from kersey.core.quilt.pulled_cloth import Opened
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.sums import used_of_left
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, CupboardLot
from kersey.core.stash.cut_down import CutDown, CutRule, cut_down
from kersey.core.stash.pulled import Pulled

# What lots of leavings are called.
SPARE, ENDS, LEFT, CORNERS = "spare pieces", "strip ends", "leftover pieces", "corner triangles"
TUBE_ENDS = "tube ends, half accent and half strips"


class PlanCutsMore(Infeasible):
    """The plan cuts fabric that is not pulled any more."""

    def __init__(self, name: str) -> None:
        super().__init__(
            f"The plan needs more “{name}” than you have pulled. Use the new plan on Size first."
        )


@dataclass(frozen=True)
class Fate:
    """Where the cut pieces of one fabric went, in square inches."""

    pulled: Pulled
    used: Fraction
    kept: Fraction
    lost: Fraction


@dataclass(frozen=True)
class PutAway:
    """The project put away, the lots that its leftovers make, and where all went."""

    project: Project
    lots: tuple[CupboardLot, ...]
    fates: tuple[Fate, ...]


@dataclass(frozen=True)
class Keeping:
    """What is worth keeping: pieces whose shorter side is at least so long, but for those `dropped`
    by their keys, cut down by the `rules`; a `least` of 0 keeps all. It is put in this `place`.
    What was `found` otherwise than proposed stands by its key."""

    least: Fraction = Fraction(0)
    rules: tuple[CutRule, ...] = ()
    dropped: frozenset[str] = frozenset()
    place: str = ""
    found: Mapping[str, FoundPieces] = field(default_factory=dict)

    def keeps(self, key: str, width: Fraction, length: Fraction) -> bool:
        """Whether pieces of a key and size are kept, as they are proposed."""
        return min(width, length) >= self.least and key not in self.dropped


KEEP_ALL = Keeping()


@dataclass(frozen=True)
class Leaving:
    """Pieces alike that a quilt leaves: what they are, of which fabrics, and whether they are kept.

    Cut down, one `becomes` those pieces. Of what is sewn of several fabrics `shares` are the square
    inches of each, and its `prints` those that show most.
    """

    key: str
    word: str
    width: Fraction
    length: Fraction
    form: Form
    stacks: tuple[tuple[str, int], ...]
    kept: bool
    prints: tuple[Print, ...]
    directional: bool = False
    becomes: CutDown | None = None
    pair: Fraction | None = None
    shares: tuple[tuple[str, Fraction], ...] = ()

    def as_found(self, found: FoundPieces, least: Fraction) -> "Leaving":
        """The same as somebody found it; raises `BadFound` where that is more than there can be."""
        size = (self.width, self.length) if found.size is None else found.size
        same = sorted(size) == sorted((self.width, self.length))
        if self.form in (Form.TRIANGLE, Form.BLOCK) and not same:
            raise BadFound("For these you can change only the count.", self.key)
        if found.count > self.count or not _fits(size, (self.width, self.length)):
            raise BadFound(
                "The plan can't leave more than this. Add anything extra to the "
                "cupboard as its own lot.",
                self.key,
            )
        facts = FACTS[self.form]
        suits = min(size) >= facts.narrowest
        if not suits and min(size) < FACTS[Form.PIECE].narrowest:
            raise BadFound("A piece must be at least ½″ wide.", self.key)
        stacks, left = list[tuple[str, int]](), found.count
        for name, count in self.stacks:
            stacks.append((name, min(count, left)))
            left -= min(count, left)
        part = Fraction(found.count, self.count)
        return replace(
            self,
            width=size[0],
            length=size[1],
            stacks=tuple(stacks),
            form=self.form if suits else Form.PIECE,
            kept=self.kept and found.count > 0 and min(size) >= least,
            shares=tuple((name, area * part) for name, area in self.shares),
        )

    @property
    def count(self) -> int:
        """How many pieces."""
        return sum(count for _, count in self.stacks)


def _fits(size: tuple[Fraction, Fraction], within: tuple[Fraction, Fraction]) -> bool:
    return all(a <= b for a, b in zip(sorted(size), sorted(within), strict=True))


def leavings(quilt: Quilt, keeping: Keeping = KEEP_ALL) -> tuple[Leaving, ...]:
    """All that is left, as it is proposed or was found; raises `BadFound`."""
    return tuple(
        _cut_down(
            each.as_found(keeping.found[each.key], keeping.least)
            if each.key in keeping.found
            else each,
            keeping.rules,
        )
        for each in _proposed(quilt, keeping)
    )


def _cut_down(leaving: Leaving, rules: Sequence[CutRule]) -> Leaving:
    """What is left of cloth, as the rules would cut it."""
    if not rules or not leaving.kept or leaving.word not in (ENDS, LEFT):
        return leaving
    size = leaving.width, leaving.length
    return replace(leaving, becomes=cut_down(size, rules, leaving.directional))


def _proposed(quilt: Quilt, keeping: Keeping) -> tuple[Leaving, ...]:
    """All that is left, the largest first: offcuts, ends of strips, spare pieces, triangles that
    fall off flipped corners, and units that are sewn and have no place."""
    directional = {f.name: f.directional for f in quilt.kept.cutting.problem.fabrics}
    alike: dict[tuple[object, ...], list[LeftPiece]] = {}
    for piece in without_sewn(quilt, quilt.left):
        if not piece.whole:
            sort = piece.spare, piece.width, piece.length, directional[piece.fabric]
            alike.setdefault(sort, []).append(piece)
    found = [_leaving(quilt, pieces, directional, keeping) for pieces in alike.values()]
    triangles: dict[tuple[Fraction, Fraction], list[OffCorner]] = {}
    for each in off_corners(quilt):
        triangles.setdefault((each.leg, each.pair), []).append(each)
    found += [_triangles(quilt, each, keeping) for each in triangles.values()]
    ends = (_ends(end, keeping) for end in quilt.opened)
    tubes = tube_ends(quilt)
    found += [] if tubes is None else [_tube_ends(quilt, tubes, keeping)]
    found += _units(quilt, keeping)
    return (*found, *(each for of_part in ends for each in of_part))


def _leaving(
    quilt: Quilt, pieces: Sequence[LeftPiece], directional: Mapping[str, bool], keeping: Keeping
) -> Leaving:
    first = pieces[0]
    turned = directional[first.fabric]
    word = SPARE if first.spare else ENDS if first.strip else LEFT
    key = f"{word}-{first.width}-{first.length}-{int(turned)}".replace(" ", "-")
    kept = keeping.keeps(key, first.width, first.length)
    stacks = tuple((piece.fabric, piece.count) for piece in pieces)
    prints = tuple(quilt.prints[name] for name, _ in stacks)
    return Leaving(key, word, first.width, first.length, Form.PIECE, stacks, kept, prints, turned)


def _units(quilt: Quilt, keeping: Keeping) -> Iterator[Leaving]:
    """What is sewn and has no place: alike are those of one size and word, whatever they show."""
    alike: dict[tuple[str, Fraction, Fraction], list[SpareUnits]] = {}
    for each in spare_units(quilt):
        alike.setdefault((each.word, *each.size), []).append(each)
    for (word, width, length), units in alike.items():
        key = f"{word}-{width}-{length}".replace(" ", "-")
        kept = keeping.keeps(key, width, length)
        stacks = tuple((each.main, each.count) for each in units)
        names = dict.fromkeys(name for each in units for name, _ in each.cut)
        shares = ((name, sum((each.kept(name) for each in units), Fraction(0))) for name in names)
        prints = tuple(_looking_so(quilt.prints[each.main], each.look) for each in units)
        yield Leaving(
            key, word, width, length, Form.BLOCK, stacks, kept, prints, shares=tuple(shares)
        )


def _looking_so(main: Print, look: str | None) -> Print:
    """A unit in a drawer: known by what most of it shows."""
    return replace(main, swatch=replace(main.swatch, look=look))


def _ends(end: Opened, keeping: Keeping) -> Iterator[Leaving]:
    """The ends of cloth that was cut for a part; cloth goes on being the form it was, if it can."""
    lot = end.pulled.kept.lot
    for (width, length), count in Counter(end.ends).items():
        key = f"{end.part}-{fabric_key(end.pulled)}-{width}-{length}"
        kept = keeping.keeps(key, width, length)
        facts, by_length = FACTS[lot.form], lot.form in CUT_FROM_THE_LENGTH
        suits = by_length and facts.narrowest <= width <= facts.widest and length <= facts.longest
        form = lot.form if suits else Form.PIECE
        stacks = ((_end_name(end), count),)
        yield Leaving(
            key,
            f"end of the {end.part}",
            width,
            length,
            form,
            stacks,
            kept,
            (end.pulled.print,),
            lot.directional,
        )


def _end_name(end: Opened) -> str:
    """What an end is known by; no fabric of a plan is called so."""
    return f"{end.part} {fabric_key(end.pulled)}"


def _triangles(quilt: Quilt, alike: Sequence[OffCorner], keeping: Keeping) -> Leaving:
    first = alike[0]
    key = f"off-{first.leg}"
    kept = keeping.keeps(key, first.leg, first.leg)
    stacks = tuple((each.fabric, each.count) for each in alike)
    prints = tuple(quilt.prints[each.fabric] for each in alike)
    return Leaving(
        key, CORNERS, first.leg, first.leg, Form.TRIANGLE, stacks, kept, prints, pair=first.pair
    )


def _tube_ends(quilt: Quilt, ends: TubeEnds, keeping: Keeping) -> Leaving:
    key = f"tube-{ends.leg}"
    prints = tuple(quilt.prints[name] for name, _ in ends.stacks)
    kept = keeping.keeps(key, ends.leg, ends.leg)
    return Leaving(
        key,
        TUBE_ENDS,
        ends.leg,
        ends.leg,
        Form.TRIANGLE,
        ends.stacks,
        kept,
        prints,
        pair=ends.pair,
        shares=ends.shares,
    )


def put_away(quilt: Quilt, keeping: Keeping = KEEP_ALL) -> PutAway:
    """Put away what a quilt leaves; whole pieces go back as they are. Raises `AlreadyPutAway`."""
    if quilt.project.put_away:
        raise AlreadyPutAway
    opened = _opened(quilt)
    _check_there(quilt, opened)
    table, whole = quilt.project.table, _opened_whole(quilt, opened)
    ends = quilt.opened
    of_parts = Counter[str]()
    for end in ends:
        of_parts[fabric_key(end.pulled)] += end.count
    fabrics = tuple(
        replace(p, cut=min(p.count, whole[key] + table.pieces_opened(key) + of_parts[key]))
        for p in quilt.project.fabrics
        for key in (fabric_key(p),)
    )
    project = replace(quilt.project, fabrics=fabrics, put_away=True)
    kept = [each for each in leavings(quilt, keeping) if each.kept]
    lots = tuple(replace(lot, place=keeping.place) for each in kept for lot in _lots(quilt, each))
    fates = (*_fates(quilt, project, kept), *_fates_of_parts(ends, project, kept))
    return PutAway(project, lots, fates)


def _check_there(quilt: Quilt, opened: dict[str, int]) -> None:
    pulled, table = {fabric_key(p): p.count for p in quilt.project.fabrics}, quilt.project.table
    whole = _opened_whole(quilt, opened)
    for key, name in _keys(quilt).items():
        # What lies on the table already was taken of what is pulled.
        of = parent_key(key)
        wanted = 1 if whole_key(key) != of else whole[of] + table.pieces_opened(of)
        if pulled.get(of, 0) < wanted:
            raise PlanCutsMore(name)


def _opened_whole(quilt: Quilt, opened: Mapping[str, int]) -> Counter[str]:
    """Whole pieces that are opened of each fabric, by its key, in whatever sizes it is planned."""
    found = Counter[str]()
    for key, name in _keys(quilt).items():
        if whole_key(key) == parent_key(key):
            found[parent_key(key)] += opened[name]
    return found


def _keys(quilt: Quilt) -> dict[str, str]:
    """The name in the plan of each fabric by its key."""
    names = (fabric.name for fabric in quilt.kept.cutting.problem.fabrics)
    return dict(zip(quilt.kept.keys, names, strict=True))


def _opened(quilt: Quilt) -> dict[str, int]:
    """Pieces of each fabric that are not whole any more once border and binding are cut too."""
    whole = {piece.fabric: 0 for piece in quilt.left}
    for piece in quilt.left:
        whole[piece.fabric] += piece.count if piece.whole else 0
    return {f.name: f.count - whole.get(f.name, 0) for f in quilt.kept.cutting.problem.fabrics}


def _lots(quilt: Quilt, leaving: Leaving) -> Iterator[CupboardLot]:
    """The lots that pieces become, of one size together, whatever their print."""
    quilt_name = quilt.project.name[: LONGEST_NAME - len(leaving.word) - 2].rstrip()
    name = f"{quilt_name}: {leaving.word}"
    for width, length, each, form in _sizes(leaving):
        counts = (count * each for _, count in leaving.stacks)
        pairs = zip(leaving.prints, counts, strict=True)
        stacks = tuple(Stack(cloth, count) for cloth, count in pairs if count)
        yield CupboardLot(
            name, Lot(width, length, stacks, form=form, directional=leaving.directional)
        )


def _sizes(leaving: Leaving) -> Iterator[tuple[Fraction, Fraction, int, Form]]:
    """Each size that one piece becomes, how many of it, and what form that is."""
    if leaving.becomes is None:
        yield leaving.width, leaving.length, 1, leaving.form
        return
    for piece in leaving.becomes.pieces:
        # A lot of strips is as wide as strips come; what is not is a piece.
        facts = FACTS[piece.form]
        suits = facts.narrowest <= piece.width <= facts.widest and piece.length <= facts.longest
        form = piece.form if suits and piece.form is not Form.STRIP else Form.PIECE
        yield piece.width, piece.length, piece.count, form


def _area(leaving: Leaving) -> Fraction:
    """Square inches that are kept of one piece."""
    half = Fraction(1, 2) if leaving.form is Form.TRIANGLE else Fraction(1)
    return sum(
        (width * length * each * half for width, length, each, _ in _sizes(leaving)), Fraction(0)
    )


def _shares(leaving: Leaving) -> Iterator[tuple[str, Fraction]]:
    """Square inches that are kept of each fabric."""
    yield from leaving.shares
    for name, count in () if leaving.shares else leaving.stacks:
        yield name, count * _area(leaving)


def _fates(quilt: Quilt, project: Project, kept: Sequence[Leaving]) -> Iterator[Fate]:
    used, of = _used(quilt), dict[str, set[str]]()
    # What falls off a corner was cut as a piece, and is not in the quilt.
    for fallen in off_corners(quilt):
        used[fallen.fabric] = used.get(fallen.fabric, Fraction(0)) - fallen.area
    for units in spare_units(quilt):
        for name, _ in () if units.was_loose else units.cut:
            used[name] -= units.taken(name)
    for key, name in _keys(quilt).items():
        of.setdefault(parent_key(key), set()).add(name)
    for pulled in project.fabrics:
        names = of.get(fabric_key(pulled), set())
        if not pulled.cut or not (names or project.table.pieces_opened(fabric_key(pulled))):
            continue
        area = pulled.cut * pulled.kept.lot.piece_area(pulled.stack)
        stays = sum(
            (area for each in kept for name, area in _shares(each) if name in names), Fraction(0)
        )
        in_quilt = sum((used.get(name, Fraction(0)) for name in names), Fraction(0))
        yield Fate(pulled, in_quilt, stays, area - in_quilt - stays)


def _fates_of_parts(
    ends: Sequence[Opened], project: Project, kept: Sequence[Leaving]
) -> Iterator[Fate]:
    """Where cloth went that was pulled by the length for a part."""
    pulled = {fabric_key(each): each for each in project.fabrics}
    for end in ends:
        area = end.count * end.pulled.kept.lot.piece_area(end.pulled.stack)
        name = _end_name(end)
        stays = sum(
            (each.count * _area(each) for each in kept if each.stacks[0][0] == name), Fraction(0)
        )
        yield Fate(pulled[fabric_key(end.pulled)], end.used, stays, area - end.used - stays)


def _used(quilt: Quilt) -> dict[str, Fraction]:
    """Square inches of each fabric in the blocks, the border and the binding."""
    plan = quilt.kept.cutting
    pieces = [need for need in plan.problem.needs for _ in range(need.count)]
    found: dict[str, Fraction] = {}
    if plan.problem.strip_sets:
        # A set is sewn, and crosscut to its end: blocks that stay over are sewn too.
        for name, made in pieces_made(plan).items():
            areas = (need.width * need.height * count for need, count in made.items())
            found[name] = sum(areas, Fraction(0))
    placed = () if plan.problem.strip_sets else (each.kit for each in quilt.placed)
    for kit in pieces_of(quilt.kept.kits, placed, plan.problem.batch):
        for name, need in zip(kit, pieces, strict=True):
            found[name] = found.get(name, Fraction(0)) + need.width * need.height
    for name, area in used_of_left(quilt).items():
        found[name] = found.get(name, Fraction(0)) + area
    return found
