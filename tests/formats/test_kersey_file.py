"""Everything in one file: nothing lost, damaged files refused with the place that is wrong."""

import json
from dataclasses import astuple, replace
from fractions import Fraction
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.sample import samples

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.fabric import Lot, Motif, Print, Scale, Stack, Swatch, Value
from kersey.core.cloth.forms import Form
from kersey.core.cutting.problem import Need, PrintRule
from kersey.core.frame.backing import BackingWay
from kersey.core.frame.purposes import Wish
from kersey.core.project.bought import BoughtFor
from kersey.core.project.design import Design, KitWish, PrintsInABlock
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.pulled import Role
from kersey.demo.sample_world import sample_cupboard
from kersey.formats.kersey_file import (
    KIND,
    Everything,
    NotAKerseyFile,
    read_everything,
    write_everything,
)


def numbered(project: Project, lot: int) -> Project:
    """A project that pulls from the lot at this place of the file."""
    fabrics = tuple(replace(pulled, lot_number=lot) for pulled in project.fabrics)
    return replace(project, fabrics=fabrics)


SAMPLES = samples()
PROJECTS = tuple(numbered(project, place) for place, project in enumerate(SAMPLES))
OWN_LOTS = tuple(project.fabrics[0].kept for project in SAMPLES)
ALL = Everything(PROJECTS, (*OWN_LOTS, *sample_cupboard()))
FULL_DESIGN = Design(
    block=BlockChoice(
        "pieces",
        (Fraction(9), Fraction(20, 3)),
        pieces=(Need("A “b”", "light", Fraction(7, 3), Fraction(2), 4),),
        rules=(PrintRule(("light",), same=False),),
    ),
    even=True,
    by_value=False,
    prints=PrintsInABlock.ANY,
    kits=KitWish.FAMILIES,
    deal=3,
    layers=6,
    border_from_left=True,
    wish=Wish("own", Fraction(10), Fraction(7), Fraction(28), Fraction(222, 3)),
    rows=9,
    columns=4,
    border_width=Fraction(7, 3),
    binding_width=Fraction(9, 4),
    binding_from_left=False,
    margin=Fraction(4),
    backing_way=BackingWay.WIDE,
    seam=Fraction(3, 8),
    usable_width=Fraction(40),
)


def damaged(change: Any) -> bytes:
    records = json.loads(write_everything(ALL))
    change(records)
    return json.dumps(records).encode()


def ground_of(lot: dict[str, Any], colour: str) -> None:
    lot["lot"]["stacks"][0]["print"]["swatch"]["ground"] = colour


def test_nothing_is_lost() -> None:
    assert read_everything(write_everything(ALL).encode()) == ALL
    assert write_everything(ALL) == write_everything(ALL)


def test_every_choice_and_every_reason_survives() -> None:
    project = replace(PROJECTS[0], design=FULL_DESIGN, name="“berth” 🧵 <b>")
    asides = tuple(ALL.cupboard[0].set_aside(reason) for reason in (None, *Aside))
    first, *rest = project.fabrics
    first = replace(first, roles=(Role.LIGHT, Role.BORDER), value=Value.DARK, cut=1)
    project = replace(project, fabrics=(first, *rest), sketch=True, put_away=True)
    everything = Everything((project,), asides)
    assert read_everything(write_everything(everything).encode()) == everything


def test_what_prints_and_pieces_are_judged_to_be_survives() -> None:
    cloth = Print(
        "fan", Value.LIGHT, Swatch(Motif.PLAID, "#102030", "#fefefe", Scale.LARGE), "blue"
    )
    lot = Lot(Fraction(5), Fraction(5), (Stack(cloth, 3, Fraction(39, 8)),), form=Form.SQUARE)
    everything = Everything((), (CupboardLot("fan", lot),))
    assert read_everything(write_everything(everything).encode()) == everything


# The choices of a quilt as they stood one by one in older files.
OLD_DESIGN = {
    "strips_per_block": 4, "method": "sets", "different_prints": True, "purpose": "own",
    "drop": "12", "tuck": "0", "own_width": "28", "own_length": "74", "rows": 12, "columns": 4,
    "border_width": "5/3", "binding_width": "9/4", "binding_from_stash": False, "margin": "4",
    "backing_way": "wide", "seam": "3/8", "usable_width": "40",
}  # fmt: skip
SINCE_THEN = {
    "block": {
        "recipe": "log-cabin",
        "finished": ["19/2", "19/2"],
        "options": {"rounds": 4, "centre": {"inches": "7/3"}},
        "pieces": [],
        "rules": [],
    },
    "even": True,
    "by_value": False,
}


# Written by the version before lots and prints had the shape of the core's own types.
THIRD_VERSION = Path(__file__).parent / "kept" / "everything-3.json"


def of_the_second_version() -> dict[str, Any]:
    records = json.loads(THIRD_VERSION.read_text(encoding="utf-8"))
    records["kersey"] = "everything/2"
    for project in records["projects"]:
        del project["plan"], project["choices"]
        project["design"] = {**OLD_DESIGN, **SINCE_THEN}
        for fabric in project["fabrics"]:
            del fabric["key"]
    return records  # type: ignore[no-any-return]


