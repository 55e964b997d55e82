"""Much fabric at once: how long it takes, and how long any other change has to wait meanwhile.

A quilt begun with 5,000 prints, a spreadsheet of 20,000 lots, and one file of everything of some
26 MB, each on a site of its own, while somebody else puts in one cloth after the other.
"""

import json
import tempfile
from collections.abc import Callable
from pathlib import Path
from threading import Event, Thread
from time import perf_counter

from fastapi.testclient import TestClient

from kersey.web.app import create_app
from kersey.web.server_settings import ServerSettings

ADDRESS = "http://127.0.0.1:8000"
_PROJECTS = 3300
_HEAD = "lot,form,pieces,width,length,print,value,ground,figure,motif\n"


def main() -> None:
    charms = {"line": "5000 charm squares, 5000 prints"}
    _measure(
        "5,000 charm squares",
        lambda site: site.post("/projects", data=charms, follow_redirects=False),
    )
    lines = (
        f"lot {n},piece,3,9 in,12 in,cloth {n},light,#aabbcc,#112233,dot\n" for n in range(20_000)
    )
    table = {"file": ("lots.csv", (_HEAD + "".join(lines)).encode())}
    _measure("20,000 lots", lambda site: site.post("/cupboard/spreadsheet", files=table))
    file = {"file": ("kersey.json", _everything())}
    megabytes = len(file["file"][1]) / 1e6
    _measure(f"a file of {megabytes:.0f} MB", lambda site: site.post("/everything", files=file))


def _site(folder: str) -> TestClient:
    app = create_app(ServerSettings(data=Path(folder), host="127.0.0.1", port=8000))
    return TestClient(app, base_url=ADDRESS)


def _measure(what: str, bring: Callable[[TestClient], object]) -> None:
    with tempfile.TemporaryDirectory() as folder, _site(folder) as site:
        site.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
        over, waits = Event(), [0.0]
        other = Thread(target=_put_in, args=(site, over, waits))
        other.start()
        begun = perf_counter()
        bring(site)
        while site.app.state.workroom.jobs.under_way:  # type: ignore[attr-defined]
            over.wait(0.02)
        taken = perf_counter() - begun
        over.set()
        other.join()
        print(f"{what:<22}{taken:6.1f} s; another change waited {max(waits):.1f} s at most")


def _put_in(site: TestClient, over: Event, waits: list[float]) -> None:
    """Put a cloth in again and again, as another window would."""
    number = 0
    while not over.is_set():
        begun = perf_counter()
        line = {"lines": f"2 yd cloth no. {number}"}
        answer = site.post("/cupboard", data=line)
        waits.append(perf_counter() - begun)
        assert answer.status_code in {200, 503}, answer.text[:200]
        number += 1
        over.wait(0.05)


def _everything() -> bytes:
    """A file of thousands of quilts, each of a roll of its own."""
    with tempfile.TemporaryDirectory() as folder, _site(folder) as site:
        site.post("/projects", data={"line": "roll of 40 strips, 20 prints"})
        one = json.loads(site.get("/everything.json").text)
    lots, projects = [], []
    for place in range(_PROJECTS):
        lots.append({**one["cupboard"][0], "name": f"roll {place}"})
        project = json.loads(json.dumps(one["projects"][0])) | {"name": f"quilt {place}"}
        for fabric in project["fabrics"]:
            fabric["lot"] = place
        projects.append(project)
    return json.dumps(one | {"cupboard": lots, "projects": projects}).encode()


if __name__ == "__main__":
    main()
