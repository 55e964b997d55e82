"""The cupboard by HTTP: lists pasted, found, changed many at once, spreadsheets out and in."""

import re
from html import unescape
from itertools import pairwise

import pytest
from fastapi.testclient import TestClient
from tests.undo_last import undo_shown

LIST = """12 light fat quarters "light remnants"
2 1/4 yd charcoal
roll of 40 strips, 20 prints
strings 1 1/4 to 2 1/2, about 60, 9 to 30 long
a shoe box, 900 g of crumbs"""


@pytest.fixture
def full(client: TestClient) -> TestClient:
    assert client.post("/cupboard", data={"lines": LIST}).status_code == 200
    return client


def names(client: TestClient, **find: str) -> list[str]:
    page = client.get("/cupboard", params=find).text
    return [unescape(n) for n in re.findall(r'<a href="/cupboard/lots/\d+">([^<]+)</a>', page)]


def marks(client: TestClient, **find: str) -> list[str]:
    return re.findall(r'name="lot" value="([^"]+)"', client.get("/cupboard", params=find).text)


def test_a_pasted_list_goes_in_and_the_newest_stands_first(full: TestClient) -> None:
    assert names(full) == [
        "shoe box",
        "60 strings",
        "Roll of 40 strips",
        "charcoal",
        "light remnants",
    ]


def test_lines_that_were_not_understood_stay_in_the_field(client: TestClient) -> None:
    answer = client.post("/cupboard", data={"lines": "2 yd rust\nthree hats\n<b>40 strips</b>"})
    assert answer.status_code == 200
    assert "1 line added" in answer.text
    assert ">three hats\n&lt;b&gt;40 strips&lt;/b&gt;</textarea>" in answer.text
    assert names(client) == ["rust"]


def test_a_pasted_list_of_any_length_is_put_in_whole(client: TestClient) -> None:
    pasted = [f"{n} yd rust, paid {n}" for n in range(1, 101)] + ["three hats"] + ["2 yd tan"] * 20
    read_back = client.post("/cupboard/reading", data={"lines": "\n".join(pasted)}).text
    assert "And 61 lines more" in read_back
    answer = client.post("/cupboard", data={"lines": "\n".join(pasted)})
    assert "120 lines added" in answer.text
    assert ">three hats</textarea>" in answer.text
    assert 'name="note" value="paid 1"' in client.get("/cupboard/lots/1").text


def test_lines_are_read_back_to_scale_with_every_doubt(client: TestClient) -> None:
    lines = "42 charm squares\n42 charm squares\nplaid hats"
    reading = client.post("/cupboard/reading", data={"lines": lines}).text
    assert reading.count('class="piece-drawing"') == 2
    assert "You typed this line twice" in reading
    assert '<span class="unread">plaid</span>' in reading
    assert "Assumed: 42 prints, each one different" in reading


@pytest.mark.parametrize(
    ("find", "expected"),
    [
        ({"words": "charcoal"}, {"charcoal"}),
        ({"form": "fat-quarter"}, {"light remnants"}),
        ({"value": "dark"}, {"charcoal"}),
        ({"family": "neutral"}, {"charcoal"}),
        ({"least_width": "17", "most_width": "18"}, {"light remnants"}),
        ({"most_width": "6.5 cm", "form": "string"}, {"60 strings"}),
        ({"aside": "true"}, set()),
    ],
)
def test_finding(full: TestClient, find: dict[str, str], expected: set[str]) -> None:
    assert expected <= set(names(full, **find))
    if len(expected) < 2:
        assert set(names(full, **find)) == expected


def test_a_search_that_cannot_be_read_is_told(full: TestClient) -> None:
    page = full.get("/cupboard", params={"least_width": "wide", "form": "hat", "words": "char"})
    assert "“wide” isn't a length" in page.text
    assert names(full, least_width="wide", words="char") == ["charcoal"]


def test_many_at_once_and_back_again(full: TestClient) -> None:
    full.post("/cupboard/change", data={"act": "binding", "lot": marks(full)})
    assert len(names(full, aside="true")) == 5
    assert "saved for binding" in full.get("/cupboard").text
    full.post("/cupboard/change", data={"act": "out", "lot": marks(full, words="charcoal")})
    assert "charcoal" not in names(full)
    for _ in range(2):
        undo_shown(full)
    assert len(names(full, aside="false")) == 5


def test_undo_takes_back_what_was_shown_or_nothing(full: TestClient) -> None:
    shown = re.search(r'name="change" value="(\d+)"', full.get("/cupboard").text)
    assert shown
    full.post("/cupboard/change", data={"act": "binding", "lot": marks(full, words="charcoal")})
    refused = full.post("/cupboard/undo", data={"change": shown[1]})
    assert refused.status_code == 409
    assert "Nothing was undone" in refused.text
    assert len(names(full, aside="true")) == 1
    undo_shown(full)
    assert names(full, aside="true") == []
    assert full.post("/cupboard/undo", data={}).status_code == 422


def test_two_windows_overwrite_nothing(full: TestClient) -> None:
    shown = marks(full, words="charcoal")
    full.post("/cupboard/change", data={"act": "dark", "lot": shown})
    other = full.post("/cupboard/change", data={"act": "light", "lot": shown})
    assert other.status_code == 409
    assert "changed in another window" in other.text
    assert names(full, value="dark", words="charcoal") == ["charcoal"]


