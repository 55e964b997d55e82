"""Whatever is typed into any field: an answer, never a fault, and nothing stored that breaks."""

import json
import string
from collections.abc import Iterable

import pytest
from fastapi.testclient import TestClient
from hypothesis import example, given
from hypothesis import strategies as st
from tests.nights import examples
from tests.web.conftest import client_for

FORMS = {
    "/projects": ["line"],
    "/settings": ["seam", "usable_width", "units", "theme", "paper", "threads"],
    "/projects/1/name": ["name"],
    "/projects/1/fabrics": ["lot", "pieces"],
    "/projects/1/fabrics/line": ["words"],
    "/projects/1/fabrics/0": ["name", "value", "motif", "ground", "figure", "pulled", "scale",
                              "family", "tile", "width", "length", "measured_length", "sizes"],
    "/projects/1/fabrics/border": ["name", "ground"],
    "/projects/1/fabrics/0/role": ["role", "instead_of", "besides"],
    "/projects/1/fabrics/0/next": ["judgement"],
    "/projects/1/fabrics/0/aside": ["reason"],
    "/projects/1/fabrics/1/return": [],
    "/prices": ["was", "name", "form", "width", "length", "pieces", "prints", "price", "least",
                "stock"],
    "/prices/strike": ["name"],
    "/projects/1/size/shopping": ["purpose"],
    "/projects/1/size/backing": ["way"],
    "/projects/1/size/backing/pieces": ["part", "thrift"],
    "/projects/1/size/tryouts": ["part", "lot", "place"],
    "/projects/1/fabrics/1/spoil": ["spoiled"],
    "/projects/1/judge": [],
    "/projects/1/order": ["order"],
    "/projects/1/move": ["place", "to"],
    "/projects/1/hold": [],
    "/projects/1/put-away": ["least", "rules", "dropped", "place"],
    "/projects/1/yield": ["recipe", "finished_width", "finished_height", "pieces",
                          "option_strips", "plan", "rule", "by_value", "seam", "option_rounds",
                          "option_centre", "option_method"],
    "/projects/1/yield/measured": ["usable"],
    "/projects/1/yield/take": ["look", "no_border"],
    "/projects/1/yield/sizes": ["width", "height"],
    "/projects/1/yield/own/cell": ["square", "act", "first", "second"],
    "/projects/1/yield/own/grid": ["name", "grid"],
    "/projects/1/yield/own/file": ["content"],
    "/projects/1/yield/own/take": ["side"],
    "/projects/1/grid": ["grid", "columns", "rows"],
    "/projects/1/wish": ["purpose", "own_width", "own_length", "drop", "tuck"],
    "/projects/1/size/frame": ["border_width", "binding_width", "binding_source", "margin",
                           "backing_way", "usable_width", "sashing_width", "sashing_kind",
                           "setting", "stop", "key", "outer_1", "outer_3", "corners", "first",
                           "edge_style", "edge_shows"],
    "/projects/1/size/quilts": ["number", "aim", "any_size", "use", "size"],
    "/projects/1/steps": ["step", "done"],
    "/cupboard": ["lines"],
    "/cupboard/lots/1": ["name", "width", "length", "measured_length", "shrinkage", "directional",
                         "wrong_side"],
    "/cupboard/lots/1/prints/0": ["name", "value", "motif", "ground", "figure", "count", "sized",
                                  "measured", "family"],
    "/cupboard/lots/1/sort": ["order"],
    "/cupboard/lots/1/split": ["amount"],
    "/cupboard/lots/1/return": ["project"],
    "/cupboard/lots/1/move": ["place", "to"],
    "/cupboard/change": ["act", "project"],
    "/cupboard/undo": ["query", "change"],
    "/projects/1/arrange": ["act", "places", "down", "across", "block", "key", "look", "shift"],
    "/projects/1/cut/table": ["do", "key"],
    "/projects/1/cut/table/order": ["order"],
    "/projects/1/cut/wrong": ["happened", "thing", "count", "side", "at", "left", "blocks", "way",
                              "nth"],
    "/projects/1/cut/wrong/back": [],
    "/projects/1/sew/pass": ["key", "done"],
    "/projects/1/sew/batch": ["batch", "note"],
    "/projects/1/sew/pressing": ["school"],
    "/projects/1/sew/readings": ["what", "number", "place", "target", "read", "by_tape"],
    "/projects/1/sew/readings/forget": ["place"],
    "/projects/1/sew/follow": ["follow"],
    "/projects/1/sew/uneven": ["doing"],
    "/projects/1/finish/sides": ["border", "axis", "read_0", "read_1", "read_2", "by_tape"],
    "/projects/1/finish/widths": ["own_width"],
    "/projects/1/finish/layers": ["holding", "reach", "bears_heat", "apart"],
    "/projects/1/finish/quilting": ["pattern", "distance", "across", "crossed"],
    "/projects/1/finish/edge": ["start", "to_the_right"],
    "/projects/1/finish/size": ["what", "width", "length"],
    "/projects/1/finish/after": ["finished_on", "for_whom", "label", "label_width", "care"],
    "/projects/1/finish/photograph": ["name", "kept"],
    "/projects/1/finish/step": ["key", "done"],
    "/projects/1/sew/time": ["work"],
    "/projects/1/sew/evenings": ["day_0", "day_3", "ready_by", "stretch"],
    "/tape": ["read"],
    "/cupboard/tonight": [],
    "/projects/1/cut/labels": ["of", "sheet", "skip", "paper_width", "columns", "rows", "width",
                               "height", "left", "across"],
    "/projects/1/arrange/step": ["way"],
    "/projects/1/arrange/minded": ["same", "family", "values"],
    "/projects/1/arrange/search": ["what"],
    "/projects/1/arrange/joined": ["joining", "key"],
    "/projects/1/arrange/versions": ["name", "note"],
    "/projects/1/arrange/version": ["number", "do", "name", "note"],
    "/projects/1/arrange/real/choose": ["name"],
    "/projects/1/arrange/real": ["file"],
    "/projects/1/arrange/real/AAAAAAAAAAAAAAAA": ["x1", "y1", "x3", "y3"],
}  # fmt: skip
SENSIBLE = (
    "2 1/2",
    "0",
    "-1",
    "1/0",
    "42",
    "6.5 cm",
    "999999",
    "8x10",
    "60x60",
    "99x99",
    "own",
    "queen",
    "pooled",
    "even",
    "pieces",
    "log-cabin",
    "pinwheel",
    "rails",
    "4 A light 2 x 3",
    "true",
    "sets",
    "best",
    "any",
    "different",
    "stash",
    "bought",
    "across",
    "wide",
    "gradient",
    "rainbow",
    "binding",
    "light",
    "3 yd rust",
    "dark",
    "dot",
    "#a3342d",
    "cm",
    "in",
    "letter",
    "true",
    "1",
    "2",
    "family",
    "pull",
    "swap",
    "turn",
    "aside",
    "bring",
    "1-1 2-2",
    "3-9",
    "way:rings",
    "order:rainbow",
    "windows:",
    "mend",
    "lay",
    "3 fat quarters",
    "",
    "½",
    "12 strips",
)
typed = (
    st.sampled_from(SENSIBLE) | st.text(max_size=30) | st.text(string.digits + "./ x", max_size=8)
)
# Where in the path a fabric is named, most often the first.
PLACES = ["0", "0", "0", "1", "19", "99", "border", "binding", "all", "²", "٣", "-1", "0x1", "1.0"]
ANSWERS = {200, 204, 303, 404, 409, 422}


