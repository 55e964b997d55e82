"""Prints nobody has described, and prints as a name describes them.

Nobody has to fill in forty forms: prints that were only counted are numbered ("print 7") in colours
that are clearly placeholders, told apart by their hue and in turn dark, light and medium. A name
that speaks of a colour ("charcoal", "lamp red stripe") gives that colour and its value.

Made-up prints, for samples:

A name is a colour of a railway world and a motif: "lamp red stripe". Grounds run dark, light,
medium in turn so that neighbouring swatches are told apart at a glance.
"""

import re
from collections.abc import Iterable, Iterator
from colorsys import hls_to_rgb, rgb_to_hls
from dataclasses import replace
from hashlib import blake2s
from itertools import count as counting
from itertools import islice

from kersey.core.cloth.colour import difference, lab
from kersey.core.cloth.fabric import EVERY_FACT, Fact, Lot, Motif, Print, Swatch, Value, value_of

# name, ground, figure
_COLOURS = (
    ("lamp red", "#a3342d", "#ecd6b5"),
    ("ticket cream", "#efe7d3", "#b0603f"),
    ("signal green", "#2f5d48", "#cfdcc0"),
    ("brass", "#c1892f", "#70481a"),
    ("night blue", "#27385c", "#ccb765"),
    ("smoke", "#cdc8bc", "#726d66"),
    ("rust", "#b7552f", "#f1dcbd"),
    ("tarn", "#3d7276", "#cfe2dc"),
    ("coal", "#363b42", "#98a0a8"),
    ("lamp glass", "#afc4cd", "#557388"),
    ("bracken", "#93643b", "#e6d2a8"),
    ("steam", "#e6e4dc", "#7f9199"),
    ("heather", "#6b5476", "#d0c1d6"),
    ("fell moss", "#84976a", "#33503a"),
    ("buffer plum", "#59303f", "#caa0a6"),
    ("straw", "#dfbf74", "#8a5b22"),
    ("porter blue", "#4b6884", "#d5e0e6"),
    ("waiting room rose", "#d8a294", "#8c3b38"),
    ("slate", "#55636b", "#bcc5c8"),
    ("carriage brown", "#573a29", "#c69a68"),
    ("oatmeal", "#dccfb1", "#8d6b46"),
    ("platform gravel", "#948f85", "#e0dacd"),
)
# What each motif is called on the selvedge; a plain print carries the colour's name alone.
_MOTIF_WORDS = {
    Motif.STRIPE: "stripe",
    Motif.DOT: "spot",
    Motif.CHECK: "check",
    Motif.SPRIG: "sprig",
    Motif.FLECK: "fleck",
    Motif.PLAIN: "",
    Motif.BLOTCH: "blotch",
    Motif.PLAID: "plaid",
}
# The motifs that made-up prints run through.
_MOTIFS = (Motif.STRIPE, Motif.DOT, Motif.CHECK, Motif.SPRIG, Motif.FLECK, Motif.PLAIN)

# Words for colours that people use for cloth, next to those of the made-up prints.
_COMMON_COLOURS = {
    "white": ("#f4f3ee", "#c9ccc9"),
    "cream": ("#f0e6cf", "#c9b48a"),
    "black": ("#22252a", "#5b6168"),
    "charcoal": ("#3b4046", "#7d858d"),
    "grey": ("#8d9296", "#d0d4d6"),
    "gray": ("#8d9296", "#d0d4d6"),
    "silver": ("#c3c8cb", "#8a9196"),
    "red": ("#a8322a", "#efd9c0"),
    "pink": ("#dba7a7", "#8e4550"),
    "orange": ("#c9692f", "#f3dcbb"),
    "yellow": ("#e3c25a", "#8c6a1f"),
    "mustard": ("#c09427", "#5f4611"),
    "green": ("#4a7a55", "#d5e0c6"),
    "olive": ("#76773f", "#dcd9b4"),
    "teal": ("#33717a", "#cce0df"),
    "navy": ("#243252", "#aebbd2"),
    "blue": ("#476a94", "#d3dfea"),
    "purple": ("#664a7c", "#d3c5dd"),
    "plum": ("#5c3044", "#cba3ad"),
    "brown": ("#684a34", "#d3b48a"),
    "tan": ("#bb9a6c", "#6b4f2b"),
    "rust": ("#b5532e", "#f0d8b8"),
    "muslin": ("#eee6d3", "#d6c9ab"),
    "calico": ("#eee6d3", "#d6c9ab"),
    "gold": ("#c89a35", "#6f4e14"),
    "ivory": ("#f1ead6", "#cdbf9b"),
    "beige": ("#d9c7a3", "#9c8258"),
    "aqua": ("#8fc4c4", "#3f7478"),
    "lavender": ("#b6a6c9", "#6a5788"),
    "burgundy": ("#6a2733", "#d2a3a4"),
    "peach": ("#e9b694", "#b0653f"),
    "coral": ("#d9775f", "#f4d6c4"),
    "natural": ("#eee6d3", "#d6c9ab"),
    "low volume": ("#eee9dc", "#cfc9bb"),
    "batting": ("#f2f0ea", "#dedbd0"),
}

