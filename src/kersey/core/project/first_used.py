"""Which fabric is opened first: what a person wants used up, then small pieces, then older ones.

    turn   0 is opened first; pieces of one turn are as good as one another

Pieces count as small or large by doublings of their area, so that a fat quarter an inch short is
like any other. Of one print in pieces of one size that of the older lot comes first.
"""

from collections.abc import Mapping

from kersey.core.project.question import YieldAsked
from kersey.core.stash.pulled import Pulled


def turns(asked: YieldAsked) -> Mapping[str, int]:
    """The turn of each fabric by its name; none where a plan has no choice: whole strips are sewn
    as they are, and cut alike every fabric is opened."""
    problem = asked.problem
    if problem.strip_sets or problem.tally or asked.even:
        return {}
    pairs = list(zip(problem.fabrics, asked.fabrics, strict=True))
    ages = _ages(asked.fabrics)
    keys = {
        fabric.name: (not pulled.kept.first, *_rule(pulled, ages))
        if asked.scraps_first
        else (not pulled.kept.first,)
        for fabric, pulled in pairs
    }
    order = sorted(set(keys.values()))
    return {name: order.index(key) for name, key in keys.items()}


def _rule(pulled: Pulled, ages: Mapping[tuple[object, ...], list[int]]) -> tuple[int, int]:
    lots = ages[_alike(pulled)]
    return int(pulled.width * pulled.length).bit_length(), lots.index(pulled.lot_number or 0)


def _ages(fabrics: tuple[Pulled, ...]) -> Mapping[tuple[object, ...], list[int]]:
    """The lots of each print and size, the oldest first: lots are numbered as they come."""
    found: dict[tuple[object, ...], set[int]] = {}
    for pulled in fabrics:
        found.setdefault(_alike(pulled), set()).add(pulled.lot_number or 0)
    return {alike: sorted(lots) for alike, lots in found.items()}


def _alike(pulled: Pulled) -> tuple[object, ...]:
    return pulled.print.name, pulled.print.swatch, pulled.width, pulled.length
