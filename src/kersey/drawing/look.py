"""A unit that is sewn, in the colours of its patches."""

from kersey.core.cloth.look import read_look
from kersey.drawing.svg import Number, element, number


def draw_look(look: str, x: Number, y: Number, width: Number, height: Number) -> list[str]:
    """The patches of a unit in a box; one that lies is turned by a quarter."""
    left, top, wide, high = map(float, (x, y, width, height))
    parts = []
    for colour, shares in read_look(look):
        corners = [
            (float(down), 1 - float(across)) if wide > high else (float(across), float(down))
            for across, down in shares
        ]
        path = "L".join(
            f"{number(left + across * wide)} {number(top + down * high)}"
            for across, down in corners
        )
        parts.append(element("path", d=f"M{path}z", fill=colour))
    return parts
