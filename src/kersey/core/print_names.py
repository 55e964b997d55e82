"""Made-up prints, so that nobody has to fill in forty forms.

A name is a colour of a railway world and a motif: "lamp red stripe". Grounds run dark, light,
medium in turn so that neighbouring swatches are told apart at a glance.
"""

from collections.abc import Iterator
from dataclasses import replace
from hashlib import blake2s
from itertools import count as counting
from itertools import islice

from kersey.core.colour import difference, lab
from kersey.core.fabric import Motif, Print, Swatch, Value, value_of

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
    "batting": ("#f2f0ea", "#dedbd0"),
}

BORDER_PRINT = Print("blackout blind", Value.DARK, Swatch(Motif.PLAIN, "#2b3a4a", "#56697a"))
BINDING_PRINT = Print("tail lamp spot", Value.DARK, Swatch(Motif.DOT, "#8f2f2a", "#e9cfae"))


def made_up_prints(count: int, value: Value | None = None) -> tuple[Print, ...]:
    """The first `count` made-up prints, all of one value if one is given; names never repeat.

    >>> [print.name for print in made_up_prints(3)]
    ['lamp red stripe', 'ticket cream spot', 'signal green check']
    """
    fitting = (p for p in _all_prints() if value is None or p.value is value)
    return tuple(islice(fitting, count))


def named_print(name: str, value: Value | None = None) -> Print:
    """A print of this name: in the colour the name speaks of, or a made-up one chosen by it.

    >>> named_print("charcoal").value.value, named_print("charcoal").swatch.motif.value
    ('dark', 'plain')
    """
    words = f" {' '.join(name.lower().split())} "
    spoken = next((m for m, word in _MOTIF_WORDS.items() if word and word in words), None)
    for word, (ground, figure) in _colour_words():
        swatch = Swatch(spoken or Motif.PLAIN, ground, figure)
        if f" {word} " in words and value in {None, value_of(swatch.blend)}:
            return Print(name, value_of(swatch.blend), swatch)
    by_name = blake2s(words.encode()).digest()[0] % len(_COLOURS)
    made_up = made_up_prints(len(_COLOURS), value)[by_name]
    swatch = replace(made_up.swatch, motif=spoken or made_up.swatch.motif)
    return Print(name, value or value_of(swatch.blend), swatch)


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
