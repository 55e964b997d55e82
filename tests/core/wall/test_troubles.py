"""What troubles the eye, counted by hand."""

from dataclasses import replace
from fractions import Fraction

from tests.core.wall.walls import BANDED, F, plain, prints

from kersey.core.frame.setting import BlockGrid
from kersey.core.project.minding import Trouble
from kersey.core.wall.seen import Seen, Wall
from kersey.core.wall.troubles import Arrangement, find_troubles


def counted(
    wall: Wall, places: tuple[int | None, ...], turns: tuple[int, ...] = ()
) -> dict[str, int]:
    turns = turns or (0,) * len(places)
    found = find_troubles(wall, Arrangement(places, turns))
    return {trouble.name: len(spots) for trouble, spots in found.items() if spots}


def test_prints_touch_at_sides_and_at_corners() -> None:
    """0 0 1 / 2 1 0: the 0s touch once, corner to corner the 1s and a 0 with a 0."""
    wall = plain(2, 3, [3, 2, 1])
    found = counted(wall, (0, 1, 3, 5, 4, 2))
    assert found["SAME"] == 1
    assert found["CORNER"] == 2
    spots = find_troubles(wall, Arrangement((0, 1, 3, 5, 4, 2), (0,) * 6))
    assert spots[Trouble.SAME][0].places == (0, 1)


def test_what_sashing_parts_does_not_touch() -> None:
    wall = replace(plain(2, 3, [3, 2, 1]), touch=())
    assert not {"SAME", "CORNER"} & counted(wall, (0, 1, 2, 3, 4, 5)).keys()


def test_only_patches_that_meet_touch_and_ground_may() -> None:
    """Bands: the corner pieces are of one print in every block; the middles meet at corners."""
    cloth = prints(4)
    blocks = tuple((3, n, 3) for n in (0, 0, 1, 2))
    wall = Wall(BlockGrid(2, 2), (F, F), BANDED, cloth, blocks)
    assert wall.ground == {3}
    # Both bands rise: they meet end to end at the corner only where blocks lie aslant below.
    assert "SAME" not in counted(wall, (0, 2, 3, 1))
    # Turned to each other they make a V, and touch along an inch of the seam.
    found = counted(wall, (0, 1, 2, 3), (0, 1, 0, 0))
    assert found["DIAGONALS"] == 1


def test_a_strong_print_is_wanted_apart() -> None:
    """One red among greys, in two blocks: one place lies between them, or two."""
    greys = tuple(Seen(f"grey {n}", "neutral", (50.0 + n, 0.0, 0.0)) for n in range(6))
    cloth = (Seen("lamp red", "red", (45.0, 65.0, 45.0)), *greys)
    blocks = ((0,), (0,), *((1 + n % 6,) for n in range(10)))
    square = plain(1, 1, [1]).patches
    wall = Wall(BlockGrid(2, 6), (F, F), square, cloth, blocks)
    assert wall.strong == {0}
    far = (0, 2, 3, 1, *range(4, 12))
    assert "STRONG" not in counted(wall, far)
    near = (0, 2, 1, 3, *range(4, 12))
    assert counted(wall, near)["STRONG"] == 1


def test_light_on_one_side_is_counted_in_blocks() -> None:
    cloth = Seen("steam", "neutral", (90.0, 0, 0)), Seen("coal", "neutral", (20.0, 0, 0))
    square = plain(1, 1, [1]).patches
    wall = Wall(BlockGrid(4, 4), (F, F), square, cloth, ((0,),) * 8 + ((1,),) * 8)
    halved = tuple(8 * (n % 4 // 2) + n // 4 * 2 + n % 2 for n in range(16))
    assert counted(wall, halved)["VALUES"] == 7
    evenly = tuple(8 * ((n + n // 4) % 2) + n // 2 for n in range(16))
    assert "VALUES" not in counted(wall, evenly)


def test_a_row_all_of_one_family_and_a_print_upside_down() -> None:
    cloth = (*prints(3), Seen("berth arrow", "red", (40.0, 30.0, 20.0), directional=True))
    square = plain(1, 1, [1]).patches
    # Families go red, blue, green: the first row is all red.
    blocks = ((0,), (3,), (0,), (1,), (2,), (1,))
    wall = Wall(BlockGrid(2, 3), (F, F), square, cloth, blocks)
    found = counted(wall, (0, 1, 2, 3, 4, 5), (1, 2, 0, 0, 0, 0))
    assert found["LINE"] == 1
    assert found["DIRECTION"] == 1


def test_eight_seams_meet_where_four_diagonals_do() -> None:
    """Halved blocks whose diagonals meet in the middle: four seams between them, four within."""
    from_corner = (
        BANDED[0].__class__("A", "light", ((Fraction(0), Fraction(0)), (F, F), (Fraction(0), F))),
        BANDED[0].__class__("B", "dark", ((Fraction(0), Fraction(0)), (F, Fraction(0)), (F, F))),
    )
    wall = Wall(BlockGrid(2, 2), (F, F), from_corner, prints(2), ((0, 1),) * 4)
    assert counted(wall, (0, 1, 2, 3), (0, 1, 1, 0))["SEAMS"] == 1
    assert "SEAMS" not in counted(wall, (0, 1, 2, 3), (1, 0, 0, 1))
