"""Layers on one sheet → what the print is rightly called, and what its layers ask for."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.data.layers import (
    COVERS_ABOVE,
    KINDS_OF_LAYER,
    OPAQUE_BELOW,
    LayerKind,
)
from core.errors import CoreError
from core.layers.shapes import Lets, PlateName, SizeMm
from core.schema import Shape

MOST_SHEET_LAYERS = 12
Named = Literal["edition", "variable edition", "monoprint", "monotype"]
PieceMm = Annotated[float, Field(ge=1, le=2500, json_schema_extra={"unit": "mm"})]
_INSIDE_MM = 1.0
"""A pasted sheet stays so far within the plate mark: the press pushes it over. ``room-practice``"""


class SheetLayer(Shape):
    """One layer of a sheet."""

    name: PlateName
    kind: LayerKind
    lets_through: Lets = 0.5
    covers: Annotated[float, Field(ge=0, le=1)] = 0.3
    size_mm: tuple[PieceMm, PieceMm] | None = None
    """Of the plate, the stencil, the piece of thin paper; null: as the print."""
    varied: bool = False
    """Inked otherwise from sheet to sheet, on purpose."""
    wet: bool = False
    """Printed before the layer below it is dry."""


class LayerStackInput(Shape):
    """Layers in the order they come on the sheet, and the print's size."""

    layers: Annotated[list[SheetLayer], Field(min_length=1, max_length=MOST_SHEET_LAYERS)]
    size_mm: SizeMm
    ghosts: Annotated[int, Field(ge=0, le=20)] = 0
    """Further pulls meant from one inking."""


class StackWarning(Shape):
    """Something a layer asks for."""

    code: Literal[
        "stencil-larger", "plates-differ", "chine-at-edge", "opaque-over-all", "roll-order",
        "chine-order", "ghost-of-none",
    ]  # fmt: skip
    layer: str
    text: str


class LayerNamed(Shape):
    """A layer with what it is."""

    name: str
    kind: LayerKind
    label: str
    repeats: bool
    how: str


class LayerStackOutput(Shape):
    """What the print is called, layer by layer and as a whole."""

    called: Named
    unique: bool
    """Each sheet is numbered 1/1."""
    title: str
    text: str
    layers: list[LayerNamed]
    warnings: list[StackWarning]


def layer_stack(given: LayerStackInput) -> LayerStackOutput:
    """Return what a print of several layers is called, and what its layers ask for.

    Parameters
    ----------
    given : LayerStackInput

    Returns
    -------
    LayerStackOutput

    Raises
    ------
    CoreError
        A stencil larger than the plate it is rolled on.

    Notes
    -----
    Nothing that stays: a monotype. Something that stays beside what is made by hand: a monoprint.
    All stays but is inked otherwise on purpose: a variable edition. Else an edition.
    Source: ``room-practice``.
    """
    for at, layer in enumerate(given.layers):
        _check_stencil(at, layer, given.size_mm)
    called = _called(given.layers)
    title, text = _NAMES[called]
    if given.ghosts and called in ("monotype", "monoprint"):
        text += " A ghost is one of its own, named after the pull it follows."
    return LayerStackOutput(
        called=called, unique=called in ("monotype", "monoprint"), title=title, text=text,
        layers=[
            LayerNamed(name=each.name, kind=each.kind, label=KINDS_OF_LAYER[each.kind].label,
                       repeats=KINDS_OF_LAYER[each.kind].repeats and not each.varied,
                       how=KINDS_OF_LAYER[each.kind].how)
            for each in given.layers
        ],
        warnings=_warnings(given),
    )  # fmt: skip


_NAMES: dict[Named, tuple[str, str]] = {
    "edition": (
        "An edition", "Every layer comes from something that stays: sheets are numbered alike."),
    "variable edition": (
        "A variable edition", "Every layer can be printed again, but is inked otherwise: number "
        "them EV, and say that they differ."),
    "monoprint": (
        "A monoprint", "A plate or stencil that stays under something made once: each sheet is "
        "1/1, and belongs to its series."),
    "monotype": (
        "A monotype", "Nothing of it stays on a plate: each sheet is 1/1."),
}  # fmt: skip


