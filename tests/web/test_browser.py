"""The program as its users work it: a real browser, mouse and keyboard, a real server."""

import re
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import BrowserContext, Page, expect
from tests.nights import at_night
from tests.web.conftest import Server, Site

# A fact is waited for as long as a busy machine may need for it, never for a time.
expect.set_options(timeout=60_000)
PAGES = ("/", "/projects/5/pull", "/projects/5/yield", "/projects/5/size",
         "/projects/4/cut", "/cupboard", "/cupboard/lots/6",
         "/cupboard/lots/8/bag", "/cupboard/how-to-say-it", "/camera",
         "/projects/6/yield/wall", "/projects/6/yield/own", "/projects/5/size/quilts",
         "/projects/6/size/shopping", "/projects/6/arrange", "/projects/6/arrange/map",
         "/projects/6/arrange/real", "/projects/6/cut/table",
         "/projects/6/cut/labels", "/projects/6/sew", "/projects/6/sew/pressing",
         "/projects/6/sew/measures", "/tape",
         "/cupboard/units", "/cupboard/questions", "/projects/5/finish",
         "/projects/6/finish/layers", "/projects/6/finish/edge",
         "/projects/6/away?rules=2+1/2+strips&least=1",
         "/projects/6/cut/wrong?happened=blocks+are+lost&blocks=2")  # fmt: skip

# The same pages in another state, and pages of fields, tables and words that others have too.
LIKE_OTHERS = ("/projects/4/size", "/projects/4/pull", "/cupboard/lots/17/ledger",
               "/settings", "/nowhere", "/projects/4/ledger", "/ledger", "/prices", "/border",
               "/projects/6/size/tryouts", "/projects/6/size/backing",
               "/projects/6/arrange/versions", "/projects/6/sew/time",
               "/projects/6/finish/quilting", "/projects/6/finish/after")  # fmt: skip
# Those with drawings and signals of their own, and those used at the table.
IN_THE_EVENING = (
    "/", "/cupboard", "/projects/5/pull", "/projects/5/yield", "/projects/5/size",
    "/projects/6/arrange", "/projects/6/cut/table", "/projects/4/cut", "/projects/6/sew",
    "/projects/6/finish/edge",
)  # fmt: skip


@pytest.fixture
def talking_page(page: Page) -> Iterator[Page]:
    """A page on which no script may fail and no policy be broken."""
    said: list[str] = []
    page.on("pageerror", lambda error: said.append(str(error)))
    page.on("console", lambda m: said.append(m.text) if "Content Security" in m.text else None)
    yield page
    assert said == []


def settled(page: Page) -> None:
    """Wait until htmx has nothing under way."""
    page.wait_for_load_state("networkidle")
    under_way = ".htmx-request, .htmx-swapping, .htmx-settling, .htmx-added"
    expect(page.locator(under_way)).to_have_count(0)


def start(page: Page, url: str, line: str = "roll of 40 strips, 20 prints") -> None:
    """Begin with a line, and go to the block that Kersey proposes, without looking round first."""
    begun = page.request.post(
        f"{url}/projects", form={"line": line}, headers={"Origin": url}, max_redirects=0
    )
    page.goto(f"{url}{begun.headers['location'].removeprefix(url)}/block")


def choose(page: Page, recipe: str) -> None:
    """Choose a block by looking at the quilts the fabric can become."""
    page.keyboard.press("b")
    page.locator(f"label:has(#look-{recipe}) img").click()
    expect(page.locator(f"#tally input[value='{recipe}']")).to_have_count(1)
    page.keyboard.press("Enter")
    page.wait_for_url("**/yield")


def narrowed(page: Page) -> None:
    """No border."""
    page.fill("#border_width", "0")
    page.locator("#border_width").press("Tab")


