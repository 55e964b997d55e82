"""All recipes, found by listing this folder."""

from collections.abc import Mapping
from functools import cache
from importlib import import_module
from pkgutil import iter_modules

from kersey.core import blocks
from kersey.core.blocks.recipe import Recipe


@cache
def recipes() -> Mapping[str, Recipe]:
    """Every recipe by its id, in the order of the alphabet.

    >>> "rails" in recipes(), list(recipes()) == sorted(recipes())
    (True, True)
    """
    names = sorted(module.name for module in iter_modules(blocks.__path__))
    modules = (import_module(f"{blocks.__name__}.{name}") for name in names)
    found = (getattr(module, "RECIPE", None) for module in modules)
    return {recipe.id: recipe for recipe in found if isinstance(recipe, Recipe)}


@cache
def as_tried() -> tuple[Recipe, ...]:
    """Every recipe in the order in which people try them; the first is what a quilt begins with."""
    return tuple(sorted(recipes().values(), key=lambda recipe: (recipe.tried, recipe.id)))
