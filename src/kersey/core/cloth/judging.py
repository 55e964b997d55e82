"""How light a print reads among others: values proposed from all that lie on the wall together.

A print alone is judged by its lightness; beside others the same print may be the dark one. The
lightnesses that occur are parted into at most three groups that differ least within themselves
(natural breaks); groups that hardly differ from each other are one.
"""

from collections.abc import Sequence
from itertools import accumulate, pairwise

from kersey.core.cloth.colour import lightness
from kersey.core.cloth.fabric import Value, value_of

# Two groups nearer than this in CIE L* do not read as two values.
_ONE_VALUE = 12.0
# Nor two that are near to each other beside the third.
_ONE_STEP = 0.25
_READS_AS = {2: (Value.DARK, Value.LIGHT), 3: (Value.DARK, Value.MEDIUM, Value.LIGHT)}


def judge_together(colours: Sequence[str]) -> tuple[Value, ...]:
    """The value each of these colours reads as beside the others.

    >>> [value.value for value in judge_together(["#222222", "#555555", "#dddddd"])]
    ['dark', 'medium', 'light']
    """
    lights = [round(lightness(colour)) for colour in colours]
    starts = _group_starts(sorted(set(lights)))
    if len(starts) < 2:
        return tuple(map(value_of, colours))
    names = _READS_AS[len(starts)]
    return tuple(names[sum(light >= start for start in starts[1:])] for light in lights)


def _group_starts(lights: Sequence[int]) -> list[int]:
    """The darkest lightness of each group, darkest group first; each lightness once, in order."""
    for most in (3, 2):
        groups = _parted(lights, most)
        means = [sum(group) / len(group) for group in groups]
        apart = max(_ONE_VALUE, (means[-1] - means[0]) * _ONE_STEP) if means else _ONE_VALUE
        if all(b - a >= apart for a, b in pairwise(means)):
            return [group[0] for group in groups]
    return []


def _parted(lights: Sequence[int], most: int) -> list[Sequence[int]]:
    """At most so many runs of the lightnesses with the least spread within."""
    k, n = min(most, len(lights)), len(lights)
    sums = [0, *accumulate(lights)]
    squares = [0, *accumulate(light * light for light in lights)]

    def spread(i: int, j: int) -> float:
        total = sums[j] - sums[i]
        return squares[j] - squares[i] - total * total / (j - i)

    best = [[0.0] * (n + 1) for _ in range(k + 1)]
    cut = [[0] * (n + 1) for _ in range(k + 1)]
    for j in range(1, n + 1):
        best[1][j] = spread(0, j)
    for parts in range(2, k + 1):
        for j in range(parts, n + 1):
            ways = ((best[parts - 1][i] + spread(i, j), i) for i in range(parts - 1, j))
            best[parts][j], cut[parts][j] = min(ways)
    ends = [n]
    for parts in range(k, 0, -1):
        ends.append(cut[parts][ends[-1]])
    return [lights[a:b] for a, b in pairwise(reversed(ends))]
