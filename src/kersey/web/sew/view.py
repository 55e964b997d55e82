"""What the pages of Sew show."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from hashlib import blake2s
from typing import Any

from kersey.core.cloth.fabric import Print
from kersey.core.frame.setting import Seat, Setting
from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_length
from kersey.core.project.sewing import Follow, Measured, Reading, School
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.between_blocks import between_blocks
from kersey.core.sewing.feeding import Feeding, feeding, joined_by, seam_of
from kersey.core.sewing.measuring import (
    EASE,
    MOST_TAKEN,
    SPREAD_OVER,
    PerSeam,
    Verdict,
    correction,
    drifts,
    judged,
    rows_say,
    said,
    seams_across,
)
from kersey.core.sewing.pass_words import cautions, pass_sentences, pass_title
from kersey.core.sewing.passes import PASS, Pass, blocks_sewn, passes, passes_done, trips_one_by_one
from kersey.core.sewing.pressing import Pressing, press
from kersey.core.sewing.quilt_pressing import can_be_pressed, press_question
from kersey.core.sewing.seams import Point
from kersey.core.sewing.set_height import match_words, set_heights
from kersey.core.sewing.uneven import uneven_blocks
from kersey.core.wall.numbers import number_of, pins_of
from kersey.drawing.patches import draw_make
from kersey.drawing.pressed import draw_pressed
from kersey.web.open_project import OpenProject
from kersey.web.project_page import project_context
from kersey.web.sew.stage import STAGE

_SHOWN_LOG = 60


def sew_context(opened: OpenProject) -> dict[str, Any]:
    """The next pass, large; the blocks that it is for, and what is done."""
    context = project_context(opened, STAGE) | {
        "now": None,
        "every": [],
        "sewing": None,
        "last": None,
        "follows": [],
        "state": "",
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    sewing = opened.project.sewing
    every = passes(quilt, sewing.batch)
    done = passes_done(opened.project, quilt, every)
    now = next((each for each in every if each.key not in done), None)
    last = next((each for each in reversed(every) if each.key in done), None)
    context |= {
        "sewing": sewing,
        "every": every,
        "done_passes": len(done),
        "trips": len(every),
        "trips_alone": trips_one_by_one(every),
        "sewn": len(blocks_sewn(opened.project, quilt, every)),
        "state": sewing_state(opened),
        "back": None if last is None else last.key,
        "last": sewing.last,
        "whole": len(quilt.placed),
    }
    return context if now is None else context | _pass(now, every, done, quilt, opened)


def _pass(
    now: Pass, every: Sequence[Pass], done: frozenset[str], quilt: Quilt, opened: OpenProject
) -> dict[str, Any]:
    follows = [each for each in every if each.batch == now.batch and each.key not in done][1:]
    drawn = quilt.assembly.drawn_true and now.make.patches
    prints = _sample(now, quilt) if drawn else []
    fed = _feed(now, quilt, opened)
    return {
        "now": now,
        "title": pass_title(now),
        "sentences": pass_sentences(now, opened.units, fed),
        "cautions": cautions(now, now == every[0]),
        "drawing": _drawn(now, prints, fed, opened) if drawn else "",
        "singly": [(block, now.tick_of(block) in opened.project.done) for block in now.blocks],
        "follows": [pass_title(each) for each in follows[:4]],
        "model": now.batch == 1 and len(now.blocks) <= quilt.kept.cutting.problem.batch,
    }


def sewing_state(opened: OpenProject) -> str:
    """What a screen is known by to be up to date: all that is ticked, and how it is sewn."""
    sewing = opened.project.sewing
    ticked = "".join(sorted(key for key in opened.project.done if key.startswith(PASS)))
    facts = ticked, len(opened.project.done), sewing.batch, opened.stored.plan_number
    return blake2s(repr(facts).encode(), digest_size=8).hexdigest()


def _feed(one: Pass, quilt: Quilt, opened: OpenProject) -> Feeding | None:
    """How a pass is fed, where the pressing of its block can be worked out."""
    if not can_be_pressed(quilt):
        return None
    return feeding(one, _pressing(quilt, opened))


def _pressing(quilt: Quilt, opened: OpenProject) -> Pressing:
    """The pressing of the school that is chosen; a screen asks for it every second."""
    known = opened.reckoned.beside.get(Pressing)
    if known is None:
        known = press(press_question(quilt), opened.project.sewing.school)
        opened.reckoned.beside[Pressing] = known
    assert isinstance(known, Pressing)
    return known


def _drawn(one: Pass, prints: list[Print], fed: Feeding | None, opened: OpenProject) -> str:
    return draw_make(one.make, prints, opened.units, _seam(one, fed), joined_by(one))


def _seam(one: Pass, fed: Feeding | None) -> tuple[Point, Point] | None:
    """The seam of a pass from where it is begun."""
    if fed is not None:
        return fed.begin, fed.end
    seam = seam_of(one)
    return None if seam is None else (seam.begin, seam.end)


def _sample(one: Pass, quilt: Quilt) -> list[Print]:
    """The prints of a make's patches as they are in its first block."""
    kit = quilt.kept.kits[min(placed.kit for placed in quilt.placed)]
    at = dict(
        zip((p.corners for p in quilt.assembly.patches), quilt.patch_prints(kit), strict=True)
    )
    by_role = {
        (p.label, p.role): cloth
        for p, cloth in zip(quilt.assembly.patches, quilt.patch_prints(kit), strict=True)
    }
    return [at.get(p.corners) or by_role[p.label, p.role] for p in one.make.patches]


