"""The mark of a print that nobody has described: its number, on the plain placeholder."""

from kersey.core.cloth.fabric import Fact, Print, Value
from kersey.drawing.svg import element, number

# Of the room there is, so much is the figure high, and no more than so many inches.
_SHARE, _HIGHEST = 0.55, 2.2
_INK = {Value.DARK: "#f4f3ee", Value.MEDIUM: "#1c2733", Value.LIGHT: "#1c2733"}


def numbered(cloth: Print, x: float, y: float, room: float) -> str:
    """The number of an undescribed print with its middle at a place; nothing for any other.

    `room` is how much there is to write on, in the units of the drawing.
    """
    digits = cloth.name.rsplit(" ", 1)[-1]
    if Fact.NAME not in cloth.filled_in or not digits.isdecimal():
        return ""
    size = min(_SHARE * room / max(1, 0.6 * len(digits)), _HIGHEST)
    return element(
        "text",
        digits,
        x=x,
        y=y + 0.35 * size,
        font_size=number(size),
        fill=_INK[cloth.value],
        text_anchor="middle",
        class_="placeholder-number",
    )
