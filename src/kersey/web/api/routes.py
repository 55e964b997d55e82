"""The computation by HTTP: the same requests and answers as on the command line."""

import json
from time import perf_counter
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request
from starlette.responses import JSONResponse, Response

from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.yields.report import FaultyPlan, yield_report
from kersey.formats.request_fields import MOST_BYTES, TOO_LARGE, told
from kersey.formats.yield_request import read_request, recipe_list, schemas, write_answer
from kersey.searching.several import several_at_a_time

router = APIRouter(prefix="/api", tags=["computation"])


async def _body(request: Request) -> bytes:
    return await request.body()


Body = Annotated[bytes, Depends(_body)]


def _said(words: str, schema: dict[str, Any]) -> dict[str, Any]:
    return {"description": words, "content": {"application/json": {"schema": schema}}}


_ERROR = {"type": "object", "properties": {"error": {"type": "string"}}, "required": ["error"]}
_SCHEMAS = schemas()


@router.post(
    "/yield",
    name="api_yield",
    summary="How many blocks the fabric gives, how to cut them, and what stopped it",
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {"application/json": {"schema": _SCHEMAS["request_inline"]}},
        }
    },
    responses={
        200: _said("The most blocks found, with the bound.", _SCHEMAS["yield"]),
        413: _said("The request is too large.", _ERROR),
        422: _said("The request cannot be used; the sentence names the field.", _ERROR),
    },
)
def api_yield(body: Body) -> Response:
    if len(body) > MOST_BYTES:
        return JSONResponse({"error": TOO_LARGE}, status_code=413)
    try:
        question = read_request(body)
        with several_at_a_time(perf_counter) as counts_of:
            report = yield_report(question.problem, Watch(perf_counter), counts_of)
        answer = write_answer(question, report)
    except FaultyPlan:
        raise
    except KerseyError as error:
        return JSONResponse({"error": told(error)}, status_code=422)
    text = json.dumps(answer, ensure_ascii=False, indent=1)
    return Response(text, media_type="application/json")


@router.get("/recipes", name="api_recipes", summary="Every block that a request can name")
def api_recipes() -> Response:
    return JSONResponse(recipe_list())
