"""The house itself: what is shipped, what is imported, what must not be in it."""

import ast
import re
import subprocess
from importlib import import_module
from pathlib import Path

import pytest

ROOT = Path(__file__).parent.parent
SOURCE = ROOT / "src" / "kersey"
VENDOR = SOURCE / "web" / "static" / "vendor"
MODULES = sorted(p for p in SOURCE.rglob("*.py") if "migrations" not in p.parts)


@pytest.mark.parametrize("module", MODULES, ids=lambda p: str(p.relative_to(SOURCE)))
def test_modules_say_what_they_are_and_import_at_the_top(module: Path) -> None:
    tree = ast.parse(module.read_text())
    assert ast.get_docstring(tree), "a module begins with what it is"
    for function in (n for n in ast.walk(tree) if isinstance(n, ast.FunctionDef)):
        inside = [n for n in ast.walk(function) if isinstance(n, ast.Import | ast.ImportFrom)]
        assert not inside, function.name


def test_the_core_reads_no_clock_file_or_network() -> None:
    forbidden = {"os", "pathlib", "time", "socket", "sqlite3", "json", "requests"}
    asking = {"now", "today", "utcnow"}
    for module in (SOURCE / "core").rglob("*.py"):
        for node in ast.walk(ast.parse(module.read_text())):
            names = [alias.name for alias in node.names] if isinstance(node, ast.Import) else []
            if isinstance(node, ast.ImportFrom):
                names = [node.module or ""]
            used = {name.split(".")[0] for name in names}
            assert not used & forbidden, module
            assert not (isinstance(node, ast.Attribute) and node.attr in asking), module


def test_rooms_offer_exactly_what_others_use() -> None:
    rooms = {p.name: p for p in (SOURCE / "core").iterdir() if (p / "__init__.py").exists()}
    used: dict[str, set[str]] = {room: set() for room in rooms}
    for module in MODULES:
        for node in ast.walk(ast.parse(module.read_text())):
            path = (node.module or "").split(".") if isinstance(node, ast.ImportFrom) else []
            if (
                path[:2] == ["kersey", "core"]
                and len(path) > 3
                and rooms[path[2]] not in (module.parents)
            ):
                used[path[2]].add(path[3])
    for room, offered in used.items():
        assert sorted(import_module(f"kersey.core.{room}").__all__) == sorted(offered), room


def test_no_room_is_crowded_and_every_one_is_on_the_map() -> None:
    for folder in (p for p in (SOURCE / "core").rglob("*") if (p / "__init__.py").exists()):
        assert len(list(folder.glob("*.py"))) - 1 <= 20, folder
    told = import_module("kersey.core").__doc__ or ""
    rooms = {p.name for p in (SOURCE / "core").iterdir() if (p / "__init__.py").exists()}
    assert set(re.findall(r"^    (\w+) ", told, re.MULTILINE)) == rooms


def test_third_party_files_are_listed_with_their_licences() -> None:
    listed = (VENDOR / "README.md").read_text()
    for folder in (p for p in VENDOR.iterdir() if p.is_dir()):
        assert f"| {folder.name} |" in listed
        assert list(folder.glob("LICENSE*")), folder


def test_no_address_of_a_package_source_is_committed() -> None:
    for path in [*(ROOT / "requirements").iterdir(), ROOT / "pyproject.toml", ROOT / "Makefile"]:
        assert not re.search(r"https?://(?!127)", path.read_text()), path


def test_our_styles_and_scripts_load_nothing_from_elsewhere() -> None:
    for path in (SOURCE / "web").rglob("*"):
        if path.suffix in {".html", ".css", ".js"} and "vendor" not in path.parts:
            text = path.read_text()
            assert not re.search(r"(?:https?:)?//[a-z0-9-]+\.[a-z]", text), path
            assert "style=" not in text, path
            assert "<script>" not in text, path


_COMMENT = re.compile(r"/\*.*?\*/", re.DOTALL)
_SELECTORS = re.compile(r"([^{}]+)\{[^{}]*\}")
_CLASS = re.compile(r"[.#]([a-zA-Z][\w-]*)")


def _ruled(sheet: Path) -> list[set[str]]:
    """For each selector of a stylesheet the classes that say where it holds: its outermost."""
    found = []
    for selectors in _SELECTORS.findall(_COMMENT.sub("", sheet.read_text())):
        for selector in re.split(r",(?![^()]*\))", selectors):
            said = re.sub(r":has\([^()]*\)", "", selector.strip())
            parts = re.split(r"[\s>+~]+(?![^()\[]*[)\]])", said)
            outermost = (set(_CLASS.findall(part)) for part in parts)
            found.append(next(filter(None, outermost), set()))
    return [classes for classes in found if classes]


def test_no_class_is_given_rules_by_two_pages() -> None:
    sheets = {path.parent.name: _ruled(path) for path in (SOURCE / "web").glob("*/style.css")}
    everywhere = {page: set().union(*ruled) for page, ruled in sheets.items()}
    for page in sheets.keys() - {"layout"}:
        others = set().union(*(all_of for other, all_of in everywhere.items() if other != page))
        for classes in sheets[page]:
            assert classes - others, f"{page}: {classes} belongs to another page too"


def test_lines_of_templates_are_short() -> None:
    for path in (SOURCE / "web").rglob("*.html"):
        long = [line for line in path.read_text().splitlines() if len(line) > 120]
        assert not long, path


def test_pinned_versions_only() -> None:
    for name in ("run.txt", "dev.txt", "bench.txt"):
        lines = (ROOT / "requirements" / name).read_text().splitlines()
        wanted = [line for line in lines if line.strip() and not line.strip().startswith("#")]
        assert all(re.fullmatch(r"[A-Za-z0-9._-]+==[0-9][^\s;]*", line) for line in wanted)


def test_the_pictures_of_the_guide_are_there_and_few() -> None:
    guide = (ROOT / "docs" / "guide.md").read_text()
    assert "docs/guide.md" in (ROOT / "README.md").read_text()
    shown = set(re.findall(r"\]\(screenshots/([\w-]+\.png)", guide))
    there = {path.name for path in (ROOT / "docs" / "screenshots").glob("*.png")}
    assert shown == there
    assert len(there) < 20


@pytest.mark.parametrize("tool", ["make-venv.sh", "find-browser.sh"])
def test_shell_tools_are_sound(tool: str) -> None:
    subprocess.run(["sh", "-n", str(ROOT / "tools" / tool)], check=True)
