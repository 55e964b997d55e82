"""What lies on the real wall: every place of a photograph read, and held against the plan.

The photograph is straightened first, so that it shows the body of the quilt alone. In every place
the colour of each patch is taken, in all four turns, and compared with what each block would show
there. The light of the room is found on the way: all blocks together are known, so what is common
to all of them is light (a cast for each channel), and what changes evenly over the wall is light
too (a plane).

    shown = cast x plane x cloth     in linear light, channel by channel

Then every block is given the place where it fits, all at once (a linear assignment: the least sum
of differences). A place is *sure* where no other kind of block fits it nearly as well.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from math import sqrt

import numpy as np

# Its parts are read when they are first used, and this one is large.
import scipy
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Patch
from kersey.core.frame.setting import Setting
from kersey.core.project.laying import QUARTERS
from kersey.core.quilt.body import anchor_in_body
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.seen import Wall, wall_of

Floats = NDArray[np.float64]

# Points of a patch that are looked at: a grid over it, drawn in toward its middle so that a crooked
# seam or a blurred edge is not taken for cloth.
_GRID, _DRAWN_IN = 7, 0.62
_ROUNDS = 5
# A difference in CIELAB beyond this says no more than this: a shadow, a pin, a hand.
_MOST_DIFFERENCE = 45.0
# A place that differs more than this from every block holds none of them.
_NO_BLOCK = 26.0
# Where places differ by more than this from the blocks they are given, it is not this quilt.
_NOT_THIS_QUILT = 14.0
# Another kind that fits so nearly as well leaves a place unsure: in CIELAB, and in how much the
# places differ from their blocks anyway.
_NEARLY, _NEARLY_TIMES = 1.2, 0.35
# A turn must fit this much better than the planned one to be believed.
_TURN_NEARLY, _TURN_TIMES = 1.0, 0.25
_DARK = 1e-4


@dataclass(frozen=True)
class Photograph:
    """A straightened photograph of the body: linear light, rows from the top, as height x width x
    3, and how many pixels an inch of the quilt is."""

    light: Floats
    px_per_inch: float


@dataclass(frozen=True)
class Reading:
    """What lies where: the block and the turn of every place, and whether that is sure.

    None where no block of the quilt was seen. Of a place that is not sure `maybe` says which other
    block it could be.
    """

    places: tuple[int | None, ...]
    turns: tuple[int, ...]
    sure: tuple[bool, ...]
    maybe: tuple[int | None, ...]


@dataclass(frozen=True)
class Compared:
    """How the real wall differs from the plan, by places.

    `exchanged` are pairs that hold each other's blocks; `elsewhere` are places with a block that
    belongs at another one, which is named, if it belongs on the wall at all; `turned` have the
    right block in another turn; of the `unsure` nothing is said.
    """

    exchanged: tuple[tuple[int, int], ...]
    elsewhere: tuple[tuple[int, int | None], ...]
    turned: tuple[int, ...]
    missing: tuple[int, ...]
    unsure: tuple[int, ...]

    @property
    def as_planned(self) -> bool:
        """Whether nothing differs that could be told."""
        return not (self.exchanged or self.elsewhere or self.turned or self.missing)


def read_wall(quilt: Quilt, photograph: Photograph) -> Reading:
    """Which block lies at every place of a photograph, and how it is turned."""
    wall = wall_of(quilt)
    kinds = _kinds(wall)
    shown = _seen_in(quilt, photograph)
    spots = np.array([anchor_in_body(quilt, seat) for seat in quilt.grid.seats])
    areas = np.array([float(patch.area) for patch in wall.patches])
    light = _cast(shown, kinds, wall, areas)
    costs = _costs(shown / light, kinds, areas)
    given = _given(costs.min(axis=2), wall)
    for _ in range(_ROUNDS):
        light = _light(shown, kinds, given, costs, wall, areas, spots)
        costs = _costs(shown / light, kinds, areas)
        given = _given(costs.min(axis=2), wall)
    return _reading(quilt, wall, costs, given)


def compare(quilt: Quilt, reading: Reading) -> Compared:
    """What of the real wall is not as planned."""
    wall = wall_of(quilt)
    planned, turns = quilt.kept.places, quilt.place_turns
    kind = [None if b is None else wall.kinds[b] for b in planned]
    real = [None if b is None else wall.kinds[b] for b in reading.places]
    told = [p for p in range(len(planned)) if reading.sure[p]]
    wrong = [p for p in told if real[p] is not None and real[p] != kind[p]]
    exchanged = _exchanged(wrong, kind, real, reading.sure)
    settled = {p for pair in exchanged for p in pair}
    # Between blocks that look much alike, how they are turned can still be told.
    turned = tuple(
        p
        for p, block in enumerate(planned)
        if real[p] == kind[p] and not _looks_alike(wall, block, turns[p], reading.turns[p])
    )
    return Compared(
        exchanged,
        tuple((p, _where(p, kind, real, wrong)) for p in wrong if p not in settled),
        turned,
        tuple(p for p in told if real[p] is None and kind[p] is not None),
        tuple(
            p
            for p, sure in enumerate(reading.sure)
            if not sure and p not in turned and p not in settled
        ),
    )


def as_read(quilt: Quilt, reading: Reading) -> tuple[tuple[int | None, ...], tuple[int, ...]]:
    """The places and turns of the real wall. What was not read lies as planned, where that block
    is not seen elsewhere; else it takes a block that was seen nowhere."""
    planned = quilt.kept.places
    sure = [b if s else None for b, s in zip(reading.places, reading.sure, strict=True)]
    places = _own_numbers(wall_of(quilt), planned, sure)
    taken = {b for b in places if b is not None}
    open_places = [p for p, s in enumerate(reading.sure) if not s]
    for place in open_places:
        block = planned[place]
        if block is not None and block not in taken:
            places[place] = block
            taken.add(block)
    waiting = [b for b in planned if b is not None and b not in taken]
    for place in open_places:
        if places[place] is None and waiting:
            places[place] = waiting.pop(0)
    return tuple(places), reading.turns


def _own_numbers(
    wall: Wall, planned: Sequence[int | None], read: Sequence[int | None]
) -> list[int | None]:
    """Of blocks that look the same, the one that is planned at the place is taken to lie there."""
    free: dict[int, list[int]] = {}
    for number in reversed(range(len(wall.blocks))):
        free.setdefault(wall.kinds[number], []).append(number)
    found: list[int | None] = [None] * len(read)
    for stays in (True, False):
        for place, block in enumerate(read):
            if block is None or found[place] is not None:
                continue
            own, same = planned[place], free[wall.kinds[block]]
            if stays and own is not None and own in same:
                same.remove(own)
                found[place] = own
            elif not stays:
                found[place] = same.pop()
    return found


def _exchanged(
    wrong: Sequence[int],
    kind: Sequence[int | None],
    real: Sequence[int | None],
    sure: Sequence[bool],
) -> tuple[tuple[int, int], ...]:
    """Pairs of places that hold each other's kind; of one that is sure the other may be less so."""
    found: list[tuple[int, int]] = []
    taken: set[int] = set()
    for one in wrong:
        for other, seen in enumerate(real):
            meant = seen is not None and seen != kind[other] and seen == kind[one]
            later = other > one or not sure[other]
            if meant and later and real[one] == kind[other] and not {one, other} & taken:
                found.append((min(one, other), max(one, other)))
                taken |= {one, other}
    return tuple(found)