@st.composite
def posts(draw: st.DrawFn) -> tuple[str, dict[str, str]]:
    path = draw(st.sampled_from(sorted(FORMS)))
    fields = {name: draw(typed) for name in FORMS[path] if draw(st.integers(0, 5))}
    place = draw(st.sampled_from(PLACES))
    return path.replace("/fabrics/0", f"/fabrics/{place}"), fields


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> TestClient:
    client = client_for(tmp_path_factory.mktemp("fuzz"))
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    client.post("/projects", data={"line": "2 yd navy"})
    client.post("/cupboard", data={"lines": "12 fat quarters"})
    return client


def revision_for(site: TestClient, path: str) -> str:
    """The revision that a form sent there must show."""
    stored = site.app.state.workroom  # type: ignore[attr-defined]
    with stored.engine.connect() as connection:
        now = connection.exec_driver_sql("SELECT revision FROM project WHERE id = 1").scalar()
        shown = connection.exec_driver_sql("SELECT max(revision) FROM preferences").scalar() or 0
        home = connection.exec_driver_sql(
            "SELECT revision FROM cupboard_lot WHERE id = 1 AND deleted_at IS NULL"
        ).scalar()
    return str(shown if path == "/settings" else home if "cupboard" in path else now)


@examples(12)
@example(post=("/projects/1/fabrics/binding/role", {"role": "light"}), htmx=False)
@example(post=("/projects/1/fabrics/\N{SUPERSCRIPT TWO}/aside", {}), htmx=True)
@example(post=("/projects/1/fabrics/all/next", {"judgement": "value"}), htmx=False)
@example(post=("/projects/2/steps", {"step": "sew", "done": "true"}), htmx=False)
@given(post=posts(), htmx=st.booleans())
def test_no_form_can_make_it_fail(
    site: TestClient, post: tuple[str, dict[str, str]], htmx: bool
) -> None:
    path, fields = post
    answer = site.post(
        path,
        data={**fields, "revision": revision_for(site, path)},
        headers={"hx-request": "true"} if htmx else {},
        follow_redirects=False,
    )
    assert answer.status_code in ANSWERS, (path, fields, answer.text[:400])
    for page in ("pull", "yield", "size", "cut"):
        assert site.get(f"/projects/1/{page}").status_code == 200, (path, fields, page)
    for address in ("/cupboard", "/cupboard/lots/1", "/cupboard.csv", "/everything.json"):
        assert site.get(address).status_code in {200, 404}, (path, fields, address)


