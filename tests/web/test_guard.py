"""The door, and faults behind it."""

import pytest
from fastapi.testclient import TestClient

from kersey.web.guard import LARGEST_BODY
from kersey.web.server_settings import ServerSettings


@pytest.mark.parametrize("host", ["evil.example", "127.0.0.1.evil.example", "", "192.168.1.9"])
def test_foreign_hosts_are_refused(client: TestClient, host: str) -> None:
    answer = client.get("/", headers={"host": host})
    assert answer.status_code == 400
    assert "Kersey doesn't answer at this address" in answer.text


@pytest.mark.parametrize("host", ["127.0.0.1:8000", "localhost:8000", "[::1]:8000", "LOCALHOST"])
def test_this_machine_is_let_in(client: TestClient, host: str) -> None:
    assert client.get("/", headers={"host": host}).status_code == 200


@pytest.mark.parametrize(
    "headers",
    [
        {"origin": "http://evil.example"},
        {"origin": "null"},
        {"origin": "http://127.0.0.1:9999"},
        {"sec-fetch-site": "cross-site"},
        {"sec-fetch-site": "same-site"},
    ],
)
def test_posts_from_elsewhere_are_refused(client: TestClient, headers: dict[str, str]) -> None:
    answer = client.post("/projects", data={"line": "40 strips"}, headers=headers)
    assert answer.status_code == 403
    assert 'class="hanger"' not in client.get("/").text


def test_our_own_posts_are_not(client: TestClient) -> None:
    headers = {"origin": "http://127.0.0.1:8000", "sec-fetch-site": "same-origin"}
    assert client.post("/projects", data={"line": "40 strips"}, headers=headers).status_code == 303


def test_a_request_too_large_is_refused_announced_or_not(client: TestClient) -> None:
    big = "line=" + "x" * LARGEST_BODY
    kind = {"content-type": "application/x-www-form-urlencoded"}
    announced = client.post("/projects", content=big, headers=kind)
    streamed = client.post("/projects", content=iter([big.encode()]), headers=kind)
    for answer in (announced, streamed):
        assert answer.status_code == 413
        assert "too large to send at once" in answer.text


@pytest.mark.parametrize("address", ["/camera/photograph", "/projects/1/arrange/real"])
def test_a_photograph_may_be_as_large_as_cameras_make_it(client: TestClient, address: str) -> None:
    client.post("/projects", data={"line": "40 strips"})
    answer = client.post(address, files={"file": ("wall.jpg", b"x" * 1_400_000)})
    assert answer.status_code == 422
    answer = client.post(address, files={"file": ("wall.jpg", b"x" * 21_000_000)})
    assert answer.status_code == 413
    assert "The limit is 20 MB." in answer.text


def test_a_fault_gets_a_plain_page_with_what_was_typed(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    def fail(*_: object) -> None:
        raise RuntimeError("secret detail")

    monkeypatch.setattr("kersey.web.first_page.routes.from_readings", fail)
    answer = client.post("/projects", data={"line": '40 strips "<i>precious</i>"'})
    assert answer.status_code == 500
    assert "Kersey hit an error here" in answer.text
    assert "secret detail" not in answer.text
    assert "&lt;i&gt;precious&lt;/i&gt;" in answer.text
    assert "content-security-policy" in answer.headers


def test_who_may_call_when_told_to_listen_to_all() -> None:
    home, all_around = ServerSettings(), ServerSettings(host="0.0.0.0")
    assert not home.listens_beyond_this_machine
    assert all_around.listens_beyond_this_machine
    assert ServerSettings(host="::1").listens_beyond_this_machine is False
    assert "evil.example" not in all_around.own_names
