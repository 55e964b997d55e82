"""How much cloth was at home month by month: what there was of each sort, one above the other."""

from collections.abc import Sequence
from datetime import date
from fractions import Fraction
from itertools import accumulate

from kersey.drawing.svg import element, number, picture, text

_WIDE, _HIGH, _ROOM = 100.0, 34.0, 6.0
# Every so many months are named.
_EVERY = 2


def draw_held(
    days: Sequence[date],
    layers: Sequence[Sequence[Fraction]],
    fills: Sequence[str],
    words: Sequence[str],
) -> str:
    """Layers one above the other, each with its fill and as high as what was there of it at the end
    of a day; `words` say how much all of it was."""
    by_day = list(zip(*layers, strict=True)) or [()] * len(days)
    heights = [list(accumulate(map(float, at), initial=0.0)) for at in by_day]
    most = max((each[-1] for each in heights), default=0.0) or 1.0
    step = _WIDE / max(1, len(days) - 1)
    parts = []
    for n, fill in enumerate(fills):
        above = [(d * step, _HIGH - _HIGH * at[n + 1] / most) for d, at in enumerate(heights)]
        below = [(d * step, _HIGH - _HIGH * at[n] / most) for d, at in enumerate(heights)]
        corners = [f"{number(x)} {number(y)}" for x, y in [*above, *below[::-1]]]
        parts.append(element("path", d=f"M{'L'.join(corners)}z", class_="held-layer", fill=fill))
    top = "L".join(
        f"{number(d * step)} {number(_HIGH - _HIGH * at[-1] / most)}"
        for d, at in enumerate(heights)
    )
    parts.append(element("path", d=f"M{top}", class_="held-top", fill="none", stroke_width=0.5))
    parts.append(
        element(
            "path",
            d=f"M0 {number(_HIGH)}H{number(_WIDE)}",
            class_="held-floor",
            fill="none",
            stroke_width=0.3,
        )
    )
    for d in range(1, len(days) - 1, _EVERY):
        parts.append(
            text(
                days[d].strftime("%b"),
                d * step,
                _HIGH + 4.4,
                class_="measure",
                font_size=3.6,
                text_anchor="middle",
            )
        )
    label = "; ".join(
        f"{day.strftime('%b %-d, %Y')}: {said}" for day, said in zip(days, words, strict=True)
    )
    return picture(-0.5, -1, _WIDE + 1, _HIGH + _ROOM + 1, *parts, label=label, class_="held-curve")
