"""A request for whole quilts, as JSON, and its answer.

The kinds are ``request/1`` and ``quilt/1``. It is a request for a yield with more to say: what the
quilt is for, how it may be set and framed, and what may be bought. All of that may be left out.
"""

from collections.abc import Callable, Iterator
from dataclasses import replace
from fractions import Fraction
from functools import partial
from typing import Annotated, Any, Literal, TypeVar

from pydantic import Discriminator, Field, Tag

from kersey.core.blocks.catalogue import as_tried, recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.whole_piece import whole_piece
from kersey.core.cutting.problem import ANY, Fabric
from kersey.core.errors import InvalidValue
from kersey.core.frame.backing import BackingWay, check_margin
from kersey.core.frame.borders import MOST_BORDERS, Corners, check_border_width
from kersey.core.frame.edge import USUAL_WIDTHS, Edge, EdgeStyle, cut_bias
from kersey.core.frame.keys import check_key
from kersey.core.frame.part import PartKind, part_role
from kersey.core.frame.purposes import LARGEST_SIDE, Wish
from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.frame.size_search import MOST_ROWS
from kersey.core.measure.length import YARD
from kersey.core.measure.workshop import QUARTER_INCH, USUAL_WIDTH, Workshop
from kersey.core.quilt.parts_cut import pieces_cut
from kersey.core.whole.candidate import Candidate, candidate_of
from kersey.core.whole.joint_search import Answer, QuiltQuestion, Sourced, WholeQuilt
from kersey.core.whole.quilt_words import better, reasons
from kersey.core.whole.scheme_score import OPINIONS, Aim, Judge, Target
from kersey.core.whole.scheme_space import Space
from kersey.formats.json_number import number
from kersey.formats.request_fields import (
    COUNT,
    MOST_FABRICS,
    NUMBER,
    TEXT,
    BadRequest,
    BlockPart,
    FabricPart,
    Length,
    Name,
    RequestPart,
    Width,
    block_asked,
    block_choice,
    check_roles,
    check_seam_of,
    checked,
    fabric_of,
    inlined,
    list_of,
    object_of,
    parsed,
)

ANSWER = "quilt/1"
_MOST_BLOCKS, _MOST_WIDTHS = 12, 12
_DEFAULT_BORDERS = tuple(Fraction(w) for w in ("3/2", "2", "3", "4", "5", "6"))
_DEFAULT_SASHING = tuple(Fraction(w) for w in ("0", "3/2", "2"))

_Made = TypeVar("_Made")
Flag = Annotated[bool, Field(strict=True)]
Flags = Annotated[tuple[Flag, ...], Field(min_length=1, max_length=2)]
Widths = Annotated[tuple[Width, ...], Field(max_length=_MOST_WIDTHS)]


def _kind_of_blocks(found: Any) -> str:
    """Which of the three ways to name blocks this is; each name has a dash: no field has."""
    if isinstance(found, str):
        return "any-block"
    return "several-blocks" if isinstance(found, list) else "one-block"


Blocks = Annotated[
    Annotated[BlockPart, Tag("one-block")]
    | Annotated[
        list[BlockPart], Field(min_length=1, max_length=_MOST_BLOCKS), Tag("several-blocks")
    ]
    | Annotated[Literal["any"], Tag("any-block")],
    Discriminator(_kind_of_blocks),
]


class TargetPart(RequestPart):
    """A finished size that is wanted."""

    width: Length
    length: Length
    tolerance: Width = Fraction(4)


class SettingsPart(RequestPart):
    """How blocks may be set; `any`: straight, between plain squares and on point are all tried."""

    max_ratio: Annotated[float, Field(ge=1, le=10)] = 1.5
    even: Flag = False
    on_point: Flag = False
    alternate: Flag = False
    any: Flag = False
    rows: Annotated[int, Field(ge=1, le=MOST_ROWS, strict=True)] | None = None
    columns: Annotated[int, Field(ge=1, le=MOST_ROWS, strict=True)] | None = None


class SashingPart(RequestPart):
    """What strips may part the blocks. Widths finished; 0 is none."""

    widths: Widths = _DEFAULT_SASHING
    cornerstones: Flags = (False, True)
    framed: Flags = (False, True)
    rows_only: Flags = (False,)


