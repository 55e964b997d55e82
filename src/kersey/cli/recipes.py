"""The list of blocks: all it needs is read at once, so it answers at once."""

import json

from kersey.formats.recipe_list import recipe_list


def list_recipes() -> None:
    """Every block that a request can name, with its usual size and options."""
    print(json.dumps(recipe_list(), ensure_ascii=False, indent=1))
