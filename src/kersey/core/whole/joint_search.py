"""The best whole quilts of the cloth there is: blocks, sashing, borders and binding together.

First every scheme is judged by what is known without cutting anything (`scheme_space`,
`scheme_score`): that is at least as good as it can turn out, for what the cloth might give counts
as had. From the best on, a scheme is then reckoned out in every way to share its parts between
stash and shop; and of these, again from the best on, it is found out whether the cloth gives them.
Blocks and parts are one cutting problem, so a strip kept for the binding is one that the blocks do
not get. A quilt that can be had and is at least as good as all that still wait may be is the best
there is. The next best that are really different follow in the same way.

It is a best-first search: each scheme waits with a bound, first a rough one, then its ways';

    at most(scheme)  >=  score(way 1)  >=  score(way 2)  >= ...  >=  what a quilt so made scores

and what comes off the heap as a quilt is therefore no worse than anything that still waits.
Cutting, which costs most, is sought only for what has come so far.

    candidate   a block of one size, and how many of it the cloth gives if nothing else is cut
    judged      a scheme of a candidate with the most its score can be
    way         which parts of it are cut from the stash, and the score it then has
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from functools import cached_property
from heapq import heapify, heappop, heappush
from itertools import combinations
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Size
from kersey.core.cutting.problem import CuttingPlan, Fabric, Need
from kersey.core.errors import Infeasible
from kersey.core.frame.backing import JOIN_COST, WIDE_BACKING, BackingPlan, BackingWay
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.joining import strips_to_join
from kersey.core.frame.part import PartCut, PartKind, bought_with, part_role
from kersey.core.frame.sashing import NO_SASHING
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.setting import Setting
from kersey.core.frame.strips import StripPieces
from kersey.core.measure.length import bought_length
from kersey.core.measure.workshop import Workshop
from kersey.core.quilt.parts_cut import PartNeeds, part_needs, strip_lengths
from kersey.core.whole.candidate import CanBeHad, Candidate
from kersey.core.whole.scheme_cost import (
    A_HAIR,
    backing_cloth,
    backing_fits,
    between_strips,
    binding_strip,
    border_strips,
)
from kersey.core.whole.scheme_score import Aim, Judge, buying, look, shape
from kersey.core.whole.scheme_space import Floats, Schemes, Space

# So many quilts are told of, and no more cuttings than this are sought for them.
_TOLD, _MOST_CUTTINGS = 8, 120
# Of quilts so small that their backing is one piece of what is there no more than this are told.
_TOLD_SMALL = _TOLD // 2
# Quilts of one block, set alike, are really different if a side differs by more than this.
_DIFFERENT = Fraction(8)
# A waiting scheme whose ways are not known yet; and all schemes of a candidate and a space.
_TO_RECKON, _ALL = -1, -1
_ANY_RATIO = Fraction(1000)


class NoBlocks(Infeasible):
    """Not one of the blocks that are asked for can be cut."""

    def __init__(self) -> None:
        super().__init__(
            "There isn't enough fabric for one of these blocks. Choose a smaller block."
        )


@dataclass(frozen=True)
class QuiltQuestion:
    """What is asked. `fabrics` is all cloth there is; `may_buy` the parts that may be bought.

    Cloth that may serve anything is cut into blocks, and into parts of `any_cloth`; with
    `any_backing` a backing that fits one piece of it may be cut from that too.
    """

    fabrics: tuple[Fabric, ...]
    candidates: tuple[Candidate, ...]
    spaces: tuple[Space, ...]
    judge: Judge
    may_buy: frozenset[str]
    shop: Workshop = field(default_factory=Workshop)
    backing_way: BackingWay | None = None
    any_cloth: frozenset[str] = frozenset({PartKind.BINDING, part_role(PartKind.CORNERSTONES)})
    any_backing: bool = False


@dataclass(frozen=True)
class Sourced:
    """A part and where its cloth is from: `cloth` inches off the bolt if bought, else None."""

    part: PartCut
    cloth: Fraction | None

    @property
    def bought(self) -> bool:
        """Whether its cloth is bought."""
        return self.cloth is not None


@dataclass(frozen=True)
class WholeQuilt:
    """A quilt worked out. Its `plans` cut its blocks, and every part that is from the stash."""

    candidate: Candidate
    scheme: Scheme
    parts: tuple[Sourced, ...]
    backing: BackingPlan
    backing_bought: bool
    plans: tuple[CuttingPlan, ...]
    needs: tuple[PartNeeds, ...]
    blocks_bought: Mapping[str, Fraction]
    opinions: Mapping[str, float]
    score: float

    @property
    def bought(self) -> dict[str, Fraction]:
        """Cloth to buy by part, in inches off the bolt, as shops cut it."""
        found: dict[str, Fraction] = dict(self.blocks_bought)
        for sourced in self.parts:
            if sourced.cloth is not None:
                name = sourced.part.name
                found[name] = found.get(name, Fraction(0)) + sourced.cloth
        if self.backing_bought:
            found[PartKind.BACKING] = self.backing.cloth
        return {name: bought_length(cloth) for name, cloth in found.items()}


@dataclass(frozen=True)
class Answer:
    """The best quilts, best first; how many schemes were judged, and how many cuttings sought.

    `complete` unless the search ended before it could know that there is no better quilt.
    """

    quilts: tuple[WholeQuilt, ...]
    considered: int
    cuttings: int
    complete: bool


def best_quilts(question: QuiltQuestion, cutter: type[CanBeHad] = CanBeHad) -> Answer:
    """The best whole quilts that are really different; the same question has the same answer.

    `cutter` finds out what can be cut beside what. Raises `NoBlocks`.
    """
    *_, answer = answers(question, cutter)
    return answer


def answers(question: QuiltQuestion, cutter: type[CanBeHad] = CanBeHad) -> Iterator[Answer]:
    """The same, after every quilt of which it is known that no better one is left."""
    search, told = _Search(question, cutter), list[WholeQuilt]()
    considered = search.considered
    for quilt in search.best_first():
        told.append(quilt)
        yield Answer(tuple(told), considered, search.cuttings, complete=False)
    yield Answer(tuple(told), considered, search.cuttings, search.complete)


def every_quilt(question: QuiltQuestion) -> Iterator[WholeQuilt]:
    """The best of every scheme, in no order: for small questions, to hold the search against."""
    search = _Search(question)
    for judged in search.judged():
        for way in search.ways(judged):
            quilt = search.quilt(judged, way)
            if quilt is not None:
                yield quilt
                break


class _Judged(NamedTuple):
    """A scheme by its place."""

    candidate: int
    space: int
    body: int
    borders: int


@dataclass(frozen=True)
class _Way:
    """Parts that are cut from the stash, and the `backing` if a piece of cloth gives it whole; what
    is then thought of the quilt."""

    stash: frozenset[PartCut]
    backing: PartNeeds | None
    opinions: Mapping[str, float]
    score: float


class _Search:
    """Judges schemes, reckons the best of them out, and finds out which can be had."""

    def __init__(self, question: QuiltQuestion, cutter: type[CanBeHad] = CanBeHad) -> None:
        if not question.candidates:
            raise NoBlocks
        self._question, self.complete = question, False
        self._schemes = {
            (c, s): schemes
            for c, candidate in enumerate(question.candidates)
            for s, space in enumerate(question.spaces)
            for schemes in [Schemes(_free(space, candidate), candidate.finished, candidate.blocks)]
            if schemes.count
        }
        self._looks = {key: look(schemes) for key, schemes in self._schemes.items()}
        # What was asked once of cloth, parts and backings is asked by many schemes again.
        self._can_be_had = [cutter(c, question.fabrics) for c in question.candidates]
        self._cloth: dict[tuple[PartKind, str], tuple[Fabric, ...]] = {}
        self._lengths: dict[tuple[PartKind, str, Fraction], tuple[Fraction, ...]] = {}
        self._parts: dict[PartCut, PartNeeds | None] = {}
        self._backings: dict[Size, BackingPlan | None] = {}

    @property
    def considered(self) -> int:
        """How many schemes are allowed, and so judged."""
        return sum(int(schemes.allowed.sum()) for schemes in self._schemes.values())

    def judged(self) -> Iterator[_Judged]:
        """Every scheme that is allowed, in no order."""
        for (c, s), schemes in self._schemes.items():
            for body, borders in np.argwhere(schemes.allowed).tolist():
                yield _Judged(c, s, body, borders)

    def best_first(self) -> Iterator[WholeQuilt]:
        """The best, and the next best that are different; then it is known whether all was seen.

        The schemes of a candidate and a space are looked at once the best of them might be next;
        until then it is enough to know the most that any of them can score.
        """
        waiting = [
            (-self._best_of(c, s), _Judged(c, s, _ALL, _ALL), _TO_RECKON)
            for (c, s), schemes in self._schemes.items()
            if schemes.allowed.any()
        ]
        heapify(waiting)
        # An entry is one of three: all schemes of a group, of which only the best score is known; a
        # scheme that is still to be reckoned out; or a way of one that was.
        groups: dict[tuple[int, int], Iterator[tuple[float, _Judged]]] = {}
        ways: dict[_Judged, list[_Way]] = {}
        told: list[WholeQuilt] = []
        small = 0
        while waiting and len(told) < _TOLD and self.cuttings < _MOST_CUTTINGS:
            _, judged, number = heappop(waiting)
            group = judged.candidate, judged.space
            if judged.body == _ALL:
                groups[group] = self._in_order(*group)
            if number == _TO_RECKON:
                # Only one scheme of a group waits at a time; as it is taken its next comes in.
                self._push_next(waiting, groups[group])
            # What is like one that was told of is passed over, with all its ways.
            if judged.body == _ALL or any(self._like(judged, other) for other in told):
                continue
            if number == _TO_RECKON:
                ways[judged] = self.ways(judged)
            elif ways[judged][number].backing is None or small < _TOLD_SMALL:
                quilt = self.quilt(judged, ways[judged][number])
                if quilt is not None:
                    small += ways[judged][number].backing is not None
                    told.append(quilt)
                    yield quilt
                    continue
            # The next best way of the same scheme waits with the score it would have. A scheme that
            # was told of is not gone on with: its other ways are no different quilt.
            if number + 1 < len(ways[judged]):
                heappush(waiting, (-ways[judged][number + 1].score, judged, number + 1))
        self.complete = not waiting or len(told) == _TOLD

    def _best_of(self, c: int, s: int) -> float:
        """The most that any scheme of a candidate and a space can score."""
        return float(self._at_most(c, s, has_binding=True)[self._schemes[c, s].allowed].max())

    def _in_order(self, c: int, s: int) -> Iterator[tuple[float, _Judged]]:
        """The schemes of a candidate and a space with the most they can score, the best first."""
        # Sorted stably, so that equal ones keep their order and the answer is the same each time.
        places = np.argwhere(self._schemes[c, s].allowed)
        scores = self._at_most(c, s)[places[:, 0], places[:, 1]]
        for n in np.argsort(-scores, kind="stable").tolist():
            body, borders = places[n].tolist()
            yield float(scores[n]), _Judged(c, s, body, borders)

    @staticmethod
    def _push_next(
        waiting: list[tuple[float, _Judged, int]], group: Iterator[tuple[float, _Judged]]
    ) -> None:
        following = next(group, None)
        if following is not None:
            score, judged = following
            heappush(waiting, (-score, judged, _TO_RECKON))

    def ways(self, judged: _Judged) -> list[_Way]:
        """Every way to share a scheme's parts between stash and shop, the best first."""
        question, scheme = self._question, self._scheme(judged)
        may = {part for part in scheme.parts if bought_with(part.kind) in question.may_buy}
        can, must_buy = self._together(scheme.parts)
        backings: list[PartNeeds | None] = []
        if self._backing_of(scheme) is not None or PartKind.BACKING in question.may_buy:
            backings.append(None)
        piece = self._backing_piece(scheme)
        if piece is not None:
            backings.append(piece)
        if not backings or not may.issuperset(must_buy):
            return []
        try:
            cloth = {part: scheme.bought(part, question.shop) for part in may}
        except Infeasible:
            return []
        found = []
        # Each subset of what may be bought: parts are few, and sets of them few too.
        everything = frozenset(part for group in can for part in group)
        for count in range(len(can) + 1):
            for groups in combinations(can, count):
                bought = [part for group in groups for part in group]
                if may.issuperset(bought):
                    lengths = [bought_length(cloth[part]) for part in (*must_buy, *bought)]
                    stash = everything - set(bought)
                    for backing in backings:
                        anyway = self._bought_anyway(judged, scheme, backing)
                        cloth_bought = sum(lengths, anyway)
                        found.append(self._way(judged, scheme, stash, backing, cloth_bought))
        return sorted(found, key=lambda way: -way.score)

    def _together(
        self, parts: Sequence[PartCut]
    ) -> tuple[list[tuple[PartCut, ...]], list[PartCut]]:
        """Parts that the stash may give, and those that are bought in any case. Keys and their
        spacer are of one source."""
        # Parts by the name under which they are bought or cut, in their order.
        groups: dict[str, list[PartCut]] = {}
        for part in parts:
            of_keys = part.kind is PartKind.SPACER
            name = part_role(PartKind.KEYS, part.number) if of_keys else part.name
            groups.setdefault(name, []).append(part)
        can = [
            tuple(group)
            for group in groups.values()
            if all(self._needs(part) is not None for part in group)
        ]
        had = {part for group in can for part in group}
        return can, [part for part in parts if part not in had]

    def quilt(self, judged: _Judged, way: _Way) -> WholeQuilt | None:
        """The quilt made in a way; None where the cloth does not give it, as far as is found."""
        question, scheme = self._question, self._scheme(judged)
        candidate = question.candidates[judged.candidate]
        asked = (self._needs(part) for part in scheme.parts if part in way.stash)
        needs = tuple(each for each in (*asked, way.backing) if each is not None)
        had = self._can_be_had[judged.candidate]
        plans = had.plans(candidate.cut_blocks(scheme), needs)
        if plans is None:
            return None
        from_stash = self._backing_of(scheme)
        if way.backing is not None:
            length = way.backing.part.pieces[0].cut_length
            from_stash = BackingPlan(BackingWay.UPRIGHT, 1, length, length, Fraction(0))
        return WholeQuilt(
            candidate=candidate,
            scheme=scheme,
            parts=tuple(
                Sourced(part, None if part in way.stash else scheme.bought(part, question.shop))
                for part in scheme.parts
            ),
            backing=from_stash or self._backing_bought(scheme),
            backing_bought=from_stash is None,
            plans=plans,
            needs=needs,
            blocks_bought=candidate.to_buy(scheme, question.shop),
            opinions=way.opinions,
            score=way.score,
        )

    @property
    def cuttings(self) -> int:
        """How many cuttings were sought."""
        return sum(had.tried for had in self._can_be_had)

    @cached_property
    def _best_area(self) -> float:
        """The most of the cloth there is that blocks could take."""
        return max(float(c.blocks * c.area) for c in self._question.candidates)

    @cached_property
    def _largest(self) -> float:
        """The area of the largest quilt."""
        areas = (
            float((width * length)[schemes.allowed].max())
            for schemes in self._schemes.values()
            for width, length in [schemes.inside]
            if schemes.allowed.any()
        )
        return max(areas, default=1.0)

    def _scheme(self, judged: _Judged) -> Scheme:
        return self._schemes[judged.candidate, judged.space].at(judged.body, judged.borders)

    def _at_most(self, c: int, s: int, has_binding: bool = False) -> Floats:
        """What each scheme of a candidate scores at most; `has_binding`: as if every binding could
        be had beside the blocks, which is not looked into then."""
        candidate, schemes = self._question.candidates[c], self._schemes[c, s]
        # Arrays with a row for each body and a column for each choice of borders. Every estimate
        # errs to the good side: cloth that might be had counts as used, and none is bought for it.
        (width, length), blocks = schemes.inside, schemes.blocks_in
        used, bought = self._between(candidate, schemes)
        used = used + blocks * float(candidate.area)
        usable, seams = self._question.shop.usable_width, 2 * schemes.space.seam
        for number, border in enumerate(border_strips(schemes), 1):
            from_stash = self._gives_border(schemes, number)
            used = used + from_stash * border.area
            bought = bought + ~from_stash * border.off_the_bolt(usable, np.array(float(seams)))
            if schemes.space.corners is Corners.SQUARES and self._cloth_for(PartKind.CORNERS):
                used = used + 4 * border.cut_width**2 * (border.length > 0)
        edge = schemes.space.edge
        if edge.has_strips:
            binding, cloth = binding_strip(schemes), self._cloth_for(PartKind.BINDING)
            beside = np.full(binding.length.shape, bool(cloth))
            if not has_binding:
                # Whether so long a binding can be had beside so many blocks is a question of
                # cutting; it is asked once for each candidate and kept there.
                had = self._can_be_had[c]
                beside = had.beside_run(blocks, binding.length, edge.width, cloth)
            off_the_bolt = binding.off_the_bolt(usable, binding.cut_width)
            if edge.style is EdgeStyle.BIAS:
                off_the_bolt = binding.area / float(usable)
            used, bought = used + beside * binding.area, bought + ~beside * off_the_bolt
        if not any(PartKind.BACKING in fabric.roles for fabric in self._question.fabrics):
            cloth_bought = backing_cloth(schemes, usable, self._question.backing_way)
            bought = bought + ~backing_fits(schemes, self._backing_pieces) * cloth_bought
        # By so much an edge that is folded or turned makes a quilt larger than it is inside.
        more = float(edge.finished(Fraction(0), schemes.space.seam) + seams)
        opinions = {
            "use": np.minimum(1.0, used / self._best_area),
            "fit": self._question.judge.fit(width + more, length + more),
            "shape": shape(width, length),
            "look": self._looks[c, s],
            "buying": buying(bought * float(usable), width, length),
            "size": width * length / self._largest,
        }
        return self._question.judge.score(opinions)

    def _between(self, candidate: Candidate, schemes: Schemes) -> tuple[Floats, Floats]:
        """Of what lies between the blocks: the area that might be from the stash, and inches of
        cloth that are bought in any case; a row for each body."""
        shop = self._question.shop
        join = np.array(float(2 * schemes.space.seam))
        used, bought = np.zeros((schemes.count, 1)), self._for_blocks(candidate, schemes)
        for kind, strips in between_strips(schemes):
            # Whether any strip can be had of a width is asked once for each width.
            widths = np.unique(strips.cut_width).tolist()
            served = [width for width in widths if self._gives(kind, width)]
            from_stash = np.isin(strips.cut_width, served)
            used = used + from_stash * strips.area
            bought = bought + ~from_stash * strips.off_the_bolt(shop.usable_width, join)
        return used, bought

    def _gives_border(self, schemes: Schemes, number: int) -> NDArray[np.bool_]:
        """Of which choices of borders the one of this number may be cut from the stash."""
        role, choices = part_role(PartKind.BORDER, number), schemes.space.borders
        found = np.full(len(choices), bool(self._cloth_for(PartKind.BORDER, role)))
        if schemes.space.key and not any(role in f.roles for f in self._question.fabrics):
            # The outermost is of keys, and those only of cloth that is there for them.
            found &= np.array([len(widths) != number for widths in choices])
        return found

    def _gives(self, kind: PartKind, width: float) -> bool:
        """Whether any cloth gives strips for a part, of a width or a hair less."""
        cut_width, cloth = Fraction(width - A_HAIR), self._cloth_for(kind)
        return bool(strip_lengths(part_role(kind), cut_width, cloth))

    def _for_blocks(self, candidate: Candidate, schemes: Schemes) -> Floats:
        """Cloth that is bought for the blocks of each body, in inches."""
        if not candidate.missing:
            return np.zeros((schemes.count, 1))
        # What is bought depends on the number of blocks alone, and bodies of one number are many.
        counts, places = np.unique(schemes.blocks_in, return_inverse=True)
        for_each = []
        for blocks in counts.tolist():
            place = int(np.argmax(schemes.blocks_in == blocks))
            cloth = sum(candidate.to_buy(schemes.at(place, 0), self._question.shop).values())
            for_each.append(float(bought_length(Fraction(cloth))))
        found: Floats = np.array(for_each)[places.reshape(-1, 1)]
        return found

    def _way(
        self,
        judged: _Judged,
        scheme: Scheme,
        stash: frozenset[PartCut],
        backing: PartNeeds | None,
        bought: Fraction,
    ) -> _Way:
        """What is thought of a scheme; `bought` inches of cloth as wide as it usually is."""
        candidate = self._question.candidates[judged.candidate]
        width, length = (np.array([float(side)]) for side in scheme.inside)
        finished = (np.array([float(side)]) for side in scheme.finished)
        used = scheme.blocks * candidate.area + sum((p.area for p in stash), Fraction(0))
        said = {
            "use": min(1.0, float(used) / self._best_area),
            "fit": self._question.judge.fit(*finished),
            "shape": shape(width, length),
            "look": self._looks[judged.candidate, judged.space][judged.body, judged.borders],
            "buying": buying(float(bought * self._question.shop.usable_width), width, length),
            "size": width * length / self._largest,
        }
        opinions = {name: float(np.ravel(opinion)[0]) for name, opinion in said.items()}
        return _Way(stash, backing, opinions, float(self._question.judge.score(opinions)[0]))

    def _bought_anyway(self, judged: _Judged, scheme: Scheme, piece: PartNeeds | None) -> Fraction:
        """Inches of cloth of the usual width that are bought for the blocks and the backing, unless
        that is of a piece that is there."""
        shop = self._question.shop
        of_blocks = self._question.candidates[judged.candidate].to_buy(scheme, shop)
        bought = sum(map(bought_length, of_blocks.values()), Fraction(0))
        if self._backing_of(scheme) is None and piece is None:
            # Extra-wide cloth counts as so much more of the usual width.
            backing = self._backing_bought(scheme)
            wide = WIDE_BACKING / shop.usable_width if backing.way is BackingWay.WIDE else 1
            bought += backing.bought * wide
        return bought

    def _backing_bought(self, scheme: Scheme) -> BackingPlan:
        return scheme.backed_by(self._question.shop).plan(self._question.backing_way)

    def _backing_of(self, scheme: Scheme) -> BackingPlan | None:
        """A backing from the stash."""
        if scheme.top not in self._backings:
            found = _backing_from(self._question.fabrics, scheme, self._question.shop)
            self._backings[scheme.top] = found
        return self._backings[scheme.top]

    def _backing_piece(self, scheme: Scheme) -> PartNeeds | None:
        """A backing in one piece of cloth that may serve anything, where that is asked for."""
        if not self._question.any_backing or self._backing_of(scheme) is not None:
            return None
        size = scheme.backed_by(self._question.shop)
        piece = StripPieces(PartKind.BACKING, 1, size.width, size.length)
        part = PartCut(PartKind.BACKING, (piece,), Fraction(0))
        found = part_needs(part, strip_lengths(part.role, size.width, self._any_cloth))
        return None if found is None or found.joined else found

    @cached_property
    def _any_cloth(self) -> tuple[Fabric, ...]:
        return tuple(f for f in self._question.fabrics if _serves(f, PartKind.BACKING))

    @property
    def _backing_pieces(self) -> set[Size]:
        """The sizes of cloth of which one piece may be the backing."""
        if not self._question.any_backing:
            return set()
        return {(fabric.width, fabric.length) for fabric in self._any_cloth}

    def _needs(self, part: PartCut) -> PartNeeds | None:
        """How a part can be cut from the stash, where it may be."""
        if part not in self._parts:
            # A hundred small keys are not looked for in cloth that may serve anything.
            explicit, role = part.kind is PartKind.KEYS, part.role
            known_by = part.kind, role, part.cut_width
            if known_by not in self._lengths:
                cloth = self._cloth_for(part.kind, role)
                asked = tuple(f for f in cloth if not explicit or role in f.roles)
                self._lengths[known_by] = strip_lengths(role, part.cut_width, asked)
            self._parts[part] = part_needs(part, self._lengths[known_by])
        return self._parts[part]

    def _cloth_for(self, kind: PartKind, role: str | None = None) -> tuple[Fabric, ...]:
        """Cloth that a part may be cut from; without a `role`, by that of its kind.

        What may serve anything is for blocks, and as a rule for binding and cornerstones; of it a
        border or sashing is only cut where that part is not to be bought.
        """
        role = part_role(kind) if role is None else role
        if (kind, role) not in self._cloth:
            any_cloth = role in self._question.any_cloth or not self._bought_at_will(kind)
            self._cloth[kind, role] = tuple(
                f
                for f in self._question.fabrics
                if role in f.roles or (any_cloth and _serves(f, role))
            )
        return self._cloth[kind, role]

    def _bought_at_will(self, kind: PartKind) -> bool:
        no_buying = self._question.judge.aim is Aim.NO_BUYING
        return bought_with(kind) in self._question.may_buy and not no_buying

    def _like(self, judged: _Judged, other: WholeQuilt) -> bool:
        candidate = self._question.candidates[judged.candidate]
        return candidate is other.candidate and _alike(self._scheme(judged), other.scheme)


