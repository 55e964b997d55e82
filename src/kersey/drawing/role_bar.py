"""The fabric of a role as one length of cloth: what is cut shows, what stays over is veiled."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.yields.role_shares import RoleShare
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, picture, rect

_LONG, _HIGH, _MARK = 60.0, 2.6, 0.5


def draw_role_bar(
    share: RoleShare, prints: Sequence[Print], largest: Fraction, ran_out: bool
) -> str:
    """A bar to the scale of the `largest` area, in square inches; `prints` of its fabrics.

    Of each print the cut part comes first; what other roles take of it is hatched. The end of one
    that ran out is marked.
    """
    cloths = Cloths()
    drawn, x = [], 0.0
    for part, cloth in zip(share.shares, prints, strict=True):
        fill = cloths.fill(cloth)
        for area, class_ in (
            (part.here, "cut-part"),
            (part.elsewhere, "other-part"),
            (part.all - part.here - part.elsewhere, "over-part"),
        ):
            width = _LONG * float(area / largest)
            if width <= 0:
                continue
            drawn.append(rect(x, 0, width, _HIGH, fill=fill))
            if class_ != "cut-part":
                drawn.append(rect(x, 0, width, _HIGH, class_=class_))
            x += width
    if ran_out:
        drawn.append(rect(min(x, _LONG - _MARK), 0, _MARK, _HIGH, class_="ran-out"))
    hatch = element(
        "pattern",
        element("path", d="M0 .8L.8 0", stroke="#10181f", stroke_width=0.16),
        id="hatch",
        width=0.8,
        height=0.8,
        patternUnits="userSpaceOnUse",
    )
    percent = round(100 * share.used / share.area) if share.area else 0
    return picture(
        0,
        0,
        _LONG,
        _HIGH,
        cloths.definitions,
        element("defs", hatch),
        *drawn,
        label=f"{share.role}: {percent}% of the fabric for this role is cut.",
        class_="role-bar",
    )
