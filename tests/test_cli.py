"""The command line: what is said, and what is refused in one line."""

import json
import socket
import sqlite3
import subprocess
import sys
from collections.abc import Callable, Iterator
from contextlib import closing, redirect_stderr, redirect_stdout
from io import BytesIO, TextIOWrapper
from pathlib import Path
from unittest.mock import patch

import pytest
from tests.nights import at_night
from tests.sample import take_sample_data

from kersey.cli import app
from kersey.store.database import FILE_NAME, open_database

REQUESTS = Path(__file__).parent.parent / "bench" / "requests"

Answer = subprocess.CompletedProcess[str]


def kersey(*words: str) -> Answer:
    """What a command answers, in this very process: it is begun once, not for every test."""
    out, err = (TextIOWrapper(BytesIO(), "utf-8", write_through=True) for _ in range(2))
    status: object = 0
    with patch("sys.argv", ["kersey", *words]), redirect_stdout(out), redirect_stderr(err):
        try:
            app()
        except SystemExit as left:
            status = left.code
    said = [stream.buffer.getvalue().decode() for stream in (out, err)]
    return Answer(words, int(str(status or 0)), *said)


def process(*words: str) -> Answer:
    """The same as a person starts it."""
    command = [sys.executable, "-c", "from kersey.cli import app; app()", *words]
    return subprocess.run(command, capture_output=True, text=True, timeout=1200, check=False)


@pytest.fixture
def busy() -> Iterator[Callable[[], None]]:
    """Keeps the machine busy with eight loops, from when it is called to the test's end."""
    loops: list[subprocess.Popen[bytes]] = []

    def begin() -> None:
        loops.extend(subprocess.Popen([sys.executable, "-c", "while True: pass"]) for _ in range(8))

    yield begin
    for loop in loops:
        loop.kill()
        loop.wait()


@pytest.mark.parametrize(
    ("command", "request_name"),
    [
        ("yield", "roll-00"),
        ("quilt", "roll-04"),
        *at_night(
            [
                ("yield", "scraps-010-2-nine-patch"),
                ("yield", "yardage-log-cabin-03"),
                ("yield", "scraps-010-8-log-cabin"),
            ]
        ),
    ],
)
def test_the_busiest_machine_gives_the_same_bytes(
    busy: Callable[[], None], command: str, request_name: str
) -> None:
    request = str(REQUESTS / f"{request_name}.json")
    quiet = process(command, request)
    busy()
    assert quiet.returncode == 0
    assert process(command, request).stdout == quiet.stdout


