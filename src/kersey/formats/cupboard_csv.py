"""The cupboard as a spreadsheet: one row for each print of a lot.

    lot,form,pieces,width,length,print,value,ground,figure,motif,measured length,
    to width,to length,grams,about,directional,washing takes %,wrong side,set aside,
    scale,colour family,its own length,washing takes across %,filled in

Rows with the same lot name, one after the other, are one lot. Lengths are as people write them
(``2 1/2``, ``6.5 cm``); what is left empty is taken as usual for the form. Wrong cells are told
row by row; the good lots can still be taken.
"""

import csv
import io
import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from itertools import groupby
from typing import TypeVar

from kersey.core.cloth.colour import colour_family
from kersey.core.cloth.fabric import Fact, Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.cloth.print_names import named_print
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import parse_length, write_length
from kersey.core.measure.workshop import Workshop
from kersey.core.stash.cupboard import Aside, CupboardLot

COLUMNS = (
    "lot", "form", "pieces", "width", "length", "print", "value", "ground", "figure", "motif",
    "measured length", "to width", "to length", "grams", "about", "directional",
    "washing takes %", "wrong side", "set aside", "scale", "colour family", "its own length",
    "washing takes across %", "filled in", "place", "note", "use first",
)  # fmt: skip
_NEEDED = ("form", "pieces")
MOST_ROWS = 20_000
_TELL_EVERY = 200
MOST_BYTES = 8 * 1024 * 1024
# A spreadsheet takes a cell that begins so for a formula; written with an apostrophe before it,
# as spreadsheets themselves do, it is only text.
_FORMULA = ("=", "+", "-", "@", "\t", "\r")
_YES = frozenset({"yes", "y", "true", "1", "x"})
# A length no ruler reads, such as a third of an inch, is written exactly.
_EXACT = re.compile(r"(\d{1,6}/\d{1,12}) in exactly")
_Kind = TypeVar("_Kind", bound=StrEnum)
_ENCODINGS = ("utf-8-sig", "cp1252")


class NotASpreadsheet(InvalidValue):
    """A file that is no table of fabric."""


class WrongCell(InvalidValue):
    """A cell that cannot be used."""


@dataclass(frozen=True)
class WrongRow:
    """A row that cannot be taken: its number in the file, its cells, and why."""

    number: int
    text: str
    why: str


@dataclass(frozen=True)
class CupboardTable:
    """What a spreadsheet holds: the lots that can be taken, the rows that cannot."""

    lots: tuple[CupboardLot, ...]
    wrong: tuple[WrongRow, ...]


