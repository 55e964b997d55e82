"""Words of the trade and of Kersey, each told once; labels, hints and the glossary come from here.

A *term* is a word that a quilter may not know yet, with its meaning in one sentence. A *field* is
what a form says in more than one place.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class Term:
    """A word and what it means. `also` is how it may stand in a sentence besides."""

    word: str
    says: str
    also: tuple[str, ...] = ()
    # Kersey's own, not the trade's.
    own: bool = False


@dataclass(frozen=True)
class FieldWords:
    """A label and its hint."""

    label: str
    hint: str


TERMS: Mapping[str, Term] = {
    "audition": Term("audition", "Try a print next to the quilt before you use it."),
    "barn-raising": Term("barn raising", "A layout of light and dark rings around the center."),
    "baste": Term("baste", "Hold top, batting and backing together until they are quilted."),
    "bias": Term("bias", "The diagonal of the fabric. It stretches, so handle it gently."),
    "bias-binding": Term(
        "bias binding", "Binding cut on the diagonal, so that it bends around curves."
    ),
    "chain-piece": Term("chain piece", "Sew one pair after another without cutting the thread."),
    "cornerstone": Term(
        "cornerstone", "The small square where two sashing strips cross.", ("cornerstones",)
    ),
    "cut-size": Term(
        "cut size", "The size to cut a piece, with its seam allowances.", ("cut sizes",)
    ),
    "dog-ear": Term(
        "dog-ear", "The small point that sticks out past a seam. Trim it off.", ("dog-ears",)
    ),
    "directional": Term("directional", "A print with a right way up, so Kersey never turns it."),
    "drop": Term("drop", "How far a quilt hangs over the edge of the mattress."),
    "ease": Term("ease in", "Take up a little extra length evenly while you sew.", ("ease it in",)),
    "evening": Term(
        "evening",
        "Three hours of sewing, at three minutes a seam; backing and batting are not included.",
        own=True,
    ),
    "finished-size": Term("finished size", "The size a piece or block has in the finished quilt."),
    "half-square-triangle": Term(
        "half-square triangle", "A square sewn from two triangles.", ("half-square triangles",)
    ),
    "hourglass": Term("hourglass", "A square sewn from four triangles that meet in the center."),
    "in-the-ditch": Term("in the ditch", "Quilting lines sewn right along the seams."),
    "kit": Term("kit", "All the pieces of one block, together.", ("kits",)),
    "miter": Term("miter", "A corner where two strips meet at 45°.", ("miters", "mitered")),
    "nest": Term("nest", "Seam allowances pressed opposite ways lock together, so the seams meet."),
    "on-point": Term("on point", "Blocks turned to stand on a corner, like diamonds."),
    "piano-keys": Term(
        "piano keys", "A border pieced from short bars, side by side.", ("piano-key",)
    ),
    "pulled": Term(
        "pulled", "Taken from the cupboard for one quilt, so no other quilt counts on it.", own=True
    ),
    "sashing": Term("sashing", "Strips sewn between the blocks."),
    "scant": Term(
        "scant quarter inch",
        "A seam a hair narrower than ¼″, so that blocks come out the size they should.",
        ("scant",),
    ),
    "scraps": Term("crumbs", "Scraps too small or crooked to be strips.", ("crumb",)),
    "segment": Term("segment", "A slice cut from a strip set.", ("segments",)),
    "selvage": Term("selvage", "The tightly woven edge of the fabric. Cut it off.", ("selvages",)),
    "setting": Term(
        "setting", "How the blocks are placed: straight, on point, or with plain squares."
    ),
    "side-triangle": Term(
        "side triangle", "A triangle that fills the edge of an on-point quilt.", ("side triangles",)
    ),
    "sketch": Term("sketch", "A quilt that tries fabric out without pulling it.", own=True),
    "spacer": Term(
        "spacer strip", "A narrow strip that makes a piano-key border fit.", ("spacer strips",)
    ),
    "spin": Term("spin the seam", "Open the seam at the center so that it lies flat.", ("spin",)),
    "squint": Term("squint", "See the fabric gray and blurred, to judge light and dark.", own=True),
    "stop-border": Term("stop border", "A narrow border between two that blend."),
    "strip-set": Term(
        "strip set",
        "Strips sewn side by side along their length, then cut into segments.",
        ("strip sets",),
    ),
    "sub-cut": Term("sub-cut", "Cut a strip into squares or rectangles."),
    "test-block": Term("test block", "The first block, sewn and measured before the rest."),
    "unfinished-size": Term("unfinished", "With its seam allowances, before it is sewn in."),
    "usable-width": Term(
        "usable width", "The width of the fabric between its selvages.", ("usable width of fabric",)
    ),
    "value": Term("value", "How light or dark a fabric looks."),
    "wof": Term("width of fabric", "The fabric from selvage to selvage, about 44″.", ("WOF",)),
    "yardage": Term("yardage", "Fabric cut from the bolt, sold by its length."),
}

FIELDS: Mapping[str, FieldWords] = {
    "least": FieldWords("Smallest side worth keeping", "Measure the shorter side, like 1 1/2."),
    "rules": FieldWords(
        "Cut leftovers down to", "Favorite first, like 2 1/2 strips, 2 1/2 x 4 1/2, 5 squares"
    ),
    "place": FieldWords(
        "Where it is", "In your own words, like blue drawer, box 3. Search finds it."
    ),
    "photo": FieldWords(
        "Photo", "JPEG, PNG or WebP, up to 20 MB. Kersey reads the picture, not its place or date."
    ),
}

_KEYS = {words.lower(): key for key, term in TERMS.items() for words in (term.word, *term.also)}
# Longer words first: a spacer strip is no strip of another kind.
_WRITTEN = re.compile(
    r"\b(" + "|".join(sorted(map(re.escape, _KEYS), key=len, reverse=True)) + r")\b", re.IGNORECASE
)


def terms_in(sentence: str) -> list[tuple[str, str | None]]:
    """The sentence in stretches, each with the key of its term, if it is one.

    >>> terms_in("Cut each strip set.")
    [('Cut each ', None), ('strip set', 'strip-set'), ('.', None)]
    """
    parts = _WRITTEN.split(sentence)
    found = [(part, _KEYS[part.lower()] if n % 2 else None) for n, part in enumerate(parts)]
    return [(words, key) for words, key in found if words]
