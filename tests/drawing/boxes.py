"""The rectangles of a drawing, read back from its text, and whether they tile a larger one."""

import re
from collections.abc import Sequence
from itertools import pairwise

Box = tuple[float, float, float, float]
_RECT = re.compile(r"<rect ([^>]*)>")


def rects(drawn: str, only: str = "") -> list[Box]:
    """Left, top, width and height of the rectangles; `only` those in whose tag this stands."""
    found = []
    for tag in _RECT.findall(drawn):
        if only in tag:
            facts = dict(re.findall(r'([\w-]+)="([^"]*)"', tag))
            found.append(tuple(float(facts[side]) for side in ("x", "y", "width", "height")))
    return [(x, y, width, height) for x, y, width, height in found]


def gaps_and_overlaps(boxes: Sequence[Box], whole: Box) -> float:
    """Square inches that are covered not at all, or twice, or lie outside; by the lines of all
    edges, independent of how the boxes came about."""
    xs = sorted({side for x, _, w, _ in (*boxes, whole) for side in (x, x + w)})
    ys = sorted({side for _, y, _, h in (*boxes, whole) for side in (y, y + h)})
    wrong = 0.0
    for left, right in pairwise(xs):
        for top, low in pairwise(ys):
            at = (left + right) / 2, (top + low) / 2
            times = sum(_holds(box, at) for box in boxes)
            wrong += abs(times - _holds(whole, at)) * (right - left) * (low - top)
    return wrong


def _holds(box: Box, at: tuple[float, float]) -> bool:
    return box[0] <= at[0] <= box[0] + box[2] and box[1] <= at[1] <= box[1] + box[3]