class BordersPart(RequestPart):
    """What borders there may be. Widths finished. Corners of a style, or of any.

    The outermost may be pieced of `keys` so wide, with a spacer that makes them fit; 0: plain.
    """

    max: Annotated[int, Field(ge=0, le=MOST_BORDERS, strict=True)] = 2
    widths: Widths = _DEFAULT_BORDERS
    keys: Widths = (Fraction(0),)
    style: Corners | Literal["any"] = Corners.BUTTED
    first: Literal["sides", "ends"] = "sides"


class BindingPart(RequestPart):
    """How the edge is finished, or in any way of its usual width. Width as cut; of a folded or
    turned edge what shows."""

    style: EdgeStyle | Literal["any"] = EdgeStyle.DOUBLE_FOLD
    width: Length | None = None


class BackingPart(RequestPart):
    """How the backing is made: in panels of usual cloth, or of extra-wide."""

    style: Literal["panels", "wide"] = "panels"
    margin: Width = Fraction(2)


class BuyPart(RequestPart):
    """What may be bought."""

    border: Flag = True
    sashing: Flag = True
    binding: Flag = True
    backing: Flag = True
    background: Flag = True
    blocks: Flag = False


class QuiltRequest(RequestPart):
    """What is asked."""

    kersey: Literal["request/1"]
    seam: Length = QUARTER_INCH
    usable_width: Length = USUAL_WIDTH
    fabrics: list[FabricPart] = Field(min_length=1, max_length=MOST_FABRICS)
    block: Blocks
    aim: Aim = Aim.BALANCED
    target: TargetPart | None = None
    settings: SettingsPart = SettingsPart()
    sashing: SashingPart = SashingPart()
    borders: BordersPart = BordersPart()
    binding: BindingPart = BindingPart()
    backing: BackingPart = BackingPart()
    buy: BuyPart = BuyPart()
    weights: dict[Name, Annotated[float, Field(ge=0, le=100)]] = Field(
        default_factory=dict, max_length=len(OPINIONS)
    )


def read_quilt_request(content: bytes) -> QuiltQuestion:
    """The question a file asks, its blocks counted; raises `BadRequest`, naming the field."""
    return quilt_question_of(parsed(content))


def quilt_question_of(found: Any) -> QuiltQuestion:
    """The question of a request already parsed; raises `BadRequest`."""
    request = checked(QuiltRequest, found)
    check_seam_of(request.seam)
    shop = _in_field("usable_width", lambda: Workshop(request.seam, request.usable_width))
    # What is asked is checked before blocks are counted, which takes longer.
    spaces, judge = tuple(_spaces(request)), _judge(request)
    fabrics = tuple(
        _of_every_border(fabric_of(part, n, request.usable_width))
        for n, part in enumerate(request.fabrics)
    )
    candidates = tuple(_candidates(request, fabrics, shop))
    return QuiltQuestion(
        fabrics=fabrics,
        candidates=candidates,
        spaces=spaces,
        judge=judge,
        may_buy=frozenset(name for name, may in request.buy if may),
        shop=shop,
        backing_way=BackingWay.WIDE if request.backing.style == "wide" else None,
        any_backing=judge.aim is Aim.NO_BUYING,
    )


def _of_every_border(fabric: Fabric) -> Fabric:
    """Cloth for "border" serves whichever there is."""
    if PartKind.BORDER not in fabric.roles:
        return fabric
    every = {part_role(PartKind.BORDER, n) for n in range(1, MOST_BORDERS + 1)}
    return replace(fabric, roles=fabric.roles | every)


def _candidates(
    request: QuiltRequest, fabrics: tuple[Fabric, ...], shop: Workshop
) -> Iterator[Candidate]:
    """Every block that is asked for and that the cloth gives."""
    roles = {role for recipe in recipes().values() for role in recipe.other_roles}
    for at, block in _blocks(request):
        try:
            asked = block_asked(block, fabrics, request.seam, at)
        except BadRequest:
            if request.block == ANY:
                continue
            raise
        if request.block != ANY:
            check_roles(request.fabrics, asked.assembly.needs, asked.block)
        may_buy = {"background"} if request.buy.background else set[str]()
        if request.buy.blocks:
            may_buy |= roles | {need.role for need in asked.assembly.needs}
        finished = asked.assembly.finished
        if finished is None:
            raise BadRequest(f"{at}.finished: must be given when the block is a list of pieces")
        on_point_of = request.settings.on_point and finished[0] != finished[1]
        found = candidate_of(asked.block, asked.problem, finished, frozenset(may_buy), shop)
        if found is None or on_point_of:
            continue
        if asked.block.makes_one_piece:
            whole = whole_piece(asked.block, request.seam, found.most)
            assert whole.assembly.finished is not None
            found = replace(found, finished=whole.assembly.finished, one_piece=True)
        yield found


