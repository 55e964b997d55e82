"""Put away: what is left, corrected in seconds, and a ledger that adds up."""

import re

from fastapi.testclient import TestClient
from tests.web.test_wrong import begun, revision


def test_what_is_left_is_corrected_and_put_away(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/away").text
    kept = int(re.findall(r'class="figure">(\d+)<', page)[0])
    toggles = re.findall(r'href="\?([^"]+)">Not worth keeping', page)
    assert toggles
    without = client.get(f"{project}/away?{toggles[0].replace('&amp;', '&')}").text
    assert int(re.findall(r'class="figure">(\d+)<', without)[0]) < kept
    assert "Keep it after all" in without
    said = {"rules": "2 1/2 strips, 1 1/2 squares", "least": "1 1/2"}
    cut_down = client.get(f"{project}/away", params=said).text
    assert "Each becomes" in cut_down
    wrong = client.get(f"{project}/away", params={"rules": "soft"})
    assert wrong.status_code == 422
    assert "is not a length" in wrong.text or "Write sizes" in wrong.text
    # Nothing was changed by looking.
    assert client.get(f"{project}/away").text == page
    put = said | {"revision": revision(cut_down), "place": "the blue drawer"}
    ledger = client.post(f"{project}/put-away", data=put).text
    assert "put away" in ledger
    again = client.get(f"{project}/away").text
    assert "What was left is put away." in again
    # Found again by where it lies.
    lots = client.get("/cupboard", params={"words": "blue drawer"}).text
    assert "left of" in lots or "ends of" in lots
    assert "blue drawer" in client.get("/everything.json").text
    assert "blue drawer" in client.get("/cupboard.csv").text
    twice = client.post(f"{project}/put-away", data=said | {"revision": revision(cut_down)})
    assert twice.status_code == 409
