"""Prints as fills: a pattern tile for each swatch, drawn in inches.

Tiles are over an inch wide and few-coloured, so that a whole quilt on a screen does not shimmer;
smaller pictures take the flat colour that the eye sees from afar.
"""

from hashlib import blake2s

from kersey.core.cloth.fabric import Motif, Print, Scale, Swatch
from kersey.drawing.svg import element, number

_TILE = {
    Motif.DOT: 1.3,
    Motif.STRIPE: 1.1,
    Motif.CHECK: 1.25,
    Motif.SPRIG: 1.7,
    Motif.FLECK: 1.5,
    Motif.BLOTCH: 2.4,
    Motif.PLAID: 1.5,
}
# Side in inches of the cloth that a photographed tile shows.
_PHOTOGRAPHED = 2.5
_TIMES = {Scale.SMALL: 0.6, Scale.MEDIUM: 1.0, Scale.LARGE: 1.8}
_FIGURE = {
    Motif.DOT: "M.32 .13a.2 .2 0 1 0 .01 0zM.97 .78a.2 .2 0 1 0 .01 0z",
    Motif.STRIPE: "M.2 0h.28v1.1h-.28zM.68 0h.1v1.1h-.1z",
    Motif.CHECK: "M0 0h.625v.625h-.625zM.625 .625h.625v.625h-.625z",
    Motif.SPRIG: (
        "M.42 .72C.2 .6 .16 .34 .42 .14C.68 .34 .64 .6 .42 .72z"
        "M1.27 1.57C1.05 1.45 1.01 1.19 1.27 .99C1.53 1.19 1.49 1.45 1.27 1.57z"
    ),
    Motif.FLECK: (
        "M.2 .25l.34 -.14l.05 .12l-.34 .14zM.9 .45l.3 .2l-.07 .11l-.3 -.2z"
        "M.3 1l.14 .34l-.12 .05l-.14 -.34zM1.05 1.15l.32 -.12l.05 .12l-.32 .12z"
    ),
    Motif.BLOTCH: (
        "M.3 .5C.2 .2 .7 .1 .95 .3C1.3 .2 1.4 .6 1.15 .8C1.1 1.1 .6 1.1 .5 .9C.2 .9 .2 .7 .3 .5z"
        "M1.5 1.5C1.4 1.2 1.9 1.1 2.1 1.35C2.35 1.5 2.3 1.9 2 2C1.8 2.2 1.4 2.1 1.45 1.85z"
        "M.3 1.7C.3 1.4 .7 1.4 .85 1.6C1 1.9 .8 2.2 .5 2.15C.3 2.1 .25 1.9 .3 1.7z"
    ),
    Motif.PLAID: "M0 .15h1.5v.4h-1.5zM0 .9h1.5v.12h-1.5zM.15 0h.4v1.5h-.4zM.9 0h.12v1.5h-.12z",
}


class Cloths:
    """The fills that one picture uses; `definitions` holds their patterns.

    In a picture that is `named` the paths of the blocks say of which print and family they are.
    """

    def __init__(self, flat: bool = False, named: bool = False) -> None:
        self.flat, self.named = flat, named
        self._patterns: dict[str, str] = {}

    def fill(self, cloth: Print, upright: bool = False, on_point: bool = False) -> str:
        """The fill of a print; `upright` when the strip stands, so that the print turns with it,
        and `on_point` when its block lies on a corner."""
        swatch = cloth.swatch
        if self.flat:
            return swatch.blend
        if swatch.tile is None and swatch.motif is Motif.PLAIN:
            return swatch.ground
        turn = 90 * upright + 45 * on_point
        key = _key(swatch, turn)
        self._patterns.setdefault(key, _pattern(key, swatch, turn))
        return f"url(#{key})"

    @property
    def definitions(self) -> str:
        """The patterns asked for so far."""
        return element("defs", *self._patterns.values()) if self._patterns else ""


def _key(swatch: Swatch, turn: int) -> str:
    facts = f"{swatch.motif}{swatch.ground}{swatch.figure}{swatch.scale}{swatch.tile}{turn}"
    return "cloth-" + blake2s(facts.encode(), digest_size=5).hexdigest()


def _pattern(key: str, swatch: Swatch, turn: int) -> str:
    tile = _PHOTOGRAPHED if swatch.tile else _TILE[swatch.motif]
    turned = f"rotate({turn})" if turn else ""
    times = _TIMES[swatch.scale]
    size = "" if times == 1 else f"scale({number(times)})"
    return element(
        "pattern",
        *(_photographed(swatch.tile) if swatch.tile else _drawn(swatch)),
        id=key,
        width=tile,
        height=tile,
        patternUnits="userSpaceOnUse",
        patternTransform=f"{turned} {size}".strip() or None,
    )


def _drawn(swatch: Swatch) -> tuple[str, str]:
    side = number(_TILE[swatch.motif])
    return (
        element("path", d=f"M0 0h{side}v{side}h-{side}z", fill=swatch.ground),
        element("path", d=_FIGURE[swatch.motif], fill=swatch.figure),
    )


def _photographed(tile: str) -> tuple[str]:
    return (
        element(
            "image",
            width=_PHOTOGRAPHED,
            height=_PHOTOGRAPHED,
            href=f"data:image/jpeg;base64,{tile}",
            preserveAspectRatio="none",
        ),
    )
