"""Every page and form by HTTP: what works without JavaScript, what is refused, what is kept."""

import re
from html.parser import HTMLParser

import pytest
from fastapi.testclient import TestClient

ROLL = "roll of 40 strips, 20 prints"
PAGES = ("pull", "yield", "size", "cut")
HTMX = {"hx-request": "true"}


def start(client: TestClient, line: str = ROLL) -> int:
    answer = client.post("/projects", data={"line": line}, follow_redirects=False)
    assert answer.status_code == 303
    found = re.search(r"/projects/(\d+)/yield", answer.headers["location"])
    assert found
    return int(found[1])


def known_yield(client: TestClient, number: int) -> str:
    """The page once the search has nothing more to say."""
    for _ in range(60):
        seen = {"seen": 9, "revision": revision(client, number)}
        client.get(f"/projects/{number}/yield/news", params=seen, headers=HTMX)
        page = client.get(f"/projects/{number}/yield/block").text
        if "Checking narrower" not in page:
            return str(page)
    raise AssertionError("The search does not end.")


def revision(client: TestClient, number: int) -> str:
    found = re.search(r'name="revision" value="(\d+)"', client.get(f"/projects/{number}/size").text)
    assert found
    return found[1]


class _Ids(HTMLParser):
    def __init__(self) -> None:
        super().__init__()
        self.ids: list[str] = []
        self.inline: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        for name, value in attrs:
            if name == "id" and value and not value.startswith("cloth-"):
                self.ids.append(value)
            if name == "style" or name.startswith("on"):
                self.inline.append(f"{tag} {name}={value}")


def test_every_page_answers_and_asks_for_nothing_from_elsewhere(client: TestClient) -> None:
    number = start(client)
    for path in ("/", "/settings", *(f"/projects/{number}/{page}" for page in PAGES)):
        answer = client.get(path)
        assert answer.status_code == 200, path
        assert "default-src 'none'" in answer.headers["content-security-policy"]
        assert "unsafe" not in answer.headers["content-security-policy"]
        loaded = re.findall(r'(?:src|href|action)="([^"#]+)"', answer.text)
        assert all(address.startswith("/") for address in loaded), path
        page = _Ids()
        page.feed(answer.text)
        assert len(page.ids) == len(set(page.ids)), path
        assert page.inline == [], path


def test_static_files_are_there_and_may_be_kept(client: TestClient) -> None:
    for address in re.findall(r'(?:src|href)="(/static/[^"]+)"', client.get("/").text):
        answer = client.get(address)
        assert answer.status_code == 200
        assert "immutable" in answer.headers["cache-control"]


def test_a_line_is_read_back_and_taken(client: TestClient) -> None:
    reading = client.get("/quick-entry", params={"line": "40 strips 20 prints, plaid"}).text
    assert '<span class="unread">plaid</span>' in reading
    assert "40 strips" in reading
    number = start(client)
    assert ">80</span> blocks" in client.get(f"/projects/{number}/yield/block").text


def test_a_line_that_is_not_taken_stays_on_the_page(client: TestClient) -> None:
    answer = client.post("/projects", data={"line": 'plaid & "tartan" <b>'})
    assert answer.status_code == 422
    assert "plaid &amp; &#34;tartan&#34; &lt;b&gt;" in answer.text
    assert "Kersey doesn't know “plaid”" in answer.text


def test_the_worked_figures_are_on_the_pages(client: TestClient) -> None:
    number = start(client)
    page = known_yield(client, number)
    assert "40 strips × 6 segments of 6½″ = 240, three per block" in page
    assert "80 blocks need 39″ of “Roll of 40 strips”; any less makes 66." in page
    assert re.search(r"One more strip makes <b>82</b>", page)
    assert "stacked layers" in page.lower()
    size = client.get(f"/projects/{number}/size").text
    assert "54 × 66" in size
    assert "3¼ yd" in size
    assert "252″ of binding: 7 strips, 2½″ wide, 6 joins" in size