def _where(
    place: int, kind: Sequence[int | None], real: Sequence[int | None], wrong: Sequence[int]
) -> int | None:
    """Where the block that lies at a place belongs: a wrong place of its kind first."""
    belongs = [p for p, k in enumerate(kind) if k == real[place] and p != place]
    return min(belongs, key=lambda p: (p not in wrong, p), default=None)


def _looks_alike(wall: Wall, block: int | None, one: int, other: int) -> bool:
    """Whether a block looks the same in two turns, prints and all."""
    if one == other or block is None:
        return True
    look = [
        sorted(
            (sorted(patch.corners), number)
            for patch, number in zip(wall.turned(turn).patches, wall.blocks[block], strict=True)
        )
        for turn in (one, other)
    ]
    return look[0] == look[1]


def _kinds(wall: Wall) -> Floats:
    """The colour of every patch of every kind, in linear light: kinds x patches x 3."""
    first = {kind: n for n, kind in reversed(list(enumerate(wall.kinds)))}
    linear = np.array([_linear_of_lab(np.array(p.colour)) for p in wall.prints])
    return np.asarray(linear[np.array([wall.blocks[first[k]] for k in range(len(first))])], float)


def _seen_in(quilt: Quilt, photograph: Photograph) -> Floats:
    """The colour of every patch in each turn: places x turns x patches x 3."""
    patches, size = quilt.assembly.patches, quilt.block
    turns = range(QUARTERS) if size[0] == size[1] else range(0, QUARTERS, 2)
    aslant = quilt.grid.setting is Setting.ON_POINT
    points = [[_points(patch, size, turn, aslant) for patch in patches] for turn in range(QUARTERS)]
    found = np.zeros((len(quilt.grid.seats), QUARTERS, len(patches), 3))
    for place, seat in enumerate(quilt.grid.seats):
        anchor = np.array(anchor_in_body(quilt, seat))
        for turn in turns:
            for n, spots in enumerate(points[turn]):
                found[place, turn, n] = _light_at(photograph, anchor + spots)
        for turn in set(range(QUARTERS)) - set(turns):
            found[place, turn] = found[place, turn - 1]
    return found