def test_from_a_line_to_a_cutting_sheet_by_keyboard_alone(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(server.url)
    page.keyboard.press("/")
    page.keyboard.type("roll of 40 strips, 20 prints")
    expect(page.locator("#reading .in-words")).to_contain_text("40 strips")
    page.keyboard.press("Enter")
    page.wait_for_url("**/yield")
    page.locator("#look-rails").focus()
    page.keyboard.press("Space")
    expect(page.locator("#tally caption")).to_contain_text("Rail fence")
    page.keyboard.press("Enter")
    expect(page.locator("#chosen-words")).to_contain_text("Rail fence")
    expect(page.locator("#tally .figure")).to_have_text("80")
    settled(page)
    page.keyboard.press("Enter")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    settled(page)
    page.keyboard.press("ArrowRight")
    expect(page.locator("#tally .figure")).to_have_text("54 × 60")
    settled(page)
    page.keyboard.press("ArrowRight")
    expect(page.locator("#tally .figure")).to_have_text("48 × 66")
    settled(page)
    page.keyboard.press("ArrowLeft")
    expect(page.locator("#order .here .status")).to_have_text("8 × 9, 54 × 60″")
    page.keyboard.press("Enter")
    page.wait_for_url("**/arrange")
    expect(page.locator(".place")).to_have_count(72)
    settled(page)
    page.keyboard.press("Enter")
    expect(page.locator("h1")).to_have_text("Rail fence from roll of 40 strips")
    expect(page.locator(".step-title").nth(2)).to_contain_text("Cut 36 strips")


def test_the_ruler_is_dragged_and_the_count_follows(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url, "40 strips 2 1/2 x 39 1/2, 20 prints")
    expect(page.locator("#tally .going-on")).to_have_count(0)
    expect(page.locator("#tally")).to_contain_text(
        "80 blocks need 39″ of “40 strips”; any less makes 66."
    )
    slider = page.locator("#usable")
    slider.scroll_into_view_if_needed()
    box = slider.bounding_box()
    assert box
    page.mouse.move(box["x"] + box["width"] * 0.5, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] * 0.25, box["y"] + box["height"] / 2, steps=6)
    expect(page.locator("#tried b")).to_have_text("66")
    page.mouse.up()
    expect(page.locator("#tally .figure")).to_have_text("80")
    page.click("text=Save measurement")
    expect(page.locator("#tally .figure")).to_have_text("66")


def test_another_block_and_another_plan_at_one_click(talking_page: Page, own_sample: Any) -> None:
    page = talking_page
    page.goto(f"{own_sample.url}/projects/6/yield")
    expect(page.locator("#tally .figure")).to_have_text(re.compile("4[0-9]"))
    choose(page, "two-bar")
    expect(page.locator(".block-drawing title")).to_contain_text("4″ finished")
    expect(page.locator("#plans .plan b").nth(1)).to_have_text(re.compile("[0-9]+"), timeout=30_000)
    even = page.locator("#plans .plan").nth(1)
    blocks = even.locator("b").inner_text()
    even.click()
    expect(page.locator("#tally .figure")).to_have_text(blocks)
    expect(page.locator("#order .here .status")).to_contain_text("all cut the same way")
    expect(page.locator("#tally .going-on")).to_have_count(0, timeout=60_000)
    # A piece with the focus shows in the block and in every cut.
    row = page.locator(".needs tbody tr").first
    row.focus()
    expect(page.locator(".block-drawing .lit")).to_have_count(1)
    expect(page.locator(".layout-drawing .lit").first).to_be_visible()
    page.fill("[name=promised_blocks]", blocks)
    page.click(".claim button")
    expect(page.locator("#verdicts")).to_contain_text(re.compile("That's right|more"))
    choose(page, "log-cabin")
    expect(page.locator(".block-drawing title")).to_contain_text("9½″ finished")


