"""Fabric pulled by HTTP: parts of lots, roles, judgements, returned, spoiled, and the ledger."""

import re
from html import unescape
from itertools import pairwise

import pytest
from fastapi.testclient import TestClient

HTMX = {"hx-request": "true"}


@pytest.fixture
def site(client: TestClient) -> TestClient:
    """A quilt (1) of a roll (lot 1), and in the cupboard charms (2), charcoal (3), crumbs (4)."""
    client.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
    lines = "42 charm squares, 21 prints\n2 1/4 yd charcoal\n900 g crumbs"
    client.post("/cupboard", data={"lines": lines})
    return client


def revision(client: TestClient, project: int = 1) -> str:
    page = client.get(f"/projects/{project}/pull").text
    found = re.search(r'name="revision" value="(\d+)"', page)
    assert found
    return found[1]


def send(client: TestClient, path: str, **fields: str) -> str:
    project = re.search(r"/projects/(\d+)/", path)
    assert project
    data = {"revision": revision(client, int(project[1])), **fields}
    answer = client.post(path, data=data)
    assert answer.status_code == 200, answer.text[:300]
    return str(answer.text)


def shelf(client: TestClient) -> str:
    return unescape(client.get("/cupboard").text)


def lot_of(client: TestClient, name: str) -> str:
    page = client.get("/cupboard").text
    found = re.search(rf'<a href="/cupboard/lots/(\d+)">{name}', page)
    assert found
    return found[1]


def test_a_part_of_a_lot_is_pulled_and_the_cupboard_says_who_holds_it(site: TestClient) -> None:
    charms = lot_of(site, "42 squares")
    page = send(site, "/projects/1/fabrics", lot=charms, pieces="14")
    assert "54 pieces, 34 prints" in page
    assert "14 pulled for Roll of 40 strips" in shelf(site)
    assert "28 free" in shelf(site)
    lot = site.get(f"/cupboard/lots/{charms}").text
    assert "28 of 42 free." in lot
    back = site.post(f"/cupboard/lots/{charms}/return", data={"project": "1"})
    assert "Pulled for</h2>" not in back.text


def test_what_another_quilt_holds_is_not_to_be_had(site: TestClient) -> None:
    site.post("/projects", data={"line": "6 strips, 6 prints"})
    answer = site.post(
        "/projects/2/fabrics", data={"revision": revision(site, 2), "lot": "1", "pieces": "3"}
    )
    assert answer.status_code == 422
    assert "None of “Roll of 40 strips” is free. Another quilt has it." in answer.text
    assert (
        "all pulled for other quilts"
        in site.get("/projects/2/pull/find", params={"words": "roll"}).text
    )


def test_a_length_and_a_weight_are_pulled(site: TestClient) -> None:
    send(site, "/projects/1/fabrics", lot=lot_of(site, "charcoal"), pieces="1 yd")
    send(site, "/projects/1/fabrics", lot=lot_of(site, "Scraps"), pieces="400 g")
    page = shelf(site)
    assert "42 × 45″" in page
    assert "42 × 36″" in page
    assert "500 g of scraps" in page
    wall = site.get("/projects/1/pull").text
    assert ">36″</span> charcoal" in wall
    assert ">400 g</span>" in wall


@pytest.mark.parametrize("pieces", ["43", "-1", "many", "1/2", "0", "9" * 30])
def test_more_than_there_is_or_no_number_pulls_nothing(site: TestClient, pieces: str) -> None:
    data = {"revision": revision(site), "lot": lot_of(site, "42 squares"), "pieces": pieces}
    answer = site.post("/projects/1/fabrics", data=data)
    assert answer.status_code == 422
    assert 'class="field-error"' in answer.text
    assert "pulled for" in shelf(site)
    assert "42 squares" in shelf(site)