def test_sliding_tries_without_keeping_and_posting_keeps(client: TestClient) -> None:
    number = start(client)
    cloth = {"usable": "38.5", "try_seam": "1/4"}
    tried = "…"
    # A search that takes longer says so, and is asked again.
    while "…" in tried:
        tried = client.get(f"/projects/{number}/yield/try", params=cloth).text
    assert re.search(r"38½″, seam ¼″: <b[^>]*>66</b>", tried)
    assert ">80</span> blocks" in client.get(f"/projects/{number}/yield/block").text
    choice = {"recipe": "rails", "option_strips": "3", "plan": "sets", "seam": "1/4"}
    kept = client.post(f"/projects/{number}/yield", data={**choice, "revision": "1"}, headers=HTMX)
    assert '"revision": 2' in kept.headers["hx-trigger"]
    assert 'id="tally"' in kept.text
    assert ">78</span> blocks" in client.get(f"/projects/{number}/yield/block").text
    measured = {"usable": "38.5", "revision": "2"}
    client.post(f"/projects/{number}/yield/measured", data=measured)
    assert ">65</span> blocks" in client.get(f"/projects/{number}/yield/block").text


def test_any_block_of_any_fabric_and_what_is_wrong_with_it(client: TestClient) -> None:
    number = start(client)
    address = f"/projects/{number}/yield"
    block = {"recipe": "nine-patch", "seam": "1/4", "by_value": "true"}
    assert client.post(address, data={**block, "revision": "1"}, headers=HTMX).status_code == 200
    # Of 40 strips each gives 16 squares of 2 1/2, whichever side it serves; nine a block.
    page = client.get(address).text
    assert re.search(r'class="figure">[1-9]\d*</span> blocks', page)
    assert 'data-need="B"' in page
    own = {"recipe": "pieces", "seam": "1/4", "revision": "2"}
    client.post(address, data=own, headers=HTMX)
    assert "5 A dark 2½″ x 2½″" in client.get(address).text
    wrong = client.post(address, data={**own, "revision": "3", "pieces": "many A"}, headers=HTMX)
    assert wrong.status_code == 422
    assert "Line 1, “many A”: type the count" in wrong.text
    pieces = "3 A any 2 1/2 x 6 1/2\ndifferent any"
    client.post(address, data={**own, "revision": "3", "pieces": pieces}, headers=HTMX)
    assert ">80</span> blocks" in client.get(address).text
    assert (
        "On Yield, type your block's finished size" in client.get(f"/projects/{number}/size").text
    )
    sized = {**own, "revision": "4", "pieces": pieces, "finished_width": "6"}
    client.post(address, data=sized, headers=HTMX)
    assert "54 × 66" in client.get(f"/projects/{number}/size").text


def test_strip_sets_of_fat_quarters_stand_beside_single_segments(client: TestClient) -> None:
    number = start(client, "12 fat quarters")
    choice = {"recipe": "rails", "plan": "sets", "seam": "1/4", "revision": "1"}
    client.post(f"/projects/{number}/yield", data=choice, headers=HTMX)
    page = known_yield(client, number)
    # Seven strips of 21 each, 84 in all: 28 sets of three segments; singly 252 segments.
    assert re.findall(r"<b>(\d+)</b>\s*<span class=\"plan-says\">", page)[::2] == ["84", "84"]
    assert "Sew whole strips into strip sets, then cut segments" in page
    assert "no other strip sets make more" in page


def test_a_quilt_is_begun_with_any_fabric(client: TestClient) -> None:
    number = start(client, "12 fat quarters")
    page = client.get(f"/projects/{number}/yield/block").text
    # By hand: a fat quarter of 17 1/2 x 21 gives seven strips of 2 1/2 x 21, three segments each;
    # or eight of 17 1/2 with two. Two segments more come from neither.
    assert ">84</span> blocks" in page
    assert "Proved:" in page
    assert client.get(f"/projects/{number}/size").status_code == 200


