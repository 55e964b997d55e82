"""Any block as it shows in the quilt: its patches in their prints, each with its code."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Make, Patch, Size
from kersey.core.cloth.fabric import Print
from kersey.core.measure.length import Units, format_length, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture, rect, text

_BETWEEN = "<!---->"


def draw_patches(
    patches: Sequence[Patch],
    finished: Size,
    prints: Sequence[Print],
    codes: Mapping[tuple[str, str], str],
    units: Units,
) -> str:
    """The block with its finished size below; `prints` are those of the patches, in their order.

    A patch is known in the page by ``data-need``, the code of its label and role.
    """
    width, height = map(float, finished)
    big = max(width, height)
    cloths = Cloths()
    parts = [
        element(
            "g",
            element(
                "path",
                d=_outline(patch),
                fill=cloths.fill(cloth),
                class_="piece",
                stroke_width=big / 110,
            ),
            *_code(patch, codes[(patch.label, patch.role)], big),
            data_need=codes[(patch.label, patch.role)],
        )
        for patch, cloth in zip(patches, prints, strict=True)
    ]
    square = finished[0] == finished[1]
    size = format_length(finished[0], units) if square else format_size(*finished, units)
    words = f"{size} finished"
    return picture(
        -big / 60,
        -big / 60,
        width + big / 30,
        height + big / 6,
        cloths.definitions,
        *parts,
        rect(0, 0, width, height, class_="seam-line", fill="none", stroke_width=big / 90),
        text(
            words,
            width / 2,
            height + big / 9,
            class_="measure",
            font_size=big / 13,
            text_anchor="middle",
        ),
        label=f"The block, {words}, with {len(patches)} patches.",
        class_="block-drawing",
    )


def outline_of(patch: Patch, times: Fraction) -> str:
    """A patch as path data, so many times as large as in inches."""
    return (
        "M" + "L".join(f"{number(x * times)} {number(y * times)}" for x, y in patch.corners) + "z"
    )


def draw_make(
    make: Make,
    prints: Sequence[Print],
    units: Units,
    seam: tuple[Size, Size] | None = None,
    together: int | None = None,
) -> str:
    """A make as it looks once it is sewn, with what it should measure below; `prints` are those of
    its patches. All makes of a block are drawn to one scale by their pictures' boxes. The `seam`
    that is sewn now is outlined, with a dot where it is begun; patches after those that are
    `together` are pale."""
    across = [float(x) for patch in make.patches for x, _ in patch.corners]
    down = [float(y) for patch in make.patches for _, y in patch.corners]
    left, top = min(across), min(down)
    width, height = max(across) - left, max(down) - top
    big = max(width, height)
    cloths = Cloths()
    parts = [
        element(
            "path",
            d=_outline(patch),
            fill=cloths.fill(cloth),
            stroke_width=big / 90,
            class_="piece" if together is None or n < together else "piece not-yet",
        )
        for n, (patch, cloth) in enumerate(zip(make.patches, prints, strict=True))
    ]
    square = make.size[0] == make.size[1]
    size = format_length(make.size[0], units) if square else format_size(*make.size, units)
    return picture(
        left - big / 40,
        top - big / 40,
        width + big / 20,
        height + big / 20,
        cloths.definitions,
        *parts,
        *(_sewn_now(*seam, big) if seam else ()),
        label=f"{make.words.capitalize()}, {size} unfinished.",
        class_="make-drawing",
    )


def _sewn_now(begin: Size, end: Size, big: float) -> Iterator[str]:
    line = "M" + "L".join(f"{number(x)} {number(y)}" for x, y in (begin, end))
    for name, wide in (("sewn-halo", big / 30), ("sewn-now", big / 75)):
        yield element("path", d=line, class_=name, stroke_width=number(wide))
    yield element(
        "circle",
        cx=number(begin[0]),
        cy=number(begin[1]),
        r=number(big / 45),
        class_="sewn-begin",
        stroke_width=number(big / 150),
    )


def draw_block_alone(patches: Sequence[Patch], finished: Size, prints: Sequence[Print]) -> str:
    """The block without a word, small, in the colours that its prints blend to."""
    return next(draw_blocks_alone(patches, finished, [prints]))


def draw_blocks_alone(
    patches: Sequence[Patch], finished: Size, blocks: Iterable[Sequence[Print]]
) -> Iterator[str]:
    """Blocks alike but for their prints, each without a word, small, in flat colours."""
    cloths = Cloths(flat=True)
    # All but the colours is written once: a quilt has hundreds of blocks.
    before, after = picture(0, 0, *finished, _BETWEEN, label="One block.").split(_BETWEEN)
    outlines = [_outline(patch) for patch in patches]
    for prints in blocks:
        parts = (
            f'<path d="{outline}" fill="{cloths.fill(cloth)}"/>'
            for outline, cloth in zip(outlines, prints, strict=True)
        )
        yield f"{before}{''.join(parts)}{after}"


def _outline(patch: Patch) -> str:
    return "M" + "L".join(f"{number(x)} {number(y)}" for x, y in patch.corners) + "z"


def _code(patch: Patch, code: str, big: float) -> list[str]:
    """The code in the middle of a patch that has room for it."""
    across = [float(x) for x, _ in patch.corners]
    down = [float(y) for _, y in patch.corners]
    narrow = min(max(across) - min(across), max(down) - min(down))
    size = min(big / 15, 0.75 * narrow)
    if size < big / 34:
        return []
    x, y = sum(across) / len(across), sum(down) / len(down)
    wide = (0.6 * len(code) + 0.5) * size
    return [
        rect(
            x - wide / 2,
            y - 0.56 * size,
            wide,
            1.12 * size,
            rx=0.2 * size,
            class_="chip",
            fill="#ffffff",
        ),
        text(code, x, y + 0.36 * size, class_="chip-text", font_size=size, text_anchor="middle"),
    ]
