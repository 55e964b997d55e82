"""How a sewn unit looks, written and read again."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.look import LONGEST_LOOK, BadLook, read_look, write_look

COLOURS = ("#a5403a", "#cfcabd", "#41608e")
ASSEMBLIES = {
    name: BlockChoice(name).assembly(Fraction(1, 4))
    for name in ("four-patch", "log-cabin", "spool", "ohio-star", "hourglass", "two-bar")
    if name in recipes()
}


@given(st.sampled_from(sorted(ASSEMBLIES)), st.integers(0, 5), st.booleans())
def test_every_patch_keeps_its_colour_and_its_share(name: str, first: int, lies: bool) -> None:
    assembly = ASSEMBLIES[name]
    assert assembly.finished is not None
    width, length = assembly.finished
    # Stretched to twice its width it lies, and is stood upright.
    across = 2 if lies else 1
    patches = [
        (COLOURS[(first + n) % 3], tuple((x * across, y) for x, y in patch.corners))
        for n, patch in enumerate(assembly.patches)
    ]
    text = write_look(patches, (width * across, length))
    assert text is not None
    read = read_look(text)
    assert [colour for colour, _ in read] == [colour for colour, _ in patches]
    for (_, shares), patch in zip(read, assembly.patches, strict=True):
        assert Patch("", "", shares).area == patch.area / (width * length)
        assert all(0 <= share <= 1 for corner in shares for share in corner)


@pytest.mark.parametrize(
    "text",
    [
        "",
        "red 0,0 1,0 1,1",
        "#a5403a 0,0 1,0",
        "#a5403a 0,0 1,0 a,1",
        "; ".join(["#a5403a 0,0 1,0 1,1"] * 500),
    ],
)
def test_what_is_no_look_is_refused(text: str) -> None:
    with pytest.raises(BadLook):
        read_look(text)


def test_too_many_patches_are_told_by_the_main_print() -> None:
    one = (
        COLOURS[0],
        ((Fraction(0), Fraction(0)), (Fraction(1), Fraction(0)), (Fraction(1), Fraction(1))),
    )
    assert write_look([one] * LONGEST_LOOK, (Fraction(1), Fraction(1))) is None
