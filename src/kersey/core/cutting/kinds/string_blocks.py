"""String blocks of the very strings that are there: which string goes where.

end      one of the two open ends of a block: what is covered from the middle to there
opening  an end that waits for its next string, and how long that must be at least

All blocks are sewn at once. The opening that asks for the longest string is served first, by the
shortest string that is long enough; so long strings go into middles and short ones near corners. A
string is chosen so that the last seam stays away from the corner, and, where it can be, not of the
print beside it. So many blocks are tried as halving finds soonest, then as the cloth has area for,
one fewer, and so on: what is found is a real plan; the bound is the area's. Source: docs/trade.md
section 7.
"""

from bisect import bisect_left, insort
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from heapq import heapify, heappop, heappush

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.tally import COVER, FROM_THE_END, Strings
from kersey.core.cutting.watch import Watch

FOUNDATION, STRING, MIDDLE = "foundation", "string", "middle"
# Strings are from about 1 to 2 1/2 wide: narrower cloth is sewn on nothing, wider cloth is cut into
# strings of 2.
_NARROWEST, _WIDEST, _CUT_TO = Fraction(3, 4), Fraction(3), Fraction(2)
# Seconds of work for one string that is sewn on.
_A_STRING = 6e-5


@dataclass(frozen=True)
class Sewn:
    """A string in its block: 0 is the middle one, then 1, 2 ... to one side, -1, -2 ... to the
    other."""

    block: int
    place: int
    role: str
    width: Fraction
    length: Fraction

    @property
    def need(self) -> Need:
        """What is cut, known by its block and place."""
        label = f"{self.block + 1}.{self.place}"
        return Need(label, self.role, self.width, self.length)


def sewn_of(need: Need) -> Sewn:
    """The string that a need was made for."""
    block, _, place = need.label.partition(".")
    return Sewn(int(block) - 1, int(place), need.role, need.width, need.height)