def write_cupboard(lots: Sequence[CupboardLot]) -> str:
    """All lots as CSV, safe to open in a spreadsheet; reading it back gives the same lots."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(COLUMNS)
    for kept in lots:
        for stack in kept.lot.stacks:
            table.writerow([_safe(cell) for cell in _cells(kept, stack)])
    return out.getvalue()


def read_cupboard(
    content: bytes, workshop: Workshop, tell: Callable[[int, int, str], None] | None = None
) -> CupboardTable:
    """Read a spreadsheet. Raises `NotASpreadsheet` when it is none, or far too large.

    `tell` is told now and then how many rows of how many are read.

    >>> table = read_cupboard(b"form,pieces\\nfat quarter,12\\nhat,1\\n", Workshop())
    >>> len(table.lots), table.wrong[0].number
    (1, 3)
    """
    rows = list(_rows(content))
    if len(rows) > MOST_ROWS:
        raise NotASpreadsheet(
            f"A file can have {MOST_ROWS} rows; this one has {len(rows)}. Split it into two files."
        )
    lots: list[CupboardLot] = []
    wrong: list[WrongRow] = []
    for _, group in groupby(rows, key=_lot_of):
        _take(list(group), workshop, lots, wrong)
        if tell and len(lots) % _TELL_EVERY == 0:
            tell(len(lots), len(rows), "rows read")
    return CupboardTable(tuple(lots), tuple(wrong))


Row = tuple[int, Mapping[str, str]]


def _take(
    rows: Sequence[Row], workshop: Workshop, lots: list[CupboardLot], wrong: list[WrongRow]
) -> None:
    """Take the rows of one lot, all or none of them."""
    try:
        stacks = tuple(_stack(cells, workshop) for _, cells in rows)
        lots.append(_lot(rows[0][1], stacks, workshop))
    except InvalidValue as error:
        wrong.extend(WrongRow(n, ", ".join(filter(None, c.values())), str(error)) for n, c in rows)


def _rows(content: bytes) -> Iterator[Row]:
    """Numbered rows as cells by column; empty rows are passed over."""
    text = _decoded(content)
    dialect = _dialect(text)
    table = csv.reader(io.StringIO(text, newline=""), dialect)
    try:
        titles = [title.strip().lower() for title in next(table, [])]
        _check_titles(titles)
        for number, cells in enumerate(table, start=2):
            if number > MOST_ROWS + 2:
                raise NotASpreadsheet(f"A file can have {MOST_ROWS} rows. Split it into two files.")
            if any(cell.strip() for cell in cells):
                row = dict(zip(titles, map(_plain, cells), strict=False))
                yield number, {column: row.get(column, "") for column in COLUMNS}
    except csv.Error as error:
        raise NotASpreadsheet(f"Kersey can't read this file as a table ({error}).") from error


def _decoded(content: bytes) -> str:
    if len(content) > MOST_BYTES:
        raise NotASpreadsheet("This file is larger than 8 MB.")
    marked = content.startswith((b"\xff\xfe", b"\xfe\xff"))
    if b"\0" in content and not marked:
        raise NotASpreadsheet("This isn't a CSV file. Save the spreadsheet as CSV first.")
    for encoding in ("utf-16",) if marked else _ENCODINGS:
        try:
            return content.decode(encoding)
        except UnicodeError:
            continue
    raise NotASpreadsheet("Kersey can't read the characters in this file. Save it as CSV, UTF-8.")


def _dialect(text: str) -> type[csv.Dialect]:
    """Comma, semicolon or tab, by which of them the first line has most."""
    first = text.split("\n", 1)[0]

    class Found(csv.excel):
        delimiter = max(",;\t", key=first.count)

    return Found


def _check_titles(titles: Sequence[str]) -> None:
    missing = [name for name in _NEEDED if name not in titles]
    if missing:
        raise NotASpreadsheet(
            f"The first row must name the columns. Missing: {' and '.join(missing)}. "
            f"Columns: {', '.join(COLUMNS)}."
        )


def _plain(cell: str) -> str:
    """A cell as it is meant: without the apostrophe that keeps a formula from running."""
    tidy = cell.strip()
    return tidy[1:] if tidy.startswith("'") and _would_run(tidy) else tidy


def _safe(cell: str) -> str:
    return f"'{cell}" if _would_run(cell) else cell


def _would_run(cell: str) -> bool:
    """Whether it is a formula, or one behind apostrophes: those are then told from ours."""
    return cell.lstrip("'").startswith(_FORMULA)


def _lot_of(row: Row) -> tuple[str, ...] | int:
    """What rows of one lot have in common; a row without a lot's name stands alone."""
    number, cells = row
    name = cells["lot"]
    return (name, cells["form"], cells["width"], cells["length"]) if name else number


def _stack(cells: Mapping[str, str], shop: Workshop) -> Stack:
    value = _one_of(Value, cells, "value")
    named = cells["print"] or cells["lot"] or cells["form"]
    motif, scale = _one_of(Motif, cells, "motif"), _one_of(Scale, cells, "scale") or Scale.MEDIUM
    if value and motif and cells["ground"] and cells["figure"]:
        cloth = Print(named, value, Swatch(motif, cells["ground"], cells["figure"]))
    else:
        cloth = named_print(named, value)
    swatch = Swatch(
        motif or cloth.swatch.motif,
        cells["ground"] or cloth.swatch.ground,
        cells["figure"] or cloth.swatch.figure,
        scale,
    )
    family = cells["colour family"].lower()
    own = None if family in {"", colour_family(swatch.ground)} else family
    said = {Fact.COLOUR} if cells["ground"] else set()
    said |= {Fact.VALUE} if value else set()
    filled_in = cloth.filled_in - said
    filled_in |= {fact for fact in Fact if fact in cells["filled in"].lower().split()}
    shown = value or cloth.value
    return Stack(
        Print(cloth.name, shown, swatch, own, frozenset(filled_in)),
        _number(cells, "pieces"),
        _length(cells, "its own length", shop),
    )


