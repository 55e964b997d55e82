"""Commands of the computation, without the site: yields, quilts, and what a request can be."""

import json
from pathlib import Path
from typing import Annotated

import typer

from kersey.cli.refusal import fail
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.whole.joint_search import best_quilts
from kersey.core.yields.report import FaultyPlan, yield_report
from kersey.formats.quilt_request import quilt_schemas, read_quilt_request, write_quilts
from kersey.formats.request_fields import MOST_BYTES, BadRequest, in_one_line
from kersey.formats.yield_request import read_request, schemas, write_answer
from kersey.searching.several import several_at_a_time

# A request that cannot be used.
_CANNOT_BE_USED = 2

Request = Annotated[Path, typer.Argument(help="The request, a JSON file.")]

app = typer.Typer()


@app.command("yield")
def most_blocks(request: Request) -> None:
    """The most blocks a request's fabric makes, how to cut them, and what ran out first."""
    try:
        question = read_request(_read_file(request))
        with several_at_a_time() as counts_of:
            report = yield_report(question.problem, Watch(), counts_of)
        answer = write_answer(question, report)
    except FaultyPlan as error:
        fail(str(error))
    except KerseyError as error:
        fail(in_one_line(error), _CANNOT_BE_USED)
    print(json.dumps(answer, ensure_ascii=False, indent=1))


@app.command("quilt")
def whole_quilts(request: Request) -> None:
    """The quilts a request's fabric makes, best first."""
    try:
        question = read_quilt_request(_read_file(request))
        answer = write_quilts(question, best_quilts(question))
    except FaultyPlan as error:
        fail(str(error))
    except KerseyError as error:
        fail(in_one_line(error), _CANNOT_BE_USED)
    print(json.dumps(answer, ensure_ascii=False, indent=1))


@app.command()
def schema() -> None:
    """The JSON Schema of requests and answers."""
    shown = schemas() | quilt_schemas()
    del shown["request_inline"]
    print(json.dumps(shown, ensure_ascii=False, indent=1))


def _read_file(path: Path) -> bytes:
    """A file's content, no more than a request may have; raises `BadRequest`."""
    try:
        with path.open("rb") as file:
            return file.read(MOST_BYTES + 1)
    except OSError as error:
        raise BadRequest(f"{path}: {error.strerror or 'it is not readable'}") from error
