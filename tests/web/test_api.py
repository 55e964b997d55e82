"""The computation by HTTP: the same answers and the same sentences as on the command line."""

import json

import pytest
from fastapi.testclient import TestClient

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


@pytest.mark.parametrize("content", [b"", b"{}", b"\xff", b"[]", b'{"kersey": "request/2"}'])
def test_the_same_sentence(client: TestClient, content: bytes) -> None:
    answer = client.post("/api/yield", content=content)
    assert answer.status_code == 422
    with pytest.raises(BadRequest) as refused:
        read_request(content)
    assert answer.json() == {"error": str(refused.value)}


def test_too_large(client: TestClient) -> None:
    answer = client.post("/api/yield", content=b"x" * 50_000_000)
    assert answer.status_code == 413
    assert answer.json() == {"error": "request: must be at most 4 MB"}


def test_it_is_described(client: TestClient) -> None:
    described = client.get("/api/openapi.json").json()
    assert set(described["paths"]) == {"/api/yield", "/api/recipes"}
    post = described["paths"]["/api/yield"]["post"]
    assert set(post["responses"]) >= {"200", "413", "422"}
    body = json.dumps(post["requestBody"])
    assert "usable_width" in body
    assert "$ref" not in body
    assert {"rails", "pieces"} <= {recipe["id"] for recipe in client.get("/api/recipes").json()}