def _blocks(request: QuiltRequest) -> Iterator[tuple[str, BlockChoice]]:
    """Each block that is asked for, with the field it stands in."""
    if isinstance(request.block, BlockPart):
        yield "block", block_choice(request.block)
    elif isinstance(request.block, list):
        for number, part in enumerate(request.block):
            at = f"block[{number}]"
            yield at, block_choice(part, at)
    else:
        for recipe in as_tried():
            if not (recipe.crumbs or recipe.ready or recipe.strings or recipe.measured):
                yield "block", BlockChoice(recipe.id)


def _spaces(request: QuiltRequest) -> Iterator[Space]:
    """The space of every setting, corner and edge that is left free."""
    space, style = _space(request), request.borders.style
    corners = list(Corners) if style == ANY else [space.corners]
    for setting in list(Setting) if request.settings.any else [space.setting]:
        for corner in corners if space.most_borders else corners[:1]:
            for key in _keys(request.borders):
                for edge in _edges(request):
                    yield replace(space, setting=setting, corners=corner, edge=edge, key=key)


def _keys(borders: BordersPart) -> Iterator[Fraction]:
    """The widths of keys that are tried; without a border there are none."""
    for n, key in enumerate(borders.keys or (Fraction(0),)):
        _in_field(f"borders.keys[{n}]", partial(check_key, key))
        if borders.max or not key:
            yield key


def _edges(request: QuiltRequest) -> Iterator[Edge]:
    """The edge that is asked for, or each as it usually is."""
    style, width = request.binding.style, request.binding.width
    if isinstance(style, EdgeStyle):
        yield _in_field("binding.width", partial(Edge, style, width or USUAL_WIDTHS[style]))
        return
    if width is not None:
        raise BadRequest("binding.width: must be left out when any style is allowed")
    yield from (Edge(each, USUAL_WIDTHS[each]) for each in EdgeStyle)


def _space(request: QuiltRequest) -> Space:
    settings, borders = request.settings, request.borders
    if settings.any and (settings.on_point or settings.alternate):
        raise BadRequest("settings.any: must be false when one setting is named")
    if settings.on_point and settings.alternate:
        raise BadRequest("settings.alternate: must be false when blocks are set on point")
    for n, width in enumerate(borders.widths):
        at = f"borders.widths[{n}]"
        if not width:
            raise BadRequest(f"{at}: must be more than 0")
        _in_field(at, partial(check_border_width, width))
    _in_field("backing.margin", lambda: check_margin(request.backing.margin))
    ratio, target = Fraction(str(settings.max_ratio)), request.target
    if target is not None:
        # What is wanted long and narrow is made so.
        ratio = max(ratio, *_ratios_near(target))
    return Space(
        setting=_setting(settings),
        sashings=tuple(_sashings(request.sashing)),
        border_widths=tuple(borders.widths),
        most_borders=borders.max if borders.widths else 0,
        corners=Corners.BUTTED if borders.style == ANY else Corners(borders.style),
        sides_first=borders.first == "sides",
        margin=request.backing.margin,
        seam=request.seam,
        max_ratio=ratio,
        even=settings.even,
        rows=settings.rows,
        columns=settings.columns,
        lies_wide=target is not None and target.width > target.length,
    )


def _setting(settings: SettingsPart) -> Setting:
    if settings.on_point:
        return Setting.ON_POINT
    return Setting.ALTERNATE if settings.alternate else Setting.STRAIGHT


