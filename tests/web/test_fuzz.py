"""Whatever is typed into any field: an answer, never a fault, and nothing stored that breaks."""

import string

import pytest
from fastapi.testclient import TestClient
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.web.conftest import client_for

FORMS = {
    "/projects": ["line"],
    "/settings": ["seam", "usable_width", "units", "theme", "paper"],
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
    "/projects/1/fabrics/1/spoil": ["spoiled"],
    "/projects/1/judge": [],
    "/projects/1/order": ["order"],
    "/projects/1/move": ["place", "to"],
    "/projects/1/hold": [],
    "/projects/1/put-away": [],
    "/projects/1/yield": ["recipe", "finished_width", "finished_height", "pieces",
                          "strips_per_block", "plan", "rule", "by_value", "seam", "option_rounds",
                          "option_centre", "option_method"],
    "/projects/1/yield/measured": ["usable"],
    "/projects/1/grid": ["grid", "columns", "rows"],
    "/projects/1/wish": ["purpose", "own_width", "own_length", "drop", "tuck"],
    "/projects/1/finish": ["border_width", "binding_width", "binding_source", "margin",
                           "backing_way", "usable_width"],
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
    "/cupboard/undo": ["query"],
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
    "3 fat quarters",
    "",
    "½",
    "12 strips",
)
typed = (
    st.sampled_from(SENSIBLE) | st.text(max_size=30) | st.text(string.digits + "./ x", max_size=8)
)
ANSWERS = {200, 204, 303, 404, 409, 422}


@st.composite
def posts(draw: st.DrawFn) -> tuple[str, dict[str, str]]:
    path = draw(st.sampled_from(sorted(FORMS)))
    fields = {name: draw(typed) for name in FORMS[path] if draw(st.integers(0, 5))}
    return path, fields


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> TestClient:
    client = client_for(tmp_path_factory.mktemp("fuzz"))
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    client.post("/cupboard", data={"lines": "12 fat quarters"})
    return client


@settings(max_examples=300)
@given(post=posts(), htmx=st.booleans())
def test_no_form_can_make_it_fail(
    site: TestClient, post: tuple[str, dict[str, str]], htmx: bool
) -> None:
    path, fields = post
    stored = site.app.state.workroom  # type: ignore[attr-defined]
    with stored.engine.connect() as connection:
        now = connection.exec_driver_sql("SELECT revision FROM project WHERE id = 1").scalar()
        shown = connection.exec_driver_sql("SELECT max(revision) FROM preferences").scalar() or 0
        home = connection.exec_driver_sql(
            "SELECT revision FROM cupboard_lot WHERE id = 1 AND deleted_at IS NULL"
        ).scalar()
    revision = str(shown if path == "/settings" else home if "cupboard" in path else now)
    answer = site.post(
        path,
        data={**fields, "revision": revision},
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
