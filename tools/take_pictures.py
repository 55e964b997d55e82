"""Takes the guide's pictures of the sample world into docs/screenshots: all, or those named."""

import re
import shutil
import subprocess
import sys
import tempfile
from dataclasses import dataclass
from pathlib import Path

from playwright.sync_api import Browser, Page, expect, sync_playwright

FOLDER = Path(__file__).parent.parent / "docs" / "screenshots"
DESK, PHONE = (1280, 800), (390, 844)
# Where tools/make_wall_pictures.py says the corners of the log cabin's picture are, in per cent.
WALL_CORNERS = ((27.8, 7.8), (78.5, 11.1), (78.0, 89.2), (20.2, 87.3))

FLAW = "happened=a+flaw+in+the+cloth&thing=3&left=17+1/2+x+9"


@dataclass(frozen=True)
class Shot:
    name: str
    path: str
    view: tuple[int, int] = DESK
    theme: str = "light"
    passes: int = 0
    fan: str = ""
    wall: str = ""


SHOTS = (
    Shot("first-page", "/"),
    Shot("pull", "/projects/4/pull"),
    Shot("fan-photo", "/camera", fan="fan-of-eight-strips.jpg"),
    Shot("yield", "/projects/6/yield"),
    Shot("yield-wall", "/projects/6/yield/wall?look=log-cabin"),
    Shot("unit-drawer", "/cupboard/units?strips=true"),
    Shot("cupboard", "/cupboard"),
    Shot("size", "/projects/5/size"),
    Shot("whole-quilts", "/projects/5/size/quilts"),
    Shot("tonight", "/cupboard/questions"),
    Shot("arrange", "/projects/6/arrange"),
    Shot("real-wall", "/projects/6/arrange/real", wall="wall-of-the-log-cabin.jpg"),
    Shot("cut", "/projects/4/cut"),
    Shot("at-the-table", "/projects/6/cut/table"),
    Shot("went-wrong", f"/projects/6/cut/wrong?{FLAW}"),
    Shot("sew", "/projects/6/sew", passes=16),
    Shot("finish-quilting", "/projects/6/finish/quilting"),
    Shot("put-away", "/projects/6/away?rules=2+1/2+strips&least=1+1/2"),
    Shot("sew-phone-dark", "/projects/6/sew", PHONE, "dark"),
)


def main() -> None:
    browser_path = next(filter(None, map(shutil.which, ("chromium", "google-chrome"))))
    with tempfile.TemporaryDirectory() as data, sync_playwright() as playwright:
        server, url = _serve(data)
        browser = playwright.chromium.launch(
            executable_path=browser_path,
            args=["--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"],
        )
        _wait_for_sample(browser, url)
        for shot in SHOTS:
            if len(sys.argv) == 1 or shot.name in sys.argv[1:]:
                _take(browser, url, shot)
        browser.close()
        server.terminate()
        server.wait()


def _serve(data: str) -> tuple[subprocess.Popen[str], str]:
    command = [sys.executable, "-c", "from kersey.cli import app; app()", "demo"]
    server = subprocess.Popen(
        [*command, "--port", "0", "--data", data], stdout=subprocess.PIPE, text=True
    )
    assert server.stdout is not None
    for line in server.stdout:
        found = re.search(r"Kersey is at (\S+)", line)
        if found:
            return server, found[1]
    raise SystemExit("the server did not start")


def _wait_for_sample(browser: Browser, url: str) -> None:
    """The quilts are made while the first page is shown already."""
    page = browser.new_page()
    page.goto(url)
    expect(page.locator(".waits")).to_have_count(0, timeout=600_000)
    page.close()


def _take(browser: Browser, url: str, shot: Shot) -> None:
    width, height = shot.view
    page = browser.new_page(
        viewport={"width": width, "height": height},
        color_scheme=shot.theme,  # type: ignore[arg-type]
    )
    page.goto(url + shot.path)
    for _ in range(shot.passes):
        _sewn(page)
    if shot.fan:
        _mark(page, shot.fan)
    if shot.wall:
        _mark_wall(page, shot.wall)
    page.wait_for_load_state("networkidle", timeout=600_000)
    page.screenshot(path=FOLDER / f"{shot.name}.png")
    page.close()


def _sewn(page: Page) -> None:
    """Tick the pass that is shown, and wait for the next."""
    key = page.locator(".table-next-form input[name=key]")
    shown = key.input_value()
    page.click(".table-cut")
    expect(key).not_to_have_value(shown)


def _mark_wall(page: Page, picture: str) -> None:
    """Mark the corners of a sample wall and read it."""
    page.click(f"text={picture}")
    for number, (x, y) in enumerate(WALL_CORNERS, 1):
        page.fill(f"[name=x{number}]", str(x))
        page.fill(f"[name=y{number}]", str(y))
    page.click("text=Read the wall")
    page.locator(".real-tally .figure").wait_for()


def _mark(page: Page, picture: str) -> None:
    """Draw a line across the strips of a sample picture."""
    page.click(f"text={picture}")
    page.check("text=Fanned strips: drag a line")
    photo = page.locator(".photo").bounding_box()
    assert photo is not None
    middle = photo["y"] + photo["height"] / 2
    page.mouse.move(photo["x"] + photo["width"] * 0.1, middle)
    page.mouse.down()
    page.mouse.move(photo["x"] + photo["width"] * 0.91, middle, steps=4)
    page.mouse.up()
    page.locator(".looked-at rect >> nth=7").wait_for(state="attached")


if __name__ == "__main__":
    main()