@pytest.mark.parametrize(
    ("promise", "says"),
    [
        ({"promised_blocks": "80"}, "That's right: 80 blocks."),
        ({"promised_blocks": "93"}, "Not possible: no cutting plan makes more than 80."),
        ({"promised_blocks": "66"}, "You can make more: 80, which is 14 more."),
        ({"promised_width": "6"}, "That's right: it finishes at 6 × 6″."),
        (
            {"promised_width": "6 1/2"},
            "that is the unfinished size; in the quilt it finishes at 6 × 6″",
        ),
        ({"promised_width": "7 1/2"}, "seam allowances were left out: side by side"),
        ({"promised_blocks": "none"}, "whole number"),
    ],
)
def test_a_promise_is_held_against_the_arithmetic(
    client: TestClient, promise: dict[str, str], says: str
) -> None:
    number = start(client)
    said = client.get(f"/projects/{number}/yield/claim", params=promise, headers=HTMX).text
    assert says in said


def test_a_bad_form_reports_every_field_and_keeps_what_was_typed(client: TestClient) -> None:
    number = start(client)
    client.get(f"/projects/{number}/size")
    answer = client.post(
        f"/projects/{number}/size/frame",
        data={
            "revision": "1",
            "border_width": "99",
            "binding_width": "wide",
            "margin": "-1",
            "binding_source": "sky",
            "usable_width": "3",
        },
    )
    assert answer.status_code == 422
    for sentence in (
        "can be 0 (none) to 20″",
        "“wide” isn't a length",
        "“-1” isn't a length",
        "Usable width can be 18″",
    ):
        assert sentence in answer.text
    assert 'value="wide"' in answer.text
    wrong = {"seam": "", "usable_width": "2/0", "units": "ells", "theme": "x", "paper": "y"}
    settings = client.post("/settings", data={"revision": "0", **wrong})
    assert settings.status_code == 422
    assert settings.text.count("field-error") == 5
    assert 'value="2/0"' in settings.text


def test_two_windows_overwrite_nothing(client: TestClient) -> None:
    number = start(client)
    one = client.post(f"/projects/{number}/grid", data={"revision": "1", "grid": "7x9"})
    assert one.status_code == 200
    other = client.post(f"/projects/{number}/grid", data={"revision": "1", "grid": "6x8"})
    assert other.status_code == 409
    assert "changed in another window" in other.text
    assert "6x8" in other.text
    assert "7 × 9" in client.get(f"/projects/{number}/size").text
    fragment = client.post(
        f"/projects/{number}/grid", data={"revision": "1", "grid": "6x8"}, headers=HTMX
    )
    assert fragment.headers["hx-retarget"] == "#notice"
    mine = re.search(r'name="revision" value="(\d+)"', fragment.text)
    assert mine
    client.post(f"/projects/{number}/grid", data={"revision": mine[1], "grid": "6x8"})
    assert "6 × 8" in client.get(f"/projects/{number}/size").text


def test_projects_are_renamed_copied_deleted_and_brought_back(client: TestClient) -> None:
    number = start(client)
    client.post(f"/projects/{number}/name", data={"revision": "1", "name": "Upper berth"})
    client.post(f"/projects/{number}/copy")
    assert "Upper berth copy" in client.get("/").text
    gone = client.post(f"/projects/{number}/delete")
    assert "“Upper berth” is off the wall (deleted)." in gone.text
    page = client.get(f"/projects/{number}/size")
    assert page.status_code == 410
    assert "Restore it" in page.text
    client.post(f"/projects/{number}/restore")
    assert client.get(f"/projects/{number}/size").status_code == 200
    nameless = client.post(f"/projects/{number}/name", data={"revision": "2", "name": "  "})
    assert nameless.status_code == 422
    assert "Fill this in." in nameless.text


def test_ticks_are_kept(client: TestClient) -> None:
    number = start(client)
    step = re.search(r'name="step" value="([^"]+)"', client.get(f"/projects/{number}/cut").text)
    assert step
    client.post(
        f"/projects/{number}/steps", data={"revision": "1", "step": step[1], "done": "true"}
    )
    assert "1 of 8 steps done" in client.get(f"/projects/{number}/cut").text
    client.post(f"/projects/{number}/steps", data={"revision": "2", "step": step[1]})
    assert "steps done" not in client.get(f"/projects/{number}/cut").text