def test_what_is_not_understood_is_shown_and_not_lost(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(server.url)
    page.fill("#line", "roll of 40 strips, 20 prints, plaid")
    expect(page.locator("#reading .unread")).to_have_text("plaid")
    page.click("text=Use this fabric")
    expect(page.locator("#line")).to_have_value("roll of 40 strips, 20 prints, plaid")
    expect(page.locator("#reading .problem")).to_contain_text("Kersey doesn't know “plaid”")


def test_mouse_through_print_size_border_and_ticks(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Pull")
    page.click("#fabric-3-any")
    expect(page.locator("#name")).to_have_value("print 4")
    page.fill("#name", "guard's lamp")
    page.keyboard.press("Tab")
    expect(page.locator("#fabric-3-any .fabric-name")).to_contain_text("guard's lamp")
    settled(page)
    page.click("text=Colors and motif")
    page.select_option("#motif", "check")
    expect(page.locator("#motif")).to_have_value("check")
    page.click("#order >> text=Size")
    page.click(".size >> nth=4")
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")
    settled(page)
    narrowed(page)
    expect(page.locator("#tally .figure")).to_have_text("42 × 54")
    settled(page)
    page.select_option("#purpose", "queen")
    expect(page.locator("#drop")).to_have_value("12″")
    page.click("#order >> text=Cut")
    page.check(".step >> nth=0 >> input[type=checkbox]")
    expect(page.locator("#tally .figure")).to_have_text("1")
    page.fill("#project-name", "Guard's van quilt")
    page.keyboard.press("Enter")
    settled(page)
    page.goto(server.url)
    expect(page.locator(".hanger h2")).to_have_text("Guard's van quilt")


def test_widths_are_pulled_in_eighths_by_keys(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    settled(page)
    page.focus("#border_width")
    page.keyboard.press("ArrowUp")
    expect(page.locator("#tally .figure")).to_have_text("54¼ × 66¼")
    expect(page.locator("#border_width")).to_be_focused()
    page.keyboard.press("ArrowDown")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    settled(page)
    page.focus("#sashing_width")
    page.keyboard.press("ArrowUp")
    expect(page.locator(".quilt-drawing title")).to_contain_text("sashing of ⅛″")


def test_a_border_is_pulled_out_with_the_pointer(talking_page: Page, server: Any) -> None:
    """Every eighth on the way is tried; however many are sent, the last one counts."""
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    settled(page)
    handle = page.locator('[data-pulls="border_width"][data-axis="x"][data-way="1"]')
    scale = handle.evaluate("handle => handle.ownerSVGElement.getScreenCTM().a")
    box = handle.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 3
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 2 * scale, y, steps=6)
    page.mouse.up()
    expect(page.locator("#tally .figure")).to_have_text("58 × 70")
    expect(page.locator("#border_width")).to_have_value("5″")
    settled(page)
    page.mouse.move(x + 9 * scale, y)
    expect(page.locator("#border_width")).to_have_value("5″")


def test_all_is_there_after_a_restart_and_ctrl_c_is_clean(
    talking_page: Page, tmp_path: Path
) -> None:
    page = talking_page
    # Planned before, by searches that the tests share.
    before = Site(tmp_path)
    start(page, before.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .going-on")).to_have_count(0)
    path = page.url.removeprefix(before.url)
    before.close()
    started = Server(tmp_path)
    started.start()
    page.goto(started.url + path)
    page.click(".size >> nth=2")
    expect(page.locator("#order .here .status")).to_have_text("7 × 10, 48 × 66″")
    assert str(started.folder) in started.said[0]
    status, out, err = started.stop()
    assert (status, err) == (0, "")
    assert "Everything is saved." in out
    page.click(".size >> nth=3")
    expect(page.locator("#notice")).to_contain_text("Kersey isn't answering")
    again = Site(tmp_path)
    page.goto(again.url + path)
    expect(page.locator("#tally .figure")).to_have_text("48 × 66")
    again.close()


def test_two_tabs_on_one_project(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Size")
    other = page.context.new_page()
    other.goto(page.url)
    page.click(".size >> nth=1")
    expect(page.locator("#tally .figure")).to_have_text("54 × 60")
    other.click(".size >> nth=2")
    expect(other.locator("#notice")).to_contain_text("changed in another window")
    other.reload()
    expect(other.locator("#tally .figure")).to_have_text("54 × 60")
    narrowed(page)
    expect(page.locator("#tally .figure")).to_have_text("48 × 54")
    other.click(".size >> nth=3")
    other.click("text=Use my change")
    expect(other.locator("#tally .figure")).to_have_text("42 × 66")
    other.close()


def test_what_is_changed_while_a_change_is_sent_is_not_lost(
    talking_page: Page, server: Any
) -> None:
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    held: list[Any] = []

    def hold(route: Any) -> None:
        # The first change is on its way until the second is made.
        held.append(route) if not held else route.continue_()

    page.route("**/size/frame", hold)
    narrowed(page)
    page.select_option("#backing_way", "wide")
    page.evaluate("htmx.trigger(document.body, 'kersey:thrift')")
    while not held:
        page.wait_for_timeout(10)
    held[0].continue_()
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")
    expect(page.locator("#backing_way")).to_have_value("wide")
    expect(page.locator("#border_width")).to_have_value("0″")
    expect(page.locator(".htmx-request:not(.going-on)")).to_have_count(0)
    page.reload()
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")
    expect(page.locator("#backing_way")).to_have_value("wide")


def test_what_was_just_exchanged_can_be_used_at_once(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    page.evaluate(
        """() => {
          new MutationObserver((_, observer) => {
            const border = document.querySelector("#border_width");
            if (!border) return;
            observer.disconnect();
            border.value = "0";
            border.dispatchEvent(new Event("change", { bubbles: true }));
          }).observe(document.querySelector(".tally-side"), { childList: true, subtree: true });
          htmx.trigger(document.body, "kersey:thrift");
        }"""
    )
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")


def test_what_was_asked_before_a_change_is_not_shown_after_it(
    talking_page: Page, server: Any
) -> None:
    page, held = talking_page, list[Any]()

    def late(route: Any) -> None:
        """The first answer is worked out at once, and comes when it is let go."""
        if held:
            route.continue_()
        else:
            held.append((route, route.fetch()))

    start(page, server.url)
    page.click("#order >> text=Size")
    expect(page.locator("#tally .figure")).to_have_text("54 × 66")
    expect(page.locator("#tally .going-on")).to_have_count(0)
    page.route("**/size?part=choice", late)
    with page.expect_request("**/size?part=choice"):
        page.evaluate("htmx.trigger(document.body, 'kersey:thrift')")
    narrowed(page)
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")
    route, answer = held[0]
    with page.expect_response("**/size?part=choice"):
        route.fulfill(response=answer)
    settled(page)
    expect(page.locator("#tally .figure")).to_have_text("48 × 60")


def test_delete_is_undone_with_one_key(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url)
    page.goto(server.url)
    page.click("summary")
    page.click("text=Delete")
    expect(page.locator(".hanger")).to_have_count(0)
    settled(page)
    page.locator("body").press("z")
    expect(page.locator(".hanger")).to_have_count(1)
    page.click("summary")
    page.click("text=Duplicate")
    expect(page.locator(".hanger h2").first).to_have_text("Roll of 40 strips copy")


def test_a_list_is_pasted_found_ticked_and_undone(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(f"{server.url}/cupboard")
    page.keyboard.press("/")
    page.keyboard.insert_text("12 light fat quarters\n2 1/4 yd charcoal\nthree hats")
    expect(page.locator(".reading-line")).to_have_count(3)
    expect(page.locator("#readings .unread")).to_have_text("hats")
    page.keyboard.press("Enter")
    expect(page.locator("#lines")).to_have_value("three hats")
    expect(page.locator(".lying")).to_have_count(2)
    page.fill("#words", "char")
    expect(page.locator(".lying")).to_have_count(1)
    expect(page).to_have_url(re.compile("words=char"))
    page.check("input[name=lot]")
    page.click("text=Save for binding")
    expect(page.locator(".why-aside")).to_have_text("saved for binding")
    settled(page)
    page.locator("h1").press("z")
    expect(page.locator(".why-aside")).to_have_count(0)
    page.click(".lying-name >> text=charcoal")
    page.fill("#name", "coal dust")
    page.keyboard.press("Enter")
    expect(page.locator(".shelves")).to_contain_text("coal dust")


def test_prints_are_dragged_and_moved_by_keys(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(f"{server.url}/cupboard")
    page.fill("#lines", "4 fat quarters")
    page.click("button >> text=Add fabric")
    page.click(".lying-name a")
    names = page.locator(".home-prints .print-name")
    before = names.all_inner_texts()
    page.drag_and_drop("[data-place='0']", "[data-place='2']")
    expect(names).to_have_text([before[1], before[2], before[0], before[3]])
    page.locator("[data-place='3'] summary").press("Alt+ArrowLeft")
    expect(names).to_have_text([before[1], before[2], before[3], before[0]])
    page.click("text=Keep as shown")
    page.click("text=By value")
    expect(page.locator(".home-prints .print-count").first).to_contain_text("light")


def test_fabrics_are_put_into_roles_by_mouse_and_by_key(talking_page: Page, server: Any) -> None:
    page = talking_page
    start(page, server.url, "40 strips, 6 prints")
    page.click("#order >> text=Pull")
    expect(page.locator(".role")).to_have_count(1)
    page.drag_and_drop("#fabric-0-any", "[data-role=border]")
    expect(page.locator("#role-border")).to_be_visible()
    settled(page)
    page.focus("#fabric-1-any")
    page.keyboard.press("d")
    expect(page.locator("#fabric-1-dark")).to_be_focused()
    page.keyboard.press("Shift+f")
    expect(page.locator("#fabric-1-feature")).to_be_visible()
    expect(page.locator("#fabric-1-dark")).to_be_visible()
    settled(page)
    page.drag_and_drop("#fabric-2-any", "#fabric-4-any")
    expect(page.locator(".role >> nth=0 >> .fabric-name").first).to_contain_text("print 4")
    settled(page)
    page.focus("#fabric-2-any")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("v")
    expect(page.locator("#value")).to_have_value("light")
    settled(page)
    page.keyboard.press("h")
    settled(page)
    expect(page.locator(".fabric > a:focus")).to_have_count(1)
    page.keyboard.press("r")
    expect(page.locator("#tally .figure")).to_have_text("34")


def test_fabric_is_found_pulled_and_returned_without_leaving(
    talking_page: Page, server: Any
) -> None:
    page = talking_page
    page.goto(f"{server.url}/cupboard")
    page.fill("#lines", '42 charm squares, 21 prints "charms"')
    page.click("button >> text=Add fabric")
    expect(page.locator("main a >> text=charms").first).to_be_visible()
    settled(page)
    start(page, server.url)
    page.click("#order >> text=Pull")
    page.wait_for_url("**/pull")
    settled(page)
    page.locator("#work h2").first.press("/")
    page.keyboard.type("charm")
    page.fill("input[name=pieces]", "14")
    page.click("#found >> text=Pull")
    expect(page.locator("#tally .figure")).to_have_text("54")
    page.fill("#words", "3 yd charcoal")
    expect(page.locator("#found")).to_contain_text("Press Enter to add it and pull it")
    page.press("#words", "Enter")
    expect(page.locator("#tally .figure")).to_have_text("55")
    page.click("text=Return all fabric")
    expect(page.locator(".bare-wall")).to_be_visible()
    page.goto(f"{server.url}/cupboard")
    expect(page.locator(".holder")).to_have_count(0)


def test_a_fan_of_strips_is_marked_with_a_line(talking_page: Page, server: Any) -> None:
    page = talking_page
    page.goto(f"{server.url}/camera")
    page.click("text=fan-of-eight-strips.jpg")
    page.check("text=Fanned strips: drag a line")
    photo = page.locator(".photo").bounding_box()
    assert photo
    middle = photo["y"] + photo["height"] / 2
    page.mouse.move(photo["x"] + photo["width"] * 0.1, middle)
    page.mouse.down()
    page.mouse.move(photo["x"] + photo["width"] * 0.91, middle, steps=5)
    page.mouse.up()
    expect(page.locator("#found .figure")).to_have_text("8")
    expect(page.locator(".looked-at rect")).to_have_count(8)
    page.fill("#line", "16 strips 2 1/2 x 42")
    page.click("text=Add to cupboard")
    expect(page.locator(".home-prints > li")).to_have_count(8)
    axe = Axe().run(page)
    assert axe.violations_count == 0, axe.generate_report()


def test_squinting_takes_the_colour_out(talking_page: Page, sample_server: Any) -> None:
    page = talking_page
    page.goto(f"{sample_server.url}/cupboard/lots/6")
    page.check("#squint")
    expect(page.locator(".home-prints .swatch").first).to_have_css(
        "filter", re.compile("grayscale")
    )


def test_keys_are_listed(talking_page: Page, sample_server: Any) -> None:
    page = talking_page
    page.goto(f"{sample_server.url}/projects/5/cut")
    page.keyboard.press("?")
    expect(page.locator("#keys")).to_contain_text("print the sheet")
    page.keyboard.press("Escape")
    expect(page.locator("#keys")).to_be_hidden()


# What is right needs no report.
VIOLATIONS = {"resultTypes": ["violations"]}
COLORS = {"runOnly": {"type": "rule", "values": ["color-contrast"]}}


@pytest.fixture(scope="session")
def looking(window: BrowserContext) -> Iterator[Page]:
    """One window for all that is only looked at: what every page needs is loaded once."""
    page = window.new_page()
    page.emulate_media(reduced_motion="reduce")
    yield page
    page.close()


@pytest.mark.parametrize("path", [*PAGES, *at_night(LIKE_OTHERS)])
def test_everybody_can_read_it(looking: Page, sample_server: Any, path: str) -> None:
    """No violation of accessibility, and nothing wider than a phone."""
    looking.set_viewport_size({"width": 1280, "height": 800})
    looking.emulate_media(color_scheme="light")
    looking.goto(sample_server.url + path)
    results = Axe().run(looking, options=VIOLATIONS)
    assert results.violations_count == 0, results.generate_report()
    looking.set_viewport_size({"width": 390, "height": 844})
    assert looking.evaluate("document.documentElement.scrollWidth") <= 390


@pytest.mark.parametrize(
    "path",
    [*IN_THE_EVENING, *at_night(p for p in (*PAGES, *LIKE_OTHERS) if p not in IN_THE_EVENING)],
)
def test_everybody_can_read_it_in_the_dark(looking: Page, sample_server: Any, path: str) -> None:
    """In another theme nothing but colors is another."""
    looking.set_viewport_size({"width": 1280, "height": 800})
    looking.emulate_media(color_scheme="dark")
    looking.goto(sample_server.url + path)
    results = Axe().run(looking, options=VIOLATIONS | COLORS)
    assert results.violations_count == 0, results.generate_report()


@pytest.mark.parametrize(
    "path", ["/projects/5/pull", "/projects/4/pull", "/projects/5/size", "/projects/6/arrange"]
)
def test_the_work_fits_a_screen_without_scrolling(
    looking: Page, sample_server: Any, path: str
) -> None:
    looking.set_viewport_size({"width": 1280, "height": 800})
    looking.goto(sample_server.url + path)
    for part in ("html", "#work", ".tally-side"):
        high, shown = looking.evaluate(
            f"(e => [e.scrollHeight, e.clientHeight])(document.querySelector('{part}'))"
        )
        assert high <= shown, part


@pytest.mark.parametrize("paper", ["a4", *at_night(["letter"])])
def test_the_sheet_prints_on_the_paper_chosen(
    page: Page, server: Any, paper: str, tmp_path: Path
) -> None:
    page.goto(f"{server.url}/settings")
    page.select_option("#paper", paper)
    page.click("text=Save settings")
    page.wait_for_url("**saved=true")
    start(page, server.url)
    page.click("#order >> text=Cut")
    page.wait_for_url("**/cut")
    expect(page.locator(".step-title").first).to_be_visible()
    pdf = page.pdf(prefer_css_page_size=True)
    size = {"letter": b"612 792", "a4": b"594.95996 841.91998"}[paper]
    assert b"/MediaBox [0 0 " + size in pdf
    page.close()
