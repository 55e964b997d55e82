"""The browser's side of every page: bytes, nodes, and the longest task, over the sample world.

A page of more than 150 KB or 2,500 nodes, or one that keeps the browser busy for more than 100 ms
at a time, is marked. Pages may be named. Needs Chromium: `KERSEY_CHROMIUM`, or /usr/bin/chromium.
"""

import os
import sys
import tempfile
from pathlib import Path
from threading import Thread

import uvicorn
from playwright.sync_api import sync_playwright

from kersey.demo.sample_world import load_sample_world
from kersey.web.app import create_app
from kersey.web.listening import open_listener
from kersey.web.server_settings import ServerSettings

MOST_KILOBYTES, MOST_NODES, MOST_MILLISECONDS = 150, 2500, 100
STAGES = (
    "pull", "yield", "yield/wall", "yield/block", "size", "size/tryouts", "size/shopping",
    "arrange", "arrange/map", "cut", "cut/table", "sew", "sew/pressing", "finish", "away",
)  # fmt: skip
OTHERS = ("/", "/cupboard", "/cupboard/questions", "/cupboard/units", "/ledger", "/settings")
WATCH = """
window.longest = 0;
new PerformanceObserver((list) => {
  for (const task of list.getEntries()) window.longest = Math.max(window.longest, task.duration);
}).observe({ type: "longtask", buffered: true });
"""
BUSY_ARGUMENTS = ["--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"]


def main() -> None:
    """Print a line for each page."""
    with tempfile.TemporaryDirectory() as folder:
        load_sample_world(Path(folder))
        listener = open_listener("127.0.0.1", 0)
        site = f"http://127.0.0.1:{listener.getsockname()[1]}"
        app = create_app(ServerSettings(data=Path(folder)))
        server = uvicorn.Server(uvicorn.Config(app, log_level="warning"))
        thread = Thread(target=server.run, kwargs={"sockets": [listener]})
        thread.start()
        try:
            _measure(site)
        finally:
            server.should_exit = True
            thread.join()


def _measure(site: str) -> None:
    pages = sys.argv[1:] or [
        *OTHERS,
        *(f"/projects/{n}/{stage}" for n in range(1, 7) for stage in STAGES),
    ]
    print(f"{'page':34} {'KB':>6} {'nodes':>7} {'longest task, ms':>17}")
    with sync_playwright() as playwright:
        chromium = os.environ.get("KERSEY_CHROMIUM", "/usr/bin/chromium")
        browser = playwright.chromium.launch(executable_path=chromium, args=BUSY_ARGUMENTS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.add_init_script(WATCH)
        for address in pages:
            for _ in range(2):
                answer = page.goto(site + address)
                page.wait_for_load_state("networkidle", timeout=600_000)
            assert answer is not None
            weight = len(answer.body()) / 1024
            nodes = page.evaluate("document.querySelectorAll('*').length")
            longest = page.evaluate("window.longest")
            over = weight > MOST_KILOBYTES or nodes > MOST_NODES or longest > MOST_MILLISECONDS
            print(f"{address:34} {weight:6.0f} {nodes:7} {longest:17.0f}{'  !' if over else ''}")
        browser.close()


if __name__ == "__main__":
    main()
