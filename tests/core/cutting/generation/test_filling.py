"""Lengths added up: every sum is reached, every full way is listed."""

from fractions import Fraction
from itertools import product

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cutting.generation.filling import fill, fill_near, reachable

lengths = st.lists(st.integers(2, 9), min_size=1, max_size=4, unique=True)


@given(lengths, st.integers(0, 30))
def test_every_full_way_is_listed_once(sizes: list[int], room: int) -> None:
    ways, complete = fill([(size, size) for size in sizes], room, 10_000)
    most = [range(room // size + 1) for size in sizes]
    full = {
        tuple(sorted(size for size, n in zip(sizes, counts, strict=True) for _ in range(n)))
        for counts in product(*most)
        if 0 <= room - sum(n * s for n, s in zip(counts, sizes, strict=True)) < min(sizes)
    }
    assert complete
    assert len(ways) == len({tuple(sorted(way)) for way in ways})
    # A way is full once its shortest item fits no more; nothing fits at all in less than that.
    assert {tuple(sorted(way)) for way in ways} == full - {()}
    priced = [(size, size, float(size)) for size in sizes]
    near, _ = fill_near(priced, room, 0.0, 10_000)
    assert {tuple(sorted(way)) for way in near or ()} == full - {()}


@given(lengths, st.integers(0, 200))
def test_reachable_lengths_are_the_sums(sizes: list[int], most: int) -> None:
    there = [True] + [False] * most
    for place in range(most + 1):
        there[place] = place == 0 or any(size <= place and there[place - size] for size in sizes)
    assert reachable(sizes, most).tolist() == [n for n, reached in enumerate(there) if reached]
    # The same in units a hundred thousand times finer, which are reckoned in another way.
    fine = 100_000
    found = reachable([size * fine for size in sizes], most * fine + 1)
    assert [Fraction(n, fine) for n in found.tolist()] == reachable(sizes, most).tolist()