def _ratios_near(target: TargetPart) -> tuple[Fraction, ...]:
    """Length to width, and width to length, as far as the tolerance lets them go."""
    sides = target.width, target.length
    narrow = max(min(sides) - target.tolerance, Fraction(1))
    return (Fraction(1), (max(sides) + target.tolerance) / narrow)


def _sashings(part: SashingPart) -> Iterator[Sashing]:
    """Every kind of sashing that may be; none of no width but once."""
    kinds = [
        (cornerstones, framed, rows_only)
        for cornerstones in part.cornerstones
        for framed in part.framed
        for rows_only in part.rows_only
        if not (rows_only and (cornerstones or framed))
    ]
    for n, width in enumerate(part.widths or (Fraction(0),)):
        for cornerstones, framed, rows_only in kinds if width else [(False, False, False)]:
            kind = partial(Sashing, width, cornerstones, framed, rows_only)
            yield _in_field(f"sashing.widths[{n}]", kind)


def _judge(request: QuiltRequest) -> Judge:
    part = request.target
    if part is None and request.aim is Aim.TARGET:
        raise BadRequest("target: is missing; this aim needs one")
    for name in ("width", "length") if part else ():
        if getattr(part, name) > LARGEST_SIDE:
            raise BadRequest(f"target.{name}: must be at most {LARGEST_SIDE}")
    target = Target(part.width, part.length, part.tolerance) if part else None
    return _in_field(
        "weights", lambda: Judge(request.aim, Wish().purposes(), target, request.weights)
    )


def _in_field(name: str, make: Callable[[], _Made]) -> _Made:
    """What is made; what is wrong with it is said of the field."""
    try:
        return make()
    except InvalidValue as error:
        raise BadRequest(f"{name}: {error}") from error


def write_quilts(question: QuiltQuestion, answer: Answer) -> dict[str, Any]:
    """The answer as plain words and numbers, in their order."""
    return {
        "kersey": ANSWER,
        "quilts": [_quilt(question, quilt) for quilt in answer.quilts],
        "considered": answer.considered,
        "cuttings": answer.cuttings,
        "complete": answer.complete,
        "weights": question.judge.weights,
    }


def _quilt(question: QuiltQuestion, quilt: WholeQuilt) -> dict[str, Any]:
    scheme, shop = quilt.scheme, question.shop
    from_of = {sourced.part.name: _from(sourced) for sourced in quilt.parts}
    sashing: dict[str, Any] = {"width": number(scheme.sashing.width)}
    if scheme.sashing.width:
        sashing |= {
            "cornerstones": scheme.sashing.cornerstones,
            "framed": scheme.sashing.framed,
            "rows_only": scheme.sashing.rows_only,
            "from": from_of.get(PartKind.SASHING, "stash"),
        }
    return {
        "recipe": quilt.candidate.block.recipe,
        "block": [number(side) for side in scheme.block],
        "rows": scheme.rows,
        "columns": scheme.columns,
        "setting": scheme.setting,
        "blocks": quilt.candidate.cut_blocks(scheme),
        "blocks_possible": quilt.candidate.most.blocks,
        "sashing": sashing,
        "borders": [
            {
                "cut": number(border.cut_width),
                "finished": number(border.finished_width),
                "from": from_of[part_role(PartKind.BORDER, n)],
            }
            | ({"keys": border.keys, "key": number(border.key)} if border.key else {})
            for n, border in enumerate(scheme.framed_by(shop), 1)
        ],
        "corners": scheme.corners,
        "finished": _size(*scheme.finished),
        "top": _size(*scheme.top),
        "binding": _binding(question, quilt),
        "backing": _backing(question, quilt),
        "batting": _size(scheme.batting.width, scheme.batting.length)
        | {"packet": [number(side) for side in scheme.batting.packet or ()] or None},
        "parts": list(_parts(quilt)),
        "buy": [
            {"part": name, "yards": number(cloth / YARD)} for name, cloth in quilt.bought.items()
        ],
        "score": round(quilt.score, 4),
        "opinions": {name: round(said, 4) for name, said in quilt.opinions.items()},
        "why": list(reasons(quilt, question.judge)),
        "better": better(quilt, question.judge),
    }


def _from(sourced: Sourced) -> str:
    return "bought" if sourced.bought else "stash"


def _size(width: Fraction, length: Fraction) -> dict[str, Any]:
    return {"width": number(width), "length": number(length)}