@given(st.text(max_size=250))
def test_no_line_can_make_quick_entry_fail(site: TestClient, line: str) -> None:
    assert site.get("/quick-entry", params={"line": line}).status_code == 200


@given(
    st.dictionaries(st.sampled_from(["usable", "try_seam"]), typed),
    st.dictionaries(st.sampled_from(["promised_blocks", "promised_width", "x"]), typed),
)
def test_nothing_tried_or_promised_can_make_the_yield_fail(
    site: TestClient, cloth: dict[str, str], promise: dict[str, str]
) -> None:
    assert site.get("/projects/1/yield/try", params=cloth).status_code in {200, 422}
    assert site.get("/projects/1/yield/claim", params=promise).status_code in {200, 422}


def _places_in(record: object, path: tuple[str | int, ...] = ()) -> list[tuple[str | int, ...]]:
    """Every place in a record at which something could be wrong."""
    found = [path] if path else []
    items: Iterable[tuple[str | int, object]]
    items = record.items() if isinstance(record, dict) else ()
    items = enumerate(record[:2]) if isinstance(record, list) else items
    for key, value in items:
        found.extend(_places_in(value, (*path, key)))
    return found


def _damaged(record: dict[str, object], path: tuple[str | int, ...], what: object) -> str:
    """The file with one thing in it exchanged."""
    copy = json.loads(json.dumps(record))
    at = copy
    for step in path[:-1]:
        at = at[step]
    at[path[-1]] = what
    return json.dumps(copy)


@pytest.fixture(scope="module")
def whole_file(site: TestClient) -> dict[str, object]:
    found: dict[str, object] = json.loads(site.get("/everything.json").text)
    return found


WRONG = [
    "",
    "\ud800",
    "x" * 300,
    -1,
    0,
    10**30,
    1.5,
    None,
    True,
    [],
    {},
    "1/0",
    "0/1",
    "rails",
    ["any"],
]


@examples(12)
@given(number=st.integers(0, 2**20), wrong=st.sampled_from(WRONG))
def test_a_file_with_anything_wrong_in_it_is_taken_whole_or_not_at_all(
    site: TestClient, whole_file: dict[str, object], number: int, wrong: object
) -> None:
    # How many places there are depends on what else was done with the site.
    places = _places_in(whole_file)
    path = places[number % len(places)]
    content = _damaged(whole_file, path, wrong)
    before = site.get("/everything.json").text
    sent = {"file": ("kersey.json", content.encode("utf-8", "surrogatepass"))}
    answer = site.post("/everything", files=sent, follow_redirects=False)
    assert answer.status_code in {303, 422, 409}, (path, answer.text[:300])
    if answer.status_code != 303:
        assert site.get("/everything.json").text == before


def _pulled_twice(record: dict[str, object]) -> str:
    copy = json.loads(json.dumps(record))
    copy["projects"][0]["fabrics"].append(copy["projects"][0]["fabrics"][0])
    return json.dumps(copy)


def test_what_fell_over_once_is_refused_with_its_place(
    site: TestClient, whole_file: dict[str, object]
) -> None:
    name = ("projects", 0, "name")
    for content, place in (
        (_pulled_twice(whole_file), "projects[0]: Print 0 of lot 0 is pulled twice."),
        (_damaged(whole_file, name, "half \ud83d"), "projects[0]: it contains a broken character"),
    ):
        answer = site.post("/everything", files={"file": ("kersey.json", content.encode())})
        assert answer.status_code == 422
        assert place in answer.text
