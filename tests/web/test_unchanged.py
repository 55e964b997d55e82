"""Every form with lengths, opened and sent as it stands, in either unit: nothing changes."""

import json
import re
from collections.abc import Iterator
from html.parser import HTMLParser
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, example, given, settings
from hypothesis import strategies as st
from tests.nights import examples
from tests.web.conftest import client_for

from kersey.core.measure.length import Units, parse_length

PAGES = (
    "/settings",
    "/projects/1/pull?fabric=0",
    "/projects/1/yield/block",
    "/projects/1/size",
    "/projects/2/yield/block",
    "/projects/2/pull?fabric=0",
    "/cupboard/lots/1",
)
# What these forms do is to keep what stands in them; others are acts.
KEEPS = re.compile(
    r"/settings|/projects/\d+/(yield|yield/measured|wish|finish|fabrics/\d+)"
    r"|/cupboard/lots/\d+(/prints/\d+)?"
)


class Forms(HTMLParser):
    """The forms of a page, with every field as a browser would send it."""

    def __init__(self) -> None:
        super().__init__()
        self.forms: list[tuple[str, dict[str, str]]] = []
        self._select = self._textarea = ""

    @property
    def _fields(self) -> dict[str, str]:
        return self.forms[-1][1]

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        said = dict(attrs)
        name, value = said.get("name") or "", said.get("value") or ""
        if tag == "form":
            self.forms.append((said.get("action") or "", {}))
        elif tag == "input" and name and "form" not in said:
            if said.get("type") not in {"radio", "checkbox"} or "checked" in said:
                self._fields[name] = value
        elif tag == "select":
            self._select = name
        elif (
            tag == "option"
            and self._select
            and ("selected" in said or self._select not in self._fields)
        ):
            self._fields[self._select] = said.get("value", "?") or ""
            self._unsaid = "value" not in said
        elif tag == "textarea":
            self._textarea = name
            self._fields[name] = ""

    def handle_data(self, data: str) -> None:
        if self._textarea:
            self._fields[self._textarea] += data
        elif self._select and self._fields.get(self._select) == "?":
            self._fields[self._select] = data.strip()

    def handle_endtag(self, tag: str) -> None:
        if tag == "select":
            self._select = ""
        elif tag == "textarea":
            self._textarea = ""


def kept(client: TestClient) -> Any:
    """Everything that is kept, but for when, and for plans, which come by themselves."""
    everything = json.loads(client.get("/everything.json").text)
    for project in everything["projects"]:
        del project["plan"]
    workshop = client.app.state.workroom.preferences().workshop  # type: ignore[attr-defined]
    return everything["projects"], everything["cupboard"], workshop.seam, workshop.usable_width


def forms_of(client: TestClient, page: str) -> Iterator[tuple[str, dict[str, str]]]:
    parser = Forms()
    parser.feed(client.get(page).text)
    for action, fields in parser.forms:
        if KEEPS.fullmatch(action):
            yield action, fields


def set_units(client: TestClient, units: str) -> None:
    """By the settings form itself, every other field as it stands."""
    (_, fields), *_ = forms_of(client, "/settings")
    assert client.post("/settings", data={**fields, "units": units}).status_code == 200


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> TestClient:
    client = client_for(tmp_path_factory.mktemp("unchanged"))
    client.post("/projects", data={"line": "2 light fat quarters"})
    client.post("/projects", data={"line": "roll of 6 strips, 3 prints"})
    for number, recipe in ((1, "rails"), (2, "rails")):
        # To send the form of a block that was only proposed is to choose it.
        chosen = {"recipe": recipe, "seam": "1/4", "by_value": "true", "revision": "1"}
        assert client.post(f"/projects/{number}/yield", data=chosen).status_code == 200
    return client


def typed_lengths(least: int, most: int) -> st.SearchStrategy[str]:
    """Lengths as people write them, from so many inches to so many."""
    whole = st.integers(least, most - 1)
    mixed = st.builds("{} {}/{}".format, whole, st.integers(1, 15), st.sampled_from([16, 8, 7, 3]))
    decimal = st.builds("{}.{}".format, whole, st.integers(1, 999))
    metric = st.builds(
        "{}.{} cm".format,
        st.integers(least * 26 // 10 + 1, most * 25 // 10 - 1),
        st.integers(1, 99),
    )
    fine = st.builds("{} mm".format, st.integers(least * 26, most * 25))
    return whole.map(str) | mixed | decimal | metric | fine


LENGTHS = st.fixed_dictionaries(
    {
        "seam": st.sampled_from(["1/4", "0.65 cm", "7 mm", "3/16", "0.31", "1/3"]),
        "usable_width": typed_lengths(38, 50),
        "finished": typed_lengths(8, 14),
        "centre": st.sampled_from(["2 1/2", "6.5 cm", "7/3", "2.51", "61 mm"]),
        "measured_length": typed_lengths(17, 21),
        "own": typed_lengths(36, 60),
        "margin": st.sampled_from(["2", "5 cm", "4 1/3"]),
    }
)


@settings(examples(1), suppress_health_check=[HealthCheck.function_scoped_fixture])
@example(
    said={
        "seam": "1/4",
        "usable_width": "42",
        "finished": "10",
        "centre": "2 1/2",
        "measured_length": "20 3/4",
        "own": "45",
        "margin": "2",
    }
)
@given(said=LENGTHS)
def test_what_is_sent_as_it_stands_changes_nothing(site: TestClient, said: dict[str, str]) -> None:
    set_units(site, "in")
    changes = {
        "/settings": {"seam": said["seam"], "usable_width": said["usable_width"]},
        "/projects/1/yield": {
            "recipe": "log-cabin",
            "seam": said["seam"],
            "finished_width": said["finished"],
            "option_centre": said["centre"],
        },
        "/projects/2/wish": {"purpose": "own", "own_width": said["own"], "own_length": said["own"]},
        "/projects/2/size/frame": {"margin": said["margin"], "usable_width": said["usable_width"]},
        "/cupboard/lots/1": {"measured_length": said["measured_length"]},
    }
    for page in ("/settings", "/projects/1/yield", "/projects/2/size", "/cupboard/lots/1"):
        for action, fields in list(forms_of(site, page)):
            if action in changes:
                # A block that was another one before begins with its usual size: said twice.
                for _ in range(2):
                    fresh = dict(forms_of(site, page))[action]
                    answer = site.post(action, data={**fresh, **changes[action]})
                    assert answer.status_code == 200, (action, fields, answer.text[:300])
    before = kept(site)
    for units in ("cm", "in"):
        set_units(site, units)
        assert kept(site) == before, units
        for page in PAGES:
            for action, _ in list(forms_of(site, page)):
                fields = dict(forms_of(site, page))[action]
                answer = site.post(action, data=fields)
                assert answer.status_code == 200, (action, fields)
            assert kept(site) == before, (units, page)


def test_the_seam_of_a_quarter_inch_survives_a_look_in_centimetres(tmp_path: Path) -> None:
    with client_for(tmp_path) as client:
        for units in ("cm", "in", "cm", "in"):
            set_units(client, units)
        workshop = client.app.state.workroom.preferences().workshop  # type: ignore[attr-defined]
        assert (workshop.seam, workshop.usable_width) == (parse_length("1/4"), 42)
        assert workshop.units is Units.INCHES
