"""Every block that a request can name. Read without the rest of a request, so that it is told at
once."""

from fractions import Fraction
from typing import Any

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import PIECES
from kersey.core.blocks.recipe import Option, Recipe
from kersey.core.measure.workshop import QUARTER_INCH
from kersey.formats.json_number import number


def recipe_list() -> list[dict[str, Any]]:
    """Every recipe with its usual size, the roles of its pieces, and its options with their kinds.

    An option is ``true or false``, a ``whole number``, a ``length``, or one of a list of words.
    """
    named = [
        {
            "id": recipe.id,
            "title": recipe.title,
            "finished": number(recipe.finished[0])
            if recipe.square
            else [number(side) for side in recipe.finished],
            "roles": roles_of(recipe),
            "options": {name: _plain(value) for name, value in recipe.options.items()},
            "option_kinds": {name: _kind(recipe, name) for name in recipe.options},
            "about": recipe.about,
        }
        for recipe in recipes().values()
    ]
    own = "Pieces of your own, by their cut sizes, with rules for their prints."
    return [
        *named,
        {
            "id": PIECES,
            "title": "Pieces",
            "finished": None,
            "roles": [],
            "options": {},
            "option_kinds": {},
            "about": own,
        },
    ]


def _kind(recipe: Recipe, name: str) -> str | list[str]:
    usual = recipe.options[name]
    if isinstance(usual, bool):
        return "true or false"
    if isinstance(usual, str):
        return list(recipe.choices[name])
    if isinstance(usual, tuple):
        return "width and length"
    return "length" if isinstance(usual, Fraction) else "whole number"


def _plain(value: Option) -> int | float | str | list[int | float]:
    if isinstance(value, tuple):
        return [number(side) for side in value]
    return number(value) if isinstance(value, Fraction) else value


def roles_of(recipe: Recipe) -> list[str]:
    """The roles of a recipe's pieces, as it usually is."""
    cut = recipe.assemble(recipe.finished, recipe.options, QUARTER_INCH)
    return list(dict.fromkeys((*(need.role for need in cut.needs), *recipe.other_roles)))
