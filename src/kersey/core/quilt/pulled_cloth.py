"""Cloth that is pulled for the parts of a quilt: what is cut off it, and what of it is left.

    length      yardage and the like: strips across it, one under the other
    piece       a fat quarter, a square, a strip: strips along its longer side
    run         how long a strip is that comes off; a print with a direction only gives strips along
                its length

All pieces that fit a strip are cut whole, as few strips as will do; longer ones are joined, and
every join costs what the part says. What is joined takes the longest strips there are first:
of strips that add up those are the fewest, and so are the joins. A part is cut of one print where
one gives all of it, and else of one after the other. Source: docs/trade.md sections 6 and 7.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import LARGEST
from kersey.core.frame.edge import BiasCut, NoBias, bias_strips, cut_bias
from kersey.core.frame.joining import strips_to_join
from kersey.core.frame.part import PartCut, PartKind
from kersey.core.frame.strips import fewest_strips
from kersey.core.project.project import fabric_key
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, Aside
from kersey.core.stash.pulled import Pulled

# An end shorter than this is a snip.
SHORTEST_END = Fraction(2)
# An end of cloth so narrow is a piece, cut the long way; a bolt is cut across.
_A_BOLT = Fraction(30)
# Small pieces are never joined of smaller ones.
_WHOLE = frozenset({PartKind.SETTING, PartKind.CORNERSTONES, PartKind.KEYS, PartKind.CORNERS})
# Nothing straight is cut of these.
_NO_STRIPS = frozenset({Form.TRIANGLE, Form.SCRAPS, Form.BATTING, Form.BLOCK})


@dataclass(frozen=True)
class Opened:
    """Pieces of a fabric that were opened, first of all for a `part`: how many, the square inches
    of them that are in the quilt, and the ends that are left, each once."""

    pulled: Pulled
    part: PartKind
    count: int
    used: Fraction
    ends: tuple[Size, ...]


@dataclass(frozen=True)
class Piece:
    """A piece that lies there: strips as long as its `run` come off as long as there is `room`."""

    pulled: Pulled
    run: Fraction
    room: Fraction
    across: bool
    part: PartKind | None = None
    used: Fraction = Fraction(0)

    @property
    def is_length(self) -> bool:
        """Whether so much is cut off its length, straight across."""
        return self.across and self.pulled.kept.lot.form in CUT_FROM_THE_LENGTH

    @property
    def end(self) -> Size:
        """What is left of it: width x length."""
        return (self.run, self.room) if self.across else (self.room, self.run)


@dataclass(frozen=True)
class Wanted:
    """What is still wanted of a cut: so many pieces of each length, each length once; or a length
    `joined` of strips."""

    cut: PartCut
    lengths: tuple[tuple[Fraction, int], ...]
    joined: Fraction | None = None

    @property
    def length(self) -> Fraction:
        """All of it, end to end."""
        if self.joined is not None:
            return self.joined
        return sum((length * count for length, count in self.lengths), Fraction(0))

    @property
    def longest(self) -> Fraction:
        """The longest piece that is cut whole."""
        return max((length for length, _ in self.lengths), default=Fraction(0))

    def in_strips_of(self, run: Fraction) -> "Wanted":
        """The same, joined where a piece is longer than the strips."""
        return replace(self, lengths=(), joined=self.length) if self.longest > run else self

    def strips(self, run: Fraction) -> int:
        """How many strips so long give all of it; as it is `in_strips_of` them."""
        if self.joined is None:
            return fewest_strips(self.lengths, run)
        return strips_to_join(self.joined, run, self.cut.join)

    def after(self, strips: int, run: Fraction) -> "Wanted":
        """What is wanted once so many strips were cut that are not all of it."""
        if self.joined is not None:
            return replace(self, joined=self.joined - strips * (run - self.cut.join))
        left = Counter(dict(self.lengths))
        for _ in range(strips):
            room = run
            for length in sorted(left, reverse=True):
                taken = min(left[length], int(room // length))
                left[length] -= taken
                room -= taken * length
        return replace(self, lengths=tuple((n, count) for n, count in left.items() if count))


def wanted(cut: PartCut) -> Wanted:
    """All of a cut."""
    if cut.run:
        return Wanted(cut, (), cut.length)
    lengths = Counter[Fraction]()
    for piece in cut.pieces:
        lengths[piece.cut_length] += piece.count
    return Wanted(cut, tuple(lengths.items()))


@dataclass(frozen=True)
class CutOff:
    """What was cut: the pieces as they lie there after it, the strips, and what is still wanted;
    `cloth` is what was cut off lengths, in inches."""

    pieces: tuple[Piece, ...]
    runs: tuple[Fraction, ...]
    rest: Wanted
    cloth: Fraction


def pieces_of(fabrics: Sequence[Pulled]) -> tuple[Piece, ...]:
    """The pieces of fabrics that serve no block: of the length the shortest first, then pieces, the
    largest first."""
    lying = [
        _lying(each)
        for each in fabrics
        if not each.for_blocks
        and each.aside in {None, Aside.BINDING}
        and each.kept.lot.form not in _NO_STRIPS
    ]
    order = sorted(
        lying,
        key=lambda p: (
            p.pulled.kept.lot.form not in CUT_FROM_THE_LENGTH,
            p.room if p.across else -p.run * p.room,
            p.pulled.key or 0,
        ),
    )
    return tuple(piece for piece in order for _ in range(piece.pulled.count))


def _lying(pulled: Pulled) -> Piece:
    lot = pulled.kept.lot
    sides = pulled.width, pulled.length
    if lot.directional or lot.form in {Form.STRIP, Form.STRING}:
        return Piece(pulled, sides[1], sides[0], across=False)
    if lot.form in CUT_FROM_THE_LENGTH and (sides[0] >= sides[1] or sides[0] >= _A_BOLT):
        return Piece(pulled, sides[0], sides[1], across=True)
    return Piece(pulled, max(sides), min(sides), across=sides[0] > sides[1])


def cut_off(pieces: Sequence[Piece], asked: Wanted) -> CutOff:
    """Strips for a cut off pieces, as far as they give it; what is opened already comes first."""
    left, runs = list(pieces), list[Fraction]()
    width = asked.cut.cut_width

    def turn(n: int) -> tuple[Fraction, bool]:
        """What a piece fits comes first; of what is joined the longest."""
        run = left[n].run
        whole = asked.joined is None and asked.longest <= run
        return (-LARGEST if whole else -run), left[n].part is None

    order = sorted(range(len(left)), key=turn)
    for run in dict.fromkeys(left[n].run for n in order):
        here = [n for n in order if left[n].run == run]
        there = sum(int(left[n].room // width) for n in here)
        if not asked.length or not there or run <= asked.cut.join:
            continue
        if asked.longest > run and asked.cut.kind in _WHOLE:
            continue
        asked = asked.in_strips_of(run)
        strips = min(there, asked.strips(run))
        rest = asked.after(strips, run) if strips < asked.strips(run) else _nothing(asked)
        covered = (asked.length - rest.length) * width
        _take(left, here, strips, asked.cut, covered)
        runs += [run] * strips
        asked = rest
    return CutOff(tuple(left), tuple(runs), asked, _off_lengths(pieces, left))


def _off_lengths(before: Sequence[Piece], after: Sequence[Piece]) -> Fraction:
    """How much was cut off lengths, straight across."""
    pairs = zip(before, after, strict=True)
    return sum((was.room - now.room for was, now in pairs if was.is_length), Fraction(0))


def _nothing(asked: Wanted) -> Wanted:
    return replace(asked, lengths=(), joined=None if asked.joined is None else Fraction(0))


def _take(
    left: list[Piece], here: Sequence[int], strips: int, cut: PartCut, covered: Fraction
) -> None:
    """Strips come off these pieces, one piece after the other; each has its share of the part."""
    waiting = strips
    for n in here:
        off = min(waiting, int(left[n].room // cut.cut_width))
        if off:
            left[n] = replace(
                left[n],
                room=left[n].room - off * cut.cut_width,
                part=left[n].part or cut.kind,
                used=left[n].used + covered * off / strips,
            )
            waiting -= off


def cut_bias_off(pieces: Sequence[Piece], asked: Wanted) -> CutOff:
    """Bias strips: so much off a length that is enough alone, else all of one piece after the
    other; of those nothing straight is left."""
    left, runs, width = list(pieces), list[Fraction](), asked.cut.cut_width
    for n, piece in enumerate(left):
        if not asked.length:
            break
        cut = _bias_off(piece, asked)
        if not cut.strips:
            continue
        # Whatever is joined to these strips costs a join too; the last of all does not.
        rest = asked.length - (sum(cut.strips, Fraction(0)) - len(cut.strips) * width)
        rest = rest if rest > width else Fraction(0)
        left[n] = replace(
            piece,
            room=piece.room - cut.cloth if piece.is_length else Fraction(0),
            part=piece.part or asked.cut.kind,
            used=piece.used + (asked.length - rest) * width,
        )
        runs += cut.strips
        asked = replace(asked, joined=rest)
    return CutOff(tuple(left), tuple(runs), asked, _off_lengths(pieces, left))


def _bias_off(piece: Piece, asked: Wanted) -> BiasCut:
    """What a piece gives on the bias: just enough where it is large enough, else all of it."""
    width = asked.cut.cut_width
    with suppress(NoBias):
        enough = cut_bias(asked.length, width, piece.run)
        if enough.cloth <= piece.room:
            return enough
    cloth = min(piece.room, piece.run)
    return BiasCut(cloth, tuple(bias_strips(cloth, width, piece.run)))


def opened(pieces: Sequence[Piece]) -> Iterator[Opened]:
    """What was opened of each fabric, and the ends that are left of it."""
    found: dict[str, list[Piece]] = {}
    for piece in pieces:
        if piece.part is not None:
            found.setdefault(fabric_key(piece.pulled), []).append(piece)
    for cut in found.values():
        used = sum((piece.used for piece in cut), Fraction(0))
        ends = tuple(piece.end for piece in cut if min(piece.end) >= SHORTEST_END)
        assert cut[0].part is not None
        yield Opened(cut[0].pulled, cut[0].part, len(cut), used, ends)
