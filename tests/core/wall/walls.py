"""Small walls for the tests: blocks of one print each, or halved by a diagonal."""

from collections.abc import Sequence
from fractions import Fraction
from random import Random

from kersey.core.blocks.assembly import Patch
from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.wall.seen import Seen, Wall

NONE, F = Fraction(0), Fraction(6)
SQUARE = Patch("A", "any", ((NONE, NONE), (F, NONE), (F, F), (NONE, F)))
HALVES = (
    Patch("A", "light", ((NONE, NONE), (F, NONE), (NONE, F))),
    Patch("B", "dark", ((F, NONE), (F, F), (NONE, F))),
)
# A band from corner to corner, as of a string block.
BANDED = (
    Patch("A", "any", ((NONE, NONE), (F - 2, NONE), (NONE, F - 2))),
    Patch(
        "B",
        "any",
        ((F - 2, NONE), (F, NONE), (F, Fraction(2)), (Fraction(2), F), (NONE, F), (NONE, F - 2)),
    ),
    Patch("C", "any", ((F, F - 4), (F, F), (F - 4, F))),
)
FAMILIES = ("red", "blue", "green", "yellow")


def prints(count: int, seed: int = 1) -> tuple[Seen, ...]:
    lots = Random(seed)
    return tuple(
        Seen(
            f"print {n}",
            FAMILIES[n % len(FAMILIES)],
            (lots.uniform(10, 95), lots.uniform(-50, 50), lots.uniform(-50, 50)),
        )
        for n in range(count)
    )


def plain(
    rows: int, columns: int, counts: Sequence[int], seed: int = 1, setting: str = "straight"
) -> Wall:
    """A wall of blocks of one print each, so many of each print."""
    blocks = tuple((n,) for n, count in enumerate(counts) for _ in range(count))
    grid = BlockGrid(rows, columns, Setting(setting))
    return Wall(grid, (F, F), (SQUARE,), prints(len(counts), seed), blocks)


def halved(rows: int, columns: int) -> Wall:
    """Blocks that are light at the upper left and dark at the lower right."""
    cloth = Seen("steam", "neutral", (92.0, 0, 4)), Seen("coal", "neutral", (20.0, 0, 0))
    return Wall(BlockGrid(rows, columns), (F, F), HALVES, cloth, ((0, 1),) * (rows * columns))