def test_files_of_the_third_version_are_read_word_by_word() -> None:
    old = json.loads(THIRD_VERSION.read_text(encoding="utf-8"))
    read = read_everything(THIRD_VERSION.read_bytes())
    assert len(read.projects) == 2
    for project, known in zip(read.projects, old["projects"], strict=True):
        assert project.plan is not None
        assert project.plan.question == known["plan"]["question"]
        assert len(project.plan.kits) == len(known["plan"]["kits"]) > 0
        assert project.bought[BoughtFor.BORDER].swatch.ground == known["border_print"]["ground"]
        assert [p.count for p in project.fabrics] == [p["count"] for p in known["fabrics"]]
        assert project.done == frozenset(known["done"])
    for kept, flat in zip(read.cupboard, old["cupboard"], strict=True):
        assert (kept.name, kept.lot.form, kept.aside) == (flat["name"], flat["form"], flat["aside"])
        assert (str(kept.lot.width), kept.lot.grams) == (flat["width"], flat["grams"])
        for stack, part in zip(kept.lot.stacks, flat["prints"], strict=True):
            cloth = stack.print
            facts = (cloth.name, cloth.value, cloth.judged_family, sorted(cloth.filled_in))
            assert facts == tuple(
                part[name] for name in ("name", "value", "judged_family", "filled_in")
            )
            drawn = tuple(part[name] for name in ("motif", "ground", "figure", "scale", "tile"))
            # Nothing that was sewn had a look of its own then.
            assert (*astuple(cloth.swatch),) == (*drawn, None)
            assert stack.count == part["count"]
    assert read_everything(write_everything(read).encode()) == read


def test_files_of_the_second_version_are_read() -> None:
    third = read_everything(THIRD_VERSION.read_bytes())
    read = read_everything(json.dumps(of_the_second_version()).encode())
    assert read.cupboard == third.cupboard
    for project, known in zip(read.projects, third.projects, strict=True):
        design = project.design
        assert [replace(p, key=None) for p in known.fabrics] == list(project.fabrics)
        assert project.plan is None
        assert design.block.size == (Fraction(19, 2), Fraction(19, 2))
        assert dict(design.block.options) == {"rounds": 4, "centre": "7/3"}
        assert design.prints is PrintsInABlock.DIFFERENT
        assert (design.even, design.by_value, design.binding_from_left) == (True, False, False)
        assert (design.wish.own_width, design.wish.own_length) == (28, 74)
        assert (design.border_width, design.seam) == (Fraction(5, 3), Fraction(3, 8))


def test_files_of_the_first_version_are_read() -> None:
    third = read_everything(THIRD_VERSION.read_bytes())
    records = of_the_second_version()
    lots = records["cupboard"]
    for project in records["projects"]:
        project["strips"] = lots[project.pop("fabrics")[0]["lot"]]
        project["design"] = dict(OLD_DESIGN)
        del project["sketch"], project["put_away"]
    old = {"kersey": "everything/1", "projects": records["projects"], "cupboard": lots[2:]}
    read = read_everything(json.dumps(old).encode())
    for project, known in zip(read.projects, third.projects, strict=True):
        assert [p.lot for p in project.fabrics] == [p.lot for p in known.fabrics]
        assert dict(project.design.block.options) == {"strips": 4, "method": "sets"}
    assert [kept.lot for kept in read.cupboard[16:]] == [kept.lot for kept in third.cupboard[:2]]


@pytest.mark.parametrize(
    ("change", "place"),
    [
        (lambda r: r.pop("projects"), "projects: a list is missing"),
        (lambda r: r.update(cupboard="no"), "cupboard: a list is missing"),
        (lambda r: r["projects"][2].pop("name"), r"projects\[2\]: name: Field required"),
        (
            lambda r: r["projects"][0]["choices"].update(seam="9"),
            r"projects\[0\]: choices: A seam allowance can be",
        ),
        (lambda r: r["projects"][0]["choices"].update(rows="x"), r"projects\[0\]: choices: rows"),
        (lambda r: r["projects"][0]["choices"].update(version=9), r"projects\[0\]: .*version 9"),
        (lambda r: r["projects"][0]["plan"]["cuttings"].pop("most"), r"projects\[0\]: plan: most"),
        (lambda r: r["projects"][1]["fabrics"][0].update(lot=99), r"projects\[1\]: There is no"),
        (lambda r: r["projects"][1]["fabrics"][0].update(count=999), r"projects\[1\]: More piec"),
        (lambda r: r["cupboard"][2]["lot"].update(width="1/0"), r"cupboard\[2\]"),
        (lambda r: r["cupboard"][3]["lot"].update(form="hat"), r"cupboard\[3\]: lot.form"),
        (lambda r: ground_of(r["cupboard"][0], "red"), r"cupboard\[0\]: .*“red”"),
        (lambda r: r["cupboard"][1]["lot"].update(stacks=None), r"cupboard\[1\]"),
        (lambda r: r["cupboard"].append(7), r"cupboard\[25\]"),
        (lambda r: r.update(kersey="other/1"), "isn't a Kersey file"),
    ],
)
def test_damage_is_told_with_its_place(change: Any, place: str) -> None:
    with pytest.raises(NotAKerseyFile, match=place):
        read_everything(damaged(change))


@pytest.mark.parametrize("content", [b"", b"[]", b"\xff\xfe\0", b"{", b"[" * 100_000, b"null"])
def test_files_that_are_not_ours(content: bytes) -> None:
    with pytest.raises(NotAKerseyFile, match="isn't a Kersey file"):
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
    records = json.loads(write_everything(Everything(PROJECTS[:1], OWN_LOTS[:1])))
    here = records[part][0]
    keys = data.draw(st.sampled_from(sorted(here)))
    here[keys] = value
    try:
        read_everything(json.dumps({**records, "kersey": KIND}).encode())
    except NotAKerseyFile as refused:
        assert str(refused)
