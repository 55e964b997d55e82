"""Requests of every shape that the description allows, and of many that it does not.

Every answer must be one that the description promises, in its shape; every refusal is one line.
"""

from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

import pytest
import schemathesis
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, settings
from schemathesis.checks import negative_data_rejection, positive_data_acceptance
from starlette.types import Receive, Scope, Send
from tests.nights import by_night, examples
from tests.web.conftest import ADDRESS, client_for

HOST = {"host": ADDRESS.removeprefix("http://")}


# The cases are made from the description before any fixture runs.
FOLDER = TemporaryDirectory()
SITE = client_for(Path(FOLDER.name)).app


async def at_home(scope: Scope, receive: Receive, send: Send) -> None:
    """The site, asked from this computer."""
    await SITE({**scope, "client": ("127.0.0.1", 50_000)}, receive, send)


DESCRIPTION = schemathesis.openapi.from_asgi("/api/openapi.json", at_home, headers=HOST)
# Every value that a description could mean is much; in every run a few are drawn.
DESCRIPTION.config.phases.coverage.enabled = by_night()


@DESCRIPTION.parametrize()
@settings(examples(12), suppress_health_check=list(HealthCheck))
def test_whatever_is_sent_has_a_promised_answer(case: schemathesis.Case[Any]) -> None:
    # What a description cannot say (that a piece needs its width) is told in a sentence.
    passed_over = [positive_data_acceptance]
    answer = case.call(headers=HOST)
    if answer.status_code == 413:
        passed_over.append(negative_data_rejection)
    case.validate_response(answer, headers=HOST, excluded_checks=passed_over)
    if answer.status_code >= 400:
        (words,) = answer.json().values()
        assert words
        assert "\n" not in words


# What fuzzing has found, kept.
@pytest.mark.parametrize(
    ("method", "address", "allowed"),
    [("TRACE", "/api/yield", "POST"), ("DELETE", "/api/recipes", "GET")],
)
def test_a_wrong_method_is_told_which_is_right(
    client: TestClient, method: str, address: str, allowed: str
) -> None:
    answer = client.request(method, address)
    assert (answer.status_code, answer.headers["allow"]) == (405, allowed)
    assert answer.json() == {"error": "This address can't do that."}
