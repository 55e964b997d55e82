"""The order of cuts against the exact least, found in another way: a shortest path over all states
of where the chains stand, by Dijkstra."""

from heapq import heappop, heappush
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import quilt
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.project.design import CutOrder
from kersey.core.work import at_table
from kersey.core.work.at_table import KitPieces, cuts_at_table, kits_of, pieces_of_stack
from kersey.core.work.fewest_changes import changes, fewest_changes
from kersey.core.work.work_order import work_order

_CHAINS = st.lists(
    st.lists(st.sampled_from("abcd"), min_size=1, max_size=5), min_size=1, max_size=4
)


def _least(chains: list[list[str]]) -> int:
    end = tuple(map(len, chains))
    queue: list[tuple[int, tuple[int, ...], int, str]] = [(0, (0,) * len(chains), -1, "")]
    seen = set[tuple[tuple[int, ...], int, str]]()
    while queue:
        cost, at, hand, ruler = heappop(queue)
        if at == end:
            return cost
        if (at, hand, ruler) in seen:
            continue
        seen.add((at, hand, ruler))
        for n, chain in enumerate(chains):
            if at[n] < len(chain):
                now = chain[at[n]]
                more = (now != ruler) + (n != hand)
                heappush(queue, (cost + more, (*at[:n], at[n] + 1, *at[n + 1 :]), n, now))
    raise AssertionError("no way")


@given(_CHAINS)
def test_no_order_has_fewer_changes(chains: list[list[str]]) -> None:
    order = fewest_changes(chains)
    assert sorted(order) == sorted(n for n, chain in enumerate(chains) for _ in chain)
    assert changes(order, chains) == _least(chains)


def test_many_stacks_alike_are_within_a_tenth_of_the_least() -> None:
    pick = Random(0)
    kinds = [[pick.choice("abcde") for _ in range(4)] for _ in range(2)]
    chains = [kinds[n % 2] for n in range(6)]
    assert changes(fewest_changes(chains), chains) <= 1.1 * _least(chains)


@pytest.mark.parametrize(
    ("said", "block"),
    [
        ("30 fat quarters, 30 prints", "rails"),
        *at_night([("20 fat quarters, 20 prints", "log-cabin")]),
    ],
)
def test_every_order_sets_the_ruler_less_often_than_stack_after_stack(
    said: str, block: str
) -> None:
    of = quilt(said, block=BlockChoice(block))
    steps = work_order(of)
    for order in CutOrder:
        cuts = cuts_at_table(steps, 4, order, kits_of(of))
        stacks = dict.fromkeys(cut.stack for cut in cuts)
        one_by_one = [cut for stack in stacks for cut in cuts if cut.stack == stack]
        assert at_table.settings(cuts) <= at_table.settings(one_by_one)
        assert at_table.settings(cuts) < at_table.settings_one_by_one(steps)


def test_kit_by_kit_the_first_kits_are_there_soonest() -> None:
    of = quilt("12 light fat quarters + 12 dark fat quarters", block=BlockChoice("half-square"))
    steps, kits = work_order(of), kits_of(of)

    def cuts_before_the_first_kits(order: CutOrder) -> int:
        cuts = cuts_at_table(steps, 1, order, kits)
        last = {stack: n for n, stack in enumerate(cut.stack for cut in cuts)}
        there = KitPieces()
        wanted = sum(kits[:3], KitPieces())
        for n, cut in enumerate(cuts):
            if last[cut.stack] == n:
                there += pieces_of_stack(cut.stack)
            if not wanted - there:
                return n
        raise AssertionError("the first kits are never there")

    first = {order: cuts_before_the_first_kits(order) for order in CutOrder}
    assert first[CutOrder.KIT] < min(first[CutOrder.LARGEST], first[CutOrder.FABRIC])
