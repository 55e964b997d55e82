"""The command line.

``kersey serve`` on one's own data, ``kersey demo`` on the sample world, ``kersey export`` and
``kersey import`` quilts as one file, ``kersey backup`` and ``kersey restore`` everything,
``kersey check`` whether it adds up, ``kersey deliver`` to stand in for a shop. Without a
browser: ``kersey yield`` computes the most blocks for a request, ``kersey quilt`` the best whole
quilts; ``kersey schema`` and ``kersey recipes`` say what a request can be.
"""

import sys
from importlib import import_module

import typer

_ABOUT = "Kersey works out the quilts that your fabric can make."
_COMMANDS = {
    "kersey.cli.site": (
        "serve",
        "demo",
        "export",
        "import",
        "backup",
        "restore",
        "check",
        "deliver",
        "tape",
    ),
    "kersey.cli.computation": ("yield", "quilt", "schema", "recipes"),
}


def app() -> None:
    """Run the command that is asked for; what only computes begins without the site."""
    asked = sys.argv[1] if len(sys.argv) > 1 else ""
    modules = [module for module, names in _COMMANDS.items() if asked in names]
    commands = typer.Typer(add_completion=False, no_args_is_help=True, help=_ABOUT)
    for module in modules or _COMMANDS:
        commands.add_typer(import_module(module).app)
    commands()