def test_centimetres_are_one_switch(client: TestClient) -> None:
    client.post(
        "/settings",
        data={
            "revision": "0",
            "seam": "0.75 cm",
            "usable_width": "107 cm",
            "units": "cm",
            "theme": "dark",
            "paper": "a4",
        },
    )
    number = start(client, "roll 40 x 6.5 x 107, 20 prints")
    page = client.get(f"/projects/{number}/yield/block").text
    assert "40 strips × 6 segments of 16.5 cm = 240" in page
    assert ">80</span> blocks" in page
    assert 'data-theme="dark"' in page
    size = client.get(f"/projects/{number}/size").text
    assert "bed 140 × 200 cm" in size
    assert " m</dd>" in size
    assert "paper-a4.css" in client.get(f"/projects/{number}/cut").text


def test_strips_that_give_nothing_get_plain_words(client: TestClient) -> None:
    number = start(client, "2 mini squares")
    for page in PAGES:
        assert client.get(f"/projects/{number}/{page}").status_code == 200
    assert "isn't enough for one block" in client.get(f"/projects/{number}/size").text
    assert client.get(f"/projects/{number}/picture.svg").status_code == 200
    assert "no size yet" in client.get("/").text


@pytest.mark.parametrize(
    ("method", "path", "status"),
    [
        ("GET", "/nowhere", 404),
        ("GET", "/projects/99/size", 404),
        ("GET", "/projects/abc/size", 404),
        ("GET", "/projects/99999999999999999999/size", 404),
        ("POST", "/projects/99/grid", 404),
        ("DELETE", "/", 405),
    ],
)
def test_plain_pages_for_what_is_not_there(
    client: TestClient, method: str, path: str, status: int
) -> None:
    answer = client.request(method, path, data={"revision": "1"} if method == "POST" else None)
    assert answer.status_code == status
    assert "All quilts" in answer.text
    assert "Traceback" not in answer.text


def test_more_quilts_than_one_wall_holds(client: TestClient) -> None:
    for _ in range(26):
        start(client, "6 strips, 6 prints")
    assert client.get("/").text.count('class="hanger"') == 24
    assert client.get("/?wall=2").text.count('class="hanger"') == 2


def test_everything_is_saved_to_a_file_and_brought_in(client: TestClient) -> None:
    start(client)
    client.post("/cupboard", data={"lines": "12 fat quarters"})
    saved = client.get("/everything.json")
    client.post("/everything", files={"file": ("kersey.json", saved.content)})
    assert client.get("/").text.count('class="hanger"') == 2
    assert 'class="figure">4</span> lots' in client.get("/cupboard").text
    bad = client.post("/everything", files={"file": ("kersey.json", b"{}")})
    assert bad.status_code == 422
    assert "isn't a Kersey file" in bad.text
    assert client.get("/").text.count('class="hanger"') == 2


def test_fabric_that_is_not_cut_by_measure_goes_into_the_cupboard(client: TestClient) -> None:
    assert "so it goes into the cupboard" in client.get("/quick-entry?line=900+g+crumbs").text
    answer = client.post("/projects", data={"line": "900 g crumbs"}, follow_redirects=True)
    assert answer.url.path == "/cupboard"
    assert ">Scraps</a>" in answer.text
    assert 'class="hanger"' not in client.get("/").text


def test_a_print_called_otherwise_keeps_its_plan_and_its_answer(client: TestClient) -> None:
    number = start(client, "6 light, 6 dark fat quarters")
    before = known_yield(client, number)
    data = {"revision": revision(client, number), "name": "lantern stripe"}
    assert client.post(f"/projects/{number}/fabrics/0", data=data).status_code == 200
    after = known_yield(client, number)
    assert "lantern stripe" in after
    blocks = re.compile(r'class="figure">(\d+)<')
    assert blocks.findall(after)[:1] == blocks.findall(before)[:1]
    for stage in ("pull", "yield", "size", "arrange", "cut", "sew", "finish", "away"):
        assert client.get(f"/projects/{number}/{stage}").status_code == 200
