"""The computation by HTTP: the same requests and answers as on the command line."""

import json
from collections.abc import Callable
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request
from starlette.responses import JSONResponse, Response

from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.whole.joint_search import best_quilts
from kersey.core.yields.report import FaultyPlan, yield_report
from kersey.formats.quilt_request import quilt_schemas, read_quilt_request, write_quilts
from kersey.formats.recipe_list import recipe_list
from kersey.formats.request_fields import MOST_BYTES, TOO_LARGE, in_one_line
from kersey.formats.yield_request import read_request, schemas, write_answer
from kersey.searching.several import several_at_a_time

router = APIRouter(prefix="/api", tags=["computation"])


async def _body(request: Request) -> bytes:
    return await request.body()


Body = Annotated[bytes, Depends(_body)]


def _said(words: str, schema: dict[str, Any]) -> dict[str, Any]:
    return {"description": words, "content": {"application/json": {"schema": schema}}}


_ERROR = {"type": "object", "properties": {"error": {"type": "string"}}, "required": ["error"]}
_YIELD, _QUILT = schemas(), quilt_schemas()


def _asks(schema: dict[str, Any]) -> dict[str, Any]:
    content = {"application/json": {"schema": schema}}
    return {"requestBody": {"required": True, "content": content}}


def _answers(words: str, schema: dict[str, Any]) -> dict[int | str, dict[str, Any]]:
    return {
        200: _said(words, schema),
        413: _said("The request is too large.", _ERROR),
        422: _said("The request can't be used; the message names the field.", _ERROR),
    }


@router.post(
    "/yield",
    name="api_yield",
    summary="The most blocks the fabric makes, how to cut them, and what ran out first",
    openapi_extra=_asks(_YIELD["request_inline"]),
    responses=_answers(
        "The most blocks found, with the most that could be possible.", _YIELD["yield"]
    ),
)
def api_yield(body: Body) -> Response:
    return _answered(body, _most_blocks)


@router.post(
    "/quilt",
    name="api_quilt",
    summary="The quilts the fabric makes, best first",
    openapi_extra=_asks(_QUILT["request_inline"]),
    responses=_answers("The best quilts found, each with its reasons.", _QUILT["quilt"]),
)
def api_quilt(body: Body) -> Response:
    return _answered(body, _whole_quilts)


def _most_blocks(body: bytes) -> dict[str, Any]:
    question = read_request(body)
    with several_at_a_time() as counts_of:
        report = yield_report(question.problem, Watch(), counts_of)
    return write_answer(question, report)


def _whole_quilts(body: bytes) -> dict[str, Any]:
    question = read_quilt_request(body)
    return write_quilts(question, best_quilts(question))


def _answered(body: bytes, answer: Callable[[bytes], dict[str, Any]]) -> Response:
    """What comes of a request, or the sentence that says why it cannot be used."""
    if len(body) > MOST_BYTES:
        return JSONResponse({"error": TOO_LARGE}, status_code=413)
    try:
        text = json.dumps(answer(body), ensure_ascii=False, indent=1)
    except FaultyPlan:
        raise
    except KerseyError as error:
        return JSONResponse({"error": in_one_line(error)}, status_code=422)
    return Response(text, media_type="application/json")


@router.get("/recipes", name="api_recipes", summary="Every block a request can name")
def api_recipes() -> Response:
    return JSONResponse(recipe_list())
