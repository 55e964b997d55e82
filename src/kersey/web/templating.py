"""Templates, and how lengths are written in them."""

from collections.abc import Mapping
from fractions import Fraction
from functools import cache, partial
from hashlib import blake2s
from pathlib import Path
from typing import Any
from urllib.parse import quote

from fastapi import Request
from jinja2 import Environment, FileSystemLoader, StrictUndefined, Template, pass_context
from jinja2.runtime import Context
from markupsafe import Markup, escape
from starlette.responses import HTMLResponse

from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import (
    CENTIMETRE,
    Units,
    format_area,
    format_bought,
    format_length,
    format_number,
    format_run,
    format_sides,
    format_size,
    write_length,
)
from kersey.core.measure.money import format_money
from kersey.core.measure.spoken import shown
from kersey.web.pictures import as_image
from kersey.web.styles import styles_url
from kersey.web.taken_once import once
from kersey.web.terms import FIELDS, TERMS, terms_in

_WEB = Path(__file__).parent
STATIC = _WEB / "static"


def render(
    request: Request,
    template: str,
    context: Mapping[str, Any],
    status: int = 200,
    headers: Mapping[str, str] | None = None,
) -> HTMLResponse:
    """A page or fragment; `context` holds what is particular to it."""
    body = (
        _environment()
        .get_template(template)
        .render(
            {
                **context,
                "url": _url_maker(request),
                "static": _static_url,
                "image": partial(as_image, request),
                "styles": styles_url(),
                "told": set(),
            }
        )
    )
    return HTMLResponse(body, status_code=status, headers=dict(headers or {}))


def fragment(request: Request, template: str, context: Mapping[str, Any]) -> Markup:
    """A part of a page, to be put into it as it is."""
    url = _url_maker(request)
    return Markup(
        _environment().get_template(template).render({**context, "url": url, "told": set()})
    )


def template(name: str) -> Template:
    """A template by its name, for what needs nothing of the site."""
    return _environment().get_template(name)


def is_fragment_request(request: Request) -> bool:
    """Whether htmx asks, and only a part of the page is to be answered."""
    return request.headers.get("hx-request") == "true"


@cache
def _environment() -> Environment:
    environment = Environment(
        loader=FileSystemLoader(_WEB),
        autoescape=True,
        undefined=StrictUndefined,
        auto_reload=False,
        trim_blocks=True,
        lstrip_blocks=True,
    )
    environment.filters |= {
        "as_length": _with_units(format_length),
        "as_typed": _with_units(write_length),
        "as_number": _with_units(format_number),
        "as_cloth": _with_units(format_bought),
        "as_area": _with_units(format_area),
        "as_run": _with_units(format_run),
        "as_size": _as_size,
        "as_sides": _as_sides,
        "in_units": _with_units(_in_units),
        "as_money": _as_money,
        "counted": counted,
        "noun_for": noun_for,
        "shown": shown,
        "drawn": Markup,
        "with_terms": _with_terms,
        "combine": lambda facts, more: {**facts, **more},
        "zip_self": lambda words: [(word, word) for word in words],
        "worded": lambda choices: [(choice.value, choice.words) for choice in choices],
    }
    environment.globals |= {"explained": _explained, "field_words": FIELDS, "once": once}
    return environment


@pass_context
def _with_terms(context: Context, sentence: str) -> Markup:
    """A sentence in which each term that the page has not told yet can be asked for."""
    found = [
        escape(words) if key is None else _told(context, key, words)
        for words, key in terms_in(sentence)
    ]
    return Markup("").join(found)


@pass_context
def _explained(context: Context, key: str, words: str = "") -> Markup:
    """A term that can be asked for, in these words."""
    return _told(context, key, words or TERMS[key].word)


def _told(context: Context, key: str, words: str) -> Markup:
    """The term with its meaning where it first stands on the page; afterward the words alone."""
    told: set[str] = context.get("told", set())
    if key in told:
        return escape(words)
    told.add(key)
    template = context.environment.get_template("layout/term.html")
    facts = {"term": TERMS[key], "key": key, "words": words, "url": context["url"]}
    return Markup(template.render(facts).strip())


def _with_units(write: Any) -> Any:
    @pass_context
    def written(context: Context, length: Fraction, *more: Fraction) -> str:
        return str(write(length, context["units"], *more))

    return written


@pass_context
def _as_money(context: Context, hundredths: int) -> str:
    """An amount in the reader's money."""
    return format_money(hundredths, context["currency"])


def _in_units(length: Fraction, units: Units) -> str:
    """A plain number of inches or centimetres, for a script to count on from."""
    return f"{float(length if units is Units.INCHES else length / CENTIMETRE):g}"


@pass_context
def _as_size(context: Context, sides: tuple[Fraction, Fraction]) -> str:
    units: Units = context["units"]
    return format_size(*sides, units)


@pass_context
def _as_sides(context: Context, sides: tuple[Fraction, Fraction]) -> str:
    units: Units = context["units"]
    return format_sides(*sides, units)


def _url_maker(request: Request) -> Any:
    addresses: dict[tuple[str, ...], str] = request.app.state.addresses

    def url(name: str, **parts: int | str) -> str:
        """The address of a route; its pattern is looked up once, since a page asks for many."""
        key = (name, *parts)
        if key not in addresses:
            marks = {part: f"~{part}~" for part in parts}
            addresses[key] = str(request.app.url_path_for(name, **marks))
        address = addresses[key]
        for part, value in parts.items():
            address = address.replace(f"~{part}~", quote(str(value), safe=""))
        return address

    return url


@cache
def _static_url(path: str) -> str:
    """The address of a shipped file; it changes when the file does, so it may be kept for long."""
    digest = blake2s((STATIC / path).read_bytes(), digest_size=6).hexdigest()
    return f"/static/{path}?v={digest}"