def test_a_line_not_in_the_cupboard_is_put_in_and_pulled(site: TestClient) -> None:
    found = site.get("/projects/1/pull/find", params={"words": "6 light fat quarters"})
    assert "6 fat quarters" in found.text
    assert "Press Enter to add it and pull it" in found.text
    page = send(site, "/projects/1/fabrics/line", words="6 light fat quarters")
    assert "46 pieces" in page
    assert "all pulled for Roll of 40 strips" in shelf(site)
    bad = site.post(
        "/projects/1/fabrics/line", data={"revision": revision(site), "words": "3 hats"}
    )
    assert bad.status_code == 422
    assert 'value="3 hats"' in bad.text


def test_fabrics_are_renamed_recoloured_judged_and_measured(site: TestClient) -> None:
    send(site, "/projects/1/fabrics/0", name="Grandma's <b>", ground="#ffffff", scale="large")
    send(site, "/projects/1/fabrics/1", pulled="1")
    send(site, "/projects/1/fabrics/border", name="blind")
    page = send(site, "/projects/1/fabrics/0/next", judgement="value")
    assert "Grandma's &lt;b&gt;" in page
    assert "Grandma's <b>" not in page
    assert 'value="#ffffff"' in page
    assert "39 strips, 20 prints" in page
    assert "blind" in page
    assert "1 of 40 free" in unescape(site.get("/cupboard/lots/1").text)
    send(site, "/projects/1/fabrics/0", sizes="true", width="2 1/2", measured_length="41 1/4")
    assert "41¼″: <b>" in site.get("/projects/1/yield/block").text
    wrong = {"ground": "red", "pulled": "x", "name": "y" * 99}
    bad = site.post("/projects/1/fabrics/0", data={"revision": revision(site), **wrong})
    assert bad.status_code == 422
    assert bad.text.count('class="field-error"') == 3
    wide = {"revision": revision(site), "sizes": "true", "width": "99"}
    assert "A strip can be" in site.post("/projects/1/fabrics/0", data=wide).text
    gone = site.post("/projects/1/fabrics/77", data={"revision": revision(site)})
    assert gone.status_code == 404


def test_fabrics_serve_roles_one_or_several(site: TestClient) -> None:
    send(site, "/projects/1/fabrics/0/role", role="light")
    send(site, "/projects/1/fabrics/0/role", role="feature", besides="true")
    send(site, "/projects/1/fabrics/1/role", role="dark")
    send(site, "/projects/1/fabrics/2/role", role="dark", instead_of="any")
    page = send(site, "/projects/1/fabrics/0/role", role="binding", besides="true")
    groups = re.findall(r'<section class="role" data-role="(\w+)"', page)
    assert groups == ["any", "light", "dark", "feature", "binding"]
    assert "You need twice as much light fabric to match the dark." in page
    assert "binding: tail lamp spot" not in page, "fabric is pulled for it"
    page = send(site, "/projects/1/fabrics/0/role", role="binding", besides="true")
    assert 'data-role="binding" aria' not in page


def mark_of_lot(site: TestClient) -> str:
    """The roll of the project, and the state of it that is shown."""
    found = re.search(
        rf'value="({lot_of(site, "Roll of 40 strips")}-\d+)"', site.get("/cupboard").text
    )
    assert found
    return found[1]


def test_no_advice_rests_on_what_nobody_has_said(site: TestClient) -> None:
    """Placeholders are numbered; light and dark of them are not counted, judged or warned of."""
    page = site.get("/projects/1/pull").text
    assert "with no value set." in page
    assert "would read" not in page
    assert "Nearly all" not in page
    page = send(site, "/projects/1/fabrics/0", name="ticket stripe", value="light")
    assert "1 light" in page or "2 light" in page
    second = site.post("/cupboard", data={"lines": "roll of 40 strips, 20 prints"}).text
    assert "Roll of 40" in second
    csv = site.get("/cupboard.csv").text
    numbers = re.findall(r"print (\d+)", csv)
    assert len(numbers) == len(set(numbers))


