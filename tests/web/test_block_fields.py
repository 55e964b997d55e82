"""The fields of a block: each shows what is so, and what nobody touched stays as it was."""

import re
from dataclasses import replace
from fractions import Fraction

import pytest
from fastapi.testclient import TestClient
from tests.core.quilts import project
from tests.web.test_pages import revision, start

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units, write_length
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.web.forms import BadForm, read_form
from kersey.web.yield_page.forms import (
    OPTION,
    YieldForm,
    field_of_option,
    shown_options,
    shown_size,
    with_choices,
)

LINES = (
    "12 light fat quarters + 12 dark fat quarters",
    "roll of 40 strips 2 x 42, 20 prints + 3 yd black",
    "36 strips 1 1/2 x 30, 12 prints",
    "40 ten-inch squares",
    "30 sewn blocks 6 1/2",
)


def as_shown(of: Project, units: Units) -> dict[str, str]:
    """The fields of the block as its page has them."""
    recipe, size = of.design.block.known, shown_size(of)
    assert recipe is not None
    typed = {"recipe": recipe.id, "revision": "1", "seam": write_length(of.design.seam, units)}
    if size is not None and not recipe.size_follows:
        sides = size[1:] if recipe.one_side else size
        if not (recipe.from_strips and of.strip_width is not None):
            names = "finished_width", "finished_height"
            typed |= {n: write_length(side, units) for n, side in zip(names, sides, strict=False)}
    for name, value in shown_options(of).items():
        typed[OPTION + name] = str(field_of_option(value, units))
    return typed


def sent(of: Project, typed: dict[str, str], units: Units) -> Project:
    return with_choices(of, read_form(YieldForm, typed, units), typed, units)


@pytest.mark.parametrize("units", list(Units))
@pytest.mark.parametrize("line", LINES)
def test_fields_show_what_is_so_and_sent_back_change_nothing(line: str, units: Units) -> None:
    begun, seen = project(line), 0
    for name, recipe in recipes().items():
        blocks = [BlockChoice(name)]
        blocks += [blocks[0].with_option(o, v) for o, v in UNUSUAL if o in recipe.options]
        for block in blocks:
            of = replace(begun, design=replace(begun.design, block=block, block_chosen=True))
            try:
                asked = yield_asked(of)
            except KerseyError:
                continue
            seen += 1
            assert asked.finished == shown_size(of), block
            assert sent(of, as_shown(of, units), units).design.block == block
    assert seen


UNUSUAL = (
    ("foundation", Fraction(15, 2)),
    ("log", Fraction(3, 2)),
    ("trim", Fraction(17, 4)),
    ("strips", 4),
    ("bar", (Fraction(5, 2), Fraction(9, 2))),
    ("long_side", Fraction(6)),
)


# The option says the size; a size that is typed over stays, whatever the field said before.
def test_what_says_the_size_is_what_was_changed() -> None:
    begun = project("36 strips 1 1/2 x 30, 12 prints")
    block = BlockChoice("string")
    of = replace(begun, design=replace(begun.design, block=block))
    inches = Units.INCHES
    typed = as_shown(of, inches)
    assert typed["finished_width"] == "8″"
    of = sent(of, typed | {"option_foundation": "7 1/2"}, inches)
    assert as_shown(of, inches)["finished_width"] == "6½″"
    of = sent(of, as_shown(of, inches) | {"finished_width": "6"}, inches)
    shown = as_shown(of, inches)
    assert (shown["finished_width"], shown["option_foundation"]) == ("6″", "7½″")
    of = sent(of, shown | {"option_foundation": "8 1/2"}, inches)
    assert as_shown(of, inches)["finished_width"] == "7½″"
    with pytest.raises(BadForm):
        sent(of, as_shown(of, inches) | {"option_foundation": "wide"}, inches)


def test_the_size_of_a_pair_is_that_of_each_block(client: TestClient) -> None:
    number = start(client, "12 light fat quarters\n12 dark fat quarters")
    address = f"/projects/{number}/yield"
    for more in ({}, {"finished_width": "6 1/2"}):
        data = {"recipe": "two-in-turn", "seam": "1/4", "by_value": "true"} | more
        client.post(address, data=data | {"revision": revision(client, number)})
    page = client.get(f"{address}/block").text
    assert re.search(r'Finished size of each block</label>\s*<input[^>]*value="6½″"', page)
    assert "Two alternating blocks, 13 × 6½″" in page
