"""What is left when the blocks are cut: whole fabric, rectangles of what was opened, spare pieces.

Border and binding may be cut from it; the rest goes back into the cupboard.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.problem import CuttingPlan, Need
from kersey.core.frame.binding import SpareStrip
from kersey.core.kits.pieces import pieces_made, slots_of
from kersey.core.project.kept_plan import Kit


@dataclass(frozen=True)
class LeftPiece:
    """Pieces alike of one fabric; `whole` ones were not opened, a `spare` one was cut for a block.

    `number` tells pieces of one fabric apart. `strip` ones are only crosscut.
    """

    fabric: str
    width: Fraction
    length: Fraction
    count: int
    whole: bool = False
    spare: bool = False
    strip: bool = False

    @property
    def area(self) -> Fraction:
        """Square inches of all of them."""
        return self.width * self.length * self.count


def left_over(plan: CuttingPlan, kits: Sequence[Kit]) -> tuple[LeftPiece, ...]:
    """What a plan leaves once its pieces are in kits, the biggest piece first."""
    found = [*_opened(plan), *_not_opened(plan), *_spare(plan, kits)]
    return tuple(sorted(found, key=lambda p: (-p.width * p.length, p.fabric, p.spare, p.length)))


def strips_from(left: Sequence[LeftPiece], width: Fraction) -> tuple[SpareStrip, ...]:
    """The strips of a width that can be cut from what is left; each names its piece by its place.

    Each piece is cut the way that gives the longer run.
    """
    found: list[SpareStrip] = []
    for place, piece in enumerate(left):
        lengths = _strips_of(piece, width)
        as_it_is = piece.strip and piece.whole and piece.width == width
        for _ in range(piece.count):
            found.extend(
                SpareStrip(piece.fabric, length, place, whole=as_it_is) for length in lengths
            )
    return tuple(found)


def without_strips(
    left: Sequence[LeftPiece], taken: Iterable[SpareStrip], width: Fraction
) -> tuple[LeftPiece, ...]:
    """What is left after strips of a width were cut from it too."""
    strips = Counter(strip.piece for strip in taken)
    found: list[LeftPiece] = []
    for place, piece in enumerate(left):
        found.extend(_rest(piece, strips[place], width))
    return tuple(piece for piece in found if piece.count)


def _rest(piece: LeftPiece, strips: int, width: Fraction) -> Iterator[LeftPiece]:
    """What is left of pieces alike: of those cut, the cloth beside the strips."""
    each = max(1, len(_strips_of(piece, width)))
    full, some = divmod(strips, each)
    yield replace(piece, count=piece.count - full - bool(some))
    for pieces, taken in ((full, each), (1 if some else 0, some)):
        rest = _narrower(piece, taken * width, _along(piece, width))
        if pieces and min(rest) >= SHORTEST_KEPT:
            yield replace(piece, width=rest[0], length=rest[1], count=pieces, whole=False)


def _narrower(piece: LeftPiece, by: Fraction, along: bool) -> tuple[Fraction, Fraction]:
    return (piece.width - by, piece.length) if along else (piece.width, piece.length - by)


def _along(piece: LeftPiece, width: Fraction) -> bool:
    """Whether the strips run along the length of a piece."""
    if piece.strip:
        return True
    along, across = int(piece.width // width), int(piece.length // width)
    return along * piece.length >= across * piece.width


def _strips_of(piece: LeftPiece, width: Fraction) -> list[Fraction]:
    """How long the strips are that one piece gives."""
    if _along(piece, width):
        return [piece.length] * int(piece.width // width)
    return [piece.width] * int(piece.length // width)


def _opened(plan: CuttingPlan) -> Iterator[LeftPiece]:
    alike: Counter[tuple[str, Fraction, Fraction, bool]] = Counter()
    for layout in plan.layouts:
        for width, length in layout.left:
            alike[layout.fabric.name, width, length, layout.fabric.is_strip] += layout.copies
    for (name, width, length, strip), count in alike.items():
        yield LeftPiece(name, width, length, count, strip=strip)


def _not_opened(plan: CuttingPlan) -> Iterator[LeftPiece]:
    opened: Counter[str] = Counter()
    for layout in plan.layouts:
        opened[layout.fabric.name] += layout.copies
    sizes = {size for need in plan.problem.needs for size in _both_ways(need)}
    for fabric in plan.problem.fabrics:
        count = fabric.count - opened[fabric.name]
        if count:
            # Of what lies on the table already, pieces that were cut for a block are spare ones.
            spare = fabric.opened and (fabric.width, fabric.length) in sizes
            yield LeftPiece(
                fabric.name,
                fabric.width,
                fabric.length,
                count,
                whole=not fabric.opened,
                spare=spare,
                strip=fabric.is_strip,
            )


def _both_ways(need: Need) -> tuple[tuple[Fraction, Fraction], ...]:
    return (need.width, need.height), (need.height, need.width)


def _spare(plan: CuttingPlan, kits: Sequence[Kit]) -> Iterator[LeftPiece]:
    """Pieces that were cut and are in no kit; what is sewn into a set already is in none."""
    if plan.problem.strip_sets:
        return
    dealt: Counter[tuple[str, int]] = Counter()
    slots = slots_of(plan.problem)
    for kit in kits:
        dealt.update(zip(kit, slots, strict=True))
    places = {need: n for n, need in enumerate(plan.problem.needs)}
    for name, made in pieces_made(plan).items():
        for need, count in made.items():
            spare = count - dealt[name, places[need]]
            if spare:
                yield LeftPiece(name, need.width, need.height, spare, spare=True)
