"""A material and its thickness → what it bears, what cleans it, how many impressions it serves."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.data.mordants import TABLES_VERSION
from core.data.plastics import PLASTICS
from core.data.plate_materials import MATERIALS
from core.data.wear import STEEL_FACED, STEEL_ON, WEAR, WearMaterial
from core.errors import CoreError
from core.prepare.bevel import is_optional
from core.safety.cleaned_with import cleaned_with
from core.schema import Shape


class PlateMaterialInput(Shape):
    """A plate's material by its name, and how thick it is."""

    material: WearMaterial
    thickness_mm: (
        Annotated[float, Field(ge=0.1, le=10, json_schema_extra={"unit": "mm"})] | None
    ) = None
    steel_faced: bool = False


class PlateMaterialOutput(Shape):
    """What a plate of it bears."""

    label: str
    thicknesses_mm: list[float]
    bears: str
    bevel: str
    bevel_needed: bool | None
    """None where its thickness is not known."""
    label_off: str
    burr: str
    only_darker: str
    clear: bool
    cleaning: str
    serves: int
    burr_impressions: float
    tables: str


def plate_material(given: PlateMaterialInput) -> PlateMaterialOutput:
    """Return what a material bears.

    Parameters
    ----------
    given : PlateMaterialInput

    Returns
    -------
    PlateMaterialOutput

    Raises
    ------
    CoreError
        Steel on what takes none; ``plastic`` without its name.
    """
    if given.material not in MATERIALS:
        raise CoreError(
            "which-plastic", "Plastics differ: which one is it?", field="material",
            value=given.material, allowed=", ".join(MATERIALS),
        )  # fmt: skip
    if given.steel_faced and given.material not in STEEL_ON:
        raise CoreError(
            "no-steel", f"{given.material} takes no steel.", field="steel_faced", value=True,
            allowed=f"only {' or '.join(STEEL_ON)}",
        )  # fmt: skip
    row, wear = MATERIALS[given.material], WEAR[given.material]
    times = STEEL_FACED if given.steel_faced else 1.0
    plastic = given.material in PLASTICS
    kind, thickness = ("plastic" if plastic else given.material), given.thickness_mm
    return PlateMaterialOutput(
        label=row.label, thicknesses_mm=list(row.thicknesses_mm), bears=row.bears,
        bevel=row.bevel,
        bevel_needed=None if thickness is None else not is_optional(kind, thickness),
        label_off=row.label_off, burr=row.burr, only_darker=_only_darker(row.can_be_burnished),
        clear=row.clear, cleaning=cleaned_with(given.material),
        serves=round(wear.serves * times),
        burr_impressions=round(wear.burr_impressions * times, 1), tables=TABLES_VERSION,
    )  # fmt: skip


def _only_darker(back: float) -> str:
    if back <= 0:
        return "Marks only get darker: nothing takes them back."
    if back < 10:
        return f"Marks only get darker: burnishing gives back {back:g} L* at most. Begin lightly."
    return (
        "Marks can be scraped and burnished away, a spot at a time; it takes longer than to draw "
        "them."
    )
