"""The balance of a ledger as one length of cloth, parted into used, left and lost."""

from kersey.core.measure.length import Units, format_area
from kersey.core.stash.ledger import Balance
from kersey.drawing.svg import element, picture, rect, text

_WIDE, _HIGH = 100.0, 7.0
# A part narrower than this has no room for its word.
_ROOM_FOR_A_WORD = 9.0


def draw_balance(sums: Balance, units: Units) -> str:
    """One bar as long as all that came in; its parts are named and to scale."""
    parts = (
        ("used", sums.used, "used-part"),
        ("in the cupboard or pulled", sums.there, "there-part"),
        ("in other lots", sums.put_away, "away-part"),
        ("lost", sums.lost, "lost-part"),
    )
    drawn, x = [], 0.0
    for name, area, class_ in parts:
        if area <= 0:
            continue
        width = _WIDE * float(area / sums.came_in)
        drawn.append(rect(x, 0, width, _HIGH, class_=class_))
        if width >= _ROOM_FOR_A_WORD + 0.6 * len(name):
            drawn.append(_words(name, format_area(area, units, sums.came_in), x, class_))
        x += width
    return picture(
        0,
        0,
        _WIDE,
        _HIGH,
        *drawn,
        label=f"Of {format_area(sums.came_in, units)}: "
        + ", ".join(
            f"{format_area(area, units, sums.came_in)} {name}"
            for name, area, _ in parts
            if area > 0
        ),
        class_="balance-drawing",
    )


def _words(name: str, area: str, x: float, class_: str) -> str:
    return element(
        "g",
        text(name, x + 0.8, 3, font_size=1.7),
        text(area, x + 0.8, 5.6, font_size=2.2, font_weight=700),
        class_=f"{class_}-words",
    )