def test_a_lot_is_measured_washed_and_renamed(full: TestClient) -> None:
    page = full.get("/cupboard", params={"words": "remnants"}).text
    address = re.search(r"/cupboard/lots/\d+", page)
    assert address
    facts = {
        "revision": "1",
        "name": "curtains",
        "width": "17",
        "length": "20 3/4",
        "measured_length": "20 1/2",
        "shrinkage": "3",
        "directional": "true",
        "wrong_side": "light",
    }
    full.post(address[0], data=facts)
    kept = full.get(address[0]).text
    for value in ("curtains", "17″", "20¾″", "20½″"):
        assert f'value="{value}"' in kept
    assert '<option value="true" selected>directional' in kept
    bad = full.post(address[0], data={**facts, "revision": "2", "width": "900", "shrinkage": "99"})
    assert bad.status_code == 422
    assert "It can be no more than 15" in bad.text
    wide = full.post(address[0], data={**facts, "revision": "2", "width": "900"})
    assert "A fat quarter can be 10″" in wide.text


def test_prints_at_home_are_sorted_renamed_and_recoloured(full: TestClient) -> None:
    page = full.get("/cupboard", params={"words": "roll"}).text
    address = re.search(r"/cupboard/lots/\d+", page)
    assert address
    full.post(f"{address[0]}/sort", data={"revision": "1", "order": "value"})
    values = re.findall(r'print-count">2, (\w+)<', full.get(address[0]).text)
    assert values == sorted(values, key=["light", "medium", "dark"].index)
    full.post(f"{address[0]}/prints/0", data={"revision": "2", "name": "snow", "ground": "#fefefe"})
    assert "snow" in full.get(address[0]).text
    assert (
        full.post(f"{address[0]}/prints/0", data={"revision": "3", "ground": "x"}).status_code
        == 422
    )
    assert full.post(f"{address[0]}/prints/99", data={"revision": "3"}).status_code == 404


def test_the_spreadsheet_goes_out_and_comes_in(full: TestClient) -> None:
    saved = full.get("/cupboard.csv")
    assert saved.headers["content-type"].startswith("text/csv")
    before = names(full)
    full.post("/cupboard/spreadsheet", files={"file": ("cupboard.csv", saved.content)})
    assert names(full)[:5] == before
    undo_shown(full)
    assert names(full) == before


def test_a_spreadsheet_with_wrong_rows_takes_nothing_until_told(full: TestClient) -> None:
    text = "lot,form,pieces\ntens,square,40\nhats,hat,3\n"
    answer = full.post("/cupboard/spreadsheet", files={"file": ("x.csv", text)})
    assert answer.status_code == 422
    assert "Nothing has been added yet" in answer.text
    assert len(names(full)) == 5
    waiting = re.search(r'name="waiting" value="([^"]+)"', answer.text)
    assert waiting
    full.post("/cupboard/spreadsheet/take", data={"waiting": waiting[1]})
    assert names(full)[0] == "tens"
    again = full.post("/cupboard/spreadsheet/take", data={"waiting": waiting[1]})
    assert "Choose the file again" in again.text


@pytest.mark.parametrize("content", [b"", b"\x89PNG\0\0", b"a;b\n1;2", b"x" * 100])
def test_files_that_are_no_spreadsheet(full: TestClient, content: bytes) -> None:
    answer = full.post("/cupboard/spreadsheet", files={"file": ("x.csv", content)})
    assert answer.status_code == 422
    assert len(names(full)) == 5


def test_a_file_too_large_is_refused(full: TestClient) -> None:
    answer = full.post("/cupboard/spreadsheet", files={"file": ("x.csv", b"x" * 10_000_000)})
    assert answer.status_code == 413
    assert "too large to send at once" in answer.text


def test_every_example_of_the_grammar_is_taken(client: TestClient) -> None:
    page = client.get("/cupboard/how-to-say-it").text
    lines = [unescape(line) for line in re.findall(r"<td><code>([^<]+)</code>", page)]
    assert len(lines) >= 15
    assert client.post("/cupboard", data={"lines": "\n".join(lines)}).status_code == 200
    assert len(names(client)) >= len(lines)


def test_a_bag_is_drawn_from_and_the_draw_stays(full: TestClient) -> None:
    page = full.get("/cupboard", params={"words": "roll"}).text
    address = re.search(r"/cupboard/lots/\d+", page)
    assert address
    first = full.get(f"{address[0]}/bag?draw=3").text
    drawn = re.findall(r"</svg><span>([^<]+)</span>", first)
    assert len(drawn) == 40
    assert all(one != other for one, other in pairwise(drawn))
    assert drawn == re.findall(
        r"</svg><span>([^<]+)</span>", full.get(f"{address[0]}/bag?draw=3").text
    )
    assert drawn != re.findall(
        r"</svg><span>([^<]+)</span>", full.get(f"{address[0]}/bag?draw=4").text
    )
    strings = re.search(r"/cupboard/lots/\d+", full.get("/cupboard?form=string").text)
    assert strings
    assert "would have to touch" in full.get(f"{strings[0]}/bag").text


def test_the_pull_page_says_what_to_mind(client: TestClient) -> None:
    client.post("/projects", data={"line": "42 strips 2 1/2 x 41.5, light"})
    page = client.get("/projects/1/pull").text
    assert "you pulled only one print" in page
