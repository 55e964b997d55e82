"""A process of its own that dies in the middle of its work with the database."""

import os
from collections.abc import Callable

from sqlalchemy import Engine, event

# The exit status of a process that died where it was to.
_DIED = 17


def dies(work: Callable[[], object]) -> bool:
    """Whether a child process that does this dies at it; any other way out is a failure."""
    child = os.fork()
    if not child:
        status = 1
        try:
            work()
            status = 0
        finally:
            os._exit(status)
    _, status = os.waitpid(child, 0)
    code = os.waitstatus_to_exitcode(status)
    assert code in (0, _DIED)
    return code == _DIED


def die_before(statement: int, engine: Engine | type[Engine] = Engine) -> None:
    """From now on this process dies just before such a statement, or commit, of the engine."""
    left = statement

    def count(*_: object) -> None:
        nonlocal left
        left -= 1
        if not left:
            os._exit(_DIED)

    event.listen(engine, "before_cursor_execute", count)
    event.listen(engine, "commit", count)