def _lot(cells: Mapping[str, str], stacks: tuple[Stack, ...], shop: Workshop) -> CupboardLot:
    form = _one_of(Form, cells, "form")
    if form is None:
        raise WrongCell(f"form: missing. One of {', '.join(Form)}.")
    usual_width, usual_length = FACTS[form].usual
    otherwise = Fraction(0) if form is Form.SCRAPS else shop.usable_width
    lot = Lot(
        width=_length(cells, "width", shop) or usual_width or otherwise,
        length=_length(cells, "length", shop) or usual_length or otherwise,
        stacks=stacks,
        measured_length=_length(cells, "measured length", shop),
        form=form,
        most_width=_length(cells, "to width", shop),
        most_length=_length(cells, "to length", shop),
        grams=_number(cells, "grams") if cells["grams"] else None,
        estimated=cells["about"].lower() in _YES,
        directional=cells["directional"].lower() in _YES,
        shrinkage=_share(cells, "washing takes %"),
        shrinkage_across=_share(cells, "washing takes across %")
        if cells["washing takes across %"]
        else None,
        wrong_side=_one_of(Value, cells, "wrong side"),
    )
    name = cells["lot"] or cells["print"] or f"{lot.count} {FACTS[form].many}"
    return CupboardLot(
        name,
        lot,
        _one_of(Aside, cells, "set aside"),
        cells["place"],
        cells["note"],
        cells["use first"].lower() in _YES,
    )


def _one_of(kinds: type[_Kind], cells: Mapping[str, str], column: str) -> _Kind | None:
    """The kind a cell names, None for an empty one; "fat quarter" and "fat-quarters" will do."""
    said = cells[column].lower()
    if not said:
        return None
    for kind in kinds:
        spellings = {kind, kind.replace("-", " ")}
        if said in spellings or said.removesuffix("s") in spellings:
            return kind
    raise WrongCell(f"{column}: “{said[:40]}” isn't one of {', '.join(kinds)}.")


def _number(cells: Mapping[str, str], column: str) -> int:
    said = cells[column]
    if not said.isdecimal() or len(said) > 9:
        raise WrongCell(f"{column}: “{said[:40]}” isn't a whole number. Type it like 12.")
    return int(said)


def _share(cells: Mapping[str, str], column: str) -> Fraction:
    said = cells[column].removesuffix("%").strip().replace(",", ".")
    try:
        return Fraction(said or 0)
    except (ValueError, ZeroDivisionError):
        raise WrongCell(f"{column}: “{said[:40]}” isn't a number. Type it like 3.") from None


def _length(cells: Mapping[str, str], column: str, shop: Workshop) -> Fraction | None:
    said = cells[column]
    if not said:
        return None
    exact = _EXACT.fullmatch(said)
    if exact is not None:
        return Fraction(exact[1])
    try:
        return parse_length(said, shop.units)
    except InvalidValue as error:
        raise WrongCell(f"{column}: {error}") from None


def _written(length: Fraction | None) -> str:
    """A length exactly: as it can be typed, else as a fraction of inches."""
    if length is None:
        return ""
    written = write_length(length)
    with suppress(InvalidValue):
        if parse_length(written) == length:
            return written
    return f"{length} in exactly"


def _cells(kept: CupboardLot, stack: Stack) -> Iterator[str]:
    lot, swatch = kept.lot, stack.print.swatch
    yield from (kept.name, lot.form, str(stack.count))
    yield from (_written(lot.width), _written(lot.length))
    yield from (stack.print.name, stack.print.value, swatch.ground, swatch.figure, swatch.motif)
    yield from (_written(lot.measured_length), _written(lot.most_width), _written(lot.most_length))
    yield "" if lot.grams is None else str(lot.grams)
    yield from ("yes" if lot.estimated else "", "yes" if lot.directional else "")
    yield f"{float(lot.shrinkage):g}" if lot.shrinkage else ""
    yield from (lot.wrong_side or "", kept.aside or "")
    yield from (swatch.scale, stack.print.judged_family or "", _written(stack.measured_length))
    yield "" if lot.shrinkage_across is None else f"{float(lot.shrinkage_across):g}"
    yield " ".join(sorted(stack.print.filled_in))
    yield from (kept.place, kept.note, "yes" if kept.first else "")
