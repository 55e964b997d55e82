"""The command line.

``kersey serve`` on one's own data, ``kersey demo`` on the sample world, ``kersey export`` and
``kersey import`` quilts as one file, ``kersey backup`` and ``kersey restore`` everything,
``kersey check`` whether it adds up, ``kersey deliver`` to stand in for a shop. Without a
browser: ``kersey yield`` computes the most blocks for a request, ``kersey quilt`` the best whole
quilts; ``kersey schema`` and ``kersey recipes`` say what a request can be.
"""

import gc
import sys
from importlib import import_module


def app() -> None:
    """Run the command that is asked for; what needs nothing else is answered at once."""
    # What is read at the start stays: looking for cycles in it takes a fifth of the time.
    gc.set_threshold(100_000, 50, 100)
    if sys.argv[1:] == ["recipes"]:
        import_module("kersey.cli.recipes").list_recipes()
    else:
        import_module("kersey.cli.commands").run()