COLOUR_WORDS = frozenset(_COMMON_COLOURS) | {
    word for name, *_ in _COLOURS for word in name.split() if " " not in name
}
# Cloth called so is one plain fabric, however many pieces there are.
PLAIN_CLOTH = frozenset({"muslin", "calico", "natural", "low volume"})
MOTIF_NAMES = frozenset(word for word in _MOTIF_WORDS.values() if word) | {
    "floral",
    "stripes",
    "striped",
    "spots",
    "dots",
    "dotted",
    "checks",
    "plaids",
    "string",
}


def _to_buy(name: str, value: Value, motif: Motif, ground: str, figure: str) -> Print:
    """Cloth to buy that nobody has chosen yet: its colour is a stand-in, and no advice rests on
    it."""
    unknown = frozenset({Fact.COLOUR, Fact.VALUE})
    return Print(name, value, Swatch(motif, ground, figure), filled_in=unknown)


BORDER_PRINT = _to_buy("blackout blind", Value.DARK, Motif.PLAIN, "#2b3a4a", "#56697a")
SASHING_PRINT = _to_buy("waiting room cream", Value.LIGHT, Motif.PLAIN, "#e9e2cf", "#d6ccb2")
OUTER_BORDER_PRINT = _to_buy("guard's van green", Value.DARK, Motif.PLAIN, "#2f4a3a", "#5c7a66")
SETTING_PRINT = _to_buy("steam white", Value.LIGHT, Motif.PLAIN, "#f1ede2", "#e2ddcd")
BINDING_PRINT = _to_buy("tail lamp spot", Value.DARK, Motif.DOT, "#8f2f2a", "#e9cfae")
STOPPING_PRINTS = (
    Print("lamp glass", Value.LIGHT, Swatch(Motif.PLAIN, "#f3e2ad", "#e4cf8f")),
    Print("soot", Value.DARK, Swatch(Motif.PLAIN, "#24282d", "#3a4047")),
)


def made_up_prints(count: int, value: Value | None = None) -> tuple[Print, ...]:
    """The first `count` made-up prints, all of one value if one is given; names never repeat.

    >>> [print.name for print in made_up_prints(3)]
    ['lamp red stripe', 'ticket cream spot', 'signal green check']
    """
    fitting = (p for p in _all_prints() if value is None or p.value is value)
    return tuple(islice(fitting, count))


# Hues this far apart, one after the other, never come near one that was there shortly before.
_GOLDEN_ANGLE = 137.508 / 360
_PLACEHOLDER_CHROMA = 0.34
# How light placeholders are, in turn; each value in two shades.
_LIGHTNESSES = {Value.DARK: (0.27, 0.33), Value.LIGHT: (0.86, 0.8), Value.MEDIUM: (0.56, 0.62)}


