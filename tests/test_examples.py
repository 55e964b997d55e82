"""Every example in a docstring or on a page of docs/ is as it is written there."""

import doctest
from importlib import import_module
from pathlib import Path

import pytest

ROOT = Path(__file__).parent.parent
SOURCE = ROOT / "src"


def with_examples(folder: Path, kind: str) -> list[Path]:
    return [path for path in sorted(folder.rglob(kind)) if ">>> " in path.read_text("utf-8")]


@pytest.mark.parametrize("path", with_examples(SOURCE, "*.py"), ids=lambda path: path.stem)
def test_examples_of_a_module(path: Path) -> None:
    name = ".".join(path.relative_to(SOURCE).with_suffix("").parts)
    failed, tried = doctest.testmod(import_module(name.removesuffix(".__init__")))
    assert tried
    assert not failed


@pytest.mark.parametrize("path", with_examples(ROOT / "docs", "*.md"), ids=lambda path: path.stem)
def test_examples_of_a_page(path: Path) -> None:
    failed, tried = doctest.testfile(str(path), module_relative=False, encoding="utf-8")
    assert tried
    assert not failed