def _free(space: Space, candidate: Candidate) -> Space:
    """What is free for a candidate: one piece lies as it was made, and nothing parts it."""
    if not candidate.one_piece:
        return space
    return replace(
        space, setting=Setting.STRAIGHT, sashings=(NO_SASHING,), max_ratio=_ANY_RATIO, even=False
    )


def _alike(one: Scheme, other: Scheme) -> bool:
    """Set in the same way, and nearly as large."""
    set_alike = (
        one.setting is other.setting
        and bool(one.sashing.width) == bool(other.sashing.width)
        and bool(one.borders) == bool(other.borders)
    )
    sides = zip(one.finished, other.finished, strict=True)
    return set_alike and all(abs(a - b) <= _DIFFERENT for a, b in sides)


def _serves(fabric: Fabric, role: str) -> bool:
    return fabric.serves(Need(role, role, Fraction(1), Fraction(1)))


def _backing_from(fabrics: Sequence[Fabric], scheme: Scheme, shop: Workshop) -> BackingPlan | None:
    """A backing from one cloth that is there for it, if there is enough; else None.

    Cloth that may serve anything is no backing: somebody has to say so.
    """
    for fabric in fabrics:
        if PartKind.BACKING not in fabric.roles:
            continue
        size = scheme.backed_by(shop)
        for way, covered, panel in (
            (BackingWay.UPRIGHT, size.width, size.length),
            (BackingWay.ACROSS, size.length, size.width),
        ):
            panels = strips_to_join(covered, fabric.width, JOIN_COST)
            if int(fabric.length // panel) * fabric.count >= panels:
                return BackingPlan(way, panels, panel, panels * panel, Fraction(0))
    return None