def unknown_print(number: int, value: Value | None = None, named: str = "print") -> Print:
    """A print that nobody has described, known by its number; all but a value said is filled in.

    `named`: a word for what is known of it, such as a colour: it is as good as said, and drawn in
    its shades.

    >>> unknown_print(7).name, unknown_print(7).known_value
    ('print 7', None)
    """
    spoken = _spoken_colour(named)
    usual = tuple(_LIGHTNESSES)[(number - 1) % len(_LIGHTNESSES)]
    shown = value or (value_of(spoken[0]) if spoken else usual)
    shades = _LIGHTNESSES[shown]
    light = shades[(number - 1) // len(_LIGHTNESSES) % len(shades)]
    hue, chroma = number * _GOLDEN_ANGLE % 1, _PLACEHOLDER_CHROMA
    if spoken is not None:
        red, green, blue = (int(spoken[0][i : i + 2], 16) / 255 for i in (1, 3, 5))
        around, _, chroma = rgb_to_hls(red, green, blue)
        hue = (around + ((number % 5) - 2) * 0.012) % 1
    swatch = Swatch(Motif.PLAIN, _in_value(hue, light, chroma, shown), "#7d8790")
    known = {Fact.VALUE, Fact.COLOUR} if spoken else {Fact.VALUE} if value else set()
    return Print(f"{named} {number}", shown, swatch, filled_in=EVERY_FACT - known)


def _in_value(hue: float, light: float, chroma: float, value: Value) -> str:
    """A colour that reads as this value: a little lighter or darker until it does."""
    step = 0.02 if value is Value.LIGHT else -0.02
    for _ in range(40):
        colour = "#" + "".join(f"{round(255 * c):02x}" for c in hls_to_rgb(hue, light, chroma))
        reads = value_of(colour)
        if reads is value:
            break
        if value is Value.MEDIUM:
            step = 0.02 if reads is Value.DARK else -0.02
        light = min(0.97, max(0.05, light + step))
    return colour


def unknown_prints(
    count: int, value: Value | None = None, first: int = 1, named: str = "print"
) -> tuple[Print, ...]:
    """So many prints that nobody has described, numbered from `first`."""
    return tuple(unknown_print(number, value, named) for number in range(first, first + count))


def highest_number(names: Iterable[str]) -> int:
    """The highest number that an undescribed print among these names has; 0 if none has one.

    >>> highest_number(["print 3", "print 20", "lamp red", "blue 4"])
    20
    """
    found = (re.fullmatch(r"print (\d{1,6})", name) for name in names)
    return max((int(match[1]) for match in found if match), default=0)


def numbered_on(lot: Lot, first: int) -> Lot:
    """The lot with its numbered prints numbered from `first`, so that no number stands twice."""
    stacks = []
    for stack in lot.stacks:
        cloth = stack.print
        if Fact.NAME in cloth.filled_in and cloth.name.startswith("print "):
            cloth = unknown_print(first, cloth.known_value)
            first += 1
        stacks.append(replace(stack, print=cloth))
    return replace(lot, stacks=tuple(stacks))


def colour_named(name: str) -> str | None:
    """The colour that a name speaks of, as #rrggbb.

    >>> colour_named("dark navy"), colour_named("attic")
    ('#243252', None)
    """
    spoken = _spoken_colour(name)
    return None if spoken is None else spoken[0]


def _spoken_colour(name: str) -> tuple[str, str] | None:
    """Ground and figure of the colour that a name speaks of."""
    words = f" {' '.join(name.lower().split())} "
    return next((shown for word, shown in _colour_words() if f" {word} " in words), None)


def named_print(name: str, value: Value | None = None) -> Print:
    """A print of this name: in the colour the name speaks of, or in a placeholder chosen by it.

    A colour read out of a name is as good as said; one that is only chosen is filled in.

    >>> named_print("charcoal").value.value, named_print("charcoal").swatch.motif.value
    ('dark', 'plain')
    >>> sorted(named_print("attic").filled_in)
    [<Fact.COLOUR: 'colour'>, <Fact.VALUE: 'value'>]
    """
    words = f" {' '.join(name.lower().split())} "
    spoken = next((m for m, word in _MOTIF_WORDS.items() if word and word in words), None)
    for word, (ground, figure) in _colour_words():
        if f" {word} " in words:
            swatch = Swatch(spoken or Motif.PLAIN, ground, figure)
            # Of two colours nobody can say which of them it reads as.
            two = value is None and _spoken_colour(words.replace(f" {word} ", " ")) is not None
            filled_in = frozenset({Fact.VALUE} if two else ())
            return Print(name, value or value_of(swatch.blend), swatch, filled_in=filled_in)
    by_name = 1 + int.from_bytes(blake2s(words.encode()).digest()[:2]) % 900
    unknown = unknown_print(by_name, value)
    swatch = replace(unknown.swatch, motif=spoken or unknown.swatch.motif)
    return replace(unknown, name=name, swatch=swatch, filled_in=unknown.filled_in - {Fact.NAME})


def nearest_name(colour: str) -> str:
    """The name of the made-up colour that looks most like this one.

    >>> nearest_name("#a2352e")
    'lamp red'
    """
    seen = lab(colour)
    return min(_COLOURS, key=lambda known: difference(seen, lab(known[1])))[0]


def _colour_words() -> Iterator[tuple[str, tuple[str, str]]]:
    """Colour words and their ground and figure, the most particular first."""
    for colour, ground, figure in _COLOURS:
        yield colour, (ground, figure)
    yield from _COMMON_COLOURS.items()


def _all_prints() -> Iterator[Print]:
    for number in counting():
        turn, place = divmod(number, len(_COLOURS))
        series, shift = divmod(turn, len(_MOTIFS))
        yield _print(place, (place + shift) % len(_MOTIFS), series)


def _print(place: int, motif_place: int, series: int) -> Print:
    colour, ground, figure = _COLOURS[place]
    motif = _MOTIFS[motif_place]
    words = [colour, _MOTIF_WORDS[motif], f"no. {series + 1}" if series else ""]
    swatch = Swatch(motif, ground, figure)
    return Print(" ".join(words), value_of(swatch.blend), swatch)
