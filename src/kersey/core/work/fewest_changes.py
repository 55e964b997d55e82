"""The order of cuts in which ruler and cloth are changed least often.

chain    the cuts of one stack, which keep their order: strips before what comes off them
change   the ruler set anew, or another stack taken in hand; each counts one

Cuts at one setting that follow one another in a chain go together. From every state that was
reached the search goes on with each chain that could be next, and keeps only the best states of
each length; chains alike are told apart by how far they have come, not by their names. Small cases
keep every state, so they are exact.
"""

from collections.abc import Hashable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import accumulate, groupby
from operator import or_
from typing import TypeAlias

Ruler = Hashable
# Where the chains stand, and which was cut last at which setting.
_State = tuple[tuple[int, ...], int, int]
_Way: TypeAlias = "tuple[int, _Way] | None"
# Places of chains looked at in all, and states of one length at most and at least.
_MOST_LOOKS, _WIDEST, _NARROWEST = 200_000, 4_000, 2


@dataclass(frozen=True)
class Hand:
    """What lies on the table, and where the ruler stands: nothing at first."""

    chain: int = -1
    ruler: Ruler = None


def changes(order: Sequence[int], chains: Sequence[Sequence[Ruler]]) -> int:
    """How often ruler or cloth is changed when the chains are cut in this order.

    `order` names a chain for every single cut.

    >>> changes([0, 0, 1, 1], [["2 1/2", "6"], ["6", "2 1/2"]])
    5
    """
    at = [0] * len(chains)
    hand, found = Hand(), 0
    for chain in order:
        ruler = chains[chain][at[chain]]
        found += (ruler != hand.ruler) + (chain != hand.chain)
        hand, at[chain] = Hand(chain, ruler), at[chain] + 1
    return found


def fewest_changes(chains: Sequence[Sequence[Ruler]], ruler: Ruler = None) -> list[int]:
    """Which chain is cut next, cut by cut, so that ruler and cloth are changed as seldom as can be;
    the `ruler` may be set already.

    >>> fewest_changes([["3", "6"], ["3", "6"]])
    [0, 1, 1, 0]
    """
    runs = [[(of, len(list(same))) for of, same in groupby(chain)] for chain in chains]
    sorts = _sorts(runs)
    # Numbers go for the settings: they are told apart much faster than lengths.
    numbers = {of: n for n, of in enumerate(dict.fromkeys(of for run in runs for of, _ in run))}
    settings = tuple(tuple(numbers[of] for of, _ in chain) for chain in runs)
    order = _searched(settings, sorts, numbers.get(ruler, -1))
    at, found = [0] * len(chains), list[int]()
    for chain in order:
        found += [chain] * runs[chain][at[chain]][1]
        at[chain] += 1
    return found


def _sorts(runs: Sequence[object]) -> tuple[int, ...]:
    """For every chain the first that is just like it."""
    first: dict[str, int] = {}
    return tuple(first.setdefault(repr(chain), number) for number, chain in enumerate(runs))


# With every tick the same question is asked again.
@lru_cache(maxsize=128)
def _searched(
    chains: tuple[tuple[int, ...], ...], sorts: tuple[int, ...], ruler: int
) -> tuple[int, ...]:
    length, still = sum(map(len, chains)), _Still(chains)
    looks = length * len(set(sorts)) * len(chains)
    width = max(_NARROWEST, min(_WIDEST, _MOST_LOOKS // max(1, looks)))
    start: _State = (0,) * len(chains), -1, ruler
    # Of every state its cost, and the way to it as (chain, the way before).
    level: dict[_State, tuple[int, _Way]] = {start: (0, None)}
    for _ in range(length):
        onward: dict[object, tuple[int, _Way, _State]] = {}
        for state, (cost, way) in level.items():
            for chain in _may_be_next(state, chains, sorts):
                after, more = _cut(state, chain, chains)
                seen = _alike(after, sorts)
                if seen not in onward or cost + more < onward[seen][0]:
                    onward[seen] = cost + more, (chain, way), after
        best = list(onward.values())
        if len(best) > width:
            best = sorted(best, key=lambda each: each[0] + still.least(each[2]))[:width]
        level = {state: (cost, way) for cost, way, state in best}
    _, last = min(level.values(), key=lambda each: each[0])
    return tuple(_walked(last))[::-1]


def _may_be_next(
    state: _State, chains: Sequence[Sequence[int]], sorts: Sequence[int]
) -> Iterator[int]:
    """Each chain that is not at its end; of those that stand alike one, and the one in hand."""
    at, hand, _ = state
    tried = set[tuple[int, int]]()
    for chain, place in enumerate(at):
        if place == len(chains[chain]):
            continue
        if chain == hand:
            yield chain
        elif (sorts[chain], place) not in tried:
            tried.add((sorts[chain], place))
            yield chain


def _cut(state: _State, chain: int, chains: Sequence[Sequence[int]]) -> tuple[_State, int]:
    at, hand, ruler = state
    now = chains[chain][at[chain]]
    after = (*at[:chain], at[chain] + 1, *at[chain + 1 :])
    return (after, chain, now), (now != ruler) + (chain != hand)


def _alike(state: _State, sorts: Sequence[int]) -> object:
    """The state, whichever of chains alike it is that stands so."""
    at, hand, ruler = state
    others = sorted((sorts[n], place) for n, place in enumerate(at) if n != hand)
    return tuple(others), sorts[hand], at[hand], ruler


class _Still:
    """How many changes are still to come at least: each setting still needed, each chain."""

    def __init__(self, chains: Sequence[Sequence[int]]) -> None:
        self._ends = [len(chain) for chain in chains]
        # Of each place of a chain the settings from there to its end, a bit each.
        self._from = [
            [0, *accumulate((1 << ruler for ruler in reversed(chain)), or_)][::-1]
            for chain in chains
        ]

    def least(self, state: _State) -> int:
        at, hand, ruler = state
        needed = 0
        for settings, place in zip(self._from, at, strict=True):
            needed |= settings[place]
        set_already = ruler >= 0 and needed >> ruler & 1
        begun = hand >= 0 and at[hand] < self._ends[hand]
        waiting = sum(place < end for place, end in zip(at, self._ends, strict=True))
        return needed.bit_count() - set_already + waiting - begun


def _walked(way: _Way) -> Iterator[int]:
    while way is not None:
        chain, way = way
        yield chain
