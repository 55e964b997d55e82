"""A piece sewn of two: as large as it must be, of cloth that lay there free, and no inch more."""

from collections import Counter, defaultdict
from collections.abc import Iterable
from fractions import Fraction
from random import Random

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from tests.core.mending.mishaps import QUILTS, AtWork, something_spoiled
from tests.nights import examples

from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.errors import Infeasible, InvalidValue
from kersey.core.mending.joined_piece import LEAST_SHOWN, joined_piece
from kersey.core.mending.mishap import Thing, things
from kersey.core.project.project import fabric_key
from kersey.core.project.table import parent_key


def cloth_of(there: Iterable[Thing]) -> dict[str, Fraction]:
    """Square inches of each fabric that lie on the table or are whole."""
    found: dict[str, Fraction] = defaultdict(Fraction)
    for thing in there:
        found[parent_key(thing.key)] += thing.width * thing.length * thing.count
    return found


@pytest.mark.parametrize("name", sorted(QUILTS))
@given(st.integers(0, 2**16))
@examples(3)
def test_what_is_joined_was_there_and_nothing_planned_is_touched(name: str, seed: int) -> None:
    pick = Random(seed)
    work = AtWork(QUILTS[name].project).after_cuts(pick, pick.randint(1, 12))
    try:
        lies = work.lies()
        for _ in range(pick.randint(1, 3)):
            lies, *_ = something_spoiled(lies, pick)
    except (Infeasible, InvalidValue):
        assume(False)
    seam, there = lies.kept.seam, things(lies)
    cloth = cloth_of(there)
    for need in lies.kept.cutting.problem.needs:
        fabrics = lies.quilt.project.fabrics
        for pulled in pick.sample(fabrics, min(6, len(fabrics))):
            of = fabric_key(pulled)
            found = joined_piece(lies, of, need, seam, pulled.kept.lot.directional)
            if found is None:
                continue
            after, joined = found
            assert (joined.width, joined.length) == (need.width, need.height)
            one, other = joined.parts
            lengthwise = one[0] == other[0] == need.width
            assert lengthwise or one[1] == other[1] == need.height
            side = 1 if lengthwise else 0
            whole = need.height if lengthwise else need.width
            assert one[side] + other[side] == whole + 2 * seam
            assert min(one[side], other[side]) >= 2 * seam + LEAST_SHOWN
            # The seam is lost, and of the rest only what is too small to be kept.
            broad = need.width if lengthwise else need.height
            there_after = things(after)
            cloth_after = cloth_of(there_after)
            gone = cloth[of] - cloth_after[of]
            assert gone >= 2 * seam * broad
            longest = max(max(t.width, t.length) for t in there)
            assert gone <= 2 * seam * broad + 4 * SHORTEST_KEPT * longest
            assert all(cloth[key] == cloth_after[key] for key in cloth | cloth_after if key != of)
            # Whatever was to give pieces still gives them.
            before, now = (
                Counter(n for t in each for n in t.gives) for each in (there, there_after)
            )
            assert not before - now