def _points(patch: Patch, size: tuple[Fraction, Fraction], turn: int, aslant: bool) -> Floats:
    """Points within a patch, from the anchor of its block, as they lie once it is turned."""
    corners = np.array([[float(x), float(y)] for x, y in patch.corners])
    low, high = corners.min(axis=0), corners.max(axis=0)
    steps = (np.arange(_GRID) + 0.5) / _GRID
    grid = np.array([[x, y] for y in steps for x in steps]) * (high - low) + low
    inside = grid[[_within(point, corners) for point in grid]]
    middle = inside.mean(axis=0) if len(inside) else corners.mean(axis=0)
    drawn = middle + (inside - middle) * _DRAWN_IN if len(inside) else middle[None, :]
    return _lying(_turned(np.asarray(drawn, float), size, turn), size, aslant)


def _turned(points: Floats, size: tuple[Fraction, Fraction], turn: int) -> Floats:
    wide, high = map(float, size)
    x, y = points[:, 0], points[:, 1]
    pairs = ((x, y), (high - y, x), (wide - x, high - y), (y, wide - x))
    return np.stack(pairs[turn], axis=1)


def _lying(points: Floats, size: tuple[Fraction, Fraction], aslant: bool) -> Floats:
    """Points of a block from its anchor; on point that is its middle, and the block lies aslant."""
    if not aslant:
        return points
    x, y = points[:, 0], points[:, 1]
    return np.stack(((x - y) / sqrt(2), (x + y - float(size[0])) / sqrt(2)), axis=1)


def _within(point: Floats, corners: Floats) -> bool:
    """Whether a point lies within a polygon, by the crossings of a ray to the right."""
    x, y = point
    crossed = False
    for (ax, ay), (bx, by) in zip(corners, np.roll(corners, -1, axis=0), strict=True):
        if (ay > y) != (by > y) and x < ax + (y - ay) * (bx - ax) / (by - ay):
            crossed = not crossed
    return crossed


def _light_at(photograph: Photograph, spots: Floats) -> Floats:
    """The mean light at spots given in inches."""
    high, wide = photograph.light.shape[:2]
    at = np.rint(spots * photograph.px_per_inch - 0.5).astype(int)
    rows, columns = at[:, 1].clip(0, high - 1), at[:, 0].clip(0, wide - 1)
    return np.asarray(photograph.light[rows, columns].mean(axis=0), float)


def _cast(shown: Floats, kinds: Floats, wall: Wall, areas: Floats) -> Floats:
    """The cast common to all places: how the whole wall differs from all its blocks."""
    share = areas / areas.sum()
    seen = np.einsum("ptjc,j->c", shown, share) / (shown.shape[0] * shown.shape[1])
    count = np.bincount(np.array(wall.kinds), minlength=len(kinds))
    cloth = np.einsum("kjc,j,k->c", kinds, share, count) / count.sum()
    return np.asarray(np.maximum(seen, _DARK) / np.maximum(cloth, _DARK), float)