def test_a_port_that_is_taken(tmp_path: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        answer = kersey("serve", "--port", str(taken.getsockname()[1]), "--data", str(tmp_path))
    assert answer.returncode == 1
    assert "choose another port" in answer.stderr
    assert "Traceback" not in answer.stderr


@pytest.mark.parametrize("command", ["serve", "demo"])
def test_a_bad_data_file(tmp_path: Path, command: str) -> None:
    (tmp_path / FILE_NAME).write_text("no database " * 100)
    answer = kersey(command, "--port", "0", "--data", str(tmp_path))
    assert answer.returncode == 1
    assert "The file with your data is damaged." in answer.stderr
    assert answer.stderr.count("\n") == 1


def test_check_says_whether_the_data_add_up(tmp_path: Path) -> None:
    take_sample_data(tmp_path)
    assert kersey("check", "--data", str(tmp_path)).stdout.startswith("All is well")
    with closing(sqlite3.connect(tmp_path / FILE_NAME)) as opened, opened:
        opened.execute("DELETE FROM ledger WHERE lot_id = 1")
    wrong = kersey("check", "--data", str(tmp_path))
    assert wrong.returncode == 1
    assert "whole pieces, but its ledger says 0" in wrong.stderr


def test_everything_goes_to_a_file_and_comes_back(tmp_path: Path) -> None:
    take_sample_data(tmp_path / "one")
    file = tmp_path / "all.json"
    saved = kersey("export", str(file), "--data", str(tmp_path / "one"))
    assert saved.returncode == 0
    assert "Saved 6 quilts and 26 lots" in saved.stdout
    assert kersey("import", str(file), "--data", str(tmp_path / "two")).returncode == 0
    again = tmp_path / "again.json"
    kersey("export", str(again), "--data", str(tmp_path / "two"))
    assert again.read_bytes() == file.read_bytes()


def test_a_backup_is_everything_and_comes_back(tmp_path: Path) -> None:
    take_sample_data(tmp_path / "one")
    file, typo = str(tmp_path / "all.zip"), tmp_path / "typo"
    for command in ("backup", "export", "check"):
        told = kersey(command, *([file] * (command != "check")), "--data", str(typo))
        assert told.stderr == f"There is no Kersey data in {typo}. Check the folder's name.\n"
        assert not typo.exists()
    assert kersey("backup", file, "--data", str(tmp_path / "one")).returncode == 0
    restored = kersey("restore", file, "--data", str(tmp_path / "two"))
    assert restored.stdout == f"Restored {file} to {tmp_path / 'two'}\n"
    assert kersey("check", "--data", str(tmp_path / "two")).stdout.startswith("All is well")
    engine = open_database(tmp_path / "two")
    with engine.connect() as connection:
        connection.exec_driver_sql("SELECT count(*) FROM project")
        running = kersey("restore", file, "--data", str(tmp_path / "two"))
    engine.dispose()
    assert "Stop it first. Nothing was changed." in running.stderr
    again = kersey("restore", file, "--data", str(tmp_path / "two"))
    assert "What was there before is saved in" in again.stdout


def test_a_file_that_is_not_ours_is_refused_in_one_line(tmp_path: Path) -> None:
    (tmp_path / "x.json").write_text("[]")
    for name in ("x.json", "missing.json"):
        answer = kersey("import", str(tmp_path / name), "--data", str(tmp_path / "two"))
        assert answer.returncode == 1
        assert answer.stderr.count("\n") == 1
        assert "Traceback" not in answer.stderr


def test_a_yield_without_a_browser(tmp_path: Path) -> None:
    request = tmp_path / "request.json"
    fabrics = [{"id": f"p{n}", "form": "strip", "count": 2} for n in range(20)]
    asked = {"kersey": "request/1", "fabrics": fabrics, "block": {"recipe": "rails"}}
    request.write_text(json.dumps(asked))
    answer = process("yield", str(request))
    assert (answer.returncode, answer.stderr) == (0, "")
    assert answer.stdout == kersey("yield", str(request)).stdout
    assert json.loads(answer.stdout)["blocks"] == 80


@pytest.mark.parametrize("content", ["", "{}", "[1, 2]", '{"kersey": "request/1", "fabrics": 7}'])
def test_a_request_that_cannot_be_used_exits_with_2_and_one_line(
    tmp_path: Path, content: str
) -> None:
    (tmp_path / "bad.json").write_text(content)
    is_refused_with_2(tmp_path / "bad.json")


def test_a_request_that_is_not_there_exits_with_2(tmp_path: Path) -> None:
    is_refused_with_2(tmp_path)
    is_refused_with_2(tmp_path / "missing.json")


def test_whole_quilts_without_a_browser(tmp_path: Path) -> None:
    request = tmp_path / "request.json"
    fabrics = [{"id": "roll", "form": "strip", "count": 40}]
    asked = {"kersey": "request/1", "fabrics": fabrics, "block": {"recipe": "rails"}}
    request.write_text(json.dumps(asked))
    answer = kersey("quilt", str(request))
    assert (answer.returncode, answer.stderr) == (0, "")
    quilts = json.loads(answer.stdout)["quilts"]
    assert max(quilt["blocks"] for quilt in quilts) == quilts[0]["blocks_possible"] == 80
    request.write_text(json.dumps(asked | {"aim": "warmest"}))
    is_refused_with_2(request, "quilt")


def is_refused_with_2(path: Path, command: str = "yield") -> None:
    answer = kersey(command, str(path))
    assert (answer.returncode, answer.stdout) == (2, "")
    assert answer.stderr.count("\n") == 1
    assert "Traceback" not in answer.stderr


def test_what_can_be_asked_is_told() -> None:
    schema = json.loads(kersey("schema").stdout)
    assert set(schema) == {"request", "yield", "quilt_request", "quilt"}
    ids = {recipe["id"] for recipe in json.loads(kersey("recipes").stdout)}
    assert {"rails", "pieces"} <= ids
