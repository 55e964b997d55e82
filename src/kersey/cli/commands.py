"""All commands; what only computes begins without the site, and serving without the demo."""

import sys
from importlib import import_module

import typer

from kersey.cli.recipes import list_recipes

_ABOUT = "Kersey works out the quilts that your fabric can make."
_COMMANDS = {
    "kersey.cli.site": ("serve", "tape"),
    "kersey.cli.demo": ("demo",),
    "kersey.cli.data": ("export", "import", "backup", "restore", "check", "deliver"),
    "kersey.cli.computation": ("yield", "quilt", "schema"),
}


def run() -> None:
    """Run the command that is asked for."""
    asked = sys.argv[1] if len(sys.argv) > 1 else ""
    modules = [module for module, names in _COMMANDS.items() if asked in names]
    commands = typer.Typer(add_completion=False, no_args_is_help=True, help=_ABOUT)
    for module in modules or _COMMANDS:
        commands.add_typer(import_module(module).app)
    commands.command("recipes")(list_recipes)
    commands()