def _binding(question: QuiltQuestion, quilt: WholeQuilt) -> dict[str, Any]:
    edge = quilt.scheme.edge
    said = {"style": edge.style, "width": number(edge.width)}
    if not edge.has_strips:
        return {"strips": 0, "length": 0, "from": "backing"} | said
    (sourced,) = (sourced for sourced in quilt.parts if sourced.part.kind is PartKind.BINDING)
    if not sourced.bought:
        (needs,) = (needs for needs in quilt.needs if needs.part == sourced.part)
        strips = sum(len(pieces_cut(plan, needs)) for plan in quilt.plans)
    elif edge.style is EdgeStyle.BIAS:
        usable = question.shop.usable_width
        strips = len(cut_bias(sourced.part.length, edge.width, usable).strips)
    else:
        strips = sourced.part.off_the_bolt(question.shop).count
    length = number(sourced.part.length)
    return {"strips": strips, "length": length, "from": _from(sourced)} | said


def _backing(question: QuiltQuestion, quilt: WholeQuilt) -> dict[str, Any]:
    size, plan = quilt.scheme.backed_by(question.shop), quilt.backing
    bought = plan.bought if quilt.backing_bought else plan.cloth
    return _size(size.width, size.length) | {
        "panels": plan.panels,
        "direction": plan.way,
        "yards": number(bought / YARD),
        "from": "bought" if quilt.backing_bought else "stash",
    }


def _parts(quilt: WholeQuilt) -> Iterator[dict[str, Any]]:
    """Every part as it is cut; of joined strips how long they are together."""
    for sourced in quilt.parts:
        for piece in sourced.part.pieces:
            yield {
                "part": sourced.part.name,
                "piece": piece.name,
                "count": piece.count,
                "width": number(piece.cut_width),
                "length": number(piece.cut_length),
                "from": _from(sourced),
            }


def quilt_schemas() -> dict[str, Any]:
    """The JSON Schema of requests for quilts, and of answers."""
    request = QuiltRequest.model_json_schema()
    inline = inlined(request)
    return {"quilt_request": request, "request_inline": inline, "quilt": _ANSWER_SCHEMA}


_BOTH = {"type": "array", "items": NUMBER, "minItems": 2, "maxItems": 2}
_FLAG: dict[str, Any] = {"type": "boolean"}
_SIZE = object_of(width=NUMBER, length=NUMBER)
_KEYED = frozenset({"keys", "key"})
_ANSWER_SCHEMA = {
    "title": "QuiltAnswer",
    **object_of(
        kersey={"const": ANSWER},
        quilts=list_of(
            object_of(
                recipe=TEXT,
                block=_BOTH,
                rows=COUNT,
                columns=COUNT,
                setting=TEXT,
                blocks=COUNT,
                blocks_possible=COUNT,
                sashing={"type": "object"},
                borders=list_of(
                    object_of(
                        _KEYED, cut=NUMBER, finished=NUMBER, keys=COUNT, key=NUMBER,
                        **{"from": TEXT},
                    )
                ),
                corners=TEXT,
                finished=_SIZE,
                top=_SIZE,
                binding=object_of(
                    strips=COUNT, length=NUMBER, style=TEXT, width=NUMBER, **{"from": TEXT}
                ),
                backing=object_of(
                    width=NUMBER, length=NUMBER, panels=COUNT, direction=TEXT, yards=NUMBER,
                    **{"from": TEXT},
                ),
                batting=object_of(
                    width=NUMBER, length=NUMBER, packet={"anyOf": [_BOTH, {"type": "null"}]}
                ),
                parts=list_of(
                    object_of(part=TEXT, piece=TEXT, count=COUNT, width=NUMBER, length=NUMBER,
                              **{"from": TEXT})
                ),
                buy=list_of(object_of(part=TEXT, yards=NUMBER)),
                score=NUMBER,
                opinions=object_of(**dict.fromkeys(OPINIONS, NUMBER)),
                why=list_of(TEXT),
                better=TEXT,
            )
        ),
        considered=COUNT,
        cuttings=COUNT,
        complete=_FLAG,
        weights=object_of(**dict.fromkeys(OPINIONS, NUMBER)),
    ),
}  # fmt: skip
