"""How much cloth was at home month by month: one bar for each, its height the area."""

from collections.abc import Sequence

from kersey.core.stash.standing_questions import Held
from kersey.drawing.svg import element, number, picture, rect, text

_WIDE, _HIGH, _BAR, _ROOM = 100.0, 34.0, 0.72, 5.0


def draw_held(held: Sequence[Held], words: Sequence[str]) -> str:
    """Bars for the ends of months; `words` say how much each is, under the last is today."""
    most = max((float(each.area) for each in held), default=0.0) or 1.0
    step = _WIDE / max(1, len(held))
    parts = []
    for n, each in enumerate(held):
        high = _HIGH * float(each.area) / most
        x = n * step
        parts.append(
            rect(x, _HIGH - high, step * _BAR, high, class_="held-now" if n == len(held) - 1
                 else "held-bar")
        )  # fmt: skip
        parts.append(
            text(each.day.strftime("%b"), x + step * _BAR / 2, _HIGH + 3.4, class_="measure",
                 font_size=2.4, text_anchor="middle")
        )  # fmt: skip
    line = f"M0 {number(_HIGH)}H{number(_WIDE)}"
    parts.append(element("path", d=line, class_="held-floor", fill="none", stroke_width=0.3))
    label = "; ".join(
        f"{each.day.strftime('%d %b %Y')}: {said}" for each, said in zip(held, words, strict=True)
    )
    return picture(0, -1, _WIDE, _HIGH + _ROOM + 1, *parts, label=label, class_="held-curve")