def test_fabrics_are_laid_in_order_and_judged_together(site: TestClient) -> None:
    site.post("/cupboard/change", data={"act": "confirm", "lot": mark_of_lot(site)})

    def names(page: str) -> list[str]:
        return re.findall(r'fabric-count">\d+</span> ([^<]+)<', page)

    first = names(site.get("/projects/1/pull").text)
    page = send(site, "/projects/1/move", place="0", to="2")
    assert names(page) == [first[1], first[2], first[0], *first[3:]]
    for order in ("gradient", "rainbow", "family", "value"):
        page = send(site, "/projects/1/order", order=order)
        assert sorted(names(page)) == sorted(first)
    assert "would read" not in page
    page = send(site, "/projects/1/fabrics/0/next", judgement="value")
    assert "1 print would read lighter or darker" in page
    assert "would read" not in send(site, "/projects/1/judge")


def test_a_fabric_is_set_aside_and_brought_back(site: TestClient) -> None:
    page = send(site, "/projects/1/fabrics/0/aside", reason="does not belong")
    assert "print 1: doesn't go" in page
    # What is said of the blocks follows once they are counted.
    assert site.get("/projects/1/size").status_code == 200
    status = site.get("/projects/1/pull").text
    assert "78 blocks" in status or "76 blocks" in status
    assert "Set aside <kbd>x</kbd></h3>" in page
    page = send(site, "/projects/1/fabrics/0/aside")
    assert "Set aside <kbd>x</kbd></h3>" not in page
    bad = {"revision": revision(site), "reason": "ugly"}
    assert site.post("/projects/1/fabrics/0/aside", data=bad).status_code == 422


def test_strips_of_another_width_are_counted(site: TestClient) -> None:
    page = site.get("/projects/1/pull", params={"strips": "1 1/4"}).text
    assert "<b>80</b> strips, 93.3 yd in all" in page
    for wrong in ("wide", "0", "900"):
        page = site.get("/projects/1/pull", params={"strips": wrong}).text
        assert 'id="strips-error"' in page


def test_pieces_pulled_are_drawn_from_a_bag(site: TestClient) -> None:
    page = site.get("/projects/1/bag").text
    drawn = re.findall(r"</svg><span>([^<]+)</span>", page)
    assert len(drawn) == 40
    assert all(one != other for one, other in pairwise(drawn))
    assert page != site.get("/projects/1/bag?draw=2").text


def test_what_is_spoiled_is_gone_and_written_down(site: TestClient) -> None:
    send(site, "/projects/1/fabrics/0/spoil", spoiled="1")
    assert "39 strips" in site.get("/projects/1/pull").text
    ledger = site.get("/cupboard/lots/1/ledger").text
    assert re.search(r"0.1 sq yd</b> lost", ledger)
    bad = site.post(
        "/projects/1/fabrics/0/spoil", data={"revision": revision(site), "spoiled": "9"}
    )
    assert "Only 1 are still uncut." in bad.text


@pytest.mark.parametrize("planned", [False, True])
def test_everything_returned_leaves_a_bare_wall(site: TestClient, planned: bool) -> None:
    if planned:
        assert "54 × 66" in site.get("/projects/1/size").text
    page = send(site, "/projects/1/fabrics/all/return")
    assert "Nothing pulled yet" in page
    for stage in ("yield", "size", "cut"):
        page = site.get(f"/projects/1/{stage}")
        assert page.status_code == 200
        assert "No fabric is pulled for the blocks" in page.text
        assert "54 × 66" not in page.text
        assert "out of date" not in page.text
    assert site.get("/").status_code == 200
    assert site.get("/projects/1/yield/try").status_code == 422


def test_a_settled_plan_says_that_its_fabric_is_gone(site: TestClient) -> None:
    site.get("/projects/1/size")
    send(site, "/projects/1/grid", grid="8x10")
    send(site, "/projects/1/fabrics/all/return")
    for stage in ("size", "cut"):
        page = site.get(f"/projects/1/{stage}").text
        assert "This plan is out of date." in page
        assert "No fabric is pulled for the blocks" in page
        assert "54 × 66" in page


def test_a_copy_is_a_sketch(site: TestClient) -> None:
    site.post("/projects/1/copy")
    page = site.get("/projects/2/pull").text
    assert "A sketch doesn't tie up fabric." in page
    assert site.get("/projects/2/yield/block").status_code == 200
    refused = site.post("/projects/2/hold", data={"revision": "1"})
    assert refused.status_code == 409
    assert "Return some there first" in refused.text
    site.post("/projects/1/delete")
    assert "A sketch doesn't" not in send(site, "/projects/2/hold")


