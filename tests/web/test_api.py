"""The computation by HTTP: the same answers and the same sentences as on the command line."""

import json
from collections.abc import Callable
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from kersey.cli.computation import app
from kersey.formats.quilt_request import read_quilt_request
from kersey.formats.request_fields import BadRequest
from kersey.formats.yield_request import read_request

ROLL = {
    "kersey": "request/1",
    "fabrics": [{"id": f"p{n}", "form": "strip", "count": 2} for n in range(20)],
    "block": {"recipe": "rails"},
}


def test_a_roll(client: TestClient) -> None:
    answer = client.post("/api/yield", json=ROLL)
    assert answer.status_code == 200
    assert answer.json()["blocks"] == 80
    assert answer.json()["proved"] is True


def test_whole_quilts_as_on_the_command_line(client: TestClient, tmp_path: Path) -> None:
    file = tmp_path / "request.json"
    file.write_text(json.dumps(ROLL))
    answer = client.post("/api/quilt", json=ROLL)
    assert answer.status_code == 200
    assert answer.json()["considered"] > 1000
    assert answer.text == CliRunner().invoke(app, ["quilt", str(file)]).stdout.rstrip("\n")


@pytest.mark.parametrize("content", [b"", b"{}", b"\xff", b"[]", b'{"kersey": "request/2"}'])
@pytest.mark.parametrize(
    ("address", "read"), [("/api/yield", read_request), ("/api/quilt", read_quilt_request)]
)
def test_the_same_sentence(
    client: TestClient, content: bytes, address: str, read: Callable[[bytes], object]
) -> None:
    answer = client.post(address, content=content)
    assert answer.status_code == 422
    with pytest.raises(BadRequest) as refused:
        read(content)
    assert answer.json() == {"error": str(refused.value)}


@pytest.mark.parametrize("address", ["/api/yield", "/api/quilt"])
def test_too_large(client: TestClient, address: str) -> None:
    answer = client.post(address, content=b"x" * 50_000_000)
    assert answer.status_code == 413
    assert answer.json() == {"error": "request: must be no larger than 4 MB"}


def test_it_is_described(client: TestClient) -> None:
    described = client.get("/api/openapi.json").json()
    assert set(described["paths"]) == {"/api/yield", "/api/quilt", "/api/recipes"}
    post = described["paths"]["/api/yield"]["post"]
    assert set(post["responses"]) >= {"200", "413", "422"}
    body = json.dumps(post["requestBody"])
    assert "usable_width" in body
    assert "$ref" not in body
    assert {"rails", "pieces"} <= {recipe["id"] for recipe in client.get("/api/recipes").json()}
