"""Everything in one file: nothing lost, damaged files refused with the place that is wrong."""

import json
from dataclasses import replace
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.backing import BackingWay
from kersey.core.cupboard import Aside
from kersey.core.project import Design
from kersey.core.purposes import Wish
from kersey.core.yields import Method
from kersey.demo.sample_world import sample_cupboard, sample_projects
from kersey.formats.kersey_file import (
    KIND,
    Everything,
    NotAKerseyFile,
    read_everything,
    write_everything,
)

PROJECTS = tuple(sample_projects())
ALL = Everything(PROJECTS, sample_cupboard())
FULL_DESIGN = Design(
    strips_per_block=5,
    method=Method.SETS,
    different_prints=False,
    wish=Wish("own", Fraction(10), Fraction(7), Fraction(28), Fraction(222, 3)),
    rows=9,
    columns=4,
    border_width=Fraction(7, 3),
    binding_width=Fraction(9, 4),
    binding_from_stash=False,
    margin=Fraction(4),
    backing_way=BackingWay.WIDE,
    seam=Fraction(3, 8),
    usable_width=Fraction(40),
)


def damaged(change: Any) -> bytes:
    records = json.loads(write_everything(ALL))
    change(records)
    return json.dumps(records).encode()


def test_nothing_is_lost() -> None:
    assert read_everything(write_everything(ALL).encode()) == ALL
    assert write_everything(ALL) == write_everything(ALL)


def test_every_choice_and_every_reason_survives() -> None:
    project = replace(PROJECTS[0], design=FULL_DESIGN, name="“berth” 🧵 <b>")
    lots = tuple(ALL.cupboard[0].set_aside(reason) for reason in (None, *Aside))
    everything = Everything((project,), lots)
    assert read_everything(write_everything(everything).encode()) == everything


@pytest.mark.parametrize(
    ("change", "place"),
    [
        (lambda r: r.pop("projects"), "projects: a list is missing"),
        (lambda r: r.update(cupboard="no"), "cupboard: a list is missing"),
        (lambda r: r["projects"][2].pop("name"), r"projects\[2\]: 'name' is missing"),
        (lambda r: r["projects"][0]["design"].update(seam="9"), r"projects\[0\]: A seam is"),
        (lambda r: r["projects"][1]["strips"].update(width="1/0"), r"projects\[1\]"),
        (lambda r: r["cupboard"][3].update(form="hat"), r"cupboard\[3\]: 'hat'"),
        (lambda r: r["cupboard"][0]["prints"][0].update(ground="red"), r"cupboard\[0\]: “red”"),
        (lambda r: r["cupboard"][1].update(prints=None), r"cupboard\[1\]"),
        (lambda r: r["cupboard"].append(7), r"cupboard\[16\]"),
        (lambda r: r.update(kersey="other/1"), "no file of Kersey's"),
    ],
)
def test_damage_is_told_with_its_place(change: Any, place: str) -> None:
    with pytest.raises(NotAKerseyFile, match=place):
        read_everything(damaged(change))


@pytest.mark.parametrize("content", [b"", b"[]", b"\xff\xfe\0", b"{", b"[" * 100_000, b"null"])
def test_files_that_are_not_ours(content: bytes) -> None:
    with pytest.raises(NotAKerseyFile, match="no file of Kersey's"):
        read_everything(content)


json_values = st.recursive(
    st.none() | st.booleans() | st.integers() | st.text(max_size=8) | st.floats(),
    lambda inner: (
        st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3)
    ),
    max_leaves=8,
)


@given(st.sampled_from(["projects", "cupboard"]), json_values, st.data())
def test_any_value_in_any_place_is_read_or_refused(
    part: str, value: object, data: st.DataObject
) -> None:
    records = json.loads(write_everything(Everything(PROJECTS[:1], ALL.cupboard[:1])))
    here = records[part][0]
    keys = data.draw(st.sampled_from(sorted(here)))
    here[keys] = value
    try:
        read_everything(json.dumps({**records, "kersey": KIND}).encode())
    except NotAKerseyFile as refused:
        assert str(refused)
