"""Put away: what is left, corrected in seconds, and a ledger that adds up."""

import re

from fastapi.testclient import TestClient
from tests.web.conftest import without_tokens
from tests.web.test_wrong import begun, revision


def test_what_is_left_is_corrected_and_put_away(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/away").text
    kept = int(re.findall(r'class="figure">(\d+)<', page)[0])
    toggles = re.findall(r"""href="\?([^"]+)">Don't keep""", page)
    assert toggles
    without = client.get(f"{project}/away?{toggles[0].replace('&amp;', '&')}").text
    assert int(re.findall(r'class="figure">(\d+)<', without)[0]) < kept
    assert ">Keep</a>" in without
    said = {"rules": "2 1/2 strips, 1 1/2 squares", "least": "1 1/2"}
    cut_down = client.get(f"{project}/away", params=said).text
    assert "Cut each into" in cut_down
    wrong = client.get(f"{project}/away", params={"rules": "soft"})
    assert wrong.status_code == 422
    assert "“soft” isn't a length" in wrong.text
    # Nothing was changed by looking.
    assert without_tokens(client.get(f"{project}/away").text) == without_tokens(page)
    put = said | {"revision": revision(cut_down), "place": "the blue drawer"}
    # What nobody has ticked off is booked as cut only when somebody says so.
    asked = client.post(f"{project}/put-away", data=put)
    assert asked.status_code == 422
    assert 'id="all_cut-error"' in asked.text
    assert 'value="the blue drawer"' in asked.text
    put |= {"all_cut": "true"}
    ledger = client.post(f"{project}/put-away", data=put).text
    assert "put away" in ledger
    again = client.get(f"{project}/away").text
    assert "Leftovers are put away." in again
    # Found again by where it lies.
    lots = client.get("/cupboard", params={"words": "blue drawer"}).text
    assert "Smoking room log cabin: " in lots or ": strip ends" in lots or ": leftover" in lots
    assert "blue drawer" in client.get("/everything.json").text
    assert "blue drawer" in client.get("/cupboard.csv").text
    twice = client.post(f"{project}/put-away", data=put | {"revision": revision(cut_down)})
    assert twice.status_code == 409
    # All of it is taken back.
    back = client.post(f"{project}/take-back-away", data={"revision": revision(again)}).text
    figure = re.compile(r'class="figure">(\d+)<')
    assert figure.findall(back) == figure.findall(page)
    assert "blue drawer" not in client.get("/cupboard.csv").text
    twice = client.post(f"{project}/take-back-away", data={"revision": revision(back)})
    assert twice.status_code == 422


def test_what_is_found_otherwise_is_written_over_the_proposal(client: TestClient) -> None:
    project = begun(client)
    page = client.get(f"{project}/away").text
    proposed = re.findall(r'name="(found-[^"]+)" value="(\d+) of ([^"]+)"', page)
    kept = int(re.findall(r'class="figure">(\d+)<', page)[0])
    name, count, size = max(proposed, key=lambda each: int(each[1]))
    assert int(count) > 1
    unchanged = {each: f"{many} of {large}" for each, many, large in proposed}
    assert f'class="figure">{kept}<' in client.get(f"{project}/away", params=unchanged).text
    fewer = unchanged | {name: "1"}
    said = client.get(f"{project}/away", params=fewer).text
    assert f'class="figure">{kept - int(count) + 1}<' in said
    assert f'<input type="hidden" name="{name}" value="1">' in said
    # More than the plan leaves comes from nowhere; nonsense is refused at its field.
    for wrong, why in (
        (f"{int(count) + 1} of {size}", "can't leave more than this"),
        ("a few", "Type the count and size"),
    ):
        refused = client.get(f"{project}/away", params=unchanged | {name: wrong})
        assert refused.status_code == 422
        assert why in refused.text
        assert f'value="{wrong}"' in refused.text
    put = {"revision": revision(page), name: "1", "place": "box 3", "all_cut": "true"}
    assert client.post(f"{project}/put-away", data=put).status_code == 200
    lots = client.get("/everything.json").json()["cupboard"]
    found = [lot["lot"] for lot in lots if lot["place"] == "box 3"]
    assert sum(stack["count"] for lot in found for stack in lot["stacks"]) == kept - int(count) + 1


def test_what_the_settings_keep_is_proposed_first(client: TestClient) -> None:
    project = begun(client)
    settings = client.get("/settings").text
    said = {
        "revision": revision(settings),
        "seam": "1/4",
        "usable_width": "42",
        "units": "in",
        "theme": "device",
        "paper": "letter",
        "least_kept": "2",
    }
    refused = client.post("/settings", data=said | {"cut_rules": "soft"})
    assert refused.status_code == 422
    assert 'id="cut_rules-error"' in refused.text
    client.post("/settings", data=said | {"cut_rules": "2 1/2 strips, 1 1/2 squares"})
    page = client.get(f"{project}/away").text
    assert "2½″ strips, 1½″ squares" in page
    assert "Cut each into" in page or "too small" in page
    # A piece at home: 5 1/2 x 9 gives two strips of 2 1/2 x 9, half an inch of nine is lost: 4 1/2.
    client.post("/cupboard", data={"lines": "1 piece 5 1/2 x 9"})
    (number,) = re.findall(r"/cupboard/lots/(\d+)", client.get("/cupboard?words=piece").text)[:1]
    lot = client.get(f"/cupboard/lots/{number}").text
    assert "Each piece makes <b>2 pieces, 2½ × 9″</b>; about 4 sq in is waste." in lot
    # Cleared on the page they stay cleared there.
    assert "Cut each into" not in client.get(f"{project}/away", params={"least": "0"}).text