def press_context(opened: OpenProject) -> dict[str, Any]:
    """The block with its arrows, one or two ways, and what the school costs."""
    context = project_context(opened, STAGE) | {
        "shadows": 0,
        "schools": list(School),
        "school": opened.project.sewing.school,
        "pressing": None,
        "drawings": [],
        "true": True,
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    if not can_be_pressed(quilt):
        return context | {"true": False}
    pressing = _pressing(quilt, opened)
    best = press(press_question(quilt), School.ONE_SIDE)
    return context | {
        "pressing": pressing,
        "best": best.nest,
        "shadows": len({seam for way in pressing.shadows for seam in way}),
        "drawings": _pressed(pressing, quilt),
        "between": between_blocks(quilt, opened.project.sewing.school),
    }


def _pressed(pressing: Pressing, quilt: Quilt) -> list[str]:
    kit = quilt.kept.kits[quilt.placed[0].kit]
    ways = pressing.ways[:1] if pressing.alike else pressing.ways
    return [
        draw_pressed(
            quilt.assembly.patches,
            quilt.block,
            quilt.patch_prints(kit),
            list(zip(pressing.seams, way, strict=True)),
            pressing.lumps,
            pressing.shadows[n],
        )
        for n, way in enumerate(ways)
    ]


@dataclass(frozen=True)
class Asked:
    """A field for a reading: what, which, and what it should be."""

    what: Measured
    number: int
    place: str
    words: str
    target: Fraction
    said: str = ""
    good: bool | None = None


def measures_context(opened: OpenProject) -> dict[str, Any]:
    """The fields for readings with what the last of each says, and the log."""
    context = project_context(opened, STAGE) | {
        "fields": [],
        "log": [],
        "follows": list(Follow),
        "follow": opened.project.sewing.follow,
        "row_says": "",
        "strip_says": [],
        "uneven": (),
        "rows": [],
        "kinds": Measured,
    }
    quilt = opened.quilt
    if quilt is None:
        return context
    log = list(enumerate(opened.project.sewing.readings))[::-1]
    return context | {
        "fields": [
            *_set_fields(quilt, opened),
            *_block_fields(quilt, opened),
            *_row_fields(quilt, opened),
        ],
        "row_says": _rows(quilt, opened),
        "uneven": uneven_blocks(opened.project, opened.units),
        "strip_says": _strips(opened),
        "strips": _strip_field(quilt, opened),
        "between": between_blocks(quilt, opened.project.sewing.school),
        "rows": _row_numbers(quilt),
        "log": [(n, each, _log_words(each, opened)) for n, each in log[:_SHOWN_LOG]],
        "quilt_now": quilt,
    }


def _set_fields(quilt: Quilt, opened: OpenProject) -> list[Asked]:
    """Every kind of strip set, before anything is cut to match it."""
    found = []
    heights = set_heights(quilt, opened.project)
    for each in heights:
        which = f" {each.number}" if len(heights) > 1 else ""
        words = f"Strip set{which} of {each.strips}, measured across the strips"
        asked = Asked(Measured.SET, each.number, "", words, each.reckoned)
        if each.measured is not None:
            verdict, per = judged(each.reckoned, each.measured, each.strips - 1)
            good = verdict is Verdict.GO_ON
            says = "Right on" if not per.off else _off_words(per, good, opened)
            asked = _with(asked, " ".join([f"{says}.", *match_words(each, opened.units)]), good)
        found.append(asked)
    return found


def _off_words(per: PerSeam, good: bool, opened: OpenProject) -> str:
    way = "narrow" if per.off < 0 else "wide"
    return f"{'A hair' if good else 'It is'} too {way}: {said(per, opened.units)}"


def _block_fields(quilt: Quilt, opened: OpenProject) -> list[Asked]:
    """The block across and down, beside what it should be unfinished."""
    if quilt.kept.block.makes_one_piece or not quilt.assembly.drawn_true:
        return []
    seam = quilt.kept.seam
    across = seams_across(quilt.assembly.patches, quilt.block)
    square = quilt.block[0] == quilt.block[1]
    found = []
    for place, side, seams in zip(("width", "height"), quilt.block, across, strict=True):
        if square and place == "height":
            break
        target = side + 2 * seam
        words = "Block, edge to edge" if square else f"Block {place}"
        number = len([r for r in opened.project.sewing.readings if r.what is Measured.BLOCK]) + 1
        asked = Asked(Measured.BLOCK, number, "" if square else place, words, target)
        found.append(_judged_block(asked, seams, opened))
    return found


def _judged_block(asked: Asked, seams: int, opened: OpenProject) -> Asked:
    read = [r for r in opened.project.sewing.of(Measured.BLOCK) if r.place == asked.place]
    if not read:
        return asked
    verdict, per = judged(read[-1].target, read[-1].read, seams)
    if verdict is Verdict.GO_ON:
        return _with(asked, "Right on. Keep going.", True)
    if not seams:
        off = format_length(abs(per.off), opened.units)
        what = "large" if per.off > 0 else "small"
        trim = "Trim it" if per.off > 0 else "Add a strip"
        return _with(asked, f"It is {off} too {what}. {trim}, or let sashing take it up.", False)
    way = (
        "small because the seams are too wide"
        if per.off < 0
        else ("large because the seams are too narrow")
    )
    move = "closer to the edge" if per.off < 0 else "further from the edge"
    words = (
        f"It is too {way}: {said(per, opened.units)}. Sew that much {move}, or keep the blocks as "
        "they are and let the quilt size follow."
    )
    return _with(asked, words, False)


def _with(asked: Asked, words: str, good: bool) -> Asked:
    return Asked(asked.what, asked.number, asked.place, asked.words, asked.target, words, good)


def _row_length(quilt: Quilt) -> Fraction:
    """A row unfinished, as it is reckoned from its blocks."""
    assert quilt.kept.finished is not None
    columns = quilt.size.columns
    between = quilt.sashing.uprights(columns) * quilt.sashing.width
    return columns * quilt.kept.finished[0] + between + 2 * quilt.kept.seam


def _row_fields(quilt: Quilt, opened: OpenProject) -> list[Asked]:
    if quilt.kept.block.makes_one_piece or quilt.grid.setting is not Setting.STRAIGHT:
        return []
    read = {r.number: r for r in opened.project.sewing.of(Measured.ROW)}
    found = []
    for row in sorted({placed.row for placed in quilt.placed}):
        number = row + 1
        pins = counted(sum(pins_of(row)), "pin")
        asked = Asked(Measured.ROW, number, "", f"Row {number}, {pins}", _row_length(quilt))
        if number in read:
            off = read[number].read - read[number].target
            words = "as planned" if off == 0 else f"{_signed(off, opened)} off"
            asked = _with(asked, words, abs(off) <= EASE)
        found.append(asked)
    return found


def _signed(off: Fraction, opened: OpenProject) -> str:
    return ("+" if off > 0 else "−") + format_length(abs(off), opened.units)


def _rows(quilt: Quilt, opened: OpenProject) -> str:
    """What the measured rows say together."""
    read = [(r.number, r.read) for r in opened.project.sewing.of(Measured.ROW)]
    if not read:
        return ""
    reckoned = _row_length(quilt)
    joined = quilt.size.columns + quilt.sashing.uprights(quilt.size.columns)
    say = rows_say(reckoned, read, max(1, joined - 1))
    if say.verdict is Verdict.GO_ON:
        return "All rows match the plan."
    if say.verdict is Verdict.EASE:
        ease = format_length(EASE, opened.units)
        return f"All rows are within {ease} of the plan. Ease them in."
    if say.verdict is Verdict.FOLLOW and say.per_seam is not None:
        return (
            f"All rows are off by the same amount: {said(say.per_seam, opened.units)}. Choose “as "
            "measured”, and sashing and borders will be cut to fit."
        )
    if say.verdict is Verdict.ONE and say.per_seam is not None:
        return f"Row {say.one} is off: {said(say.per_seam, opened.units)}. Fix that row."
    return "The rows are uneven. Fix the ones that are furthest off, then measure again."


def _strip_field(quilt: Quilt, opened: OpenProject) -> dict[str, Any]:
    """Where widths are logged strip by strip: for what is sewn of strips one after the other."""
    on = [r.number for r in opened.project.sewing.of(Measured.STRIP)]
    following = (max(on) if on else 0) + 6
    return {"next": following, "planned": planned_width(quilt, following)}


def planned_width(quilt: Quilt, strips: int) -> Fraction:
    """How wide so many strips are once they are sewn, unfinished."""
    need, seam = quilt.kept.cutting.problem.needs[0], quilt.kept.seam
    return strips * (min(need.width, need.height) - 2 * seam) + 2 * seam


def _strips(opened: OpenProject) -> list[str]:
    found = []
    for drift in drifts(opened.project.sewing.of(Measured.STRIP)):
        place = drift.place or "middle"
        if not drift.per_seam.off:
            found.append(f"{place.capitalize()}: right on.")
            continue
        more = correction(drift, SPREAD_OVER)
        way = "narrower" if drift.per_seam.off < 0 else "wider"
        turn = "less" if drift.per_seam.off < 0 else "more"
        off, back = said(drift.per_seam, opened.units), said(more, opened.units)
        if abs(more.each) > MOST_TAKEN:
            found.append(
                f"{place.capitalize()}: {way} than planned, {off}. That is too much to sew back: "
                "take the strips out to where the width was right."
            )
            continue
        found.append(
            f"{place.capitalize()}: {way} than planned, {off}. Over the next {SPREAD_OVER} strips, "
            f"take {turn} in each seam: {back}."
        )
    return found


def _log_words(reading: Reading, opened: OpenProject) -> str:
    off = reading.read - reading.target
    return "right on" if off == 0 else f"{_signed(off, opened)} off"


def _row_numbers(quilt: Quilt) -> list[list[str]]:
    """The numbers of the blocks row by row, with how each is turned."""
    rows: dict[int, list[str]] = {}
    for placed in quilt.placed:
        turn = ("", " turned right", " upside down", " turned left")[placed.turn]
        name = number_of(Seat(placed.row, placed.column))
        rows.setdefault(placed.row, []).append(name + turn)
    return list(rows.values())