def _light(
    shown: Floats,
    kinds: Floats,
    given: Sequence[int | None],
    costs: Floats,
    wall: Wall,
    areas: Floats,
    spots: Floats,
) -> Floats:
    """The cast and the plane that fit what is given: places x 1 x 1 x 3."""
    read = [(p, wall.kinds[b]) for p, b in enumerate(given) if b is not None]
    if len(read) < 4:
        return _cast(shown, kinds, wall, areas)
    share = areas / areas.sum()
    places = np.array([p for p, _ in read])
    of_kind = np.array([k for _, k in read])
    turns = costs[places, of_kind].argmin(axis=1)
    seen = np.maximum(shown[places, turns], _DARK)
    cloth = np.maximum(kinds[of_kind], _DARK)
    # Dark cloth says little of the light: what is seen of it is mostly grain and haze.
    weight = share[None, :, None] * cloth
    off = (np.log(seen / cloth) * weight).sum(axis=1) / weight.sum(axis=1)
    middle, reach = spots.mean(axis=0), np.maximum(np.ptp(spots, axis=0), 1.0)
    flat = np.concatenate((np.ones((len(spots), 1)), (spots - middle) / reach), axis=1)
    sure = np.argsort(costs[places, of_kind, turns])[: max(4, len(places) * 4 // 5)]
    plane, *_ = np.linalg.lstsq(flat[places[sure]], off[sure], rcond=None)
    return np.asarray(np.exp(flat @ plane)[:, None, None, :], float)


def _costs(shown: Floats, kinds: Floats, areas: Floats) -> Floats:
    """How much every place differs from every kind in each turn, in CIELAB: places x kinds x
    turns."""
    share = areas / areas.sum()
    seen, cloth = _lab(shown), _lab(kinds)
    found = np.empty((shown.shape[0], kinds.shape[0], shown.shape[1]))
    for kind in range(len(kinds)):
        apart = np.linalg.norm(seen - cloth[kind][None, None], axis=3)
        found[:, kind] = np.minimum(apart, _MOST_DIFFERENCE) @ share
    return found


def _given(costs: Floats, wall: Wall) -> list[int | None]:
    """Each place a block, each block at most one place, with the least difference in all."""
    blocks = costs[:, np.array(wall.kinds)]
    none = np.full((len(costs), len(costs)), _NO_BLOCK)
    places, chosen = scipy.optimize.linear_sum_assignment(np.concatenate((blocks, none), axis=1))
    given: list[int | None] = [None] * len(costs)
    for place, block in zip(places, chosen, strict=True):
        given[place] = int(block) if block < len(wall.blocks) else None
    return given


def _reading(quilt: Quilt, wall: Wall, costs: Floats, given: Sequence[int | None]) -> Reading:
    best = costs.min(axis=2)
    own = np.array([best[p, wall.kinds[b]] for p, b in enumerate(given) if b is not None])
    usual = float(np.median(own)) if len(own) else _NO_BLOCK
    seen = usual <= _NOT_THIS_QUILT
    turns, sure, maybe = [], [], list[int | None]()
    first = {kind: n for n, kind in reversed(list(enumerate(wall.kinds)))}
    for place, block in enumerate(given):
        planned = quilt.place_turns[place]
        if block is None:
            turns.append(planned)
            sure.append(seen and bool(best[place].min() > _NO_BLOCK))
            maybe.append(None)
            continue
        kind = wall.kinds[block]
        others = np.delete(best[place], kind)
        margin = float(others.min() - best[place, kind]) if len(others) else _NO_BLOCK
        sure.append(seen and margin > _NEARLY + _NEARLY_TIMES * usual * 0.5)
        rivals = np.argsort(best[place])
        maybe.append(next((first[int(k)] for k in rivals if k != kind), None))
        turns.append(_turn(costs[place, kind], planned, usual))
    return Reading(tuple(given), tuple(turns), tuple(sure), tuple(maybe))


def _turn(costs: Floats, planned: int, usual: float) -> int:
    """The turn that fits best; the planned one unless another fits clearly better."""
    best = int(costs.argmin())
    believed = costs[planned] - costs[best] > _TURN_NEARLY + _TURN_TIMES * usual
    return best if believed else planned


def _lab(linear: Floats) -> Floats:
    """CIELAB of linear light, as `cloth.colour.lab` has it for one colour."""
    to_xyz = np.array(
        [[0.4124, 0.3576, 0.1805], [0.2126, 0.7152, 0.0722], [0.0193, 0.1192, 0.9505]]
    )
    share = linear @ to_xyz.T / np.array([0.95047, 1.0, 1.08883])
    root = np.cbrt(np.maximum(share, 0.0))
    f = np.where(share > (6 / 29) ** 3, root, share * (29 / 6) ** 2 / 3 + 4 / 29)
    x, y, z = f[..., 0], f[..., 1], f[..., 2]
    return np.stack((116 * y - 16, 500 * (x - y), 200 * (y - z)), axis=-1)


def _linear_of_lab(colour: Floats) -> Floats:
    """Linear light of a CIELAB colour: `_lab` backwards."""
    fy = (colour[0] + 16) / 116
    f = np.array([fy + colour[1] / 500, fy, fy - colour[2] / 200])
    share = np.where(f > 6 / 29, f**3, (f - 4 / 29) * 3 * (6 / 29) ** 2)
    xyz = share * np.array([0.95047, 1.0, 1.08883])
    to_xyz = np.array(
        [[0.4124, 0.3576, 0.1805], [0.2126, 0.7152, 0.0722], [0.0193, 0.1192, 0.9505]]
    )
    return np.asarray(np.maximum(np.linalg.solve(to_xyz, xyz), 0.0), float)