def _called(layers: list[SheetLayer]) -> Named:
    by_hand = [KINDS_OF_LAYER[each.kind].by_hand for each in layers]
    stays = any(KINDS_OF_LAYER[e.kind].repeats and e.kind != "chine-colle" for e in layers)
    if any(by_hand):
        return "monoprint" if stays else "monotype"
    return "variable edition" if any(each.varied for each in layers) else "edition"


def _check_stencil(at: int, layer: SheetLayer, size: SizeMm) -> None:
    if layer.kind not in ("stencil", "relief-roll") or layer.size_mm is None:
        return
    if layer.size_mm[0] > size[0] or layer.size_mm[1] > size[1]:
        raise CoreError(
            "stencil-larger-than-plate", f"The opening of {layer.name} is larger than the plate: "
            "ink would go beyond its edge onto the bed. Make it smaller, or the plate larger.",
            field=f"layers.{at}.size_mm", value=list(layer.size_mm),
            allowed=f"at most {size[0]:g} by {size[1]:g}", unit="mm",
        )  # fmt: skip


def _warnings(given: LayerStackInput) -> list[StackWarning]:
    found = []
    for at, layer in enumerate(given.layers):
        below = given.layers[:at]
        said = (
            _differs(layer, given.size_mm), _at_edge(layer, given.size_mm),
            _opaque(layer, below), _roll(layer, given.layers[at + 1 :]), _pasted(layer, below),
        )  # fmt: skip
        found += [each for each in said if each is not None]
    hands = [each for each in given.layers if KINDS_OF_LAYER[each.kind].by_hand]
    if given.ghosts and not hands:
        found.append(StackWarning(
            code="ghost-of-none", layer=given.layers[0].name,
            text="A ghost follows from a monotype's inking: none of these layers has one.",
        ))  # fmt: skip
    return found


def _differs(layer: SheetLayer, size: SizeMm) -> StackWarning | None:
    if layer.kind != "plate" or layer.size_mm is None:
        return None
    off = max(abs(a - b) for a, b in zip(layer.size_mm, size, strict=True))
    if off <= 0.5:
        return None
    return StackWarning(
        code="plates-differ", layer=layer.name,
        text=f"{layer.name} is {layer.size_mm[0]:g} × {layer.size_mm[1]:g} mm, the print "
        f"{size[0]:g} × {size[1]:g}: two plate marks are seen, and each needs its own place on "
        "the template.",
    )  # fmt: skip


def _at_edge(layer: SheetLayer, size: SizeMm) -> StackWarning | None:
    if layer.kind != "chine-colle" or layer.size_mm is None:
        return None
    if all(a <= b - 2 * _INSIDE_MM for a, b in zip(layer.size_mm, size, strict=True)):
        return None
    return StackWarning(
        code="chine-at-edge", layer=layer.name,
        text=f"{layer.name} reaches the plate's edge: cut it {_INSIDE_MM:g} mm smaller on each "
        "side, since damp it grows and the press pushes it over.",
    )  # fmt: skip


def _opaque(layer: SheetLayer, below: list[SheetLayer]) -> StackWarning | None:
    # a thin sheet goes under the plate's ink, never over it
    if not below or layer.kind == "chine-colle":
        return None
    if layer.lets_through >= OPAQUE_BELOW or layer.covers <= COVERS_ABOVE:
        return None
    return StackWarning(
        code="opaque-over-all", layer=layer.name,
        text=f"{layer.name} is opaque and covers {layer.covers * 100:.0f} %: it hides the layers "
        "below. Print it first, or mix it with extender.",
    )  # fmt: skip


def _roll(layer: SheetLayer, above: list[SheetLayer]) -> StackWarning | None:
    if layer.kind != "relief-roll" or not any(each.kind == "plate" for each in above):
        return None
    return StackWarning(
        code="roll-order", layer=layer.name,
        text=f"{layer.name} is rolled on a plate that is inked and wiped already, so it goes on "
        "with that plate or after it, not before.",
    )  # fmt: skip


def _pasted(layer: SheetLayer, below: list[SheetLayer]) -> StackWarning | None:
    if layer.kind != "chine-colle" or not below:
        return None
    return StackWarning(
        code="chine-order", layer=layer.name,
        text=f"{layer.name} is pasted over {below[-1].name} and hides it where it lies: put it "
        "first, unless that is meant.",
    )  # fmt: skip
