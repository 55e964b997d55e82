"""Elements of SVG as text."""

from fractions import Fraction
from html import escape

Number = int | float | Fraction


def number(value: Number) -> str:
    """A coordinate, to a thousandth, without idle zeros.

    >>> number(Fraction(13, 2)), number(3.0), number(0.12345)
    ('6.5', '3', '0.123')
    """
    if isinstance(value, int):
        return str(value)
    text = f"{float(value):.3f}".rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


def element(tag: str, *children: str, **attributes: Number | str | None) -> str:
    """One element; `class_` and `stroke_width` become class and stroke-width, None is left out.

    >>> element("rect", x=1, class_="tape")
    '<rect x="1" class="tape"/>'
    """
    written = "".join(
        f' {name.rstrip("_").replace("_", "-")}="{_attribute(value)}"'
        for name, value in attributes.items()
        if value is not None
    )
    if not children:
        return f"<{tag}{written}/>"
    return f"<{tag}{written}>{''.join(children)}</{tag}>"


def text(words: str, x: Number, y: Number, **attributes: Number | str | None) -> str:
    """Words at a place, escaped."""
    return element("text", escape(words), x=x, y=y, **attributes)


def rect(
    x: Number, y: Number, width: Number, height: Number, **attributes: Number | str | None
) -> str:
    """A rectangle."""
    return element("rect", x=x, y=y, width=width, height=height, **attributes)


def box_path(x: Number, y: Number, width: Number, height: Number) -> str:
    """A rectangle as a piece of path data."""
    return f"M{number(x)} {number(y)}h{number(width)}v{number(height)}h{number(-width)}z"


def picture(
    left: Number,
    top: Number,
    width: Number,
    height: Number,
    *children: str,
    label: str,
    class_: str | None = None,
    px_per_inch: float | None = None,
    leads: bool = False,
) -> str:
    """A whole picture with its text equivalent; everything in it is drawn in inches.

    One that `leads` somewhere has links in it. With `px_per_inch` it has a size of its own, so that
    several pictures are to one scale.
    """
    box = " ".join(number(side) for side in (left, top, width, height))
    return element(
        "svg",
        element("title", escape(label)),
        *children,
        xmlns="http://www.w3.org/2000/svg",
        viewBox=box,
        width=None if px_per_inch is None else round(float(width) * px_per_inch),
        height=None if px_per_inch is None else round(float(height) * px_per_inch),
        role="group" if leads else "img",
        class_=class_,
    )


def _attribute(value: Number | str) -> str:
    return escape(value) if isinstance(value, str) else number(value)
