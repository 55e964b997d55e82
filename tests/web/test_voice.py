"""What pages say, read word by word: the sample world in every state, an empty Kersey, refusals."""

import re
from collections import Counter, deque
from collections.abc import Iterator, Sequence
from html import unescape
from itertools import cycle
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from tests.nights import at_night, by_night
from tests.sample import take_sample_data
from tests.voice import faults, faults_of_page
from tests.web.conftest import client_for
from tests.web.test_fuzz import FORMS, revision_for

from kersey.web.terms import FIELDS, TERMS, terms_in

# Of one page so many of its states are opened, and of one lot's page and another's so many.
MOST_STATES, MOST_LOTS = 2, 8
_FILES = re.compile(r"\.(svg|png|json|csv|ics|html)\b|^/static|/picture")
_WRONG = ("", "soft", "-7", "99999")


def pages(site: TestClient, but: Sequence[int] = ()) -> Iterator[tuple[str, str]]:
    """Every page that a link leads to, `but` those of some quilts, with its address."""
    waiting, opened = deque(["/"]), Counter[str]()
    seen: set[str] = set()
    while waiting:
        address = waiting.popleft()
        path = address.partition("?")[0]
        kind = re.sub(r"\d+", "N", path) if path.startswith("/cupboard/lots") else ""
        quilt = re.match(r"/projects/(\d+)", path)
        if quilt and int(quilt[1]) in but:
            continue
        if address in seen or opened[path] >= MOST_STATES or opened[kind] >= MOST_LOTS:
            continue
        seen.add(address)
        opened.update({path, kind} - {""})
        answer = site.get(address)
        assert answer.status_code < 500, address
        if answer.headers.get("content-type", "").startswith("text/html"):
            yield address, answer.text
            links = re.findall(r'href="(/[^"#]*)', answer.text)
            waiting.extend(unescape(link) for link in links if not _FILES.search(link))


@pytest.fixture
def sampled(tmp_path: Path) -> Iterator[TestClient]:
    take_sample_data(tmp_path)
    with client_for(tmp_path) as client:
        yield client
    client.app.state.workroom.engine.dispose()  # type: ignore[attr-defined]


@pytest.mark.parametrize("but", [(1, 2, 3, 4, 5), *at_night([((6,),)])])
def test_the_sample_world_speaks_as_the_guide_says(sampled: TestClient, but: tuple[int]) -> None:
    read = dict(pages(sampled, but))
    assert {
        address: found for address, page in read.items() if (found := faults_of_page(page))
    } == {}
    for stage in ("pull", "yield", "size", "arrange", "cut", "sew", "finish", "away"):
        assert any(f"/{stage}" in address for address in read), stage
    # The title says the page and the quilt, where there is a page.
    titles = {address: re.search(r"<title>([^<]*)</title>", page) for address, page in read.items()}
    assert not [address for address, title in titles.items() if not title]
    of_quilts = [unescape(t[1]) for a, t in titles.items() if t and a.startswith("/projects/")]
    refused = ("That won't work yet", "Page not found")
    assert not [t for t in of_quilts if t.count(" – ") < 2 and not t.startswith(refused)]


def test_an_empty_kersey_and_what_it_refuses(client: TestClient) -> None:
    for address, page in pages(client):
        assert not faults_of_page(page), address


def test_in_centimetres_too(sampled: TestClient) -> None:
    page = sampled.get("/settings").text
    revision = re.search(r'name="revision" value="(\d+)"', page)
    assert revision
    sampled.post("/settings", data={"units": "cm", "revision": revision[1]})
    for number in (1, 4, 6):
        for stage in ("pull", "size", "cut", "finish", "away"):
            page = sampled.get(f"/projects/{number}/{stage}").text
            assert not faults_of_page(page), (number, stage)


def test_what_is_wrong_is_said_as_well_as_what_is_right(sampled: TestClient) -> None:
    refused = 0
    for path, fields in FORMS.items():
        # Every field wrong at once, in two ways; at night each alone too, in one way after another.
        together = [dict.fromkeys(fields, wrong) for wrong in _WRONG[:2]]
        alone = [{field: wrong} for field, wrong in zip(fields, cycle(_WRONG), strict=False)]
        for sent in together + (alone if by_night() else []):
            data = {**sent, "revision": revision_for(sampled, path)}
            answer = sampled.post(path, data=data, follow_redirects=False)
            refused += answer.status_code == 422
            # What was sent is given back by the names of its fields.
            shown = re.sub(r'<dl class="typed">.*?</dl>', "", answer.text, flags=re.DOTALL)
            assert not faults_of_page(shown), (path, sent)
    assert refused > len(FORMS)


@pytest.mark.parametrize("key", TERMS)
def test_a_term_is_told_in_a_sentence_and_found_where_it_stands(key: str) -> None:
    term = TERMS[key]
    assert not faults(term.says)
    assert len(term.says.split()) <= 20
    assert term.says.endswith(".")
    for word in (term.word, *term.also):
        assert key in [found for _, found in terms_in(f"Look at the {word}, then sew.")]


def test_the_glossary_tells_every_term_and_fields_are_said_well(client: TestClient) -> None:
    glossary = unescape(client.get("/glossary").text)
    for key, term in TERMS.items():
        assert f'id="{key}"' in glossary
        assert term.says in glossary
    for said in FIELDS.values():
        assert not faults(f"{said.label}. {said.hint}")
