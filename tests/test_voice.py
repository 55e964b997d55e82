"""What is said outside pages: texts in the source, the command line, counts with their nouns."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from tests.test_cli import kersey
from tests.voice import faults

from kersey.core.measure.counting import counted, noun_for

SOURCE = Path(__file__).resolve().parents[1] / "src" / "kersey"
ROOT = SOURCE.parents[1]
DOCS = [ROOT / "README.md", ROOT / "docs" / "guide.md", ROOT / "docs" / "command-line.md"]
# What a person may type, in whatever words; what is stored stays as it was.
_AS_TYPED = ("said", "versions")
_STORED = frozenset({"half-square unit", "colour family", "new project"})
_MARK_UP = re.compile(r"\w+=\"|\w\[")
_NOUNS = re.compile(
    r"seam|strip|piece|block|print|join|step|square|triangle|kit|row|column|spot|lot|layer|evening"
    r"|quilt|segment|panel|label|stack|set|string|roll|unit"
)
COMMANDS = (
    "serve",
    "demo",
    "export",
    "import",
    "deliver",
    "tape",
    "yield",
    "quilt",
    "schema",
    "recipes",
)


def _trees() -> Iterator[tuple[Path, ast.AST]]:
    for module in sorted(SOURCE.rglob("*.py")):
        if not set(_AS_TYPED) & set(module.parts):
            yield module.relative_to(SOURCE), ast.parse(module.read_text(encoding="utf-8"))


def _not_shown(tree: ast.AST) -> set[ast.AST]:
    """Docstrings, and the values that are stored: those of an enumeration with words, those typed
    in another spelling, those that a form sends."""
    found: set[ast.AST] = set()
    for node in ast.walk(tree):
        if isinstance(node, ast.Expr):
            found.add(node.value)
        if isinstance(node, ast.ClassDef):
            assigned = (each for each in node.body if isinstance(each, ast.Assign))
            found |= {
                each.elts[0] if isinstance(each := a.value, ast.Tuple) else each for a in assigned
            }
    return found


def test_texts_in_the_source_say_nothing_that_the_guide_strikes_out() -> None:
    found = []
    for module, tree in _trees():
        skipped = _not_shown(tree)
        for node in ast.walk(tree):
            if not isinstance(node, ast.Constant) or node in skipped:
                continue
            text = node.value if isinstance(node.value, str) else ""
            if " " in text and text not in _STORED and not _MARK_UP.search(text):
                found += [f"{module}:{node.lineno}: {fault}" for fault in faults(text)]
    assert found == []


def test_a_number_gets_its_noun_in_one_place() -> None:
    """No text puts a noun behind a number itself: it would say 1 seams one day."""
    found = []
    for module, tree in _trees():
        for node in ast.walk(tree):
            if not isinstance(node, ast.JoinedStr) or module.stem.endswith("checker"):
                continue
            for number, after in zip(node.values, node.values[1:], strict=False):
                if isinstance(number, ast.FormattedValue) and isinstance(after, ast.Constant):
                    noun = re.match(rf" ({_NOUNS.pattern})s?\b", str(after.value))
                    if noun and _counts(ast.unparse(number.value), noun[1]):
                        found.append(
                            f"{module}:{node.lineno}: {ast.unparse(number.value)}{noun[0]}"
                        )
    for page in sorted(SOURCE.rglob("*.html")):
        text = page.read_text(encoding="utf-8")
        for number, noun in re.findall(rf"{{{{ ([^}}]*) }}}} ({_NOUNS.pattern})s?\b", text):
            if _counts(number, noun):
                found.append(f"{page.relative_to(SOURCE)}: {number} {noun}")
    assert found == []


def _counts(expression: str, noun: str) -> bool:
    """Whether what stands before a noun is a count of it, not a size or a name."""
    counts = rf"\blen\(|\|\s*(length|count)$|(^|\.){noun}s$"
    return re.search(counts, expression) is not None and not expression.isupper()


def _counted_nouns() -> list[str]:
    """Every noun that a text counts."""
    pattern = r"""(?:counted|noun_for)\((?:[^()"']|\([^()]*\))*?["']([a-z][a-z -]*)["']"""
    texts = (
        path.read_text(encoding="utf-8")
        for path in SOURCE.rglob("*.*")
        if path.suffix in {".py", ".html"}
    )
    return sorted({noun for text in texts for noun in re.findall(pattern, text)})


@pytest.mark.parametrize("noun", _counted_nouns())
@pytest.mark.parametrize("number", [0, 1, 2, 21])
def test_none_one_and_many_read_right(noun: str, number: int) -> None:
    said = counted(number, noun)
    assert faults(said) == ()
    assert said == f"{number} {noun_for(number, noun)}"
    assert (said == f"{number} {noun}") == (number == 1)


def test_help_is_one_sentence_without_mark_up() -> None:
    everything = kersey("--help").stdout
    for command in COMMANDS:
        assert f" {command} " in everything
        answer = kersey(command, "--help").stdout
        assert faults(answer) == ()
        assert not re.search(r"``|\[/?\w+\]\w|:\w+:`", answer.replace("[required]", ""))
        about = " ".join(re.sub(r".*?Usage:[^\n]*|╭.*", "", answer, flags=re.DOTALL).split())
        assert about.endswith("."), command
    assert faults(everything) == ()


@pytest.mark.parametrize(
    ("words", "says"),
    [
        (("yield", "missing.json"), "missing.json"),
        (("import", "missing.json"), "missing.json"),
        (("deliver", "missing.json"), "missing.json"),
        (("serve", "--port", "70000"), "--port"),
        (("mend",), "mend"),
    ],
)
def test_errors_say_what_is_wrong(words: tuple[str, ...], says: str, tmp_path: Path) -> None:
    data = ("--data", str(tmp_path)) if words[0] in {"import", "deliver"} else ()
    answer = kersey(*words, *data)
    assert answer.returncode != 0
    assert says in answer.stderr
    assert faults(answer.stderr) == ()
    assert "Traceback" not in answer.stderr


@pytest.mark.parametrize("text", DOCS, ids=lambda path: path.name)
def test_what_is_written_about_it_speaks_as_it_does(text: Path) -> None:
    said = re.sub(r"```.*?```|`[^`]*`", "", text.read_text(encoding="utf-8"), flags=re.DOTALL)
    assert [fault for line in said.split("\n\n") for fault in faults(line)] == []


def test_the_readme_is_short() -> None:
    assert len(DOCS[0].read_text(encoding="utf-8").splitlines()) <= 120
