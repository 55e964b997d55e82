"""An assembly: one block as a tree of what is made on the way to it.

make    something in the hand: cut from cloth, sewn from other makes, or cut from one
patch   what shows of a piece in the finished block, as a polygon; corner at the top left
piece   one thing cut from cloth; of four squares of one size the pieces are number 0 to 3

The tree says all that follows from the block: what the search has to cut, what is sewn in which
order, how each step looks, and what each make should measure.

    nine-patch = outer row + middle row + outer row
                 outer row = A + B + A
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from functools import cached_property
from itertools import groupby
from math import lcm

from kersey.core.blocks.technique import CROSSCUT, CUT, JOINED, STRIP_SET, Technique
from kersey.core.cutting.problem import Need, PrintRule, StripSet
from kersey.core.measure.root2 import Root2
from kersey.core.measure.spoken import shown

Size = tuple[Fraction, Fraction]


@dataclass(frozen=True)
class Patch:
    """A polygon of the finished block, in inches, and the piece it is of."""

    label: str
    role: str
    corners: tuple[Size, ...]
    piece: int | None = None

    @property
    def area(self) -> Fraction:
        """Square inches, by the shoelace rule."""
        pairs = zip(self.corners, (*self.corners[1:], self.corners[0]), strict=True)
        return abs(sum((x * v - u * y for (x, y), (u, v) in pairs), Fraction(0))) / 2


@dataclass(frozen=True)
class Part:
    """So many of a make that go into another."""

    make: "Make"
    count: int


@dataclass(frozen=True)
class Make:
    """A make; `size` is (width, height) unfinished, what one should measure, in inches.

    `of` is what is taken for it, in the order of sewing; that `gives` so many of it. Only what is
    cut from cloth has a `role`. What is `long` runs on as far as the strips do; of a strip the
    `first` piece may take another length than the others. Of squares as they come a side of `least`
    would do. `raw` is the side of a square one before
    it is trimmed to its size. `patches` show it as it will look; two makes are the same make
    wherever in the block they lie.
    """

    name: str
    how: Technique
    size: Size
    of: tuple[Part, ...] = ()
    role: str = ""
    gives: int = 1
    long: bool = False
    first: Fraction | None = None
    least: Fraction | None = field(default=None, compare=False)
    raw: Root2 | None = None
    patches: tuple[Patch, ...] = field(default=(), compare=False)

    # Worked out once: a row of a hundred makes hashes all that any of them is made of.
    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        by = (self.name, self.how, self.size, self.of, self.role, self.gives, self.long)
        return hash((*by, self.first, self.raw))

    def __getstate__(self) -> dict[str, object]:
        # Another process hashes words otherwise.
        return {name: value for name, value in vars(self).items() if name != "_hash"}

    @property
    def words(self) -> str:
        """What a quilter calls it."""
        return shown(self.name)


@dataclass(frozen=True)
class Assembly:
    """A block: the tree of its makes, `rules` for its prints, `wishes` that hold if they cost none.

    `finished` is None when nobody has said it of pieces of one's own.
    """

    block: Make
    finished: Size | None
    rules: tuple[PrintRule, ...] = ()
    wishes: tuple[PrintRule, ...] = ()
    # Whether the patches lie as the block is sewn, or only show how much of it each piece is.
    drawn_true: bool = True
    # Whether it is turned from row to row only, and all blocks of a row lie alike.
    turned_by_row: bool = False

    @cached_property
    def patches(self) -> tuple[Patch, ...]:
        """Every patch with the number of its piece."""
        return _numbered(self.block.patches)

    @cached_property
    def makes(self) -> tuple[Make, ...]:
        """Every make once, each after what it is made of: the order of sewing."""
        return tuple(dict.fromkeys(_walk(self.block)))

    @cached_property
    def counts(self) -> dict[Make, Fraction]:
        """How many of each make one block takes; of a long one, the share that is crosscut."""
        found: dict[Make, Fraction] = dict.fromkeys(self.makes, Fraction(0))
        found[self.block] = Fraction(1)
        for make in reversed(self.makes):
            for part in make.of:
                found[part.make] += found[make] * part.count / make.gives
        return found

    @cached_property
    def batch(self) -> int:
        """How many blocks come of one set of pieces: the least of which every piece is whole."""
        return lcm(*(self.counts[m].denominator for m in self.makes if m.how == CUT))

    @cached_property
    def needs(self) -> tuple[Need, ...]:
        """What is cut from cloth for one batch: the light side first, then as it shows; at last
        what does not show, like a foundation. A piece that lies the other way is the same piece."""
        labels = dict.fromkeys((patch.label, patch.role) for patch in self.patches)
        shown = {known_by: place for place, known_by in enumerate(labels)}
        cut = [make for make in self.makes if make.how == CUT]
        cut.sort(key=lambda m: (m.role != "light", shown.get((m.name, m.role), len(shown))))
        alike: dict[tuple[object, ...], Need] = {}
        for m in cut:
            count = int(self.batch * self.counts[m])
            first = None if m.first == m.size[1] else m.first
            key = m.name, m.role, tuple(sorted(m.size)), m.long, first
            known = alike.get(key)
            alike[key] = (
                replace(known, count=known.count + count)
                if known
                else Need(m.name, m.role, *m.size, count, m.long, first, m.least)
            )
        return tuple(alike.values())

    @cached_property
    def sets(self) -> tuple[StripSet, ...]:
        """The kinds of strip sets, their strips by the places of the needs."""
        place = {(need.label, need.role): n for n, need in enumerate(self.needs)}
        found = []
        for make in self.long_makes:
            strips = Counter[int]()
            for strip in _strips(make):
                strips[place[strip.name, strip.role]] += 1
            found.append(StripSet(tuple(strips.items()), int(self.counts[make])))
        return tuple(found)

    @cached_property
    def long_makes(self) -> tuple[Make, ...]:
        """What is sewn of whole strips and then crosscut: strip sets, tubes."""
        within = {part.make for make in self.makes if make.long for part in make.of}
        return tuple(make for make in self.makes if make.long and make not in within)

    def set_of(self, make: Make) -> int:
        """The place among the strip sets of the one that is a make, is in it, or is cut into it."""
        return next(
            n
            for n, long in enumerate(self.long_makes)
            if make in _walk(long) or long in _walk(make)
        )

    @cached_property
    def turns(self) -> tuple[int, ...]:
        """The quarter turns in which it looks different, whatever the prints."""
        if self.finished is None:
            return (0,)
        upright = _look(self.patches)
        quarters = (1, 2, 3) if self.finished[0] == self.finished[1] else (2,)
        same = {n for n in quarters if _look(turned(self.patches, self.finished, n)) == upright}
        if 1 in same:
            return (0,)
        if 2 in same:
            return (0, 1) if 1 in quarters else (0,)
        return (0, *quarters)


def piece(patch: Patch, seam: Fraction) -> Make:
    """What is cut for a patch with straight sides: a seam larger all round."""
    width, height = _extent([patch])
    return Make(
        patch.label, CUT, (width + 2 * seam, height + 2 * seam), role=patch.role, patches=(patch,)
    )


def sewn(name: str, seam: Fraction, *parts: Make, how: Technique = JOINED) -> Make:
    """Makes sewn to one another, in this order; as large as their patches and a seam all round."""
    patches = tuple(patch for part in parts for patch in part.patches)
    width, height = _extent(patches)
    size = width + 2 * seam, height + 2 * seam
    return Make(name, how, size, counted_parts(parts), patches=patches)


def in_three_rows(
    seam: Fraction, corners: Sequence[Make], sides: Sequence[Make], middle: Make
) -> Make:
    """A block of nine makes: four corners, four sides round a middle, each row by row."""
    above, left, right, below = sides
    rows = (
        sewn("outer row", seam, corners[0], above, corners[1]),
        sewn("middle row", seam, left, middle, right),
        sewn("outer row", seam, corners[2], below, corners[3]),
    )
    return sewn("block", seam, *rows)


def crosscut(name: str, seam: Fraction, *pieces: Make) -> Make:
    """Pieces side by side that come off a strip set: of strips as wide as they are, sewn whole."""
    strips = [replace(each, long=True) for each in pieces]
    set_ = replace(sewn(f"{name} set", seam, *strips, how=STRIP_SET), long=True)
    return Make(name, CROSSCUT, set_.size, (Part(set_, 1),), patches=set_.patches)


def lying(make: Make, at: Size, quarters: int = 0) -> Make:
    """The very same make where it lies in a block: turned by quarters, its corner there.

    Two that are built apart are two makes, even where they only lie otherwise.

    >>> F = Fraction
    >>> bar = piece(Patch("bar", "dark", ((F(0), F(0)), (F(4), F(0)), (F(4), F(1)), (F(0), F(1)))),
    ...             F("0.25"))
    >>> upright = lying(bar, (F(6), F(0)), 1)
    >>> upright == bar, [str(x) for x, _ in upright.patches[0].corners]
    (True, ['7', '7', '6', '6'])
    """
    left, top = (
        min(corner[axis] for patch in make.patches for corner in patch.corners) for axis in (0, 1)
    )
    there = _moved(make.patches, (-left, -top))
    return replace(make, patches=_moved(turned(there, _extent(there), quarters), at))


def _moved(patches: Sequence[Patch], by: Size) -> tuple[Patch, ...]:
    return tuple(
        replace(p, corners=tuple((x + by[0], y + by[1]) for x, y in p.corners)) for p in patches
    )


def counted_parts(parts: Sequence[Make]) -> tuple[Part, ...]:
    """The makes in their order, those alike that follow one another taken together."""
    return tuple(Part(make, len(list(alike))) for make, alike in groupby(parts))


def turned(patches: Sequence[Patch], finished: Size, quarters: int) -> tuple[Patch, ...]:
    """The patches of a block once it was turned by quarters, clockwise; by one or three it must be
    square.

    >>> one = Patch("A", "any", ((Fraction(0), Fraction(0)), (Fraction(1), Fraction(0))))
    >>> turned([one], (Fraction(4), Fraction(4)), 1)[0].corners[1]
    (Fraction(4, 1), Fraction(1, 1))
    """
    width, height = finished

    def turn(x: Fraction, y: Fraction) -> Size:
        return ((x, y), (height - y, x), (width - x, height - y), (y, width - x))[quarters % 4]

    return tuple(replace(p, corners=tuple(turn(x, y) for x, y in p.corners)) for p in patches)


def _walk(make: Make) -> Iterator[Make]:
    for part in make.of:
        yield from _walk(part.make)
    yield make


def _strips(make: Make) -> Iterator[Make]:
    """Every strip that is sewn into something long."""
    if make.how == CUT:
        yield make
    for part in make.of:
        for _ in range(part.count):
            yield from _strips(part.make)


def _numbered(patches: Sequence[Patch]) -> tuple[Patch, ...]:
    """The patches; one that does not say of which piece it is has a piece of its own."""
    taken: Counter[tuple[str, str]] = Counter()
    found = []
    for patch in patches:
        key = patch.label, patch.role
        found.append(patch if patch.piece is not None else replace(patch, piece=taken[key]))
        taken[key] += 1
    return tuple(found)


def _extent(patches: Sequence[Patch]) -> Size:
    across = [x for patch in patches for x, _ in patch.corners]
    down = [y for patch in patches for _, y in patch.corners]
    return max(across) - min(across), max(down) - min(down)


def _look(patches: Sequence[Patch]) -> Counter[tuple[str, frozenset[Size]]]:
    return Counter((patch.role, frozenset(patch.corners)) for patch in patches)
