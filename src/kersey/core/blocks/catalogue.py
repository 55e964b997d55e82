"""All recipes, found by listing the folders they stand in."""

from collections.abc import Mapping
from functools import cache
from importlib import import_module
from pkgutil import iter_modules

from kersey.core.blocks import patchwork, points, techniques
from kersey.core.blocks.recipe import Recipe

_FOLDERS = (patchwork, points, techniques)


@cache
def recipes() -> Mapping[str, Recipe]:
    """Every recipe by its id, in the order of the alphabet.

    >>> "rails" in recipes(), list(recipes()) == sorted(recipes())
    (True, True)
    """
    names = (
        module.name
        for folder in _FOLDERS
        for module in iter_modules(folder.__path__, f"{folder.__name__}.")
    )
    found = (getattr(import_module(name), "RECIPE", None) for name in names)
    listed = (recipe for recipe in found if isinstance(recipe, Recipe))
    return {recipe.id: recipe for recipe in sorted(listed, key=lambda recipe: recipe.id)}


@cache
def as_tried() -> tuple[Recipe, ...]:
    """Every recipe in the order in which people try them; the first is what a quilt begins with."""
    return tuple(sorted(recipes().values(), key=lambda recipe: (recipe.tried, recipe.id)))