def solve_strings(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """Blocks of the strings there are; foundations are cut by the same rules as everything else."""
    tally = problem.tally
    assert isinstance(tally, Strings)
    strings = [f for f in problem.fabrics if _may(f, STRING)]
    # Fabric that is for the middle is there for nothing else.
    of_its_own = any(MIDDLE in f.roles for f in problem.fabrics)
    constant = tally.constant or of_its_own
    middles = [f for f in problem.fabrics if _may(f, MIDDLE)] if constant else []
    muslin = _foundations(problem)
    bound = min(int(_covers(tally, (*strings, *middles)) // tally.side**2), _most(muslin))

    def sewn(blocks: int) -> _Cuts | None:
        watch.spend(_A_STRING * blocks * 8)
        return _Sewing(tally, strings, middles, blocks).run()

    # What is soon found by halving; then from the bound down, as long as there is time: now and
    # then more blocks come out where fewer did not.
    most, best, too_many = 0, _Cuts(), bound + 1
    while too_many - most > 1:
        blocks = (most + too_many) // 2
        found = sewn(blocks)
        if found is None:
            too_many = blocks
        else:
            most, best = blocks, found
    for blocks in range(bound, most, -1):
        if watch.left <= 0:
            break
        found = sewn(blocks)
        if found is not None:
            most, best = blocks, found
            break
    layouts = (*_layouts(best), *_cut_foundations(muslin, most)) if most else ()
    return CuttingPlan(problem, most, bound, layouts)


def _covers(tally: Strings, strings: Sequence[Fabric]) -> Fraction:
    """What strings cover at most: each loses a seam, and at both of its ends what lies beyond."""
    found = Fraction(0)
    for fabric in strings:
        width, length = sorted((fabric.width, fabric.length))
        covers = max(Fraction(0), width - tally.seam) * max(Fraction(0), length - 2 * COVER)
        found += covers * fabric.count
    return found


def _may(fabric: Fabric, role: str) -> bool:
    return fabric.serves(Need("", role, Fraction(1), Fraction(1)))


@dataclass
class _Piece:
    """What is left of one string: of the piece of fabric `number`, `across` from its side; it is
    cut from its end, `at` so far."""

    fabric: Fabric
    number: int
    across: Fraction
    width: Fraction
    length: Fraction
    at: Fraction = Fraction(0)

    def __lt__(self, other: "_Piece") -> bool:
        mine = self.length, self.width, self.number, self.across
        return mine < (other.length, other.width, other.number, other.across)


@dataclass(order=True)
class _Opening:
    """Kept so that the heap gives the one that needs the longest string first."""

    needs: Fraction
    block: int
    place: int
    reached: Fraction = field(compare=False)
    beside: str = field(compare=False)


# By the number of the piece of fabric: what is cut of it, and from which of its strings.
_Cuts = dict[int, list[tuple[Sewn, _Piece]]]


class _Sewing:
    """So many blocks sewn at once."""

    def __init__(
        self, tally: Strings, strings: Sequence[Fabric], middles: Sequence[Fabric], blocks: int
    ) -> None:
        self._tally = tally
        self._strings = sorted(_physical(strings, 0))
        self._middles = sorted(_physical(middles, sum(f.count for f in strings)))
        self._several = len({fabric.print for fabric in (*strings, *middles)}) > 1
        self._blocks = blocks
        self._cuts: _Cuts = {}

    def run(self) -> _Cuts | None:
        """Every string cut for a place; None where the strings do not reach."""
        half = self._tally.half
        heap = [
            _Opening(-self._tally.length_at(Fraction(0)), n, 0, Fraction(0), "")
            for n in range(self._blocks)
        ]
        heapify(heap)
        while heap:
            opening = heappop(heap)
            middle = opening.place == 0
            piece = self._taken(opening, self._middles if middle and self._middles else None)
            if piece is None:
                return None
            seam = self._tally.seam
            # The middle string lies over the middle line, half of it on either side.
            reached = piece.width / 2 - seam if middle else opening.reached + piece.width - 2 * seam
            if reached + seam >= half:
                if middle:
                    return None
                continue
            for side in (1, -1) if middle else (1 if opening.place > 0 else -1,):
                place = opening.place + side
                needs = -self._tally.length_at(reached)
                heappush(heap, _Opening(needs, opening.block, place, reached, piece.fabric.print))
        return self._cuts

    def _taken(self, opening: _Opening, middles: list[_Piece] | None) -> _Piece | None:
        """The shortest string that is long enough, and leaves no seam near the corner."""
        pieces = self._strings if middles is None else middles
        needed = -opening.needs
        long_enough = bisect_left(pieces, needed, key=lambda piece: piece.length)
        fits = (
            place
            for place in range(long_enough, len(pieces))
            if self._well_away(opening, pieces[place].width)
        )
        chosen = next(fits, None)
        if chosen is None:
            return None
        if self._several and pieces[chosen].fabric.print == opening.beside:
            unlike = (place for place in fits if pieces[place].fabric.print != opening.beside)
            chosen = next(unlike, chosen)
        piece = pieces.pop(chosen)
        role = STRING if middles is None else MIDDLE
        sewn = Sewn(opening.block, opening.place, role, piece.width, needed)
        self._cuts.setdefault(piece.number, []).append((sewn, piece))
        left = replace(piece, length=piece.length - needed, at=piece.at + needed)
        if left.length > 0:
            insort(pieces, left)
        return piece

    def _well_away(self, opening: _Opening, width: Fraction) -> bool:
        seam, half = self._tally.seam, self._tally.half
        reached = opening.reached + width - 2 * seam if opening.place else width / 2 - seam
        return reached + seam >= half or half - reached >= FROM_THE_END


def _physical(fabrics: Sequence[Fabric], first: int) -> Iterator[_Piece]:
    number = first
    for fabric in fabrics:
        narrow, long = sorted((fabric.width, fabric.length))
        width = narrow if narrow <= _WIDEST else _CUT_TO
        for _ in range(fabric.count):
            for beside in range(int(narrow // width) if narrow >= _NARROWEST else 0):
                yield _Piece(fabric, number, beside * width, width, long)
            number += 1


def _layouts(found: _Cuts) -> Iterator[Layout]:
    """Every piece of fabric with what is cut off its strings, end by end."""
    for cuts in found.values():
        fabric = cuts[0][1].fabric
        along = fabric.length >= fabric.width
        narrow, long = sorted((fabric.width, fabric.length))
        placed, ends = [], dict[Fraction, tuple[Fraction, Fraction]]()
        for sewn, string in sorted(cuts, key=lambda cut: (cut[1].across, cut[1].at)):
            place, size = (string.across, string.at), (sewn.width, sewn.length)
            ends[string.across] = string.width, string.at + sewn.length
            if not along:
                place, size = place[::-1], size[::-1]
            placed.append(Cut(sewn.need, *place, *size))
        reached = max(across + width for across, (width, _) in ends.items())
        over = [(width, long - end) for width, end in ends.values()] + [(narrow - reached, long)]
        left = tuple(size if along else size[::-1] for size in over if min(size) >= 1)
        yield Layout(fabric, 1, tuple(placed), left, along)


@dataclass(frozen=True)
class _Muslin:
    """Fabric for foundations: how many of one piece, in rows along its length."""

    fabric: Fabric
    across: int
    down: int
    side: Fraction


def _foundations(problem: CuttingProblem) -> list[_Muslin] | None:
    """How foundations are cut of muslin; None where there is none, and paper is used."""
    tally = problem.tally
    assert isinstance(tally, Strings)
    there = [f for f in problem.fabrics if FOUNDATION in f.roles]
    found = [
        _Muslin(f, int(f.width // tally.side), int(f.length // tally.side), tally.side)
        for f in there
    ]
    return found or None


def _most(muslin: Sequence[_Muslin] | None) -> int:
    if muslin is None:
        return 10**6
    return sum(each.across * each.down * each.fabric.count for each in muslin)


def _cut_foundations(muslin: Sequence[_Muslin] | None, blocks: int) -> Iterator[Layout]:
    for each in muslin or ():
        copies: Counter[int] = Counter()
        for _ in range(each.fabric.count):
            taken = min(blocks, each.across * each.down)
            blocks -= taken
            copies[taken] += 1
        for squares, times in copies.items():
            if squares:
                yield _squares(each, squares, times)


def _squares(muslin: _Muslin, squares: int, copies: int) -> Layout:
    side = muslin.side
    need = Need(FOUNDATION, FOUNDATION, side, side)
    cuts = tuple(
        Cut(need, (n % muslin.across) * side, (n // muslin.across) * side, side, side)
        for n in range(squares)
    )
    rest = muslin.fabric.length - (-(-squares // muslin.across)) * side
    left = ((muslin.fabric.width, rest),) if rest >= 1 else ()
    return Layout(muslin.fabric, copies, cuts, left, along=False)