def test_ticked_lots_are_pulled_from_the_cupboard(site: TestClient) -> None:
    marks = re.findall(r'name="lot" value="([^"]+)"', site.get("/cupboard").text)
    answer = site.post("/cupboard/change", data={"act": "pull", "project": "1", "lot": marks})
    assert answer.url.path == "/projects/1/pull"
    assert "84 pieces" in answer.text
    assert shelf(site).count("all pulled for Roll of 40 strips") == 4


def test_cut_used_and_put_away_add_up(site: TestClient) -> None:
    sheet = site.get("/projects/1/cut").text
    step = re.search(r'name="step" value="(cut-[^"]+)"', sheet)
    assert step
    send(site, "/projects/1/steps", step=step[1], done="true")
    used_up = site.get("/cupboard", params={"aside": "used"}).text
    assert "all pulled for Roll of 40 strips, cut" in used_up
    assert "Roll of 40 strips</a>" not in site.get("/cupboard").text
    ledger = send(site, "/projects/1/put-away")
    assert "put away" in ledger
    page = site.get("/cupboard/lots/1/ledger").text
    numbers = re.search(r"<b>(.+?)</b> in = <b>(.+?)</b> used \+ <b>(.+?)</b> left", page)
    assert numbers
    assert "Roll of 40 strips: strip ends" in shelf(site)
    late = site.post("/projects/1/steps", data={"revision": revision(site), "step": step[1]})
    assert late.status_code == 422
    assert "leftovers are put away" in late.text
    assert "All fabric" in site.get("/ledger").text


def test_fragments_and_pages_say_the_same(site: TestClient) -> None:
    data = {"revision": revision(site), "role": "dark"}
    answer = site.post("/projects/1/fabrics/0/role", data=data, headers=HTMX)
    assert 'id="table"' in answer.text
    assert '"revision": 2' in answer.headers["hx-trigger"]
    stale = site.post("/projects/1/fabrics/0/role", data=data, headers=HTMX)
    assert stale.status_code == 409


def test_enter_pulls_the_lot_that_is_called_so_and_puts_nothing_in(site: TestClient) -> None:
    before = site.get("/cupboard").text.count('name="lot"')
    page = send(site, "/projects/1/fabrics/line", words="42 squares")
    assert '<span class="figure">82</span> pieces' in page
    assert site.get("/cupboard").text.count('name="lot"') == before
    data = {"revision": revision(site), "words": "o"}
    several = site.post("/projects/1/fabrics/line", data=data)
    assert several.status_code == 422
    assert "Choose one below" in several.text
    page = send(site, "/projects/1/fabrics/line", words="42 charm squares", fresh="true")
    assert '<span class="figure">124</span> pieces' in page
    assert site.get("/cupboard").text.count('name="lot"') == before + 1


def test_washing_takes_of_both_sides_and_what_is_left_is_said_everywhere(site: TestClient) -> None:
    number = lot_of(site, "charcoal")
    facts = {"revision": "1", "name": "charcoal", "width": "42", "length": "80"}
    washed = site.post(f"/cupboard/lots/{number}", data=facts | {"shrinkage": "5"})
    assert washed.status_code == 200
    # 42 and 80 less five in a hundred.
    assert "After washing 39 9⁄10 × 76″" in site.get(f"/cupboard/lots/{number}").text
    found = site.get("/projects/1/pull/find", params={"words": "charcoal"}).text
    assert 'value="76″"' in found
    page = send(site, "/projects/1/fabrics", lot=number, pieces="76″")
    assert 'fabric-count">76″</span> charcoal' in page
    across = facts | {"revision": "2", "shrinkage": "5", "shrinkage_across": "0"}
    site.post(f"/cupboard/lots/{number}", data=across)
    assert "After washing 42 × 76″" in site.get(f"/cupboard/lots/{number}").text
