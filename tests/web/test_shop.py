"""What do I lack: a list, an order, a delivery; and the price list that it rests on."""

import json
import re
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from tests.test_cli import kersey

from kersey.core.stash.price_list import USUAL_PRICES

HTMX = {"HX-Request": "true"}


@pytest.fixture
def quilt(client: TestClient) -> TestClient:
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    return client


def list_of(client: TestClient, wanted: str) -> str:
    """The list once everything on it is known."""
    page, seen = client.get(f"/projects/1/size/shopping?{wanted}"), 0
    while "Looking for what to buy" in page.text:
        found = re.search(r"seen=(\d+)", page.text)
        seen = int(found[1]) if found else seen
        address = f"/projects/1/size/shopping?{wanted}&seen={seen}"
        page = client.get(address, headers=HTMX)
    return str(page.text)


def revision(client: TestClient, path: str = "/prices") -> str:
    found = re.search(r'name="revision" value="(\d+)"', client.get(path).text)
    assert found
    return found[1]


WARE = {
    "was": "fat quarter",
    "name": "fat quarter",
    "form": "fat-quarter",
    "width": "17 1/2",
    "length": "21",
    "pieces": "1",
    "prints": "1",
    "price": "1,25",
    "stock": "40",
}


def test_from_a_bed_to_the_cupboard(quilt: TestClient, tmp_path: Path) -> None:
    page = list_of(quilt, "purpose=twin")
    assert "182 blocks" in page or "short" in page
    cost = re.search(r'class="figure">\$([\d.]+)<', page)
    assert cost
    # Another ware for the blocks, and the whole list costs more.
    chosen = list_of(quilt, "purpose=twin&take-0=fat+quarter")
    dearer = re.search(r'class="figure">\$([\d.]+)<', chosen)
    assert dearer
    assert float(dearer[1]) > float(cost[1])
    answer = quilt.get("/projects/1/size/order.json?purpose=twin&take-0=fat+quarter")
    order = answer.json()
    assert order["cost"] == float(dearer[1])
    assert order["cost"] == pytest.approx(sum(line["cost"] for line in order["lines"]))
    assert order["lines"][0]["ware"] == "fat quarter"
    file, data = tmp_path / "order.json", tmp_path / "shop"
    file.write_text(answer.text)
    done = kersey("deliver", str(file), "--data", str(data))
    assert done.returncode == 0
    lots = json.loads(done.stdout)["lots"]
    assert len(lots) == len(order["lines"])
    sent = {"file": ("delivery.json", done.stdout.encode(), "application/json")}
    cupboard = quilt.post("/cupboard/delivery", files=sent).text
    for line in order["lines"]:
        assert f"{line['ware']}, for the {line['for']}" in cupboard
    # The stand-in shop has fewer of them now, and refuses what it has not.
    order["lines"][0]["count"] = 5000
    file.write_text(json.dumps(order))
    done = kersey("deliver", str(file), "--data", str(data))
    assert done.returncode == 1
    assert "There isn't enough" in done.stderr


def test_a_quilt_is_made_as_large_as_a_bed(quilt: TestClient) -> None:
    page = quilt.get("/projects/1/size").text
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    data = {"purpose": "queen", "revision": found[1]}
    page = quilt.post("/projects/1/size/shopping", data=data).text
    assert "short</strong>" in page
    assert 'value="queen" selected' in page


def test_prices_are_changed_and_kept_in_the_file(quilt: TestClient) -> None:
    before = list_of(quilt, "purpose=twin")
    assert "These prices are examples" in quilt.get("/prices").text
    page = quilt.post("/prices", data=WARE | {"revision": revision(quilt)}).text
    assert 'value="1.25"' in page
    assert "are examples" not in page
    cheaper = list_of(quilt, "purpose=twin")
    dear, cheap = (re.findall(r"fat quarter, \$([\d.]+)", page) for page in (before, cheaper))
    # Three eighty each became one and a quarter.
    assert dear
    assert {float(cost) * 1.25 / 3.8 for cost in dear} <= {float(cost) for cost in cheap}
    new = WARE | {"was": "", "name": "linen", "form": "yardage", "width": "137 cm", "price": "18"}
    quilt.post("/prices", data=new | {"stock": "5 yd", "revision": revision(quilt)})
    prices = quilt.get("/everything.json").json()["prices"]
    assert len(prices["wares"]) == len(USUAL_PRICES.wares) + 1
    stale = quilt.post("/prices", data=WARE | {"revision": "0"})
    assert stale.status_code == 409
    quilt.post("/prices/strike", data={"name": "linen", "revision": revision(quilt)})
    assert "linen" not in quilt.get("/prices").text
    quilt.post("/prices/strike", data={"revision": revision(quilt)})
    assert 'value="3.80"' in quilt.get("/prices").text


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        ({"price": "dear"}, "A price is a number"),
        ({"width": "3"}, "Type the width"),
        ({"stock": "some"}, "Type stock as a whole number"),
        ({"name": "fat eighth"}, "“fat eighth” is already"),
    ],
)
def test_a_ware_that_cannot_be_is_said(
    client: TestClient, wrong: dict[str, str], says: str
) -> None:
    answer = client.post("/prices", data=WARE | {"revision": "0"} | wrong)
    assert answer.status_code == 422
    assert says in answer.text


def test_what_is_no_delivery_is_refused(client: TestClient) -> None:
    sent = {"file": ("delivery.json", b"{}", "application/json")}
    answer = client.post("/cupboard/delivery", files=sent)
    assert answer.status_code == 422
    assert "kersey" in answer.text
